// SPDX-License-Identifier: MIT
#pragma once

// A claim at one size, written once for all kinds of numbers: in pixels it returns whether it holds there, in
// numbers in motion also up to where it goes on to hold, or to fail.
//
// Patterns outside of functions are bound to one node after the other, the same pattern to the same node; inside a
// function a pattern means all of its nodes. A node that is named and hidden has no value, and a comparison
// without a value fails; of a pattern, hidden nodes are passed over.

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "solve/numbers/number.hpp"
#include "verify/claims/claim_terms.hpp"
#include "verify/claims/worst_crossing.hpp"

namespace fond_ladder::inline v0::detail {

/// The nodes of each set. Most claims have few sets, and need no memory of their own for it.
class Bindings {
 public:
  explicit Bindings(std::size_t sets) {
    if (sets > few_.size()) many_.resize(sets);
  }
  std::size_t& operator[](std::size_t set) { return many_.empty() ? few_[set] : many_[set]; }
  const std::size_t& operator[](std::size_t set) const { return many_.empty() ? few_[set] : many_[set]; }

 private:
  std::array<std::size_t, 8> few_{};
  std::vector<std::size_t> many_;
};

/// What was measured at a size, and the names of ranges that hold and modes that are on.
template <class N>
struct MeasuredOf {
  N width, height;  // of the container
  std::span<const std::optional<N>> values;
  std::span<const std::string> active;
};

template <class N>
class Tester {
 public:
  using Number = std::optional<N>;
  Tester(const ClaimTerms& terms, const MeasuredOf<N>& container_size) : Tester(terms, container_size, terms.within) {}
  /// `fit_tolerance`: in pixels, instead of that of the claim.
  Tester(const ClaimTerms& terms, const MeasuredOf<N>& container_size, double within)
      : terms_(terms), container_size_(container_size), within_(within), bound_(terms.sets.size()) {}

  Claim::Outcome test() {
    Claim::Outcome outcome;
    for_each_binding(terms_.bound, [&] {
      if (terms_.when && !holds(*terms_.when)) return;
      off_ = 0;
      says_anything_ = false;
      const bool kept = holds(terms_.claim);
      outcome.tested = outcome.tested || says_anything_;
      if (kept) return;
      if (!outcome.holds && off_ <= outcome.off) return;
      outcome.holds = false;
      outcome.off = off_;
    });
    return outcome;
  }

  /// What is behind the worst failure.
  Claim::Blamed blamed() {
    Claim::Blamed found;
    double worst = -1;
    for_each_binding(terms_.bound, [&] {
      if (terms_.when && !holds(*terms_.when)) return;
      off_ = 0;
      if (holds(terms_.claim) || off_ <= worst) return;
      worst = off_;
      found = {};
      blame(terms_.claim, found);
    });
    return found;
  }

 private:
  [[nodiscard]] const Number& at(std::size_t slot) const { return container_size_.values[slot]; }

  /// Calls `each_child` for every choice of one node from each set, in which words that two patterns begin with mean
  /// the same node; hidden nodes of patterns are passed over. The first set changes fastest.
  template <class Each>
  void for_each_binding(std::span<const std::size_t> sets, const Each& each) {
    bind(sets, sets.size(), each);
  }
  /// The same, those of `sets` being chosen that stand behind the first `open`.
  template <class Each>
  void bind(std::span<const std::size_t> sets, std::size_t open, const Each& each) {
    if (open == 0) return each();
    const std::size_t set = sets[open - 1];
    std::size_t place = 0, end = terms_.sets[set].nodes.size();
    for (const std::size_t chosen : sets.subspan(open)) {
      for (const SharedStart& shared : terms_.shared_starts) {
        const SharedStart::Side* side = shared.side(set, chosen);
        if (side == nullptr) continue;
        const auto here = side->places.find(shared.side(chosen, set)->starts[bound_[chosen]]);
        if (here == side->places.end()) return;
        place = std::max(place, here->second.first);
        end = std::min(end, here->second.second);
      }
    }
    for (; place < end; ++place) {
      bound_[set] = place;
      if (at(terms_.sets[set].placed[place])) bind(sets, open - 1, each);
    }
  }

  // --- conditions --------------------------------------------------------------------------------------------------

  bool holds(const Term& term) {
    const auto part_holds = [&](const Term& part) { return holds(part); };
    switch (term.kind) {
      case TermKind::any_of: return std::ranges::any_of(term.parts, part_holds);
      case TermKind::all_of: return std::ranges::all_of(term.parts, part_holds);
      case TermKind::negated: return !holds(term.parts[0]);
      case TermKind::condition:
        says_anything_ = true;
        return std::ranges::find(container_size_.active, term.text) != container_size_.active.end();
      case TermKind::node_range: says_anything_ = true; return is_one(at(slot_of(term)));
      case TermKind::chain: return chain_holds(term);
      case TermKind::ratio: return ratio_holds(term);
      case TermKind::same: return same_holds(term);
      case TermKind::inside_of:
      case TermKind::apart: return nothing_crosses(term);
      case TermKind::fits: return all_hold(term, [&](std::size_t slot) { return fits_holds(slot); });
      case TermKind::reachable:
      case TermKind::in_view: {
        std::size_t invisible = 0;
        const bool all = all_hold(term, [&](std::size_t slot) {
          const bool is_seen = is_one(at(slot));
          invisible += is_seen ? 0 : 1;
          return is_seen;
        });
        note_off(N(static_cast<double>(invisible)));
        return all;
      }
      default: return false;
    }
  }

