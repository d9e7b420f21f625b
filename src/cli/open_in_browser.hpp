// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string>

namespace fond_ladder::cli {

/// Shows an address, or the file of an absolute path, in the browser of the desktop. Where there is no desktop, a line
/// on `err` says so.
void open_in_browser(const std::string& address, std::ostream& err);

}  // namespace fond_ladder::cli
