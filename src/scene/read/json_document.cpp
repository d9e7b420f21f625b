// SPDX-License-Identifier: MIT
#include "scene/read/json_document.hpp"

#include <algorithm>
#include <nlohmann/json.hpp>
#include <unordered_map>

#include "model/limits.hpp"

namespace fond_ladder::inline v0::scene {
// Not in a namespace without a name: a class of this name has one as a member, also where files are joined.
namespace json_reading {

/// Walks along the raw text in step with the parser's events, to learn where each token begins. The parser has already
/// accepted the tokens, so nothing is checked here.
class TokenCursor {
 public:
  explicit TokenCursor(std::string_view text) : text_(text) {
    if (text_.starts_with("\xEF\xBB\xBF")) at_ = 3;
  }

  [[nodiscard]] std::size_t at() const { return at_; }
  std::size_t mark() { return skip_blanks(), at_++; }
  /// The first character of the token that comes next; 0 at the end.
  char next() { return skip_blanks(), at_ < text_.size() ? text_[at_] : '\0'; }
  std::size_t word() {
    skip_blanks();
    const std::size_t begin = at_;
    while (at_ < text_.size() && std::isalpha(static_cast<unsigned char>(text_[at_]))) ++at_;
    return begin;
  }
  std::size_t number() {
    skip_blanks();
    const std::size_t begin = at_;
    at_ = std::min(text_.find_first_not_of("+-.eE0123456789", at_), text_.size());
    return begin;
  }
  std::size_t string() {
    skip_blanks();
    const std::size_t begin = at_++;
    while (at_ < text_.size() && text_[at_] != '"') at_ += text_[at_] == '\\' ? 2 : 1;
    ++at_;
    return begin;
  }

 private:
  void skip_blanks() {
    while (at_ < text_.size()) {
      const std::string_view rest = text_.substr(at_);
      if (rest.starts_with("/*")) {
        at_ = std::min(text_.find("*/", at_ + 2), text_.size() - 2) + 2;
      } else if (rest.starts_with("//")) {
        at_ = std::min(text_.find('\n', at_), text_.size());
      } else if (std::string_view(" \t\r\n,:").find(rest.front()) != std::string_view::npos) {
        ++at_;
      } else {
        return;
      }
    }
  }

