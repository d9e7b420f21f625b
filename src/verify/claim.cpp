// SPDX-License-Identifier: MIT
//
// A claim at one size. Patterns outside of functions are bound to one node after the other, the same pattern to the
// same node; inside a function a pattern stands for all of its nodes. A node that is named and hidden has no value, and
// a comparison without a value fails; of a pattern, hidden nodes are passed over.
#include "fond_ladder/claim.hpp"

#include <algorithm>
#include <cmath>

#include "verify/claim_terms.hpp"

namespace fond_ladder {
namespace {

using detail::ClaimTerms;
using detail::Link;
using detail::NodeSet;
using detail::Term;
using detail::TermKind;

using Number = std::optional<double>;

class Tester {
 public:
  Tester(const ClaimTerms& terms, const Arrangement& arrangement, const std::vector<std::string>& active)
      : terms_(terms), arrangement_(arrangement), active_(active), bound_(terms.sets.size()) {
    for (std::size_t i = 0; i < terms.sets.size(); ++i) bound_[i] = terms.sets[i].nodes.front();
  }

  Claim::Outcome test() {
    Claim::Outcome outcome;
    for_each_binding(terms_.bound, [&] {
      if (terms_.when && !holds(*terms_.when)) return;
      outcome.tested = true;
      off_ = 0;
      if (holds(terms_.claim)) return;
      if (!outcome.holds && off_ <= outcome.off) return;
      outcome.holds = false;
      outcome.off = off_;
      outcome.values.clear();
      list_values(terms_.claim, outcome.values);
    });
    return outcome;
  }

 private:
  /// Calls `each` for every choice of one node from each set; hidden nodes of patterns are passed over.
  template <class Each>
  void for_each_binding(const std::vector<std::size_t>& sets, const Each& each) {
    const std::vector<NodeId> before = bound_;
    std::vector<std::size_t> at(sets.size());
    for (;;) {
      bool placed = true;
      for (std::size_t i = 0; i < sets.size(); ++i) {
        bound_[sets[i]] = terms_.sets[sets[i]].nodes[at[i]];
        placed = placed && arrangement_.is_placed(bound_[sets[i]]);
      }
      if (placed) each();
      std::size_t i = 0;
      while (i < sets.size() && ++at[i] == terms_.sets[sets[i]].nodes.size()) at[i++] = 0;
      if (i == sets.size()) break;
    }
    bound_ = before;
  }

  // --- conditions --------------------------------------------------------------------------------------------------

  bool holds(const Term& term) {
    const auto part_holds = [&](const Term& part) { return holds(part); };
    switch (term.kind) {
      case TermKind::any_of: return std::ranges::any_of(term.parts, part_holds);
      case TermKind::all_of: return std::ranges::all_of(term.parts, part_holds);
      case TermKind::negated: return !holds(term.parts[0]);
      case TermKind::condition: return std::ranges::find(active_, term.text) != active_.end();
      case TermKind::chain: return chain_holds(term);
      case TermKind::ratio: return ratio_holds(term);
      case TermKind::same: return same_holds(term);
      case TermKind::enclosed: return enclosed_holds(nodes_of(term.parts[0]), nodes_of(term.parts[1]));
      case TermKind::apart: return apart_holds(term);
      case TermKind::uncut:
      case TermKind::shown:
        return std::ranges::all_of(term.parts, [&](const Term& part) {
          return term.kind == TermKind::uncut ? uncut_holds(nodes_of(part)) : shown_holds(nodes_of(part));
        });
      default: return false;
    }
  }

  /// Sides that are made of the container and numbers only compare exactly.
  static bool is_exact(const Term& term) {
    if (term.kind == TermKind::quantity || term.kind == TermKind::nodes) return false;
    return std::ranges::all_of(term.parts, is_exact);
  }

  bool chain_holds(const Term& term) {
    bool all = true;
    for (std::size_t i = 0; i < term.links.size(); ++i) {
      const Number a = value(term.parts[i]), b = value(term.parts[i + 1]);
      const double give = is_exact(term.parts[i]) && is_exact(term.parts[i + 1]) ? 0 : terms_.give;
      if (!a || !b) {
        all = false;
      } else {
        all = link_holds(term.links[i], *a, *b, give) && all;
      }
    }
    return all;
  }

  bool link_holds(Link link, double a, double b, double give) {
    const double over = a - b;
    const auto is_so = [&] {
      switch (link) {
        case Link::equal: return std::abs(over) <= give;
        case Link::less: return over < -give;
        case Link::at_most: return over <= give;
        case Link::more: return over > give;
        case Link::at_least: return over >= -give;
      }
      return false;
    }();
    if (!is_so) off_ = std::max(off_, std::abs(over));
    return is_so;
  }

