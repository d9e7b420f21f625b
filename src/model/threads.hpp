// SPDX-License-Identifier: MIT
#pragma once

// The one place that knows whether there are threads. The page has one, and its standard library supports no more.

#include <cstddef>

#ifndef __wasm__
#include <mutex>
#include <thread>
#include <vector>
#endif

namespace fond_ladder::inline v0::threads {

#ifdef __wasm__

struct Guard {};
struct Lock {
  explicit Lock(const Guard& /*guard*/) {}
};
inline unsigned cores() {
  return 1;
}
template <class Run>
void run_on(std::size_t /*threads*/, const Run& run) {
  run();
}

#else

using Guard = std::mutex;
using Lock = std::scoped_lock<std::mutex>;

[[nodiscard]] inline unsigned cores() {
  return std::thread::hardware_concurrency();
}

/// Runs `run` on so many threads at once, this one among them, and waits for all.
template <class Run>
void run_on(std::size_t threads, const Run& run) {
  std::vector<std::jthread> others;
  for (std::size_t i = 1; i < threads; ++i) others.emplace_back(run);
  run();
}

#endif

}  // namespace fond_ladder::inline v0::threads
