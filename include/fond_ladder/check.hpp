// SPDX-License-Identifier: MIT
#pragma once

// Checks claims at every size of a ladder, with proof where the layout is linear:
// for (const CheckedClaim& one : check(scene, {"fits(console)"})) std::cout << report(one);
// Costs a sweep of the quantities that the claims use; runs on all cores unless `threads` says otherwise.

#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What became of one claim over a ladder.
struct CheckedClaim {
  /// As it was written.
  std::string claim;
  /// It fails nowhere, and some size tests it.
  bool holds = true;
  bool every_height = false;  ///< it was checked over whole rectangles of sizes
  std::size_t tests = 0;      ///< sizes and stretches of them at which it was tested; without any it does not hold
  /// Widths between which it was tested at whole ones and next to turns only (at every height: at some sizes), because
  /// something bends there that it hangs on, or content does not tell how far its answers hold; everywhere else it is
  /// proved for every real width.
  std::vector<Interval> sampled{};
  /// Widths from one to another at all of which it fails, at one height of the container.
  struct Failing {
    /// Widths in pixels.
    double from = 0, to = 0;
    bool includes_from = true, includes_to = true;  ///< whether it fails at those two as well, or only between
    double off = 0;  ///< by how much it fails at worst: pixels, or what it counts; 0 of what has no amount
    Extent worst;    ///< a size of the container at which it does, or next to one
    Extent limit;    ///< the same, but for what lies next to an open end: that end, to which it becomes worse
    std::vector<std::pair<std::string, std::optional<double>>> values{};  ///< of what makes it fail at the worst size
    std::optional<double> height{};                                       ///< none: as the content makes it
    std::optional<Interval> heights{};  ///< of a region of sizes, checked at every height; then `height` says nothing
    /// Of such a region: the corners of its convex pieces, in the order in which they are met going round.
    std::vector<std::vector<Extent>> polygons{};
    std::string node;      ///< the first of those that has a place
    std::string why;       ///< why that node is as large as it is, from its explanation
    std::string scrolled;  ///< options that bring what fails into view, as in "--scrolled list=end"
    std::string variant;   ///< in which it fails, by what tells it from the others; empty: as it is
    std::string options;   ///< of that variant
  };
  /// From small to large.
  std::vector<Failing> failing;
};

/// Tests claims at every real width of the scene's ladder, at both ends of its heights and on and next to each height
/// at which a range is bounded, and at every named size. What becomes of a claim does not depend on the others. Costs
/// some solves per breakpoint; memory is that of the linear intervals of the quantities. Throws
/// BadClaim, and as SceneSolver does.
[[nodiscard]] std::vector<CheckedClaim> check(const Scene& scene, const std::vector<std::string>& claims,
                                              const std::vector<std::string>& modes = {}, unsigned threads = 0);

/// The same in each variant of a scene. A claim holds if it fails in none and is tested in one.
[[nodiscard]] std::vector<CheckedClaim> check(const std::vector<Variant>& variants,
                                              const std::vector<std::string>& claims, unsigned threads = 0,
                                              const Progress& progress = {});

/// The same over whole rectangles of sizes: every width of the ladders and every height of a span. Where a claim fails
/// is told in regions whose edges are exact. Lines are looked at by themselves where ranges are bounded and at the
/// largest width and height. Costs a few solves per region without a boundary.
[[nodiscard]] std::vector<CheckedClaim> check_every_height(const std::vector<Variant>& variants,
                                                           const std::vector<std::string>& claims,
                                                           const Interval& heights, unsigned threads = 0,
                                                           const Progress& progress = {});

/// A part of all pairs of a claim and a variant: every `of`-th, from the `part`-th on, counted claim by claim.
struct Shard {
  std::size_t part = 1, of = 1;
  std::size_t before = 0;  ///< pairs that are counted first: those of other scenes
  /// Whether it has a claim in one of so many variants, both by their places.
  [[nodiscard]] bool contains(std::size_t claim, std::size_t variant, std::size_t variants) const {
    return (before + claim * variants + variant) % of == part - 1;
  }
};
/// The same of a part: nothing for claims of which it has no pair. Together all parts test each pair once, and say of
/// each pair what one call for all of them would say. Whether a claim is tested in any variant is told by the part that
/// has its first pair. With `heights` as check_every_height. One variant is kept at a time.
[[nodiscard]] std::vector<std::optional<CheckedClaim>> check_part(const VariantsInTurn& variants,
                                                                  const std::vector<std::string>& claims,
                                                                  const Shard& part,
                                                                  const std::optional<Interval>& heights = {},
                                                                  unsigned threads = 0, const Progress& progress = {});

/// What became of a claim, for people: kept or broken, and where, with which values and why. With the name of a scene
/// file also which commands to look with.
[[nodiscard]] std::string report(const CheckedClaim& checked, std::string_view file = {});

}  // namespace v0
}  // namespace fond_ladder
