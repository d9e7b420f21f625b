// SPDX-License-Identifier: MIT
#pragma once

#include <sys/mman.h>

#include <cstddef>
#include <new>

namespace fond_ladder::inline v0::typeset {

/// What setting one line or text may take, fonts that are read and threads that are begun for it included: each of
/// these may set 128 MiB apart, though it uses little of it.
inline constexpr std::size_t spare_for_letters = std::size_t{200} << 20;

/// Throws std::bad_alloc where the process may not have so much more memory. Pango, GLib and Fontconfig end a program
/// that cannot have what they ask for, without a word or with one of theirs: so they are not asked then. Nothing is
/// touched; it takes some microseconds.
inline void need_spare_memory(std::size_t bytes = spare_for_letters) {
  void* spare = mmap(nullptr, bytes, PROT_READ | PROT_WRITE, MAP_PRIVATE | MAP_ANONYMOUS, -1, 0);
  if (spare == MAP_FAILED) throw std::bad_alloc();
  munmap(spare, bytes);
}

}  // namespace fond_ladder::inline v0::typeset
