// SPDX-License-Identifier: MIT
//
// Children that line up both ways. Each step sizes the tracks of one axis, columns on the passes of widths, rows on
// those of heights; no track is kept between steps. A child then fills or fits the tracks it takes, as in a stack.
// Where children stand is settled on the passes of widths and kept, for it changes with an edit only, or with the
// number of columns that fit.
//
//   widths up     columns under the questions "how narrow" and "how wide"; `fitting` counts once
//   widths down   columns in the width that is known; `fitting` counts as often as it fits
//   heights up    rows by content, at the widths that the children have now
//   heights down  rows in the height that is known
//
// The standard sizes columns a second time when rows turned out to matter; here a width never waits for a height.
//
// Source: CSS Grid Layout 2, sections 7 (tracks), 8 (placement, cells.cpp), 12 (sizes, tracks.cpp), 10 (alignment).
#include "solve/grid.hpp"

#include <cmath>

#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/leaf.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

const Keys& keys_of(const View& view, Index grid) {
  static const Keys plain;
  return view.extra(grid).keys ? view.keys(grid) : plain;
}

/// A bound of a track in pixels where it is a length and its percentage is known; else negative.
double length_of(const TrackSize& size, double em, double inner) {
  if (size.way() != TrackSize::Way::length || (size.length().is_percent() && inner < 0)) return -1;
  return size.length().in_px(em, inner);
}

TrackWay way_of(const TrackSize& size, double px) {
  switch (size.way()) {
    case TrackSize::Way::length: return px >= 0 ? TrackWay::fixed : TrackWay::content;
    case TrackSize::Way::content: return TrackWay::content;
    case TrackSize::Way::min_content: return TrackWay::min_content;
    case TrackSize::Way::max_content: return TrackWay::max_content;
    case TrackSize::Way::share: return TrackWay::share;
  }
  return TrackWay::content;
}

SizedTrack resolved(const Track& track, double em, double inner) {
  SizedTrack sized;
  sized.least = length_of(track.min, em, inner);
  sized.most = length_of(track.max, em, inner);
  sized.min = way_of(track.min, sized.least);
  sized.max = way_of(track.max, sized.most);
  sized.share = sized.max == TrackWay::share ? track.max.share() : 0;
  return sized;
}

/// The size by which a track counts when it is asked how many fit: section 7.2.3.2.
double counted_size(const Track& track, double em, double inner) {
  const double least = length_of(track.min, em, inner), largest = length_of(track.max, em, inner);
  return std::max(0.0, largest >= 0 ? std::max(largest, least) : least);
}

/// How often the fitting run of some tracks is repeated.
std::uint32_t repeats(const Tracks& tracks, double em, double gap, double inner) {
  if (inner < 0) return 1;
  double fixed = 0, unit = 0, fixed_count = 0, unit_count = 0;
  for (const Tracks::Run& run : tracks.runs()) {
    for (const Track& track : run.tracks) {
      const double size = counted_size(track, em, inner);
      (run.fitting ? unit : fixed) += run.fitting ? std::max(1.0, size) : size * run.times;
      (run.fitting ? unit_count : fixed_count) += run.fitting ? 1 : run.times;
    }
  }
  if (unit_count == 0) return 1;
  const double slack = limits::line_tolerance * std::max(1.0, inner);
  const double times = std::floor((inner + gap + slack - fixed - gap * fixed_count) / (unit + gap * unit_count));
  const double possible = std::floor((limits::most_tracks - fixed_count) / unit_count);
  return static_cast<std::uint32_t>(std::max(1.0, std::min(times, possible)));
}

/// Calls `each(track, may_be_dropped)` for the tracks that are written down, repeated ones as often as they are.
template <class Each>
void for_each_written(const Tracks& tracks, std::uint32_t fitting, Each each) {
  for (const Tracks::Run& run : tracks.runs()) {
    const std::uint32_t times = run.fitting ? fitting : static_cast<std::uint32_t>(run.times);
    for (std::uint32_t i = 0; i < times; ++i) {
      for (const Track& track : run.tracks) each(track, run.fitting && run.empty == Empty::drop);
    }
  }
}

std::uint32_t count_written(const Tracks& tracks, std::uint32_t fitting) {
  std::size_t count = 0;
  for (const Tracks::Run& run : tracks.runs()) {
    count += run.tracks.size() * (run.fitting ? fitting : static_cast<std::size_t>(run.times));
  }
  return static_cast<std::uint32_t>(std::min<std::size_t>(count, limits::most_tracks));
}

/// The content height by which rows are counted: only a height in pixels counts.
double height_for_counting(const View& view, Index grid) {
  if (grid == 0) return unknown;
  return with_child<y_axis>(view, grid, [&](const auto& child) {
    const double given = child.traits().way(y_axis) == SizeWay::px ? child.given(unknown) : -1;
    if (given < 0) return unknown;
    const double inset = child.inset_up();
    return std::max(0.0, child.bounds(inset, unknown).held(given) - inset);
  });
}

