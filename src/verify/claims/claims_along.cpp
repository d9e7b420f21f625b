// SPDX-License-Identifier: MIT
#include "verify/claims/claims_along.hpp"

#include <array>
#include <map>
#include <set>
#include <tuple>

#include "verify/claims/arranged_claim.hpp"
#include "verify/ladder/workers.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// The sizes of a line at which other ranges hold, and which conditions do from each on.
void list_bounds(const Scene& scene, const std::vector<std::string>& modes, const SizeLine& line, ClaimWay& way) {
  std::set<double> bounds;
  for (const Range& range : scene.ranges) {
    for (const std::optional<double>& bound : line.way.along_height ? std::array{range.from_height, range.below_height}
                                                                    : std::array{range.from_width, range.below_width}) {
      if (bound && *bound > line.span.from && *bound <= line.span.to) bounds.insert(*bound);
    }
  }
  way.bounds.assign(bounds.begin(), bounds.end());
  const SceneSolver solver(scene, modes);
  const auto active_at = [&](double at) {
    return solver.active(line.way.along_height ? ContainerSize{line.way.other, at} : ContainerSize{at, line.way.other});
  };
  way.active.push_back(active_at(line.span.from));
  for (const double bound : way.bounds) way.active.push_back(active_at(bound));
}

}  // namespace

std::vector<Claim> read_claims(const Scene& scene, const std::vector<std::string>& texts) {
  std::vector<Claim> claims;
  claims.reserve(texts.size());
  for (const std::string& text : texts) claims.emplace_back(scene, text);
  return claims;
}

ClaimsAlong::ClaimsAlong(const Scene& scene, const std::vector<std::string>& modes, const std::vector<Claim>& claims)
    : scene_(scene), modes_(modes), claims_(claims) {
  std::map<std::tuple<NodeId, Measure, std::string, std::vector<Solution::ScrolledTo>>, std::size_t> known;
  for (std::size_t c = 0; c < claims.size(); ++c) {
    about_entries_.push_back(speaks_of_entries(scene, claims[c]));
    std::vector<std::size_t>& own = places_.emplace_back();
    if (about_entries_[c]) continue;
    for (const Quantity& quantity : claims[c].quantities()) {
      const auto [at, is_new] =
          known.try_emplace({quantity.node, quantity.measure, quantity.range, quantity.scrolled}, quantities_.size());
      if (is_new) quantities_.push_back(quantity);
      if (is_new) claims_of_.emplace_back();
      own.push_back(at->second);
      if (claims_of_[at->second].empty() || claims_of_[at->second].back() != c) claims_of_[at->second].push_back(c);
    }
  }
}

std::optional<ClaimsAlong::Found> ClaimsAlong::test(const SizeLine& line, unsigned threads,
                                                    const Progress& progress) const {
  const bool is_by_content = !line.way.along_height && !line.way.other;
  std::vector<Quantity> followed_too = quantities_;
  if (is_by_content) followed_too.push_back({scene_.tree.root(), Measure::height, {}});
  std::optional<Followed> followed =
      follow(trail_of(scene_, modes_, line.way), followed_too, line.span, threads, progress);
  if (!followed) return {};
  ClaimWay way;
  way.along_height = line.way.along_height;
  way.other = line.way.other.value_or(0);
  if (is_by_content) way.height = &followed->runs.back();
  way.sampled = &followed->sampled;
  list_bounds(scene_, modes_, line, way);
  Found found{std::vector<TestedWay>(claims_.size())};
  in_parallel(threads, claims_.size(), [&] {
    return [&, own = way](std::size_t c) mutable {
      if (about_entries_[c]) return;
      own.quantities.clear();
      for (const std::size_t place : places_[c]) own.quantities.push_back(&followed->runs[place]);
      found.ways[c] = test_along(claims_[c], own, line.span);
    };
  });
  if (is_by_content) found.height = std::move(followed->runs.back());
  return found;
}

}  // namespace fond_ladder::inline v0
