// SPDX-License-Identifier: MIT
#pragma once

// A claim as a tree of terms. The parser builds it, the tester walks it. What it has to know at a size is a list of
// quantities: terms point to places in that list, so that a test is arithmetic on a list of values.

#include <array>
#include <map>
#include <memory>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0::detail {

enum class TermKind : unsigned char {
  // conditions
  any_of,
  all_of,
  negated,
  condition,   // a range or a mode
  node_range,  // of a node, as `card.tight`
  chain,       // sums and the links between them
  ratio,       // sums, then the numbers they stand to each other in
  same,
  inside_of,
  apart,
  fits,
  reachable,
  in_view,
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
  min_of,
  max_of,
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
  std::string text;  // of a condition; a node range by its name alone; a quantity, or a number of many, as written
  std::vector<Link> links;        // of a chain
  std::vector<double> numbers;    // of a ratio
  std::vector<std::size_t> many;  // sets with a star in it, of an argument of a function that is a sum
  bool exact = false;             // made of the container and numbers only
  // Places in the list of quantities: of a quantity one a node of its set; of an argument that is nodes left, right,
  // top and bottom of each, or whether it is seen, or the largest overhang in it.
  std::vector<std::size_t> slots;
};

/// Nodes that a claim names by the same words.
struct NodeSet {
  std::string pattern;
  std::vector<NodeId> nodes;
  bool many = false;                  // written with a star: hidden ones are passed over
  std::vector<std::size_t> placed{};  // places of quantities that only placed nodes have, one a node
};

/// Two sets whose patterns begin with the same words up to a star, as `cards/*` and `cards/*/button`: these words mean
/// the same node in both.
struct SharedStart {
  /// One of the two.
  struct Side {
    std::size_t set = 0;
    std::vector<NodeId> starts{};  ///< one a node of the set: the node that the common words stand for
    /// Between which places of the set the nodes of each start stand, the last one behind them.
    std::map<NodeId, std::pair<std::size_t, std::size_t>> places{};
  };
  Side first, second;

  /// The side of a set, where the other one is that of another set; null where they are others.
  [[nodiscard]] const Side* side(std::size_t set, std::size_t other) const {
    if (first.set == set && second.set == other) return &first;
    return second.set == set && first.set == other ? &second : nullptr;
  }
};

struct ClaimTerms {
  Term claim{TermKind::any_of};
  std::optional<Term> when;
  double within = fond_ladder::fit_tolerance;  // pixels
  bool has_within = false;                     // by the author; else it is for rounding, and no edge depends on it
  std::vector<Solution::ScrolledTo> scrolled;  // where scrollers are then
  std::vector<NodeSet> sets;
  std::vector<std::size_t> bound;  // sets with a star outside of functions: the claim is about each of their nodes
  std::vector<SharedStart> shared_starts;
  std::vector<Quantity> quantities;
  bool of_entries = false;  // it refers to entries of a list `virtualized`, by a star or by a number
};

/// The edges that an argument of `inside_of` and `apart` asks for, in this order.
constexpr std::array<Measure, 4> edges_asked{Measure::left, Measure::right, Measure::top, Measure::bottom};

/// What an entry of a list that is not arranged is for the reader of a claim: one that will be when it is in view,
/// represented by the first; or no node.
enum class Entries : unsigned char { stand_in, as_arranged };
/// Throws BadClaim.
[[nodiscard]] ClaimTerms parse_claim(const Scene& scene, std::string_view text, Entries entries = Entries::stand_in);

/// The same with all that a test of it needs: what it has to know, and which sets begin alike.
[[nodiscard]] std::shared_ptr<const ClaimTerms> read_claim(const Scene& scene, std::string_view text,
                                                           Entries entries = Entries::stand_in);

/// Lists what a claim has to know, and points its terms to it.
void list_quantities(ClaimTerms& terms);

/// Refuses a claim that is about more choices or pairs of nodes than can be tested. Throws BadClaim.
void require_testable(const ClaimTerms& terms, const Tree& tree);

/// Finds which sets begin with the same words.
void find_shared_starts(ClaimTerms& terms, const Tree& tree);

}  // namespace fond_ladder::inline v0::detail
