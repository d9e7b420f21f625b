// SPDX-License-Identifier: MIT
#include "scene/edit/change_text.hpp"

#include "scene/edit/kept_names.hpp"
#include "scene/edit/nest_nodes.hpp"
#include "scene/edit/placed_text.hpp"
#include "scene/edit/set_keys.hpp"

namespace fond_ladder::inline v0::scene {

ChangedText change_text(std::shared_ptr<const ReadText> before, const Edit& edit, const std::string& file_name) {
  PlacedText text(std::move(before), edit, file_name);
  for (;;) {  // until nothing has to be written out first
    Splices splices(text.document(), text.now().text);
    ChangedText changed{"", text.shared(), text.tree()};
    const bool is_made =
        edit.does == Edit::Does::set ? set_keys(text, splices, changed) : nest_nodes(text, splices, changed);
    if (!is_made) continue;
    keep_names(text.now(), changed.after, splices, changed.hints);
    changed.text = splices.text();
    return changed;
  }
}

}  // namespace fond_ladder::inline v0::scene
