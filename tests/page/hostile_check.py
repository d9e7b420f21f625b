# SPDX-License-Identifier: MIT
"""Strangers' scenes on the page: names, texts, claims and titles stay text, nothing leaves the page, and an engine that
breaks off is replaced."""

import json
import pathlib
import tempfile
import unittest

from browser import Browser, PageTest, Refused, program

CONSOLE = "examples/console.scene.json"
TEXTS = [
    "<script>document.title='pwned'</script>", "</script><script>pwned=1</script>", "</SCRIPT >", "<!--", "-->", "]]>", "<![CDATA[",
    "<img src=x onerror=pwned=1>", "\"><img src=x onerror=pwned=1>", "'><svg onload=pwned=1>", "<svg/onload=pwned=1>",
    "</title><b>", "</svg><b>", "</style><b>", "<style>*{display:none}</style>", "<base href=http://garden.example/>",
    "<meta http-equiv=refresh content=0;url=http://garden.example/>", "<iframe src=javascript:pwned=1>", "<a href=javascript:pwned=1>x</a>",
    "javascript:pwned=1", "data:text/html,<script>pwned=1</script>", "{{scene:start}}", "{{scene:still}}", "{{engine}}", "${pwned=1}",
    "`${pwned=1}`", "\\u003cscript>pwned=1</script>", "&lt;b&gt;", "&#60;b&#62;", "<link rel=stylesheet href=http://garden.example/x.css>",
    "<object data=http://garden.example/>", "<form action=http://garden.example/><button>", "<input autofocus onfocus=pwned=1>",
    "<details open ontoggle=pwned=1>", "<math><mtext></table><img src=x onerror=pwned=1>", "<noscript><p title=\"</noscript><img src=x onerror=pwned=1>\">",
    "fl-title", "fl-engine", "picture:clip:1", "__proto__", "constructor", "toString", "<template><b></template>", "<b style=position:fixed>",
    "\u2028\u2029", "\u202edesrever", "\u0000nul", "a\tb\r\nc", "<plaintext>", "\ufeff<b>",
]


def hostile_scene(text):
    """A scene that is full of one text, and what a browser could take for its own names."""
    return {"format": 2, "title": text, "ladder": {"width": [100, 400], "height": 200},
            "root": {"kind": "column", "name": "r", "children": [
                {"kind": "text", "name": "fl-title", "text": text}, {"kind": "box", "name": "fl-engine", "width": 20, "height": 20}]},
            "claims": ["r.width > 1000"]}


class Hostile(PageTest):
    def test_there_are_fifty_texts(self):
        self.assertGreaterEqual(len(TEXTS), 50)

    def test_texts_stay_texts(self):
        page = self.page
        shown = 0
        with tempfile.TemporaryDirectory() as folder:
            path = pathlib.Path(folder) / "hostile.scene.json"
            for text in TEXTS:
                path.write_text(json.dumps(hostile_scene(text)))
                with self.subTest(text=text):
                    page.report(path)
                    page.run("await api.select('r/fl-title'); "
                             "for (const one of document.querySelectorAll('details')) one.open = true")
                    page.wait_for_text("#fl-claims summary", "fail")
                    page.wait("its settings", lambda: page.all("#fl-node .settings"))
                    self.assertEqual(page.run("return typeof pwned"), "undefined")
                    self.assertEqual(page.run("return document.querySelectorAll('script, iframe, object, base, link, meta, img, style, template').length"), 10)
                    self.assertEqual(page.run("return document.querySelectorAll('[onload],[onerror],[onfocus],[ontoggle],[href^=javascript]').length"), 0)
                    self.assertEqual(page.messages(), [])
                    fields = page.run("return [...document.querySelectorAll('#fl-node .settings input')].map((one) => one.value)")
                    if "\n" not in text and "\0" not in text:
                        self.assertIn(text, fields)
                    shown += 1
        self.assertEqual(shown, len(TEXTS))

    def test_claims_that_are_typed_stay_texts(self):
        page = self.page.report(CONSOLE)
        for claim in ("<img src=x onerror=pwned=1>", "beds.width > <b>", "beds.width > 1 <script>"):
            page.type_into("#fl-claims input", claim)
            refused = program("check", CONSOLE, "--claim", claim, check=False).stderr.strip().removeprefix("fond-ladder: error: ")
            page.wait_for_text("#fl-claims .fault", refused)
            self.assertEqual(page.run("return document.querySelectorAll('#fl-claims img, #fl-claims b, #fl-claims script').length"), 0)

    def test_a_file_name_is_text_too(self):
        with tempfile.TemporaryDirectory() as folder:
            for name in ("<img src=x onerror=pwned=1>.json", "'\"&lt;.json", "--set x.json", "{{scene:still}}.json"):
                path = pathlib.Path(folder) / name
                path.write_text('{"format": 2, "root": {"kind": "row", "name": "r"}, "ladder": {"width": [10, 20]}}')
                page = self.page.report(path)
                ours = program("measure", path, "--format", "json").stdout
                self.assertEqual(page.run("return api.run('measure', [])"), ours)
                self.assertEqual(page.run("return typeof pwned"), "undefined")

    def test_no_request_leaves_the_page(self):
        page = self.page
        page.requests()
        page.report(CONSOLE)
        page.run("await api.select('console/body/beds'); await api.apply('set beds.width=300'); for (const w of [400, 800]) await api.resize(w, 800)")
        page.wait_for_text("#fl-claims summary", "fail")
        asked = [address for address in page.requests() if not address.startswith(("blob:null/", "data:"))]
        self.assertEqual(len(asked), 1, asked)
        self.assertTrue(asked[0].startswith("file:///"), asked)
        with self.assertRaises(Refused):
            page.run("await fetch('http://127.0.0.1:9/')")
        self.assertTrue(any("Content Security Policy" in message for message in page.messages()))

    def test_where_scripts_are_off_the_still_picture_is_seen(self):
        page = self.page
        page.report(CONSOLE)
        file = page.driver.current_url
        page.command("Emulation.setScriptExecutionDisabled", value=True)
        page.driver.get(file)
        self.assertTrue(page.find("#fl-still svg").is_displayed())
        self.assertIn("Scripts are off", page.find("noscript").text)
        self.assertIn("876 × 514", page.find("#fl-still svg").text)
        page.command("Emulation.setScriptExecutionDisabled", value=False)


