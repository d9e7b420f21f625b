// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
#include <string>

#include "fond_ladder/container_size.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A named interval of container sizes in pixels, under which nodes may be different: `from` bounds belong to it,
/// `below` bounds do not. A bound on a side that follows the content holds at no size. As an own range of a node it is
/// one of widths of that node.
struct Range {
  std::string name;
  std::optional<double> from_width{}, below_width{}, from_height{}, below_height{};
  [[nodiscard]] bool contains(const ContainerSize& container_size) const;
  /// Whether it ends before it begins.
  [[nodiscard]] bool is_empty() const;
  friend bool operator==(const Range&, const Range&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
