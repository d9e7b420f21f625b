// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/sight.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What is bad about a node at one size of the container.
struct Issue {
  enum class Kind : std::uint8_t {
    sticks_out,        ///< of its parent, or its words of itself
    overlaps_padding,  ///< into the padding of its parent, or its words into its own
    squeezed,          ///< below a size that it was given
    invisible,         ///< though it is not hidden
  };
  Kind kind = Kind::sticks_out;
  NodeId node;
  /// What it sticks out of, into whose padding it runs, beyond which or behind which it lies: itself where its words
  /// do; none where it has no size, or is squeezed.
  NodeId of{};
  FourSides by{};              ///< how far it sticks out or intrudes
  std::size_t lost_lines = 0;  ///< of a text, by `max_lines`
  Axis axis = x_axis;          ///< on which it is squeezed
  double given = 0, got = 0;   ///< the size that it says, and the one it has
  Invisible::Why why{};        ///< it is unseen
};

/// All that is bad about the nodes of a scene in an arrangement of it, by kind and then in the order of the file. What
/// an author says is meant is left out, and sizes of 0 that are given, and nameless empty boxes. What runs into padding
/// is told on sides on which it does not stick out. Of what is unseen only the topmost node is told, and nothing else
/// of it and what is unseen in it. Takes about as long as a solve.
[[nodiscard]] std::vector<Issue> issues(const Scene& scene, const Solution& solution);

/// For each trouble the smallest width above that of `container_size` at which it is gone, to the edge that a sweep
/// tells, as far as the ladder goes; none where it is not gone, where no width was asked, and of what is unseen. Costs
/// some solves for each size at which anything turns that the troubles hang on; where no edge can be proved, about 20 a
/// trouble, and then it is the next whole width.
[[nodiscard]] std::vector<std::optional<double>> resolved_from(const Scene& scene,
                                                               const std::vector<std::string>& modes,
                                                               const ContainerSize& container_size,
                                                               const std::vector<Issue>& issues);

}  // namespace v0
}  // namespace fond_ladder
