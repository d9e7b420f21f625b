// SPDX-License-Identifier: MIT
//
// `fonts` and `words` of scene files: what they say, where their faults stand, what is written of them.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>

#include "fond_ladder/edit.hpp"
#include "fond_ladder/fonts.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"

namespace fond_ladder {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;

std::string file_of(const std::string& head, const std::string& text = R"("text":"Fern")") {
  return R"({"format":2,)" + head + R"("root":{"kind":"row","name":"r","children":[{"kind":"text","name":"t",)" + text +
         "}]}}";
}

std::string faults_of(const std::string& head, const std::string& text = R"("text":"Fern")") {
  std::string all;
  try {
    static_cast<void>(read_scene(file_of(head, text), "s"));
  } catch (const BadScene& scene) {
    for (const SceneError& fault : scene.faults()) all += fault.text() + "\n";
  }
  return all;
}

TEST(FontsOfScenes, FaultsStandWhereTheyAreSaid) {
  const struct {
    const char *head, *text, *fault;
  } cases[] = {
      {R"("text_metrics":"pixels",)", "", "s:1:28: error: \"text_metrics\" must be fixed or fonts (at /text_metrics)"},
      {R"("text_metrics":"fonts","fonts":{"body":{"family":"DejaVu Sanz"}},)", "",
       R"(s:1:52: error: this machine has no font family "DejaVu Sanz"; did you mean "DejaVu Sans"?)"},
      {R"("text_metrics":"fonts","fonts":{"body":{"file":"gone.ttf"}},)", "",
       "cannot find the file gone.ttf (at /fonts/body)"},
      {R"("fonts":[],)", "", "\"fonts\" must be an object of names"},
      {R"("fonts":{"9":{"family":"Serif"}},)", "", "the name of a font must be a letter"},
      {R"("fonts":{"body":"Serif"},)", "", "a font is said by its family or by its file"},
      {R"("fonts":{"body":{"family":"Serif","file":"a.ttf"}},)", "", "a font is said by its family or by its file"},
      {R"("fonts":{"body":{"familly":"Serif"}},)", "", "unknown key \"familly\"; did you mean \"family\""},
      {R"("fonts":{"body":{"family":""}},)", "", "\"family\" must be a name in quotes (at /fonts/body/family)"},
      {R"("fonts":{"head":{"family":"Serif"}},)", R"("font":"haed")",
       "the scene has no font of that name; did you mean \"head\"? (at /root/children/0/font)"},
      {"", R"("font":"head")",
       "the scene has no fonts; name some, as in \"fonts\": {\"head\": {\"family\": \"Serif\"}}"},
      {R"("text_metrics":"fonts","locales":{"w":{"fonts":{"body":{"family":"Nowhere"}}}},)", "",
       "this machine has no font family \"Nowhere\""},
      {R"("text_metrics":"fonts",)", R"("text":"a","font_size":1000000)",
       "its size is 1000000; the largest with fonts is 10000 (at /text_metrics)"},
      {"", R"("text":"a","line_height":0)", "line_height"},
  };
  for (const auto& [head, text, fault] : cases) {
    const std::string answer = faults_of(head, *text != '\0' ? text : R"("text":"Fern")");
    EXPECT_THAT(answer, HasSubstr(fault)) << head << text;
    EXPECT_EQ(std::ranges::count(answer, '\n'), 1) << answer;
  }
  EXPECT_EQ(faults_of(R"("fonts":{"body":{"family":"Nowhere"}},)"), "") << "fixed metrics need no font";
  EXPECT_EQ(faults_of(R"("locales":{"w":{"fonts":{"wide":{"family":"Serif"}}}},)", R"("font":"wide")"), "")
      << "a locale names it";
  EXPECT_EQ(faults_of(R"("locales":{"w":{"texts":{"t":"x"}}},)"), "");
}

TEST(FontsOfScenes, ManyAreRefusedOnce) {
  std::string fonts;
  for (int i = 0; i < 70; ++i) fonts += (i > 0 ? ",\"f" : "\"f") + std::to_string(i) + R"(":{"family":"Serif"})";
  const std::string answer = faults_of("\"fonts\":{" + fonts + "},");
  EXPECT_THAT(answer, HasSubstr("a scene has at most 64 fonts"));
  EXPECT_EQ(std::ranges::count(answer, '\n'), 1) << answer;
}

