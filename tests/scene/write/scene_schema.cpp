// SPDX-License-Identifier: MIT
//
// Written from the table of keys, one overload for every type a key can have, beside key_reader.cpp and key_writer.cpp.
#include "scene_schema.hpp"

#include <map>
#include <nlohmann/json.hpp>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "scene/write/key_writer.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Json = nlohmann::ordered_json;

constexpr auto number_form = R"(-?([0-9]+\.?[0-9]*|\.[0-9]+)([eE][-+]?[0-9]+)?)";
constexpr auto name_form = R"(^[A-Za-z][A-Za-z0-9_-]*(\[[0-9]+\])?$)";
constexpr auto plain_name_form = R"(^[A-Za-z][A-Za-z0-9_-]*$)";

Json any_of(std::initializer_list<Json> schemas) {
  return {{"anyOf", Json(schemas)}};
}
Json text_like(const std::string& form) {
  return {{"type", "string"}, {"pattern", form}};
}
Json words(std::span<const std::string_view> list) {
  return {{"enum", std::vector<std::string>(list.begin(), list.end())}};
}
Json reference(const std::string& definition) {
  return {{"$ref", "#/$defs/" + definition}};
}
Json list_of(const Json& items) {
  return {{"type", "array"}, {"items", items}};
}
Json two(const Json& item) {
  return {{"type", "array"}, {"items", item}, {"minItems", 2}, {"maxItems", 2}};
}
Json closed_object(const Json& properties) {
  return {{"type", "object"}, {"properties", properties}, {"additionalProperties", false}};
}
Json map_of(const Json& values) {
  return {{"type", "object"}, {"additionalProperties", values}};
}
Json same_for(std::span<const std::string_view> keys, const Json& schema) {
  Json properties = Json::object();
  for (const std::string_view key : keys) properties[std::string(key)] = schema;
  return properties;
}

/// What a number of this domain may be.
Json number_in(Domain domain) {
  Json schema{{"type", "number"}};
  switch (domain) {
    case Domain::any:
    case Domain::no_fill: schema["minimum"] = -limits::largest_length; break;
    case Domain::not_negative:
    case Domain::thickness:
    case Domain::tracks:
    case Domain::factor: schema["minimum"] = 0; break;
    case Domain::positive: schema["exclusiveMinimum"] = 0; break;
    case Domain::share: schema["minimum"] = limits::smallest_factor; break;
    case Domain::ratio:
      return {{"type", "number"}, {"minimum", limits::smallest_aspect}, {"maximum", limits::largest_aspect}};
    case Domain::at_least_one: schema["minimum"] = 1; break;
  }
  schema["maximum"] = limits::largest_length;
  return schema;
}

Json length_in(Domain domain) {
  const bool negative = domain == Domain::any || domain == Domain::no_fill;
  const std::string number = negative ? number_form : number_form + 2;  // without the sign
  return any_of(
      {number_in(domain), text_like("^" + number + (domain == Domain::thickness ? "(em|ch)$" : "(em|ch|%)$"))});
}

struct SchemaOfKey {
  Domain domain;

