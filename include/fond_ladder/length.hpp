// SPDX-License-Identifier: MIT
#pragma once

// Lengths and sizes as an author writes them: 240, em(2.5), ch(24), percent(40), content, fill.

#include <optional>
#include <stdexcept>
#include <string>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Thrown by the call that sets an impossible value (not a number, out of its domain). The message says which values
/// are possible.
class BadValue : public std::invalid_argument {
 public:
  using std::invalid_argument::invalid_argument;
};

/// How wide a character of the fixed metrics is, in multiples of its size.
inline constexpr double plain_character = 0.6;

/// What lengths are multiples of, in pixels: the scene's em, and the width of a zero in a node's own font (CSS Values
/// 4, 6.1.1). In fixed metrics that is 0.6 of a text's `size`, and of the em elsewhere.
struct FontUnits {
  double em = 16, ch = plain_character * em;
};

/// A length as an author writes it: pixels, multiples of the scene's em or of the width of a zero, or percent of the
/// parent's content box on the same axis. At most 1e9 in size.
class Length {
 public:
  /// `percent` is of the parent's content box on the same axis.
  enum class Unit : unsigned char { px, em, ch, percent };

  /// Zero pixels.
  constexpr Length() = default;
  /// `px` pixels. Throws BadValue unless finite and at most 1e9 in size.
  Length(double px) : Length(px, Unit::px) {}  // NOLINT(google-explicit-constructor): 240 is a length
  /// An amount of any unit. Throws BadValue unless finite and at most 1e9 in size.
  Length(double amount, Unit unit);

  /// In its own unit.
  [[nodiscard]] double amount() const { return amount_; }
  /// Its unit, as it was given.
  [[nodiscard]] Unit unit() const { return unit_; }
  /// Whether it depends on the size of the parent.
  [[nodiscard]] bool is_percent() const { return unit_ == Unit::percent; }

  /// In pixels. `whole` is the size that 100 % stands for.
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

/// A minimum or a maximum: absent unless the author gives one.
using Limit = std::optional<Length>;

/// Tag types; use the constants below.
struct Automatic {};
struct Content {};
struct Fill {};
/// A size that is not given, or a margin that takes unused space.
inline constexpr Automatic automatic{};
/// As large as the content.
inline constexpr Content content{};
/// As large as the space.
inline constexpr Fill fill{};

/// What an author says of one size of a node: nothing, a length, `content` or `fill`.
class Sizing {
 public:
  /// Which of its forms a size has.
  enum class Way : unsigned char { automatic, length, content, fill };

  /// Not given: the container decides.
  constexpr Sizing() = default;
  constexpr Sizing(Automatic) {}                     // NOLINT(google-explicit-constructor)
  constexpr Sizing(Content) : way_(Way::content) {}  // NOLINT(google-explicit-constructor)
  constexpr Sizing(Fill) : way_(Way::fill) {}        // NOLINT(google-explicit-constructor)
  /// A given length, 0 or more where the key is a size.
  Sizing(Length length) : length_(length), way_(Way::length) {}  // NOLINT(google-explicit-constructor)
  Sizing(double px) : Sizing(Length(px)) {}                      // NOLINT(google-explicit-constructor)

  /// Which form this is.
  [[nodiscard]] Way way() const { return way_; }
  /// Meaningful when `way()` is `length`.
  [[nodiscard]] const Length& length() const { return length_; }

  friend bool operator==(const Sizing&, const Sizing&) = default;

 private:
  Length length_;
  Way way_ = Way::automatic;
};

}  // namespace v0
}  // namespace fond_ladder
