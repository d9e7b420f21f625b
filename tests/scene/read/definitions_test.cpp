// SPDX-License-Identifier: MIT
//
// Parts, shared keys and copies: which of several objects that say a key wins, and what is refused.
#include <gtest/gtest.h>

#include "fond_ladder/scene_file.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Scene scene_of(const std::string& head, const std::string& children) {
  return read_scene(R"({"format":2,)" + head + R"("root":{"kind":"row","name":"r","children":[)" + children + "]}}",
                    "s");
}

std::string faults(const std::string& head, const std::string& children) {
  try {
    scene_of(head, children);
  } catch (const BadScene& scene) {
    std::string text;
    for (const SceneError& fault : scene.faults()) text += fault.message + " (at " + fault.pointer + ")\n";
    return text;
  }
  return "none\n";
}

/// `name width`, child by child.
std::string widths(const Scene& scene) {
  std::string text;
  for (const NodeId child : scene.tree.children(scene.tree.root())) {
    const Sizing width = scene.tree.keys(child).width;
    text += (text.empty() ? "" : " ") + scene.tree.segment(child) + " " +
            (width.way() == Sizing::Way::by_length ? testing::short_number(width.length().amount()) : "-");
  }
  return text;
}

TEST(Definitions, LaterLayersBeatEarlierOnes) {
  const std::string shared = R"("shared":{"s":{"width":3},"t":{"width":4,"height":1}},)";
  const std::string parts =
      R"("parts":{"p":{"kind":"box","width":2},"q":{"kind":"box","like":"s"},"n":{"part":"p","with":{"width":7}}},)";
  const struct {
    const char *name, *child, *widths;
  } cases[] = {
      {"own alone", R"({"kind":"box","name":"a","width":9})", "a 9"},
      {"shared", R"({"kind":"box","name":"a","like":"s"})", "a 3"},
      {"the later of two shared", R"({"kind":"box","name":"a","like":["t","s"]})", "a 3"},
      {"own beats shared", R"({"kind":"box","name":"a","like":"s","width":9})", "a 9"},
      {"wherever it is written", R"({"width":9,"like":"s","name":"a","kind":"box"})", "a 9"},
      {"a part", R"({"part":"p","name":"a"})", "a 2"},
      {"shared beats the part", R"({"part":"p","name":"a","like":"s"})", "a 3"},
      {"with beats shared", R"({"part":"p","name":"a","like":"s","with":{"width":5}})", "a 5"},
      {"own beats with", R"({"part":"p","name":"a","with":{"width":5},"width":9})", "a 9"},
      {"what a part is like", R"({"part":"q","name":"a"})", "a 3"},
      {"a part that begins with a part", R"({"part":"n","name":"a"})", "a 7"},
  };
  for (const auto& [name, child, expected] : cases) {
    EXPECT_EQ(widths(scene_of(shared + parts, child)), expected) << name;
  }
}

TEST(Definitions, EachIsTheWeakestLayer) {
  const Scene scene = read_scene(
      R"({"format":2,"shared":{"s":{"width":3}},"parts":{"p":{"kind":"box","width":2}},"root":{"kind":"row",)"
      R"("each_child":{"kind":"box","width":1,"like":"s"},"children":[{"name":"a"},{"name":"b","like":"s"},{"name":"c","part":"p"}]}})",
      "s");
  EXPECT_EQ(widths(scene), "a 1 b 3 c 2");
}

const std::string card = R"("parts":{"card":{"kind":"column","children":[{"kind":"text","name":"title","text":"-"},)"
                         R"({"part":"dial","name":"heat"},{"kind":"box","name":"spot","copies":2}]},)"
                         R"("dial":{"kind":"stack","children":[{"kind":"text","name":"value","text":"0"}]}},)";

