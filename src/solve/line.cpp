// SPDX-License-Identifier: MIT
//
// Rows and columns. Along its axis a line shares its room among its children by base sizes and factors (share.hpp);
// across, each child fills or fits its line (cross.hpp). A row shares in pass 2 and fits in pass 4, a column the other
// way round: the same code with the axis exchanged. CSS Flexible Box Layout 1, section 9.
//
// Wrapping breaks the children into lines by their clamped bases, before any sharing; every line then shares by itself.
// A row breaks in pass 2 and leaves a mark at each line's first child for passes 3 and 4. A column breaks in pass 4,
// when its height is final; its width was that of one line, so further lines stick out unless it has room.
//
// Tests: line_test.cpp, and the plain arranger in tests/ that is held against all kinds.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/share.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::detail {
namespace {

Axis along_axis(const Traits& container) {
  return container.node_kind() == Kind::row ? x_axis : y_axis;
}

/// Whether children are laid from the far end of an axis.
bool lays_backwards(const Frame& frame, const Traits& container, Axis axis) {
  const bool mirrored = axis == x_axis && frame.mirrored;
  return along_axis(container) == axis ? mirrored != (container.reverse != 0) : mirrored;
}

Across alignment(const Traits& container, const Traits& child) {
  const auto align = static_cast<Across>(child.self_across != follows_parent ? child.self_across : container.across);
  if (align == Across::baseline && container.node_kind() != Kind::row) return Across::start;
  return align;
}

/// Whether a child's size along its line is its part by weight (sharing rule, weights).
bool is_weighted(const Traits& container, const Traits& child, Axis axis) {
  return container.alike || child.weighted || child.way(axis) == SizeWay::fill;
}

double grow_factor(const Frame& frame, const Traits& container, Index child, Axis axis) {
  const Traits& own = frame.traits(child);
  if (container.alike || (!own.weighted && own.way(axis) == SizeWay::fill)) return 1;
  return frame.flat.grow[child];
}

double shrink_factor(const Frame& frame, const Traits& container, Index child, Axis axis) {
  const Traits& own = frame.traits(child);
  if (container.scrolls(axis) || own.rigid) return 0;
  return own.has_factors ? frame.extra(child).shrink : 1;
}

Bounds bounds_in_line(const Frame& frame, const Traits& container, Index child, Axis axis, double inset, double whole,
                      double content) {
  return container.alike && !frame.traits(child).min_given(axis)
             ? frame.bounds(child, axis, inset, whole)
             : frame.bounds_along(child, axis, inset, whole, content);
}

/// The base size of a child without a weight, by its basis, else its size, else its content.
double base_size(const Frame& frame, Index child, Axis axis, double inset, double whole, double content) {
  double base = -1;
  if (frame.traits(child).has_factors) {
    const Extra& extra = frame.extra(child);
    switch (static_cast<SizeWay>(extra.basis_way)) {
      case SizeWay::px: base = extra.basis; break;
      case SizeWay::percent:
        base = whole < 0 ? content : frame.keys(child).basis.length().in_px(frame.em, whole);
        break;
      case SizeWay::content: base = content; break;
      default: break;
    }
  }
  if (base < 0) base = frame.given(child, axis, whole);
  return std::max(base < 0 ? content : base, inset);
}

/// Going up: the size by which a child counts along its line, without margins. CSS Flexible Box Layout 1, section
/// 9.9.3. `content` is what is asked for (min-content or max-content), `minimum` and `widest` what bound the base.
double size_along_up(const Frame& frame, const Traits& container, Index child, Axis axis, double content,
                     double minimum, double widest) {
  const double inset = frame.edges_up(child).inset[axis].sum();
  const Bounds bounds = bounds_in_line(frame, container, child, axis, inset, unknown, minimum);
  const bool can_grow = grow_factor(frame, container, child, axis) > 0;
  double size = content;
  if (is_weighted(container, frame.traits(child), axis)) {
    if (!can_grow) size = 0;
  } else {
    const double given = frame.given(child, axis, unknown);
    if (given >= 0) size = given;
    const double base = base_size(frame, child, axis, inset, unknown, widest);
    if (shrink_factor(frame, container, child, axis) == 0) size = std::max(size, base);
    if (!can_grow) size = std::min(size, base);
  }
  return bounds.held(size) * frame.counted_scale(child);
}

// --- sharing along the axis, on the way down -----------------------------------------------------------------------

/// The children of one visit, laid along `axis` in `inner` pixels.
struct Laying {
  Frame& frame;
  Index container;
  Axis axis;
  double inner;
  double gap;
  bool flip;
  Flow flow;

