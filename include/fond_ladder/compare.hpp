// SPDX-License-Identifier: MIT
#pragma once

// What differs between two scenes at every size of a ladder. Nodes are matched by path, else by a unique name.
// Comparison differs = compare({"", before}, {"", after});

#include <cstddef>
#include <cstdint>
#include <iosfwd>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A node whose box differs between two scenes, or that only one of them has.
struct Difference {
  enum class Kind : std::uint8_t {
    changed,      ///< its box differs
    only_first,   ///< only in the first scene
    only_second,  ///< only in the second scene
  };
  Kind kind = Kind::changed;
  std::string name;             ///< shortest unique end of its path, in the first scene that has it
  std::string path;             ///< whole path
  std::vector<Interval> sizes;  ///< widths of the container at which it differs
  double max_difference = 0;    ///< pixels: the largest difference of any edge or size
  Extent worst;                 ///< container size with that difference
  /// Its boxes at that size, from the corner of the root; absent if it is not placed in that scene.
  std::optional<Rect> first{}, second{};
  /// Number of descendants that only move along with it.
  std::size_t moved_with_parent = 0;
};

/// What differs between two scenes.
struct Comparison {
  std::string first, second;            ///< names of both scenes
  std::vector<Difference> differences;  ///< in the order of the file, the first scene's nodes first
  std::size_t unchanged = 0;            ///< nodes with the same box at every size
  std::size_t sizes = 0;                ///< sizes compared
  Interval widths;                      ///< widths of these sizes
  /// Number of settings in each scene, without kinds, names and texts; a setting shared by several nodes counts once.
  std::size_t settings_first = 0, settings_second = 0;

  /// Whether anything differs.
  [[nodiscard]] bool any() const { return !differences.empty(); }
};

/// Options of a comparison.
struct CompareOptions {
  std::vector<ContainerSize> container_sizes{};  ///< sizes to compare; empty: the ladder of the first scene
  Progress progress{};                           ///< of the sizes
};

/// Compares two scenes node by node, matched by path, else by a name that is unique. A ladder means every whole width
/// at both ends of its heights, and the named sizes. Boxes within 0.01 pixels are equal. Throws as SceneSolver does,
/// and BadValue for a tree with too many levels (fond-ladder help limits).
[[nodiscard]] Comparison compare(const Variant& first, const Variant& second, const CompareOptions& options = {});

/// Prints the comparison; the answer is on the first line.
std::ostream& operator<<(std::ostream& out, const Comparison& comparison);

}  // namespace v0
}  // namespace fond_ladder
