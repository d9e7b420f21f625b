// SPDX-License-Identifier: MIT
//
// A setting that is dragged instead of the container: breakpoints worked out by hand, and random lengths of
// random trees, whose sweep is held against an arrangement at each value.
#include "fond_ladder/vary.hpp"
#include "fond_ladder/scene_file.hpp"

#include <gtest/gtest.h>

#include <cmath>
#include <map>
#include <sstream>

#include "fond_ladder/edit.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// By what the edited file would mean.
Varied varied(const Scene& scene, const std::string& setting, Interval values, const std::string& unit = "") {
  const auto draft = std::make_shared<Draft>(scene);
  return {setting, values, [=](double value) {
            draft->apply(Edit::set(setting, testing::short_number(value) + unit));
            Scene changed = draft->scene();
            draft->undo();
            return changed;
          }};
}

struct Case {
  const char *what, *scene, *setting;
  Interval values;
  const char *quantity, *breakpoints;
  const char* unit = "";
};

const Case cases[] = {
    {"a minimum is reached",
     "row:r [ box:a width=100 shrink=0 box:b weight=1 min_width=50 ]",
     "a.width",
     {0, 300},
     "b.width",
     "at 250: b.width bends at 50, its slope from -1 to 0: `b` reaches its minimum, 50\n"},
    {"the minimum itself is dragged",
     "row:r [ box:a weight=1 min_width=10 box:b weight=1 ]",
     "a.min_width",
     {0, 300},
     "b.width",
     "at 150: b.width bends at 150, its slope from 0 to -1: `a` reaches its minimum, 150\n"},
    {"a gap breaks a line",
     "row:r wrap=true [ box:a width=100 box:b width=100 box:c width=80 ]",
     "r.gap",
     {0, 40},
     "r.lines",
     "above 10: r.lines jumps from 1 to 2: `c` moves to line 2 of `r`: a 100 + 10 + b 100 + 10 + c 80 = 300 no "
     "longer fits\n"},
    {"a padding breaks a text in a node that keeps its size",
     "row:r [ column:c width=100 height=90 [ text:t text=\"mist fern\" ] ]",
     "c.padding",
     {0, 8},
     "t.height",
     "above 6.8: t.height jumps from 20 to 40: `t` goes from 1 line to 2\n"},
    {"two numbers at once",
     "stack:r [ column:c width=50 [ box:a natural_size=[10,10] ] ]",
     "c.padding",
     {0, 40},
     "a.width",
     "at 25: a.width bends at 0, its slope from -2 to 0: `c` reaches its minimum, 50\n"},
    {"a share of the space",
     "row:r [ box:a basis=10% shrink=0 box:b weight=1 min_width=60 ]",
     "a.basis",
     {10, 100},
     "b.width",
     "at 80: b.width bends at 60, its slope from -3 to 0: `b` reaches its minimum, 60\n",
     "%"},
};

std::string breakpoints_of(const Sweep& swept) {
  std::ostringstream text;
  for (const Breakpoint& breakpoint : swept.breakpoints()) text << breakpoint << '\n';
  return text.str();
}

TEST(Vary, BreakpointsAreWhereTheyCanBeWorkedOut) {
  for (const Case& one : cases) {
    const Scene scene = testing::scene_from(one.scene);
    const Sweep swept = sweep_setting(varied(scene, one.setting, one.values, one.unit), {300.0, 100.0}, {one.quantity});
    EXPECT_EQ(breakpoints_of(swept), one.breakpoints) << one.what;
    EXPECT_TRUE(swept.sampled.empty()) << one.what;
  }
}

