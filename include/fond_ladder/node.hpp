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

/// A setter of Node: on a named node it returns a reference, on a temporary it passes the temporary on. `call` sets.
#define FOND_LADDER_SETTER(name, arguments, call) \
  Node& name arguments& {                         \
    return call;                                  \
  }                                               \
  Node&& name arguments&& {                       \
    return std::move(call);                       \
  }

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
  FOND_LADDER_SETTER(children, (std::vector<Node> nodes), append(std::move(nodes)));
  /// Keys for every direct child that leaves them at their default; kind, name and text excepted.
  FOND_LADDER_SETTER(each_child, (const Node& defaults), give_children(defaults));
  /// Sets keys that apply while the range or mode of that name does, as in `when("narrow", column().gap(4))`. The
  /// kind changes too, unless the maker is box(). Names, texts and children are ignored.
  FOND_LADDER_SETTER(when, (const std::string& name, const Node& changes), add_form(name, changes));
  /// Sets custom content of a leaf, shared with the scene.
  FOND_LADDER_SETTER(set_content, (std::shared_ptr<const CustomContent> content), take_content(std::move(content)));
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
  FOND_LADDER_SETTER(width, (Sizing sizing), put(keys_.width, sizing));
  /// Height of the border box, as width().
  FOND_LADDER_SETTER(height, (Sizing sizing), put(keys_.height, sizing));
  /// Minimum width, 0 or more. It wins over max_width(). Without one, a child of a row keeps its content (CSS Flexbox
  /// 1, section 4.5).
  FOND_LADDER_SETTER(min_width, (Length length), put(keys_.min_width, length));
  /// Maximum width, 0 or more. Default: none.
  FOND_LADDER_SETTER(max_width, (Length length), put(keys_.max_width, length));
  /// Minimum height, 0 or more. It wins over max_height().
  FOND_LADDER_SETTER(min_height, (Length length), put(keys_.min_height, length));
  /// Maximum height, 0 or more. Default: none.
  FOND_LADDER_SETTER(max_height, (Length length), put(keys_.max_height, length));
  /// Width divided by height, from 1e-6 to 1e6. No effect if both sizes are set. CSS Sizing 4, section 6.
  FOND_LADDER_SETTER(aspect_ratio, (double width_by_height), put(keys_.aspect_ratio, width_by_height));

  // Edges.
  /// Space around the box on all sides; may be negative. An `automatic` side takes the free space. Default: 0.
  FOND_LADDER_SETTER(margin, (Edges edges), put(keys_.margin, edges));
  /// One side alone; it wins over margin_start() and margin_x().
  FOND_LADDER_SETTER(margin_left, (Edge edge), put_side(keys_.margin, Side::left, edge));
  /// One side alone; it wins over margin_end() and margin_x().
  FOND_LADDER_SETTER(margin_right, (Edge edge), put_side(keys_.margin, Side::right, edge));
  /// One side alone; it wins over margin_y().
  FOND_LADDER_SETTER(margin_top, (Edge edge), put_side(keys_.margin, Side::top, edge));
  /// One side alone; it wins over margin_y().
  FOND_LADDER_SETTER(margin_bottom, (Edge edge), put_side(keys_.margin, Side::bottom, edge));
  /// The side where reading starts: left, or right in a scene that is `Direction::rtl`. It wins over margin_x().
  FOND_LADDER_SETTER(margin_start, (Edge edge), put_side(keys_.margin, Side::start, edge));
  /// The side where reading ends. It wins over margin_x().
  FOND_LADDER_SETTER(margin_end, (Edge edge), put_side(keys_.margin, Side::end, edge));
  /// Space between the border and the content on all sides, 0 or more. Default: 0.
  FOND_LADDER_SETTER(padding, (Edges edges), put(keys_.padding, edges));
  /// The left and right sides that are not set on their own.
  FOND_LADDER_SETTER(margin_x, (Edge edge), put_side(keys_.margin, Side::x, edge));
  /// The top and bottom sides that are not set on their own.
  FOND_LADDER_SETTER(margin_y, (Edge edge), put_side(keys_.margin, Side::y, edge));
  /// One side alone; it wins over padding_start() and padding_x().
  FOND_LADDER_SETTER(padding_left, (Length length), put_side(keys_.padding, Side::left, length));
  /// One side alone; it wins over padding_end() and padding_x().
  FOND_LADDER_SETTER(padding_right, (Length length), put_side(keys_.padding, Side::right, length));
  /// One side alone; it wins over padding_y().
  FOND_LADDER_SETTER(padding_top, (Length length), put_side(keys_.padding, Side::top, length));
  /// One side alone; it wins over padding_y().
  FOND_LADDER_SETTER(padding_bottom, (Length length), put_side(keys_.padding, Side::bottom, length));
  /// The side where reading starts: left, or right in a scene that is `Direction::rtl`.
  FOND_LADDER_SETTER(padding_start, (Length length), put_side(keys_.padding, Side::start, length));
  /// The side where reading ends.
  FOND_LADDER_SETTER(padding_end, (Length length), put_side(keys_.padding, Side::end, length));
  /// The left and right sides that are not set on their own.
  FOND_LADDER_SETTER(padding_x, (Length length), put_side(keys_.padding, Side::x, length));
  /// The top and bottom sides that are not set on their own.
  FOND_LADDER_SETTER(padding_y, (Length length), put_side(keys_.padding, Side::y, length));
  /// Thickness of the border on all sides, 0 or more, never a percentage. Default: 0.
  FOND_LADDER_SETTER(border, (Edges edges), put(keys_.border, edges));
  /// Where the border is, and whether it takes space: see BorderAt. Default: inside.
  FOND_LADDER_SETTER(border_at, (BorderAt place), put(keys_.border_at, place));

  // As a child.
  /// Base size along a row or column, before free space is shared: a length or `content`. Default: the size along,
  /// else the content. CSS Flexbox 1, section 7.2.
  FOND_LADDER_SETTER(basis, (Sizing sizing), put(keys_.basis, sizing));
  /// Share of the free space of a row or column, in proportion to the factors of its siblings. 0 or more; default: 0.
  FOND_LADDER_SETTER(grow, (double factor), put(keys_.grow, factor));
  /// Share of the shortfall of a row or column, times the base size. 0 or more; default: 1.
  FOND_LADDER_SETTER(shrink, (double factor), put(keys_.shrink, factor));
  /// Size along a row or column in proportion to the weights of its siblings: basis 0 and grow in one. 0 or more.
  FOND_LADDER_SETTER(weight, (double part), put(keys_.weight, part));
  /// Where the node is placed across its row or column, in place of `across` of the parent.
  FOND_LADDER_SETTER(place_self, (Across across), put(keys_.place_self.across, across));
  /// Where the node is placed in its cell or stack, on each axis.
  FOND_LADDER_SETTER(place_self, (Across x, Across y), put(keys_.place_self.x, x).put(keys_.place_self.y, y));
  /// An offset in pixels, to the right and down, applied last. Of children of a stack.
  FOND_LADDER_SETTER(nudge, (double dx, double dy), put(keys_.nudge, Pair{dx, dy}));
  /// Its cell in a grid, counted from 0. Default: the next free one.
  FOND_LADDER_SETTER(cell, (int column, int row), put(keys_.cell, Cell{column, row}));
  /// How many columns and rows it spans, from 1; CellSpan::all for all explicit ones.
  FOND_LADDER_SETTER(span, (int columns, int rows), put(keys_.span, CellSpan{columns, rows}));
  /// The named area of its grid: see areas().
  FOND_LADDER_SETTER(area, (const std::string& name), put(keys_.area, name));
  /// Position among its siblings in layout order: lower ranks first, equal ones in the order of the children. Default:
  /// 0.
  FOND_LADDER_SETTER(order, (int rank), put(keys_.order, Order{rank}));
  /// Takes it out of the flow and ties it to edges of its parent or of siblings. CSS Positioned Layout 3, section 4.
  FOND_LADDER_SETTER(pin, (const Pin& pin), put(keys_.pin, pin));
  /// Removes it from layout and paint, with its descendants. It keeps its place in the tree.
  FOND_LADDER_SETTER(hidden, (bool hidden = true), put(keys_.hidden, hidden));
  /// Lint rules, and overhang, to accept on this node.
  FOND_LADDER_SETTER(allow, (Allowed allow), put(keys_.allow, allow));
  /// Whether lint checks that people can hit the node: see Scene::touch_target_size.
  FOND_LADDER_SETTER(touch_target, (bool touch = true), put(keys_.touch_target, touch));
  /// Whether nodes behind it stay visible. For boxes and images.
  FOND_LADDER_SETTER(see_through, (bool seen = true), put(keys_.see_through, seen));
  /// How far it moves per pixel that its parent scrolls. Default: 1; of a pinned node 0.
  FOND_LADDER_SETTER(scroll_ratio, (double share), put(keys_.scroll_ratio, share));
  /// Painted larger or smaller around its center. With `counts`, layout uses the painted size.
  FOND_LADDER_SETTER(scale, (double factor, bool counts = false), put_scale(factor, counts));

  // As a container.
  /// Space between neighbors: of a grid on both axes, of a row or column along it and between its lines. Default: 0.
  FOND_LADDER_SETTER(gap, (Gap gap), put(keys_.gap, gap));
  /// Where children are packed along a row or column if space is left. Default: start.
  FOND_LADDER_SETTER(along, (Along along), put(keys_.along, along));
  /// Where children are placed across a row or column. Default: stretch.
  FOND_LADDER_SETTER(across, (Across across), put(keys_.across, across));
  /// Whether children that do not fit start another line. CSS Flexbox 1, section 5.2.
  FOND_LADDER_SETTER(wrap, (bool wrap = true), put(keys_.wrap, wrap));
  /// Whether each line is laid out from its far end; the order of painting stays.
  FOND_LADDER_SETTER(reverse, (bool reverse = true), put(keys_.reverse, reverse));
  /// How wrapped lines, or the tracks of a grid, use unused space. Default: stretch.
  FOND_LADDER_SETTER(place_content, (PlaceContentPair rest), put(keys_.place_content, rest));
  /// The columns of a grid. Default: one, of its content.
  FOND_LADDER_SETTER(columns, (const Tracks& tracks), put(keys_.columns, tracks));
  /// The rows of a grid. Default: implicit ones, as many as its children need.
  FOND_LADDER_SETTER(rows, (const Tracks& tracks), put(keys_.rows, tracks));
  /// Size of implicit columns, those beyond columns(). CSS Grid Layout 2, section 7.6.
  FOND_LADDER_SETTER(auto_columns, (Track track), put(keys_.auto_columns, track));
  /// Size of implicit rows.
  FOND_LADDER_SETTER(auto_rows, (Track track), put(keys_.auto_rows, track));
  /// Whether a grid fills row by row or column by column. Default: rows.
  FOND_LADDER_SETTER(flow, (Flow flow), put(keys_.flow, flow));
  /// Whether later children may fill earlier gaps in the grid. CSS Grid Layout 2, section 8.5.
  FOND_LADDER_SETTER(dense, (bool dense = true), put(keys_.dense, dense));
  /// Named areas of a grid, row by row, names with blanks between them; `.` is an empty cell. Each name is a rectangle.
  FOND_LADDER_SETTER(areas, (const std::vector<std::string>& map), put(keys_.areas, map));
  /// The total that weights and grow factors are parts of; the rest of the space stays unused. Default: their sum.
  FOND_LADDER_SETTER(out_of, (double total), put(keys_.out_of, total));
  /// Gives all children the size of the largest along a row or column.
  FOND_LADDER_SETTER(equal_sizes, (bool equal_sizes = true), put(keys_.equal_sizes, equal_sizes));
  /// Where children are placed in a stack or in the cells of a grid. Default: start in a stack, stretch in a grid.
  FOND_LADDER_SETTER(place_items, (Across x, Across y), put(keys_.place_items, PlaceItems{x, y}));
  /// Which children are in front where they overlap. Default: the last.
  FOND_LADDER_SETTER(on_top, (OnTop order), put(keys_.on_top, order));
  /// The axes on which its content scrolls: it may be larger there without overhang.
  FOND_LADDER_SETTER(scroll, (Scroll scroll), put(keys_.scroll, scroll));
  /// For a row or column that scrolls along: a SceneSolver arranges only the entries in view. With a number, its one
  /// child is the template of that many entries, at most 10^9.
  FOND_LADDER_SETTER(virtualized, (std::uint32_t entries = 0), put(keys_.virtualized, Virtualized(true, entries)));

  // Leaves.
  /// Size of the content of a box or image, in pixels, 0 or more.
  FOND_LADDER_SETTER(natural_size, (double width, double height), put(keys_.natural_size, Pair{width, height}));
  /// Font size of a text, above 0. Default: one em of the scene.
  FOND_LADDER_SETTER(font_size, (double pixels), put(keys_.font_size, pixels));
  /// The name of a font of the scene, for text measured with fonts.
  FOND_LADDER_SETTER(font, (const std::string& name), put(keys_.font, name));
  /// Bold letters, where text is measured with fonts.
  FOND_LADDER_SETTER(bold, (bool bold = true), put(keys_.bold, bold));
  /// Italic letters, where text is measured with fonts.
  FOND_LADDER_SETTER(italic, (bool italic = true), put(keys_.italic, italic));
  /// Line height as a multiple of the font size. Default: that of the font.
  FOND_LADDER_SETTER(line_height, (double times_size), put(keys_.line_height, times_size));
  /// Keeps the text on one line.
  FOND_LADDER_SETTER(one_line, (bool one_line = true), put(keys_.one_line, one_line));
  /// The largest number of lines, from 1; further lines are dropped and count as overhang.
  FOND_LADDER_SETTER(max_lines, (int lines), put(keys_.max_lines, lines));
  /// Node ranges: ranges of the width of this node, for `when` of the node and its descendants.
  FOND_LADDER_SETTER(ranges, (const std::vector<Range>& own), put(keys_.ranges, own));
  /// A single TextAlign is x; y is then the start.
  FOND_LADDER_SETTER(text_align, (TextAlignPair align), put(keys_.text_align, align));
  /// How an image fills its box. It has no effect on layout.
  FOND_LADDER_SETTER(image_fit, (ImageFit shows), put(keys_.image_fit, shows));

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
  Node& put_scale(double factor, bool counts) {
    keys_.scale_affects_layout = counts;
    return put(keys_.scale, factor);
  }
  Node& append(std::vector<Node> nodes);
  Node& give_children(const Node& defaults);
  Node& add_form(const std::string& name, const Node& changes);
  Node& take_content(std::shared_ptr<const CustomContent> content);
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
#undef FOND_LADDER_SETTER

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
