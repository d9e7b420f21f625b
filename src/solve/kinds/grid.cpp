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
#include "solve/kinds/grid.hpp"

#include <cmath>

#include "solve/kinds/cross.hpp"
#include "solve/kinds/kinds.hpp"
#include "solve/kinds/leaf.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/sharing/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

template <class N>
const Keys& keys_of(const ViewOf<N>& view, Index grid) {
  static const Keys plain;
  return view.rare_fields(grid).keys ? view.keys(grid) : plain;
}

/// A bound of a track in pixels where it is a length and its percentage is known; else negative.
template <class N>
N length_of(const TrackSize& size, const FontUnits& units, N inner) {
  if (size.way() != TrackSize::Way::by_length || (size.length().is_percent() && is_unknown(inner))) return unknown;
  return in_px(size.length(), units, inner);
}

template <class N>
TrackWay way_of(const TrackSize& size, N px) {
  switch (size.way()) {
    case TrackSize::Way::by_length: return !is_unknown(px) ? TrackWay::fixed : TrackWay::content;
    case TrackSize::Way::by_content: return TrackWay::content;
    case TrackSize::Way::by_min_content: return TrackWay::min_content;
    case TrackSize::Way::by_max_content: return TrackWay::max_content;
    case TrackSize::Way::by_share: return TrackWay::share;
  }
  return TrackWay::content;
}

template <class N>
SizedTrackOf<N> resolved(const Track& track, const FontUnits& units, N inner) {
  SizedTrackOf<N> sized;
  sized.least = length_of<N>(track.min, units, inner);
  sized.most = length_of<N>(track.max, units, inner);
  sized.min = way_of<N>(track.min, sized.least);
  sized.max = way_of<N>(track.max, sized.most);
  sized.share = sized.max == TrackWay::share ? track.max.share() : 0;
  sized.largest = sized.max == TrackWay::fixed ? sized.most : unlimited;
  return sized;
}

/// The size by which a track counts when it is asked how many fit: section 7.2.3.2.
template <class N>
N counted_size(const Track& track, const FontUnits& units, N inner) {
  const N least = length_of<N>(track.min, units, inner), largest = length_of<N>(track.max, units, inner);
  return max_of(0.0, !is_unknown(largest) ? max_of(largest, least) : least);
}

