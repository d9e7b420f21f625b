// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder::calls {

/// Writes a file as a whole or not at all: under a new name beside the target first, then renamed onto it. The target
/// keeps its mode, a link at it stays one, and one that may not be written is left alone. A target that is no plain
/// file (a device, a pipe) is written directly. Throws WrongCall, naming the target and the reason.
void write_target(const std::string& path, std::string_view bytes);
/// The same of a plain file alone: whatever else has the name now, a link or a pipe, is left alone and refused.
void write_plain_target(const std::string& path, std::string_view bytes);
/// Throws what write_target would throw of a target that may not be written, before there is anything to write.
void require_target(const std::string& path);

}  // namespace fond_ladder::calls
