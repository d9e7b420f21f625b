// SPDX-License-Identifier: MIT
#pragma once

// The reason why a claim fails: the worst size solved once more, its values, and the line of the explanation that
// produced them.

#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"

namespace fond_ladder::inline v0 {

class Explainer {
 public:
  /// Scene and solver have to live as long.
  Explainer(const Scene& scene, SceneSolver& solver) : scene_(scene), solver_(solver) {}

  [[nodiscard]] bool fails_at(const ContainerSize& container_size, const Claim& claim);
  /// Completes the first few intervals or regions, and the worst one: values and reasons at the worst
  /// size.
  void explain(const Claim& claim, std::vector<CheckedClaim::Failing>& failing);

 private:
  template <class Look>
  bool look_at(const ContainerSize& container_size, const Claim& claim, const Look& look);
  void explain_one(const Claim& claim, CheckedClaim::Failing& failing);
  /// At one size; returns whether the claim fails there.
  bool explain_at(const ContainerSize& container_size, const Claim& claim, CheckedClaim::Failing& failing);
  void add_values(const Solution& solution, const Quantity& quantity, CheckedClaim::Failing& failing) const;
  [[nodiscard]] static std::string why_lines(const Solution& solution, NodeId node);
  void account(const Solution& solution, const Quantity& quantity, CheckedClaim::Failing& failing) const;

  const Scene& scene_;
  SceneSolver& solver_;
};

}  // namespace fond_ladder::inline v0
