// SPDX-License-Identifier: MIT
#pragma once

#include "fond_ladder/settings.hpp"
#include "fond_ladder/solution.hpp"
#include "page/engine/handle.hpp"
#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// Finds what of one node a hand can pull in the last arrangement. Those found first are the first to have space.
class HandleFinder {
 public:
  HandleFinder(const ShownScene& shown, NodeId node);

  void find();

  std::vector<Handle> handles;
  std::vector<Fixed> fixed;

 private:
  // The node's own settings: own_handles.cpp.
  void find_size(Axis axis);
  void find_gap(Axis axis);
  void find_paddings();
  void find_margins();
  void find_border();
  void find_tracks(Axis axis);
  void find_track_edges(Axis axis, const std::vector<Solution::TrackBox>& tracks);
  // Its place among its siblings: place_handles.cpp.
  void find_share();
  void find_pins();
  void find_nudge();
  void find_span(Axis axis);
  [[nodiscard]] std::size_t first_track(Axis axis, const std::vector<Solution::TrackBox>& tracks, int taken) const;

  /// A handle in the middle of the node, of a setting of its own.
  Handle& add(std::string setting, Axis axis);
  void fix(Axis axis, double x, double y, std::string why) { fixed.push_back({axis, x, y, std::move(why)}); }
  /// Says for which nodes the setting of a handle may be another one.
  void scope(Handle& handle, std::string_view key) const;
  /// The four sides of a setting: this one, with the opposite one, all.
  void choose_sides(Handle& handle, const std::string& key, Side side, const Edges& edges) const;

  [[nodiscard]] double middle(Axis axis) const { return along(axis, 0.5); }
  /// A point of its box, by the share of its size from the left or top.
  [[nodiscard]] double along(Axis axis, double share) const {
    return axis == x_axis ? box_.x + share * box_.width : box_.y + share * box_.height;
  }
  [[nodiscard]] bool is_held_at_its_end(Axis axis) const;
  [[nodiscard]] bool stretches(Axis axis) const;
  [[nodiscard]] bool takes_leftover(Axis axis) const;
  [[nodiscard]] bool is_mirrored(Axis axis) const { return axis == x_axis && tree_.direction() == Direction::rtl; }

  const ShownScene& shown_;
  const Solution& solution_;
  const Tree& tree_;
  NodeId node_, parent_;
  Keys keys_, above_;  // its own, those of its parent
  std::vector<Setting> sources_;
  Rect box_;         // as painted
  double zoom_ = 1;  // painted pixels a pixel
};

/// Whether tracks run to the left: none of fewer than two are known to.
[[nodiscard]] inline bool run_backwards(const std::vector<Solution::TrackBox>& tracks) {
  return tracks.size() > 1 && tracks[1].at < tracks[0].at;
}
/// Where a track ends.
[[nodiscard]] inline double far_edge(const std::vector<Solution::TrackBox>& tracks, std::size_t i) {
  return tracks[i].at + (run_backwards(tracks) ? 0 : tracks[i].size);
}

/// Makes a handle one of what two share: the first one's part of both, where they are so many pixels together.
void share_out(Handle& handle, double part, double both, double pixels);

/// One number inside the text of an edit: the text before it and after it.
[[nodiscard]] inline Pulled pulled(std::string before, Pulled::Number number, std::string after = "") {
  return {{std::move(before), std::move(after)}, {number}};
}

}  // namespace fond_ladder::page
