// SPDX-License-Identifier: MIT
#pragma once

// What is wrong in one arrangement: overhang, squeezed sizes, invisible nodes. `measure` prints these first.
// for (const Issue& one : issues(scene, solution)) std::cout << scene.tree.path(one.node) << '\n';

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/sight.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Something wrong with a node at one container size.
struct Issue {
  enum class Kind : std::uint8_t {
    overhangs,         ///< its parent, or its text overhangs it
    overlaps_padding,  ///< of its parent, or its text its own
    squeezed,          ///< it is smaller than the size set on it
    invisible,         ///< though it is not hidden
  };
  Kind kind = Kind::overhangs;
  NodeId node;
  /// The node that it overhangs, whose padding it overlaps, or that it is outside of or behind; the node itself for
  /// its text; none for a node without size or a squeezed one.
  NodeId of{};
  FourSides by{};              ///< by how much it overhangs, or overlaps the padding, on each side
  std::size_t lost_lines = 0;  ///< lines of a text dropped by `max_lines`
  Axis axis = x_axis;          ///< axis on which it is squeezed
  double given = 0, got = 0;   ///< the set size and the actual size, in pixels
  Invisible::Why why{};        ///< why it is invisible
};

/// Returns everything that is wrong in a solution, by kind and then in the order of the file, except what `allow`
/// accepts, sizes that were set to 0, and empty boxes without a name. Padding overlap is reported on sides without
/// overhang. Of invisible nodes only the topmost is reported, and nothing about its descendants. Costs about a solve.
[[nodiscard]] std::vector<Issue> issues(const Scene& scene, const Solution& solution);

/// Returns for each issue the smallest width above that of `container_size` at which it is resolved, exact to the
/// breakpoint, within the ladder; absent if there is none, if the width is by content, and for invisible nodes. Costs
/// some solves per breakpoint that the issues depend on. Where nothing can be proved it costs about 20 solves per
/// issue, and the result is a whole width.
[[nodiscard]] std::vector<std::optional<double>> resolved_from(const Scene& scene,
                                                               const std::vector<std::string>& modes,
                                                               const ContainerSize& container_size,
                                                               const std::vector<Issue>& issues);

}  // namespace v0
}  // namespace fond_ladder
