// SPDX-License-Identifier: MIT
#pragma once

// A handle of a node. It stays valid through all edits, and never comes to mean another node.

#include <compare>
#include <cstddef>
#include <cstdint>
#include <functional>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Names one node of one tree for as long as that node lives. A handle of a removed node is always detected, and
/// never names another node.
struct NodeId {
  static constexpr std::uint32_t none = 0xFFFFFFFF;
  std::uint32_t value = none;
  explicit operator bool() const { return value != none; }
  friend auto operator<=>(const NodeId&, const NodeId&) = default;
};

}  // namespace v0
}  // namespace fond_ladder

/// @cond the reference of the API has no place for it
/// Handles may be keys of hashed containers.
template <>
struct std::hash<fond_ladder::NodeId> {
  std::size_t operator()(const fond_ladder::NodeId& node) const noexcept {
    return std::hash<std::uint32_t>()(node.value);
  }
};
/// @endcond
