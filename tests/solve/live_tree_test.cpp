// SPDX-License-Identifier: MIT
//
// A tree that is kept alive: edited in every way, solved by solvers that see it in different forms. Whatever a solver
// kept, its numbers are those of a fresh solver and of a tree built anew, bit for bit; and it tells what changed.
#include <gtest/gtest.h>

#include <map>
#include <unordered_set>

#include "fond_ladder/fond_ladder.hpp"
#include "support/allocations.hpp"
#include "support/random_scenes.hpp"
#include "support/same_solution.hpp"
#include "support/shorthand.hpp"
#include "support/tree_editor.hpp"

namespace fond_ladder {
namespace {

using testing::difference;
using testing::TreeEditor;

/// Boxes in their parents, of the nodes that have a place.
std::map<NodeId, Rect> boxes_in_parents(const Solution& solution) {
  std::map<NodeId, Rect> all;
  for (const auto& placed : solution.boxes()) all[placed.node] = solution.relative_box(placed.node);
  return all;
}

/// Holds the list of changes against two whole arrangements.
::testing::AssertionResult tells_what_changed(const Solution& solution, const std::map<NodeId, Rect>& before) {
  std::map<NodeId, Solution::Change> answer;
  for (const auto& change : solution.changed()) {
    if (!answer.emplace(change.node, change).second) return ::testing::AssertionFailure() << "one is told twice";
  }
  const auto after = boxes_in_parents(solution);
  for (const auto& [node, now] : after) {
    const auto was = before.find(node);
    const auto change = answer.find(node);
    const bool differs = was != before.end() && was->second != now;
    const bool fits = change != answer.end() && change->second.now == now &&
                      (was == before.end() || !change->second.before || *change->second.before == was->second);
    if (differs && !fits) return ::testing::AssertionFailure() << solution.tree().path(node) << " is not told";
    if (was != before.end() && !differs && change != answer.end() && change->second.before) {
      return ::testing::AssertionFailure() << solution.tree().path(node) << " is told and did not change";
    }
  }
  const auto has_before = [](const auto& change) { return change.second.before.has_value(); };
  if (answer.size() == after.size() && std::ranges::none_of(answer, has_before)) return ::testing::AssertionSuccess();
  for (const auto& [node, was] : before) {
    const NodeId above = solution.tree().contains(node) ? solution.tree().parent(node) : NodeId{};
    if (!above || after.contains(node) || !after.contains(above) || !before.contains(above)) continue;
    if (is_container(solution.kind(above)) && !answer.contains(node)) {
      return ::testing::AssertionFailure() << solution.tree().path(node) << " vanished and is not told";
    }
  }
  return ::testing::AssertionSuccess();
}

TEST(LiveTree, SolversInDifferentFormsEqualFreshOnesAndATreeBuiltAnew) {
  const std::size_t scripts = testing::rectangles() / 10;  // ten times as many by night
  for (std::size_t script = 0; script < scripts && !HasFailure(); ++script) {
    TreeEditor editor(testing::seed() + static_cast<std::uint32_t>(script));
    Solver shut, open;
    shut.track_changes(true);
    open.set_mode("open", true);
    std::map<NodeId, Rect> before;
    for (int step = 0; step < 3 && !HasFailure(); ++step) {
      for (int edits = editor.random().below(4); edits > 0; --edits) editor.edit();
      const ContainerSize container_size =
          editor.random().chance(60) ? ContainerSize{300, 200} : editor.random().container_size();
      const auto where = [&] { return "script " + std::to_string(script) + ", step " + std::to_string(step); };
      const Tree rebuilt = editor.tree();
      for (Solver* kept : {&shut, &open}) {
        Solver fresh;
        fresh.set_mode("open", kept == &open);
        const Solution seen = kept->solve(editor.tree(), container_size);
        ASSERT_EQ(difference(seen, fresh.solve(rebuilt, container_size)), "") << where();
        if (kept == &open) continue;
        if (step > 0) {
          ASSERT_TRUE(tells_what_changed(seen, before)) << where();
        }
        before = boxes_in_parents(seen);
      }
    }
  }
}

TEST(LiveTree, MoreEditsThanAreNotedOneByOneAreSolvedAllTheSame) {
  TreeEditor editor(testing::seed());
  Solver kept;
  for (int step = 0; step < 4; ++step) {
    for (int edits = 0; edits < 1500; ++edits) editor.edit();
    const Tree rebuilt = editor.tree();
    Solver fresh;
    ASSERT_EQ(difference(kept.solve(editor.tree(), {300, 200}), fresh.solve(rebuilt, {300, 200})), "") << step;
  }
}

TEST(LiveTree, ASteadyStateOfEditsAllocatesNothing) {
  Scene scene = column("window").children(column("list"), row("bar").height(20));
  Tree& tree = scene.tree;
  const NodeId list = tree.at("list");
  Keys row;
  row.kind = Kind::row;
  row.height = 7.0;
  for (int i = 0; i < 2000; ++i) tree.append(list, row);
  Solver solver;
  const auto edit = [&] {
    for (int i = 0; i < 1000; ++i) {
      const NodeId node = i % 3 == 0 ? tree.append(tree.root(), row) : tree.insert(list, i % 3 == 1 ? 0 : 1000, row);
      solver.solve(tree, {300, 400});
      tree.remove(node);
      solver.solve(tree, {300, 400});
    }
  };
  edit();
  const std::size_t before = testing::allocations();
  edit();
  EXPECT_EQ(testing::allocations() - before, 0U);
}

TEST(LiveTree, WhatOneEditCostsDoesNotFollowTheLengthOfTheList) {
  Scene scene = column("window").children(column("list"));
  Tree& tree = scene.tree;
  const NodeId list = tree.at("list");
  for (int i = 0; i < 3000; ++i) tree.append(list, row().children(box().natural_size(20, 4)));
  Solver solver;
  solver.solve(tree, {300, 200});
  const auto visits = [&] {
    const auto visited = solver.solve(tree, {300, 200}).visited();
    return visited[0] + visited[1] + visited[2] + visited[3];
  };
  Pin pin;
  pin.left = 4;
  tree.append(list, box().natural_size(3, 3).pin(pin));
  EXPECT_LE(visits(), 3U) << "a pinned child costs itself";
  const NodeId planted = tree.insert(list, 0, row().children(box().natural_size(20, 4)));
  EXPECT_LE(visits(), 16U) << "a new row, its box, the list, the window";
  tree.set(tree.child(planted, 0), box().natural_size(20, 9));
  EXPECT_LE(visits(), 14U) << "a higher box";
  tree.remove(planted);
  EXPECT_LE(visits(), 8U);
}

TEST(LiveTree, TakesKeysSubtreesCopiesAndNumbersOfTheUser) {
  Scene scene = column("house").children(row("bar").gap(8).children(text("title", "North house")), row("beds"));
  Tree& tree = scene.tree;
  const NodeId bar = tree.at("bar"), beds = tree.at("beds"), title = tree.at("title");
  tree.set(bar, box().padding(4));
  EXPECT_EQ(tree.keys(bar).gap, Gap(8)) << "what is not said stays";
  EXPECT_EQ(tree.keys(bar).padding, Edges(4));
  EXPECT_EQ(tree.kind(bar), Kind::row) << "a box() says no kind";
  tree.set(title, text({}, "South house"));
  EXPECT_EQ(tree.keys(title).text, "South house");
  EXPECT_EQ(tree.keys(title).name, "title");

  const NodeId fern = tree.append(beds, column("fern").padding(2).children(text("name", "Fern"), box("dial").width(9)));
  EXPECT_EQ(tree.path(tree.at("dial")), "house/beds/fern/dial");
  const NodeId moss = tree.copy(fern, tree.root(), 1);
  EXPECT_EQ(tree.path(moss), "house/fern");
  EXPECT_EQ(tree.keys(tree.child(moss, 1)).width, Sizing(9.0));
  EXPECT_EQ(tree.index_of(moss), 1U);
  EXPECT_EQ(tree.child(tree.root(), 1), moss);
  EXPECT_THROW((void)tree.child(moss, 2), BadNode);
  EXPECT_THROW(tree.copy(fern, beds, 0), BadValue) << "two siblings of one name";
  EXPECT_THROW(tree.append(beds, row("moss").children(box("a"), box("a"))), BadValue);
  tree.set_conditions({}, {"open"});
  EXPECT_THROW(tree.append(beds, row("moss").children(box("a").when("open", box().grow(-1)))), BadValue);
  EXPECT_THROW(tree.append(beds, row("moss").children(box("a").when("shut", box().grow(1)))), BadValue);
  EXPECT_EQ(tree.child_count(beds), 1U) << "nothing of it was put in";
  try {
    tree.append(beds, row("moss").children(box(), row("tray").children(box().grow(-1))));
    FAIL();
  } catch (const BadValue& fault) {
    EXPECT_STREQ(fault.what(), "moss/tray/box#0: grow must be 0, or from 1e-9 to 1e9");
  }

  int widget = 0;
  tree.set_user_data(fern, reinterpret_cast<std::uintptr_t>(&widget));
  EXPECT_EQ(tree.user_data(fern), reinterpret_cast<std::uintptr_t>(&widget));
  EXPECT_EQ(tree.user_data(moss), 0U) << "not copied with the node";
  const Tree other = tree;
  EXPECT_EQ(other.user_data(fern), tree.user_data(fern)) << "but with the tree";
  EXPECT_EQ((std::unordered_set<NodeId>{fern, moss, fern}.size()), 2U);

  Solver solver;
  const Solution solution = solver.solve(tree, {200, 100});
  tree.set_user_data(moss, 7);
  EXPECT_TRUE(solution.is_valid()) << "user data change nothing that is solved";
  tree.clear(fern);
  EXPECT_EQ(tree.child_count(fern), 0U);
  EXPECT_FALSE(tree.contains(tree.matches("dial").size() == 2 ? fern : NodeId{}));
  tree.remove(fern);
  const NodeId again = tree.append(beds, box("rose"));
  EXPECT_EQ(tree.user_data(again), 0U) << "the number of a node that is gone is nobody's";
}

TEST(LiveTree, ATextOnOneLineKeepsTheLineFeedsThatWereWritten) {
  Scene scene = column("c").children(text("t", "North\nhouse").one_line(), text("plain", "North\nhouse"));
  EXPECT_EQ(scene.tree.keys(scene.tree.at("t")).text, "North\nhouse");
  scene.tree.set(scene.tree.at("t"), box().one_line(false));
  EXPECT_EQ(solve(scene, {400, 400}).lines(scene.tree.at("t")), 2) << "and has two lines again";
}

TEST(LiveTree, OneTreeServesSolversInDifferentForms) {
  Tree tree = Scene(row("r").children(box("a").width(10).shrink(0), text("t", "two words"))).tree;
  const NodeId a = tree.at("a"), t = tree.at("t");
  tree.set_conditions({Range{.name = "small", .below_width = 50}}, {"shut"});
  tree.when(a, "small", box().width(4).explicit_keys());
  tree.when(t, "shut", box().font_size(8).explicit_keys());
  Solver plain, shut;
  shut.set_mode("shut", true);
  const Solution one = plain.solve(tree, {200, 30}), other = shut.solve(tree, {49, 30});
  EXPECT_EQ(testing::boxes_text(one), "a(0,0 10x30) t(10,0 86.4x30)");
  EXPECT_EQ(testing::boxes_text(other), "a(0,0 4x30) t(4,0 43.2x30)");
  EXPECT_EQ(one.keys(t).font_size, std::nullopt);
  EXPECT_EQ(other.keys(t).font_size, 8);
  EXPECT_EQ(other.active(), (std::vector<std::string>{"small", "shut"}));
  EXPECT_EQ(tree.keys(a).width, Sizing(10.0)) << "the tree is as it was";

  tree.set(a, box().height(5));
  EXPECT_EQ(testing::boxes_text(shut.solve(tree, {49, 30})), "a(0,0 4x5) t(4,0 43.2x30)") << "an edit under a form";
  shut.set_mode("shut", false);
  EXPECT_EQ(testing::boxes_text(shut.solve(tree, {49, 30})), "a(0,0 4x5) t(4,0 48x30)");
}

TEST(LiveTree, FormsThatCannotBeAreRefused) {
  Tree tree = Scene(row("r").children(box("a"))).tree;
  const NodeId a = tree.at("a");
  EXPECT_THROW(tree.when(a, "small", box().width(4).explicit_keys()), BadValue) << "no such range";
  tree.set_conditions({Range{.name = "small", .below_width = 50}}, {"shut"});
  EXPECT_THROW(tree.when(a, "small", box().grow(-1).explicit_keys()), BadValue);
  EXPECT_THROW(tree.set_conditions({Range{.name = "shut"}}, {"shut"}), BadValue) << "one name for two";
  tree.when(a, "small", box().width(4).explicit_keys());
  EXPECT_THROW(tree.set_conditions({}, {"shut"}), BadValue) << "somebody goes by it";
  EXPECT_EQ(tree.whens().size(), 1U);
  tree.set_conditions({Range{.name = "tiny"}, Range{.name = "small", .below_width = 9}}, {});
  EXPECT_EQ(tree.whens(a)[0].name, "small") << "at another place among them";
  tree.when(a, "small", {});
  EXPECT_TRUE(tree.whens().empty());
  tree.set_conditions({}, {});
}

TEST(LiveTree, TellsWhatChangedAndWhereItWas) {
  Tree tree = Scene(column("c").children(box("a").height(10), box("b").height(10), box("c").height(10))).tree;
  Solver solver;
  solver.track_changes(true);
  EXPECT_EQ(solver.solve(tree, {50, 100}).changed().size(), 4U) << "at first everything, without boxes before";
  EXPECT_TRUE(solver.solve(tree, {50, 100}).changed().empty());
  tree.set(tree.at("b"), box().height(15));
  const auto text_of = [&](const std::vector<Solution::Change>& changes) {
    std::map<std::size_t, std::string> sorted;
    for (const auto& change : changes) {
      const auto box = [](const std::optional<Rect>& rect) {
        return rect ? testing::short_number(rect->y) + "+" + testing::short_number(rect->height) : std::string("none");
      };
      sorted[change.node == tree.root() ? 0 : tree.index_of(change.node) + 1] =
          tree.segment(change.node) + " " + box(change.before) + " > " + box(change.now);
    }
    std::string all;
    for (const auto& [place, words] : sorted) all += (all.empty() ? "" : ", ") + words;
    return all;
  };
  EXPECT_EQ(text_of(solver.solve(tree, {50, 100}).changed()), "b 10+10 > 10+15, c 20+10 > 25+10");
  tree.set(tree.at("b"), box().hidden());
  EXPECT_EQ(text_of(solver.solve(tree, {50, 100}).changed()), "b 10+15 > none, c 25+10 > 10+10");
  tree.set(tree.at("b"), box().hidden(false));
  tree.append(tree.root(), box("d").height(5));
  const Solution shown = solver.solve(tree, {50, 100}).snapshot();
  EXPECT_EQ(text_of(shown.changed()), "b none > 10+15, c 10+10 > 25+10, d none > 35+5");
  EXPECT_EQ(text_of(solver.solve(tree, {50, 90}).changed()), "c 0+100 > 0+90");
}

TEST(LiveTree, AStyledNodeTakesAtMost400Bytes) {
  std::vector<Node> texts;
  for (int i = 0; i < 20000; ++i) {
    texts.push_back(text({}, "Fern").font_size(13 + i % 3).min_width(20 + i).max_width(400).with([&](Keys& keys) {
      keys.padding.set(Side::x, 12.0 + i).set(Side::y, 6.0);
    }));
  }
  Scene scene = column("list").children(std::move(texts));
  Solver solver;
  solver.solve(scene.tree, {800, 600});
  const std::size_t words = 20000 * FixedWidthText("Fern", {13, false, {}}).memory();
  const auto bytes = static_cast<double>(scene.tree.memory() + solver.memory() - solver.scratch_memory() - words);
  EXPECT_LE(bytes / static_cast<double>(scene.tree.size()), 400);
  EXPECT_GT(scene.tree.memory(), words) << "words are counted";
}

}  // namespace
}  // namespace fond_ladder
