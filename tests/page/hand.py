# SPDX-License-Identifier: MIT
"""A hand over the arrangement: it clicks, pulls handles and carries nodes."""

import json
import pathlib
import shlex
import tempfile

from browser import PageTest, program

CONSOLE = "examples/console.scene.json"
BEDS, CARDS, SENSORS = "console/body/beds", "console/body/work/cards", "console/body/work/sensors"


def boxes_of(page):
    return {box["path"]: box for box in page.run("return api.boxes()")}


class HandTest(PageTest):
    """Tests of one scene, which each of them begins with."""

    scene = CONSOLE  # the file

    def write_scene(self, text):
        """A scene of its own, which is shown."""
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.scene = pathlib.Path(folder.name) / "s.scene.json"
        self.scene.write_text(text)

    def frame(self):
        """Where the container is in the window: left, top, and pixels of the page a pixel of the scene."""
        page = self.page
        ground = page.find("#fl-ground").rect
        right = page.find("#fl-right").rect
        left = ground["x"] + 14
        return left, ground["y"] + 10, (right["x"] + 5 - left) / page.size()["width"]

    def click_at(self, x, y):
        """Clicks on a point of the container."""
        left, top, scale = self.frame()
        canvas = self.page.find("#fl-canvas")
        middle = canvas.rect["x"] + canvas.rect["width"] / 2, canvas.rect["y"] + canvas.rect["height"] / 2
        self.page.hands().move_to_element_with_offset(canvas, int(left + x * scale - middle[0]), int(top + y * scale - middle[1])).click().perform()
        self.page.settle()

    def handle(self, setting):
        """The handle of a setting, once the picture rests."""
        return self.page.wait(f"a handle {setting}", lambda: next(
            (one for one in self.page.all("#fl-handles .handle") if one.get_attribute("aria-label") == setting
             and "away" not in self.page.find("#fl-handles").get_attribute("class")), None))

    def hand(self, setting, x, y, steps=4):
        """A hand that has pulled a handle, and not let go."""
        hands = self.page.hands().click_and_hold(self.handle(setting))
        for step in range(steps):  # whole pixels
            hands.move_by_offset(x * (step + 1) // steps - x * step // steps, y * (step + 1) // steps - y * step // steps)
        hands.perform()

    def let_go(self):
        self.page.hands().release().perform()
        self.page.settle()

    def strokes(self):
        return self.page.run("return document.querySelector('#fl-canvas').toDataURL()")

    def told(self):
        """The scene as it is shown goes through the program and gives the boxes that the page shows."""
        page = self.page
        size = page.size()
        done = json.loads(program("measure", self.scene, "--at", f"{size['width']!r}x{size['height']!r}",
                                  *shlex.split(" ".join(page.run("return api.changes()"))), "--format", "json").stdout)
        measured = {node["path"]: [node[field] for field in ("x", "y", "width", "height")] for node in done["answers"][0]["nodes"]}
        self.assertEqual({path: [box[field] for field in ("x", "y", "width", "height")] for path, box in boxes_of(page).items()}, measured)

    def carry(self, path, x, y):
        """Presses on a node and moves to a point of the container, and does not let go."""
        left, top, scale = self.frame()
        box = boxes_of(self.page)[path]
        canvas = self.page.find("#fl-canvas")
        middle = canvas.rect["x"] + canvas.rect["width"] / 2, canvas.rect["y"] + canvas.rect["height"] / 2
        def offset(px, py):
            return int(left + px * scale - middle[0]), int(top + py * scale - middle[1])
        hands = self.page.hands().move_to_element_with_offset(canvas, *offset(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2))
        hands.click_and_hold().move_by_offset(4, -4)
        hands.move_to_element_with_offset(canvas, *offset(x, y)).perform()
