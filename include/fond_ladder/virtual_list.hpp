// SPDX-License-Identifier: MIT
#pragma once

// Finds the entries of a very long list that are in view, without a node per entry. Needs no tree and no solver.

#include <cstddef>
#include <cstdint>
#include <utility>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A long list of entries one below another, of which only those in view are ever measured: which entries are at an
/// offset, where an entry begins, how long the list is. Entries that were measured have known heights. All others
/// count an expected height, so offsets far away are estimates until they come into view.
///
///     VirtualList roll(1'000'000'000, 24);
///     const VirtualList::View view = roll.in_view(offset, 600);
///     for (auto entry = view.first; entry < view.behind; ++entry) {
///       offset = roll.measure(entry, height_of(entry), offset);  // an estimate above the view may have been wrong
///     }
///
/// Offsets, heights and gaps are pixels, down from the top of the first entry. Every change takes the offset of the
/// view and returns the offset that keeps the visible entries in place: the entry at the upper edge of the view stays
/// there, or the next one if it is removed.
///
/// Questions and changes cost O(log m) for m measured entries. Memory is about 56 bytes per measured entry and per
/// run of entries between them, independent of the number of entries. A value; use it on one thread at a time.
class VirtualList {
 public:
  using Count = std::uint64_t;
  /// The largest number of entries.
  static constexpr Count most_entries = 1'000'000'000;

  /// Throws BadValue for more than 10^9 entries, and for lengths that are not from 0 to 1e9.
  explicit VirtualList(Count entries = 0, double expected_height = 24, double gap = 0);

  /// The number of entries.
  [[nodiscard]] Count count() const;
  /// The number of measured entries.
  [[nodiscard]] Count measured_count() const;
  /// The height that an entry counts before it is measured, in pixels.
  [[nodiscard]] double expected_height() const { return expected_; }
  /// The gap between two entries, in pixels.
  [[nodiscard]] double gap() const { return gap_; }

  // --- questions; an entry that is not there throws BadValue ----------------------------------------------

  /// Whether the height of an entry was measured.
  [[nodiscard]] bool is_measured(Count entry) const;
  /// The height of an entry in pixels, measured or expected.
  [[nodiscard]] double height(Count entry) const;
  /// The top of an entry, in pixels from the top of the first one.
  [[nodiscard]] double place(Count entry) const;
  /// The length of the list in pixels: the end of the last entry; 0 without entries.
  [[nodiscard]] double total() const;
  /// Whether the length is an estimate: some entry was not measured.
  [[nodiscard]] bool is_estimate() const { return measured_count() < count(); }
  /// The entry at an offset: the last one that begins there or above, at most the last of the list; 0 without
  /// entries.
  [[nodiscard]] Count at(double offset) const;
  /// A run of entries in view.
  struct View {
    Count first = 0, behind = 0;
    double top = 0;  ///< top of the first of them, in pixels
  };
  /// The entries that are at least partly in a view of this height at this offset.
  [[nodiscard]] View in_view(double offset, double height) const;

  // --- changes -----------------------------------------------------------------------------------------------------

  /// Sets the measured height of an entry, in pixels. Returns the new offset of the view.
  double measure(Count entry, double height, double offset = 0);
  /// Drops the measured heights of some entries, whose content changed. Returns the new offset of the view.
  double forget(Count first, Count entries, double offset = 0);
  /// Inserts entries before `first` (at most count()). Returns the new offset of the view.
  double insert(Count first, Count entries, double offset = 0);
  double remove(Count first, Count entries, double offset = 0);
  /// Changes the expected height of all entries that were not measured. Returns the new offset of the view.
  double expect(double height, double offset = 0);

  /// Bytes that the list uses.
  [[nodiscard]] std::size_t memory() const;

 private:
  /// A measured entry, or a run of entries that are not measured: a node of a balanced tree in the order of the list.
  struct Piece {
    double own = 0, sum = 0;   // heights of measured entries: its own, and with all below it in the tree
    Count entries = 0;         // its own
    Count all = 0, rough = 0;  // with all below it: entries, and those of them that are not measured
    std::uint32_t left = 0, right = 0;
    std::uint32_t rank = 0;  // those above it have a higher one
    bool measured = false;
  };
  /// The entry at an offset of the view, and the pixels of it above that offset.
  struct Anchor {
    Count entry = 0;
    double into = 0;
  };

  [[nodiscard]] double length_of(double sum, Count rough, Count all) const {
    return sum + static_cast<double>(rough) * expected_ + static_cast<double>(all) * gap_;
  }
  void require(Count first, Count entries) const;
  [[nodiscard]] Anchor anchor(double offset) const;
  [[nodiscard]] double offset_of(const Anchor& anchor) const;
  [[nodiscard]] const Piece& piece_of(Count entry) const;
  std::uint32_t new_piece(Count entries, bool measured, double height);
  void give_back(std::uint32_t piece);
  void update(std::uint32_t piece);
  /// Splits a tree after its first `entries`; a run across that place is cut.
  std::pair<std::uint32_t, std::uint32_t> split(std::uint32_t tree, Count entries);
  std::uint32_t join(std::uint32_t first, std::uint32_t second);
  /// Joins two trees, and two runs at their ends that belong together.
  std::uint32_t join_runs(std::uint32_t first, std::uint32_t second);
  std::uint32_t take_end(std::uint32_t tree, bool last, Count& entries);

  double expected_, gap_;
  std::vector<Piece> pieces_;  // 0 is none
  std::vector<std::uint32_t> free_;
  std::uint32_t root_ = 0;
  std::uint32_t dice_ = 0x9E3779B9;
};

}  // namespace v0
}  // namespace fond_ladder
