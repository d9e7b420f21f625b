// SPDX-License-Identifier: MIT
#pragma once

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
[[nodiscard]] std::vector<std::string> suggest(const std::vector<Variant>& variants);

}  // namespace v0
}  // namespace fond_ladder
