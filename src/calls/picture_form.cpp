// SPDX-License-Identifier: MIT
#include "calls/picture_form.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <filesystem>

#include "calls/command.hpp"
#include "model/nearest_word.hpp"

namespace fond_ladder::calls {

PictureForm picture_form(const std::string& output, const std::string& as, const std::string& option) {
  static constexpr std::array<std::string_view, 3> forms{"svg", "png", "pdf"};  // in the order of PictureForm
  std::string ending = std::filesystem::path(output).extension().string();
  if (!ending.empty()) ending.erase(0, 1);
  if (as.empty() && output == "-") throw WrongCall("-o -: the format is missing; add it, as in --as svg");
  const bool is_clear = as.empty() || ending == as || std::ranges::find(forms, ending) == forms.end();
  if (!is_clear)
    throw WrongCall(
        fmt::format("{} {} --as {}: the extension says {}; drop one of the two", option, output, as, ending));
  const std::string word = as.empty() ? ending : as;
  const auto found = std::ranges::find(forms, word);
  if (found != forms.end()) return static_cast<PictureForm>(found - forms.begin());
  if (!as.empty()) throw WrongCall(fmt::format("--as {}: expected svg, png or pdf", word));
  const std::string_view near = nearest_word(word, forms);
  throw WrongCall(fmt::format("{} {}: expected a name that ends in .svg, .png or .pdf{}{}", option, output,
                              near.empty() ? "" : fmt::format("; did you mean \".{}\"?", near),
                              option == "-o" ? "; or add --as" : ""));
}

}  // namespace fond_ladder::calls
