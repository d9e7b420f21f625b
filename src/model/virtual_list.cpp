// SPDX-License-Identifier: MIT
//
// The entries lie in a balanced tree in their order: a piece for every one that was measured, one for every run of
// those that were not. Each piece knows how many entries lie in it and below it in the tree, how many of these are
// rough, and what the others measured; so the place of an entry, and the entry at a place, are found on one way down.
// The tree is a treap: ranks are random, and the higher one is above. It is cut and joined; a run that a cut
// goes through becomes two, and runs that become neighbors are merged.
#include "fond_ladder/virtual_list.hpp"

#include <algorithm>
#include <string>
#include <utility>

#include "model/bytes_of.hpp"
#include "model/sound_container.hpp"

namespace fond_ladder::inline v0 {
namespace {

double sound_length(double length, const char* what) {
  if (!is_container_size(length)) throw BadValue(std::string(what) + " must be a number of pixels from 0 to 1e9");
  return length;
}

}  // namespace

VirtualList::VirtualList(Count entries, double expected_height, double gap)
    : expected_(sound_length(expected_height, "the expected height")), gap_(sound_length(gap, "the gap")), pieces_(1) {
  insert(0, entries);
}

VirtualList::Count VirtualList::count() const {
  return pieces_[root_].all;
}

VirtualList::Count VirtualList::measured_count() const {
  return pieces_[root_].all - pieces_[root_].rough;
}

void VirtualList::require(Count first, Count entries) const {
  if (first > count() || entries > count() - first) {
    throw BadValue("a list of " + std::to_string(count()) + " entries has no entries " + std::to_string(first) +
                   " to " + std::to_string(first + entries));
  }
}

const VirtualList::Piece& VirtualList::piece_of(Count entry) const {
  require(entry, 1);
  std::uint32_t at = root_;
  for (;;) {
    const Piece& piece = pieces_[at];
    const Count ahead = pieces_[piece.left].all;
    if (entry < ahead) {
      at = piece.left;
    } else if (entry < ahead + piece.entries) {
      return piece;
    } else {
      entry -= ahead + piece.entries;
      at = piece.right;
    }
  }
}

bool VirtualList::is_measured(Count entry) const {
  return piece_of(entry).measured;
}

double VirtualList::height(Count entry) const {
  const Piece& piece = piece_of(entry);
  return piece.measured ? piece.own : expected_;
}

double VirtualList::place(Count entry) const {
  require(entry, 1);
  double sum = 0;
  Count rough = 0, left = entry;
  std::uint32_t at = root_;
  for (;;) {
    const Piece& piece = pieces_[at];
    const Piece& ahead = pieces_[piece.left];
    if (left < ahead.all) {
      at = piece.left;
      continue;
    }
    left -= ahead.all;
    sum += ahead.sum;
    rough += ahead.rough;
    if (left < piece.entries) return length_of(sum, rough + left, entry);
    left -= piece.entries;
    sum += piece.own;
    rough += piece.measured ? 0 : piece.entries;
    at = piece.right;
  }
}

double VirtualList::total() const {
  if (count() == 0) return 0;
  return length_of(pieces_[root_].sum, pieces_[root_].rough, count()) - gap_;
}

/// An entry reaches from where it begins to where the next one does, its gap included.
VirtualList::Count VirtualList::at(double offset) const {
  if (count() == 0 || !(offset > 0)) return 0;
  Count before = 0;
  std::uint32_t at = root_;
  double sum = 0;
  Count rough = 0;
  for (;;) {
    const Piece& piece = pieces_[at];
    const Piece& ahead = pieces_[piece.left];
    if (piece.left != 0 && offset < length_of(sum + ahead.sum, rough + ahead.rough, before + ahead.all)) {
      at = piece.left;
      continue;
    }
    sum += ahead.sum;
    rough += ahead.rough;
    before += ahead.all;
    const Count own_rough = piece.measured ? 0 : piece.entries;
    const double end = length_of(sum + piece.own, rough + own_rough, before + piece.entries);
    if (offset < end || piece.right == 0) {
      if (piece.measured) return before;
      const double step = expected_ + gap_, into = offset - length_of(sum, rough, before);
      Count place = step > 0 ? static_cast<Count>(std::min(std::max(0.0, into / step), 1.0 * most_entries)) : 0;
      place = std::min(place, piece.entries - 1);
      // Rounding of large products may be off by one.
      const auto begin = [&](Count entry) { return length_of(sum, rough + entry, before + entry); };
      while (place > 0 && begin(place) > offset) --place;
      while (place + 1 < piece.entries && begin(place + 1) <= offset && step > 0) ++place;
      return before + place;
    }
    sum += piece.own;
    rough += own_rough;
    before += piece.entries;
    at = piece.right;
  }
}

VirtualList::View VirtualList::in_view(double offset, double height) const {
  View view;
  if (count() == 0) return view;
  view.first = at(offset);
  view.top = place(view.first);
  const double end = std::max(0.0, offset) + std::max(0.0, height);
  const Count last = at(end);
  view.behind = place(last) < end || last == view.first ? last + 1 : last;
  return view;
}

// --- changes ---------------------------------------------------------------------------------------------------------

VirtualList::Anchor VirtualList::anchor(double offset) const {
  if (count() == 0) return {0, offset};
  const Count entry = at(offset);
  return {entry, offset - place(entry)};
}

double VirtualList::offset_of(const Anchor& anchor) const {
  if (count() == 0) return 0;
  if (anchor.entry >= count()) return total();
  return place(anchor.entry) + anchor.into;
}

double VirtualList::measure(Count entry, double height, double offset) {
  sound_length(height, "a height");
  require(entry, 1);
  Anchor kept = anchor(offset);
  if (kept.entry == entry && kept.into > 0) kept.into = std::min(kept.into, height + gap_);
  auto [ahead, rest] = split(root_, entry);
  auto [one, behind] = split(rest, 1);
  give_back(one);
  root_ = join(join(ahead, new_piece(1, true, height)), behind);
  return offset_of(kept);
}

double VirtualList::forget(Count first, Count entries, double offset) {
  require(first, entries);
  if (entries == 0) return offset;
  const Anchor kept = anchor(offset);
  auto [ahead, rest] = split(root_, first);
  auto [gone, behind] = split(rest, entries);
  give_back(gone);
  root_ = join_runs(join_runs(ahead, new_piece(entries, false, 0)), behind);
  return offset_of(kept);
}

double VirtualList::insert(Count first, Count entries, double offset) {
  require(first, 0);
  if (entries > most_entries || count() > most_entries - entries) {
    throw BadValue("a list has at most 1,000,000,000 entries");
  }
  if (entries == 0) return offset;
  Anchor kept = anchor(offset);
  // At the very top nothing above the view is kept: what comes first is seen.
  if (count() > 0 && kept.entry >= first && offset > 0) kept.entry += entries;
  auto [ahead, behind] = split(root_, first);
  root_ = join_runs(join_runs(ahead, new_piece(entries, false, 0)), behind);
  return offset_of(kept);
}

double VirtualList::remove(Count first, Count entries, double offset) {
  require(first, entries);
  if (entries == 0) return offset;
  Anchor kept = anchor(offset);
  if (kept.entry >= first + entries) {
    kept.entry -= entries;
  } else if (kept.entry >= first) {
    kept = {first, 0};
  }
  auto [ahead, rest] = split(root_, first);
  auto [gone, behind] = split(rest, entries);
  give_back(gone);
  root_ = join_runs(ahead, behind);
  return offset_of(kept);
}

double VirtualList::expect(double height, double offset) {
  sound_length(height, "the expected height");
  const Anchor kept = anchor(offset);
  expected_ = height;
  return offset_of(kept);
}

std::size_t VirtualList::memory() const {
  return detail::bytes_of(pieces_, free_);
}

// --- the tree --------------------------------------------------------------------------------------------------------

std::uint32_t VirtualList::new_piece(Count entries, bool measured, double height) {
  std::uint32_t place = 0;
  if (free_.empty()) {
    place = static_cast<std::uint32_t>(pieces_.size());
    pieces_.emplace_back();
  } else {
    place = free_.back();
    free_.pop_back();
  }
  // Marsaglia's xorshift, 2003.
  dice_ ^= dice_ << 13;
  dice_ ^= dice_ >> 17;
  dice_ ^= dice_ << 5;
  pieces_[place] = {height, 0, entries, 0, 0, 0, 0, dice_, measured};
  update(place);
  return place;
}

/// With all that is below it.
void VirtualList::give_back(std::uint32_t piece) {
  if (piece == 0) return;
  const std::size_t begin = free_.size();
  free_.push_back(piece);
  for (std::size_t i = begin; i < free_.size(); ++i) {
    const Piece gone = pieces_[free_[i]];
    for (const std::uint32_t below : {gone.left, gone.right}) {
      if (below != 0) free_.push_back(below);
    }
  }
}

void VirtualList::update(std::uint32_t place) {
  Piece& piece = pieces_[place];
  const Piece &left = pieces_[piece.left], &right = pieces_[piece.right];
  piece.sum = left.sum + piece.own + right.sum;
  piece.all = left.all + piece.entries + right.all;
  piece.rough = left.rough + (piece.measured ? 0 : piece.entries) + right.rough;
}

/// One way down, and up again along it: trees are about twice as deep as a balanced one, and never deep enough for the
/// stack.
std::pair<std::uint32_t, std::uint32_t> VirtualList::split(std::uint32_t tree, Count entries) {
  if (tree == 0) return {0, 0};
  const Count ahead = pieces_[pieces_[tree].left].all;
  if (entries <= ahead) {
    const auto [first, second] = split(pieces_[tree].left, entries);
    pieces_[tree].left = second;
    update(tree);
    return {first, tree};
  }
  if (entries >= ahead + pieces_[tree].entries) {
    const auto [first, second] = split(pieces_[tree].right, entries - ahead - pieces_[tree].entries);
    pieces_[tree].right = first;
    update(tree);
    return {tree, second};
  }
  // Through a run.
  const Count here = entries - ahead, rest = pieces_[tree].entries - here;
  const std::uint32_t right = pieces_[tree].right;
  pieces_[tree].entries = here;
  pieces_[tree].right = 0;
  update(tree);
  return {tree, join(new_piece(rest, false, 0), right)};
}

std::uint32_t VirtualList::join(std::uint32_t first, std::uint32_t second) {
  if (first == 0) return second;
  if (second == 0) return first;
  if (pieces_[first].rank > pieces_[second].rank) {
    pieces_[first].right = join(pieces_[first].right, second);
    update(first);
    return first;
  }
  pieces_[second].left = join(first, pieces_[second].left);
  update(second);
  return second;
}

/// Takes a run off the end, or the beginning, of a tree, if there is one. Returns the rest.
std::uint32_t VirtualList::take_end(std::uint32_t tree, bool last, Count& entries) {
  entries = 0;
  if (tree == 0) return 0;
  std::uint32_t at = tree;
  while ((last ? pieces_[at].right : pieces_[at].left) != 0) at = last ? pieces_[at].right : pieces_[at].left;
  if (pieces_[at].measured) return tree;
  entries = pieces_[at].entries;
  const auto [first, second] = split(tree, last ? pieces_[tree].all - entries : entries);
  give_back(last ? second : first);
  return last ? first : second;
}

std::uint32_t VirtualList::join_runs(std::uint32_t first, std::uint32_t second) {
  Count end = 0, begin = 0;
  first = take_end(first, true, end);
  second = take_end(second, false, begin);
  if (end + begin > 0) first = join(first, new_piece(end + begin, false, 0));
  return join(first, second);
}

}  // namespace fond_ladder::inline v0
