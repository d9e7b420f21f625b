// SPDX-License-Identifier: MIT
#pragma once

// What is new in a tree since a solver saw it last: the nodes that were edited, and all nodes above them. The passes go
// along this list (dirty_passes.cpp) and note in it what follows from what.

#include <array>
#include <cstdint>
#include <vector>

#include "model/tree_store.hpp"
#include "solve/state/state.hpp"

namespace fond_ladder::inline v0::detail {

/// How far a solver knows the edits of its tree: by the number that `publish` gave, and by their count.
struct EditsSeen {
  std::uint32_t version = 0;
  std::uint64_t count = 0;
};

struct DirtyNode {
  Index node = no_index;
  Index above = no_index;            ///< the item of its parent; none for the root
  std::array<double, 2> old_size{};  ///< before this solve

  // What edits did.
  bool own = false;       ///< its keys or its content are others, or it came here
  bool parted = false;    ///< something left its flow
  bool arrived = false;   ///< it came here, or came with what came here
  bool had_place = true;  ///< before this solve, as far as changes are followed

  // What the passes found.
  bool widths = false;              ///< its widths by content are others
  bool heights = false;             ///< its heights by content, or its baseline, are others
  bool child_widths = false;        ///< something in its flow is new, or has other widths by content
  bool child_heights = false;       ///< the same of heights
  bool reached = false;             ///< it has a place: nothing above it is hidden, or a leaf
  bool renewed = false;             ///< inside a node whose node ranges changed: everything in it is dirty
  std::array<bool, 2> laid_anew{};  ///< all its children were, on an axis
};

/// Parents first. The memory is kept between solves.
class DirtyNodes {
 public:
  /// Lists what was edited since the solve that saw `seen`, and marks it with NodeFlag::in_dirty.
  void gather(const TreeStore& store, State& state, EditsSeen seen);
  /// Takes the marks away again.
  void close(const TreeStore& store, State& state);

  /// Lists a node, and those above it, if they are not yet.
  DirtyNode& add(const TreeStore& store, State& state, Index node);
  /// Lists a node that is another one for this solver, and may have left or joined a flow by that.
  void add_other_form(const TreeStore& store, State& state, Index node);
  [[nodiscard]] std::vector<DirtyNode>& items() { return items_; }
  [[nodiscard]] std::size_t memory() const {
    return items_.capacity() * sizeof(DirtyNode) + way_.capacity() * sizeof(Index);
  }

 private:
  void scan(const TreeStore& store, State& state, std::uint32_t seen_version);
  void add_arrived(const TreeStore& store, State& state, Index item, std::uint32_t seen_version);
  void push(const TreeStore& store, State& state, Index node, Index above);

  std::vector<DirtyNode> items_;
  std::vector<Index> way_;
};

}  // namespace fond_ladder::inline v0::detail
