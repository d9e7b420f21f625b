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

/// One thing that is wrong with a node at one container size.
struct Issue {
  enum class Kind : std::uint8_t {
    overhangs,         ///< its parent, or its text overhangs it
    overlaps_padding,  ///< of its parent, or its text its own
    squeezed,          ///< below a size that it was given
    invisible,         ///< though it is not hidden
  };
  Kind kind = Kind::overhangs;
  NodeId node;
  /// What it overhangs, into whose padding it runs, beyond which or behind which it lies: itself where its words
  /// do; none where it has no size, or is squeezed.
  NodeId of{};
  FourSides by{};              ///< how far it overhangs, or overlaps the padding
  std::size_t lost_lines = 0;  ///< of a text, by `max_lines`
  Axis axis = x_axis;          ///< on which it is squeezed
  double given = 0, got = 0;   ///< the size that it says, and the one it has
  Invisible::Why why{};        ///< it is invisible
};

/// Everything that is wrong in an arrangement of a scene, by kind and then in the order of the file. What `allow`
/// accepts is left out, and so are sizes of 0 that were set, and empty boxes without a name. Padding overlap is
/// reported on sides without overhang. Of invisible nodes only the topmost is reported, and nothing else about it and
/// its descendants. Takes about as long as a solve.
[[nodiscard]] std::vector<Issue> issues(const Scene& scene, const Solution& solution);

/// For each issue the smallest width above that of `container_size` at which it is gone, to the edge that a sweep
/// tells, as far as the ladder goes; none where it is not gone, where no width was asked, and of what is invisible.
/// Costs some solves per breakpoint that the issues depend on; where no bound can be proved,
/// about 20 a trouble, and then it is the next whole width.
[[nodiscard]] std::vector<std::optional<double>> resolved_from(const Scene& scene,
                                                               const std::vector<std::string>& modes,
                                                               const ContainerSize& container_size,
                                                               const std::vector<Issue>& issues);

}  // namespace v0
}  // namespace fond_ladder
