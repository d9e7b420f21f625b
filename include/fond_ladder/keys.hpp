// SPDX-License-Identifier: MIT
#pragma once

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

/// Where all children of a stack or grid lie, on both axes: in a stack at the start, in a grid stretched, unless said.
struct PlaceItems {
  std::optional<Across> x, y;
  friend bool operator==(const PlaceItems&, const PlaceItems&) = default;
};

/// How spare room is shared on each axis: among the wrapped lines of a row (y) or column (x), and among the tracks of a
/// grid.
struct PlaceContentPair {
  PlaceContent x = PlaceContent::stretch, y = PlaceContent::stretch;
  PlaceContentPair() = default;
  PlaceContentPair(PlaceContent both) : x(both), y(both) {}  // NOLINT(google-explicit-constructor)
  PlaceContentPair(PlaceContent on_x, PlaceContent on_y) : x(on_x), y(on_y) {}
  friend bool operator==(const PlaceContentPair&, const PlaceContentPair&) = default;
};

/// Where one child lies, overriding its parent: `across` in a row or column, `x` and `y` in a stack or grid.
struct PlaceSelf {
  std::optional<Across> across, x, y;
  friend bool operator==(const PlaceSelf&, const PlaceSelf&) = default;
};

/// Two numbers of pixels: a width and a height, or an offset.
struct Pair {
  double x = 0, y = 0;
  friend bool operator==(const Pair&, const Pair&) = default;
};

/// What a list says of its entries: whether only those in view are arranged, and for how many its children stand.
struct Virtualized {
  bool on = false;
  /// How many entries there are, copies of the one child; 0: the children are all there are.
  std::uint32_t entries = 0;
  /// For solvers: the number of the entry that the second child is, the first being entry 0.
  std::uint32_t second = 1;

  static constexpr std::uint32_t most_entries = 1'000'000'000;

  Virtualized() = default;
  constexpr Virtualized(bool only) : on(only) {}  // NOLINT(google-explicit-constructor)
  constexpr Virtualized(bool only, std::uint32_t entries_in_all, std::uint32_t second_child = 1)
      : on(only), entries(entries_in_all), second(second_child) {}
  friend bool operator==(const Virtualized&, const Virtualized&) = default;
};

/// Everything an author may say of one node, with its defaults. A key that does nothing for a kind is kept all the
/// same: a node that changes its kind loses none of its settings.
///
/// What most nodes say stands first and close together, so that many nodes are read quickly.
struct Keys {
  Kind kind = Kind::box;

  // Words and yes or no.
  bool hidden = false;
  bool touch_target = false;
  bool see_through = false;  ///< of a box or an image: it covers nothing that lies behind it
  Allowed allow;             ///< what of it is on purpose
  Scroll scroll = Scroll::none;
  bool scale_affects_layout = false;
  BorderAt border_at = BorderAt::inside;
  OnTop on_top = OnTop::last;
  Along along = Along::start;
  Across across = Across::stretch;
  bool wrap = false;
  bool reverse = false;
  PlaceContentPair place_content;
  bool equal_sizes = false;
  PlaceItems place_items;
  PlaceSelf place_self;
  Flow flow = Flow::rows;  ///< of a grid
  bool dense = false;      ///< of a grid
  bool bold = false, italic = false;
  bool one_line = false;
  WordsAt words_at = WordsAt::start, words_up = WordsAt::start;
  ImageFit image_fit = ImageFit::cover;
  Order order;
  Virtualized virtualized;  ///< of a row or column that scrolls along

  // Sizes and factors.
  Sizing width, height;
  double grow = 0;
  double shrink = 1;
  std::optional<double> weight;
  Pair natural_size;  ///< of a box or an image
  Gap gap;
  Limit min_width, max_width, min_height, max_height;
  Sizing basis;  ///< a length or `content`
  std::string name;
  std::string text;
  std::string font;                    ///< of a text: a name of the scene's fonts; `body` when empty
  std::optional<double> font_size;     ///< of a text's characters, in pixels; one em when absent
  std::optional<double> line_height;   ///< of a text's lines, times its size; its font's when absent
  std::optional<double> aspect_ratio;  ///< width / height
  std::optional<double> out_of;
  std::optional<int> max_lines;
  double scale = 1;
  std::optional<double> scroll_ratio;  ///< by which share of its scroller's movement it moves; 1, of a pinned node 0
  Pair nudge;

  // Edges and pins.
  Edges margin, padding, border;
  std::optional<Pin> pin;

  // Children of a grid, and grids.
  std::optional<Cell> cell;
  CellSpan span;
  std::string area;
  Tracks columns, rows;
  Track auto_columns, auto_rows;   ///< of tracks that nobody wrote down
  std::vector<std::string> areas;  ///< a map, row by row, of names and `.`

  std::vector<Range> ranges;  ///< own ranges: of the width of the node itself

  /// What its lengths are multiples of in a scene of this em; only texts have a font of their own. Without a typesetter
  /// in plain metrics.
  [[nodiscard]] FontUnits units(double em, const TextShaper* setter = nullptr) const {
    return setter == nullptr ? FontUnits{em, plain_character * (kind == Kind::text ? font_size.value_or(em) : em)}
                             : set_units(em, *setter);
  }
  /// How the words of a text are set that says these keys.
  [[nodiscard]] FontStyle font_style(double em) const;
  /// Whether it is a list of which only the entries in view are arranged: a row or column that scrolls along, and
  /// neither wraps nor is reversed.
  [[nodiscard]] bool is_list() const {
    const bool across = kind == Kind::row && scrolls_x(scroll), down = kind == Kind::column && scrolls_y(scroll);
    return virtualized.on && (across || down) && !wrap && !reverse;
  }
  /// What is said of the size along an axis: the size itself, its minimum, its maximum.
  [[nodiscard]] const Sizing& size_on(Axis axis) const { return axis == x_axis ? width : height; }
  [[nodiscard]] const Limit& least_on(Axis axis) const { return axis == x_axis ? min_width : min_height; }
  [[nodiscard]] const Limit& most_on(Axis axis) const { return axis == x_axis ? max_width : max_height; }

  friend bool operator==(const Keys&, const Keys&) = default;

 private:
  [[nodiscard]] FontUnits set_units(double em, const TextShaper& setter) const;
};

}  // namespace v0
}  // namespace fond_ladder
