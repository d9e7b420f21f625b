// SPDX-License-Identifier: MIT
#pragma once

// The interface of content whose size only its owner knows: a chart, a video, a text engine. Give it to a leaf with
// Node::set_content or Tree::set_content. Calls are pure: same question, same answer, from any thread.

#include <cstdint>
#include <optional>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What the library knows of a content: nothing but its size, or that it is a text of one of these classes.
enum class ContentKind : std::uint8_t {
  custom,            ///< a CustomContent
  text,              ///< a BreakableText of the user's own
  fixed_width_text,  ///< a FixedWidthText
  segmented_text,    ///< a SegmentedText
  shaped_text,       ///< a ShapedText
};

/// Content with a size that only its owner knows: a text, or anything that a toolkit puts into a leaf.
///
/// The two questions are pure: the same answer every time for the same object, from any thread. All numbers are
/// pixels of the content, without padding and border of the leaf. NaN, infinite and negative answers count as 0, and
/// Solution::notes reports them. A solve asks for widths only after an edit, and for the height once per new width or
/// content; content that fits is asked at exactly its max-content width. Content may throw: the solve passes that on,
/// and the next one is a full one.
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

  /// An interval of widths, from `from` up to but not including `below`.
  struct StableWidths {
    double from = 0;
    double below = 0;  ///< infinite: no upper end
  };

  CustomContent() = default;
  CustomContent(const CustomContent&) = delete;
  CustomContent& operator=(const CustomContent&) = delete;
  virtual ~CustomContent() = default;

  /// The class of this library that it is. Overridden by those classes only: a class of yours that returns another kind
  /// than its base makes every later call undefined.
  [[nodiscard]] virtual ContentKind kind() const { return ContentKind::custom; }
  [[nodiscard]] virtual Widths widths() const = 0;
  /// The height at a width, which is finite and not negative.
  [[nodiscard]] virtual Heights height_for(double width) const = 0;
  /// An interval of widths around `width` with the same answer of `height_for`; it may be smaller than possible. If
  /// the content cannot tell, sweeps and checks sample sizes instead of proving them.
  [[nodiscard]] virtual std::optional<StableWidths> constant_interval(double /*width*/) const { return {}; }
};

}  // namespace v0
}  // namespace fond_ladder
