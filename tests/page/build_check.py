# SPDX-License-Identifier: MIT
"""Scenes that are built by hand."""

import json
import os
import pathlib
import tempfile
import unittest

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from browser import ROOT, Refused, program
from hand import CONSOLE, HandTest, boxes_of

EMPTY = "examples/templates/empty.scene.json"


class Build(HandTest):
    def open(self, scene, *options):
        self.scene = scene
        return self.page.report(scene, *options)

    def field(self, key):
        return self.page.find(f'#fl-build [data-key="{key}"]')

    def fill(self, key, text):
        field = self.field(key)
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(text or Keys.DELETE)

    def put(self, what, name=None, words=None):
        """Puts a kind or a part in; the name that is suggested is kept when none is given."""
        Select(self.field("put")).select_by_value(what)
        if name is not None:
            self.fill("put name", name)
        if words is not None:
            self.fill("put words", words)
        self.field("insert").click()
        self.page.settle()
        self.assertEqual(self.page.text("#fl-build .fault"), "")
        return self.page.selected()

    def act(self, name):
        self.page.unfold("#fl-build")
        self.page.click(name, "#fl-build")

    def line(self, path):
        return self.page.find(f"[data-path='{path}']")

    def choose(self, *paths):
        """A click on the first, clicks with Ctrl on the others."""
        self.line(paths[0]).click()
        for path in paths[1:]:
            self.page.hands().key_down(Keys.CONTROL).click(self.line(path)).key_up(Keys.CONTROL).perform()
        self.page.settle()

    def set(self, key, value):
        """Says a setting that the selected node does not say yet."""
        page = self.page
        page.wait("the settings", lambda: page.all("[data-key='another']"))
        Select(page.find("[data-key='another']")).select_by_value(key)
        page.type_into(f"[data-key='set {key}']", value)

    def names(self):
        return [one["path"] for one in self.page.run("return (await api.scene()).nodes")]

    def saved(self):
        """What the button for it saves."""
        page = self.page
        page.unfold("#fl-changes")
        for old in page.downloads.glob("*"):
            old.unlink()
        page.click("Download scene", "#fl-changes")
        done = page.wait("the saved scene", lambda: [one for one in page.downloads.glob("*") if one.suffix == ".json"])
        page.wait("its end", lambda: done[0].stat().st_size)
        return done[0].read_text()

    # ---------------------------------------------------------------- from nothing

    def test_seed_cards_are_built_from_nothing(self):
        """By fields, keys and handles alone; what comes out is short, means what was seen, and lint finds nothing."""
        page = self.open(EMPTY, "--at", "900x600")
        self.assertEqual(page.text("#fl-build summary"), "Insert: nothing is selected")
        self.assertTrue(page.find("#fl-build").get_attribute("open"))
        self.put("grid", "cards")
        self.put("column", "oak")
        self.put("text", "about", "Oak, sown in March. Keep moist.")
        self.put("box", "button")
        self.line("screen/cards/oak").click()
        self.handle("padding.top").click()
        page.click("all four", "#fl-handle-label")
        self.hand("padding.top", 0, 8)
        self.let_go()
        self.line("screen/cards/oak/about").click()
        self.set("weight", "1")
        self.line("screen/cards/oak").click()
        self.fill("name", "oak\n")
        for name, words in [("fern", "Fern, from spores. Shade, and mist twice a day in summer."), ("sage", "Sage. Dry bed.")]:
            self.act("Duplicate")
            self.fill("name", name + "\n")
            page.wait("its name", lambda name=name: page.selected() == f"screen/cards/{name}")
            self.line(f"screen/cards/{name}/about").click()
            page.wait("its words", lambda: page.all("[data-key='set text']"))
            page.type_into("[data-key='set text']", words)
            self.line(f"screen/cards/{name}").click()
        self.line("screen/cards").click()
        page.wait("its columns", lambda: page.all("[data-key='set columns']"))
        page.type_into("[data-key='set columns']", "3")
        self.told()
        text = self.saved()
        if os.environ.get("FOND_LADDER_GOLDEN"):
            (ROOT / "tests/page/built_cards.scene.json").write_text(text)
        self.assertEqual(text, (ROOT / "tests/page/built_cards.scene.json").read_text())
        with tempfile.TemporaryDirectory() as folder:
            built = pathlib.Path(folder) / "cards.scene.json"
            built.write_text(text)
            linted = program("lint", built)
            self.assertEqual(linted.returncode, 0, linted.stdout)
            self.assertIn("nothing suspicious", linted.stdout)
            self.assertEqual(program("tidy", built).stdout, text)

    def test_names_are_made_so_that_each_is_clear(self):
        self.open(EMPTY)
        self.assertEqual([self.put("row"), self.put("box"), self.put("box"), self.put("box", "")],
                         ["screen/row", "screen/row/box", "screen/row/box2", "screen/row/box#2"])
        self.line("screen").click()
        self.assertEqual(self.field("put name").get_attribute("value"), "box3")
        self.assertIn("into screen", self.page.text("#fl-build"))
        self.line("screen/row/box2").click()
        self.assertIn("after box2", self.page.text("#fl-build"))

    def test_parts_of_the_scene_are_put_in(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        page.unfold("#fl-build")
        self.line("console/body/work/cards").click()
        self.assertEqual(self.put("part card"), "console/body/work/cards/card")
        self.assertIn("console/body/work/cards/card/button", self.names())
        self.told()
        self.assertIn("// A seed card depends on its own width", self.saved())  # comments stay

    def test_what_is_saved_is_tidy_and_comments_are_lost_only_when_that_is_asked_for(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        page.run("await api.apply('set beds.gap=9')")
        page.unfold("#fl-changes")
        page.wait_for_text("#fl-changes", "save it tidy, without its comments")
        self.assertIn("//", self.saved())
        page.find("[data-key=tidy]").click()
        page.wait_for_text("#fl-changes", "saved tidy: its comments are lost")
        self.assertEqual(self.saved(), program("tidy", CONSOLE, "--set", "beds.gap=9").stdout)
        page = self.open(EMPTY)
        self.put("box")
        self.assertNotIn("comments", page.text("#fl-changes"))  # there are none to be lost
        self.assertEqual(self.saved(), program("tidy", EMPTY, "--insert", 'screen:0={"kind":"box","name":"box","natural_size":[80,40]}').stdout)

    # ---------------------------------------------------------------- what is chosen

    def test_several_are_gathered_and_taken_apart(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        first = page.run("return [await api.sceneText(), await api.boxes()]")
        page.unfold("#fl-build")
        self.choose("console/bar/alarm", "console/bar/title")
        self.assertEqual(page.text("#fl-build summary"), "Insert: title, alarm")
        Select(self.field("gather kind")).select_by_value("row")
        self.fill("gather name", "head")
        self.field("group").click()
        page.wait("the new row", lambda: page.selected() == "console/bar/head")
        self.assertEqual(page.run("return api.changes()"), ["--group console/bar/title,console/bar/alarm=row:head"])
        self.told()
        self.act("Ungroup")
        page.wait("no row", lambda: "console/bar/head" not in self.names())
        self.assertEqual(page.run("return api.boxes()"), first[1])
        self.told()
        page.run("await api.undo(); await api.undo()")
        self.assertEqual(page.run("return [await api.sceneText(), await api.boxes()]"), first)

    def test_why_an_action_cannot_be_done_is_told(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        page.unfold("#fl-build")
        cases = [(["console"], "Remove", "the root stays where it is"), (["console/bar/title"], "Ungroup", "it has no children"),
                 (["console/bar/title", "console/status/line"], "To the front", "they are in different containers")]
        for paths, action, why in cases:
            self.choose(*paths)
            self.assertEqual((self.field(action).get_attribute("title"), self.field(action).is_enabled()), (why, False))
        self.choose("console/bar/title")
        self.line("console/bar/title").send_keys("t")
        page.wait_for_text("#fl-status", "Ungroup: it has no children.")

    def test_several_are_carried_and_duplicated_at_once(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        sensors = "console/body/work/sensors"
        self.choose(f"{sensors}/tank", f"{sensors}/air")
        bar = boxes_of(page)["console/bar"]
        self.carry(f"{sensors}/tank", bar["x"] + bar["width"] / 2, bar["y"] + bar["height"] / 2)
        self.let_go()
        page.wait("the move", lambda: page.run("return api.changes()"))
        self.assertEqual(page.run("return api.changes()"), [f"--move {sensors}/air,{sensors}/tank=console/bar:1"])
        self.told()
        self.assertEqual(page.text("#fl-build summary"), "Insert: air, tank")
        self.act("Duplicate")
        page.wait("both", lambda: len(page.run("return api.changes()")) == 3)
        self.assertEqual([one for one in self.names() if one.startswith("console/bar/")],
                         [f"console/bar/{name}" for name in ("title", "air", "air2", "tank", "tank2", "alarm")])
        page.run("await api.undo()")  # one deed of the hand
        self.assertEqual(len(page.run("return api.changes()")), 1)
        page.run("await api.redo()")
        self.assertEqual(len(page.run("return api.changes()")), 3)
        self.told()

    def test_several_come_earlier_and_later_among_their_siblings(self):
        self.write_scene('{"format":2,"root":{"kind":"row","name":"r","children":[%s]}}' % ",".join(
            f'{{"kind":"box","name":"{name}","width":50,"height":50}}' for name in "abcde"))
        page = self.open(self.scene, "--at", "400x200")
        page.unfold("#fl-build")
        self.choose("r/b", "r/d")
        for action, order in [("Later", "acebd"), ("Later", "acebd"), ("Earlier", "acbde"), ("Earlier", "abdce"), ("Earlier", "bdace"),
                              ("Earlier", "bdace"), ("Later", "abdce")]:
            self.act(action)
            page.wait(order, lambda order=order: self.names() == ["r", *(f"r/{name}" for name in order)])
        self.told()

    def test_the_front_is_where_what_is_painted_last_stands(self):
        for order, front, back in [("", ["b", "c", "a"], ["a", "b", "c"]), (',"on_top":"first"', ["a", "b", "c"], ["b", "c", "a"])]:
            self.write_scene('{"format":2,"root":{"kind":"stack","name":"s"%s,"children":[%s]}}' % (order, ",".join(
                f'{{"kind":"box","name":"{name}","width":50,"height":50}}' for name in "abc")))
            page = self.open(self.scene, "--at", "200x200")
            self.line("s/a").click()
            for key, names in [("f", front), ("b", back)]:
                page.hands().send_keys(key).perform()
                page.wait(key, lambda names=names: self.names() == ["s", *(f"s/{name}" for name in names)])
                options = page.run("return (await api.changes()).flatMap((one) => one.split(' '))")
                top = program("measure", self.scene, "--at", "200x200", "--hit", "20,20", *options).stdout.split("\n")[0]
                self.assertEqual(top == "at 20,20: s/a", key == "f", top)

    def test_every_action_has_a_key_and_keys_alone_build(self):
        page = self.open(EMPTY)
        self.line("screen").click()
        page.hands().send_keys("n").send_keys("row").send_keys(Keys.TAB, Keys.ENTER).perform()
        page.wait("a row", lambda: page.selected() == "screen/row")
        self.line("screen/row").send_keys("d")
        page.wait("two", lambda: page.selected() == "screen/row2")
        self.line("screen/row2").send_keys(Keys.F2)
        page.hands().key_down(Keys.CONTROL).send_keys("a").key_up(Keys.CONTROL).send_keys("bar", Keys.ENTER).perform()
        page.wait("its name", lambda: page.selected() == "screen/bar")
        self.line("screen/bar").send_keys("k")
        page.hands().send_keys("g").perform()
        page.wait("a grid", lambda: page.run("return (await api.scene()).nodes.at(-1).kind") == "grid")
        self.line("screen/row").click()
        page.hands().send_keys(Keys.ARROW_DOWN).key_down(Keys.CONTROL).send_keys(Keys.SPACE).key_up(Keys.CONTROL).perform()
        listed = page.text("#fl-keys")
        for key in ("Ctrl+Space", "F2", "Delete"):
            self.assertIn(key, listed)
        for button in page.all("#fl-build .actions button"):
            self.assertRegex(button.get_attribute("title") + button.get_attribute("data-key"), "[a-z]")

    def test_keys_that_do_nothing_by_themselves_choose_nothing(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        self.choose("console/bar/title", "console/bar/alarm")
        page.hands().key_down(Keys.CONTROL).click(self.line("console/bar/alarm")).key_up(Keys.CONTROL).perform()  # no longer
        page.hands().key_down(Keys.SHIFT).key_up(Keys.SHIFT).send_keys("z").perform()
        page.settle()
        self.assertEqual(page.text("#fl-build summary"), "Insert: title")

    def test_a_finger_chooses_several_by_a_switch(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        page.unfold("#fl-build")
        self.line("console/bar/title").click()
        self.field("several").click()
        self.line("console/bar/alarm").click()
        self.assertEqual(page.text("#fl-build summary"), "Insert: title, alarm")
        self.line("console/bar/title").click()  # no longer
        self.assertEqual(page.text("#fl-build summary"), "Insert: alarm")

    def test_names_that_are_wrong_are_refused_in_the_programs_words(self):
        page = self.open(CONSOLE, "--at", "1100x800")
        page.unfold("#fl-build")
        self.line("console/bar").click()
        self.fill("put name", "two words")
        self.field("insert").click()
        page.wait("a fault", lambda: page.text("#fl-build .fault"))
        with self.assertRaises(Refused) as refused:
            page.run("""await api.apply('insert console/bar:2={ "kind": "box", "name": "two words", "natural_size": [80, 40] }')""")
        self.assertEqual(page.text("#fl-build .fault"), str(refused.exception))
        self.assertEqual(page.run("return api.changes()"), [])

    # ---------------------------------------------------------------- taken back

    def test_whatever_hands_do_can_be_taken_back(self):
        """Many actions at random, by handles, keys and buttons, then undo as often as it does something: the first scene."""
        page = self.page
        page.report(CONSOLE, "--at", "700x800")
        sequences = int(os.environ.get("FOND_LADDER_HAND_SEQUENCES", "12"))
        script = """
          const first = await api.sceneText();
          document.querySelector('#fl-build').open = true;
          let random = 7 + 1000 * a[1], made = 0;
          const done = new Set();
          const dice = (n) => { random = (random * 1103515245 + 12345) % 2147483648; return Math.floor(random / 65536) % n; };
          const press = (element, key, alt) => element.dispatchEvent(new KeyboardEvent('keydown', { key, altKey: alt, bubbles: true, cancelable: true }));
          const rest = () => new Promise((done) => setTimeout(done, 8));
          for (let sequence = 0; sequence < a[0]; ++sequence) {
            for (let action = 0; action < 30; ++action) {
              const lines = [...document.querySelectorAll('#fl-tree [role=treeitem]')];
              const line = lines[dice(lines.length)];
              await api.select(line.dataset.path);
              if (dice(3) === 0) lines[dice(lines.length)].dispatchEvent(new MouseEvent('click', { ctrlKey: true, bubbles: true }));
              const handles = [...document.querySelectorAll('#fl-handles [role=slider]')];
              const buttons = [...document.querySelectorAll('#fl-build button:enabled')].filter((one) => one.dataset.key !== 'Remove' || dice(8) === 0);
              const arrow = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'][dice(4)];
              const way = dice(6);
              if (way > 2 && handles.length > 0) press(handles[dice(handles.length)], arrow, false);
              else if (way > 0 && lines.length < 60) { const one = buttons[dice(buttons.length)]; done.add(one.dataset.key); one.click(); }
              else press(line, arrow, true);
              await rest();
            }
            made += (await api.changes()).length;
            while ((await api.changes()).length > 0) {
              const { length } = await api.changes();
              await api.undo();
              if ((await api.changes()).length >= length) return [sequence, 'nothing is taken back'];
            }
            if ((await api.sceneText()) !== first) return [sequence, 'another scene'];
          }
          return ['well', made, [...done]];"""
        at_once = 6  # a script has to come to an end
        done_at_all = set()
        for begun in range(0, sequences, at_once):
            count = min(at_once, sequences - begun)
            done = page.run(script, count, begun)
            self.assertEqual(done[0], "well", (begun, done))
            self.assertGreater(done[1], 8 * count)
            done_at_all.update(done[2])
        self.assertGreaterEqual(done_at_all, {"insert", "group", "Duplicate", "Ungroup", "To the front", "To the back"})

    def test_no_deed_is_answered_by_an_uncaught_error(self):
        """Seven hundred deeds at random with whatever can be clicked, chosen, typed into, dragged or pressed."""
        page = self.page
        deeds = int(os.environ.get("FOND_LADDER_DEEDS", "700"))
        page.report(CONSOLE, "--at", "700x800")
        page.run("""window.uncaught = [];
            addEventListener('error', (event) => uncaught.push(String(event.error?.stack ?? event.message)));
            addEventListener('unhandledrejection', (event) => uncaught.push(String(event.reason?.stack ?? event.reason)));""")
        script = """
          let random = 11 + 1000 * a[1];
          const dice = (n) => { random = (random * 1103515245 + 12345) % 2147483648; return Math.floor(random / 65536) % n; };
          const one = (list) => list[dice(list.length)];
          const seen = (all) => [...document.querySelectorAll(all)].filter((each) => each.getClientRects().length > 0);
          const words = ['', '0', '-1', '1e9', '12.5', 'beds.width', 'beds.width >= 200', 'nobody', '50%', '{', '360', 'fill', 'reachable(*)'];
          const rest = () => new Promise((done) => setTimeout(done, 8));
          const point = (element, name, x, y) => element.dispatchEvent(new PointerEvent(name,
            { bubbles: true, cancelable: true, pointerId: 1, buttons: name === 'pointerup' ? 0 : 1, clientX: x, clientY: y, ctrlKey: dice(9) === 0 }));
          for (let deed = 0; deed < a[0]; ++deed) {
            const way = dice(8);
            if (way < 3) {
              const button = one(seen('button, a.link, summary, [role=treeitem], input[type=checkbox]').filter((each) => !each.disabled && !each.href && !each.download));
              button?.click();
            } else if (way === 3) {
              const input = one(seen('input:not([type=checkbox]), textarea'));
              if (input) { input.focus(); input.value = one(words); input.dispatchEvent(new Event('input', { bubbles: true })); input.dispatchEvent(new Event('change', { bubbles: true })); input.form?.requestSubmit(); }
            } else if (way === 4) {
              const choice = one(seen('select'));
              if (choice) { choice.selectedIndex = dice(choice.options.length); choice.dispatchEvent(new Event('change', { bubbles: true })); }
            } else if (way === 5) {
              const taken = one(seen('[role=slider], [role=treeitem], .edge, canvas, .tie')), box = taken?.getBoundingClientRect();
              if (taken) {
                const x = box.x + dice(Math.max(1, box.width)), y = box.y + dice(Math.max(1, box.height));
                point(taken, 'pointerdown', x, y);
                for (let i = 0; i < 3; ++i) { point(taken, 'pointermove', x + dice(300) - 150, y + dice(200) - 100); await rest(); }
                point(taken, 'pointerup', x, y);
              }
            } else if (way === 6) {
              const key = one(['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Enter', 'Escape', 'Delete', 'Tab', 'z', 'y', 'd', ' ', 'Home', 'End']);
              const taken = document.activeElement ?? document.body;
              taken.dispatchEvent(new KeyboardEvent('keydown', { key, altKey: dice(4) === 0, ctrlKey: dice(6) === 0, bubbles: true, cancelable: true }));
            } else {
              await api.resize(dice(5) === 0 ? dice(20) : 100 + dice(1500), dice(4) === 0 ? null : dice(1200)).catch(() => {});
              const all = (await api.scene()).nodes;
              if (dice(2) === 0) await api.select(one(all).path).catch(() => {});
            }
            await rest();
            if (seen('[role=treeitem]').length > 80) while ((await api.changes()).length > 0) await api.undo();
          }
          return uncaught;"""
        at_once = 50  # a script has to come to an end
        for begun in range(0, deeds, at_once):
            self.assertEqual(page.run(script, at_once, begun + int(os.environ.get("FOND_LADDER_SEED", "0"))), [], begun)


if __name__ == "__main__":
    unittest.main()
