// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "scene/edit/read_text.hpp"

namespace fond_ladder::inline v0::scene {

/// The changes that an edit makes in a text that was read.
struct ChangedText {
  std::string text;
  std::shared_ptr<const ReadText> before;  ///< with what had to be written out first
  Tree after;  ///< the nodes as they will be nested and named, under the handles of `before`
  std::vector<std::pair<NodeId, std::size_t>> edited{};  ///< edited keys, by their index in the table
  std::vector<std::string> hints{};
};

}  // namespace fond_ladder::inline v0::scene
