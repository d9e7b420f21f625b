// SPDX-License-Identifier: MIT
#include "fond_ladder/check.hpp"

#include "verify/claims/check_ladder.hpp"
#include "verify/claims/check_variants.hpp"
#include "verify/plane/check_rectangle.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::vector<CheckedClaim> check_one(const Variant& variant, const std::vector<std::string>& claims,
                                    const CheckOptions& options, const Progress& progress) {
  return options.heights ? check_rectangle(variant, claims, *options.heights, options.threads, progress)
                         : check_ladder(variant, claims, options.threads, progress);
}

void require_no_modes(const CheckOptions& options) {
  if (!options.modes.empty()) throw BadValue("modes belong to a scene; a variant has its own");
}

}  // namespace

std::vector<CheckedClaim> check(const std::vector<Variant>& variants, const std::vector<std::string>& claims,
                                const CheckOptions& options) {
  require_no_modes(options);
  return check_variants(variants, claims.size(), options.progress,
                        [&](std::size_t v, const std::vector<std::size_t>& which, const Progress& of_all) {
                          return check_one(variants[v], chosen(claims, which), options, of_all);
                        });
}

std::vector<std::optional<CheckedClaim>> check_part(const VariantsInTurn& variants,
                                                    const std::vector<std::string>& claims, const Shard& part,
                                                    const CheckOptions& options) {
  require_no_modes(options);
  return check_variants(variants.labels, claims.size(), part, options.progress,
                        [&](std::size_t v, const std::vector<std::size_t>& which, const Progress& of_all) {
                          return check_one(variants.made(v), chosen(claims, which), options, of_all);
                        });
}

std::vector<CheckedClaim> check(const Scene& scene, const std::vector<std::string>& claims,
                                const CheckOptions& options) {
  CheckOptions of_variant = options;
  of_variant.modes.clear();
  return check(std::vector{variant_of(scene, "", options.modes)}, claims, of_variant);
}

}  // namespace fond_ladder::inline v0
