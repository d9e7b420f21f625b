// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <atomic>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "model/blocks.hpp"
#include "model/flat.hpp"
#include "model/key_table.hpp"
#include "model/life.hpp"
#include "model/measured.hpp"
#include "model/name_chains.hpp"
#include "model/node_forms.hpp"
#include "model/seeds.hpp"

namespace fond_ladder::inline v0::detail {

/// What an edit did to one node.
enum class Edit : std::uint8_t {
  own,     ///< its keys or its content are others
  came,    ///< it came here, and with it all that it holds: new, or from another place
  parted,  ///< something left its flow
};
struct NotedEdit {
  Index slot = 0;
  Edit what = Edit::own;
};

/// The nodes behind a Tree, always ready for solvers: see the top of tree_store.cpp. Questions change nothing, so that
/// any number of threads may read it while none edits it.
class TreeStore {
 public:
  /// Seeds that are sound; their forms are left out.
  TreeStore(const Seeds& seeds, double em, Direction direction);
  TreeStore(const TreeStore& other);
  TreeStore& operator=(const TreeStore&) = delete;
  TreeStore(TreeStore&&) = delete;
  TreeStore& operator=(TreeStore&&) = delete;
  ~TreeStore();

  // --- for the tree ------------------------------------------------------------------------------------------------

  /// Throws BadNode when the handle names no living node.
  [[nodiscard]] Index index_of(NodeId node) const;
  [[nodiscard]] bool contains(NodeId node) const;
  [[nodiscard]] NodeId id_of(Index index) const;

  NodeId insert(Index parent, std::size_t position, const Keys& keys);
  /// Puts a subtree, which is sound, among the children of a node.
  NodeId plant(Index parent, std::size_t position, const Seeds& seeds);
  /// A node and all in it, to be planted elsewhere.
  [[nodiscard]] Seeds seeds_of(Index root) const;
  void clear(Index node);
  void set_user_data(Index node, std::uintptr_t data);
  [[nodiscard]] std::uintptr_t user_data(Index node) const;
  void move(Index node, Index parent, std::size_t position);
  void remove(Index node);
  NodeId group(Index parent, std::size_t first, std::size_t count, const Keys& container);
  void replace_keys(Index node, const Keys& keys);
  void set_content(Index node, std::shared_ptr<const CustomContent> content);
  void touch(Index node) { stamp(node, Edit::own); }
  void set_direction(Direction direction);
  void set_em(double em);
  void set_text_shaper(std::shared_ptr<const TextShaper> text_shaper);
  void set_conditions(std::vector<Range> ranges, std::vector<std::string> modes);
  void when(Index node, const std::string& name, const Changes& change);

  [[nodiscard]] Keys keys(Index node) const;
  [[nodiscard]] std::string_view name(Index node) const { return names_.text(name_[node]); }
  [[nodiscard]] std::size_t size() const { return alive_; }
  [[nodiscard]] std::size_t child_count(Index node) const { return flat_.child_count[node]; }
  /// Calls `each(child)` for the children in the order of the file.
  template <class Each>
  void for_each_child(Index node, Each each) const {
    for (Index i = 0; i < flat_.child_count[node]; ++i) each(flat_.first_child[node] + i);
  }
  /// Calls `each(node, place among its siblings)` from the root down, children in the order of the file.
  template <class Each>
  void walk(Each each) const {
    struct Visit {
      Index node;
      std::size_t place;
    };
    std::vector<Visit> open{{0, 0}};
    while (!open.empty()) {
      const Visit visit = open.back();
      open.pop_back();
      each(visit.node, visit.place);
      const std::size_t base = open.size();
      for_each_child(visit.node, [&](Index child) { open.push_back({child, open.size() - base}); });
      std::reverse(open.begin() + static_cast<std::ptrdiff_t>(base), open.end());
    }
  }
  /// Calls `each(node)` for the nodes with so many children or more, in no order, until it returns false.
  template <class Each>
  void for_each_with_children(std::size_t count, Each each) const {
    for (Index node = 0; node < flat_.size(); ++node) {
      if (flat_.child_count[node] < count || index_of_slot_[slot_[node]] != node) continue;
      if (!each(node)) return;
    }
  }
  [[nodiscard]] const NameChains& names() const { return names_; }
  /// Calls `each(node)` for the nodes of a name, in no order, until it returns false.
  template <class Each>
  void for_each_named(Index number, Each each) const {
    names_.for_each_slot(number, [&](Index slot) { return each(index_of_slot_[slot]); });
  }
  /// The child of that name; `no_index` for none.
  [[nodiscard]] Index child_named(Index parent, Index number) const;
  /// The child of that step: a name, or as `row#0`; `no_index` for none.
  [[nodiscard]] Index child_of_step(Index parent, std::string_view step) const;
  /// The place of a node among its siblings.
  [[nodiscard]] std::size_t place(Index node) const {
    return flat_.parent[node] == no_index ? 0 : node - flat_.first_child[flat_.parent[node]];
  }
  [[nodiscard]] Index child(Index node, std::size_t place) const {
    return flat_.first_child[node] + static_cast<Index>(place);
  }
  [[nodiscard]] Index name_number_of(Index node) const { return name_[node]; }
  [[nodiscard]] Index parent(Index node) const { return flat_.parent[node]; }
  [[nodiscard]] Kind kind(Index node) const { return flat_.traits[node].node_kind(); }
  [[nodiscard]] const std::shared_ptr<const CustomContent>& content(Index node) const {
    return contents_[flat_.content[node]].content();
  }
  [[nodiscard]] std::size_t memory() const;
  [[nodiscard]] std::size_t names_memory() const { return names_.memory(); }

