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
  EXPECT_THAT(written.out, ::testing::StartsWith(target +
                                                 ": written, equal cards in as many columns as fit\n\n"
                                                 "  fond-ladder check '" +
                                                 target + "'\n  fond-ladder draw '" + target +
                                                 "' --at desk -o picture.png\n  fond-ladder schema -o "));
  const std::string with_schema = "{\n  \"$schema\": \"scene.schema.json\",";
  EXPECT_EQ(text_of(target), with_schema + std::string(cli::templates()[2].json.substr(1)));
  EXPECT_EQ(testing::run({"check", target}).status, 0);
  std::ofstream(target) << "mine";
  const testing::Result refused = testing::run({"new", "form", "-o", target});
  EXPECT_EQ(refused.status, 2);
  EXPECT_EQ(refused.err, "fond-ladder: error: new -o " + target + ": the file already exists; name a new file\n");
  EXPECT_EQ(text_of(target), "mine");
  EXPECT_EQ(testing::run({"new", "list"}).out, with_schema + std::string(cli::templates()[4].json.substr(1)));
}

TEST(NewCommand, TheEmptyOneIsTidyAndIsToBeFilledByHand) {
  const std::string target = ::testing::TempDir() + "an empty scene.json";
  std::filesystem::remove(target);
  EXPECT_THAT(testing::run({"new", "empty", "-o", target}).out,
              HasSubstr("\n\n  fond-ladder preview '" + target + "' --write\n"));
  EXPECT_EQ(testing::run({"tidy", target}).out, text_of(target));
}

/// The file that a new scene names for editors is the one that ships.
TEST(NewCommand, TheSchemaIsPrintedOrWritten) {
  const std::string shipped = text_of(std::string(FOND_LADDER_SOURCE_DIR) + "/share/fond_ladder/scene.schema.json");
  EXPECT_EQ(testing::run({"schema"}).out, shipped);
  // The sentence names the file that was written, whatever it is called.
  const std::string target = ::testing::TempDir() + "beds.schema.json";
  EXPECT_EQ(testing::run({"schema", "-o", target}).out,
            target + ": written; in a scene beside it write \"$schema\": \"beds.schema.json\"\n");
  EXPECT_EQ(text_of(target), shipped);
}

TEST(NewCommand, TellsItsTemplates) {
  EXPECT_THAT(testing::run({"new"}).out, HasSubstr("  form          labels and fields in two columns, or in one\n"));
  EXPECT_EQ(testing::run({"new", "from"}).err,
            "fond-ladder: error: new from: no template has this name; did you mean \"form\"?\n");
  EXPECT_EQ(testing::run({"new", "greenhouse"}).err,
            "fond-ladder: error: new greenhouse: no template has this name; write bar_and_body, form, cards, page, "
            "list or empty\n");
  EXPECT_EQ(testing::run({"new", "-o", "x.json"}).status, 2);
}

}  // namespace
}  // namespace fond_ladder
