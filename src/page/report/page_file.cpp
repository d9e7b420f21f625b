// SPDX-License-Identifier: MIT
#include "page/report/page_file.hpp"

#include <filesystem>
#include <fstream>
#include <sstream>

#include "calls/command.hpp"

namespace fond_ladder::page {

std::string page_without_scene() {
  std::error_code unknown;
  const std::filesystem::path folder = std::filesystem::read_symlink("/proc/self/exe", unknown).parent_path();
  for (const std::filesystem::path& path :
       {folder / "page.html", folder.parent_path() / "share/fond_ladder/page.html"}) {
    std::ifstream file(path, std::ios::binary);
    if (!file) continue;
    std::ostringstream text;
    text << file.rdbuf();
    return text.str();
  }
  throw calls::WrongCall(
      "this build has no page; install what it needs (scripts/setup page does), then configure and build again");
}

}  // namespace fond_ladder::page