class Broken(unittest.TestCase):
    """The engine's functions break off when told to; no scene is known that makes them."""

    BREAK = """
      const instantiate = WebAssembly.instantiate;
      WebAssembly.instantiate = async (module, imports) => {
        const { exports } = await instantiate(module, imports);
        window.instances = (window.instances ?? 0) + 1;
        const calls = Object.fromEntries(Object.entries(exports).map(([name, call]) => [name, typeof call !== 'function' ? call : (...values) => {
          if (window.breaks !== name) return call(...values);
          window.breaks = '';
          throw new WebAssembly.RuntimeError('unreachable');
        }]));
        return { exports: calls };
      };"""

    def test_a_browser_that_cannot_run_it_says_so_beside_the_picture(self):
        page = Browser(before="WebAssembly.compile = () => Promise.reject(new Error('no engine here'))")
        try:
            with self.assertRaises(Refused):
                page.report(CONSOLE)
            self.assertEqual(page.text("#fl-status"), "This browser cannot run the page, so the picture stands still: Error: no engine here")
            self.assertTrue(page.find("#fl-still svg").is_displayed())
        finally:
            page.close()

    def test_an_engine_that_breaks_off_is_replaced(self):
        page = Browser(before=self.BREAK)
        try:
            page.report(CONSOLE, "--at", "700x800")
            page.run("await api.apply('set sensors.gap=20'); await api.setMode('closed', true); await api.select('console/body/beds')")
            for call, does in (("fl_solve", "await api.resize(650, 800)"), ("fl_apply", "await api.apply('set beds.width=300').catch(() => 0)"),
                               ("fl_form", "await api.setMode('closed', false).catch(() => 0)"), ("fl_undo", "await api.undo().catch(() => 0)")):
                with self.subTest(call=call):
                    before = page.run("return window.instances")
                    page.run(f"window.breaks = '{call}'; {does}")
                    page.wait("a new engine", lambda: page.run("return window.instances") > before)
                    page.wait_for_text("#fl-status", "it was started anew")
                    self.assertEqual(page.run("return api.changes()"), ["--set sensors.gap=20"])
                    self.assertEqual(page.selected(), "console/body/beds")
                    page.run("await api.resize(700, 800)")
                    measured = json.loads(program("measure", CONSOLE, "--at", "700x800", "--set", "sensors.gap=20", "--mode", "closed", "--format", "json").stdout)
                    boxes = page.run("return api.boxes()")
                    self.assertEqual({node["path"]: node["width"] for node in measured["answers"][0]["nodes"]}, {box["path"]: box["width"] for box in boxes})
        finally:
            page.close()


if __name__ == "__main__":
    unittest.main()
