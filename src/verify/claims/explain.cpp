// SPDX-License-Identifier: MIT
#include "verify/claims/explain.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/explanation.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/shell_word.hpp"
#include "verify/claims/arranged_claim.hpp"
#include "verify/claims/claim_terms.hpp"
#include "verify/measure/line_sums.hpp"
#include "verify/measure/measuring.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

/// The few nodes in a part that are cut most, the worst first.
std::vector<NodeId> max_overhang_in(const Solution& solution, NodeId part) {
  std::vector<std::pair<double, NodeId>> overhang;
  std::vector<NodeId> open{part};
  while (!open.empty()) {
    const NodeId node = open.back();
    open.pop_back();
    const double by = value_of({node, Measure::overhang, ""}, solution).value_or(0);
    if (by > 0 && !solution.keys(node).allow.overhang()) overhang.emplace_back(by, node);
    const std::vector<NodeId> children = solution.tree().children(node);
    open.insert(open.end(), children.rbegin(), children.rend());
  }
  std::ranges::stable_sort(overhang, std::ranges::greater(), &std::pair<double, NodeId>::first);
  constexpr std::size_t most_named = 3;
  std::vector<NodeId> worst;
  for (std::size_t i = 0; i < std::min(most_named, overhang.size()); ++i) worst.push_back(overhang[i].second);
  return worst;
}

/// The positions of a claim, as `explanation` and `measure` take them.
std::string scrolled_options(const Solution& solution, const Claim& claim) {
  std::string options;
  for (const Solution::ScrolledTo& one : claim.terms().scrolled) {
    const bool both = solution.keys(one.node).scroll == Scroll::both;
    const std::string to = one.y == Solution::scroll_end ? "end" : (both ? exact(one.x) + "," : "") + exact(one.y);
    options += (options.empty() ? "--scrolled " : " --scrolled ") +
               shell_word(solution.tree().short_path(one.node) + "=" + to);
  }
  return options;
}

/// Whether what overhangs or overlaps the padding most does so at the left or the right.
bool is_sideways(const Solution& solution, const Quantity& quantity) {
  const NodeId node = quantity.node;
  const bool overhang = quantity.measure == Measure::overhang;
  const FourSides own = overhang ? solution.overhang(node) : solution.padding_overlap(node),
                  words = overhang ? solution.text_overhang(node) : solution.text_padding_overlap(node);
  return std::max({own.left, own.right, words.left, words.right}) >=
         std::max({own.top, own.bottom, words.top, words.bottom});
}

}  // namespace

/// Calls `look(solution, claim, measured)` with the claim as it is read at a size, and what was measured there.
template <class Look>
bool Explainer::look_at(const ContainerSize& container_size, const Claim& claim, const Look& look) {
  if (speaks_of_entries(scene_, claim)) {
    const ArrangedClaim there = arranged_claim(scene_, claim, solver_, container_size);
    return there.claim && look(there.solution, *there.claim, there.measured());
  }
  const Solution solution = solver_.solve(container_size);
  const Values values = Measuring(claim.quantities())(solution);
  const std::vector<std::string> active = solver_.active(container_size);
  return look(solution, claim, MeasuredSize{solution.container(), values, active});
}

namespace {

bool fails(const Claim& claim, const MeasuredSize& measured) {
  const Claim::Outcome outcome = claim.test(measured);
  return outcome.tested && !outcome.holds;
}

}  // namespace

bool Explainer::fails_at(const ContainerSize& container_size, const Claim& claim) {
  return look_at(container_size, claim, [](const Solution&, const Claim& read, const MeasuredSize& measured) {
    return fails(read, measured);
  });
}

void Explainer::explain(const Claim& claim, std::vector<Failing>& all) {
  if (all.empty()) return;
  for (std::size_t i = 0; i < std::min(limits::most_explained, all.size()); ++i) explain_one(claim, all[i]);
  const auto worst = std::ranges::max_element(all, {}, &Failing::off);
  if (worst - all.begin() >= static_cast<std::ptrdiff_t>(limits::most_explained)) explain_one(claim, *worst);
}

void Explainer::explain_one(const Claim& claim, Failing& failing) {
  if (!failing.heights) {
    if (explain_at({failing.worst.width, failing.height}, claim, failing)) return;
    // Where rounding decides otherwise at that size.
    if (explain_at({(failing.from + failing.to) / 2, failing.height}, claim, failing)) failing.limit = failing.worst;
    return;
  }
  // The worst point of a region is at a corner, if that belongs to it; else as near to it as matters, on an edge or
  // inside.
  const Extent corner = failing.limit, inside = failing.worst;
  constexpr double next_to_an_end = 0.01;
  const auto inward = [](double from, double to) {
    return from == to ? to : from + std::copysign(next_to_an_end, to - from);
  };
  const Extent both{inward(corner.width, inside.width), inward(corner.height, inside.height)};
  for (const Extent& size :
       {corner, Extent{both.width, corner.height}, Extent{corner.width, both.height}, both, inside}) {
    if (explain_at({size.width, size.height}, claim, failing)) return;
  }
}

