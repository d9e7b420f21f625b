// SPDX-License-Identifier: MIT
#pragma once

// Reads the words of an edit. All functions throw BadEdit for words that cannot be read.

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/edit.hpp"

namespace fond_ladder::inline v0::scene {

/// `beds.padding.left=4`
struct SetWords {
  std::vector<std::string> steps;  ///< at least one
  std::string value;               ///< as typed
};
/// `example` is shown where it is missing what it needs.
[[nodiscard]] SetWords set_text_metrics(const Edit& edit, const std::string& example);

/// `A,B` as `A` and `B`.
[[nodiscard]] std::vector<std::string> split_nodes(const std::string& text);

/// `A,B=CONTAINER:PLACE`, or `CONTAINER:PLACE=NODE IN JSON`; without a place behind all others.
struct PlaceWords {
  std::vector<std::string> what;  ///< the nodes, or the JSON
  std::string container;
  std::optional<std::size_t> place;
};
[[nodiscard]] PlaceWords move_words(const Edit& edit);
[[nodiscard]] PlaceWords add_words(const Edit& edit);

/// `A,B=KIND:NAME`
struct GroupWords {
  std::vector<std::string> nodes;
  std::string kind;
  std::string name;  ///< empty for none
};
[[nodiscard]] GroupWords group_words(const Edit& edit);

/// `NODE=NAME`, or the node alone
struct DuplicateWords {
  std::string node;
  std::string name;  ///< empty for none
};
[[nodiscard]] DuplicateWords duplicate_words(const Edit& edit);

/// The start of every message about an edit.
[[nodiscard]] inline std::string shown(const Edit& edit) {
  return "\"" + edit.text() + "\": ";
}

}  // namespace fond_ladder::inline v0::scene
