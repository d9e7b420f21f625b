// SPDX-License-Identifier: MIT
//
// The one place that opens scene files; left out where there are no files.
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <filesystem>

#include "fond_ladder/scene_file.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

[[noreturn]] void refuse(const std::string& path, std::string message) {
  throw BadScene({{path, 0, 0, "", std::move(message)}});
}

constexpr const char *
    not_plain = "this is a pipe or a device, not a plain file; for a pipe write - and send the scene to standard input",
   *unreadable = "this file cannot be read";

/// `console` of `console.scene.json` and of `console.json`.
std::string_view without_ending(std::string_view name) {
  for (const std::string_view ending : {".json", ".scene"}) {
    if (name.size() > ending.size() && name.ends_with(ending)) name.remove_suffix(ending.size());
  }
  return name;
}

/// "; did you mean ...?" with the scene file beside `path` that has the nearest name; empty where none is near.
std::string nearest_file(const std::string& path) {
  constexpr std::size_t most_looked_at = 4096;
  const std::filesystem::path typed(path);
  std::vector<std::string> files;
  std::error_code error;
  std::filesystem::directory_iterator entry(typed.has_parent_path() ? typed.parent_path() : ".", error);
  for (std::size_t seen = 0; !error && entry != std::filesystem::directory_iterator() && seen < most_looked_at;
       ++seen) {
    if (entry->path().extension() == ".json") files.push_back(entry->path().filename().string());
    entry.increment(error);
  }
  std::ranges::sort(files);
  std::vector<std::string_view> names;
  for (const std::string& file : files) names.push_back(without_ending(file));
  const std::string name = typed.filename().string();
  const std::string_view near = nearest_word(without_ending(name), names);
  if (near.empty()) return "";
  const std::string& file = files[static_cast<std::size_t>(std::ranges::find(names, near) - names.begin())];
  return "; did you mean \"" + (typed.parent_path() / file).string() + "\"?";
}

struct Descriptor {
  explicit Descriptor(int opened) : number(opened) {}
  ~Descriptor() {
    if (number >= 0) ::close(number);
  }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;

  int number;
};

}  // namespace

PlainFile read_plain_file(const std::string& path, Links links) {
  const int follow = links == Links::followed ? 0 : O_NOFOLLOW;
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK | O_NOCTTY | follow));
  if (file.number < 0) {
    if (errno == ENOENT || errno == ENOTDIR) refuse(path, "there is no such file" + nearest_file(path));
    if (errno == ELOOP && links == Links::refused)
      refuse(path, "this name is now a link to another file; it is read again once it is a plain file");
    if (errno == ENXIO) refuse(path, not_plain);
    refuse(path, "this file cannot be opened; check its permissions");
  }
  struct stat status {};
  if (::fstat(file.number, &status) != 0) refuse(path, unreadable);
  if (S_ISDIR(status.st_mode)) refuse(path, "this is a directory; name a scene file");
  if (!S_ISREG(status.st_mode)) refuse(path, not_plain);
  require_length(static_cast<std::uintmax_t>(status.st_size), path);
  PlainFile read{std::string(static_cast<std::size_t>(status.st_size) + 1, '\0'), {status.st_dev, status.st_ino}};
  std::size_t have = 0;
  while (have <= limits::largest_scene_file) {
    if (have == read.text.size()) read.text.resize(2 * have);  // it grew meanwhile
    const ssize_t more = ::read(file.number, read.text.data() + have, read.text.size() - have);
    if (more < 0 && errno == EINTR) continue;
    if (more < 0) refuse(path, unreadable);
    if (more == 0) break;
    have += static_cast<std::size_t>(more);
  }
  require_length(have, path);
  read.text.resize(have);
  return read;
}

std::string text_of_file(const std::string& path) {
  return read_plain_file(path, Links::followed).text;
}

std::string identity_of_file(const std::string& path) {
  std::error_code error;
  const std::filesystem::path found = std::filesystem::weakly_canonical(path, error);
  return error ? path : found.string();
}

}  // namespace fond_ladder::inline v0::scene
