# SPDX-License-Identifier: MIT
"""The page's numbers and answers are the program's: boxes bit for bit, answers byte for byte, faults word for word."""

import json
import os
import pathlib
import random
import subprocess
import sys
import tempfile
import unittest

from browser import PROGRAM, ROOT, Browser, PageTest, Refused, program

EXAMPLES = sorted([*ROOT.glob("examples/*.scene.json"), *ROOT.glob("examples/idioms/*.scene.json")])
RANDOM_SCENES = 40
SIZES = 20
FIELDS = ("x", "y", "width", "height")


def sizes_of(scene, dice):
    """Sizes over a ladder and beyond it, whole and broken, of given heights and by content."""
    ladder = scene["ladder"]
    low, high = ladder["width"]["from"], ladder["width"]["to"]
    sizes = [(low, None), (high, ladder["height"] and ladder["height"]["from"]), (0, 0), (1, None), (3000.5, 10)]
    while len(sizes) < SIZES:
        width = dice.choice([dice.randint(0, 1600), dice.uniform(low, high), dice.uniform(0, 400)])
        sizes.append((width, dice.choice([None, dice.randint(0, 1200), dice.uniform(0, 900)])))
    return sizes


class Numbers(PageTest):
    compared = 0

    def compare(self, path, seed):
        page = self.page.report(path)
        sizes = sizes_of(page.run("return api.scene()"), random.Random(seed))
        theirs = page.run("const all = []; for (const [width, height] of a[0]) { await api.resize(width, height); "
                          "all.push([await api.boxes(), await api.size()]); } return all", sizes)
        options = [word for width, height in sizes
                   for word in ("--at", f"{width!r}x{'content' if height is None else repr(height)}")]
        ours = json.loads(program("measure", path, *options, "--format", "json").stdout)["answers"]
        for size, (boxes, container), answer in zip(sizes, theirs, ours, strict=True):
            with self.subTest(scene=str(path), size=size):
                expected = [(node["path"], *[node[field] for field in FIELDS]) for node in answer["nodes"]]
                found = [(box["path"], *[box[field] for field in FIELDS]) for box in boxes]
                self.assertEqual(sorted(found), sorted(expected))
                self.assertEqual([container["width"], container["height"]], [answer["at"]["width"], answer["at"]["height"]])
                Numbers.compared += len(found)

    def test_boxes_of_every_example(self):
        for i, path in enumerate(EXAMPLES):
            self.compare(path.relative_to(ROOT), i)

    def test_boxes_of_random_scenes(self):
        with tempfile.TemporaryDirectory() as folder:
            subprocess.run([os.environ["FOND_LADDER_RANDOM_SCENES"], folder, str(RANDOM_SCENES)], check=True)
            scenes = sorted(pathlib.Path(folder).iterdir())
            self.assertEqual(len(scenes), RANDOM_SCENES + 1)  # and one of 1,000 nodes
            self.assertGreater(len(json.loads(program("measure", scenes[0], "--format", "json").stdout)["answers"][0]["nodes"]), 300)
            for i, path in enumerate(scenes):
                self.compare(path, i)

    @classmethod
    def tearDownClass(cls):
        super().tearDownClass()
        print(f"{cls.compared} boxes compared, bit for bit", file=sys.stderr)


def paths_and_boxes(text):
    return [(node["path"], *[node[field] for field in FIELDS]) for node in json.loads(text)["answers"][0]["nodes"]]


