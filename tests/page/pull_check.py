# SPDX-License-Identifier: MIT
"""Handles that are pulled and nodes that are carried, by a driven hand."""

import json
import pathlib
import re
import tempfile
import unittest

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from browser import Browser, program
from hand import BEDS, CARDS, CONSOLE, HandTest, boxes_of

# Every kind of container, a part, shared keys, `each`, copies, a range.
SHELF = """{"format":2,"ladder":{"width":[300,800]},"ranges":[{"name":"narrow","below_width":500}],
  "parts":{"card":{"kind":"column","padding":4,"children":[{"kind":"box","name":"top","width":100,"height":20}]}},
  "shared":{"button":{"kind":"box","height":50}},
  "root":{"kind":"column","name":"r","gap":20,"children":[
    {"kind":"row","name":"line","height":100,"gap":8,"children":[{"kind":"box","name":"a","weight":1},
      {"kind":"box","name":"b","weight":2},{"kind":"box","name":"c","width":100},{"kind":"box","name":"d","width":80}]},
    {"kind":"stack","name":"pile","height":140,"children":[{"kind":"box","name":"under","width":"fill","height":"fill"},
      {"kind":"box","name":"over","width":160,"height":120,"nudge":[5,5]},
      {"kind":"box","name":"held","pin":{"right":10,"top":10},"width":100,"height":100}]},
    {"kind":"grid","name":"field","columns":[100,"1fr","2fr"],"rows":[70,70],"gap":10,
      "children":[{"kind":"box","name":"g","cell":[0,0]},{"kind":"box","name":"h","cell":[1,0]}]},
    {"kind":"row","name":"cards","gap":10,"each_child":{"height":80},"when":{"narrow":{"gap":20}},"children":[
      {"part":"card","name":"p"},{"part":"card","name":"q"},{"name":"s","like":"button","width":90},
      {"kind":"box","name":"k","copies":2,"width":70}]}]}}"""


