// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <limits>
#include <optional>
#include <string>

#include "fond_ladder/edges.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/words.hpp"

namespace fond_ladder {

/// Room between neighbours: `x` between columns, `y` between rows or lines.
struct Gap {
  Length x, y;
  Gap() = default;
  Gap(Length both) : x(both), y(both) {}   // NOLINT(google-explicit-constructor)
  Gap(double both) : Gap(Length(both)) {}  // NOLINT(google-explicit-constructor)
  Gap(Length gap_x, Length gap_y) : x(gap_x), y(gap_y) {}
  friend bool operator==(const Gap&, const Gap&) = default;
};

/// Place among the siblings: any integer; ties keep the order of the file.
struct Order {
  static constexpr int first = std::numeric_limits<int>::min();
  static constexpr int last = std::numeric_limits<int>::max();
  int rank = 0;
  friend bool operator==(const Order&, const Order&) = default;
};

/// Where all children of a stack lie, on both axes.
struct Align {
  Across x = Across::start, y = Across::start;
  friend bool operator==(const Align&, const Align&) = default;
};

/// Where one child lies, overriding its parent: `across` in a row or column, `x` and `y` in a stack.
struct Self {
  std::optional<Across> across, x, y;
  friend bool operator==(const Self&, const Self&) = default;
};

/// Two numbers of pixels: a width and a height, or an offset.
struct Pair {
  double x = 0, y = 0;
  friend bool operator==(const Pair&, const Pair&) = default;
};

/// Everything an author may say of one node, with its defaults. A key that does nothing for a kind is kept all the
/// same: a node that changes its kind loses none of its settings.
struct Keys {
  Kind kind = Kind::box;
  std::string name;

  // Every node.
  Sizing width, height;
  Limit min_width, max_width, min_height, max_height;
  std::optional<double> aspect;  ///< width / height
  Edges margin, padding, border;
  bool border_counts = true;
  bool hidden = false;
  bool touch = false;
  Order order;
  std::optional<Pin> pin;
  Scroll scroll = Scroll::none;
  double scale = 1;
  bool scale_counts = false;

  // Containers.
  Gap gap;
  Overlap overlap = Overlap::later;
  Along along = Along::start;
  Across across = Across::stretch;
  bool wrap = false;
  bool reverse = false;
  Rest rest = Rest::stretch;
  std::optional<double> out_of;
  bool alike = false;
  Align align;

  // Children of a row, a column or a stack.
  Sizing basis;  ///< a length or `content`
  double grow = 0;
  double shrink = 1;
  std::optional<double> weight;
  Self self;
  Pair nudge;

  // Leaves.
  Pair natural;
  std::string text;
  std::optional<double> size;  ///< of a text's characters, in pixels; one em when absent
  bool one_line = false;
  std::optional<int> max_lines;
  WordsAt words_at = WordsAt::start;
  Shows shows = Shows::cover;

  friend bool operator==(const Keys&, const Keys&) = default;
};

}  // namespace fond_ladder
