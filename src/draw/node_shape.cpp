// SPDX-License-Identifier: MIT
#include "draw/node_shape.hpp"

#include <algorithm>

#include "draw/marks.hpp"
#include "draw/palette.hpp"
#include "draw/room.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

constexpr double hatch_step = 7, dot_step = 8;

void paint_border(Pen& pen, const Item& item, const FourSides& border, bool is_outside, const Rect& room) {
  Rect outer{0, 0, item.box.width / item.zoom, item.box.height / item.zoom}, inner = outer;
  if (is_outside) {
    outer = {-border.left, -border.top, outer.width + border.left + border.right,
             outer.height + border.top + border.bottom};
  } else {
    inner = {border.left, border.top, std::max(0.0, outer.width - border.left - border.right),
             std::max(0.0, outer.height - border.top - border.bottom)};
  }
  for (const Rect& piece : beyond(outer, inner)) {
    pen.fill(common(in_picture(item, piece), room), line_of(item.kind, item.depth));
  }
}

void paint_room(Pen& pen, const Solution& solution, const Item& item, const Rect& room, Used& used) {
  const Room inside = room_of(solution, item.node);
  const Rect own_box = in_picture(item, padding_box(solution, item.node));
  const Stroke quiet{faded(line_of(item.kind, item.depth), 0.55), 0.7};
  const auto seen = [&](const std::vector<Rect>& areas, bool& mark) {
    std::vector<Rect> pieces;
    for (const Rect& own : areas) {
      const Rect area = common(common(in_picture(item, own), own_box), room);
      if (area.width >= 2 && area.height >= 2) pieces.push_back(area);
    }
    mark = mark || !pieces.empty();
    return pieces;
  };
  pen.hatch(seen(inside.padding, used.padding), Hatch::rising, hatch_step, quiet);
  pen.hatch(seen(inside.gaps, used.gap), Hatch::falling, hatch_step, quiet);
  for (const Rect& track : inside.tracks) {
    const Rect area = common(in_picture(item, track), grown(room, 8));
    if (area.width < 2 || area.height < 2) continue;
    pen.outline(area, {quiet.ink, 0.8, Stroke::Line::dashed});
    used.track = true;
  }
  Stroke dots = quiet;
  dots.width = 1.2;
  dots.line = Stroke::Line::dotted;
  for (const Rect& area : seen(inside.spare, used.spare)) pen.lines(rows_of_dots(area, dot_step), dots);
}

void paint_words(Pen& pen, const Solution& solution, const Item& item, const Rect& room) {
  constexpr double smallest_letters = 5;
  Lettering lettering{Lettering::Face::words, solution.keys(item.node).size.value_or(solution.tree().em()) * item.zoom,
                      letters_ink};
  for (const Solution::Words& line : solution.words(item.node)) {
    const Rect box = in_picture(item, line.box);
    lettering.typesetter = line.style != nullptr ? solution.tree().typesetter().get() : nullptr;
    lettering.style = line.style;
    if (line.dropped || box.y > room.bottom()) break;
    if (!meet(box, room) || line.text.empty()) continue;
    const Point at{box.x, item.box.y + line.baseline * item.zoom};
    if (lettering.size < smallest_letters || box.width > 4 * room.width) {  // a bar instead of letters
      const double high = lettering.size / 2;
      pen.fill(common({box.x, at.y - high, box.width, high}, room), faded(letters_ink, 0.35));
    } else {
      const std::string hyphened = std::string(line.text) + (line.hyphen ? "\u2010" : "");
      pen.letters(hyphened, at, lettering, box.width);
    }
  }
}

/// A crossed frame as large as the picture would be, behind the window that its node leaves it: its corners meet those
/// of the window only where nothing of the picture is hidden and nothing of the window stays empty.
void paint_image(Pen& pen, const Solution& solution, const Item& item, const Rect& room) {
  const Rect window = in_picture(item, content_box(solution, item.node));
  const Keys keys = solution.keys(item.node);
  Rect frame = window;
  if (keys.natural.x > 0 && keys.natural.y > 0 && keys.shows != Shows::stretch) {
    const double wide = window.width / keys.natural.x, high = window.height / keys.natural.y;
    const double by = keys.shows == Shows::cover ? std::max(wide, high) : std::min(wide, high);
    frame.width = keys.natural.x * by;
    frame.height = keys.natural.y * by;
    frame.x = window.x + (window.width - frame.width) / 2;
    frame.y = window.y + (window.height - frame.height) / 2;
  }
  if (is_empty(common(window, room)) || std::max(frame.width, frame.height) > 1e5) return;
  const Stroke thin{line_of(item.kind, item.depth), 0.8};
  const Segment diagonals[] = {{{frame.x, frame.y}, {frame.right(), frame.bottom()}},
                               {{frame.x, frame.bottom()}, {frame.right(), frame.y}}};
  pen.clip(window);
  pen.fill(common(common(frame, window), room), faded(paper, 0.45));
  pen.lines(diagonals, thin);
  pen.outline(frame, thin);
  pen.unclip();
}

/// The part of a node that nobody sees before scrolling: a faint tint with a broken outline.
void paint_hidden_part(Pen& pen, const Item& item, const Rect& room) {
  const Stroke broken{faded(line_of(item.kind, item.depth), 0.6), 0.8, Stroke::Line::dashed};
  for (const Rect& piece : beyond(common(item.box, grown(room, 8)), item.view)) {
    pen.fill(piece, faded(tint_of(item.kind, item.depth), 0.35));
    pen.outline(grown(piece, -0.5), broken);
  }
}

}  // namespace

Rect in_picture(const Item& item, const Rect& own) {
  return {item.box.x + own.x * item.zoom, item.box.y + own.y * item.zoom, own.width * item.zoom,
          own.height * item.zoom};
}

void paint_shape(Pen& pen, const Solution& solution, const Item& item, const Rect& room, bool bare, Used& used) {
  if (is_flat(item)) return;
  const Rect seen = common(item.box, item.view);
  const bool whole = is_inside(item.box, item.view);
  if (!whole && !bare) {
    used.scrolled = true;
    paint_hidden_part(pen, item, room);
  }
  if (is_empty(common(seen, room))) return;
  if (!whole) pen.clip(common(item.view, room));
  const Rect box = common(item.box, grown(room, 8));
  // A container paints nothing of its own: what lies behind it shines through.
  constexpr double veil = 0.6;
  const bool is_veil = is_container(item.kind) && item.parent != Item::no_parent;
  pen.fill(box, is_veil ? faded(tint_of(item.kind, item.depth), veil) : tint_of(item.kind, item.depth));
  const bool roomy = box.width >= 4 && box.height >= 4;
  if (roomy && !bare) paint_room(pen, solution, item, room, used);
  const BorderAt border_at = solution.keys(item.node).border_at;
  const bool is_outside = border_at == BorderAt::around || border_at == BorderAt::outline;
  paint_border(pen, item, solution.border(item.node), is_outside, room);
  if (item.kind == Kind::text) paint_words(pen, solution, item, room);
  if (item.kind == Kind::image && roomy) paint_image(pen, solution, item, room);
  if (roomy) pen.outline(grown(box, -0.5), {line_of(item.kind, item.depth), 1});
  if (!whole) pen.unclip();
}

}  // namespace fond_ladder::inline v0::picture
