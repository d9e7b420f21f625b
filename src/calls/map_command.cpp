// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <ostream>

#include "calls/claims_asked.hpp"
#include "calls/picture_form.hpp"
#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/map.hpp"
#include "fond_ladder/plot.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::calls {
namespace {

struct MapCall {
  SceneCall scene;
  std::vector<std::string> claims;
  std::string width, height;
  std::string output;  // a file
  std::string as;      // svg, png or pdf; by the ending when empty
  Format format = Format::table;
};

void print_map(const SizeMap& map, const MapCall& call, std::ostream& out) {
  fmt::print(out, "{} from {} to {} wide and {} to {} high: {}\n", printable(map.title), exact(map.widths.from),
             exact(map.widths.to), exact(map.heights.from), exact(map.heights.to),
             map.claims.empty() ? "no claims to check" : verdict_text(map.claims));
  fmt::print(out, "{} {} of container sizes; within each, every size and position changes linearly\n", map.cells,
             map.cells == 1 ? "region" : "regions");
  if (map.sampled > 0)
    fmt::print(out, "the rest is not linear and was sampled in {} {}\n", map.sampled,
               map.sampled == 1 ? "piece" : "pieces");
  out << '\n';
  for (const CheckedClaim& one : map.claims) {
    if (!one.holds) out << report(one, call.scene.file);
  }
}

void write_map(JsonWriter& json, const SizeMap& map) {
  const auto size = [&](std::string_view key, const Extent& extent) {
    json.begin_object(key);
    json.number("width", extent.width);
    json.number("height", extent.height);
    json.end();
  };
  std::vector<std::size_t> numbers(map.claims.size());
  for (std::size_t i = 0; i < numbers.size(); ++i) numbers[i] = i;
  json.number("regions", map.cells);
  json.number("sampled", map.sampled);
  write_checked(json, map.claims, std::ranges::all_of(map.claims, &CheckedClaim::holds), numbers);
  json.objects("boundaries", map.boundaries, [&](const SizeMap::Line& line) {
    size("from", line.from);
    size("to", line.to);
  });
  json.objects("named_sizes", map.named_sizes, [&](const NamedSize& container_size) {
    json.text("name", container_size.name);
    size("size", {container_size.width, container_size.height.value_or(0)});
  });
}

Interval require_range(const Interval& sizes, const char* example) {
  if (sizes.from < sizes.to) return sizes;
  throw WrongCall(fmt::format("map: expected a range, got one size; write a range, as in {}", example));
}

/// Where none are asked for: those of the ladder; of one height from half of it to one and a half of it.
Interval drawn_heights(const Ladder& ladder) {
  if (!ladder.height) throw WrongCall("map: the ladder has no height; add a range of heights, as in --height 240..900");
  if (ladder.height->from < ladder.height->to) return *ladder.height;
  return require_range({0.5 * ladder.height->to, 1.5 * ladder.height->to}, "--height 240..900");
}

ExitStatus draw_map(const MapCall& call, const Streams& streams) {
  if (!call.output.empty()) {
    static_cast<void>(picture_form(call.output, call.as, "-o"));
    if (call.output != "-") add_target(streams, "-o", call.output);
  }
  Variant variant = load_variant(call.scene, streams);
  Scene& scene = variant.scene;
  scene.ladder.width = require_range(
      sizes_asked(call.width.empty() ? "all" : call.width, "--width", scene.ladder.width), "--width 360..1440");
  const Interval heights =
      call.height.empty()
          ? drawn_heights(scene.ladder)
          : require_range(sizes_asked(call.height, "--height", scene.ladder.height), "--height 240..900");
  std::vector<std::string> claims = call.claims.empty() ? scene.claims : call.claims;
  require_claims(scene, claims);
  const SizeMap map = map_sizes(variant, claims, heights, {.progress = ProgressLine(streams, "mapping").teller()});
  if (call.output == "-") {  // then nothing else may stand there
    const Picture picture = draw(map, picture_form(call.output, call.as, "-o"));
    streams.out.write(picture.bytes.data(), static_cast<std::streamsize>(picture.bytes.size()));
    return all_well;
  }
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "map");
    Ladder ladder = scene.ladder;
    ladder.height = heights;
    write_map(answers.next(scene, call.scene.file, ladder), map);
    answers.end();
  } else {
    print_map(map, call, streams.out);
  }
  if (!call.output.empty())
    write_target(streams, call.output, draw(map, picture_form(call.output, call.as, "-o")).bytes);
  return all_well;
}

}  // namespace

Command map_command() {
  CommandOf<MapCall> command(
      "map", "Map all container sizes, width by height: where claims fail and where the layout changes");
  MapCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.list("--claim", "CLAIM", call.claims,
               "Check this claim instead of those of the scene, as in \"fits(cards)\"; repeatable");
  options.text("--width", "all|A..B", call.width, "Draw these widths; default: all, those of the ladder");
  options.text("--height", "all|A..B", call.height,
               "Draw these heights; default: those of the ladder; of one height, from half of it to one and a half");
  options.text("-o,--output", "FILE", call.output,
               "Write the picture to an .svg, .png or .pdf file; - is standard output");
  options.text("--as", "svg|png|pdf", call.as, "Write this format if the extension of FILE does not say it");
  options.format(call.format, {Format::table, Format::json});
  return command.does(draw_map);
}

}  // namespace fond_ladder::calls
