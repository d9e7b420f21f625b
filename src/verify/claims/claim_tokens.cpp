// SPDX-License-Identifier: MIT
#include "verify/claims/claim_tokens.hpp"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <cstdlib>
#include <string>
#include <utility>

#include "fond_ladder/claim.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

bool is_name_char(char c) {
  return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_' || c == '-' ||
         c == '/' || c == '.' || c == '[' || c == ']' || c == '#' || c == '*';
}

/// With all of its bytes, in UTF-8.
std::string_view character_at(std::string_view text, std::size_t at) {
  std::size_t end = at + 1;
  while (end < text.size() && (static_cast<unsigned char>(text[end]) & 0xC0U) == 0x80U) ++end;
  return text.substr(at, end - at);
}

/// Operators that people write out of habit, and what to write in a claim instead.
constexpr std::array<std::pair<std::string_view, std::string_view>, 7> habits{{{"==", "\"=\""},
                                                                               {"=>", "\">=\""},
                                                                               {"=<", "\"<=\""},
                                                                               {"!=", "not, as in not a.width = 3"},
                                                                               {"<>", "not, as in not a.width = 3"},
                                                                               {"&&", "\"and\""},
                                                                               {"||", "\"or\""}}};

void refuse_habits(std::string_view text, std::size_t at) {
  for (const auto& [mark, allow] : habits) {
    if (text.substr(at).starts_with(mark))
      throw BadClaim("\"" + std::string(mark) + "\" has no meaning in a claim; write " + std::string(allow), at + 1);
  }
}

/// The last token before a comparison: after other comparisons, the words between conditions, and brackets that
/// are open still.
std::string_view side_ahead(std::string_view text) {
  std::size_t from = 0;
  for (const std::string_view ends : {" and ", " or ", " when ", "not ", "= ", "< ", "> "}) {
    const std::size_t last = text.rfind(ends);
    if (last != std::string_view::npos) from = std::max(from, last + ends.size());
  }
  text.remove_prefix(from);
  while (std::ranges::count(text, '(') > std::ranges::count(text, ')')) text.remove_prefix(text.find('(') + 1);
  return text;
}

/// `100..300`, or `25%`: notations that claims do not have, and what to write instead.
void refuse_short_forms(std::string_view text, std::size_t at, std::string_view typed) {
  if (const std::size_t dots = typed.find(".."); dots != std::string_view::npos) {
    std::string_view before = text.substr(0, at);
    while (before.ends_with(' ')) before.remove_suffix(1);
    std::string_view what = "a.width";
    for (const std::string_view link : {" in", " ="}) {
      if (before.ends_with(link)) what = side_ahead(before.substr(0, before.size() - link.size()));
    }
    const std::string least(typed.substr(0, dots));
    const std::size_t behind = std::min(typed.find_first_not_of('.', dots), typed.size());
    const std::string most(typed.substr(behind));
    throw BadClaim("\"" + std::string(typed) + "\" is not a number; write " + least + " <= " + std::string(what) +
                       (most.empty() ? "" : " <= " + most),
                   at + 1);
  }
  if (!typed.ends_with('%')) return;
  const std::string number(typed.substr(0, typed.size() - 1));
  const double percent = std::strtod(number.c_str(), nullptr), parts = percent > 0 ? 100 / percent : 0;
  const bool is_part = parts >= 1 && parts <= 1000 && parts == std::floor(parts);
  throw BadClaim("\"" + std::string(typed) + "\" is not a number; for a share of the container write container.width " +
                     (is_part ? "/ " + std::to_string(static_cast<int>(parts)) : "* " + number + " / 100"),
                 at + 1);
}

/// A number with letters at its end.
void refuse_unit(std::string_view text, std::size_t at, std::size_t end) {
  const std::string number(text.substr(at, end - at));
  while (end < text.size() && (is_name_char(text[end]) || text[end] == '%')) ++end;
  const std::string typed(text.substr(at, end - at));
  refuse_close_operator(typed, number.size(), at + 1);
  refuse_short_forms(text, at, typed);
  if (typed != number)
    throw BadClaim("\"" + typed + "\" is not a number; sizes are pixels without a unit: " + number, at + 1);
}

}  // namespace

void refuse_close_operator(std::string_view typed, std::size_t from, std::size_t column) {
  const std::size_t at = typed.find_first_of("*/-", from);
  if (at == std::string_view::npos) return;
  throw BadClaim("\"" + std::string(typed) + "\": add a space on both sides of \"" + std::string(1, typed[at]) + "\"",
                 column);
}

std::vector<Token> tokens_of(std::string_view text) {
  std::vector<Token> tokens;
  for (std::size_t i = 0; i < text.size();) {
    const char c = text[i];
    if (c == ' ' || c == '\t' || c == '\n') {
      ++i;
      continue;
    }
    refuse_habits(text, i);
    Token token{Token::Kind::mark, text.substr(i, 1), i + 1, 0};
    const bool digit = c >= '0' && c <= '9';
    const bool letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
    const bool star = c == '*' && i + 1 < text.size() &&
                      (text[i + 1] == '/' || text[i + 1] == '.' || text[i + 1] == ')' || text[i + 1] == ',');
    if (digit) {
      const auto read = std::from_chars(text.data() + i, text.data() + text.size(), token.number);
      token.kind = Token::Kind::number;
      token.text = text.substr(i, static_cast<std::size_t>(read.ptr - (text.data() + i)));
      if (read.ec != std::errc()) throw BadClaim("\"" + std::string(token.text) + "\" is too large", i + 1);
      refuse_unit(text, i, i + token.text.size());
    } else if (letter || star) {
      std::size_t end = i;
      while (end < text.size() && is_name_char(text[end])) ++end;
      token.kind = Token::Kind::name;
      token.text = text.substr(i, end - i);
    } else if ((c == '<' || c == '>') && i + 1 < text.size() && text[i + 1] == '=') {
      token.text = text.substr(i, 2);
    } else if (std::string_view("=<>:+-*/(),").find(c) == std::string_view::npos) {
      throw BadClaim("\"" + std::string(character_at(text, i)) + "\" has no meaning in a claim", i + 1);
    }
    tokens.push_back(token);
    i += token.text.size();
  }
  tokens.push_back({Token::Kind::end, "", text.size() + 1, 0});
  return tokens;
}

}  // namespace fond_ladder::inline v0::detail
