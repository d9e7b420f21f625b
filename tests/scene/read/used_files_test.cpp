// SPDX-License-Identifier: MIT
//
// Scenes made of several files: which of several definitions counts, where faults stand, and what is written of them.
#include <gtest/gtest.h>
#include <sys/stat.h>

#include <filesystem>
#include <fstream>

#include "fond_ladder/edit.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

class UsedFiles : public ::testing::Test {
 protected:
  UsedFiles() { std::filesystem::create_directories(folder_ + "ui"); }
  ~UsedFiles() override { std::filesystem::remove_all(folder_); }

  void write(const std::string& name, const std::string& text) const { std::ofstream(folder_ + name) << text; }
  void write_kit(const std::string& name, const std::string& rest) const {
    write(name, R"({"format":2,)" + rest + "}");
  }
  [[nodiscard]] std::string path(const std::string& name = "s") const { return folder_ + name; }

  static std::string text_of(const std::string& head, const std::string& children) {
    return R"({"format":2,)" + head + R"("root":{"kind":"row","name":"r","children":[)" + children + "]}}";
  }
  [[nodiscard]] Scene scene_of(const std::string& head, const std::string& children) const {
    return read_scene(text_of(head, children), path());
  }
  /// `file:line:column: message (at pointer)`, a line each, the folder left out.
  [[nodiscard]] std::string faults(const std::string& head, const std::string& children = "") const {
    std::string all;
    try {
      static_cast<void>(scene_of(head, children));
    } catch (const BadScene& scene) {
      for (const SceneError& fault : scene.faults()) all += fault.text() + "\n";
    }
    for (std::size_t at = 0; (at = all.find(folder_)) != std::string::npos;) all.erase(at, folder_.size());
    return all;
  }

 private:
  std::string folder_ = ::testing::TempDir() + "used_files_" + std::to_string(::getpid()) + "/";
};

TEST_F(UsedFiles, OwnOnesBeatThemAndLaterOnesEarlierOnes) {
  write_kit("a", R"("parts":{"p":{"kind":"box","width":1},"q":{"kind":"box","like":"s"}},"shared":{"s":{"width":2}})");
  write_kit("b", R"("uses":["ui/c"],"parts":{"p":{"kind":"box","width":3}},"shared":{"t":{"width":4}})");
  write_kit("ui/c", R"("uses":["../a"],"parts":{"p":{"kind":"box","width":5},"deep":{"kind":"box","width":6}})");
  const struct {
    const char *name, *head, *child;
    double width;
  } cases[] = {
      {"a part", R"("uses":["a"],)", R"({"part":"p"})", 1},
      {"its own part beats it", R"("uses":["a"],"parts":{"p":{"kind":"box","width":9}},)", R"({"part":"p"})", 9},
      {"its own shared keys reach into the kit", R"("uses":["a"],"shared":{"s":{"width":9}},)", R"({"part":"q"})", 9},
      {"the later file", R"("uses":["a","b"],)", R"({"part":"p"})", 3},
      {"the later file, if it is read already", R"("uses":["b","a"],)", R"({"part":"p"})", 3},
      {"what a file uses", R"("uses":["b"],)", R"({"part":"deep"})", 6},
      {"beside that file, not beside the scene", R"("uses":["ui/c"],)", R"({"kind":"box","like":"s"})", 2},
      {"named in another way", R"("uses":["./ui/../a"],)", R"({"part":"p"})", 1},
  };
  for (const auto& [name, head, child, width] : cases) {
    const Scene scene = scene_of(head, child);
    EXPECT_EQ(scene.tree.keys(scene.tree.children(scene.tree.root())[0]).width, Sizing(width)) << name;
  }
}

TEST_F(UsedFiles, RangesAndModesComeWithThem) {
  write_kit("a", R"("ranges":[{"name":"tight","below_width":100},{"name":"wide","from_width":300}],"modes":["busy"],
      "parts":{"p":{"kind":"box","width":10,"when":{"tight":{"width":1},"wide":{"width":2},"busy":{"width":3}}}})");
  const auto width_at = [&](const std::string& head, double width, const std::vector<std::string>& modes) {
    const Scene scene = scene_of(R"("uses":["a"],)" + head, R"({"part":"p","name":"p","shrink":0})");
    const Solution solution = solve(scene, {width, 50}, modes);
    return solution.box(scene.tree.at("p")).width;
  };
  EXPECT_EQ(width_at("", 99, {}), 1);
  EXPECT_EQ(width_at("", 100, {}), 10);
  EXPECT_EQ(width_at("", 300, {}), 2);
  EXPECT_EQ(width_at("", 300, {"busy"}), 3);
  EXPECT_EQ(width_at(R"("ranges":[{"name":"tight","below_width":200}],)", 199, {}), 1);
  EXPECT_EQ(width_at(R"("modes":["busy"],)", 200, {"busy"}), 3);
}