  std::string_view text_;
  std::size_t at_ = 0;
};

}  // namespace json_reading

namespace {

using nlohmann::json;

/// The last character before a place that is not a blank, and its place; 0 for none.
std::pair<char, std::size_t> character_before(std::string_view text, std::size_t at) {
  while (at > 0) {
    if (std::string_view(" \t\r\n").find(text[--at]) == std::string_view::npos) return {text[at], at};
  }
  return {0, 0};
}

/// The open brackets at a place, outermost first, in a text whose tokens the parser has accepted up to there.
std::vector<std::size_t> open_brackets(std::string_view text, std::size_t end) {
  std::vector<std::size_t> open;
  json_reading::TokenCursor cursor(text.substr(0, end));
  while (const char token = cursor.next()) {
    if (token == '"') {
      cursor.string();
      continue;
    }
    const std::size_t at = cursor.mark();
    if (token == '{' || token == '[') open.push_back(at);
    if ((token == '}' || token == ']') && !open.empty()) open.pop_back();
  }
  return open;
}

/// `the [ of line 3, column 7`.
std::string bracket_text(std::string_view text, std::size_t at) {
  const Position position = position_in(text, at);
  return std::string("the ") + text[at] + " of line " + std::to_string(position.line) + ", column " +
         std::to_string(position.column);
}

/// The parser's message, without its numbers and places, as one short line.
std::string parser_words(std::string message) {
  for (const std::string_view lead : {"] ", ": "}) {
    const std::size_t end = message.find(lead);
    if (end != std::string::npos && (lead == "] " || message.starts_with("parse error"))) {
      message.erase(0, end + lead.size());
    }
  }
  message.erase(std::min(message.find("; last read"), message.size()));  // the content of the file may be secret
  std::ranges::replace_if(
      message, [](unsigned char c) { return c < ' ' || c == 0x7F; }, '?');
  constexpr std::size_t longest = 200;
  return "this is not JSON: " + (message.size() > longest ? message.substr(0, longest) + "..." : message);
}

/// The slips that people make, in our words; whatever else, in the parser's.
JsonFault fault_of(std::string_view text, std::size_t at, const std::string& message) {
  const auto contains = [&](std::string_view words) { return message.find(words) != std::string::npos; };
  at = std::min(at, text.size());
  // The parser is at the end of the token that it did not expect.
  if (contains("unexpected end of input")) {
    if (text.find_first_not_of(" \t\r\n") == std::string_view::npos) return {at, "this is not JSON: the text is empty"};
    const std::vector<std::size_t> open = open_brackets(text, text.size());
    if (open.empty()) return {at, "the file ends too early: a value or a quote is missing"};
    return {at, "the file ends too early: " + bracket_text(text, open.back()) + " is not closed"};
  }
  if (contains("missing closing quote") || contains("must be escaped")) {
    const std::size_t line =
        text.rfind('\n', at > 0 ? at - 1 : 0) == std::string_view::npos ? 0 : text.rfind('\n', at > 0 ? at - 1 : 0);
    if (text[std::min(at, text.size() - 1)] == '\n' || contains("missing closing quote"))
      return {std::max(line, text.rfind('"', at)),
              "the closing quote is missing on this line; write a line break in a text as \\n"};
    return {at, "a control character is not allowed in a text; write \\t, \\n or \\u0000"};
  }
  if (contains("surrogate")) return {at, "\\uD800 to \\uDBFF must be followed by \\uDC00 to \\uDFFF"};
  if (contains("4 hex digits")) return {at, "\\u needs four digits from 0 to 9 and A to F"};
  const std::size_t number = text.find_last_not_of("+-.eE0123456789", at > 0 ? at - 1 : 0) + 1;
  if (contains("number overflow")) return {number, "this number is too large; lengths go up to 1e9"};
  if (contains("invalid number"))
    return {number, "a number needs digits before and after its point and its e, as in 0.5"};
  if (contains("forbidden character after backslash"))
    return {at, "valid escapes are \\\" \\\\ \\/ \\b \\f \\n \\r \\t and \\u"};
  const auto [before, place] = character_before(text, at);
  const char here = at < text.size() ? text[at] : '\0';
  if (before == 0) return {at, "this is not JSON: a scene begins with {"};
  if ((here == '}' || here == ']') && before == ',')
    return {place, "there is a comma before the closing bracket; remove it"};
  if (here == '}' || here == ']') {
    const std::vector<std::size_t> open = open_brackets(text, at);
    if (!open.empty() && text[open.back()] != (here == '}' ? '{' : '['))
      return {at, "this " + std::string(1, here) + " closes nothing: " + bracket_text(text, open.back()) +
                      " is still open"};
  }
  if (contains("expected end of input"))
    return {at, "there is text after the end of the scene; remove it, or one closing bracket"};
  const bool is_word = (here >= 'a' && here <= 'z') || (here >= 'A' && here <= 'Z') || here == '_' || here == '\'';
  if (contains("invalid literal") && contains("object key")) return {at, "a key needs double quotes, as in \"width\""};
  if (contains("object separator") && contains("expected ':'"))
    return {at, "a colon is missing after the key, or a quote in it"};
  std::size_t digits = at;
  while (digits > 0 && text[digits - 1] >= '0' && text[digits - 1] <= '9') --digits;
  if (digits < at && text[digits] == '0' && here >= '0' && here <= '9')
    return {digits, "a number cannot begin with 0, except as in 0.5"};
  if (contains("while parsing value") && (here == '}' || here == ']' || here == ','))
    return {at, "a value is missing before this"};
  if (contains("object separator") || contains("while parsing object -") || contains("while parsing array"))
    return {at, "a comma is missing before this"};
  if (contains("invalid literal") && is_word) return {at, "a word needs double quotes, as in \"row\""};
  if (here == '+' || here == '.') return {at, "a number begins with a digit or with -, as in 0.5"};
  if (contains("invalid literal"))
    return {at, "this is not a value; texts and words need double quotes, as in \"row\""};
  return {at, parser_words(message)};
}

/// Whether there are more values in some bytes than a scene has any use for.
bool is_too_dense(std::size_t values, std::size_t bytes) {
  return values > bytes / limits::bytes_a_value + limits::values_beside;
}

}  // namespace

/// Builds the flat list from the parser's events.
class JsonDocument::Builder : public json::json_sax_t {
 public:
  Builder(std::string_view text, JsonDocument& document)
      : text_(text), cursor_(text), document_(document), before_(document.size_) {}

  JsonFault fault;

