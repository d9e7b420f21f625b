// SPDX-License-Identifier: MIT
//
// One panel for phones and desks: a part is a plain function, a range changes keys, a locale changes texts, and the
// whole can be written down as a scene file.
#include <fond_ladder/fond_ladder.hpp>
#include <fond_ladder/scene_file.hpp>
#include <iostream>

using namespace fond_ladder;

namespace {

/// A seed card, used three times.
Node card(const std::string& name, const std::string& about) {
  return column(name).padding(8).gap(6).weight(1).children(text("about", about), box("button").height(32));
}

}  // namespace

int main() {
  Scene cards =
      row("cards")
          .gap(12)
          .when("narrow", column())
          .children(card("oak", "Oak, sown in March."), card("fern", "Fern. Shade."), card("sage", "Sage. Dry bed."));
  cards.ranges = {{.name = "narrow", .below_width = 480}};
  cards.locales = {{"long", {{cards.tree.at("oak/about"), "Oak, sown under glass in the second week of March."}}}};

  SceneSolver solver(cards);
  for (const double width : {479.0, 480.0}) {
    const Solution solution = solver.solve({width, 300});
    std::cout << "at " << width << ": oak is " << solution["oak"].width << " x " << solution["oak"].height << '\n';
  }
  apply_locale(cards, "long");
  std::cout << "in long words its text has " << solve(cards, {480, 300}).lines(cards.tree.at("oak/about"))
            << " lines\n\n"
            << to_json(cards);
}