TEST_F(UsedFiles, FaultsStandInTheFileTheyAreIn) {
  write_kit("sound", R"("parts":{})");
  write_kit("wrong", "\n\"parts\":{\"p\":{\"kind\":\"box\",\"widht\":3}}");
  write("no_json", "{\"format\":2,}");
  write("list", "[1]");
  write_kit("odd", R"("knid":1,"shared":3)");
  write("old", R"({"parts":{}})");
  write("secret", R"({"keys":["pine"],"format":0,"keys":1})");  // nothing of it is told
  write_kit("one", R"("uses":["two"])");
  write_kit("two", R"("uses":["one"])");
  write_kit("itself", R"("uses":["sound","itself"])");
  write_kit("clash", R"("modes":["tight"])");
  ::mkfifo(path("pipe").c_str(), 0600);
  const struct {
    const char *head, *says;
  } cases[] = {
      {R"("uses":["sound"],)", ""},
      {R"("uses":["snoud"],)", "s:1:21: error: snoud: there is no such file (at /uses/0)\n"},
      {R"("uses":["ui"],)", "s:1:21: error: ui: this is a directory; name a scene file (at /uses/0)\n"},
      {R"("uses":["pipe"],)",
       "s:1:21: error: pipe: this is a pipe or a device, not a plain file; for a pipe write - and send the scene to "
       "standard input (at /uses/0)\n"},
      {R"("uses":["/etc/kit"],)",
       "s:1:21: error: a file is named by its path relative to this one, as in \"../kit.scene.json\" (at /uses/0)\n"},
      {R"("uses":"sound",)",
       "s:1:20: error: \"uses\" must be a list of names of scene files, as in [\"kit.scene.json\"] (at /uses)\n"},
      {R"("uses":["sound",""],)",
       "s:1:20: error: \"uses\" must be a list of names of scene files, as in [\"kit.scene.json\"] (at /uses)\n"},
      {R"("uses":["wrong"],"shared":3,)",
       "s:1:39: error: \"shared\" must be an object of names (at /shared)\nwrong:2:28: error: unknown key \"widht\"; "
       "did you mean \"width\"? (at /parts/p/widht)\n"},
      {R"("uses":["no_json"],)", "no_json:1:12: error: there is a comma before the closing bracket; remove it\n"},
      {R"("uses":["list"],)",
       "list:1:1: error: a file in \"uses\" must be a JSON object with \"format\" and definitions\n"},
      {R"("uses":["odd"],)",
       "odd:1:13: error: unknown key \"knid\"; write $schema, format, title, uses, em, direction, text_metrics, fonts, "
       "ladder, ranges, "
       "modes, "
       "touch_target_size, shared, parts, locales, claims or root (at /knid)\n"
       "odd:1:31: error: \"shared\" must be an object of names (at /shared)\n"},
      {R"("uses":["old"],)", "old:1:1: error: a file in \"uses\" must have \"format\": 2\n"},
      {R"("uses":["secret"],)", "secret:1:1: error: a file in \"uses\" must have \"format\": 2\n"},
      {R"("uses":["one"],)", "two:1:21: error: this file uses itself: one > two > one (at /uses/0)\n"},
      {R"("uses":["itself"],)", "itself:1:29: error: this file uses itself: itself > itself (at /uses/1)\n"},
      {R"("uses":["clash"],"ranges":[{"name":"tight"}],)",
       "clash:1:22: error: two ranges or modes are called \"tight\" (at /modes/0)\n"},
  };
  for (const auto& [head, says] : cases) EXPECT_EQ(faults(head), says) << head;
}

TEST_F(UsedFiles, AreSoManyAtMost) {
  std::string names;
  for (int i = 0; i < 66; ++i) {
    write_kit("k" + std::to_string(i), R"("parts":{})");
    names += (i > 0 ? ",\"k" : "\"k") + std::to_string(i) + "\"";
  }
  EXPECT_NE(faults(R"("uses":[)" + names + "],")
                .find("a scene uses at most 64 files of 40 MiB in total; this one exceeds the limit (at /uses/64)"),
            std::string::npos);
}

