// SPDX-License-Identifier: MIT
#pragma once

// Writing a layout down in C++. Each maker and setter is one word of the scene format:
// row("bar").gap(8).children(text("title", "North house"), box("alarm").width(96).margin_left(automatic))

#include <cstdint>
#include <memory>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/changes.hpp"
#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A description of a subtree: `row("bar").gap(8).children(text("title", "North house"), box("alarm"))`.
///
/// A value that owns its children. Every setter sets one key and returns the node, so calls can be chained, on a
/// temporary and on a named node. Setters are independent of one another and may come in any order. A value out of
/// its domain throws BadValue when a Scene or Tree takes the node.
class Node {
 public:
  explicit Node(Kind kind, std::string name = {});
  Node(const Node&) = default;
  Node(Node&&) noexcept = default;
  Node& operator=(const Node&) = default;
  /// Also from itself, as in `node = std::move(node).gap(8)`.
  Node& operator=(Node&& other) noexcept;
  ~Node();

  /// Appends children.
  template <class... Nodes>
  requires(sizeof...(Nodes) > 0) Node& children(Nodes&&... nodes) & {
    (children_.push_back(std::forward<Nodes>(nodes)), ...);
    return *this;
  }
  template <class... Nodes>
  requires(sizeof...(Nodes) > 0) Node && children(Nodes&&... nodes) && {
    return std::move(children(std::forward<Nodes>(nodes)...));
  }
  /// Appends nodes from a list. Linear in their number.
  Node& children(std::vector<Node> nodes) &;
  Node&& children(std::vector<Node> nodes) && { return std::move(children(std::move(nodes))); }
  /// Keys for every direct child that leaves them at their default; kind, name and text excepted.
  Node& each_child(const Node& defaults) &;
  Node&& each_child(const Node& defaults) && { return std::move(each_child(defaults)); }
  /// Sets keys that apply while the range or mode of that name does, as in `when("narrow", column().gap(4))`. The
  /// kind changes too, unless the maker is box(). Names, texts and children are ignored.
  Node& when(const std::string& name, const Node& changes) &;
  Node&& when(const std::string& name, const Node& changes) && { return std::move(when(name, changes)); }
  /// Sets custom content of a leaf, shared with the scene.
  Node& set_content(std::shared_ptr<const CustomContent> content) &;
  Node&& set_content(std::shared_ptr<const CustomContent> content) && {
    return std::move(set_content(std::move(content)));
  }
  /// All keys at once, for a key without a setter.
  template <class Change>
  Node& with(Change change) & {
    const Keys before = keys_;
    change(keys_);
    note_changed(before);
    return *this;
  }
  template <class Change>
  Node&& with(Change change) && {
    return std::move(with(std::move(change)));
  }

  // Sizes. Lengths are pixels, `em(n)` or `percent(n)`.
  /// Width of the border box: a length, `content` or `fill`. Default: automatic, which the container decides.
  /// A percentage is of the parent's content box. CSS Sizing 3, section 3.1.1.
  Node& width(Sizing sizing) & { return put(keys_.width, sizing); }
  Node&& width(Sizing sizing) && { return std::move(put(keys_.width, sizing)); }
  /// Height of the border box, as width().
  Node& height(Sizing sizing) & { return put(keys_.height, sizing); }
  Node&& height(Sizing sizing) && { return std::move(put(keys_.height, sizing)); }
  /// Minimum width, 0 or more. It wins over max_width(). Without one, a child of a row keeps its content (CSS Flexbox
  /// 1, section 4.5).
  Node& min_width(Length length) & { return put(keys_.min_width, length); }
  Node&& min_width(Length length) && { return std::move(put(keys_.min_width, length)); }
  /// Maximum width, 0 or more. Default: none.
  Node& max_width(Length length) & { return put(keys_.max_width, length); }
  Node&& max_width(Length length) && { return std::move(put(keys_.max_width, length)); }
  /// Minimum height, 0 or more. It wins over max_height().
  Node& min_height(Length length) & { return put(keys_.min_height, length); }
  Node&& min_height(Length length) && { return std::move(put(keys_.min_height, length)); }
  /// Maximum height, 0 or more. Default: none.
  Node& max_height(Length length) & { return put(keys_.max_height, length); }
  Node&& max_height(Length length) && { return std::move(put(keys_.max_height, length)); }
  /// Width divided by height, from 1e-6 to 1e6. No effect if both sizes are set. CSS Sizing 4, section 6.
  Node& aspect_ratio(double width_by_height) & { return put(keys_.aspect_ratio, width_by_height); }
  Node&& aspect_ratio(double width_by_height) && { return std::move(put(keys_.aspect_ratio, width_by_height)); }

