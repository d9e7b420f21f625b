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

/// A likely mistake.
struct Finding {
  std::string
      node;  ///< by the tail of its path, "12 images (shelf/*)" for many; the name of a range, or what else it is
  std::string key;  ///< key of the setting; empty: none
  LintRule rule = LintRule::no_effect;
  std::string why;
  std::string fix;
  std::vector<Interval> sizes;          ///< widths at which it applies
  std::vector<std::string> variants{};  ///< variants in which it applies; empty: all
  std::string path{};                   ///< whole path of the node, or of the worst of several; empty for a range
  std::vector<std::string> nodes{};     ///< paths of several nodes
  std::vector<double> heights{};        ///< of a ladder with two heights: those at which it applies, ascending
};

/// All findings about a scene over its ladder.
struct Lint {
  std::string title;               ///< name of the scene, and number of variants
  std::vector<std::string> about;  ///< names of the variants and edits, one line each
  Interval widths;
  std::size_t sizes_examined = 0;  ///< number of sizes examined, per variant
  std::vector<Finding> findings;   ///< by rule, then in the order of the file
  std::string not_examined;        ///< what was not examined, if there was too much; else empty
  /// Keys without effect in some ranges: often intended.
  std::vector<Finding> remarks;
};

/// Options of lint.
struct LintOptions {
  unsigned threads = 0;  ///< 0: one per core; the result is the same for any number
  Progress progress{};   ///< of the sizes and settings
};

/// Solves every whole width of the ladder, at both ends of its heights, and every named size, and examines every node
/// at every size. Throws as SceneSolver does.
[[nodiscard]] Lint lint(const Variant& variant);

/// The same for several variants of a scene. A finding in only some variants
/// names them; a setting has no effect if it has none in any variant that shows its node.
[[nodiscard]] Lint lint(const std::vector<Variant>& variants, const LintOptions& options = {});

/// Prints the findings; the answer is on the first line.
std::ostream& operator<<(std::ostream& out, const Lint& lint);

}  // namespace v0
}  // namespace fond_ladder
