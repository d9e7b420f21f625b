// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"

namespace fond_ladder::calls {

/// The claims of one scene.
struct JUnitSuite {
  std::string name, file;
  std::vector<CheckedClaim> checked{};
  double seconds = 0;
  std::string fault{};  ///< why the scene could not be read; empty if it could
};

/// As a JUnit XML file: a suite a scene, a case a claim, the report of a broken one as its failure. Nothing but the
/// times depends on when or where it was written.
[[nodiscard]] std::string junit_text(const std::vector<JUnitSuite>& suites);

}  // namespace fond_ladder::calls
