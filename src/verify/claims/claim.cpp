// SPDX-License-Identifier: MIT
#include "fond_ladder/claim.hpp"

#include "verify/claims/tester.hpp"

namespace fond_ladder::inline v0 {

Claim::Claim(const Scene& scene, std::string_view text) : text_(text) {
  auto terms = std::make_shared<detail::ClaimTerms>(detail::parse_claim(scene, text));
  detail::list_quantities(*terms);
  detail::find_shared_starts(*terms, scene.tree);
  terms_ = std::move(terms);
}

const std::vector<Quantity>& Claim::quantities() const {
  return terms_->quantities;
}

Claim::Outcome Claim::test(const MeasuredRung& rung) const {
  return detail::Tester<double>(*terms_, {rung.container.width, rung.container.height, rung.values, rung.active})
      .test();
}

Claim::Blamed Claim::blamed(const MeasuredRung& rung) const {
  return detail::Tester<double>(*terms_, {rung.container.width, rung.container.height, rung.values, rung.active})
      .blamed();
}

}  // namespace fond_ladder::inline v0
