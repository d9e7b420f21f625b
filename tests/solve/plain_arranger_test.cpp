// SPDX-License-Identifier: MIT
//
// The engine against the plain arranger: exhaustively on small trees, at random on larger ones.
#include <gtest/gtest.h>

#include <cmath>

#include "fond_ladder/scene_file.hpp"
#include "support/plain_arranger.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::arrange_plainly;
using testing::RandomScenes;

std::string as_text(const Rect& box) {
  using testing::short_number;
  return "(" + short_number(box.x) + "," + short_number(box.y) + " " + short_number(box.width) + "x" +
         short_number(box.height) + ")";
}

bool same(const Rect& a, const Rect& b) {
  const auto near = [](double p, double q) {
    return std::abs(p - q) <= 1e-6 * std::max({1.0, std::abs(p), std::abs(q)});
  };
  return near(a.x, b.x) && near(a.y, b.y) && near(a.width, b.width) && near(a.height, b.height);
}

std::string size_text_of(const ContainerSize& container_size) {
  const auto text = [](std::optional<double> side) { return side ? testing::short_number(*side) : "content"; };
  return text(container_size.width) + " x " + text(container_size.height);
}

/// Compares all boxes; returns how many there were.
std::size_t expect_same(const Tree& tree, ContainerSize container_size, const Solution& solution,
                        const std::string& where) {
  const auto expected = arrange_plainly(tree, container_size);
  const auto boxes = solution.boxes();
  EXPECT_EQ(boxes.size(), expected.size()) << where;
  for (const auto& placed : boxes) {
    const auto found = expected.find(placed.node);
    if (found == expected.end() || !same(placed.box, found->second)) {
      ADD_FAILURE() << where << ": " << tree.path(placed.node) << " is " << as_text(placed.box) << ", should be "
                    << (found == expected.end() ? "absent" : as_text(found->second)) << "\n"
                    << to_json(Scene(tree));
      break;
    }
  }
  return boxes.size();
}

TEST(PlainArranger, AgreesOnAllSmallLines) {
  const char* const containers[] = {"",
                                    "gap=5",
                                    "padding=4",
                                    "along=center",
                                    "along=between across=center",
                                    "wrap=true place_content=center",
                                    "wrap=true gap=3 along=end across=end",
                                    "reverse=true",
                                    "equal_sizes=true",
                                    "out_of=4",
                                    "across=baseline",
                                    "scroll=x along=center"};
  const char* const children[] = {"box width=30 height=20",
                                  "box width=40 grow=1",
                                  "box weight=2 natural_size=[15,12]",
                                  "text text=\"Fern and moss\"",
                                  "box width=25 shrink=0 max_width=50% grow=2",
                                  "column width=fill margin=3 [ box natural_size=[9,8] ]",
                                  "box aspect_ratio=2 width=20%",
                                  "box natural_size=[10,10] margin={\"left\":\"auto\"}"};
  for (const char* direction : {"ltr", "rtl"}) {
    for (const char* kind : {"row", "column"}) {
      for (const char* container : containers) {
        for (const char* first : children) {
          for (const char* second : children) {
            const std::string text = std::string("direction=") + direction + " column across=start [ " + kind +
                                     " width=70% " + container + " [ " + first + " " + second + " ] ]";
            const Scene scene = testing::scene_from(text);
            Solver solver;
            for (const ContainerSize container_size :
                 {ContainerSize{60, 50}, ContainerSize{100, 90}, ContainerSize{300, {}}}) {
              expect_same(scene.tree, container_size, solver.solve(scene.tree, container_size), text);
            }
          }
        }
      }
    }
  }
}

TEST(PlainArranger, AgreesOnRandomTrees) {
  std::size_t compared = 0;
  for (std::uint32_t run = 0; compared < testing::rectangles() && !::testing::Test::HasFailure(); ++run) {
    RandomScenes scenes(testing::seed() + run);
    Tree tree = scenes.tree(1 + static_cast<std::size_t>(scenes.below(24)));
    if (run % 3 == 0) scenes.add_ties(tree);
    if (run % 3 == 1) scenes.add_lists(tree);
    Solver solver;
    for (int i = 0; i < 3; ++i) {
      const ContainerSize container_size = scenes.container_size();
      const Solution solution = solver.solve(tree, container_size);
      compared += expect_same(tree, container_size, solution,
                              "seed " + std::to_string(testing::seed() + run) + " at " + size_text_of(container_size));
    }
  }
}

}  // namespace
}  // namespace fond_ladder
