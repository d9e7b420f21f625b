// SPDX-License-Identifier: MIT
//
// A roll of entries against a plain list of heights, after any changes; a billion entries; and what an answer costs
// beside a look into a hash map, in the same run.
#include "fond_ladder/virtual_list.hpp"

#include <gtest/gtest.h>

#include <chrono>
#include <cmath>
#include <iostream>
#include <optional>
#include <random>
#include <unordered_map>

#include "fond_ladder/fond_ladder.hpp"

namespace fond_ladder {
namespace {

using Count = VirtualList::Count;

/// The same, written down plainly.
struct PlainRoll {
  std::vector<std::optional<double>> heights;
  double expected, gap;

  [[nodiscard]] double height(std::size_t entry) const { return heights[entry].value_or(expected); }
  [[nodiscard]] double place(std::size_t entry) const {
    double at = 0;
    for (std::size_t i = 0; i < entry; ++i) at += height(i) + gap;
    return at;
  }
  [[nodiscard]] Count at(double offset) const {
    Count found = 0;
    double begin = 0;
    for (std::size_t i = 0; i < heights.size() && begin <= std::max(0.0, offset); ++i) {
      found = i;
      begin += height(i) + gap;
    }
    return found;
  }
};

void expect_alike(const VirtualList& roll, const PlainRoll& plain, const std::string& where) {
  ASSERT_EQ(roll.count(), plain.heights.size()) << where;
  double at = 0;
  Count measured = 0;
  for (std::size_t i = 0; i < plain.heights.size(); ++i) {
    ASSERT_EQ(roll.is_measured(i), plain.heights[i].has_value()) << where << " " << i;
    ASSERT_EQ(roll.height(i), plain.height(i)) << where << " " << i;
    ASSERT_NEAR(roll.place(i), at, 1e-6) << where << " " << i;
    at += plain.height(i) + plain.gap;
    measured += plain.heights[i] ? 1 : 0;
  }
  ASSERT_EQ(roll.measured_count(), measured);
  ASSERT_NEAR(roll.total(), plain.heights.empty() ? 0 : at - plain.gap, 1e-6);
}

TEST(VirtualList, EqualsAPlainListAfterAnyChanges) {
  for (unsigned seed = 0; seed < 60 && !HasFailure(); ++seed) {
    std::mt19937 dice(seed);
    const auto below = [&](std::size_t limit) {
      return std::uniform_int_distribution<std::size_t>(0, limit - 1)(dice);
    };
    PlainRoll plain{std::vector<std::optional<double>>(1 + below(30)), 5.0 + static_cast<double>(below(20)),
                    static_cast<double>(below(3))};
    VirtualList roll(plain.heights.size(), plain.expected, plain.gap);
    for (int step = 0; step < 120 && !HasFailure(); ++step) {
      const std::string where = "seed " + std::to_string(seed) + " step " + std::to_string(step);
      const double offset = static_cast<double>(below(400));
      const Count top = roll.at(offset);
      ASSERT_EQ(top, plain.at(offset)) << where;
      const double top_from_view = plain.heights.empty() ? 0 : roll.place(top) - offset;
      const std::size_t n = plain.heights.size(), first = below(n + 1), many = below(6);
      const std::size_t there = std::min(many, n - first);
      const auto begin = plain.heights.begin() + static_cast<std::ptrdiff_t>(first);
      double kept = offset;
      std::optional<Count> same = top;  // where the entry at the top is now
      switch (below(5)) {
        case 0:
          kept = roll.insert(first, many, offset);
          plain.heights.insert(begin, many, std::nullopt);
          if (n == 0) {
            same.reset();
          } else if (first <= top && offset > 0) {
            same = top + many;
          }
          break;
        case 1:
          kept = roll.remove(first, there, offset);
          plain.heights.erase(begin, begin + static_cast<std::ptrdiff_t>(there));
          if (top >= first + there) {
            same = top - there;
          } else if (top >= first) {
            same.reset();
          }
          break;
        case 2:
          kept = roll.forget(first, there, offset);
          std::fill_n(begin, there, std::nullopt);
          break;
        case 3:
          plain.expected = 3.0 + static_cast<double>(below(30));
          kept = roll.expect(plain.expected, offset);
          break;
        default:
          if (first == n) continue;
          const double height = static_cast<double>(below(50));
          kept = roll.measure(first, height, offset);
          plain.heights[first] = height;
          if (first == top) same.reset();  // it may be too short now
      }
      expect_alike(roll, plain, where);
      if (same && *same < roll.count()) {
        EXPECT_NEAR(roll.place(*same) - kept, top_from_view, 1e-6) << where;
      }
    }
  }
}

TEST(VirtualList, ABillionEntriesOfUnknownHeights) {
  VirtualList roll(1'000'000'000, 24);
  EXPECT_EQ(roll.total(), 24e9);
  EXPECT_TRUE(roll.is_estimate());
  EXPECT_EQ(roll.at(12e9), 500'000'000U);
  std::mt19937_64 dice(7);
  // Jumps: wherever the view is, its entries are measured, and lie one below the other without a gap or an overlap.
  for (int jump = 0; jump < 100'000 && !HasFailure(); ++jump) {
    double offset = std::uniform_real_distribution<double>(0, roll.total() - 600)(dice);
    for (Count entry = roll.at(offset), seen = 0; seen < 5 && entry < roll.count(); ++entry, ++seen) {
      offset = roll.measure(entry, 10 + static_cast<double>(dice() % 60), offset);
    }
    if (jump % 50 != 0) continue;
    const VirtualList::View view = roll.in_view(offset, 120);
    EXPECT_LE(view.top, offset + 1e-5);
    for (Count entry = view.first; entry < view.behind; ++entry) {
      const double end = roll.place(entry) + roll.height(entry);
      const double next = entry + 1 < roll.count() ? roll.place(entry + 1) : roll.total();
      EXPECT_NEAR(end, next, 2e-5) << entry;
    }
    EXPECT_GE(roll.place(view.behind - 1) + roll.height(view.behind - 1), offset + 119.9);
  }
  EXPECT_LE(roll.memory(), roll.measured_count() * 400) << "by what was seen";
  static_cast<void>(roll.remove(900'000'000, 10));  // a billion are the most
  const double offset = roll.place(600'000'000) - 7;
  const double seen = roll.place(roll.at(offset)) - offset;
  const double kept = roll.insert(17, 10, offset);
  EXPECT_NEAR(kept - offset, 240, 2e-5) << "ten entries came above";
  EXPECT_NEAR(roll.place(roll.at(kept)) - kept, seen, 2e-5);
}

/// Times of both in one run: an answer may cost at most fifty looks into a hash map of what was seen.
TEST(VirtualList, AnAnswerCostsAFewLooksIntoAHashMap) {
  VirtualList roll(999'999'990, 24);
  std::unordered_map<Count, double> map;
  std::mt19937_64 dice(3);
  std::vector<Count> asked;
  for (int i = 0; i < 100'000; ++i) {
    const Count entry = dice() % roll.count();
    roll.measure(entry, 30);
    map[entry] = 30;
    asked.push_back(entry);
  }
  std::shuffle(asked.begin(), asked.end(), dice);
  const auto seconds = [](const auto& work) {
    double best = 1e9;
    for (int round = 0; round < 3; ++round) {
      const auto begin = std::chrono::steady_clock::now();
      work();
      best = std::min(best, std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count());
    }
    return best;
  };
  double sum = 0;
  const double look = seconds([&] {
    for (const Count entry : asked) sum += map.find(entry)->second;
  });
  const double place = seconds([&] {
    for (const Count entry : asked) sum += roll.place(entry);
  });
  const double at = seconds([&] {
    for (const Count entry : asked) sum += static_cast<double>(roll.at(24.0 * static_cast<double>(entry)));
  });
  const double insert = seconds([&] {
                          for (int i = 0; i < 10'000; ++i) sum += roll.remove(17, 10, roll.insert(17, 10, 12e9));
                        }) *
                        5;
  EXPECT_GT(sum, 0);
  std::cout << "a place " << place / look << ", the entry at an offset " << at / look << ", entries that come or go "
            << insert / look << " looks into a hash map\n";
  EXPECT_LE(place, 50 * look);
  EXPECT_LE(at, 50 * look);
  EXPECT_LE(insert, 200 * look);
}

TEST(VirtualList, RefusesWhatCannotBe) {
  EXPECT_THROW(VirtualList(1'000'000'001), BadValue);
  EXPECT_THROW(VirtualList(1, -1), BadValue);
  VirtualList roll(3, 10, 2);
  EXPECT_EQ(roll.total(), 34);
  EXPECT_THROW(roll.measure(3, 1), BadValue);
  EXPECT_THROW(roll.measure(1, std::nan("")), BadValue);
  EXPECT_THROW(roll.insert(4, 1), BadValue);
  EXPECT_THROW(roll.insert(0, 1'000'000'000), BadValue);
  EXPECT_THROW(roll.remove(2, 2), BadValue);
  EXPECT_THROW(static_cast<void>(roll.place(3)), BadValue);
  EXPECT_EQ(roll.at(-5), 0U);
  EXPECT_EQ(roll.at(1e9), 2U);
  VirtualList nothing;
  EXPECT_EQ(nothing.total(), 0);
  EXPECT_EQ(nothing.in_view(0, 100).behind, 0U);
  const VirtualList::View view = roll.in_view(11, 12);
  EXPECT_EQ(view.first, 0U) << "the gap belongs to the entry above it";
  EXPECT_EQ(view.behind, 2U);
}

}  // namespace
}  // namespace fond_ladder
