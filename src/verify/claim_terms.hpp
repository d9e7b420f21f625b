// SPDX-License-Identifier: MIT
#pragma once

// A claim as a tree of terms. The parser builds it, the tester walks it.

#include <string>
#include <vector>

#include "fond_ladder/claim.hpp"

namespace fond_ladder::detail {

enum class TermKind : unsigned char {
  // conditions
  any_of,
  all_of,
  negated,
  condition,  // a range or a mode
  chain,      // sums and the links between them
  ratio,      // sums, then the numbers they stand to each other in
  same,
  enclosed,
  apart,
  uncut,
  shown,
  // numbers
  number,
  quantity,
  container_width,
  container_height,
  plus,
  minus,
  times,
  divided,
  minus_sign,
  sum_of,
  least_of,
  most_of,
  count_of,
  // arguments of functions
  nodes,
};

enum class Link : unsigned char { equal, less, at_most, more, at_least };

struct Term {
  explicit Term(TermKind of, std::string written = {}) : kind(of), text(std::move(written)) {}
  TermKind kind;
  std::vector<Term> parts;
  double number = 0;
  std::size_t set = 0;  // of nodes, for quantities and arguments
  Measure measure = Measure::width;
  std::string text;             // of a condition, or a quantity as it was written
  std::vector<Link> links;      // of a chain
  std::vector<double> numbers;  // of a ratio
};

/// Nodes that a claim speaks of in the same words.
struct NodeSet {
  std::string pattern;
  std::vector<NodeId> nodes;
  bool many = false;  // written with a star: hidden ones are passed over
};

struct ClaimTerms {
  Term claim{TermKind::any_of};
  std::optional<Term> when;
  double give = 0.01;  // pixels
  std::vector<NodeSet> sets;
  std::vector<std::size_t> bound;  // sets with a star outside of functions: the claim is about each of their nodes
};

/// Throws BadClaim.
[[nodiscard]] ClaimTerms parse_claim(const Scene& scene, std::string_view text);

}  // namespace fond_ladder::detail
