// SPDX-License-Identifier: MIT
#pragma once

// All keys of a node as plain data. Most code writes them with the setters of node.hpp instead.

#include <array>
#include <limits>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/axis.hpp"
#include "fond_ladder/edges.hpp"
#include "fond_ladder/enums.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/lint_rule.hpp"
#include "fond_ladder/pin.hpp"
#include "fond_ladder/ranges.hpp"
#include "fond_ladder/tracks.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

class TextShaper;
struct FontStyle;

/// Space between neighbors: `x` between columns, `y` between rows or lines.
struct Gap {
  Length x, y;
  Gap() = default;
  /// The same gap on both axes.
  Gap(Length both) : x(both), y(both) {}   // NOLINT(google-explicit-constructor)
  Gap(double both) : Gap(Length(both)) {}  // NOLINT(google-explicit-constructor)
  /// A gap between columns, and one between rows or lines. Negative only in rows and columns.
  Gap(Length gap_x, Length gap_y) : x(gap_x), y(gap_y) {}
  friend bool operator==(const Gap&, const Gap&) = default;
};

/// Position among the siblings in layout: any integer; equal ones keep the order of the file.
struct Order {
  /// Before all others.
  static constexpr int first = std::numeric_limits<int>::min();
  /// After all others.
  static constexpr int last = std::numeric_limits<int>::max();
  int rank = 0;
  friend bool operator==(const Order&, const Order&) = default;
};

/// Where all children of a stack or grid are placed, on both axes. Default: start in a stack, stretched in a grid.
struct PlaceItems {
  std::optional<Across> x, y;
  friend bool operator==(const PlaceItems&, const PlaceItems&) = default;
};

/// How unused space is distributed on each axis: among the wrapped lines of a row (y) or column (x), and among the
/// tracks of a grid.
struct PlaceContentPair {
  PlaceContent x = PlaceContent::stretch, y = PlaceContent::stretch;
  PlaceContentPair() = default;
  /// The same word on both axes.
  PlaceContentPair(PlaceContent both) : x(both), y(both) {}  // NOLINT(google-explicit-constructor)
  PlaceContentPair(PlaceContent on_x, PlaceContent on_y) : x(on_x), y(on_y) {}
  friend bool operator==(const PlaceContentPair&, const PlaceContentPair&) = default;
};

/// Where the lines of a text are in a box that is wider (x) or taller (y) than they are.
struct TextAlignPair {
  TextAlign x = TextAlign::start, y = TextAlign::start;
  TextAlignPair() = default;
  // NOLINTNEXTLINE(google-explicit-constructor): one word is x
  TextAlignPair(TextAlign on_x, TextAlign on_y = TextAlign::start) : x(on_x), y(on_y) {}
  friend bool operator==(const TextAlignPair&, const TextAlignPair&) = default;
};

/// Where one child is placed, in place of what its parent says: `across` in a row or column, `x` and `y` in a stack
/// or grid.
struct PlaceSelf {
  std::optional<Across> across, x, y;
  friend bool operator==(const PlaceSelf&, const PlaceSelf&) = default;
};

/// Two numbers of pixels: a width and a height, or an offset.
struct Pair {
  double x = 0, y = 0;
  friend bool operator==(const Pair&, const Pair&) = default;
};

/// Whether a list arranges only the entries in view, and how many entries its child stands for.
struct Virtualized {
  bool on = false;
  /// The number of entries, copies of its one child, up to 10^9; 0: one entry per child.
  std::uint32_t entries = 0;
  /// For solvers: the index of the entry that the second child is; the first child is entry 0.
  std::uint32_t second = 1;

  static constexpr std::uint32_t most_entries = 1'000'000'000;

  Virtualized() = default;
  constexpr Virtualized(bool only) : on(only) {}  // NOLINT(google-explicit-constructor)
  constexpr Virtualized(bool only, std::uint32_t entries_in_all, std::uint32_t second_child = 1)
      : on(only), entries(entries_in_all), second(second_child) {}
  friend bool operator==(const Virtualized&, const Virtualized&) = default;
};

/// All keys of one node, with their defaults. A key without effect on the present kind is kept, so a node that
/// changes its kind loses no setting. A value. The Scene or Tree that takes it checks domains and throws BadValue.
///
/// Keys that most nodes set come first and close together, which speeds up reading many nodes.
struct Keys {
  Kind kind = Kind::box;

