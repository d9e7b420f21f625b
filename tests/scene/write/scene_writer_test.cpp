// SPDX-License-Identifier: MIT
//
// Writing and reading are inverse; `tidy` keeps what a file says.
#include <gtest/gtest.h>

#include <filesystem>

#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

const std::string examples = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/";

/// Forms of random nodes under two ranges and a mode.
void add_forms(Scene& scene, testing::RandomScenes& random) {
  scene.ranges = {{"low", {}, 300}, {"high", 500, {}, 100, {}}};
  scene.modes = {"dim"};
  for (const NodeId node : scene.tree.nodes()) {
    if (!random.chance(20)) continue;
    const Keys other = random.keys(!is_container(scene.tree.kind(node)));
    testing::add_form(scene, node, random.chance(50) ? "low" : "dim", [other](Keys& keys) {
      keys.margin = other.margin;
      keys.hidden = other.hidden;
      keys.width = other.width;
    });
  }
}

/// A program may name an area that its grid has not; a file may not.
void name_known_areas(Tree& tree) {
  for (const NodeId node : tree.nodes()) {
    Keys keys = tree.keys(node);
    if (keys.area != "d") continue;
    keys.area = "a";
    tree.replace_keys(node, keys);
  }
}

std::string rectangles(const Scene& scene, const ContainerSize& container_size) {
  std::string text;
  for (const auto& placed : solve(scene, container_size, scene.modes).boxes()) {
    for (const double number : {placed.box.x, placed.box.y, placed.box.width, placed.box.height}) {
      text += std::to_string(number) + " ";
    }
  }
  return text;
}

TEST(SceneWriter, ReadingWhatWasWrittenGivesTheSameScene) {
  testing::RandomScenes random(testing::seed());
  for (int i = 0; i < 150; ++i) {
    Scene scene(random.tree(1 + static_cast<std::size_t>(random.below(40))));
    name_known_areas(scene.tree);
    add_forms(scene, random);
    const std::string written = to_json(scene);
    const Scene read = read_scene(written, "written");
    ASSERT_EQ(to_json(read), written) << i;
    for (const double width : {250.0, 400.0, 700.0}) {
      ASSERT_EQ(rectangles(read, {width, 350}), rectangles(scene, {width, 350})) << i << "\n" << written;
    }
  }
}

TEST(SceneWriter, WritesALiveTreeAsTheSceneItIsOf) {
  const Scene scene =
      read_scene(R"({ "format": 2, "ranges": [{ "name": "narrow", "below_width": 300 }], "modes": ["dense"],
    "root": { "kind": "row", "name": "r", "children": [
      { "kind": "row", "name": "own", "ranges": [{ "name": "tight", "below_width": 80 }],
        "when": { "narrow": { "gap": 2 }, "dense": { "gap": 3 }, "tight": { "gap": 1 } } }] } })",
                 "live");
  EXPECT_EQ(to_json(Scene(scene.live_tree())), to_json(scene));
}

TEST(SceneWriter, WritesShortScenes) {
  const Scene scene = column("page").padding(8).children(
      row("bar").gap(Gap(4, percent(10))).when("low", column().with([](Keys& keys) { keys.along = Along::end; })),
      grid("map").columns(3).rows({Track(10, fr(1)), Track(content)}).children(box("tag[0]"), box("tag[1]")),
      text("line", "a \"b\"").margin(Edges(2).set(Side::left, automatic)));
  Scene whole = scene;
  whole.title = "A page";
  whole.whens[0].change.set("weight", Keys());
  whole.ranges = {{"low", {}, 300}};
  whole.locales = {{"long", {{scene.tree.at("line"), "longer"}}, Direction::rtl}};
  whole.ladder = {{100, 200}, Interval(300), {{"phone", 390, 844}, {"narrow", 320}}};
  EXPECT_EQ(to_json(whole), R"({
  "format": 2,
  "title": "A page",
  "ladder": { "width": [100, 200], "height": 300,
    "named_sizes": { "phone": [390, 844], "narrow": 320 } },
  "ranges": [{ "name": "low", "below_width": 300 }],
  "locales": { "long": { "direction": "rtl", "texts": { "page/line": "longer" } } },
  "root": { "kind": "column", "name": "page", "padding": 8, "children": [
    { "kind": "row", "name": "bar", "gap": { "x": 4, "y": "10%" },
      "when": { "low": { "kind": "column", "along": "end", "weight": null } } },
    { "kind": "grid", "name": "map", "columns": 3,
      "rows": [{ "min": 10, "max": "1fr" }, "content"],
      "children": [{ "kind": "box", "name": "tag", "copies": 2 }] },
    { "kind": "text", "name": "line", "margin": { "left": "auto", "x": 2, "y": 2 },
      "text": "a \"b\"" }
  ] }
}
)");
}

