// SPDX-License-Identifier: MIT
#include "page/engine/description.hpp"
#include "model/content_kinds.hpp"
#include "page/engine/piece_book.hpp"

#include <sstream>

#include "model/number_text.hpp"
#include "model/shell_word.hpp"
#include "print/json_writer.hpp"
#include "print/measure.hpp"

namespace fond_ladder::page {
namespace {

void write_span(JsonWriter& json, std::string_view key, const Interval& span) {
  json.begin_object(key);
  json.number("from", span.from);
  json.number("to", span.to);
  json.end();
}

void write_ladder(JsonWriter& json, const Ladder& ladder) {
  json.begin_object("ladder");
  write_span(json, "width", ladder.width);
  if (ladder.height) {
    write_span(json, "height", *ladder.height);
  } else {
    json.null("height");
  }
  json.objects("named_sizes", ladder.named_sizes, [&](const NamedSize& container_size) {
    json.text("name", container_size.name);
    json.number("width", container_size.width);
    if (const auto height = ladder.size_of(container_size).height) {
      json.number("height", *height);
    } else {
      json.null("height");
    }
  });
  json.end();
}

void write_changes(JsonWriter& json, const Draft& draft) {
  json.objects("changes", draft.made(), [&](const Edit& edit) {
    json.text("does", words_of<Edit::Does>[static_cast<std::size_t>(edit.does)]);
    json.text("what", edit.what);
    json.text("text", edit.text());
    json.text("option", edit.option());
  });
  json.texts("hints", draft.hints());
}

void write_form(JsonWriter& json, const ShownForm& form) {
  json.begin_object("form");
  json.text("locale", form.locale);
  json.number("text_expansion", form.longer);
  json.texts("modes", form.modes);
  json.end();
}

/// What the words are measured in, and the texts that have fixed metrics although it is fonts.
void write_words(JsonWriter& json, const ShownScene& shown) {
  const Tree& tree = shown.tree();
  std::vector<std::string> plain, families;
  if (tree.text_shaper()) {
    for (const NodeId node : shown.nodes()) {
      if (tree.kind(node) != Kind::text) continue;
      const auto* set = detail::as_shaped_text(tree.content(node).get());
      if (set == nullptr) {
        plain.push_back(tree.path(node));
        continue;
      }
      std::string family = tree.text_shaper()->family(set->style());
      if (std::ranges::find(families, family) == families.end()) families.push_back(std::move(family));
    }
  }
  json.begin_object("words");
  json.text("in", word(tree.text_shaper() ? TextMetrics::fonts : TextMetrics::fixed));
  json.truth("carried", !carried_pieces().empty());
  json.texts("families", families);
  json.texts("plain", plain);
  json.end();
}

}  // namespace

std::string description(ShownScene& shown) {
  std::ostringstream out;
  JsonWriter json(out);
  const Scene& scene = shown.scene();
  json.begin_object();
  json.text("name", scene.name());
  json.text("file", shown.file());
  json.text("file_word", shell_word(shown.file()));
  json.text("direction", word(scene.tree.direction()));
  write_ladder(json, scene.ladder);
  std::vector<std::string> ranges, locales;
  for (const Range& range : scene.ranges) ranges.push_back(range.name);
  for (const Locale& locale : scene.locales) locales.push_back(locale.name);
  json.texts("ranges", ranges);
  json.texts("modes", scene.modes);
  json.texts("locales", locales);
  json.texts("parts", shown.draft().parts());
  json.texts("claims", scene.claims);
  write_words(json, shown);
  write_form(json, shown.form());
  write_changes(json, shown.draft());
  const Tree& tree = shown.tree();
  json.objects("nodes", shown.nodes(), [&](NodeId node) {
    json.text("path", tree.path(node));
    json.text("tail", tree.short_path(node));
    json.text("step", tree.segment(node));
    json.text("kind", word(tree.kind(node)));
    const NodeId parent = tree.parent(node);
    json.number("parent", parent ? static_cast<double>(shown.place_of(parent)) : -1);
    if (tree.keys(node).on_top == OnTop::first) json.truth("backward", true);
  });
  json.end();
  return out.str();
}

std::string signs(const ShownScene& shown) {
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.texts("active", shown.unscrolled().active());
  std::vector<std::string> scrolled;
  for (const auto& [path, to] : shown.scrolled_to())
    scrolled.push_back(path + "=" + exact(to.width) + "," + exact(to.height));
  json.texts("scrolled", scrolled);
  const AskedSize asked{};
  write_outline(json, {shown.scene(), shown.unscrolled(), asked});
  json.end();
  return out.str();
}

std::string scrollers(const ShownScene& shown) {
  const Solution& solution = shown.solution();
  std::vector<NodeId> all;
  for (const NodeId node : shown.nodes()) {
    const Extent range = solution.is_placed(node) ? solution.scroll_range(node) : Extent{};
    if (range.width > 0 || range.height > 0) all.push_back(node);
  }
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.objects("scrollers", all, [&](NodeId node) {
    const Extent range = solution.scroll_range(node), now = solution.scroll_position(node);
    json.number("place", static_cast<double>(shown.place_of(node)));
    json.number("x", now.width);
    json.number("y", now.height);
    json.number("most_x", range.width);
    json.number("most_y", range.height);
  });
  json.end();
  return out.str();
}

}  // namespace fond_ladder::page
