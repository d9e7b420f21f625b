// SPDX-License-Identifier: MIT
//
// Marks are placed in the order of their importance: overhang, then pins and scrolling, then flags, then the names of
// nodes. Each takes a free spot; a name must be placed where its node is visible.
#include "draw/node_marks.hpp"

#include <algorithm>
#include <cmath>
#include <optional>
#include <utility>

#include "draw/labels.hpp"
#include "draw/marks.hpp"
#include "draw/node_shape.hpp"
#include "draw/palette.hpp"
#include "draw/space.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

constexpr double letter_size = 11, line_height = 14, ascent = 10.5, inset = 3;
constexpr Lettering size_letters{Lettering::Face::label, letter_size, quiet_ink};

/// A way to set the name and the size of a node.
struct LabelForm {
  double letters, line, rise;  ///< sizes of the letters, of a line, and of what is above its baseline
  double inset;                ///< to the outline of the node
  int lines;                   ///< 1: name and size in a row; 2: under each other; 0: the name alone
  bool turned;
};

/// The best one first.
constexpr LabelForm label_forms[] = {
    {11, 14, 10.5, 4, 1, false}, {11, 14, 10.5, 4, 2, false}, {11, 14, 10.5, 1, 1, false}, {9, 11, 8.5, 1, 2, false},
    {11, 14, 10.5, 2, 0, false}, {9, 11, 8.5, 0.5, 1, false}, {9, 11, 8.5, 0.5, 0, false}, {11, 14, 10.5, 1, 1, true},
    {9, 11, 8.5, 0.5, 1, true},  {9, 11, 8.5, 0.5, 0, true},
};

/// The size that it has where it is arranged, and by how much it is painted larger.
std::string size_text(const Item& item) {
  const std::string size = rounded(item.box.width / item.zoom) + " \u00d7 " + rounded(item.box.height / item.zoom);
  return item.scale == 1 ? size : size + " at " + rounded(item.scale);
}

