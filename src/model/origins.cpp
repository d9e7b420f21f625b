// SPDX-License-Identifier: MIT
#include "model/origins.hpp"

#include <algorithm>

namespace fond_ladder::inline v0::detail {

std::uint32_t Origins::name(std::string_view text) {
  const auto [at, is_new] = numbers_.try_emplace(std::string(text), static_cast<std::uint32_t>(names_.size()));
  if (is_new) names_.emplace_back(text);
  return at->second;
}

void Origins::note(NodeId node, const std::vector<Entry>& entries) {
  const auto [place, is_new] = places_.try_emplace(entries, static_cast<std::uint32_t>(lists_.size()));
  if (is_new) lists_.push_back(entries);
  const auto at = std::ranges::lower_bound(by_node_, node, {}, &std::pair<NodeId, std::uint32_t>::first);
  if (at != by_node_.end() && at->first == node) {
    at->second = place->second;
  } else {
    by_node_.insert(at, {node, place->second});
  }
}

const std::vector<Origins::Entry>& Origins::of(NodeId node) const {
  static const std::vector<Entry> nothing;
  const auto at = std::ranges::lower_bound(by_node_, node, {}, &std::pair<NodeId, std::uint32_t>::first);
  return at != by_node_.end() && at->first == node ? lists_[at->second] : nothing;
}

}  // namespace fond_ladder::inline v0::detail
