// SPDX-License-Identifier: MIT
#pragma once

#include <string>

namespace fond_ladder::page {

/// The page as the build made it, without a scene: `page.html` beside the program, or where it is installed
/// (../share/fond_ladder). Throws WrongCall naming the package to install if there is none.
[[nodiscard]] std::string page_without_scene();

}  // namespace fond_ladder::page
