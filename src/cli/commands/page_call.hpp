// SPDX-License-Identifier: MIT
#pragma once

// What `report` and `preview` can be told alike: how the page begins.

#include <cstdint>
#include <optional>
#include <string>

#include "cli/call_words.hpp"

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
  Rung size;
  std::string pieces;  // of its words, where it has fonts
};
/// Throws BadScene, BadTrial and WrongCall.
[[nodiscard]] PageScene read_page_scene(const PageCall& call, const Streams& streams);
/// The page, of the one that has no scene yet. `version`: of the file, where it is served.
[[nodiscard]] std::string page_of(const std::string& page_without_scene, const PageCall& call, const PageScene& scene,
                                  std::optional<std::uint64_t> version = {});
/// The same of a text that is no scene: the page tells its faults.
[[nodiscard]] std::string page_of_faulty(const std::string& page_without_scene, const PageCall& call,
                                         const std::string& text, std::uint64_t version);

}  // namespace fond_ladder::cli
