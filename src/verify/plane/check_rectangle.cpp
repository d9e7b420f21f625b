// SPDX-License-Identifier: MIT
#include "verify/plane/check_rectangle.hpp"

#include <algorithm>
#include <cmath>
#include <set>

#include "fond_ladder/check.hpp"
#include "verify/claims/claims_along.hpp"
#include "verify/claims/explain.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/plane/claims_in_plane.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

/// Regions that touch are reported as one.
std::vector<Failing> failing_of(const ClaimInPlane& claim) {
  std::vector<Failing> all;
  std::vector<double> worst;
  const std::vector<std::size_t> group = grouped(claim.failing);
  for (std::size_t i = 0; i < claim.failing.size(); ++i) {
    const detail::Region::Box box = claim.failing[i].box();
    if (group[i] == all.size()) {
      Failing& begun = all.emplace_back();
      begun.from = exactly(box.left);
      begun.to = exactly(box.right);
      begun.heights = Interval(exactly(box.low), exactly(box.high));
      worst.push_back(-1);
    }
    Failing& failing = all[group[i]];
    failing.from = std::min(failing.from, exactly(box.left));
    failing.to = std::max(failing.to, exactly(box.right));
    failing.heights =
        Interval(std::min(failing.heights->from, exactly(box.low)), std::max(failing.heights->to, exactly(box.high)));
    std::vector<Extent>& piece = failing.polygons.emplace_back();
    for (const detail::Point& corner : claim.failing[i].corners())
      piece.push_back({exactly(corner.x), exactly(corner.y)});
  }
  for (const ClaimInPlane::Off& off : claim.worst) {
    const std::size_t of = group[off.piece];
    if (off.by <= worst[of]) continue;
    worst[of] = all[of].off = off.by;
    all[of].worst = {off.at.x, off.at.y};
    all[of].limit = {off.limit.x, off.limit.y};
  }
  return all;
}

/// Lines of sizes in a rectangle.
class LinesInPlane {
 public:
  LinesInPlane(const Variant& variant, const std::vector<Claim>& claims, const SizeRectangle& area,
               const InPlane& found, unsigned threads)
      : scene_(variant.scene), area_(area), threads_(thread_count(threads)), along_(scene_, variant.modes, claims) {
    for (const ClaimInPlane& claim : found.claims) known_.push_back(claim.failing);
  }

  /// Adds where claims fail on a line and in no region.
  void look(std::vector<CheckedClaim>& all) {
    for (const double height : places(area_.heights, &Range::from_height, &Range::below_height)) {
      look_along({{false, height}, area_.widths}, all);
    }
    for (const double width : places(area_.widths, &Range::from_width, &Range::below_width)) {
      look_along({{true, width}, area_.heights}, all);
    }
  }

 private:
  /// The last of a side, and where ranges are bounded on it.
  [[nodiscard]] std::set<double> places(const Interval& span, std::optional<double> Range::*from,
                                        std::optional<double> Range::*below) const {
    std::set<double> all{span.to};
    for (const Range& range : scene_.ranges) {
      for (const std::optional<double>& bound : {range.*from, range.*below}) {
        if (bound && *bound > span.from && *bound < span.to) all.insert(*bound);
      }
    }
    return all;
  }

  void look_along(const SizeLine& line, std::vector<CheckedClaim>& all) {
    const auto tested = along_.test(line, threads_, {});
    if (!tested) return;  // what bends was sampled
    for (std::size_t c = 0; c < all.size(); ++c) {
      all[c].tests += tested->ways[c].tested;
      for (const FailingStretch& one : tested->ways[c].failing) {
        for (const Interval& part : outside_regions({one.from, one.to}, line, known_[c])) {
          const Failing& added = all[c].failing.emplace_back(on_line(one, part, line));
          const auto& [from, to] = std::pair(added.polygons[0][0], added.polygons[0][1]);
          known_[c].emplace_back(std::vector<detail::Point>{{from.width, from.height}, {to.width, to.height}});
        }
      }
    }
  }

