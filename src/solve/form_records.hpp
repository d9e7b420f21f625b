// SPDX-License-Identifier: MIT
#pragma once

// The arrays of a tree as one solver sees them while ranges hold and modes are on. A tree is the same to all solvers;
// one that solves a tree whose nodes have other forms keeps a copy of those arrays that keys are compiled to, with the
// records of the nodes that are in another form put in. The copy is kept in step by the list of news, so that an edit
// costs here what it costs there; a solver of a tree without forms has none.

#include <array>
#include <memory>
#include <unordered_map>
#include <vector>

#include "model/tree_store.hpp"

namespace fond_ladder::inline v0::detail {

class News;
template <class N>
struct StateOf;
using State = StateOf<double>;

/// Marks places of extras and contents that are the solver's own.
inline constexpr Index of_solver = 0x80000000;

/// What a node in another form has, that the arrays do not hold.
struct OwnRecord {
  Extra extra;
  EdgeRoom resolved;
  Measured content;
};

class FormRecords {
 public:
  Records records;
  std::vector<OwnRecord> own;

  /// Whether there are any; the arrays of the tree hold otherwise.
  [[nodiscard]] bool exist() const { return exist_; }
  /// By condition, in the solve before.
  [[nodiscard]] const std::vector<bool>& holding() const { return holding_; }

  /// Puts all nodes in, in the forms that hold.
  void begin(const TreeStore& store, const std::vector<bool>& holding);
  /// Lists the nodes that take another form as edited, and puts in all that are listed.
  void follow(const TreeStore& store, State& state, News& news, const std::vector<bool>& holding);
  void end();

 private:
  void put(const TreeStore& store, Index node);
  OwnRecord& own_record(Index slot);
  void drop_gone(const TreeStore& store);

  bool exist_ = false;
  std::vector<bool> holding_;
  std::uint64_t version_ = 0;                     // of the forms of the tree
  std::unordered_map<Index, Index> own_of_slot_;  // places in `own`
  std::vector<Index> free_own_;
};

}  // namespace fond_ladder::inline v0::detail
