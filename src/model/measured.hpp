// SPDX-License-Identifier: MIT
#pragma once

// What a leaf holds that is measured. Of fixed metrics and of pieces the answers that no width changes are kept beside
// the pointer, so that a pass over many short texts reads one array and not an object here and there. Content of the
// user's own is asked: it may be slow or throw, and then in a solve.

#include <memory>

#include "fond_ladder/custom_content.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0::detail {

class Measured {
 public:
  Measured() = default;
  explicit Measured(std::shared_ptr<const CustomContent> content) : content_(std::move(content)) {
    const ContentKind kind = content_ ? content_->kind() : ContentKind::custom;
    if (kind == ContentKind::custom || kind == ContentKind::text) return;
    widths_ = content_->widths();
    unbroken_ = content_->height_for(widths_.max_content);
  }

  [[nodiscard]] const std::shared_ptr<const CustomContent>& content() const { return content_; }
  [[nodiscard]] CustomContent::Widths widths() const { return is_known() ? widths_ : content_->widths(); }
  [[nodiscard]] CustomContent::Heights height_for(double width) const {
    if (is_known() && width + limits::line_tolerance >= widths_.max_content) return unbroken_;
    return content_->height_for(width);
  }

 private:
  [[nodiscard]] bool is_known() const { return widths_.max_content >= 0; }

  std::shared_ptr<const CustomContent> content_;
  CustomContent::Widths widths_{-1, -1};  ///< of words; else negative
  CustomContent::Heights unbroken_;       ///< where no line has to be broken
};

}  // namespace fond_ladder::inline v0::detail