TEST(SceneWriter, WritesCopiesThatDifferOneByOne) {
  const Scene scene = row("strip").children(box("tag[0]").width(3), box("tag[1]").width(4), box("map"));
  const Scene read = read_scene(to_json(scene), "s");
  EXPECT_EQ(testing::boxes_text(solve(read, {20, 1})), "tag[0](0,0 3x1) tag[1](3,0 4x1) map(7,0 0x1)");
}

TEST(SceneWriter, KeepsRunsOfTracksApart) {
  for (const Tracks& tracks : {Tracks().repeat(1, {Track(3)}).repeat(1, {Track(4), Track(5)}).repeat(1, {Track(6)}),
                               Tracks().repeat(2, {Track(3)}).repeat(1, {Track(4)}).fitting({Track(5)}, Empty::drop),
                               Tracks({Track(3), Track(4)})}) {
    const Scene scene = grid("g").columns(tracks).children(box("a"));
    const Scene read = read_scene(to_json(scene), "s");
    EXPECT_EQ(read.tree.keys(read.tree.root()).columns, tracks) << to_json(scene);
  }
}

TEST(SceneWriter, DepthCostsNoStack) {
  Tree tree(Keys{});
  NodeId at = tree.root();
  Keys keys;
  keys.kind = Kind::row;
  tree.replace_keys(at, keys);
  for (int i = 0; i < 100000; ++i) at = tree.append(at, keys);
  EXPECT_EQ(read_scene(to_json(Scene(tree)), "deep").tree.size(), tree.size());
}

TEST(Tidy, KeepsWhatEveryExampleSays) {
  int files = 0;
  for (const auto& file : std::filesystem::recursive_directory_iterator(examples)) {
    if (!file.path().string().ends_with(".scene.json")) continue;
    const TidyScene tidied = tidy_scene_file(file.path().string());
    const std::string path = file.path().string();
    EXPECT_EQ(tidy_scene(tidied.json, path).json, tidied.json) << path;
    EXPECT_EQ(to_json(read_scene(tidied.json, path)), to_json(read_scene_file(path))) << path;
    ++files;
  }
  EXPECT_GE(files, 20);
}

TEST(Tidy, LeavesOutWhatOnlyRepeatsADefault) {
  const auto tidied = [](const std::string& rest) {
    const std::string json = tidy_scene(R"({"format":2,"em":16,"direction":"ltr",)" + rest + "}", "s").json;
    return json.substr(json.find("\"format\": 2,") + 13);
  };
  EXPECT_EQ(tidied(R"("root":{"grow":0,"gap":0,"name":"r","kind":"row","shrink":0.50,"children":[]})"),
            "  \"root\": { \"kind\": \"row\", \"name\": \"r\", \"shrink\": 0.5 }\n}\n");
  // A default that beats something is kept.
  EXPECT_NE(tidied(R"("root":{"kind":"row","each_child":{"grow":2},"children":[{"kind":"box","grow":0}]})")
                .find("\"grow\": 0"),
            std::string::npos);
  EXPECT_NE(tidied(R"("shared":{"s":{"grow":2}},"root":{"kind":"row","children":[{"like":"s","kind":"box","grow":0}]})")
                .find("\"grow\": 0"),
            std::string::npos);
}

TEST(Tidy, TheProgramWarnsOfCommentsAndWritesWholeFiles) {
  const std::string file = testing::temporary("tidy.scene.json", "// mine\n{\"root\":{\"kind\":\"row\"},\"format\":2}");
  const testing::Result printed = testing::run({"tidy", file});
  EXPECT_EQ(printed.out, "{\n  \"format\": 2,\n  \"root\": { \"kind\": \"row\" }\n}\n");
  EXPECT_EQ(printed.err, file + ": warning: comments are dropped; keep the file if you need them\n");
  EXPECT_EQ(testing::run({"tidy", file, "-o", file}).out, file + ": written\n");
  EXPECT_EQ(testing::file_text(file), printed.out);
  EXPECT_EQ(testing::run({"tidy", "-"}, "{}").status, 2);
}

}  // namespace
}  // namespace fond_ladder
