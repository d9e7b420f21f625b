// SPDX-License-Identifier: MIT
#include "print/json_writer.hpp"

#include <cmath>
#include <ostream>

#include "model/json_text.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0 {

void JsonWriter::ahead_of_value(std::string_view key) {
  if (!open_.empty()) {
    Open& around = open_.back();
    if (!around.empty) out_ << ',';
    if (around.a_line_each) {
      out_ << '\n' << std::string(open_.size(), ' ');
    } else if (!around.empty) {
      out_ << ' ';
    }
    around.empty = false;
  }
  if (!key.empty()) out_ << json_text(key) << ": ";
}

void JsonWriter::begin_object(std::string_view key) {
  ahead_of_value(key);
  out_ << '{';
  open_.push_back({'}', false});
}

void JsonWriter::begin_list(std::string_view key) {
  ahead_of_value(key);
  out_ << '[';
  open_.push_back({']', false});
}

void JsonWriter::begin_lines(std::string_view key) {
  begin_list(key);
  open_.back().a_line_each = true;
}

void JsonWriter::end() {
  out_ << open_.back().closer;
  open_.pop_back();
  if (open_.empty()) out_ << '\n';
}

void JsonWriter::json(std::string_view key, std::string_view value) {
  ahead_of_value(key);
  out_ << value;
}

void JsonWriter::text(std::string_view key, std::string_view value) {
  json(key, json_text(value));
}

void JsonWriter::number(std::string_view key, double value) {
  json(key, std::isfinite(value) ? exact(value) : "null");
}

void JsonWriter::number(std::string_view key, const std::optional<double>& value) {
  value ? number(key, *value) : null(key);
}

void JsonWriter::truth(std::string_view key, bool value) {
  json(key, value ? "true" : "false");
}

void JsonWriter::null(std::string_view key) {
  json(key, "null");
}

void JsonWriter::texts(std::string_view key, const std::vector<std::string>& values) {
  begin_list(key);
  for (const std::string& value : values) text({}, value);
  end();
}

void JsonWriter::box(std::string_view key, const std::optional<Rect>& box) {
  if (!box) return null(key);
  begin_object(key);
  number("x", box->x);
  number("y", box->y);
  number("width", box->width);
  number("height", box->height);
  end();
}

void JsonWriter::extent(std::string_view key, const Extent& size) {
  begin_object(key);
  number("width", size.width);
  number("height", size.height);
  end();
}

}  // namespace fond_ladder::inline v0
