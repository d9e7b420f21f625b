// SPDX-License-Identifier: MIT
#include "fond_ladder/map.hpp"

#include "verify/claims/check_variants.hpp"
#include "verify/claims/claims_along.hpp"
#include "verify/plane/claims_in_plane.hpp"

namespace fond_ladder::inline v0 {

SizeMap map_sizes(const Variant& variant, const std::vector<std::string>& claims, const Span& heights, unsigned threads,
                  const ShareDone& progress) {
  const Scene& scene = variant.scene;
  SizeMap map;
  map.title = scene.name();
  map.widths = scene.ladder.width;
  map.heights = heights;
  map.ranges = scene.ranges;
  for (const NamedRung& rung : scene.ladder.rungs) {
    if (rung.width >= map.widths.from && rung.width <= map.widths.to && rung.height && *rung.height >= heights.from &&
        *rung.height <= heights.to) {
      map.rungs.push_back(rung);
    }
  }
  const std::vector<Claim> read = read_claims(scene, claims);
  const InPlane found = look_in_plane(scene, variant.modes, read, {map.widths, heights}, true, threads, progress);
  map.cells = found.cells;
  map.sampled = found.sampled;
  for (const TurnLine& line : found.turns) {
    map.turns.push_back({{line.from.x, line.from.y}, {line.to.x, line.to.y}});
  }
  map.claims =
      check_variants({variant}, claims.size(), {}, [&](std::size_t, const std::vector<std::size_t>&, const ShareDone&) {
        return checked_in_plane(variant, read, {map.widths, heights}, found, threads);
      });
  return map;
}

}  // namespace fond_ladder::inline v0
