// SPDX-License-Identifier: MIT
//
// Nodes that are different by their own width. They are held against two plain arrangements put together: around such a
// node, a leaf that measures as wide as the node is in its plain form and as high as in the form that holds; inside of
// it, a scene of its own whose container is as large as the leaf came out.
#include "solve/passes/node_ranges.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/explanation.hpp"
#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/scene_file.hpp"
#include "solve/passes/passes.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::boxes_text;
using testing::RandomScenes;

const std::vector<Range> tight_below_300{Range{.name = "tight", .below_width = 300}};

/// A picture beside a text, or above it where there is less space than 300.
Node card(const std::string& name) {
  return row(name)
      .gap(10)
      .padding(20)
      .ranges(tight_below_300)
      .when("tight", column().padding(5))
      .children(box("photo").natural_size(80, 60).when("tight", box().natural_size(40, 30)),
                box("words").natural_size(100, 20));
}

TEST(NodeRanges, LookAtTheWidthOfTheNodeWhereverItIs) {
  Scene scene = row("r").across(Across::start).children(card("narrow").width(240), card("wide").weight(1));
  EXPECT_EQ(boxes_text(solve(scene, {800, 300})),
            "narrow(0,0 240x70) photo(5,5 230x30) words(5,45 230x20) "
            "wide(240,0 560x100) photo(260,20 80x60) words(350,20 100x60)");
  SceneSolver solver(scene);
  const auto wide_is_a = [&](double width) { return solver.solve({width, 300}).kind(solver.tree().at("wide")); };
  EXPECT_EQ(wide_is_a(540), Kind::row) << "300 wide: the bound is not below itself";
  EXPECT_EQ(wide_is_a(539.9), Kind::column);
  EXPECT_EQ(wide_is_a(539.9999999), Kind::row) << "but for rounding";
  EXPECT_EQ(solver.solve({500, 300}).node_ranges(solver.tree().at("wide")), std::vector<std::string>{"tight"});
  EXPECT_TRUE(solver.solve({600, 300}).node_ranges(solver.tree().at("wide")).empty());
}

TEST(NodeRanges, CountOutwardAsWhileNoneHold) {
  // In a row that is as wide as its content: 20 + 80 + 10 + 100 + 20, whatever form follows from that.
  const Scene scene = row("r").across(Across::start).children(row("by").width(content).children(card("a")));
  EXPECT_EQ(solve(scene, {900, 300})["a"], (Rect{0, 0, 230, 70})) << "a column inside, 5 + 30 + 10 + 20 + 5 high";
  const Scene stretched = column("c").children(card("a"));
  EXPECT_EQ(solve(stretched, {300, {}})["a"], (Rect{0, 0, 300, 100}));
  EXPECT_EQ(solve(stretched, {299, {}})["a"], (Rect{0, 0, 299, 70})) << "the height is that of the form that holds";
}

/// What is read off a solve counts a node's padding as the solve did: sideways that of its plain form.
TEST(NodeRanges, AreAccountedForAsWhileNoneHold) {
  const auto deep = [](const std::string& name) {
    return row(name)
        .padding(10)
        .ranges(tight_below_300)
        .when("tight", column().padding(200))
        .children(box("photo").natural_size(80, 60));
  };
  const Scene scenes[] = {
      row("r").across(Across::start).children(deep("narrow").width(240).shrink(0), deep("wide").weight(1)),
      row("r").children(deep("by_content"), deep("grows").grow(1)),
      column("r").children(deep("stretched"), deep("started").place_self(Across::start)),
      grid("r").columns({content, fr(1)}).children(deep("first"), deep("second"), deep("third").span(2, 1)),
      stack("r").children(deep("pinned").pin(Pin{.right = 4}), deep("filled")),
  };
  for (const Scene& scene : scenes) {
    for (const double width : {0.0, 150.0, 400.0, 900.0}) {
      SceneSolver solver(scene);
      const Solution solution = solver.solve({width, 200});
      for (const NodeId node : solution.tree().nodes()) {
        const Explanation account = explain(solution, node);
        EXPECT_TRUE(account.adds_up()) << width << "\n" << account;
      }
      if (solution.kind(scene.tree.root()) != Kind::grid) continue;
      const auto columns = solution.tracks(solution.tree().root()).columns;
      for (const auto& [name, track] : {std::pair("first", 0U), std::pair("second", 1U)}) {
        EXPECT_EQ(solution[name].x, columns.at(track).at) << width;
        EXPECT_EQ(solution[name].width, columns.at(track).size) << width;
      }
    }
  }
}

