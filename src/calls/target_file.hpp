// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

#include "calls/command.hpp"

namespace fond_ladder::calls {

/// Whether a path names a plain file, or a link to one.
[[nodiscard]] bool is_plain_file(const std::string& path);
/// Says of a file that the call writes it. Throws what write_target would throw of one that may not be written, before
/// there is anything to write; and WrongCall where the call reads that file, or writes it already, under whatever name.
/// `option` is what asks for it.
void add_target(const Streams& streams, const std::string& option, const std::string& path);
/// Says of a file that the call reads it; `what` is what it is to the call, as in "the scene". Throws WrongCall where
/// the call writes it.
void add_source(const Streams& streams, const std::string& what, const std::string& path);
/// Writes a file as a whole or not at all: under a new name beside the target first, then renamed onto it. The target
/// keeps its mode, a link at it stays one, and one that may not be written is left alone. A target that is no plain
/// file (a device, a pipe) is written directly. Throws WrongCall, naming the target and the reason, also of a target
/// that the call has read.
void write_target(const Streams& streams, const std::string& path, std::string_view bytes);
/// The same of a plain file alone: whatever else has the name now, a link or a pipe, is left alone and refused.
void write_plain_target(const std::string& path, std::string_view bytes);
}  // namespace fond_ladder::calls
