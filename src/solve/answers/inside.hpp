// SPDX-License-Identifier: MIT
#pragma once

// The inside of a node of a finished solve: its flow, its lines, its words, and the extent of its content.

#include <algorithm>
#include <string_view>
#include <utility>
#include <vector>

#include "model/content_kinds.hpp"
#include "solve/kinds/entries.hpp"
#include "solve/kinds/leaf.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0::detail {

/// The children that stand in the flow, in the order in which they are laid.
template <class N>
[[nodiscard]] std::vector<Index> flow_of(const ViewOf<N>& view, Index node) {
  std::vector<Index> listed;
  const InFlow flow = view.flow(node, listed);
  std::vector<Index> all;
  all.reserve(flow.size());
  for (Index i = 0; i < flow.size(); ++i) all.push_back(flow[i]);
  return all;
}

/// The furthest margin edge of a container's children on an axis, from the edge at which its scrolling starts.
template <class N>
[[nodiscard]] N furthest_edge(const ViewOf<N>& view, Index node, Axis axis, bool backwards,
                              const std::vector<Index>& flow) {
  N furthest = 0;
  for (const Index child : flow) {
    const SidesOf<N> margin = view.edges_down(child).margin[axis];
    const N edge = backwards ? view.size(node, axis) - view.place(child, axis) + margin.before
                             : view.place(child, axis) + view.size(child, axis) + margin.after;
    furthest = max_of(furthest, edge);
  }
  return furthest;
}

/// What the entries of a list behind its arranged ones take.
template <class N>
[[nodiscard]] N invisible_along(const ViewOf<N>& view, Index list, Axis axis, const std::vector<Index>& flow) {
  if (axis == x_axis) return invisible_behind<x_axis, N>(view, list, flow, view.mirrored);
  return invisible_behind<y_axis, N>(view, list, flow, false);
}

/// How far the content of a node reaches, its padding included.
template <class N>
[[nodiscard]] N content_extent(const ViewOf<N>& view, Index node, Axis axis) {
  const SidesOf<N> border = view.border(node, axis);
  const N view_size = max_of(N(0), view.size(node, axis) - border.sum());
  const SidesOf<N> inset = view.edges_down(node).inset[axis];
  if (!is_container(view.traits(node).node_kind())) {
    const SidesOf<N> padding{inset.before - border.before, inset.after - border.after};
    const Measured& measured = view.measured(node);
    if (measured.content()) {
      const N width = view.inner_size(node, x_axis);
      if (axis == y_axis) return padding.sum() + leaf::sound_size(measured_height(measured, width).height);
      const auto [least, most] = leaf::sound_widths(measured.widths());
      return padding.sum() + min_of(N(most), max_of(N(least), width));
    }
    return padding.sum() + view.natural(node, axis);
  }
  const bool backwards = scrolls_backwards(view, node, axis);
  const auto flow = flow_of(view, node);
  const N end_padding = backwards ? inset.before - border.before : inset.after - border.after;
  const N start_border = backwards ? border.after : border.before;
  const N furthest = flow.empty() ? inset.sum() - end_padding : furthest_edge(view, node, axis, backwards, flow);
  const N invisible =
      is_list(view, node) && axis == along_of(view.traits(node)) ? invisible_along(view, node, axis, flow) : N(0);
  const N extent = furthest + invisible - start_border + end_padding;
  return view.traits(node).scrolls(axis) ? max_of(view_size, extent) : extent;
}

/// First baseline of a node from its top, as it is laid: words that lie lower in a higher box lie lower in that of the
/// box, whatever height counted while the baseline was looked for.
template <class N>
[[nodiscard]] N baseline_as_laid(const ViewOf<N>& view, Index node) {
  const N first = first_baseline_down<N>(view, node);
  const double share = words_ahead<N>(view, node);
  const Measured& measured = view.measured(node);
  if (share == 0 || !measured.content()) return first;
  const N words = leaf::sound_size(measured_height(measured, view.inner_size(node, x_axis)).height);
  const N inset = view.edges_down(node).inset[y_axis].sum();
  const auto unused_space = [&](const N& height) { return max_of(0.0, height - inset - words); };
  return first + share * (unused_space(view.size(node, y_axis)) - unused_space(natural_height<N>(view, node)));
}

