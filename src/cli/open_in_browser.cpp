// SPDX-License-Identifier: MIT
#include "cli/open_in_browser.hpp"

#include <fmt/ostream.h>

#include <cstdlib>

#include "draw/child_program.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {

void open_in_browser(const std::string& address, std::ostream& err) {
  const auto is_set = [](const char* name) {
    const char* value = std::getenv(name);  // NOLINT(concurrency-mt-unsafe): nothing here changes the environment
    return value != nullptr && *value != '\0';
  };
  const bool has_desktop = is_set("DISPLAY") || is_set("WAYLAND_DISPLAY");
  if (has_desktop) {
    const picture::Ended ended = picture::run_program({"xdg-open", address}, "");
    if (ended.found && !ended.by_signal && ended.status == 0) return;
  }
  fmt::print(err, "note: cannot start a browser{}; open {} yourself\n", has_desktop ? "" : ": there is no desktop",
             printable(address));
}

}  // namespace fond_ladder::cli
