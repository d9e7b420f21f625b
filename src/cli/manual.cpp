// SPDX-License-Identifier: MIT
//
// The manual page, made from the options of the commands when the program is built: see man(7).
#include <iostream>

#include "cli/commands.hpp"
#include "cli/parse.hpp"
#include "fond_ladder/version.hpp"

namespace {

using namespace fond_ladder::cli;

/// A text in which nothing is read as a request or an escape.
std::string plain(const std::string& text) {
  std::string escaped;
  for (const char c : text) {
    if (c == '-') {
      escaped += "\\-";
    } else if (c == '\\') {
      escaped += "\\e";
    } else {
      escaped += c;
    }
  }
  return (escaped.starts_with('.') || escaped.starts_with('\'') ? "\\&" : "") + escaped;
}

void write(const Option& option) {
  std::cout << ".TP\n\\fB" << plain(option.name) << "\\fR";
  if (!option.value.empty()) std::cout << " \\fI" << plain(option.value) << "\\fR";
  std::cout << '\n' << plain(option.about) << ".\n";
}

void write(const Command& command) {
  std::cout << ".SS " << plain(command.name) << '\n' << plain(command.about) << ".\n";
  for (const Option& option : command.options.all()) write(option);
}

}  // namespace

int main() {
  std::cout << ".TH FOND\\-LADDER 1 \"\" \"fond\\-ladder " FOND_LADDER_VERSION "\" \"User Commands\"\n"
            << ".SH NAME\nfond\\-ladder \\- arrange scenes of rows, columns, grids and stacks at every size\n"
            << ".SH SYNOPSIS\n.B fond\\-ladder\n\\fICOMMAND\\fR \\fISCENE\\fR [\\fIOPTION\\fR]...\n"
            << ".SH DESCRIPTION\n"
            << plain(std::string(what_it_is())) << '\n'
            << "Results go to standard output, messages to standard error.\n.SH COMMANDS\n";
  for (const Command& command : all_commands()) write(command);
  std::cout << ".SH OPTIONS OF EVERY COMMAND\n";
  write(color_option());
  std::cout << ".TP\n\\fB\\-\\-help\\fR\nWhat the command takes.\n"
            << ".SH EXIT STATUS\n.TP\n0\nAll is well.\n.TP\n1\nClaims fail, or there are findings or differences.\n"
            << ".TP\n2\nThe command line or the scene has errors.\n"
            << ".SH ENVIRONMENT\n.TP\nNO_COLOR\nNo colors on a terminal, unless \\-\\-color says otherwise.\n";
}
