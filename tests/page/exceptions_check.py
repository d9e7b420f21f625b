# SPDX-License-Identifier: MIT
"""Runs exceptions_check.cpp, which is the page's run time of exceptions by itself, in the browser."""

import base64
import os
import pathlib
import unittest

from browser import PageTest

RUN = """
  const bytes = Uint8Array.from(atob(a[0]), (letter) => letter.charCodeAt(0));
  const { instance } = await WebAssembly.instantiate(bytes, { wasi_snapshot_preview1: new Proxy({}, { get: () => () => 52 }) });
  const { _initialize, how_many, name_of, holds, uncaught, memory } = instance.exports;
  _initialize();
  const told = {};
  for (let i = 0; i < how_many(); ++i) {
    const at = name_of(i), all = new Uint8Array(memory.buffer);
    const name = new TextDecoder().decode(all.subarray(at, all.indexOf(0, at)));
    try { told[name] = holds(i) === 1; } catch (error) { told[name] = String(error); }
  }
  const grown = memory.buffer.byteLength;
  try { uncaught(); told.uncaught = 'went on'; } catch (error) { told.uncaught = error instanceof WebAssembly.RuntimeError || error instanceof WebAssembly.Exception; }
  return [told, grown]"""


class Exceptions(PageTest):
    def test_every_promise_is_kept(self):
        self.page.driver.get("about:blank")
        told, bytes_used = self.page.run(RUN, base64.b64encode(pathlib.Path(os.environ["FOND_LADDER_EXCEPTIONS"]).read_bytes()).decode())
        self.assertEqual(len(told), 16)
        self.assertEqual({name: how for name, how in told.items() if how is not True}, {})
        self.assertLess(bytes_used, 4_000_000)  # 100,000 thrown left nothing behind


if __name__ == "__main__":
    unittest.main()
