// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <limits>
#include <vector>

#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0::picture {

/// Finds out where a label may stand: where its node is seen, and no other label is. Everything that is painted is
/// entered with its place in the order of painting, into square cells, so that a question looks only at what is near.
class LabelSpots {
 public:
  /// `bounds` is the part of the picture that labels may use.
  explicit LabelSpots(const Rect& bounds);

  /// Something is painted on `area`, at that place of the order.
  void cover(const Rect& area, std::size_t order);
  /// Whether nothing that is painted later than `order` touches `area`, and no label.
  [[nodiscard]] bool is_free(const Rect& area, std::size_t order) const;
  /// Marks `area` as taken by a label; later labels keep a distance from it.
  void take(const Rect& area);
  /// The place of the words of a text, and that of a label which may stand on everything but labels, or on everything
  /// but labels and words.
  static constexpr std::size_t words = std::numeric_limits<std::size_t>::max() - 1;
  static constexpr std::size_t on_words = words, beside_words = words - 1;

 private:
  static constexpr std::size_t label = words + 1;
  struct Covered {
    Rect area;
    std::size_t order;
  };
  template <class Each>
  bool any_cell(const Rect& area, Each each) const;

  Rect bounds_;
  std::size_t columns_, rows_;
  std::vector<Covered> covered_;
  std::vector<std::vector<std::uint32_t>> cells_;
};

}  // namespace fond_ladder::inline v0::picture