TEST(Vary, AWeightIsLookedAtStepByStepAndFollowsACurve) {
  const Scene scene = testing::scene_from("row:r [ box:a weight=1 box:b weight=1 ]");
  const Sweep swept = sweep_setting(varied(scene, "a.weight", {1, 3}), {300.0, 100.0}, {"a.width"});
  EXPECT_FALSE(swept.sampled.empty());
  ASSERT_EQ(swept.breakpoints().size(), 1U);
  EXPECT_EQ(swept.breakpoints()[0].kind, BreakpointKind::curve);
  EXPECT_EQ(swept.breakpoints()[0].at, 1);
  EXPECT_EQ(swept.breakpoints()[0].to, 3);
  EXPECT_EQ(swept.steps.size(), 101U);  // a short span has steps enough
}

/// A width that follows a height within its limits bends; under a range it was once taken for a straight line.
TEST(Vary, AnAspectUnderARangeIsLookedAtStepByStep) {
  Scene scene = testing::scene_from("row:r across=start [ box:a height=20 max_height=50 ]");
  scene.ranges = {{.name = "wide", .from_width = 100.0}};
  testing::add_form(scene, scene.tree.at("a"), "wide", [](Keys& keys) { keys.aspect_ratio = 2; });
  const Sweep swept = sweep_setting(varied(scene, "a.height", {10, 200}), {300.0, 100.0}, {"a.width"});
  EXPECT_EQ(breakpoints_of(swept), "at 50: a.width bends at 100, its slope from 2 to 0: `a` reaches its maximum, 50\n");
  EXPECT_EQ(swept.sampled, std::vector<Interval>{Interval(10, 200)});
}

/// Each reason to look step by step, where the quantity moves: the answer says so.
TEST(Vary, WhatCannotBeProvedSaysSo) {
  const struct {
    const char *why, *scene, *setting, *quantity;
  } cases[] = {
      {"a grow", "row:r [ box:a basis=20 grow=1 box:b basis=20 grow=1 ]", "a.grow", "b.width"},
      {"a shrink", "row:r [ box:a basis=200 shrink=1 box:b basis=200 shrink=1 ]", "a.shrink", "b.width"},
      {"the size of a text", "row:r [ text:t text=\"Moss and fern\" font_size=8 box:b weight=1 ]", "t.font_size",
       "b.width"},
      {"an aspect", "row:r [ box:a width=30 aspect_ratio=1 box:b weight=1 ]", "a.aspect_ratio", "a.height"},
      {"a length of what has an aspect", "row:r [ box:a width=30 aspect_ratio=2 box:b weight=1 ]", "a.width",
       "a.height"},
      {"a picture's own size", "row:r across=start [ image:a natural_size=[30,20] height=10 ]", "a.height", "a.width"},
      {"a track", "grid:g columns=[40,80] [ box:a box:b ]", "g.columns", "b.x"},
      {"a scale", "row:r [ box:a width=30 height=20 scale=2 scale_affects_layout=true box:b weight=1 ]", "a.scale",
       "b.width"},
      {"a list", "column:l scroll=y virtualized=true [ box:a height=10 copies=100 ]", "l.gap", "l.content_height"},
  };
  for (const auto& one : cases) {
    const Scene scene = testing::scene_from(one.scene);
    const bool is_track = std::string(one.setting) == "g.columns";
    const auto draft = std::make_shared<Draft>(scene);
    const Varied by{one.setting, {8, 40}, [&](double value) {
                      const std::string number = testing::short_number(value);
                      draft->apply(Edit::set(one.setting, is_track ? "[" + number + ",80]" : number));
                      Scene changed = draft->scene();
                      draft->undo();
                      return changed;
                    }};
    EXPECT_FALSE(sweep_setting(by, {300.0, 100.0}, {one.quantity}).sampled.empty()) << one.why;
  }
  const Varied em{"em", {8, 40}, [](double value) {
                    return Scene(row("r").children(box("a").width(Length(2, Length::Unit::em))), value);
                  }};
  EXPECT_FALSE(sweep_setting(em, {300.0, 100.0}, std::vector<std::string>{"a.width"}).sampled.empty());
  const Varied range{"narrow.below_width", {200, 400}, [](double value) {
                       Scene scene(row("r").children(box("a").width(10)));
                       scene.ranges = {{.name = "narrow", .below_width = value}};
                       testing::add_form(scene, scene.tree.at("a"), "narrow",
                                         [](Keys& keys) { keys.width = Length(50); });
                       return scene;
                     }};
  const Sweep swept = sweep_setting(range, {300.0, 100.0}, std::vector<std::string>{"a.width"});
  EXPECT_FALSE(swept.sampled.empty());
  EXPECT_EQ(swept.breakpoints().size(), 1U);
}

