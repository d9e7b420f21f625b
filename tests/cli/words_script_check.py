# SPDX-License-Identifier: MIT
"""scripts/check_words finds an old name of each sort where it is planted, and only there: words_script_check.py ROOT"""

import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

ROOT = Path(sys.argv.pop(1))

# A file, what stands in it, and what is said of it; nothing where the word is none of ours in that place. A bar in a
# word is left out when it is planted: else this file had old names itself.
PLANTED = [
    ("a.scene.json", '{"format": 2, "root": {"kind": "row", "res|t": "end"}}', 'the key "res|t"'),
    ("answer.schema.json", '{"properties": {"tur|ns": {"type": "array"}}}', 'the key "tur|ns"'),
    ("test.cpp", 'const char* scene = R"({"kind":"text","sla|nted":true})";', 'the key "sla|nted"'),
    ("test.cpp", 'const char* scene = "{\\"wis|hed\\": 3}";', 'the key "wis|hed"'),
    ("page.md", "Run `fond-ladder measure a.scene.json --t|ry a.gap=3`.", "--t|ry is not used any more; write --set"),
    ("page.md", "Run `fond-ladder cli|mb a.scene.json`.", "fond-ladder cli|mb is not"),
    ("run", "fond-ladder led|ger a.scene.json a\n", "fond-ladder led|ger is not"),
    ("a.hpp", "struct Run|g { double width; };", "the identifier Run|g"),
    ("a.hpp", "void cli|mb_along(int axis);", "the identifier cli|mb_along"),
    ("a.hpp", "/// Sizes and run|gs sti|ck out.\n", '"sti|ck out"'),
    ("page.md", "Give it to the tree with `tree.set_type|setter(shaper)`.", "`set_type|setter` is not used"),
    ("page.md", "A claim is `sho|wn(alarm)`.", '"sho|wn(a" is not used'),
    ("a.hpp", "/// What the neigh|bour of a node is.\n", '"neigh|bour" is not used'),
    ("a.js", "const text = 'a nam|ed run|g';", '"nam|ed run|g"'),
    ("a.hpp", "/// The res|t of it, each in turn, aligned to the room's own shows.\nint self_made, restore;\n", ""),
    ("a.json", '{"names": ["res|t", "self"], "arrest": 1}', ""),
    ("b.md", "--tryout, a-try and `try` are none of its options", ""),
]


class Words(unittest.TestCase):
    def said(self, folder):
        run = subprocess.run([sys.executable, ROOT / "scripts/check_words", folder], capture_output=True, text=True)
        return run.returncode, run.stdout

    def test_each_sort_is_found(self):
        for name, text, told in PLANTED:
            with self.subTest(name=name, text=text), tempfile.TemporaryDirectory() as folder:
                Path(folder, name).write_text(text.replace("|", ""), encoding="utf-8")
                status, out = self.said(folder)
                if told:
                    self.assertEqual(status, 1, out)
                    self.assertIn(told.replace("|", ""), out)
                    self.assertIn(f"{name}:1: ", out)
                else:
                    self.assertEqual((status, out), (0, "words: no old name in 1 files\n"))

    def test_the_project_has_none(self):
        self.assertEqual(self.said(ROOT)[0], 0, self.said(ROOT)[1])


unittest.main()
