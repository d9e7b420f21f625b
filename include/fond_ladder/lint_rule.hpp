// SPDX-License-Identifier: MIT
#pragma once

// The rules of lint by name, and the set of them that a node accepts: box().allow({LintRule::behind})

#include <array>
#include <cstdint>
#include <initializer_list>
#include <string_view>

#include "fond_ladder/enums.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What can be suspicious about a scene.
enum class LintRule : std::uint8_t {
  no_effect,            ///< a setting that changes nothing at any size
  zero_size,            ///< nobody can see it
  outside,              ///< wholly outside a node that it lies in
  behind,               ///< wholly behind a box or an image
  nothing_to_fill,      ///< `fill` in something that is only as large as its content
  squeezed,             ///< a given size that is squeezed
  never_fits,           ///< overhangs at every size
  overlaps_padding,     ///< runs into the padding of its parent
  painted_outside,      ///< `scale` paints it beyond its parent, although its box fits
  never_holds,          ///< a range that no size is in
  always_holds,         ///< a range that every size is in
  unused,               ///< defined, and nobody uses it
  defined_twice,        ///< defined by two files that the scene uses
  siblings_overlap,     ///< two siblings, neither of them pinned
  pinned_over_text,     ///< it covers words
  target_too_small,     ///< too small to be hit
  stretched_last_item,  ///< alone on its line, and larger than the others
  in_a_leaf,            ///< children that are never laid
  empty_area,           ///< an area of a map that nobody stands in
  no_area,              ///< a child of a grid with a map that names no area
  nothing_grows,        ///< everything is of a fixed size, and nothing takes what is left
  empty_track_gap,      ///< space between what is there and what is not
  gap_forces_wrap,      ///< percentages that the gap keeps from sharing a line
  unused_allow,         ///< meant, and never so
  dormant,              ///< a setting that does nothing in some ranges; a remark, nothing wrong
};
template <>
inline constexpr std::array<std::string_view, 25> words_of<LintRule>{
    "no effect",     "zero size",        "outside",          "behind",           "nothing to fill",     "squeezed",
    "never fits",    "overlaps padding", "painted outside",  "never holds",      "always holds",        "unused",
    "defined twice", "siblings overlap", "pinned over text", "target too small", "stretched last item", "in a leaf",
    "empty area",    "no area",          "nothing grows",    "empty track gap",  "gap forces wrap",     "unused allow",
    "dormant"};
static_assert(words_of<LintRule>.size() == static_cast<std::size_t>(LintRule::dormant) + 1, "a word for each");

/// What of a node is on purpose: findings of lint, and that it is cut. Lint is silent about these, and `fits` and the
/// answer of `measure` leave them out.
class Allowed {
 public:
  constexpr Allowed() = default;
  /// Some rules.
  constexpr Allowed(std::initializer_list<LintRule> rules) {
    for (const LintRule one : rules) add(one);
  }

  /// Adds a rule.
  constexpr void add(LintRule rule) { bits_ |= bit(static_cast<std::size_t>(rule)); }
  /// Accepts overhang.
  constexpr void add_overhang() { bits_ |= bit(overhang_place); }
  /// Whether a rule is accepted.
  [[nodiscard]] constexpr bool has(LintRule rule) const { return (bits_ & bit(static_cast<std::size_t>(rule))) != 0; }
  /// That it, or its words, overhang, at some sizes or at all.
  [[nodiscard]] constexpr bool overhang() const { return (bits_ & bit(overhang_place)) != 0; }
  /// Whether anything is accepted.
  [[nodiscard]] constexpr bool any() const { return bits_ != 0; }
  friend bool operator==(const Allowed&, const Allowed&) = default;

  /// All that can be meant, as a scene file writes it: the words of findings, and "cut".
  static constexpr std::size_t overhang_place = words_of<LintRule>.size() - 1;  // in the place of `dormant`
  static constexpr std::array<std::string_view, words_of<LintRule>.size()> words = [] {
    auto all = words_of<LintRule>;
    all[overhang_place] = "overhang";
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
