// SPDX-License-Identifier: MIT
#pragma once

#include "solve/kinds/line_items.hpp"

namespace fond_ladder::inline v0::detail {

/// How a child counts along its line by its content. CSS Flexible Box Layout 1, section 9.9.3.
///
/// A child with a weight counts its content if it can grow, and nothing else. Another one counts its content,
/// but not below its base if it cannot shrink, and not above if it cannot grow. Without a basis, the base is the
/// size given, else its max-content size, which no content exceeds.
template <Axis axis, bool plain, class N>
class AlongUp {
 public:
  /// `widest` is its max-content, `kept` the content that its automatic minimum is of.
  FOND_LADDER_INLINED AlongUp(const ViewOf<N>& view, const Traits& container, const Child<axis, plain, N>& child,
                              N widest, N kept)
      : child_(child), widest_(widest), weighted_(is_weighted(container, child)) {
    const N given = child.given(unknown);
    bounds_ = bounds_in_line<axis, plain, N>(container, child, child.inset_up(), unknown, kept, given);
    given_ = unless(weighted_, given);
    can_grow_ = any_true(grows_by_one(container, child), view.grow(child.node()) > 0);
    can_shrink_ = all_true(!container.scrolls(axis), child.can_shrink());
  }

  /// The outer size by which it counts where its content is asked for `content`.
  [[nodiscard]] FOND_LADDER_INLINED N outer(N content) const {
    const N own = child_.has_factors() && !weighted_
                      ? by_basis(content)
                      : given_or(given_, either(any_true(weighted_, can_shrink_), content, widest_));
    const N wanted = least_unless(any_true(!weighted_, can_grow_), own, [] { return 0.0; });
    return bounds_.clamp(wanted) * child_.counted_scale() + child_.margin_up().sum();
  }

 private:
  [[nodiscard]] N by_basis(N content) const {
    const N base = child_.base_size(child_.inset_up(), unknown, widest_, given_);
    const N own = given_or(given_, content), raised = can_shrink_ ? own : max_of(own, base);
    return can_grow_ ? raised : min_of(raised, base);
  }

  const Child<axis, plain, N>& child_;
  N widest_, given_;
  BoundsOf<N> bounds_;
  bool weighted_, can_grow_, can_shrink_;
};

}  // namespace fond_ladder::inline v0::detail
