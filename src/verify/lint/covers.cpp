// SPDX-License-Identifier: MIT
#include "verify/lint/covers.hpp"

#include <algorithm>
#include <bit>

namespace fond_ladder::inline v0 {

bool Covers::Bounds::may_hide(const Rect& box) const {
  return left <= box.x + give && top <= box.y + give && right >= box.right() - give && bottom >= box.bottom() - give;
}

void Covers::Bounds::take(const Bounds& more) {
  left = std::min(left, more.left);
  top = std::min(top, more.top);
  right = std::max(right, more.right);
  bottom = std::max(bottom, more.bottom);
}

Covers::Covers(const Seen& seen) : seen_(seen), ahead_(seen.nodes.size()) {
  struct Visit {
    std::size_t place;
    bool ends;  // all that is in it was painted
  };
  std::vector<Visit> open{{0, false}};
  while (!open.empty()) {
    const Visit visit = open.back();
    open.pop_back();
    if (visit.ends) {
      ahead_[visit.place] = covers_.size();
      continue;
    }
    const SeenNode& one = seen.nodes[visit.place];
    const Kind kind = one.keys().kind;
    if ((kind == Kind::box || kind == Kind::image) && has_area(one.box)) covers_.push_back(visit.place);
    open.push_back({visit.place, true});
    const auto first_child = static_cast<std::ptrdiff_t>(open.size());
    seen.for_each_child(one, [&](const SeenNode& child) { open.push_back({seen.place(child), false}); });
    if (one.keys().paint_order == PaintOrder::file) std::reverse(open.begin() + first_child, open.end());
  }
  leaves_ = std::bit_ceil(std::max<std::size_t>(covers_.size(), 1));
  bounds_.resize(2 * leaves_);
  for (std::size_t i = 0; i < covers_.size(); ++i) {
    const Rect& box = seen.nodes[covers_[i]].box;
    bounds_[leaves_ + i] = {box.x, box.y, box.right(), box.bottom()};
  }
  for (std::size_t branch = leaves_; branch-- > 1;) {
    bounds_[branch] = bounds_[2 * branch];
    bounds_[branch].take(bounds_[2 * branch + 1]);
  }
}

const SeenNode* Covers::over(const SeenNode& one, const Counts& counts) const {
  if (!has_area(one.box)) return nullptr;
  return find(1, 0, leaves_, ahead_[seen_.place(one)], one.box, counts);
}

const SeenNode* Covers::find(std::size_t branch, std::size_t first, std::size_t many, std::size_t from, const Rect& box,
                             const Counts& counts) const {
  if (first + many <= from || !bounds_[branch].may_hide(box)) return nullptr;
  if (many == 1) {
    const SeenNode& cover = seen_.nodes[covers_[first]];
    return !counts || counts(cover) ? &cover : nullptr;
  }
  const std::size_t half = many / 2;
  const SeenNode* ahead = find(2 * branch, first, half, from, box, counts);
  return ahead != nullptr ? ahead : find(2 * branch + 1, first + half, half, from, box, counts);
}

}  // namespace fond_ladder::inline v0
