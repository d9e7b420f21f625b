// SPDX-License-Identifier: MIT
#include "scene/read/json_document.hpp"

#include <algorithm>
#include <nlohmann/json.hpp>
#include <unordered_map>

namespace fond_ladder::inline v0::scene {
namespace {

using nlohmann::json;

/// Walks along the raw text in step with the parser's events, to learn where each token begins. The parser has already
/// accepted the tokens, so nothing is checked here.
class TokenCursor {
 public:
  explicit TokenCursor(std::string_view text) : text_(text) {
    if (text_.starts_with("\xEF\xBB\xBF")) at_ = 3;
  }

  [[nodiscard]] std::size_t at() const { return at_; }
  std::size_t mark() { return skip_blanks(), at_++; }
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

/// The last character before a place that is no blank, and where it stands; 0 for none.
std::pair<char, std::size_t> character_before(std::string_view text, std::size_t at) {
  while (at > 0) {
    if (std::string_view(" \t\r\n").find(text[--at]) == std::string_view::npos) return {text[at], at};
  }
  return {0, 0};
}

/// What the parser says, without its numbers and places, as one short line.
std::string parser_words(std::string message) {
  for (const std::string_view lead : {"] ", ": "}) {
    const std::size_t end = message.find(lead);
    if (end != std::string::npos && (lead == "] " || message.starts_with("parse error"))) {
      message.erase(0, end + lead.size());
    }
  }
  message.erase(std::min(message.find("; last read"), message.size()));  // the file may be nobody's to show
  std::ranges::replace_if(
      message, [](unsigned char c) { return c < ' ' || c == 0x7F; }, '?');
  constexpr std::size_t longest = 200;
  return "this is not JSON: " + (message.size() > longest ? message.substr(0, longest) + "..." : message);
}

/// The slips that people make, in our words; whatever else, in the parser's.
JsonFault fault_of(std::string_view text, std::size_t at, const std::string& said) {
  const auto says = [&](std::string_view words) { return said.find(words) != std::string::npos; };
  at = std::min(at, text.size());
  // The parser stands at the end of the token that it did not expect.
  if (says("unexpected end of input")) {
    if (text.find_first_not_of(" \t\r\n") == std::string_view::npos) return {at, "this is not JSON: there is nothing"};
    return {at, "the file ends before all that was opened is closed: a } or ] is missing, or a quote"};
  }
  if (says("missing closing quote") || says("must be escaped")) {
    const std::size_t line =
        text.rfind('\n', at > 0 ? at - 1 : 0) == std::string_view::npos ? 0 : text.rfind('\n', at > 0 ? at - 1 : 0);
    if (text[std::min(at, text.size() - 1)] == '\n' || says("missing closing quote"))
      return {std::max(line, text.rfind('"', at)),
              "this text has no closing quote on its line; a line break in a text is \\n"};
    return {at, "a control character in a text is written as \\t, \\n or \\u0000"};
  }
  if (says("forbidden character after backslash"))
    return {at, "behind a backslash in a text stand only \" \\ / b f n r t or u"};
  const auto [before, place] = character_before(text, at);
  const char here = at < text.size() ? text[at] : '\0';
  if (before == 0) return {at, "this is not JSON: a scene begins with {"};
  if ((here == '}' || here == ']') && before == ',')
    return {place, "a comma stands before the closing bracket; take it out"};
  if (says("expected end of input"))
    return {at, "something stands behind the end of the scene; take it out, or one closing bracket"};
  const bool is_word = (here >= 'a' && here <= 'z') || (here >= 'A' && here <= 'Z') || here == '_' || here == '\'';
  if (says("invalid literal") && says("object key")) return {at, "a key stands in double quotes, as in \"width\""};
  if (says("object separator") && says("expected ':'"))
    return {at, "a colon is missing behind the key, or a quote in it"};
  std::size_t digits = at;
  while (digits > 0 && text[digits - 1] >= '0' && text[digits - 1] <= '9') --digits;
  if (digits < at && text[digits] == '0' && here >= '0' && here <= '9')
    return {digits, "a number begins with no 0 but that of 0.5"};
  if (says("while parsing value") && (here == '}' || here == ']' || here == ','))
    return {at, "a value is missing before this"};
  if (says("object separator") || says("while parsing object -") || says("while parsing array"))
    return {at, "a comma is missing before this"};
  if (says("invalid literal") && is_word) return {at, "a word stands in double quotes, as in \"row\""};
  if (says("invalid literal")) return {at, "this is no value; texts and words stand in double quotes, as in \"row\""};
  return {at, parser_words(said)};
}

/// Builds the flat list from the parser's events.
class Builder : public json::json_sax_t {
 public:
  Builder(std::string_view text, std::vector<JsonValue>& values) : text_(text), cursor_(text), values_(values) {}

