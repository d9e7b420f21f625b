// SPDX-License-Identifier: MIT
#pragma once

// Which nodes can be seen: at any scroll position (reachable), or at the present one (in view), and why not.
// Sight sight(solution); sight.is_reachable(tree.at("alarm"))

#include <cstdint>
#include <memory>

#include "fond_ladder/solution.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Why a node cannot be seen although it is not hidden.
struct Invisible {
  enum class Why : std::uint8_t {
    none,     ///< it is visible, or can be scrolled into view
    no_size,  ///< its width or height is 0
    outside,  ///< it is entirely outside an ancestor, at every scroll position
    behind,   ///< it is entirely behind a box or an image that is painted later, at every scroll position
  };
  Why why = Why::none;
  NodeId by{};  ///< the node that it is outside of or behind
};

/// Which nodes of a solution are visible. Claims, `measure`, `lint` and pictures all use it. Containers, texts and
/// `see_through` nodes cover nothing; `scale` counts as painted.
///
/// The first question costs as much as painting order; each of the first 16 also walks up to the root, later ones
/// cost about the logarithm of the number of nodes. Valid as long as the solution; use it on one thread at a time.
class Sight {
 public:
  explicit Sight(const Solution& solution);
  ~Sight();
  Sight(Sight&& other) noexcept;
  Sight& operator=(Sight&& other) noexcept;
  Sight(const Sight&) = delete;
  Sight& operator=(const Sight&) = delete;

  /// Why a placed node is visible at no scroll position; `Why::none` for any other node. Throws BadNode.
  [[nodiscard]] Invisible invisible(NodeId node);
  /// The same at the scroll positions of this solution.
  [[nodiscard]] Invisible out_of_view(NodeId node);
  /// Whether a node is placed and visible at some scroll position.
  [[nodiscard]] bool is_reachable(NodeId node);
  /// Whether a node is placed and visible at the scroll positions of this solution.
  [[nodiscard]] bool is_in_view(NodeId node);

 private:
  struct Kept;
  std::unique_ptr<Kept> kept_;
};

}  // namespace v0
}  // namespace fond_ladder