TEST(NodeRanges, TheNearestDeclarationOfANameCountsAndLaterBeatsEarlier) {
  Scene scene = row("r").children(
      row("outer")
          .width(400)
          .ranges({Range{.name = "tight", .below_width = 500}, Range{.name = "small", .below_width = 450}})
          .children(box("a").width(1).when("tight", box().width(2)).when("small", box().width(3)),
                    row("inner")
                        .width(200)
                        .ranges({Range{.name = "tight", .below_width = 100}})
                        .children(box("b").width(1).when("tight", box().width(2)).when("small", box().width(3)))));
  EXPECT_EQ(boxes_text(solve(scene, {900, 9})), "outer(0,0 400x9) a(0,0 3x9) inner(3,0 200x9) b(3,0 3x9)");
  scene = row("r").children(row("outer")
                                .width(400)
                                .ranges({Range{.name = "tight", .below_width = 500}})
                                .children(row("inner")
                                              .width(200)
                                              .ranges({Range{.name = "tight", .below_width = 100}})
                                              .children(box("b").width(1).when("tight", box().width(2)))));
  EXPECT_EQ(solve(scene, {900, 9})["b"].width, 1) << "the inner one does not hold, and counts";
  scene.ranges = {Range{.name = "tight", .below_width = 5000}};
  EXPECT_EQ(solve(scene, {900, 9})["b"].width, 1) << "nor does the one of the container count";
}

TEST(NodeRanges, RefuseWhatAParentReadsBeforeTheWidthIsKnown) {
  Scene scene = row("r").children(row("a").ranges(tight_below_300).children(box("b")));
  Tree& tree = scene.tree;
  const auto refuses = [&](const Node& change) {
    try {
      tree.when(tree.at("a"), "tight", Changes(Keys(), change.keys()));
    } catch (const BadValue&) {
      return true;
    }
    return false;
  };
  for (const Node& change :
       {box().width(4), box().margin(3), box().grow(2), box().hidden(), box().min_height(3),
        box().place_self(Across::end), text("t", "words"), box().padding(percent(5)), box().ranges(tight_below_300)}) {
    EXPECT_TRUE(refuses(change));
  }
  for (const Node& change : {column(), row().gap(4), box().padding(3), row().along(Along::end), row().wrap()}) {
    EXPECT_FALSE(refuses(change));
  }
  EXPECT_THROW(tree.when(tree.at("b"), "tigth", Changes(Keys(), box().width(3).keys())), BadValue);
  tree.when(tree.at("b"), "tight", Changes(Keys(), box().width(3).keys()));  // of what is inside, anything
  for (const std::vector<Range>& wrong : {std::vector<Range>{Range{.name = "1"}},
                                          {Range{.name = "a"}, Range{.name = "a"}},
                                          {Range{.name = "a", .below_height = 4}},
                                          {Range{.name = "a", .from_width = 5, .below_width = 5}},
                                          {Range{.name = "a", .from_width = -1}},
                                          std::vector<Range>(17, Range{.name = "a"})}) {
    EXPECT_THROW(tree.set(tree.at("b"), box().ranges(wrong)), BadValue);
  }
}

