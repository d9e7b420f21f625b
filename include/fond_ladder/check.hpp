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

/// The result of one claim over a ladder.
struct CheckedClaim {
  /// As it was written.
  std::string claim;
  /// Whether the claim fails at no size and is tested at some size.
  bool holds = true;
  bool every_height = false;  ///< whether it was checked over whole rectangles of sizes
  std::size_t tests = 0;      ///< number of sizes and intervals of sizes at which it was tested; 0: it does not hold
  /// Intervals of widths in which the claim was tested only at whole widths and next to breakpoints (at every height:
  /// at some sizes), because a value is not linear there or custom content does not report how far its answers hold.
  /// Everywhere else the result is proved for every real width.
  std::vector<Interval> sampled{};
  /// An interval of widths in which the claim fails everywhere, at one height of the container.
  struct Failing {
    /// Widths in pixels.
    double from = 0, to = 0;
    /// whether it fails at both ends themselves, or only between them
    bool includes_from = true, includes_to = true;
    double off = 0;  ///< by how much it fails at worst: pixels, a count, or 0 if it has no amount
    Extent worst;    ///< the container size at which it fails by most, or next to which
    Extent limit;    ///< the same, except for an excluded end that the worst case approaches: that end
    /// of the quantities in the claim, at the worst size
    std::vector<std::pair<std::string, std::optional<double>>> values{};
    std::optional<double> height{};     ///< absent: by content
    std::optional<Interval> heights{};  ///< of a region, for a check at every height; `height` is then absent
    /// Of a region: the corners of its convex pieces, in order around each piece.
    std::vector<std::vector<Extent>> polygons{};
    std::string node;      ///< the first blamed node that is placed
    std::string why;       ///< the reason for the size of that node
    std::string scrolled;  ///< options that bring the failing node into view, as in "--scrolled list=end"
    std::string variant;   ///< variant in which it fails; empty: the scene as it is
    std::string options;   ///< options of that variant
  };
  /// From small to large.
  std::vector<Failing> failing;
};

/// Options of a check.
struct CheckOptions {
  std::vector<std::string> modes{};   ///< that are on, for a scene; variants have their own, and throw BadValue
  std::optional<Interval> heights{};  ///< tests every height of this interval instead: whole rectangles of sizes
  unsigned threads = 0;               ///< 0: one per core; the result is the same for any number
  Progress progress{};                ///< of the variants
};

/// Tests claims at every real width of the ladder of the scene: at both ends of its heights, at and next to each
/// height at which a range begins or ends, and at every named size. With `heights`, at every width and every height of
/// that interval: failing regions have exact edges, and bounds of ranges and the largest width and height are tested as
/// lines of their own; that costs a few solves per region without a boundary. The result of a claim does not depend on
/// the other claims. Costs some solves per breakpoint; memory is that of the linear intervals of the quantities. Throws
/// BadClaim, and as SceneSolver does.
[[nodiscard]] std::vector<CheckedClaim> check(const Scene& scene, const std::vector<std::string>& claims,
                                              const CheckOptions& options = {});

/// The same in each variant of a scene. A claim holds if it fails in none and is tested in one.
[[nodiscard]] std::vector<CheckedClaim> check(const std::vector<Variant>& variants,
                                              const std::vector<std::string>& claims, const CheckOptions& options = {});

/// A share of all pairs of a claim and a variant: every `of`-th pair, starting with pair `part`, counted claim by
/// claim.
struct Shard {
  std::size_t part = 1, of = 1;
  std::size_t before = 0;  ///< number of pairs counted before: those of other scenes
  /// Whether the share has a pair of a claim with one of the variants, both by index.
  [[nodiscard]] bool contains(std::size_t claim, std::size_t variant, std::size_t variants) const {
    return (before + claim * variants + variant) % of == part - 1;
  }
};
/// The same for a share. Claims without a pair in it have no result. Together all shares test each pair once and
/// report what one call for all would report. The share with the first pair of a claim reports whether it is tested
/// at all. One variant is in memory at a time.
[[nodiscard]] std::vector<std::optional<CheckedClaim>> check_part(const VariantsInTurn& variants,
                                                                  const std::vector<std::string>& claims,
                                                                  const Shard& part, const CheckOptions& options = {});

/// Prints the result of a claim: holds, fails or untested, with sizes, values and reason. With the name of the scene
/// file also the commands that show it.
[[nodiscard]] std::string report(const CheckedClaim& checked, std::string_view file = {});

}  // namespace v0
}  // namespace fond_ladder