  [[nodiscard]] const Traits& traits() const { return frame.traits(container); }
  [[nodiscard]] Sides margin(Index child) const {
    const Sides margin = frame.edges_down(child).margin[axis];
    return flip ? Sides{margin.after, margin.before} : margin;
  }
};

Portion portion_of(const Laying& laying, Index child) {
  const Frame& frame = laying.frame;
  const Axis axis = laying.axis;
  const Traits& own = frame.traits(child);
  const double inset = frame.edges_down(child).inset[axis].sum();
  const double minimum = axis == x_axis ? frame.state.min_content[child] : frame.state.need[child];
  const double widest = axis == x_axis ? frame.state.max_content[child] : frame.state.need[child];
  const Bounds bounds = bounds_in_line(frame, laying.traits(), child, axis, inset, laying.inner, minimum);
  Portion portion{0, bounds.least, bounds.most, grow_factor(frame, laying.traits(), child, axis), 0, 0, 0};
  if (!is_weighted(laying.traits(), own, axis)) {
    portion.base = base_size(frame, child, axis, inset, laying.inner, widest);
    portion.shrink = shrink_factor(frame, laying.traits(), child, axis);
    portion.inner_base = portion.base - inset;
  }
  if (own.scale_counts) {
    const double scale = frame.keys(child).scale;
    for (double* size : {&portion.base, &portion.least, &portion.most, &portion.inner_base}) *size *= scale;
  }
  return portion;
}

/// Weights and grow factors of a line as parts of its declared total (sharing rule, `out_of`).
void take_parts_of(double total, std::span<Portion> portions) {
  double sum = 0;
  for (const Portion& portion : portions) sum += portion.grow;
  const double whole = std::max(total, sum);
  if (whole <= 0) return;
  for (Portion& portion : portions) portion.grow /= whole;
}

/// Shares the room of one line, lays its children along it, and sets their sizes and places.
void lay_line(const Laying& laying, std::span<Portion> portions, Index first) {
  Frame& frame = laying.frame;
  const auto count = static_cast<Index>(portions.size());
  double taken = laying.gap * (count - 1);
  std::size_t automatic = 0;
  for (Index i = 0; i < count; ++i) {
    const Index child = laying.flow[first + i];
    taken += laying.margin(child).sum();
    if (frame.has_auto_margin(child, laying.axis)) {
      const unsigned bits = frame.extra(child).auto_margins >> (2 * laying.axis) & 3U;
      automatic += bits == 3 ? 2 : 1;
    }
  }
  if (laying.traits().shares_total) take_parts_of(*frame.keys(laying.container).out_of, portions);
  share(portions, laying.inner - taken, frame.scratch.points);

  double spare = laying.inner - taken;
  for (const Portion& portion : portions) spare -= portion.size;
  const double automatic_part = automatic > 0 && spare > 0 ? spare / static_cast<double>(automatic) : 0;
  const Spread spread_by = spread(as_rest(static_cast<Along>(laying.traits().along)), automatic_part > 0 ? 0 : spare,
                                  count, laying.traits().scrolls(laying.axis));

  const Sides inset = frame.edges_down(laying.container).inset[laying.axis];
  const double far_edge = frame.state.size[laying.axis][laying.container] - inset.after;
  double at = spread_by.before;
  for (Index i = 0; i < count; ++i) {
    const Index child = laying.flow[first + i];
    Sides margin = laying.margin(child);
    if (automatic_part > 0 && frame.has_auto_margin(child, laying.axis)) {
      const unsigned bits = frame.extra(child).auto_margins >> (2 * laying.axis) & 3U;
      if ((bits & (laying.flip ? 2U : 1U)) != 0) margin.before += automatic_part;
      if ((bits & (laying.flip ? 1U : 2U)) != 0) margin.after += automatic_part;
    }
    const double counted = portions[i].size, size = counted / frame.counted_scale(child);
    const double from_start = at + margin.before + (counted - size) / 2;
    frame.state.place[laying.axis][child] = laying.flip ? far_edge - from_start - size : inset.before + from_start;
    frame.set_size(child, laying.axis, size);
    at += margin.sum() + counted + laying.gap + spread_by.between;
  }
}

/// Where the line that begins at `first` ends (wrapping rule).
Index end_of_line(const Laying& laying, Index first) {
  const auto& portions = laying.frame.scratch.portions;
  const double most = laying.inner + limits::line_tolerance * std::max(1.0, laying.inner);
  double taken = 0;
  Index i = first;
  for (; i < laying.flow.size(); ++i) {
    if (i > first) taken += laying.gap;
    taken += laying.margin(laying.flow[i]).sum() + portions[i].held(portions[i].base);
    if (i > first && taken > most) break;
  }
  return i;
}

void lay_along(Frame& frame, Index node, Axis axis) {
  const double inner = frame.inner_size(node, axis);
  const Laying laying{
      frame,           node, axis, inner, frame.gap(node, axis, inner), lays_backwards(frame, frame.traits(node), axis),
      frame.flow(node)};
  auto& portions = frame.scratch.portions;
  portions.clear();
  for (Index i = 0; i < laying.flow.size(); ++i) {
    frame.resolve_edges(laying.flow[i], axis, inner);
    portions.push_back(portion_of(laying, laying.flow[i]));
  }
  if (!laying.traits().wrap) {
    if (!portions.empty()) lay_line(laying, portions, 0);
    return;
  }
  for (Index first = 0; first < laying.flow.size();) {
    const Index end = end_of_line(laying, first);
    for (Index i = first; i < end; ++i) {
      std::uint8_t& flags = frame.state.flags[laying.flow[i]];
      flags = static_cast<std::uint8_t>(i == first ? flags | starts_line : flags & ~starts_line);
    }
    lay_line(laying, std::span(portions).subspan(first, end - first), first);
    first = end;
  }
}

// --- lines across the axis -----------------------------------------------------------------------------------------

bool stands_on_baseline(const Frame& frame, Index container, Index child) {
  return alignment(frame.traits(container), frame.traits(child)) == Across::baseline &&
         !frame.has_auto_margin(child, y_axis);
}

/// Splits the flow of a container into its lines.
void split_lines(Frame& frame, Index node, const Flow& flow) {
  auto& lines = frame.scratch.lines;
  lines.clear();
  const bool wraps = frame.traits(node).wrap;
  for (Index i = 0; i < flow.size(); ++i) {
    if (i == 0 || (wraps && (frame.state.flags[flow[i]] & starts_line))) lines.push_back({i, 0, 0, 0});
    ++lines.back().count;
  }
}

/// The height that each line of a row needs, and where its baseline lies.
void measure_row_lines(Frame& frame, Index node, const Flow& flow) {
  split_lines(frame, node, flow);
  const bool may_have_baseline = frame.traits(node).stands_on_base;
  for (Line& line : frame.scratch.lines) {
    double descent = 0;
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Index child = flow[i];
      const Sides margin = frame.edges_up(child).margin[y_axis];
      const double height = size_across_up(frame, child, y_axis, frame.state.need[child]);
      line.size = std::max(line.size, margin.sum() + height);
      if (may_have_baseline && stands_on_baseline(frame, node, child)) {
        const double ascent = margin.before + frame.state.baseline[child];
        line.ascent = std::max(line.ascent, ascent);
        descent = std::max(descent, margin.sum() + height - ascent);
      }
    }
    line.size = std::max(line.size, line.ascent + descent);
  }
}