  bool ratio_holds(const Term& term) {
    double sizes = 0, parts = 0;
    std::vector<double> values;
    for (std::size_t i = 0; i < term.parts.size(); ++i) {
      const Number size = value(term.parts[i]);
      if (!size) return false;
      values.push_back(*size);
      sizes += *size;
      parts += term.numbers[i];
    }
    bool all = true;
    for (std::size_t i = 0; i < values.size(); ++i) {
      const double off = std::abs(values[i] - (parts > 0 ? sizes * term.numbers[i] / parts : 0));
      if (off <= terms_.give) continue;
      off_ = std::max(off_, off);
      all = false;
    }
    return all;
  }

  bool same_holds(const Term& term) {
    const std::optional<std::vector<double>> all = listed(term);
    if (!all) return false;
    if (all->empty()) return true;
    const auto [least, most] = std::ranges::minmax(*all);
    if (most - least <= terms_.give) return true;
    off_ = std::max(off_, most - least);
    return false;
  }

  bool enclosed_holds(const std::optional<std::vector<NodeId>>& inner,
                      const std::optional<std::vector<NodeId>>& outer) {
    if (!inner || !outer) return false;
    for (const NodeId a : *inner) {
      for (const NodeId b : *outer) {
        const Rect in = arrangement_.box(a), out = arrangement_.box(b);
        const double off = std::max({out.x - in.x, out.y - in.y, in.right() - out.right(), in.bottom() - out.bottom()});
        if (off > terms_.give) off_ = std::max(off_, off);
        if (off > terms_.give) return false;
      }
    }
    return true;
  }

  bool apart_holds(const Term& term) {
    std::vector<NodeId> all;
    for (const Term& part : term.parts) {
      const auto some = nodes_of(part);
      if (!some) return false;
      all.insert(all.end(), some->begin(), some->end());
    }
    for (std::size_t i = 0; i < all.size(); ++i) {
      for (std::size_t k = i + 1; k < all.size(); ++k) {
        const Rect a = arrangement_.box(all[i]), b = arrangement_.box(all[k]);
        const double wide = std::min(a.right(), b.right()) - std::max(a.x, b.x),
                     high = std::min(a.bottom(), b.bottom()) - std::max(a.y, b.y);
        if (std::min(wide, high) <= terms_.give) continue;
        off_ = std::max(off_, std::min(wide, high));
        return false;
      }
    }
    return true;
  }

  bool uncut_holds(const std::optional<std::vector<NodeId>>& nodes) {
    if (!nodes) return false;
    bool all = true;
    std::vector<NodeId> open = *nodes;
    while (!open.empty()) {
      const NodeId node = open.back();
      open.pop_back();
      const double cut = value_of({node, Measure::cut, ""}, arrangement_).value_or(0);
      if (cut > terms_.give) {
        off_ = std::max(off_, cut);
        all = false;
      }
      for (const NodeId child : arrangement_.tree().children(node)) open.push_back(child);
    }
    return all;
  }

  bool shown_holds(const std::optional<std::vector<NodeId>>& nodes) const {
    if (!nodes) return false;
    return std::ranges::all_of(*nodes, [&](NodeId node) {
      return value_of({node, Measure::shown, ""}, arrangement_) == 1.0;
    });
  }

  // --- numbers -----------------------------------------------------------------------------------------------------

  Number value(const Term& term) {
    switch (term.kind) {
      case TermKind::number: return term.number;
      case TermKind::quantity: return value_of({bound_[term.set], term.measure, ""}, arrangement_);
      case TermKind::container_width: return arrangement_.container().width;
      case TermKind::container_height: return arrangement_.container().height;
      case TermKind::minus_sign: {
        const Number inner = value(term.parts[0]);
        return inner ? Number(-*inner) : inner;
      }
      case TermKind::plus:
      case TermKind::minus:
      case TermKind::times:
      case TermKind::divided: return of_both(term.kind, value(term.parts[0]), value(term.parts[1]));
      case TermKind::sum_of:
      case TermKind::least_of:
      case TermKind::most_of: return folded(term);
      case TermKind::count_of: {
        const NodeSet& set = terms_.sets[term.parts[0].set];
        return static_cast<double>(
            std::ranges::count_if(set.nodes, [&](NodeId node) { return arrangement_.is_placed(node); }));
      }
      default: return {};
    }
  }

  static Number of_both(TermKind kind, const Number& a, const Number& b) {
    if (!a || !b) return {};
    switch (kind) {
      case TermKind::plus: return *a + *b;
      case TermKind::minus: return *a - *b;
      case TermKind::times: return *a * *b;
      default: return *b == 0 ? Number() : Number(*a / *b);
    }
  }

  Number folded(const Term& term) {
    const std::optional<std::vector<double>> all = listed(term);
    if (!all) return {};
    if (term.kind == TermKind::sum_of) {
      double sum = 0;
      for (const double one : *all) sum += one;
      return sum;
    }
    if (all->empty()) return {};
    return term.kind == TermKind::least_of ? std::ranges::min(*all) : std::ranges::max(*all);
  }

