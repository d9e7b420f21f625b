// SPDX-License-Identifier: MIT
//
// `start`: scenes to begin from, each of which holds what it claims and is nothing to be suspicious of.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <sstream>

#include "cli/commands/starts.hpp"
#include "fond_ladder/check.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;

std::string text_of(const std::string& path) {
  std::ostringstream text;
  text << std::ifstream(path).rdbuf();
  return text.str();
}

TEST(Start, EachKindHoldsWhatItClaimsAndIsNotSuspicious) {
  for (const cli::Start& start : cli::starts()) {
    const std::string kind(start.kind);
    EXPECT_EQ(text_of(std::string(FOND_LADDER_SOURCE_DIR) + "/examples/starts/" + kind + ".scene.json"), start.json);
    const Scene scene = read_scene(start.json, kind);
    if (kind != "empty") {
      EXPECT_NE(start.json.find("// "), std::string_view::npos) << kind << " is commented";
      EXPECT_GE(scene.claims.size(), 4U) << kind;
    }
    for (const CheckedClaim& claim : check(scene, scene.claims))
      EXPECT_TRUE(claim.holds) << kind << "\n" << report(claim);
    EXPECT_THAT(lint({"", scene}).findings, ::testing::IsEmpty()) << kind;
    EXPECT_THAT(testing::run({"measure", "-", "--at", "phone"}, std::string(start.json)).err, ::testing::IsEmpty())
        << kind;
  }
}

TEST(Start, WritesANewFileAndNeverOverAnother) {
  const std::string target = ::testing::TempDir() + "a start.json";
  std::filesystem::remove(target);
  const testing::Result written = testing::run({"start", "cards", "-o", target});
  EXPECT_EQ(written.status, 0);
  EXPECT_EQ(written.out, target + ": written, as many columns of equal cards as fit\n\n  fond-ladder check '" + target +
                             "'\n  fond-ladder draw '" + target + "' --at desk -o picture.png\n");
  EXPECT_EQ(text_of(target), cli::starts()[2].json);
  std::ofstream(target) << "mine";
  const testing::Result refused = testing::run({"start", "form", "-o", target});
  EXPECT_EQ(refused.status, 2);
  EXPECT_EQ(refused.err, "fond-ladder: error: start -o " + target + ": that is there already; name a new file\n");
  EXPECT_EQ(text_of(target), "mine");
  EXPECT_EQ(testing::run({"start", "list"}).out, cli::starts()[4].json);
}

TEST(Start, TheEmptyOneIsTidyAndIsToBeFilledByHand) {
  const std::string target = ::testing::TempDir() + "an empty start.json";
  std::filesystem::remove(target);
  EXPECT_THAT(testing::run({"start", "empty", "-o", target}).out,
              HasSubstr("\n\n  fond-ladder preview '" + target + "' --write\n"));
  EXPECT_EQ(testing::run({"tidy", target}).out, text_of(target));
}

TEST(Start, TellsItsKinds) {
  EXPECT_THAT(testing::run({"start"}).out, HasSubstr("  form          labels and fields in two columns, or in one\n"));
  EXPECT_EQ(testing::run({"start", "from"}).err,
            "fond-ladder: error: start from: there is no such kind; the nearest one is \"form\"\n");
  EXPECT_EQ(testing::run({"start", "greenhouse"}).err,
            "fond-ladder: error: start greenhouse: there is no such kind; write bar_and_body, form, cards, page, "
            "list or empty\n");
  EXPECT_EQ(testing::run({"start", "-o", "x.json"}).status, 2);
}

}  // namespace
}  // namespace fond_ladder
