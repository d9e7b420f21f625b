// SPDX-License-Identifier: MIT
#include "fond_ladder/map.hpp"

#include "verify/claims/check_variants.hpp"
#include "verify/claims/claims_along.hpp"
#include "verify/plane/claims_in_plane.hpp"

namespace fond_ladder::inline v0 {

SizeMap map_sizes(const Variant& variant, const std::vector<std::string>& claims, const Interval& heights,
                  const MapOptions& options) {
  const Scene& scene = variant.scene;
  SizeMap map;
  map.title = scene.name();
  map.widths = scene.ladder.width;
  map.heights = heights;
  map.ranges = scene.ranges;
  for (const NamedSize& container_size : scene.ladder.named_sizes) {
    if (container_size.width >= map.widths.from && container_size.width <= map.widths.to && container_size.height &&
        *container_size.height >= heights.from && *container_size.height <= heights.to) {
      map.named_sizes.push_back(container_size);
    }
  }
  const std::vector<Claim> read = read_claims(scene, claims);
  const InPlane found =
      look_in_plane(scene, variant.modes, read, {map.widths, heights}, true, options.threads, options.progress);
  map.cells = found.cells;
  map.sampled = found.sampled;
  for (const BreakpointLine& line : found.breakpoints) {
    map.boundaries.push_back({{line.from.x, line.from.y}, {line.to.x, line.to.y}});
  }
  map.claims =
      check_variants({variant}, claims.size(), {}, [&](std::size_t, const std::vector<std::size_t>&, const Progress&) {
        return checked_in_plane(variant, read, {map.widths, heights}, found, options.threads);
      });
  return map;
}

}  // namespace fond_ladder::inline v0