struct Repeats {
  std::uint32_t columns = 1, rows = 1;
};

Repeats repeats_of(const View& view, Index grid, const Keys& keys, double inner_width) {
  const double gap =
      inner_width < 0 ? grid::gap_up(view, grid, x_axis) : grid::gap_down(view, grid, x_axis, inner_width);
  return {repeats(keys.columns, view.em, gap, inner_width),
          repeats(keys.rows, view.em, grid::gap_up(view, grid, y_axis), height_for_counting(view, grid))};
}

/// Takes out the tracks that nobody stands in, where they are to be dropped; `new_place` says where the others went.
template <Axis axis>
void drop_empty(const View& view, const InFlow& flow, const Tracks& written, std::uint32_t fitting,
                GridScratch& scratch) {
  auto& place = scratch.new_place;
  place.clear();
  const auto drops = [](const Tracks::Run& run) { return run.fitting && run.empty == Empty::drop; };
  if (std::ranges::none_of(written.runs(), drops)) return;
  constexpr auto used = std::uint32_t{1};
  place.assign(scratch.tracks.size(), used);
  std::uint32_t i = 0;
  for_each_written(written, fitting, [&](const Track&, bool droppable) {
    if (i < place.size() && droppable) place[i] = 0;
    ++i;
  });
  for (Index k = 0; k < flow.size(); ++k) {
    const CellRange& range = view.grid_place(flow[k]).cell;
    std::fill_n(place.begin() + range.first(axis), range.count(axis), used);
  }
  std::uint32_t kept = 0;
  for (i = 0; i < place.size(); ++i) {
    const bool stays = place[i] == used;
    place[i] = kept;
    if (stays) scratch.tracks[kept++] = scratch.tracks[i];
  }
  scratch.tracks.resize(kept);
}

/// Finds out which tracks depend on what is in them. Returns whether any does.
bool mark_asking(std::span<SizedTrack> tracks, Room asked) {
  bool any = false;
  for (SizedTrack& track : tracks) {
    track.asks = track.min != TrackWay::fixed || (track.max != TrackWay::fixed && track.max != TrackWay::share) ||
                 (asked != Room::known && track.max == TrackWay::share);
    any |= track.asks;
  }
  return any;
}

/// What a child asks of its tracks, none of its sizes in percent being known. `by_content`: without a minimum of its
/// own it keeps its content there, up to `largest`.
template <Axis axis, bool plain>
TrackRequest claim_by(const View& view, const Child<axis, plain>& child, bool by_content, double largest, HeightBy by) {
  const double low = axis == x_axis ? view.min_content(child.node()) : content_height(view, child.node(), by);
  const double high = axis == x_axis ? view.max_content(child.node()) : low;
  const double given = child.given(unknown), scale = child.counted_scale(), margin = child.margin_up().sum();
  const Bounds bounds = child.bounds(child.inset_up(), unknown);
  TrackRequest claim;
  claim.min_content = bounds.held(given >= 0 ? given : low) * scale + margin;
  claim.max_content = axis == y_axis ? claim.min_content : bounds.held(given >= 0 ? given : high) * scale + margin;
  claim.minimum = claim.min_content;
  if (given >= 0) return claim;
  const Traits traits = child.traits();
  const double least = bounds.least * scale + margin;
  const bool keeps = by_content && !traits.min_given(axis) && !traits.scrolls(axis);
  const double kept =
      axis == x_axis ? claim.min_content : bounds.held(view.least_height(child.node())) * scale + margin;
  claim.minimum = keeps ? std::max(least, std::min(kept, largest)) : least;
  return claim;
}

/// Enters what a child asks of the one track it stands in.
template <Axis axis>
void claim_one(const View& view, Index node, SizedTrack& track, HeightBy by) {
  const double largest = track.max == TrackWay::fixed ? track.most : unlimited;
  with_child<axis>(view, node, [&](const auto& child) {
    claim_alone(track, claim_by(view, child, track.min == TrackWay::content, largest, by));
  });
}

template <Axis axis>
void gather_claims(const View& view, const InFlow& flow, double gap, HeightBy by, GridScratch& scratch) {
  const std::span<SizedTrack> tracks = scratch.tracks;
  for (Index i = 0; i < flow.size(); ++i) {
    const CellRange range = view.grid_place(flow[i]).cell;
    const std::uint32_t first = grid::first_track(scratch, axis, range);
    if (range.count(axis) == 1) {
      if (tracks[first].asks) claim_one<axis>(view, flow[i], tracks[first], by);
    } else {
      const auto own = tracks.subspan(first, range.count(axis));
      scratch.crossing.push_back(
          {first, range.count(axis), grid::request_of<axis>(view, flow[i], own, gap, by), false});
    }
  }
}