  Json operator()(bool Keys::*) const { return {{"type", "boolean"}}; }
  Json operator()(Virtualized Keys::*) const { return {{"type", "boolean"}}; }
  Json operator()(std::string Keys::*field) const {
    return field == &Keys::text ? Json{{"type", "string"}}
                                : text_like(field == &Keys::name ? name_form : plain_name_form);
  }
  Json operator()(double Keys::*) const { return number_in(domain); }
  Json operator()(std::optional<double> Keys::*) const { return number_in(domain); }
  Json operator()(std::optional<int> Keys::*) const {
    Json schema = number_in(domain);
    schema["type"] = "integer";
    return schema;
  }
  Json operator()(Sizing Keys::*) const {
    Json words{"content"};
    if (domain != Domain::no_fill) words.push_back("fill");
    return any_of({length_in(Domain::not_negative), Json{{"enum", words}}});
  }
  Json operator()(Limit Keys::*) const { return length_in(domain); }
  Json operator()(Gap Keys::*) const {
    const Json length = length_in(domain);
    return any_of({length, closed_object({{"x", length}, {"y", length}})});
  }
  Json operator()(Edges Keys::*) const {
    const Json length = length_in(domain);
    const Json side = domain == Domain::any ? any_of({length, Json{{"const", "auto"}}}) : length;
    return any_of({length, closed_object(same_for(side_words, side))});
  }
  Json operator()(std::optional<Pin> Keys::*) const {
    const Json tie =
        text_like(R"(^[^.]+\.(left|right|start|end|middle_x|top|bottom|middle_y)( [+-] [0-9.]+(em|ch|%)?)?$)");
    return closed_object(same_for(words_of<PinSide>, any_of({length_in(domain), tie, list_of(tie)})));
  }
  Json operator()(Order Keys::*) const {
    return any_of({Json{{"type", "integer"}}, Json{{"enum", {"first", "last"}}}});
  }
  Json operator()(Scroll Keys::*) const { return words(std::span(words_of<Scroll>).subspan(1)); }
  Json operator()(PlaceContentPair Keys::*) const { return on_axes(words(words_of<PlaceContent>), true); }
  Json operator()(TextAlignPair Keys::*) const { return on_axes(words(words_of<TextAlign>), true); }
  Json operator()(PlaceItems Keys::*) const { return on_axes(words(words_of<Across>), false); }
  Json operator()(PlaceSelf Keys::*) const {
    Json both = on_axes(words(words_of<Across>), true);
    both["anyOf"][1]["properties"]["across"] = words(words_of<Across>);
    return both;
  }
  Json operator()(Pair Keys::*) const { return two(number_in(domain)); }
  Json operator()(Track Keys::*) const { return reference("track"); }
  Json operator()(Tracks Keys::*) const {
    const Json count{{"type", "integer"}, {"minimum", 1}, {"maximum", limits::most_tracks}};
    return any_of({count, list_of(any_of({reference("track"), reference("tracks_repeated")}))});
  }
  Json operator()(std::vector<std::string> Keys::*) const { return list_of({{"type", "string"}}); }
  Json operator()(Allowed Keys::*) const { return list_of(words(Allowed::words)); }
  Json operator()(std::vector<Range> Keys::*) const { return reference("node_ranges"); }
  Json operator()(std::optional<Cell> Keys::*) const {
    return two({{"type", "integer"}, {"minimum", 0}, {"maximum", limits::most_tracks - 1}});
  }
  Json operator()(CellSpan Keys::*) const {
    return two(
        any_of({Json{{"type", "integer"}, {"minimum", 1}, {"maximum", limits::most_tracks}}, Json{{"const", "all"}}}));
  }
  template <class Word>
  requires std::is_enum_v<Word> Json operator()(Word Keys::*) const { return words(words_of<Word>); }

 private:
  static Json on_axes(const Json& word, bool alone) {
    const Json both = closed_object({{"x", word}, {"y", word}});
    return alone ? any_of({word, both}) : both;
  }
};

Json track_definitions() {
  const Json size = any_of({length_in(Domain::not_negative), Json{{"enum", {"content", "min-content", "max-content"}}},
                            text_like("^" + std::string(number_form + 2) + "fr$")});
  Json repeated =
      closed_object({{"repeat", any_of({Json{{"type", "integer"}, {"minimum", 1}, {"maximum", limits::most_tracks}},
                                        Json{{"const", "fitting"}}})},
                     {"tracks", {{"type", "array"}, {"items", reference("track")}, {"minItems", 1}}},
                     {"empty", {{"enum", {"keep", "drop"}}}}});
  repeated["required"] = {"repeat", "tracks"};
  return {{"track_size", size},
          {"track", any_of({reference("track_size"),
                            closed_object({{"min", reference("track_size")}, {"max", reference("track_size")}})})},
          {"tracks_repeated", repeated}};
}

/// What somebody may write for a key: one value each.
std::string example_of(const std::string& key) {
  static const std::map<std::string, std::string> examples{
      {"kind", R"("row")"},
      {"name", R"("bar")"},
      {"width", R"("2.5em")"},
      {"height", "48"},
      {"min_width", "320"},
      {"max_width", R"("40%")"},
      {"min_height", "24"},
      {"max_height", "200"},
      {"aspect_ratio", "1.5"},
      {"margin", R"({"left": "auto", "y": 4})"},
      {"padding", R"({"x": 12, "y": 8})"},
      {"border", "2"},
      {"border_at", R"("over")"},
      {"hidden", "true"},
      {"touch_target", "true"},
      {"see_through", "true"},
      {"order", R"("last")"},
      {"pin", R"({"right": 8, "top": 8})"},
      {"scroll", R"("y")"},
      {"scale", "1.1"},
      {"virtualized", "true"},
      {"scroll_ratio", "0.5"},
      {"allow", R"(["overhang", "behind"])"},
      {"scale_affects_layout", "true"},
      {"gap", "8"},
      {"on_top", R"("first")"},
      {"along", R"("between")"},
      {"across", R"("center")"},
      {"wrap", "true"},
      {"reverse", "true"},
      {"place_content", R"("start")"},
      {"out_of", "12"},
      {"equal_sizes", "true"},
      {"place_items", R"({"x": "center", "y": "end"})"},
      {"columns", R"([240, "1fr"])"},
      {"rows", "3"},
      {"auto_columns", R"("min-content")"},
      {"auto_rows", "40"},
      {"flow", R"("columns")"},
      {"dense", "true"},
      {"areas", R"(["head head", "beds map"])"},
      {"cell", "[1, 0]"},
      {"span", R"([2, "all"])"},
      {"area", R"("map")"},
      {"basis", R"("content")"},
      {"grow", "1"},
      {"shrink", "0"},
      {"weight", "2"},
      {"place_self", R"("end")"},
      {"nudge", "[4, -2]"},
      {"natural_size", "[200, 120]"},
      {"text", R"("North house")"},
      {"font_size", "20"},
      {"font", R"("head")"},
      {"bold", "true"},
      {"italic", "true"},
      {"line_height", "1.4"},
      {"one_line", "true"},
      {"max_lines", "2"},
      {"text_align", R"({"x": "center", "y": "end"})"},
      {"image_fit", R"("contain")"},
      {"ranges", R"([{"name": "tight", "below_width": 320}])"},
  };
  return examples.at(key);
}

