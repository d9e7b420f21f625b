// SPDX-License-Identifier: MIT
//
// A file comes to be in three steps: written whole under a name of its own beside the target, given the target's owner
// and mode, renamed onto it. Nobody sees half of it, and of several writers the last one wins.
#include "calls/target_file.hpp"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <fmt/format.h>

#include <cerrno>
#include <cstring>
#include <filesystem>
#include <optional>

#include "calls/command.hpp"
#include "calls/interrupt.hpp"
#include "model/limits.hpp"

namespace fond_ladder::calls {
namespace {

namespace fs = std::filesystem;

[[noreturn]] void refuse(const std::string& path, const std::string& reason) {
  throw WrongCall(path + ": cannot write the file: " + reason);
}

std::string last_reason() {
  return errno != 0 ? std::strerror(errno) : "unknown reason";
}

/// An open file, closed in any case.
class OpenFile {
 public:
  explicit OpenFile(int descriptor) : descriptor_(descriptor) {}
  ~OpenFile() {
    if (descriptor_ >= 0) ::close(descriptor_);
  }
  OpenFile(const OpenFile&) = delete;
  OpenFile& operator=(const OpenFile&) = delete;

  [[nodiscard]] int number() const { return descriptor_; }
  [[nodiscard]] bool write(std::string_view bytes) const {
    while (!bytes.empty()) {
      const ssize_t written = ::write(descriptor_, bytes.data(), bytes.size());
      if (written < 0 && errno == EINTR) continue;
      if (written <= 0) return false;
      bytes.remove_prefix(static_cast<std::size_t>(written));
    }
    return true;
  }
  /// Returns false where the last of it could not be written after all.
  [[nodiscard]] bool close() {
    const int closing = descriptor_;
    descriptor_ = -1;
    return ::close(closing) == 0;
  }

 private:
  int descriptor_;
};

/// The file behind links, so that a link stays one; also where there is no such file yet.
fs::path behind_links(const std::string& path) {
  fs::path at(path);
  for (int i = 0; i < limits::most_links; ++i) {
    std::error_code none;
    const fs::path next = fs::read_symlink(at, none);
    if (none) return at;
    at = next.is_absolute() ? next : at.parent_path() / next;
  }
  refuse(path, std::strerror(ELOOP));
}

std::optional<struct stat> status_of(const fs::path& path) {
  struct stat status {};
  if (::stat(path.c_str(), &status) != 0) return {};
  return status;
}

/// The mode of a file that is new: what the user lets others do.
mode_t mode_of_new_file() {
  const mode_t mask = ::umask(0);
  ::umask(mask);
  return 0666 & ~mask;
}

void require_writable(const std::string& path, const fs::path& target, const std::optional<struct stat>& old) {
  if (old && S_ISDIR(old->st_mode)) refuse(path, "it is a folder");
  constexpr mode_t anybody_writes = 0222;
  const bool is_plain = old && S_ISREG(old->st_mode);
  if (is_plain &&
      ((old->st_mode & anybody_writes) == 0 || ::faccessat(AT_FDCWD, target.c_str(), W_OK, AT_EACCESS) != 0)) {
    refuse(path, "it is read-only; change its mode, or name another file");
  }
}

/// Writes beside the target, then renames onto it.
void replace(const std::string& path, const fs::path& target, const std::optional<struct stat>& old,
             std::string_view bytes) {
  const PendingFile beside((target.parent_path() / ".fond_ladder_XXXXXX").string());
  OpenFile out(beside.descriptor());
  if (out.number() < 0) refuse(path, last_reason());
  constexpr mode_t permissions = 07777;
  if (old && ::fchown(out.number(), old->st_uid, old->st_gid) != 0) errno = 0;  // only root may keep the owner
  const bool made = out.write(bytes) &&
                    ::fchmod(out.number(), old ? old->st_mode & permissions : mode_of_new_file()) == 0 && out.close() &&
                    ::rename(beside.path().c_str(), target.c_str()) == 0;
  if (made) return;
  const std::string reason = last_reason();
  ::unlink(beside.path().c_str());
  refuse(path, reason);
}

void write_directly(const std::string& path, const fs::path& target, std::string_view bytes) {
  OpenFile out(::open(target.c_str(), O_WRONLY | O_CLOEXEC));
  if (out.number() < 0 || !out.write(bytes) || !out.close()) refuse(path, last_reason());
}

std::string number_of(const struct stat& status) {
  return fmt::format("{}:{}", status.st_dev, status.st_ino);
}

/// What identifies a plain file, whatever its name. Nothing for a device or a pipe, which may be used more than once.
std::string identity_of(const fs::path& path) {
  const auto there = status_of(path);
  return there && S_ISREG(there->st_mode) ? number_of(*there) : "";
}

/// The same of one that may be new, and is its folder and name then.
std::string identity_of_target(const std::string& path) {
  const fs::path target = behind_links(path);
  if (status_of(target)) return identity_of(target);
  const auto folder = status_of(target.parent_path().empty() ? fs::path(".") : target.parent_path());
  return folder ? number_of(*folder) + "/" + target.filename().string() : "";
}

void require_target(const std::string& path) {
  errno = 0;
  const fs::path target = behind_links(path);
  const auto old = status_of(target);
  require_writable(path, target, old);
  if (old && !S_ISREG(old->st_mode)) return;
  const fs::path folder = target.parent_path().empty() ? fs::path(".") : target.parent_path();
  if (::faccessat(AT_FDCWD, folder.c_str(), W_OK | X_OK, AT_EACCESS) != 0) refuse(path, last_reason());
}

/// Refuses a result that would be written over what it is made from.
[[noreturn]] void refuse_source(const std::string& option, const std::string& what) {
  throw WrongCall(option + ": that is " + what + ", which would be lost; name another file");
}

}  // namespace

void add_target(const Streams& streams, const std::string& option, const std::string& path) {
  require_target(path);
  const std::string file = identity_of_target(path);
  if (file.empty()) return;
  CallFiles& files = *streams.files;
  const std::string asked = option + " " + path;
  if (const auto read = files.read.find(file); read != files.read.end()) refuse_source(asked, read->second);
  const auto [before, is_new] = files.written.emplace(file, asked);
  if (!is_new) throw WrongCall(asked + ": " + before->second + " writes to that file; name another one");
}

void add_source(const Streams& streams, const std::string& what, const std::string& path) {
  const std::string file = identity_of(path);
  if (file.empty()) return;
  CallFiles& files = *streams.files;
  files.read.emplace(file, what);
  if (const auto written = files.written.find(file); written != files.written.end())
    refuse_source(written->second, what);
}

void write_target(const Streams& streams, const std::string& path, std::string_view bytes) {
  errno = 0;
  const std::string file = identity_of(path);
  if (const auto read = streams.files->read.find(file); !file.empty() && read != streams.files->read.end())
    refuse_source(path, read->second);
  const fs::path target = behind_links(path);
  const auto old = status_of(target);
  require_writable(path, target, old);
  if (old && !S_ISREG(old->st_mode)) return write_directly(path, target, bytes);
  replace(path, target, old, bytes);
}

void write_plain_target(const std::string& path, std::string_view bytes) {
  errno = 0;
  struct stat old {};
  if (::lstat(path.c_str(), &old) != 0) refuse(path, last_reason());
  if (!S_ISREG(old.st_mode)) refuse(path, "it is no longer a plain file");
  require_writable(path, path, old);
  replace(path, path, old, bytes);
}

bool is_plain_file(const std::string& path) {
  std::error_code error;
  return std::filesystem::is_regular_file(path, error);
}

}  // namespace fond_ladder::calls
