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

/// The picture of all container sizes, width by height, before it is drawn.
struct SizeMap {
  std::string title;
  Interval widths, heights;
  std::vector<CheckedClaim> claims;  ///< with the regions in which they fail
  struct Line {
    Extent from, to;
  };
  std::vector<Line> boundaries;  ///< on both sides of which boxes are arranged otherwise
  std::vector<Range> ranges;
  std::vector<NamedSize> named_sizes;  ///< those inside that have a height
  std::size_t cells = 0;               ///< regions in each of which all sizes and places run straight
  std::size_t sampled = 0;  ///< pieces of the rest: there something bends, and claims were looked at in some places
};

/// Looks at all widths of a scene's ladder and all heights of a span. Throws BadClaim,
/// BadValue for more than 100,000 widths or heights, and as SceneSolver does.
[[nodiscard]] SizeMap map_sizes(const Variant& variant, const std::vector<std::string>& claims, const Interval& heights,
                                unsigned threads = 0, const Progress& progress = {});

}  // namespace v0
}  // namespace fond_ladder
