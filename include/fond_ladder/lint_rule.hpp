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

/// The rules of lint.
enum class LintRule : std::uint8_t {
  no_effect,            ///< a setting that changes nothing at any size
  zero_size,            ///< a node without size
  outside,              ///< entirely outside an ancestor
  behind,               ///< entirely behind a box or an image
  nothing_to_fill,      ///< `fill` in a container that is only as large as its content
  squeezed,             ///< a set size that is squeezed
  never_fits,           ///< overhangs at every size
  overlaps_padding,     ///< overlaps the padding of its parent
  painted_outside,      ///< `scale` paints it beyond its parent, although its box fits
  never_holds,          ///< a range without a size of the ladder
  always_holds,         ///< a range with every size of the ladder
  unused,               ///< defined but not used
  defined_twice,        ///< defined differently by two files that the scene uses
  siblings_overlap,     ///< two siblings, neither of them pinned
  pinned_over_text,     ///< a pinned node that covers text
  target_too_small,     ///< a touch target that is too small
  stretched_last_item,  ///< alone on its line, and larger than the others
  in_a_leaf,            ///< children of a leaf
  empty_area,           ///< an area of a grid without a child
  no_area,              ///< a child without an area or cell in a grid with areas
  nothing_grows,        ///< only fixed sizes, and free space that no node takes
  empty_track_gap,      ///< an empty track that still costs its gap
  gap_forces_wrap,      ///< percentages that the gap keeps from sharing a line
  unused_allow,         ///< a word in `allow` that never applies
  dormant,              ///< a setting without effect in some ranges; information, not a finding
};
template <>
inline constexpr std::array<std::string_view, 25> words_of<LintRule>{
    "no effect",     "zero size",        "outside",          "behind",           "nothing to fill",     "squeezed",
    "never fits",    "overlaps padding", "painted outside",  "never holds",      "always holds",        "unused",
    "defined twice", "siblings overlap", "pinned over text", "target too small", "stretched last item", "in a leaf",
    "empty area",    "no area",          "nothing grows",    "empty track gap",  "gap forces wrap",     "unused allow",
    "dormant"};
static_assert(words_of<LintRule>.size() == static_cast<std::size_t>(LintRule::dormant) + 1, "a word for each");

/// What is accepted on a node: lint rules, and overhang. Lint, `fits` and the answer of `measure` skip these.
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
  /// Whether overhang of the node and its text is accepted.
  [[nodiscard]] constexpr bool overhang() const { return (bits_ & bit(overhang_place)) != 0; }
  /// Whether anything is accepted.
  [[nodiscard]] constexpr bool any() const { return bits_ != 0; }
  friend bool operator==(const Allowed&, const Allowed&) = default;

  /// All words of `allow` in a scene file: the rules, and "overhang".
  static constexpr std::size_t overhang_place = words_of<LintRule>.size() - 1;  // in the place of `dormant`
  static constexpr std::array<std::string_view, words_of<LintRule>.size()> words = [] {
    auto all = words_of<LintRule>;
    all[overhang_place] = "overhang";
    return all;
  }();
  /// Accepts the word at an index of `words`.
  constexpr void add_word(std::size_t place) { bits_ |= bit(place); }
  [[nodiscard]] constexpr bool has_word(std::size_t place) const { return (bits_ & bit(place)) != 0; }

 private:
  static constexpr std::uint32_t bit(std::size_t place) { return std::uint32_t{1} << place; }
  std::uint32_t bits_ = 0;
};

}  // namespace v0
}  // namespace fond_ladder
