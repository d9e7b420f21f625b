// SPDX-License-Identifier: MIT
//
// Other texts and longer texts.
#include "fond_ladder/locale.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

const std::string scene_text =
    R"({"format":2,"ranges":[{"name":"narrow","below_width":200}],"modes":["dim"],)"
    R"("locales":{"long":{"texts":{"title":"Propagation house"}},"mirrored":{"direction":"rtl","texts":{"r/title":"abc"}}},)"
    R"("root":{"kind":"row","name":"r","gap":4,"across":"start","children":[)"
    R"({"kind":"text","name":"title","text":"Oak","when":{"narrow":{"text":"O k"}}},{"kind":"box","name":"b","width":9,)"
    R"("when":{"narrow":{"width":5},"dim":{"width":3}}}]}})";

Scene the_scene() {
  return read_scene(scene_text, "s");
}

std::string boxes(const Scene& scene, const char* at) {
  return testing::boxes_text(solve(scene, testing::size_from(at)));
}

TEST(Locale, ReplacesTextsAndMayTurnTheDirection) {
  Scene scene = the_scene();
  EXPECT_EQ(boxes(scene, "300x50"), "title(0,0 28.8x20) b(32.8,0 9x0)");
  apply_locale(scene, "long");
  EXPECT_EQ(boxes(scene, "300x50"), "title(0,0 163.2x20) b(167.2,0 9x0)");
  apply_locale(scene, "mirrored");
  EXPECT_EQ(boxes(scene, "300x50"), "title(271.2,0 28.8x20) b(258.2,0 9x0)");
  EXPECT_THROW(apply_locale(scene, "loud"), BadValue);
}

TEST(Locale, LongerTextsAreLongerByExactlyTheirShare) {
  const struct {
    const char* text;
    double share;
    const char* longer;
  } cases[] = {
      {"Oak", 0.4, "OakOa"},
      {"Sage. Dry bed.", 0.4, "Sage. Dry bed. Sage."},
      {"Fern and moss", 1, "Fern and moss Fern and mos"},
      {"two words", 0.1, "two wordst"},
      {"Gew\u00e4chshaus", 0.3, "Gew\u00e4chshausGew\u00e4"},
      {"", 0.4, ""},
      {"  ", 0.4, "  "},
      {"any", 0, "any"},
  };
  for (const auto& [text, share, longer] : cases) EXPECT_EQ(expanded_text(text, share), longer);
  Scene scene = the_scene();
  expand_text(scene, 1);
  EXPECT_EQ(boxes(scene, "300x50"), "title(0,0 57.6x20) b(61.6,0 9x0)");
  EXPECT_EQ(boxes(scene, "199x50"), "title(0,0 57.6x20) b(61.6,0 5x0)") << "the text of a range too";
}

TEST(Locale, TheProgramTakesThemOnEveryCommand) {
  const auto first_box = [](std::vector<std::string> more) {
    std::vector<std::string> args{"measure", "-", "--at", "300x50", "--format", "csv"};
    args.insert(args.end(), more.begin(), more.end());
    const testing::Result result = testing::run(args, scene_text);
    return result.status == 0 ? result.out.substr(result.out.find("r/title"), 21) : result.err;
  };
  EXPECT_EQ(first_box({"--locale", "long"}), "r/title,text,0,0,163.");
  EXPECT_EQ(first_box({"--text-expansion", "100%"}), "r/title,text,0,0,57.5");
  EXPECT_EQ(first_box({"--set", "title.width=40", "--set", "r.gap=9"}), "r/title,text,0,0,40,2");
  EXPECT_EQ(first_box({"--locale", "lnog"}),
            "fond-ladder: error: --locale lnog: the scene has no locale of that name; did you mean \"long\"?\n");
  EXPECT_EQ(first_box({"--mode", "dmi"}),
            "fond-ladder: error: --mode dmi: the scene has no mode of that name; did you mean \"dim\"?\n");
  EXPECT_EQ(first_box({"--text-expansion", "much"}),
            "fond-ladder: error: --text-expansion much: expected 0 to 1000 %, as in 40%\n");
}

TEST(Locale, WhatIsWrongInThemIsTold) {
  const auto faults = [](const std::string& locales) {
    try {
      (void)read_scene(R"({"format":2,"locales":)" + locales + R"(,"root":{"kind":"text","name":"t"}})", "s");
    } catch (const BadScene& scene) {
      std::string text;
      for (const SceneError& fault : scene.faults()) text += fault.message + " (at " + fault.pointer + ")\n";
      return text;
    }
    return std::string("none\n");
  };
  EXPECT_EQ(faults(R"({"a":{"texts":{"t":"x"},"direction":"rtl"}})"), "none\n");
  EXPECT_EQ(faults(R"({"a":{"texts":{"u":"x","t":3},"direction":"up","text":{}}})"),
            "\"u\" is not a node (at /locales/a/texts/u)\na text must be in quotes (at "
            "/locales/a/texts/t)\n\"direction\" must be ltr or rtl (at /locales/a/direction)\nunknown key \"text\"; "
            "did you mean \"texts\"? (at /locales/a/text)\n");
}

}  // namespace
}  // namespace fond_ladder
