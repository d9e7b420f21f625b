// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/changes.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/own_content.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A subtree being written down: `row("bar").gap(8).holds(text("title", "North house"), box("alarm"))`.
///
/// A value: it owns its children. Every setter says one key and returns the node, to be said on; setters never look at
/// each other, so their order does not matter. What is out of its domain throws BadValue when the node becomes a Scene.
class Node {
 public:
  explicit Node(Kind kind, std::string name = {});
  Node(const Node&) = default;
  Node(Node&&) noexcept = default;
  Node& operator=(const Node&) = default;
  Node& operator=(Node&&) noexcept = default;
  ~Node();

  /// Appends children.
  template <class... Nodes>
  Node&& holds(Nodes&&... children) && {
    (children_.push_back(std::forward<Nodes>(children)), ...);
    return std::move(*this);
  }
  Node&& holds(std::vector<Node> children) &&;
  /// Keys for every direct child that leaves them at their default; kind, name and text excepted.
  Node&& each(const Node& defaults) &&;
  /// What the node is while a range of that name holds, or a mode of that name is on: it takes the keys that `changes`
  /// says, as in `when("narrow", column().gap(4))`. A box() says no kind there, the other makers theirs; names, words
  /// and children are left alone.
  Node&& when(const std::string& name, const Node& changes) &&;
  /// Content of one's own in a leaf, shared with the scene.
  Node&& content_from(std::shared_ptr<const OwnContent> content) &&;
  /// All keys at once, for those without a setter of their own.
  template <class Change>
  Node&& with(Change change) && {
    const Keys before = keys_;
    change(keys_);
    note_changed(before);
    return std::move(*this);
  }

  // Sizes. Lengths are pixels, `em(n)` or `percent(n)`.
  Node&& width(Sizing sizing) && { return say(keys_.width, sizing); }
  Node&& height(Sizing sizing) && { return say(keys_.height, sizing); }
  Node&& min_width(Length length) && { return say(keys_.min_width, length); }
  Node&& max_width(Length length) && { return say(keys_.max_width, length); }
  Node&& min_height(Length length) && { return say(keys_.min_height, length); }
  Node&& max_height(Length length) && { return say(keys_.max_height, length); }
  Node&& aspect(double width_by_height) && { return say(keys_.aspect, width_by_height); }

  // Edges.
  Node&& margin(Edges edges) && { return say(keys_.margin, edges); }
  Node&& margin_left(Edge edge) && { return side(keys_.margin, Side::left, edge); }
  Node&& margin_right(Edge edge) && { return side(keys_.margin, Side::right, edge); }
  Node&& margin_top(Edge edge) && { return side(keys_.margin, Side::top, edge); }
  Node&& margin_bottom(Edge edge) && { return side(keys_.margin, Side::bottom, edge); }
  Node&& margin_start(Edge edge) && { return side(keys_.margin, Side::start, edge); }
  Node&& margin_end(Edge edge) && { return side(keys_.margin, Side::end, edge); }
  Node&& padding(Edges edges) && { return say(keys_.padding, edges); }
  Node&& border(Edges edges) && { return say(keys_.border, edges); }
  Node&& border_at(BorderAt place) && { return say(keys_.border_at, place); }

  // As a child.
  Node&& basis(Sizing sizing) && { return say(keys_.basis, sizing); }
  Node&& grow(double factor) && { return say(keys_.grow, factor); }
  Node&& shrink(double factor) && { return say(keys_.shrink, factor); }
  Node&& weight(double part) && { return say(keys_.weight, part); }
  Node&& self(Across across) && { return say(keys_.self.across, across); }
  Node&& self(Across x, Across y) && {
    keys_.self.x = x;
    return say(keys_.self.y, y);
  }
  Node&& nudge(double dx, double dy) && { return say(keys_.nudge, Pair{dx, dy}); }
  Node&& cell(int column, int row) && { return say(keys_.cell, Cell{column, row}); }
  Node&& span(int columns, int rows) && { return say(keys_.span, CellSpan{columns, rows}); }
  Node&& area(const std::string& name) && { return say(keys_.area, name); }
  Node&& order(int rank) && { return say(keys_.order, Order{rank}); }
  Node&& pin(Pin pin) && { return say(keys_.pin, pin); }
  Node&& hidden(bool hidden = true) && { return say(keys_.hidden, hidden); }
  Node&& meant(Meant meant) && { return say(keys_.meant, meant); }
  Node&& touch(bool touch = true) && { return say(keys_.touch, touch); }
  Node&& drift(double share) && { return say(keys_.drift, share); }
  Node&& scale(double factor, bool counts = false) && {
    keys_.scale_counts = counts;
    return say(keys_.scale, factor);
  }

