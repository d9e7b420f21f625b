// SPDX-License-Identifier: MIT
#include "fond_ladder/tree.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/fond_ladder.hpp"
#include "model/nearest_word.hpp"
#include "model/tree_store.hpp"
#include "support/random_scenes.hpp"

namespace fond_ladder {
namespace {

/// All names and how they lie in each other.
std::string to_text(const Tree& tree) {
  std::string text;
  for (const NodeId node : tree.nodes()) text += tree.path(node) + "\n";
  return text;
}

Keys named(Kind kind, const char* name) {
  Keys keys;
  keys.kind = kind;
  keys.name = name;
  return keys;
}

/// Steps in the order of the file, indented by brackets: `r(a b(c))`.
std::string shape(const Tree& tree, NodeId node) {
  std::string text = tree.segment(node), inner;
  for (const NodeId child : tree.children(node)) inner += (inner.empty() ? "" : " ") + shape(tree, child);
  return inner.empty() ? text : text + "(" + inner + ")";
}

std::string shape(const Tree& tree) {
  return shape(tree, tree.root());
}

class TreeEdits : public ::testing::Test {
 protected:
  Tree tree{named(Kind::row, "r")};
  NodeId r = tree.root();
  NodeId a = tree.append(r, named(Kind::box, "a"));
  NodeId b = tree.append(r, named(Kind::column, "b"));
  NodeId c = tree.append(b, named(Kind::box, "c"));
};

TEST_F(TreeEdits, InsertMoveEncloseRemove) {
  EXPECT_EQ(shape(tree), "r(a b(c))");
  const NodeId d = tree.insert(r, 1, named(Kind::box, "d"));
  EXPECT_EQ(shape(tree), "r(a d b(c))");
  tree.move(a, b, 1);
  EXPECT_EQ(shape(tree), "r(d b(c a))");
  tree.move(a, b, 0);
  EXPECT_EQ(shape(tree), "r(d b(a c))");
  const NodeId e = tree.group(r, 0, 2, named(Kind::row, "e"));
  EXPECT_EQ(shape(tree), "r(e(d b(a c)))");
  EXPECT_EQ(tree.parent(d), e);
  tree.remove(b);
  EXPECT_EQ(shape(tree), "r(e(d))");
  EXPECT_EQ(tree.size(), 3U);
  EXPECT_FALSE(tree.contains(c));
}

TEST_F(TreeEdits, DetectsHandlesOfRemovedNodes) {
  for (int i = 0; i < 1000; ++i) {  // the slot is used again and again, and in the end retired
    const NodeId gone = tree.append(r, named(Kind::box, "x"));
    tree.remove(gone);
    ASSERT_FALSE(tree.contains(gone));
    ASSERT_THROW(static_cast<void>(tree.keys(gone)), BadNode);
    const NodeId next = tree.append(r, named(Kind::box, "y"));
    ASSERT_NE(next, gone);
    ASSERT_FALSE(tree.contains(gone));
    tree.remove(next);
  }
  EXPECT_THROW(static_cast<void>(tree.keys(NodeId{})), BadNode);
}

TEST_F(TreeEdits, RefusesWhatWouldTearItApart) {
  const std::string before = shape(tree);
  EXPECT_THROW(tree.remove(r), BadNode);
  EXPECT_THROW(tree.move(b, c, 0), BadNode);
  EXPECT_THROW(tree.move(b, b, 0), BadNode);
  EXPECT_THROW(tree.move(a, b, 7), BadNode);
  EXPECT_THROW(tree.insert(r, 9, named(Kind::box, "x")), BadNode);
  EXPECT_THROW(tree.group(r, 1, 2, named(Kind::row, "x")), BadNode);
  Keys impossible = named(Kind::box, "x");
  impossible.grow = -1;
  EXPECT_THROW(tree.append(r, impossible), BadValue);
  const double no_number = std::numeric_limits<double>::quiet_NaN();
  EXPECT_THROW(Length{no_number}, BadValue);
  EXPECT_THROW(Length(2e9), BadValue);
  impossible.grow = std::numeric_limits<double>::quiet_NaN();
  EXPECT_THROW(tree.replace_keys(a, impossible), BadValue);
  EXPECT_EQ(shape(tree), before);
  EXPECT_EQ(tree.size(), 4U);
}

TEST_F(TreeEdits, SaysHowCopiesAreNamed) {
  for (const char* name : {"m[0]", "m[1]", "m[2]", "one[0]"}) tree.append(b, named(Kind::box, name));
  for (const auto& [path, message] : {std::pair{"m", "\"m\" is copied; write m[0] to m[2], or for all copies m[*]"},
                                      std::pair{"one", "\"one\" is copied once; write one[0]"}}) {
    try {
      static_cast<void>(tree.at(path));
      FAIL() << path;
    } catch (const BadPath& fault) {
      EXPECT_EQ(std::string(fault.what()), message);
    }
  }
}

TEST_F(TreeEdits, FindsNodesByPathAndTail) {
  tree.append(b, named(Kind::box, "a"));
  tree.append(b, named(Kind::text, ""));
  EXPECT_EQ(tree.path(c), "r/b/c");
  EXPECT_EQ(tree.at("c"), c);
  EXPECT_EQ(tree.at("b/c"), c);
  EXPECT_EQ(tree.at("r/a"), a);
  EXPECT_EQ(tree.segment(tree.at("text#2")), "text#2");
  EXPECT_EQ(tree.matches("a").size(), 2U);
  for (const auto& [path, message] :
       {std::pair{"a", "names 2 nodes: r/a, r/b/a; write more of the path"}, std::pair{"b/d", "is not a node"},
        std::pair{"text#3", "is not a node; did you mean \"text#2\""}, std::pair{"x/c", "is not a node"}}) {
    try {
      static_cast<void>(tree.at(path));
      FAIL() << path;
    } catch (const BadPath& fault) {
      EXPECT_NE(std::string(fault.what()).find(message), std::string::npos) << fault.what();
    }
  }
}

TEST_F(TreeEdits, ListsAtMostEightNodesOfAName) {
  for (int i = 0; i < 9; ++i) tree.append(tree.append(b, named(Kind::row, "")), named(Kind::box, "x"));
  try {
    static_cast<void>(tree.at("x"));
    FAIL();
  } catch (const BadPath& fault) {
    EXPECT_STREQ(fault.what(),
                 "\"x\" names 9 nodes: r/b/row#1/x, r/b/row#2/x, r/b/row#3/x, r/b/row#4/x, r/b/row#5/x, r/b/row#6/x, "
                 "r/b/row#7/x, r/b/row#8/x and 1 more; write more of the path");
  }
}

TEST_F(TreeEdits, CopiesAreApart) {
  Tree copy = tree;
  copy.remove(b);
  EXPECT_EQ(shape(tree), "r(a b(c))");
  EXPECT_EQ(shape(copy), "r(a)");
  EXPECT_EQ(copy.path(a), "r/a");
}

TEST(Tree, GivesBackTheKeysItWasGiven) {
  testing::RandomScenes scenes(testing::seed());
  Tree tree(named(Kind::row, "r"), 12, Direction::rtl);
  for (int i = 0; i < 3000; ++i) {
    const Keys keys = scenes.keys(scenes.chance(50));
    const NodeId node = tree.append(tree.root(), keys);
    ASSERT_EQ(tree.keys(node), keys);
    const Keys other = scenes.keys(scenes.chance(50));
    tree.replace_keys(node, other);
    Keys expected = other;
    ASSERT_EQ(tree.keys(node), expected);
    tree.remove(node);
  }
}

TEST(Tree, KeepsTheTextOfANodeThatMeasuresItself) {
  struct Fixed : CustomContent {
    Widths widths() const override { return {5, 5}; }
    Heights height_for(double) const override { return {5, 5}; }
  };
  Keys keys = named(Kind::text, "t");
  keys.text = "Fern";
  Tree tree(named(Kind::row, "r"));
  const NodeId node = tree.append(tree.root(), keys);
  tree.set_content(node, std::make_shared<Fixed>());
  EXPECT_EQ(tree.keys(node).text, "Fern");
  tree.set_content(node, nullptr);
  EXPECT_EQ(tree.keys(node).text, "Fern");
  EXPECT_EQ(tree.content(node)->widths().max_content, 4 * 9.6);
}

TEST(KeyTable, FindsTheNearestWord) {
  const std::array<std::string_view, 4> words{"width", "height", "gap", "along"};
  EXPECT_EQ(nearest_word("widht", words), "width");
  EXPECT_EQ(nearest_word("heigth", words), "height");
  EXPECT_EQ(nearest_word("gapp", words), "gap");
  EXPECT_EQ(nearest_word("zzz", words), "");
  EXPECT_EQ(nearest_word(std::string(100000, 'w'), words), "");
}

Keys named(const char* name, Kind kind = Kind::box) {
  Keys keys;
  keys.kind = kind;
  keys.name = name;
  return keys;
}

TEST(Tree, RefusesTwoSiblingsOfOneName) {
  Tree tree(named("r", Kind::row));
  const NodeId a = tree.append(tree.root(), named("a", Kind::row)), b = tree.append(tree.root(), named("b", Kind::row));
  const NodeId inner = tree.append(a, named("b"));
  const std::string before = to_text(tree);
  EXPECT_THROW(tree.append(tree.root(), named("a")), BadValue);
  EXPECT_THROW(tree.insert(tree.root(), 0, named("b")), BadValue);
  EXPECT_THROW(tree.replace_keys(b, named("a")), BadValue);
  EXPECT_THROW(tree.move(inner, tree.root(), 0), BadValue);
  EXPECT_THROW((void)tree.group(tree.root(), 0, 1, named("b", Kind::row)), BadValue);
  EXPECT_EQ(to_text(tree), before) << "and nothing has changed";
  EXPECT_NO_THROW((void)tree.group(tree.root(), 1, 1, named("b", Kind::row))) << "the other one lies in it";
  EXPECT_NO_THROW(tree.append(tree.root(), named(""))) << "names may be left out";
  EXPECT_NO_THROW(tree.append(tree.root(), named("")));
}

TEST(Tree, GivesNamesBackThatNobodyHas) {
  Tree tree(named("r", Kind::row));
  tree.append(tree.root(), named("a0"));
  for (int i = 1; i < 300; ++i) {
    tree.append(tree.root(), named(("a" + std::to_string(i)).c_str()));
    tree.remove(tree.at("a" + std::to_string(i - 1)));
  }
  EXPECT_EQ(tree.size(), 2U);
  EXPECT_EQ(tree.store().names().count(), 2U);
  EXPECT_THROW((void)tree.at("a7"), BadPath);
}

TEST(Tree, ThatWasMovedFromSaysSo) {
  Tree tree(named("r", Kind::row));
  const Tree taken = std::move(tree);
  EXPECT_THROW((void)tree.size(), BadNode);  // NOLINT(bugprone-use-after-move)
  EXPECT_THROW(tree.append(taken.root(), {}), BadNode);
  EXPECT_THROW(Tree copy(tree), BadNode);
  tree = taken;
  EXPECT_EQ(tree.size(), 1U);
}

TEST(Tree, FindsPathsFromTheirRarestStep) {
  Tree tree(named("page", Kind::column));
  for (int i = 0; i < 200; ++i) {
    const NodeId line = tree.append(tree.root(), named(("line[" + std::to_string(i) + "]").c_str(), Kind::row));
    tree.append(line, named("a"));
    tree.append(tree.append(line, named("", Kind::row)), named("b"));
  }
  EXPECT_EQ(tree.path(tree.at("line[7]/a")), "page/line[7]/a");
  EXPECT_EQ(tree.path(tree.at("line[7]/row#1/b")), "page/line[7]/row#1/b");
  EXPECT_EQ(tree.path(tree.at("page/line[199]")), "page/line[199]");
  EXPECT_EQ(tree.short_path(tree.at("line[7]/row#1")), "line[7]/row#1");
  EXPECT_EQ(tree.short_path(tree.at("line[7]")), "line[7]");
  EXPECT_EQ(tree.matches("a").size(), 200U);
  EXPECT_EQ(tree.path(tree.matches("a")[3]), "page/line[3]/a") << "in the order of the file";
  for (const char* none : {"", "/", "line[7]/", "line[7]/b", "row#2", "a/line[7]", "line[7]//a", "page/page", "row#01"})
    EXPECT_TRUE(tree.matches(none).empty()) << none;
}

}  // namespace
}  // namespace fond_ladder
