// SPDX-License-Identifier: MIT
// The scene of the README, described in C++, arranged and measured.
// Children stand under their parents:
// clang-format off
#include <fond_ladder/fond_ladder.hpp>
#include <iostream>

using namespace fond_ladder;

int main() {
  const Scene console = column("console").gap(12).padding(16).children(
      row("bar").height(48).gap(8).across(Across::center).children(
          text("title", "North house"),
          box("alarm").width(96).height(32).margin_left(automatic)),
      row("body").gap(16).weight(1).children(
          box("beds").width(240).shrink(0),
          box("map").min_width(320).weight(1)));

  const Solution at_desk = solve(console, {1280, 800});
  std::cout << "map is " << at_desk["body/map"].width << " wide\n";

  const Sweep swept = sweep(console, Ladder{.width = {360, 1440}, .height = 800}, {"beds.width", "map.width"});
  for (const Breakpoint& breakpoint : swept.breakpoints()) std::cout << breakpoint << '\n';

  std::cout << explain(solve(console, {500, 800}), console.tree.at("body"));
}