bool Explainer::explain_at(const ContainerSize& container_size, const Claim& claim, Failing& failing) {
  return look_at(container_size, claim, [&](const Solution& solution, const Claim& read, const MeasuredSize& measured) {
    if (!fails(read, measured)) return false;
    failing.worst = solution.container();
    if (!failing.heights) failing.limit.height = failing.worst.height;
    failing.scrolled = scrolled_options(solution, claim);
    const Claim::Blamed blamed = read.blamed(measured);
    for (const auto& [text, value] : blamed.folds) failing.values.emplace_back(text, value);
    for (const std::size_t slot : blamed.quantities) {
      const Quantity& quantity = read.quantities()[slot];
      if (quantity.measure != Measure::max_overhang) {
        add_values(solution, quantity, failing);
        continue;
      }
      for (const NodeId node : max_overhang_in(solution, quantity.node))
        add_values(solution, {node, Measure::overhang, ""}, failing);
    }
    return true;
  });
}

/// Tells the value of a quantity; of the first one with a place also why.
void Explainer::add_values(const Solution& solution, const Quantity& quantity, Failing& failing) const {
  failing.values.emplace_back(solution.tree().short_path(quantity.node) + "." + std::string(quantity.word()),
                              value_of(quantity, solution));
  if (!failing.node.empty() || !solution.is_placed(quantity.node)) return;
  if (quantity.scrolled.empty()) return account(solution, quantity, failing);
  const Solution there = solution.scrolled(quantity.scrolled);
  account(there, quantity, failing);
  for (const Solution::ScrolledTo& one : quantity.scrolled) {
    const Extent at = there.scroll_position(one.node);
    failing.why +=
        "; " + solution.tree().short_path(one.node) + " is scrolled by " + rounded(at.width > 0 ? at.width : at.height);
    if (at.width > 0 && at.height > 0) failing.why += " and down by " + rounded(at.height);
  }
}

/// Why a row, a column or a text has the lines that it has.
std::string Explainer::why_lines(const Solution& solution, NodeId node) {
  const Kind kind = solution.kind(node);
  if (kind == Kind::text) {
    const auto words = solution.text_lines(node);
    return std::to_string(words.size()) + (words.size() == 1 ? " line" : " lines") + " in " +
           rounded(solution.content_box_size(node).width) + " px";
  }
  if (kind != Kind::row && kind != Kind::column) return "";
  const std::string breaks = line_breaks_text(solution, node);
  return breaks.empty() ? "all children fit on one line" : breaks;
}

void Explainer::account(const Solution& solution, const Quantity& quantity, Failing& failing) const {
  failing.node = solution.tree().short_path(quantity.node);
  const NodeId node = quantity.node;
  const ExplanationStep step = chain_to_root(solution, node).back();
  const std::string wide = rounded(step.width) + " wide: " + step.why_width,
                    high = rounded(step.height) + " high: " + step.why_height;
  const std::string across = why_there(solution, node, x_axis), down = why_there(solution, node, y_axis);
  const auto all = [&](const std::string& first, const std::string& second) {
    failing.why =
        failing.node + (first.empty() ? " is " + second : ": " + first + (second.empty() ? "" : "; " + second));
  };
  switch (quantity.measure) {
    case Measure::width: return all("", wide);
    case Measure::height: return all("", high);
    case Measure::left: return all(across, across.empty() ? wide : "");
    case Measure::top: return all(down, down.empty() ? high : "");
    case Measure::right:
    case Measure::middle_x: return all(across, wide);
    case Measure::bottom:
    case Measure::middle_y:
    case Measure::baseline: return all(down, high);
    case Measure::overhang_left:
    case Measure::overhang_right:
    case Measure::overflow_x: return all(across, wide);
    case Measure::overhang_top:
    case Measure::overhang_bottom:
    case Measure::overflow_y: return all(down, high);
    case Measure::overhang:
    case Measure::padding_overlap: return is_sideways(solution, quantity) ? all(across, wide) : all(down, high);
    case Measure::lines:
    case Measure::per_line: {
      const std::string lines = why_lines(solution, node);
      return all(lines, lines.empty() ? wide + " and " + high : "");
    }
    case Measure::line: {
      const NodeId parent = solution.tree().parent(node);
      const std::string lines = parent ? why_lines(solution, parent) : "";
      return lines.empty() ? all("", wide + " and " + high) : all(lines, "");
    }
    case Measure::reachable:
    case Measure::in_view: return all(across.empty() ? "" : across + "; " + down, wide + " and " + high);
    default: return all("", wide + " and " + high);
  }
}

}  // namespace fond_ladder::inline v0