  JsonFault fault;

  bool null() override { return add({}, cursor_.word()); }
  bool boolean(bool flag) override {
    JsonValue value = of(JsonValue::Type::boolean);
    value.boolean = flag;
    return add(std::move(value), cursor_.word());
  }
  bool number_integer(number_integer_t value) override { return number(static_cast<double>(value)); }
  bool number_unsigned(number_unsigned_t value) override { return number(static_cast<double>(value)); }
  bool number_float(number_float_t value, const string_t& /*as_written*/) override { return number(value); }
  bool string(string_t& text) override {
    JsonValue value = of(JsonValue::Type::string);
    value.text = std::move(text);
    return add(std::move(value), cursor_.string());
  }
  bool binary(binary_t& /*value*/) override { return false; }
  bool start_object(std::size_t /*count*/) override { return open(JsonValue::Type::object); }
  bool start_array(std::size_t /*count*/) override { return open(JsonValue::Type::array); }
  bool end_object() override { return close(); }
  bool end_array() override { return close(); }
  bool key(string_t& name) override {
    key_ = std::move(name);
    key_offset_ = cursor_.string();
    return true;
  }
  bool parse_error(std::size_t position, const std::string& /*last_token*/, const json::exception& error) override {
    fault = fault_of(text_, position > 0 ? position - 1 : 0, error.what());
    return false;
  }

 private:
  static JsonValue of(JsonValue::Type type) {
    JsonValue value;
    value.type = type;
    return value;
  }
  bool number(double number) {
    JsonValue value = of(JsonValue::Type::number);
    value.number = number;
    return add(std::move(value), cursor_.number());
  }

  bool open(JsonValue::Type type) {
    add(of(type), cursor_.mark());
    open_.push_back({static_cast<ValueId>(values_.size() - 1), no_value});
    return true;
  }
  bool close() {
    cursor_.mark();
    values_[open_.back().parent].end = static_cast<std::uint32_t>(cursor_.at());
    open_.pop_back();
    return true;
  }
  bool add(JsonValue value, std::size_t offset) {
    const auto id = static_cast<ValueId>(values_.size());
    value.offset = value.key_offset = static_cast<std::uint32_t>(offset);
    value.end = static_cast<std::uint32_t>(cursor_.at());
    if (!open_.empty()) {
      auto& [parent, last] = open_.back();
      value.parent = parent;
      if (last == no_value) {
        values_[parent].first = id;
      } else {
        values_[last].next = id;
        value.place = values_[last].place + 1;
      }
      if (values_[parent].type == JsonValue::Type::object) {
        value.key = std::move(key_);
        value.key_offset = static_cast<std::uint32_t>(key_offset_);
      }
      last = id;
    }
    values_.push_back(std::move(value));
    return true;
  }

