// SPDX-License-Identifier: MIT
#include <algorithm>

#include "fond_ladder/check.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "model/shell_word.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

constexpr std::string_view indent = "          ";

std::string values_text(const Failing& failing) {
  std::string text;
  for (const auto& [name, value] : failing.values)
    text += (text.empty() ? "" : ", ") + name + " " + (value ? rounded(*value) : "hidden");
  return text;
}

std::string stretch_text(const Failing& failing) {
  std::string text(indent);
  if (!failing.variant.empty()) text += printable(failing.variant) + ": ";
  text += failing.from == failing.to ? "at " + rounded(failing.from)
                                     : "from " + rounded(failing.from) + " to " + rounded(failing.to);
  text += " wide, " + (failing.height ? rounded(*failing.height) + " high" : "as high as its content");
  if (failing.from != failing.to)
    text += "; worst at " + rounded(failing.worst.width) + " x " + rounded(failing.worst.height);
  const std::string values = values_text(failing);
  return text + (values.empty() ? "" : ": " + values) + "\n";
}

std::string look_text(const Failing& failing, std::string_view file) {
  std::string text = "look: fond-ladder ";
  text += failing.node.empty() ? "measure " + shell_word(file)
                               : "ledger " + shell_word(file) + " " + shell_word(failing.node);
  text += " --at " + exact(failing.worst.width) + (failing.height ? "x" + exact(*failing.height) : "");
  return text + (failing.options.empty() ? "" : " " + failing.options);
}

}  // namespace

std::string report(const CheckedClaim& checked, std::string_view file) {
  std::string text = checked.holds ? "kept    " : checked.failing.empty() ? "never   " : "broken  ";
  text += printable(checked.claim) + "\n";
  if (checked.rungs == 0) {
    text += indent;
    text += "never tested: its condition holds at no size of the ladder, or all its nodes are hidden\n";
  }
  constexpr std::size_t most = 5;
  for (std::size_t i = 0; i < std::min(most, checked.failing.size()); ++i) {
    const Failing& failing = checked.failing[i];
    text += stretch_text(failing);
    if (!failing.because.empty()) text.append(indent).append(printable(failing.because)).append("\n");
    if (!file.empty()) text.append(indent).append(printable(look_text(failing, file))).append("\n");
  }
  if (checked.failing.size() > most)
    text.append(indent).append("and in " + std::to_string(checked.failing.size() - most) + " more stretches\n");
  return text;
}

}  // namespace fond_ladder::inline v0
