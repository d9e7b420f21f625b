// SPDX-License-Identifier: MIT
#pragma once

// All container sizes at once, width by height: regions in which claims fail and in which the layout changes.

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The map of all container sizes, width by height, as data.
struct SizeMap {
  std::string title;
  Interval widths, heights;
  std::vector<CheckedClaim> claims;  ///< with the regions in which they fail
  struct Line {
    Extent from, to;
  };
  std::vector<Line> boundaries;  ///< line segments at which the layout changes
  std::vector<Range> ranges;
  std::vector<NamedSize> named_sizes;  ///< named sizes with a height, inside the map
  std::size_t cells = 0;               ///< number of regions in which all sizes and positions are linear
  /// number of regions in which a value is not linear; claims are tested at some sizes there
  std::size_t sampled = 0;
};

/// Options of a map.
struct MapOptions {
  unsigned threads = 0;  ///< 0: one per core; the result is the same for any number
  Progress progress{};   ///< of the regions
};

/// Tests all widths of the ladder of a scene and all heights of an interval. Throws BadClaim, BadValue for more than
/// 100,000 widths or heights, and as SceneSolver does.
[[nodiscard]] SizeMap map_sizes(const Variant& variant, const std::vector<std::string>& claims, const Interval& heights,
                                const MapOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
