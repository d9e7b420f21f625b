// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What is bad about a node at one size of the container.
struct Trouble {
  enum class Kind : std::uint8_t {
    sticks_out,  ///< of its parent, or its words of itself
    intrudes,    ///< into the padding of its parent, or its words into its own
    squeezed,    ///< below a size that it was given
    unseen,      ///< though it is not hidden
  };
  enum class Why : std::uint8_t { none, no_size, beyond, behind };
  Kind kind = Kind::sticks_out;
  NodeId node;
  /// What it sticks out of, into whose padding it runs, beyond which or behind which it lies: itself where its words
  /// do; none where it has no size, or is squeezed.
  NodeId of{};
  FourSides by{};              ///< how far it sticks out or intrudes
  std::size_t lost_lines = 0;  ///< of a text, by `max_lines`
  Axis axis = x_axis;          ///< on which it is squeezed
  double given = 0, got = 0;   ///< the size that it says, and the one it has
  Why why = Why::none;         ///< it is unseen
};

/// All that is bad about the nodes of a scene in an arrangement of it, by kind and then in the order of the file. What
/// an author put there on purpose is left out: margins and pins below zero, nudges, sizes of 0, nameless empty boxes.
/// Of what is unseen only the topmost node is told, and nothing else of it. Takes about as long as a solve.
[[nodiscard]] std::vector<Trouble> troubles(const Scene& scene, const Solution& solution);

/// The smallest width above that of `rung` at which a trouble is gone, as far as the ladder goes; none when it is not
/// gone there, or where no width was asked. Costs about 20 solves.
[[nodiscard]] std::optional<double> gone_from(const Scene& scene, const std::vector<std::string>& modes,
                                              const Rung& rung, const Trouble& trouble);

}  // namespace v0
}  // namespace fond_ladder