TEST(Vary, WhatItCannotDoIsRefused) {
  const Scene scene = testing::scene_from("row:r [ box:a width=10 ]");
  const Varied growing{"a.copies", {1, 4}, [](double value) {
                         Node all = row("r");
                         for (int i = 0; i < value; ++i) all.children(box("a" + std::to_string(i)));
                         return Scene(all);
                       }};
  try {
    static_cast<void>(sweep_setting(growing, {300.0, 100.0}, std::vector<std::string>{"a0.width"}));
    ADD_FAILURE() << "it swept";
  } catch (const BadValue& fault) {
    EXPECT_STREQ(fault.what(), "a.copies changes the number of nodes; list the values to compare instead");
  }
  EXPECT_THROW(static_cast<void>(sweep_setting(varied(scene, "r.gap", {0, 1e6}), {300.0, 100.0}, {"r.width"})),
               BadValue);
  EXPECT_THROW(static_cast<void>(sweep_setting(varied(scene, "r.gap", {0, 10}), {300.0, 100.0}, {"q.width"})),
               BadQuantity);
}

// --- brute force ---------------------------------------------------------------------------------------------------

/// A setting of some node, and how to say it; without a node, the em of the tree.
struct Dragged {
  NodeId node;
  std::string what;
  std::function<void(Keys&, double)> set;
};

Dragged random_setting(const Tree& tree, testing::RandomScenes& random) {
  const std::vector<NodeId> nodes = tree.nodes();
  const NodeId node = nodes[static_cast<std::size_t>(random.below(static_cast<int>(nodes.size())))];
  const auto unit = static_cast<Length::Unit>(random.below(10) < 7 ? 0 : random.below(2) + 1);
  const auto in = [unit](double value) { return Length(unit == Length::Unit::em ? value / 16 : value, unit); };
  const auto side = static_cast<Side>(random.below(4));
  switch (random.below(16)) {
    case 0: return {node, "width", [=](Keys& keys, double v) { keys.width = in(v); }};
    case 1: return {node, "height", [=](Keys& keys, double v) { keys.height = in(v); }};
    case 2: return {node, "min_width", [=](Keys& keys, double v) { keys.min_width = in(v); }};
    case 3: return {node, "max_height", [=](Keys& keys, double v) { keys.max_height = in(v); }};
    case 4: return {node, "basis", [=](Keys& keys, double v) { keys.basis = in(v); }};
    case 5: return {node, "gap", [=](Keys& keys, double v) { keys.gap = {in(v), in(v)}; }};
    case 6: return {node, "padding", [=](Keys& keys, double v) { keys.padding.set(side, in(v)); }};
    case 7: return {node, "margin", [=](Keys& keys, double v) { keys.margin.set(side, in(v)); }};
    case 8: return {node, "border", [=](Keys& keys, double v) { keys.border.set(side, Length(v)); }};
    case 9: return {node, "natural_size", [](Keys& keys, double v) { keys.natural_size = {v, 2 * v}; }};
    // What is no length, or none by itself: where it moves anything, it has to be looked at step by step.
    case 10: return {node, "font_size", [](Keys& keys, double v) { keys.font_size = 6 + v / 6; }};
    case 11: return {node, "grow", [](Keys& keys, double v) { keys.grow = v / 40; }};
    case 12: return {node, "aspect_ratio", [](Keys& keys, double v) { keys.aspect_ratio = 0.5 + v / 60; }};
    case 13:
      return {node, "scale",
              [](Keys& keys, double v) { keys.scale = 0.5 + v / 100, keys.scale_affects_layout = true; }};
    case 14: return {{}, "em", {}};
    default: return {node, "pin", [=](Keys& keys, double v) { keys.pin = Pin{.left = in(v), .bottom = in(v / 2)}; }};
  }
}

