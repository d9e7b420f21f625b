// SPDX-License-Identifier: MIT
//
// The handles of a node's place among its siblings: its share of a line, its pins, its nudge, the cells it spans.
#include <algorithm>

#include "model/key_table.hpp"
#include "model/number_text.hpp"
#include "page/engine/handle_finder.hpp"
#include "page/engine/scopes.hpp"
#include "scene/read/json_document.hpp"
#include "scene/write/key_writer.hpp"

namespace fond_ladder::page {
namespace {

/// The value of a side of a pin, `photo.right + 12`; all of several ties.
std::string tie_words(const Keys& keys, const std::string& side) {
  const std::string pin = scene::value_text(*find_key("pin"), keys);
  const scene::JsonDocument document(pin);
  const scene::ValueId tied_to = document.member(document.root(), side);
  if (tied_to == scene::no_value) return "a sibling";
  if (document[tied_to].type != scene::JsonValue::Type::array) return document[tied_to].text;
  std::string words;
  for (scene::ValueId one = document[tied_to].first; one != scene::no_value; one = document[one].next)
    words += (words.empty() ? "" : " and ") + document[one].text;
  return words;
}

}  // namespace

void share_out(Handle& handle, double part, double both, double pixels) {
  constexpr double usual = 0.05, parts_at_least = 20;
  handle.value = part;
  handle.grain = std::min(usual, both / parts_at_least);
  handle.least = handle.grain;
  handle.most = both - handle.grain;
  handle.per_pixel = both / pixels;
}

/// Between it and the next one of its line: what one gains in weight, or in size, the other loses.
void HandleFinder::find_share() {
  if (!parent_ || keys_.pin || (above_.kind != Kind::row && above_.kind != Kind::column) || above_.is_list()) return;
  const Axis axis = above_.kind == Kind::row ? x_axis : y_axis;
  NodeId next;
  for (const auto& line : solution_.laid_lines(parent_)) {
    const auto at = std::ranges::find(line, node_);
    if (at != line.end() && at + 1 != line.end()) next = *(at + 1);
  }
  if (!next) return;
  const Keys others = solution_.keys(next);
  const bool by_weight = keys_.weight && others.weight && *keys_.weight > 0 && *others.weight > 0;
  const auto is_given = [&](const Keys& keys) {
    return keys.size_on(axis).way() == Sizing::Way::by_length && !keys.weight && keys.grow == 0;
  };
  if (above_.equal_sizes || (!by_weight && !(is_given(keys_) && is_given(others)))) return;
  const Rect other = solution_.painted_box(next);
  const double own_size = solution_.box(node_).size_on(axis), other_size = solution_.box(next).size_on(axis);
  if (own_size + other_size <= 0) return;
  const bool backwards = axis == x_axis ? other.x < box_.x : other.y < box_.y;
  const std::string key = by_weight ? "weight" : axis == x_axis ? "width" : "height";
  Handle& handle = add("share", axis);
  handle.choices = {{key + " against " + tree_.short_path(next), key}};
  handle.way = backwards ? -1 : 1;
  const Rect &first = backwards ? other : box_, &second = backwards ? box_ : other;
  constexpr double beside_the_middle = 0.76;
  handle.x = axis == x_axis ? (first.right() + second.x) / 2 : along(x_axis, beside_the_middle);
  handle.y = axis == y_axis ? (first.bottom() + second.y) / 2 : along(y_axis, beside_the_middle);
  double both = own_size + other_size;
  if (by_weight) {
    both = *keys_.weight + *others.weight;
    share_out(handle, *keys_.weight, both, own_size + other_size);
  } else {
    handle.value = own_size;
    handle.most = both;
  }
  handle.also = {pulled(scopes(shown_, next, key, sources(shown_, next)).front().place + "." + key + "=", {-1, both})};
  scope(handle, key);
}

/// Its distances from the edges of its parent; for a tied side, the tie.
void HandleFinder::find_pins() {
  if (!parent_ || !keys_.pin) return;
  const Rect around = solution_.box(parent_);
  const FourSides border = solution_.border(parent_);
  const double em = shown_.scene().tree.em();
  for (std::size_t i = 0; i < words_of<PinSide>.size(); ++i) {
    const auto side = static_cast<PinSide>(i);
    if (!keys_.pin->has(side)) continue;
    const Axis axis = axis_of(side);
    const bool mirrored = is_mirrored(axis);
    const bool middle_pin = side == PinSide::middle_x || side == PinSide::middle_y;
    const bool far =
        side == PinSide::right || side == PinSide::bottom || side == (mirrored ? PinSide::start : PinSide::end);
    constexpr double beside_the_middle = 0.4;
    const double x = axis == y_axis ? along(x_axis, beside_the_middle)
                     : middle_pin   ? middle(x_axis)
                     : far          ? box_.right()
                                    : box_.x;
    const double y = axis == x_axis ? along(y_axis, beside_the_middle)
                     : middle_pin   ? middle(y_axis)
                     : far          ? box_.bottom()
                                    : box_.y;
    const std::string word(words_of<PinSide>[i]);
    if (keys_.pin->has_tie(side)) {
      fix(axis, x, y, word + " is tied to " + tie_words(keys_, word));
      continue;
    }
    const double whole =
        axis == x_axis ? around.width - border.left - border.right : around.height - border.top - border.bottom;
    Handle& handle = add("pin." + word, axis);
    handle.value = keys_.pin->distance(side)->in_px(keys_.units(em), whole);
    handle.least = any_number;
    handle.way = far ? -1 : 1;
    handle.x = x;
    handle.y = y;
    scope(handle, "pin");
  }
}

void HandleFinder::find_nudge() {
  if (!parent_ || keys_.pin || above_.kind != Kind::stack) return;
  const auto find = [&](Axis axis, double value, double share, Pulled own) {
    Handle& handle = add(axis == x_axis ? "nudge.x" : "nudge.y", axis);
    handle.x = along(x_axis, share);
    handle.value = value;
    handle.least = any_number;
    handle.own = std::move(own);
    handle.choices = {{axis == x_axis ? "nudge horizontally" : "nudge vertically", "nudge"}};
    scope(handle, "nudge");
  };
  constexpr double first = 0.4, second = 0.6;
  find(x_axis, keys_.nudge.x, first, pulled("[", {}, ", " + exact(keys_.nudge.y) + "]"));
  find(y_axis, keys_.nudge.y, second, pulled("[" + exact(keys_.nudge.x) + ", ", {}, "]"));
}

/// The first track that it takes: the written one, else the one that contains its middle, or, if it takes several, its
/// start.
std::size_t HandleFinder::first_track(Axis axis, const std::vector<Solution::TrackBox>& tracks, int taken) const {
  if (keys_.cell) return static_cast<std::size_t>(axis == x_axis ? keys_.cell->column : keys_.cell->row);
  const bool backwards = run_backwards(tracks);
  const Rect box = solution_.box(node_);
  const double near = axis == x_axis ? box.x : box.y;
  const double at = near + box.size_on(axis) * (taken == 1 ? 0.5 : backwards ? 1 : 0);
  std::size_t first = 0;
  for (std::size_t i = 0; i < tracks.size(); ++i) {
    if (backwards ? tracks[i].at > at : far_edge(tracks, i) < at) first = i + 1;
  }
  return first;
}

/// At the far edge of its cells: it snaps to the edges of tracks.
void HandleFinder::find_span(Axis axis) {
  if (!parent_ || keys_.pin || above_.kind != Kind::grid || !keys_.area.empty()) return;
  const Solution::GridTracks all = solution_.tracks(parent_);
  const auto& tracks = axis == x_axis ? all.columns : all.rows;
  const int own = axis == x_axis ? keys_.span.columns : keys_.span.rows,
            other = axis == x_axis ? keys_.span.rows : keys_.span.columns;
  const std::size_t first = first_track(axis, tracks, own);
  if (tracks.size() < 2 || first >= tracks.size()) return;
  const std::size_t taken = own == CellSpan::all ? tracks.size() - first : static_cast<std::size_t>(own);
  Handle& handle = add(axis == x_axis ? "span.columns" : "span.rows", axis);
  handle.choices = {{axis == x_axis ? "columns it takes" : "rows it takes", "span"}};
  for (std::size_t i = first; i < tracks.size(); ++i)
    handle.stops.emplace_back(far_edge(tracks, i), static_cast<double>(i - first + 1));
  handle.value = static_cast<double>(taken);
  handle.least = 1;
  handle.way = run_backwards(tracks) ? -1 : 1;
  const std::string rest = other == CellSpan::all ? "\"all\"" : std::to_string(other);
  handle.own = axis == x_axis ? pulled("[", {}, ", " + rest + "]") : pulled("[" + rest + ", ", {}, "]");
  constexpr double beside_the_middle = 0.85, further_ahead = 0.62;
  const double edge = far_edge(tracks, std::min(first + taken, tracks.size()) - 1);
  handle.x = axis == x_axis ? edge : along(x_axis, further_ahead);
  handle.y = axis == x_axis ? along(y_axis, beside_the_middle) : edge;
  scope(handle, "span");
}

}  // namespace fond_ladder::page
