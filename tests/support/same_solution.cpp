// SPDX-License-Identifier: MIT
#include "support/same_solution.hpp"

#include <algorithm>

#include "fond_ladder/tree.hpp"
#include "solve/answers/inside.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::testing {

namespace {

bool are_same(const Solution& one, const std::vector<Solution::TrackBox>& first, const Solution& other,
              const std::vector<Solution::TrackBox>& second) {
  const auto name = [](const Solution& solution, NodeId node) {
    return node ? solution.tree().segment(node) : std::string();
  };
  return std::ranges::equal(first, second, [&](const auto& a, const auto& b) {
    return a.at == b.at && a.size == b.size && a.unstretched == b.unstretched && a.share == b.share &&
           name(one, a.set_by) == name(other, b.set_by);
  });
}

bool tell_the_same(const Solution& one, NodeId node, const Solution& other, NodeId same) {
  if (one.keys(node) != other.keys(same) || one.baseline(node) != other.baseline(same)) return false;
  if (one.lines(node) != other.lines(same)) return false;
  if (one.content_size(node) != other.content_size(same)) return false;
  if (one.kind(node) != Kind::grid) return true;
  const Solution::GridTracks first = one.tracks(node), second = other.tracks(same);
  return are_same(one, first.columns, other, second.columns) && are_same(one, first.rows, other, second.rows);
}

/// On which lines the children of a node stand.
std::vector<int> lines_of_children(const Solution& solution, NodeId node) {
  const Tree& tree = solution.tree();
  const detail::View view = detail::view_of(tree, solution.passes());
  detail::LinesSeen<double> seen;
  std::vector<int> lines;
  for (const NodeId child : tree.children(node)) {
    if (solution.is_placed(child)) lines.push_back(seen.line_of(view, tree.store().index_of(child)));
  }
  return lines;
}

}  // namespace

std::string difference(const Solution& one, const Solution& other) {
  const auto first = one.boxes(), second = other.boxes();
  if (first.size() != second.size()) return "other nodes have a place";
  for (std::size_t i = 0; i < first.size(); ++i) {
    const NodeId node = first[i].node, same = second[i].node;
    if (first[i].box != second[i].box || !tell_the_same(one, node, other, same) ||
        lines_of_children(one, node) != lines_of_children(other, same))
      return one.tree().path(first[i].node);
  }
  return "";
}

}  // namespace fond_ladder::testing
