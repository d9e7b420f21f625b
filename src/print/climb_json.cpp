// SPDX-License-Identifier: MIT
#include "print/climb.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_turn(JsonWriter& json, const Turn& turn) {
  json.number("at", turn.at);
  if (turn.kind == TurnKind::jump) json.truth("includes_at", turn.includes_at);
  if (turn.kind == TurnKind::curve) json.number("to", turn.to);
  json.text("quantity", turn.name);
  json.text("turn", word(turn.kind));
  json.number("before", turn.before);
  json.number("after", turn.after);
  json.number("slope_before", turn.slope_before);
  json.number("slope_after", turn.slope_after);
  json.text("cause", turn.cause);
}

}  // namespace

void write_climbed(JsonWriter& json, const ShownClimb& shown) {
  const Climb& climbed = shown.climbed;
  const bool of_setting = !climbed.setting.empty();
  json.text("axis", of_setting ? "setting" : climbed.along_height ? "height" : "width");
  if (of_setting) {
    json.text("setting", climbed.setting);
    json.text("unit", shown.unit.empty() ? "px" : shown.unit);
  }
  if (const std::string scrolled = scrolled_words(shown); !scrolled.empty()) json.text("scrolled", scrolled);
  json.truth("proved", climbed.sampled.empty());
  json.objects("rungs", shown.rows, [&](const auto& step) {
    if (of_setting) json.number("value", step.at);
    json.number("width", step.container.width);
    json.number("height", step.container.height);
    json.begin_object("values");
    for (const std::size_t q : shown.columns) json.number(climbed.quantities[q].text, step.values[q]);
    json.end();
  });
  json.objects("turns", shown_turns(shown), [&](const Turn* turn) { write_turn(json, *turn); });
}

}  // namespace fond_ladder::inline v0