TEST_F(UsedFiles, WhatTwoOfThemDefineIsTold) {
  const std::string p = R"("parts":{"p":{"kind":"box","width":)";
  write_kit("a", p + "1}},\"ranges\":[{\"name\":\"tight\",\"below_width\":9}]");
  write_kit("same", R"("parts":{"p":{"width":1,"kind":"box"}})");
  write_kit("b", p + "2}},\"ranges\":[{\"name\":\"tight\",\"below_width\":8}]");
  write_kit("theme", R"("uses":["a"],)" + p + "2}}");
  const auto answer = [&](const std::string& head) {
    const Scene scene = scene_of(head, R"({"part":"p"})");
    std::string all;
    for (const Finding& finding : lint({"", scene}).findings) {
      if (finding.rule == LintRule::defined_twice) all += finding.key + " " + finding.node + "; ";
    }
    return all;
  };
  EXPECT_EQ(answer(R"("uses":["a","b"],)"), "ranges tight; parts p; ");
  EXPECT_EQ(answer(R"("uses":["a","same"],)"), "");
  EXPECT_EQ(answer(R"("uses":["theme"],)"), "");  // it means to say it otherwise
  EXPECT_EQ(answer(R"("uses":["a","b"],"parts":{"p":{"kind":"box"}},"ranges":[{"name":"tight","below_width":7}],)"),
            "");
}

TEST_F(UsedFiles, FlatSceneNeedsNoOtherFile) {
  write_kit("a", R"("ranges":[{"name":"far","below_width":5},{"name":"tight","below_width":9}],"modes":["busy","calm"],
      "shared":{"s":{"width":1},"spare":{"width":2}},
      "parts":{"p":{"kind":"row","like":["s"],"children":[{"part":"q","name":"q"}]},"q":{"kind":"box"},
               "idle":{"part":"rare"},"rare":{"kind":"box"}}, "claims": ["nothing"], "root": {})");
  const std::string text =
      text_of(R"("uses":["a"],"claims":["reachable(q) when not far"],"shared":{"s":{"height":3}},)",
              R"({"part":"p","name":"p","when":{"busy":{"gap":3}}})");
  const std::string flat = tidy_scene(text, path(), Uses::flat).json;
  const Scene one = read_scene(flat, "elsewhere/x");
  Scene several = read_scene(text, path());
  several.ranges = one.ranges;  // it knows those that it does not need
  several.modes = one.modes;
  EXPECT_EQ(to_json(one), to_json(several));
  for (const char* needed : {"\"far\"", "\"busy\"", "\"q\"", "\"height\": 3"}) {
    EXPECT_NE(flat.find(needed), std::string::npos) << needed;
  }
  for (const char* not_needed : {"uses", "\"tight\"", "calm", "spare", "idle", "rare", "nothing", "\"width\": 1"}) {
    EXPECT_EQ(flat.find(not_needed), std::string::npos) << not_needed;
  }
  EXPECT_EQ(tidy_scene(flat, "x", Uses::flat).json, flat);
  EXPECT_EQ(in_one_file(text, path()), flat);
  EXPECT_NE(tidy_scene(text, path()).json.find("\"uses\": [\"a\"]"), std::string::npos);
  EXPECT_EQ(files_used_by(text, path()), std::vector<std::string>{path("a")});
  EXPECT_EQ(files_used_by(R"({"uses":["gone"]})", path()), std::vector<std::string>{path("gone")});
}

TEST_F(UsedFiles, AreChangedInTheScenesOwnFileAlone) {
  write_kit("a", R"("parts":{"p":{"kind":"row","children":[{"kind":"box","name":"q","width":1}]}})");
  const std::string text = text_of(R"("uses":["a"],)", R"({"part":"p","name":"one"},{"part":"p","name":"other"})");
  const auto width = [&](const std::string& edit, const std::string& of) {
    Draft draft(text, path());
    draft.apply(Edit::set(edit.substr(0, edit.find('=')), edit.substr(edit.find('=') + 1)));
    return draft.scene().tree.keys(draft.scene().tree.at(of)).width;
  };
  EXPECT_EQ(width("one/q.width=5", "one/q"), Sizing(5));
  EXPECT_EQ(width("one/q.width=5", "other/q"), Sizing(1));
  Draft draft(text, path());
  try {
    draft.apply(Edit::set("parts.p/q.width", "5"));
    ADD_FAILURE() << "it was changed";
  } catch (const BadEdit& fault) {
    EXPECT_EQ(std::string(fault.what()), "\"parts.p/q.width=5\": \"p\" is defined in " + path("a") +
                                             "; change that file, or define it in this scene, which wins");
  }
  Draft moved(text, path());
  moved.apply({Edit::Does::move, "one/q=r:0"});
  EXPECT_EQ(moved.scene().tree.path(moved.scene().tree.children(moved.scene().tree.root())[0]), "r/q");
}

}  // namespace
}  // namespace fond_ladder
