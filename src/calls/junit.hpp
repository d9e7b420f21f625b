// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"

namespace fond_ladder::calls {

/// Checked claims as a JUnit XML file: one suite, one case a claim, the report of a broken one as its failure. Nothing
/// in it depends on when or where it was written.
[[nodiscard]] std::string junit_text(const std::vector<CheckedClaim>& checked, const std::string& suite,
                                     const std::string& file);

}  // namespace fond_ladder::calls
