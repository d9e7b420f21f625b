#!/usr/bin/env python3
# SPDX-License-Identifier: MIT
"""How quick the page is, by its own counters, as the table of docs/page.md; with --write it is put there. Run it with
/usr/bin/python3. Times are of this machine and this moment.

In milliseconds: seen, until the picture that the page carries is there, from an empty browser; ready, until it can be
dragged; work a move, by the page's own counters; the longest wait from one move to the next in a drag that begins as soon
as the page is ready, while everything is swept, checked and drawn for the first time, and in one beside a worker that
checks without pause."""

import json
import pathlib
import re
import sys
import tempfile

sys.path.insert(0, str(pathlib.Path(__file__).resolve().parents[1] / "tests/page"))
from browser import ROOT, Browser  # noqa: E402

DRAG = """
  const [from, to, steps] = a;
  await api.stats();
  const begun = performance.now();
  let longest = 0, last = begun;
  for (let i = 0; i <= steps; ++i) {
    await new Promise(requestAnimationFrame);
    await api.resize(Math.round(from + (to - from) * i / steps), (await api.size()).height);
    longest = Math.max(longest, performance.now() - last);
    last = performance.now();
  }
  return { ...await api.stats(), longest, pictures: (steps + 1) / (performance.now() - begun) * 1000 };"""


def house(rows):
    """Rows of eight nodes under one another; 125 of them are a thousand nodes."""
    def row(i):
        return {"kind": "row", "name": f"bed_{i}", "gap": 8, "padding": 6, "children": [
            {"kind": "text", "name": "name", "text": f"Bed {i}, moss and fern", "grow": 1, "basis": 0},
            {"kind": "box", "name": "lamp", "width": 24, "height": 24},
            {"kind": "column", "name": "notes", "weight": 1, "gap": 4, "children": [
                {"kind": "text", "name": "top", "text": "Water at noon when the vents are half open"},
                {"kind": "text", "name": "sub", "text": "and again at night"}]},
            {"kind": "box", "name": "valve", "width": 60, "height": 30}]}
    return {"format": 2, "title": f"A house of {rows} beds", "ladder": {"width": [320, 1280], "height": 800},
            "root": {"kind": "column", "name": "house", "padding": 10, "gap": 6, "scroll": "y", "children": [row(i) for i in range(rows)]},
            "claims": ["house/*.width >= 40", "same(house/*.right)"]}


CHECKING = """
  window.checking = true;
  (async () => { while (window.checking) await api.run('check', ['--claim', a[0]]); })();"""


def measure(name, scene):
    page = Browser()
    try:
        page.report(scene)
        still = page.run("return performance.getEntriesByName('first-contentful-paint')[0]?.startTime")
        ready = page.run("return api.readyAfter")
        at_once = page.run(DRAG, 400, 1200, 120)
        page.wait("everything", lambda: re.search(r"hold|broken|none", page.text("#fl-claims summary")))
        nodes = page.run("const { nodes } = await api.scene(); await api.select(nodes.at(-1).path); return nodes.length")
        calm = page.run(DRAG, 1200, 400, 240)
        page.run(CHECKING, "container.width > 5000")
        beside = page.run(DRAG, 400, 1200, 240)
        page.run("window.checking = false")
        return (f"| {name} | {nodes} | {still:.0f} | {ready:.0f} | {calm['mean']:.1f} and {calm['worst']:.0f} "
                f"| {at_once['longest']:.0f} | {beside['longest']:.0f} |")
    finally:
        page.close()


if __name__ == "__main__":
    table = ["| scene | nodes | seen | ready | work a move, mean and worst | longest wait while all begins | and beside checks |",
             "|---|---|---|---|---|---|---|"]
    with tempfile.TemporaryDirectory() as folder:
        table.append(measure("console", ROOT / "examples/console.scene.json"))
        for rows in (42, 142):
            path = pathlib.Path(folder) / f"{rows}.scene.json"
            path.write_text(json.dumps(house(rows)))
            table.append(measure(f"a house of {rows} beds", path))
    print("\n".join(table))
    if "--write" in sys.argv[1:]:
        page = ROOT / "docs/page.md"
        page.write_text(re.sub(r"\| scene \| nodes .*?\n(?!\|)", lambda _: "\n".join(table) + "\n", page.read_text(), flags=re.DOTALL))
