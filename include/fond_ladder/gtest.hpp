// SPDX-License-Identifier: MIT
#pragma once

// Matchers for tests of layouts, for GoogleTest with gmock.

/// Matchers for GoogleTest, for whoever tests arrangements of their own. Needs gmock; nothing else of the library
/// includes this header. What a failed expectation prints is the report of `check`.
///
///   EXPECT_THAT(console, Keeps("same(cards/*.height)"));
///   EXPECT_THAT(solve(console, {1280, 800})["body/map"], LiesAt(272, 76, 992, 708));

#include <gmock/gmock.h>

#include <algorithm>
#include <cmath>
#include <optional>
#include <ostream>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Matches a Scene or a Variant in which a claim holds over the whole ladder: see check(). A text that is not a claim
/// never matches, and the failure says why.
class KeepsClaim {
 public:
  using is_gtest_matcher = void;
  /// Empty: all claims of the scene.
  KeepsClaim(std::optional<std::string> claim, std::vector<std::string> modes)
      : claim_(std::move(claim)), modes_(std::move(modes)) {}

  /// Called by GoogleTest. Checks every size of the ladder on one thread; writes the report of failing claims to
  /// `out`.
  bool MatchAndExplain(const Variant& variant, std::ostream* out) const {
    const std::vector<std::string> claims = claim_ ? std::vector{*claim_} : variant.scene.claims;
    if (claims.empty()) {
      if (out != nullptr) *out << "which carries no claims";
      return false;
    }
    try {
      bool all = true;
      for (const CheckedClaim& checked : check({variant}, claims)) {
        if (!checked.holds && out != nullptr) *out << "\n" << report(checked);
        all = all && checked.holds;
      }
      return all;
    } catch (const BadClaim& fault) {
      if (out != nullptr) *out << "which cannot be tested: column " << fault.column() << ": " << fault.what();
      return false;
    }
  }
  /// The same for a scene, with the modes of the matcher.
  bool MatchAndExplain(const Scene& scene, std::ostream* out) const {
    return MatchAndExplain(variant_of(scene, "", modes_), out);
  }
  /// Called by GoogleTest: writes what is expected.
  void DescribeTo(std::ostream* out) const { *out << "keeps " << (claim_ ? *claim_ : "all its claims"); }
  /// Called by GoogleTest: writes what is expected with Not().
  void DescribeNegationTo(std::ostream* out) const { *out << "breaks " << (claim_ ? *claim_ : "one of its claims"); }

 private:
  std::optional<std::string> claim_;
  std::vector<std::string> modes_;
};

/// Matches a scene in which a claim holds over its whole ladder, with some modes on.
[[nodiscard]] inline KeepsClaim Keeps(std::string claim, std::vector<std::string> modes = {}) {
  return {std::move(claim), std::move(modes)};
}
/// Matches a scene in which all its claims hold; never a scene without claims.
[[nodiscard]] inline KeepsClaim Keeps() {
  return {std::nullopt, {}};
}

/// Matches a Rect within `fit_tolerance` pixels on each side.
class LiesAtPlace {
 public:
  using is_gtest_matcher = void;
  /// `fit_tolerance` in pixels, for each of the four numbers.
  LiesAtPlace(const Rect& wanted, double fit_tolerance) : wanted_(wanted), within_(fit_tolerance) {}

  /// Called by GoogleTest; writes the numbers that differ to `out`.
  bool MatchAndExplain(const Rect& box, std::ostream* out) const {
    bool all = true;
    const auto compare = [&](const char* name, double is, double wanted) {
      if (std::abs(is - wanted) <= within_) return;
      if (out != nullptr) *out << (all ? "whose " : ", ") << name << " is " << is << " and not " << wanted;
      all = false;
    };
    compare("x", box.x, wanted_.x);
    compare("y", box.y, wanted_.y);
    compare("width", box.width, wanted_.width);
    compare("height", box.height, wanted_.height);
    return all;
  }
  /// Called by GoogleTest: writes what is expected.
  void DescribeTo(std::ostream* out) const {
    *out << "lies at " << wanted_.x << "," << wanted_.y << " " << wanted_.width << "x" << wanted_.height;
  }
  /// Called by GoogleTest: writes what is expected with Not().
  void DescribeNegationTo(std::ostream* out) const {
    *out << "does not lie at " << wanted_.x << "," << wanted_.y << " " << wanted_.width << "x" << wanted_.height;
  }

 private:
  Rect wanted_;
  double within_;
};

/// Matches a box, in pixels from the corner of the root.
[[nodiscard]] inline LiesAtPlace LiesAt(double x, double y, double width, double height, double fit_tolerance = 0.01) {
  return {{x, y, width, height}, fit_tolerance};
}

/// How GoogleTest prints these, found by their namespace.
inline void PrintTo(const Rect& box, std::ostream* out) {
  *out << box.x << "," << box.y << " " << box.width << "x" << box.height;
}
/// The number of nodes and the title.
inline void PrintTo(const Scene& scene, std::ostream* out) {
  *out << "a scene of " << scene.tree.size() << " nodes" << (scene.title.empty() ? "" : ", " + scene.title);
}
/// The scene, and the name of the variant.
inline void PrintTo(const Variant& variant, std::ostream* out) {
  PrintTo(variant.scene, out);
  if (!variant.name.empty()) *out << ", " << variant.name;
}

}  // namespace v0
}  // namespace fond_ladder
