// SPDX-License-Identifier: MIT
//
// Every case in docs/semantics.md is run.
#include <gtest/gtest.h>

#include <map>
#include <sstream>

#include "fond_ladder/check.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/source.hpp"
#include "print/limits_text.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

TEST(Docs, EveryCaseOfSemanticsHolds) {
  std::istringstream in(testing::file_text(std::string(FOND_LADDER_SOURCE_DIR) + "/docs/semantics.md"));
  bool inside = false;
  int cases = 0;
  for (std::string line; std::getline(in, line);) {
    if (line.starts_with("```")) {
      inside = line == "```case";
      continue;
    }
    if (!inside) continue;
    const std::size_t size = line.find(" | "), boxes = line.find(" | ", size + 1);
    ASSERT_NE(boxes, std::string::npos) << line;
    EXPECT_EQ(testing::boxes_at(line.substr(0, size), line.substr(size + 3, boxes - size - 3)), line.substr(boxes + 3))
        << line;
    ++cases;
  }
  EXPECT_GE(cases, 60);
}

/// Blocks of claims name their scene behind the fence.
TEST(Docs, EveryClaimOfTheRecipesHolds) {
  const std::string source = std::string(FOND_LADDER_SOURCE_DIR) + "/";
  std::istringstream in(testing::file_text(source + "docs/recipes.md"));
  std::map<std::string, std::vector<std::string>> claims;  // by scene
  std::string scene;
  for (std::string line; std::getline(in, line);) {
    if (line.starts_with("```")) {
      scene = line.starts_with("```claims ") ? line.substr(line.find(' ') + 1) : "";
    } else if (!scene.empty()) {
      claims[scene].push_back(line);
    }
  }
  ASSERT_EQ(claims.size(), 2U);
  for (const auto& [file, all] : claims) {
    for (const CheckedClaim& one : check(read_scene_file(source + file), all)) EXPECT_TRUE(one.holds) << report(one);
  }
  EXPECT_GE(claims["examples/console.scene.json"].size(), 40U);
}

/// The schema, and docs/json.md which is made of it, know every source of a setting that the program prints.
TEST(Docs, SourcesAreThoseOfTheProgram) {
  const std::string source = std::string(FOND_LADDER_SOURCE_DIR) + "/";
  const std::string schema = testing::file_text(source + "share/fond_ladder/answers/common.schema.json"),
                    page = testing::file_text(source + "docs/json.md");
  for (const std::string_view word : words_of<Source>) {
    EXPECT_NE(schema.find("\"" + std::string(word) + "\""), std::string::npos) << word;
    EXPECT_NE(page.find("`" + std::string(word) + "`"), std::string::npos) << word;
  }
}

/// docs/limits.md has a table of what `help limits` tells.
TEST(Docs, LimitsAreThoseOfTheProgram) {
  const std::string page = testing::file_text(std::string(FOND_LADDER_SOURCE_DIR) + "/docs/limits.md");
  const std::string answer = testing::run({"help", "limits"}).out;
  EXPECT_EQ(answer, testing::run({"--help", "limits"}).out);
  std::size_t rows = 0;
  for (const Bound& bound : bounds()) {
    EXPECT_NE(page.find("| " + bound.what + " | " + bound.most + " | " + bound.why + " |"), std::string::npos)
        << bound.what << " | " << bound.most << " | " << bound.why;
    EXPECT_NE(answer.find("\n  " + bound.what + ": " + bound.most + "\n      " + bound.why + "\n"), std::string::npos);
    ++rows;
  }
  EXPECT_GT(rows, 30U);
}

}  // namespace
}  // namespace fond_ladder