/// That an object has one of these keys.
Json has_one_of(std::initializer_list<const char*> keys) {
  Json any = Json::array();
  for (const char* key : keys) any.push_back({{"required", {key}}});
  return {{"anyOf", any}};
}

/// A node that no other object gives a kind.
Json whole_node() {
  return {{"allOf", {reference("node"), has_one_of({"kind", "part", "like"})}}};
}

/// A node, and the smaller objects of keys: `keys` of shared and each_child, `part_keys` of with, `when_keys` of when.
void add_objects(Json& definitions) {
  Json keys = Json::object(), when_keys = Json::object();
  for (const KeyEntry& entry : key_table()) {
    const std::string name(entry.name);
    Json schema = std::visit(SchemaOfKey{entry.domain}, entry.field);
    schema["description"] = std::string(entry.about) + "; acts on " + std::string(nodes_of(entry.acts));
    const Json defaults = Json::parse(value_text(entry, Keys()));
    if (!defaults.is_null() && name != "kind" && name != "name") schema["default"] = defaults;
    schema["examples"] = Json::array({Json::parse(example_of(name))});
    definitions["key_" + name] = schema;
    keys[name] = reference("key_" + name);
    if (name != "name" && name != "ranges")
      when_keys[name] = any_of({Json{{"type", "null"}}, reference("key_" + name)});
  }
  // 100,000, but in a list that is virtualized
  const Json number{{"type", "integer"}, {"minimum", 0}, {"maximum", Virtualized::most_entries}};
  Json copies = any_of({number, list_of(reference("copy_keys"))});
  copies["description"] =
      "how many copies of the node, called name[0], name[1] and so on; or one object of keys per copy";
  const Json name{{"type", "string"}};
  Json like = any_of({name, list_of(name)});
  like["description"] = "name of the shared keys that the node takes over, or a list of names";
  keys["like"] = like;
  keys["copies"] = copies;
  keys["when"] = map_of(reference("when_keys"));
  keys["when"]["description"] =
      "by range, mode or condition: the keys that apply while it does; null returns a key to its default";
  when_keys["copies"] = number;
  definitions["when_keys"] = closed_object(when_keys);

  Json loose = keys;
  loose.erase("name");
  definitions["keys"] = closed_object(loose);
  Json part_keys = keys;
  part_keys["each_child"] = reference("keys");
  const auto of_inner = [](const Json& properties) -> Json {
    return {{"type", "object"},
            {"properties", properties},
            {"patternProperties", {{"\\.", Json::object()}}},
            {"additionalProperties", reference("part_keys")}};
  };
  definitions["part_keys"] = of_inner(part_keys);
  Json copy_keys = part_keys;
  for (const char* key : {"name", "copies"}) copy_keys[key] = false;
  definitions["copy_keys"] = of_inner(copy_keys);

  Json node = keys;
  node["part"] = {{"type", "string"}, {"description", "name of the part that the node is an instance of"}};
  node["with"] = reference("part_keys");
  node["with"]["description"] = "keys for the part, and for its inner nodes by path";
  node["each_child"] = reference("keys");
  node["each_child"]["description"] = "keys for every direct child that does not set them";
  node["children"] = list_of(reference("node"));
  node["children"]["description"] = "the nodes inside, first to last";
  definitions["node"] = closed_object(node);
  const Json kind_for_all{{"properties", {{"each_child", has_one_of({"kind", "like"})}}}, {"required", {"each_child"}}};
  definitions["node"]["if"] = kind_for_all;
  definitions["node"]["else"] = {
      {"properties", {{"children", {{"items", has_one_of({"kind", "part", "like", "copies"})}}}}}};
}

