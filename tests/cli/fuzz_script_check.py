# SPDX-License-Identifier: MIT
"""scripts/fuzz with targets that find something, do not run, or find nothing: it tells each, and fails for the first two.

  fuzz_script_check.py ROOT"""
import pathlib
import shutil
import subprocess
import sys
import tempfile
import unittest

ROOT = pathlib.Path(sys.argv[1]).resolve()
TARGETS = ("claims", "edits", "page", "scenes", "words")
WELL = {"fast": 'echo "fuzz: 3 files and 70 changes of them, nothing found"', "guided": 'echo "Done 70 runs in 1 second(s)"'}


class FuzzScript(unittest.TestCase):
    def run_with(self, lane, odd, minutes="1"):
        """What the script says where the targets are `odd`, and the others are well."""
        with tempfile.TemporaryDirectory() as kept:
            root = pathlib.Path(kept)
            (root / "scripts").mkdir()
            shutil.copy(ROOT / "scripts/fuzz", root / "scripts/fuzz")
            programs = root / "build" / {"fast": "release", "guided": "guided"}[lane] / "fuzz"
            programs.mkdir(parents=True)
            for file, text in [(root / "scripts/build", ":"), *((programs / f"fuzz_{one}", odd.get(one, WELL[lane])) for one in TARGETS)]:
                file.write_text("#!/bin/sh\n" + text + "\n")
                file.chmod(0o755)
            words = [minutes] if minutes == "replay" else [minutes, lane]
            return subprocess.run([root / "scripts/fuzz", *words], capture_output=True, text=True, check=False)

    def test_what_is_found_fails_and_is_told(self):
        for lane in WELL:
            for how, odd in {"found": "echo broken here; exit 1", "did not run": "echo no such folder", "ended": "kill -9 $$"}.items():
                done = self.run_with(lane, {"page": odd})
                with self.subTest(lane=lane, how=how, err=done.stderr):
                    self.assertEqual(done.returncode, 1)
                    self.assertIn(f"fuzz: {lane} page found something, or did not run", done.stderr)
                    self.assertEqual(done.stdout.count("nothing found"), 4)

    def test_nothing_found_is_well(self):
        for lane in WELL:
            done = self.run_with(lane, {})
            self.assertEqual((done.returncode, done.stdout.count("nothing found")), (0, 5), done.stderr)

    def test_replay_makes_no_new_runs(self):
        """Each target gets -runs=0: one that is given another number has nothing to say, and fails."""
        kept = 'case "$*" in *-runs=0*) echo "Done 7 runs in 0 second(s)";; esac'
        done = self.run_with("guided", dict.fromkeys(TARGETS, kept), "replay")
        self.assertEqual((done.returncode, done.stdout.count("Done 7 runs, nothing found")), (0, 5), done.stderr)
        self.assertEqual(self.run_with("guided", dict.fromkeys(TARGETS, kept)).returncode, 1)


unittest.main(argv=sys.argv[:1])
