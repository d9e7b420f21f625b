// SPDX-License-Identifier: MIT
#pragma once

// Children of one node lie side by side in a block of places, some of which may be free.

#include <algorithm>
#include <array>
#include <bit>
#include <optional>
#include <vector>

#include "model/flat.hpp"

namespace fond_ladder::inline v0::detail {

/// A move of neighboring places, as edits make it; whoever keeps arrays beside those of the tree does the same with
/// them.
struct Carried {
  Index from = 0, to = 0, count = 0;

  /// Does it with one array, which is long enough.
  template <class Array>
  void carry_in(Array& array) const {
    const auto begin = array.begin();
    if (to < from) {
      std::move(begin + from, begin + from + count, begin + to);
    } else {
      std::move_backward(begin + from, begin + from + count, begin + to + count);
    }
  }
};

struct Block {
  Index first = 0, space = 0;
};

/// Unused blocks, by the power of two that fits into them.
class FreeBlocks {
 public:
  /// One with space for so many; none where there is no such block.
  std::optional<Block> take(Index space) {
    auto& blocks = by_power_[static_cast<std::size_t>(std::bit_width(space - 1U))];
    if (blocks.empty()) return {};
    const Block block = blocks.back();
    blocks.pop_back();
    return block;
  }
  void release(Block block) {
    if (block.space > 0) by_power_[static_cast<std::size_t>(std::bit_width(block.space) - 1)].push_back(block);
  }
  void clear() {
    for (auto& blocks : by_power_) blocks.clear();
  }

 private:
  std::array<std::vector<Block>, 33> by_power_;
};

}  // namespace fond_ladder::inline v0::detail
