// SPDX-License-Identifier: MIT
//
// Every case in docs/semantics.md is run.
#include <gtest/gtest.h>

#include <sstream>

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

}  // namespace
}  // namespace fond_ladder
