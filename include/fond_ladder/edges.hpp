// SPDX-License-Identifier: MIT
#pragma once

// Margins, paddings and borders as an author gives them: for all sides, for an axis, or side by side.
// box().margin(8).margin_left(automatic)

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
  /// A length. In padding and borders it must be 0 or more.
  Edge(Length length) : length_(length) {}  // NOLINT(google-explicit-constructor)
  Edge(double px) : length_(px) {}          // NOLINT(google-explicit-constructor)
  /// Takes a share of the free space. In margins only.
  constexpr Edge(Automatic) : automatic_(true) {}  // NOLINT(google-explicit-constructor)

  /// Whether it takes free space.
  [[nodiscard]] bool is_automatic() const { return automatic_; }
  /// The length; 0 if it is automatic.
  [[nodiscard]] const Length& length() const { return length_; }

  friend bool operator==(const Edge&, const Edge&) = default;

 private:
  Length length_;
  bool automatic_ = false;
};

/// The sides of a box as an author names them. `left` wins over `start`, and `start` over `x`; top and bottom win
/// over `y`.
enum class Side : std::uint8_t {
  top,     ///< top side
  right,   ///< right side
  bottom,  ///< bottom side
  left,    ///< left side
  start,   ///< left side, or right side in a right-to-left scene
  end,     ///< the side opposite to start
  x,       ///< left and right side
  y,       ///< top and bottom side
};
/// Their words in a scene file, in the order of Side.
inline constexpr std::array<std::string_view, 8> side_words{"top", "right", "bottom", "left", "start", "end", "x", "y"};

/// The edges of a box. A side that is not set is 0.
class Edges {
 public:
  /// No side set.
  Edges() = default;
  /// The same length on every side.
  Edges(Length every_side) {  // NOLINT(google-explicit-constructor)
    set(Side::x, every_side).set(Side::y, every_side);
  }
  /// The same number of pixels on every side.
  Edges(double every_side) : Edges(Length(every_side)) {}  // NOLINT(google-explicit-constructor)
  /// Every side automatic: for margins.
  Edges(Automatic every_side) {  // NOLINT(google-explicit-constructor)
    set(Side::x, every_side).set(Side::y, every_side);
  }

  /// Sets one side, or a pair of sides. Returns itself.
  Edges& set(Side side, Edge edge) {
    const auto i = static_cast<std::size_t>(side);
    amounts_[i] = edge.is_automatic() ? 0 : edge.length().amount();
    ways_[i] = edge.is_automatic() ? Way::takes_free_space : static_cast<Way>(edge.length().unit());
    return *this;
  }
  /// The edge set under that name; absent if not set. on() returns the resulting edge.
  [[nodiscard]] std::optional<Edge> given(Side side) const {
    const auto i = static_cast<std::size_t>(side);
    if (ways_[i] == Way::none) return {};
    if (ways_[i] == Way::takes_free_space) return Edge(Automatic());
    return Edge(Length(amounts_[i], static_cast<Length::Unit>(ways_[i])));
  }
  /// Whether no side is set.
  [[nodiscard]] bool empty() const { return ways_ == Edges().ways_; }

  /// The edge on a physical side: top, right, bottom or left. With `mirrored` (right-to-left) start is the right
  /// side.
  [[nodiscard]] Edge on(Side physical, bool mirrored) const;

  friend bool operator==(const Edges&, const Edges&) = default;

 private:
  enum class Way : std::uint8_t {
    px = static_cast<std::uint8_t>(Length::Unit::px),
    em = static_cast<std::uint8_t>(Length::Unit::em),
    ch = static_cast<std::uint8_t>(Length::Unit::ch),
    percent = static_cast<std::uint8_t>(Length::Unit::percent),
    takes_free_space,
    none,
  };
  std::array<Way, side_words.size()> ways_{Way::none, Way::none, Way::none, Way::none,
                                           Way::none, Way::none, Way::none, Way::none};
  std::array<double, side_words.size()> amounts_{};
};

}  // namespace v0
}  // namespace fond_ladder
