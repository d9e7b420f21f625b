// SPDX-License-Identifier: MIT
#include "fond_ladder/typesetter.hpp"

#include "fond_ladder/keys.hpp"

namespace fond_ladder::inline v0 {

WordStyle Keys::word_style(double em) const {
  return {size.value_or(em), font, bold, slanted, line_height, one_line, max_lines};
}

FontUnits Keys::set_units(double em, const Typesetter& setter) const {
  WordStyle usual;
  usual.size = em;
  return {em, setter.zero_width(kind == Kind::text ? word_style(em) : usual)};
}

}  // namespace fond_ladder::inline v0
