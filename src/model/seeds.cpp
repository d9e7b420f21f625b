// SPDX-License-Identifier: MIT
#include "model/seeds.hpp"

#include <algorithm>
#include <span>
#include <string_view>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0::detail {

Seeds::Seeds(const Keys& keys) : all_{{&keys, nullptr, 0, 0, set_key_bits(keys)}} {
  fond_ladder::require_sound(keys, all_[0].set_bits);
}

Seeds::Seeds(const Node& root) {
  std::vector<const Node*> nodes{&root};
  const auto add = [&](const Node& node, const Keys& keys) {
    const std::uint64_t set_bits = &keys == &node.keys() ? node.explicit_bits() : set_key_bits(keys);
    all_.push_back({&keys, node.content() ? &node.content() : nullptr, 0, 0, set_bits});
    for (const auto& [name, change] : node.whens()) {
      forms_.push_back({static_cast<Index>(all_.size() - 1), name, change});
    }
    require_sound(all_.back());
  };
  add(root, root.keys());
  std::vector<std::string_view> names;
  for (std::size_t i = 0; i < nodes.size(); ++i) {
    const Node& node = *nodes[i];
    all_[i].first_child = static_cast<Index>(nodes.size());
    all_[i].child_count = static_cast<Index>(node.children().size());
    names.clear();
    for (const Node& child : node.children()) {
      nodes.push_back(&child);
      add(child, node.gives_keys() ? own_keys_.emplace_back(node.child_keys(child)) : child.keys());
      if (!child.keys().name.empty()) names.push_back(child.keys().name);
    }
    std::ranges::sort(names);
    if (const auto twin = std::ranges::adjacent_find(names); twin != names.end()) {
      throw BadValue(path_of(all_[i]) + ": two siblings are called \"" + std::string(*twin) + "\"");
    }
  }
}

Seed& Seeds::add(Keys keys, const std::shared_ptr<const CustomContent>& own_content) {
  const Keys& own = own_keys_.emplace_back(std::move(keys));
  all_.push_back({&own, own_content ? &contents_.emplace_back(own_content) : nullptr, 0, 0, set_key_bits(own)});
  return all_.back();
}

void Seeds::add_form(const std::string& name, const Changes& change) {
  forms_.push_back({static_cast<Index>(all_.size() - 1), name, change});
}

void Seeds::call(const std::string& name) {
  own_keys_.front().name = name;
  all_[0].set_bits = set_key_bits(own_keys_.front());
  require_sound(all_[0]);
}

bool Seeds::has_own_range(const std::string& name) const {
  static const std::uint64_t bit = key_bit(&Keys::ranges);
  return std::ranges::any_of(all_, [&](const Seed& seed) {
    return (seed.set_bits & bit) != 0 &&
           std::ranges::find(seed.keys->ranges, name, &Range::name) != seed.keys->ranges.end();
  });
}

void Seeds::require_sound(const Seed& seed) const {
  try {
    fond_ladder::require_sound(*seed.keys, seed.set_bits);
  } catch (const BadValue& fault) {
    throw BadValue(path_of(seed) + ": " + fault.what());
  }
}

std::string Seeds::path_of(const Seed& seed) const {
  std::vector<std::size_t> above(all_.size(), 0);
  for (std::size_t i = 0; i < all_.size(); ++i) {
    const std::size_t behind = std::min<std::size_t>(all_[i].first_child + all_[i].child_count, all_.size());
    for (std::size_t k = all_[i].first_child; k < behind; ++k) above[k] = i;
  }
  std::string path;
  for (auto i = static_cast<std::size_t>(&seed - all_.data());; i = above[i]) {
    const Keys& keys = *all_[i].keys;
    const std::string place = i == 0 ? "" : "#" + std::to_string(i - all_[above[i]].first_child);
    path.insert(0, (keys.name.empty() ? std::string(word(keys.kind)) + place : keys.name) + (path.empty() ? "" : "/"));
    if (i == 0) return path;
  }
}

}  // namespace fond_ladder::inline v0::detail
