// SPDX-License-Identifier: MIT
#include "print/wrapped.hpp"

#include <sstream>

namespace fond_ladder::inline v0 {

std::string wrapped(const std::string& text, std::size_t widest, bool hangs) {
  std::string lines, line;
  std::istringstream words(text);
  for (std::string word; words >> word;) {
    if (!line.empty() && line.size() + 1 + word.size() > widest) {
      lines += line + "\n";
      line = hangs ? "  " + word : word;
    } else {
      line += (line.empty() ? "" : " ") + word;
    }
  }
  return lines + line + "\n";
}

}  // namespace fond_ladder::inline v0
