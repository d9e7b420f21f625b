// SPDX-License-Identifier: MIT
//
// Placing children in cells. Those with a cell or an area are placed there, whatever the others; the rest go one after
// another into free cells, in the direction of the flow. The cursor of a sparse grid only ever moves on; a dense grid
// looks for holes from the start, with a cursor for each size of child: where one of a size did not fit, a later one of
// that size will not fit either, so each cursor also moves on only, and no cell is asked about twice by one size.
//
// "Major" is the axis along which lines are added (rows, if the flow is by rows), "minor" the one whose number of
// tracks is settled before anything is placed. If no child sets a cell, all this is a division.
//
// Source: CSS Grid Layout 2, section 8.5. Tests: grid_test.cpp.
#include "solve/kinds/cells.hpp"

#include "solve/numbers/traced_number.hpp"

#include <algorithm>

namespace fond_ladder::inline v0::detail {
namespace {

/// The cells that a child asks for; spans of `all` already counted out.
struct Preferred {
  bool definite = false;
  std::uint32_t column = 0, row = 0, columns = 1, rows = 1;
};

std::uint32_t spanned(int count, std::uint32_t from, std::uint32_t explicit_count) {
  if (count != CellSpan::all) return static_cast<std::uint32_t>(count);
  return from < explicit_count ? explicit_count - from : 1;
}

template <class N>
Preferred preferred_of(const ViewOf<N>& view, Index child, const AreaMap& areas, CellCounts written) {
  const Keys& keys = view.keys(child);
  if (!keys.area.empty()) {
    if (const Area* area = areas.find(keys.area)) return {true, area->column, area->row, area->columns, area->rows};
  }
  Preferred preferred;
  if (keys.cell) {
    preferred.definite = true;
    preferred.column = static_cast<std::uint32_t>(keys.cell->column);
    preferred.row = static_cast<std::uint32_t>(keys.cell->row);
  }
  preferred.columns = spanned(keys.span.columns, preferred.column, written.columns);
  preferred.rows = spanned(keys.span.rows, preferred.row, written.rows);
  return preferred;
}

/// Cells by major and minor track, whichever of them are rows.
struct BreakpointQuery {
  bool by_rows;
  [[nodiscard]] std::uint32_t& major(CellCounts& counts) const { return by_rows ? counts.rows : counts.columns; }
  [[nodiscard]] std::uint32_t& minor(CellCounts& counts) const { return by_rows ? counts.columns : counts.rows; }
  [[nodiscard]] CellRange range(std::uint32_t major_at, std::uint32_t minor_at, std::uint32_t majors,
                                std::uint32_t minors) const {
    const auto fit = [](std::uint32_t value) { return static_cast<std::uint16_t>(value); };
    if (by_rows) return {fit(minor_at), fit(major_at), fit(minors), fit(majors)};
    return {fit(major_at), fit(minor_at), fit(majors), fit(minors)};
  }
};

/// Which cells are taken: lines of bits, added as they are reached.
class Taken {
 public:
  Taken(std::vector<std::uint64_t>& bits, std::uint32_t minors) : bits_(bits), words_((minors + 63) / 64) {
    bits_.clear();
  }
  void take(std::uint32_t major, std::uint32_t minor, std::uint32_t majors, std::uint32_t minors) {
    reach(major + majors);
    for (std::uint32_t line = major; line < major + majors; ++line) {
      for (std::uint32_t i = minor; i < minor + minors; ++i) bits_[line * words_ + i / 64] |= 1ULL << i % 64;
    }
  }
  void take_one(std::uint32_t major, std::uint32_t minor) {
    reach(major + 1);
    bits_[major * words_ + minor / 64] |= 1ULL << minor % 64;
  }
  [[nodiscard]] bool is_taken(std::uint32_t major, std::uint32_t minor) const {
    const std::size_t word = major * words_ + minor / 64;
    return word < bits_.size() && (bits_[word] >> minor % 64 & 1) != 0;
  }
  /// The last minor track of the range in which something is taken; or none.
  [[nodiscard]] std::optional<std::uint32_t> last_taken(std::uint32_t major, std::uint32_t minor, std::uint32_t majors,
                                                        std::uint32_t minors) const {
    if (major * words_ >= bits_.size()) return {};
    for (std::uint32_t i = minor + minors; i > minor; --i) {
      for (std::uint32_t line = major; line < major + majors; ++line) {
        if (line * words_ >= bits_.size()) break;
        if ((bits_[line * words_ + (i - 1) / 64] >> (i - 1) % 64 & 1) != 0) return i - 1;
      }
    }
    return {};
  }

