// SPDX-License-Identifier: MIT
#pragma once

// Positions outside the flow: distances to the parent's edges, or ties to edges of siblings.
// box("badge").pin({.right = 4, .top = 4})

#include <array>
#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/axis.hpp"
#include "fond_ladder/enums.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/node_id.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The sides of a pin, and the edges of a sibling that they can be tied to.
enum class PinSide : std::uint8_t { left, right, top, bottom, start, end, middle_x, middle_y };
template <>
inline constexpr std::array<std::string_view, 8> words_of<PinSide>{"left",  "right", "top",      "bottom",
                                                                   "start", "end",   "middle_x", "middle_y"};
/// The axis that a side lies on.
[[nodiscard]] constexpr Axis axis_of(PinSide side) {
  return side == PinSide::top || side == PinSide::bottom || side == PinSide::middle_y ? y_axis : x_axis;
}

/// An edge of a sibling, plus a length: to the right and down, of `start` and `end` along the reading direction. A
/// percentage is of the parent's padding box.
struct Tie {
  std::string to;  ///< the sibling by its last step: its name, or as `row#0`; read anew whenever names change
  NodeId node{};   ///< the sibling by its handle, instead: stays that node whatever it is called
  PinSide edge{};  ///< of the sibling, on the same axis as the side that is tied
  Length plus{};
  friend bool operator==(const Tie&, const Tie&) = default;
};

/// Which sides are tied to what: side by side in the order of PinSide, of one side in the order in which it was said.
/// So pins that say the same are the same.
class Ties {
 public:
  /// One side, and what it is tied to.
  struct SideTie {
    PinSide side{};
    Tie tie;
    friend bool operator==(const SideTie&, const SideTie&) = default;
  };
  Ties();
  Ties(const Ties& other);
  Ties(Ties&& other) noexcept;
  Ties& operator=(const Ties& other);
  Ties& operator=(Ties&& other) noexcept;
  ~Ties();

  /// Adds a tie after those of the same side. Logarithmic search, linear move.
  void add(PinSide side, Tie tie);
  /// Whether nothing is tied.
  [[nodiscard]] bool empty() const { return all_.empty(); }
  /// How many ties there are.
  [[nodiscard]] std::size_t size() const { return all_.size(); }
  /// In the order of PinSide; `i` must be less than size().
  [[nodiscard]] const SideTie& operator[](std::size_t i) const { return all_[i]; }
  [[nodiscard]] SideTie& operator[](std::size_t i) { return all_[i]; }
  [[nodiscard]] auto begin() const { return all_.begin(); }
  [[nodiscard]] auto end() const { return all_.end(); }
  friend bool operator==(const Ties&, const Ties&) = default;

 private:
  std::vector<SideTie> all_;
};

/// Where a child that is taken out of the flow lies: each side at a distance from that side of its parent's padding box
/// (the middle: from its middle), or tied to edges of siblings.
struct Pin {
  /// Distances in pixels, em, ch or percent of the parent's padding box; absent: the side is free. `start` and `end`
  /// follow the reading direction. With both sides of an axis and no size, the size follows.
  Limit left{}, right{}, top{}, bottom{}, start{}, end{}, middle_x{}, middle_y{};
  /// Sides that are tied, instead of a distance. Of several ties of one side the furthest counts: the one that leads
  /// furthest away from that side of the parent.
  Ties ties{};

  /// Ties a side, beside what it is tied to already: `Pin().tied(PinSide::left, {.to = "photo", .edge = PinSide::right,
  /// .plus = 12})`.
  Pin& tied(PinSide side, Tie tie) & {
    ties.add(side, std::move(tie));
    return *this;
  }
  Pin&& tied(PinSide side, Tie tie) && { return std::move(tied(side, std::move(tie))); }
  /// Whether a side is tied to an edge of a sibling.
  [[nodiscard]] bool has_tie(PinSide side) const;
  /// Whether a distance or a tie is said of a side.
  [[nodiscard]] bool says(PinSide side) const { return distance(side).has_value() || has_tie(side); }
  /// The distance of a side; absent where it has none.
  [[nodiscard]] const Limit& distance(PinSide side) const;
  [[nodiscard]] Limit& distance(PinSide side) { return const_cast<Limit&>(std::as_const(*this).distance(side)); }
  friend bool operator==(const Pin&, const Pin&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