class Answers(PageTest):
    def compare(self, scene, command, options, before=()):
        """`options` are of the call, `before` are those that the page is opened with."""
        ours = program(command, scene, *options, *before, check=False)
        try:
            theirs = self.page.run("return api.run(a[0], a[1])", command, list(options))
        except Refused as refused:
            self.assertEqual((ours.returncode, ours.stderr.strip()), (2, str(refused)))
        else:
            self.assertEqual(theirs, ours.stdout, (scene, command, options, before))

    def test_every_command_about_every_example(self):
        json_form = ["--format", "json"]
        for path in EXAMPLES:
            scene = f"./examples/../{path.relative_to(ROOT)}"  # as the caller spelled it
            self.page.report(scene)
            node = self.page.run("return (await api.scene()).nodes.at(-1).path")
            for command, options in [("measure", []), ("measure", ["--at", "613.25x402"]), ("measure", ["--tree"]),
                                     ("measure", ["--settings", node]), ("measure", ["--orders"]), ("sweep", []),
                                     ("sweep", ["--show", f"{node}.width"]), ("explain", [node, "--to-root"]), ("check", []), ("lint", [])]:
                with self.subTest(scene=scene, command=command, options=options):
                    self.compare(scene, command, [*options, *json_form])

    def test_tables_too(self):
        scene = "examples/console.scene.json"
        self.page.report(scene)
        for command, options in [("measure", ["--at", "phone"]), ("sweep", []), ("explain", ["body"]), ("check", ["--suggest"]),
                                 ("lint", []), ("measure", ["--format", "csv"]), ("sweep", ["--height", "400..900", "--width", "700"])]:
            with self.subTest(command=command, options=options):
                self.compare(scene, command, options if "--format" in options else [*options, "--format", "table"])

    def test_forms_and_changes_that_the_page_is_opened_with(self):
        scene = "examples/console.scene.json"
        locale = self.page.report(scene).run("return (await api.scene()).locales[0]")
        forms = ["--mode", "closed", "--text-expansion", "35%", "--locale", locale, "--set", "sensors.gap=20", "--move", "legend=bar:1"]
        self.page.report(scene, *forms)
        for command, options in [("measure", ["--at", "900"]), ("check", []), ("explain", ["legend"]), ("lint", [])]:
            with self.subTest(command=command):
                self.compare(scene, command, [*options, "--format", "json"], forms)
        self.assertEqual(self.page.run("return api.changes()"), ["--set sensors.gap=20", "--move legend=bar:1"])
        with tempfile.TemporaryDirectory() as folder:
            saved = pathlib.Path(folder) / "saved.scene.json"
            saved.write_text(self.page.run("return api.sceneText()"))
            again = program("measure", saved, "--at", "900", "--format", "json").stdout
        direct = program("measure", scene, *forms[6:], "--at", "900", "--format", "json").stdout
        self.assertEqual(paths_and_boxes(again), paths_and_boxes(direct))

    def test_refusals_are_the_programs(self):
        scene = "examples/console.scene.json"
        self.page.report(scene)
        for command, options in [("explain", ["bedz"]), ("sweep", ["--show", "beds.widht"]), ("check", ["--claim", "beds.width >"]),
                                 ("measure", ["--at", "phon"]), ("sweep", ["--sizes", "3"])]:
            with self.subTest(command=command, options=options):
                with self.assertRaises(Refused) as told:
                    self.page.run("return api.run(a[0], a[1])", command, options)
                self.assertEqual(str(told.exception), program(command, scene, *options, check=False).stderr.strip())


