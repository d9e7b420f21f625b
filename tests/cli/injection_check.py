# SPDX-License-Identifier: MIT
"""200 texts from strangers, which a terminal, a shell, markup, a plotting program or a spreadsheet would act on, wherever
a scene or a call can have a text, through every command: each output is read back by a parser of its own kind, and
says what was put in, as text.

  injection_check.py ROOT PROGRAM"""
import concurrent.futures
import csv
import html.parser
import io
import json
import os
import pathlib
import re
import subprocess
import sys
import tempfile
import unittest
import unicodedata
import xml.dom.minidom

ROOT, PROGRAM = (pathlib.Path(word).resolve() for word in sys.argv[1:3])
# What steers a terminal, or turns the direction of what follows.
STEERS = re.compile("[\x00-\x08\x0b-\x1f\x7f-\x9f\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]")
MARK = "PWNED"


def hostile_texts():
    run = [f"touch {MARK}", f"id>{MARK}", f": >{MARK}", f"echo x|tee {MARK}"]
    texts = [form.replace("%", command) for command in run for form in (
        "`%`", "$(%)", "\"`%`", "'`%`", "';%;'", "\";%;\"", "\\\"`%`", "|%", "\n%\n", "\nsystem '%'\n", "'\nsystem \"%\"\n", "@%",
        "${IFS}`%`", "''`%`''", "&& %", "%0a%", "{{%}}", "-o %", "--output=%", "a'|'%")]
    markup = ["<script>{}</script>", "</script><script>{}</script>", "<img src=x onerror={}>", "\"><svg onload={}>", "' onload='{}' x='",
              "]]><script>{}</script>", "<!--{}", "--><script>{}</script>", "&lt;script&gt;{}", "<![CDATA[{}]]>", "<?xml {}?>",
              "<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>{}&x;", "javascript:{}", "</title><script>{}</script>",
              "</style><script>{}</script>", "\\u003cscript>{}", "<a href=\"javascript:{}\">x</a>", "</text><script>{}</script>",
              "<use href=\"data:{}\"/>", "<foreignObject>{}</foreignObject>"]
    texts += [form.format(what) for form in markup for what in (f"document.title='{MARK}'", f"alert(`{MARK}`)")]
    texts += ["\x1b[31mred", "\x1b]0;title\x07", "\x1b]8;;http://garden.example\x07x\x1b]8;;\x07", "\x1bP$q\x1b\\", "\x9b31m", "a\rkept",
              "a\x08\x08b", "\x1b[2J\x1b[H", "\x1b[6n", "&amp;&lt;&#x0;&bogus;", "&#65;&#8238;", "\x07\x07", "\x7f", "\x00nul", "\u202edesrever", "\u2066x\u2069", "\u200f", "\ufeffbom",
              "\ufffe", "\U0001f331", "e\u0301" * 40, "a\u2028b\u2029c", "holds     a.width = 240\nbroken", "\t\ttab", " ", "-", "--help", "-",
              "/etc/passwd", "../../../etc/passwd", "file:///etc/passwd", "http://garden.example/", "~1~0/", "#/root", "a%00b", "%2e%2e/",
              "=1+1", "=HYPERLINK(\"http://garden.example\")", "+1", "@SUM(1)", "-1+1", "a,b;c\"d\"\"e", "\"", "'", "\\", "\\n", "\\\"", "`",
              "$HOME", "%s%n%s%n", "{0}", "{:>99999}", "a" * 5000, "\u00ad" * 50, "\r\nX-Set: 1", "a\n\n\nb", "null", "true", "1e309", "NaN",
              "set output \"x\"", "plot \"<touch x\"", "*", "?", "[a]", "{}", "()", "@@", "!!", "~", "^", "|", ";", "\u0430dmin", "\udcff".encode(
                  "utf-8", "surrogatepass").decode("latin-1")]
    unlike = [f"{kind}{MARK}{kind[::-1]}" for kind in ("\"'", "'\"", "<>", "&&", "{{", "$(", "`'", "\\\\", "%%", "/*", "//", "#", "=\"", "='", ";;", "||")]
    return (texts + unlike)[:200]


