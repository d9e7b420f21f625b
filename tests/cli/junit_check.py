#!/usr/bin/env python3
# SPDX-License-Identifier: MIT
"""Reads what `check --junit` writes with a reader of such files: one case per claim, failures where claims fail."""

import pathlib
import re
import subprocess
import sys
import tempfile

from junitparser import JUnitXml

console = pathlib.Path(sys.argv[1]) / "examples" / "console.scene.json"
program = sys.argv[2]
odd = 'bar.height < 48 or "&" <'  # no claim: nothing may be written
broken = "bar.height < 48"

with tempfile.TemporaryDirectory() as folder:
    target = pathlib.Path(folder) / "claims.xml"
    refused = subprocess.run([program, "check", console, "--claim", odd, "--junit", target], capture_output=True)
    assert refused.returncode == 2 and not target.exists(), refused.stderr
    run = subprocess.run([program, "check", console, "--claim", broken, "--junit", target], capture_output=True)
    assert run.returncode == 1, run.stderr
    first = target.read_bytes()
    suites = list(JUnitXml.fromfile(str(target)))
    assert len(suites) == 1 and suites[0].name == "North house console", suites
    cases = list(suites[0])
    assert len(cases) == suites[0].tests == 27 and suites[0].failures == 1
    failures = [(case.name, result) for case in cases for result in case.result]
    assert len(failures) == 1 and failures[0][0] == broken, failures
    assert failures[0][1].message.startswith("from 360 to 1440 wide, 800 high"), failures[0][1].message
    assert "see it: fond-ladder explain" in failures[0][1].text, failures[0][1].text
    subprocess.run([program, "check", console, "--claim", broken, "--junit", target], capture_output=True)
    timeless = [re.sub(rb' time="[0-9.]+"', b"", text) for text in (first, target.read_bytes())]
    assert timeless[0] == timeless[1], "the same call writes the same file"
    assert float(suites[0].time) > 0

    wrong = pathlib.Path(folder) / "wrong.json"
    wrong.write_text('{"format": 2, "scne": 1}')
    subprocess.run([program, "check", console, wrong, "--junit", target], capture_output=True)
    suites = list(JUnitXml.fromfile(str(target)))
    assert [(suite.name, suite.tests, suite.failures, suite.errors) for suite in suites] == [
        ("North house console", 26, 0, 0), (str(wrong), 1, 0, 1)], suites
    assert "scne" in list(suites[1])[0].result[0].message

    twin = pathlib.Path(folder) / "twin.scene.json"  # of the same title
    twin.write_text(console.read_text())
    subprocess.run([program, "check", console, twin, "--junit", target], capture_output=True)
    names = [suite.name for suite in JUnitXml.fromfile(str(target))]
    assert names == [f"North house console ({console})", f"North house console ({twin})"], names
print("junit: one suite per scene, 27 cases, 1 failure")
