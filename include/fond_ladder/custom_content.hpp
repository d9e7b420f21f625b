// SPDX-License-Identifier: MIT
#pragma once

// The interface of content whose size only its owner knows: a chart, a video, a text engine. Give it to a leaf with
// Node::set_content or Tree::set_content. Calls are pure: same question, same answer, from any thread.

#include <optional>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Content whose size the engine cannot know by itself: a text, or whatever a toolkit puts into a leaf.
///
/// The two questions are pure: the same answer every time for the same object, from any thread. All numbers are pixels
/// of the content alone, without the leaf's padding and border. Answers that are not finite or are negative count as
/// zero and are noted in the solution. A solve asks a leaf for its widths only after an edit, and for its height once,
/// when its width or its content is new; where its max-content fits, but for rounding, it is asked at exactly that
/// width. It may throw: the solve passes that on, and the next one does everything anew.
class CustomContent {
 public:
  /// CSS Sizing 3, section 2.1.
  struct Widths {
    double min_content = 0;  ///< narrowest without overflow
    double max_content = 0;  ///< widest that content can use
  };
  struct Heights {
    double height = 0;
    double baseline = 0;  ///< of the first line, from the top of the content
  };

  /// Widths from one up to below another.
  struct StableWidths {
    double from = 0;
    double below = 0;  ///< infinite where nothing changes any more
  };

  CustomContent() = default;
  CustomContent(const CustomContent&) = delete;
  CustomContent& operator=(const CustomContent&) = delete;
  virtual ~CustomContent() = default;

  [[nodiscard]] virtual Widths widths() const = 0;
  /// `width` is finite and not negative.
  [[nodiscard]] virtual Heights height_for(double width) const = 0;
  /// Widths around `width` at all of which `height_for` answers the same; there need not be more of them at either
  /// end. With content that cannot tell, sweeps and checks sample the sizes of its scene instead of proving them.
  [[nodiscard]] virtual std::optional<StableWidths> constant_interval(double /*width*/) const { return {}; }
};

}  // namespace v0
}  // namespace fond_ladder