def scene_of(text):
    """All that can have a text of any form has it."""
    return {"format": 2, "title": text, "ladder": {"width": [100, 104], "height": 50},
            "locales": {text: {"texts": {"t": text}}}, "parts": {text: {"kind": "box"}}, "shared": {text: {"height": 5}},
            "claims": ["a.width = 240"],
            "root": {"kind": "row", "name": "r", "children": [{"kind": "box", "name": "a", "width": 10, "part": text, "like": text},
                                                             {"kind": "text", "name": "t", "text": text}]}}


def holds(value, text):
    """Whether a text stands anywhere in JSON, by itself or in JSON within it."""
    if isinstance(value, str):
        return value == text or json.dumps(text)[1:-1] in value or json.dumps(text, ensure_ascii=False)[1:-1] in value
    return any(holds(one, text) for one in (value.values() if isinstance(value, dict) else value if isinstance(value, list) else []))


# What pictures within a page are made of.
DRAWN = {"svg", "g", "path", "rect", "text", "tspan", "line", "circle", "clippath", "defs", "title", "pattern", "polygon", "polyline", "use"}


class Tags(html.parser.HTMLParser):
    """The elements and names of attributes of a page, and the texts of its data."""

    def __init__(self, page):
        super().__init__()
        self.tags, self.data, self.open = [], [], ""
        self.feed(page)

    def handle_starttag(self, tag, attributes):
        self.tags.append((tag, *sorted(name for name, _ in attributes)))
        self.open = tag if tag in ("script", "title") else ""

    def handle_data(self, data):
        if self.open:
            self.data.append((self.open, data))


