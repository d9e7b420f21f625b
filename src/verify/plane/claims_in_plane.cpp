// SPDX-License-Identifier: MIT
//
// A traced solve at one size, both sides of the container being dragged, gives the convex region in which all its
// decisions hold: there every size and place is a plane over widths and heights. The rectangle is covered with such
// cells. In each of them every claim gets its quantities as numbers that move both ways, so that its own comparisons
// cut the cell into regions in which it holds or fails.
#include "verify/plane/claims_in_plane.hpp"

#include <algorithm>
#include <cmath>
#include <optional>

#include "solve/passes/traced_solve.hpp"
#include "verify/claims/arranged_claim.hpp"
#include "verify/claims/tester.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/lists.hpp"
#include "verify/measure/measures.hpp"
#include "verify/measure/measuring.hpp"
#include "verify/plane/cover.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::DecisionTrace;
using detail::Index;
using detail::Point;
using detail::Region;
using detail::TracedNumber;

/// A region with one decision trace, and all boxes in it as planes over widths and heights.
struct PlaneCell {
  Region region;
  std::vector<float> planes;
};

/// One part of the rectangle.
class Strip {
 public:
  Strip(const Scene& scene, const std::vector<std::string>& modes, const std::vector<Claim>& claims, bool breakpoints)
      : scene_(scene),
        modes_(modes),
        claims_(claims),
        breakpoints_(breakpoints),
        solver_(scene, modes),
        store_(solver_.tree().store()) {
    if (has_lists(scene.tree)) sampling_.emplace(scene, modes);
    found_.claims.resize(claims.size());
    for (const Claim& claim : claims) {
      measuring_.emplace_back(claim.quantities());
      about_entries_.push_back(speaks_of_entries(scene, claim));
    }
  }

  void look(const Region& part) {
    detail::cover(
        part, {}, [&](const Point& at, Region& cell) { return look_at(at, cell); },
        [&](const Region& piece) {
          ++found_.sampled;
          found_.area += piece.area();
          for (std::size_t c = 0; c < claims_.size(); ++c) sample(c, piece);
        });
  }

  InPlane& found() { return found_; }
  std::vector<PlaneCell>& cells() { return cells_; }

 private:
  /// Solves at a size, and tests all claims where the same decisions hold.
  bool look_at(const Point& at, Region& cell) {
    traced_.run(store_, TracedNumber(at.x, 1, 0), TracedNumber(at.y, 0, 1), modes_, &cell);
    if (traced_.decision_trace().opaque || traced_.decision_trace().curved) return false;
    if (cell.thickness() <= detail::thin_as_a_line) return true;
    at_ = at;
    ++found_.cells;
    const Region whole = cell.moved(at.x, at.y);
    found_.area += whole.area();
    if (breakpoints_) keep_planes(whole);
    active_ = store_.forms().names_of(traced_.holding());
    for (std::size_t c = 0; c < claims_.size(); ++c) about_entries_[c] ? sample(c, whole) : test(c, whole);
    return true;
  }

  void keep_planes(const Region& whole) {
    PlaneCell& cell = cells_.emplace_back(PlaneCell{whole, {}});
    const auto view = traced_.view(store_);
    for (Index i = 0; i < store_.size(); ++i) {
      const bool placed = detail::has_place(view, i);
      for (const Axis axis : {x_axis, y_axis}) {
        for (const TracedNumber& number : {view.place(i, axis), view.size(i, axis)}) {
          const TracedNumber from_corner = number.further(-at_.x, -at_.y);
          cell.planes.push_back(placed ? static_cast<float>(from_corner.value()) : -1e9F);
          cell.planes.push_back(placed ? static_cast<float>(number.slope()) : 0);
          cell.planes.push_back(placed ? static_cast<float>(number.second_slope()) : 0);
        }
      }
    }
  }

  void drag_to(const Point& at) {
    traced_.drag(at.x - at_.x, at.y - at_.y);
    at_ = at;
  }

  /// Cuts a cell into where a claim holds, where it fails, and where it is not tested. A claim that fails is reported
  /// with its exact edges, as along a line (claim_stretches).
  void test(std::size_t c, const Region& whole) {
    const detail::ClaimTerms& terms = claims_[c].terms();
    std::vector<Region> failing = failing_in(c, whole, terms.within, [&](const Region& piece) { sample(c, piece); });
    if (!failing.empty() && !terms.has_within) {
      std::vector<Region> exact = failing_in(c, whole, 0, [](const Region&) {});
      std::erase_if(exact, [&](const Region& one) {
        return std::ranges::none_of(failing, [&](const Region& other) { return have_area(one, other); });
      });
      if (!exact.empty()) failing = std::move(exact);
    }
    ClaimInPlane& found = found_.claims[c];
    for (Region& region : failing) {
      if (region.thickness() <= least_thickness(region)) continue;
      found.worst.push_back(worst_in(claims_[c], region, found.failing.size()));
      found.failing.push_back(std::move(region));
    }
  }

