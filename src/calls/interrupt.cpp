// SPDX-License-Identifier: MIT
//
// A handler may hardly do anything: it reads a path out of a buffer that is written only while signals are held back,
// unlinks it, writes one line and lets the signal do what it does by itself.
#include "calls/interrupt.hpp"

#include <fcntl.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <csignal>
#include <cstdlib>
#include <cstring>
#include <string_view>

namespace fond_ladder::calls {
namespace {

constexpr std::array<int, 4> signals{SIGINT, SIGTERM, SIGHUP, SIGXCPU};

std::array<char, 4096> pending{};  // a path; empty for none

void on_signal(int signal) {
  if (pending[0] != '\0') ::unlink(pending.data());
  constexpr std::string_view message = "fond-ladder: interrupted\n";
  if (::write(STDERR_FILENO, message.data(), message.size()) < 0) {
    // there is nowhere to report it
  }
  struct sigaction usual {};
  usual.sa_handler = SIG_DFL;
  ::sigaction(signal, &usual, nullptr);
  ::raise(signal);
}

/// Holds these signals back while it lives.
class Blocked {
 public:
  Blocked() {
    sigset_t blocked;
    ::sigemptyset(&blocked);
    for (const int signal : signals) ::sigaddset(&blocked, signal);
    ::pthread_sigmask(SIG_BLOCK, &blocked, &before_);
  }
  ~Blocked() { ::pthread_sigmask(SIG_SETMASK, &before_, nullptr); }
  Blocked(const Blocked&) = delete;
  Blocked& operator=(const Blocked&) = delete;

 private:
  sigset_t before_{};
};

}  // namespace

void end_cleanly_on_signals() {
  for (const int signal : signals) {
    struct sigaction action {};
    ::sigaction(signal, nullptr, &action);
    if (action.sa_handler == SIG_IGN) continue;  // whoever started it wants it to go on
    action = {};
    action.sa_handler = on_signal;
    ::sigemptyset(&action.sa_mask);
    ::sigaction(signal, &action, nullptr);
  }
  struct sigaction ignored {};
  ignored.sa_handler = SIG_IGN;  // a write beyond the file size limit reports that itself
  ::sigaction(SIGXFSZ, &ignored, nullptr);
}

PendingFile::PendingFile(std::string pattern) : path_(std::move(pattern)), descriptor_(-1) {
  if (path_.size() >= pending.size()) {
    errno = ENAMETOOLONG;
    return;
  }
  const Blocked blocked;
  descriptor_ = ::mkostemp(path_.data(), O_CLOEXEC);
  if (descriptor_ >= 0) std::memcpy(pending.data(), path_.c_str(), path_.size() + 1);
}

PendingFile::~PendingFile() {
  pending[0] = '\0';
}

}  // namespace fond_ladder::calls
