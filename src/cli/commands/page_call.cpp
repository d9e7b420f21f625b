// SPDX-License-Identifier: MIT
#include "cli/commands/page_call.hpp"

#include "page/report/report_text.hpp"

namespace fond_ladder::cli {
namespace {

/// The size that a call names; the widest of the ladder when it names none.
Rung size_of(const PageCall& call, const Ladder& ladder) {
  if (!call.at.empty()) return asked_sizes({call.at}, ladder).front().rung;
  return {ladder.width.to, ladder.height ? std::optional(ladder.height->to) : std::nullopt};
}

page::Start start_of(const PageCall& call, std::string text, std::optional<std::uint64_t> version) {
  return {call.scene.file,  std::move(text),   {},     call.scene.wording, call.scene.longer,
          call.scene.modes, call.scene.trials, version};
}

}  // namespace

void add_page(Options& options, PageCall& call) {
  add_scene(options, call.scene);
  options.text("--at", "SIZE", call.at,
               "The size to begin with: 1280x800, 1280, 1280xcontent, content, or a named rung");
}

PageScene read_page_scene(const PageCall& call, const Streams& streams) {
  auto [text, shown] = load_text_and_variant(call.scene, streams);
  const Rung size = size_of(call, shown.scene.ladder);
  return {std::move(text), std::move(shown), size};
}

std::string page_of(const std::string& page_without_scene, const PageCall& call, const PageScene& scene,
                    std::optional<std::uint64_t> version) {
  page::Start start = start_of(call, scene.text, version);
  start.size = scene.size;
  return page::report_text(page_without_scene, start, scene.shown.scene.name(),
                           page::still_picture(scene.shown.scene, scene.size, call.scene.modes));
}

std::string page_of_faulty(const std::string& page_without_scene, const PageCall& call, const std::string& text,
                           std::uint64_t version) {
  return page::report_text(page_without_scene, start_of(call, text, version), call.scene.file,
                           "<p>The scene is wrong; its faults come here.</p>");
}

}  // namespace fond_ladder::cli
