// SPDX-License-Identifier: MIT
#include <gtest/gtest.h>

#include "scene_schema.hpp"
#include "support/golden.hpp"

namespace fond_ladder {
namespace {

TEST(Schema, TheShippedFileIsWhatTheTableOfKeysSays) {
  testing::expect_golden("../../share/fond_ladder/scene.schema.json", scene::scene_schema());
}

}  // namespace
}  // namespace fond_ladder
