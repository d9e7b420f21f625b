// SPDX-License-Identifier: MIT
#pragma once

// Work in numbered pieces, on several threads. Who does which piece is left to chance; where its result goes is not.

#include <algorithm>
#include <atomic>
#include <cstddef>
#include <exception>
#include <vector>

#include "fond_ladder/variant.hpp"
#include "model/threads.hpp"

namespace fond_ladder::inline v0 {

/// How many threads `asked` means; 0: one per core.
[[nodiscard]] inline unsigned thread_count(unsigned asked) {
  return asked > 0 ? asked : std::max(1U, threads::cores());
}

/// Calls `work(piece)` for all pieces below `count`. Every thread gets its own `work` from `make_work`, which is called
/// on that thread. Throws the first thing that was thrown.
template <class MakeWork>
void in_parallel(unsigned most_threads, std::size_t count, const MakeWork& make_work) {
  std::atomic<std::size_t> next{0};
  threads::Guard guard;
  std::exception_ptr thrown;
  const auto run = [&] {
    try {
      auto work = make_work();
      for (std::size_t piece = next++; piece < count; piece = next++) work(piece);
    } catch (...) {
      const threads::Lock lock(guard);
      if (!thrown) thrown = std::current_exception();
      next = count;
    }
  };
  threads::run_on(std::min<std::size_t>(most_threads, count), run);
  if (thrown) std::rethrow_exception(thrown);
}

/// Counts pieces of work that threads do, and reports the share that is done.
class WorkTally {
 public:
  WorkTally(std::size_t pieces, const Progress& tell) : pieces_(pieces), report_(tell) {}
  void add(std::size_t done = 1) {
    if (!report_ || pieces_ == 0) return;
    const threads::Lock lock(guard_);
    done_ += done;
    report_(std::min(1.0, static_cast<double>(done_) / static_cast<double>(pieces_)));
  }

 private:
  std::size_t pieces_, done_ = 0;
  const Progress& report_;
  threads::Guard guard_;
};

}  // namespace fond_ladder::inline v0