TEST(FontsOfScenes, WhatIsReadIsWrittenAgain) {
  const std::string head =
      R"("text_metrics":"fonts","fonts":{"body":{"family":"DejaVu Serif"}},"locales":{"w":{"fonts":{"body":{"family":"DejaVu Sans"}},"texts":{"t":"x"}}},)";
  const std::string text = R"("text":"Fern","font":"body","bold":true,"italic":true,"line_height":1.5)";
  const Scene scene = read_scene(file_of(head, text), "s");
  EXPECT_EQ(scene.text_metrics, TextMetrics::fonts);
  ASSERT_EQ(scene.fonts.size(), 1U);
  EXPECT_EQ(scene.fonts[0].family, "DejaVu Serif");
  const Scene again = read_scene(to_json(scene), "s");
  EXPECT_EQ(again.tree.keys(again.tree.at("t")), scene.tree.keys(scene.tree.at("t")));
  EXPECT_EQ(again.text_metrics, scene.text_metrics);
  EXPECT_EQ(again.locales[0].fonts[0].family, "DejaVu Sans");
  EXPECT_THAT(tidy_scene(file_of(head, text), "s").json, HasSubstr("\"text_metrics\": \"fonts\",\n  \"fonts\": {"));
}

TEST(FontsOfScenes, ATrialMayChangeThem) {
  Draft draft(file_of(R"("fonts":{"body":{"family":"DejaVu Sans"}},)"), "s");
  const auto width = [&] { return solve(draft.scene(), {900, {}}).box(draft.scene().tree.at("t")).width; };
  const double plain = width();
  draft.apply(Edit::set("text_metrics", "fonts"));
  const double sans = width();
  EXPECT_NE(sans, plain);
  draft.apply(Edit::set("fonts.body.family", "DejaVu Serif"));
  EXPECT_NE(width(), sans);
  EXPECT_THROW(draft.apply(Edit::set("fonts.body.family", "Nowhere")), BadEdit);
  EXPECT_THROW(draft.apply(Edit::set("r/t.font", "nobody")), BadEdit);
}

class FontFiles : public ::testing::Test {
 protected:
  FontFiles() {
    std::filesystem::create_directories(folder_ + "kit");
    std::filesystem::copy_file("/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf", folder_ + "kit/serif.ttf");
    std::ofstream(folder_ + "kit/kit")
        << R"({"format":2,"fonts":{"body":{"file":"serif.ttf"},"head":{"family":"DejaVu Sans"},
        "idle":{"file":"gone.ttf"}}})";
  }
  ~FontFiles() override { std::filesystem::remove_all(folder_); }
  std::string folder_ = ::testing::TempDir() + "font_files_" + std::to_string(::getpid()) + "/";
};

TEST_F(FontFiles, AreLookedForBesideTheFileThatNamesThem) {
  const std::string scene = file_of(R"("uses":["kit/kit"],"fonts":{"idle":{"family":"Serif"}},"text_metrics":"fonts",)",
                                    R"("text":"Fern","font":"head")");
  const Scene read = read_scene(scene, folder_ + "s");
  ASSERT_EQ(read.fonts.size(), 3U);
  EXPECT_EQ(read.fonts[0].file, folder_ + "kit/serif.ttf");
  EXPECT_EQ(read.fonts[2].family, "Serif") << "the scene's own beats the kit's";
  const std::string flat = tidy_scene(scene, folder_ + "s", Uses::flat).json;
  EXPECT_THAT(flat, HasSubstr("\"file\": \"kit/serif.ttf\"")) << flat;
  const Scene alone = read_scene(flat, folder_ + "s");
  EXPECT_EQ(alone.tree.text_shaper()->family({}), "DejaVu Serif");
}

TEST_F(FontFiles, AFontThatBeatsAnotherIsNoneMore) {
  std::string kit = R"({"format":2,"fonts":{"body":{"family":"Serif"})";
  for (int i = 1; i < 64; ++i) kit += ",\"f" + std::to_string(i) + R"(":{"family":"Serif"})";
  std::ofstream(folder_ + "full") << kit + "}}";
  const auto read = [&](const std::string& fonts) {
    return read_scene(file_of(R"("uses":["full"],"fonts":{)" + fonts + "},"), folder_ + "s").fonts;
  };
  EXPECT_EQ(read(R"("f7":{"family":"Sans"})").size(), 64U);
  EXPECT_THROW(read(R"("f64":{"family":"Sans"})"), BadScene);
}

}  // namespace
}  // namespace fond_ladder
