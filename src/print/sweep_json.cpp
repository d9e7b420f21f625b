// SPDX-License-Identifier: MIT
#include "print/sweep.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_breakpoint(JsonWriter& json, const Breakpoint& breakpoint) {
  json.number("at", breakpoint.at);
  if (breakpoint.kind == BreakpointKind::jump) json.truth("includes_at", breakpoint.includes_at);
  if (breakpoint.kind == BreakpointKind::curve) json.number("to", breakpoint.to);
  json.text("quantity", breakpoint.name);
  json.text("kind", word(breakpoint.kind));
  json.number("before", breakpoint.before);
  json.number("after", breakpoint.after);
  json.number("slope_before", breakpoint.slope_before);
  json.number("slope_after", breakpoint.slope_after);
  json.text("why", breakpoint.why);
}

}  // namespace

void write_swept(JsonWriter& json, const ShownSweep& shown) {
  const Sweep& swept = shown.swept;
  const bool of_setting = !swept.setting.empty();
  json.text("axis", of_setting ? "setting" : swept.along_height ? "height" : "width");
  if (of_setting) {
    json.text("setting", swept.setting);
    json.text("unit", shown.unit.empty() ? "px" : shown.unit);
  }
  if (const std::string scrolled = scrolled_words(shown); !scrolled.empty()) json.text("scrolled", scrolled);
  json.truth("proved", swept.sampled.empty());
  json.objects("sizes", shown.rows, [&](const auto& step) {
    if (of_setting) json.number("value", step.at);
    json.number("width", step.container.width);
    json.number("height", step.container.height);
    json.begin_object("values");
    for (const std::size_t q : shown.columns) json.number(swept.quantities[q].text, step.values[q]);
    json.end();
  });
  json.objects("breakpoints", shown_breakpoints(shown),
               [&](const Breakpoint* breakpoint) { write_breakpoint(json, *breakpoint); });
}

}  // namespace fond_ladder::inline v0
