// SPDX-License-Identifier: MIT
#include "fond_ladder/text_shaper.hpp"

#include <algorithm>

#include "fond_ladder/keys.hpp"
#include "model/fonts_by_name.hpp"

namespace fond_ladder::inline v0 {

FontStyle Keys::font_style(double em) const {
  return {font_size.value_or(em), font, bold, italic, line_height, one_line, max_lines};
}

LineStyle FontStyle::lines(double ascent, double descent) const {
  if (!line_height) return {ascent + descent, ascent, max_lines};
  const double height = *line_height * size;
  return {height, ascent + (height - ascent - descent) / 2, max_lines};
}

const NamedFont* font_named(const std::vector<NamedFont>& fonts, const std::string& name) {
  const auto find = [&](std::string_view wanted) { return std::ranges::find(fonts, wanted, &NamedFont::name); };
  auto found = name.empty() ? fonts.end() : find(name);
  if (found == fonts.end()) found = find(usual_font);
  return found == fonts.end() ? nullptr : &*found;
}

std::vector<NamedFont> with_fonts(std::vector<NamedFont> fonts, const std::vector<NamedFont>& beats) {
  std::erase_if(
      fonts, [&](const NamedFont& one) { return std::ranges::find(beats, one.name, &NamedFont::name) != beats.end(); });
  fonts.insert(fonts.end(), beats.begin(), beats.end());
  return fonts;
}

FontUnits Keys::set_units(double em, const TextShaper& setter) const {
  FontStyle usual;
  usual.size = em;
  return {em, setter.zero_width(kind == Kind::text ? font_style(em) : usual)};
}

}  // namespace fond_ladder::inline v0