  struct Open {
    ValueId parent, last;
  };
  std::string_view text_;
  TokenCursor cursor_;
  std::vector<JsonValue>& values_;
  std::vector<Open> open_;
  std::string key_;
  std::size_t key_offset_ = 0;
};

}  // namespace

ValueId JsonDocument::add(std::string_view text) {
  const std::size_t known = values_.size();
  Builder builder(text, values_);
  if (!json::sax_parse(text.begin(), text.end(), &builder, json::input_format_t::json, true, true)) {
    values_.resize(known);
    throw JsonFault(builder.fault);
  }
  roots_.push_back(static_cast<ValueId>(known));
  return roots_.back();
}

bool JsonDocument::speaks_of_inner(ValueId object) const {
  if (object == no_value || values_[object].type != JsonValue::Type::object) return false;
  const ValueId above = values_[object].parent;
  return values_[object].key == "with" ||
         (above != no_value && values_[above].type == JsonValue::Type::array && values_[above].key == "copies");
}

void JsonDocument::unfold_dotted_keys() {
  const auto written = static_cast<ValueId>(values_.size());
  for (ValueId object = 0; object < written; ++object) {
    if (!speaks_of_inner(object)) continue;
    std::unordered_map<std::string, ValueId> last_in;  // by path, what an unfolded object holds last
    ValueId before = no_value;
    for (ValueId id = values_[object].first; id != no_value; id = values_[id].next) {
      const std::size_t dot = values_[id].key.rfind('.');
      if (dot == std::string::npos) {
        before = id;
        continue;
      }
      const auto stands = static_cast<ValueId>(values_.size());
      JsonValue inside = values_[id];
      inside.key.erase(0, dot + 1);
      inside.written = id;
      inside.next = no_value;
      const auto [at, is_new] = last_in.try_emplace(values_[id].key.substr(0, dot), stands + 1);
      if (is_new) {
        JsonValue holder = values_[id];
        holder.type = JsonValue::Type::object;
        holder.key = at->first;
        holder.text.clear();
        holder.written = id;
        holder.first = stands + 1;
        inside.parent = stands;
        values_.push_back(std::move(holder));
        (before == no_value ? values_[object].first : values_[before].next) = stands;
        before = stands;
      } else {
        inside.parent = values_[at->second].parent;
        values_[std::exchange(at->second, stands)].next = stands;
        (before == no_value ? values_[object].first : values_[before].next) = values_[id].next;
      }
      values_.push_back(std::move(inside));
    }
  }
}

std::size_t JsonDocument::text_of(ValueId id) const {
  if (values_[id].written != no_value) id = values_[id].written;
  return static_cast<std::size_t>(std::ranges::upper_bound(roots_, id) - roots_.begin()) - 1;
}

bool JsonDocument::alike(ValueId one, ValueId other) const {
  std::vector<std::pair<ValueId, ValueId>> open{{one, other}};
  while (!open.empty()) {
    const auto [a, b] = open.back();
    open.pop_back();
    const JsonValue &here = values_[a], &there = values_[b];
    if (here.type != there.type || here.boolean != there.boolean || here.number != there.number ||
        here.text != there.text)
      return false;
    std::size_t members = 0;
    ValueId beside = there.first;
    for (ValueId id = here.first; id != no_value; id = values_[id].next, ++members) {
      const ValueId twin = here.type == JsonValue::Type::object ? member(b, values_[id].key) : beside;
      if (twin == no_value) return false;
      open.emplace_back(id, twin);
      if (beside != no_value) beside = values_[beside].next;
    }
    for (ValueId id = there.first; id != no_value; id = values_[id].next) --members;
    if (members != 0) return false;
  }
  return true;
}

ValueId JsonDocument::member(ValueId object, std::string_view key) const {
  for (ValueId id = values_[object].first; id != no_value; id = values_[id].next) {
    if (values_[id].key == key) return id;
  }
  return no_value;
}

std::string JsonDocument::pointer(ValueId id) const {
  if (values_[id].written != no_value) id = values_[id].written;
  std::vector<ValueId> way;
  for (; values_[id].parent != no_value; id = values_[id].parent) way.push_back(id);
  std::string pointer;
  for (auto step = way.rbegin(); step != way.rend(); ++step) {
    const JsonValue& value = values_[*step];
    pointer += '/';
    if (values_[value.parent].type == JsonValue::Type::array) {
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
