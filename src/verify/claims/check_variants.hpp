// SPDX-License-Identifier: MIT
#pragma once

// What became of claims in several variants of a scene, put together.

#include <algorithm>
#include <iterator>
#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "verify/ladder/rungs.hpp"

namespace fond_ladder::inline v0 {

/// `check_one(variant, progress)` checks the claims in one variant; where they fail is told with its name and options.
template <class CheckOne>
std::vector<CheckedClaim> check_variants(const std::vector<Variant>& variants, std::size_t claims,
                                         const ShareDone& progress, const CheckOne& check_one) {
  const std::vector<std::string> names = names_of(variants).own;
  std::vector<CheckedClaim> all(claims);
  for (std::size_t v = 0; v < variants.size(); ++v) {
    const ShareDone of_all = [&](double share) {
      if (progress) progress((static_cast<double>(v) + share) / static_cast<double>(variants.size()));
    };
    std::vector<CheckedClaim> checked = check_one(variants[v], of_all);
    for (std::size_t c = 0; c < claims; ++c) {
      for (CheckedClaim::Failing& failing : checked[c].failing) {
        failing.variant = names[v];
        failing.options = variants[v].options;
      }
      all[c].claim = checked[c].claim;
      all[c].every_height = checked[c].every_height;
      all[c].rungs += checked[c].rungs;
      std::ranges::copy(checked[c].sampled, std::back_inserter(all[c].sampled));
      std::ranges::move(checked[c].failing, std::back_inserter(all[c].failing));
    }
  }
  for (CheckedClaim& one : all) {
    one.holds = one.failing.empty() && one.rungs > 0;
    one.sampled = joined(std::move(one.sampled));
  }
  return all;
}

}  // namespace fond_ladder::inline v0
