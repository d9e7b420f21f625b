// SPDX-License-Identifier: MIT
//
// Writes scenes at random into a folder, the first of about 1,000 nodes: for the browser, which cannot make them.
#include <fstream>
#include <iostream>
#include <string>

#include "fond_ladder/scene_file.hpp"
#include "support/random_scenes.hpp"

int main(int count, char** words) {
  if (count != 3) {
    std::cerr << "write the folder and how many\n";
    return 2;
  }
  fond_ladder::testing::RandomScenes random(fond_ladder::testing::seed());
  const int wanted = std::stoi(words[2]);
  constexpr std::size_t large = 1600, small = 40;
  for (int i = 0; i <= wanted;) {
    fond_ladder::Scene scene{random.tree(i == 0 ? large : small)};
    scene.ladder.width = {100, 700};
    const std::string text = fond_ladder::to_json(scene);
    try {
      static_cast<void>(fond_ladder::read_scene(text, "made"));
    } catch (const fond_ladder::BadScene&) {
      continue;  // a builder may name an area that its grid does not have; a file may not
    }
    const std::string number = std::to_string(1000 + i++).substr(1);
    std::ofstream(words[1] + ("/" + number) + ".scene.json") << text;
  }
}
