// SPDX-License-Identifier: MIT
#pragma once

#include <functional>
#include <span>
#include <string>
#include <string_view>

#include "fond_ladder/fond_ladder.hpp"

namespace fond_ladder::testing {

/// A scene in one line: `row:r gap=5 [ box:a width=10 text:t text="two words" ]`. A value that is no number, no `true`
/// or `false` and no JSON of its own is a word. `direction` and `em` may stand before the root.
[[nodiscard]] Scene scene_from(std::string_view shorthand);

/// Makes a node different under a range or mode, by what a function does to its keys.
void add_form(Scene& scene, NodeId node, const std::string& name, const std::function<void(Keys&)>& change);

/// All named nodes but the root, as `a(0,0 10x4) b(10,0 5x4)`: boxes from the root's corner, in the order of the file.
[[nodiscard]] std::string boxes_text(const Solution& solution);

/// The same of a shorthand scene in a container `1280x800`, `1280` or `content`.
[[nodiscard]] std::string boxes_at(std::string_view shorthand, std::string_view at);

/// One arrangement that was worked out by hand.
struct BoxCase {
  const char* name;
  const char* scene;
  const char* at;
  const char* boxes;
};
void expect_boxes(std::span<const BoxCase> cases);

/// `1280x800`, `1280` or `content`.
[[nodiscard]] ContainerSize size_from(std::string_view at);

/// A number as tests write it: at most four decimals.
[[nodiscard]] std::string short_number(double number);

/// Reads a whole file; fails the test when there is none.
[[nodiscard]] std::string file_text(const std::string& path);

}  // namespace fond_ladder::testing
