// SPDX-License-Identifier: MIT
#include "calls/vary.hpp"

#include <fmt/format.h>

#include <charconv>
#include <cmath>

#include "calls/command.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::calls {
namespace {

struct Amount {
  double number = 0;
  std::string unit;
};

/// `12`, `-4`, `1.5em`, `40%`.
std::optional<Amount> parse_amount(std::string_view text) {
  Amount amount;
  const auto read = std::from_chars(text.data(), text.data() + text.size(), amount.number);
  amount.unit = std::string(read.ptr, text.data() + text.size());
  const bool known = amount.unit.empty() || amount.unit == "em" || amount.unit == "%";
  if (read.ec != std::errc() || !known || !std::isfinite(amount.number)) return {};
  return amount;
}

/// The items between commas, except for commas in brackets and in quotes.
std::vector<std::string> split_values(std::string_view text) {
  std::vector<std::string> values{""};
  int depth = 0;
  bool quoted = false;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const char one = text[i];
    if (one == '"' && (i == 0 || text[i - 1] != '\\')) quoted = !quoted;
    if (!quoted && (one == '[' || one == '{')) ++depth;
    if (!quoted && (one == ']' || one == '}')) --depth;
    if (one == ',' && !quoted && depth <= 0) {
      values.emplace_back();
    } else if (one != ' ' || !values.back().empty()) {
      values.back() += one;
    }
  }
  return values;
}

WrongCall not_understood(const std::string& text) {
  return WrongCall(fmt::format(
      "--vary {}: expected a setting and its values, as in beds.width=100..400 or body.along=start,center,end", text));
}

}  // namespace

std::string AskedVary::text_of(double value) const {
  return exact(value) + unit;
}

AskedVary parse_vary(const std::string& text) {
  const std::size_t equals = text.find('=');
  if (equals == std::string::npos || equals == 0 || equals + 1 == text.size()) throw not_understood(text);
  AskedVary asked{text.substr(0, equals), {}, {}, {}};
  const std::string_view values = std::string_view(text).substr(equals + 1);
  const std::size_t dots = values.find("..");
  if (dots != std::string_view::npos && values.find_first_of("\"[{") == std::string_view::npos) {
    const auto from = parse_amount(values.substr(0, dots)), to = parse_amount(values.substr(dots + 2));
    if (!from || !to) throw not_understood(text);
    if (from->unit != to->unit) {
      throw WrongCall(fmt::format("--vary {}: both ends need the same unit, as in {}=1em..3em", text, asked.setting));
    }
    if (!(from->number < to->number)) throw WrongCall(fmt::format("--vary {}: the larger value comes last", text));
    asked.span = Interval(from->number, to->number);
    asked.unit = from->unit;
    return asked;
  }
  asked.values = split_values(values);
  for (const std::string& value : asked.values) {
    if (value.empty()) throw not_understood(text);
  }
  if (asked.values.size() < 2)
    throw WrongCall(fmt::format("--vary {0}: expected two values or more; use --set {0} for one", text));
  return asked;
}

AskedVary parse_values(const std::string& text) {
  AskedVary asked = parse_vary(text);
  if (asked.span) {
    throw WrongCall(fmt::format("--vary {}: this command compares single values, as in {}={},{}; sweep takes ranges",
                                text, asked.setting, asked.text_of(asked.span->from), asked.text_of(asked.span->to)));
  }
  return asked;
}

}  // namespace fond_ladder::calls
