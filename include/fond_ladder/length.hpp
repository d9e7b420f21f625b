// SPDX-License-Identifier: MIT
#pragma once

// Lengths and sizes as an author writes them: 240, em(2.5), ch(24), percent(40), content, fill.

#include <optional>
#include <string>

#include "fond_ladder/error.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Thrown by the call that sets an impossible value (not a number, out of its domain). The message says which values
/// are possible.
class BadValue : public Error {
 public:
  using Error::Error;
};

/// The width of a character in fixed metrics, as a multiple of the font size.
inline constexpr double plain_character = 0.6;

/// The units of lengths, in pixels: the em of the scene, and the width of a zero in the font of the node (CSS Values
/// 4, 6.1.1). With fixed metrics a zero is 0.6 of the font size of a text, and of one em elsewhere.
struct FontUnits {
  double em = 16, ch = plain_character * em;
};

/// A length in pixels, em, ch, or percent of the parent's content box on the same axis. Its amount is at most 1e9.
class Length {
 public:
  /// `percent` refers to the content box of the parent on the same axis.
  enum class Unit : unsigned char {
    px,       ///< pixels
    em,       ///< multiples of the em of the scene
    ch,       ///< multiples of the width of a zero
    percent,  ///< percent of the content box of the parent
  };

  /// Zero pixels.
  constexpr Length() = default;
  /// `px` pixels. Throws BadValue unless finite and at most 1e9 in size.
  Length(double px) : Length(px, Unit::px) {}  // NOLINT(google-explicit-constructor): 240 is a length
  /// An amount of any unit. Throws BadValue unless finite and at most 1e9 in size.
  Length(double amount, Unit unit);

  /// The amount, in its own unit.
  [[nodiscard]] double amount() const { return amount_; }
  /// The unit, as given.
  [[nodiscard]] Unit unit() const { return unit_; }
  /// Whether it depends on the size of the parent.
  [[nodiscard]] bool is_percent() const { return unit_ == Unit::percent; }

  /// The length in pixels. `whole` is the size of 100 %.
  [[nodiscard]] double in_px(const FontUnits& units, double whole) const;

  friend bool operator==(const Length&, const Length&) = default;

 private:
  double amount_ = 0;
  Unit unit_ = Unit::px;
};

/// `amount` times the scene's em.
[[nodiscard]] inline Length em(double amount) {
  return {amount, Length::Unit::em};
}
/// `amount` times the width of a zero in the node's own font.
[[nodiscard]] inline Length ch(double amount) {
  return {amount, Length::Unit::ch};
}
/// `amount` percent of the parent's content box on the same axis.
[[nodiscard]] inline Length percent(double amount) {
  return {amount, Length::Unit::percent};
}

/// A minimum or a maximum; absent unless set.
using Limit = std::optional<Length>;

/// Tag types; use the constants below.
struct Automatic {};
struct Content {};
struct Fill {};
/// A size that is not set, or a margin that takes free space.
inline constexpr Automatic automatic{};
/// The size of the content.
inline constexpr Content content{};
/// The size of the available space.
inline constexpr Fill fill{};

/// A size of a node: automatic, a length, `content` or `fill`.
class Sizing {
 public:
  /// The form of a size.
  enum class Way : unsigned char {
    by_container,  ///< automatic: the container decides
    by_length,     ///< a length
    by_content,    ///< the size of the content
    by_space,      ///< fills the available space
  };

  /// Not set: the container decides.
  constexpr Sizing() = default;
  constexpr Sizing(Automatic) {}                        // NOLINT(google-explicit-constructor)
  constexpr Sizing(Content) : way_(Way::by_content) {}  // NOLINT(google-explicit-constructor)
  constexpr Sizing(Fill) : way_(Way::by_space) {}       // NOLINT(google-explicit-constructor)
  /// A length, 0 or more for a size.
  Sizing(Length length) : length_(length), way_(Way::by_length) {}  // NOLINT(google-explicit-constructor)
  Sizing(double px) : Sizing(Length(px)) {}                         // NOLINT(google-explicit-constructor)

  /// Which form this is.
  [[nodiscard]] Way way() const { return way_; }
  /// Meaningful when `way()` is `by_length`.
  [[nodiscard]] const Length& length() const { return length_; }

  friend bool operator==(const Sizing&, const Sizing&) = default;

 private:
  Length length_;
  Way way_ = Way::by_container;
};

}  // namespace v0
}  // namespace fond_ladder
