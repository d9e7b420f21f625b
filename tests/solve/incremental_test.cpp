// SPDX-License-Identifier: MIT
//
// A solver that has seen a tree before gives the same numbers as a fresh one, bit for bit, and visits only what
// changed.
#include <gtest/gtest.h>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::RandomScenes;

void expect_equal(const Solution& a, const Solution& b, const std::string& where) {
  const auto first = a.boxes(), second = b.boxes();
  ASSERT_EQ(first.size(), second.size()) << where;
  for (std::size_t i = 0; i < first.size(); ++i) {
    ASSERT_EQ(first[i].node, second[i].node) << where;
    ASSERT_EQ(first[i].box, second[i].box) << where << " " << a.tree().path(first[i].node);
    ASSERT_EQ(a.baseline(first[i].node), b.baseline(first[i].node)) << where;
    ASSERT_EQ(a.laid_lines(first[i].node), b.laid_lines(first[i].node)) << where;
    ASSERT_EQ(a.line(first[i].node), b.line(first[i].node)) << where;
    ASSERT_EQ(a.box(first[i].node), first[i].box) << where << ": one order of adding";
  }
}

/// One edit of any sort at a random place.
void edit(Tree& tree, RandomScenes& scenes, int number) {
  const auto nodes = tree.nodes();
  const auto any = [&] { return nodes[static_cast<std::size_t>(scenes.below(static_cast<int>(nodes.size())))]; };
  const NodeId node = any();
  const bool is_root = node == tree.root();
  const bool container = is_container(tree.kind(node));
  Keys keys = scenes.keys(!container);
  keys.name = is_root ? "root" : "e" + std::to_string(number);
  switch (scenes.below(7)) {
    case 0:
    case 1: return tree.replace_keys(node, keys);
    case 2: {
      Keys toggled = tree.keys(node);
      toggled.hidden = !toggled.hidden && !is_root;
      return tree.replace_keys(node, toggled);
    }
    case 3:
      if (container)
        tree.insert(node, static_cast<std::size_t>(scenes.below(static_cast<int>(tree.child_count(node)) + 1)),
                    scenes.keys(true));
      return;
    case 4:
      if (!is_root && nodes.size() > 4) tree.remove(node);
      return;
    case 5: {
      const NodeId parent = any();
      try {
        if (is_container(tree.kind(parent))) tree.move(node, parent, 0);
      } catch (const BadNode&) {  // into itself
      }
      return;
    }
    default:
      if (container && tree.child_count(node) > 1) {
        keys.kind = Kind::row;
        tree.group(node, 0, 2, keys);
      }
  }
}

/// A column that is long enough to be kept as a list (kept_line.hpp), mostly of plain rows.
void add_list(Tree& tree, RandomScenes& scenes) {
  Keys column;
  column.kind = Kind::column;
  const NodeId list = tree.append(tree.root(), column);
  for (int i = 0; i < 24; ++i) {
    Keys row;
    row.natural_size = {10, static_cast<double>(scenes.below(30))};
    if (scenes.chance(20)) row.max_height = 12;
    tree.append(list, scenes.chance(4) ? scenes.keys(true) : row);
  }
}

TEST(Incremental, EqualsAFreshSolveAfterAnyEdits) {
  for (std::uint32_t run = 0; run < 150 && !HasFailure(); ++run) {
    RandomScenes scenes(testing::seed() + run);
    Tree tree = scenes.tree(25);
    if (run % 3 == 0) add_list(tree, scenes);
    Solver kept, seldom;  // the second one misses edits, packings and moves
    for (int step = 0; step < 25 && !HasFailure(); ++step) {
      const int edits = scenes.below(3);
      for (int i = 0; i < edits; ++i) edit(tree, scenes, 100 * step + i);
      const ContainerSize container_size = scenes.chance(40) ? ContainerSize{300, 200} : scenes.container_size();
      Solver fresh;
      const std::string where = "seed " + std::to_string(testing::seed() + run) + " step " + std::to_string(step);
      const Solution expected = fresh.solve(tree, container_size);
      expect_equal(kept.solve(tree, container_size), expected, where);
      if (scenes.chance(20)) expect_equal(seldom.solve(tree, container_size), expected, where + ", seldom solved");
      const Tree laid_anew = tree;
      Solver of_copy;
      expect_equal(of_copy.solve(laid_anew, container_size), expected, where + ", in a copy");
    }
  }
}

