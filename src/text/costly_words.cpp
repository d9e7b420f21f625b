// SPDX-License-Identifier: MIT
//
// Shaping is in proportion to a text but for two things, in which it is the square: the marks on one letter, and the
// changes of direction in one paragraph. Both are bounded far beyond what anybody reads. Tests: fonts_test.cpp.
#include "text/costly_words.hpp"

#include <glib.h>
#include <hb.h>

#include "model/limits.hpp"
#include "model/thousands.hpp"

namespace fond_ladder::inline v0::typeset {
namespace {

bool ends_paragraph(gunichar one) {
  constexpr gunichar separator = 0x2029;
  return one == '\n' || one == '\r' || one == separator;
}

/// How many marks are on a letter behind one more character; what is invisible itself neither is one nor ends them.
std::size_t marks_behind(gunichar one, std::size_t marks) {
  if (g_unichar_ismark(one) != 0) return marks + 1;
  return g_unichar_type(one) == G_UNICODE_FORMAT ? marks : 0;
}

/// Those that begin or end a stretch of another direction (Unicode UAX #9).
bool sets_direction(gunichar one) {
  return (one >= 0x202A && one <= 0x202E) || (one >= 0x2066 && one <= 0x2069);
}

/// Of letters and digits, else invalid; digits between letters from right to left go from left to right.
hb_direction_t direction_of(gunichar one) {
  if (g_unichar_isdigit(one) != 0) return HB_DIRECTION_LTR;
  const hb_script_t script = hb_unicode_script(hb_unicode_funcs_get_default(), one);
  const bool is_anybodys = script == HB_SCRIPT_COMMON || script == HB_SCRIPT_INHERITED || script == HB_SCRIPT_UNKNOWN;
  return is_anybodys ? HB_DIRECTION_INVALID : hb_script_get_horizontal_direction(script);
}

}  // namespace

std::string why_costly(const std::string& text) {
  std::size_t marks = 0, changes = 0;
  hb_direction_t last = HB_DIRECTION_INVALID;
  const char* end = text.data() + text.size();
  for (const char* at = text.data(); at < end; at = g_utf8_next_char(at)) {
    const gunichar one = g_utf8_get_char(at);
    marks = marks_behind(one, marks);
    if (marks > limits::most_marks) {
      return "it has a letter with more than " + in_thousands(limits::most_marks) +
             " marks on it, the limit with fonts";
    }
    if (ends_paragraph(one)) changes = 0, last = HB_DIRECTION_INVALID;
    const hb_direction_t direction = direction_of(one);
    if (sets_direction(one)) ++changes;
    if (direction != HB_DIRECTION_INVALID) {
      if (last != HB_DIRECTION_INVALID && direction != last) ++changes;
      last = direction;
    }
    if (changes > limits::most_direction_changes) {
      return "a paragraph of it changes direction more than " + in_thousands(limits::most_direction_changes) +
             " times, the limit with fonts";
    }
  }
  return {};
}

}  // namespace fond_ladder::inline v0::typeset