  /// Where a claim fails in a cell by more than so many pixels; `unknown` gets the pieces where it cannot be proved.
  template <class Unknown>
  std::vector<Region> failing_in(std::size_t c, const Region& whole, double within, const Unknown& unknown) {
    std::vector<Region> failing;
    detail::cover(
        whole, {},
        [&](const Point& at, Region& part) {
          drag_to(at);
          DecisionTrace decision_trace;
          decision_trace.region = &part;
          const detail::Tracing tracing(decision_trace);
          const Claim::Outcome outcome = test_here(claims_[c], within);
          if (decision_trace.curved || decision_trace.opaque) return false;
          found_.claims[c].tested = found_.claims[c].tested || outcome.tested;
          if (outcome.tested && !outcome.holds) failing.push_back(part.moved(at.x, at.y));
          return true;
        },
        unknown);
    return failing;
  }

  /// Whether two regions have more than a line in common.
  static bool have_area(const Region& one, const Region& other) {
    std::vector<Region> outside;
    return one.overlaps(other) && detail::subtract(one, other, outside).thickness() > detail::thin_as_a_line;
  }

  /// Lines allow a tolerance for what does not fit: what fails by less is not reported.
  static double least_thickness(const Region& region) {
    const Region::Box around = region.box();
    return 8 * limits::line_tolerance * std::max({1.0, around.right, around.high});
  }

  [[nodiscard]] Claim::Outcome test_here(const Claim& claim, double within) {
    const auto view = traced_.view(store_);
    const detail::Finished<detail::ViewOf<TracedNumber>> solve{store_, traced_.forms(), view};
    detail::SeenSoFar<TracedNumber> seen;
    values_.clear();
    for (const Quantity& quantity : claim.quantities()) {
      values_.push_back(detail::measured(solve, quantity, seen));
    }
    const detail::MeasuredOf<TracedNumber> container_size{view.size(0, x_axis), view.size(0, y_axis), values_, active_};
    return detail::Tester<TracedNumber>(claim.terms(), container_size, within).test();
  }

  /// The corner of a region at which a claim fails most.
  ClaimInPlane::Off worst_in(const Claim& claim, const Region& region, std::size_t piece) {
    const Point middle = region.middle();
    ClaimInPlane::Off worst{piece, middle, middle, -1};
    for (const Point& corner : region.corners()) {
      constexpr double inside = 1e-4;
      const Point near{corner.x + inside * (middle.x - corner.x), corner.y + inside * (middle.y - corner.y)};
      drag_to(near);
      const double by = test_here(claim, claim.terms().within).off;
      if (by <= worst.by + limits::report_tolerance) continue;
      worst.by = by;
      worst.at = near;
      worst.limit = {exactly(corner.x), exactly(corner.y)};
    }
    return worst;
  }

  [[nodiscard]] Claim::Outcome measured_at(std::size_t c, const ContainerSize& container_size) {
    const Solution solution = sampling().solve(container_size);
    const Values values = measuring_[c](solution);
    const std::vector<std::string> active = sampling().active(container_size);
    return claims_[c].test({solution.container(), values, active});
  }

  /// Looks at some sizes of a piece about which nothing can be proved.
  void sample(std::size_t c, const Region& piece) {
    ClaimInPlane& found = found_.claims[c];
    const Point middle = piece.middle();
    std::vector<Point> looked{{std::round(middle.x), std::round(middle.y)}, middle};
    for (const Point& corner : piece.corners()) {
      looked.push_back({corner.x + (middle.x - corner.x) / 16, corner.y + (middle.y - corner.y) / 16});
    }
    ClaimInPlane::Off worst{found.failing.size(), middle, middle, -1};
    bool tested = false;
    for (const Point& at : looked) {
      if (!piece.holds(at)) continue;
      const ContainerSize container_size{at.x, at.y};
      const Claim::Outcome outcome = about_entries_[c]
                                         ? arranged_claim(scene_, claims_[c], sampling(), container_size).test()
                                         : measured_at(c, container_size);
      tested = tested || outcome.tested;
      if (!outcome.tested || outcome.holds || outcome.off <= worst.by) continue;
      worst.by = outcome.off;
      worst.at = worst.limit = at;
    }
    if (!tested) return;
    found.tested = true;
    found.sampled.push_back(piece);
    if (worst.by < 0) return;
    found.worst.push_back(worst);
    found.failing.push_back(piece);
  }

  /// What solves sizes that are sampled: the tree that is traced stays as it is, whatever comes into view.
  [[nodiscard]] SceneSolver& sampling() { return sampling_ ? *sampling_ : solver_; }

  const Scene& scene_;
  const std::vector<std::string>& modes_;
  const std::vector<Claim>& claims_;
  bool breakpoints_;
  SceneSolver solver_;
  std::optional<SceneSolver> sampling_;
  const detail::TreeStore& store_;
  std::vector<Measuring> measuring_;
  std::vector<bool> about_entries_;  // by claim: whether it can only be sampled
  detail::TracedSolve traced_;
  Point at_;  // where the traced solve was dragged to
  std::vector<std::string> active_;
  std::vector<std::optional<TracedNumber>> values_;
  InPlane found_;
  std::vector<PlaneCell> cells_;
};