TEST(Definitions, WithReachesInnerNodesByPath) {
  const Scene scene =
      scene_of(card, R"({"part":"card","name":"a","with":{"title":{"text":"Oak"},"heat/value":{"text":"21"},)"
                     R"("spot":{"width":5},"spot[1]":{"height":6}}},)"
                     R"({"part":"card","name":"b","with":{"value":{"text":"18"}}})");
  const Tree& tree = scene.tree;
  EXPECT_EQ(tree.keys(tree.at("a/title")).text, "Oak");
  EXPECT_EQ(tree.keys(tree.at("a/heat/value")).text, "21");
  EXPECT_EQ(tree.keys(tree.at("b/heat/value")).text, "18");
  EXPECT_EQ(tree.keys(tree.at("b/title")).text, "-");
  EXPECT_EQ(tree.keys(tree.at("a/spot[0]")).width, Sizing(5));
  EXPECT_EQ(tree.keys(tree.at("a/spot[0]")).height, Sizing());
  EXPECT_EQ(tree.keys(tree.at("a/spot[1]")).height, Sizing(6));
}

TEST(Definitions, OuterUsesOfAPartBeatInnerOnes) {
  const std::string parts = R"("parts":{"in":{"kind":"row","children":[{"kind":"box","name":"x","width":1}]},)"
                            R"("out":{"kind":"row","children":[{"part":"in","name":"i","with":{"x":{"width":2}}}]}},)";
  const auto x = [&](const std::string& child) {
    const Scene scene = scene_of(parts, child);
    return scene.tree.keys(scene.tree.at("o/i/x")).width;
  };
  EXPECT_EQ(x(R"({"part":"out","name":"o"})"), Sizing(2));
  EXPECT_EQ(x(R"({"part":"out","name":"o","with":{"i/x":{"width":3}}})"), Sizing(3));
}

TEST(Definitions, CopiesAreNumbered) {
  EXPECT_EQ(
      widths(scene_of(
          "",
          R"({"kind":"box","name":"a","copies":3,"width":4},{"kind":"box","copies":2},{"kind":"box","copies":0,"name":"z"})")),
      "a[0] 4 a[1] 4 a[2] 4 box#3 - box#4 -");
  const Scene nested =
      scene_of("", R"({"kind":"row","name":"a","copies":2,"children":[{"kind":"box","name":"b","copies":2}]})");
  EXPECT_EQ(nested.tree.size(), 1U + 2 + 4);
  EXPECT_EQ(nested.tree.path(nested.tree.at("a[1]/b[0]")), "r/a[1]/b[0]");
  EXPECT_EQ(testing::boxes_at(
                "grid:g columns=2 place_content=start [ box:a copies=3 natural_size=[5,4] width=content ]", "20x20"),
            "a[0](0,0 5x4) a[1](10,0 5x4) a[2](0,4 5x4)");
}

/// `path width` of all nodes that say one, in the order of the file.
std::string all_widths(const Scene& scene) {
  std::string text;
  for (const NodeId node : scene.tree.nodes()) {
    const Sizing width = scene.tree.keys(node).width;
    if (width.way() != Sizing::Way::by_length) continue;
    const std::string path = scene.tree.path(node).substr(2);
    text += (text.empty() ? "" : " ") + path + " " + testing::short_number(width.length().amount());
  }
  return text;
}

