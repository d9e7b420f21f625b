// SPDX-License-Identifier: MIT
//
// Cuts that part boxes, held against a look at every pair.
#include "verify/claims/apart.hpp"

#include <gtest/gtest.h>

#include "solve/numbers/traced_number.hpp"
#include "support/random_scenes.hpp"

namespace fond_ladder {
namespace {

using Edges4 = detail::BoxEdgesOf<double>;

std::size_t pairs_left(const std::vector<Edges4>& boxes, double within) {
  std::size_t pairs = 0;
  for (const auto& group : detail::CutApart<double>(boxes, within).groups())
    pairs += group.size() * (group.size() - 1) / 2;
  return pairs;
}

TEST(Apart, NoCutPartsWhatGoesOverOneAnother) {
  testing::RandomScenes random(testing::seed());
  std::size_t over = 0, parted = 0;
  for (int run = 0; run < 2000; ++run) {
    const int space = 5 + random.below(60);
    std::vector<Edges4> boxes(2 + static_cast<std::size_t>(random.below(20)));
    for (Edges4& one : boxes) {
      one.left = random.below(space);
      one.top = random.below(space);
      one.right = one.left + random.below(8);
      one.bottom = one.top + random.below(8);
    }
    constexpr double within = 0.01;
    const auto groups = detail::CutApart<double>(boxes, within).groups();
    std::vector<std::size_t> group_of(boxes.size());
    for (std::size_t i = 0; i < boxes.size(); ++i) group_of[i] = boxes.size() + i;  // alone
    for (std::size_t g = 0; g < groups.size(); ++g) {
      for (const std::size_t place : groups[g]) group_of[place] = g;
    }
    for (std::size_t i = 0; i < boxes.size(); ++i) {
      for (std::size_t k = i + 1; k < boxes.size(); ++k) {
        const bool are_over = detail::overlap(boxes[i], boxes[k]).by > within;
        over += are_over ? 1 : 0;
        parted += group_of[i] != group_of[k] ? 1 : 0;
        ASSERT_FALSE(are_over && group_of[i] != group_of[k]) << run << ": " << i << " and " << k;
      }
    }
  }
  EXPECT_GT(over, 1000U);
  EXPECT_GT(parted, 10000U);
}

TEST(Apart, RowsAndTilesAreCutToTheLast) {
  std::vector<Edges4> tiles;
  for (int i = 0; i < 900; ++i) {
    const double x = i % 30 * 10.0 / 3, y = i / 30 * 7.0;
    tiles.push_back({x, x + 10.0 / 3, y, y + 7});
  }
  EXPECT_EQ(pairs_left(tiles, 0.01), 0U);
  tiles[450].right += 1;                    // over its neighbor
  EXPECT_LE(pairs_left(tiles, 0.01), 30U);  // two columns, cut across
  EXPECT_GT(pairs_left(tiles, 0.01), 0U);
  const std::vector<Edges4> all_over(40, {0, 5, 0, 5});
  EXPECT_EQ(pairs_left(all_over, 0.01), 40U * 39 / 2);
}

TEST(Apart, BoxesThatMoveSayUpToWhereTheyAreParted) {
  const auto box = [](double left, double right, double slope) {
    return detail::BoxEdgesOf<detail::TracedNumber>{
        {left, slope}, {right, slope}, detail::TracedNumber(0), detail::TracedNumber(9)};
  };
  // The first catches up with the second 30 further on.
  const std::vector<detail::BoxEdgesOf<detail::TracedNumber>> boxes{box(0, 10, 1), box(40, 50, 0), box(60, 70, 0),
                                                                    box(90, 95, 0)};
  detail::DecisionTrace decision_trace;
  {
    const detail::Tracing tracing(decision_trace);
    EXPECT_TRUE(detail::CutApart<detail::TracedNumber>(boxes, 0.01).groups().empty());
  }
  EXPECT_NEAR(decision_trace.ahead, 30, 0.01);
}

}  // namespace
}  // namespace fond_ladder
