// SPDX-License-Identifier: MIT
#pragma once

// Sharing the space of a line in rounds, as the open standard describes it, for explanations. The solve reaches the
// same sizes without rounds (share.hpp). CSS Flexible Box Layout 1, section 9.7.

#include <string>
#include <vector>

#include "fond_ladder/explanation.hpp"
#include "solve/answers/account.hpp"

namespace fond_ladder::inline v0 {

/// The rounds of one line, played through literally.
class Rounds {
 public:
  explicit Rounds(const detail::LineAccount& line)
      : line_(line), size_(line.children.size()), settled_in_(size_.size()) {}

  /// Fills in rounds, and per child the round in which it was settled.
  void play(ExplanationLine& line);

  [[nodiscard]] double size(std::size_t i) const { return size_[i]; }
  [[nodiscard]] int settled_in(std::size_t i) const { return settled_in_[i]; }
  /// By which space is shared: grow factors, or shrink factors times the base.
  [[nodiscard]] double factor(std::size_t i) const { return grows_ ? line_item_of(i).grow : line_item_of(i).shrink; }
  [[nodiscard]] double speed(std::size_t i) const {
    return grows_ ? line_item_of(i).grow : line_item_of(i).shrink * line_item_of(i).inner_base;
  }

 private:
  [[nodiscard]] const detail::LineItem& line_item_of(std::size_t i) const { return line_.children[i].line_item; }
  [[nodiscard]] double rest() const {
    double space = line_.space();
    for (const double size : size_) space -= size;
    return space;
  }

  void play_one(int round, double initial, std::vector<bool>& free, ExplanationLine& line);

  const detail::LineAccount& line_;
  std::vector<double> size_;
  std::vector<int> settled_in_;
  bool grows_ = false;
};

}  // namespace fond_ladder::inline v0
