// SPDX-License-Identifier: MIT
//
// Questions to a finished solve about the inside of a node: its edges and gaps, its lines, its words, and what there
// is to scroll.
#include <algorithm>
#include <cmath>

#include "fond_ladder/fixed_width_text.hpp"
#include "model/content_kinds.hpp"
#include "solve/answers/overhang.hpp"
#include "solve/answers/scrolled_view.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/passes.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::Sides;
using detail::View;
using detail::view_of;

detail::Finished<View> finished(const Tree& tree, const detail::Passes& passes, const View& view) {
  return {tree.store(), passes.state.forms, view};
}

FourSides larger(const FourSides& a, const FourSides& b) {
  return {std::max(a.top, b.top), std::max(a.right, b.right), std::max(a.bottom, b.bottom), std::max(a.left, b.left)};
}

}  // namespace

Extent Solution::content_box_size(NodeId container) const {
  if (!is_placed(container)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(container);
  return {view.inner_size(i, x_axis), view.inner_size(i, y_axis)};
}

FourSides Solution::padding(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  const auto on = [&](Axis axis) -> Sides {
    const Sides inset = view.edges_down(i).inset[axis], border = view.border(i, axis);
    return {inset.before - border.before, inset.after - border.after};
  };
  const Sides x = on(x_axis), y = on(y_axis);
  return {y.before, x.after, y.after, x.before};
}

FourSides Solution::border(NodeId node) const {
  if (!is_placed(node)) return {};
  const Keys in_force = keys(node);
  const auto on = [&](Side side) {
    return in_force.border.on(side, tree().direction() == Direction::rtl).length().in_px(tree().units(in_force), 0);
  };
  return {on(Side::top), on(Side::right), on(Side::bottom), on(Side::left)};
}

FourSides Solution::margin(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const auto& margin = view.edges_down(tree().store().index_of(node)).margin;
  return {margin[y_axis].before, margin[x_axis].after, margin[y_axis].after, margin[x_axis].before};
}

Extent Solution::gap(NodeId container) const {
  if (!is_placed(container) || !is_container(kind(container))) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(container);
  return {view.gap_down(i, x_axis, view.inner_size(i, x_axis)), view.gap_down(i, y_axis, view.inner_size(i, y_axis))};
}

std::vector<Solution::TextLine> Solution::text_lines(NodeId text_node) const {
  if (!is_placed(text_node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(text_node);
  std::vector<TextLine> all;
  for (const auto& line : detail::words_of(finished(tree(), passes(), view), i)) {
    const BreakableText& text = *detail::as_text(view.content(i));
    const auto* set = detail::as_shaped_text(&text);
    all.push_back({line.text, line.box, line.box.y + text.line_baseline(), line.dropped, line.hyphen,
                   set == nullptr ? nullptr : &set->style()});
  }
  return all;
}

FourSides Solution::text_overhang(NodeId text_node) const {
  if (kind(text_node) != Kind::text || !is_placed(text_node)) return {};
  const View view = view_of(tree(), passes());
  return detail::text_overhang_of(finished(tree(), passes(), view), tree().store().index_of(text_node));
}

FourSides Solution::text_padding_overlap(NodeId text_node) const {
  if (kind(text_node) != Kind::text || !is_placed(text_node)) return {};
  const View view = view_of(tree(), passes());
  return detail::text_padding_overlap_of(finished(tree(), passes(), view), tree().store().index_of(text_node));
}

FourSides Solution::full_overhang(NodeId node) const {
  return larger(overhang(node), text_overhang(node));
}

FourSides Solution::full_padding_overlap(NodeId node) const {
  return larger(padding_overlap(node), text_padding_overlap(node));
}

double Solution::max_overhang(NodeId node) const {
  if (!is_placed(node)) return 0;
  const View view = view_of(tree(), passes());
  return detail::max_overhang_of(finished(tree(), passes(), view), tree().store().index_of(node));
}

Extent Solution::content_size(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  return {detail::content_extent(view, i, x_axis), detail::content_extent(view, i, y_axis)};
}

Extent Solution::scroll_range(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  return {detail::scroll_range_of(view, i, x_axis), detail::scroll_range_of(view, i, y_axis)};
}

std::vector<Solution::PartOfList> Solution::estimated_lists() const {
  std::vector<PartOfList> lists;
  const View view = view_of(tree(), passes());
  const detail::TreeStore& store = tree().store();
  store.walk([&](Index node, std::size_t) {
    if (!detail::is_list(view, node) || !is_placed(store.id_of(node))) return;
    std::vector<Index> listed;
    const Index arranged = view.flow(node, listed).size();
    const detail::ListedEntries entries = detail::listed_entries(view, node, arranged);
    if (entries.all == arranged) return;
    const Axis axis = detail::along_of(view.traits(node));
    lists.push_back({store.id_of(node), entries.all, arranged, axis, detail::content_extent(view, node, axis)});
  });
  return lists;
}

int Solution::lines(NodeId node) const {
  return is_placed(node) ? detail::line_count(view_of(tree(), passes()), tree().store().index_of(node)) : 0;
}

std::vector<std::vector<NodeId>> Solution::laid_lines(NodeId container) const {
  if (!is_placed(container)) return {};
  const detail::TreeStore& store = tree().store();
  std::vector<std::vector<NodeId>> lines;
  for (const auto& line : detail::laid_lines(view_of(tree(), passes()), store.index_of(container))) {
    lines.emplace_back();
    for (const Index child : line) lines.back().push_back(store.id_of(child));
  }
  return lines;
}

int Solution::line(NodeId node) const {
  return is_placed(node) ? detail::LinesSeen<double>().line_of(view_of(tree(), passes()), tree().store().index_of(node))
                         : 0;
}

std::vector<NodeId> Solution::laid_order(NodeId container) const {
  std::vector<NodeId> order;
  for (const Index child : detail::flow_of(view_of(tree(), passes()), tree().store().index_of(container))) {
    order.push_back(tree().store().id_of(child));
  }
  return order;
}

}  // namespace fond_ladder::inline v0