  bool null() override { return add({}, cursor_.word()); }
  bool boolean(bool flag) override {
    Record value = of(JsonValue::Type::boolean);
    value.boolean = flag;
    return add(value, cursor_.word());
  }
  bool number_integer(number_integer_t value) override { return number(static_cast<double>(value)); }
  bool number_unsigned(number_unsigned_t value) override { return number(static_cast<double>(value)); }
  bool number_float(number_float_t value, const string_t& /*as_written*/) override { return number(value); }
  bool string(string_t& text) override {
    Record value = of(JsonValue::Type::string);
    const std::string_view kept = document_.keep(text);
    value.text = kept.data();
    value.text_length = static_cast<std::uint32_t>(kept.size());
    return add(value, cursor_.string());
  }
  bool binary(binary_t& /*value*/) override { return false; }
  bool start_object(std::size_t /*count*/) override { return open(JsonValue::Type::object); }
  bool start_array(std::size_t /*count*/) override {
    constexpr std::size_t most_lists = 3;  // directly in one another; nothing in a scene has more than one
    const std::size_t around = std::min(open_.size(), most_lists);
    const bool is_in_lists = std::all_of(open_.end() - static_cast<std::ptrdiff_t>(around), open_.end(), [&](Open one) {
      return document_.record(one.parent).type == JsonValue::Type::array;
    });
    if (around < most_lists || !is_in_lists) return open(JsonValue::Type::array);
    fault = {cursor_.mark(), "a list inside a list has no meaning in a scene"};
    return false;
  }
  bool end_object() override { return close(); }
  bool end_array() override { return close(); }
  bool key(string_t& name) override {
    key_ = document_.keep(name);
    key_offset_ = cursor_.string();
    return true;
  }
  bool parse_error(std::size_t position, const std::string& /*last_token*/, const json::exception& error) override {
    fault = fault_of(text_, position > 0 ? position - 1 : 0, error.what());
    return false;
  }

 private:
  struct Open {
    ValueId parent, last;
  };

  static Record of(JsonValue::Type type) {
    Record value;
    value.type = type;
    return value;
  }
  bool number(double number) {
    Record value = of(JsonValue::Type::number);
    value.number = number;
    return add(value, cursor_.number());
  }

  bool open(JsonValue::Type type) {
    if (!add(of(type), cursor_.mark())) return false;
    open_.push_back({static_cast<ValueId>(document_.size_ - 1), no_value});
    return true;
  }
  bool close() {
    cursor_.mark();
    document_.record(open_.back().parent).end = static_cast<std::uint32_t>(cursor_.at());
    open_.pop_back();
    return true;
  }
  bool add(Record value, std::size_t offset) {
    if (is_too_dense(document_.size_ - before_, offset)) {
      fault = {offset, "too many values in too few bytes: " + std::to_string(document_.size_ - before_)};
      return false;
    }
    value.offset = value.key_offset = static_cast<std::uint32_t>(offset);
    value.end = static_cast<std::uint32_t>(cursor_.at());
    const auto id = static_cast<ValueId>(document_.size_);
    if (!open_.empty()) {
      auto& [parent, last] = open_.back();
      value.parent = parent;
      if (last == no_value) {
        document_.record(parent).first = id;
      } else {
        document_.record(last).next = id;
        value.place = document_.record(last).place + 1;
      }
      if (document_.record(parent).type == JsonValue::Type::object) {
        value.key = key_.data();
        value.key_length = static_cast<std::uint32_t>(key_.size());
        value.key_offset = static_cast<std::uint32_t>(key_offset_);
      }
      last = id;
    }
    document_.put(value);
    return true;
  }

