// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "scene/edit/places.hpp"

namespace fond_ladder::calls {

/// One thing to be mended, and where.
struct SarifResult {
  std::string rule;     ///< as in `size-not-kept`
  std::string message;  ///< a sentence or two
  std::string file;     ///< as it was called; empty for standard input
  std::optional<scene::Position> at;
  bool is_error = true;  ///< else a warning
};

/// Those of one scene: why it could not be read, claims that do not hold (`numbers` holds the indexes of the scene's
/// claims; a larger number is none of them) and findings.
void add_failing(std::vector<SarifResult>& results, const std::vector<CheckedClaim>& checked,
                 const std::vector<std::size_t>& numbers, const std::string& file, const scene::Places& places);
void add_fault(std::vector<SarifResult>& results, const SceneError& fault, const std::string& file);
void add_findings(std::vector<SarifResult>& results, const Lint& lint, const std::string& file,
                  const scene::Places& places);

/// As a SARIF 2.1.0 file (an open standard of OASIS) of one run. The same results give the same bytes.
[[nodiscard]] std::string sarif_text(const std::vector<SarifResult>& results);

}  // namespace fond_ladder::calls