 private:
  void reach(std::uint32_t lines) {
    if (bits_.size() < lines * words_) bits_.resize(lines * words_);
  }

  std::vector<std::uint64_t>& bits_;
  std::size_t words_;
};

template <class N>
class Placer {
 public:
  Placer(const ViewOf<N>& view, const InFlow& flow, const Keys& keys, CellCounts written, CellScratch& scratch)
      : view_(view),
        flow_(flow),
        dense_(keys.dense),
        turned_{keys.flow == Flow::rows},
        written_(written),
        counts_(written),
        scratch_(scratch) {}

  CellCounts place() {
    scratch_.cells.assign(flow_.size(), {});
    scratch_.cursors.clear();
    const Sorts sorts = place_definite();
    turned_.minor(counts_) = std::max(turned_.minor(counts_), 1U);
    if (!sorts.free) return counts_;
    Taken taken(scratch_.taken, turned_.minor(counts_));
    for (Index i = 0; sorts.definite && i < flow_.size(); ++i) {
      if (!has_cell(i) || !preferred(i).definite) continue;
      const CellRange& range = scratch_.cells[i];
      const Axis major = turned_.by_rows ? y_axis : x_axis, minor = turned_.by_rows ? x_axis : y_axis;
      taken.take(range.first(major), range.first(minor), range.count(major), range.count(minor));
    }
    for (Index i = 0; i < flow_.size(); ++i) {
      if (!has_cell(i)) {
        place_single(i, taken);
      } else if (const Preferred own = preferred(i); !own.definite) {
        place_free(i, own, taken);
      }
    }
    return counts_;
  }

 private:
  [[nodiscard]] bool has_cell(Index i) const { return view_.traits(flow_[i]).celled; }
  [[nodiscard]] Preferred preferred(Index i) const {
    return has_cell(i) ? preferred_of(view_, flow_[i], scratch_.areas, written_) : Preferred{};
  }

  /// Which sorts of children there are.
  struct Sorts {
    bool free = false, definite = false;
  };

  /// Also settles the number of minor tracks.
  Sorts place_definite() {
    Sorts sorts;
    for (Index i = 0; i < flow_.size(); ++i) {
      if (!has_cell(i)) {
        sorts.free = true;
        continue;
      }
      Preferred own = preferred(i);
      if (!own.definite) {
        sorts.free = true;
        std::uint32_t& minor = turned_.minor(counts_);
        minor = std::max(minor, std::min(limits::most_tracks, turned_.by_rows ? own.columns : own.rows));
        continue;
      }
      sorts.definite = true;
      hold(own.column, own.columns);
      hold(own.row, own.rows);
      counts_.columns = std::max(counts_.columns, own.column + own.columns);
      counts_.rows = std::max(counts_.rows, own.row + own.rows);
      const auto fit = [](std::uint32_t value) { return static_cast<std::uint16_t>(value); };
      scratch_.cells[i] = {fit(own.column), fit(own.row), fit(own.columns), fit(own.rows)};
    }
    return sorts;
  }

  /// Keeps a stretch of tracks below the limit.
  void hold(std::uint32_t& at, std::uint32_t& count) {
    if (at + count <= limits::most_tracks) return;
    counts_.overflows = true;
    at = std::min(at, limits::most_tracks - 1);
    count = std::min(count, limits::most_tracks - at);
  }

  CellScratch::Cursor& cursor_for(std::uint32_t majors, std::uint32_t minors) {
    const std::uint32_t columns = dense_ ? minors : 0, rows = dense_ ? majors : 0;
    for (CellScratch::Cursor& cursor : scratch_.cursors) {
      if (cursor.columns == columns && cursor.rows == rows) return cursor;
    }
    scratch_.cursors.push_back({columns, rows, 0, 0});
    return scratch_.cursors.back();
  }