TEST(Incremental, TheOrderOfEditsDoesNotMatter) {
  const auto keys = [](const char* name, double width) {
    Keys own;
    own.name = name;
    own.width = width;
    return own;
  };
  Keys root;
  root.kind = Kind::row;
  Tree one(root), two(root);
  const NodeId a = one.append(one.root(), keys("a", 10));
  one.append(one.root(), keys("b", 20));
  one.insert(one.root(), 1, keys("c", 30));
  one.replace_keys(a, keys("a", 40));
  two.append(two.root(), keys("c", 30));
  two.append(two.root(), keys("b", 20));
  two.append(two.root(), keys("x", 99));
  two.insert(two.root(), 0, keys("a", 40));
  two.remove(two.at("x"));
  Solver solver, other;
  EXPECT_EQ(testing::boxes_text(solver.solve(one, {500, 5})), testing::boxes_text(other.solve(two, {500, 5})));
}

/// A tree of `rows` rows of ten boxes in a column; the boxes are as wide as given.
Tree sheet(int rows) {
  Keys keys;
  keys.kind = Kind::column;
  Tree tree(keys);
  for (int i = 0; i < rows; ++i) {
    keys.kind = Kind::row;
    keys.height = automatic;
    keys.width = automatic;
    const NodeId row = tree.append(tree.root(), keys);
    keys.kind = Kind::box;
    keys.width = 20.0;
    keys.height = 5.0;
    for (int k = 0; k < 10; ++k) tree.append(row, keys);
  }
  return tree;
}

using Visits = std::array<std::size_t, 4>;

TEST(Incremental, VisitsOnlyWhatChanged) {
  Tree tree = sheet(50);
  const std::size_t n = tree.size();
  Solver solver;
  EXPECT_EQ(solver.solve(tree, {400, 900}).visited(), (Visits{n, n, n, n})) << "fresh";
  EXPECT_EQ(solver.solve(tree, {400, 900}).visited(), (Visits{0, 0, 0, 0})) << "nothing new";
  EXPECT_EQ(solver.solve(tree, {400, 800}).visited(), (Visits{0, 0, 0, 1})) << "a new height that no row needs";
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{0, 51, 51, 51}))
      << "the root and its rows; boxes keep 20";

  const NodeId row = tree.children(tree.root())[25];
  const NodeId leaf = tree.children(row)[3];
  Keys keys = tree.keys(leaf);
  keys.width = 30.0;
  tree.replace_keys(leaf, keys);
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{3, 2, 1, 2}))
      << "the leaf, its row, the root; the root comes out as it was, the height of the row too";

  tree.append(row, keys);
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{3, 2, 1, 2})) << "the same of a new leaf";
  tree.remove(leaf);
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{2, 1, 1, 1})) << "the row, and a look at the root";
  tree.move(tree.children(row)[0], tree.children(tree.root())[3], 0);
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{4, 3, 2, 3}))
      << "two rows and the leaf; the root is measured";

  Keys pinned = keys;
  pinned.pin.emplace();
  tree.append(tree.root(), pinned);
  EXPECT_EQ(solver.solve(tree, {500, 800}).visited(), (Visits{1, 1, 0, 1})) << "nobody but the pinned leaf";
}

