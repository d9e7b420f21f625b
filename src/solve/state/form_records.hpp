// SPDX-License-Identifier: MIT
#pragma once

// The arrays of a tree as one solver sees them while ranges hold and modes are on. A tree is the same to all solvers;
// one that solves a tree with nodes in other forms keeps a copy of those arrays that keys are compiled to, with the
// records of these nodes put in. The copy follows the list of dirty nodes, so that an edit
// costs here what it costs there; a solver of a tree without forms has none.

#include <algorithm>
#include <array>
#include <memory>
#include <unordered_map>
#include <vector>

#include "model/tree_store.hpp"

namespace fond_ladder::inline v0::detail {

/// Marks places of extras and contents that are the solver's own.
inline constexpr Index of_solver = 0x80000000;

/// What a node in another form has, that the arrays do not hold.
struct OwnRecord {
  RareFields rare_fields;
  EdgeSpace resolved;
  Measured content;
  Sides plain_inset, own_inset;  ///< sideways, where node ranges of the node give it another: `odd`
  bool odd = false, listed = false;
};

/// A node with node ranges, during a solve.
struct OwnScope {
  Index outer = no_index;    ///< the slot of the next such node above
  unsigned level = 1;        ///< how many such nodes lie on the way to it, itself included
  std::uint32_t active = 0;  ///< which of its node ranges hold, a bit each
};

class FormRecords {
 public:
  Records records;
  std::vector<OwnRecord> own;

  /// Whether there are any; the arrays of the tree hold otherwise.
  [[nodiscard]] bool exist() const { return exist_; }
  /// Ranges of the container and modes by condition, in the solve before.
  [[nodiscard]] const std::vector<bool>& holding() const { return holding_; }
  /// A form that a node is in, and its origin: the slot of a node whose node range holds, none for ranges and modes of
  /// all.
  struct Active {
    const NodeForm* form;
    Index declarer;
  };
  /// Those of a node, each beating those before: ranges of the container, node ranges from the outside in, modes.
  [[nodiscard]] std::vector<Active> active(const TreeStore& store, Index node) const;
  /// Gives `keys` of a node what it is under all that holds.
  void put_into(const TreeStore& store, Index node, Keys& keys) const { put_forms_into(store, node, keys, true); }

  /// Puts all nodes in, in the forms that hold.
  void begin(const TreeStore& store, const std::vector<bool>& holding);
  /// Calls `each(node)` for the nodes that take another form, now that those conditions hold.
  template <class Each>
  void for_each_outdated(const TreeStore& store, const std::vector<bool>& holding, const Each& each);
  /// Puts in the nodes of some items, edited ones and those with another form, and gives back what others had.
  template <class Items>
  void update(const TreeStore& store, const Items& items);
  void end();

  // --- node ranges: see node_ranges.hpp ------------------------------------------------------------------------------

  /// Whether any node has node ranges.
  [[nodiscard]] bool has_scopes() const { return !scopes_.empty(); }
  /// Whether any node range holds.
  [[nodiscard]] bool any_own_holds() const { return scopes_that_hold_ > 0; }
  /// Whether that node range of a node holds.
  [[nodiscard]] bool own_holds(const TreeStore& store, Index node, const std::string& name) const;
  /// Null for a node that has no node ranges, or too many such nodes around it.
  [[nodiscard]] const OwnScope* scope(Index slot) const;
  /// Makes a node and all in it what they are while those of its node ranges hold, and none of those inside. Lists them
  /// all, parents first.
  const std::vector<Index>& enter(const TreeStore& store, Index top, std::uint32_t active);
  /// What measuring the width of a node from outside uses of its padding, and its content.
  void show_plain_insets();
  void show_own_insets();
  void show_own_inset(Index node);

 private:
  void put(const TreeStore& store, Index node);
  void show_outward(const TreeStore& store, Index node, CompiledNode& compiled, OwnRecord& record) const;
  void put_forms_into(const TreeStore& store, Index node, Keys& keys, bool own_ones) const;
  /// Calls `each(form, slot of the declarer or none)` for the forms that a node is in, as `held` lists them.
  template <class Each>
  void for_each_active(const TreeStore& store, Index node, const Each& each) const;
  void set_scope(Index slot, const OwnScope& scope);
  void drop_scope(Index slot);
  [[nodiscard]] Index scope_around(const TreeStore& store, Index node) const;
  OwnRecord& own_record(Index slot);
  void drop_gone(const TreeStore& store);
  [[nodiscard]] bool differs(const NodeForm& form, const std::vector<bool>& holding) const;

  bool exist_ = false;
  std::vector<bool> holding_;
  std::uint64_t version_ = 0;                     // of the forms of the tree
  std::unordered_map<Index, Index> own_of_slot_;  // places in `own`
  std::vector<Index> free_own_;
  // By slot. Those of nodes that are gone stay until the slot has another node: it comes here, and is entered.
  std::unordered_map<Index, OwnScope> scopes_;
  std::unordered_map<Index, Index> around_;  // of nodes with forms: the innermost scope that they are in
  std::size_t scopes_that_hold_ = 0;
  std::vector<Index> odd_insets_;  // places in `own`, of some that are not odd any more too
  std::vector<Index> entered_, entered_scopes_;
};

template <class Each>
void FormRecords::for_each_outdated(const TreeStore& store, const std::vector<bool>& holding, const Each& each) {
  const bool others = version_ != store.forms().version();
  if (!others && holding == holding_) return;
  store.forms().for_each([&](Index slot, const std::vector<NodeForm>& forms) {
    const auto is_other = [&](const NodeForm& form) { return differs(form, holding); };
    if (others || std::ranges::any_of(forms, is_other)) each(store.place_of_slot(slot));
  });
  holding_ = holding;
  version_ = store.forms().version();
}

template <class Items>
void FormRecords::update(const TreeStore& store, const Items& items) {
  if (!items.empty()) drop_gone(store);
  own.reserve(store.forms().count());
  for (const auto& item : items) put(store, item.node);
}

}  // namespace fond_ladder::inline v0::detail
