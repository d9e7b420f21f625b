#!/usr/bin/env python3
# SPDX-License-Identifier: MIT
"""How time and memory of the program grow with what it is given: one family of scenes a line, n doubled until it takes
long enough to be told from noise, and the exponents of the last doublings: 1 is in proportion, 2 is its square.

  bench/growth.py [--program FILE] [--only PART OF A NAME] [--most SECONDS] [--hold]

With --hold instructions are counted (by callgrind) instead of seconds, once at n and once at 2 n: the same on every
machine. It fails where they grow by more than they may, which is how a test runs it."""
import argparse
import json
import math
import os
import re
import subprocess
import sys
import tempfile


def scene(root, **more):
    return {"format": 2, "ladder": {"width": [300, 320]}, "root": root, **more}


def box(name, **more):
    return {"kind": "box", "name": name, "width": 10, "height": 10, **more}


def kind(kind, name, children, **more):
    return {"kind": kind, "name": name, "children": children, **more}


def boxes(n, **more):
    return [box(f"b{i}", **more) for i in range(n)]


def nested(heads):
    """A scene as text of nodes in nodes, the outermost first: their own JSON without the closing brace."""
    inner = json.dumps(box("leaf"))
    for head in reversed(heads):
        inner = head + ', "children": [' + inner + "]}"
    return '{"format": 2, "ladder": {"width": [300, 320]}, "root": ' + inner + "}"


def square(n):
    side = max(1, math.isqrt(n))
    return kind("column", "r", [kind("row", f"row{i}", boxes(side)) for i in range(side)])


def chain_of_parts(n):
    parts = {"p0": box("leaf")}
    for i in range(1, n):
        parts[f"p{i}"] = {"kind": "row", "children": [{"part": f"p{i - 1}"}]}
    return scene({"kind": "row", "children": [{"part": f"p{n - 1}"}]}, parts=parts)


def unknown_likes(n):
    return scene(kind("row", "r", [{"kind": "box", "like": f"lik{i}"} for i in range(n)]),
                 shared={f"style{i}": {"width": i} for i in range(n)})


def texts(n):
    return [{"kind": "text", "name": f"t{i}", "text": f"Bed {i}, sown in March"} for i in range(n)]


def ranges(n):
    return [{"name": f"from{i}", "from_width": 300 + i} for i in range(n)]


def unknown_keys(n):
    return nested(['{"kind": "row", "widht": 3'] * n)


def mistakes(n):
    return scene(kind("row", "r", [{"kind": "box", "name": f"b{i}", "widht": 3} for i in range(n)]))


def with_paths(n):
    part = {"kind": "row", "children": [kind("column", "inner", [box("dial")])]}
    uses = [{"part": "card", "name": f"c{i}", "with": {"inner/dial": {"width": i}}} for i in range(n)]
    return scene(kind("row", "r", uses), parts={"card": part})


MEASURE, LINT = ["measure", "--at", "310"], ["lint"]


def wide(n):
    return scene(kind("row", "r", boxes(n)))


def deep(n):
    return nested([f'{{"kind": "{"row" if i % 2 else "column"}", "name": "l{i}"' for i in range(n)])


def wrapped(n):
    return scene(kind("row", "r", boxes(n), wrap=True))


def stacked(n):
    return scene(kind("stack", "r", boxes(n)))


def grid(n, **more):
    return scene(kind("grid", "r", boxes(n, **more), columns=4))


def spanning(n):
    return scene(kind("grid", "r", boxes(n, span=[n, 1]), columns=n))


