// SPDX-License-Identifier: MIT
#include "trouble.hpp"

#include <cstdlib>
#include <cstring>
#include <iostream>

#include "model/printable.hpp"

namespace fond_ladder::fuzz {

void expect(bool is_true, std::string_view what) {
  if (is_true) return;
  std::cerr << "fuzz: " << what << "\n";
  std::abort();
}

void expect_none(const std::string& wrong, std::string_view what) {
  if (!wrong.empty()) expect(false, std::string(what) + ": " + wrong);
}

void expect_readable(std::string_view text, std::string_view what) {
  while (!text.empty()) {
    const std::string_view line = text.substr(0, text.find('\n'));
    if (printable(line) != line) expect(false, std::string(what) + " would steer a terminal: " + printable(line));
    text.remove_prefix(std::min(text.size(), line.size() + 1));
  }
}

std::size_t put_back(std::string_view changed, std::uint8_t* bytes, std::size_t count, std::size_t most) {
  if (changed.size() > most) return count;
  std::memcpy(bytes, changed.data(), changed.size());
  return changed.size();
}

std::uint64_t choice_of(std::string_view bytes) {
  std::uint64_t mixed = 14695981039346656037U;  // FNV-1a
  for (const char c : bytes) mixed = (mixed ^ static_cast<unsigned char>(c)) * 1099511628211U;
  return mixed ^ (mixed >> 32U);
}

}  // namespace fond_ladder::fuzz
