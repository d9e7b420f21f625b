// SPDX-License-Identifier: MIT
#include "draw/panel.hpp"

#include <algorithm>
#include <functional>

#include "draw/marks.hpp"
#include "draw/node_marks.hpp"
#include "draw/node_shape.hpp"
#include "draw/space.hpp"
#include "fond_ladder/draw.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

/// Whoever wants to see more levels at once has to ask for an inner node.
constexpr Rect everywhere{-1e12, -1e12, 2e12, 2e12};

/// What a scroller lets be seen of its children.
Rect view_inside(const Solution& solution, const Item& item, Scroll scroll) {
  const Rect padding = padding_box(solution, item.node);
  Rect window = everywhere;
  if (scrolls_x(scroll)) {
    window.x = item.box.x + padding.x * item.zoom;
    window.width = padding.width * item.zoom;
  }
  if (scrolls_y(scroll)) {
    window.y = item.box.y + padding.y * item.zoom;
    window.height = padding.height * item.zoom;
  }
  return common(item.view, window);
}

Rect mapped(const Rect& box, Point from, Point to, double scale) {
  return {to.x + (box.x - from.x) * scale, to.y + (box.y - from.y) * scale, box.width * scale, box.height * scale};
}

/// Hides the nodes that are too small to be seen, and all but the `most` largest.
void choose_shown(std::vector<Item>& items, const Rect& space, std::size_t most) {
  constexpr double smallest = 0.75;  // pixels of the picture
  constexpr std::size_t most_flags = 200;
  std::vector<double> areas;
  std::size_t flags = 0;
  for (Item& item : items) {
    const bool flat = is_flat(item);
    item.shown = flat ? flags++ < most_flags : item.box.width >= smallest && item.box.height >= smallest;
    item.beyond = item.shown && !meet(grown(item.box, 1), space) && !is_empty(common(grown(item.box, 1), item.view));
    item.shown = item.shown && meet(grown(item.box, 1), space);
    if (item.shown) areas.push_back(item.box.width * item.box.height);
  }
  if (areas.size() <= most) return;
  std::ranges::nth_element(areas, areas.begin() + static_cast<std::ptrdiff_t>(most), std::greater<>());
  const double limit = areas[most];
  std::size_t left = most;
  for (Item& item : items) {
    if (!item.shown) continue;
    item.shown = left > 0 && item.box.width * item.box.height >= limit;
    if (item.shown) --left;
  }
}

/// A description of a node for a tooltip: `beds, a column, 240 x 771`.
std::string title_of(const Solution& solution, const Item& item) {
  const Rect box = solution.relative_box(item.node);
  return solution.tree().segment(item.node) + ", " + std::string(word(item.kind)) + ", " + rounded(box.width) +
         " \u00d7 " + rounded(box.height);
}

/// Which kinds can be seen: those that are not wholly behind a box or an image that they hold.
void note_kinds(const std::vector<Item>& items, const Rect& space, Used& used) {
  std::vector<bool> covered(items.size());
  for (const Item& item : items) {
    const bool covers = item.kind == Kind::box || item.kind == Kind::image;
    if (item.shown && covers && item.parent != Item::no_parent && is_inside(items[item.parent].box, item.box))
      covered[item.parent] = true;
  }
  for (std::size_t i = 0; i < items.size(); ++i) {
    const Item& item = items[i];
    const bool is_seen =
        item.shown && !covered[i] && !is_flat(item) && !is_empty(common(common(item.box, item.view), space));
    if (is_seen) used.kinds[static_cast<std::size_t>(item.kind)] = true;
  }
}

/// Whether it is the first entry of a list that was scrolled out of view: it is arranged wherever that is.
bool is_out_of_list(const Solution& solution, const Solution::Painted& painted, const Rect& view) {
  if (!is_empty(common(painted.box, view))) return false;
  return solution.keys(solution.tree().parent(painted.node)).is_list();
}

}  // namespace

void Used::add(const Used& other) {
  for (std::size_t i = 0; i < kinds.size(); ++i) kinds[i] = kinds[i] || other.kinds[i];
  padding = padding || other.padding;
  gap = gap || other.gap;
  unused_space = unused_space || other.unused_space;
  overhang = overhang || other.overhang;
  scrolled = scrolled || other.scrolled;
  track = track || other.track;
  zero = zero || other.zero;
  pin = pin || other.pin;
  padding_overlap = padding_overlap || other.padding_overlap;
  baseline = baseline || other.baseline;
}

