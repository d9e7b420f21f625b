// SPDX-License-Identifier: MIT
#pragma once

// The place where a key of a node is written. Nodes that take it from one place share one setting: it is tried, and
// reported, once.

#include <compare>
#include <cstddef>
#include <map>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/source.hpp"

namespace fond_ladder::inline v0 {

struct WrittenAt {
  Source source = Source::own;
  std::string name;   // of a part, or of shared keys
  std::string place;  // of a node, of the container that sets it by `each_child`, or inside of the part
  friend auto operator<=>(const WrittenAt&, const WrittenAt&) = default;
};

/// `key` is its place in the table of keys.
[[nodiscard]] WrittenAt written_at(const Scene& scene, NodeId node, std::size_t key);

/// Nodes with a key that is written once, in the order of the tree.
struct WrittenSetting {
  std::size_t key = 0;
  WrittenAt at;
  std::vector<NodeId> nodes;
};

/// Puts nodes and keys together that are written at one place, in the order in which they come.
class WrittenSettings {
 public:
  explicit WrittenSettings(const Scene& scene) : scene_(scene) {}
  void add(NodeId node, std::size_t key);
  [[nodiscard]] const std::vector<WrittenSetting>& all() const { return all_; }

 private:
  const Scene& scene_;
  std::map<std::pair<std::size_t, WrittenAt>, std::size_t> places_;
  std::vector<WrittenSetting> all_;
};

}  // namespace fond_ladder::inline v0
