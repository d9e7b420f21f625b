// SPDX-License-Identifier: MIT
#pragma once

// A named interval of container sizes, or of a node's own width: see Scene::ranges and Node::ranges.

#include <optional>
#include <string>

#include "fond_ladder/container_size.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A named interval of container sizes in pixels under which nodes may have other keys: `from` bounds are included,
/// `below` bounds are not. On a side by content no bound applies. As a node range it is an interval of widths of its
/// node.
struct Range {
  /// A letter, then letters, digits, `_` and `-`.
  std::string name;
  /// Pixels; `from_` bounds are included, `below_` bounds are not. Absent: no bound.
  std::optional<double> from_width{}, below_width{}, from_height{}, below_height{};
  [[nodiscard]] bool contains(const ContainerSize& container_size) const;
  /// Whether it includes no size.
  [[nodiscard]] bool is_empty() const;
  friend bool operator==(const Range&, const Range&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
