// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <atomic>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "model/flat.hpp"
#include "model/path_index.hpp"

namespace fond_ladder::inline v0::detail {

/// The nodes behind a Tree, in one of two states.
///
/// Packed, they lie level by level (see Flat) and children are ranges; this is what solvers read. The first structural
/// edit adds links between siblings, and nodes are appended or cut out through those; the next solver packs them again,
/// in one go for any number of edits. Restyling needs no links.
class TreeStore {
 public:
  TreeStore(const Keys& root, double em, Direction direction);
  TreeStore(const TreeStore& other);
  TreeStore& operator=(const TreeStore&) = delete;
  TreeStore(TreeStore&&) = delete;
  TreeStore& operator=(TreeStore&&) = delete;
  ~TreeStore() = default;

  // --- for the tree ------------------------------------------------------------------------------------------------

  /// Throws BadNode when the handle names no living node.
  [[nodiscard]] Index index_of(NodeId node) const;
  [[nodiscard]] bool contains(NodeId node) const;
  [[nodiscard]] NodeId id_of(Index index) const;

  NodeId insert(Index parent, std::size_t position, const Keys& keys);
  void move(Index node, Index parent, std::size_t position);
  void remove(Index node);
  NodeId enclose(Index parent, std::size_t first, std::size_t count, const Keys& container);
  void restyle(Index node, const Keys& keys);
  void content_from(Index node, std::shared_ptr<const OwnContent> content);
  void touch(Index node) { stamp(node); }
  /// All nodes have to be restyled then.
  void set_direction(Direction direction) { direction_ = direction; }

  [[nodiscard]] Keys keys(Index node) const;
  [[nodiscard]] std::string_view name(Index node) const { return *names_[name_[node]]; }
  [[nodiscard]] std::size_t size() const { return alive_; }
  [[nodiscard]] std::size_t child_count(Index node) const { return flat_.child_count[node]; }
  /// Calls `each(child)` for the children in the order of the file.
  template <class Each>
  void for_each_child(Index node, Each each) const {
    if (!links_) {
      for (Index i = 0; i < flat_.child_count[node]; ++i) each(flat_.first_child[node] + i);
    } else {
      for (Index child = links_->first[node]; child != no_index; child = links_->next[child]) each(child);
    }
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
  /// The nodes by the last steps of their paths, as the tree is now. Safe from many threads while nobody edits.
  [[nodiscard]] std::shared_ptr<const PathIndex> path_index() const;
  /// The number of a name that nodes have, or had.
  [[nodiscard]] std::optional<std::uint32_t> number_of_name(std::string_view name) const;
  [[nodiscard]] std::uint32_t name_number_of(Index node) const { return name_[node]; }
  /// The place of a node among its siblings; at once in a packed tree, else by counting them.
  [[nodiscard]] std::size_t place(Index node) const;
  [[nodiscard]] Index parent(Index node) const { return flat_.parent[node]; }
  [[nodiscard]] Kind kind(Index node) const { return flat_.traits[node].node_kind(); }
  [[nodiscard]] const std::shared_ptr<const OwnContent>& content(Index node) const {
    return contents_[flat_.content[node]];
  }
  [[nodiscard]] std::size_t memory() const;

  // --- for solvers -------------------------------------------------------------------------------------------------

  /// The packed arrays. Packs first when edits are pending; safe from many threads while nobody edits.
  [[nodiscard]] const Flat& packed() const;
  [[nodiscard]] const Extra& extra(Index node) const { return extras_[flat_.extra[node]]; }
  [[nodiscard]] const std::vector<Extra>& extras() const { return extras_; }
  [[nodiscard]] const std::vector<std::shared_ptr<const OwnContent>>& contents() const { return contents_; }
  [[nodiscard]] double em() const { return em_; }
  [[nodiscard]] Direction direction() const { return direction_; }
  /// Differs between any two trees of a process, copies included.
  [[nodiscard]] std::uint64_t identity() const { return identity_; }
  /// Counts the packings.
  [[nodiscard]] std::uint32_t packing() const { return packing_; }
  /// For each index, the one it had in the packing before, or `no_index`. Empty after the first packing.
  [[nodiscard]] const std::vector<Index>& came_from() const { return came_from_; }
  /// The number of the last edit, to be compared with `Flat::version`. From here on every edit gets a later one.
  [[nodiscard]] std::uint32_t publish() const;
  /// Whether any margin or padding is a percentage, so that solvers must keep resolved edges.
  [[nodiscard]] bool has_percent_edges() const { return has_percent_edges_; }
  /// Whether any node may scroll up and down, so that solvers must keep least heights.
  [[nodiscard]] bool has_scrollers() const { return flat_.traits[0].holds_scroller != 0; }
  /// Whether any node is a grid, so that solvers must keep cells.
  [[nodiscard]] bool has_grids() const { return has_grids_; }
  /// The longest run of siblings, for scratch space.
  [[nodiscard]] std::size_t most_children() const { return most_children_; }

 private:
  struct Links {
    std::vector<Index> first, last, next, before;
  };

  Index add(const Keys& keys);
  void set_fields(Index node, const Keys& keys);
  void set_text(Index node, const Keys& keys);
  void drop_extra(Index node);
  void drop_content(Index node);
  std::uint32_t name_number(const std::string& name);
  NodeId new_handle(Index node);
  void need_links();
  [[nodiscard]] Index child_at(Index parent, std::size_t position) const;
  void link(Index node, Index parent, Index before_child);
  void unlink(Index node);
  void stamp(Index node);
  void pack();
  /// Raises what a parent must know of its children; lowered again only by `survey`.
  void tell_parent(Index node);
  /// Raises in a node that scrolls, and in the containers above it, that they hold a scroller; lowered in containers
  /// only by `survey`.
  void tell_of_scroller(Index node);
  /// Finds afresh what parents must know of their children.
  void survey();

  Flat flat_;
  std::unique_ptr<Links> links_;
  std::vector<Extra> extras_;
  std::vector<Index> free_extras_;
  std::vector<std::shared_ptr<const OwnContent>> contents_;
  std::vector<Index> free_contents_;

  std::vector<std::uint32_t> name_;  // by index
  std::vector<const std::string*> names_;
  std::unordered_map<std::string, std::uint32_t> name_numbers_;

  std::vector<Index> slot_;  // by index
  std::vector<Index> index_of_slot_;
  std::vector<std::uint8_t> generation_;
  std::vector<Index> free_slots_;

  double em_;
  Direction direction_;
  std::uint64_t identity_;
  std::size_t alive_ = 0;
  std::uint32_t edit_ = 1;
  mutable std::atomic<std::uint32_t> published_{0};
  std::uint32_t packing_ = 0;
  std::vector<Index> came_from_;
  bool has_percent_edges_ = false;
  bool has_grids_ = false;
  std::size_t most_children_ = 0;

  mutable std::mutex paths_mutex_;
  mutable std::shared_ptr<const PathIndex> paths_;

  mutable std::mutex packing_mutex_;
  mutable std::atomic<bool> is_packed_{false};
};

}  // namespace fond_ladder::inline v0::detail
