// SPDX-License-Identifier: MIT
//
// A path is looked for from the step that fewest nodes have: up for the steps before it, down for those behind.
#include "model/find_path.hpp"

#include <algorithm>
#include <charconv>
#include <optional>
#include <utility>

#include "model/limits.hpp"
#include "model/path_steps.hpp"
#include "model/thousands.hpp"

namespace fond_ladder::inline v0::detail {

std::string step_at(const TreeStore& store, Index node, std::size_t place) {
  if (!store.name(node).empty()) return std::string(store.name(node));
  return std::string(word(store.kind(node))) + "#" + std::to_string(place);
}

std::string step_of(const TreeStore& store, Index node) {
  return step_at(store, node, store.name(node).empty() ? store.place(node) : 0);
}

void require_short_paths(const TreeStore& store) {
  std::vector<std::pair<Index, double>> open{{0, -1}};  // nodes, and how long the paths of their parents are
  double all = 0;
  while (!open.empty()) {
    const Index node = open.back().first;
    const double above = open.back().second;
    open.pop_back();
    const double length = above + 1 + static_cast<double>(step_of(store, node).size());
    all += length;
    store.for_each_child(node, [&](Index child) { open.emplace_back(child, length); });
  }
  if (all <= limits::most_path_letters) return;
  throw BadValue("the paths of all nodes are " + in_thousands(all) + " characters in total, and the limit is " +
                 in_thousands(limits::most_path_letters) +
                 "; use the table of measure, which prints the last step of each path");
}

namespace {

/// One step of a path, as it was written.
struct Step {
  std::string_view text;
  Index name = no_index;  // the number of the name that it is; none: the kind and the place of an unnamed node
};

bool is_step(const TreeStore& store, Index node, const Step& step) {
  if (!store.name(node).empty()) return store.name_number_of(node) == step.name;
  return step.name == no_index && step_of(store, node) == step.text;
}

/// The index among its siblings in the step of an unnamed node.
std::optional<std::size_t> place_found(const Step& step) {
  const std::size_t hash = step.text.find('#');
  std::size_t place = 0;
  const char* end = step.text.data() + step.text.size();
  if (hash == std::string_view::npos) return {};
  const auto read = std::from_chars(step.text.data() + hash + 1, end, place);
  if (read.ec != std::errc() || read.ptr != end) return {};
  return place;
}

/// The child that a step names; `no_index` for none.
Index child_at(const TreeStore& store, Index parent, const Step& step) {
  if (step.name != no_index) return store.child_named(parent, step.name);
  const auto place = place_found(step);
  if (!place || *place >= store.child_count(parent)) return no_index;
  const Index child = store.child(parent, *place);
  return is_step(store, child, step) ? child : no_index;
}

/// The node at the end of `steps` from the `first` on, the one before being `node`; `no_index` where there is none.
Index descend(const TreeStore& store, Index node, const std::vector<Step>& steps, std::size_t first) {
  for (std::size_t i = first; i < steps.size() && node != no_index; ++i) node = child_at(store, node, steps[i]);
  return node;
}

}  // namespace

std::vector<Index> find_path(const TreeStore& store, std::string_view path, std::size_t most) {
  std::vector<Step> steps;
  for (const std::string_view text : steps_of(path)) steps.push_back({text, store.names().number_of(text)});
  if (is_step(store, 0, steps[0])) {
    const Index whole = descend(store, 0, steps, 1);
    if (whole != no_index) return {whole};
  }
  const auto uses = [&](const Step& step) {
    return step.name == no_index ? store.size() : store.names().uses(step.name);
  };
  std::size_t rarest = 0;
  for (std::size_t i = 1; i < steps.size(); ++i) {
    if (uses(steps[i]) < uses(steps[rarest])) rarest = i;
  }
  std::vector<Index> found;
  const auto look_from = [&](Index node) {
    Index above = node;
    for (std::size_t i = rarest; above != no_index; --i) {
      if (!is_step(store, above, steps[i])) return true;
      if (i == 0) break;
      above = store.parent(above);
    }
    if (above == no_index) return true;
    const Index last = descend(store, node, steps, rarest + 1);
    if (last != no_index) found.push_back(last);
    return found.size() < most;
  };
  if (steps[rarest].name != no_index) {
    store.for_each_named(steps[rarest].name, look_from);
  } else if (const auto place = place_found(steps[rarest])) {
    bool goes_on = !is_step(store, 0, steps[rarest]) || look_from(0);
    store.for_each_with_children(*place + 1, [&](Index parent) {
      if (goes_on) goes_on = look_from(store.child(parent, *place));
      return goes_on;
    });
  }
  return found;
}

void sort_by_place(const TreeStore& store, std::vector<Index>& nodes) {
  std::vector<std::pair<std::vector<std::size_t>, Index>> placed;
  for (const Index node : nodes) {
    std::vector<std::size_t> way;
    for (Index at = node; at != no_index; at = store.parent(at)) way.push_back(store.place(at));
    std::ranges::reverse(way);
    placed.emplace_back(std::move(way), node);
  }
  std::ranges::sort(placed);
  for (std::size_t i = 0; i < nodes.size(); ++i) nodes[i] = placed[i].second;
}

}  // namespace fond_ladder::inline v0::detail