TEST(Definitions, AListOfCopiesSaysWhatIsAnotherInEach) {
  const std::string head = R"("shared":{"s":{"width":7}},"parts":{"p":{"kind":"row","children":[
      {"kind":"box","name":"i","width":1},{"kind":"row","name":"k","children":[{"kind":"box","name":"l","width":2}]}]},
      "outer":{"kind":"row","children":[{"part":"p","name":"c","copies":[{"width":5},{"i":{"width":6}}]}]}},)";
  const struct {
    const char *name, *child, *widths;
  } cases[] = {
      {"its own keys", R"({"kind":"box","name":"a","width":3,"copies":[{},{"width":4}]})", "a[0] 3 a[1] 4"},
      {"what shared keys say", R"({"kind":"box","name":"a","width":3,"copies":[{"like":"s"}]})", "a[0] 7"},
      {"inner nodes of its own",
       R"({"kind":"row","name":"a","copies":[{"b":{"width":4}},{}],"children":[{"kind":"box","name":"b","width":3}]})",
       "a[0]/b 4 a[1]/b 3"},
      {"inner nodes in short",
       R"({"kind":"row","name":"a","copies":[{"b.width":4,"b.height":1}],"children":[{"kind":"box","name":"b"}]})",
       "a[0]/b 4"},
      {"inner nodes of a part", R"({"part":"p","name":"a","copies":[{"i.width":4},{"k/l.width":5}]})",
       "a[0]/i 4 a[0]/k/l 2 a[1]/i 1 a[1]/k/l 5"},
      {"more than the part's with",
       R"({"part":"p","name":"a","with":{"i.width":8,"k/l.width":9},"copies":[{"i.width":4}]})", "a[0]/i 4 a[0]/k/l 9"},
      {"less than who uses the part around it",
       R"({"part":"outer","name":"o","with":{"c[1]/i.width":9,"c[0].width":8}})",
       "o/c[0] 8 o/c[0]/i 1 o/c[0]/k/l 2 o/c[1]/i 9 o/c[1]/k/l 2"},
      {"inner nodes that are called as a key",
       R"({"kind":"row","name":"a","copies":[{"./pin":{"width":4}},{"./pin.width":5}],)"
       R"("children":[{"kind":"box","name":"pin","width":3}]})",
       "a[0]/pin 4 a[1]/pin 5"},
      {"inner nodes by a path with a mark",
       R"({"part":"p","name":"a","with":{"./k/l":{"width":4}},"copies":[{"./i.width":9}]})", "a[0]/i 9 a[0]/k/l 4"},
      {"an empty list", R"({"kind":"box","name":"a","copies":[]},{"kind":"box","name":"b","width":1})", "b 1"},
  };
  for (const auto& [name, child, expected] : cases) {
    EXPECT_EQ(all_widths(scene_of(head, child)), expected) << name;
  }
  std::string many = "{}";  // each copy pays for what is said of it alone
  for (int i = 1; i < 3000; ++i) many += R"(,{"b.text":"the words of entry )" + std::to_string(i) + R"(","gap":3})";
  const Scene long_list =
      scene_of("", R"({"kind":"row","name":"a","copies":[)" + many + R"(],"children":[{"kind":"text","name":"b"}]})");
  EXPECT_EQ(long_list.tree.keys(long_list.tree.at("a[2999]/b")).text, "the words of entry 2999");
  // Under a condition there may be fewer or more; those behind the list say nothing of themselves.
  const Scene scene = scene_of(
      R"("modes":["few","many"],)",
      R"({"kind":"box","name":"a","width":1,"copies":[{"width":4},{"when":{"many":{"width":5}}}],"when":{"few":{"copies":1},"many":{"copies":3}}})");
  const auto shown = [&](const std::vector<std::string>& modes) {
    return testing::boxes_text(solve(scene, {100, 10}, modes));
  };
  EXPECT_EQ(shown({}), "a[0](0,0 4x10) a[1](4,0 1x10)");
  EXPECT_EQ(shown({"few"}), "a[0](0,0 4x10)");
  EXPECT_EQ(shown({"many"}), "a[0](0,0 4x10) a[1](4,0 5x10) a[2](9,0 1x10)");
}

