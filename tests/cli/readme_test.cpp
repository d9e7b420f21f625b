// SPDX-License-Identifier: MIT
//
// What the README shows is what happens.
#include <gtest/gtest.h>

#include <algorithm>
#include <iomanip>
#include <sstream>

#include "calls/command.hpp"
#include "cli/run.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// The fenced blocks of a Markdown text, with the word behind the fence in front of each.
std::vector<std::pair<std::string, std::string>> blocks(const std::string& text) {
  std::vector<std::pair<std::string, std::string>> all;
  std::istringstream in(text);
  bool inside = false;
  for (std::string line; std::getline(in, line);) {
    if (line.starts_with("```")) {
      inside = !inside;
      if (inside) all.emplace_back(line.substr(3), "");
    } else if (inside) {
      all.back().second += line + "\n";
    }
  }
  return all;
}

TEST(Readme, ShowsTheSceneItsResultAndTheSameInCpp) {
  const std::string source = FOND_LADDER_SOURCE_DIR;
  auto all = blocks(testing::file_text(source + "/README.md"));
  for (const char* page : {"reading", "claims", "lint"}) {
    const auto more = blocks(testing::file_text(source + "/docs/" + page + ".md"));
    all.insert(all.end(), more.begin(), more.end());
  }
  const auto embedding = blocks(testing::file_text(source + "/docs/embedding.md"));
  ASSERT_FALSE(embedding.empty());
  all.push_back(embedding.front());  // the same scene in C++
  EXPECT_EQ(all.back().first, "cpp");
  std::string scene;
  int runs = 0;
  for (const auto& [kind, text] : all) {
    if (kind == "json" && scene.empty()) {
      scene = text;
      EXPECT_EQ(scene, testing::file_text(source + "/examples/quickstart.scene.json"));
    }
    if (kind == "cpp") {
      EXPECT_NE(testing::file_text(source + "/examples/quickstart.cpp").find(text), std::string::npos) << text;
    }
    const std::string prompt = "$ fond-ladder ";
    if (kind != "console" || !text.starts_with(prompt)) continue;
    ++runs;
    std::istringstream words(text.substr(prompt.size(), text.find('\n') - prompt.size()));
    std::vector<std::string> args;
    for (std::string word; words >> std::quoted(word);) {
      args.push_back(word.starts_with("examples/") ? source + "/" + word : word);
    }
    std::istringstream in;
    std::ostringstream out, err;
    EXPECT_LE(cli::run(args, in, out, err), cli::findings) << err.str();
    std::string printed = out.str();
    for (std::size_t path = printed.find(source + "/"); path != std::string::npos; path = printed.find(source + "/")) {
      printed.erase(path, source.size() + 1);
    }
    EXPECT_EQ(printed, text.substr(text.find('\n') + 1)) << text;
  }
  EXPECT_GE(runs, 12);
}

/// A page says in its first paragraph what it is for, and nothing is a wall of text.
TEST(Readme, IsShortAndItsParagraphsAre) {
  const std::string source = FOND_LADDER_SOURCE_DIR;
  const std::string readme = testing::file_text(source + "/README.md");
  EXPECT_LE(std::ranges::count(readme, '\n'), 150);
  for (const std::string& page : {readme, testing::file_text(source + "/docs/tutorial.md")}) {
    std::istringstream in(page);
    bool fenced = false;
    int lines = 0;
    for (std::string line; std::getline(in, line);) {
      if (line.starts_with("```")) fenced = !fenced;
      const bool is_prose = !fenced && !line.empty() && !line.starts_with("```") && !line.starts_with("    ") &&
                            !line.starts_with("- ") && !line.starts_with("|");
      lines = is_prose ? lines + 1 : 0;
      EXPECT_LE(lines, 6) << line;
    }
  }
}

}  // namespace
}  // namespace fond_ladder
