// SPDX-License-Identifier: MIT
#pragma once

// Which entries of a very long list are in view, without a node per entry. Needs no tree and no solver.

#include <cstddef>
#include <cstdint>
#include <utility>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A long list of entries one below another, of which only those are ever looked at that come into view: which entries
/// lie at an offset, where an entry begins, how long all of it is. Heights are known of entries that were measured;
/// every other one counts what is expected, so that offsets far away are estimates until somebody goes there.
///
///     VirtualList roll(1'000'000'000, 24);
///     const VirtualList::View view = roll.in_view(offset, 600);
///     for (auto entry = view.first; entry < view.behind; ++entry) {
///       offset = roll.measure(entry, height_of(entry), offset);  // an estimate above the view may have been wrong
///     }
///
/// Offsets, heights and gaps are pixels from the top of the first entry down. Every change takes the offset of the view
/// and returns the one that keeps what is seen where it was: the entry at the upper edge of the view stays there; where
/// it goes, the next one takes its place.
///
/// Questions and changes cost O(log m) for m measured entries, memory is about 56 bytes for each of them and each run
/// between, however many entries there are. A value; lives on one thread at a time.
class VirtualList {
 public:
  using Count = std::uint64_t;
  /// The largest number of entries.
  static constexpr Count most_entries = 1'000'000'000;

  /// Throws BadValue for more than 10^9 entries, and for lengths that are no numbers from 0 to 1e9.
  explicit VirtualList(Count entries = 0, double expected_height = 24, double gap = 0);

  /// How many entries there are.
  [[nodiscard]] Count count() const;
  /// How many of them are measured.
  [[nodiscard]] Count measured_count() const;
  /// What an entry counts that was not measured.
  [[nodiscard]] double expected_height() const { return expected_; }
  /// Pixels between neighbors.
  [[nodiscard]] double gap() const { return gap_; }

  // --- questions; an entry that is not there throws std::out_of_range ----------------------------------------------

  /// Whether the height of an entry was measured.
  [[nodiscard]] bool is_measured(Count entry) const;
  /// Pixels, measured or expected.
  [[nodiscard]] double height(Count entry) const;
  /// Where an entry begins.
  [[nodiscard]] double place(Count entry) const;
  /// The end of the last entry; 0 for no entries.
  [[nodiscard]] double total() const;
  /// Whether any entry counts what is expected, so that the total is an estimate.
  [[nodiscard]] bool is_estimate() const { return measured_count() < count(); }
  /// The entry at an offset: the last one that begins there or above, held to those that there are; 0 for no entries.
  [[nodiscard]] Count at(double offset) const;
  /// The entries from the one at `offset` on that begin above its end.
  struct View {
    Count first = 0, behind = 0;
    double top = 0;  ///< where the first of them begins
  };
  /// The entries of which a view of that height shows a part. Logarithmic.
  [[nodiscard]] View in_view(double offset, double height) const;

  // --- changes -----------------------------------------------------------------------------------------------------

  /// An entry measured so high. Returns the offset that keeps what is seen.
  double measure(Count entry, double height, double offset = 0);
  /// Forgets what some entries measured: their content is another one.
  double forget(Count first, Count entries, double offset = 0);
  /// Entries come ahead of `first` (at most count()).
  double insert(Count first, Count entries, double offset = 0);
  double remove(Count first, Count entries, double offset = 0);
  /// Every entry that was not measured counts otherwise.
  double expect(double height, double offset = 0);

  /// Bytes that it keeps.
  [[nodiscard]] std::size_t memory() const;

 private:
  /// A measured entry, or a run of entries that are not: a node of a tree in the order of the list.
  struct Piece {
    double own = 0, sum = 0;   // heights of measured entries: its own, and with all below it in the tree
    Count entries = 0;         // its own
    Count all = 0, rough = 0;  // with all below it: entries, and those of them that are not measured
    std::uint32_t left = 0, right = 0;
    std::uint32_t rank = 0;  // those above it have a higher one
    bool measured = false;
  };
  /// What is above an offset that is kept: an entry, and how far into it.
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
  /// The first `entries` of a tree, and the rest; a run that lies across is cut.
  std::pair<std::uint32_t, std::uint32_t> split(std::uint32_t tree, Count entries);
  std::uint32_t join(std::uint32_t first, std::uint32_t second);
  /// Joins two trees whose ends may be runs that belong together.
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
