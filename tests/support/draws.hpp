// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <random>
#include <span>

namespace fond_ladder::testing {

/// Where what is made at random takes its numbers from: a seed, or bytes that somebody else chooses. Each number takes
/// one of these, from 257 on two; when all are used up each is the largest, which refuses what has a share.
class Draws {
 public:
  explicit Draws(std::uint32_t seed) : dice_(seed) {}
  explicit Draws(std::span<const std::uint8_t> bytes) : bytes_(bytes), from_bytes_(true) {}

  /// From 0 to `limit` - 1.
  int below(int limit) {
    if (!from_bytes_) return std::uniform_int_distribution<int>(0, limit - 1)(dice_);
    if (bytes_.empty()) return limit - 1;
    int number = next();
    if (limit > 256) number = number * 256 + next();
    return number % limit;
  }
  /// Whether all bytes are used up; never of a seed.
  [[nodiscard]] bool spent() const { return from_bytes_ && bytes_.empty(); }

 private:
  int next() {
    if (bytes_.empty()) return 0;
    const int number = bytes_.front();
    bytes_ = bytes_.subspan(1);
    return number;
  }

  std::mt19937 dice_;
  std::span<const std::uint8_t> bytes_;
  bool from_bytes_ = false;
};

}  // namespace fond_ladder::testing
