// SPDX-License-Identifier: MIT
#pragma once

// One claim, read and tested at single sizes. To check a whole ladder use check() of check.hpp.

#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

namespace detail {
struct ClaimTerms;
}

/// Thrown for a text that is not a claim. The message says what is wrong, with the nearest word; column() says where.
class BadClaim : public Error {
 public:
  BadClaim(const std::string& what, std::size_t column) : Error(what), column_(column) {}
  /// The position in the text of the claim, in bytes, from 1.
  [[nodiscard]] std::size_t column() const { return column_; }

 private:
  std::size_t column_;
};

/// Measured values at one size of the container.
struct MeasuredSize {
  Extent container;
  std::span<const std::optional<double>> values;  ///< one per quantity of the claim, as value_of returns it
  std::span<const std::string> active;            ///< ranges that apply and modes that are on
};

/// A statement about measured quantities, as in "beds.width = 240 when container.width >= 640". docs/claims.md has
/// the grammar. A value; it refers to the nodes of one scene.
class Claim {
 public:
  /// Reads a claim about a scene. It may name any entry of a virtualized list; the first entry stands for one that is
  /// not arranged. Throws BadClaim.
  Claim(const Scene& scene, std::string_view text);

  /// The text of the claim, as written.
  [[nodiscard]] const std::string& text() const { return text_; }
  /// All quantities that a test needs, in the order in which `Measured::values` has them.
  [[nodiscard]] const std::vector<Quantity>& quantities() const;

  /// The result of a test at one size.
  struct Outcome {
    bool tested = false;  ///< false: the condition after `when` does not apply, or a pattern has only hidden nodes
    bool holds = true;
    double off = 0;  ///< by how much it fails: pixels, a difference of counts, or the number of invisible nodes
  };
  /// Tests the claim at one size, on values measured before. Linear in its terms. Does not throw.
  [[nodiscard]] Outcome test(const MeasuredSize& container_size) const;
  /// The part of a claim that fails.
  struct Blamed {
    std::vector<std::size_t> quantities;  ///< index of each in quantities()
    /// Values of `sum`, `min`, `max` and `count`, as written; absent if a value in them is absent.
    std::vector<std::pair<std::string, std::optional<double>>> folds;
  };
  /// Returns what makes the claim fail; empty if it holds.
  [[nodiscard]] Blamed blamed(const MeasuredSize& container_size) const;

  /// For the engine.
  [[nodiscard]] const detail::ClaimTerms& terms() const { return *terms_; }
  Claim(std::string text, std::shared_ptr<const detail::ClaimTerms> terms)
      : text_(std::move(text)), terms_(std::move(terms)) {}

 private:
  std::string text_;
  std::shared_ptr<const detail::ClaimTerms> terms_;
};

}  // namespace v0
}  // namespace fond_ladder