/// How often the fitting run of some tracks is repeated.
template <class N>
std::uint32_t repeats(const Tracks& tracks, const FontUnits& units, N gap, N inner) {
  if (is_unknown(inner)) return 1;
  N fixed = 0, unit = 0, fixed_count = 0, unit_count = 0;
  for (const Tracks::Run& run : tracks.runs()) {
    for (const Track& track : run.tracks) {
      const N size = counted_size<N>(track, units, inner);
      (run.fitting ? unit : fixed) += run.fitting ? max_of(1.0, size) : size * run.times;
      (run.fitting ? unit_count : fixed_count) += run.fitting ? 1 : run.times;
    }
  }
  if (unit_count == 0) return 1;
  const N times =
      floor_of_quotient(inner + gap - fixed - gap * fixed_count, unit + gap * unit_count, line_slack(inner));
  const N possible = floor_of((limits::most_tracks - fixed_count) / unit_count);
  return static_cast<std::uint32_t>(whole_pixels(max_of(1.0, min_of(times, possible))));
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
template <class N>
N height_for_counting(const ViewOf<N>& view, Index grid) {
  if (grid == 0) return unknown;
  return with_child<y_axis, N>(view, grid, [&](const auto& child) {
    const N given = child.traits().way(y_axis) == SizeWay::px ? child.given(unknown) : N(unknown);
    if (is_unknown(given)) return N(unknown);
    const N inset = child.inset_up();
    return max_of(0.0, child.bounds(inset, unknown).clamp(given) - inset);
  });
}

struct Repeats {
  std::uint32_t columns = 1, rows = 1;
};

template <class N>
Repeats repeats_of(const ViewOf<N>& view, Index grid, const Keys& keys, N inner_width) {
  const N gap =
      is_unknown(inner_width) ? grid::gap_up(view, grid, x_axis) : grid::gap_down(view, grid, x_axis, inner_width);
  return {
      repeats<N>(keys.columns, view.units(keys), gap, inner_width),
      repeats<N>(keys.rows, view.units(keys), grid::gap_up<N>(view, grid, y_axis), height_for_counting<N>(view, grid))};
}

/// Removes empty tracks that are to be dropped; `new_place` is the new index of the others.
template <Axis axis, class N>
void drop_empty(const ViewOf<N>& view, const InFlow& flow, const Tracks& written, std::uint32_t fitting,
                GridScratchOf<N>& scratch) {
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
template <class N>
bool mark_asking(std::span<SizedTrackOf<N>> tracks, Space asked) {
  bool any = false;
  for (SizedTrackOf<N>& track : tracks) {
    track.asks = track.min != TrackWay::fixed || (track.max != TrackWay::fixed && track.max != TrackWay::share) ||
                 (asked != Space::known && track.max == TrackWay::share);
    any |= track.asks;
  }
  return any;
}

/// What a child asks of its tracks, none of its sizes in percent being known. `by_content`: without a minimum of its
/// own it keeps its content there, up to `largest`.
template <Axis axis, bool plain, class N>
FOND_LADDER_INLINED inline TrackRequestOf<N> claim_by(const ViewOf<N>& view, const Child<axis, plain, N>& child,
                                                      bool by_content, N largest, HeightBy by) {
  const N low = axis == x_axis ? view.min_content(child.node()) : content_height(view, child.node(), by);
  const N high = axis == x_axis ? view.max_content(child.node()) : low;
  const N given = child.given(unknown), scale = child.counted_scale(), margin = child.margin_up().sum();
  const BoundsOf<N> bounds = child.bounds(child.inset_up(), unknown);
  TrackRequestOf<N> claim;
  claim.min_content = bounds.clamp(given_or<N>(given, low)) * scale + margin;
  claim.max_content = axis == y_axis ? claim.min_content : bounds.clamp(given_or<N>(given, high)) * scale + margin;
  const bool keeps = all_true(by_content, !child.traits().min_given(axis), !child.traits().scrolls(axis));
  const auto kept = [&] {
    const N own = axis == x_axis ? claim.min_content : bounds.clamp(view.least_height(child.node())) * scale + margin;
    return min_of(own, largest);
  };
  const N ungiven = is_unknown(given) ? most_unless<N>(!keeps, bounds.least * scale + margin, kept) : N(0);
  claim.minimum = is_unknown(given) ? ungiven : claim.min_content;
  return claim;
}

/// Enters the request of a child to the one track it is in.
template <Axis axis, class N>
void claim_one(const ViewOf<N>& view, Index node, SizedTrackOf<N>& track, HeightBy by) {
  with_child<axis, N>(view, node, [&](const auto& child) {
    claim_alone<N>(track, claim_by<axis>(view, child, track.min == TrackWay::content, track.largest, by));
  });
}

template <Axis axis, class N>
void gather_claims(const ViewOf<N>& view, const InFlow& flow, N gap, HeightBy by, GridScratchOf<N>& scratch) {
  const std::span<SizedTrackOf<N>> tracks = scratch.tracks;
  for (Index i = 0; i < flow.size(); ++i) {
    const CellRange range = view.grid_place(flow[i]).cell;
    const std::uint32_t first = grid::first_track<N>(scratch, axis, range);
    if (range.count(axis) == 1) {
      if (tracks[first].asks) claim_one<axis, N>(view, flow[i], tracks[first], by);
    } else {
      const auto own = tracks.subspan(first, range.count(axis));
      scratch.crossing.push_back(
          {first, range.count(axis), grid::request_of<axis, N>(view, flow[i], own, gap, by), false});
    }
  }
}

/// The space of the tracks that a child takes.
template <Axis axis, class N>
SlotOf<N> slot_of(const GridScratchOf<N>& scratch, const CellRange& range) {
  const std::uint32_t i = grid::first_track<N>(scratch, axis, range);
  const SlotOf<N>& first = scratch.slots[i];
  const SlotOf<N>& last = scratch.slots[i + range.count(axis) - 1];
  return {first.at, last.at + last.size - first.at};
}

/// Places the flow in cells, for the passes to come.
template <class N>
void settle_cells(SolveContextOf<N>& context, Index node, const InFlow& flow, N inner_width) {
  CellScratch& scratch = context.scratch.grid.cells;
  const CellCounts counts = grid::place<N>(context, node, flow, inner_width, scratch);
  for (Index i = 0; i < flow.size(); ++i) context.set_cell(flow[i], scratch.cells[i]);
  context.set_track_counts(node, counts.columns, counts.rows);
}

bool has_fitting_columns(const Keys& keys) {
  return std::ranges::any_of(keys.columns.runs(), [](const Tracks::Run& run) { return run.fitting; });
}

template <Axis axis, class N>
void arrange(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const CrossAxis<axis, N> across(context, node, axis == x_axis && context.mirrored);
  const InFlow flow = context.flow(node);
  GridScratchOf<N>& scratch = context.scratch.grid;
  if (axis == x_axis && has_fitting_columns(keys_of<N>(context, node)))
    settle_cells<N>(context, node, flow, across.whole);
  grid::size_axis<axis, N>(context, node, flow, Space::known, across.whole,
                           own.place_content(axis) == PlaceContent::stretch, scratch);
  grid::lay_tracks<axis, N>(context, node, across.whole, scratch);
  CrossAxis<axis, N> cell = across;
  for (Index i = 0; i < flow.size(); ++i) {
    const SlotOf<N> slot = slot_of<axis, N>(scratch, context.grid_place(flow[i]).cell);
    cell.whole = slot.size;
    place_across<axis, N>(context, cell, flow[i], slot, alignment<axis>(own, context.traits(flow[i]), Across::stretch));
  }
  place_pinned(context, node, axis);
}

/// First baseline of a grid whose rows are sized by content: of the first child, as if the rows were packed
/// at the start.
template <class N>
N baseline_of(const SolveContextOf<N>& context, Index node, const InFlow& flow, const GridScratchOf<N>& scratch) {
  const auto order = [&](Index child) {
    const CellRange& cell = context.grid_place(child).cell;
    return std::pair(cell.row, cell.column);
  };
  Index child = flow[0];
  for (Index i = 1; i < flow.size(); ++i) {
    if (order(flow[i]) < order(child)) child = flow[i];
  }
  const SlotOf<N> slot = slot_of<y_axis, N>(scratch, context.grid_place(child).cell);
  const Traits own = context.traits(node);
  const auto first = any_child<y_axis, N>(context, child);
  const SidesOf<N> margin = first.margin_up();
  const N unused_space = slot.size - margin.sum() - natural_height<N>(context, child);
  const Across align = alignment<y_axis>(own, first.traits(), Across::stretch);
  const N ahead = ahead_by(first.auto_margins(false), unused_space, align, own.scroll_y);
  return context.edges_up(node).inset[y_axis].before + slot.at + margin.before + ahead +
         first_baseline<N>(context, child);
}

}  // namespace

namespace grid {

template <class N>
N gap_up(const ViewOf<N>& view, Index grid, Axis axis) {
  return max_of(0.0, view.gap_up(grid, axis));
}

template <class N>
N gap_down(const ViewOf<N>& view, Index grid, Axis axis, N inner) {
  return max_of(0.0, view.gap_down(grid, axis, inner));
}

template <class N>
CellCounts place(const ViewOf<N>& view, Index grid, const InFlow& flow, N inner_width, CellScratch& scratch) {
  const Keys& keys = keys_of<N>(view, grid);
  const Repeats times = repeats_of<N>(view, grid, keys, inner_width);
  return place_in_cells<N>(view, grid, flow, count_written(keys.columns, times.columns),
                           count_written(keys.rows, times.rows), scratch);
}

template <Axis axis, class N>
TrackRequestOf<N> request_of(const ViewOf<N>& view, Index node, std::span<const SizedTrackOf<N>> own, N gap,
                             HeightBy by) {
  bool any_automatic = false, any_share = false;
  N largest = gap * static_cast<double>(own.size() - 1);
  for (const SizedTrackOf<N>& track : own) {
    any_automatic |= track.min == TrackWay::content;
    any_share |= track.max == TrackWay::share;
    largest += track.largest;
  }
  const bool by_content = any_automatic && (own.size() == 1 || !any_share);
  return with_child<axis, N>(view, node,
                             [&](const auto& child) { return claim_by<axis>(view, child, by_content, largest, by); });
}

template <Axis axis, class N>
void size_axis(const ViewOf<N>& view, Index grid, const InFlow& flow, Space asked, N inner, bool stretch,
               GridScratchOf<N>& scratch, HeightBy by) {
  const Keys& keys = keys_of<N>(view, grid);
  const bool known = asked == Space::known;
  const N whole = known ? inner : N(unknown);
  const N gap = known ? gap_down(view, grid, axis, inner) : gap_up(view, grid, axis);
  const N counted = axis == x_axis ? whole : height_for_counting<N>(view, grid);
  const Tracks& written = axis == x_axis ? keys.columns : keys.rows;
  const std::uint32_t fitting =
      repeats<N>(written, view.units(keys), axis == x_axis ? gap : gap_up<N>(view, grid, axis), counted);
  scratch.tracks.clear();
  for_each_written(written, fitting, [&](const Track& track, bool) {
    if (scratch.tracks.size() < limits::most_tracks)
      scratch.tracks.push_back(resolved<N>(track, view.units(keys), whole));
  });
  const SizedTrackOf<N> added =
      resolved<N>(axis == x_axis ? keys.auto_columns : keys.auto_rows, view.units(keys), whole);
  const GridPlace& counts = view.grid_place(grid);
  scratch.tracks.resize(axis == x_axis ? counts.columns : counts.rows, added);
  drop_empty<axis, N>(view, flow, written, fitting, scratch);
  scratch.crossing.clear();
  if (mark_asking<N>(scratch.tracks, asked)) gather_claims<axis, N>(view, flow, gap, by, scratch);
  size_tracks<N>(scratch.tracks, scratch.crossing, gap, asked, inner, stretch, scratch.sizing);
}

template <Axis axis, class N>
void lay_tracks(const ViewOf<N>& view, Index grid, N inner, GridScratchOf<N>& scratch) {
  const Traits own = view.traits(grid);
  const N gap = gap_down(view, grid, axis, inner), unused_space = inner - sum_of<N>(scratch.tracks, gap);
  const SpreadOf<N> spread_by = spread(own.place_content(axis), unused_space, scratch.tracks.size(), own.scrolls(axis));
  N at = spread_by.before;
  scratch.slots.clear();
  for (const SizedTrackOf<N>& track : scratch.tracks) {
    scratch.slots.push_back({at, track.base});
    at += track.base + gap + spread_by.between;
  }
}

#define FOND_LADDER_GRID_ON(axis, N)                                                                                   \
  template TrackRequestOf<N> request_of<axis>(const ViewOf<N>&, Index, std::span<const SizedTrackOf<N>>, N, HeightBy); \
  template void size_axis<axis>(const ViewOf<N>&, Index, const InFlow&, Space, N, bool, GridScratchOf<N>&, HeightBy);  \
  template void lay_tracks<axis>(const ViewOf<N>&, Index, N, GridScratchOf<N>&);
FOND_LADDER_GRID_ON(x_axis, double)
FOND_LADDER_GRID_ON(y_axis, double)
template CellCounts place(const View&, Index, const InFlow&, double, CellScratch&);
template double gap_up(const View&, Index, Axis);
template double gap_down(const View&, Index, Axis, double);

template <class N>
void widths_up(SolveContextOf<N>& context, Index node) {
  leaf::settle_pinned<N>(context, node);
  const InFlow flow = context.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    with_child<x_axis, N>(context, flow[i], [&](const auto& child) { leaf::settle(context, child); });
  }
  settle_cells<N>(context, node, flow, unknown);
  GridScratchOf<N>& scratch = context.scratch.grid;
  const N gap = gap_up<N>(context, node, x_axis);
  size_axis<x_axis, N>(context, node, flow, Space::max_content, unknown, false, scratch);
  const N widest = sum_of<N>(scratch.tracks, gap);
  size_tracks<N>(scratch.tracks, scratch.crossing, gap, Space::min_content, unknown, false, scratch.sizing);
  const N narrowest = sum_of<N>(scratch.tracks, gap);
  const N inset = context.edges_up(node).inset[x_axis].sum();
  context.set_content_widths(node, context.traits(node).scroll_x ? N(inset) : narrowest + inset,
                             max_of(narrowest, widest) + inset);
}

template <class N>
void widths_down(SolveContextOf<N>& context, Index node) {
  arrange<x_axis, N>(context, node);
}

template <class N>
void heights_up(SolveContextOf<N>& context, Index node) {
  const InFlow flow = context.flow(node);
  GridScratchOf<N>& scratch = context.scratch.grid;
  const Traits own = context.traits(node);
  const N gap = gap_up<N>(context, node, y_axis), inset = context.edges_up(node).inset[y_axis].sum();
  const auto by_rows = [&](HeightBy by) {
    size_axis<y_axis, N>(context, node, flow, Space::max_content, unknown, false, scratch, by);
    return context.height_by_aspect(node, sum_of<N>(scratch.tracks, gap) + inset);
  };
  if (own.holds_scroller) context.set_least_height(node, own.scroll_y ? N(inset) : by_rows(HeightBy::least));
  context.set_need(node, by_rows(HeightBy::content));
  context.set_baseline(node, natural_height<N>(context, node));
  if (flow.size() == 0) return;
  scratch.slots.clear();
  N at = 0;
  for (const SizedTrackOf<N>& track : scratch.tracks) {
    scratch.slots.push_back({at, track.base});
    at += track.base + gap;
  }
  context.set_baseline(node, baseline_of(context, node, flow, scratch));
}

template <class N>
void heights_down(SolveContextOf<N>& context, Index node) {
  arrange<y_axis, N>(context, node);
}

FOND_LADDER_STEPS_FOR(double)
FOND_LADDER_STEPS_FOR(TracedNumber)

}  // namespace grid
}  // namespace fond_ladder::inline v0::detail