class MarkPainter {
 public:
  MarkPainter(Pen& pen, const Solution& solution, const std::vector<Item>& items, const Rect& space, Used& used)
      : pen_(pen), solution_(solution), items_(items), space_(space), used_(used), spots_(space) {
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (!items[i].shown) continue;
      spots_.cover(common(items[i].box, items[i].view), i);
      if (items[i].kind != Kind::text) continue;
      for (const auto& line : solution.text_lines(items[i].node)) {
        const Rect box = in_picture(items[i], line.box);
        if (line.dropped || box.y > space.bottom()) break;
        constexpr double apart = 2;  // no label is glued to words
        spots_.cover(common(grown(box, apart), items[i].view), LabelSpots::words);
      }
    }
  }

  void paint_overhang(const Item& item) {
    used_.overhang = true;
    if (item.parent != Item::no_parent && solution_.overhang(item.node).any()) {
      const Item& parent = items_[item.parent];
      const Rect inside = in_picture(parent, padding_box(solution_, parent.node));
      mark_overhang(item.box, inside, solution_.overhang(item.node));
    }
    const FourSides words = solution_.text_overhang(item.node);
    if (!words.any()) return;
    const double zoom = item.zoom;
    mark_overhang({item.box.x - words.left * zoom, item.box.y, item.box.width + (words.left + words.right) * zoom,
                   item.box.height + words.bottom * zoom},
                  item.box, words);
  }

  /// The part of a node in the padding of its parent, unless that is allowed.
  void paint_padding_overlap(const Item& item) {
    if (solution_.keys(item.node).allow.has(LintRule::overlaps_padding)) return;
    if (item.parent == Item::no_parent || is_empty(common(item.box, common(item.view, space_)))) return;
    const FourSides into = solution_.padding_overlap(item.node), overhang = solution_.overhang(item.node);
    if (!into.any()) return;
    const Item& parent = items_[item.parent];
    const Rect inside = in_picture(parent, content_box(solution_, parent.node)),
               padding = in_picture(parent, padding_box(solution_, parent.node));
    std::string amounts;
    const auto mark = [&](double by, double beyond_all, const char* arrow) {
      if (by > 0 && beyond_all <= 0) amounts += " " + rounded(by) + " " + arrow;
    };
    mark(into.top, overhang.top, "\u2191");
    mark(into.right, overhang.right, "\u2192");
    mark(into.bottom, overhang.bottom, "\u2193");
    mark(into.left, overhang.left, "\u2190");
    if (amounts.empty()) return;  // where it overhangs, that is marked
    used_.padding_overlap = true;
    pen_.hatch(beyond(common(item.box, padding), inside), Hatch::crossed, 4, {faded(warning_ink, 0.7), 0.7});
    const Rect seen = common(item.box, space_);
    plate("in padding" + amounts, {seen.right() + 4, seen.y + seen.height / 2}, 0, 0.5, LabelSpots::beside_words,
          {Lettering::Face::label, letter_size, warning_ink}, {warning_ink, 0.8}, space_);
  }

  /// A quiet line where children of a row stand on one baseline.
  void paint_baseline(const Item& item) {
    const Keys own = solution_.keys(item.node);
    if (own.kind != Kind::row) return;
    for (const auto& line : solution_.laid_lines(item.node)) {
      std::vector<NodeId> standing;
      for (const NodeId child : line) {
        if (solution_.keys(child).place_self.across.value_or(own.across) == Across::baseline) standing.push_back(child);
      }
      if (standing.size() < 2) continue;
      const Rect row = solution_.box(item.node), first = solution_.box(standing.front()),
                 last = solution_.box(standing.back());
      const double y = solution_.baseline(standing.front()) - row.y;
      const Rect level = in_picture(item, {std::min(first.x, last.x) - row.x, y,
                                           std::max(first.right(), last.right()) - std::min(first.x, last.x), 0});
      const Rect view = common(common(item.box, item.view), space_);
      const Segment seen{{std::max(level.x, view.x), level.y}, {std::min(level.right(), view.right()), level.y}};
      if (seen.from.x >= seen.to.x || level.y < view.y || level.y > view.bottom()) continue;
      const Segment lines[] = {seen};
      pen_.lines(lines, {faded(quiet_ink, 0.8), 0.7, Stroke::Line::dashed});
      used_.baseline = true;
    }
  }

  void paint_pin(const Item& item) {
    const Keys keys = solution_.keys(item.node);
    if (!keys.pin || item.parent == Item::no_parent) return;
    if (is_empty(common(item.box, common(item.view, space_)))) return;  // scrolled out of view
    used_.pin = true;
    const bool rtl = solution_.tree().direction() == Direction::rtl;
    const Pin& pin = *keys.pin;
    const Item& parent = items_[item.parent];
    const Rect inside = in_picture(parent, padding_box(solution_, parent.node));
    const Rect box = in_picture(parent, solution_.relative_box(item.node));  // as arranged, not as painted larger
    const Point middle{box.x + box.width / 2, box.y + box.height / 2};
    const Point hub{inside.x + inside.width / 2, inside.y + inside.height / 2};
    const Limit& left = pin.left ? pin.left : rtl ? pin.end : pin.start;
    const Limit& right = pin.right ? pin.right : rtl ? pin.start : pin.end;
    const FourSides margin = solution_.margin(item.node);
    const auto side = [&](const Limit& limit, Point from, Point to, double apart, double edge) {
      if (limit) draw_tie(item, *limit, from, to, apart / parent.zoom - edge);
    };
    side(left, {inside.x, middle.y}, {box.x, middle.y}, box.x - inside.x, margin.left);
    side(right, {box.right(), middle.y}, {inside.right(), middle.y}, inside.right() - box.right(), margin.right);
    side(pin.top, {middle.x, inside.y}, {middle.x, box.y}, box.y - inside.y, margin.top);
    side(pin.bottom, {middle.x, box.bottom()}, {middle.x, inside.bottom()}, inside.bottom() - box.bottom(),
         margin.bottom);
    side(pin.middle_x, {hub.x, middle.y}, middle, middle.x - hub.x, 0);
    side(pin.middle_y, {middle.x, hub.y}, middle, middle.y - hub.y, 0);
  }

  /// Writes at each side of the picture how many nodes lie beyond it, and how far from the panel's own box. Returns the
  /// nodes of sides at which no label fits.
  std::vector<NodeId> paint_beyond() {
    struct Beyond {
      std::vector<NodeId> nodes;
      double farthest = 0;
    };
    Beyond left, top, right, bottom;
    const Item& whole = items_.front();
    for (const Item& item : items_) {
      if (!item.beyond) continue;
      const auto note = [&](Beyond& side, double by) {
        side.nodes.push_back(item.node);
        side.farthest = std::max(side.farthest, by);
      };
      const double to_left = space_.x - item.box.right(), to_right = item.box.x - space_.right(),
                   up = space_.y - item.box.bottom(), down = item.box.y - space_.bottom();
      if (std::max(to_left, to_right) >= std::max(up, down)) {
        to_right > to_left ? note(right, item.box.right() - whole.box.right()) : note(left, whole.box.x - item.box.x);
      } else {
        down > up ? note(bottom, item.box.bottom() - whole.box.bottom()) : note(top, whole.box.y - item.box.y);
      }
    }
    const double x = space_.x + space_.width / 2, y = space_.y + space_.height / 2;
    std::vector<NodeId> unlabeled;
    const auto mark = [&](const Beyond& side, const char* arrow, Point at, double share_x, double share_y) {
      if (side.nodes.empty()) return;
      const std::string count = std::to_string(side.nodes.size()), far = rounded(side.farthest / whole.zoom);
      for (const auto& [words, how_far] :
           {std::pair(" more beyond, up to ", far), {" more, to ", far}, {" more", std::string()}}) {
        std::string text = count;
        text.append(words).append(how_far).append(" ").append(arrow);
        if (write({text, at, share_x, share_y})) return;
      }
      unlabeled.insert(unlabeled.end(), side.nodes.begin(), side.nodes.end());
    };
    mark(right, "\u2192", {space_.right(), y}, 1, 0.5);
    mark(left, "\u2190", {space_.x, y}, 0, 0.5);
    mark(bottom, "\u2193", {x, space_.bottom()}, 0.5, 1);
    mark(top, "\u2191", {x, space_.y}, 0.5, 0);
    return unlabeled;
  }

  /// Writes the amounts that mark_overhang collected. Comes after all hatching, which would hide them, and after
  /// paint_beyond: what lies beyond has no other mark, so its labels take their spots first.
  void write_overhangs() {
    for (const Label& one : overhangs_) write(one);
    overhangs_.clear();
  }

  void paint_scroll(const Item& item) {
    const Extent range = solution_.scroll_range(item.node);
    const Rect seen = common(item.box, common(item.view, space_));
    // Placed inside the scroller, or not at all.
    if (range.width > 0) {
      note("scrolls " + rounded(range.width) + " \u2194", {seen.right() - inset, seen.y + seen.height / 2}, 1, 0.5,
           seen);
    }
    if (range.height > 0) {
      note("scrolls " + rounded(range.height) + " \u2195", {seen.x + seen.width / 2, seen.bottom() - inset}, 0.5, 1,
           seen);
    }
  }

  void paint_flag(const Item& item) {
    used_.zero = true;
    // Upward from the node, or downward at the upper edge of the picture.
    const Point foot{std::clamp(item.box.x, space_.x + 1, std::max(space_.x + 1, space_.right() - 10)),
                     std::clamp(item.box.y, space_.y + 1, std::max(space_.y + 1, space_.bottom() - 1))};
    const double up = foot.y - 12 < space_.y ? -1 : 1;
    const Segment pole[] = {{foot, {foot.x, foot.y - 12 * up}}, {foot, {item.box.right(), item.box.bottom()}}};
    const Point cloth[] = {{foot.x, foot.y - 12 * up}, {foot.x + 8, foot.y - 9 * up}, {foot.x, foot.y - 6 * up}};
    pen_.lines(pole, {letters_ink, 1.2});
    pen_.polygon(cloth, letters_ink);
    spots_.take({foot.x - 1, std::min(foot.y, foot.y - 12 * up), 9, 12});
    const std::string name = solution_.tree().segment(item.node) + " " + size_text(item);
    constexpr int near = 3;  // steps up and down; then further along
    for (const double along : {10.0, 80.0, 150.0, 220.0}) {
      if (plate(name, {foot.x + along, foot.y - 7 * up}, 0, 0.5, LabelSpots::beside_words, size_letters,
                {quiet_ink, 0.6}, space_, near))
        return;
    }
  }

  void paint_name(const Item& item, std::size_t place) {
    const Rect seen = common(common(item.box, item.view), space_);
    if (std::min(seen.width, seen.height) < 11 || std::max(seen.width, seen.height) < 14) return;
    const std::string name = solution_.tree().segment(item.node), size = size_text(item);
    const std::vector<Rect> areas = free_areas(item, seen);
    for (const LabelForm& form : label_forms) {
      constexpr double between = 5;
      const double name_width = pen_.width_of(name, {Lettering::Face::strong, form.letters, letters_ink});
      const double size_width = pen_.width_of(size, {Lettering::Face::label, form.letters, quiet_ink});
      const double wide = form.lines == 1   ? name_width + between + size_width
                          : form.lines == 2 ? std::max(name_width, size_width)
                                            : name_width;
      const double high = form.line * std::max(1, form.lines);
      const Extent extent = form.turned ? Extent{high, wide} : Extent{wide, high};
      const std::optional<Rect> found = find_spot(areas, extent, form.inset, item.kind, place);
      if (!found) continue;
      spots_.take(*found);
      pen_.fill(common(grown(*found, 1), grown(seen, -1)), faded(tint_of(item.kind, item.depth), 0.85));
      const auto write = [&](const std::string& text, Lettering::Face face, const Ink& ink, double along, double down) {
        const Point at =
            form.turned ? Point{found->x + down, found->bottom() - along} : Point{found->x + along, found->y + down};
        pen_.letters(text, at, {face, form.letters, ink, form.turned});
      };
      write(name, Lettering::Face::strong, letters_ink, 0, form.rise);
      if (form.lines == 1) write(size, Lettering::Face::label, quiet_ink, name_width + between, form.rise);
      if (form.lines == 2) write(size, Lettering::Face::label, quiet_ink, 0, form.line + form.rise);
      return;
    }
  }

 private:
  /// Marks the parts of `area` outside `window`, side by side, with the amounts.
  void mark_overhang(const Rect& area, const Rect& window, const FourSides& overhang) {
    for (const Rect& piece : beyond(common(area, grown(space_, 8)), window)) {
      pen_.fill(piece, faded(warning_ink, 0.12));
      pen_.hatch({&piece, 1}, Hatch::crossed, 5, {faded(warning_ink, 0.8), 0.8});
      pen_.outline(grown(piece, -1), {warning_ink, 2});
    }
    const Rect seen = common(area, space_).width > 0 && common(area, space_).height > 0 ? common(area, space_) : space_;
    const double x = seen.x + seen.width / 2, y = seen.y + seen.height / 2;
    if (overhang.top > 0)
      warn("overhang " + rounded(overhang.top) + " \u2191", {x, std::min(area.y, window.y)}, 0.5, 0);
    if (overhang.right > 0)
      warn("overhang " + rounded(overhang.right) + " \u2192", {std::max(area.right(), window.right()), y}, 1, 0.5);
    if (overhang.bottom > 0) {
      warn("overhang " + rounded(overhang.bottom) + " \u2193", {x, std::max(area.bottom(), window.bottom())}, 0.5, 1);
    }
    if (overhang.left > 0)
      warn("overhang " + rounded(overhang.left) + " \u2190", {std::min(area.x, window.x), y}, 0, 0.5);
  }

  /// A text at its preferred place; the shares select the point of its plate that goes there.
  struct Label {
    std::string text;
    Point at;
    double share_x = 0, share_y = 0;
  };
  void warn(const std::string& text, Point at, double share_x, double share_y) {
    overhangs_.push_back({text, at, share_x, share_y});
  }
  bool write(const Label& one) {
    return plate(one.text, one.at, one.share_x, one.share_y, LabelSpots::on_words,
                 {Lettering::Face::strong, letter_size, warning_ink}, {warning_ink, 1}, space_);
  }
  void note(const std::string& text, Point at, double share_x, double share_y, const Rect& within) {
    plate(text, at, share_x, share_y, LabelSpots::beside_words, size_letters, {quiet_ink, 0.6}, within);
  }

  /// A text on a plate of its own, as near to a point as other labels allow. The shares select the point of the plate
  /// that goes there. None if it would not be within `bounds`. Returns whether there is one.
  bool plate(const std::string& text, Point at, double share_x, double share_y, std::size_t order,
             const Lettering& letters, const Stroke& edge, const Rect& bounds, int steps = 24) {
    const double width = pen_.width_of(text, letters) + 2 * inset, height = line_height + 2;
    if ((width > bounds.width || height > bounds.height) && &bounds != &space_) return false;
    for (int step = 0; step < steps; ++step) {
      const int lines = (step + 1) / 2;
      const double aside = (step % 2 == 0 ? lines : -lines) * (height + 1);
      Rect area{at.x - share_x * width, at.y - share_y * height + aside, width, height};
      area.x = std::clamp(area.x, bounds.x, std::max(bounds.x, bounds.right() - width));
      area.y = std::clamp(area.y, bounds.y, std::max(bounds.y, bounds.bottom() - height));
      if (!spots_.is_free(area, order)) continue;
      spots_.take(area);
      pen_.fill(area, faded(paper, 0.92));
      pen_.outline(grown(area, -0.5), edge);
      pen_.letters(text, {area.x + inset, area.y + 1 + ascent}, letters);
      return true;
    }
    return false;
  }

  /// A tie from edge to edge where a pin really decided; the pin that lost against an opposite one has none.
  void draw_tie(const Item& item, const Length& length, Point from, Point to, double apart) {
    if (!length.is_percent() &&
        std::abs(length.in_px(solution_.tree().units(solution_.keys(item.node)), 0) - apart) > 0.01)
      return;
    const Rect line{std::min(from.x, to.x), std::min(from.y, to.y), std::abs(from.x - to.x), std::abs(from.y - to.y)};
    if (!spots_.is_free(common(grown(line, 3), space_), LabelSpots::on_words)) return;  // a warning is there
    pen_.lines(tie(from, to), {letters_ink, 1});
    const std::string amount = rounded(apart);
    const double width = pen_.width_of(amount, size_letters);
    const Point middle{(from.x + to.x) / 2, (from.y + to.y) / 2};
    for (const Point at : {Point{middle.x - width / 2, middle.y - line_height - 2}, Point{middle.x + 5, middle.y - 7},
                           Point{middle.x - width / 2, middle.y + 3}, Point{middle.x - width - 5, middle.y - 7}}) {
      const Rect area{at.x, at.y, width, line_height};
      if (meet(area, item.box) || !spots_.is_free(area, LabelSpots::beside_words)) continue;
      spots_.take(area);
      pen_.fill(area, faded(paper, 0.75));
      return pen_.letters(amount, {area.x, area.y + ascent}, size_letters);
    }
  }

  /// Where the name of a node may go: inside of it, and for a container what its children leave free.
  std::vector<Rect> free_areas(const Item& item, const Rect& seen) const {
    std::vector<Rect> areas{seen};
    if (!is_container(item.kind)) return areas;
    const Space inside = space_of(solution_, item.node);
    constexpr std::size_t most = 12;
    for (const auto* list : {&inside.padding, &inside.unused_space, &inside.gaps}) {
      for (std::size_t i = 0; i < std::min(most, list->size()); ++i) {
        areas.push_back(common(seen, in_picture(item, (*list)[i])));
      }
    }
    return areas;
  }

  std::optional<Rect> find_spot(const std::vector<Rect>& areas, Extent extent, double margin, Kind kind,
                                std::size_t place) const {
    constexpr std::pair<double, double> shares[] = {{0, 0}, {1, 0}, {0, 1}, {1, 1}, {0.5, 0.5}};
    constexpr std::pair<double, double> beside_words[] = {{1, 0}, {1, 1}, {0, 1}, {0.5, 1}, {0, 0}};
    for (const Rect& whole : areas) {
      const Rect area = grown(whole, -margin);
      if (area.width < extent.width || area.height < extent.height) continue;
      for (const auto& [x, y] : kind == Kind::text ? beside_words : shares) {
        const Rect spot{area.x + x * (area.width - extent.width), area.y + y * (area.height - extent.height),
                        extent.width, extent.height};
        if (spots_.is_free(spot, place)) return spot;
      }
    }
    return {};
  }

  Pen& pen_;
  const Solution& solution_;
  const std::vector<Item>& items_;
  const Rect& space_;
  Used& used_;
  LabelSpots spots_;
  std::vector<Label> overhangs_;
};

}  // namespace

