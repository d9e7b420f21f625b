// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string>
#include <vector>

#include "fond_ladder/setting.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::inline v0 {

/// Every setting of one node in force at a size, and where it comes from: explicit ones as a table, the
/// others by name.
void print_settings(const std::string& path, const std::string& title, const std::vector<Setting>& all,
                    std::ostream& out);
/// Only the explicit ones.
void print_explicit_settings(const std::vector<Setting>& all, std::ostream& out);
/// All, as the field "settings".
void write_settings(JsonWriter& json, const std::vector<Setting>& all);

}  // namespace fond_ladder::inline v0
