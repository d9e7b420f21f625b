// SPDX-License-Identifier: MIT
#include "scene/read/tie_faults.hpp"

#include <algorithm>
#include <cstdint>
#include <string>
#include <unordered_map>

#include "model/nearest_word.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

/// Follows ties depth first; one that is met again on the way to itself is in a circle.
void refuse_circles(Axis axis, const Tree& tree, const std::vector<TiedNode>& tied_nodes, const JsonDocument& document,
                    Faults& faults) {
  std::unordered_map<NodeId, std::size_t> place;  // in the list
  for (std::size_t i = 0; i < tied_nodes.size(); ++i) place.emplace(tied_nodes[i].node, i);
  std::vector<std::vector<std::size_t>> leads(tied_nodes.size());
  for (std::size_t i = 0; i < tied_nodes.size(); ++i) {
    for (const auto& [on, sibling] : tied_nodes[i].leads_to) {
      const auto to = place.find(sibling);
      if (on == axis && to != place.end()) leads[i].push_back(to->second);
    }
  }
  enum : std::uint8_t { invisible, open, done };
  std::vector<std::uint8_t> marks(tied_nodes.size(), invisible);
  for (std::size_t start = 0; start < tied_nodes.size(); ++start) {
    std::vector<std::pair<std::size_t, std::size_t>> way;
    if (marks[start] == invisible) way.emplace_back(start, 0), marks[start] = open;
    while (!way.empty()) {
      const std::size_t at = way.back().first;
      if (way.back().second == leads[at].size()) {
        marks[at] = done;
        way.pop_back();
        continue;
      }
      const std::size_t next = leads[at][way.back().second++];
      if (marks[next] == invisible) {
        marks[next] = open;
        way.emplace_back(next, 0);
      } else if (marks[next] == open) {
        constexpr std::size_t most_listed = 8;
        std::string members;
        auto met = std::ranges::find(way, next, &std::pair<std::size_t, std::size_t>::first);
        for (std::size_t listed = 0; met != way.end() && listed < most_listed; ++met, ++listed) {
          members += tree.segment(tied_nodes[met->first].node) + " > ";
        }
        faults.add(document, tied_nodes[next].place,
                   std::string("these nodes are tied in a circle, ") + (axis == x_axis ? "sideways" : "up and down") +
                       ": " + members + (met == way.end() ? "" : "... > ") + tree.segment(tied_nodes[next].node));
      }
    }
  }
}

}  // namespace

void refuse_loose_ties(const Tree& tree, std::vector<TiedNode>& tied_nodes, const JsonDocument& document,
                       Faults& faults) {
  NodeId parent;
  std::unordered_map<std::string, NodeId> siblings;
  for (TiedNode& one : tied_nodes) {
    if (tree.parent(one.node) != parent) {
      parent = tree.parent(one.node);
      siblings.clear();
      for (const NodeId sibling : parent ? tree.children(parent) : std::vector<NodeId>()) {
        siblings.emplace(tree.segment(sibling), sibling);
      }
    }
    const Keys keys = tree.keys(one.node);
    for (const Ties::SideTie& tied : keys.pin->ties) {
      const auto found = siblings.find(tied.tie.to);
      if (found != siblings.end() && found->second != one.node) {
        one.leads_to.emplace_back(axis_of(tied.side), found->second);
        continue;
      }
      std::vector<std::string_view> words;
      for (const auto& [step, sibling] : siblings) {
        if (sibling != one.node) words.push_back(step);
      }
      std::ranges::sort(words);
      faults.add(document, one.place,
                 found == siblings.end() ? "no sibling is called \"" + tied.tie.to + "\"" +
                                               (words.empty() ? "" : word_hint(tied.tie.to, words))
                                         : "\"" + tied.tie.to + "\" cannot be tied to itself");
    }
  }
  if (!faults.empty()) return;
  refuse_circles(x_axis, tree, tied_nodes, document, faults);
  refuse_circles(y_axis, tree, tied_nodes, document, faults);
}

}  // namespace fond_ladder::inline v0::scene
