// SPDX-License-Identifier: MIT
#pragma once

// Claims about lists of which only what is in view is arranged. At each size they are read anew, about the entries that
// are there: `entry[*]` means those, and a claim about an entry that is not in view is not tested there. So they are
// tested size by size, and never proved.

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "verify/measure/measuring.hpp"

namespace fond_ladder::inline v0 {

/// Whether what becomes of a claim hangs on the entries that are in view of a list.
[[nodiscard]] bool speaks_of_entries(const Scene& scene, const Claim& claim);

/// A claim as it is read at one size, with what was measured there.
struct ArrangedClaim {
  Solution solution;
  std::optional<Claim> claim{};  ///< none if it refers to an entry that is not arranged
  Values values{};
  std::vector<std::string> active{};

  [[nodiscard]] MeasuredSize measured() const { return {solution.container(), values, active}; }
  [[nodiscard]] Claim::Outcome test() const { return claim ? claim->test(measured()) : Claim::Outcome{}; }
};
/// Holds until the next call with that solver.
[[nodiscard]] ArrangedClaim arranged_claim(const Scene& scene, const Claim& claim, SceneSolver& solver,
                                           const ContainerSize& container_size);

}  // namespace fond_ladder::inline v0