TEST(Vary, EveryValueIsThatOfAnArrangementAndBetweenTurnsAllIsStraight) {
  std::map<std::string, std::size_t> proved, sampled;
  std::size_t compared = 0;
  for (std::uint32_t seed = 0; seed < 900 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + 7000 + seed);
    Tree tree = random.tree(12);
    if (seed % 4 == 1) random.add_node_ranges(tree);
    const Dragged dragged = random_setting(tree, random);
    const Varied varied{dragged.what, {0, 120}, [&](double value) {
                          Tree changed = tree;
                          if (!dragged.node) {
                            changed.set_em(8 + value / 8);
                            return Scene(std::move(changed));
                          }
                          Keys keys = tree.keys(dragged.node);
                          dragged.set(keys, value);
                          changed.set(dragged.node, Changes(tree.keys(dragged.node), keys));
                          return Scene(std::move(changed));
                        }};
    std::vector<Quantity> quantities;
    for (const NodeId node : tree.nodes()) {
      for (const Measure measure : {Measure::left, Measure::top, Measure::width, Measure::height})
        quantities.push_back({node, measure, ""});
    }
    const ContainerSize container_size{200.0 + random.below(300),
                                       random.chance(70) ? std::optional(100.0 + random.below(300)) : std::nullopt};
    const Sweep swept = sweep_setting(varied, container_size, quantities);
    ++(swept.sampled.empty() ? proved : sampled)[dragged.what];
    if (!swept.sampled.empty()) continue;
    const auto near_breakpoint = [&](double value) {
      return std::ranges::any_of(swept.breakpoints(),
                                 [&](const Breakpoint& breakpoint) { return std::abs(breakpoint.at - value) < 1e-3; });
    };
    const auto expect = [&](double value, std::size_t low, double share) {
      const Solution solution = solve(varied.at(value), container_size);
      for (std::size_t q = 0; q < quantities.size() && !HasFailure(); ++q) {
        const auto found = value_of(quantities[q], solution), here = swept.steps[low].values[q],
                   next = swept.steps[std::min(low + 1, swept.steps.size() - 1)].values[q];
        ASSERT_EQ(found.has_value(), here.has_value());
        if (!found) continue;
        const double answer = *here + (*next - *here) * share;
        ++compared;
        EXPECT_NEAR(*found, answer, 1e-6 * std::max(1.0, std::abs(answer)))
            << "seed " << seed << ": " << dragged.what << " of "
            << (dragged.node ? tree.path(dragged.node) : "the tree") << " at " << value << ": "
            << tree.path(quantities[q].node) << '.' << word_of(quantities[q].measure) << "\n"
            << to_json(varied.at(value));
      }
    };
    for (std::size_t i = 0; i < swept.steps.size(); i += 9) {
      const double at = swept.steps[i].at;
      if (!near_breakpoint(at)) expect(at, i, 0);
      const double share = 0.1 + 0.01 * random.below(80);
      const bool breakpoints = std::ranges::any_of(swept.breakpoints(), [&](const Breakpoint& breakpoint) {
        return breakpoint.to >= at - 1e-3 && breakpoint.at <= at + 1 + 1e-3;
      });
      if (!breakpoints && i + 1 < swept.steps.size()) expect(at + share, i, share);
    }
  }
  for (const char* length : {"width", "height", "min_width", "max_height", "basis", "gap", "padding", "margin",
                             "border", "natural_size", "pin"})
    EXPECT_GT(proved[length], 5U) << length;
  for (const char* other : {"font_size", "grow", "aspect_ratio", "scale", "em"}) EXPECT_GT(sampled[other], 5U) << other;
  EXPECT_GT(compared, 100'000U);
}

}  // namespace
}  // namespace fond_ladder
