// SPDX-License-Identifier: MIT
#pragma once

// Claims that a scene satisfies now and that look intended, to start a list of claims with.

#include <string>
#include <vector>

#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Returns claims that hold over the whole ladder, in every variant, and look intended: sizes that stay while their
/// parent changes, siblings that stay equal or in the ratio of their weights, children that keep their order, nodes
/// that keep to an edge or inside, no overhang. Shortest first, at most 40, without those of the scene. A claim that
/// holds only while some range does (or does not) gets that condition. Throws as check does. `about`: only claims that
/// name one of these nodes of the first variant, or a descendant; empty: all.
[[nodiscard]] std::vector<std::string> suggest(const std::vector<Variant>& variants,
                                               const std::vector<NodeId>& about = {});

}  // namespace v0
}  // namespace fond_ladder
