// SPDX-License-Identifier: MIT
#include "model/reading_way.hpp"

#include <gtest/gtest.h>

namespace fond_ladder {
namespace {

TEST(ReadingWay, ItIsThatOfTheFirstLetter) {
  for (const char* text : {"سرخس", "  (12) בית fern", "٣٫٢٠ للكيس", "„שלום“", "\U0001E900"})
    EXPECT_TRUE(reads_from_right(text)) << text;
  for (const char* text : {"", "12 %", "Fern سرخس", "温室 בית", "ʿain", "é", "٣٫٢٠", "\xFF\xD7", "\xD7"})
    EXPECT_FALSE(reads_from_right(text)) << text;
}

}  // namespace
}  // namespace fond_ladder
