# SPDX-License-Identifier: MIT
"""Scenes that are built by hand."""

import os
import unittest

from hand import CONSOLE, HandTest


class Build(HandTest):
    def test_whatever_hands_do_can_be_taken_back(self):
        """Many actions at random, by handles and by keys, then as many undos as changes: the scene is the first one."""
        page = self.page
        sequences = int(os.environ.get("FOND_LADDER_HAND_SEQUENCES", "12"))
        script = """
          const first = await api.sceneText();
          let random = 7 + 1000 * a[1], made = 0;
          const dice = (n) => { random = (random * 1103515245 + 12345) % 2147483648; return Math.floor(random / 65536) % n; };
          const press = (element, key, alt) => element.dispatchEvent(new KeyboardEvent('keydown', { key, altKey: alt, bubbles: true, cancelable: true }));
          const rest = () => new Promise((done) => setTimeout(done, 8));
          for (let sequence = 0; sequence < a[0]; ++sequence) {
            for (let action = 0; action < 30; ++action) {
              const lines = [...document.querySelectorAll('#fl-tree [role=treeitem]')];
              const line = lines[dice(lines.length)];
              await api.select(line.dataset.path);
              const handles = [...document.querySelectorAll('#fl-handles [role=slider]')];
              const arrow = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'][dice(4)];
              if (dice(3) > 0 && handles.length > 0) press(handles[dice(handles.length)], arrow, false);
              else if (dice(12) === 0 && lines.length > 12) press(line, 'Delete', false);
              else press(line, arrow, true);
              await rest();
            }
            const changes = (await api.changes()).length;
            made += changes;
            for (let i = 0; i < changes; ++i) await api.undo();
            if ((await api.changes()).length !== 0) return [sequence, 'changes are left'];
            if ((await api.sceneText()) !== first) return [sequence, 'another scene'];
          }
          return ['well', made];"""
        at_once = 12  # a script has to come to an end
        for begun in range(0, sequences, at_once):
            count = min(at_once, sequences - begun)
            done = page.run(script, count, begun)
            self.assertEqual(done[0], "well", (begun, done))
            self.assertGreater(done[1], 8 * count)


if __name__ == "__main__":
    unittest.main()
