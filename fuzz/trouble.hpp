// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>

extern "C" {
/// Runs a target with bytes that somebody chose. Returns 0, or -1 where they are not worth keeping.
int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count);
/// Of targets that know how their bytes are made up: changes them in place, to `most` at most. Returns how many.
std::size_t LLVMFuzzerCustomMutator(std::uint8_t* bytes, std::size_t count, std::size_t most, unsigned seed);
}

namespace fond_ladder::fuzz {

/// Ends the program, saying what is wrong, unless it is true.
void expect(bool is_true, std::string_view what);
/// The same where a text must be empty, which says what is wrong.
void expect_none(const std::string& wrong, std::string_view what);
/// What people read: UTF-8 of which nothing steers a terminal but the end of a line.
void expect_readable(std::string_view text, std::string_view what);

/// A number that hangs on all bytes, to choose by.
[[nodiscard]] std::uint64_t choice_of(std::string_view bytes);

/// Puts changed bytes where the old ones are, unless they are too many. Returns how many there are then.
[[nodiscard]] std::size_t put_back(std::string_view changed, std::uint8_t* bytes, std::size_t count, std::size_t most);

[[nodiscard]] inline std::string_view text_of(const std::uint8_t* bytes, std::size_t count) {
  return {reinterpret_cast<const char*>(bytes), count};
}

}  // namespace fond_ladder::fuzz