# name: what is made of n, the command, and the first n
FAMILIES = {
    "measure, row of n": (wide, MEASURE, 1000),
    "measure, n levels": (deep, MEASURE, 1000),
    "measure, square of n": (lambda n: scene(square(n)), MEASURE, 2000),
    "measure, wrapped row of n": (wrapped, MEASURE, 1000),
    "measure, grid of n": (grid, MEASURE, 1000),
    "measure, n that span n columns": (spanning, MEASURE, 200),
    "measure, n copies": (lambda n: scene(kind("row", "r", [box("b", copies=n)])), MEASURE, 1000),
    "measure, chain of n parts": (chain_of_parts, MEASURE, 100),
    "measure, n uses of a part with paths": (with_paths, MEASURE, 500),
    "measure, n ranges": (lambda n: scene(kind("row", "r", boxes(20)), ranges=ranges(n)), MEASURE, 100),
    "measure, locale of n texts": (
        lambda n: scene(kind("column", "r", texts(n)), locales={"long": {"texts": {f"t{i}": "Shade" for i in range(n)}}}),
        MEASURE + ["--locale", "long"], 500),
    "measure as JSON, n levels": (deep, MEASURE + ["--format", "json"], 200),
    "mistakes, an unknown key on each of n": (mistakes, MEASURE, 1000),
    "mistakes, an unknown key on each of n levels": (unknown_keys, MEASURE, 500),
    "mistakes, n unknown likes with n shared names": (unknown_likes, MEASURE, 500),
    "ledger, row of n": (wide, ["explain", "r", "--at", "310"], 1000),
    "ledger, n levels": (deep, ["explain", "leaf", "--at", "310"], 1000),
    "ledger, grid of n": (grid, ["explain", "r", "--at", "310"], 500),
    "sweep r/*.width, row of n": (wide, ["sweep", "--show", "r/*.width"], 200),
    "sweep r/*.line, wrapped row of n": (wrapped, ["sweep", "--show", "r/*.line"], 100),
    "check reachable(*), n levels": (deep, ["check", "--claim", "reachable(*)"], 200),
    "check reachable(*), row of n": (wide, ["check", "--claim", "reachable(*)"], 500),
    "check apart(r/*), row of n": (wide, ["check", "--claim", "apart(r/*)"], 200),
    "check r/*.width = r/*.width, row of n": (wide, ["check", "--claim", "r/*.width = r/*.height"], 200),
    "check, n claims on n nodes": (
        lambda n: scene(kind("row", "r", boxes(n)), claims=[f"b{i}.width <= 10" for i in range(n)]), ["check"], 200),
    "check, n ranges": (
        lambda n: scene(kind("row", "r", boxes(20)), ranges=ranges(n), claims=["b0.width <= 10"]), ["check"], 100),
    "check, two heights of a row of n": (
        lambda n: scene(kind("row", "r", boxes(n)), ladder={"width": [300, 320], "height": [100, 120]},
                        claims=["r/*.width <= 10"]), ["check"], 200),
    "check at every height of a row of n": (
        lambda n: scene(kind("row", "r", boxes(n)), ladder={"width": [300, 320], "height": [100, 120]},
                        claims=["r/*.width <= 10"]), ["check", "--height", "all"], 200),
    "check, a mode that speaks of n": (
        lambda n: scene(kind("row", "r", [box(f"b{i}", when={"late": {"width": 9}}) for i in range(n)]),
                        modes=["late"], claims=["r/*.width <= 10"]), ["check", "--mode", "all"], 200),
    "check, all locales of n texts": (
        lambda n: scene(kind("column", "r", texts(n)), claims=["r/*.height > 0"],
                        locales={"long": {"texts": {f"t{i}": "Shade" for i in range(n)}}}),
        ["check", "--locale", "all"], 200),
    "suggest, n levels": (deep, ["check", "--suggest"], 100),
    "suggest, row of n": (wide, ["check", "--suggest"], 100),
    "lint, row of n": (wide, LINT, 200),
    "lint, n levels": (deep, LINT, 200),
    "lint, square of n": (lambda n: scene(square(n)), LINT, 400),
    "lint, stack of n": (stacked, LINT, 200),
    "lint, wrapped row of n": (wrapped, LINT, 200),
    "lint, n in one cell of a grid": (lambda n: grid(n, cell=[0, 0]), LINT, 200),
    "lint, row of n, most of them outside": (lambda n: scene(kind("row", "r", boxes(n, shrink=0))), LINT, 500),
    "lint, n pinned outside": (lambda n: scene(kind("stack", "r", boxes(n, pin={"left": 500}))), LINT, 500),
    "lint, n tied outside": (
        lambda n: scene(kind("stack", "r", [box("a"), *boxes(n, pin={"left": "a.right + 500", "top": "a.top"})])), LINT, 500),
    "lint, n levels nudged outside": (
        lambda n: nested([f'{{"kind": "column", "name": "l{i}", "nudge": [{400 if i == n // 2 else 0}, 0]' for i in range(n)]), LINT, 200),
    "lint, one in cell 3, n": (lambda n: scene(kind("grid", "r", [box("b", cell=[3, n])], columns=4)), LINT, 1000),
    "compare, row of n": (wide, ["compare", "--set", "r.gap=3"], 200),
    "compare, n levels": (deep, ["compare", "--set", "leaf.width=3"], 200),
    "map, row of n": (wide, ["map", "--claim", "r/*.width <= 10", "--width", "300..320", "--height", "100..120"], 100),
    "tidy, row of n": (wide, ["tidy"], 1000),
    "tidy, n levels": (deep, ["tidy"], 1000),
    "draw, row of n": (wide, ["draw", "-o", "/dev/null", "--as", "svg", "--at", "310"], 500),
}
# What may grow by more than an exponent of 1.2, and why.
LARGER = {
    "measure as JSON, n levels": 2.0,  # every node says its whole path
    "compare, n levels": 2.0,  # what differs is told by whole paths
    "suggest, row of n": 1.9,  # pairs, up to as many as are tried
    "lint, n in one cell of a grid": 2.0,  # all lie over one another: pairs, up to as many as are looked at
}


