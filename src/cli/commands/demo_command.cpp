// SPDX-License-Identifier: MIT
#include <iostream>

#include "cli/command.hpp"
#include "cli/commands/demo_scene.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"

namespace fond_ladder::cli {

ExitStatus demo(const Streams& streams) {
  const Scene scene = read_scene(demo_scene(), "console.scene.json");
  streams.out << "$ fond-ladder measure console.scene.json --at 1280x800\n";
  MeasureOptions measured;
  measured.at = {"1280x800"};
  print_measure(scene, measured, streams);

  ClimbCall climbed;
  streams.out << "\n$ fond-ladder climb console.scene.json\n";
  print_climb(scene, climbed, streams);

  LedgerCall account;
  account.node = "body";
  account.at = {"1280x800"};
  streams.out << "\n$ fond-ladder ledger console.scene.json body --at 1280x800\n";
  print_ledger(scene, account, streams);

  streams.out << "\n$ fond-ladder check console.scene.json\n";
  CheckCall checked;
  checked.scene.file = "console.scene.json";
  print_check(scene, checked, streams.out);

  streams.out << "\n$ fond-ladder compare console.scene.json --try beds.width=300 --at desk\n";
  Variant wider{"with beds.width=300", scene};
  try_setting(wider.scene, "beds.width=300");
  streams.out << fond_ladder::compare({"as it is", scene}, wider, {{1440, 900}});

  streams.out << "\n$ fond-ladder lint console.scene.json\n" << fond_ladder::lint({"", scene});
  return all_well;
}

}  // namespace fond_ladder::cli
