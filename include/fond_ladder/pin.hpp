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
enum class PinSide : std::uint8_t {
  left,      ///< left edge
  right,     ///< right edge
  top,       ///< top edge
  bottom,    ///< bottom edge
  start,     ///< left edge, or right edge in a right-to-left scene
  end,       ///< the edge opposite to start
  middle_x,  ///< middle between left and right
  middle_y,  ///< middle between top and bottom
};
template <>
inline constexpr std::array<std::string_view, 8> words_of<PinSide>{"left",  "right", "top",      "bottom",
                                                                   "start", "end",   "middle_x", "middle_y"};
/// The axis that a side lies on.
[[nodiscard]] constexpr Axis axis_of(PinSide side) {
  return side == PinSide::top || side == PinSide::bottom || side == PinSide::middle_y ? y_axis : x_axis;
}

/// An edge of a sibling plus a length: to the right and down, for `start` and `end` in the reading direction. A
/// percentage refers to the padding box of the parent.
struct Tie {
  std::string to;  ///< the sibling by its last segment: its name, or as `row#0`; looked up again if names change
  NodeId node{};   ///< or the sibling by its handle, whatever its name
  PinSide edge{};  ///< edge of the sibling, on the same axis as the tied side
  Length plus{};
  friend bool operator==(const Tie&, const Tie&) = default;
};

/// Ties by side, in the order of PinSide, and per side in the order in which they were added. Pins with the same ties
/// are equal.
class Ties {
 public:
  /// A side, and what it is tied to.
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

  /// Adds a tie after those of the same side. Linear in their number.
  void add(PinSide side, Tie tie);
  /// Whether there are no ties.
  [[nodiscard]] bool empty() const { return all_.empty(); }
  /// The number of ties.
  [[nodiscard]] std::size_t size() const { return all_.size(); }
  /// The tie at an index, in the order of PinSide; `i` must be less than size().
  [[nodiscard]] const SideTie& operator[](std::size_t i) const { return all_[i]; }
  [[nodiscard]] SideTie& operator[](std::size_t i) { return all_[i]; }
  [[nodiscard]] auto begin() const { return all_.begin(); }
  [[nodiscard]] auto end() const { return all_.end(); }
  friend bool operator==(const Ties&, const Ties&) = default;

 private:
  std::vector<SideTie> all_;
};

/// The position of a child outside the flow: each side at a distance from that side of the padding box of its parent
/// (the middle: from its middle), or tied to edges of siblings.
struct Pin {
  /// Distances in pixels, em, ch or percent of the parent's padding box; absent: the side is free. `start` and `end`
  /// follow the reading direction. With both sides of an axis and no size, the size follows.
  Limit left{}, right{}, top{}, bottom{}, start{}, end{}, middle_x{}, middle_y{};
  /// Tied sides, in place of distances. Of several ties of one side the one furthest from that side of the parent
  /// counts.
  Ties ties{};

  /// Adds a tie: `Pin().tied(PinSide::left, {.to = "photo", .edge = PinSide::right, .plus = 12})`. Returns itself.
  Pin& tied(PinSide side, Tie tie) & {
    ties.add(side, std::move(tie));
    return *this;
  }
  Pin&& tied(PinSide side, Tie tie) && { return std::move(tied(side, std::move(tie))); }
  /// Whether a side is tied to an edge of a sibling.
  [[nodiscard]] bool has_tie(PinSide side) const;
  /// Whether a side has a distance or a tie.
  [[nodiscard]] bool has(PinSide side) const { return distance(side).has_value() || has_tie(side); }
  /// The distance of a side; absent if it has none.
  [[nodiscard]] const Limit& distance(PinSide side) const;
  [[nodiscard]] Limit& distance(PinSide side) { return const_cast<Limit&>(std::as_const(*this).distance(side)); }
  friend bool operator==(const Pin&, const Pin&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