/// The room of the tracks that a child takes.
template <Axis axis>
Slot slot_of(const GridScratch& scratch, const CellRange& range) {
  const std::uint32_t i = grid::first_track(scratch, axis, range);
  const Slot& first = scratch.slots[i];
  const Slot& last = scratch.slots[i + range.count(axis) - 1];
  return {first.at, last.at + last.size - first.at};
}

/// Places the flow in cells, for the passes to come.
void settle_cells(Frame& frame, Index node, const InFlow& flow, double inner_width) {
  CellScratch& scratch = frame.scratch.grid.cells;
  const CellCounts counts = grid::place(frame, node, flow, inner_width, scratch);
  for (Index i = 0; i < flow.size(); ++i) frame.set_cell(flow[i], scratch.cells[i]);
  frame.set_track_counts(node, counts.columns, counts.rows);
}

bool has_fitting_columns(const Keys& keys) {
  return std::ranges::any_of(keys.columns.runs(), [](const Tracks::Run& run) { return run.fitting; });
}

template <Axis axis>
void arrange(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const CrossAxis<axis> across(frame, node, axis == x_axis && frame.mirrored);
  const InFlow flow = frame.flow(node);
  GridScratch& scratch = frame.scratch.grid;
  if (axis == x_axis && has_fitting_columns(keys_of(frame, node))) settle_cells(frame, node, flow, across.whole);
  grid::size_axis<axis>(frame, node, flow, Room::known, across.whole, own.rest(axis) == Rest::stretch, scratch);
  grid::lay_tracks<axis>(frame, node, across.whole, scratch);
  CrossAxis<axis> cell = across;
  for (Index i = 0; i < flow.size(); ++i) {
    const Slot slot = slot_of<axis>(scratch, frame.grid_place(flow[i]).cell);
    cell.whole = slot.size;
    place_across(frame, cell, flow[i], slot, alignment<axis>(own, frame.traits(flow[i]), Across::stretch));
  }
  place_pinned(frame, node, axis);
}

/// First baseline of a grid whose rows are sized by content: of the child that stands first, as if the rows were packed
/// at the start.
double baseline_of(const Frame& frame, Index node, const InFlow& flow, const GridScratch& scratch) {
  const auto order = [&](Index child) {
    const CellRange& cell = frame.grid_place(child).cell;
    return std::pair(cell.row, cell.column);
  };
  Index child = flow[0];
  for (Index i = 1; i < flow.size(); ++i) {
    if (order(flow[i]) < order(child)) child = flow[i];
  }
  const Slot slot = slot_of<y_axis>(scratch, frame.grid_place(child).cell);
  const Traits own = frame.traits(node);
  const Child<y_axis, false> first(frame, child);
  const Sides margin = first.margin_up();
  const double spare = slot.size - margin.sum() - natural_height(frame, child);
  const Across align = alignment<y_axis>(own, first.traits(), Across::stretch);
  const double ahead = ahead_by(first.auto_margins(false), spare, align, own.scroll_y);
  return frame.edges_up(node).inset[y_axis].before + slot.at + margin.before + ahead + first_baseline(frame, child);
}

}  // namespace

