// SPDX-License-Identifier: MIT
#include "print/json_frame.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Raised when a field of any answer changes its meaning.
constexpr int json_form = 2;

void write_span(JsonWriter& json, std::string_view key, const Interval& span) {
  if (span.from == span.to && !key.empty()) return json.number(key, span.from);
  json.begin_object(key);
  json.number("from", span.from);
  json.number("to", span.to);
  json.end();
}

}  // namespace

JsonAnswers::JsonAnswers(std::ostream& out, std::string_view command) : json_(out) {
  json_.begin_object();
  json_.number("fond_ladder", json_form);
  json_.text("command", command);
  json_.begin_lines("answers");
}

JsonWriter& JsonAnswers::next() {
  if (inside_) json_.end();
  inside_ = true;
  json_.begin_object();
  return json_;
}

JsonWriter& JsonAnswers::next(const Scene& scene, std::string_view file) {
  next();
  json_.text("title", scene.name());
  json_.text("file", file);
  return json_;
}

JsonWriter& JsonAnswers::next(const Scene& scene, std::string_view file, const Solution& solution,
                              const AskedSize& asked) {
  next(scene, file);
  json_.extent("at", solution.container());
  if (!asked.name.empty()) json_.text("size_name", asked.name);
  if (!asked.with.empty()) json_.text("variant", asked.with);
  json_.texts("active", asked.active);
  return json_;
}

JsonWriter& JsonAnswers::next(const Scene& scene, std::string_view file, const Ladder& ladder) {
  next(scene, file);
  json_.begin_object("at");
  write_span(json_, "width", ladder.width);
  ladder.height ? write_span(json_, "height", *ladder.height) : json_.null("height");
  json_.end();
  return json_;
}

void JsonAnswers::end() {
  if (inside_) json_.end();
  json_.end();
  json_.end();
}

void write_spans(JsonWriter& json, std::string_view key, const std::vector<Interval>& spans) {
  json.begin_list(key);
  for (const Interval& span : spans) write_span(json, {}, span);
  json.end();
}

}  // namespace fond_ladder::inline v0
