// SPDX-License-Identifier: MIT
#pragma once

// Whom ties lead to.

#include <string>
#include <string_view>
#include <vector>

#include "model/tree_store.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

/// The end of its axis that a side is at; `mirrored` for right-to-left.
enum class End : std::uint8_t { before, middle, after };
[[nodiscard]] End end_of(PinSide side, bool mirrored);
/// Whether what is added to an edge goes the other way: along the reading direction, which is right-to-left.
[[nodiscard]] inline bool counts_backwards(PinSide edge, bool mirrored) {
  return mirrored && (edge == PinSide::start || edge == PinSide::end);
}

/// The child of a container that a tie names; `no_index` for none.
[[nodiscard]] Index sibling_of(const TreeStore& store, Index container, const Tie& tie);

/// A tie that cannot be followed: the side is at the edge of the parent instead.
struct LooseTie {
  Index child = no_index, tie = 0;  ///< its place in the pin
  enum class Why : std::uint8_t { nobody, hidden, late, circle } why = Why::nobody;
};
/// Those of the children of a container, as passes find them.
[[nodiscard]] std::vector<LooseTie> loose_ties(const View& view, const TreeStore& store, Index container);
/// Why, of a tie that leads to a sibling of that name.
[[nodiscard]] std::string loose_tie_words(LooseTie::Why why, std::string_view sibling);

/// Whether a container places its flow horizontally only after those who are tied to it: a wrapping column.
[[nodiscard]] inline bool places_late(const Traits& container) {
  return container.node_kind() == Kind::column && container.wrap;
}

}  // namespace fond_ladder::inline v0::detail
