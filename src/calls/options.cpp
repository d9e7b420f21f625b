// SPDX-License-Identifier: MIT
#include "calls/options.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <string_view>

#include "calls/wrong_call.hpp"

namespace fond_ladder::calls {

void Options::argument(std::string name, std::string& into, std::string about) {
  all_.push_back({std::move(name), "", std::move(about), true, &into});
}

void Options::arguments(std::string name, std::vector<std::string>& into, std::string about) {
  all_.push_back({std::move(name), "", std::move(about), true, &into});
}

void Options::optional_argument(std::string name, std::string& into, std::string about) {
  all_.push_back({std::move(name), "", std::move(about), false, &into});
}

void Options::flag(std::string name, bool& into, std::string about) {
  all_.push_back({std::move(name), "", std::move(about), false, &into});
}

void Options::text(std::string name, std::string value, std::string& into, std::string about) {
  all_.push_back({std::move(name), std::move(value), std::move(about), false, &into});
}

void Options::list(std::string name, std::string value, std::vector<std::string>& into, std::string about) {
  all_.push_back({std::move(name), std::move(value), std::move(about), false, &into});
}

void Options::in_order(std::string name, std::string value, std::vector<OptionUse>& into, std::string about) {
  all_.push_back({std::move(name), std::move(value), std::move(about), false, &into});
}

void Options::format(Format& into, const std::vector<Format>& possible) {
  static constexpr std::array<std::string_view, 3> words{"table", "json", "csv"};  // in the order of Format
  std::vector<std::string> names;
  for (const Format one : possible) names.emplace_back(words[static_cast<std::size_t>(one)]);
  const auto read = [&into, possible, names](const std::string& typed) {
    const auto found = std::ranges::find(names, typed);
    if (found != names.end()) {
      into = possible[static_cast<std::size_t>(found - names.begin())];
      return;
    }
    const std::string& last = names.back();
    throw WrongCall(
        fmt::format("--format {}: expected {} or {}", typed, fmt::join(names.begin(), names.end() - 1, ", "), last));
  };
  all_.push_back({"--format", fmt::format("{}", fmt::join(names, "|")),
                  fmt::format("Print in this format; default: {}", names.front()), false, read});
}

void Options::describe(const std::string& name, std::string about) {
  std::ranges::find(all_, name, &Option::name)->about = std::move(about);
}

}  // namespace fond_ladder::calls
