// SPDX-License-Identifier: MIT
#include "verify/measure/lists.hpp"

#include <algorithm>
#include <charconv>
#include <utility>
#include <vector>

#include "model/path_steps.hpp"
#include "model/tree_store.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool is_list(const Tree& tree, NodeId node) {
  const auto& keys = tree.store().rare_fields(tree.store().index_of(node)).keys;
  return keys && keys->virtualized.on;
}

bool holds_list(const Tree& tree, NodeId top) {
  std::vector<NodeId> open{top};
  while (!open.empty()) {
    const NodeId node = open.back();
    open.pop_back();
    if (is_list(tree, node)) return true;
    for (const NodeId child : tree.children(node)) open.push_back(child);
  }
  return false;
}

}  // namespace

bool has_lists(const Tree& tree) {
  return std::ranges::any_of(tree.store().rare_fields_list(), [](const detail::RareFields& rare_fields) {
    return rare_fields.keys && rare_fields.keys->virtualized.on;
  });
}

bool lies_in_list(const Tree& tree, NodeId node) {
  while ((node = tree.parent(node))) {
    if (is_list(tree, node)) return true;
  }
  return false;
}

namespace {

/// Whether a node is in an entry that comes and goes; the first is always arranged, and everything about it is proved.
bool lies_beyond_first(const Tree& tree, NodeId node) {
  for (NodeId above = tree.parent(node); above; node = above, above = tree.parent(node)) {
    if (is_list(tree, above) && tree.index_of(node) > 0) return true;
  }
  return false;
}

}  // namespace

std::optional<std::string> with_first_entries(const Tree& tree, std::string_view pattern) {
  const std::vector<std::string_view> steps = steps_of(pattern);
  std::string first;
  std::vector<std::pair<std::size_t, double>> entries;  // steps, and the numbers of the entries that they are
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const std::size_t open = steps[i].find('[');
    const std::string_view index = open == std::string_view::npos ? "" : steps[i].substr(open + 1);
    double number = 0;
    const auto [end, fault] = std::from_chars(index.data(), index.data() + index.size(), number);
    const bool indexed = fault == std::errc() && std::string_view(end, index.data() + index.size()) == "]";
    if (indexed) entries.emplace_back(i, number);
    first += (i > 0 ? "/" : "") + std::string(indexed ? steps[i].substr(0, open) : steps[i]) + (indexed ? "[0]" : "");
  }
  if (entries.empty() || first == pattern) return {};
  std::vector<NodeId> nodes;
  try {
    nodes = nodes_named(tree, first);
  } catch (const BadQuantity&) {
    return {};
  }
  for (const auto& [step, number] : entries) {
    NodeId entry = nodes.front();
    for (std::size_t i = step + 1; i < steps.size(); ++i) entry = tree.parent(entry);
    const NodeId list = tree.parent(entry);
    if (!list || !is_list(tree, list) || number >= tree.keys(list).virtualized.entries) return {};
  }
  return first;
}

NodeId node_as_written(const Tree& tree, std::string_view path) {
  const std::optional<std::string> first = with_first_entries(tree, path);
  return tree.at(first ? std::string_view(*first) : path);
}

bool hangs_on_entries(const Tree& tree, const Quantity& quantity) {
  const auto lies_in = [&](NodeId node) { return lies_in_list(tree, node); };
  if (lies_beyond_first(tree, quantity.node) || std::ranges::any_of(quantity.counted, lies_in)) return true;
  switch (quantity.measure) {
    case Measure::content_width:
    case Measure::content_height:
    case Measure::lines:
    case Measure::per_line:
    case Measure::unused_space: return is_list(tree, quantity.node);
    case Measure::max_overhang: return holds_list(tree, quantity.node);
    case Measure::reachable:
    case Measure::in_view: return true;  // an entry may lie over it
    default: return false;
  }
}

}  // namespace fond_ladder::inline v0
