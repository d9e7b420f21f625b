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

/// A node whose box is not the same in two scenes, or that only one of them has.
struct Difference {
  enum class Kind : std::uint8_t { changed, only_first, only_second };
  Kind kind = Kind::changed;
  std::string name;             ///< in the first scene that has it: as much of the path as tells it from others
  std::string path;             ///< the whole of it
  std::vector<Interval> sizes;  ///< widths of the container at which it differs
  double max_difference = 0;    ///< pixels: the largest difference of any edge or size
  Extent worst;                 ///< container where that is so
  /// Its boxes there, from the root's corner; none where it has no place, so that it is shown in one scene only.
  std::optional<Rect> first{}, second{};
  /// Nodes in it that are as they were, and only go along with it.
  std::size_t moved_with_parent = 0;
};

/// What differs between two scenes.
struct Comparison {
  std::string first, second;            ///< what they are called
  std::vector<Difference> differences;  ///< in the order of the file, the first scene's nodes first
  std::size_t unchanged = 0;            ///< nodes with the same box at every size
  std::size_t sizes = 0;                ///< sizes compared
  Interval widths;                      ///< of those
  /// Keys that each scene says, kinds, names and texts apart; what is said once for many nodes counts once.
  std::size_t settings_first = 0, settings_second = 0;

  /// Whether anything differs.
  [[nodiscard]] bool any() const { return !differences.empty(); }
};

/// Compares two scenes node by node, those of the same path, else of the same name where only one has it, at the sizes
/// given, or over the ladder of the first: every whole width, at both ends of its heights, and the named sizes. Boxes
/// are the same within 0.01 pixels. Throws as SceneSolver does, and BadValue for a tree of so many levels that nobody
/// could read the paths of its nodes (help limits).
[[nodiscard]] Comparison compare(const Variant& first, const Variant& second,
                                 const std::vector<ContainerSize>& container_sizes = {}, const Progress& progress = {});

/// The comparison for people, the answer on the first line.
std::ostream& operator<<(std::ostream& out, const Comparison& comparison);

}  // namespace v0
}  // namespace fond_ladder
