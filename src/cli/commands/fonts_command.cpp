// SPDX-License-Identifier: MIT
#include <algorithm>
#include <cctype>
#include <ostream>

#include "cli/call_words.hpp"
#include "fond_ladder/fonts.hpp"
#include "print/families.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::cli {
namespace {

struct FontsCall {
  std::string filter;  // of a family's name; all when empty
  Format format = Format::table;
};

bool holds(const std::string& family, const std::string& part) {
  const auto same = [](unsigned char one, unsigned char other) { return std::tolower(one) == std::tolower(other); };
  return std::search(family.begin(), family.end(), part.begin(), part.end(), same) != family.end() || part.empty();
}

ExitStatus fonts(const FontsCall& call, const Streams& streams) {
  if (!can_open_fonts()) static_cast<void>(open_fonts({}));  // throws with the name of what is missing
  Families families{font_families(), 0, call.filter};
  families.all = families.names.size();
  std::erase_if(families.names, [&](const std::string& one) { return !holds(one, call.filter); });
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "fonts");
    write_families(answers.next(), families);
    answers.end();
  } else {
    streams.out << families_text(families);
  }
  return families.names.empty() ? findings : all_well;
}

}  // namespace

Command fonts_command() {
  CommandOf<FontsCall> command("fonts", "List the font families of this machine, for \"fonts\" in a scene");
  FontsCall& call = command.call();
  command.options().optional_argument("FILTER", call.filter, "List only families with this text in their name");
  command.options().format(call.format, {Format::table, Format::json});
  return command.does(fonts);
}

}  // namespace fond_ladder::cli
