// SPDX-License-Identifier: MIT
//
// Looking at the file's data every so often costs next to nothing, works on every file system, and follows editors that
// put a new file in the place of the old one. A file that is still being written is looked at again before it is read.
#include "page/preview/watched_file.hpp"

#include <sys/stat.h>

#include <filesystem>
#include <tuple>

#include "calls/target_file.hpp"
#include "fond_ladder/scene_file.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::page {
namespace {

constexpr std::chrono::milliseconds between_looks{40}, while_written{15};

using State = std::tuple<::mode_t, ::dev_t, ::ino_t, ::off_t, ::time_t, long>;

State state_of(const std::string& path, bool follow_links) {
  struct stat data {};
  if ((follow_links ? ::stat : ::lstat)(path.c_str(), &data) != 0) return {};
  return {data.st_mode, data.st_dev, data.st_ino, data.st_size, data.st_mtim.tv_sec, data.st_mtim.tv_nsec};
}

std::vector<State> states_of(const std::string& path, const std::vector<std::string>& used) {
  std::vector<State> states{state_of(path, false)};
  for (const std::string& file : used) states.push_back(state_of(file, true));
  return states;
}

/// The file behind links; the name itself where there is none.
std::string behind_links(const std::string& path) {
  std::error_code error;
  const std::filesystem::path found = std::filesystem::canonical(path, error);
  return error || !std::filesystem::is_symlink(path, error) ? path : found.string();
}

}  // namespace

WatchedFile::WatchedFile(const std::string& path) : path_(behind_links(path)) {
  content_.text = scene::read_plain_file(path_, scene::Links::refused).text;
  read();
  watcher_ = std::thread([this] { watch(); });
}

WatchedFile::~WatchedFile() {
  {
    const std::scoped_lock lock(guard_);
    ended_ = true;
  }
  changed_.notify_all();
  watcher_.join();
}

WatchedFile::Content WatchedFile::content() const {
  const std::scoped_lock lock(guard_);
  return content_;
}

std::uint64_t WatchedFile::version() const {
  const std::scoped_lock lock(guard_);
  return content_.version;
}

void WatchedFile::on_change(std::function<void()> call) {
  const std::scoped_lock lock(calling_);
  call_ = std::move(call);
}

std::string WatchedFile::write(const std::string& text, std::string_view version) {
  const std::scoped_lock one_at_a_time(writing_);
  const auto [now, identity] = [this] {
    const std::scoped_lock lock(guard_);
    return std::pair(content_, identity_);
  }();
  try {
    const scene::PlainFile there = scene::read_plain_file(path_, scene::Links::refused);
    if (std::to_string(now.version) != version || there.text != now.text || there.identity != identity) {
      return files_used_by(there.text, path_).empty()
                 ? "Not saved: the file has changed since. The page shows the new file next."
                 : "Not saved: the scene uses other files, which would be merged into this one. Download it as a scene "
                   "instead.";
    }
    static_cast<void>(read_scene(text, path_));
    calls::write_plain_target(path_, text);
  } catch (const std::exception& error) {
    return error.what();
  }
  return "";
}

void WatchedFile::watch() {
  std::vector<State> known;  // read at once, for it may have changed since it was read first
  for (;;) {
    {
      std::unique_lock lock(guard_);
      if (changed_.wait_for(lock, between_looks, [this] { return ended_; })) return;
    }
    std::vector<State> now = states_of(path_, used_);
    if (now == known) continue;
    constexpr int most = 4;
    for (int i = 0; i < most; ++i) {
      std::this_thread::sleep_for(while_written);
      std::vector<State> later = states_of(path_, used_);
      if (later == now) break;
      now = std::move(later);
    }
    read();
    known = states_of(path_, used_).size() == now.size() ? std::move(now) : std::vector<State>();
  }
}

void WatchedFile::read() {
  std::string text, fault;
  scene::FileIdentity identity;
  try {
    scene::PlainFile file = scene::read_plain_file(path_, scene::Links::refused);
    identity = file.identity;
    used_ = files_used_by(file.text, path_);
    text = in_one_file(std::move(file.text), path_);
  } catch (const BadScene& error) {
    fault = error.what();
  }
  {
    const std::scoped_lock lock(guard_);
    identity_ = identity;
    if (fault == content_.fault && (!fault.empty() || text == content_.text)) return;
    if (fault.empty()) content_.text = std::move(text);
    content_.fault = std::move(fault);
    ++content_.version;
  }
  const std::scoped_lock lock(calling_);
  if (call_) call_();
}

}  // namespace fond_ladder::page