PanelDrawing::PanelDrawing(const Solution& solution, NodeId only) : solution_(solution) {
  struct Above {
    std::size_t item;
    Rect view;
  };
  std::vector<Above> above;
  int top = -1;
  for (const Solution::Painted& painted : solution.painted()) {
    if (top < 0 && painted.node != only) continue;
    if (top >= 0 && painted.depth <= top) break;
    if (top < 0) top = painted.depth;
    const int depth = painted.depth - top;
    if (depth > limits::deepest_drawn) {
      ++too_deep_;
      continue;
    }
    if (above.size() < static_cast<std::size_t>(depth)) continue;  // in what is left out
    above.resize(static_cast<std::size_t>(depth));
    if (!above.empty() && is_out_of_list(solution, painted, above.back().view)) continue;
    const Kind kind = solution.kind(painted.node);
    Item item{painted.node, kind, depth, Item::no_parent, painted.box, everywhere, painted.scale, painted.scale};
    if (!above.empty()) {
      item.parent = above.back().item;
      item.view = above.back().view;
    }
    Rect view = item.view;
    if (is_container(kind)) {
      const Scroll scroll = solution.keys(painted.node).scroll;
      if (scroll != Scroll::none) view = view_inside(solution, item, scroll);
    }
    above.push_back({items_.size(), view});
    items_.push_back(item);
  }
  const std::string path = solution.tree().path(only);
  if (items_.empty()) throw BadPicture(path + " is hidden at this size: nothing to draw");
  if (is_empty(items_.front().box)) throw BadPicture(path + " has a width or height of 0: nothing to draw");
}

Extent PanelDrawing::size() const {
  return {items_.front().box.width, items_.front().box.height};
}

FourSides PanelDrawing::overhang(double scale) const {
  constexpr double most = 56;
  const Rect& whole = items_.front().box;
  FourSides over;
  for (const Item& item : items_) {
    if (is_empty(common(grown(item.box, 1), item.view))) continue;
    over.left = std::max(over.left, whole.x - item.box.x);
    over.top = std::max(over.top, whole.y - item.box.y);
    over.right = std::max(over.right, item.box.right() - whole.right());
    over.bottom = std::max(over.bottom, item.box.bottom() - whole.bottom());
    if (item.kind != Kind::text) continue;
    const FourSides words = solution_.text_overhang(item.node);  // words that are spilled are seen as well
    over.left = std::max(over.left, whole.x - item.box.x + words.left);
    over.right = std::max(over.right, item.box.right() - whole.right() + words.right);
  }
  for (double* side : {&over.left, &over.top, &over.right, &over.bottom}) *side = std::min(*side * scale, most);
  return over;
}

PanelReport PanelDrawing::paint(Pen& pen, Point at, double scale, const Rect& space, std::size_t most,
                                bool bare) const {
  const Point corner{items_.front().box.x, items_.front().box.y};
  std::vector<Item> items = items_;
  for (Item& item : items) {
    item.box = mapped(item.box, corner, at, scale);
    item.view = mapped(item.view, corner, at, scale);
    item.zoom *= scale;
  }
  choose_shown(items, space, most);

  PanelReport report;
  report.left_out = too_deep_;
  const auto leave_out = [&](NodeId node) {
    constexpr std::size_t most_named = 6;
    if (report.missing.size() < most_named) report.missing.push_back(node);
    ++report.left_out;
  };
  pen.clip(space);
  const bool names_nodes = pen.names_nodes();
  for (const Item& item : items) {
    if (item.beyond && !bare) continue;  // a mark shows how many
    if (!item.shown) {
      leave_out(item.node);
      continue;
    }
    ++report.drawn;
    const Tree& tree = solution_.tree();
    if (names_nodes) pen.begin_node(tree.path(item.node), title_of(solution_, item));
    paint_shape(pen, solution_, item, space, bare, report.used);
    if (names_nodes) pen.end_node();
  }
  note_kinds(items, space, report.used);
  Marks marks = paint_marks(pen, solution_, items, space, bare, report.used);
  report.overhang = std::move(marks.overhang);
  for (const NodeId node : marks.unlabeled) leave_out(node);
  pen.unclip();
  return report;
}

}  // namespace fond_ladder::inline v0::picture
