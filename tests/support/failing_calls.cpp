// SPDX-License-Identifier: MIT
//
// A file system that fails: preloaded into the program, it lets the k-th call fail that makes, writes, closes or
// renames a file, FOND_LADDER_FAIL_AT being k and FOND_LADDER_FAIL_WITH the number of the error. Files that are only
// read, pipes and devices do not count. When it has failed it makes the file FOND_LADDER_FAILED, so that whoever counts
// knows. And with FOND_LADDER_CLOCK_JUMPS the time of day is an hour ahead or behind, each time another.
#include <dlfcn.h>
#include <fcntl.h>
#include <sys/stat.h>
#include <sys/syscall.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <cstdarg>
#include <cstdio>
#include <cstdlib>
#include <ctime>

namespace {

template <class Call>
Call* next(const char* name) {
  return reinterpret_cast<Call*>(::dlsym(RTLD_NEXT, name));
}

bool fails() {
  static std::atomic<long> seen{0};
  const char* const at = std::getenv("FOND_LADDER_FAIL_AT");
  if (at == nullptr || ++seen != std::strtol(at, nullptr, 10)) return false;
  if (const char* const answer = std::getenv("FOND_LADDER_FAILED"))
    ::syscall(SYS_mknodat, AT_FDCWD, answer, S_IFREG | 0600, 0);
  const char* const with = std::getenv("FOND_LADDER_FAIL_WITH");
  errno = with == nullptr ? ENOSPC : std::atoi(with);
  return true;
}

/// Whether it is a plain file that somebody writes.
bool is_written(int file) {
  struct stat status {};
  const int flags = ::fcntl(file, F_GETFL);
  return flags >= 0 && (flags & O_ACCMODE) != O_RDONLY && ::fstat(file, &status) == 0 && S_ISREG(status.st_mode);
}

bool makes(int flags) {
  return (flags & O_ACCMODE) != O_RDONLY && (flags & O_CREAT) != 0;
}

}  // namespace

extern "C" {

int open(const char* path, int flags, ...) {
  va_list rest;
  va_start(rest, flags);
  const mode_t mode = (flags & O_CREAT) != 0 ? va_arg(rest, mode_t) : 0;
  va_end(rest);
  return makes(flags) && fails() ? -1 : static_cast<int>(::syscall(SYS_openat, AT_FDCWD, path, flags, mode));
}
int open64(const char* path, int flags, ...) __attribute__((alias("open")));
int mkostemp(char* pattern, int flags) {
  return fails() ? -1 : next<int(char*, int)>("mkostemp")(pattern, flags);
}
int mkostemp64(char* pattern, int flags) __attribute__((alias("mkostemp")));
FILE* fopen(const char* path, const char* mode) {
  return *mode != 'r' && fails() ? nullptr : next<FILE*(const char*, const char*)>("fopen")(path, mode);
}
FILE* fopen64(const char* path, const char* mode) __attribute__((alias("fopen")));
ssize_t write(int file, const void* bytes, size_t count) {
  return is_written(file) && fails() ? -1 : ::syscall(SYS_write, file, bytes, count);
}
int close(int file) {
  if (!is_written(file) || !fails()) return static_cast<int>(::syscall(SYS_close, file));
  const int why = errno;
  ::syscall(SYS_close, file);
  errno = why;
  return -1;
}
int fchmod(int file, mode_t mode) {
  return fails() ? -1 : static_cast<int>(::syscall(SYS_fchmod, file, mode));
}
int rename(const char* from, const char* to) {
  return fails() ? -1 : static_cast<int>(::syscall(SYS_renameat, AT_FDCWD, from, AT_FDCWD, to));
}

int clock_gettime(clockid_t clock, struct timespec* time) {
  const auto got = static_cast<int>(::syscall(SYS_clock_gettime, clock, time));
  static std::atomic<long> asked{0};
  if (clock == CLOCK_REALTIME && std::getenv("FOND_LADDER_CLOCK_JUMPS") != nullptr)
    time->tv_sec += ++asked % 2 == 0 ? 3600 : -3600;
  return got;
}

}  // extern "C"
