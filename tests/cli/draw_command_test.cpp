// SPDX-License-Identifier: MIT
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>

#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::file_text;
using testing::Result;
using testing::run;
using testing::run_process;
using testing::temporary;

const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";

TEST(Draw, SaysWhatItWroteAndWhatIsCut) {
  const std::string file = temporary("drawn.svg", "");
  const Result result =
      run_process("draw " + console + " --locale long --at 360x800 --at 1280x800 -o " + file + " --scale 0.5");
  EXPECT_EQ(result.status, 0);
  EXPECT_EQ(result.out, file +
                            ": 936 x 528 pixels at scale 0.5, 67 nodes\n"
                            "overhang at 360 x 800: console/bar/title, console/bar/alarm\n");
  EXPECT_THAT(file_text(file), ::testing::StartsWith("<?xml"));
}

TEST(Draw, WritesToStandardOutputAndByTheEnding) {
  EXPECT_THAT(run({"draw", console, "-o", "-", "--as", "pdf", "--at", "desk"}).out, ::testing::StartsWith("%PDF"));
  const std::string file = temporary("drawn.png", "");
  EXPECT_EQ(run({"draw", console, "-o", file, "--only", "cards", "--bare"}).status, 0);
  EXPECT_THAT(file_text(file), ::testing::StartsWith("\x89PNG"));
  const std::string other = temporary("drawn.picture", "");
  EXPECT_EQ(run({"draw", console, "-o", other, "--as", "svg"}).status, 0);
  EXPECT_THAT(file_text(other), ::testing::StartsWith("<?xml"));
}

TEST(Draw, WhatIsWrongIsOneLineAndLeavesNoFile) {
  const std::string folder = ::testing::TempDir() + "fond_ladder_nothing/";
  std::filesystem::remove_all(folder);
  std::filesystem::create_directory(folder);
  const std::string old = folder + "old.svg";
  std::ofstream(old) << "as it was";
  const struct {
    std::vector<std::string> words;
    const char* says;
  } cases[] = {
      {{"-o", folder + "a.jpeg"}, " ends in .svg, .png or .pdf; or add --as"},
      {{"-o", folder + "a.sgv"}, "did you mean \".svg\"?"},
      {{"-o", folder + "a"}, " ends in .svg, .png or .pdf"},
      {{"-o", "-"}, " add it, as in --as svg"},
      {{"-o", folder + "a.picture", "--as", "gif"}, "--as gif: expected svg, png or pdf"},
      {{"-o", folder + "a.svg", "--as", "png"}, "--as png: the extension says svg; drop one of the two"},
      {{}, " it, as in -o out.svg"},
      {{"-o", folder + "no/a.svg"}, " the file: No such file or directory"},
      {{"-o", folder}, " that ends in"},
      {{"-o", folder, "--as", "svg"}, "it is a folder"},
      {{"-o", "/dev/full", "--as", "svg"}, "/dev/full: cannot write the file: No space left on device"},
      {{"-o", old, "--at", "0x800"}, "console has a width or height of 0: nothing to draw"},
      {{"-o", old, "--at", "desc"}, "did you mean \"desk\"?"},
      {{"-o", old, "--only", "bedz"}, "bedz"},
      {{"-o", old, "--scale", "0"}, "--scale 0: expected a number above 0, as in 0.5"},
      {{"-o", old, "--scale", "1e6"}, "which is too large"},
      {{"-o", old, "--scale", "0.0001"}, "smaller than a pixel"},
  };
  for (const auto& [words, says] : cases) {
    std::vector<std::string> call{"draw", console};
    call.insert(call.end(), words.begin(), words.end());
    const Result result = run(call);
    EXPECT_EQ(result.status, 2) << says;
    EXPECT_THAT(result.err, ::testing::HasSubstr(says));
    EXPECT_EQ(std::ranges::count(result.err, '\n'), 1) << result.err;
    EXPECT_EQ(result.out, "");
  }
  EXPECT_EQ(file_text(old), "as it was");
  EXPECT_EQ(std::distance(std::filesystem::directory_iterator(folder), {}), 1) << "nothing half-written beside it";
}

TEST(Draw, NotesWhatItLeavesOut) {
  std::string scene =
      R"({"format":2,"root":{"kind":"row","name":"r","each_child":{"kind":"box","weight":1},"children":[{})";
  for (int i = 0; i < 999; ++i) scene += ",{}";
  const Result result = run({"draw", "-", "-o", "-", "--as", "svg", "--at", "200x100"}, scene + "]}}");
  EXPECT_EQ(result.status, 0);
  EXPECT_THAT(result.err, ::testing::StartsWith("note: 1000 nodes were left out: too small"));
}

TEST(Draw, SaysWhatToInstallWhereThisBuildCannotDraw) {
  const Result result = run_process("draw " + console + " -o out.svg", FOND_LADDER_WITHOUT_PICTURES);
  EXPECT_EQ(result.status, 2);
  EXPECT_THAT(result.out, ::testing::HasSubstr("install libcairo2-dev and libpango1.0-dev"));
  EXPECT_EQ(run_process("measure " + console, FOND_LADDER_WITHOUT_PICTURES).status, 0);
}

}  // namespace
}  // namespace fond_ladder
