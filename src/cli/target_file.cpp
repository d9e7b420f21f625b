// SPDX-License-Identifier: MIT
#include "cli/target_file.hpp"

#include <cerrno>
#include <cstring>
#include <filesystem>
#include <fstream>

#include "cli/command.hpp"

namespace fond_ladder::cli {
namespace {

namespace fs = std::filesystem;

[[noreturn]] void refuse(const std::string& path, const std::string& reason) {
  throw WrongCall(path + ": the file could not be written: " + reason);
}

std::string last_reason() {
  return errno != 0 ? std::strerror(errno) : "unknown reason";
}

/// Returns an empty text, or the reason why it failed.
std::string write_all(const fs::path& path, std::string_view bytes) {
  errno = 0;
  std::ofstream out(path, std::ios::binary | std::ios::trunc);
  if (!out) return last_reason();
  out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
  out.close();
  return out ? "" : last_reason();
}

/// The file behind links, so that a link stays one.
fs::path behind_links(const std::string& path) {
  std::error_code none;
  const fs::path real = fs::weakly_canonical(path, none);
  return none ? fs::path(path) : real;
}

}  // namespace

void write_target(const std::string& path, std::string_view bytes) {
  const fs::path target = behind_links(path);
  std::error_code unknown;
  const fs::file_status status = fs::status(target, unknown);
  if (fs::is_directory(status)) refuse(path, "it is a folder");
  if (fs::exists(status) && !fs::is_regular_file(status)) {
    const std::string reason = write_all(target, bytes);
    if (!reason.empty()) refuse(path, reason);
    return;
  }
  fs::path beside = target;
  beside += ".part";
  std::string reason = write_all(beside, bytes);
  if (reason.empty()) {
    std::error_code failed;
    fs::rename(beside, target, failed);
    if (failed) reason = failed.message();
  }
  if (reason.empty()) return;
  fs::remove(beside, unknown);
  refuse(path, reason);
}

}  // namespace fond_ladder::cli
