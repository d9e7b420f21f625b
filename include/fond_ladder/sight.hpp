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

/// Why nobody sees a node that is not hidden.
struct Invisible {
  enum class Why : std::uint8_t {
    none,     ///< it is seen, or can be scrolled into sight
    no_size,  ///< its width or height is 0
    outside,  ///< it lies wholly outside of a node that it is in, wherever that is scrolled to
    behind,   ///< it lies wholly behind a box or an image that is painted later, wherever it is scrolled to
  };
  Why why = Why::none;
  NodeId by{};  ///< beyond or behind which it lies
};

/// Who is seen in an arrangement: the one answer that claims, `measure`, `lint` and pictures give. Containers, words
/// and what is `see_through` cover nothing; `scale` counts as it is painted.
///
/// Costs what painting order costs at the first question, and a walk up to the root at each; from the 17th question on
/// about the logarithm of the nodes. Lives as long as the solution; not to be shared by threads.
class Sight {
 public:
  explicit Sight(const Solution& solution);
  ~Sight();
  Sight(Sight&& other) noexcept;
  Sight& operator=(Sight&& other) noexcept;
  Sight(const Sight&) = delete;
  Sight& operator=(const Sight&) = delete;

  /// Why a node with a place (see Solution::is_placed) is not reachable: seen nowhere, however scrollers are scrolled.
  /// `Why::none` for any other node.
  [[nodiscard]] Invisible invisible(NodeId node);
  /// The same with every scroller left at its position in this solution.
  [[nodiscard]] Invisible out_of_view(NodeId node);
  /// Whether a node has a place and is seen at some scroll position.
  [[nodiscard]] bool is_reachable(NodeId node);
  /// Whether a node has a place and is seen at the scroll positions of this solution.
  [[nodiscard]] bool is_in_view(NodeId node);

 private:
  struct Kept;
  std::unique_ptr<Kept> kept_;
};

}  // namespace v0
}  // namespace fond_ladder
