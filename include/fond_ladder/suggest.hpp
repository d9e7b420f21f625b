// SPDX-License-Identifier: MIT
#pragma once

// Claims that a scene satisfies now and that look intended, to start a list of claims with.

#include <string>
#include <vector>

#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Claims that hold now over the whole ladder, in every variant, and look meant: sizes that stay while their parent's
/// change, siblings that stay equal or in the ratio of their weights, children that keep their order, things that keep
/// to an edge or inside, nothing cut. Shortest first, at most 40, none that the scene already has. What holds only
/// while some range does (or does not) is said with that condition. Throws as check does.
/// With `about` only claims that speak of one of these nodes of the first variant, or of something in one; empty: all.
[[nodiscard]] std::vector<std::string> suggest(const std::vector<Variant>& variants,
                                               const std::vector<NodeId>& about = {});

}  // namespace v0
}  // namespace fond_ladder