class Files(PageTest):
    def test_a_scene_from_standard_input(self):
        text = (ROOT / "examples/quickstart.scene.json").read_text()
        words = ["measure", "-", "--at", "640", "--format", "json"]
        ours = subprocess.run([PROGRAM, *words], input=text, capture_output=True, text=True, check=True).stdout
        page = pathlib.Path(self.page.folder.name) / "from_input.html"
        page.write_bytes(subprocess.run([PROGRAM, "report", "-", "-o", "-"], input=text.encode(), capture_output=True, check=True).stdout)
        self.page.open(page.as_uri())
        self.assertEqual(self.page.run("return api.run('measure', ['--at', '640'])"), ours)

    def test_a_page_of_300_nodes_can_be_mailed(self):
        rows = [{"kind": "row", "name": f"bed_{i}", "gap": 8, "padding": 6, "children": [
            {"kind": "text", "name": "name", "text": f"Bed {i}, moss and fern", "grow": 1}, {"kind": "box", "name": "lamp", "width": 24, "height": 24},
            {"kind": "column", "name": "notes", "weight": 1, "gap": 4, "children": [
                {"kind": "text", "name": "top", "text": "Water at noon when the vents are half open"}, {"kind": "text", "name": "sub", "text": "and again at night"}]},
            {"kind": "box", "name": "valve", "width": 60, "height": 30}]} for i in range(43)]
        scene = {"format": 2, "title": "House of 300", "ladder": {"width": [320, 1280], "height": 800},
                 "root": {"kind": "column", "name": "house", "padding": 10, "gap": 6, "children": rows}}
        with tempfile.TemporaryDirectory() as folder:
            path, page = pathlib.Path(folder) / "house.scene.json", pathlib.Path(folder) / "house.html"
            path.write_text(json.dumps(scene, indent=1))
            for size in ("1280x800", "320x800", "1280xcontent"):  # the last has all nodes in its still picture
                program("report", path, "--at", size, "-o", page)
                self.assertLessEqual(page.stat().st_size, 1_080_000, size)
        self.assertGreaterEqual(1 + 7 * len(rows), 300)

    def test_open_shows_the_page_in_the_browser_of_a_desktop(self):
        with tempfile.TemporaryDirectory(prefix="it's a $(folder) ") as folder:
            opener, told, page = (pathlib.Path(folder) / name for name in ("xdg-open", "told", "-page.html"))
            opener.write_text('#!/bin/sh\nprintf "%s\\n" "$#" "$1" > "$TOLD"\n')
            opener.chmod(0o755)
            desktop = {"PATH": f"{folder}:/usr/bin:/bin", "DISPLAY": ":7", "TOLD": str(told)}
            words = [PROGRAM, "report", ROOT / "examples/quickstart.scene.json", f"--output={page.name}", "--open"]
            done = subprocess.run(words, cwd=folder, env=desktop, capture_output=True, text=True, check=True)
            self.assertEqual(told.read_text(), f"1\n{page}\n")
            self.assertNotIn("note:", done.stderr)
            size = page.stat().st_size // 1000
            self.assertEqual(done.stdout, f"{page.name}: {size} kB, one file; open it in a browser and drag its edges\n")
            opener.write_text("#!/bin/sh\nexit 3\n")
            failing = subprocess.run(words, cwd=folder, env=desktop, capture_output=True, text=True, check=True)
            self.assertEqual(failing.stderr, f"note: cannot start a browser; open {page} yourself\n")
            alone = subprocess.run(words, cwd=folder, env={"PATH": desktop["PATH"]}, capture_output=True, text=True, check=True)
            self.assertEqual(alone.stderr, f"note: cannot start a browser: there is no desktop; open {page} yourself\n")


class Faults(unittest.TestCase):
    DAMAGED = 60

    def test_damaged_scenes_have_the_same_faults(self):
        """Through the preview, whose file is damaged again and again while the page looks on."""
        dice = random.Random(7)
        texts = [text for text in map(pathlib.Path.read_text, EXAMPLES) if '"uses"' not in text]  # which the page has not
        with tempfile.TemporaryDirectory() as folder:
            scene = pathlib.Path(folder) / "damaged.scene.json"
            scene.write_text(texts[0])
            from preview_check import Preview  # noqa: PLC0415: it starts the program
            page = Browser()
            with Preview(scene) as preview:
                page.open(preview.address)
                wrong = 0
                for _ in range(self.DAMAGED):
                    scene.write_text(damaged(dice.choice(texts), dice))
                    expected = [line for line in program("measure", scene, check=False).stderr.splitlines() if ": error: " in line]
                    page.wait(f"the faults {expected}", lambda: page.texts("#fl-faults li") == expected)
                    wrong += bool(expected)
                self.assertGreater(wrong, self.DAMAGED // 2)
            page.close()


def damaged(text, dice):
    """Some characters left out, doubled, or put by others."""
    for _ in range(dice.randint(1, 3)):
        at = dice.randrange(len(text))
        end = at + dice.choice([1, 1, 2, 8])
        text = text[:at] + dice.choice(["", text[at:end] * 2, dice.choice('{}[]",:-0eé\n')]) + text[end:]
    return text


if __name__ == "__main__":
    unittest.main()
