// SPDX-License-Identifier: MIT
#include "page/engine/asking.hpp"

#include <algorithm>
#include <sstream>

#include "calls/refusal.hpp"
#include "calls/scene_calls.hpp"

namespace fond_ladder::page {
namespace {

using calls::Command;
using calls::Option;
using calls::WrongCall;

/// Tells an option one value.
void set_option(const Option& option, const std::string& value) {
  if (auto* const* text = std::get_if<std::string*>(&option.into)) {
    **text = value;
  } else if (auto* const* texts = std::get_if<std::vector<std::string>*>(&option.into)) {
    (*texts)->push_back(value);
  } else if (auto* const* uses = std::get_if<std::vector<calls::OptionUse>*>(&option.into)) {
    (*uses)->push_back({option.name, value});
  } else if (const auto* read = std::get_if<std::function<void(const std::string&)>>(&option.into)) {
    (*read)(value);
  }
}

/// Reads words into the options of a command. The page makes them itself, so only errors it can make are reported.
void fill(const Command& command, const std::vector<std::string>& words) {
  std::vector<const Option*> arguments;
  for (const Option& option : command.options.all()) {
    if (option.is_argument()) arguments.push_back(&option);
  }
  auto argument = arguments.begin();
  for (auto word = words.begin(); word != words.end(); ++word) {
    const bool is_option = word->starts_with("--");
    const auto option = std::ranges::find(command.options.all(), *word, &Option::name);
    if (!is_option && argument != arguments.end()) {
      set_option(**argument++, *word);
    } else if (!is_option || option == command.options.all().end()) {
      throw WrongCall("\"" + *word + "\" is not an option of " + command.name);
    } else if (option->is_flag()) {
      *std::get<bool*>(option->into) = true;
    } else if (++word == words.end()) {
      throw WrongCall(command.name + ": " + option->name + " needs a value");
    } else {
      set_option(*option, *word);
    }
  }
  if (argument != arguments.end() && (*argument)->required)
    throw WrongCall(command.name + ": " + (*argument)->name + " is missing");
}

int run(const std::vector<std::string>& words, const calls::Streams& streams) {
  int status = calls::wrong_call;
  calls::reports_error(streams.err, "", [&] {
    const std::vector<Command> commands = calls::scene_calls();
    const auto command = std::ranges::find(commands, words.empty() ? std::string() : words.front(), &Command::name);
    if (command == commands.end()) throw WrongCall("the page runs measure, sweep, explain, check and lint only");
    fill(*command, {words.begin() + 1, words.end()});
    status = command->call(streams);
  });
  return status;
}

}  // namespace

Answered ask(const std::vector<std::string>& words, std::string_view file, std::string_view json) {
  std::istringstream in;
  std::ostringstream out, err;
  const int status = run(words, {in, out, err, calls::ShippedScene{file, json}});
  return {status, out.str(), err.str()};
}

}  // namespace fond_ladder::page
