// SPDX-License-Identifier: MIT
//
// What a test of a claim costs at one size is known from how many nodes its patterns stand for: each choice of one node
// for each pattern is a test of its own, and in a function that is a sum once more; whether nodes lie apart, in one
// another or behind something may be asked of each pair.
#include <algorithm>

#include "model/limits.hpp"
#include "model/thousands.hpp"
#include "verify/claims/claim_terms.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

class Costs {
 public:
  Costs(const ClaimTerms& terms, const Tree& tree) : terms_(terms), all_(static_cast<double>(tree.size())) {}

  void require_testable() const {
    const double inside = choices_inside(terms_.claim) + (terms_.when ? choices_inside(*terms_.when) : 0);
    const double needed = choices_of(terms_.bound) * std::max(1.0, inside);
    if (needed > limits::most_claimed_choices) {
      throw BadClaim("its stars stand for " + in_thousands(needed) + " combinations of nodes, and the limit is " +
                         in_thousands(limits::most_claimed_choices) + "; name fewer nodes",
                     1);
    }
    refuse_pairs(terms_.claim);
    if (terms_.when) refuse_pairs(*terms_.when);
  }

 private:
  /// Of one node of each set. A set whose pattern begins like that of a later one is counted by the node that these
  /// words mean: `ways` are the combinations of the sets before with each node of a set.
  [[nodiscard]] double choices_of(const std::vector<std::size_t>& sets) const {
    std::vector<std::vector<double>> ways;
    for (const std::size_t set : sets) ways.emplace_back(terms_.sets[set].nodes.size(), 1.0);
    double all = 1;
    for (std::size_t i = 0; i < sets.size(); ++i) {
      if (take_into_later(sets, i, ways)) continue;
      double sum = 0;
      for (const double way : ways[i]) sum += way;
      all *= sum;
    }
    return all;
  }
  [[nodiscard]] bool take_into_later(const std::vector<std::size_t>& sets, std::size_t i,
                                     std::vector<std::vector<double>>& ways) const {
    for (std::size_t later = i + 1; later < sets.size(); ++later) {
      for (const SharedStart& shared : terms_.shared_starts) {
        const SharedStart::Side* side = shared.side(sets[i], sets[later]);
        if (side == nullptr) continue;
        std::map<NodeId, double> under;
        for (std::size_t place = 0; place < ways[i].size(); ++place) under[side->starts[place]] += ways[i][place];
        const std::vector<NodeId>& starts = shared.side(sets[later], sets[i])->starts;
        for (std::size_t place = 0; place < starts.size(); ++place) ways[later][place] *= under[starts[place]];
        return true;
      }
    }
    return false;
  }

  /// Those that functions make in one test.
  [[nodiscard]] double choices_inside(const Term& term) const {
    double sum = 0;
    for (const Term& part : term.parts) sum += choices_inside(part);
    return term.many.empty() ? sum : choices_of(term.many) * std::max(1.0, sum);
  }

  void refuse_pairs(const Term& term) const {
    for (const Term& part : term.parts) refuse_pairs(part);
    const char* function = term.kind == TermKind::apart       ? "apart"
                           : term.kind == TermKind::inside_of ? "inside"
                           : term.kind == TermKind::reachable ? "reachable"
                           : term.kind == TermKind::in_view   ? "in_view"
                                                              : nullptr;
    if (function == nullptr) return;
    double nodes = 0;
    for (const Term& part : term.parts) nodes += static_cast<double>(terms_.sets[part.set].nodes.size());
    const bool of_sight = term.kind == TermKind::reachable || term.kind == TermKind::in_view;
    const double pairs = nodes * (of_sight ? all_ : (nodes - 1) / 2);
    if (pairs <= limits::most_claimed_pairs) return;
    throw BadClaim("\"" + std::string(function) + "\" is about " + in_thousands(pairs) +
                       " pairs of nodes here, and the limit is " + in_thousands(limits::most_claimed_pairs) +
                       "; name fewer nodes",
                   1);
  }

  const ClaimTerms& terms_;
  double all_;
};

}  // namespace

void require_testable(const ClaimTerms& terms, const Tree& tree) {
  Costs(terms, tree).require_testable();
}

}  // namespace fond_ladder::inline v0::detail