TEST(Incremental, ALongListIsEditedAnywhere) {
  Tree tree = sheet(300);
  const NodeId list = tree.root();
  RandomScenes scenes(testing::seed());
  Solver kept, seldom;
  Keys row;
  row.kind = Kind::row;
  row.height = 7.0;
  for (int step = 0; step < 3000 && !HasFailure(); ++step) {
    const int count = static_cast<int>(tree.child_count(list));
    const auto place = static_cast<std::size_t>(scenes.below(count));
    switch (scenes.below(4)) {
      case 0: tree.insert(list, place, row); break;
      case 1: tree.remove(tree.children(list)[place]); break;
      case 2: tree.move(tree.children(list)[place], list, static_cast<std::size_t>(scenes.below(count))); break;
      default: tree.append(tree.children(list)[place], row);
    }
    if (step % 20 != 0) continue;
    Solver fresh;
    const Solution expected = fresh.solve(tree, {400, 900});
    expect_equal(kept.solve(tree, {400, 900}), expected, "step " + std::to_string(step));
    if (step % 300 == 0) expect_equal(seldom.solve(tree, {400, 900}), expected, "seldom, " + std::to_string(step));
  }
}

TEST(Incremental, SayingWhatIsSaidAlreadyVisitsNothing) {
  Tree tree = sheet(5);
  const NodeId row = tree.children(tree.root())[2];
  Solver solver;
  solver.solve(tree, {400, 900});
  Keys keys = tree.keys(row);
  tree.replace_keys(row, keys);
  EXPECT_EQ(solver.solve(tree, {400, 900}).visited(), Visits{}) << "equal keys";
  keys.name = "third";
  keys.touch_target = true;
  tree.replace_keys(row, keys);
  EXPECT_EQ(solver.solve(tree, {400, 900}).visited(), Visits{}) << "a name, and a touch";
  EXPECT_EQ(tree.at("third"), row);
  EXPECT_TRUE(tree.keys(row).touch_target);
}

/// The boxes of a tree that was built anew, keys and all, in the order of the file.
std::vector<Rect> boxes_rebuilt(const Tree& tree, const ContainerSize& container_size) {
  Tree rebuilt(tree.keys(tree.root()), tree.em(), tree.direction());
  std::vector<std::pair<NodeId, NodeId>> open{{tree.root(), rebuilt.root()}};
  while (!open.empty()) {
    const auto [from, to] = open.back();
    open.pop_back();
    for (const NodeId child : tree.children(from)) open.emplace_back(child, rebuilt.append(to, tree.keys(child)));
  }
  std::vector<Rect> boxes;
  Solver solver;
  for (const auto& one : solver.solve(rebuilt, container_size).boxes()) boxes.push_back(one.box);
  return boxes;
}

std::vector<Rect> boxes_of(Solver& solver, const Tree& tree, const ContainerSize& container_size) {
  std::vector<Rect> boxes;
  for (const auto& one : solver.solve(tree, container_size).boxes()) boxes.push_back(one.box);
  return boxes;
}

TEST(Incremental, AnotherDirectionOrEmEqualsATreeBuiltWithIt) {
  const ContainerSize container_size{300, 200};
  int turned = 0, resized = 0;
  for (std::uint32_t run = 0; run < 60 && !HasFailure(); ++run) {
    RandomScenes scenes(testing::seed() + run);
    Tree tree = scenes.tree(30);
    Solver solver;
    const std::vector<Rect> first = boxes_of(solver, tree, container_size);
    tree.set_direction(tree.direction() == Direction::rtl ? Direction::ltr : Direction::rtl);
    const std::vector<Rect> second = boxes_of(solver, tree, container_size);
    EXPECT_EQ(second, boxes_rebuilt(tree, container_size)) << run;
    tree.set_em(11);
    const std::vector<Rect> third = boxes_of(solver, tree, container_size);
    EXPECT_EQ(third, boxes_rebuilt(tree, container_size)) << run;
    turned += first != second;
    resized += second != third;
  }
  EXPECT_GT(turned, 20);
  EXPECT_GT(resized, 5);
  Tree text = testing::scene_from("row:r [ text:t text=fern ]").tree;
  Solver solver;
  const Rect small = solver.solve(text, {300, {}})["t"];
  text.set_em(32);
  const Rect large = solver.solve(text, {300, {}})["t"];
  EXPECT_EQ(large.width, 2 * small.width) << "a text without a size of its own";
  EXPECT_EQ(large.height, 2 * small.height) << "and it kept its line";
}

