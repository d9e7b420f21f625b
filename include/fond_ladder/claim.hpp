// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <optional>
#include <stdexcept>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"

namespace fond_ladder {

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

/// A sentence about measured quantities, as in "beds.width = 240 when container.width >= 640". The grammar stands in
/// docs/claims.md. A value; it speaks of the nodes of one scene.
class Claim {
 public:
  /// Reads a claim about a scene. Throws BadClaim.
  Claim(const Scene& scene, std::string_view text);

  [[nodiscard]] const std::string& text() const { return text_; }
  /// The quantities it speaks of, for turns.
  [[nodiscard]] const std::vector<Quantity>& quantities() const { return quantities_; }

  /// What a claim comes to at one size.
  struct Outcome {
    bool tested = false;  ///< false: its `when` does not hold, or a pattern has only hidden nodes
    bool holds = true;
    double off = 0;  ///< by how much it fails, where that is a number
    std::vector<std::pair<std::string, std::optional<double>>> values{};  ///< of what failed
  };
  /// `active` are the ranges that hold and the modes that are on.
  [[nodiscard]] Outcome test(const Arrangement& arrangement, const std::vector<std::string>& active) const;

 private:
  std::string text_;
  std::vector<Quantity> quantities_;
  std::shared_ptr<const detail::ClaimTerms> terms_;
};

/// What became of one claim over a ladder.
struct CheckedClaim {
  std::string claim;
  bool holds = true;
  std::size_t rungs = 0;  ///< sizes at which it was tested; without any it does not hold
  /// Neighbouring sizes at which it fails, of one height of the container.
  struct Failing {
    double from = 0, to = 0;
    Extent worst;  ///< container
    std::vector<std::pair<std::string, std::optional<double>>> values{};
    std::optional<double> height{};
  };
  std::vector<Failing> failing;
};

/// Tests claims at every whole width of the scene's ladder, at both ends of its heights, at every named rung, and on
/// and next to every range bound and every turn of their quantities. Throws BadClaim, and as SceneSolver does.
[[nodiscard]] std::vector<CheckedClaim> check(const Scene& scene, const std::vector<std::string>& claims,
                                              const std::vector<std::string>& modes = {}, unsigned threads = 0);

}  // namespace fond_ladder
