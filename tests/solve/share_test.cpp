// SPDX-License-Identifier: MIT
#include "solve/sharing/share.hpp"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>
#include <sstream>

#include "support/shorthand.hpp"

namespace fond_ladder::detail {
namespace {

using testing::short_number;

/// `base[+grow][-shrink][>least][<most]`, blank-separated. Shrink is 1 when not said; padding is not modelled here.
std::vector<LineItem> line_items_from(const std::string& text) {
  std::vector<LineItem> line_items;
  std::istringstream words(text);
  for (std::string word; words >> word;) {
    std::istringstream in(word);
    LineItem line_item;
    in >> line_item.base;
    line_item.inner_base = line_item.base;
    line_item.shrink = 1;
    line_item.most = INFINITY;
    for (char sign; in >> sign;) {
      double& field = sign == '+'   ? line_item.grow
                      : sign == '-' ? line_item.shrink
                      : sign == '>' ? line_item.least
                      : sign == '<' ? line_item.most
                                    : line_item.inner_base;  // '*': base without padding
      in >> field;
    }
    line_item.most = std::max(line_item.most, line_item.least);
    line_items.push_back(line_item);
  }
  return line_items;
}

std::string shared(const std::string& text, double space) {
  std::vector<LineItem> line_items = line_items_from(text);
  ShareScratch scratch;
  static_cast<void>(share(line_items, space, scratch));
  std::string sizes;
  for (const LineItem& line_item : line_items) sizes += (sizes.empty() ? "" : " ") + short_number(line_item.size);
  return sizes;
}

/// CSS Flexible Box Layout 1, section 9.7, word by word.
std::vector<double> by_rounds(const std::vector<LineItem>& line_items, double space) {
  const std::size_t n = line_items.size();
  std::vector<double> size(n);
  std::vector<bool> frozen(n);
  double wanted = 0;
  for (const LineItem& line_item : line_items) wanted += line_item.clamp(line_item.base);
  const bool growing = wanted < space;
  for (std::size_t i = 0; i < n; ++i) {
    const LineItem& line_item = line_items[i];
    const double hypothetical = line_item.clamp(line_item.base);
    size[i] = line_item.base;
    if ((growing ? line_item.grow : line_item.shrink) == 0 || (growing && line_item.base > hypothetical) ||
        (!growing && line_item.base < hypothetical)) {
      size[i] = hypothetical;
      frozen[i] = true;
    }
  }
  const auto free_space = [&] {
    double left = space;
    for (std::size_t i = 0; i < n; ++i) left -= frozen[i] ? size[i] : line_items[i].base;
    return left;
  };
  const double initial = free_space();
  while (std::ranges::find(frozen, false) != frozen.end()) {
    double remaining = free_space(), factors = 0, scaled = 0;
    for (std::size_t i = 0; i < n; ++i) {
      if (frozen[i]) continue;
      factors += growing ? line_items[i].grow : line_items[i].shrink;
      scaled += line_items[i].shrink * line_items[i].inner_base;
    }
    if (factors < 1 && std::abs(initial * factors) < std::abs(remaining)) remaining = initial * factors;
    double violation = 0;
    std::vector<double> held(n);
    for (std::size_t i = 0; i < n; ++i) {
      if (frozen[i]) continue;
      const LineItem& line_item = line_items[i];
      size[i] = line_item.base;
      if (growing) {
        size[i] += line_item.grow / factors * remaining;
      } else if (scaled > 0) {
        size[i] -= line_item.shrink * line_item.inner_base / scaled * std::abs(remaining);
      }
      held[i] = line_item.clamp(size[i]);
      violation += held[i] - size[i];
    }
    for (std::size_t i = 0; i < n; ++i) {
      if (frozen[i]) continue;
      const double over = held[i] - size[i];
      const bool freeze = std::abs(violation) < 1e-9 || (violation > 0 ? over > 0 : over < 0);
      if (!freeze) continue;
      size[i] = held[i];
      frozen[i] = true;
    }
  }
  return size;
}

struct Case {
  const char* line_items;
  double space;
  const char* sizes;
};

// Worked out by hand.
const Case cases[] = {
    {"10 20", 100, "10 20"},                        // nobody grows
    {"10+1 20", 100, "80 20"},                      // one takes all
    {"0+1 0+2 0+3", 60, "10 20 30"},                // weights
    {"10+1 20+1", 100, "45 55"},                    // growth on top of the base
    {"100 300", 200, "50 150"},                     // shrink goes by base
    {"100-0 300", 200, "100 100"},                  // rigid
    {"100-0 300-0", 200, "100 300"},                // both rigid: they overhang
    {"100-2 100", 140, "60 80"},                    // 100 - 20*2, 100 - 20*1
    {"100*80 100*100", 182, "92 90"},               // padding does not shrink: 18 by 80 to 100
    {"0+1<20 0+1 0+2", 100, "20 26.6667 53.3333"},  // a maximum hands on its surplus
    {"0+1>50 0+1 0+2", 100, "50 16.6667 33.3333"},  // a minimum takes from the rest
    {"0+1>50 0+1<10 0+1", 100, "50 10 40"},         // both at once
    {"0+1>60<30 0+1", 100, "60 40"},                // a minimum beats a maximum
    {"50+1<40 0+1", 100, "40 60"},                  // base above its maximum is frozen at once
    {"0+1>90 0+1>90", 100, "90 90"},                // minima larger than the space
    {"0+1<10 0+1<10", 100, "10 10"},                // maxima smaller than the space
    {"0+0.5 0+0.2", 100, "50 20"},                  // factors below 1 share only that part
    {"20+0.25 30", 100, "32.5 30"},                 // a quarter of the spare 50
    {"0+0.5<10 0+0.2", 100, "10 20"},               // the part stays, though another was stopped
    {"0+0.5>60 0+0.5", 100, "60 40"},               // level 100 capped by the space
    {"100-0.25 100-0.25", 100, "75 75"},            // half of the missing 100
    {"100-0.2>95 300-0.2", 300, "95 280"},          // 100 missing: stopped at 95; then 20 of 100
    {"100-1>90 100-1 100-1", 240, "90 75 75"},      // shrink stops at a minimum
    {"200-1<80 100-1", 150, "80 70"},               // base above the maximum still shrinks by its base
    {"0 0", 10, "0 0"},
    {"10", 10, "10"},
    {"", 10, ""},
    {"0+1 0+1", 0, "0 0"},
    {"10-1 10-1", 0, "0 0"},
};

TEST(Share, GivesTheSizesWorkedOutByHand) {
  for (const Case& one : cases) EXPECT_EQ(shared(one.line_items, one.space), one.sizes) << one.line_items;
}

TEST(Share, EqualsTheRoundsOfTheStandardOnRandomLines) {
  std::mt19937 random(7);
  const auto pick = [&](std::initializer_list<double> values) {
    return values.begin()[std::uniform_int_distribution<std::size_t>(0, values.size() - 1)(random)];
  };
  for (int run = 0; run < 40000; ++run) {
    std::vector<LineItem> line_items(run % 100 == 0 ? 80 : 1 + run % 7);
    for (LineItem& line_item : line_items) {
      line_item.base = pick({0, 10, 35, 80, 120.5});
      line_item.inner_base = std::max(0.0, line_item.base - pick({0, 0, 8}));
      line_item.least = pick({0, 0, 5, 30, 100});
      line_item.most = std::max(line_item.least, pick({INFINITY, INFINITY, 20, 60, 150}));
      line_item.grow = pick({0, 1, 1, 2, 0.25, 0.5, 64});
      line_item.shrink = pick({0, 1, 1, 3, 0.125, 0.5});
    }
    const double space = pick({0, 30, 77, 150, 300, 900, 2000}) * (line_items.size() > 7 ? 10 : 1);
    const std::vector<double> expected = by_rounds(line_items, space);
    ShareScratch scratch;
    share(line_items, space, scratch);
    for (std::size_t i = 0; i < line_items.size(); ++i) {
      ASSERT_NEAR(line_items[i].size, expected[i], 1e-7) << "run " << run << ", portion " << i;
    }
  }
}

// Factors by powers of two, with limits that make the rounds of the standard freeze a few children at a time: sharing
// looks at no more points than two a child all the same.
TEST(Share, SortsInsteadOfTakingRoundsWhenEveryChildFreezes) {
  for (const int n : {8, 64, 512}) {
    for (const double space : {4.0 * n, 20.0 * n}) {
      std::vector<LineItem> line_items;
      for (int i = 0; i < n; ++i) {
        const double power = std::exp2(-(i % 60));
        line_items.push_back({8, 0, 8 + 100 * std::sqrt(power), power, 0, 8, 0});
        line_items.back().shrink = i % 2 == 0 ? power : 1 / (1 + power);
        line_items.back().least = 8 - 8 * std::sqrt(power);
      }
      const std::vector<double> expected = by_rounds(line_items, space);
      ShareScratch scratch;
      static_cast<void>(share(line_items, space, scratch));
      EXPECT_LE(scratch.points.size(), 2U * static_cast<std::size_t>(n));
      for (int i = 0; i < n; ++i) EXPECT_NEAR(line_items[i].size, expected[i], 1e-7) << n << " " << space << " " << i;
    }
  }
}

TEST(Share, KeepsWeightsInTheirExactRatio) {
  const std::string text = shared("0+3 0+1 0+4", 801);
  EXPECT_EQ(text, "300.375 100.125 400.5");
}

}  // namespace
}  // namespace fond_ladder::detail