  /// The same for a child of one cell, as most are.
  void place_single(Index i, Taken& taken) {
    const std::uint32_t width = turned_.minor(counts_);
    CellScratch::Cursor& cursor = cursor_for(1, 1);
    while (cursor.major < limits::most_tracks &&
           (cursor.minor >= width || taken.is_taken(cursor.major, cursor.minor))) {
      const bool next_line = ++cursor.minor >= width;
      cursor.major += next_line ? 1 : 0;
      cursor.minor = next_line ? 0 : cursor.minor;
    }
    counts_.overflows |= cursor.major >= limits::most_tracks;
    const std::uint32_t major = std::min(cursor.major, limits::most_tracks - 1);
    taken.take_one(major, cursor.minor);
    scratch_.cells[i] = turned_.range(major, cursor.minor, 1, 1);
    turned_.major(counts_) = std::max(turned_.major(counts_), major + 1);
    if (cursor.major < limits::most_tracks) ++cursor.minor;  // that one is taken now
  }

  void place_free(Index i, const Preferred& own, Taken& taken) {
    std::uint32_t majors = std::min(limits::most_tracks, turned_.by_rows ? own.rows : own.columns);
    const std::uint32_t minors = std::min(limits::most_tracks, turned_.by_rows ? own.columns : own.rows);
    const std::uint32_t width = turned_.minor(counts_);
    CellScratch::Cursor& cursor = cursor_for(majors, minors);
    while (cursor.major < limits::most_tracks) {
      if (cursor.minor + minors > width) {
        ++cursor.major;
        cursor.minor = 0;
        continue;
      }
      const auto blocked = taken.last_taken(cursor.major, cursor.minor, majors, minors);
      if (!blocked) break;
      cursor.minor = *blocked + 1;
    }
    std::uint32_t major = cursor.major;
    const std::uint32_t minor = cursor.major < limits::most_tracks ? cursor.minor : 0;
    hold(major, majors);
    taken.take(major, minor, majors, minors);
    scratch_.cells[i] = turned_.range(major, minor, majors, minors);
    turned_.major(counts_) = std::max(turned_.major(counts_), major + majors);
  }

  const ViewOf<N>& view_;
  const InFlow& flow_;
  bool dense_;
  BreakpointQuery turned_;
  CellCounts written_, counts_;
  CellScratch& scratch_;
};

/// No child sets a cell: one after another.
CellCounts place_in_order(const InFlow& flow, bool by_rows, CellCounts written, std::vector<CellRange>& cells) {
  const BreakpointQuery turned{by_rows};
  CellCounts counts = written;
  std::uint32_t& minor = turned.minor(counts);
  std::uint32_t& major = turned.major(counts);
  minor = std::max(minor, 1U);
  cells.resize(flow.size());
  std::uint32_t line = 0, place = 0;
  for (CellRange& range : cells) {
    range = turned.range(line, place, 1, 1);
    if (++place < minor) continue;
    place = 0;
    if (line + 1 < limits::most_tracks) ++line;
  }
  const std::uint32_t lines = (flow.size() + minor - 1) / minor;
  counts.overflows = lines > limits::most_tracks;
  major = std::max(major, std::min(lines, limits::most_tracks));
  return counts;
}

}  // namespace

template <class N>
CellCounts place_in_cells(const ViewOf<N>& view, Index grid, const InFlow& flow, std::uint32_t columns,
                          std::uint32_t rows, CellScratch& scratch) {
  static const Keys plain;
  const Keys& keys = view.rare_fields(grid).keys ? view.keys(grid) : plain;
  CellCounts written{columns, rows};
  if (!keys.areas.empty()) {
    scratch.areas.read(keys.areas);
    written.columns = std::max(written.columns, std::min(limits::most_tracks, scratch.areas.columns()));
    written.rows = std::max(written.rows, std::min(limits::most_tracks, scratch.areas.rows()));
  }
  if (flow.size() == 0) return written;  // no implicit tracks are needed
  if (!view.traits(grid).odd_cells) {
    return place_in_order(flow, keys.flow == Flow::rows, written, scratch.cells);
  }
  if (keys.areas.empty()) scratch.areas.read({});
  return Placer(view, flow, keys, written, scratch).place();
}

template CellCounts place_in_cells(const ViewOf<double>&, Index, const InFlow&, std::uint32_t, std::uint32_t,
                                   CellScratch&);
template CellCounts place_in_cells(const ViewOf<TracedNumber>&, Index, const InFlow&, std::uint32_t, std::uint32_t,
                                   CellScratch&);

}  // namespace fond_ladder::inline v0::detail