  bool chain_holds(const Term& term) {
    says_anything_ = true;
    bool all = true;
    for (std::size_t i = 0; i < term.links.size(); ++i) {
      const Number a = value(term.parts[i]), b = value(term.parts[i + 1]);
      const double within = term.parts[i].exact && term.parts[i + 1].exact ? 0 : within_;
      if (!a || !b) {
        all = false;
      } else {
        all = link_holds(term.links[i], *a, *b, within) && all;
      }
    }
    return all;
  }

  [[nodiscard]] static bool is_one(const Number& number) { return number && *number == N(1); }

  /// By how much something fails, which decides nothing.
  void note_off(const N& off) { off_ = std::max(off_, std::abs(in_pixels(off))); }

  bool link_holds(Link link, const N& a, const N& b, double within) {
    const N over = a - b;
    const auto is_so = [&] {
      switch (link) {
        case Link::equal: return magnitude(over) <= within;
        case Link::less: return over < -within;
        case Link::at_most: return over <= within;
        case Link::more: return over > within;
        case Link::at_least: return over >= -within;
      }
      return false;
    }();
    if (!is_so) note_off(over);
    return is_so;
  }

  bool ratio_holds(const Term& term) {
    says_anything_ = true;
    N sizes = 0;
    double parts = 0;
    std::vector<N> values;
    for (std::size_t i = 0; i < term.parts.size(); ++i) {
      const Number size = value(term.parts[i]);
      if (!size) return false;
      values.push_back(*size);
      sizes += *size;
      parts += term.numbers[i];
    }
    bool all = true;
    for (std::size_t i = 0; i < values.size(); ++i) {
      const N off = magnitude(values[i] - (parts > 0 ? sizes * term.numbers[i] / parts : N(0)));
      if (off <= within_) continue;
      note_off(off);
      all = false;
    }
    return all;
  }

  bool same_holds(const Term& term) {
    const Fold fold = folded(term);
    says_anything_ = says_anything_ || fold.count > 0 || !fold.complete;
    if (!fold.complete) return false;
    if (fold.count == 0 || fold.most - fold.least <= within_) return true;
    note_off(fold.most - fold.least);
    return false;
  }

  // --- functions of nodes ------------------------------------------------------------------------------------------

  /// Whether an argument names a node that is hidden.
  bool names_hidden(const Term& nodes) {
    const NodeSet& set = terms_.sets[nodes.set];
    const auto is_placed = [&](std::size_t slot) { return at(slot).has_value(); };
    says_anything_ = says_anything_ || !set.many || std::ranges::any_of(set.placed, is_placed);
    return !set.many && !is_placed(set.placed[0]);
  }

  template <class Holds>
  bool all_hold(const Term& function, const Holds& slot_holds) {
    bool all = true;
    for (const Term& part : function.parts) {
      if (names_hidden(part)) return false;
      const NodeSet& set = terms_.sets[part.set];
      for (std::size_t i = 0; i < part.slots.size(); ++i) {
        if (!at(set.placed[i])) continue;
        all = slot_holds(part.slots[i]) && all;
      }
    }
    return all;
  }

  bool fits_holds(std::size_t slot) {
    const N overhang = at(slot).value_or(N(0));
    if (overhang <= within_) return true;
    note_off(overhang);
    return false;
  }

  using Outline = OutlineOf<N>;
  [[nodiscard]] std::vector<Outline> edges_of(const Term& function) const {
    std::vector<Outline> all;
    all.reserve(function.parts.size());
    for (std::size_t part = 0; part < function.parts.size(); ++part) {
      const std::vector<std::size_t>& slots = function.parts[part].slots;
      for (std::size_t i = 0; i < slots.size(); i += edges_asked.size()) {
        const auto edge = [&](std::size_t k) { return at(slots[i + k]); };
        if (edge(0)) all.push_back({{*edge(0), *edge(1), *edge(2), *edge(3)}, &slots[i], part});
      }
    }
    return all;
  }

  /// Of all pairs that `inside_of` or `apart` is about; `apart` of those that go over one another by more than the
  /// give.
  [[nodiscard]] WorstCrossingOf<N> worst_crossing(const Term& function) const {
    const std::vector<Outline> all = edges_of(function);
    return function.kind == TermKind::inside_of ? worst_sticking_out<N>(all) : worst_overlap<N>(all, within_);
  }