  // Words and yes or no.
  /// Removes the node from layout and paint, with its descendants.
  bool hidden = false;
  /// Lint checks that people can hit it: see Scene::touch_target_size.
  bool touch_target = false;
  bool see_through = false;  ///< for a box or an image: whether nodes behind it stay visible
  Allowed allow;             ///< lint rules, and overhang, to accept on this node
  /// The axes on which its content scrolls: it may be larger there without overhang.
  Scroll scroll = Scroll::none;
  /// Whether layout uses the painted size: see `scale`.
  bool scale_affects_layout = false;
  /// Whether its border takes space, and where.
  BorderAt border_at = BorderAt::inside;
  /// Which of its children are in front where they overlap.
  OnTop on_top = OnTop::last;
  /// Of a row or column: where its children are packed if space is left.
  Along along = Along::start;
  /// Of a row or column: where its children are placed across it.
  Across across = Across::stretch;
  /// Of a row or column: children that do not fit start another line.
  bool wrap = false;
  /// Of a row or column: each line is laid out from its far end.
  bool reverse = false;
  /// How wrapped lines, or the tracks of a grid, use unused space.
  PlaceContentPair place_content;
  /// Of a row or column: all children get the size of the largest along it.
  bool equal_sizes = false;
  /// Of a grid or stack: where its children are placed, on each axis.
  PlaceItems place_items;
  /// Where the node is placed, in place of what its parent says.
  PlaceSelf place_self;
  Flow flow = Flow::rows;  ///< of a grid
  bool dense = false;      ///< of a grid
  /// Of a text measured with fonts.
  bool bold = false, italic = false;
  /// Of a text: it stays on one line.
  bool one_line = false;
  TextAlignPair text_align;  ///< of a text
  /// Of an image; no effect on layout.
  ImageFit image_fit = ImageFit::cover;
  /// Position among its siblings in layout order.
  Order order;
  Virtualized virtualized;  ///< of a row or column that scrolls along

  // Sizes and factors.
  /// Sizes of the border box: a length, `content` or `fill`. Automatic: the container decides.
  Sizing width, height;
  /// Share of the free space along a row or column; 0, or from 1e-9 to 1e9.
  double grow = 0;
  /// Share of the shortfall along a row or column, times the base size; 0, or from 1e-9 to 1e9.
  double shrink = 1;
  /// Size along a row or column in proportion to the weights: basis 0 and grow in one.
  std::optional<double> weight;
  Pair natural_size;  ///< of a box or an image
  /// Space between neighbors.
  Gap gap;
  /// Limits of the border box, 0 or more. A minimum wins over its maximum.
  Limit min_width, max_width, min_height, max_height;
  Sizing basis;  ///< a length or `content`
  /// A letter, then letters, digits, `_` and `-`; unique among siblings. Empty: the node is named by kind and place.
  std::string name;
  /// UTF-8, at most 1,000,000 bytes.
  std::string text;
  std::string font;                    ///< of a text: the name of a font of the scene; empty: `body`
  std::optional<double> font_size;     ///< of a text, in pixels; absent: one em
  std::optional<double> line_height;   ///< of a text, as a multiple of the font size; absent: that of the font
  std::optional<double> aspect_ratio;  ///< width / height
  /// Of a row or column: the total that weights and grow factors are parts of; absent: their sum.
  std::optional<double> out_of;
  /// Of a text: the largest number of lines, from 1.
  std::optional<int> max_lines;
  /// Painted larger or smaller around its center; from 1e-6 to 1e6.
  double scale = 1;
  /// pixels that it moves per pixel of scrolling; absent: 1, and 0 for a pinned node
  std::optional<double> scroll_ratio;
  /// Of a child of a stack: an offset in pixels, applied last.
  Pair nudge;

  // Edges and pins.
  /// Space outside the border, inside it, and its thickness.
  Edges margin, padding, border;
  /// Takes the node out of the flow; see Pin.
  std::optional<Pin> pin;

  // Children of a grid, and grids.
  /// The cell in its grid, from 0; absent: the next free cell.
  std::optional<Cell> cell;
  /// How many columns and rows it spans.
  CellSpan span;
  /// The name of its area; empty: none.
  std::string area;
  /// Of a grid: its explicit tracks.
  Tracks columns, rows;
  Track auto_columns, auto_rows;   ///< size of implicit tracks
  std::vector<std::string> areas;  ///< named areas, row by row; `.` is an empty cell

  std::vector<Range> ranges;  ///< node ranges: ranges of the width of the node

  /// The units of its lengths in a scene with this em; only texts have a font of their own. Without a text shaper,
  /// those of fixed metrics.
  [[nodiscard]] FontUnits units(double em, const TextShaper* setter = nullptr) const {
    return setter == nullptr ? FontUnits{em, plain_character * (kind == Kind::text ? font_size.value_or(em) : em)}
                             : set_units(em, *setter);
  }
  /// The font style of a text with these keys.
  [[nodiscard]] FontStyle font_style(double em) const;
  /// Whether only the entries in view are arranged: for a row or column that scrolls along and is neither wrapping
  /// nor reversed.
  [[nodiscard]] bool is_list() const {
    const bool to_the_right = kind == Kind::row && scrolls_x(scroll), down = kind == Kind::column && scrolls_y(scroll);
    return virtualized.on && (to_the_right || down) && !wrap && !reverse;
  }
  /// The size set on an axis.
  [[nodiscard]] const Sizing& size_on(Axis axis) const { return axis == x_axis ? width : height; }
  /// The minimum on an axis; absent if not set.
  [[nodiscard]] const Limit& least_on(Axis axis) const { return axis == x_axis ? min_width : min_height; }
  /// The maximum on an axis; absent if not set.
  [[nodiscard]] const Limit& most_on(Axis axis) const { return axis == x_axis ? max_width : max_height; }

  friend bool operator==(const Keys&, const Keys&) = default;

 private:
  [[nodiscard]] FontUnits set_units(double em, const TextShaper& setter) const;
};

}  // namespace v0
}  // namespace fond_ladder
