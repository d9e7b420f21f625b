// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <cstdint>
#include <iosfwd>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/variant.hpp"
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
  unreached,         ///< a range that no size is in
  overlap,           ///< two siblings, neither of them pinned
  pinned_over_text,  ///< it covers words
  small_touch,       ///< too small to be hit
  lone_last,         ///< alone on its line, and larger than the others
  in_a_leaf,         ///< children that are never laid
  asleep,            ///< a setting that does nothing in some ranges; a remark, nothing wrong
};
template <>
inline constexpr std::array<std::string_view, 14> words_of<Oddity>{
    "no effect",   "zero size",        "outside",          "behind",    "fill stops", "size not kept", "never fits",
    "not reached", "siblings overlap", "pinned over text", "too small", "lone last",  "in a leaf",     "asleep"};
static_assert(words_of<Oddity>.size() == static_cast<std::size_t>(Oddity::asleep) + 1, "a word for each");

/// Something suspicious.
struct Finding {
  std::string node;  ///< by the tail of its path; the name of a range
  std::string key;   ///< empty where no key stands for it
  Oddity oddity = Oddity::no_effect;
  std::string why;
  std::string cure;
  std::vector<Span> sizes;              ///< widths at which it is so
  std::vector<std::string> variants{};  ///< in which it is so; empty: in all that were looked at
  std::string path{};                   ///< the whole path of the node; empty for a range
};

/// All findings about a scene over its ladder.
struct Lint {
  std::string title;               ///< the scene, and in how many variants it was looked at
  std::vector<std::string> about;  ///< which these are, and what was tried, a line each
  Span widths;
  std::size_t rungs = 0;          ///< sizes looked at, in each variant
  std::vector<Finding> findings;  ///< by what is odd, then in the order of the file
  /// Settings that are asleep in some ranges: worth knowing, nothing to cure.
  std::vector<Finding> remarks;
};

/// Solves the whole ladder (every whole width at both ends of its heights, and the named rungs) and looks at every node
/// at every size. Throws as SceneSolver does.
[[nodiscard]] Lint lint(const Variant& variant);

/// The same in each variant of a scene, on so many threads (0: all cores). What is odd in some of them is told with
/// their names; a setting has no effect if it has none in any variant that shows its node.
[[nodiscard]] Lint lint(const std::vector<Variant>& variants, unsigned threads = 0);

/// The findings for people, the answer on the first line.
std::ostream& operator<<(std::ostream& out, const Lint& lint);

}  // namespace v0
}  // namespace fond_ladder