  // Edges.
  /// Space around the box on all sides; may be negative. An `automatic` side takes the free space. Default: 0.
  Node& margin(Edges edges) & { return put(keys_.margin, edges); }
  Node&& margin(Edges edges) && { return std::move(put(keys_.margin, edges)); }
  /// One side alone; it wins over margin_start() and margin_x().
  Node& margin_left(Edge edge) & { return put_side(keys_.margin, Side::left, edge); }
  Node&& margin_left(Edge edge) && { return std::move(put_side(keys_.margin, Side::left, edge)); }
  /// One side alone; it wins over margin_end() and margin_x().
  Node& margin_right(Edge edge) & { return put_side(keys_.margin, Side::right, edge); }
  Node&& margin_right(Edge edge) && { return std::move(put_side(keys_.margin, Side::right, edge)); }
  /// One side alone; it wins over margin_y().
  Node& margin_top(Edge edge) & { return put_side(keys_.margin, Side::top, edge); }
  Node&& margin_top(Edge edge) && { return std::move(put_side(keys_.margin, Side::top, edge)); }
  /// One side alone; it wins over margin_y().
  Node& margin_bottom(Edge edge) & { return put_side(keys_.margin, Side::bottom, edge); }
  Node&& margin_bottom(Edge edge) && { return std::move(put_side(keys_.margin, Side::bottom, edge)); }
  /// The side where reading starts: left, or right in a scene that is `Direction::rtl`. It wins over margin_x().
  Node& margin_start(Edge edge) & { return put_side(keys_.margin, Side::start, edge); }
  Node&& margin_start(Edge edge) && { return std::move(put_side(keys_.margin, Side::start, edge)); }
  /// The side where reading ends. It wins over margin_x().
  Node& margin_end(Edge edge) & { return put_side(keys_.margin, Side::end, edge); }
  Node&& margin_end(Edge edge) && { return std::move(put_side(keys_.margin, Side::end, edge)); }
  /// Space between the border and the content on all sides, 0 or more. Default: 0.
  Node& padding(Edges edges) & { return put(keys_.padding, edges); }
  Node&& padding(Edges edges) && { return std::move(put(keys_.padding, edges)); }
  /// The left and right sides that are not set on their own.
  Node& margin_x(Edge edge) & { return put_side(keys_.margin, Side::x, edge); }
  Node&& margin_x(Edge edge) && { return std::move(margin_x(edge)); }
  /// The top and bottom sides that are not set on their own.
  Node& margin_y(Edge edge) & { return put_side(keys_.margin, Side::y, edge); }
  Node&& margin_y(Edge edge) && { return std::move(margin_y(edge)); }
  /// One side alone; it wins over padding_start() and padding_x().
  Node& padding_left(Length length) & { return put_side(keys_.padding, Side::left, length); }
  Node&& padding_left(Length length) && { return std::move(padding_left(length)); }
  /// One side alone; it wins over padding_end() and padding_x().
  Node& padding_right(Length length) & { return put_side(keys_.padding, Side::right, length); }
  Node&& padding_right(Length length) && { return std::move(padding_right(length)); }
  /// One side alone; it wins over padding_y().
  Node& padding_top(Length length) & { return put_side(keys_.padding, Side::top, length); }
  Node&& padding_top(Length length) && { return std::move(padding_top(length)); }
  /// One side alone; it wins over padding_y().
  Node& padding_bottom(Length length) & { return put_side(keys_.padding, Side::bottom, length); }
  Node&& padding_bottom(Length length) && { return std::move(padding_bottom(length)); }
  /// The side where reading starts: left, or right in a scene that is `Direction::rtl`.
  Node& padding_start(Length length) & { return put_side(keys_.padding, Side::start, length); }
  Node&& padding_start(Length length) && { return std::move(padding_start(length)); }
  /// The side where reading ends.
  Node& padding_end(Length length) & { return put_side(keys_.padding, Side::end, length); }
  Node&& padding_end(Length length) && { return std::move(padding_end(length)); }
  /// The left and right sides that are not set on their own.
  Node& padding_x(Length length) & { return put_side(keys_.padding, Side::x, length); }
  Node&& padding_x(Length length) && { return std::move(padding_x(length)); }
  /// The top and bottom sides that are not set on their own.
  Node& padding_y(Length length) & { return put_side(keys_.padding, Side::y, length); }
  Node&& padding_y(Length length) && { return std::move(padding_y(length)); }
  /// Thickness of the border on all sides, 0 or more, never a percentage. Default: 0.
  Node& border(Edges edges) & { return put(keys_.border, edges); }
  Node&& border(Edges edges) && { return std::move(put(keys_.border, edges)); }
  /// Where the border is, and whether it takes space: see BorderAt. Default: inside.
  Node& border_at(BorderAt place) & { return put(keys_.border_at, place); }
  Node&& border_at(BorderAt place) && { return std::move(put(keys_.border_at, place)); }