double sum_of_lines(const std::vector<Line>& lines, double gap) {
  double sum = lines.empty() ? 0 : gap * static_cast<double>(lines.size() - 1);
  for (const Line& line : lines) sum += line.size;
  return sum;
}

/// Lets the lines share what room is left across them, and calls `each(line, where it begins)`.
template <class Each>
void lay_lines(Frame& frame, Index node, Axis across, double inner, Each each) {
  auto& lines = frame.scratch.lines;
  if (lines.empty()) return;
  const Traits& own = frame.traits(node);
  const double gap = frame.gap(node, across, inner);
  const double spare = inner - sum_of_lines(lines, gap);
  const auto rest = static_cast<Rest>(own.rest);
  const Spread spread_by = spread(rest, spare, lines.size(), own.scrolls(across));
  const double growth = rest == Rest::stretch && spare > 0 ? spare / static_cast<double>(lines.size()) : 0;
  double at = spread_by.before;
  for (Line& line : lines) {
    line.size += growth;
    each(line, at);
    at += line.size + gap + spread_by.between;
  }
}

/// Across of a row: its lines, known since pass 2, get their heights and their children's.
void lay_across_row(Frame& frame, Index node) {
  const double inner = frame.inner_size(node, y_axis);
  const Traits& own = frame.traits(node);
  const auto flow = frame.flow(node);
  const auto lay = [&](const Line& line, double at) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Index child = flow[i];
      double ahead = -1;
      if (own.stands_on_base && stands_on_baseline(frame, node, child)) {
        ahead = line.ascent - frame.edges_up(child).margin[y_axis].before - frame.state.baseline[child];
      }
      const Across align = alignment(own, frame.traits(child));
      place_across(frame, node, child, y_axis, {at, line.size}, inner, align, false, ahead);
    }
  };
  if (!own.wrap && !own.stands_on_base) return lay({0, flow.size(), inner, 0}, 0);
  measure_row_lines(frame, node, flow);
  if (own.wrap) return lay_lines(frame, node, y_axis, inner, lay);
  for (Line& line : frame.scratch.lines) {
    line.size = inner;
    lay(line, 0);
  }
}

