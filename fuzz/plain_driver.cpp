// SPDX-License-Identifier: MIT
//
// Runs a target where there is no library that drives it: with every file of the folders that are named, then with
// changes of these at random. The same files and seed give the same runs.
// Bytes at which it aborts are left in fuzz_found.
//   fuzz_NAME FILE|FOLDER... [--changes N] [--minutes N] [--seed N]
#include <sys/time.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <chrono>
#include <csignal>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iostream>
#include <iterator>
#include <random>
#include <string>
#include <string_view>
#include <vector>

#include "trouble.hpp"

namespace {

namespace fs = std::filesystem;
using Bytes = std::vector<std::uint8_t>;

constexpr std::size_t most_bytes = 4096;

#pragma weak LLVMFuzzerCustomMutator

Bytes read(const fs::path& file) {
  std::ifstream in(file, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), {}};
}

void change(Bytes& bytes, std::mt19937& dice, const std::vector<Bytes>& others) {
  const auto below = [&](std::size_t limit) { return std::uniform_int_distribution<std::size_t>(0, limit - 1)(dice); };
  if (LLVMFuzzerCustomMutator != nullptr && below(4) != 0) {
    const std::size_t count = std::min(bytes.size(), most_bytes);
    bytes.resize(most_bytes);
    bytes.resize(LLVMFuzzerCustomMutator(bytes.data(), count, most_bytes, dice()));
    return;
  }
  const std::size_t at = below(bytes.size() + 1);
  const auto place = bytes.begin() + static_cast<std::ptrdiff_t>(at);
  switch (below(4)) {
    case 0: bytes.insert(place, static_cast<std::uint8_t>(below(256))); break;
    case 1:
      bytes.erase(place, bytes.begin() + static_cast<std::ptrdiff_t>(std::min(bytes.size(), at + below(9))));
      break;
    case 2:
      if (at < bytes.size()) bytes[at] = static_cast<std::uint8_t>(below(256));
      break;
    default: {
      const Bytes& other = others[below(others.size())];
      if (other.empty()) break;
      const std::size_t from = below(other.size()), count = std::min(other.size() - from, below(40));
      bytes.insert(place, other.begin() + static_cast<std::ptrdiff_t>(from),
                   other.begin() + static_cast<std::ptrdiff_t>(from + count));
    }
  }
  if (bytes.size() > most_bytes) bytes.resize(most_bytes);
}

/// The bytes that run, for whoever looks for what is wrong.
Bytes last;
unsigned long runs = 0;

constexpr time_t longest_run = 60;  // seconds

/// Where a run ends the program, or does not end.
void keep_last(int) {
  std::cerr << "fuzz: what was found after " << runs << " changes is in fuzz_found\n";
  std::ofstream("fuzz_found", std::ios::binary)
      .write(reinterpret_cast<const char*>(last.data()), static_cast<std::streamsize>(last.size()));
  std::signal(SIGABRT, SIG_DFL);
  std::_Exit(1);
}

}  // namespace

int main(int count, char** words) {
  unsigned long changes = 0, minutes = 0, seed = 20261127;
  std::vector<fs::path> files;
  constexpr std::array<std::string_view, 3> options{"--changes", "--minutes", "--seed"};
  const std::array numbers{&changes, &minutes, &seed};
  for (int i = 1; i < count; ++i) {
    const std::string word = words[i];
    const auto option = std::ranges::find(options, word);
    if (option != options.end()) {
      if (i + 1 < count) *numbers[static_cast<std::size_t>(option - options.begin())] = std::stoul(words[++i]);
    } else if (fs::is_directory(word)) {
      for (const auto& entry : fs::directory_iterator(word)) files.push_back(entry.path());
    } else {
      files.emplace_back(word);
    }
  }
  std::ranges::sort(files);
  for (const int signal : {SIGABRT, SIGSEGV, SIGFPE, SIGPROF}) std::signal(signal, keep_last);
  std::vector<Bytes> kept;
  for (const fs::path& file : files) {
    kept.push_back(read(file));
    last = kept.back();
    LLVMFuzzerTestOneInput(kept.back().data(), kept.back().size());
  }
  if (kept.empty()) {
    std::cerr << "fuzz: no files to begin with\n";
    return 2;
  }
  std::mt19937 dice(static_cast<unsigned>(seed));
  struct itimerval longest {};
  longest.it_value.tv_sec = longest_run;  // of its own time: on a busy machine nothing takes longer
  const auto end = std::chrono::steady_clock::now() + std::chrono::minutes(minutes);
  while (runs < changes || (minutes > 0 && std::chrono::steady_clock::now() < end)) {
    last = kept[dice() % kept.size()];
    const unsigned most = 1U << (dice() % 6);
    for (unsigned times = 1 + dice() % most; times > 0; --times) change(last, dice, kept);
    ::setitimer(ITIMER_PROF, &longest, nullptr);
    LLVMFuzzerTestOneInput(last.data(), last.size());
    ++runs;
  }
  std::cout << "fuzz: " << kept.size() << " files and " << runs << " changes of them, nothing found\n";
}
