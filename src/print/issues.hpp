// SPDX-License-Identifier: MIT
#pragma once

// What is bad at one size, as the answer of `measure` begins with it.

#include <iosfwd>
#include <map>
#include <string>
#include <vector>

#include "fond_ladder/issue.hpp"
#include "print/json_writer.hpp"
#include "print/measure.hpp"

namespace fond_ladder::inline v0 {

/// `3 nodes overhang, 1 is squeezed`; that all is well where it is.
[[nodiscard]] std::string verdict(const std::vector<Issue>& issues);
/// A line for each, those that are alike together; from which width on it is gone, where that is known.
void print_issues(const SolvedScene& measured, const std::vector<Issue>& issues, std::ostream& out);
/// The fields "squeezed" and "invisible" of a node.
void write_issues(JsonWriter& json, const Tree& tree, const std::vector<Issue>& of_node);

/// `by 3.5 at the right, 2 at the top`
[[nodiscard]] std::string sides_text(const FourSides& sides);

}  // namespace fond_ladder::inline v0
