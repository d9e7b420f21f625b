// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <cctype>

#include "cli/call_words.hpp"
#include "fond_ladder/fonts.hpp"
#include "model/printable.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::cli {
namespace {

struct FontsCall {
  std::string part;  // of a family's name; all when empty
  Format format = Format::table;
};

bool holds(const std::string& family, const std::string& part) {
  const auto same = [](unsigned char one, unsigned char other) { return std::tolower(one) == std::tolower(other); };
  return std::search(family.begin(), family.end(), part.begin(), part.end(), same) != family.end() || part.empty();
}

ExitStatus fonts(const FontsCall& call, const Streams& streams) {
  if (!can_open_fonts()) static_cast<void>(open_fonts({}));  // says what is missing
  std::vector<std::string> families = font_families();
  const std::size_t all = families.size();
  std::erase_if(families, [&](const std::string& one) { return !holds(one, call.part); });
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "fonts");
    answers.next().texts("families", families);
    answers.end();
    return families.empty() ? findings : all_well;
  }
  const auto counted = [](std::size_t count) {
    return count == 1 ? "1 font family" : fmt::format("{} font families", count);
  };
  if (call.part.empty()) {
    fmt::print(streams.out, "{} on this machine\n", counted(all));
  } else {
    fmt::print(streams.out, "{} of {} on this machine with \"{}\" in the name\n", counted(families.size()), all,
               printable(call.part));
  }
  if (!families.empty()) streams.out << '\n';
  for (const std::string& family : families) fmt::print(streams.out, "  {}\n", printable(family));
  if (!families.empty()) {
    fmt::print(streams.out, "\nin a scene: \"words\": \"fonts\", \"fonts\": {{\"body\": {{\"family\": \"{}\"}}}}\n",
               printable(call.part.empty() ? "sans-serif" : families.front()));
    fmt::print(streams.out, "sans-serif, serif and monospace are families too: whatever this machine has for them\n");
  }
  return families.empty() ? findings : all_well;
}

}  // namespace

Command fonts_command() {
  CommandOf<FontsCall> command("fonts", "The font families of this machine, for the \"fonts\" of a scene");
  FontsCall& call = command.call();
  command.options().optional_argument("PART", call.part, "Only those with this in their name");
  command.options().format(call.format, {Format::table, Format::json});
  return command.does(fonts);
}

}  // namespace fond_ladder::cli