/// Costs, counted: deciding is free, another form measures what is in the node once more.
TEST(NodeRanges, AnotherFormCostsTheNodeThatTakesIt) {
  std::vector<Node> cards;
  for (int i = 0; i < 100; ++i) cards.push_back(row("by" + std::to_string(i)).children(card("card").weight(1)));
  const Scene scene = column("list").children(std::move(cards));
  const std::size_t n = scene.tree.size();
  SceneSolver wide(scene), narrow(scene);
  EXPECT_EQ(wide.solve({900, 9000}).visited()[0], n) << "none holds: nothing is measured twice";
  EXPECT_EQ(narrow.solve({200, 9000}).visited()[0], n + 300) << "each card and the two in it once more";
  EXPECT_EQ(narrow.solve({201, 9000}).visited()[0], 0U) << "as before: decided, not measured";
  EXPECT_EQ(narrow.solve({300, 9000}).visited()[0], 300U);
  EXPECT_EQ(narrow.solve({299, 9000}).visited()[1], n);
}

TEST(NodeRanges, AtMostEightLevelsHold) {
  Node inner = box("end").width(1).when("tight", box().width(2));
  for (int i = 0; i < 12; ++i) {
    inner = column("c" + std::to_string(i))
                .ranges({Range{.name = i == 0 ? "tight" : "x", .from_width = 1}})
                .children(inner);
  }
  const Scene scene(std::move(inner));
  SceneSolver solver(scene);
  const Solution solution = solver.solve({100, 100});
  EXPECT_LE(solution.visited()[0], solver.tree().size() * 9);
  EXPECT_EQ(solution["end"].width, 1) << "declared by the twelfth";
  EXPECT_EQ(solution.node_ranges(solver.tree().at("c4")).size(), 1U);
  EXPECT_TRUE(solution.node_ranges(solver.tree().at("c3")).empty());
}

/// Content of given sizes.
class GivenSizes : public CustomContent {
 public:
  GivenSizes(Widths widths, Heights heights) : widths_(widths), heights_(heights) {}
  [[nodiscard]] Widths widths() const override { return widths_; }
  [[nodiscard]] Heights height_for(double /*width*/) const override { return heights_; }

 private:
  Widths widths_;
  Heights heights_;
};

/// The subtree of a node in a tree of its own, in the form that `solution` has it in; nothing depends on a width any
/// more. Returns it with the nodes in both trees, in the same order.
Tree alone(const Solution& solution, NodeId top, std::vector<NodeId>& nodes) {
  const Tree& from = solution.tree();
  const auto keys_of = [&](NodeId node) {
    Keys keys = solution.keys(node);
    keys.ranges.clear();
    return keys;
  };
  Tree part(keys_of(top), from.em(), from.direction());
  nodes = {top};
  std::vector<NodeId> copies{part.root()};
  for (std::size_t i = 0; i < nodes.size(); ++i) {
    for (const NodeId child : from.children(nodes[i])) {
      nodes.push_back(child);
      copies.push_back(part.append(copies[i], keys_of(child)));
    }
  }
  return part;
}

CustomContent::Widths widths_of(const Solution& solution, NodeId node) {
  const auto& state = solution.passes().state;
  const detail::Index at = solution.tree().store().index_of(node);
  return {state.min_content[at], state.max_content[at]};
}