namespace grid {

double gap_up(const View& view, Index grid, Axis axis) {
  return std::max(0.0, view.gap_up(grid, axis));
}

double gap_down(const View& view, Index grid, Axis axis, double inner) {
  return std::max(0.0, view.gap_down(grid, axis, inner));
}

CellCounts place(const View& view, Index grid, const InFlow& flow, double inner_width, CellScratch& scratch) {
  const Keys& keys = keys_of(view, grid);
  const Repeats times = repeats_of(view, grid, keys, inner_width);
  return place_in_cells(view, grid, flow, count_written(keys.columns, times.columns),
                        count_written(keys.rows, times.rows), scratch);
}

template <Axis axis>
TrackRequest request_of(const View& view, Index node, std::span<const SizedTrack> own, double gap, HeightBy by) {
  bool any_automatic = false, any_share = false;
  double largest = gap * static_cast<double>(own.size() - 1);
  for (const SizedTrack& track : own) {
    any_automatic |= track.min == TrackWay::content;
    any_share |= track.max == TrackWay::share;
    largest += track.max == TrackWay::fixed ? track.most : unlimited;
  }
  const bool by_content = any_automatic && (own.size() == 1 || !any_share);
  return with_child<axis>(view, node,
                          [&](const auto& child) { return claim_by(view, child, by_content, largest, by); });
}

template <Axis axis>
void size_axis(const View& view, Index grid, const InFlow& flow, Room asked, double inner, bool stretch,
               GridScratch& scratch, HeightBy by) {
  const Keys& keys = keys_of(view, grid);
  const bool known = asked == Room::known;
  const double whole = known ? inner : unknown;
  const double gap = known ? gap_down(view, grid, axis, inner) : gap_up(view, grid, axis);
  const double counted = axis == x_axis ? whole : height_for_counting(view, grid);
  const Tracks& written = axis == x_axis ? keys.columns : keys.rows;
  const std::uint32_t fitting = repeats(written, view.em, axis == x_axis ? gap : gap_up(view, grid, axis), counted);
  scratch.tracks.clear();
  for_each_written(written, fitting, [&](const Track& track, bool) {
    if (scratch.tracks.size() < limits::most_tracks) scratch.tracks.push_back(resolved(track, view.em, whole));
  });
  const SizedTrack added = resolved(axis == x_axis ? keys.auto_columns : keys.auto_rows, view.em, whole);
  const GridPlace& counts = view.grid_place(grid);
  scratch.tracks.resize(axis == x_axis ? counts.columns : counts.rows, added);
  drop_empty<axis>(view, flow, written, fitting, scratch);
  scratch.crossing.clear();
  if (mark_asking(scratch.tracks, asked)) gather_claims<axis>(view, flow, gap, by, scratch);
  size_tracks(scratch.tracks, scratch.crossing, gap, asked, inner, stretch, scratch.sizing);
}

template <Axis axis>
void lay_tracks(const View& view, Index grid, double inner, GridScratch& scratch) {
  const Traits own = view.traits(grid);
  const double gap = gap_down(view, grid, axis, inner), spare = inner - sum_of(scratch.tracks, gap);
  const Spread spread_by = spread(own.rest(axis), spare, scratch.tracks.size(), own.scrolls(axis));
  double at = spread_by.before;
  scratch.slots.clear();
  for (const SizedTrack& track : scratch.tracks) {
    scratch.slots.push_back({at, track.base});
    at += track.base + gap + spread_by.between;
  }
}

template TrackRequest request_of<x_axis>(const View&, Index, std::span<const SizedTrack>, double, HeightBy);
template TrackRequest request_of<y_axis>(const View&, Index, std::span<const SizedTrack>, double, HeightBy);
template void size_axis<x_axis>(const View&, Index, const InFlow&, Room, double, bool, GridScratch&, HeightBy);
template void size_axis<y_axis>(const View&, Index, const InFlow&, Room, double, bool, GridScratch&, HeightBy);
template void lay_tracks<x_axis>(const View&, Index, double, GridScratch&);
template void lay_tracks<y_axis>(const View&, Index, double, GridScratch&);

void widths_up(Frame& frame, Index node) {
  leaf::settle_pinned(frame, node);
  const InFlow flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    with_child<x_axis>(frame, flow[i], [&](const auto& child) { leaf::settle(frame, child); });
  }
  settle_cells(frame, node, flow, unknown);
  GridScratch& scratch = frame.scratch.grid;
  const double gap = gap_up(frame, node, x_axis);
  size_axis<x_axis>(frame, node, flow, Room::max_content, unknown, false, scratch);
  const double widest = sum_of(scratch.tracks, gap);
  size_tracks(scratch.tracks, scratch.crossing, gap, Room::min_content, unknown, false, scratch.sizing);
  const double narrowest = sum_of(scratch.tracks, gap);
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : narrowest + inset,
                           std::max(narrowest, widest) + inset);
}

void widths_down(Frame& frame, Index node) {
  arrange<x_axis>(frame, node);
}

void heights_up(Frame& frame, Index node) {
  const InFlow flow = frame.flow(node);
  GridScratch& scratch = frame.scratch.grid;
  const Traits own = frame.traits(node);
  const double gap = gap_up(frame, node, y_axis), inset = frame.edges_up(node).inset[y_axis].sum();
  const auto by_rows = [&](HeightBy by) {
    size_axis<y_axis>(frame, node, flow, Room::max_content, unknown, false, scratch, by);
    return frame.height_by_aspect(node, sum_of(scratch.tracks, gap) + inset);
  };
  if (own.holds_scroller) frame.set_least_height(node, own.scroll_y ? inset : by_rows(HeightBy::least));
  frame.set_need(node, by_rows(HeightBy::content));
  frame.set_baseline(node, natural_height(frame, node));
  if (flow.size() == 0) return;
  scratch.slots.clear();
  double at = 0;
  for (const SizedTrack& track : scratch.tracks) {
    scratch.slots.push_back({at, track.base});
    at += track.base + gap;
  }
  frame.set_baseline(node, baseline_of(frame, node, flow, scratch));
}

void heights_down(Frame& frame, Index node) {
  arrange<y_axis>(frame, node);
}

}  // namespace grid
}  // namespace fond_ladder::inline v0::detail