  // As a child.
  /// Base size along a row or column, before free space is shared: a length or `content`. Default: the size along,
  /// else the content. CSS Flexbox 1, section 7.2.
  Node& basis(Sizing sizing) & { return put(keys_.basis, sizing); }
  Node&& basis(Sizing sizing) && { return std::move(put(keys_.basis, sizing)); }
  /// Share of the free space of a row or column, in proportion to the factors of its siblings. 0 or more; default: 0.
  Node& grow(double factor) & { return put(keys_.grow, factor); }
  Node&& grow(double factor) && { return std::move(put(keys_.grow, factor)); }
  /// Share of the shortfall of a row or column, times the base size. 0 or more; default: 1.
  Node& shrink(double factor) & { return put(keys_.shrink, factor); }
  Node&& shrink(double factor) && { return std::move(put(keys_.shrink, factor)); }
  /// Size along a row or column in proportion to the weights of its siblings: basis 0 and grow in one. 0 or more.
  Node& weight(double part) & { return put(keys_.weight, part); }
  Node&& weight(double part) && { return std::move(put(keys_.weight, part)); }
  /// Where the node is placed across its row or column, in place of `across` of the parent.
  Node& place_self(Across across) & { return put(keys_.place_self.across, across); }
  Node&& place_self(Across across) && { return std::move(put(keys_.place_self.across, across)); }
  /// Where the node is placed in its cell or stack, on each axis.
  Node& place_self(Across x, Across y) & {
    keys_.place_self.x = x;
    return put(keys_.place_self.y, y);
  }
  Node&& place_self(Across x, Across y) && { return std::move(place_self(x, y)); }
  /// An offset in pixels, to the right and down, applied last. Of children of a stack.
  Node& nudge(double dx, double dy) & { return put(keys_.nudge, Pair{dx, dy}); }
  Node&& nudge(double dx, double dy) && { return std::move(put(keys_.nudge, Pair{dx, dy})); }
  /// Its cell in a grid, counted from 0. Default: the next free one.
  Node& cell(int column, int row) & { return put(keys_.cell, Cell{column, row}); }
  Node&& cell(int column, int row) && { return std::move(put(keys_.cell, Cell{column, row})); }
  /// How many columns and rows it spans, from 1; CellSpan::all for all explicit ones.
  Node& span(int columns, int rows) & { return put(keys_.span, CellSpan{columns, rows}); }
  Node&& span(int columns, int rows) && { return std::move(put(keys_.span, CellSpan{columns, rows})); }
  /// The named area of its grid: see areas().
  Node& area(const std::string& name) & { return put(keys_.area, name); }
  Node&& area(const std::string& name) && { return std::move(put(keys_.area, name)); }
  /// Position among its siblings in layout order: lower ranks first, equal ones in the order of the children. Default:
  /// 0.
  Node& order(int rank) & { return put(keys_.order, Order{rank}); }
  Node&& order(int rank) && { return std::move(put(keys_.order, Order{rank})); }
  /// Takes it out of the flow and ties it to edges of its parent or of siblings. CSS Positioned Layout 3, section 4.
  Node& pin(const Pin& pin) & { return put(keys_.pin, pin); }
  Node&& pin(const Pin& pin) && { return std::move(put(keys_.pin, pin)); }
  /// Removes it from layout and paint, with its descendants. It keeps its place in the tree.
  Node& hidden(bool hidden = true) & { return put(keys_.hidden, hidden); }
  Node&& hidden(bool hidden = true) && { return std::move(put(keys_.hidden, hidden)); }
  /// Lint rules, and overhang, to accept on this node.
  Node& allow(Allowed allow) & { return put(keys_.allow, allow); }
  Node&& allow(Allowed allow) && { return std::move(put(keys_.allow, allow)); }
  /// Whether lint checks that people can hit the node: see Scene::touch_target_size.
  Node& touch_target(bool touch = true) & { return put(keys_.touch_target, touch); }
  Node&& touch_target(bool touch = true) && { return std::move(put(keys_.touch_target, touch)); }
  /// Whether nodes behind it stay visible. For boxes and images.
  Node& see_through(bool seen = true) & { return put(keys_.see_through, seen); }
  Node&& see_through(bool seen = true) && { return std::move(put(keys_.see_through, seen)); }
  /// How far it moves per pixel that its parent scrolls. Default: 1; of a pinned node 0.
  Node& scroll_ratio(double share) & { return put(keys_.scroll_ratio, share); }
  Node&& scroll_ratio(double share) && { return std::move(put(keys_.scroll_ratio, share)); }
  /// Painted larger or smaller around its center. With `counts`, layout uses the painted size.
  Node& scale(double factor, bool counts = false) & {
    keys_.scale_affects_layout = counts;
    return put(keys_.scale, factor);
  }
  Node&& scale(double factor, bool counts = false) && { return std::move(scale(factor, counts)); }

