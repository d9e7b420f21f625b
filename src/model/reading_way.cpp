// SPDX-License-Identifier: MIT
#include "model/reading_way.hpp"

#include <algorithm>
#include <array>
#include <cstddef>
#include <utility>

namespace fond_ladder::inline v0 {
namespace {

using Block = std::pair<char32_t, char32_t>;
/// Hebrew to Arabic Extended, their presentation forms, and the planes of old and new scripts that go the same way.
constexpr std::array<Block, 5> from_right{
    {{0x590, 0x8FF}, {0xFB1D, 0xFDFF}, {0xFE70, 0xFEFE}, {0x10800, 0x10FFF}, {0x1E800, 0x1EFFF}}};
/// What has no way of its own: signs and digits below the letters, and blocks of punctuation, arrows and symbols.
constexpr std::array<Block, 7> neither{{{0, 0x40},
                                        {0x5B, 0x60},
                                        {0x7B, 0xA9},
                                        {0xAB, 0xBF},
                                        {0x660, 0x66C},  // digits and signs among Arabic letters
                                        {0x2000, 0x2BFF},
                                        {0x3000, 0x3004}}};

template <std::size_t n>
bool is_in(const std::array<Block, n>& blocks, char32_t code) {
  return std::ranges::any_of(blocks, [&](const Block& block) { return block.first <= code && code <= block.second; });
}

/// The character at a place of UTF-8, 0 where there is none, and how many bytes it takes.
std::pair<char32_t, std::size_t> code_at(std::string_view text, std::size_t at) {
  const auto byte = [&](std::size_t i) { return i < text.size() ? static_cast<unsigned char>(text[i]) : 0U; };
  const unsigned first = byte(at);
  const std::size_t length = first < 0xC0 ? 1 : first < 0xE0 ? 2 : first < 0xF0 ? 3 : 4;
  char32_t code = length == 1 ? first : first & (0xFFU >> (length + 1));
  for (std::size_t i = 1; i < length; ++i) {
    if ((byte(at + i) & 0xC0U) != 0x80U) return {0, 1};  // no UTF-8
    code = code << 6 | (byte(at + i) & 0x3FU);
  }
  return {code, length};
}

}  // namespace

bool reads_from_right(std::string_view text) {
  for (std::size_t at = 0; at < text.size();) {
    const auto [code, length] = code_at(text, at);
    if (!is_in(neither, code)) return is_in(from_right, code);
    at += length;
  }
  return false;
}

}  // namespace fond_ladder::inline v0
