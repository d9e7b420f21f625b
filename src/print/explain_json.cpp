// SPDX-License-Identifier: MIT
#include "print/answers_json.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_entry(JsonWriter& json, const Tree& tree, const ExplanationEntry& entry) {
  json.text("node", tree.path(entry.node));
  json.number("space_before", entry.space_before);
  json.number("base", entry.base);
  json.text("base_from", entry.base_from);
  json.number("min", entry.min);
  json.text("min_from", entry.min_from);
  json.number("max", entry.max);
  json.number("factor", entry.factor);
  json.number("percent", entry.percent);
  json.number("round", entry.round);
  json.number("size", entry.size);
  json.text("why", entry.why);
}

void write_line(JsonWriter& json, const Tree& tree, const ExplanationLine& line) {
  json.number("inner_size", line.inner_size);
  json.number("gaps", line.gaps);
  json.number("margins", line.margins);
  json.number("base_sizes", line.base_sizes);
  json.number("free_space", line.free_space);
  json.truth("grows", line.grows);
  json.truth("scrolls", line.scrolls);
  if (line.out_of > 0) json.number("out_of", line.out_of);
  json.begin_list("rounds");
  for (const ExplanationRound& round : line.rounds) {
    json.begin_object();
    json.number("free_space", round.free_space);
    json.number("per_factor", round.per_factor);
    json.begin_list("settled");
    for (const std::size_t i : round.settled) json.text({}, tree.path(line.entries[i].node));
    json.end();
    json.end();
  }
  json.end();
  json.objects("children", line.entries, [&](const auto& entry) { write_entry(json, tree, entry); });
  json.number("space_after", line.space_after);
  json.number("unused_space", line.unused_space);
  json.number("sum", line.sum);
}

void write_tracks(JsonWriter& json, std::string_view key, const std::vector<ExplanationTracks>& axis) {
  if (axis.empty()) return json.null(key);
  const ExplanationTracks& tracks = axis.front();
  json.begin_object(key);
  json.number("inner_size", tracks.inner_size);
  json.number("gaps", tracks.gaps);
  json.number("one_share", tracks.one_share);
  json.objects("tracks", tracks.tracks, [&](const auto& track) {
    json.number("size", track.size);
    json.number("share", track.share);
    json.text("why", track.why);
  });
  json.number("unused_space", tracks.unused_space);
  json.number("sum", tracks.sum);
  json.end();
}

void write_places(JsonWriter& json, std::string_view key, const Tree& tree,
                  const std::vector<ExplanationPlace>& places) {
  json.objects(key, places, [&](const auto& place) {
    json.text("node", tree.path(place.node));
    json.number("space", place.space);
    json.number("size", place.size);
    json.number("offset", place.offset);
    json.text("why", place.why);
  });
}

}  // namespace

void write_explanation(JsonWriter& json, const Tree& tree, const Explanation& account,
                       const std::vector<ExplanationStep>& chain) {
  json.text("node", account.path);
  json.text("kind", word(account.kind));
  json.extent("size", {account.box.width, account.box.height});
  json.truth("adds_up", account.adds_up());
  json.objects("lines", account.lines, [&](const auto& line) { write_line(json, tree, line); });
  write_tracks(json, "columns", account.columns);
  write_tracks(json, "rows", account.rows);
  write_places(json, "horizontal", tree, account.horizontal);
  write_places(json, "vertical", tree, account.vertical);
  json.texts("content", account.content);
  json.texts("position", account.position);
  json.objects("chain", chain, [&](const auto& step) {
    json.text("node", tree.path(step.node));
    json.number("width", step.width);
    json.text("why_width", step.why_width);
    json.number("height", step.height);
    json.text("why_height", step.why_height);
  });
}

}  // namespace fond_ladder::inline v0
