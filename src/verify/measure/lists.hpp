// SPDX-License-Identifier: MIT
#pragma once

// Which quantities hang on what is in view of a list (`virtualized`): such a list has other entries at every size, so
// nothing about them is proved; all around it is arranged by its first entry alone, and is, as that entry is.

#include <optional>
#include <string>
#include <string_view>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/tree.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Whether a tree has lists of which only what is in view is arranged, in any of its forms.
[[nodiscard]] bool has_lists(const Tree& tree);
/// Whether a node is in such a list.
[[nodiscard]] bool lies_in_list(const Tree& tree, NodeId node);
/// A path or pattern with the first entry of a list in the place of each that its children do not reach up to, as
/// `list/entry[0]/title` of `list/entry[7]/title`; none if there is no such entry.
[[nodiscard]] std::optional<std::string> with_first_entries(const Tree& tree, std::string_view pattern);
/// The node of a path; for an entry that is not arranged the first one, which has the same settings. Throws BadPath.
[[nodiscard]] NodeId node_as_written(const Tree& tree, std::string_view path);
/// Whether a quantity is another one when other entries are in view: those of the first entry are not, for it is always
/// arranged. To be asked where there are lists at all.
[[nodiscard]] bool hangs_on_entries(const Tree& tree, const Quantity& quantity);

}  // namespace v0
}  // namespace fond_ladder
