// SPDX-License-Identifier: MIT
#include <array>
#include <ostream>

#include "cli/call_words.hpp"
#include "cli/commands/demo_scene.hpp"
#include "cli/run.hpp"

namespace fond_ladder::cli {
namespace {

struct DemoCall {
  Format format = Format::table;
};

ExitStatus demo(const DemoCall& /*call*/, const Streams& streams) {
  static constexpr const char* file = "console.scene.json";
  static const std::array<std::vector<std::string>, 6> calls{{
      {"measure", file, "--at", "1280x800"},
      {"sweep", file},
      {"explain", file, "body", "--at", "1280x800"},
      {"check", file},
      {"compare", file, "--set", "beds.width=300", "--at", "desk"},
      {"lint", file},
  }};
  Streams shipped = streams;
  shipped.shipped = ShippedScene{file, demo_scene()};
  const char* between = "";
  for (const std::vector<std::string>& words : calls) {
    streams.out << between << "$ fond-ladder";
    for (const std::string& word : words) streams.out << ' ' << word;
    streams.out << '\n';
    between = "\n";
    call(words, shipped);
  }
  return all_well;
}

}  // namespace

Command demo_command() {
  return CommandOf<DemoCall>("demo", "Run the commands above on the console scene that is shipped").does(demo);
}

}  // namespace fond_ladder::cli
