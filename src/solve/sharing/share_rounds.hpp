// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <span>
#include <vector>

#include "model/bytes_of.hpp"
#include "solve/sharing/line_item.hpp"

namespace fond_ladder::inline v0::detail {

/// Replays the rounds in which the open standard takes missing space from a line, for lines with shrink factors that
/// add to less than 1. Keeps its memory between calls. See share_rounds.cpp.
template <class N>
class ShrinkRoundsOf {
 public:
  /// Makes space for lines of `most` children, so that shrinking them allocates nothing.
  void reserve(std::size_t most);

  [[nodiscard]] std::size_t memory() const { return least_.memory() + most_.memory() + free_.capacity() / 8; }

  /// Sets every size and returns their sum. `initial` is the space missing before anybody is frozen by a limit.
  N shrink(std::span<LineItemOf<N>> line_items, N space, N initial);

 private:
  /// What a set of children adds to the violation of its limits at level L: `offset` + L * `speed`.
  struct Violation {
    N offset = 0, speed = 0;
    std::uint32_t count = 0;
  };
  /// Children in the order of the level at which a limit stops them, with sums over any first part of that order.
  struct Stops {
    std::vector<std::uint32_t> order;  // children
    std::vector<N> level;              // by place in the order, rising
    std::vector<std::uint32_t> place;  // by child; `nowhere` for those that this limit never stops
    std::vector<Violation> sums;       // binary indexed
    std::uint32_t passed = 0;          // places below are frozen

    void reserve(std::size_t most);
    void clear(std::size_t children);
    [[nodiscard]] std::size_t memory() const { return bytes_of(order, level, place, sums); }
    void sort_by_level();
    void add(std::uint32_t place, const Violation& change, int sign);
    [[nodiscard]] std::uint32_t places_below(N at) const;
    [[nodiscard]] Violation sum_below(std::uint32_t end) const;
  };

  void list(std::span<const LineItemOf<N>> line_items);
  void freeze(std::span<LineItemOf<N>> line_items, std::uint32_t child, N size);
  void freeze_below(std::span<LineItemOf<N>> line_items, Stops& stops, std::uint32_t end);

  Stops least_, most_;  // `most_` by falling level: its levels are negated
  std::vector<bool> free_;
  N missing_ = 0, factors_ = 0, scaled_ = 0;
  std::size_t free_count_ = 0;
};

using ShrinkRounds = ShrinkRoundsOf<double>;

}  // namespace fond_ladder::inline v0::detail
