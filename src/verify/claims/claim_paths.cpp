// SPDX-License-Identifier: MIT
#include "verify/claims/claim_paths.hpp"

#include <algorithm>

#include "verify/claims/claim_terms.hpp"
#include "verify/claims/claim_tokens.hpp"

namespace fond_ladder::inline v0 {

std::vector<PathInClaim> paths_in(const Scene& scene, std::string_view claim) {
  const detail::ClaimTerms terms = detail::parse_claim(scene, claim);
  std::vector<PathInClaim> paths;
  for (const detail::Token& token : detail::tokens_of(claim)) {
    if (token.kind != detail::Token::Kind::name) continue;
    for (const std::string_view words : {token.text, token.text.substr(0, token.text.rfind('.'))}) {
      const auto set = std::ranges::find(terms.sets, words, &detail::NodeSet::pattern);
      if (set == terms.sets.end()) continue;
      paths.push_back({words, set->nodes, set->many});
      break;
    }
  }
  return paths;
}

}  // namespace fond_ladder::inline v0
