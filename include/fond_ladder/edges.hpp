// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string_view>

#include "fond_ladder/length.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One edge of a margin, padding or border: a length, or (margins only) `automatic`.
class Edge {
 public:
  Edge(Length length) : length_(length) {}         // NOLINT(google-explicit-constructor)
  Edge(double px) : length_(px) {}                 // NOLINT(google-explicit-constructor)
  constexpr Edge(Automatic) : automatic_(true) {}  // NOLINT(google-explicit-constructor)

  [[nodiscard]] bool is_automatic() const { return automatic_; }
  [[nodiscard]] const Length& length() const { return length_; }

  friend bool operator==(const Edge&, const Edge&) = default;

 private:
  Length length_;
  bool automatic_ = false;
};

/// What can be named of a box's edges. `left` beats `start` beats `x`; top and bottom beat `y`.
enum class Side : std::uint8_t { top, right, bottom, left, start, end, x, y };
inline constexpr std::array<std::string_view, 8> side_words{"top", "right", "bottom", "left", "start", "end", "x", "y"};

/// The edges of a box as an author gives them. Nothing given means zero on every side.
class Edges {
 public:
  Edges() = default;
  Edges(Length every_side) {  // NOLINT(google-explicit-constructor)
    set(Side::x, every_side).set(Side::y, every_side);
  }
  Edges(double every_side) : Edges(Length(every_side)) {}  // NOLINT(google-explicit-constructor)

  Edges& set(Side side, Edge edge) {
    given_[static_cast<std::size_t>(side)] = edge;
    return *this;
  }
  [[nodiscard]] const std::optional<Edge>& given(Side side) const { return given_[static_cast<std::size_t>(side)]; }

  /// The edge that holds on a physical side: top, right, bottom or left. With `mirrored` (right-to-left) start is the
  /// right side.
  [[nodiscard]] Edge on(Side physical, bool mirrored) const;

  friend bool operator==(const Edges&, const Edges&) = default;

 private:
  std::array<std::optional<Edge>, side_words.size()> given_;
};

/// A pin takes a node out of the flow and ties it to its parent's padding box: distances from its edges, or offsets of
/// the middles.
struct Pin {
  Limit left, right, top, bottom, start, end, middle_x, middle_y;
  friend bool operator==(const Pin&, const Pin&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