/// Across of a column, in pass 2: every child fills or fits the whole width. A wrapping column does not stretch.
void lay_across_column(Frame& frame, Index node) {
  const double inner = frame.inner_size(node, x_axis);
  const Traits& own = frame.traits(node);
  const auto flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    Across align = alignment(own, frame.traits(flow[i]));
    if (own.wrap && align == Across::stretch) align = Across::start;
    place_across(frame, node, flow[i], x_axis, {0, inner}, inner, align, frame.mirrored);
  }
}

/// The lines of a wrapping column, in pass 4: widths stand, places across are known only now.
void lay_lines_of_column(Frame& frame, Index node) {
  const double inner = frame.inner_size(node, x_axis);
  const Traits& own = frame.traits(node);
  const auto flow = frame.flow(node);
  split_lines(frame, node, flow);
  const auto outer = [&](Index child) {
    return frame.edges_down(child).margin[x_axis].sum() + frame.state.size[x_axis][child] * frame.counted_scale(child);
  };
  for (Line& line : frame.scratch.lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) line.size = std::max(line.size, outer(flow[i]));
  }
  lay_lines(frame, node, x_axis, inner, [&](const Line& line, double at) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      Across align = alignment(own, frame.traits(flow[i]));
      if (align == Across::stretch) align = Across::start;
      frame.state.place[x_axis][flow[i]] = place_in_slot(frame, node, flow[i], x_axis, {at, line.size},
                                                         frame.state.size[x_axis][flow[i]], align, frame.mirrored, -1);
    }
  });
}

// --- going up ------------------------------------------------------------------------------------------------------

void widths_up_row(Frame& frame, Index node) {
  const Traits& own = frame.traits(node);
  const auto flow = frame.flow(node);
  double least = 0, widest_child = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    const double margins = frame.edges_up(child).margin[x_axis].sum();
    const double low = frame.state.min_content[child], high = frame.state.max_content[child];
    const double smallest = margins + size_along_up(frame, own, child, x_axis, low, low, high);
    least += smallest;
    widest_child = std::max(widest_child, smallest);
    most += margins + size_along_up(frame, own, child, x_axis, high, low, high);
  }
  const double gaps = flow.size() > 1 ? frame.gap_up(node, x_axis) * (flow.size() - 1) : 0;
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  const double narrowest = own.wrap ? widest_child : std::max(0.0, least + gaps);
  frame.state.min_content[node] = own.scroll_x ? inset : inset + narrowest;
  frame.state.max_content[node] = inset + std::max(0.0, most + gaps);
}

