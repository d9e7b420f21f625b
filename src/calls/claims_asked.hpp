// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::calls {

/// Claims that are texts still, read in some scenes to see that they are claims in each.
class RequiredClaims {
 public:
  explicit RequiredClaims(std::vector<std::string> claims) : claims_(std::move(claims)), faults_(claims_.size()) {}
  /// Reads them in one more scene.
  void read_in(const Scene& scene);
  /// Throws WrongCall for those that are none, all at once.
  void require() const;

 private:
  std::vector<std::string> claims_, faults_;  // of each the first, or nothing
};
/// Those of one scene. Throws WrongCall.
void require_claims(const Scene& scene, const std::vector<std::string>& claims);

/// `all 24 claims hold, proved for every width`
[[nodiscard]] std::string verdict_text(const std::vector<CheckedClaim>& checked);
/// Of a claim that does not hold: where and how, or that it was untested, in one line.
[[nodiscard]] std::string why_it_fails(const CheckedClaim& one);

}  // namespace fond_ladder::calls
