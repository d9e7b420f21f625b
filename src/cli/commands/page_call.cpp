// SPDX-License-Identifier: MIT
#include "cli/commands/page_call.hpp"

#include "fond_ladder/fonts.hpp"
#include "fond_ladder/scene_file.hpp"
#include "page/report/pieces_text.hpp"

namespace fond_ladder::cli {
namespace {

/// The size that a call names; the widest of the ladder when it names none.
ContainerSize size_of(const PageCall& call, const Ladder& ladder) {
  if (!call.at.empty()) return asked_sizes({call.at}, ladder).front().container_size;
  return {ladder.width.to, ladder.height ? std::optional(ladder.height->to) : std::nullopt};
}

page::Start start_of(const PageCall& call, std::string text, const std::optional<page::Served>& served) {
  page::Start start;
  start.file = call.scene.file;
  start.text = std::move(text);
  start.locale = call.scene.locale;
  start.longer = call.scene.longer;
  start.words = call.scene.words.empty() ? "" : call.scene.words.front();
  start.modes = call.scene.modes;
  start.edits = call.scene.edits;
  start.served = served;
  return start;
}

/// The pieces of all words, where the scene has fonts or is shown with some: of the scene as it is too, for a form that
/// is chosen here can be taken back on the page.
std::string pieces_for(const std::string& text, const std::string& file, const Scene& shown) {
  Scene as_it_is = read_scene(text, file), changed = shown;
  if (!shown.tree.text_shaper() && as_it_is.fonts.empty() && shown.fonts.empty()) return {};
  try {
    set_text_metrics(as_it_is, TextMetrics::fonts);
    set_text_metrics(changed, TextMetrics::fonts);
  } catch (const BadFonts&) {  // they were not requested
    return {};
  }
  return page::pieces_text({&as_it_is, &changed});
}

}  // namespace

void add_page(Options& options, PageCall& call) {
  add_scene(options, call.scene);
  options.text("--at", "SIZE", call.at, "Open at this size: 1280x800, 1280, 1280xcontent, content, or a named size");
}

PageScene read_page_scene(const PageCall& call, const Streams& streams) {
  auto [text, shown] = load_text_and_variant(call.scene, streams);
  const ContainerSize size = size_of(call, shown.scene.ladder);
  std::string pieces = pieces_for(text, call.scene.file, shown.scene);
  return {std::move(text), std::move(shown), size, std::move(pieces)};
}

std::string page_of(const std::string& page_without_scene, const PageCall& call, const PageScene& scene,
                    const std::optional<page::Served>& served) {
  page::Start start = start_of(call, scene.text, served);
  start.size = scene.size;
  start.pieces = scene.pieces;
  return page::report_text(page_without_scene, start, scene.shown.scene.name(),
                           page::still_picture(scene.shown.scene, scene.size, call.scene.modes));
}

std::string page_of_faulty(const std::string& page_without_scene, const PageCall& call, const std::string& text,
                           const page::Served& served) {
  return page::report_text(page_without_scene, start_of(call, text, served), call.scene.file,
                           "<p>The scene has errors.</p>");
}

}  // namespace fond_ladder::cli
