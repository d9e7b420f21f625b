// SPDX-License-Identifier: MIT
#pragma once

// The page with a scene in it.

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "calls/command.hpp"
#include "fond_ladder/container_size.hpp"
#include "fond_ladder/scene.hpp"

namespace fond_ladder::page {

/// What the program passes to a page.
struct Served {
  std::uint64_t version = 0;  ///< of the file
  std::string token;          ///< to be shown by whoever watches or writes
};

/// How the page begins. Everything in it may come from a stranger.
struct Start {
  std::string file, text;             ///< the scene: as its file was named, and what was in it
  std::optional<ContainerSize> size;  ///< the widest of the ladder when absent
  std::string locale;                 ///< none when empty
  std::string longer;                 ///< by which share, as in 40%; not when empty
  std::string words;                  ///< the text metrics; the scene's own if empty
  std::string pieces;                 ///< of the words, as pieces_text writes them
  std::vector<std::string> modes;
  std::vector<calls::OptionUse> edits;
  std::optional<Served> served{};  ///< where the page comes from a server, which it then follows
};

/// The still picture of a page, an SVG element, or a sentence with the reason why there is none. A large one is drawn
/// without helper marks, so that the page stays small enough for mail.
[[nodiscard]] std::string still_picture(const Scene& scene, const ContainerSize& size,
                                        const std::vector<std::string>& modes);

/// One HTML document. `title` is its name, `still` what is shown until scripts run.
[[nodiscard]] std::string report_text(const std::string& page_without_scene, const Start& start,
                                      const std::string& title, const std::string& still);

}  // namespace fond_ladder::page
