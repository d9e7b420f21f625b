// SPDX-License-Identifier: MIT
#include "verify/lint/covers.hpp"

#include <algorithm>

namespace fond_ladder::inline v0 {

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
      ahead_[visit.place] = covering_.size();
      continue;
    }
    const SeenNode& one = seen.nodes[visit.place];
    const Kind kind = one.keys().kind;
    if ((kind == Kind::box || kind == Kind::image) && has_area(one.box)) {
      covering_.push_back(visit.place);
      boxes_.add(one.box);
    }
    open.push_back({visit.place, true});
    const auto first_child = static_cast<std::ptrdiff_t>(open.size());
    seen.for_each_child(one, [&](const SeenNode& child) { open.push_back({seen.place(child), false}); });
    if (one.keys().paint_order == PaintOrder::file) std::reverse(open.begin() + first_child, open.end());
  }
  boxes_.sum_up();
}

const SeenNode* Covers::over(const SeenNode& one, const Counts& counts) const {
  if (!has_area(one.box)) return nullptr;
  const std::size_t cover = boxes_.first_around(one.box, ahead_[seen_.place(one)], give, [&](std::size_t at) {
    return !counts || counts(seen_.nodes[covering_[at]]);
  });
  return cover < covering_.size() ? &seen_.nodes[covering_[cover]] : nullptr;
}

}  // namespace fond_ladder::inline v0
