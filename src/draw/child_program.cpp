// SPDX-License-Identifier: MIT
//
// The program gets a socket, not a pipe, as its standard input: a write to a program that has ended then fails without
// a signal. Writing and reading take turns, so that neither side waits for the other forever.
#include "draw/child_program.hpp"

#include <fcntl.h>
#include <poll.h>
#include <spawn.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <array>
#include <cerrno>

namespace fond_ladder::inline v0::picture {
namespace {

/// A file descriptor that is closed in the end.
class Handle {
 public:
  explicit Handle(int number = -1) : number_(number) {}
  ~Handle() { close(); }
  Handle(const Handle&) = delete;
  Handle& operator=(const Handle&) = delete;
  [[nodiscard]] int number() const { return number_; }
  void take(int number) { close(), number_ = number; }
  void close() {
    if (number_ >= 0) ::close(number_);
    number_ = -1;
  }

 private:
  int number_;
};

/// Both ends of what connects two programs.
struct Connection {
  Handle ours, theirs;
};

bool connect_input(Connection& connection) {
  std::array<int, 2> ends{};
  if (::socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends.data()) != 0) return false;
  connection.ours.take(ends[0]);
  connection.theirs.take(ends[1]);
  return true;
}

bool connect_output(Connection& connection) {
  std::array<int, 2> ends{};
  if (::pipe2(ends.data(), O_CLOEXEC) != 0) return false;
  connection.ours.take(ends[0]);
  connection.theirs.take(ends[1]);
  return true;
}

/// Returns the number of the process, or a negative one.
pid_t start(const std::vector<std::string>& words, int input, int output) {
  std::vector<char*> arguments;
  for (const std::string& word : words) arguments.push_back(const_cast<char*>(word.c_str()));  // NOLINT: never written
  arguments.push_back(nullptr);
  posix_spawn_file_actions_t actions;
  ::posix_spawn_file_actions_init(&actions);
  ::posix_spawn_file_actions_adddup2(&actions, input, STDIN_FILENO);
  ::posix_spawn_file_actions_adddup2(&actions, output, STDOUT_FILENO);
  ::posix_spawn_file_actions_addopen(&actions, STDERR_FILENO, "/dev/null", O_WRONLY, 0);
  pid_t process = -1;
  const int failed = ::posix_spawnp(&process, arguments[0], &actions, nullptr, arguments.data(), environ);
  ::posix_spawn_file_actions_destroy(&actions);
  return failed == 0 ? process : -1;
}

void exchange(Handle& input, Handle& output, std::string_view text, std::string& read) {
  std::array<char, 1U << 16> buffer{};
  while (output.number() >= 0) {
    if (text.empty()) input.close();
    std::array<pollfd, 2> ready{pollfd{output.number(), POLLIN, 0}, pollfd{input.number(), POLLOUT, 0}};
    if (::poll(ready.data(), ready.size(), -1) < 0 && errno != EINTR) return;
    if (ready[1].revents != 0) {
      const ssize_t sent = ::send(input.number(), text.data(), text.size(), MSG_NOSIGNAL | MSG_DONTWAIT);
      const bool waits = sent < 0 && (errno == EAGAIN || errno == EINTR);
      text.remove_prefix(sent > 0 ? static_cast<std::size_t>(sent) : waits ? 0 : text.size());
    }
    if (ready[0].revents == 0) continue;
    const ssize_t got = ::read(output.number(), buffer.data(), buffer.size());
    if (got > 0) read.append(buffer.data(), static_cast<std::size_t>(got));
    if (got == 0 || (got < 0 && errno != EINTR)) output.close();
  }
}

}  // namespace

Ended run_program(const std::vector<std::string>& words, std::string_view input) {
  Ended ended;
  Connection in, out;
  if (!connect_input(in) || !connect_output(out)) return ended;
  const pid_t process = start(words, in.theirs.number(), out.theirs.number());
  if (process < 0) return ended;
  ended.found = true;
  in.theirs.close();
  out.theirs.close();
  exchange(in.ours, out.ours, input, ended.output);
  in.ours.close();
  int status = 0;
  while (::waitpid(process, &status, 0) < 0 && errno == EINTR) {
  }
  ended.by_signal = WIFSIGNALED(status);
  ended.status = WIFEXITED(status) ? WEXITSTATUS(status) : 1;
  return ended;
}

}  // namespace fond_ladder::inline v0::picture
