// SPDX-License-Identifier: MIT
//
// Replaces the allocating operators of the whole test program, which is the only way to count. Apart from the tests, so
// that no compiler inlines one half of a pair.
#include "support/allocations.hpp"

#include <atomic>
#include <cstdlib>
#include <new>

namespace {
std::atomic<std::size_t> count{0};
}

void* operator new(std::size_t size) {
  ++count;
  if (void* memory = std::malloc(size == 0 ? 1 : size)) return memory;
  throw std::bad_alloc();
}
void* operator new(std::size_t size, const std::nothrow_t& /*tag*/) noexcept {
  ++count;
  return std::malloc(size == 0 ? 1 : size);
}
void operator delete(void* memory) noexcept {
  std::free(memory);
}
void operator delete(void* memory, std::size_t) noexcept {
  std::free(memory);
}

namespace fond_ladder::testing {

std::size_t allocations() {
  return count;
}

}  // namespace fond_ladder::testing
