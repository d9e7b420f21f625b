// SPDX-License-Identifier: MIT
#include "page/engine/handles.hpp"

#include <sstream>

#include "page/engine/handle_finder.hpp"
#include "page/engine/scopes.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::page {

HandleFinder::HandleFinder(const ShownScene& shown, NodeId node)
    : shown_(shown),
      solution_(shown.solution()),
      tree_(shown.tree()),
      node_(node),
      parent_(tree_.parent(node)),
      keys_(solution_.keys(node)),
      sources_(sources(shown, node)) {
  if (parent_) above_ = solution_.keys(parent_);
  box_ = solution_.painted_box(node);
  if (solution_.is_placed(node) && solution_.box(node).width > 0) zoom_ = box_.width / solution_.box(node).width;
}

void HandleFinder::find() {
  if (!solution_.is_placed(node_)) return;
  for (const Axis axis : {x_axis, y_axis}) {
    find_size(axis);
    find_gap(axis);
    find_tracks(axis);
    find_span(axis);
  }
  find_pins();
  find_share();
  find_nudge();
  find_paddings();
  find_margins();
  find_border();
}

Handle& HandleFinder::add(std::string setting, Axis axis) {
  Handle& handle = handles.emplace_back();
  handle.axis = axis;
  handle.x = middle(x_axis);
  handle.y = middle(y_axis);
  handle.choices = {{setting, setting}};
  handle.setting = std::move(setting);
  return handle;
}

void HandleFinder::scope(Handle& handle, std::string_view key) const {
  handle.scopes = scopes(shown_, node_, key, sources_);
}

namespace {

void write_pulled(JsonWriter& json, const Pulled& pulled) {
  json.texts("texts", pulled.texts);
  json.objects("numbers", pulled.numbers, [&](const Pulled::Number& number) {
    json.number("times", number.times);
    json.number("plus", number.plus);
  });
}

void write_handle(JsonWriter& json, const Handle& handle) {
  json.text("setting", handle.setting);
  json.number("value", handle.value);
  json.number("x", handle.x);
  json.number("y", handle.y);
  json.text("axis", handle.axis == x_axis ? "x" : "y");
  json.number("way", handle.way);
  json.number("least", handle.least);
  json.number("most", handle.most);
  json.number("grain", handle.grain);
  json.number("per_pixel", handle.per_pixel);
  json.objects("choices", handle.choices, [&](const Choice& choice) {
    json.text("words", choice.words);
    json.text("setting", choice.setting);
  });
  json.objects("scopes", handle.scopes, [&](const Scope& scope) {
    json.text("words", scope.words);
    json.text("place", scope.place);
    if (!scope.first.empty()) json.text("first", scope.first);
  });
  json.begin_object("own");
  write_pulled(json, handle.own);
  json.end();
  json.objects("also", handle.also, [&](const Pulled& pulled) { write_pulled(json, pulled); });
  json.objects("stops", handle.stops, [&](const std::pair<double, double>& stop) {
    json.number("at", stop.first);
    json.number("value", stop.second);
  });
}

}  // namespace

std::string handles(const ShownScene& shown, NodeId node) {
  HandleFinder found(shown, node);
  found.find();
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.objects("handles", found.handles, [&](const Handle& handle) { write_handle(json, handle); });
  json.objects("fixed", found.fixed, [&](const Fixed& fixed) {
    json.text("axis", fixed.axis == x_axis ? "x" : "y");
    json.number("x", fixed.x);
    json.number("y", fixed.y);
    json.text("why", fixed.why);
  });
  json.end();
  return out.str();
}

std::string drop_target(const ShownScene& shown, double x, double y, NodeId carried) {
  const std::optional<Solution::DropTarget> found = shown.solution().drop_target(x, y, carried);
  if (!found) return "null";
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.text("container", shown.tree().path(found->parent));
  json.number("place", static_cast<double>(found->place));
  json.number("x", found->indicator.x);
  json.number("y", found->indicator.y);
  json.number("width", found->indicator.width);
  json.number("height", found->indicator.height);
  json.end();
  return out.str();
}

}  // namespace fond_ladder::page
