// SPDX-License-Identifier: MIT
#include <algorithm>
#include <iterator>

#include "fond_ladder/check.hpp"
#include "verify/claims/explain.hpp"
#include "verify/ladder/rungs.hpp"
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

std::vector<CheckedClaim> check_every_height(const std::vector<Variant>& variants,
                                             const std::vector<std::string>& claims, const Span& heights,
                                             unsigned threads, const ShareDone& progress) {
  const std::vector<std::string> names = names_of(variants).own;
  std::vector<CheckedClaim> all(claims.size());
  for (std::size_t v = 0; v < variants.size(); ++v) {
    const Variant& variant = variants[v];
    std::vector<Claim> read;
    read.reserve(claims.size());
    for (const std::string& text : claims) read.emplace_back(variant.scene, text);
    const ShareDone of_all = [&](double share) {
      if (progress) progress((static_cast<double>(v) + share) / static_cast<double>(variants.size()));
    };
    const InPlane found = look_in_plane(variant.scene, variant.modes, read, {variant.scene.ladder.width, heights},
                                        false, threads, of_all);
    SceneSolver solver(variant.scene, variant.modes);
    Explainer explainer(variant.scene, solver);
    for (std::size_t c = 0; c < all.size(); ++c) {
      std::vector<Failing> failing = failing_of(found.claims[c]);
      for (Failing& one : failing) {
        one.variant = names[v];
        one.options = variant.options;
      }
      explainer.explain(read[c], failing);
      all[c].claim = read[c].text();
      all[c].rungs += found.claims[c].tested ? found.cells : 0;
      for (const detail::Region& piece : found.claims[c].sampled) {
        all[c].sampled.emplace_back(piece.box().left, piece.box().right);
      }
      std::ranges::move(failing, std::back_inserter(all[c].failing));
    }
  }
  for (CheckedClaim& one : all) {
    one.holds = one.failing.empty() && one.rungs > 0;
    one.sampled = joined(std::move(one.sampled));
  }
  return all;
}

}  // namespace fond_ladder::inline v0
