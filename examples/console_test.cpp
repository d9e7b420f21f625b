// SPDX-License-Identifier: MIT
//
// Claims as tests: a scene built in code is held to what its author means, at every size of its ladder.
#include <gtest/gtest.h>

#include <fond_ladder/fond_ladder.hpp>
#include <fond_ladder/gtest.hpp>

using namespace fond_ladder;

namespace {

Scene console() {
  Scene scene = column("console").gap(12).padding(16).children(
      row("bar")
          .height(48)
          .gap(8)
          .across(Across::center)
          .children(text("title", "North house"), box("alarm").width(96).height(32).margin_left(automatic)),
      row("cards").gap(12).equal_sizes().children(
          text("oak", "Oak, sown in March. Keep moist."),
          text("fern", "Fern, from spores. Shade, and mist twice a day in summer."), text("sage", "Sage. Dry bed.")));
  scene.title = "North house console";
  scene.ladder = {{360, 1440}, Interval(800), {}};
  return scene;
}

TEST(Console, CardsStayAlikeWhateverTheySay) {
  EXPECT_THAT(console(), Keeps("same(cards/*.width) and same(cards/*.height)"));
}

TEST(Console, TheAlarmKeepsToItsCorner) {
  EXPECT_THAT(console(), Keeps("alarm.right = container.width - 16"));
  EXPECT_THAT(solve(console(), {1280, 800})["bar/alarm"], LiesAt(1168, 24, 96, 32));
}

TEST(Console, NothingIsCutInAnyVariant) {
  for (const double longer : {0.0, 0.4}) EXPECT_THAT(variant_of(console(), "", {}, longer), Keeps("fits(console)"));
}

}  // namespace