  // As a container.
  /// Space between neighbors: of a grid on both axes, of a row or column along it and between its lines. Default: 0.
  Node& gap(Gap gap) & { return put(keys_.gap, gap); }
  Node&& gap(Gap gap) && { return std::move(put(keys_.gap, gap)); }
  /// Where children are packed along a row or column if space is left. Default: start.
  Node& along(Along along) & { return put(keys_.along, along); }
  Node&& along(Along along) && { return std::move(put(keys_.along, along)); }
  /// Where children are placed across a row or column. Default: stretch.
  Node& across(Across across) & { return put(keys_.across, across); }
  Node&& across(Across across) && { return std::move(put(keys_.across, across)); }
  /// Whether children that do not fit start another line. CSS Flexbox 1, section 5.2.
  Node& wrap(bool wrap = true) & { return put(keys_.wrap, wrap); }
  Node&& wrap(bool wrap = true) && { return std::move(put(keys_.wrap, wrap)); }
  /// Whether each line is laid out from its far end; the order of painting stays.
  Node& reverse(bool reverse = true) & { return put(keys_.reverse, reverse); }
  Node&& reverse(bool reverse = true) && { return std::move(put(keys_.reverse, reverse)); }
  /// How wrapped lines, or the tracks of a grid, use unused space. Default: stretch.
  Node& place_content(PlaceContentPair rest) & { return put(keys_.place_content, rest); }
  Node&& place_content(PlaceContentPair rest) && { return std::move(put(keys_.place_content, rest)); }
  /// The columns of a grid. Default: one, of its content.
  Node& columns(const Tracks& tracks) & { return put(keys_.columns, tracks); }
  Node&& columns(const Tracks& tracks) && { return std::move(put(keys_.columns, tracks)); }
  /// The rows of a grid. Default: implicit ones, as many as its children need.
  Node& rows(const Tracks& tracks) & { return put(keys_.rows, tracks); }
  Node&& rows(const Tracks& tracks) && { return std::move(put(keys_.rows, tracks)); }
  /// Size of implicit columns, those beyond columns(). CSS Grid Layout 2, section 7.6.
  Node& auto_columns(Track track) & { return put(keys_.auto_columns, track); }
  Node&& auto_columns(Track track) && { return std::move(put(keys_.auto_columns, track)); }
  /// Size of implicit rows.
  Node& auto_rows(Track track) & { return put(keys_.auto_rows, track); }
  Node&& auto_rows(Track track) && { return std::move(put(keys_.auto_rows, track)); }
  /// Whether a grid fills row by row or column by column. Default: rows.
  Node& flow(Flow flow) & { return put(keys_.flow, flow); }
  Node&& flow(Flow flow) && { return std::move(put(keys_.flow, flow)); }
  /// Whether later children may fill earlier gaps in the grid. CSS Grid Layout 2, section 8.5.
  Node& dense(bool dense = true) & { return put(keys_.dense, dense); }
  Node&& dense(bool dense = true) && { return std::move(put(keys_.dense, dense)); }
  /// Named areas of a grid, row by row, names with blanks between them; `.` is an empty cell. Each name is a rectangle.
  Node& areas(const std::vector<std::string>& map) & { return put(keys_.areas, map); }
  Node&& areas(const std::vector<std::string>& map) && { return std::move(put(keys_.areas, map)); }
  /// The total that weights and grow factors are parts of; the rest of the space stays unused. Default: their sum.
  Node& out_of(double total) & { return put(keys_.out_of, total); }
  Node&& out_of(double total) && { return std::move(put(keys_.out_of, total)); }
  /// Gives all children the size of the largest along a row or column.
  Node& equal_sizes(bool equal_sizes = true) & { return put(keys_.equal_sizes, equal_sizes); }
  Node&& equal_sizes(bool equal_sizes = true) && { return std::move(put(keys_.equal_sizes, equal_sizes)); }
  /// Where children are placed in a stack or in the cells of a grid. Default: start in a stack, stretch in a grid.
  Node& place_items(Across x, Across y) & { return put(keys_.place_items, PlaceItems{x, y}); }
  Node&& place_items(Across x, Across y) && { return std::move(put(keys_.place_items, PlaceItems{x, y})); }
  /// Which children are in front where they overlap. Default: the last.
  Node& on_top(OnTop order) & { return put(keys_.on_top, order); }
  Node&& on_top(OnTop order) && { return std::move(put(keys_.on_top, order)); }
  /// The axes on which its content scrolls: it may be larger there without overhang.
  Node& scroll(Scroll scroll) & { return put(keys_.scroll, scroll); }
  Node&& scroll(Scroll scroll) && { return std::move(put(keys_.scroll, scroll)); }
  /// For a row or column that scrolls along: a SceneSolver arranges only the entries in view. With a number, its one
  /// child is the template of that many entries, at most 10^9.
  Node& virtualized(std::uint32_t entries = 0) & { return put(keys_.virtualized, Virtualized(true, entries)); }
  Node&& virtualized(std::uint32_t entries = 0) && { return std::move(virtualized(entries)); }

