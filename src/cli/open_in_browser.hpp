// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string>

namespace fond_ladder::cli {

/// Opens an address, or the file of an absolute path, in the browser of the desktop. If there is no desktop, prints a
/// line about that on `err`.
void open_in_browser(const std::string& address, std::ostream& err);

}  // namespace fond_ladder::cli