TEST(NodeRanges, EqualTwoPlainArrangementsPutTogether) {
  int switched = 0, looked = 0;
  for (std::uint32_t seed = 0; seed < 6000 && !HasFailure(); ++seed) {
    RandomScenes random(testing::seed() + seed);
    Tree plain = random.tree(10);
    std::vector<NodeId> candidates;
    for (const NodeId node : plain.nodes()) {
      const Keys keys = plain.keys(node);
      const bool scrolls =
          std::ranges::any_of(plain.nodes(), [&](NodeId one) { return plain.keys(one).scroll != Scroll::none; });
      if (node != plain.root() && is_container(keys.kind) && !keys.aspect_ratio && !keys.hidden && !scrolls &&
          keys.padding.empty() && keys.border.empty() && keys.scale == 1 && plain.child_count(node) > 0) {
        candidates.push_back(node);
      }
    }
    if (candidates.empty()) continue;
    const NodeId own = candidates[static_cast<std::size_t>(random.below(static_cast<int>(candidates.size())))];
    Tree tree = plain;
    const double bound = 20 + random.below(300);
    tree.set(own, box().ranges({Range{.name = "tight", .below_width = bound}}));
    for (const NodeId child : tree.children(own)) {
      tree.when(child, "tight", Changes(Keys(), box().width(random.below(90)).keys()));
    }
    tree.when(own, "tight", Changes(Keys(), (random.chance(50) ? row() : column()).gap(3).wrap().keys()));

    ContainerSize container_size = random.container_size();
    Solver solver, of_plain, of_part, of_around;
    const Solution seen = solver.solve(tree, container_size);
    if (!seen.is_placed(own)) continue;
    const Solution before = of_plain.solve(plain, container_size);
    const bool holds = before.box(own).width < bound - 1e-6 * bound;
    ASSERT_EQ(!seen.node_ranges(own).empty(), holds) << "seed " << seed;
    ASSERT_EQ(seen.box(own).width, before.box(own).width) << "seed " << seed << ": outward it is plain";
    ++looked;
    if (!holds) continue;
    ++switched;

    std::vector<NodeId> nodes;
    const Tree part = alone(seen, own, nodes);
    const Rect outer = seen.box(own);
    const Solution inside = of_part.solve(part, {outer.width, outer.height});
    const auto copies = part.nodes();
    std::map<NodeId, Rect> expected;
    const auto part_boxes = inside.boxes();
    for (const auto& one : part_boxes) expected[one.node] = one.box;
    std::vector<NodeId> in_order{part.root()};
    for (std::size_t i = 0; i < in_order.size(); ++i) {
      for (const NodeId child : part.children(in_order[i])) in_order.push_back(child);
    }
    for (std::size_t i = 1; i < nodes.size(); ++i) {
      ASSERT_EQ(seen.is_placed(nodes[i]), inside.is_placed(in_order[i])) << "seed " << seed;
      if (!seen.is_placed(nodes[i])) continue;
      const Rect found = seen.box(nodes[i]), wanted = expected[in_order[i]];
      ASSERT_NEAR(found.x - outer.x, wanted.x, 1e-6) << "seed " << seed << " " << tree.path(nodes[i]);
      ASSERT_NEAR(found.y - outer.y, wanted.y, 1e-6) << "seed " << seed << " " << tree.path(nodes[i]);
      ASSERT_NEAR(found.width, wanted.width, 1e-6) << "seed " << seed << " " << tree.path(nodes[i]);
      ASSERT_NEAR(found.height, wanted.height, 1e-6) << "seed " << seed << " " << tree.path(nodes[i]);
    }

    // Around it, a leaf that measures as the plain form is wide and the form that holds is high.
    const Solution by_content = of_part.solve(part, {outer.width, {}});
    const double high = by_content.box(part.root()).height, base = by_content.baseline(part.root());
    if (base < 0) continue;  // content of one's own has none above itself
    Tree around = plain;
    around.clear(own);
    Keys leaf = plain.keys(own);
    leaf.kind = Kind::box;
    leaf.padding = leaf.border = {};
    around.replace_keys(own, leaf);
    const Solution wide = of_plain.solve(plain, container_size);
    const CustomContent::Widths widths = widths_of(wide, own);
    if (widths.min_content > widths.max_content)
      continue;  // a line with negative margins; no content of one's own tells that
    around.set_content(own, std::make_shared<GivenSizes>(widths, CustomContent::Heights{high, base}));
    const Solution outside = of_around.solve(around, container_size);
    for (const NodeId node : around.nodes()) {
      if (!outside.is_placed(node)) continue;
      const Rect found = seen.box(node), wanted = outside.box(node);
      ASSERT_NEAR(found.x, wanted.x, 1e-6) << "seed " << seed << " " << tree.path(node) << "\n" << to_json(Scene(tree));
      ASSERT_NEAR(found.width, wanted.width, 1e-6) << "seed " << seed << " " << tree.path(node);
      ASSERT_NEAR(found.y, wanted.y, 1e-6) << "seed " << seed << " " << tree.path(node);
      ASSERT_NEAR(found.height, wanted.height, 1e-6) << "seed " << seed << " " << tree.path(node);
    }
  }
  EXPECT_GT(looked, 1000);
  EXPECT_GT(switched, 400);
}

}  // namespace
}  // namespace fond_ladder
