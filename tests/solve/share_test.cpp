// SPDX-License-Identifier: MIT
#include "solve/share.hpp"

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
std::vector<Portion> portions_from(const std::string& text) {
  std::vector<Portion> portions;
  std::istringstream words(text);
  for (std::string word; words >> word;) {
    std::istringstream in(word);
    Portion portion;
    in >> portion.base;
    portion.inner_base = portion.base;
    portion.shrink = 1;
    portion.most = INFINITY;
    for (char sign; in >> sign;) {
      double& field = sign == '+'   ? portion.grow
                      : sign == '-' ? portion.shrink
                      : sign == '>' ? portion.least
                      : sign == '<' ? portion.most
                                    : portion.inner_base;  // '*': base without padding
      in >> field;
    }
    portion.most = std::max(portion.most, portion.least);
    portions.push_back(portion);
  }
  return portions;
}

std::string shared(const std::string& text, double room) {
  std::vector<Portion> portions = portions_from(text);
  ShareScratch scratch;
  static_cast<void>(share(portions, room, scratch));
  std::string sizes;
  for (const Portion& portion : portions) sizes += (sizes.empty() ? "" : " ") + short_number(portion.size);
  return sizes;
}

/// CSS Flexible Box Layout 1, section 9.7, word by word.
std::vector<double> by_rounds(const std::vector<Portion>& portions, double room) {
  const std::size_t n = portions.size();
  std::vector<double> size(n);
  std::vector<bool> frozen(n);
  double wanted = 0;
  for (const Portion& portion : portions) wanted += portion.held(portion.base);
  const bool growing = wanted < room;
  for (std::size_t i = 0; i < n; ++i) {
    const Portion& portion = portions[i];
    const double hypothetical = portion.held(portion.base);
    size[i] = portion.base;
    if ((growing ? portion.grow : portion.shrink) == 0 || (growing && portion.base > hypothetical) ||
        (!growing && portion.base < hypothetical)) {
      size[i] = hypothetical;
      frozen[i] = true;
    }
  }
  const auto free_space = [&] {
    double left = room;
    for (std::size_t i = 0; i < n; ++i) left -= frozen[i] ? size[i] : portions[i].base;
    return left;
  };
  const double initial = free_space();
  while (std::ranges::find(frozen, false) != frozen.end()) {
    double remaining = free_space(), factors = 0, scaled = 0;
    for (std::size_t i = 0; i < n; ++i) {
      if (frozen[i]) continue;
      factors += growing ? portions[i].grow : portions[i].shrink;
      scaled += portions[i].shrink * portions[i].inner_base;
    }
    if (factors < 1 && std::abs(initial * factors) < std::abs(remaining)) remaining = initial * factors;
    double violation = 0;
    std::vector<double> held(n);
    for (std::size_t i = 0; i < n; ++i) {
      if (frozen[i]) continue;
      const Portion& portion = portions[i];
      size[i] = portion.base;
      if (growing) {
        size[i] += portion.grow / factors * remaining;
      } else if (scaled > 0) {
        size[i] -= portion.shrink * portion.inner_base / scaled * std::abs(remaining);
      }
      held[i] = portion.held(size[i]);
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
  const char* portions;
  double room;
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
    {"100-0 300-0", 200, "100 300"},                // both rigid: they stick out
    {"100-2 100", 140, "60 80"},                    // 100 - 20*2, 100 - 20*1
    {"100*80 100*100", 182, "92 90"},               // padding does not shrink: 18 by 80 to 100
    {"0+1<20 0+1 0+2", 100, "20 26.6667 53.3333"},  // a maximum hands on its surplus
    {"0+1>50 0+1 0+2", 100, "50 16.6667 33.3333"},  // a minimum takes from the rest
    {"0+1>50 0+1<10 0+1", 100, "50 10 40"},         // both at once
    {"0+1>60<30 0+1", 100, "60 40"},                // a minimum beats a maximum
    {"50+1<40 0+1", 100, "40 60"},                  // base above its maximum is frozen at once
    {"0+1>90 0+1>90", 100, "90 90"},                // minima larger than the room
    {"0+1<10 0+1<10", 100, "10 10"},                // maxima smaller than the room
    {"0+0.5 0+0.2", 100, "50 20"},                  // factors below 1 share only that part
    {"20+0.25 30", 100, "32.5 30"},                 // a quarter of the spare 50
    {"0+0.5<10 0+0.2", 100, "10 20"},               // the part stays, though another was stopped
    {"0+0.5>60 0+0.5", 100, "60 40"},               // level 100 capped by the room
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
  for (const Case& one : cases) EXPECT_EQ(shared(one.portions, one.room), one.sizes) << one.portions;
}

TEST(Share, EqualsTheRoundsOfTheStandardOnRandomLines) {
  std::mt19937 random(7);
  const auto pick = [&](std::initializer_list<double> values) {
    return values.begin()[std::uniform_int_distribution<std::size_t>(0, values.size() - 1)(random)];
  };
  for (int run = 0; run < 40000; ++run) {
    std::vector<Portion> portions(run % 100 == 0 ? 80 : 1 + run % 7);
    for (Portion& portion : portions) {
      portion.base = pick({0, 10, 35, 80, 120.5});
      portion.inner_base = std::max(0.0, portion.base - pick({0, 0, 8}));
      portion.least = pick({0, 0, 5, 30, 100});
      portion.most = std::max(portion.least, pick({INFINITY, INFINITY, 20, 60, 150}));
      portion.grow = pick({0, 1, 1, 2, 0.25, 0.5, 64});
      portion.shrink = pick({0, 1, 1, 3, 0.125, 0.5});
    }
    const double room = pick({0, 30, 77, 150, 300, 900, 2000}) * (portions.size() > 7 ? 10 : 1);
    const std::vector<double> expected = by_rounds(portions, room);
    ShareScratch scratch;
    share(portions, room, scratch);
    for (std::size_t i = 0; i < portions.size(); ++i) {
      ASSERT_NEAR(portions[i].size, expected[i], 1e-7) << "run " << run << ", portion " << i;
    }
  }
}

// Factors by powers of two, with limits that make the rounds of the standard freeze a few children at a time: sharing
// looks at no more points than two a child all the same.
TEST(Share, SortsInsteadOfTakingRoundsWhenEveryChildFreezes) {
  for (const int n : {8, 64, 512}) {
    for (const double room : {4.0 * n, 20.0 * n}) {
      std::vector<Portion> portions;
      for (int i = 0; i < n; ++i) {
        const double power = std::exp2(-(i % 60));
        portions.push_back({8, 0, 8 + 100 * std::sqrt(power), power, 0, 8, 0});
        portions.back().shrink = i % 2 == 0 ? power : 1 / (1 + power);
        portions.back().least = 8 - 8 * std::sqrt(power);
      }
      const std::vector<double> expected = by_rounds(portions, room);
      ShareScratch scratch;
      static_cast<void>(share(portions, room, scratch));
      EXPECT_LE(scratch.points.size(), 2U * static_cast<std::size_t>(n));
      for (int i = 0; i < n; ++i) EXPECT_NEAR(portions[i].size, expected[i], 1e-7) << n << " " << room << " " << i;
    }
  }
}

TEST(Share, KeepsWeightsInTheirExactRatio) {
  const std::string text = shared("0+3 0+1 0+4", 801);
  EXPECT_EQ(text, "300.375 100.125 400.5");
}

}  // namespace
}  // namespace fond_ladder::detail
