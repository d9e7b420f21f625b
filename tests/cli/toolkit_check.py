# SPDX-License-Identifier: MIT
"""The window of examples/toolkit, on a screen that nobody sees, driven as a hand would; what it says then."""

import os
import pathlib
import struct
import subprocess
import sys
import tempfile
import time
import unittest

PROGRAM = sys.argv.pop()
PATIENCE = 20  # seconds


class Toolkit(unittest.TestCase):
    def setUp(self):
        read, write = os.pipe()
        self.screen = subprocess.Popen(["Xvfb", "-displayfd", str(write), "-screen", "0", "1280x800x24", "-nolisten", "tcp"],
                                       pass_fds=[write], stderr=subprocess.DEVNULL)
        os.close(write)
        with os.fdopen(read) as told:
            display = ":" + told.readline().strip()
        self.environment = {**os.environ, "DISPLAY": display, "SDL_VIDEODRIVER": "x11"}
        self.files = tempfile.TemporaryDirectory()
        self.picture = pathlib.Path(self.files.name) / "window.png"
        self.said_in = pathlib.Path(self.files.name) / "said"
        self.window = subprocess.Popen([PROGRAM, self.picture], env=self.environment, stdout=self.said_in.open("w"))
        self.wait_for("ready")
        self.number = self.hand("search", "--sync", "--name", "Potting bench").split()[0]

    def tearDown(self):
        self.window.kill()
        self.window.wait()
        self.screen.terminate()
        self.screen.wait()
        self.files.cleanup()

    def said(self):
        return self.said_in.read_text().splitlines()

    def wait_for(self, line):
        end = time.monotonic() + PATIENCE
        while line not in self.said():
            self.assertLess(time.monotonic(), end, f"waited in vain for {line!r}; it said {self.said()}")
            self.assertIsNone(self.window.poll(), "the window is gone")
            time.sleep(0.02)

    def hand(self, *words):
        return subprocess.run(["xdotool", *map(str, words)], env=self.environment, check=True, capture_output=True, text=True,
                              timeout=PATIENCE).stdout

    def go(self, x, y):
        self.hand("mousemove", "--sync", "--window", self.number, x, y)

    def press_key(self, key):
        self.hand("key", "--window", self.number, key)

    def test_everything_that_a_hand_can_do(self):
        self.assertEqual(self.said(), ["added bed1", "added bed2", "added bed3", "ready"])
        self.go(600, 28)
        self.wait_for("over add")
        self.hand("click", 1)
        self.wait_for("added bed4")
        # Out with a bed: by the button at its end.
        self.go(530, 82)
        self.wait_for("over bed1/out")
        self.hand("click", 1)
        self.wait_for("took out bed1")
        self.assertIsNone(self.window.poll())
        # A tag is carried to the shelf, and let go between nobody; another one before it, by one on the way.
        self.carry((620, 77), (660, 180))
        self.wait_for("moved fern to shelf at 0")
        self.carry((620, 77), (600, 180))
        self.wait_for("moved moss to shelf at 0")
        # Where nothing takes it, it stays.
        self.carry((620, 77), (300, 300))
        # Keys: more beds than there is room for, so that the list scrolls, as far as it goes.
        for bed in range(5, 16):
            self.press_key("a")
            self.wait_for(f"added bed{bed}")
        self.go(200, 300)
        self.hand("click", 5)
        self.wait_for("scrolled beds to 24")
        for _ in range(20):
            self.hand("click", 5)
        self.press_key("f")
        self.wait_for("folded")
        self.press_key("m")
        self.wait_for("right to left")
        self.go(360, 77)  # mirrored, the first bed's button is at the other end, and another one has scrolled here
        self.press_key("q")
        self.window.wait(PATIENCE)
        self.assertEqual(self.window.returncode, 0)
        said = self.said()
        self.assertFalse([line for line in said if line.startswith("moved sage")])
        scrolled = [int(line.split()[-1]) for line in said if line.startswith("scrolled")]
        self.assertEqual(scrolled, sorted(scrolled))
        self.assertEqual(scrolled[-1], scrolled[-2])  # the end
        head = self.picture.read_bytes()[:24]
        self.assertEqual(struct.unpack(">II", head[16:24]), (900, 560))

    def carry(self, start, end):
        self.go(*start)
        self.hand("mousedown", 1)
        self.go(start[0] + 8, start[1] + 8)
        self.go(*end)
        self.hand("mouseup", 1)


unittest.main()