  // --- for solvers -------------------------------------------------------------------------------------------------

  /// The arrays. Places that no node has are in them too: only those that are reached from the root down count.
  [[nodiscard]] const Flat& flat() const { return flat_; }
  [[nodiscard]] const RareFields& rare_fields(Index node) const { return rare_fields_[flat_.rare_fields[node]]; }
  [[nodiscard]] const std::vector<RareFields>& rare_fields_list() const { return rare_fields_; }
  [[nodiscard]] const std::vector<Measured>& contents() const { return contents_; }
  [[nodiscard]] double em() const { return setting_.em; }
  [[nodiscard]] const Setting& setting() const { return setting_; }
  [[nodiscard]] Direction direction() const { return setting_.direction; }
  /// Differs between any two trees of a process, copies included.
  [[nodiscard]] std::uint64_t identity() const { return identity_; }
  /// Counts the times that all nodes were laid anew.
  [[nodiscard]] std::uint32_t packing() const { return packing_; }
  /// For each place, the one it had before the last packing, all moves until then done; empty if that is unknown.
  [[nodiscard]] const std::vector<Index>& came_from() const { return came_from_; }
  /// How many moves there were, ever; how many of them before the last packing.
  [[nodiscard]] std::uint64_t moves() const { return moves_; }
  [[nodiscard]] std::uint64_t moves_before_packing() const { return moves_before_packing_; }
  /// The moves from one number on up to another; not to be had when they are long past.
  [[nodiscard]] bool knows_moves_from(std::uint64_t number) const { return moves_ - number <= most_kept_moves; }
  [[nodiscard]] const Carried& move_at(std::uint64_t number) const { return kept_moves_[number % most_kept_moves]; }
  /// What edits did, by number, as the moves; whoever has not got them any more goes by `Flat::version`.
  [[nodiscard]] std::uint64_t edits() const { return edits_; }
  [[nodiscard]] bool knows_edits_from(std::uint64_t number) const { return edits_ - number <= most_kept_edits; }
  [[nodiscard]] const NotedEdit& edit_at(std::uint64_t number) const { return kept_edits_[number % most_kept_edits]; }
  /// The last edit that concerned all nodes, to be compared with what `publish` gave.
  [[nodiscard]] std::uint32_t edited_all() const { return edited_all_; }
  /// The number of the last edit, to be compared with `Flat::version`. From here on every edit gets a later one.
  [[nodiscard]] std::uint32_t publish() const;
  /// Whether any margin or padding is a percentage, so that solvers must keep resolved edges.
  [[nodiscard]] bool has_percent_edges() const { return has_percent_edges_; }
  /// Whether any node may scroll up and down, so that solvers must keep least heights.
  [[nodiscard]] bool has_scrollers() const { return has_scrollers_; }
  /// Whether any node may be tied to siblings, so that names count.
  [[nodiscard]] bool has_ties() const { return has_ties_; }
  /// Whether any node is a grid, so that solvers must keep cells.
  [[nodiscard]] bool has_grids() const { return has_grids_; }
  /// The longest run of siblings, for scratch space.
  [[nodiscard]] std::size_t most_children() const { return most_children_; }

  /// Gives the traits of a node, compiled from other keys, what they have to know of the children.
  void keep_facts(Index node, Traits& traits) const;
  /// What nodes are while ranges hold and modes are on.
  [[nodiscard]] const NodeForms& forms() const { return forms_; }
  /// Null for a node that is the same at all sizes.
  [[nodiscard]] const std::vector<NodeForm>* forms_of(Index node) const { return forms_.of(slot_[node]); }
  /// Null for a node without node ranges. Throws BadNode.
  [[nodiscard]] const std::vector<Range>* node_ranges_of(NodeId node) const {
    return forms_.node_ranges(slot_[index_of(node)]);
  }
  [[nodiscard]] Index slot(Index node) const { return slot_[node]; }
  /// Where the node of a slot is; `no_index` when it is gone.
  [[nodiscard]] Index place_of_slot(Index slot) const { return index_of_slot_[slot]; }

  /// What solutions look at: whether the tree is as they saw it.
  [[nodiscard]] const std::shared_ptr<TreeLife>& life() const { return life_; }

  /// Packs all nodes level by level if they are not, and releases unneeded memory. An edit.
  void pack();

