// SPDX-License-Identifier: MIT
//
// Scenes as people write them in C++: what reads right is right, and compiles without a warning.
#include "fond_ladder/node.hpp"

#include <gtest/gtest.h>

#include <type_traits>

#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/sweep.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

TEST(Node, SettersWorkOnNodesThatHaveANameToo) {
  Node bar = row("bar");
  bar.gap(8).padding_x(4).padding_top(2);
  bar.children(text("Save"), box("b").width(9));
  bar.each_child(box().shrink(0)).when("narrow", column());
  bar.with([](Keys& keys) { keys.wrap = true; });
  EXPECT_EQ(bar.keys().gap, Gap(8));
  EXPECT_EQ(bar.children().size(), 2U);
  EXPECT_EQ(bar.children()[0].keys().text, "Save");
  EXPECT_EQ(bar.children()[0].keys().name, "");
  EXPECT_TRUE(bar.gives_keys());
  EXPECT_EQ(bar.whens().size(), 1U);
  EXPECT_EQ(bar.keys().padding, Edges().set(Side::x, Length(4)).set(Side::top, Length(2)));
}

TEST(Node, IsNotEmptiedByBeingAssignedToItself) {
  Node bar = row("bar").gap(3);
  bar = std::move(bar).children(box("a"), box("b"));
  bar = std::move(bar).gap(4);
  EXPECT_EQ(bar.children().size(), 2U);
  EXPECT_EQ(bar.keys().name, "bar");
  EXPECT_EQ(bar.keys().gap, Gap(4));
}

TEST(Node, EveryMarginMayBeAutomatic) {
  const Scene scene = row("r").children(box("a").width(20).height(10).margin(automatic));
  EXPECT_EQ(solve(scene, {100, 50})["a"], (Rect{40, 20, 20, 10}));
}

TEST(Node, TracksAreCountedOrListed) {
  const auto widths = [](const Tracks& tracks) {
    const Scene scene = grid("g").columns(tracks).children(box("a"));
    std::string text;
    for (const auto& column : solve(scene, {90, 10}).tracks(scene.tree.root()).columns)
      text += testing::short_number(column.size) + " ";
    return text;
  };
  EXPECT_EQ(widths(3), "30 30 30 ");
  EXPECT_EQ(widths({3}), "3 ") << "as in a scene file";
  EXPECT_EQ(widths({40, fr(1)}), "40 50 ");
  EXPECT_FALSE((std::is_convertible_v<double, Tracks>)) << "two and a half tracks";
}

TEST(Node, PinsAndRungsAreSaidByTheirFields) {
  const Scene scene = stack("s").children(box("a").width(10).height(10).pin(Pin{.left = 5}));
  EXPECT_EQ(solve(scene, ContainerSize{.width = 50, .height = 20})["a"].x, 5);
  EXPECT_EQ(solve(scene, ContainerSize{.width = 50})["a"].y, 0);
}

TEST(Node, ASweepOfSizesThatAreWrittenOutIsOfThose) {
  const Scene scene = row("r").children(box("a").weight(1));
  EXPECT_EQ(sweep(scene, {{390.0, 844.0}}, {"a.width"}).steps.size(), 1U);
  EXPECT_EQ(sweep(scene, {{390.0, 844.0}, {820.0, 1180.0}}, {"a.width"}).steps.size(), 2U);
  EXPECT_EQ(sweep(scene, Ladder{.width = {90, 100}}, {"a.width"}).steps.size(), 11U);
}

TEST(Node, BreakpointsOfATemporaryLiveAsLongAsTheLoop) {
  const Scene scene = row("r").children(box("a").width(95).min_width(92));
  std::size_t breakpoints = 0;
  for (const Breakpoint& breakpoint : sweep(scene, Ladder{.width = {90, 100}}, {"a.width"}).breakpoints()) {
    breakpoints += breakpoint.name == "a.width" ? 1 : 0;
  }
  EXPECT_EQ(breakpoints, 2U);
}

TEST(Node, AValueOutOfItsDomainNamesNodeAndKey) {
  try {
    const Scene scene = row("moss").children(row("tray").children(box().grow(-1)));
    FAIL();
  } catch (const BadValue& fault) {
    EXPECT_EQ(std::string(fault.what()).substr(0, 22), "moss/tray/box#0: grow ") << fault.what();
  }
}

}  // namespace
}  // namespace fond_ladder
