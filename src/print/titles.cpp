// SPDX-License-Identifier: MIT
#include "print/titles.hpp"

#include <fmt/format.h>

#include "model/number_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

std::string size_text(const Extent& size) {
  return rounded(size.width) + " x " + rounded(size.height);
}

std::string title_of(const Scene& scene, const Solution& solution, const AskedSize& asked) {
  std::string title = printable(scene.name());
  if (!asked.with.empty()) title += " with " + printable(asked.with);
  title += " at " + size_text(solution.container());
  if (!asked.name.empty()) title += " (" + asked.name + ")";
  if (!asked.active.empty()) title += fmt::format(" [{}]", fmt::join(asked.active, ", "));
  if (!asked.container_size.width && !asked.container_size.height) return title + " (size by content)";
  if (!asked.container_size.height) title += " (height by content)";
  return title;
}

}  // namespace fond_ladder::inline v0
