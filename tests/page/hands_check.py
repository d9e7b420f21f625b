# SPDX-License-Identifier: MIT
"""Everything that a hand can do on the page, done by a driven one, and what is seen then."""

import json
import os
import pathlib
import re
import shlex
import tempfile
import unittest

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from browser import ROOT, Browser, program
from hand import BEDS, CARDS, CONSOLE, SENSORS, HandTest, boxes_of


def mapped_by_the_program():
    return json.loads(program("map", CONSOLE, "--height", "400..1480", "--format", "json").stdout)["answers"][0]


class Hands(HandTest):
    def setUp(self):
        self.page.report(CONSOLE, "--at", "700x800")

    # ---------------------------------------------------------------- drag

    def test_the_right_edge_is_dragged(self):
        _, _, scale = self.frame()
        self.page.drag(self.page.find("#fl-right"), -50, 0)
        self.assertAlmostEqual(self.page.size()["width"], 700 - 50 / scale, delta=1)
        self.assertEqual(self.page.size()["height"], 800)
        self.page.drag(self.page.find("#fl-right"), 800, 0)
        self.assertEqual(self.page.size()["width"], 1440)  # where the ladder ends

    def test_the_lower_edge_is_dragged(self):
        _, _, scale = self.frame()
        self.page.drag(self.page.find("#fl-lower"), 0, -60)
        self.assertAlmostEqual(self.page.size()["height"], 800 - 60 / scale, delta=1)
        self.assertEqual(self.page.size()["width"], 700)

    def test_the_corner_is_dragged(self):
        _, _, scale = self.frame()
        self.page.drag(self.page.find("#fl-corner"), 40, -30)
        size = self.page.size()
        self.assertAlmostEqual(size["width"], 700 + 40 / scale, delta=1)
        self.assertAlmostEqual(size["height"], 800 - 30 / scale, delta=1)

    def test_the_cursor_of_the_ladder_is_the_width_of_the_container(self):
        page = self.page
        _, _, scale = self.frame()
        for width in (700, 400, 1200):
            page.run("await api.resize(a[0], 800)", width)
            page.settle()
            self.assertAlmostEqual(middle(page.find("#fl-cursor")), page.find("#fl-right").rect["x"] + 5, delta=1)
            self.assertEqual(page.find("#fl-cursor").get_attribute("data-width"), str(width))
        page.drag(page.find("#fl-cursor"), -100, 0)
        self.assertAlmostEqual(page.size()["width"], 1200 - 100 / scale, delta=1.5)
        self.assertAlmostEqual(middle(page.find("#fl-cursor")), page.find("#fl-right").rect["x"] + 5, delta=1)

    def test_a_click_on_the_chart_goes_there(self):
        page = self.page
        left, _, scale = self.frame()
        plot = page.find("#fl-plot")
        page.hands().move_to_element_with_offset(plot, int(left + 500 * scale - middle(plot)), 0).click().perform()
        page.settle()
        self.assertAlmostEqual(page.size()["width"], 500, delta=2 / scale)

    def test_the_curves_lie_at_the_scale_of_the_picture(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        page.wait("breakpoints", lambda: page.all(".breakpoint"))
        left, _, scale = self.frame()
        turn = next(one for one in page.all(".breakpoint") if one.get_attribute("title").startswith("at 640: beds.width"))
        self.assertAlmostEqual(middle(turn), left + 640 * scale, delta=1)

    def test_ring_tick_and_cursor_of_one_width_stay_together_however_many_claims_are_broken(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        page.run("await api.resize(640, 800)")
        left, _, scale = self.frame()
        for broken in range(6):
            if broken > 0:
                page.type_into("#fl-claims input", f"beds.width > {5000 + broken}")
                page.wait_for_text("#fl-claims summary", f"{broken} of {26 + broken} fail")
            page.wait("its bars", lambda broken=broken: len({bar.rect["y"] for bar in page.all(".stretch")}) == broken)
            page.settle()
            with self.subTest(broken=broken):
                turns = page.wait("its ring", lambda: [one for one in page.all(".breakpoint") if one.get_attribute("title").startswith("at 640: beds.width")])
                self.assertAlmostEqual(middle(turns[0]), left + 640 * scale, delta=1)
                self.assertAlmostEqual(middle(page.find("#fl-cursor")), left + 640 * scale, delta=1)
                # The lines of the ticks, as they are drawn on the canvas, a row above all curves.
                lines = page.run("""const canvas = document.querySelector('#fl-curves');
                    const ratio = canvas.width / canvas.clientWidth;
                    const row = canvas.getContext('2d').getImageData(0, Math.round(24 * ratio), canvas.width, 1).data;
                    const at = canvas.getBoundingClientRect().x, found = [];
                    for (let i = 0; i < canvas.width; ++i) if (row[4 * i + 3] > 100) found.push(at + (i + 0.5) / ratio);
                    return found""")
                every = next((step for step in (500, 250, 200, 100, 50) if all(
                    any(abs(line - left - width * scale) <= 1.5 for line in lines) for width in range(step, 1300, step))), None)
                self.assertIsNotNone(every, f"no ticks at round widths: {lines[:20]}")
                if broken > 0:
                    self.assertAlmostEqual(min(bar.rect["x"] for bar in page.all(".stretch")), left + 360 * scale, delta=1)

    # ---------------------------------------------------------------- all sizes

    def open_map(self):
        page = self.page
        page.unfold("#fl-map")
        page.wait("the map", lambda: not page.run("return document.querySelector('#fl-sizes').hidden"))

    def test_the_map_tells_what_the_program_tells(self):
        page = self.page
        self.open_map()
        self.assertEqual(page.run("return document.querySelector('#fl-map-from').value"), "400")  # round what the scene speaks of
        told = mapped_by_the_program()
        broken = [claim for claim in told["claims"] if claim["failing"]]
        self.assertIn(f"360 to 1440 wide, 400 to 1480 high: {len(broken)} of 26 claims fail somewhere.", page.text("#fl-map-words"))
        items = page.texts("#fl-map-claims > li")
        self.assertEqual(len(items), len(broken))
        for claim, item in zip(broken, items):
            self.assertIn(claim["claim"], item)
        page.type_into("#fl-map-from", "700")
        page.find("#fl-map-heights button").click()
        page.wait_for_text("#fl-map-words", "700 to 1480 high: all 26 claims hold at every size.")

    def test_the_map_lies_on_the_axis_of_the_ladder_and_the_hand_moves_in_it(self):
        page = self.page
        self.open_map()
        left, _, scale = self.frame()
        self.assertAlmostEqual(middle(page.find("#fl-spot")), left + 700 * scale, delta=1)
        self.assertAlmostEqual(middle(page.find("#fl-spot")), middle(page.find("#fl-cursor")), delta=1)
        rect = page.find("#fl-plane").rect
        high = rect["height"] - 20
        page.drag(page.find("#fl-spot"), 60, -40)  # up is higher
        size = page.size()
        self.assertAlmostEqual(size["width"], 700 + 60 / scale, delta=1.5)
        self.assertAlmostEqual(size["height"], 800 + 40 * 1080 / high, delta=1080 / high + 1)
        page.run("document.querySelector('#fl-spot').focus()")
        page.press(Keys.ARROW_UP)
        page.press(Keys.ARROW_LEFT, shift=True)
        self.assertEqual(page.size(), {**size, "width": size["width"] - 10, "height": size["height"] + 1})
        page.find("#fl-map-claims button[title^='go to the worst']").click()
        page.settle()
        worst = next(claim for claim in mapped_by_the_program()["claims"] if claim["failing"])["failing"][0]["worst"]
        self.assertEqual(page.size(), {**size, **{side: worst[side] for side in ("width", "height")}})
        page.find("#fl-points button[title^=phone]").click()
        page.settle()
        self.assertEqual(page.size(), {**size, "width": 390, "height": 844})

    def test_what_is_tried_is_on_the_map_too(self):
        page = self.page
        self.open_map()
        page.run("await api.apply('set beds.width=300')")
        page.wait_for_text("#fl-map-claims", "sensors.lines = 1 when container.width >= 776")
        page.type_into("#fl-map-to", "tall")
        page.find("#fl-map-heights button").click()
        page.wait_for_text("#fl-map-fault", "--height 400..tall")
        self.assertFalse(page.find("#fl-sizes").is_displayed())

    def test_arrow_keys_move_by_1_and_with_shift_by_10(self):
        page = self.page
        for selector in ("#fl-right", "#fl-cursor", "body"):
            page.run("await api.resize(700, 800); document.querySelector(a[0]).focus(); if (a[0] === 'body') document.activeElement.blur()", selector)
            page.press(Keys.ARROW_RIGHT)
            self.assertEqual(page.size()["width"], 701, selector)
            page.press(Keys.ARROW_LEFT, shift=True)
            self.assertEqual(page.size()["width"], 691, selector)
        page.run("document.querySelector('#fl-lower').focus()")
        page.press(Keys.ARROW_DOWN)
        self.assertEqual(page.size()["height"], 801)
        page.run("document.querySelector('#fl-cursor').focus()")
        page.press(Keys.HOME)
        self.assertEqual(page.size()["width"], 360)
        page.press(Keys.END)
        self.assertEqual(page.size()["width"], 1440)

    def test_numbers_are_typed(self):
        page = self.page
        page.type_into("#fl-width", "612.5")
        page.type_into("#fl-height", "555")
        self.assertEqual((page.size()["width"], page.size()["height"]), (612.5, 555))
        page.find("#fl-content").click()
        self.assertTrue(page.size()["byContent"])
        page.type_into("#fl-width", "wide")
        self.assertEqual(page.size()["width"], 612.5)
        self.assertIn("A width is a number of pixels", page.text("#fl-status"))
        page.type_into("#fl-width", "2000")  # beyond the ladder
        self.assertEqual(page.size()["width"], 2000)

    def test_named_rungs_lead_to_their_size(self):
        page = self.page
        self.assertEqual(page.texts(".named-size"), ["phone", "tablet", "desk"])
        page.click("phone")
        self.assertEqual((page.size()["width"], page.size()["height"]), (390, 844))

    def test_what_became_cut_is_marked_while_dragging(self):
        page = self.page.report(CONSOLE, "--at", "700x800", "--set", "alarm.width=400", "--set", "alarm.shrink=0")
        self.assertNotIn("now", page.text("#fl-status"))
        edge = page.find("#fl-right")
        page.hands().move_to_element(edge).click_and_hold().move_by_offset(-100, 0).move_by_offset(-60, 0).perform()
        page.settle()
        self.assertRegex(page.text("#fl-status"), r"now (overhanging|squeezed|invisible): .*(alarm|title)")
        page.hands().release().perform()

    def test_scrolling_containers_scroll_by_wheel(self):
        low = ["--at", "700x800", "--set", "beds.height=100"]
        page = self.page.report(CONSOLE, *low)
        measured = json.loads(program("measure", CONSOLE, *low, "--format", "json").stdout)["answers"][0]
        beds = next(one for one in measured["scrollers"] if one["path"] == BEDS)
        self.assertGreater(beds["scroll_range"]["height"], 0)
        box = boxes_of(page)[BEDS]
        left, top, scale = self.frame()
        before = page.picture()
        wheel = ("document.querySelector('#fl-canvas').dispatchEvent(new WheelEvent('wheel', "
                 "{deltaY: a[0], bubbles: true, cancelable: true, clientX: a[1], clientY: a[2]}))")
        at = left + (box["x"] + 20) * scale, top + (box["y"] + 10) * scale
        self.assertFalse(page.run(f"return {wheel}", 30, *at))  # taken, so that the page stays
        page.settle()
        self.assertNotEqual(page.picture(), before)
        # Numbers stay those of `measure`, which scrolls nothing.
        self.assertEqual({node["path"]: node["y"] for node in measured["nodes"]}, {path: one["y"] for path, one in boxes_of(page).items()})
        page.run(wheel, 5000, *at)
        self.assertTrue(page.run(f"return {wheel}", 30, *at), beds)  # at its end: the page may move

    def test_lists_bring_what_is_scrolled_to_into_view(self):
        page = self.page.report("examples/idioms/long_list.scene.json", "--at", "300x400")
        box = boxes_of(page)["screen/log"]
        left, top, scale = self.frame()
        at = left + (box["x"] + 20) * scale, top + (box["y"] + 50) * scale
        page.run("document.querySelector('#fl-canvas').dispatchEvent(new WheelEvent('wheel', "
                 "{deltaY: a[0], bubbles: true, cancelable: true, clientX: a[1], clientY: a[2]}))", 4800, *at)
        page.settle()
        shown = boxes_of(page)
        measured = json.loads(program("measure", "examples/idioms/long_list.scene.json", "--at", "300x400", "--scrolled",
                                      "log=4800", "--format", "json").stdout)["answers"][0]
        self.assertEqual(sorted(shown), sorted(node["path"] for node in measured["nodes"]))
        self.assertIn("screen/log/entry[100]", shown)
        page.wait_for_text("#fl-breakpoints summary", "No curve: no width has a breakpoint; select a node for its own")
        self.assertNotIn("screen/log/entry[1]", shown)
        page.find("[data-path='screen/log/entry[100]/note']").click()
        page.wait_for_text("#fl-node", "weight 1")
        self.assertIn("entry[100]", page.text("#fl-node"))

    # ---------------------------------------------------------------- see

    def test_a_click_in_the_picture_selects_as_one_in_the_nesting_does(self):
        page = self.page
        box = boxes_of(page)["console/body/beds/bed_moss"]
        self.click_at(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        self.assertEqual(page.selected(), "console/body/beds/bed_moss")
        self.assertEqual(page.texts("[role=treeitem][aria-selected=true] .name"), ["bed_moss"])
        self.assertEqual(page.text("#fl-node summary"), "Selected: bed_moss")
        page.find(f"[data-path='{SENSORS}']").click()
        self.assertEqual(page.selected(), SENSORS)
        page.press(Keys.ARROW_DOWN)
        self.assertEqual(page.selected(), SENSORS + "/air")
        page.press(Keys.ARROW_LEFT)
        self.assertEqual(page.selected(), SENSORS)

    def test_hovering_tells_name_and_size(self):
        page = self.page
        box = boxes_of(page)[BEDS]
        left, top, scale = self.frame()
        canvas = page.find("#fl-canvas")
        page.hands().move_to_element_with_offset(
            canvas, int(left + (box["x"] + 120) * scale - middle(canvas)),
            int(top + (box["y"] + box["height"] - 40) * scale - canvas.rect["y"] - canvas.rect["height"] / 2)).perform()
        self.assertEqual(page.text("#fl-hover"), f"beds {box['width']:g} × {box['height']:g}")

    def test_the_nesting_has_signs(self):
        page = self.page.report(CONSOLE, "--at", "400x300")
        page.run("await api.resize(300, 200)")
        signs = page.wait("signs", lambda: set(page.texts(".signs span")))
        self.assertTrue(signs & {"overhanging", "squeezed", "invisible"}, signs)
        self.assertIn("hidden", signs)  # the notes, where it is narrow
        measured = json.loads(program("measure", CONSOLE, "--at", "300x200", "--format", "json").stdout)["answers"][0]["nodes"]
        shown = len(page.all("[role=treeitem]:not(.hidden)"))
        self.assertEqual(shown, len(measured))
        self.assertIn("→", page.text("[data-path='console/bar'] .lays"))

    def test_the_selected_node_has_its_account(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        self.assertEqual(page.text("#fl-node .size"), "column, 240 × 671 at 16, 76")
        account = program("explain", CONSOLE, BEDS, "--at", "700x800").stdout
        page.wait("the account", lambda: page.text("#fl-node pre") == account)
        why = page.texts("#fl-node .why tbody tr")
        self.assertEqual(why[0], "beds240its width671stretched to the space available")
        self.assertEqual(len(why), 3)
        page.click("body", "#fl-node .why")
        self.assertEqual(page.selected(), "console/body")

    def test_settings_have_their_sources(self):
        page = self.page
        page.run("await api.select(a[0])", CARDS + "/sage")
        page.wait("settings", lambda: page.texts("#fl-node .settings tbody tr"))
        rows = dict(zip(page.texts("#fl-node .settings tbody th"), page.texts("#fl-node .settings tbody td:last-child")))
        self.assertEqual(rows["padding"].strip(), "part card")

    def test_curves_and_breakpoints_of_the_selected_node(self):
        page = self.page
        page.run("await api.select(a[0])", CARDS + "/sage")
        page.wait_for_text("#fl-breakpoints", "sage.width")
        swept = json.loads(program("sweep", CONSOLE, "--show", "sage.width,sage.height", "--height", "800", "--format", "json").stdout)
        turns = swept["answers"][0]["breakpoints"]
        self.assertEqual(page.text("#fl-breakpoints summary"), f"{len(turns)} breakpoints")
        self.assertEqual(len(page.all(".breakpoint")), len(turns))
        self.assertIn("640 sage.width jumps from 608 to 109.33: `narrow` ends", page.texts("#fl-breakpoints li"))
        page.click("1200", "#fl-breakpoints")
        self.assertEqual(page.size()["width"], 1200)
        page.all(".breakpoint")[0].click()
        self.assertEqual(page.size()["width"], min(turn["at"] for turn in turns))

    def test_the_curve_of_a_typed_quantity(self):
        page = self.page
        page.type_into("#fl-quantity", "map.aspect")
        page.wait("a curve or a word on it", lambda: "map.aspect" in page.text("#fl-legend") or page.text("#fl-ask-fault"))
        page.type_into("#fl-quantity", "sensors.lines")
        page.wait_for_text("#fl-legend", "sensors.lines 2")
        page.type_into("#fl-quantity", "beds.widht")
        page.wait_for_text("#fl-ask-fault", "did you mean \"width\"")
        self.assertIn("sensors.lines", page.text("#fl-legend"))
        page.run("document.querySelector(a[0]).click()", "[aria-label='leave sensors.lines out']")  # it may be drawn anew
        page.wait("no such curve", lambda: "sensors.lines" not in page.text("#fl-legend"))

    def test_curves_say_at_which_height_they_are(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        page.wait_for_text("#fl-legend", "at height 800")
        page.run("await api.resize(700, null)")  # the program sweeps at the height of the ladder
        page.wait_for_text("#fl-legend", "at the ladder's height 800")

    def test_what_is_hidden_everywhere_has_no_curve(self):
        page = self.page
        page.run("await api.apply('set alarm.hidden=true'); await api.select('console/bar/alarm')")
        page.wait_for_text("#fl-breakpoints summary", "No curve: hidden over the whole ladder")
        page.run("await api.select('console/body/beds/bed_fern'); await api.apply('set body.hidden=false')")
        page.run("await api.apply('set bar.width=500'); await api.select('console/bar')")
        page.wait_for_text("#fl-breakpoints summary", "No breakpoints: these run straight over the whole ladder")

    def test_the_command_can_be_pasted_into_a_shell(self):
        page = self.page
        page.run("await api.setMode('closed', true); await api.apply(\"set title.text=It's dry\")")
        words = shlex.split(page.text("#fl-command"))
        self.assertEqual(words, ["fond-ladder", "measure", CONSOLE, "--at", "700x800", "--mode", "closed", "--set", "title.text=It's dry"])
        theirs = {path: box["width"] for path, box in boxes_of(page).items()}
        ours = json.loads(program(*words[1:], "--format", "json").stdout)["answers"][0]["nodes"]
        self.assertEqual(theirs, {node["path"]: node["width"] for node in ours})

    def test_a_claim_that_nothing_tests_is_not_broken(self):
        page = self.page
        page.type_into("#fl-claims input", "beds.width = 3 when container.width > 5000")
        page.wait_for_text("#fl-claims summary", "1 of 27 untested, 26 hold")
        self.assertTrue(page.texts("#fl-claims > div > ul > li")[0].startswith("untested "))
        self.assertIn("untested", program("check", CONSOLE, "--claim", "beds.width = 3 when container.width > 5000").stdout)

    def test_claims_that_cannot_be_checked_are_not_said_to_be_missing(self):
        page = self.page
        page.type_into("#fl-claims input", "clock.width > 5")
        page.wait_for_text("#fl-claims summary", "all 27 hold")
        page.run("await api.apply('remove clock')")
        page.wait_for_text("#fl-claims summary", "Claims: not checked")
        self.assertIn("clock", page.text("#fl-claims .fault"))
        page.run("await api.undo()")
        page.wait_for_text("#fl-claims summary", "all 27 hold")

    def test_claims_kept_and_broken_and_where(self):
        page = self.page
        page.wait_for_text("#fl-claims summary", "all 26 hold")
        page.run("await api.apply('set sensors.gap=20')")
        page.wait_for_text("#fl-claims summary", "1 of 26 fail, 25 hold")
        item = page.texts("#fl-claims > div > ul > li")[0]
        self.assertRegex(item, r"fails sensors\.lines = 1 when container\.width >= 776.*sensors: vents starts line 2: air 84")
        checked = json.loads(program("check", CONSOLE, "--set", "sensors.gap=20", "--failing", "--format", "json").stdout)["answers"][0]["claims"][0]
        bars = page.all(".stretch")
        self.assertEqual(len(bars), len(checked["failing"]))
        left, _, scale = self.frame()
        failing = checked["failing"][0]
        self.assertAlmostEqual(bars[0].rect["x"], left + failing["from"] * scale, delta=1)
        self.assertAlmostEqual(bars[0].rect["width"], (failing["to"] - failing["from"]) * scale, delta=1)
        bars[0].click()
        self.assertEqual(page.size()["width"], failing["worst"]["width"])
        page.run("await api.resize(500, 800)")
        page.find("#fl-claims ul ul .link").click()
        self.assertEqual(page.size()["width"], failing["worst"]["width"])

    def test_a_typed_claim_is_checked_at_once(self):
        page = self.page
        page.type_into("#fl-claims input", "beds.width >= 200")
        page.wait_for_text("#fl-claims summary", "1 of 27 fail" if program("check", CONSOLE, "--claim", "beds.width >= 200").returncode else "all 27 hold")
        page.type_into("#fl-claims input", "beds.width > 5000")
        page.wait_for_text("#fl-claims summary", "1 of 28 fail")
        page.type_into("#fl-claims input", "bedz.width > 5")
        page.wait_for_text("#fl-claims .fault", "did you mean \"beds\"")
        self.assertEqual(page.find("#fl-claims input").get_attribute("value"), "bedz.width > 5")
        page.click("leave out", "#fl-claims")
        page.wait_for_text("#fl-claims summary", "27 hold")

    def test_findings_lead_to_their_nodes_and_sizes_and_can_be_cured(self):
        options = ["--set", "bar.width=900", "--set", "legend.grow=1"]
        page = self.page.report(CONSOLE, *options)
        found = json.loads(program("lint", CONSOLE, *options, "--format", "json").stdout)["answers"][0]["findings"]
        page.wait_for_text("#fl-findings summary", f"Findings: {len(found)}")
        page.unfold("#fl-findings")
        outside = next(i for i, one in enumerate(found) if one["rule"] == "outside")
        item = page.all("#fl-findings > div > ul > li")[outside]
        links = item.find_elements("class name", "link")
        links[0].click()
        self.assertEqual(page.selected(), found[outside]["node"])
        next(one for one in links if one.text == "360..820").click()
        self.assertEqual(page.size()["width"], 360)
        self.assertIn("Fix: remove it apply", page.text("#fl-findings"))
        page.click("apply", "#fl-findings")
        page.wait_for_text("#fl-findings summary", f"Findings: {len(found) - 1}")
        self.assertEqual(page.run("return api.changes()")[-1], "--set console/body/work/zones/legend.grow=null")

    # ---------------------------------------------------------------- change

    def test_modes_wordings_longer_and_direction(self):
        page = self.page
        choices = [
            (lambda: page.find("[data-key='mode closed']").click(), ["--mode", "closed"]),
            (lambda: Select(page.find("[data-key=locale]")).select_by_index(1), ["--locale", page.run("return (await api.scene()).locales[0]")]),
            (lambda: page.type_into("[data-key=longer]", "40"), ["--text-expansion", "40%"]),
            (lambda: Select(page.find("[data-key=direction]")).select_by_value("rtl"), ["--set", "direction=rtl"]),
        ]
        options = []
        for choose, said in choices:
            choose()
            options += said
            page.settle()
            measured = json.loads(program("measure", CONSOLE, "--at", "700x800", *options, "--format", "json").stdout)["answers"][0]["nodes"]
            self.assertEqual({node["path"]: node["x"] for node in measured}, {path: box["x"] for path, box in boxes_of(page).items()}, said)
        self.assertIn(" ".join(options[:2]), page.text("#fl-command"))

    def test_a_setting_gets_another_value(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        page.wait("settings", lambda: page.all("[data-key='set width']"))
        page.type_into("[data-key='set width']", "300")
        page.wait("wider beds", lambda: boxes_of(page)[BEDS]["width"] == 300)
        self.assertEqual(page.run("return api.changes()"), ["--set console/body/beds.width=300"])
        page.wait("its settings again", lambda: page.all("[data-key='set gap']"))
        page.type_into("[data-key='set gap']", "many")
        refused = program("measure", CONSOLE, "--set", f"{BEDS}.gap=many", check=False).stderr.strip().removeprefix("fond-ladder: error: ")
        page.wait_for_text("#fl-node .fault", refused)
        self.assertEqual(len(page.run("return api.changes()")), 1)

    def test_the_schema_helps_with_a_setting_that_is_not_said(self):
        page = self.page
        page.run("await api.select(a[0])", BEDS)
        page.wait("settings", lambda: page.all("[data-key=another]"))
        Select(page.find("[data-key=another]")).select_by_visible_text("along")
        schema = json.loads((ROOT / "share/fond_ladder/scene.schema.json").read_text())
        self.assertIn(schema["$defs"]["key_along"]["description"], page.text(".another"))
        words = page.run("return [...document.querySelectorAll('.another datalist option')].map((one) => one.value)")
        self.assertIn("center", words)
        page.find("[data-key='set along']").send_keys("center", Keys.ENTER)
        page.wait("the change", lambda: page.run("return api.changes()") == ["--set console/body/beds.along=center"])
        page.wait("it among those said", lambda: "along" in page.texts("#fl-node .settings tbody th"))

    def test_every_trial_can_be_typed_and_taken_back(self):
        page = self.page
        page.unfold("#fl-changes")
        trials = [("set", "cards.gap=20"), ("move", "legend=bar:1"), ("group", "oak,fern=row:pair"), ("remove", "status"),
                  ("insert", 'bar:0={"kind":"box","name":"lamp","width":10}')]
        options = []
        for does, what in trials:
            Select(page.find("[data-key=does]")).select_by_visible_text(does)
            page.find("[data-key=what]").send_keys(what, Keys.ENTER)
            page.wait("the change", lambda n=len(options) // 2: len(page.run("return api.changes()")) == n + 1)
            options += ["--" + does, what]
            measured = json.loads(program("measure", CONSOLE, "--at", "700x800", *options, "--format", "json").stdout)["answers"][0]["nodes"]
            self.assertEqual({node["path"]: (node["x"], node["y"], node["width"], node["height"]) for node in measured},
                             {path: (box["x"], box["y"], box["width"], box["height"]) for path, box in boxes_of(page).items()})
        for left in range(len(trials) - 1, -1, -1):
            page.click("Undo", "#fl-changes")
            page.wait("one less", lambda left=left: len(page.run("return api.changes()")) == left)
        page.click("Redo", "#fl-changes")
        page.wait("one again", lambda: page.run("return api.changes()") == ["--set cards.gap=20"])
        Select(page.find("[data-key=does]")).select_by_visible_text("move")
        page.find("[data-key=what]").send_keys("legend", Keys.ENTER)
        refused = program("measure", CONSOLE, "--move", "legend", check=False).stderr.strip().removeprefix("fond-ladder: error: ")
        page.wait_for_text("#fl-changes .fault", refused)

    def test_changes_are_copied_as_options_and_saved_as_a_scene(self):
        page = self.page
        page.run("await api.apply('set sensors.gap=20'); await api.apply('set title.text=It\\'s dry')")
        page.unfold("#fl-changes")
        page.run("navigator.clipboard.writeText = async (text) => { window.copied = text }")
        page.click("Copy as CLI options", "#fl-changes")
        copied = page.run("return window.copied")
        self.assertEqual(copied, "--set sensors.gap=20 --set 'title.text=It'\\''s dry'")
        page.click("Download scene", "#fl-changes")
        saved = page.downloads / "console.scene.json"
        page.wait("the file", saved.exists)
        direct = program("measure", CONSOLE, "--at", "900", "--set", "sensors.gap=20", "--set", "title.text=It's dry", "--format", "json").stdout
        again = program("measure", saved, "--at", "900", "--format", "json").stdout
        self.assertEqual(json.loads(again)["answers"][0]["nodes"], json.loads(direct)["answers"][0]["nodes"])

    # ---------------------------------------------------------------- compare

    def test_an_old_arrangement_is_held_and_what_moved_is_listed(self):
        page = self.page
        page.click("Keep for comparison")
        page.wait_for_text("#fl-moved summary", "Nothing moved")
        self.assertIn("No node is elsewhere or of another size than at 700x800.", page.text("#fl-moved"))
        before = boxes_of(page)
        page.run("await api.resize(760, 800)")
        page.wait_for_text("#fl-moved summary", "elsewhere")
        after = boxes_of(page)
        moved = [path for path in after if any(after[path][side] != before[path][side] for side in ("x", "y", "width", "height"))]
        self.assertEqual(page.text("#fl-moved summary"), f"{len(moved)} nodes are elsewhere")
        self.assertIn("bar668 × 48 at 16, 16728 × 48 at 16, 16", page.texts("#fl-moved tbody tr"))
        page.click("Stop comparing with 700x800")
        page.wait_for_text("#fl-moved summary", "What moved")

    def test_what_is_tried_is_compared_with_the_file(self):
        page = self.page
        page.run("await api.apply('set bed_moss.height=44')")
        page.unfold("#fl-moved")
        page.wait_for_text("#fl-moved summary", "2 nodes are elsewhere")
        self.assertEqual(page.texts("#fl-moved tbody th"), ["bed_moss", "bed_sage"])
        page.run("await api.apply('set bed_moss.height=40')")
        page.wait_for_text("#fl-moved", "No node is elsewhere or of another size than in the file, at this size.")

    # ---------------------------------------------------------------- by keys alone

    def test_everything_is_reached_by_tab(self):
        page = self.page
        page.wait_for_text("#fl-claims summary", "hold")
        page.run("document.body.focus()")
        reached = set()
        for _ in range(120):
            page.hands().send_keys(Keys.TAB).perform()
            reached.add(page.driver.execute_script("const e = document.activeElement; return e.id || e.dataset.key || e.className || e.getAttribute('role') || e.tagName"))
        for wanted in ("fl-width", "fl-height", "fl-content", "mode closed", "locale", "longer", "direction", "fl-hold", "fl-right",
                       "fl-lower", "breakpoint", "named-size", "fl-cursor", "fl-quantity", "treeitem", "claim"):
            self.assertIn(wanted, reached)


def middle(element):
    return element.rect["x"] + element.rect["width"] / 2


class EveryWidth(unittest.TestCase):
    def test_fits_from_360_to_2560_light_and_dark_and_everything_has_a_name(self):
        for width, dark in ((360, False), (360, True), (1280, False), (2560, True)):
            page = Browser(width, 900, dark)
            try:
                page.report(CONSOLE, "--at", "phone", "--set", "sensors.gap=20")
                page.run("await api.select(a[0]); for (const one of document.querySelectorAll('details')) one.open = true", BEDS)
                page.wait_for_text("#fl-claims summary", "fail")
                page.wait("settings", lambda page=page: page.all("#fl-node .settings"))
                wide = page.run("return document.documentElement.scrollWidth")
                self.assertLessEqual(wide, width)
                self.assertEqual(nameless(page), [])
                self.assertGreaterEqual(contrast(page), 4.5)
                self.assertEqual(page.messages(), [])
            finally:
                page.close()


def nameless(page):
    """What a screen reader could not name."""
    wanted = {"button", "textbox", "checkbox", "combobox", "slider", "treeitem", "tree", "img", "group", "link", "DisclosureTriangle"}
    page.command("Accessibility.enable")
    nodes = page.command("Accessibility.getFullAXTree")["nodes"]
    return [node["role"]["value"] for node in nodes
            if not node["ignored"] and node.get("role", {}).get("value") in wanted and not node.get("name", {}).get("value", "").strip()
            and node["role"]["value"] != "group"]


def contrast(page):
    """The least contrast of any text with what is behind it (WCAG 2, relative luminance)."""
    return page.run("""
      const parts = (color) => (color.match(/[\\d.]+/g) ?? []).map(Number);
      const luminance = ([r, g, b]) => [r, g, b].map((v) => (v /= 255) <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)
        .reduce((sum, v, i) => sum + v * [0.2126, 0.7152, 0.0722][i], 0);
      const behind = (element) => {
        for (let one = element; one; one = one.parentElement) {
          const color = parts(getComputedStyle(one).backgroundColor);
          if (color.length === 3 || color[3] === 1) return color;
        }
        return parts(getComputedStyle(document.body).backgroundColor);
      };
      let least = 21;
      for (const element of document.querySelectorAll('body *')) {
        if (![...element.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim()) || !element.checkVisibility()) continue;
        if (element.closest('svg, script, button:disabled')) continue;
        const [a, b] = [luminance(parts(getComputedStyle(element).color)), luminance(behind(element))];
        least = Math.min(least, (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05));
      }
      return least""")


if __name__ == "__main__":
    unittest.main()
