// SPDX-License-Identifier: MIT
#pragma once

// Keys that the arrays cannot give back, and that no pass reads, in as little space as they take: each with its place
// in the table and its bytes, one after the other. A padding of two sides takes 20 bytes, while all
// keys of a node take more than a thousand.

#include <cstddef>
#include <cstdint>
#include <memory>

#include "fond_ladder/keys.hpp"

namespace fond_ladder::inline v0::detail {

class PackedKeys {
 public:
  PackedKeys() = default;
  PackedKeys(const PackedKeys& other);
  PackedKeys& operator=(const PackedKeys& other);
  PackedKeys(PackedKeys&&) noexcept = default;
  PackedKeys& operator=(PackedKeys&&) noexcept = default;
  ~PackedKeys() = default;

  /// Takes the keys in which `keys` differs from `plain`. Returns false, and takes none, when there is one among them
  /// that is no plain value: a map, tracks, a long text.
  [[nodiscard]] bool take(const Keys& keys, const Keys& plain);
  [[nodiscard]] bool empty() const { return bytes_ == nullptr; }
  void put_into(Keys& keys) const;
  /// Bytes on the heap.
  [[nodiscard]] std::size_t memory() const;

 private:
  std::unique_ptr<std::uint8_t[]> bytes_;  // two for how many follow, then those
};

}  // namespace fond_ladder::inline v0::detail
