// SPDX-License-Identifier: MIT
//
// What a claim has to know at a size: its quantities, the edges of the nodes that its functions are about, and for
// `fits` the largest overhang inside. Each is listed once, however often it is used.
#include <algorithm>
#include <map>
#include <tuple>

#include "model/path_steps.hpp"
#include "verify/claims/claim_terms.hpp"
#include "verify/measure/measures.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

class Lister {
 public:
  explicit Lister(ClaimTerms& terms) : terms_(terms) {}

  void list() {
    list(terms_.claim);
    if (terms_.when) list(*terms_.when);
    for (NodeSet& set : terms_.sets) {
      for (const NodeId node : set.nodes) set.placed.push_back(slot_if_placed(node));
    }
  }

 private:
  std::size_t slot(NodeId node, Measure measure, const std::string& range = {}) {
    const auto [at, is_new] = places_.try_emplace({node, measure, range}, terms_.quantities.size());
    if (is_new) terms_.quantities.push_back({node, measure, "", {}, range});
    return at->second;
  }

  /// Any quantity that only placed nodes have.
  std::size_t slot_if_placed(NodeId node) {
    for (auto at = places_.lower_bound({node, Measure(), ""}); at != places_.end(); ++at) {
      if (std::get<NodeId>(at->first) != node) break;
      if (!is_of_hidden_too(std::get<Measure>(at->first))) return at->second;
    }
    return slot(node, Measure::width);
  }

  void list(Term& term) {
    term.exact = term.kind != TermKind::quantity && term.kind != TermKind::nodes;
    const bool is_function = term.kind == TermKind::same || term.kind == TermKind::sum_of ||
                             term.kind == TermKind::min_of || term.kind == TermKind::max_of;
    for (Term& part : term.parts) {
      list(part);
      if (is_function) find_sets(part, part.many);
      if (part.kind == TermKind::nodes) list_argument(part, term.kind);
      term.exact = term.exact && part.exact;
    }
    if (term.kind == TermKind::node_range) {
      for (const NodeId node : terms_.sets[term.set].nodes)
        term.slots.push_back(slot(node, Measure::node_range, term.text));
    }
    if (term.kind == TermKind::quantity) {
      for (const NodeId node : terms_.sets[term.set].nodes) term.slots.push_back(slot(node, term.measure));
    }
  }

  void list_argument(Term& nodes, TermKind function) {
    for (const NodeId node : terms_.sets[nodes.set].nodes) {
      if (function == TermKind::fits) {
        nodes.slots.push_back(slot(node, Measure::max_overhang));
      } else if (function == TermKind::reachable || function == TermKind::in_view) {
        nodes.slots.push_back(slot(node, function == TermKind::in_view ? Measure::in_view : Measure::reachable));
      } else if (function != TermKind::count_of) {
        for (const Measure edge : edges_asked) nodes.slots.push_back(slot(node, edge));
      }
    }
  }

  void find_sets(const Term& term, std::vector<std::size_t>& found) const {
    const bool many = term.kind == TermKind::quantity && terms_.sets[term.set].many;
    if (many && std::ranges::find(found, term.set) == found.end()) found.push_back(term.set);
    for (const Term& part : term.parts) find_sets(part, found);
  }

  ClaimTerms& terms_;
  std::map<std::tuple<NodeId, Measure, std::string>, std::size_t> places_;
};

/// How many steps two patterns have in common, the last of which has a star.
std::size_t common_start(const std::vector<std::string_view>& a, const std::vector<std::string_view>& b) {
  std::size_t common = 0;
  for (std::size_t i = 0; i < std::min(a.size(), b.size()) && a[i] == b[i]; ++i) {
    if (a[i].find('*') != std::string_view::npos) common = i + 1;
  }
  return common;
}

/// A set whose nodes are so many levels below those of the common words.
SharedStart::Side side_of(std::size_t set, const std::vector<NodeId>& nodes, std::size_t levels, const Tree& tree) {
  SharedStart::Side side{set};
  for (std::size_t place = 0; place < nodes.size(); ++place) {
    NodeId start = nodes[place];
    for (std::size_t i = 0; i < levels; ++i) start = tree.parent(start);
    side.starts.push_back(start);
    side.places.try_emplace(start, place, place).first->second.second = place + 1;
  }
  return side;
}

}  // namespace

void find_shared_starts(ClaimTerms& terms, const Tree& tree) {
  for (std::size_t i = 0; i < terms.sets.size(); ++i) {
    if (!terms.sets[i].many) continue;
    const auto steps = steps_of(terms.sets[i].pattern);
    for (std::size_t k = i + 1; k < terms.sets.size(); ++k) {
      if (!terms.sets[k].many) continue;
      const auto others = steps_of(terms.sets[k].pattern);
      const std::size_t common = common_start(steps, others);
      if (common == 0) continue;
      terms.shared_starts.push_back({side_of(i, terms.sets[i].nodes, steps.size() - common, tree),
                                     side_of(k, terms.sets[k].nodes, others.size() - common, tree)});
    }
  }
}

void list_quantities(ClaimTerms& terms) {
  Lister(terms).list();
  for (Quantity& quantity : terms.quantities) {
    if (quantity.moves_with_scrolling()) quantity.scrolled = terms.scrolled;
  }
}

}  // namespace fond_ladder::inline v0::detail
