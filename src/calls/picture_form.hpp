// SPDX-License-Identifier: MIT
#pragma once

#include <string>

#include "fond_ladder/draw.hpp"

namespace fond_ladder::calls {

/// What to write into a file that `option` names: by its ending, or by `as` where that is given. Throws WrongCall.
[[nodiscard]] PictureForm picture_form(const std::string& output, const std::string& as, const std::string& option);

}  // namespace fond_ladder::calls
