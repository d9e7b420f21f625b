// SPDX-License-Identifier: MIT
//
// `new`: scenes to begin from, each of which holds what it claims and is nothing to be suspicious of.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <sstream>

#include "cli/commands/templates.hpp"
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

TEST(NewCommand, EachTemplateHoldsWhatItClaimsAndIsNotSuspicious) {
  for (const cli::Template& one : cli::templates()) {
    const std::string kind(one.kind);
    EXPECT_EQ(text_of(std::string(FOND_LADDER_SOURCE_DIR) + "/examples/templates/" + kind + ".scene.json"), one.json);
    const Scene scene = read_scene(one.json, kind);
    if (kind != "empty") {
      EXPECT_NE(one.json.find("// "), std::string_view::npos) << kind << " is commented";
      EXPECT_GE(scene.claims.size(), 4U) << kind;
    }
    for (const CheckedClaim& claim : check(scene, scene.claims))
      EXPECT_TRUE(claim.holds) << kind << "\n" << report(claim);
    EXPECT_THAT(lint({"", scene}).findings, ::testing::IsEmpty()) << kind;
    EXPECT_THAT(testing::run({"measure", "-", "--at", "phone"}, std::string(one.json)).err, ::testing::IsEmpty())
        << kind;
  }
}

TEST(NewCommand, WritesANewFileAndNeverOverAnother) {
  const std::string target = ::testing::TempDir() + "a scene.json";
  std::filesystem::remove(target);
  const testing::Result written = testing::run({"new", "cards", "-o", target});
  EXPECT_EQ(written.status, 0);
  EXPECT_EQ(written.out, target + ": written, as many columns of equal cards as fit\n\n  fond-ladder check '" + target +
                             "'\n  fond-ladder draw '" + target + "' --at desk -o picture.png\n");
  EXPECT_EQ(text_of(target), cli::templates()[2].json);
  std::ofstream(target) << "mine";
  const testing::Result refused = testing::run({"new", "form", "-o", target});
  EXPECT_EQ(refused.status, 2);
  EXPECT_EQ(refused.err, "fond-ladder: error: new -o " + target + ": that is there already; name a new file\n");
  EXPECT_EQ(text_of(target), "mine");
  EXPECT_EQ(testing::run({"new", "list"}).out, cli::templates()[4].json);
}

TEST(NewCommand, TheEmptyOneIsTidyAndIsToBeFilledByHand) {
  const std::string target = ::testing::TempDir() + "an empty scene.json";
  std::filesystem::remove(target);
  EXPECT_THAT(testing::run({"new", "empty", "-o", target}).out,
              HasSubstr("\n\n  fond-ladder preview '" + target + "' --write\n"));
  EXPECT_EQ(testing::run({"tidy", target}).out, text_of(target));
}

TEST(NewCommand, TellsItsTemplates) {
  EXPECT_THAT(testing::run({"new"}).out, HasSubstr("  form          labels and fields in two columns, or in one\n"));
  EXPECT_EQ(testing::run({"new", "from"}).err,
            "fond-ladder: error: new from: there is no such template; the nearest one is \"form\"\n");
  EXPECT_EQ(testing::run({"new", "greenhouse"}).err,
            "fond-ladder: error: new greenhouse: there is no such template; write bar_and_body, form, cards, page, "
            "list or empty\n");
  EXPECT_EQ(testing::run({"new", "-o", "x.json"}).status, 2);
}

}  // namespace
}  // namespace fond_ladder