TEST(Incremental, NodesEditedWhileHiddenAreSolvedWhenShown) {
  Tree tree = testing::scene_from("row:r [ row:h [ box:i width=10 ] box:b width=5 ]").tree;
  Solver solver;
  solver.solve(tree, {100, 10});
  Keys hidden = tree.keys(tree.at("h"));
  hidden.hidden = true;
  tree.replace_keys(tree.at("h"), hidden);
  solver.solve(tree, {100, 10});
  Keys wider = tree.keys(tree.at("i"));
  wider.width = 30.0;
  tree.replace_keys(tree.at("i"), wider);
  solver.solve(tree, {100, 10});
  hidden.hidden = false;
  tree.replace_keys(tree.at("h"), hidden);
  EXPECT_EQ(testing::boxes_text(solver.solve(tree, {100, 10})), "h(0,0 30x10) i(0,0 30x10) b(30,0 5x10)");
}

TEST(Incremental, OneSolverMayTurnToAnotherTreeAndBack) {
  const Tree a = sheet(3), b = sheet(5);
  Solver solver, fresh;
  solver.solve(a, {300, 100});
  solver.solve(b, {300, 100});
  expect_equal(solver.solve(a, {250, 100}), fresh.solve(a, {250, 100}), "back");
}

TEST(Incremental, LineMarksDoNotOutliveTheLines) {
  Scene scene = testing::scene_from("row:r wrap=true [ box:a width=150 box:b width=150 ]");
  const NodeId r = scene.tree.root(), b = scene.tree.at("b");
  Solver solver;
  EXPECT_EQ(solver.solve(scene.tree, {190, 50}).line(b), 2);
  for (const Kind kind : {Kind::stack, Kind::grid}) {
    Keys keys = scene.tree.keys(r);
    keys.kind = kind;
    scene.tree.replace_keys(r, keys);
    const Solution arranged = solver.solve(scene.tree, {190, 50});
    EXPECT_EQ(arranged.line(b), 0) << word(kind);
    EXPECT_EQ(arranged.laid_lines(r).size(), 1U) << word(kind);
  }
}

TEST(Incremental, ContentIsAskedAtExactlyItsWidthWhereThatFits) {
  struct Label : CustomContent {
    explicit Label(double most) : width(most) {}
    double width;
    mutable int wrapped = 0;
    Widths widths() const override { return {1, width}; }
    Heights height_for(double given) const override {
      wrapped += given < width && given > width - 1 ? 1 : 0;
      return {given < width ? 20.0 : 10.0, 0};
    }
  };
  RandomScenes random(testing::seed());
  for (int run = 0; run < 400; ++run) {
    Tree tree = testing::scene_from("row:r across=start [ box:label padding=100.65 margin=0.7 box:b weight=1 ]").tree;
    const auto label = std::make_shared<Label>(10 + random.below(100000) / 997.0);
    tree.set_content(tree.at("label"), label);
    Solver solver;
    EXPECT_NEAR(solver.solve(tree, {500, 100}).box(tree.at("label")).height, 211.3, 1e-9) << "on one line";
    EXPECT_EQ(label->wrapped, 0) << label->width;
  }
}

TEST(Incremental, ContentThatThrowsOnceLeavesNothingWrong) {
  struct Moody : CustomContent {
    mutable bool throws = false;
    double size = 20;
    Widths widths() const override { return {size, size}; }
    Heights height_for(double width) const override {
      if (throws) throw std::runtime_error("not now");
      return {width, 0};
    }
  };
  const Scene scene = testing::scene_from("column:c across=stretch [ box:a box:b height=5 ]");
  Tree tree = scene.tree;
  const auto content = std::make_shared<Moody>();
  tree.set_content(tree.at("a"), content);
  Solver solver;
  EXPECT_EQ(solver.solve(tree, {50, 100}).box(tree.at("b")).y, 50);
  content->throws = true;
  EXPECT_THROW(solver.solve(tree, {80, 100}), std::runtime_error);
  content->throws = false;
  EXPECT_EQ(solver.solve(tree, {80, 100}).box(tree.at("b")).y, 80);
}

}  // namespace
}  // namespace fond_ladder
