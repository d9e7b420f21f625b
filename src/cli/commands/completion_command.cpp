// SPDX-License-Identifier: MIT
//
// Completion for three shells, made from the options of the commands: what they complete cannot fall behind what the
// program takes.
#include <fmt/format.h>

#include <algorithm>
#include <ostream>
#include <sstream>

#include "cli/commands.hpp"
#include "cli/parse.hpp"
#include "model/shell_word.hpp"

namespace fond_ladder::cli {
namespace {

struct CompletionCall {
  std::string shell;
};

/// The words of `table|json`; none where anything may follow.
std::vector<std::string> choices_of(const Option& option) {
  std::vector<std::string> words;
  std::istringstream text(option.value);
  for (std::string word; std::getline(text, word, '|');) {
    if (std::ranges::any_of(word, [](char c) { return c >= 'A' && c <= 'Z'; })) return {};
    words.push_back(word);
  }
  return words;
}

/// `-o` and `--output` of `-o,--output`.
std::vector<std::string> names_of(const Option& option) {
  std::vector<std::string> names;
  std::istringstream text(option.name);
  for (std::string name; std::getline(text, name, ',');) names.push_back(name);
  return names;
}

/// The options of a command, those that every command takes among them.
std::vector<Option> options_of(const Command& command) {
  std::vector<Option> options = command.options.all();
  std::erase_if(options, [](const Option& option) { return option.is_argument(); });
  options.push_back(color_option());
  return options;
}

std::vector<std::string> command_names(const std::vector<Command>& commands) {
  std::vector<std::string> names;
  for (const Command& command : commands) names.push_back(command.name);
  names.emplace_back("help");
  return names;
}

std::string for_bash(const std::vector<Command>& commands) {
  std::string after, options;
  for (const Command& command : commands) {
    std::vector<std::string> all;
    for (const Option& option : options_of(command)) {
      const std::vector<std::string> names = names_of(option), choices = choices_of(option);
      all.insert(all.end(), names.begin(), names.end());
      if (option.is_flag()) continue;
      for (const std::string& name : names) {
        after += fmt::format("    {}:{}) {} ;;\n", command.name, name,
                             option.value == "FILE" ? "COMPREPLY=($(compgen -f -- \"$word\")); return"
                             : choices.empty()      ? "return"
                                               : fmt::format("COMPREPLY=($(compgen -W \"{}\" -- \"$word\")); return",
                                                             fmt::join(choices, " ")));
      }
    }
    options += fmt::format("    {}) options=\"{}\" ;;\n", command.name, fmt::join(all, " "));
  }
  return fmt::format(R"(# bash completion of fond-ladder: source <(fond-ladder completion bash)
_fond_ladder() {{
  local word=${{COMP_WORDS[COMP_CWORD]}} before=${{COMP_WORDS[COMP_CWORD-1]}} command=${{COMP_WORDS[1]}} options=
  local commands="{0}"
  if (( COMP_CWORD == 1 )); then
    COMPREPLY=($(compgen -W "$commands --help --version" -- "$word"))
    return
  fi
  if [[ $command == help ]]; then
    COMPREPLY=($(compgen -W "$commands" -- "$word"))
    return
  fi
  if [[ $command == completion ]]; then
    COMPREPLY=($(compgen -W "bash zsh fish" -- "$word"))
    return
  fi
  case $command:$before in
{1}  esac
  case $command in
{2}  esac
  if [[ $word == -* ]]; then
    COMPREPLY=($(compgen -W "$options --help" -- "$word"))
  else
    COMPREPLY=($(compgen -f -- "$word"))
  fi
}}
complete -o filenames -F _fond_ladder fond-ladder
)",
                     fmt::join(command_names(commands), " "), after, options);
}

/// A description for zsh, in which brackets and colons have a meaning.
std::string zsh_text(const std::string& text) {
  std::string escaped;
  for (const char c : text) {
    if (c == '[' || c == ']' || c == ':' || c == '\\') escaped += '\\';
    escaped += c;
  }
  return escaped;
}

std::string for_zsh(const std::vector<Command>& commands) {
  std::string names, cases;
  for (const Command& command : commands) {
    names += fmt::format("    {}\n", shell_word(command.name + ":" + zsh_text(command.about)));
    std::string arguments;
    for (const Option& option : options_of(command)) {
      const std::vector<std::string> choices = choices_of(option);
      const std::string value = option.is_flag()         ? ""
                                : option.value == "FILE" ? ":file:_files"
                                : choices.empty()        ? ":" + zsh_text(option.value) + ":"
                                                         : fmt::format(":{}:({})", "choice", fmt::join(choices, " "));
      for (const std::string& name : names_of(option)) {
        const std::string word =
            fmt::format("{}{}[{}]{}", option.is_repeatable() ? "*" : "", name, zsh_text(option.about), value);
        arguments += fmt::format(" \\\n        {}", shell_word(word));
      }
    }
    cases += fmt::format("    {}) _arguments{} \\\n        {} ;;\n", command.name, arguments,
                         command.name == "completion" ? "'1:shell:(bash zsh fish)'" : "'*:file:_files'");
  }
  return fmt::format(R"(#compdef fond-ladder
# zsh completion of fond-ladder: fond-ladder completion zsh > "${{fpath[1]}}/_fond-ladder"
_fond_ladder() {{
  local -a commands=(
{}    'help:What a command takes'
  )
  if (( CURRENT == 2 )); then
    _describe command commands
    return
  fi
  local command=$words[2]
  shift words
  (( CURRENT-- ))
  case $command in
{}    help) _describe command commands ;;
  esac
}}
compdef _fond_ladder fond-ladder
)",
                     names, cases);
}

