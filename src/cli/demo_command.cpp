// SPDX-License-Identifier: MIT
#include <iostream>

#include "cli/command.hpp"
#include "cli/demo_scene.hpp"
#include "fond_ladder/scene_file.hpp"

namespace fond_ladder::cli {

ExitStatus demo(const Streams& streams) {
  const Scene scene = read_scene(demo_scene(), "console.scene.json");
  streams.out << "$ fond-ladder measure console.scene.json --at 1280x800\n";
  MeasureOptions measured;
  measured.at = {"1280x800"};
  print_measure(scene, measured, streams);

  ClimbCall climbed;
  climbed.rungs = "360,640,1024,1440";
  climbed.show = "beds.width,map.width,cards.height,sensors.lines";
  streams.out << "\n$ fond-ladder climb console.scene.json --rungs " << climbed.rungs << " --show " << climbed.show
              << '\n';
  print_climb(scene, climbed, streams);
  return all_well;
}

}  // namespace fond_ladder::cli
