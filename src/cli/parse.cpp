// SPDX-License-Identifier: MIT
#include "cli/parse.hpp"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <map>

#include "fond_ladder/version.hpp"
#include "model/nearest_word.hpp"
#include "print/limits_text.hpp"

namespace fond_ladder::cli {
namespace {

void add(CLI::App& app, const Option& option) {
  CLI::Option* added = nullptr;
  if (auto* const* flag = std::get_if<bool*>(&option.into)) {
    added = app.add_flag(option.name, **flag, option.about);
  } else if (auto* const* text = std::get_if<std::string*>(&option.into)) {
    added = app.add_option(option.name, **text, option.about);
  } else if (auto* const* texts = std::get_if<std::vector<std::string>*>(&option.into)) {
    added = app.add_option(option.name, **texts, option.about)->allow_extra_args(option.is_argument());
  } else if (option.keeps_order()) {  // collected after everything is parsed
    const auto nothing = [](const std::vector<std::string>&) {};
    added =
        app.add_option_function<std::vector<std::string>>(option.name, nothing, option.about)->allow_extra_args(false);
  } else {
    const auto& read = std::get<std::function<void(const std::string&)>>(option.into);
    added = app.add_option_function<std::string>(option.name, read, option.about);
  }
  if (option.required) added->required();
  if (option.is_flag()) return;
  added->option_text(option.is_argument() ? " " : option.value);
  added->check([](const std::string& typed) { return std::string(typed.empty() ? "a value is missing" : ""); });
}

/// Collects the options whose order matters, in the order of the call.
void list_in_order(const CLI::App& called, const Command& command) {
  std::map<const CLI::Option*, std::size_t> read;  // how many of its values
  for (const CLI::Option* used : called.parse_order()) {
    for (const Option& option : command.options.all()) {
      if (!option.keeps_order() || !used->check_name(option.name)) continue;
      std::get<std::vector<OptionUse>*>(option.into)->push_back({option.name, used->results()[read[used]++]});
    }
  }
}

std::string hint(const std::string& typed, const std::vector<std::string>& words) {
  const std::vector<std::string_view> views(words.begin(), words.end());
  const std::string_view near = nearest_word(std::string_view(typed).substr(0, typed.find('=')), views);
  return near.empty() ? std::string() : "; did you mean \"" + std::string(near) + "\"?";
}

/// What a practitioner may have meant by an option that a command does not take.
std::string allow(const CLI::App& command, const std::string& typed) {
  std::vector<std::string> words;
  const std::string_view option_name = std::string_view(typed).substr(0, typed.find('='));
  if ((option_name == "--width" || option_name == "--height") && command.get_option_no_throw("--at") != nullptr)
    return "; set the size with --at, as in --at 640x480";
  for (const CLI::Option* option : command.get_options()) {
    for (const std::string& name : option->get_lnames()) words.push_back("--" + name);
  }
  return hint(typed, words);
}

/// Refuses words that do not begin with a command; after `help` that may also be "limits".
void require_command(const std::vector<std::string>& typed_words, const std::vector<Command>& commands,
                     bool behind_help) {
  const std::string& typed = typed_words.front();
  std::vector<std::string> words{"help"};
  if (behind_help) words.emplace_back("limits");
  for (const Command& command : commands) words.push_back(command.name);
  const auto is_command = [&](const std::string& word) { return std::ranges::find(words, word) != words.end(); };
  if (is_command(typed)) return;
  std::string remedy = hint(typed, words);
  if (remedy.empty() && typed_words.size() > 1 && is_command(typed_words[1]))
    remedy = "; the command comes first, as in " + typed_words[1] + " " + typed;
  throw WrongCall("\"" + typed + "\" is not a command" + remedy);
}

WrongCall no_command(const std::vector<Command>& commands) {
  std::string names;
  for (const Command& command : commands) {
    names += (names.empty() ? "" : &command == &commands.back() ? " or " : ", ") + command.name;
  }
  return WrongCall("name a command: " + names + "; see --help");
}

WrongCall refusal(const CLI::App& app, const CLI::ParseError& error, const std::vector<std::string>& args) {
  const auto used = app.get_subcommands();
  if (used.empty()) return WrongCall("\"" + args.front() + "\" is not an option" + allow(app, args.front()));
  if (dynamic_cast<const CLI::ExtrasError*>(&error) != nullptr) {
    const std::vector<std::string> left = app.remaining(true);
    const auto option = std::ranges::find_if(left, [](const std::string& word) { return word.starts_with("-"); });
    const std::string& odd = option == left.end() ? left.front() : *option;
    return WrongCall("\"" + odd + "\" is not an option of " + used.front()->get_name() + allow(*used.front(), odd));
  }
  return WrongCall(used.front()->get_name() + ": " + error.what());
}

/// `help limits`, which is about all commands.
bool asks_for_limits(const std::vector<std::string>& words) {
  return words.size() == 2 && (words[0] == "help" || words[0] == "--help") && words[1] == "limits";
}

/// `help measure` does what `measure --help` does.
std::vector<std::string> without_help_word(const std::vector<std::string>& args) {
  if (args.empty() || args.front() != "help") return args;
  if (args.size() == 1) return {"--help"};
  if (args.size() > 2) throw WrongCall("help: expected one command");
  return {args[1], "--help"};
}

/// `--color always check a` does what `check a --color always` does.
std::vector<std::string> with_command_first(std::vector<std::string> words) {
  const std::size_t taken = words.front() == "--color" ? 2 : words.front().starts_with("--color=") ? 1 : 0;
  if (words.size() > taken) std::rotate(words.begin(), words.begin() + static_cast<std::ptrdiff_t>(taken), words.end());
  return words;
}

}  // namespace

std::string_view what_it_is() {
  return "Fond Ladder arranges rows, columns, grids and stacks, and reports what changes at which container size.";
}

Option color_option() {
  return {"--color", "auto|always|never", "Print in color; auto: on a terminal", false, [](const std::string&) {}};
}

ParsedCall parse(const std::vector<std::string>& args, const std::vector<Command>& commands) {
  CLI::App app(std::string(what_it_is()), "fond-ladder");
  app.require_subcommand(1);
  app.get_formatter()->column_width(28);
  app.set_version_flag("--version", "fond-ladder " FOND_LADDER_VERSION);
  for (const Command& command : commands) {
    CLI::App* sub = app.add_subcommand(command.name, command.about);
    for (const Option& option : command.options.all()) add(*sub, option);
    add(*sub, color_option());
  }
  app.footer("Run fond-ladder help COMMAND for a command, and fond-ladder help limits for the limits.");
  if (args.empty()) throw no_command(commands);
  std::vector<std::string> words = with_command_first(args);
  if (asks_for_limits(words)) return {nullptr, limits_text()};
  words = without_help_word(words);
  if (!words.front().starts_with('-')) require_command(words, commands, args.front() == "help");
  std::ranges::reverse(words);
  try {
    app.parse(words);
  } catch (const CLI::ParseError& error) {
    if (error.get_exit_code() != 0) throw refusal(app, error, args);
    std::ostringstream text;
    app.exit(error, text, text);
    return {nullptr, text.str()};
  }
  const auto called =
      std::ranges::find_if(commands, [&](const Command& command) { return app.got_subcommand(command.name); });
  list_in_order(*app.get_subcommand(called->name), *called);
  return {&*called, ""};
}

}  // namespace fond_ladder::cli
