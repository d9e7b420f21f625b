// SPDX-License-Identifier: MIT
#include "support/same_solution.hpp"

#include <algorithm>

#include "fond_ladder/tree.hpp"

namespace fond_ladder::testing {

namespace {

bool are_same(const Solution& one, const std::vector<Solution::TrackBox>& first, const Solution& other,
              const std::vector<Solution::TrackBox>& second) {
  const auto name = [](const Solution& solution, NodeId node) {
    return node ? solution.tree().step(node) : std::string();
  };
  return std::ranges::equal(first, second, [&](const auto& a, const auto& b) {
    return a.at == b.at && a.size == b.size && a.unstretched == b.unstretched && a.share == b.share &&
           name(one, a.set_by) == name(other, b.set_by);
  });
}

bool tell_the_same(const Solution& one, NodeId node, const Solution& other, NodeId same) {
  if (one.keys(node) != other.keys(same) || one.baseline(node) != other.baseline(same)) return false;
  if (one.line(node) != other.line(same) || one.lines(node) != other.lines(same)) return false;
  if (one.content_size(node) != other.content_size(same)) return false;
  if (one.kind(node) != Kind::grid) return true;
  const Solution::GridTracks first = one.tracks(node), second = other.tracks(same);
  return are_same(one, first.columns, other, second.columns) && are_same(one, first.rows, other, second.rows);
}

}  // namespace

std::string difference(const Solution& one, const Solution& other) {
  const auto first = one.boxes(), second = other.boxes();
  if (first.size() != second.size()) return "other nodes have a place";
  for (std::size_t i = 0; i < first.size(); ++i) {
    if (first[i].box != second[i].box || !tell_the_same(one, first[i].node, other, second[i].node))
      return one.tree().path(first[i].node);
  }
  return "";
}

}  // namespace fond_ladder::testing
