// SPDX-License-Identifier: MIT
#include "cli/picture_form.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <filesystem>

#include "cli/command.hpp"
#include "model/key_table.hpp"

namespace fond_ladder::cli {

PictureForm picture_form(const std::string& output, const std::string& as, const std::string& option) {
  static constexpr std::array<std::string_view, 3> forms{"svg", "png", "pdf"};  // in the order of PictureForm
  std::string word = as;
  if (word.empty()) {
    if (output == "-") throw WrongCall("-o -: say what to write, as in --as svg");
    word = std::filesystem::path(output).extension().string();
    if (!word.empty()) word.erase(0, 1);
  }
  const auto found = std::ranges::find(forms, word);
  if (found != forms.end()) return static_cast<PictureForm>(found - forms.begin());
  if (!as.empty()) throw WrongCall(fmt::format("--as {}: write svg, png or pdf", word));
  const std::string_view near = nearest_word(word, forms);
  throw WrongCall(fmt::format("{} {}: a picture ends in .svg, .png or .pdf{}{}", option, output,
                              near.empty() ? "" : fmt::format(" (did you mean \".{}\"?)", near),
                              option == "-o" ? "; or say it with --as" : ""));
}

}  // namespace fond_ladder::cli
