# SPDX-License-Identifier: MIT
"""A setting along its range, its words as pictures, and another arrangement beside the one that is changed."""

import json
import unittest

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from browser import ROOT, program
from hand import BEDS, CARDS, CONSOLE, HandTest, boxes_of


class Vary(HandTest):
    def setUp(self):
        self.page.report(CONSOLE, "--at", "1100x800")

    # ---------------------------------------------------------------- along its range

    def take(self, path, setting):
        page = self.page
        page.unfold("#fl-along")
        page.run("await api.select(a[0])", path)
        self.handle(setting).click()
        page.wait_for_text("#fl-along summary", "along its range")

    def slider(self):
        return self.page.find("#fl-along input[type=range]")

    def test_its_breakpoints_are_the_programs(self):
        page = self.page
        self.take(BEDS, "width")
        self.assertEqual(page.text("#fl-along summary"), "width 240, along its range")
        page.wait("breakpoints", lambda: page.all("#fl-along .plot .breakpoint"))
        told = json.loads(program("sweep", CONSOLE, "--at", "1100x800", "--vary", f"{BEDS}.width=0..480", "--format", "json").stdout)
        (answer,) = told["answers"]
        shown = page.texts("#fl-along .curve")
        turns = [turn for turn in answer["breakpoints"] if any(turn["quantity"] in one for one in shown)]
        self.assertEqual(len(page.all("#fl-along .plot .breakpoint")), len(turns))
        items = page.texts("#fl-along li")
        for turn, item in zip(turns, items):
            self.assertTrue(item.startswith(f"{turn['at']:.5g}"), item)
            self.assertIn(turn["why"], item)

    def test_the_hand_moves_along_it(self):
        page = self.page
        self.take(BEDS, "width")
        page.wait("breakpoints", lambda: page.all("#fl-along .plot .breakpoint"))
        self.slider().send_keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)
        page.wait("the change", lambda: page.run("return api.changes()")[-1:] == [f"--set {BEDS}.width=242"])
        self.told()
        page.wait_for_text("#fl-along summary", "width 242")
        page.find("#fl-along li button").click()
        page.wait("the breakpoint", lambda: page.run("return api.changes()")[-1].startswith(f"--set {BEDS}.width=117.2"))
        self.told()

    def test_its_ends_are_typed(self):
        page = self.page
        self.take(BEDS, "width")
        page.type_into("[data-key='along to']", "200")
        page.wait("the end", lambda: self.slider().get_attribute("max") == "200")
        page.wait("fewer breakpoints", lambda: len(page.all("#fl-along .plot .breakpoint")) == 7)

    def test_what_has_no_breakpoint_and_what_is_no_number_say_so(self):
        page = self.page
        self.take("console/bar", "gap")  # from below 0 on
        page.wait_for_text("#fl-along", "No breakpoint: these run straight over the whole range.")
        self.write_scene('{"format":2,"root":{"kind":"stack","name":"s","children":[{"kind":"box","name":"b","width":300,"height":200}]}}')
        page.report(self.scene, "--at", "500x300")
        self.take("s/b", "nudge.x")
        page.wait_for_text("#fl-along", "nudge is no number by itself: it has no curve.")

    def test_it_is_the_setting_that_the_hand_moves(self):
        """What a range says is varied there; what moves with a neighbor's has no curve of its own."""
        self.write_scene("""{"format":2,"ladder":{"width":[300,800]},"ranges":[{"name":"narrow","below_width":500}],
          "root":{"kind":"column","name":"r","children":[
            {"kind":"row","name":"c","place_self":"start","gap":5,"when":{"narrow":{"gap":60}},"children":[
              {"kind":"box","name":"a","width":100,"height":150},{"kind":"box","name":"b","width":100,"height":150}]},
            {"kind":"row","name":"d","height":150,"children":[
              {"kind":"box","name":"x","weight":1},{"kind":"box","name":"y","weight":1}]}]}}""")
        page = self.page
        for width, moved in [(400, ["c.width "]), (600, ["c.width "])]:
            page.report(self.scene, "--at", f"{width}x400")
            self.take("r/c", "gap")
            page.wait("its curve", lambda moved=moved: page.texts("#fl-along .curve") == moved)
        self.take("r/d/x", "share")
        page.wait_for_text("#fl-along", "weight moves together with its neighbor's: it has no curve.")

    # ---------------------------------------------------------------- words as pictures

    def picture(self, word):
        return self.page.run("return document.querySelector(a[0]).toDataURL()", f"[data-key='across {word}'] canvas")

    def test_words_are_pictures_to_choose_from(self):
        page = self.page
        page.run("await api.resize(600, 800); await api.select(a[0])", CARDS)
        page.wait("the settings", lambda: page.all("[data-key='another']"))
        before = page.run("return api.boxes()")
        Select(page.find("[data-key='another']")).select_by_value("across")
        words = ["start", "center", "end", "stretch", "baseline"]
        page.wait("five pictures", lambda: page.texts(".choice") == words)
        self.assertEqual([one.get_attribute("aria-pressed") for one in page.all(".choice")], ["false", "false", "false", "true", "false"])
        page.wait("they differ", lambda: len({self.picture(word) for word in ("start", "center", "end", "stretch")}) == 4)
        self.assertEqual(page.run("return api.boxes()"), before)  # nothing is tried by looking
        page.find("[data-key='across center']").click()
        page.wait("the choice", lambda: page.run("return api.changes()") == [f"--set {CARDS}.across=center"])
        self.told()
        page.wait("it is said now", lambda: page.all("[data-key='see across']"))
        page.find("[data-key='see across']").click()
        page.wait("its pictures", lambda: page.all("[data-key='across center'][aria-pressed=true]"))

    # ---------------------------------------------------------------- side by side

    def beside(self, value):
        Select(self.page.find("#fl-beside")).select_by_value(value)

    def test_two_wordings_are_dragged_by_one_hand(self):
        page = self.page
        alone = page.find("#fl-right").rect["x"]
        self.beside("locale long")
        page.wait_for_text("#fl-beside-name", "texts: long")
        self.assertLess(page.find("#fl-right").rect["x"], alone)  # there is room for both
        pictures = [self.strokes()]
        for width in (-40, -30):
            page.drag(page.find("#fl-right"), width, 0)
            pictures.append(self.strokes())
        self.assertEqual(len(set(pictures)), 3)
        self.assertIn("and beside it texts: long", page.find("#fl-canvas").get_attribute("aria-label"))
        self.told()
        self.beside("")
        page.wait("alone again", lambda: page.find("#fl-beside-name").get_attribute("hidden"))

    def test_before_and_after_are_side_by_side(self):
        page = self.page
        self.beside("file")
        page.wait_for_text("#fl-beside-name", "as in the file")
        def differing():
            """The share of points that differ; hatching begins where the canvas does, so some always do."""
            return page.run("""
              const context = document.querySelector('#fl-canvas').getContext('2d');
              const [one, other] = [14, Math.round(a[0])].map((x) => context.getImageData(x, 24, 250, 150).data);
              return one.filter((value, i) => Math.abs(value - other[i]) > 8).length / one.length;""",
                            page.find("#fl-beside-name").rect["x"] - page.find("#fl-ground").rect["x"])
        alike = differing()
        self.assertLess(alike, 0.08)
        page.run(f"await api.apply('set {BEDS}.width=400')")
        page.wait("a difference", lambda: differing() > alike + 0.05)
        page.run("await api.undo()")
        page.wait("none", lambda: differing() == alike)

    def test_another_scene_is_read_from_a_file(self):
        page = self.page
        page.find("#fl-tools input[type=file]").send_keys(str(ROOT / "examples/timetable.scene.json"))
        page.wait_for_text("#fl-beside-name", "timetable.scene.json")
        self.assertEqual(Select(page.find("#fl-beside")).first_selected_option.text, "timetable.scene.json")
        self.write_scene('{"format":2,"root":{"kind":"rwo"}}')
        page.find("#fl-tools input[type=file]").send_keys(str(self.scene))
        page.wait_for_text("#fl-status", 'The comparison cannot be shown: s.scene.json:1:')
        self.assertIn('did you mean "row"', page.text("#fl-status"))


if __name__ == "__main__":
    unittest.main()
