// SPDX-License-Identifier: MIT
#pragma once

// The options that `report` and `preview` share: how the page begins.

#include <optional>
#include <string>

#include "cli/call_words.hpp"
#include "page/report/report_text.hpp"

namespace fond_ladder::cli {

struct PageCall {
  SceneCall scene;
  std::string at;
};
void add_page(Options& options, PageCall& call);

/// A scene on its way into a page: its text, and the scene as the options make it.
struct PageScene {
  std::string text;
  Variant shown;
  ContainerSize size;
  std::string pieces;  // of its words, where it has fonts
};
/// Throws BadScene, BadEdit and WrongCall.
[[nodiscard]] PageScene read_page_scene(const PageCall& call, const Streams& streams);
/// The page, of the one that has no scene yet.
[[nodiscard]] std::string page_of(const std::string& page_without_scene, const PageCall& call, const PageScene& scene,
                                  const std::optional<page::Served>& served = {});
/// The same for a text that is not a scene: the page shows its errors.
[[nodiscard]] std::string page_of_faulty(const std::string& page_without_scene, const PageCall& call,
                                         const std::string& text, const page::Served& served);

}  // namespace fond_ladder::cli
