// SPDX-License-Identifier: MIT
#pragma once

#include <functional>
#include <vector>

#include "fond_ladder/keys.hpp"
#include "model/key_table.hpp"

namespace fond_ladder {

/// The keys that a `when` says, found out by letting it change nodes whose keys all differ from each other's.
[[nodiscard]] std::vector<const KeyEntry*> keys_said(const std::function<void(Keys&)>& change);

}  // namespace fond_ladder
