// SPDX-License-Identifier: MIT
#pragma once

// The words of the scene format that are one of a few. An enumerator is spelled as in a scene file; `word` gives its
// spelling, words_of all spellings in order.

#include <array>
#include <cstdint>
#include <span>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The kind of a node: a container (row, column, grid, stack) or a leaf (box, text, image).
enum class Kind : std::uint8_t {
  row,     ///< places its children beside each other
  column,  ///< places its children one below the other
  grid,    ///< places its children in cells of columns and rows
  stack,   ///< places its children on top of each other
  box,     ///< a leaf that the caller draws
  text,    ///< a leaf with a text that breaks into lines
  image,   ///< a leaf that keeps the aspect ratio of its natural size
};
/// Where children are packed along their container if space is left. CSS Box Alignment 3, section 6.
enum class Along : std::uint8_t {
  start,    ///< at the start
  center,   ///< in the middle
  end,      ///< at the end
  between,  ///< equal spaces between them
  around,   ///< an equal space on both sides of each
  evenly,   ///< equal spaces between them and at both ends
  slots,    ///< an equal space after each
};
/// Where a child is placed across its row or column, in its stack or in its cell. CSS Box Alignment 3, section 6.
enum class Across : std::uint8_t {
  start,     ///< at the start
  center,    ///< in the middle
  end,       ///< at the end
  stretch,   ///< as large as the space, unless its size is set
  baseline,  ///< on the baseline of its row; elsewhere as start
};
/// How wrapped lines use unused space: the words of Along, and stretch.
enum class PlaceContent : std::uint8_t {
  start,    ///< at the start
  center,   ///< in the middle
  end,      ///< at the end
  between,  ///< equal spaces between them
  around,   ///< an equal space on both sides of each
  evenly,   ///< equal spaces between them and at both ends
  slots,    ///< an equal space after each
  stretch,  ///< lines or automatic tracks grow by equal parts
};
/// The reading direction of the language of the scene.
enum class Direction : std::uint8_t {
  ltr,  ///< left to right
  rtl,  ///< right to left
};
/// Which children are in front where they overlap: the last ones of the file, or the first. Children overlap with a
/// negative gap or margin, in a stack, in one cell, or pinned.
enum class OnTop : std::uint8_t {
  last,   ///< later children are in front
  first,  ///< earlier children are in front
};
/// Where a border is: inside the box, with space from its content; over the content; around the box, with space as
/// for a margin; or around it as an outline, without space.
enum class BorderAt : std::uint8_t {
  inside,   ///< in the box, with space from its content
  over,     ///< in the box, over the content
  around,   ///< outside the box, with space as for a margin
  outline,  ///< outside the box, without space
};
/// Where the lines of a text are in a box that is wider or taller than they are.
enum class TextAlign : std::uint8_t { start, center, end };
/// How text is measured: with fixed metrics, the same on every machine, or with fonts.
enum class TextMetrics : std::uint8_t {
  fixed,  ///< the same numbers on every machine
  fonts,  ///< with the fonts of the scene
};
/// How an image fills its box.
enum class ImageFit : std::uint8_t {
  cover,    ///< fills the box; parts may be cut off
  contain,  ///< is entirely inside the box
  stretch,  ///< takes the shape of the box
};
/// Whether a grid is filled row by row or column by column.
enum class Flow : std::uint8_t { rows, columns };
/// The axes on which a container scrolls.
enum class Scroll : std::uint8_t {
  none,  ///< on no axis
  x,     ///< horizontally
  y,     ///< vertically
  both,  ///< on both axes
};
/// Whether content scrolls horizontally.
[[nodiscard]] constexpr bool scrolls_x(Scroll scroll) {
  return scroll == Scroll::x || scroll == Scroll::both;
}
/// Whether content scrolls vertically.
[[nodiscard]] constexpr bool scrolls_y(Scroll scroll) {
  return scroll == Scroll::y || scroll == Scroll::both;
}

/// All words of an enumeration, in the order of its enumerators.
template <class Word>
inline constexpr std::array<std::string_view, 0> words_of{};
template <>
inline constexpr std::array<std::string_view, 7> words_of<Kind>{"row", "column", "grid", "stack",
                                                                "box", "text",   "image"};
template <>
inline constexpr std::array<std::string_view, 7> words_of<Along>{"start",  "center", "end",  "between",
                                                                 "around", "evenly", "slots"};
template <>
inline constexpr std::array<std::string_view, 5> words_of<Across>{"start", "center", "end", "stretch", "baseline"};
template <>
inline constexpr std::array<std::string_view, 8> words_of<PlaceContent>{"start",  "center", "end",   "between",
                                                                        "around", "evenly", "slots", "stretch"};
template <>
inline constexpr std::array<std::string_view, 2> words_of<Direction>{"ltr", "rtl"};
template <>
inline constexpr std::array<std::string_view, 2> words_of<OnTop>{"last", "first"};
template <>
inline constexpr std::array<std::string_view, 4> words_of<BorderAt>{"inside", "over", "around", "outline"};
template <>
inline constexpr std::array<std::string_view, 3> words_of<TextAlign>{"start", "center", "end"};
template <>
inline constexpr std::array<std::string_view, 2> words_of<TextMetrics>{"fixed", "fonts"};
template <>
inline constexpr std::array<std::string_view, 3> words_of<ImageFit>{"cover", "contain", "stretch"};
template <>
inline constexpr std::array<std::string_view, 2> words_of<Flow>{"rows", "columns"};
template <>
inline constexpr std::array<std::string_view, 4> words_of<Scroll>{"none", "x", "y", "both"};

/// The word of an enumerator, as in a scene file.
template <class Word>
[[nodiscard]] constexpr std::string_view word(Word value) {
  return words_of<Word>[static_cast<std::size_t>(value)];
}

/// Whether nodes of a kind have children.
[[nodiscard]] constexpr bool is_container(Kind kind) {
  return kind <= Kind::stack;
}

}  // namespace v0
}  // namespace fond_ladder