Marks paint_marks(Pen& pen, const Solution& solution, const std::vector<Item>& items, const Rect& space, bool bare,
                  Used& used) {
  constexpr std::size_t most_labels = 3000;
  Marks marks;
  std::vector<const Item*> overhanging_items;
  for (const Item& item : items) {
    const bool at_parent = item.parent != Item::no_parent && solution.overhang(item.node).any();
    if (!at_parent && !solution.text_overhang(item.node).any()) continue;
    if (solution.keys(item.node).allow.overhang()) continue;
    marks.overhang.push_back(item.node);
    if (item.shown) overhanging_items.push_back(&item);
  }
  if (bare) return marks;
  MarkPainter painter(pen, solution, items, space, used);
  for (std::size_t i = 0; i < std::min(most_labels, overhanging_items.size()); ++i)
    painter.paint_overhang(*overhanging_items[i]);
  marks.unlabeled = painter.paint_beyond();
  painter.write_overhangs();
  for (const Item& item : items) {
    if (item.shown && !is_flat(item)) painter.paint_padding_overlap(item);
  }
  for (const Item& item : items) {
    if (!item.shown) continue;
    painter.paint_baseline(item);
    painter.paint_pin(item);
    if (is_container(item.kind)) painter.paint_scroll(item);
  }
  for (const Item& item : items) {
    if (item.shown && is_flat(item)) painter.paint_flag(item);
  }
  std::size_t edited = 0;
  for (std::size_t i = 0; i < items.size() && edited < most_labels; ++i) {
    if (!items[i].shown || is_flat(items[i])) continue;
    painter.paint_name(items[i], i);
    ++edited;
  }
  return marks;
}

}  // namespace fond_ladder::inline v0::picture