Json described(Json schema, const char* description) {
  schema["description"] = description;
  return schema;
}

Json ladder_schema() {
  const Json size = number_in(Domain::not_negative);
  const Json span = any_of({size, two(size)});
  const Json sizes{{"type", "object"}, {"propertyNames", text_like(plain_name_form)}, {"additionalProperties", span}};
  return described(
      closed_object({{"width", described(span, "container widths under test: [from, to], the larger last, or one")},
                     {"height", described(span, "container heights under test: [from, to], the larger last, or one")},
                     {"named_sizes", described(sizes, "sizes by name: a width, or [width, height]")}}),
      "the container sizes under test, and sizes that have a name");
}

/// One of the container, or of a node, whose width alone it compares.
Json range_schema(bool of_node) {
  const Json size = number_in(Domain::not_negative);
  Json properties{{"from_width", described(size, "smallest width of the range, inclusive")},
                  {"below_width", described(size, "where the range ends: a larger width, exclusive")}};
  if (!of_node) {
    properties["from_height"] = described(size, "smallest height of the range, inclusive");
    properties["below_height"] = described(size, "where the range ends: a larger height, exclusive");
  }
  properties["name"] = described(text_like(plain_name_form), "name of the range, for when and claims");
  Json schema = closed_object(properties);
  schema["required"] = {"name"};
  return schema;
}

/// Fonts by name.
Json fonts_schema() {
  const Json name{{"type", "string"}, {"minLength", 1}};
  Json family = closed_object({{"family", name}}), file = closed_object({{"file", name}});
  family["required"] = {"family"};
  file["required"] = {"file"};
  return {{"type", "object"},
          {"propertyNames", text_like(plain_name_form)},
          {"additionalProperties", any_of({family, file})},
          {"maxProperties", limits::most_fonts}};
}

}  // namespace

std::string scene_schema() {
  const Json text{{"type", "string"}}, name = text_like(plain_name_form);
  const Json locale =
      closed_object({{"texts", described(map_of(text), "by path of a text node: its text in this locale")},
                     {"direction", described(words(words_of<Direction>), "direction of reading in this locale")},
                     {"fonts", described(fonts_schema(), "fonts in this locale, by name")}});
  Json top = closed_object(
      {{"$schema", described(text, "file or address of this schema, for completion in editors")},
       {"format", described({{"const", 2}}, "version of the format of this file")},
       {"title", described(text, "name of the scene in reports and tables")},
       {"uses", described(list_of({{"type", "string"}, {"minLength", 1}}),
                          "files whose parts, shared keys, fonts, ranges and modes this scene uses, by relative path")},
       {"em", described(number_in(Domain::positive), "pixels in one em; default: 16")},
       {"direction", described(words(words_of<Direction>), "direction of reading; default: ltr")},
       {"text_metrics", described(words(words_of<TextMetrics>),
                                  "how text is measured: fixed metrics, the same on every machine, or the fonts of "
                                  "this scene; default: fixed")},
       {"fonts", described(fonts_schema(),
                           "fonts by name: an installed family, or a font file by relative path; texts that name no "
                           "font use body")},
       {"ladder", ladder_schema()},
       {"ranges", described(list_of(range_schema(false)), "ranges of container sizes that when and claims may name")},
       {"modes",
        described(list_of(name), "names of modes, which are turned on by name; when and claims may name them")},
       {"touch_target_size",
        described(number_in(Domain::positive), "smallest width and height of a touch target, in pixels; default: 24")},
       {"shared", described(map_of(reference("keys")), "keys by name, for nodes that take them over with like")},
       {"parts",
        described(map_of(whole_node()), "nodes by name, with all inside, for nodes that are an instance of one")},
       {"locales", described(map_of(locale), "texts, direction and fonts by language")},
       {"claims", described(list_of(text), "statements about sizes that check proves or refutes")},
       {"root", described(whole_node(), "the node that fills the container")}});
  top["required"] = {"format", "root"};
  Json schema{{"$schema", "https://json-schema.org/draft/2020-12/schema"},
              {"title", "A Fond Ladder scene"},
              {"description", "Written from the program's table of keys; a test keeps the two alike."}};
  schema.update(top);
  schema["$defs"] = track_definitions();
  schema["$defs"]["node_ranges"] = list_of(range_schema(true));
  add_objects(schema["$defs"]);
  return schema.dump(1) + "\n";
}

}  // namespace fond_ladder::inline v0::scene