/// Whether all boxes lie on the same planes in two cells.
bool are_same(const PlaneCell& a, const PlaneCell& b) {
  constexpr float slope_rounding = 1e-5F, rounding = 2e-2F;
  for (std::size_t i = 0; i < a.planes.size(); ++i) {
    if (std::abs(a.planes[i] - b.planes[i]) > (i % 3 == 0 ? rounding : slope_rounding)) return false;
  }
  return true;
}

/// The edges between cells in which things are arranged otherwise.
std::vector<BreakpointLine> lines_between(const std::vector<PlaneCell>& cells) {
  std::vector<BreakpointLine> lines;
  for (std::size_t i = 0; i < cells.size(); ++i) {
    const std::vector<Point>& corners = cells[i].region.corners();
    const Point middle = cells[i].region.middle();
    for (std::size_t k = 0; k < corners.size(); ++k) {
      const Point &a = corners[k], &b = corners[(k + 1) % corners.size()];
      // An edge may have several neighbors.
      for (std::size_t other = i + 1; other < cells.size(); ++other) {
        const Region& beside = cells[other].region;
        if (!cells[i].region.touches(beside)) continue;
        constexpr double near = 2e-3;
        const double length = std::hypot(b.x - a.x, b.y - a.y);
        if (length < near) continue;
        Point out{(b.y - a.y) / length, (a.x - b.x) / length};
        if ((middle.x - a.x) * out.x + (middle.y - a.y) * out.y > 0) out = {-out.x, -out.y};
        double from = length, to = 0;
        for (const Point& corner : beside.corners()) {
          if (std::abs((corner.x - a.x) * out.x + (corner.y - a.y) * out.y) > near) continue;
          const double along = ((corner.x - a.x) * (b.x - a.x) + (corner.y - a.y) * (b.y - a.y)) / length;
          from = std::min(from, std::max(0.0, along));
          to = std::max(to, std::min(length, along));
        }
        if (to - from <= near || are_same(cells[i], cells[other])) continue;
        const auto at = [&](double along) {
          return Point{a.x + (b.x - a.x) * along / length, a.y + (b.y - a.y) * along / length};
        };
        lines.push_back({at(from), at(to)});
      }
    }
  }
  return lines;
}

}  // namespace

InPlane look_in_plane(const Scene& scene, const std::vector<std::string>& modes, const std::vector<Claim>& claims,
                      const SizeRectangle& area, bool breakpoints, unsigned threads, const Progress& progress) {
  constexpr double part = 240;  // pixels of width
  const Interval widths = area.widths, heights = area.heights;
  require_sweepable(widths);
  require_sweepable(heights);
  const auto parts = static_cast<std::size_t>(std::max(1.0, std::ceil((widths.to - widths.from) / part)));
  std::vector<InPlane> found(parts);
  std::vector<std::vector<PlaneCell>> cells(parts);
  WorkTally tally(parts, progress);
  in_parallel(thread_count(threads), parts, [&] {
    return [&](std::size_t i) {
      const double from = widths.from + part * static_cast<double>(i), to = std::min(widths.to, from + part);
      Strip strip(scene, modes, claims, breakpoints);
      strip.look(Region({{from, heights.from}, {to, heights.from}, {to, heights.to}, {from, heights.to}}));
      found[i] = std::move(strip.found());
      cells[i] = std::move(strip.cells());
      tally.add();
    };
  });
  InPlane all;
  all.claims.resize(claims.size());
  std::vector<PlaneCell> all_cells;
  for (std::size_t i = 0; i < parts; ++i) {
    all.cells += found[i].cells;
    all.sampled += found[i].sampled;
    all.area += found[i].area;
    for (std::size_t c = 0; c < claims.size(); ++c) {
      ClaimInPlane &to = all.claims[c], &from = found[i].claims[c];
      to.tested = to.tested || from.tested;
      for (ClaimInPlane::Off& off : from.worst) {
        off.piece += to.failing.size();
        to.worst.push_back(off);
      }
      std::ranges::move(from.failing, std::back_inserter(to.failing));
      std::ranges::move(from.sampled, std::back_inserter(to.sampled));
    }
    std::ranges::move(cells[i], std::back_inserter(all_cells));
  }
  if (breakpoints) all.breakpoints = lines_between(all_cells);
  return all;
}

std::vector<std::size_t> grouped(const std::vector<Region>& regions) {
  constexpr auto none = static_cast<std::size_t>(-1);
  std::vector<std::size_t> group(regions.size(), none), open;
  std::size_t groups = 0;
  for (std::size_t i = 0; i < regions.size(); ++i) {
    if (group[i] != none) continue;
    group[i] = groups;
    open.push_back(i);
    while (!open.empty()) {
      const std::size_t at = open.back();
      open.pop_back();
      for (std::size_t k = i + 1; k < regions.size(); ++k) {
        if (group[k] != none || !regions[at].touches(regions[k])) continue;
        group[k] = groups;
        open.push_back(k);
      }
    }
    ++groups;
  }
  return group;
}

}  // namespace fond_ladder::inline v0
