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
             map.claims.empty() ? "no claims to look for" : verdict_text(map.claims));
  fmt::print(out, "{} {} of sizes, within each of which every size and place runs straight\n", map.cells,
             map.cells == 1 ? "region" : "regions");
  if (map.sampled > 0)
    fmt::print(out, "something bends in the rest, which was looked at in {} {}\n", map.sampled,
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
  json.objects("boundaries", map.breakpoints, [&](const SizeMap::Line& line) {
    size("from", line.from);
    size("to", line.to);
  });
  json.objects("named_sizes", map.container_sizes, [&](const NamedSize& container_size) {
    json.text("name", container_size.name);
    size("size", {container_size.width, container_size.height.value_or(0)});
  });
}

ExitStatus draw_map(const MapCall& call, const Streams& streams) {
  if (!call.output.empty()) {
    static_cast<void>(picture_form(call.output, call.as, "-o"));
    if (call.output != "-") add_target(streams, "-o", call.output);
  }
  Variant variant = load_variant(call.scene, streams);
  Scene& scene = variant.scene;
  if (!call.width.empty()) scene.ladder.width = parse_span(call.width, "--width");
  if (scene.ladder.width.from >= scene.ladder.width.to)
    throw WrongCall("map: give widths from one to a larger one, as in --width 360..1440");
  const Interval heights = heights_asked(scene, call.height.empty() ? "every" : call.height, "--height");
  std::vector<std::string> claims = call.claims.empty() ? scene.claims : call.claims;
  require_claims(scene, claims);
  const SizeMap map = map_sizes(variant, claims, heights, 0, ProgressLine(streams, "mapping").teller());
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
  CommandOf<MapCall> command("map", "All container sizes at once, width by height: where claims break and things turn");
  MapCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.list("--claim", "CLAIM", call.claims, "This claim instead of the scene's, as in \"fits(cards)\"; repeatable");
  options.text("--width", "FROM..TO", call.width, "These widths instead of the scene's ladder");
  options.text("--height", "FROM..TO", call.height, "These heights instead of the scene's ladder");
  options.text("-o,--output", "FILE", call.output, "Draw it, an .svg, .png or .pdf file; - is standard output");
  options.text("--as", "svg|png|pdf", call.as, "What to write, where the ending of FILE does not say it");
  options.format(call.format, {Format::table, Format::json});
  return command.does(draw_map);
}

}  // namespace fond_ladder::calls