  std::string_view text_;
  json_reading::TokenCursor cursor_;
  JsonDocument& document_;
  std::size_t before_;
  std::vector<Open> open_;
  std::string_view key_;
  std::size_t key_offset_ = 0;
};

ValueId JsonDocument::put(const Record& one) {
  if (size_ == blocks_.size() * block) blocks_.push_back(std::make_unique<Record[]>(block));
  record(static_cast<ValueId>(size_)) = one;
  return static_cast<ValueId>(size_++);
}

std::string_view JsonDocument::keep(std::string_view text) {
  if (text.empty()) return {};
  constexpr std::size_t space = 65536;
  if (text.size() > space / 4) {  // alone, and what is left stays of use
    auto alone = std::make_unique<char[]>(text.size());
    std::ranges::copy(text, alone.get());
    return {texts_.insert(texts_.begin(), std::move(alone))->get(), text.size()};
  }
  if (text_space_ < text.size()) {
    texts_.push_back(std::make_unique<char[]>(space));
    text_space_ = space;
  }
  char* const at = texts_.back().get() + (space - text_space_);
  std::ranges::copy(text, at);
  text_space_ -= text.size();
  return {at, text.size()};
}

ValueId JsonDocument::add(std::string_view text) {
  if (const std::size_t nul = text.find('\0'); nul != std::string_view::npos) {
    const bool is_wide = nul < 2 || text.starts_with("\xFF\xFE") || text.starts_with("\xFE\xFF");
    throw JsonFault{nul, is_wide ? "this is not UTF-8; save the file as UTF-8, not UTF-16"
                                 : "JSON has no NUL character; remove it"};
  }
  const std::size_t known = size_;
  Builder builder(text, *this);
  if (!json::sax_parse(text.begin(), text.end(), &builder, json::input_format_t::json, true, true)) {
    size_ = known;
    throw JsonFault(builder.fault);
  }
  roots_.push_back(static_cast<ValueId>(known));
  return roots_.back();
}

bool JsonDocument::speaks_of_inner(ValueId object) const {
  if (object == no_value || record(object).type != JsonValue::Type::object) return false;
  const JsonValue value = (*this)[object];
  if (value.key == "with") return true;
  if (value.parent == no_value) return false;
  const JsonValue above = (*this)[value.parent];
  return above.type == JsonValue::Type::array && above.key == "copies";
}

void JsonDocument::unfold_dotted_keys() {
  const auto written = static_cast<ValueId>(size_);
  for (ValueId object = 0; object < written; ++object) {
    if (!speaks_of_inner(object)) continue;
    std::unordered_map<std::string_view, ValueId> last_in;  // by path, what an unfolded object holds last
    ValueId before = no_value;
    for (ValueId id = record(object).first; id != no_value; id = record(id).next) {
      const std::string_view key = (*this)[id].key;
      const std::size_t dot = key.rfind('.');
      const bool begins_path = dot == 0 && key.starts_with(inner_path_mark);
      if (dot == std::string_view::npos || begins_path) {
        before = id;
        continue;
      }
      const auto stands = static_cast<ValueId>(size_);
      Record inside = record(id);
      inside.key += dot + 1;
      inside.key_length -= static_cast<std::uint32_t>(dot + 1);
      inside.stands = true;
      inside.next = no_value;
      const auto [at, is_new] = last_in.try_emplace(key.substr(0, dot), stands + 1);
      if (is_new) {
        Record holder = record(id);
        holder.type = JsonValue::Type::object;
        holder.key_length = static_cast<std::uint32_t>(dot);
        holder.stands = true;
        holder.first = stands + 1;
        inside.parent = stands;
        written_[put(holder)] = id;
        (before == no_value ? record(object).first : record(before).next) = stands;
        before = stands;
      } else {
        inside.parent = record(at->second).parent;
        record(std::exchange(at->second, stands)).next = stands;
        (before == no_value ? record(object).first : record(before).next) = record(id).next;
      }
      written_[put(inside)] = id;
    }
  }
}

std::size_t JsonDocument::text_of(ValueId id) const {
  if (record(id).stands) id = written_.at(id);
  return static_cast<std::size_t>(std::ranges::upper_bound(roots_, id) - roots_.begin()) - 1;
}

bool JsonDocument::equal_values(ValueId one, ValueId other) const {
  std::vector<std::pair<ValueId, ValueId>> open{{one, other}};
  while (!open.empty()) {
    const auto [a, b] = open.back();
    open.pop_back();
    const JsonValue here = (*this)[a], there = (*this)[b];
    if (here.type != there.type || here.boolean != there.boolean || here.number != there.number ||
        here.text != there.text)
      return false;
    std::size_t members = 0;
    ValueId beside = there.first;
    for (ValueId id = here.first; id != no_value; id = record(id).next, ++members) {
      const ValueId twin = here.type == JsonValue::Type::object ? member(b, (*this)[id].key) : beside;
      if (twin == no_value) return false;
      open.emplace_back(id, twin);
      if (beside != no_value) beside = record(beside).next;
    }
    for (ValueId id = there.first; id != no_value; id = record(id).next) --members;
    if (members != 0) return false;
  }
  return true;
}

ValueId JsonDocument::member(ValueId object, std::string_view key) const {
  for (ValueId id = record(object).first; id != no_value;) {
    const Record& one = record(id);
    if (std::string_view(one.key, one.key_length) == key) return id;
    id = one.next;
  }
  return no_value;
}

std::string JsonDocument::pointer(ValueId id) const {
  if (record(id).stands) id = written_.at(id);
  std::vector<ValueId> way;
  for (; record(id).parent != no_value; id = record(id).parent) way.push_back(id);
  std::string pointer;
  for (auto step = way.rbegin(); step != way.rend(); ++step) {
    const JsonValue value = (*this)[*step];
    pointer += '/';
    if (record(value.parent).type == JsonValue::Type::array) {
      pointer += std::to_string(value.place);
      continue;
    }
    for (const char c : value.key) pointer += c == '~' ? "~0" : c == '/' ? "~1" : std::string(1, c);
  }
  return pointer;
}

Position position_in(std::string_view text, std::size_t offset) {
  const std::string_view before = text.substr(0, std::min(offset, text.size()));
  const auto lines = static_cast<std::size_t>(std::ranges::count(before, '\n'));
  const std::size_t start = before.rfind('\n') == std::string_view::npos ? 0 : before.rfind('\n') + 1;
  return {lines + 1, before.size() - start + 1};
}

bool has_comments(std::string_view text) {
  return !json::accept(text.begin(), text.end());
}

}  // namespace fond_ladder::inline v0::scene
