// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <string>

#include "fond_ladder/edit.hpp"
#include "scene/edit/changed_text.hpp"

namespace fond_ladder::inline v0::scene {

/// Makes an edit in a text that was read. Throws BadEdit. Whether the scene is sound with it is not known before the
/// text is read.
[[nodiscard]] ChangedText change_text(std::shared_ptr<const ReadText> before, const Edit& edit,
                                      const std::string& file_name);

}  // namespace fond_ladder::inline v0::scene
