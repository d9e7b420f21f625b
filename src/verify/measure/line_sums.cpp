// SPDX-License-Identifier: MIT
#include "verify/measure/line_sums.hpp"

#include <algorithm>

#include "model/number_text.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::ChildAccount;
using detail::Index;
using detail::LineAccount;

/// What a child counts before anything is shared.
double size_of(const ChildAccount& child) {
  return child.line_item.clamp(child.line_item.base) + child.margin.sum();
}

double sum_up_to(const LineAccount& line, Index last) {
  double sum = 0;
  for (const ChildAccount& child : line.children) {
    sum += (&child == &line.children.front() ? 0 : line.gap) + size_of(child);
    if (child.node == last) break;
  }
  return sum;
}

}  // namespace

std::string line_sum_text(const Tree& tree, const LineAccount& line, Index last) {
  std::string text;
  std::size_t listed = 0, left_out = 0;
  constexpr std::size_t most = 4;
  for (const ChildAccount& child : line.children) {
    const bool first = &child == &line.children.front(), ends = child.node == last;
    if (listed < most || ends) {
      if (left_out > 0) text += " + " + std::to_string(left_out) + " more";
      if (!first && line.gap != 0) text += " + " + rounded(line.gap);
      text += (first ? "" : " + ") + tree.short_path(tree.store().id_of(child.node)) + " " + rounded(size_of(child));
      ++listed;
      left_out = 0;
    } else {
      ++left_out;
    }
    if (ends) break;
  }
  return text + " = " + rounded(sum_up_to(line, last));
}

std::string line_breaks_text(const Solution& solution, NodeId container) {
  const Tree& tree = solution.tree();
  const auto view = detail::view_of(tree, solution.passes());
  const auto lines = detail::line_accounts(view, tree.store().index_of(container));
  if (lines.size() < 2 || lines[1].children.empty()) return "";
  LineAccount first = lines[0];
  const ChildAccount& next = lines[1].children.front();
  first.children.push_back(next);
  const double over = sum_up_to(first, next.node) - first.inner;
  const std::size_t more = lines.size() - 2;
  return tree.short_path(tree.store().id_of(next.node)) + " starts line 2: " + line_sum_text(tree, first, next.node) +
         ", " + rounded(over) + " more than " + rounded(first.inner) +
         (more == 0 ? "" : "; " + std::to_string(more) + (more == 1 ? " more line" : " more lines") + " behind it");
}

}  // namespace fond_ladder::inline v0