  // Leaves.
  /// Size of the content of a box or image, in pixels, 0 or more.
  Node& natural_size(double width, double height) & { return put(keys_.natural_size, Pair{width, height}); }
  Node&& natural_size(double width, double height) && {
    return std::move(put(keys_.natural_size, Pair{width, height}));
  }
  /// Font size of a text, above 0. Default: one em of the scene.
  Node& font_size(double pixels) & { return put(keys_.font_size, pixels); }
  Node&& font_size(double pixels) && { return std::move(put(keys_.font_size, pixels)); }
  /// The name of a font of the scene, for text measured with fonts.
  Node& font(const std::string& name) & { return put(keys_.font, name); }
  Node&& font(const std::string& name) && { return std::move(put(keys_.font, name)); }
  /// Bold letters, where text is measured with fonts.
  Node& bold(bool bold = true) & { return put(keys_.bold, bold); }
  Node&& bold(bool bold = true) && { return std::move(put(keys_.bold, bold)); }
  /// Italic letters, where text is measured with fonts.
  Node& italic(bool italic = true) & { return put(keys_.italic, italic); }
  Node&& italic(bool italic = true) && { return std::move(put(keys_.italic, italic)); }
  /// Line height as a multiple of the font size. Default: that of the font.
  Node& line_height(double times_size) & { return put(keys_.line_height, times_size); }
  Node&& line_height(double times_size) && { return std::move(put(keys_.line_height, times_size)); }
  /// Keeps the text on one line.
  Node& one_line(bool one_line = true) & { return put(keys_.one_line, one_line); }
  Node&& one_line(bool one_line = true) && { return std::move(put(keys_.one_line, one_line)); }
  /// The largest number of lines, from 1; further lines are dropped and count as overhang.
  Node& max_lines(int lines) & { return put(keys_.max_lines, lines); }
  Node&& max_lines(int lines) && { return std::move(put(keys_.max_lines, lines)); }
  /// Node ranges: ranges of the width of this node, for `when` of the node and its descendants.
  Node& ranges(const std::vector<Range>& own) & { return put(keys_.ranges, own); }
  Node&& ranges(const std::vector<Range>& own) && { return std::move(put(keys_.ranges, own)); }
  /// A single TextAlign is x; y is then the start.
  Node& text_align(TextAlignPair align) & { return put(keys_.text_align, align); }
  Node&& text_align(TextAlignPair align) && { return std::move(put(keys_.text_align, align)); }
  /// How an image fills its box. It has no effect on layout.
  Node& image_fit(ImageFit shows) & { return put(keys_.image_fit, shows); }
  Node&& image_fit(ImageFit shows) && { return std::move(put(keys_.image_fit, shows)); }

