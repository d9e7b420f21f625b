// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/version.hpp"
#include "model/tree_store.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace detail {

/// The last step of a node's path: its name, or its kind and its place among its siblings, as in `row#0`.
[[nodiscard]] std::string step_of(const TreeStore& store, Index node);
/// The same where the place is known.
[[nodiscard]] std::string step_at(const TreeStore& store, Index node, std::size_t place);

/// Refuses a tree whose full paths together would be longer than anyone reads; on n levels they take n times n
/// letters. Throws BadValue. Costs the number of nodes.
void require_short_paths(const TreeStore& store);

/// The nodes whose path ends in `path`, at most `most` of them, unordered; a node whose full path it is comes alone.
[[nodiscard]] std::vector<Index> find_path(const TreeStore& store, std::string_view path, std::size_t most);

/// Brings nodes into the order of the file. Costs the depth of each.
void sort_by_place(const TreeStore& store, std::vector<Index>& nodes);

}  // namespace detail
}  // namespace v0
}  // namespace fond_ladder
