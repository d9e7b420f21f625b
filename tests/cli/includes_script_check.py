# SPDX-License-Identifier: MIT
"""scripts/check_includes in a small house where one include is wrong: it names the place, and fails.

  includes_script_check.py ROOT"""
import pathlib
import shutil
import subprocess
import sys
import tempfile
import unittest

ROOT = pathlib.Path(sys.argv[1]).resolve()
HOUSE = {
    "include/fond_ladder/length.hpp": "",
    "include/fond_ladder/solver.hpp": "fond_ladder/length.hpp",
    "src/model/blocks.hpp": "fond_ladder/length.hpp",
    "src/solve/numbers/number.hpp": "model/blocks.hpp",
    "src/solve/sharing/share.hpp": "solve/numbers/number.hpp",
    "src/solve/sharing/tracks.hpp": "",
    "src/solve/sharing/tracks.cpp": "solve/sharing/tracks.hpp",
}
WRONG = {  # file: what it includes as well, and what is said of that
    "src/model/blocks.hpp": ("solve/numbers/number.hpp", "src/model/blocks.hpp:2: model may not use solve"),
    "src/solve/numbers/number.hpp": ("solve/sharing/share.hpp", "the room numbers may not use solve/sharing/share.hpp"),
    "src/solve/sharing/tracks.cpp": ("solve/sharing/share.hpp", "modules in a ring: solve/sharing/share uses solve/sharing/tracks uses solve/sharing/share"),
    "include/fond_ladder/length.hpp": ("model/blocks.hpp", "a public header includes an internal one (model/blocks.hpp)"),
    "src/solve/sharing/tracks.hpp": ("nlohmann/json.hpp", "nlohmann/json.hpp does not belong here"),
}


class IncludesScript(unittest.TestCase):
    def check(self, file="", wrong=""):
        with tempfile.TemporaryDirectory() as kept:
            root = pathlib.Path(kept)
            (root / "scripts").mkdir()
            shutil.copy(ROOT / "scripts/check_includes", root / "scripts")
            for path, target in HOUSE.items():
                targets = [target, *([wrong] if path == file else [])]
                if wrong == "solve/sharing/share.hpp" and path == "src/solve/sharing/share.hpp":
                    targets.append("solve/sharing/tracks.hpp")
                (root / path).parent.mkdir(parents=True, exist_ok=True)
                (root / path).write_text("".join(f'#include "{one}"\n' if one else "\n" for one in targets))
            return subprocess.run([root / "scripts/check_includes"], capture_output=True, text=True, check=False)

    def test_a_wrong_include_is_named(self):
        self.assertEqual(self.check().returncode, 0, self.check().stdout)
        for file, (target, said) in WRONG.items():
            done = self.check(file, target)
            with self.subTest(file=file, target=target):
                self.assertEqual(done.returncode, 1)
                self.assertIn(said, done.stdout)


unittest.main(argv=sys.argv[:1])
