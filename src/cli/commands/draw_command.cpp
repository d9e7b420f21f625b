// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <deque>
#include <iostream>

#include "cli/call_words.hpp"
#include "fond_ladder/draw.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {
namespace {

struct DrawCall {
  SceneCall scene;
  std::vector<std::string> at, scrolled;
  std::string output;  // file; - is standard output
  std::string as;      // svg, png or pdf; by the ending when empty
  std::string only;
  std::string scale;
  bool bare = false;
};

/// What a picture is of, and where something is cut, in a few lines.
void print_summary(const Picture& picture, const std::vector<Panel>& panels, const DrawCall& call, std::ostream& out) {
  fmt::print(out, "{}: {} x {} pixels", printable(call.output), rounded(picture.width), rounded(picture.height));
  if (picture.scale != 1) fmt::print(out, " at scale {}", fmt::format("{:.3g}", picture.scale));
  fmt::print(out, ", {} node{}\n", picture.drawn, picture.drawn == 1 ? "" : "s");
  for (std::size_t i = 0; i < panels.size(); ++i) {
    const std::vector<NodeId>& overhang = picture.overhang[i];
    if (overhang.empty()) continue;
    constexpr std::size_t most = 5;
    std::string names;
    for (std::size_t k = 0; k < std::min(most, overhang.size()); ++k) {
      names += (k == 0 ? "" : ", ") + panels[i].solution.tree().path(overhang[k]);
    }
    if (overhang.size() > most) names += fmt::format(" and {} more", overhang.size() - most);
    const Extent at = panels[i].solution.container();
    const std::string with = call.scene.vary.empty() ? "" : "with " + printable(panels[i].caption) + " ";
    fmt::print(out, "overhang {}at {} x {}: {}\n", with, rounded(at.width), rounded(at.height), names);
  }
}

ExitStatus draw(const DrawCall& call, const Streams& streams) {
  if (call.output.empty()) throw WrongCall("draw: the file is missing; add it, as in -o out.svg");
  const PictureForm form = picture_form(call.output, call.as, "-o");
  DrawOptions options{call.bare, call.only, {}, {}};
  if (!call.scale.empty()) options.scale = parse_factor(call.scale, "--scale");
  if (call.output != "-") add_target(streams, "-o", call.output);
  const std::vector<Variant> values = load_values(call.scene, streams);
  options.title = printable(values.front().scene.title);
  std::vector<Panel> panels;
  std::deque<SceneSolver> solvers;  // what the panels look into
  for (const AskedSize& asked : asked_sizes(call.at, values.front().scene.ladder)) {
    for (const Variant& value : values) {
      const auto [solution, description] =
          solve_scrolled(solvers.emplace_back(value.scene, value.modes), asked.container_size, call.scrolled);
      const std::string caption = call.scene.vary.empty() ? asked.name : printable(value.name);
      panels.push_back(
          {solution, caption + (caption.empty() || description.empty() ? "" : ", ") + printable(description)});
    }
  }
  const Picture picture = fond_ladder::draw(panels, form, options);
  if (call.output == "-") {
    streams.out.write(picture.bytes.data(), static_cast<std::streamsize>(picture.bytes.size()));
  } else {
    write_target(streams, call.output, picture.bytes);
    print_summary(picture, panels, call, streams.out);
  }
  if (picture.left_out > 0) {
    fmt::print(streams.err,
               "note: {} left out: too small, too deep, too many or too far outside; draw a part with --only, or use a "
               "larger --scale\n",
               picture.left_out == 1 ? "1 node was" : fmt::format("{} nodes were", picture.left_out));
  }
  return all_well;
}

}  // namespace

Command draw_command() {
  CommandOf<DrawCall> command("draw", "Draw the boxes, with the name of every node");
  DrawCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  add_sizes(options, call.at, "repeated: side by side");
  add_values(options, call.scene, "Draw values of a setting side by side, as in beds.width=200,240,300");
  add_scrolled(options, call.scrolled);
  options.text("-o,--output", "FILE", call.output, "Write to an .svg, .png or .pdf file; - is standard output");
  options.text("--as", "svg|png|pdf", call.as, "Write this format if the extension of FILE does not say it");
  options.flag("--bare", call.bare, "Draw boxes only, without labels and marks");
  options.text("--only", "NODE", call.only, "Draw only this node and its descendants");
  options.text("--scale", "NUMBER", call.scale, "Scale: picture pixels per scene pixel; default: 1");
  return command.does(draw);
}

}  // namespace fond_ladder::cli
