// SPDX-License-Identifier: MIT
#pragma once

// What nodes are while a range holds or a mode is on: data beside the tree, by the handles (slots) of the nodes.

#include <optional>
#include <string>
#include <unordered_map>
#include <vector>

#include "fond_ladder/changes.hpp"
#include "fond_ladder/ranges.hpp"
#include "model/flat.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Why a node that is `plain` while nothing holds cannot be that under that name, where this is one of its node ranges:
/// some key is read by its parent before its width is known.
[[nodiscard]] std::optional<std::string> own_form_fault(const Keys& plain, const std::string& name,
                                                        const Changes& change);

}  // namespace v0
}  // namespace fond_ladder

namespace fond_ladder::inline v0::detail {

struct NodeForm {
  std::string name;     ///< of a range or a mode
  Index condition = 0;  ///< its place among all ranges and modes, which beat each other in that order; `no_index`
                        ///< where only node ranges have that name
  Changes change;
};

class NodeForms {
 public:
  [[nodiscard]] const std::vector<Range>& ranges() const { return ranges_; }
  [[nodiscard]] const std::vector<std::string>& modes() const { return modes_; }
  /// Throws BadValue, and changes nothing, when a name is used twice, or one is gone that a node still goes by.
  void set_conditions(std::vector<Range> ranges, std::vector<std::string> modes);

  /// Replaces the form of a node under that name; no keys remove it. Throws BadValue for a name that is neither a
  /// range nor a mode, and for values out of their domain.
  void set(Index slot, const std::string& name, const Changes& change);
  /// Throws what `set` would throw, `is_own` being whether some node that comes with it has a node range of that name.
  void require(const std::string& name, const Changes& change, bool is_own = false) const;
  /// Null for a node that is the same at all sizes.
  [[nodiscard]] const std::vector<NodeForm>* of(Index slot) const;
  void forget(Index slot) {
    forms_.erase(slot);
    declare(slot, {});
  }
  /// Whether all nodes are the same at all sizes.
  [[nodiscard]] bool empty() const { return forms_.empty() && node_ranges_.empty(); }
  /// How many nodes have forms.
  [[nodiscard]] std::size_t count() const { return forms_.size(); }

  /// Gives a node its node ranges, instead of those that it had.
  void declare(Index slot, const std::vector<Range>& own);
  /// The node ranges of a node; null for none.
  [[nodiscard]] const std::vector<Range>* node_ranges(Index slot) const;
  /// Whether any node has node ranges.
  [[nodiscard]] bool has_node_ranges() const { return !node_ranges_.empty(); }
  /// Calls `each(slot)` for all nodes with node ranges, in no order.
  template <class Each>
  void for_each_declaring(Each each) const {
    for (const auto& [slot, ranges] : node_ranges_) each(slot);
  }
  /// Calls `each(slot, forms)` for all nodes that have forms, in no order.
  template <class Each>
  void for_each(Each each) const {
    for (const auto& [slot, forms] : forms_) each(slot, forms);
  }

  /// Writes down which conditions hold at a size while these modes are on.
  void find_holding(const ContainerSize& container_size, const std::vector<std::string>& modes_on,
                    std::vector<bool>& holding) const;
  /// The names of those that hold.
  [[nodiscard]] std::vector<std::string> names_of(const std::vector<bool>& holding) const;
  /// Grows with every change.
  [[nodiscard]] std::uint64_t version() const { return version_; }

 private:
  std::vector<Range> ranges_;
  std::vector<std::string> modes_;
  std::unordered_map<Index, std::vector<NodeForm>> forms_;  // each in the order of the conditions
  std::unordered_map<Index, std::vector<Range>> node_ranges_;
  std::unordered_map<std::string, std::size_t> own_names_;  // how many node ranges have that name
  std::uint64_t version_ = 0;
};

/// Whether some side is a percentage.
[[nodiscard]] bool has_percentage(const Edges& edges);
/// Gives `keys` what a node is under one of its node ranges.
void put_own_form(const Changes& change, Keys& keys);

}  // namespace fond_ladder::inline v0::detail
