// SPDX-License-Identifier: MIT
#pragma once

// What became of claims in several variants of a scene, put together.

#include <algorithm>
#include <iterator>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "verify/ladder/container_sizes.hpp"

namespace fond_ladder::inline v0 {

/// `check_one(v, which, progress)` checks some claims, by their indexes, in one variant; where they fail is reported
/// with its name and options. A claim without nodes in the part is left out, as is one that nothing in the part tests,
/// unless the part has its first variant and no other variant tests it either.
template <class CheckOne>
std::vector<std::optional<CheckedClaim>> check_variants(const std::vector<VariantLabel>& variants, std::size_t claims,
                                                        const Shard& part, const Progress& progress,
                                                        const CheckOne& check_one) {
  const std::vector<std::string> names = names_of(variants).own;
  std::vector<std::optional<CheckedClaim>> all(claims);
  const auto take = [&](std::size_t v, const std::vector<std::size_t>& which, const Progress& of_all) {
    std::vector<CheckedClaim> checked = check_one(v, which, of_all);
    for (std::size_t i = 0; i < which.size(); ++i) {
      for (CheckedClaim::Failing& failing : checked[i].failing) {
        failing.variant = names[v];
        failing.options = variants[v].options;
      }
      if (!all[which[i]]) all[which[i]].emplace();
      CheckedClaim& one = *all[which[i]];
      one.claim = checked[i].claim;
      one.every_height = checked[i].every_height;
      one.tests += checked[i].tests;
      std::ranges::copy(checked[i].sampled, std::back_inserter(one.sampled));
      std::ranges::move(checked[i].failing, std::back_inserter(one.failing));
    }
  };
  for (std::size_t v = 0; v < variants.size(); ++v) {
    const Progress of_all = [&](double share) {
      if (progress) progress((static_cast<double>(v) + share) / static_cast<double>(variants.size()));
    };
    std::vector<std::size_t> which;
    for (std::size_t c = 0; c < claims; ++c) {
      if (part.contains(c, v, variants.size())) which.push_back(c);
    }
    if (!which.empty()) take(v, which, of_all);
  }
  for (std::size_t c = 0; c < claims; ++c) {
    if (!all[c] || all[c]->tests > 0 || all[c]->failing.size() > 0) continue;
    if (!part.contains(c, 0, variants.size())) {
      all[c].reset();  // whoever has its first variant looks whether it is tested in any
      continue;
    }
    for (std::size_t v = 0; v < variants.size() && all[c]; ++v) {
      const bool is_other = !part.contains(c, v, variants.size());
      if (is_other && check_one(v, std::vector{c}, Progress())[0].tests > 0) all[c].reset();  // another part reports it
    }
  }
  for (std::optional<CheckedClaim>& one : all) {
    if (!one) continue;
    one->holds = one->failing.empty() && one->tests > 0;
    one->sampled = joined(std::move(one->sampled));
  }
  return all;
}

/// All of them.
template <class CheckOne>
std::vector<CheckedClaim> check_variants(const std::vector<Variant>& variants, std::size_t claims,
                                         const Progress& progress, const CheckOne& check_one) {
  std::vector<CheckedClaim> all;
  for (std::optional<CheckedClaim>& one : check_variants(labels_of(variants), claims, Shard(), progress, check_one))
    all.push_back(std::move(*one));
  return all;
}

/// Those of some texts that stand at some places.
[[nodiscard]] inline std::vector<std::string> chosen(const std::vector<std::string>& texts,
                                                     const std::vector<std::size_t>& which) {
  std::vector<std::string> some;
  for (const std::size_t i : which) some.push_back(texts[i]);
  return some;
}

}  // namespace fond_ladder::inline v0