  static void list_sets(const Term& term, const std::vector<NodeSet>& sets, std::vector<std::size_t>& found) {
    const bool many = term.kind == TermKind::quantity && sets[term.set].many;
    if (many && std::ranges::find(found, term.set) == found.end()) found.push_back(term.set);
    for (const Term& part : term.parts) list_sets(part, sets, found);
  }

  /// The numbers of a function's arguments, those of a pattern node by node; none when one that is named has no value.
  std::optional<std::vector<double>> listed(const Term& function) {
    std::vector<double> all;
    bool complete = true;
    for (const Term& part : function.parts) {
      std::vector<std::size_t> sets;
      list_sets(part, terms_.sets, sets);
      for_each_binding(sets, [&] {
        if (const Number number = value(part)) {
          all.push_back(*number);
        } else {
          complete = false;
        }
      });
    }
    if (!complete) return {};
    return all;
  }

  /// The nodes of an argument; none when it names one that is hidden.
  [[nodiscard]] std::optional<std::vector<NodeId>> nodes_of(const Term& term) const {
    const NodeSet& set = terms_.sets[term.set];
    std::vector<NodeId> placed;
    for (const NodeId node : set.nodes) {
      if (arrangement_.is_placed(node)) {
        placed.push_back(node);
      } else if (!set.many) {
        return {};
      }
    }
    return placed;
  }

  void list_values(const Term& term, std::vector<std::pair<std::string, Number>>& values) {
    constexpr std::size_t most = 8;
    if (values.size() == most) return;
    const Tree& tree = arrangement_.tree();
    if (term.kind == TermKind::quantity) {
      const std::string measure = term.text.substr(term.text.rfind('.'));
      const bool is_list =
          terms_.sets[term.set].many && std::ranges::find(terms_.bound, term.set) == terms_.bound.end();
      for (const NodeId node : is_list ? terms_.sets[term.set].nodes : std::vector<NodeId>{bound_[term.set]}) {
        const std::string name = tree.tail(node) + measure;
        if (values.size() < most &&
            std::ranges::find(values, name, &std::pair<std::string, Number>::first) == values.end()) {
          values.emplace_back(name, value_of({node, term.measure, ""}, arrangement_));
        }
      }
    }
    for (const Term& part : term.parts) list_values(part, values);
  }

  const ClaimTerms& terms_;
  const Arrangement& arrangement_;
  const std::vector<std::string>& active_;
  std::vector<NodeId> bound_;  // by set
  double off_ = 0;
};

/// What a claim's turns are looked for in: its quantities, edges of the nodes that its functions are about, and for
/// `uncut` what sticks out of anything inside.
void list_quantities(const Term& term, const Tree& tree, const ClaimTerms& terms, std::vector<Quantity>& all) {
  const auto add = [&](NodeId node, Measure measure) {
    const auto is_it = [&](const Quantity& one) { return one.node == node && one.measure == measure; };
    if (std::ranges::none_of(all, is_it)) all.push_back({node, measure, ""});
  };
  if (term.kind == TermKind::uncut) {
    std::vector<NodeId> open;
    for (const Term& part : term.parts) {
      const auto& nodes = terms.sets[part.set].nodes;
      open.insert(open.end(), nodes.begin(), nodes.end());
    }
    constexpr std::size_t most_watched = 1000;  // of larger parts whole sizes must do
    while (!open.empty() && all.size() < most_watched) {
      const NodeId node = open.back();
      open.pop_back();
      add(node, Measure::cut);
      for (const NodeId child : tree.children(node)) open.push_back(child);
    }
    return;
  }
  if (term.kind == TermKind::quantity) {
    for (const NodeId node : terms.sets[term.set].nodes) add(node, term.measure);
  }
  if (term.kind == TermKind::nodes) {
    for (const NodeId node : terms.sets[term.set].nodes) {
      for (const Measure measure : {Measure::left, Measure::right, Measure::top, Measure::bottom, Measure::cut})
        add(node, measure);
    }
  }
  for (const Term& part : term.parts) list_quantities(part, tree, terms, all);
}

}  // namespace

Claim::Claim(const Scene& scene, std::string_view text) : text_(text) {
  auto terms = std::make_shared<ClaimTerms>(detail::parse_claim(scene, text));
  list_quantities(terms->claim, scene.tree, *terms, quantities_);
  if (terms->when) list_quantities(*terms->when, scene.tree, *terms, quantities_);
  terms_ = std::move(terms);
}

Claim::Outcome Claim::test(const Arrangement& arrangement, const std::vector<std::string>& active) const {
  return Tester(*terms_, arrangement, active).test();
}

}  // namespace fond_ladder
