// SPDX-License-Identifier: MIT
#include <algorithm>

#include "fond_ladder/check.hpp"
#include "verify/claims/check_variants.hpp"
#include "verify/claims/explain.hpp"
#include "verify/plane/claims_in_plane.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

/// Regions that touch are told as one.
std::vector<Failing> failing_of(const ClaimInPlane& claim) {
  std::vector<Failing> all;
  std::vector<double> worst;
  const std::vector<std::size_t> group = grouped(claim.failing);
  for (std::size_t i = 0; i < claim.failing.size(); ++i) {
    const detail::Region::Box box = claim.failing[i].box();
    if (group[i] == all.size()) {
      Failing& begun = all.emplace_back();
      begun.from = box.left;
      begun.to = box.right;
      begun.heights = Span(box.low, box.high);
      worst.push_back(-1);
    }
    Failing& failing = all[group[i]];
    failing.from = std::min(failing.from, box.left);
    failing.to = std::max(failing.to, box.right);
    failing.heights = Span(std::min(failing.heights->from, box.low), std::max(failing.heights->to, box.high));
    std::vector<Extent>& piece = failing.pieces.emplace_back();
    for (const detail::Point& corner : claim.failing[i].corners()) piece.push_back({corner.x, corner.y});
  }
  for (const ClaimInPlane::Off& off : claim.worst) {
    const std::size_t of = group[off.piece];
    if (off.by <= worst[of]) continue;
    worst[of] = off.by;
    all[of].worst = {off.at.x, off.at.y};
  }
  return all;
}

}  // namespace

std::vector<Claim> read_claims(const Scene& scene, const std::vector<std::string>& texts) {
  std::vector<Claim> claims;
  claims.reserve(texts.size());
  for (const std::string& text : texts) claims.emplace_back(scene, text);
  return claims;
}

std::vector<CheckedClaim> checked_in_plane(const Variant& variant, const std::vector<Claim>& claims,
                                           const InPlane& found) {
  SceneSolver solver(variant.scene, variant.modes);
  Explainer explainer(variant.scene, solver);
  std::vector<CheckedClaim> all;
  for (std::size_t c = 0; c < claims.size(); ++c) {
    CheckedClaim& checked = all.emplace_back();
    checked.claim = claims[c].text();
    checked.every_height = true;
    checked.rungs = found.claims[c].tested ? found.cells + found.sampled : 0;
    for (const detail::Region& piece : found.claims[c].sampled) {
      checked.sampled.emplace_back(piece.box().left, piece.box().right);
    }
    checked.failing = failing_of(found.claims[c]);
    explainer.explain(claims[c], checked.failing);
  }
  return all;
}

std::vector<CheckedClaim> check_every_height(const std::vector<Variant>& variants,
                                             const std::vector<std::string>& claims, const Span& heights,
                                             unsigned threads, const ShareDone& progress) {
  return check_variants(variants, claims.size(), progress,
                        [&](const Variant& variant, const std::vector<std::size_t>& which, const ShareDone& of_all) {
                          const Scene& scene = variant.scene;
                          const std::vector<Claim> read = read_claims(scene, chosen(claims, which));
                          return checked_in_plane(variant, read,
                                                  look_in_plane(scene, variant.modes, read,
                                                                {scene.ladder.width, heights}, false, threads, of_all));
                        });
}

}  // namespace fond_ladder::inline v0
