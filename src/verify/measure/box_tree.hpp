// SPDX-License-Identifier: MIT
#pragma once

// Which of many boxes contains another one. They are kept in their order, with a tree of bounds over them: a branch
// of which no box reaches as far as the queried box is passed over, so that most answers take as long as
// the tree is high.

#include <algorithm>
#include <bit>
#include <cstddef>
#include <vector>

#include "verify/measure/least_of_many.hpp"

namespace fond_ladder::inline v0::detail {

template <class Box>
class BoxTree {
 public:
  using N = decltype(Box::x);

  void add(const Box& box) { boxes_.push_back(box); }
  [[nodiscard]] std::size_t size() const { return boxes_.size(); }

  /// Grows the tree over all that was added, which pays where it is asked more than a few times.
  void sum_up() {
    leaves_ = std::bit_ceil(std::max<std::size_t>(boxes_.size(), 1));
    bounds_.assign(2 * leaves_, {});
    for (std::size_t i = 0; i < boxes_.size(); ++i) bounds_[leaves_ + i] = Bounds(boxes_[i]);
    for (std::size_t branch = leaves_; branch-- > 1;) {
      bounds_[branch] = bounds_[2 * branch];
      bounds_[branch].take(bounds_[2 * branch + 1]);
    }
  }

  /// The index of the first box from `from` on that contains `box`, except for edges that it exceeds by `thin` or
  /// less, and that counts; the number of boxes if there is none.
  template <class Counts>
  [[nodiscard]] std::size_t first_around(const Box& box, std::size_t from, double thin, const Counts& counts) const {
    if (!bounds_.empty()) return find(1, 0, leaves_, {box, from, thin}, counts);
    while (from < size() && !(is_around(boxes_[from], box, thin) && counts(from))) ++from;
    return from;
  }

  /// Whether a box contains another one, except for edges that this exceeds by `thin` or less.
  [[nodiscard]] static bool is_around(const Box& outer, const Box& box, double thin) {
    return !exceeds(outer.x, box.x, thin) && !exceeds(outer.y, box.y, thin) &&
           !exceeds(box.right(), outer.right(), thin) && !exceeds(box.bottom(), outer.bottom(), thin);
  }

 private:
  struct Question {
    const Box& box;
    std::size_t from;
    double thin;
  };
  /// How far the boxes below a branch reach.
  struct Bounds {
    Bounds() = default;
    explicit Bounds(const Box& box) : left(box.x), top(box.y), right(-box.right()), bottom(-box.bottom()) {}
    LeastOfMany<N> left, top, right, bottom;  // the latter two of the other sign
    void take(const Bounds& more) {
      left.take(more.left);
      top.take(more.top);
      right.take(more.right);
      bottom.take(more.bottom);
    }
    [[nodiscard]] bool may_lie_around(const Box& box, double thin) const {
      return !left.is_above(box.x + thin) && !right.is_above(N(thin) - box.right()) && !top.is_above(box.y + thin) &&
             !bottom.is_above(N(thin) - box.bottom());
    }
  };

  template <class Counts>
  [[nodiscard]] std::size_t find(std::size_t branch, std::size_t first, std::size_t many, const Question& question,
                                 const Counts& counts) const {
    const std::size_t end = size();
    if (first + many <= question.from || first >= end) return end;
    if (!bounds_[branch].may_lie_around(question.box, question.thin)) return end;
    if (many == 1) return is_around(boxes_[first], question.box, question.thin) && counts(first) ? first : end;
    const std::size_t half = many / 2, ahead = find(2 * branch, first, half, question, counts);
    return ahead != end ? ahead : find(2 * branch + 1, first + half, half, question, counts);
  }

  std::vector<Box> boxes_;
  std::vector<Bounds> bounds_;  // of a branch b those of 2 b and 2 b + 1, the leaves last
  std::size_t leaves_ = 0;
};

}  // namespace fond_ladder::inline v0::detail
