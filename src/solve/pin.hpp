// SPDX-License-Identifier: MIT
#pragma once

// Whom ties lead to.

#include <string>
#include <string_view>
#include <vector>

#include "model/tree_store.hpp"
#include "solve/frame.hpp"

namespace fond_ladder::inline v0::detail {

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

/// Whether a container places its flow on an axis only after those who are tied to it: across a wrapping column.
template <Axis axis>
[[nodiscard]] bool places_late(const Traits& container) {
  return axis == x_axis && container.node_kind() == Kind::column && container.wrap;
}

}  // namespace fond_ladder::inline v0::detail
