// SPDX-License-Identifier: MIT
#include "verify/claims/arranged_claim.hpp"

#include <algorithm>

#include "verify/claims/claim_terms.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::inline v0 {

bool speaks_of_entries(const Scene& scene, const Claim& claim) {
  if (!has_lists(scene.tree)) return false;
  return claim.terms().of_entries ||
         std::ranges::any_of(claim.quantities(),
                             [&](const Quantity& one) { return hangs_on_entries(scene.tree, one); }) ||
         std::ranges::any_of(claim.terms().scrolled, [&](const Solution::ScrolledTo& one) {
           return scene.tree.keys(one.node).virtualized.on || lies_in_list(scene.tree, one.node);
         });
}

ArrangedClaim arranged_claim(const Scene& scene, const Claim& claim, SceneSolver& solver,
                             const ContainerSize& container_size) {
  ArrangedClaim arranged{solver.solve(container_size, claim.terms().scrolled)};
  Scene there(solver.tree());
  there.ranges = scene.ranges;
  there.modes = scene.modes;
  there.whens = scene.whens;
  try {
    arranged.claim.emplace(claim.text(), detail::read_claim(there, claim.text(), detail::Entries::as_arranged));
  } catch (const BadClaim&) {
    return arranged;
  }
  arranged.values = Measuring(arranged.claim->quantities())(arranged.solution);
  arranged.active = solver.active(container_size);
  return arranged;
}

}  // namespace fond_ladder::inline v0
