// SPDX-License-Identifier: MIT
#pragma once

// Breaking a text into lines, however its pieces were measured. A piece has `units` of width, `space_units` of the
// spaces after it, and knows whether it ends a paragraph; a piece after which a line may end in a hyphen has
// `hyphen_units`. All are whole numbers of one unit, so that sums are exact.
//
// Lines are filled greedily: a piece goes to the next line when the line with it would be too wide. A line ends after
// the last break opportunity that fits, its hyphen included; if there is none, after its first piece.

#include <algorithm>
#include <limits>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0::text_lines {

/// What a line that ends behind a piece shows more.
template <class Piece>
[[nodiscard]] std::uint32_t hyphen_of(const Piece& piece) {
  if constexpr (requires { piece.hyphen_units; }) {
    return piece.hyphen_units;
  } else {
    return 0;
  }
}

/// The least that a line from `first` on is when it ends behind `end` or later: behind a piece that has a hyphen it may
/// be wider than behind the next one.
template <class Piece>
[[nodiscard]] std::uint32_t least_with_more(const std::vector<Piece>& pieces, std::size_t first, std::size_t end) {
  std::uint32_t sum = 0, spaces = 0, least = std::numeric_limits<std::uint32_t>::max();
  for (std::size_t i = first; i < pieces.size(); ++i) {
    if (pieces[i].units > 0) sum += spaces + pieces[i].units;
    spaces = pieces[i].units > 0 ? pieces[i].space_units : spaces + pieces[i].space_units;
    if (i < end) continue;
    least = std::min(least, sum + hyphen_of(pieces[i]));
    if (hyphen_of(pieces[i]) == 0 || sum >= least) break;
  }
  return least;
}

/// Calls `take(first, last, units)` for each line, with the pieces [first, last) on it; and before that, of each line
/// that could hold more in a larger width, `refuse(units)` with the least that it would be then.
template <class Piece, class Take, class Refuse>
void break_lines(const std::vector<Piece>& pieces, double unit, double width, Take take, Refuse refuse) {
  const double most = width + limits::line_tolerance * std::max(1.0, width);
  const auto fits = [&](std::uint32_t units) { return units * unit <= most; };
  std::size_t first = 0, end = 0;  // the line may end before `end`
  std::uint32_t units = 0, spaces = 0, units_at_end = 0;
  const auto begin_line = [&](std::size_t at) {
    first = end = at;
    units = spaces = 0;
  };
  for (std::size_t i = 0; i < pieces.size(); ++i) {
    const Piece& piece = pieces[i];
    if (i > first && piece.units > 0 && !fits(units + spaces + piece.units)) {
      if (end == first) {  // nothing fits: the first piece stays alone
        end = first + 1;
        while (end < i && pieces[end].units == 0) ++end;  // spaces go with it
        units_at_end = pieces[first].units + hyphen_of(pieces[end - 1]);
      }
      std::uint32_t least = units + spaces + piece.units;
      if (end < i || hyphen_of(piece) > 0) least = least_with_more(pieces, first, end);
      refuse(least);
      take(first, end, units_at_end);
      begin_line(end);
      i = end - 1;
      continue;
    }
    if (piece.units > 0) units += spaces + piece.units;
    spaces = piece.units > 0 ? piece.space_units : spaces + piece.space_units;
    if (hyphen_of(piece) == 0 || fits(units + hyphen_of(piece))) {  // without one it fits, or is the first
      end = i + 1;
      units_at_end = units + hyphen_of(piece);
    }
    if (piece.ends_paragraph) {
      take(first, i + 1, units);
      begin_line(i + 1);
    }
  }
  if (first < pieces.size()) take(first, pieces.size(), units);
}

/// The lines of a text at a width.
template <class Piece>
[[nodiscard]] std::vector<BreakableText::Line> lines_at(const std::string& text, const std::vector<Piece>& pieces,
                                                        double unit, double width) {
  std::vector<BreakableText::Line> lines;
  break_lines(
      pieces, unit, width,
      [&](std::size_t first, std::size_t last, std::uint32_t units) {
        std::uint32_t end = pieces[first].begin;
        for (std::size_t i = first; i < last; ++i) end = std::max(end, pieces[i].end);
        const std::uint32_t begin = pieces[first].begin;
        lines.push_back(
            {std::string_view(text).substr(begin, end - begin), units * unit, hyphen_of(pieces[last - 1]) > 0});
      },
      [](std::uint32_t) {});
  return lines;
}

/// How many lines there are at a width.
template <class Piece>
[[nodiscard]] std::size_t count_at(const std::vector<Piece>& pieces, double unit, double width) {
  std::size_t lines = 0;
  break_lines(
      pieces, unit, width, [&](std::size_t, std::size_t, std::uint32_t) { ++lines; }, [](std::uint32_t) {});
  return lines;
}

/// Widths at which a text breaks into the same lines as at this one.
template <class Piece>
[[nodiscard]] CustomContent::StableWidths constant_interval(const std::vector<Piece>& pieces, double unit,
                                                            double width) {
  // A line of so many units fits from this width on.
  const auto fits_from = [&](std::uint32_t units) {
    const double long_by = units * unit;
    return long_by > 1 ? long_by / (1 + limits::line_tolerance) : long_by - limits::line_tolerance;
  };
  std::uint32_t longest = 0, next = std::numeric_limits<std::uint32_t>::max();
  break_lines(
      pieces, unit, width,
      [&](std::size_t first, std::size_t last, std::uint32_t units) {
        // A piece alone, with what has no width behind it, stays a line however narrow it is.
        std::size_t i = first + 1;
        while (i < last && pieces[i].units == 0) ++i;
        if (i < last) longest = std::max(longest, units);
      },
      [&](std::uint32_t units) { next = std::min(next, units); });
  const double endless = std::numeric_limits<double>::infinity();
  return {longest == 0 ? 0 : fits_from(longest),
          next == std::numeric_limits<std::uint32_t>::max() ? endless : fits_from(next)};
}

}  // namespace fond_ladder::inline v0::text_lines
