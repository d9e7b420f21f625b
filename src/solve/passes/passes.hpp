// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "model/life.hpp"
#include "model/tree_store.hpp"
#include "solve/passes/deep_places.hpp"
#include "solve/state/dirty_nodes.hpp"
#include "solve/state/state.hpp"

namespace fond_ladder::inline v0::detail {

/// What the passes of one solver have in common.
struct Passes {
  Passes() = default;
  Passes(const Passes&) = delete;
  Passes& operator=(const Passes&) = delete;
  ~Passes() { life->changes = Life::ended; }

  std::shared_ptr<Life> life = std::make_shared<Life>();  ///< changes with every solve

  State state;
  Scratch scratch;
  DirtyNodes dirty_nodes;
  ChangeLog changes;
  std::uint64_t tree = 0;                ///< identity of the tree seen last; 0 for none
  std::uint32_t packing = 0;             ///< of that tree
  std::uint64_t moves = 0;               ///< of that tree, that the state has followed
  EditsSeen seen;                        ///< the last edits that are in the state
  std::vector<std::string> modes;        ///< that are on
  std::vector<bool> holding;             ///< the ranges and modes of the tree that held, in their order
  bool starts_anew = false;              ///< nothing of the state may be used
  bool container_changed = false;        ///< the container asked for was no size
  std::array<std::size_t, 4> visited{};  ///< nodes, by pass, in the last solve
  mutable DeepPlaces deep_places;        ///< of the last solve, once somebody asks
};

/// Arranges the tree in a container of `width` x `height` pixels, each 0 or more; an absent one is by content. What the
/// state holds from the solve before is kept wherever nothing has changed.
void run_passes(Passes& passes, const TreeStore& store, std::optional<double> width, std::optional<double> height);

/// What a solver found of a tree, for a copy of that tree. To be read, not to be solved on with.
void copy_results(const Passes& from, const TreeStore& tree, const TreeStore& copy, Passes& into);

}  // namespace fond_ladder::inline v0::detail
