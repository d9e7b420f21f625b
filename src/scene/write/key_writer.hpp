// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>

#include "fond_ladder/keys.hpp"
#include "model/key_table.hpp"
#include "scene/write/json_page.hpp"

namespace fond_ladder::inline v0::scene {

/// Writes the value of `entry` in `keys`, as key_reader.hpp reads it; `null` if it is not set. Without a
/// `key`, the value alone.
void write_key(const KeyEntry& entry, const Keys& keys, JsonPage& page, std::string_view key);
/// The value alone, on one line.
[[nodiscard]] std::string value_text(const KeyEntry& entry, const Keys& keys);

}  // namespace fond_ladder::inline v0::scene
