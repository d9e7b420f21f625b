// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <cstdint>
#include <initializer_list>
#include <string_view>

#include "fond_ladder/version.hpp"
#include "fond_ladder/words.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What can be suspicious about a scene.
enum class Oddity : std::uint8_t {
  no_effect,         ///< a setting that changes nothing at any size
  zero_size,         ///< nobody can see it
  outside,           ///< wholly outside a node that it lies in
  behind,            ///< wholly behind a box or an image
  fill_stops,        ///< `fill` in something that is only as large as its content
  not_kept,          ///< a given size that is squeezed
  never_fits,        ///< sticks out at every size
  intrudes,          ///< runs into the padding of its parent
  unreached,         ///< a range that no size is in
  unbounded,         ///< a range that every size is in
  unused,            ///< defined, and nobody uses it
  clash,             ///< defined by two files that the scene uses
  overlap,           ///< two siblings, neither of them pinned
  pinned_over_text,  ///< it covers words
  small_touch,       ///< too small to be hit
  lone_last,         ///< alone on its line, and larger than the others
  in_a_leaf,         ///< children that are never laid
  empty_area,        ///< an area of a map that nobody stands in
  no_area,           ///< a child of a grid with a map that names no area
  no_middle,         ///< everything is of a fixed size, and nothing takes what is left
  idle_gap,          ///< room between what is there and what is not
  never_beside,      ///< percentages that the gap keeps from sharing a line
  not_needed,        ///< meant, and never so
  asleep,            ///< a setting that does nothing in some ranges; a remark, nothing wrong
};
template <>
inline constexpr std::array<std::string_view, 24> words_of<Oddity>{
    "no effect",        "zero size",        "outside",     "behind",       "fill stops", "size not kept",
    "never fits",       "intrudes",         "not reached", "no bounds",    "not used",   "defined twice",
    "siblings overlap", "pinned over text", "too small",   "lone last",    "in a leaf",  "empty area",
    "no area",          "no middle",        "idle gap",    "never beside", "not needed", "asleep"};
static_assert(words_of<Oddity>.size() == static_cast<std::size_t>(Oddity::asleep) + 1, "a word for each");

/// What of a node is on purpose: findings of lint, and that it is cut. Lint is silent about these, and `uncut` and the
/// answer of `measure` leave them out.
class Meant {
 public:
  constexpr Meant() = default;
  constexpr Meant(std::initializer_list<Oddity> oddities) {
    for (const Oddity one : oddities) add(one);
  }

  constexpr void add(Oddity oddity) { bits_ |= bit(static_cast<std::size_t>(oddity)); }
  constexpr void add_cut() { bits_ |= bit(cut_place); }
  [[nodiscard]] constexpr bool has(Oddity oddity) const { return (bits_ & bit(static_cast<std::size_t>(oddity))) != 0; }
  /// That it, or its words, stick out, at some sizes or at all.
  [[nodiscard]] constexpr bool cut() const { return (bits_ & bit(cut_place)) != 0; }
  [[nodiscard]] constexpr bool any() const { return bits_ != 0; }
  friend bool operator==(const Meant&, const Meant&) = default;

  /// All that can be meant, as a scene file writes it: the words of findings, and "cut".
  static constexpr std::size_t cut_place = words_of<Oddity>.size() - 1;  // in the place of `asleep`
  static constexpr std::array<std::string_view, words_of<Oddity>.size()> words = [] {
    auto all = words_of<Oddity>;
    all[cut_place] = "cut";
    return all;
  }();
  /// By the place of a word.
  constexpr void add_word(std::size_t place) { bits_ |= bit(place); }
  [[nodiscard]] constexpr bool has_word(std::size_t place) const { return (bits_ & bit(place)) != 0; }

 private:
  static constexpr std::uint32_t bit(std::size_t place) { return std::uint32_t{1} << place; }
  std::uint32_t bits_ = 0;
};

}  // namespace v0
}  // namespace fond_ladder