TEST(Definitions, WhatIsWrongIsToldOnceWithItsPlace) {
  const struct {
    const char *head, *children, *says;
  } cases[] = {
      {R"("parts":{"card":{"kind":"box"}},)", R"({"part":"crad"})",
       "no part is called \"crad\"; did you mean \"card\"? (at /root/children/0/part)\n"},
      {R"("shared":{"button":{"width":1}},)", R"({"kind":"box","like":["buton"]})",
       "no shared keys are called \"buton\"; did you mean \"button\"? (at /root/children/0/like/0)\n"},
      {R"("parts":{"a":{"kind":"row","children":[{"part":"b"}]},"b":{"kind":"row","children":[{"part":"a"}]}},)", "",
       "the part \"a\" contains itself: a > b > a (at /parts/b/children/0/part)\n"},
      {R"("parts":{"a":{"part":"a"}},)", "", "the part \"a\" contains itself: a > a (at /parts/a/part)\n"},
      {R"("parts":{"a":{"kind":"box","widht":3}},)", R"({"part":"a","name":"x"},{"part":"a","name":"y"})",
       "unknown key \"widht\"; did you mean \"width\"? (at /parts/a/widht)\n"},
      {R"("parts":{"unused":{"kind":"box","width":-3}},)", "",
       "\"width\" must be 0 or more, and at most 1e9 (at /parts/unused/width)\n"},
      {R"("shared":{"s":{"name":"x"}},)", "", "shared keys cannot give a \"name\" (at /shared/s/name)\n"},
      {"", R"({"kind":"box","with":{"width":3}})",
       "\"with\" must be an object of keys and inner nodes, beside a \"part\" (at /root/children/0/with)\n"},
      {R"("parts":{"a":{"kind":"row","children":[{"kind":"box","name":"face"}]}},)",
       R"({"part":"a","with":{"fcae":{"width":3}}})",
       "the part has no inner node \"fcae\"; did you mean \"face\"? (at /root/children/0/with/fcae)\n"},
      {R"("parts":{"a":{"kind":"row","children":[]}},)", R"({"part":"a","children":[]})",
       "a part has its own children; change them in \"with\" (at /root/children/0/children)\n"},
      {"", R"({"kind":"box","copies":1000000000})",
       "\"copies\" must be a whole number from 0 to 100,000, or a list of objects, one per copy; a virtualized list "
       "may have more (at /root/children/0/copies)\n"},
      {"", R"({"kind":"box","copies":[{"name":"x"},3,{"b.width":1},{"widht":2}]})",
       "an item of \"copies\" cannot give a \"name\" (at /root/children/0/copies/0/name)\nan item of \"copies\" must "
       "be an object of keys for that copy (at /root/children/0/copies/1)\nit has no inner node \"b\" (at "
       "/root/children/0/copies/2/b.width)\nunknown key \"widht\"; did you mean \"width\"? (at "
       "/root/children/0/copies/3/widht)\n"},
      {R"("modes":["m"],)", R"({"kind":"box","copies":2,"when":{"m":{"copies":[{}]}}})",
       "\"copies\" must be a whole number from 0 to 100,000, or a list of objects, one per copy (at "
       "/root/children/0/when/m/copies)\n"},
      {"", R"({"kind":"box","name":"tag[1]","copies":2})",
       "a node with \"copies\" must have a name without an index; each copy gets an index (at "
       "/root/children/0/name)\n"},
      {"", R"({"kind":"box","name":"tag","copies":2},{"kind":"box","name":"tag[1]"})",
       "two siblings are called \"tag[1]\"; the other one is at /root/children/0/name (at /root/children/1/name)\n"},
      {R"("parts":{"a":{"kind":"box","name":"x"}},)", R"({"part":"a"},{"part":"a"})",
       "two siblings are called \"x\"; the other one is at /root/children/0 (at /root/children/1)\n"},
      {"", R"({"kind":"box","copies":50000,"widht":1})",
       "unknown key \"widht\"; did you mean \"width\"? (at /root/children/0/widht)\n"},
  };
  for (const auto& [head, children, says] : cases) EXPECT_EQ(faults(head, children), says) << head << children;
  EXPECT_EQ(faults("", R"({"kind":"row","copies":2000,"children":[{"kind":"box","copies":2000}]})"),
            "copies of copies make more than 400,000 nodes here; make fewer (at /root/children/0/children/0/copies)\n");
}

}  // namespace
}  // namespace fond_ladder
