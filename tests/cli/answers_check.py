#!/usr/bin/env python3
# SPDX-License-Identifier: MIT
"""Every command with --format json, about one and two sizes and with all its views: what comes is one JSON document that
its schema allows, with as many answers as were asked for. Called with the folder of the project and the program."""

import json
import pathlib
import subprocess
import sys
import warnings

warnings.simplefilter("ignore", DeprecationWarning)
import jsonschema  # noqa: E402

ROOT, PROGRAM = pathlib.Path(sys.argv[1]), sys.argv[2]
SCHEMAS = ROOT / "share/fond_ladder/answers"
store = {path.name: json.loads(path.read_text()) for path in SCHEMAS.glob("*.schema.json")}
resolver = jsonschema.RefResolver(base_uri="", referrer={}, store=store)
validators = {}
for name, schema in store.items():
    jsonschema.Draft202012Validator.check_schema(schema)
    validators[name.split(".")[0]] = jsonschema.Draft202012Validator(schema, resolver=resolver)

CONSOLE, TIMETABLE, ZONES = (f"examples/{name}.scene.json" for name in ("console", "timetable", "zones"))
SCROLLING = ('{"format":2,"root":{"kind":"column","name":"page","scroll":"y","children":[{"kind":"row","name":"bar","children":['
             '{"kind":"text","name":"line","text":"many \\" words","one_line":true}]},{"kind":"box","name":"a","height":900}]}}')
TWO = ["--at", "400x300", "--at", "900x700"]
CALLS = [  # the words of a call, and how many answers it has
    (["measure", CONSOLE, "--at", "phone"], 1), (["measure", CONSOLE, *TWO], 2), (["measure", TIMETABLE, *TWO], 2),
    (["measure", "-", "--at", "20x40"], 1), (["measure", CONSOLE, "--snap", "2", *TWO], 2),
    (["measure", CONSOLE, "--hit", "3,3", "--hit", "900,9", *TWO], 2), (["measure", CONSOLE, "--orders", *TWO], 2),
    (["measure", TIMETABLE, "--tree", "--at", "1280"], 1), (["measure", CONSOLE, "--settings", "beds", *TWO], 2),
    (["measure", CONSOLE], 3), (["fonts"], 1), (["fonts", "nowhere"], 1),
    (["sweep", CONSOLE], 1), (["sweep", CONSOLE, "--show", "notes.width,cards/*.height", "--sizes", "400,900"], 1),
    (["sweep", CONSOLE, "--height", "300..500", "--width", "900"], 1),
    (["sweep", CONSOLE, "--vary", "beds.width=10em..20em", *TWO], 2),
    (["measure", CONSOLE, "--vary", "beds.width=200,240,300", "--at", "900"], 3),
    (["explain", CONSOLE, "body", *TWO], 2), (["explain", TIMETABLE, "timetable", "--at", "1280"], 1),
    (["explain", CONSOLE, "title", "--at", "desk"], 1), (["explain", ZONES, "zones"], 2),
    (["check", CONSOLE], 1), (["check", CONSOLE, "--set", "beds.width=300", "--claim", "notes.width = 3"], 1),
    (["check", CONSOLE, "--locale", "all", "--suggest"], 1),
    (["check", CONSOLE, "--height", "240..900"], 1), (["map", CONSOLE, "--height", "240..900"], 1),
    (["compare", CONSOLE, "--set", "beds.width=300"], 1), (["compare", CONSOLE, CONSOLE, *TWO], 1),
    (["compare", CONSOLE, TIMETABLE, "--at", "1280xcontent"], 1),
    (["lint", CONSOLE, "--set", "alarm.height=20"], 1), (["lint", CONSOLE, "--mode", "all"], 1),
]
failed = 0
for words, count in CALLS:
    call = subprocess.run([PROGRAM, *words, "--format", "json"], cwd=ROOT, input=SCROLLING, text=True, capture_output=True)
    faults = [] if call.returncode < 2 else [call.stderr]
    try:
        answer = json.loads(call.stdout)
        faults += [f"{error.json_path}: {error.message[:300]}" for error in validators[words[0]].iter_errors(answer)]
        if len(answer["answers"]) != count:
            faults.append(f"{len(answer['answers'])} answers, not {count}")
    except (json.JSONDecodeError, KeyError) as error:
        faults.append(f"no JSON: {error}")
    for fault in faults:
        failed += 1
        print("failed:", " ".join(words), "\n  ", fault)
for name, validator in validators.items():  # a check that cannot fail is none
    if name != "common" and validator.is_valid({"fond_ladder": 1, "command": name, "answers": [{"title": "a"}]}):
        failed += 1
        print("failed: the schema of", name, "allows anything")
print(f"answers: {len(CALLS)} calls, {failed} failed")
sys.exit(1 if failed else 0)
