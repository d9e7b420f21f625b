// SPDX-License-Identifier: MIT
//
// The handles of a node's own settings: its size, gaps, paddings, margins, border, and the tracks of a grid.
#include <algorithm>

#include "model/key_table.hpp"
#include "page/engine/handle_finder.hpp"
#include "scene/read/json_document.hpp"
#include "scene/write/key_writer.hpp"

namespace fond_ladder::page {

/// Its size if it has one or fits its content, a maximum if it fills; nothing if something else decides.
void HandleFinder::find_size(Axis axis) {
  if (!parent_) return;
  const bool row = above_.kind == Kind::row, line = row || above_.kind == Kind::column;
  const bool is_along = line && !keys_.pin && (axis == x_axis) == row;
  const std::string side = axis == x_axis ? "width" : "height";
  const double right = axis == x_axis ? box_.right() : middle(x_axis);
  const double bottom = axis == y_axis ? box_.bottom() : middle(y_axis);
  const Sizing& size = keys_.size_on(axis);
  const auto pins = [&](PinSide near, PinSide far) { return keys_.pin && keys_.pin->has(near) && keys_.pin->has(far); };
  if (is_along && !above_.is_list() && (keys_.weight || above_.equal_sizes)) {
    return fix(axis, right, bottom,
               keys_.weight ? "its weight determines its " + side
                            : "children of " + tree_.segment(parent_) + " have equal sizes");
  }
  if (size.way() != Sizing::Way::by_length &&
      (axis == x_axis ? pins(PinSide::left, PinSide::right) || pins(PinSide::start, PinSide::end)
                      : pins(PinSide::top, PinSide::bottom))) {
    return fix(axis, right, bottom, "its pins determine its " + side);
  }
  const bool fills = size.way() == Sizing::Way::by_space ||
                     (size.way() == Sizing::Way::by_container && !is_along && !keys_.pin && stretches(axis));
  Handle& handle = add((fills ? "max_" : "") + side, axis);
  handle.value = solution_.box(node_).size_on(axis);
  handle.x = right;
  handle.y = bottom;
  if (is_held_at_its_end(axis)) {  // then its other edge is what moves
    (axis == x_axis ? handle.x : handle.y) = axis == x_axis ? box_.x : box_.y;
    handle.way = -1;
  }
  scope(handle, handle.setting);
}

/// Whether its right or bottom edge stays where it is when its size is another one.
bool HandleFinder::is_held_at_its_end(Axis axis) const {
  const bool mirrored = is_mirrored(axis);
  if (!keys_.pin) return mirrored;
  const auto is_set = [&](PinSide physical, PinSide logical) {
    return keys_.pin->has(physical) || (axis == x_axis && keys_.pin->has(logical));
  };
  const bool near =
      axis == x_axis ? is_set(PinSide::left, mirrored ? PinSide::end : PinSide::start) : keys_.pin->has(PinSide::top);
  const bool far = axis == x_axis ? is_set(PinSide::right, mirrored ? PinSide::start : PinSide::end)
                                  : keys_.pin->has(PinSide::bottom);
  return far && !near;
}

bool HandleFinder::stretches(Axis axis) const {
  if (keys_.kind == Kind::image) return false;
  const auto place_self = axis == x_axis ? keys_.place_self.x : keys_.place_self.y;
  const auto align = axis == x_axis ? above_.place_items.x : above_.place_items.y;
  switch (above_.kind) {
    case Kind::row:
    case Kind::column: return keys_.place_self.across.value_or(above_.across) == Across::stretch && !above_.wrap;
    case Kind::grid: return place_self.value_or(align.value_or(Across::stretch)) == Across::stretch;
    case Kind::stack: return place_self.value_or(align.value_or(Across::start)) == Across::stretch;
    default: return false;
  }
}

/// Between the first two neighbors on an axis.
void HandleFinder::find_gap(Axis axis) {
  const bool line = keys_.kind == Kind::row || keys_.kind == Kind::column;
  if (line && (axis == x_axis) != (keys_.kind == Kind::row)) return;
  if (!line && keys_.kind != Kind::grid) return;
  const std::string own = axis == x_axis ? "gap.x" : "gap.y";
  const bool same = line && keys_.gap.x == keys_.gap.y;
  double at = 0, across = 0;
  bool backwards = false;
  if (line) {
    const auto lines = solution_.laid_lines(node_);
    if (lines.empty() || lines[0].size() < 2) return;
    const Rect a = solution_.painted_box(lines[0][0]), b = solution_.painted_box(lines[0][1]);
    backwards = axis == x_axis ? b.x < a.x : b.y < a.y;
    const Rect &first = backwards ? b : a, &second = backwards ? a : b;
    at = axis == x_axis ? (first.right() + second.x) / 2 : (first.bottom() + second.y) / 2;
    across = axis == x_axis ? a.y + a.height / 2 : a.x + a.width / 2;
  } else {
    const auto tracks = solution_.tracks(node_);
    const auto &of_axis = axis == x_axis ? tracks.columns : tracks.rows,
               &others = axis == x_axis ? tracks.rows : tracks.columns;
    if (of_axis.size() < 2 || others.empty()) return;
    backwards = run_backwards(of_axis);
    const Solution::TrackBox &first = of_axis[backwards ? 1 : 0], &second = of_axis[backwards ? 0 : 1];
    at = (first.at + first.size + second.at) / 2;
    across = others[0].at + others[0].size / 2;
  }
  Handle& handle = add(same ? "gap" : own, axis);
  handle.value = solution_.gap(node_).on(axis);
  handle.least = line ? any_number : 0;
  handle.way = backwards ? -1 : 1;
  handle.x = axis == x_axis ? at : across;
  handle.y = axis == x_axis ? across : at;
  handle.choices = {{same ? "gap" : axis == x_axis ? "between columns" : "between rows", handle.setting}};
  if (!line) handle.choices.push_back({"both gaps", "gap"});
  scope(handle, "gap");
}

void HandleFinder::choose_sides(Handle& handle, const std::string& key, Side side, const Edges& edges) const {
  const bool second_slope = side == Side::left || side == Side::right;
  const auto is_set = [&](Side one) { return edges.given(one).has_value(); };
  const bool each_set = second_slope
                            ? is_set(Side::left) || is_set(Side::right) || is_set(Side::start) || is_set(Side::end)
                            : is_set(Side::top) || is_set(Side::bottom);
  handle.choices = {{"this side", handle.setting}};
  if (!each_set) handle.choices.push_back({"opposite too", key + (second_slope ? ".x" : ".y")});
  handle.choices.push_back({"all four", key});
  scope(handle, key);
}

/// At each side's inner edge.
void HandleFinder::find_paddings() {
  if (!is_container(keys_.kind) && keys_.kind != Kind::text) return;
  const FourSides padding = solution_.padding(node_), border = solution_.border(node_);
  const bool inside = keys_.border_at == BorderAt::inside;
  const auto at = [&](Side side, double value, double edge, int way) {
    const bool second_slope = side == Side::left || side == Side::right;
    const double in = (value + (inside ? edge : 0)) * zoom_;
    Handle& handle =
        add("padding." + std::string(side_words[static_cast<std::size_t>(side)]), second_slope ? x_axis : y_axis);
    handle.value = value;
    handle.way = way;
    constexpr double beside_the_middle = 0.75;  // where gaps and sizes are pulled; names stand ahead of it
    handle.x = side == Side::left    ? box_.x + in
               : side == Side::right ? box_.right() - in
                                     : along(x_axis, beside_the_middle);
    handle.y = side == Side::top      ? box_.y + in
               : side == Side::bottom ? box_.bottom() - in
                                      : along(y_axis, beside_the_middle);
    choose_sides(handle, "padding", side, keys_.padding);
  };
  at(Side::left, padding.left, border.left, 1);
  at(Side::right, padding.right, border.right, -1);
  at(Side::top, padding.top, border.top, 1);
  at(Side::bottom, padding.bottom, border.bottom, -1);
}

/// Whether an automatic margin takes space on an axis: not of what is pinned, and not along a list.
bool HandleFinder::takes_leftover(Axis axis) const {
  return !keys_.pin && !(above_.is_list() && (axis == x_axis) == (above_.kind == Kind::row));
}

/// At the edge that goes with the hand: the box itself where it is pushed, the far end of the margin where it pushes.
void HandleFinder::find_margins() {
  if (!parent_) return;
  const FourSides margin = solution_.margin(node_);
  const auto at = [&](Side side, double value, double x, double y, int way) {
    const bool second_slope = side == Side::left || side == Side::right;
    const std::string word(side_words[static_cast<std::size_t>(side)]);
    const Axis axis = second_slope ? x_axis : y_axis;
    constexpr double beside_the_middle = 0.25;
    const double at_x = second_slope ? x : along(x_axis, beside_the_middle);
    const double at_y = second_slope ? along(y_axis, beside_the_middle) : y;
    if (keys_.margin.on(side, is_mirrored(x_axis)).is_automatic() && takes_leftover(axis))
      return fix(axis, at_x, at_y, "margin." + word + " is automatic: it takes the free space");
    Handle& handle = add("margin." + word, axis);
    handle.value = value;
    handle.way = way;
    handle.least = any_number;
    handle.x = at_x;
    handle.y = at_y;
    choose_sides(handle, "margin", side, keys_.margin);
  };
  const bool mirrored = is_mirrored(x_axis);
  const int way = mirrored ? -1 : 1;
  at(Side::left, margin.left, box_.x - (mirrored ? margin.left * zoom_ : 0), 0, way);
  at(Side::right, margin.right, box_.right() + (mirrored ? 0 : margin.right * zoom_), 0, way);
  at(Side::top, margin.top, 0, box_.y, 1);
  at(Side::bottom, margin.bottom, 0, box_.bottom() + margin.bottom * zoom_, 1);
}

void HandleFinder::find_border() {
  if (keys_.kind == Kind::text || keys_.kind == Kind::image) return;
  const FourSides border = solution_.border(node_);
  Handle& handle = add("border", y_axis);
  handle.value = border.top;
  constexpr double near_the_corner = 0.9;
  handle.x = along(x_axis, near_the_corner);
  handle.y = box_.y + border.top * zoom_;
  handle.choices = {{"all four", "border"}, {"top only", "border.top"}};
  scope(handle, "border");
}

/// The edges between the tracks of a grid, and the far edge of the last one.
void HandleFinder::find_tracks(Axis axis) {
  if (keys_.kind != Kind::grid) return;
  const Solution::GridTracks tracks = solution_.tracks(node_);
  const auto& own = axis == x_axis ? tracks.columns : tracks.rows;
  const auto& runs = (axis == x_axis ? keys_.columns : keys_.rows).runs();
  if (own.empty() || runs.empty()) return;
  if (runs.size() == 1 && runs[0].times == 1 && !runs[0].fitting && runs[0].tracks.size() <= own.size())
    return find_track_edges(axis, own);
  const bool fitting = std::ranges::any_of(runs, &Tracks::Run::fitting);
  const std::string word = axis == x_axis ? "columns" : "rows";
  const double at = far_edge(own, 0);
  fix(axis, axis == x_axis ? at : middle(x_axis), axis == y_axis ? at : middle(y_axis),
      fitting ? "there are as many " + word + " as fit" : "its " + word + " are repeated");
}

void HandleFinder::find_track_edges(Axis axis, const std::vector<Solution::TrackBox>& tracks) {
  const std::string setting = axis == x_axis ? "columns" : "rows";
  const std::vector<Track>& written = (axis == x_axis ? keys_.columns : keys_.rows).runs()[0].tracks;
  const std::string list = scene::value_text(*find_key(setting), keys_);
  const scene::JsonDocument document(list);
  std::vector<std::string> texts;
  for (scene::ValueId id = document[document.root()].first; id != scene::no_value; id = document[id].next)
    texts.push_back(list.substr(document[id].offset, document.length(id)));
  if (texts.size() != written.size()) return;  // written as a number
  const auto joined = [&](std::size_t from, std::size_t to) {
    std::string text;
    for (std::size_t i = from; i < to; ++i) text += (i > 0 ? ", " : "") + texts[i];
    return text;
  };
  for (std::size_t i = 0; i < written.size(); ++i) {
    const TrackSize &size = written[i].max, next = i + 1 < written.size() ? written[i + 1].max : TrackSize();
    const bool shares = size.way() == TrackSize::Way::by_share && next.way() == TrackSize::Way::by_share;
    const bool given = size.way() == TrackSize::Way::by_length && written[i].min == size;
    const double sizes = shares ? tracks[i].size + tracks[i + 1].size : 0;
    if (!given && sizes <= 0) continue;
    Handle& handle = add(setting + "[" + std::to_string(i) + "]", axis);
    (axis == x_axis ? handle.x : handle.y) = far_edge(tracks, i);
    handle.way = run_backwards(tracks) ? -1 : 1;
    handle.choices = {{setting + " " + std::to_string(i + 1), setting}};
    const std::string ahead = "[" + joined(0, i) + (i > 0 ? ", " : "");
    if (shares) {
      const double both = size.share() + next.share();
      share_out(handle, size.share(), both, sizes);
      handle.own = {{ahead + "\"", "fr\", \"", "fr\"" + joined(i + 2, written.size()) + "]"}, {{1, 0}, {-1, both}}};
    } else {
      handle.value = tracks[i].size;
      handle.own = {{ahead, joined(i + 1, written.size()) + "]"}, {{1, 0}}};
    }
    scope(handle, setting);
  }
}

}  // namespace fond_ladder::page