  /// All keys; those that were not set have their defaults. Valid as long as the node.
  [[nodiscard]] const Keys& keys() const { return keys_; }
  /// The keys that were set, as Tree::set takes them, with the name, the text, and the kind unless the maker is
  /// box().
  [[nodiscard]] Changes explicit_keys() const;
  /// The same as bits, by the places of the keys in their table. For the library.
  [[nodiscard]] std::uint64_t explicit_bits() const;
  /// The children in the order in which they were appended. Valid until the next setter.
  [[nodiscard]] const std::vector<Node>& children() const { return children_; }
  /// Custom content; null for none.
  [[nodiscard]] const std::shared_ptr<const CustomContent>& content() const { return content_; }
  /// The forms set with when(), by name of the range or mode.
  [[nodiscard]] const std::vector<std::pair<std::string, Changes>>& whens() const { return whens_; }
  /// Whether `each_child` gives keys to the children.
  [[nodiscard]] bool gives_keys() const { return each_ != nullptr; }
  /// The keys of a child with what `each_child` gives it.
  [[nodiscard]] Keys child_keys(const Node& child) const;

 private:
  friend Node text(std::string name, std::string words);

  template <class Field, class Value>
  Node& put(Field& field, const Value& value) {
    field = value;
    mark_set(&field);
    return *this;
  }
  Node& put_side(Edges& edges, Side side, Edge edge) {
    edges.set(side, edge);
    mark_set(&edges);
    return *this;
  }
  void mark_set(const void* field);
  void note_changed(const Keys& before);

  Keys keys_;
  std::shared_ptr<const Keys> each_;
  std::shared_ptr<const CustomContent> content_;
  std::uint64_t set_bits_ = 0;  // by setters, one bit a key
  std::vector<std::pair<std::string, Changes>> whens_;
  std::vector<Node> children_;
};

/// A container that places its children beside each other. CSS Flexbox 1.
[[nodiscard]] inline Node row(std::string name = {}) {
  return Node(Kind::row, std::move(name));
}
/// A container that places its children one below the other. CSS Flexbox 1.
[[nodiscard]] inline Node column(std::string name = {}) {
  return Node(Kind::column, std::move(name));
}
/// A container that places its children in columns and rows. CSS Grid Layout 2.
[[nodiscard]] inline Node grid(std::string name = {}) {
  return Node(Kind::grid, std::move(name));
}
/// A container that places its children on top of each other.
[[nodiscard]] inline Node stack(std::string name = {}) {
  return Node(Kind::stack, std::move(name));
}
/// A leaf without content: a control or a panel that the caller draws.
[[nodiscard]] inline Node box(std::string name = {}) {
  return Node(Kind::box, std::move(name));
}
/// A leaf that keeps the aspect ratio of its natural size.
[[nodiscard]] inline Node image(std::string name = {}) {
  return Node(Kind::image, std::move(name));
}
[[nodiscard]] Node text(std::string name, std::string words);
/// A text without a name.
[[nodiscard]] inline Node text(std::string words) {
  return text({}, std::move(words));
}

}  // namespace v0
}  // namespace fond_ladder