class Injection(unittest.TestCase):
    def setUp(self):
        kept = tempfile.TemporaryDirectory()
        self.addCleanup(kept.cleanup)
        self.folder = pathlib.Path(kept.name)

    def call(self, words, scene=None, folder=None):
        done = subprocess.run([PROGRAM, *words], input=None if scene is None else json.dumps(scene).encode(), capture_output=True,
                              timeout=120, check=False, cwd=folder or self.folder, stdin=subprocess.DEVNULL if scene is None else None)
        self.assertIn(done.returncode, (0, 1, 2), (words, done.stderr))
        for line in (done.stdout + done.stderr).decode("utf-8").split("\n"):
            self.assertIsNone(STEERS.search(line), (words, line))
            self.assertFalse(line.startswith("holds     a.width = 240\nbroken"), words)
        return done

    def test_every_command_takes_it_as_text(self):
        texts = hostile_texts()
        self.assertEqual(len(texts), 200)
        plain = Tags(self.call(["report", "-", "-o", "-"], scene_of("plain")).stdout.decode())
        with concurrent.futures.ThreadPoolExecutor(2) as workers:
            list(workers.map(lambda one: self.try_one(*one, plain), enumerate(texts)))

    def try_one(self, place, text, plain):
        folder = self.folder / str(place)
        folder.mkdir()
        scene = scene_of(text)
        with self.subTest(text=text[:80]):
            def call(*words):
                return self.call(list(words), scene, folder)
            for words in (["measure", "-"], ["measure", "-", "--settings", "a"], ["explain", "-", "t"], ["check", "-", "--locale", "all"],
                          ["lint", "-", "--locale", "all"], ["compare", "-", "--set", "a.width=20"], ["check", "-", "--suggest"]):
                call(*words)
            measured = json.loads(call("measure", "-", "--format", "json").stdout)
            self.assertEqual(measured["answers"][0]["title"], text)
            self.assertEqual(json.loads(call("check", "-", "--format", "json").stdout)["answers"][0]["title"], text)
            rows = list(csv.reader(io.StringIO(call("sweep", "-", "--show", "a.width,t.width", "--format", "csv").stdout.decode())))
            self.assertEqual({len(row) for row in rows}, {len(rows[0])})
            self.assertFalse([cell for row in rows for cell in row if cell[:1] in "=+@" and cell])
            tidied = json.loads(call("tidy", "-").stdout)
            self.assertEqual((tidied["title"], tidied["locales"]), (text, scene["locales"]))
            drawing = call("draw", "-", "-o", "-", "--as", "svg", "--at", "104x50").stdout
            picture = xml.dom.minidom.parseString(drawing)
            for element in picture.getElementsByTagName("*"):
                self.assertNotIn(element.tagName.lower(), ("script", "foreignobject", "image", "iframe"))
                for name, value in element.attributes.items():
                    self.assertFalse(name.lower().startswith("on"), name)
                    self.assertFalse(name.endswith("href") and not value.startswith("#"), value)
            page = call("report", "-", "-o", "-").stdout.decode()
            tags = Tags(page)
            self.assertEqual({tag[0] for tag in tags.tags} - {tag[0] for tag in plain.tags} - DRAWN, set(), "elements that a plain scene has not")
            self.assertFalse([name for tag in tags.tags for name in tag[1:] if name.startswith("on")])
            self.assertEqual(sum(tag[0] == "script" for tag in tags.tags), sum(tag[0] == "script" for tag in plain.tags))
            told = [json.loads(data) for of, data in tags.data if of == "script" and data.lstrip().startswith("{")]
            self.assertTrue(any(holds(one, text) for one in told), "the page has the text")
            call("check", "-", "--junit", "results.xml", "--sarif", "results.sarif")
            results = (folder / "results.xml").read_text()
            xml.dom.minidom.parseString(results)
            self.assertFalse([sign for sign in results if sign not in "\n\t" and unicodedata.category(sign) in ("Cc", "Cf")
                              and sign not in "\u200c\u200d"])
            json.loads((folder / "results.sarif").read_text())
            call("sweep", "-", "--show", "t.width", *([] if "\0" in text else ["--locale", text]), "--plot", "curves.svg")
            xml.dom.minidom.parse(str(folder / "curves.svg"))
            # In a call, too: names that are not there, and files.
            calls = (["measure", "-", "--locale", text], ["check", "-", "--claim", text], ["sweep", "-", "--show", text],
                          ["measure", "-", "--set", text], ["measure", "-", "--at", text], ["measure", "-", "--mode", text],
                          ["measure", "-", "--text-metrics", text], ["draw", "-", "-o", text + ".svg/none", "--as", "svg"], ["help", text],
                     ["explain", "-", text], [text])
            for words in calls:
                if "\0" not in text:
                    call(*words)
            faulty = {**scene, text: 1, "fonts": {text: {"family": text}, "body": {"file": text}}, "uses": [text]}
            self.call(["measure", "-"], faulty, folder)
            found = {file.name for file in folder.iterdir()}
            self.assertEqual(found - {"results.xml", "results.sarif", "curves.svg"}, set(), "a file that nobody asked for")

    def test_files_of_any_name(self):
        for text in hostile_texts():
            name = text.replace("/", "_").replace("\0", "_").encode()[:180]
            if not name.strip(b". -"):
                continue
            with self.subTest(name=name[:80]):
                folder = self.folder / "named"
                folder.mkdir(exist_ok=True)
                file = os.fsencode(folder) + b"/" + name + b".scene.json"
                with open(file, "wb") as out:
                    out.write(json.dumps(scene_of("plain")).encode())
                self.call(["check", file, "--sarif", b"results.sarif"], folder=folder)
                [run] = json.loads((folder / "results.sarif").read_text())["runs"]
                self.assertTrue(run["results"])
                self.call(["check", file, "--junit", b"results.xml"], folder=folder)
                xml.dom.minidom.parse(str(folder / "results.xml"))
                self.call(["sweep", file, "--show", "a.width", "--plot", "curves.svg"], folder=folder)
                self.call(["draw", file, "--at", "104x50", "-o", os.fsencode(folder) + b"/" + name + b".svg"], folder=folder)
                self.call(["lint", file], folder=folder)
                kept = {b"results.sarif", b"results.xml", b"curves.svg", name + b".scene.json", name + b".svg"}
                self.assertEqual({os.fsencode(one.name) for one in folder.iterdir()} - kept, set())
                for one in folder.iterdir():
                    one.unlink()


if __name__ == "__main__":
    unittest.main(argv=[sys.argv[0], *sys.argv[3:]])
