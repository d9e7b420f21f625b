# SPDX-License-Identifier: MIT
"""Follows docs/tutorial.md in an empty folder: writes its files, makes its edits, runs its commands and compares what
they print. With FOND_LADDER_GOLDEN=1 the page gets what they print instead.

    tutorial_check.py PROGRAM"""

import os
import pathlib
import re
import shlex
import subprocess
import sys
import tempfile

PAGE = pathlib.Path(__file__).resolve().parents[2] / "docs/tutorial.md"
BLOCK = re.compile(r"^```(\w+)(?: (\S+))?\n(.*?)^```$", re.M | re.S)


class Follower:
    def __init__(self, program, folder):
        self.program, self.folder = program, pathlib.Path(folder)
        self.wrong, self.files, self.edits, self.runs = [], 0, 0, 0

    def block(self, match):
        kind, name, text = match.groups()
        if kind == "console":
            return f"```console\n{self.run(text)}```"
        if kind == "json" and name:
            (self.folder / name).write_text(text)
            self.files += 1
        elif kind == "diff" and name:
            self.edit(self.folder / name, text)
        else:
            self.wrong.append(f"a block of {kind} has no file name, so nobody can follow it:\n{text}")
        return match.group(0)

    def edit(self, path, text):
        """Lines with - become those with +, at the one place where they are."""
        lines = text.splitlines(keepends=True)
        before, after = ("".join(line[1:] for line in lines if line[0] == sign) for sign in "-+")
        whole = path.read_text()
        if whole.count(before) != 1 or {line[0] for line in lines} != {"-", "+"}:
            self.wrong.append(f"an edit must name lines that are there once:\n{text}")
        path.write_text(whole.replace(before, after))
        self.edits += 1

    def run(self, text):
        prompt, _, expected = text.partition("\n")
        words = shlex.split(prompt.removeprefix("$ fond-ladder "))
        done = subprocess.run([self.program, *words], cwd=self.folder, capture_output=True, text=True, timeout=600)
        if done.returncode > 1 or done.stderr:
            self.wrong.append(f"{prompt}\n{done.stderr}")
        if done.stdout != expected:
            self.wrong.append(f"{prompt}\nprints\n{done.stdout}\nand the page says\n{expected}")
        self.runs += 1
        return f"{prompt}\n{done.stdout}"


def main(program):
    page = PAGE.read_text()
    with tempfile.TemporaryDirectory() as folder:
        follower = Follower(str(pathlib.Path(program).resolve()), folder)
        followed = BLOCK.sub(follower.block, page)
    if os.environ.get("FOND_LADDER_GOLDEN"):
        PAGE.write_text(followed)
        return 0
    if follower.files < 1 or follower.edits < 5 or follower.runs < 9:
        follower.wrong.append("the tutorial has lost its steps")
    print("\n".join(follower.wrong) or f"{follower.files} file, {follower.edits} edits, {follower.runs} commands")
    return bool(follower.wrong)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1]))