  static Failing on_line(const FailingStretch& one, const Interval& part, const SizeLine& line) {
    const double other = *line.way.other, at = std::clamp(one.worst, part.from, part.to);
    const auto size_at = [&](double place) {
      return line.way.along_height ? Extent{other, place} : Extent{place, other};
    };
    Failing failing;
    const Extent from = size_at(part.from), to = size_at(part.to);
    failing.from = from.width;
    failing.to = to.width;
    failing.heights = Interval(from.height, to.height);
    failing.polygons = {{from, to}};
    failing.off = one.off;
    failing.worst = failing.limit = size_at(at);
    return failing;
  }

  /// The part of a line outside of all regions.
  static std::vector<Interval> outside_regions(const Interval& part, const SizeLine& line,
                                               const std::vector<detail::Region>& regions) {
    constexpr double near = 1e-6;
    std::vector<Interval> open{part};
    for (const detail::Region& region : regions) {
      const std::optional<Interval> inside = common(region, line);
      if (!inside) continue;
      std::vector<Interval> rest;
      for (const Interval& one : open) {
        if (one.from < inside->from - near) rest.emplace_back(one.from, std::min(one.to, inside->from));
        if (one.to > inside->to + near) rest.emplace_back(std::max(one.from, inside->to), one.to);
      }
      open.swap(rest);
    }
    return open;
  }

  /// What a region has in common with a line.
  static std::optional<Interval> common(const detail::Region& region, const SizeLine& line) {
    constexpr double near = 1e-6;
    const auto along = [&](const detail::Point& point) { return line.way.along_height ? point.y : point.x; };
    const auto off = [&](const detail::Point& point) {
      return (line.way.along_height ? point.x : point.y) - *line.way.other;
    };
    std::optional<Interval> found;
    const auto take = [&](double at) {
      found = found ? Interval(std::min(found->from, at), std::max(found->to, at)) : Interval(at, at);
    };
    const std::vector<detail::Point>& corners = region.corners();
    for (std::size_t i = 0; i < corners.size(); ++i) {
      const detail::Point &a = corners[i], &b = corners[(i + 1) % corners.size()];
      if (std::abs(off(a)) <= near) take(along(a));
      if (off(a) * off(b) < 0) take(along(a) + (along(b) - along(a)) * off(a) / (off(a) - off(b)));
    }
    return found;
  }

  const Scene& scene_;
  const SizeRectangle& area_;
  unsigned threads_;
  ClaimsAlong along_;
  std::vector<std::vector<detail::Region>> known_;  // by claim: where it is known to fail
};

}  // namespace

std::vector<CheckedClaim> checked_in_plane(const Variant& variant, const std::vector<Claim>& claims,
                                           const SizeRectangle& area, const InPlane& found, unsigned threads) {
  SceneSolver solver(variant.scene, variant.modes);
  Explainer explainer(variant.scene, solver);
  std::vector<CheckedClaim> all;
  for (std::size_t c = 0; c < claims.size(); ++c) {
    CheckedClaim& checked = all.emplace_back();
    checked.claim = claims[c].text();
    checked.every_height = true;
    checked.tests = found.claims[c].tested ? found.cells + found.sampled : 0;
    for (const detail::Region& piece : found.claims[c].sampled) {
      checked.sampled.emplace_back(piece.box().left, piece.box().right);
    }
    checked.failing = failing_of(found.claims[c]);
  }
  LinesInPlane(variant, claims, area, found, threads).look(all);
  for (std::size_t c = 0; c < claims.size(); ++c) explainer.explain(claims[c], all[c].failing);
  return all;
}

std::vector<CheckedClaim> check_rectangle(const Variant& variant, const std::vector<std::string>& claims,
                                          const Interval& heights, unsigned threads, const Progress& progress) {
  const std::vector<Claim> read = read_claims(variant.scene, claims);
  const SizeRectangle area{variant.scene.ladder.width, heights};
  const InPlane found = look_in_plane(variant.scene, variant.modes, read, area, false, threads, progress);
  return checked_in_plane(variant, read, area, found, threads);
}

}  // namespace fond_ladder::inline v0
