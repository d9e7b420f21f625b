// SPDX-License-Identifier: MIT
#pragma once

// Many quantities of one arrangement after the other: the box of a node is worked out once for all that is asked of it.

#include <optional>
#include <utility>
#include <vector>

#include "fond_ladder/quantity.hpp"

namespace fond_ladder::inline v0 {

/// One value a quantity; none where it has none.
using Values = std::vector<std::optional<double>>;

class Measuring {
 public:
  explicit Measuring(const std::vector<Quantity>& quantities);

  /// The values, in the order of the quantities; the same as value_of gives.
  [[nodiscard]] Values operator()(const Solution& solution) const;

 private:
  struct Asked {
    Measure measure;
    std::size_t place;
  };
  struct OfNode {
    NodeId node;
    std::vector<Asked> asked;
  };
  std::vector<OfNode> nodes_;
  std::vector<std::pair<std::size_t, Quantity>> others_;  // places, and what is counted or scrolled there
  std::size_t count_ = 0;
};

}  // namespace fond_ladder::inline v0