  bool nothing_crosses(const Term& function) {
    for (const Term& part : function.parts) {
      if (names_hidden(part)) return false;
    }
    const N by = worst_crossing(function).by;
    if (by <= within_) return true;
    note_off(by);
    return false;
  }

  // --- numbers -----------------------------------------------------------------------------------------------------

  [[nodiscard]] std::size_t slot_of(const Term& quantity) const { return quantity.slots[bound_[quantity.set]]; }

  Number value(const Term& term) {
    switch (term.kind) {
      case TermKind::number: return N(term.number);
      case TermKind::quantity: return at(slot_of(term));
      case TermKind::container_width: return container_size_.width;
      case TermKind::container_height: return container_size_.height;
      case TermKind::minus_sign: {
        const Number inner = value(term.parts[0]);
        return inner ? Number(-*inner) : inner;
      }
      case TermKind::plus:
      case TermKind::minus:
      case TermKind::times:
      case TermKind::divided: return of_both(term.kind, value(term.parts[0]), value(term.parts[1]));
      case TermKind::sum_of:
      case TermKind::min_of:
      case TermKind::max_of: {
        const Fold fold = folded(term);
        if (!fold.complete) return {};
        if (term.kind == TermKind::sum_of) return fold.sum;
        if (fold.count == 0) return {};
        return term.kind == TermKind::min_of ? fold.least : fold.most;
      }
      case TermKind::count_of:
        return N(static_cast<double>(std::ranges::count_if(terms_.sets[term.parts[0].set].placed,
                                                           [&](std::size_t slot) { return at(slot).has_value(); })));
      default: return {};
    }
  }

  static Number of_both(TermKind kind, const Number& a, const Number& b) {
    if (!a || !b) return {};
    switch (kind) {
      case TermKind::plus: return *a + *b;
      case TermKind::minus: return *a - *b;
      case TermKind::times: return *a * *b;
      default: return *b == N(0) ? Number() : Number(*a / *b);
    }
  }

  /// The numbers of a function's arguments, those of a pattern node by node.
  struct Fold {
    N sum = 0, least = 0, most = 0;
    std::size_t count = 0;
    bool complete = true;  // false: one that is named has no value
  };
  Fold folded(const Term& function) {
    Fold fold;
    for (const Term& part : function.parts) {
      const Bindings before = bound_;
      for_each_binding(part.many, [&] {
        const Number number = value(part);
        if (!number) {
          fold.complete = false;
          return;
        }
        fold.least = fold.count == 0 ? *number : min_of(fold.least, *number);
        fold.most = fold.count == 0 ? *number : max_of(fold.most, *number);
        fold.sum += *number;
        ++fold.count;
      });
      bound_ = before;
    }
    return fold;
  }

  [[nodiscard]] static std::optional<double> reported(const Number& number) {
    return number ? std::optional(in_pixels(*number)) : std::nullopt;
  }

  // --- what is behind a failure ------------------------------------------------------------------------------------

  static void add(std::size_t slot, Claim::Blamed& found) {
    constexpr std::size_t most = 8;
    std::vector<std::size_t>& all = found.quantities;
    if (all.size() < most && std::ranges::find(all, slot) == all.end()) all.push_back(slot);
  }

  void blame(const Term& term, Claim::Blamed& found) {
    switch (term.kind) {
      case TermKind::quantity: {
        const bool is_list =
            terms_.sets[term.set].many && std::ranges::find(terms_.bound, term.set) == terms_.bound.end();
        if (!is_list) return add(slot_of(term), found);
        for (const std::size_t slot : term.slots) add(slot, found);
        return;
      }
      case TermKind::node_range: return add(slot_of(term), found);
      case TermKind::all_of:
        for (const Term& part : term.parts) {
          if (!holds(part)) blame(part, found);
        }
        return;
      case TermKind::fits:
      case TermKind::reachable:
      case TermKind::in_view:
        for (const Term& part : term.parts) {
          for (const std::size_t slot : part.slots) {
            if (term.kind == TermKind::fits ? at(slot).value_or(N(0)) > within_ : !is_one(at(slot))) add(slot, found);
          }
        }
        return;
      case TermKind::inside_of:
      case TermKind::apart: {
        const WorstCrossingOf<N> worst = worst_crossing(term);
        if (worst.by <= within_) return;
        add(worst.first, found);
        add(worst.second, found);
        return;
      }
      case TermKind::count_of: found.folds.emplace_back(term.text, reported(value(term))); return;
      case TermKind::sum_of:
      case TermKind::min_of:
      case TermKind::max_of:
        found.folds.emplace_back(term.text, reported(value(term)));
        for (const Term& part : term.parts) blame(part, found);
        return;
      default:
        for (const Term& part : term.parts) blame(part, found);
    }
  }

  const ClaimTerms& terms_;
  MeasuredOf<N> container_size_;
  double within_;
  Bindings bound_;  // by set
  double off_ = 0;
  bool says_anything_ = false;  // false while all it was asked about are functions of nodes that are all hidden
};

}  // namespace fond_ladder::inline v0::detail