class Program:
    def __init__(self, program, counts):
        self.program, self.counts = program, counts
        self.folder = tempfile.TemporaryDirectory()

    def cost(self, made, command):
        """Seconds of all cores (the shorter of two), or instructions; and MB."""
        path = os.path.join(self.folder.name, "scene.json")
        with open(path, "w", encoding="utf-8") as file:
            file.write(made if isinstance(made, str) else json.dumps(made))
        words = [self.program, command[0], path, *command[1:]]
        if self.counts:
            out = os.path.join(self.folder.name, "count")
            words = ["valgrind", "--tool=callgrind", f"--callgrind-out-file={out}", *words]
            done = subprocess.run(words, stdout=subprocess.DEVNULL, stderr=subprocess.PIPE, check=False)
            return float(re.search(rb"Collected : (\d+)", done.stderr)[1]), 0
        best, most = math.inf, 0
        for _ in range(2):
            child = subprocess.Popen(words, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
            _, status, used = os.wait4(child.pid, 0)
            child.returncode = os.waitstatus_to_exitcode(status)
            if child.returncode not in (0, 1, 2):
                raise SystemExit(f"growth: {' '.join(words)} ended with {child.returncode}")
            best, most = min(best, used.ru_utime + used.ru_stime), max(most, used.ru_maxrss / 1024)
            if best > 1:
                break
        return best, most


def exponent(before, after, nothing):
    return math.log2(max(after - nothing, 1e-9) / max(before - nothing, 1e-9))


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("--program", default="build/release/src/fond-ladder")
    parser.add_argument("--only", default="")
    parser.add_argument("--most", type=float, default=1.0, help="seconds after which n is doubled no more")
    parser.add_argument("--hold", action="store_true", help="counts, and fails where something grows faster than it may")
    asked = parser.parse_args()
    program = Program(asked.program, asked.hold)
    nothing, _ = program.cost(wide(1), MEASURE)
    families = {name: family for name, family in FAMILIES.items() if asked.only in name}
    if asked.hold:
        sys.exit(hold(program, families, nothing))
    print(f"{'family':45} {'n':>7} {'seconds':>8} {'MB':>5}  exponents of the last two doublings")
    for name, (make, command, n) in families.items():
        costs = []
        while len(costs) < 3 or (costs[-1][1] < asked.most and n < 200000):
            costs.append((n, *program.cost(make(n), command)))
            n *= 2
            if costs[-1][1] > 6 * asked.most:
                break
        last = costs[-3:]
        grown = "  ".join(f"{exponent(a[1], b[1], nothing):.2f}" for a, b in zip(last, last[1:]))
        print(f"{name:45} {last[-1][0]:7} {last[-1][1]:8.3f} {last[-1][2]:5.0f}  {grown}", flush=True)


def hold(program, families, nothing):
    """The exit status: 1 where a family grows faster than it may."""
    faster = 0
    for name, (make, command, n) in families.items():
        counted = [program.cost(make(many), command)[0] for many in (n, 2 * n)]
        grown, most = exponent(*counted, nothing), LARGER.get(name, 1.2)
        print(f"{name:45} {n:7} {counted[0] / 1e6:8.1f} M  {grown:.2f}{'' if grown <= most else f', more than {most}'}", flush=True)
        faster += grown > most
    return 1 if faster else 0


if __name__ == "__main__":
    main()
