// SPDX-License-Identifier: MIT
#pragma once

#include "fond_ladder/keys.hpp"
#include "model/key_table.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/json_document.hpp"

namespace fond_ladder::inline v0::scene {

/// Reads the value of one key into `keys`. What is wrong with it goes to `faults`, and the key keeps what it had.
bool read_key(const KeyEntry& entry, const JsonDocument& document, ValueId value, Keys& keys, Faults& faults);

}  // namespace fond_ladder::inline v0::scene
