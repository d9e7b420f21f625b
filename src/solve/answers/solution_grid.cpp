// SPDX-License-Identifier: MIT
//
// The tracks of a grid after the solve. They are sized again for the answer, by the function that the solve used; which
// child set a track is found by looking for the one that asked for exactly its size.
#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "solve/kinds/grid.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::View;

bool is_by_content(const detail::SizedTrack& track) {
  return track.min != detail::TrackWay::fixed ||
         (track.max != detail::TrackWay::fixed && track.max != detail::TrackWay::share);
}

template <Axis axis>
class TrackBoxes {
 public:
  TrackBoxes(const View& view, const Tree& tree, Index grid) : view_(view), tree_(tree), grid_(grid) {}

  std::vector<Solution::TrackBox> boxes(double corner) {
    std::vector<Index> listed;
    const detail::InFlow flow = view_.flow(grid_, listed);
    const double inner = view_.inner_size(grid_, axis);
    const auto size = [&](bool stretch) {
      detail::grid::size_axis<axis>(view_, grid_, flow, detail::Space::known, inner, stretch, scratch_);
    };
    size(false);
    boxes_.resize(scratch_.tracks.size());
    for (std::size_t i = 0; i < boxes_.size(); ++i) {
      boxes_[i].unstretched = scratch_.tracks[i].base;
      if (scratch_.tracks[i].max == detail::TrackWay::share) boxes_[i].share = scratch_.tracks[i].share;
    }
    gap_ = detail::grid::gap_down(view_, grid_, axis, inner);
    for (const bool crossing : {false, true}) {
      for (Index i = 0; i < flow.size(); ++i) credit(flow[i], view_.grid_place(flow[i]).cell, crossing);
    }
    size(view_.traits(grid_).place_content(axis) == PlaceContent::stretch);
    detail::grid::lay_tracks<axis>(view_, grid_, inner, scratch_);
    const bool flip = axis == x_axis && view_.mirrored;
    const detail::Sides edges = view_.content_edges(grid_, axis);
    for (std::size_t i = 0; i < boxes_.size(); ++i) {
      const detail::Slot& slot = scratch_.slots[i];
      boxes_[i].size = slot.size;
      boxes_[i].at = corner + (flip ? edges.after - slot.at - slot.size : edges.before + slot.at);
    }
    return boxes_;
  }

 private:
  void credit(Index child, const detail::CellRange& range, bool crossing) {
    const std::uint32_t first = detail::grid::first_track(scratch_, axis, range);
    const auto own = std::span<const detail::SizedTrack>(scratch_.tracks).subspan(first, range.count(axis));
    if (crossing != (own.size() > 1) || std::ranges::none_of(own, is_by_content)) return;
    const detail::TrackRequest claim = detail::grid::request_of<axis, double>(view_, child, own, gap_);
    const double size = detail::sum_of(own, gap_);
    const auto meets = [&](double asked) {
      return asked > 0 && std::abs(asked - size) <= limits::rounding * std::max(1.0, size);
    };
    if (!meets(claim.minimum) && !meets(claim.min_content) && !meets(claim.max_content)) return;
    for (std::size_t i = 0; i < own.size(); ++i) {
      NodeId& set_by = boxes_[first + i].set_by;
      if (!set_by && is_by_content(own[i])) set_by = tree_.store().id_of(child);
    }
  }

  const View& view_;
  const Tree& tree_;
  Index grid_;
  double gap_ = 0;
  detail::GridScratch scratch_;
  std::vector<Solution::TrackBox> boxes_;
};

}  // namespace

Solution::GridTracks Solution::tracks(NodeId grid) const {
  if (!is_placed(grid) || kind(grid) != Kind::grid) return {};
  const View view = detail::view_of(tree(), passes());
  const Index i = tree().store().index_of(grid);
  const Rect own = box(grid);
  return {TrackBoxes<x_axis>(view, tree(), i).boxes(own.x), TrackBoxes<y_axis>(view, tree(), i).boxes(own.y)};
}

}  // namespace fond_ladder::inline v0
