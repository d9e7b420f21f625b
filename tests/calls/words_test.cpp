// SPDX-License-Identifier: MIT
//
// `--text-metrics` and `fonts` as people call them.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;
using testing::Result;
using testing::run;
using testing::temporary;

const std::string console = FOND_LADDER_SOURCE_DIR "/examples/console.scene.json";

std::string trays() {
  const std::string name = ::testing::UnitTest::GetInstance()->current_test_info()->name();
  return temporary(name + ".scene.json",
                   R"({"format":2,"fonts":{"body":{"family":"DejaVu Sans"}},"ladder":{"width":[200,600]},
    "claims":["about.width = 40.8"],"locales":{"long":{"texts":{"about":"Moss, from spores"}}},
    "root":{"kind":"row","name":"card","children":[{"kind":"text","name":"about","text":"Moss","font_size":17}]}})");
}

TEST(TextMetricsOption, EveryCommandTakesThem) {
  for (const std::vector<std::string>& call :
       std::vector<std::vector<std::string>>{{"measure"},
                                             {"sweep"},
                                             {"explain", "about"},
                                             {"check"},
                                             {"lint"},
                                             {"map", "--height", "20..90", "-o", "-", "--as", "svg"},
                                             {"compare"},
                                             {"draw", "-o", "-", "--as", "svg"}}) {
    std::vector<std::string> words{call[0], trays()};
    words.insert(words.end(), call.begin() + 1, call.end());
    words.insert(words.end(), {"--text-metrics", "fonts"});
    const Result answer = run(words);
    EXPECT_NE(answer.status, 2) << call[0] << answer.err;
    EXPECT_EQ(answer.err, "") << call[0];
  }
}

TEST(TextMetricsOption, BothAreCheckedInTurnAndEachIsNamed) {
  const Result answer = run({"check", trays(), "--text-metrics", "fixed,fonts", "--locale", "all"});
  EXPECT_EQ(answer.status, 1);
  EXPECT_THAT(answer.out,
              HasSubstr("variants: text_metrics fixed; text_metrics fixed, locale long; text_metrics fonts; "
                        "text_metrics fonts, locale long"));
  EXPECT_THAT(
      answer.out,
      HasSubstr("text_metrics fixed, locale long; text_metrics fonts; text_metrics fonts, locale long: from 200"));
  EXPECT_THAT(answer.out, HasSubstr("--at 200 --text-metrics fixed --locale long")) << "the line that shows it";
  EXPECT_THAT(run({"check", trays(), "--text-metrics", "fixed"}).out, HasSubstr("the claim holds"));
}

TEST(TextMetricsOption, CompareTellsWhatDiffersBetweenThem) {
  const Result answer = run({"compare", trays(), "--text-metrics", "fixed", "--text-metrics", "fonts"});
  EXPECT_EQ(answer.status, 1);
  EXPECT_THAT(answer.out, HasSubstr(".scene.json, text_metrics fixed"));
  EXPECT_THAT(answer.out, HasSubstr(".scene.json, text_metrics fonts"));
  EXPECT_THAT(run({"compare", trays(), "--text-metrics", "fonts"}).out, HasSubstr("as it is"));
  const std::string text =
      R"({"format":2,"root":{"kind":"row","name":"r","children":[{"kind":"text","name":"t","text":"Moss"}]}})";
  EXPECT_THAT(run({"compare", "-", "--text-metrics", "fixed,fonts"}, text).out,
              HasSubstr("standard input, text_metrics fixed"))
      << "what can be read once only";
}

TEST(TextMetricsOption, WhatIsWrongIsRefused) {
  const struct {
    std::vector<std::string> words;
    const char* message;
  } cases[] = {
      {{"measure", trays(), "--text-metrics", "font"},
       "--text-metrics font: expected fixed or fonts; did you mean \"fonts\""},
      {{"measure", trays(), "--text-metrics", "fixed,fonts"},
       "--text-metrics: expected one of fixed and fonts; check, lint and compare take both"},
      {{"check", trays(), "--text-metrics", ""}, "check: --text-metrics: a value is missing"},
      {{"compare", trays(), trays(), "--text-metrics", "fixed,fonts"},
       "compare: expected two scenes, or one scene with --text-metrics fixed,fonts"},
  };
  for (const auto& [words, message] : cases) {
    const Result answer = run(words);
    EXPECT_EQ(answer.status, 2);
    EXPECT_THAT(answer.err, HasSubstr(message));
  }
  const std::string nowhere =
      temporary("nowhere.scene.json", R"({"format":2,"fonts":{"body":{"family":"Nowhere"}},"root":{"kind":"row"}})");
  const Result answer = run({"check", nowhere, "--text-metrics", "fonts"});
  EXPECT_EQ(answer.status, 2);
  EXPECT_THAT(answer.err, HasSubstr(nowhere + ":1:29: error: this machine has no font family \"Nowhere\""));
  EXPECT_EQ(run({"measure", nowhere, "--at", "100x100"}).status, 0);
}

TEST(TextMetricsOption, RemarksAreSaidOnce) {
  const std::string wide =
      temporary("wide.scene.json", R"({"format":2,"text_metrics":"fonts","fonts":{"body":{"family":"DejaVu Sans"}},
    "claims":["r.width > 0"],"locales":{"w":{"texts":{"t":"室"}}},"root":{"kind":"row","name":"r","children":[{"kind":"text","name":"t","text":"温"}]}})");
  const Result answer = run({"check", wide, "--locale", "all"});
  EXPECT_EQ(answer.err, "hint: the font body (DejaVu Sans) does not have 室 温; other letters are used instead\n");
}

TEST(FontsCommand, ListsFamiliesAndThoseOfAPart) {
  EXPECT_THAT(run({"fonts"}).out, HasSubstr("font families on this machine\n\n"));
  EXPECT_THAT(run({"fonts", "serif"}).out, HasSubstr("with \"serif\" in the name\n\n  DejaVu Serif\n"));
  EXPECT_EQ(run({"fonts", "nowhere"}).status, 1);
  EXPECT_THAT(run({"fonts", "deja", "--format", "json"}).out,
              HasSubstr(R"({"fond_ladder": 2, "command": "fonts", "answers": [)"));
}

TEST(FontsCommand, WithoutPangoSaysWhatToInstall) {
  const Result answer = testing::run_process("fonts", FOND_LADDER_WITHOUT_PICTURES);
  EXPECT_EQ(answer.status, 2);
  EXPECT_THAT(answer.out, HasSubstr("install libpango1.0-dev and libcairo2-dev"));
  EXPECT_EQ(testing::run_process("check " + console, FOND_LADDER_WITHOUT_PICTURES).status, 0);
  EXPECT_THAT(testing::run_process("check " + console + " --text-metrics fonts", FOND_LADDER_WITHOUT_PICTURES).out,
              HasSubstr("this build has fixed text metrics only"));
}

}  // namespace
}  // namespace fond_ladder