 private:
  static constexpr std::size_t most_kept_moves = 1024, most_kept_edits = 1024;
  /// Calls `each(array)` for every array by index.
  template <class Each>
  void for_each_place_array(Each each) {
    for_each_array(flat_, each);
    each(name_);
    each(slot_);
    each(space_);
    each(ahead_);
  }

  void add_places(Index count);
  void clear_place(Index node);
  /// Sees to it that a handle and a place can be had. Throws BadNode.
  void require_handles(std::size_t count) const;
  void require_own_name(Index parent, const std::string& name, Index except_from, Index except_behind) const;
  /// `set_bits` as `compile` takes it.
  void set_fields(Index node, const Keys& keys, std::uint64_t set_bits);
  void set_fields(Index node, const Keys& keys) { set_fields(node, keys, set_key_bits(keys)); }
  void set_text(Index node, const Keys& keys);
  void give_content(Index node, std::shared_ptr<const CustomContent> content);
  void drop_extra(Index node);
  void drop_content(Index node);
  NodeId new_handle(Index node);
  void give_handle_back(Index node);
  /// Gives back all that nodes have in the list, and all below them.
  void discard(std::vector<Index>& gone);

  /// Opens a place among the children of a node.
  Index open_place(Index parent, std::size_t position);
  void close_places(Index parent, Index first, Index count);
  void grow_block(Index parent, bool in_front);
  void share_space(Index parent, bool in_front);
  [[nodiscard]] Block block_of(Index parent) const;
  [[nodiscard]] Block take_block(Index space);
  void carry(Carried move);
  void stamp(Index node, Edit what);
  /// Puts a subtree into a place that is open. Returns the handles of its nodes, in the order of the seeds.
  std::vector<NodeId> settle(Index top, const Seeds& seeds);
  /// Notes that a node left a container.
  struct Left {
    bool may_have_counted;  ///< in the flow, in some form
    bool odd;
  };
  [[nodiscard]] Left leaving(Index node) const;
  void part(Index above, Left left);
  /// All that a node can be, in any of its forms, of what containers have to know.
  [[nodiscard]] Traits at_most(Index node) const {
    return forms_of(node) == nullptr ? flat_.traits[node] : in_all_forms(node);
  }
  [[nodiscard]] Traits in_all_forms(Index node) const;
  [[nodiscard]] bool is_odd(Index node) const {
    const Traits most = at_most(node);
    return most.hidden || most.pinned || most.ordered;
  }
  /// Lays all anew where edits have left too many holes, or have made most of the tree.
  void pack_when_due();
  void lay_anew();
  /// Everything is solved anew after this.
  void edit_all();
  /// Raises what a parent must know of its children; lowered again only by `survey`.
  void notify_parent(Index node);
  /// Raises in a node that scrolls, and in the containers above it, that they hold a scroller; lowered in containers
  /// only by `survey`.
  void notify_scroller(Index node, bool is_dirty = true);
  /// Finds afresh what parents must know of their children.
  void survey();
  /// Counts the children of a node that are hidden, pinned or ordered: one was, or is.
  void count_odd_child(Index above, bool was, bool is);

  Flat flat_;
  /// Of the block of a node's children: places before the first. And how many children are odd, as far as that counts.
  struct Ahead {
    static constexpr Index many = 255;
    Index places : 24 = 0;
    Index odd : 8 = 0;
  };
  std::vector<Index> space_;  // by index: of the block of its children
  std::vector<Ahead> ahead_;  // by index
  FreeBlocks free_blocks_;
  std::vector<RareFields> rare_fields_;
  std::vector<Index> free_extras_;
  std::vector<Measured> contents_;
  std::vector<Index> free_contents_;

  std::vector<Index> name_;  // by index
  NameChains names_;

  std::vector<Index> slot_;  // by index
  std::vector<Index> index_of_slot_;
  std::vector<std::uint8_t> generation_;
  std::vector<Index> free_slots_;
  std::vector<std::uintptr_t> user_data_;  // by slot, as far as anybody set any

  Setting setting_;
  std::uint64_t identity_;
  std::size_t alive_ = 0;
  std::size_t laid_ = 0;  // nodes at the last packing
  std::uint32_t edit_ = 1;
  mutable std::atomic<std::uint32_t> published_{0};
  std::uint32_t packing_ = 0;
  std::vector<Index> came_from_;
  std::uint64_t moves_ = 0, moves_before_packing_ = 0;
  std::vector<Carried> kept_moves_;
  std::uint64_t edits_ = 0;
  std::uint32_t edited_all_ = 0;
  std::vector<NotedEdit> kept_edits_;
  NodeForms forms_;
  std::shared_ptr<TreeLife> life_ = std::make_shared<TreeLife>();
  std::vector<Index> scratch_;
  bool has_percent_edges_ = false;
  bool has_grids_ = false;
  bool has_scrollers_ = false;
  bool has_ties_ = false;
  std::size_t most_children_ = 0;
};

}  // namespace fond_ladder::inline v0::detail