std::string for_fish(const std::vector<Command>& commands) {
  std::string text = "# fish completion of fond-ladder: fond-ladder completion fish | source\n";
  for (const Command& command : commands) {
    text += fmt::format("complete -c fond-ladder -n __fish_use_subcommand -f -a {} -d {}\n", command.name,
                        shell_word(command.about));
    for (const Option& option : options_of(command)) {
      std::string line = fmt::format("complete -c fond-ladder -n '__fish_seen_subcommand_from {}'", command.name);
      for (const std::string& name : names_of(option))
        line.append(name.starts_with("--") ? " -l " + name.substr(2) : " -s " + name.substr(1));
      const std::vector<std::string> choices = choices_of(option);
      if (!option.is_flag()) {
        line += option.value == "FILE" ? " -r"
                : choices.empty()      ? " -x"
                                       : fmt::format(" -x -a '{}'", fmt::join(choices, " "));
      }
      text += fmt::format("{} -d {}\n", line, shell_word(option.about));
    }
  }
  text += "complete -c fond-ladder -n '__fish_seen_subcommand_from completion' -f -a 'bash zsh fish'\n";
  return text + fmt::format("complete -c fond-ladder -n '__fish_seen_subcommand_from help' -f -a '{}'\n",
                            fmt::join(command_names(commands), " "));
}

ExitStatus completion(const CompletionCall& call, const Streams& streams) {
  const std::vector<Command> commands = all_commands();
  if (call.shell == "bash") {
    streams.out << for_bash(commands);
  } else if (call.shell == "zsh") {
    streams.out << for_zsh(commands);
  } else if (call.shell == "fish") {
    streams.out << for_fish(commands);
  } else {
    throw WrongCall(fmt::format("completion {}: expected bash, zsh or fish", call.shell));
  }
  return all_well;
}

}  // namespace

Command completion_command() {
  CommandOf<CompletionCall> command("completion", "Print a completion script for bash, zsh or fish");
  command.options().argument("SHELL", command.call().shell, "bash, zsh or fish");
  return command.does(completion);
}

}  // namespace fond_ladder::cli
