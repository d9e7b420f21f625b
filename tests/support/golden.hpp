// SPDX-License-Identifier: MIT
#pragma once

#include <gtest/gtest.h>

#include <cstdlib>
#include <fstream>
#include <string>

#include "support/shorthand.hpp"

namespace fond_ladder::testing {

/// Compares a text with tests/golden/`name`. With FOND_LADDER_GOLDEN=1 in the environment the file is written anew.
inline void expect_golden(const std::string& name, const std::string& text) {
  const std::string path = std::string(FOND_LADDER_SOURCE_DIR) + "/tests/golden/" + name;
  const char* renew = std::getenv("FOND_LADDER_GOLDEN");
  if (renew != nullptr && std::string(renew) == "1") std::ofstream(path) << text;
  EXPECT_EQ(text, file_text(path)) << "if this is meant: FOND_LADDER_GOLDEN=1 ctest";
}

}  // namespace fond_ladder::testing
