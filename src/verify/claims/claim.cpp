// SPDX-License-Identifier: MIT
#include "fond_ladder/claim.hpp"

#include "verify/claims/tester.hpp"

namespace fond_ladder::inline v0 {

namespace detail {

std::shared_ptr<const ClaimTerms> read_claim(const Scene& scene, std::string_view text, Entries entries) {
  auto terms = std::make_shared<ClaimTerms>(parse_claim(scene, text, entries));
  list_quantities(*terms);
  find_shared_starts(*terms, scene.tree);
  require_testable(*terms, scene.tree);
  return terms;
}

}  // namespace detail

Claim::Claim(const Scene& scene, std::string_view text) : text_(text), terms_(detail::read_claim(scene, text)) {}

const std::vector<Quantity>& Claim::quantities() const {
  return terms_->quantities;
}

Claim::Outcome Claim::test(const MeasuredSize& container_size) const {
  return detail::Tester<double>(*terms_, {container_size.container.width, container_size.container.height,
                                          container_size.values, container_size.active})
      .test();
}

Claim::Blamed Claim::blamed(const MeasuredSize& container_size) const {
  return detail::Tester<double>(*terms_, {container_size.container.width, container_size.container.height,
                                          container_size.values, container_size.active})
      .blamed();
}

}  // namespace fond_ladder::inline v0
