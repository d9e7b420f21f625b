// SPDX-License-Identifier: MIT
#pragma once

// One claim, read and tested at single sizes. To check a whole ladder use check() of check.hpp.

#include <memory>
#include <optional>
#include <span>
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

namespace detail {
struct ClaimTerms;
}

/// Thrown for a text that is no claim: what is wrong, the nearest word, and where.
class BadClaim : public std::invalid_argument {
 public:
  BadClaim(const std::string& what, std::size_t column) : std::invalid_argument(what), column_(column) {}
  /// In the claim, from 1, in bytes.
  [[nodiscard]] std::size_t column() const { return column_; }

 private:
  std::size_t column_;
};

/// What was measured at one size of the container.
struct MeasuredSize {
  Extent container;
  std::span<const std::optional<double>> values;  ///< one a quantity of the claim, as value_of gives it
  std::span<const std::string> active;            ///< the ranges that hold and the modes that are on
};

/// A sentence about measured quantities, as in "beds.width = 240 when container.width >= 640". The grammar stands in
/// docs/claims.md. A value; it speaks of the nodes of one scene.
class Claim {
 public:
  /// Reads a claim about a scene. Any entry of a list `virtualized` may be spoken of: until it is arranged, the first
  /// stands for it. Throws BadClaim.
  Claim(const Scene& scene, std::string_view text);

  /// As it was written.
  [[nodiscard]] const std::string& text() const { return text_; }
  /// All that has to be measured to test it.
  [[nodiscard]] const std::vector<Quantity>& quantities() const;

  /// What a claim comes to at one size.
  struct Outcome {
    bool tested = false;  ///< false: its `when` does not hold, or a pattern has only hidden nodes
    bool holds = true;
    double off = 0;  ///< by how much it fails: pixels, the difference of what it counts, or how many are invisible
  };
  /// Tests it at one size whose quantities were measured before. Linear in the terms; throws nothing.
  [[nodiscard]] Outcome test(const MeasuredSize& container_size) const;
  /// What makes it fail there.
  struct Blamed {
    std::vector<std::size_t> quantities;  ///< by their place in the list
    /// Values of `sum`, `min`, `max` and `count`, as they are written; none where one of theirs is missing.
    std::vector<std::pair<std::string, std::optional<double>>> folds;
  };
  /// What makes it fail there; empty where it holds.
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
