// SPDX-License-Identifier: MIT
#pragma once

// Likely mistakes in a scene, over its whole ladder, each with its reason, sizes and fix.
// std::cout << lint(Variant{"", scene});

#include <iosfwd>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/lint_rule.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Something suspicious.
struct Finding {
  std::string
      node;  ///< by the tail of its path, "12 images (shelf/*)" for many; the name of a range, or what else it is
  std::string key;  ///< empty where no key stands for it
  LintRule rule = LintRule::no_effect;
  std::string why;
  std::string fix;
  std::vector<Interval> sizes;          ///< widths at which it is so
  std::vector<std::string> variants{};  ///< in which it is so; empty: in all that were looked at
  std::string path{};                   ///< the whole path of the node, of many that of the worst; empty for a range
  std::vector<std::string> nodes{};     ///< of many, the paths of all
  std::vector<double> heights{};        ///< of a ladder with two heights, those at which it is so, rising
};

/// All findings about a scene over its ladder.
struct Lint {
  std::string title;               ///< the scene, and in how many variants it was looked at
  std::vector<std::string> about;  ///< which these are, and what was tried, a line each
  Interval widths;
  std::size_t sizes_examined = 0;  ///< sizes looked at, in each variant
  std::vector<Finding> findings;   ///< by rule, then in the order of the file
  std::string not_examined;        ///< what was not examined, if there was too much; else empty
  /// Keys without effect in some ranges: often intended.
  std::vector<Finding> remarks;
};

/// Solves every whole width of the ladder, at both ends of its heights, and every named size, and examines every node
/// at every size. Throws as SceneSolver does.
[[nodiscard]] Lint lint(const Variant& variant);

/// The same in each variant of a scene, on so many threads (0: all cores). A finding of some of them names
/// these; a setting has no effect if it has none in any variant that shows its node.
[[nodiscard]] Lint lint(const std::vector<Variant>& variants, unsigned threads = 0, const Progress& progress = {});

/// The findings for people, the answer on the first line.
std::ostream& operator<<(std::ostream& out, const Lint& lint);

}  // namespace v0
}  // namespace fond_ladder
