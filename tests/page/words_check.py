# SPDX-License-Identifier: MIT
"""Words in fonts on the page: it has the pieces that the program measured, and no fonts to measure others with."""

import json
import pathlib
import tempfile
import unittest

from browser import program
from hand import HandTest, boxes_of
from preview_check import Preview

SCENE = {
    "format": 2, "text_metrics": "fonts", "fonts": {"body": {"family": "DejaVu Sans"}, "head": {"family": "DejaVu Serif"}},
    "ladder": {"width": [160, 700]}, "claims": ["about.lines <= 3 when container.width >= 300"],
    "ranges": [{"name": "narrow", "below_width": 300}], "modes": ["loud"],
    "locales": {"wide": {"texts": {"title": "温室"}, "fonts": {"head": {"family": "Droid Sans Fallback"}}}},
    "root": {"kind": "column", "name": "card", "padding": 12, "gap": 6, "children": [
        {"kind": "text", "name": "title", "text": "Seed trays, northern wing", "font_size": 20, "font": "head", "bold": True,
         "when": {"narrow": {"font_size": 17}, "loud": {"italic": True}}},
        {"kind": "text", "name": "about", "text": "Fern, from spores.\nShade, and mist twice a day", "line_height": 1.5},
        {"kind": "box", "name": "mark", "width": "10ch", "height": 4},
        {"kind": "text", "name": "soft", "text": "glass\u00adhouse", "one_line": False}]}}


class WordsTest(HandTest):
    def setUp(self):
        self.write_scene(json.dumps(SCENE))
        self.page.report(self.scene)

    def measured(self, width, *options):
        """Boxes as the program has them."""
        answer = json.loads(program("measure", self.scene, "--at", f"{width}xcontent", "--format", "json", *options).stdout)
        return {node["path"]: [node[field] for field in ("x", "y", "width", "height")] for node in answer["answers"][0]["nodes"]}

    def expect_as_measured(self, *options):
        for width in (160, 233, 299.5, 300, 512):
            self.page.run("await api.resize(a[0], null)", width)
            here = {path: [box[field] for field in ("x", "y", "width", "height")] for path, box in boxes_of(self.page).items()}
            self.assertEqual(here, self.measured(width, *options), (width, options))

    def test_every_form_is_as_the_program_measures_it(self):
        self.expect_as_measured()
        self.page.run("await api.setMode('loud', true)")
        self.expect_as_measured("--mode", "loud")
        self.page.run("await api.setMode('loud', false); await api.setLocale('wide')")
        self.expect_as_measured("--locale", "wide")
        self.page.run("await api.setLocale(''); await api.setTextMetrics('fixed')")
        self.expect_as_measured("--text-metrics", "fixed")
        self.assertNotIn("DejaVu", self.page.text("#fl-forms"))

    def test_says_whose_words_they_are_and_what_was_not_measured(self):
        self.assertIn("Text is as wide as in DejaVu Serif, DejaVu Sans", self.page.text("#fl-words"))
        self.assertNotIn("In fixed metrics", self.page.text("#fl-words"))
        self.page.run("await api.apply('set about.text=Moss, which nobody measured')")
        self.page.wait_for_text("#fl-words", "In fixed metrics, since not measured there: about.")
        self.page.run("await api.apply('set title.font_size=30')")  # of another size they are in proportion
        here, there = boxes_of(self.page)["card/title"], self.measured(512, "--set", "title.font_size=30")["card/title"]
        self.assertAlmostEqual(here["height"], there[3], delta=0.1)
        self.page.run("await api.undo(); await api.undo()")
        self.assertNotIn("In fixed metrics", self.page.text("#fl-words"))

    def test_commands_are_answered_as_the_program_answers_them(self):
        for command, options in (("sweep", ["--show", "about.height"]), ("check", []), ("explain", ["about"])):
            here = self.page.run("return api.run(a[0], a[1])", command, options)
            self.assertEqual(here, program(command, self.scene, *options, "--format", "json").stdout, command)

    def test_a_choice_of_the_form_changes_what_they_are_measured_in(self):
        page = self.page
        chosen = page.find("[data-key=words]")
        self.assertEqual(chosen.get_attribute("value"), "fonts")
        page.find("[data-key=words] option[value=fixed]").click()
        page.settle()
        self.assertIn("--text-metrics fixed", page.text("#fl-command"))
        self.expect_as_measured("--text-metrics", "fixed")


class WithoutFonts(HandTest):
    def test_nothing_is_said_of_them(self):
        self.page.report(self.scene)
        self.assertEqual(self.page.all("[data-key=words]"), [])
        self.assertEqual(self.page.all("#fl-words"), [])


class Served(HandTest):
    def test_a_text_that_is_edited_in_the_file_is_measured_by_the_program(self):
        with tempfile.TemporaryDirectory() as folder:
            self.scene = pathlib.Path(folder) / "s.scene.json"
            self.scene.write_text(json.dumps(SCENE))
            with Preview(self.scene) as preview:
                self.page.open(preview.address)
                self.scene.write_text(json.dumps(SCENE).replace("Fern, from spores", "Moss, which was not there"))
                self.page.wait("the other text", lambda: "Moss" in self.page.run("return api.sceneText()"))
                self.page.settle()
                self.assertNotIn("In fixed metrics", self.page.text("#fl-words"))
                self.page.run("await api.resize(240, null)")
                answer = json.loads(program("measure", self.scene, "--at", "240xcontent", "--format", "json").stdout)
                heights = {node["path"]: node["height"] for node in answer["answers"][0]["nodes"]}
                self.assertEqual(boxes_of(self.page)["card/about"]["height"], heights["card/about"])
                self.scene.write_text("{")
                self.page.wait_for_text("#fl-faults", "The file is wrong")
                self.assertEqual(preview.ask("/pieces")[0], 404)
                self.assertEqual(self.page.run("return (await api.scene()).words.in"), "fonts")  # as it was
                self.scene.write_text('{"format":2,"root":{"kind":"text","name":"card","text":"Moss"}}')
                self.page.wait("the other scene", lambda: not self.page.run("return (await api.scene()).words.carried"))
                self.assertEqual(self.page.all("[data-key=words]"), [])


if __name__ == "__main__":
    unittest.main()