  // As a container.
  Node&& gap(Gap gap) && { return say(keys_.gap, gap); }
  Node&& along(Along along) && { return say(keys_.along, along); }
  Node&& across(Across across) && { return say(keys_.across, across); }
  Node&& wrap(bool wrap = true) && { return say(keys_.wrap, wrap); }
  Node&& reverse(bool reverse = true) && { return say(keys_.reverse, reverse); }
  Node&& rest(RestOn rest) && { return say(keys_.rest, rest); }
  Node&& columns(const Tracks& tracks) && { return say(keys_.columns, tracks); }
  Node&& rows(const Tracks& tracks) && { return say(keys_.rows, tracks); }
  Node&& auto_columns(Track track) && { return say(keys_.auto_columns, track); }
  Node&& auto_rows(Track track) && { return say(keys_.auto_rows, track); }
  Node&& flow(Flow flow) && { return say(keys_.flow, flow); }
  Node&& dense(bool dense = true) && { return say(keys_.dense, dense); }
  Node&& areas(const std::vector<std::string>& map) && { return say(keys_.areas, map); }
  Node&& out_of(double total) && { return say(keys_.out_of, total); }
  Node&& alike(bool alike = true) && { return say(keys_.alike, alike); }
  Node&& align(Across x, Across y) && { return say(keys_.align, Align{x, y}); }
  Node&& paint_order(PaintOrder order) && { return say(keys_.paint_order, order); }
  Node&& scroll(Scroll scroll) && { return say(keys_.scroll, scroll); }

  // Leaves.
  Node&& natural(double width, double height) && { return say(keys_.natural, Pair{width, height}); }
  Node&& size(double pixels) && { return say(keys_.size, pixels); }
  Node&& one_line(bool one_line = true) && { return say(keys_.one_line, one_line); }
  Node&& max_lines(int lines) && { return say(keys_.max_lines, lines); }
  Node&& words_at(WordsAt words_at) && { return say(keys_.words_at, words_at); }
  Node&& shows(Shows shows) && { return say(keys_.shows, shows); }

  [[nodiscard]] const Keys& keys() const { return keys_; }
  /// What was said of the node itself, as Tree::set takes it: keys by setters, a kind other than that of a box(), a
  /// name and words.
  [[nodiscard]] Changes said() const;
  /// The same as bits, by the places of the keys in their table. For the library.
  [[nodiscard]] std::uint64_t said_bits() const;
  [[nodiscard]] const std::vector<Node>& children() const { return children_; }
  [[nodiscard]] const std::shared_ptr<const OwnContent>& content() const { return content_; }
  [[nodiscard]] const std::vector<std::pair<std::string, Changes>>& whens() const { return whens_; }
  /// Whether `each` gives keys to the children.
  [[nodiscard]] bool gives_keys() const { return each_ != nullptr; }
  /// The keys of a child with what `each` gives it.
  [[nodiscard]] Keys child_keys(const Node& child) const;

 private:
  friend Node text(std::string name, std::string words);

  template <class Field, class Value>
  Node&& say(Field& field, const Value& value) {
    field = value;
    note_said(&field);
    return std::move(*this);
  }
  Node&& side(Edges& edges, Side side, Edge edge) {
    edges.set(side, edge);
    note_said(&edges);
    return std::move(*this);
  }
  void note_said(const void* field);
  void note_changed(const Keys& before);

  Keys keys_;
  std::shared_ptr<const Keys> each_;
  std::shared_ptr<const OwnContent> content_;
  std::uint64_t said_ = 0;  // by setters, one bit a key
  std::vector<std::pair<std::string, Changes>> whens_;
  std::vector<Node> children_;
};

[[nodiscard]] inline Node row(std::string name = {}) {
  return Node(Kind::row, std::move(name));
}
[[nodiscard]] inline Node column(std::string name = {}) {
  return Node(Kind::column, std::move(name));
}
[[nodiscard]] inline Node grid(std::string name = {}) {
  return Node(Kind::grid, std::move(name));
}
[[nodiscard]] inline Node stack(std::string name = {}) {
  return Node(Kind::stack, std::move(name));
}
[[nodiscard]] inline Node box(std::string name = {}) {
  return Node(Kind::box, std::move(name));
}
[[nodiscard]] inline Node image(std::string name = {}) {
  return Node(Kind::image, std::move(name));
}
[[nodiscard]] Node text(std::string name, std::string words);

}  // namespace v0
}  // namespace fond_ladder
