#!/usr/bin/env python3
# SPDX-License-Identifier: MIT
"""Holds the JSON Schema against a real validator: every example must pass, and what the program refuses for its form the
schema must refuse as well. Called with the folder of the project and the program."""

import json
import pathlib
import subprocess
import sys

import jsonschema

ROOT, PROGRAM = pathlib.Path(sys.argv[1]), sys.argv[2]
schema = json.loads((ROOT / "share/fond_ladder/scene.schema.json").read_text())
jsonschema.Draft202012Validator.check_schema(schema)
validator = jsonschema.Draft202012Validator(schema)

NODES = [
    ('{"kind":"row"}', True),
    ('{"kind":"row","gapp":1}', False),
    ('{"kind":"row","width":"3px"}', False),
    ('{"kind":"row","width":"2.5em","gap":{"x":"5%","y":-2},"margin":{"left":"auto","y":3}}', True),
    ('{"kind":"row","width":-1}', False),
    ('{"kind":"row","padding":"-1em"}', False),
    ('{"kind":"row","width":2e9}', False),
    ('{"kind":"row","basis":"fill"}', False),
    ('{"kind":"row","aspect_ratio":0}', False),
    ('{"kind":"row","along":"cnter"}', False),
    ('{"kind":"rwo"}', False),
    ('{"kind":"grid","columns":[100,"2fr","min-content",{"min":"40%","max":"1fr"},'
     '{"repeat":"fitting","tracks":["10em"],"empty":"drop"}],"rows":3,"place_items":{"y":"baseline"}}', True),
    ('{"kind":"grid","columns":0}', False),
    ('{"kind":"grid","columns":["1fx"]}', False),
    ('{"kind":"grid","rows":[{"repeat":2}]}', False),
    ('{"kind":"box","cell":[0,10000]}', False),
    ('{"kind":"box","span":["all",2],"order":"last","place_self":{"x":"end"},"scroll":"both"}', True),
    ('{"kind":"box","span":[0,1]}', False),
    ('{"kind":"row","padding":{"left":"auto"}}', False),
    ('{"kind":"row","border":"5%"}', False),
    ('{"kind":"row","name":"9x"}', False),
    ('{"kind":"text","text":"a","font_size":0}', False),
    ('{"kind":"text","text":"a","max_lines":0}', False),
    ('{"kind":"row","pin":{"left":"x"}}', False),
    ('{"kind":"row","children":{}}', False),
    ('{"kind":"row","each_child":{"name":"a"},"children":[]}', False),
    ('{"kind":"row","when":{"dim":{"kind":"column","width":null}}}', True),
    ('{"kind":"row","when":{"dim":{"gapp":1}}}', False),
    ('{"kind":"row","children":[{"kind":"box","name":"tag","copies":3,"like":"s"}]}', True),
    ('{"kind":"row","children":[{"kind":"box","copies":1000000001}]}', False),
    ('{"kind":"row","children":[{"kind":"box","copies":[{},{"width":"4ch","when":{"dim":{"width":3}}}]}]}', True),
    ('{"kind":"row","children":[{"kind":"row","copies":[{"in.text":"a","in":{"width":3}}],"children":[{"kind":"text","name":"in"}]}]}', True),
    ('{"kind":"row","children":[{"kind":"box","copies":[{"name":"a"}]}]}', False),
    ('{"kind":"row","children":[{"kind":"box","copies":[3]}]}', False),
    ('{"kind":"text","text":"a","text_align":{"y":"end"},"border":"1ch","border_at":"outline"}', True),
    ('{"kind":"text","text":"a","text_align":"stretch"}', False),
    ('{"kind":"text","text":"a","bold":true,"italic":false,"line_height":1.5}', True),
    ('{"kind":"text","text":"a","line_height":0}', False),
    ('{"kind":"row","width":"4cm"}', False),
    ('{"part":"p","with":{"inner.height":3}}', True),
    ('{"part":"p","with":{"width":4,"inner":{"height":3}}}', True),
    ('{"part":"p","with":{"inner":{"heigth":3}}}', False),
    ('{"width":3}', False),
    ('{"kind":"row","children":[{"width":3}]}', False),
    ('{"kind":"row","each_child":{"width":3},"children":[{"width":3}]}', False),
    ('{"kind":"row","each_child":{"kind":"box"},"children":[{"width":3},{"kind":"row","children":[{"kind":"box"}]}]}', True),
    ('{"kind":"row","each_child":{"kind":"box"},"children":[{"kind":"row","children":[{"width":3}]}]}', False),
    ('{"kind":"row","each_child":{"like":"k"},"children":[{"width":3}]}', True),
    ('{"kind":"row","children":[{"like":"k"},{"part":"p"},{"copies":[{"kind":"box"}]}]}', True),
    ('{"like":"k"}', True),
]
HEAD = ('{"format":2,"modes":["dim"],"shared":{"s":{"width":3},"k":{"kind":"box"}},'
        '"parts":{"p":{"kind":"row","children":[{"kind":"box","name":"inner"}]}},"root":')
failed = 0


def expect(what: str, is_so: bool) -> None:
    global failed
    if not is_so:
        failed += 1
        print("failed:", what)


for node, sound in NODES:
    scene = HEAD + node + "}"
    status = subprocess.run([PROGRAM, "measure", "-", "--at", "100"], input=scene, text=True, capture_output=True).returncode
    expect(f"the program on {node}", (status == 0) == sound)
    expect(f"the schema on {node}", validator.is_valid(json.loads(scene)) == sound)

def undescribed(schema: dict, place: str) -> list[str]:
    return [f"{place}{key}" for key, value in schema["properties"].items() if not value.get("description")]


TOP = schema["properties"]
bare = undescribed(schema, "") + undescribed(TOP["ladder"], "ladder.") + undescribed(TOP["ranges"]["items"], "ranges.")
bare += undescribed(TOP["locales"]["additionalProperties"], "locales.")
expect(f"descriptions of {bare}", not bare)
BARE_PART = HEAD.replace('{"kind":"row","children":[{"kind":"box","name":"inner"}]}', '{"width":3}') + '{"kind":"row"}}'
expect("a part without a kind", BARE_PART.count('{"width":3}') == 2 and not validator.is_valid(json.loads(BARE_PART)))

examples = sorted((ROOT / "examples").rglob("*.scene.json"))
for path in examples:
    lines = path.read_text().splitlines()  # comments stand on lines of their own in the examples
    scene = json.loads("\n".join(line for line in lines if not line.lstrip().startswith("//")))
    for error in validator.iter_errors(scene):
        expect(f"{path.name}: {error.json_path}: {error.message}", False)
    tidied = subprocess.run([PROGRAM, "tidy", str(path)], check=True, text=True, capture_output=True).stdout
    expect(f"{path.name} tidied", validator.is_valid(json.loads(tidied)))
print(f"schema: {len(NODES)} nodes and {len(examples)} examples, {failed} failed")
sys.exit(1 if failed or len(examples) < 20 else 0)