void widths_up_column(Frame& frame, Index node) {
  const auto flow = frame.flow(node);
  double least = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    const double margins = frame.edges_up(child).margin[x_axis].sum();
    least = std::max(least, margins + size_across_up(frame, child, x_axis, frame.state.min_content[child]));
    most = std::max(most, margins + size_across_up(frame, child, x_axis, frame.state.max_content[child]));
  }
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  frame.state.min_content[node] = frame.traits(node).scroll_x ? inset : inset + least;
  frame.state.max_content[node] = inset + most;
}

void heights_up_row(Frame& frame, Index node) {
  const auto flow = frame.flow(node);
  measure_row_lines(frame, node, flow);
  const auto& lines = frame.scratch.lines;
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const double need = inset.sum() + std::max(0.0, sum_of_lines(lines, frame.gap_up(node, y_axis)));
  frame.state.need[node] = frame.height_by_aspect(node, need);
  const double height = frame.natural_height(node);
  frame.state.baseline[node] = height;
  if (flow.size() == 0) return;

  const Line& line = lines.front();
  for (Index i = line.first; frame.traits(node).stands_on_base && i < line.first + line.count; ++i) {
    if (!stands_on_baseline(frame, node, flow[i])) continue;
    frame.state.baseline[node] = inset.before + line.ascent;
    return;
  }
  const Index first = flow[0];
  const Sides margin = frame.edges_up(first).margin[y_axis];
  const double room = (frame.traits(node).wrap ? line.size : height - inset.sum()) - margin.sum() -
                      size_across_up(frame, first, y_axis, frame.state.need[first]);
  const Across align = alignment(frame.traits(node), frame.traits(first));
  const double ahead = align == Across::center ? room / 2 : align == Across::end ? room : 0;
  frame.state.baseline[node] = inset.before + margin.before + ahead + frame.state.baseline[first];
}

void heights_up_column(Frame& frame, Index node) {
  const Traits& own = frame.traits(node);
  const auto flow = frame.flow(node);
  double sum = flow.size() > 1 ? frame.gap_up(node, y_axis) * (flow.size() - 1) : 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const double need = frame.state.need[flow[i]];
    sum += frame.edges_up(flow[i]).margin[y_axis].sum() + size_along_up(frame, own, flow[i], y_axis, need, need, need);
  }
  const Sides inset = frame.edges_up(node).inset[y_axis];
  frame.state.need[node] = frame.height_by_aspect(node, inset.sum() + std::max(0.0, sum));
  const double height = frame.natural_height(node);
  frame.state.baseline[node] = height;
  if (flow.size() == 0) return;
  const Index first = flow[0];
  const Sides margin = frame.edges_up(first).margin[y_axis];
  const double top =
      own.reverse ? height - inset.after - margin.after - frame.natural_height(first) : inset.before + margin.before;
  frame.state.baseline[node] = top + frame.state.baseline[first];
}

}  // namespace

namespace line {

void widths_up(Frame& frame, Index node) {
  along_axis(frame.traits(node)) == x_axis ? widths_up_row(frame, node) : widths_up_column(frame, node);
}

void widths_down(Frame& frame, Index node) {
  along_axis(frame.traits(node)) == x_axis ? lay_along(frame, node, x_axis) : lay_across_column(frame, node);
  place_pinned(frame, node, x_axis);
}

void heights_up(Frame& frame, Index node) {
  along_axis(frame.traits(node)) == x_axis ? heights_up_row(frame, node) : heights_up_column(frame, node);
}

void heights_down(Frame& frame, Index node) {
  if (along_axis(frame.traits(node)) == x_axis) {
    lay_across_row(frame, node);
  } else {
    lay_along(frame, node, y_axis);
    if (frame.traits(node).wrap) lay_lines_of_column(frame, node);
  }
  place_pinned(frame, node, y_axis);
}

}  // namespace line
}  // namespace fond_ladder::detail
