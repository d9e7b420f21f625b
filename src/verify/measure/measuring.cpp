// SPDX-License-Identifier: MIT
#include "verify/measure/measuring.hpp"

#include <map>

#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"
#include "verify/measure/measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;

/// A node's box from the root's corner; none without a place.
std::optional<Rect> box_of(const Solution& solution, NodeId node) {
  const detail::TreeStore& store = solution.tree().store();
  const Index at = store.index_of(node);
  const detail::View view = detail::view_of(solution.tree(), solution.passes());
  if (!detail::has_place(view, at)) return {};
  return detail::box_from_root(view, at);
}

}  // namespace

Measuring::Measuring(const std::vector<Quantity>& quantities) : count_(quantities.size()) {
  std::map<NodeId, std::size_t> places;
  for (std::size_t i = 0; i < quantities.size(); ++i) {
    if (quantities[i].measure == Measure::count || quantities[i].measure == Measure::node_range ||
        !quantities[i].scrolled.empty()) {
      others_.emplace_back(i, quantities[i]);
      continue;
    }
    const auto [at, is_new] = places.try_emplace(quantities[i].node, nodes_.size());
    if (is_new) nodes_.push_back({quantities[i].node, {}});
    nodes_[at->second].asked.push_back({quantities[i].measure, i});
  }
}

Values Measuring::operator()(const Solution& solution) const {
  Values values(count_);
  detail::SeenSoFar<double> seen;
  for (const OfNode& one : nodes_) {
    const std::optional<Rect> box = box_of(solution, one.node);
    for (const Asked& asked : one.asked) {
      if (box) values[asked.place] = detail::measure_of_box(*box, asked.measure);
      if (values[asked.place] || (!box && !detail::is_of_hidden_too(asked.measure))) continue;
      values[asked.place] = detail::value_of({one.node, asked.measure, {}, {}}, solution, seen);
    }
  }
  for (const auto& [place, quantity] : others_) values[place] = detail::value_of(quantity, solution, seen);
  return values;
}

}  // namespace fond_ladder::inline v0
