// SPDX-License-Identifier: MIT
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/arrangement.hpp"

namespace fond_ladder {

/// A named interval of container sizes in pixels, under which nodes may be different: `from` bounds belong to it,
/// `below` bounds do not. A bound on a side that follows the content holds at no size.
struct Range {
  std::string name;
  std::optional<double> from_width{}, below_width{}, from_height{}, below_height{};
  [[nodiscard]] bool holds(const Rung& rung) const;
  friend bool operator==(const Range&, const Range&) = default;
};

/// What a node is while a range holds or a mode is on. `change` says keys over those it has; it is called often, and
/// does the same every time.
struct When {
  NodeId node;
  std::string name;  ///< of a range or a mode
  std::function<void(Keys&)> change;
};

}  // namespace fond_ladder