class Pull(HandTest):
    def setUp(self):
        self.page.report(CONSOLE, "--at", "700x800")

    def test_a_gap_is_pulled_and_is_one_change(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        first = page.run("return api.sceneText()")
        _, _, scale = self.frame()
        was = float(self.handle("gap").get_attribute("aria-valuenow"))
        self.hand("gap", 0, 20)
        self.assertIn("gap", page.text("#fl-handle-label strong"))
        self.assertAlmostEqual(float(self.handle("gap").get_attribute("aria-valuenow")), was + 20 / scale, delta=1)
        self.let_go()
        (change,) = page.run("return api.changes()")
        self.assertRegex(change, rf"^--set {BEDS}\.gap=\d+$")  # whole pixels
        self.told()
        page.run("await api.undo()")
        self.assertEqual(page.run("return api.sceneText()"), first)

    def test_escape_puts_back_what_is_pulled_and_a_pull_to_where_it_was_is_none(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        first = page.run("return [await api.sceneText(), await api.boxes()]")
        self.hand("gap", 0, 20)
        page.hands().send_keys(Keys.ESCAPE).perform()
        self.let_go()
        self.assertEqual(page.run("return [await api.sceneText(), await api.boxes()]"), first)
        page.hands().click_and_hold(self.handle("gap")).move_by_offset(0, 9).move_by_offset(0, -9).release().perform()
        page.settle()
        self.assertEqual(page.run("return api.changes()"), [])

    def test_paddings_are_pulled_alone_or_together(self):
        page = self.page
        page.run("await api.select('console')")
        self.hand("padding.left", 10, 0)
        self.let_go()
        self.assertRegex(page.run("return api.changes()")[0], r"^--set console\.padding\.left=\d+$")
        page.run("await api.undo()")
        self.handle("padding.top").click()
        page.click("all four", "#fl-handle-label")
        self.hand("padding.top", 0, 12)
        self.let_go()
        self.assertRegex(page.run("return api.changes()")[0], r"^--set console\.padding=\d+$")
        self.told()

    def test_sizes_are_pulled_and_say_what_else_decides_them(self):
        page = self.page
        page.run("await api.resize(1100, 800); await api.select(a[0])", BEDS)
        self.hand("width", 15, 0)
        self.let_go()
        self.assertRegex(page.run("return api.changes()")[0], rf"^--set {BEDS}\.width=\d+$")
        self.told()
        page.run("await api.undo(); await api.select('console/body/work/zones/map')")
        self.handle("max_width")  # it fills its place
        page.run("await api.select('console/body/work')")
        page.hands().move_to_element(self.handle("its weight determines its width")).perform()
        page.wait_for_text("#fl-handle-label", "its weight determines its width")

    def test_keys_pull_too(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        was = float(self.handle("gap").get_attribute("aria-valuenow"))
        page.run("document.querySelector('#fl-handles [aria-label=gap]').focus()")
        page.press(Keys.ARROW_DOWN)
        page.press(Keys.ARROW_DOWN, shift=True)
        self.assertEqual(float(self.handle("gap").get_attribute("aria-valuenow")), was + 11)
        self.told()

    def carry_the_legend_over_the_bar(self):
        """Returns what the picture was before."""
        self.page.run("await api.resize(1100, 800)")
        bar = boxes_of(self.page)["console/bar"]
        before = self.strokes()
        self.carry("console/body/work/zones/legend", bar["x"] + bar["width"] / 2, bar["y"] + bar["height"] / 2)
        return before

    def test_a_node_is_carried_into_another_container(self):
        page = self.page
        before = self.carry_the_legend_over_the_bar()
        self.assertNotEqual(self.strokes(), before)  # where it would land
        self.assertEqual(page.run("return api.changes()"), [])
        self.let_go()
        page.wait("the move", lambda: page.run("return api.changes()") == ["--move console/body/work/zones/legend=console/bar:1"])
        self.assertEqual(page.selected(), "console/bar/legend")
        self.told()
        page.run("await api.undo()")

    def test_escape_puts_back_what_is_carried(self):
        page = self.page
        before = self.carry_the_legend_over_the_bar()
        page.hands().send_keys(Keys.ESCAPE).perform()
        self.let_go()
        self.assertEqual(page.run("return api.changes()"), [])
        page.hands().move_to_element(page.find("#fl-width")).perform()
        page.settle()
        self.assertEqual(self.strokes(), before)

    def test_a_weight_that_decides_nothing_is_not_said_to(self):
        """In a row it does; of what is pinned, and in a list of which only what is in view is arranged, it does not."""
        child = '{"kind":"box","name":"a","weight":1,"natural_size":[40,40],"height":60%s}'
        for container, more, why in [('"kind":"row"', "", True), ('"kind":"row"', ',"width":50,"pin":{"left":9}', False),
                                     ('"kind":"row","scroll":"x","virtualized":true', "", False)]:
            with tempfile.TemporaryDirectory() as folder:
                scene = pathlib.Path(folder) / "s.scene.json"
                scene.write_text('{"format":2,"root":{%s,"name":"r","children":[%s,{"kind":"box","name":"b"}]}}' % (container, child % more))
                self.page.report(scene, "--at", "400x200").run("await api.select('r/a')")
                self.handle("its weight determines its width" if why else "width")

    def test_keys_carry_in_the_nesting(self):
        page = self.page
        page.run("await api.resize(1100, 800)")
        page.find("[data-path='console/body/work/zones/legend']").click()
        def carried(*keys):
            hands = page.hands().key_down(Keys.ALT)
            for key in keys:
                hands.send_keys(key)
            hands.key_up(Keys.ALT).perform()
            page.settle()
        steps = [  # each from where the one before left it, the keys going on with the node
            (Keys.ARROW_UP, "--move console/body/work/zones/legend=console/body/work/zones:0", "console/body/work/zones/legend"),
            (Keys.ARROW_LEFT, "--move console/body/work/zones/legend=console/body/work:1", "console/body/work/legend"),
            (Keys.ARROW_DOWN, "--move console/body/work/legend=console/body/work:2", "console/body/work/legend"),
            (Keys.ARROW_RIGHT, "--move console/body/work/legend=console/body/work/cards:3", "console/body/work/cards/legend"),
        ]
        for count, (key, change, path) in enumerate(steps, 1):
            carried(key)
            page.wait(change, lambda: len(page.run("return api.changes()")) == count)
            self.assertEqual(page.run("return api.changes()")[-1], change)
            page.wait(path, lambda: page.selected() == path)
            self.assertEqual(page.driver.execute_script("return document.activeElement.dataset.path"), path)
        self.told()
        carried(Keys.ARROW_RIGHT)  # before it stands a card, which is a container
        page.press(Keys.DELETE)
        page.wait("the node is gone", lambda: page.run("return api.changes()")[-1].startswith("--remove"))
        self.assertIn("removes the selected nodes", page.text("#fl-keys"))

    def test_a_pull_costs_about_what_the_edge_costs(self):
        """Moves of either within one run: reading the scene anew must not become what a hand waits for."""
        card = ('{"kind":"column","name":"c%d","width":120,"padding":4,"gap":4,"children":[{"kind":"text","name":"t","text":"Oak, sown in March."},'
                '{"kind":"row","name":"r","gap":3,"children":[{"kind":"box","name":"x","weight":1,"height":5},{"kind":"box","name":"y","weight":2,"height":5}]}]}')
        self.write_scene('{"format":2,"ladder":{"width":[360,1200]},"root":{"kind":"row","name":"r","wrap":true,"gap":8,"children":[%s]}}'
                         % ",".join(card % i for i in range(100)))
        page = self.page.report(self.scene, "--at", "1000x800")
        page.run("await api.select('r')")

        def work(element):
            hands = page.hands().click_and_hold(element)
            for i in range(40):
                hands.move_by_offset(1 if i % 2 else -1, 0)
            hands.perform()
            told = page.run("return api.stats()")
            page.hands().release().perform()
            page.settle()
            return told
        self.handle("gap")
        for _ in range(2):  # at first what is called for the first time is compiled
            pulled, dragged = work(self.handle("gap")), work(page.find("#fl-right"))
        self.assertGreater(min(pulled["moves"], dragged["moves"]), 3)
        self.assertLess(pulled["mean"], 4 * dragged["mean"])

    # ---------------------------------------------------------------- ties, scroll bars, the own axis

    def tie_scene(self):
        self.write_scene("""{"format":2,"root":{"kind":"stack","name":"s","children":[
          {"kind":"box","name":"photo","width":100,"height":120},
          {"kind":"box","name":"note","pin":{"left":180,"top":100},"width":120,"height":80}]}}""")
        page = self.page.report(self.scene, "--at", "600x300")
        page.run("await api.select('s/note')")
        page.wait("its sides", lambda: len(page.all(".tie")) == 4)
        return page

    def side(self, name):
        return self.page.find(f".tie[aria-label='tie its {name}']")

    def test_an_edge_is_pulled_to_an_edge_and_is_tied_where_it_is(self):
        page = self.tie_scene()
        scale = self.frame()[2]
        before, picture = page.run("return api.boxes()"), self.strokes()
        hands = page.hands().click_and_hold(self.side("left")).move_by_offset(-20, 0).move_by_offset(round(-60 * scale), -20)
        hands.perform()
        self.assertNotEqual(self.strokes(), picture)  # the line that is pulled
        self.assertIn("note tied to photo.right + 80", page.text("#fl-status"))
        self.let_go()
        page.wait("the tie", lambda: page.run("return api.changes()") == ["--set 's/note.pin.left=photo.right + 80'"])
        self.assertEqual(page.run("return api.boxes()"), before)
        self.told()
        self.handle("left is tied to photo.right + 80")  # and is no handle any more
        page.run("await api.undo()")

    def test_a_tie_that_is_let_go_nowhere_or_escaped_is_none(self):
        page = self.tie_scene()
        for x, keys in [(200, ""), (-70, Keys.ESCAPE)]:
            page.hands().click_and_hold(self.side("left")).move_by_offset(x // 2, 0).move_by_offset(x - x // 2, 0).send_keys(keys).perform()
            self.let_go()
            self.assertEqual(page.run("return api.changes()"), [])

    def test_a_key_ties_by_a_list_of_edges(self):
        page = self.tie_scene()
        self.side("top").send_keys(Keys.ENTER)
        choice = Select(page.wait("the list", lambda: page.all("#fl-tie-label select"))[0])
        self.assertEqual([one.text for one in choice.options], ["tie to …", "photo.top + 100", "photo.bottom - 20", "photo.middle_y + 40"])
        choice.select_by_visible_text("photo.bottom - 20")
        page.wait("the tie", lambda: page.run("return api.changes()") == ["--set 's/note.pin.top=photo.bottom - 20'"])
        self.told()
        page.run("await api.undo(); await api.apply('duplicate s/photo=print')")  # whose edges lie where those of the photo do
        page.wait("its sides", lambda: len(page.all(".tie")) == 4)
        self.side("left").send_keys(Keys.ENTER)
        choice = Select(page.wait("the list", lambda: page.all("#fl-tie-label select"))[0])
        self.assertEqual([one.text for one in choice.options], ["tie to …", *(
            f"{name}.{edge}" for name in ("photo", "print") for edge in ("left + 180", "right + 80", "middle_x + 130"))])
        page.run("await api.select('s/photo')")
        page.settle()
        self.assertEqual(page.all(".tie"), [])  # nothing is pinned about it

    def test_a_scroll_bar_scrolls_by_hand_and_by_keys(self):
        page = self.page.report("examples/idioms/long_list.scene.json", "--at", "300x400")
        bar = page.wait("the bar", lambda: page.all("#fl-bars [role=scrollbar]"))[0]
        self.assertEqual(bar.get_attribute("aria-label"), "log, up and down")
        bar.send_keys(Keys.END)
        page.settle()
        self.assertIn("screen/log/entry[999999]", boxes_of(page))
        bar.send_keys(Keys.HOME, Keys.ARROW_DOWN)
        page.settle()
        self.assertEqual(page.find("#fl-bars [role=scrollbar]").get_attribute("aria-valuenow"), "10")
        page.drag(page.find("#fl-bars [role=scrollbar]"), 0, 60)
        self.assertGreater(float(page.find("#fl-bars [role=scrollbar]").get_attribute("aria-valuenow")), 1e6)
        page.report(CONSOLE, "--at", "1100x800")
        self.assertEqual(page.all("#fl-bars [role=scrollbar]"), [])  # there is nothing to scroll

    def test_a_node_with_own_ranges_has_an_axis_of_its_own_width(self):
        page = self.page
        page.run("await api.resize(1100, 800); await api.select('console/body/work/cards/oak')")
        cursor = page.wait("its axis", lambda: page.all(".own-cursor"))[0]
        self.assertEqual(cursor.text, "262.67")
        self.assertEqual(page.texts("#fl-own-axis .named-size"), ["broad from 300"])
        page.wait("its curve", lambda: page.all("#fl-marks .breakpoint"))
        page.click("broad from 300", "#fl-own-axis")
        page.wait("it is broad", lambda: abs(boxes_of(page)["console/body/work/cards/oak"]["width"] - 300) < 12)
        width = page.size()["width"]
        page.find(".own-cursor").send_keys(Keys.ARROW_LEFT)
        page.wait("the container moved", lambda: page.size()["width"] != width)
        page.drag(page.find(".own-cursor"), -30, 0)
        self.assertLess(boxes_of(page)["console/body/work/cards/oak"]["width"], 270)
        page.run("await api.select('console/bar')")
        page.wait("no axis", lambda: page.find("#fl-own-axis").get_attribute("hidden"))

    def test_an_automatic_margin_that_takes_nothing_is_not_said_to(self):
        """However it is written it takes what is left over; of what is pinned, and along a list, it does not."""
        words = "margin.left is automatic: it takes the free space"
        child = '{"kind":"box","name":"a","width":100,"height":90,"margin":%s%s}'
        for container, margin, more, why in [('"kind":"row"', '{"x":"auto"}', "", True), ('"kind":"row"', '{"start":"auto"}', "", True),
                                             ('"kind":"row"', '{"x":"auto"}', ',"pin":{"left":30}', False),
                                             ('"kind":"row","scroll":"x","virtualized":true', '{"left":"auto"}', "", False)]:
            with self.subTest(container=container, margin=margin):
                self.write_scene('{"format":2,"root":{%s,"name":"r","children":[%s,{"kind":"box","name":"b"}]}}' % (container, child % (margin, more)))
                page = self.page.report(self.scene, "--at", "400x200")
                page.run("await api.select('r/a')")
                self.handle("width")
                self.assertEqual(words in [one.get_attribute("aria-label") for one in page.all("#fl-handles .handle")], why)

    def test_a_setting_of_a_part_in_a_part_is_changed_where_it_is_said(self):
        self.write_scene("""{"format":2,"parts":{"dial":{"kind":"column","width":150,"height":150,"padding":30},
          "pair":{"kind":"row","children":[{"part":"dial","name":"left","width":120},{"part":"dial","name":"right"}]}},
          "root":{"kind":"column","name":"r","children":[{"part":"pair","name":"p"},{"part":"pair","name":"q"}]}}""")
        page = self.page.report(self.scene, "--at", "400x400")
        for node, words, change in [("r/p/left", "every pair", "parts.pair/left.width"), ("r/p/right", "every dial", "parts.dial.width")]:
            page.run("await api.select(a[0])", node)
            self.handle("width").click()
            page.click(words, "#fl-handle-label")
            was = boxes_of(page)[node]["width"]
            self.handle("width").send_keys(Keys.ARROW_RIGHT)
            self.assertEqual(page.run("return api.changes()"), [f"--set {change}={was + 1:g}"])
            self.assertEqual({boxes_of(page)[path]["width"] for path in (node, node.replace("/p/", "/q/"))}, {was + 1})
            page.run("await api.undo()")

    def test_a_span_is_counted_from_the_cell_that_is_said(self):
        """A child that is smaller than its two columns, and begins in the second of them."""
        self.write_scene("""{"format":2,"root":{"kind":"grid","name":"g","columns":[100,100,100],"rows":[120],"children":[
          {"kind":"box","name":"a","cell":[0,0],"span":[2,1],"width":60,"height":100,"place_self":{"x":"end"}}]}}""")
        page = self.page.report(self.scene, "--at", "400x200")
        page.run("await api.select('g/a')")
        self.assertEqual(self.handle("span.columns").get_attribute("aria-valuenow"), "2")
        self.handle("span.columns").send_keys(Keys.ARROW_RIGHT)
        self.assertEqual(page.run("return api.changes()"), ["--set 'g/a.span=[3, 1]'"])

    # ---------------------------------------------------------------- every handle

    def test_every_handle_changes_what_it_is_called_after(self):
        """Node, handle, how far it is pulled, and the changes: of pixels, a pixel of the scene counts."""
        self.write_scene(SHELF)
        page = self.page.report(self.scene, "--at", "800x600")
        scale = self.frame()[2]
        cases = [
            ("r/line/c", "margin.left", 20, 0, r"--set r/line/c\.margin\.left=20"),
            ("r/line/c", "margin.bottom", 0, 5, r"--set r/line/c\.margin\.bottom=5"),
            ("r/line/c", "share", 30, 0, r"--set r/line/c\.width=130 --set r/line/d\.width=50"),
            ("r/line/a", "share", 100, 0, r"--set r/line/a\.weight=1\.5 --set r/line/b\.weight=1\.5"),
            ("r/pile/held", "pin.right", -30, 0, r"--set r/pile/held\.pin\.right=40"),
            ("r/pile/held", "pin.top", 0, 10, r"--set r/pile/held\.pin\.top=20"),
            ("r/pile/held", "width", -20, 0, r"--set r/pile/held\.width=120"),  # its right edge is held
            ("r/pile/over", "nudge.x", 15, 0, r"--set 'r/pile/over\.nudge=\[20, 5\]'"),
            ("r/pile/over", "nudge.y", 0, -15, r"--set 'r/pile/over\.nudge=\[5, -10\]'"),
            ("r/pile/over", "border", 0, 4, r"--set r/pile/over\.border=4"),
            ("r/field", "columns[0]", 25, 0, r"--set 'r/field\.columns=\[125, \"1fr\", \"2fr\"\]'"),
            ("r/field", "columns[1]", 113, 0, r"--set 'r/field\.columns=\[100, \"1\.5fr\", \"1\.5fr\"\]'"),
            ("r/field", "rows[0]", 0, 10, r"--set 'r/field\.rows=\[80, 70\]'"),
            ("r/field/g", "span.columns", 200, 0, r"--set 'r/field/g\.span=\[2, 1\]'"),
            ("r/field/g", "span.rows", 0, 75, r"--set 'r/field/g\.span=\[1, 2\]'"),
        ]
        for node, handle, x, y, changes in cases:
            with self.subTest(node=node, handle=handle):
                page.run("for (const _ of await api.changes()) await api.undo(); await api.select(a[0])", node)
                self.hand(handle, round(x * scale), round(y * scale))
                self.let_go()
                made = " ".join(page.run("return api.changes()"))
                numbers = re.compile(r"-?\d+(?:\.\d+)?")
                self.assertEqual(numbers.sub("N", made), numbers.sub("N", changes.replace("\\", "")))
                for number, meant in zip(numbers.findall(made), numbers.findall(changes.replace("\\", ""))):
                    self.assertAlmostEqual(float(number), float(meant), delta=2 / scale, msg=made)
                self.told()
                page.run("await api.undo()")
                self.assertEqual(page.run("return api.changes()"), [])  # one deed

    def test_keys_move_a_span_a_track_at_a_time(self):
        self.write_scene(SHELF)
        page = self.page.report(self.scene, "--at", "800x600")
        page.run("await api.select('r/field/g')")
        self.handle("span.columns").send_keys(Keys.ARROW_RIGHT)
        self.handle("span.columns").send_keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)  # there are three
        self.assertEqual(page.run("return api.changes()").pop(), "--set 'r/field/g.span=[3, 1]'")

    def test_a_setting_is_changed_here_or_wherever_it_comes_from(self):
        """Where it comes from a part, shared keys, `each`, copies or a range; what is a node's own has no such choice."""
        self.write_scene(SHELF)
        page = self.page.report(self.scene, "--at", "800x600")
        cases = [
            ("r/cards/p", "padding.top", "every card", 800, r"parts\.card\.padding"),
            ("r/cards/p/top", "height", "every card", 800, r"parts\.card/top\.height"),
            ("r/cards/s", "height", "all like button", 800, r"shared\.button\.height"),
            ("r/cards/p", "height", "all in cards", 800, r"r/cards\.each_child\.height"),
            ("r/cards/k[0]", "width", "all of k", 800, r"r/cards/k\.width"),
            ("r/cards", "gap", "while narrow", 400, r"r/cards\.when\.narrow\.gap"),
            ("r/cards", "gap", "always", 400, r"r/cards\.when\.narrow\.gap=null --set r/cards\.gap"),
            ("r/cards/p", "padding.top", "only this one", 800, r"r/cards/p\.padding"),
        ]
        for node, handle, words, width, changes in cases:
            with self.subTest(node=node, words=words):
                page.run("await api.resize(a[1], 600); await api.select(a[0])", node, width)
                page.wait("its handles", lambda: page.text("#fl-node summary").endswith(node.split("/")[-1]))
                self.handle(handle).click()
                if handle == "padding.top":
                    page.click("all four", "#fl-handle-label")
                page.click(words, "#fl-handle-label")
                self.handle(handle).send_keys(Keys.ARROW_DOWN if handle not in ("width",) and "gap" not in handle else Keys.ARROW_RIGHT)
                self.assertRegex(" ".join(page.run("return api.changes()")), "^--set '?" + changes + r"=\d+$")
                self.told()
                page.run("await api.undo()")
                self.assertEqual(page.run("return api.changes()"), [])
        page.run("await api.resize(800, 600); await api.select('r/line/c')")
        self.handle("width").click()
        self.assertEqual(page.texts("#fl-handle-label button"), [])

    def test_what_cannot_be_pulled_says_why(self):
        self.write_scene("""{"format":2,"root":{"kind":"column","name":"r","children":[
          {"kind":"grid","name":"g","columns":[{"repeat":"fitting","tracks":[100]}],"children":[{"kind":"box","name":"in","height":30}]},
          {"kind":"grid","name":"h","columns":2,"children":[{"kind":"box","name":"in","height":30}]},
          {"kind":"row","name":"l","children":[{"kind":"box","name":"m","height":50,"width":100,"margin":{"left":"auto"}}]},
          {"kind":"stack","name":"s","height":100,"children":[{"kind":"box","name":"p","width":80},
            {"kind":"box","name":"t","pin":{"left":"p.right + 5","top":30},"width":90,"height":40}]}]}}""")
        page = self.page.report(self.scene, "--at", "500x300")
        for node, why in [("r/g", "there are as many columns as fit"), ("r/h", "its columns are repeated"), ("r/s/t", "left is tied to p.right + 5"),
                          ("r/l/m", "margin.left is automatic: it takes the free space")]:
            page.run("await api.select(a[0])", node)
            self.handle(why)


class Fingers(HandTest):
    """On a telephone, 390 by 844, without a mouse or keys."""

    @classmethod
    def setUpClass(cls):
        cls.page = Browser(390, 844, touch=True)

    def setUp(self):
        self.page.report(CONSOLE, "--at", "390x844")

    def middle(self, element):
        self.page.driver.execute_script("arguments[0].scrollIntoView({ block: 'center' })", element)
        box = self.page.driver.execute_script("const box = arguments[0].getBoundingClientRect(); return [box.x + box.width / 2, box.y + box.height / 2]", element)
        return box

    def tap(self, element):
        """A finger that is put down and lifted. On a busy machine that takes so long that the browser takes it for a long
        press, which clicks on nothing: then once more."""
        heard = self.page.driver.execute_script
        heard("""window.heardOfFinger ??= Object.assign([], { listens: ['click', 'contextmenu', 'pointercancel'].map((kind) =>
          addEventListener(kind, () => window.heardOfFinger.push(kind), true)) }); window.heardOfFinger.length = 0;""")

        def clicked():
            heard("window.heardOfFinger.length = 0")
            self.page.finger(*self.middle(element))
            self.page.wait("what the browser makes of the finger", lambda: heard("return window.heardOfFinger.length"))
            return heard("return window.heardOfFinger.includes('click')")

        self.page.wait("a click", clicked)
        self.page.settle()

    def test_a_finger_pulls_with_the_opposite_side(self):
        page = self.page
        self.tap(page.find("#fl-closer"))
        self.tap(page.find(f"[data-path='{CARDS}']"))
        self.assertEqual(page.selected(), CARDS)
        scale = self.frame()[2]
        self.assertGreater(scale, 0.6)  # there is room for a finger
        self.tap(self.handle("padding.left"))
        self.tap(next(one for one in page.all("#fl-handle-label button") if one.text == "opposite too"))
        page.finger(*self.middle(self.handle("padding.left")), (10, 0), (10, 0))
        (change,) = page.run("return api.changes()")
        self.assertRegex(change, rf"^--set {CARDS}\.padding\.x=2\d$")
        self.told()

    def test_a_finger_carries_what_is_selected_and_the_page_does_not_scroll(self):
        page = self.page
        self.tap(page.find("#fl-closer"))
        legend = "console/body/work/zones/legend"
        page.run("await api.select(a[0])", legend)
        canvas = page.find("#fl-canvas")
        page.driver.execute_script("document.querySelector('#fl-sheet').scrollIntoView({ block: 'start' }); document.querySelector('#fl-sheet').scrollTop = 0")
        page.settle()
        boxes, (left, top, scale) = boxes_of(page), self.frame()
        area = page.driver.execute_script("const box = arguments[0].getBoundingClientRect(); return [box.x, box.y]", canvas)
        def spot(path):
            box = boxes[path]
            return area[0] + 14 + (box["x"] + box["width"] / 2) * scale, area[1] + 10 + (box["y"] + box["height"] / 2) * scale
        (x, y), (to_x, to_y) = spot(legend), spot("console/bar")
        scrolled = page.run("return scrollY")
        page.finger(x, y, (0, -12), ((to_x - x) / 2, (to_y - y) / 2 + 6), ((to_x - x) / 2, (to_y - y) / 2 + 6))
        page.wait("the move", lambda: page.run("return api.changes()"))
        self.assertRegex(page.run("return api.changes()")[0], rf"^--move {legend}=console/bar:\d$")
        self.assertEqual(page.run("return scrollY"), scrolled)
        self.told()

    def test_a_finger_builds(self):
        page = self.page
        page.report("examples/templates/empty.scene.json")
        for name in ("box", "box2"):
            self.tap(page.find("[data-key='insert']"))
            page.wait(name, lambda name=name: page.all(f"[data-path='screen/{name}']"))
        self.tap(page.find("[data-key=several]"))
        self.tap(page.find("[data-path='screen/box']"))
        page.wait("both", lambda: page.text("#fl-build summary") == "Insert: box, box2")
        self.tap(page.find("[data-key=group]"))
        page.wait("the column", lambda: page.selected() == "screen/column")


if __name__ == "__main__":
    unittest.main()
