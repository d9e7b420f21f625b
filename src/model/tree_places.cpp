// SPDX-License-Identifier: MIT
//
// Where nodes lie: blocks of siblings with space at both ends, and laying all anew. See the top of tree_store.cpp.
#include "model/tree_store.hpp"

#include <algorithm>
#include <bit>

namespace fond_ladder::inline v0::detail {

void TreeStore::add_places(Index count) {
  const std::size_t size = flat_.size() + count;
  for_each_place_array([&](auto& array) { array.resize(size); });
}

void TreeStore::clear_place(Index node) {
  for_each_array(flat_, [&](auto& array) { array[node] = {}; });
  space_[node] = 0;
  ahead_[node] = {};
}

Block TreeStore::block_of(Index parent) const {
  return {flat_.first_child[parent] - ahead_[parent].places, space_[parent]};
}

void TreeStore::carry(Carried move) {
  if (move.count == 0 || move.from == move.to) return;
  for_each_place_array([&](auto& array) { move.carry_in(array); });
  for (Index node = move.to; node < move.to + move.count; ++node) {
    index_of_slot_[slot_[node]] = node;
    const Index first = flat_.first_child[node], behind = first + flat_.child_count[node];
    for (Index child = first; child < behind; ++child) flat_.parent[child] = node;
  }
  if (kept_moves_.empty()) kept_moves_.resize(most_kept_moves);
  kept_moves_[moves_++ % most_kept_moves] = move;
}

Block TreeStore::take_block(Index space) {
  if (const auto block = free_blocks_.take(space)) return *block;
  const auto first = static_cast<Index>(flat_.size());
  add_places(space);
  return {first, space};
}

/// Children that come one after the other, before anything else does, lie at the end of the arrays and only need
/// another place there; else their block is carried to one twice as large, with the new space where it is wanted.
void TreeStore::grow_block(Index parent, bool in_front) {
  const Block old = block_of(parent);
  const Index count = flat_.child_count[parent];
  if (!in_front && old.space > 0 && old.first + old.space == flat_.size()) {
    add_places(1);
    ++space_[parent];
    return;
  }
  const Block block = take_block(old.space == 0 ? 1 : std::bit_ceil(std::max<Index>(count + 1, 4)));
  const Index ahead = in_front ? block.space - count : 0;
  carry({flat_.first_child[parent], block.first + ahead, count});
  flat_.first_child[parent] = block.first + ahead;
  space_[parent] = block.space;
  ahead_[parent].places = ahead;
  free_blocks_.release(old);
}

/// Where there is space only at the other end of a block, its children move over so that both have half of it.
void TreeStore::share_space(Index parent, bool in_front) {
  const Index children = flat_.child_count[parent], ahead = ahead_[parent].places, free = space_[parent] - children;
  if ((in_front ? ahead : free - ahead) > 0) return;
  const Index first = flat_.first_child[parent] - ahead, new_ahead = in_front ? (free + 1) / 2 : free / 2;
  carry({first + ahead, first + new_ahead, children});
  flat_.first_child[parent] = first + new_ahead;
  ahead_[parent].places = new_ahead;
}

/// Siblings make space towards the nearer end of their block.
Index TreeStore::open_place(Index parent, std::size_t position) {
  const Index children = flat_.child_count[parent], before = static_cast<Index>(position);
  const bool in_front = 2 * position < children;
  if (children == space_[parent]) grow_block(parent, in_front);
  share_space(parent, in_front);
  const Index first = flat_.first_child[parent];
  if (in_front) {
    carry({first, first - 1, before});
    --flat_.first_child[parent];
    --ahead_[parent].places;
  } else {
    carry({first + before, first + before + 1, children - before});
  }
  const Index node = flat_.first_child[parent] + before;
  clear_place(node);
  flat_.parent[node] = parent;
  flat_.child_count[parent] = children + 1;
  most_children_ = std::max<std::size_t>(most_children_, children + 1);
  return node;
}

void TreeStore::close_places(Index parent, Index first, Index count) {
  const Index begin = flat_.first_child[parent], before = first - begin;
  const Index behind = flat_.child_count[parent] - before - count;
  if (before < behind) {
    carry({begin, begin + count, before});
    flat_.first_child[parent] += count;
    ahead_[parent].places += count;
  } else {
    carry({first + count, first, behind});
  }
  flat_.child_count[parent] -= count;
}

void TreeStore::pack_when_due() {
  constexpr std::size_t few = 64;
  const bool has_holes = flat_.size() > 2 * alive_ + few, has_grown = alive_ > 2 * laid_ + few;
  if (has_holes || has_grown) lay_anew();
}

void TreeStore::pack() {
  lay_anew();
  const auto shrink = [](auto& array) { array.shrink_to_fit(); };
  for_each_place_array(shrink);
  shrink(rare_fields_);
  shrink(contents_);
  shrink(index_of_slot_);
  shrink(generation_);
  names_.shrink();
}

void TreeStore::lay_anew() {
  std::vector<Index> order;
  order.reserve(alive_);
  order.push_back(0);
  for (std::size_t i = 0; i < order.size(); ++i) {
    for_each_child(order[i], [&](Index child) { order.push_back(child); });
  }
  laid_ = alive_;
  ++life_->changes;
  if (order.size() == flat_.size() && std::ranges::is_sorted(order)) return;  // each where it belongs, and no holes
  std::vector<Index> place(flat_.size(), no_index);
  for (std::size_t i = 0; i < order.size(); ++i) place[order[i]] = static_cast<Index>(i);

  for_each_place_array([&](auto& array) {
    std::remove_reference_t<decltype(array)> laid;
    laid.reserve(order.size());
    for (const Index from : order) laid.push_back(array[from]);
    array = std::move(laid);
  });
  space_ = flat_.child_count;
  std::ranges::fill(ahead_, Ahead{});
  free_blocks_.clear();
  Index next_child = 1;
  for (Index node = 0; node < order.size(); ++node) {
    index_of_slot_[slot_[node]] = node;
    if (flat_.parent[node] != no_index) flat_.parent[node] = place[flat_.parent[node]];
    flat_.first_child[node] = next_child;
    next_child += flat_.child_count[node];
  }
  ++packing_;
  came_from_ = std::move(order);
  moves_before_packing_ = moves_;
  survey();
}

}  // namespace fond_ladder::inline v0::detail