/// How many lines a text has, or a row or column lays.
template <class N>
[[nodiscard]] int line_count(const ViewOf<N>& view, Index node) {
  const Traits own = view.traits(node);
  if (const auto* text = as_text(view.content(node))) {
    const auto lines = lines_of(*text, view.inner_size(node, x_axis)).size();
    const auto most = text->max_lines();
    return static_cast<int>(most ? std::min(lines, static_cast<std::size_t>(*most)) : lines);
  }
  if (own.node_kind() != Kind::row && own.node_kind() != Kind::column) return 0;
  const auto flow = flow_of(view, node);
  if (flow.empty() || !own.wrap) return flow.empty() ? 0 : 1;
  return static_cast<int>(std::ranges::count_if(flow, [&](Index child) { return begins_line(view, own, child); }));
}

/// The lines of a container, children in the order in which they are laid.
template <class N>
[[nodiscard]] std::vector<std::vector<Index>> laid_lines(const ViewOf<N>& view, Index container) {
  std::vector<std::vector<Index>> lines;
  for (const Index child : flow_of(view, container)) {
    if (lines.empty() || begins_line(view, view.traits(container), child)) lines.emplace_back();
    lines.back().push_back(child);
  }
  return lines;
}

/// The lines of the children of a row or column; kept for the last container, since its children are
/// asked about one after the other.
template <class N>
class LinesSeen {
 public:
  /// From 1; 0 for a node on no line.
  [[nodiscard]] int line_of(const ViewOf<N>& view, Index node) {
    const Index parent = view.parent(node);
    if (parent == no_index) return 0;
    const Kind above = view.traits(parent).node_kind();
    if (above != Kind::row && above != Kind::column) return 0;
    if (parent != container_) see(view, parent);
    return lines_[node - view.first_child(parent)];
  }

 private:
  void see(const ViewOf<N>& view, Index container) {
    container_ = container;
    lines_.assign(view.child_count(container), 0);
    int line = 0;
    for (const auto& children : laid_lines(view, container)) {
      ++line;
      for (const Index child : children) lines_[child - view.first_child(container)] = line;
    }
  }

  Index container_ = no_index;
  std::vector<int> lines_;
};

/// One line of a text, from the corner of the text's box.
template <class N>
struct TextLineOf {
  std::string_view text;
  RectOf<N> box;
  bool dropped = false;  ///< by `max_lines`
  bool hyphen = false;   ///< shown behind the text
};
/// Calls `each(TextLineOf)` for the lines of a text; never of other content.
template <class SomeView, class Each>
void for_each_text_line(const Finished<SomeView>& solve, Index node, const Each& each) {
  using N = typename SomeView::Number;
  const SomeView& view = solve.view;
  const auto* text = as_text(view.content(node));
  if (text == nullptr) return;
  const N inner = view.inner_size(node, x_axis);
  const N left = view.edges_down(node).inset[x_axis].before;
  const TextAlign align = solve.keys(node).text_align.x;
  const double far = align == TextAlign::center ? 0.5 : (align == TextAlign::end) == view.mirrored ? 0 : 1;
  const auto lines = lines_of(*text, inner);
  const auto most = text->max_lines();
  const std::size_t kept = most ? std::min(lines.size(), static_cast<std::size_t>(*most)) : lines.size();
  const N unused_space = view.inner_size(node, y_axis) - static_cast<double>(kept) * text->line_height();
  const N top = view.edges_down(node).inset[y_axis].before + words_ahead(view, node) * max_of(0.0, unused_space);
  std::size_t number = 0;
  for (const BreakableText::Line& line : lines) {
    const auto above = static_cast<double>(number) * text->line_height();
    const bool dropped = number++ >= kept;
    each(TextLineOf<N>{line.text,
                       {left + far * (inner - line.width), top + above, line.width, text->line_height()},
                       dropped,
                       line.hyphen});
  }
}
/// The lines of a text; none of other content.
template <class SomeView>
[[nodiscard]] auto words_of(const Finished<SomeView>& solve, Index node) {
  std::vector<TextLineOf<typename SomeView::Number>> all;
  for_each_text_line(solve, node, [&](auto&& line) { all.push_back(std::forward<decltype(line)>(line)); });
  return all;
}

}  // namespace fond_ladder::inline v0::detail
