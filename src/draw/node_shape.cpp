// SPDX-License-Identifier: MIT
#include "draw/node_shape.hpp"

#include <algorithm>

#include "draw/marks.hpp"
#include "draw/palette.hpp"
#include "draw/space.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

constexpr double hatch_step = 7, dot_step = 8;

void paint_border(Pen& pen, const Item& item, const FourSides& border, bool is_outside, const Rect& space) {
  Rect outer{0, 0, item.box.width / item.zoom, item.box.height / item.zoom}, inner = outer;
  if (is_outside) {
    outer = {-border.left, -border.top, outer.width + border.left + border.right,
             outer.height + border.top + border.bottom};
  } else {
    inner = {border.left, border.top, std::max(0.0, outer.width - border.left - border.right),
             std::max(0.0, outer.height - border.top - border.bottom)};
  }
  for (const Rect& piece : beyond(outer, inner)) {
    pen.fill(common(in_picture(item, piece), space), line_of(item.kind, item.depth));
  }
}

void paint_space(Pen& pen, const Solution& solution, const Item& item, const Rect& space, Used& used) {
  const Space inside = space_of(solution, item.node);
  const Rect own_box = in_picture(item, padding_box(solution, item.node));
  const Stroke quiet{faded(line_of(item.kind, item.depth), 0.55), 0.7};
  const auto seen = [&](const std::vector<Rect>& areas, bool& mark) {
    std::vector<Rect> pieces;
    for (const Rect& own : areas) {
      const Rect area = common(common(in_picture(item, own), own_box), space);
      if (area.width >= 2 && area.height >= 2) pieces.push_back(area);
    }
    mark = mark || !pieces.empty();
    return pieces;
  };
  pen.hatch(seen(inside.padding, used.padding), Hatch::rising, hatch_step, quiet);
  pen.hatch(seen(inside.gaps, used.gap), Hatch::falling, hatch_step, quiet);
  for (const Rect& track : inside.tracks) {
    const Rect area = common(in_picture(item, track), grown(space, 8));
    if (area.width < 2 || area.height < 2) continue;
    pen.outline(area, {quiet.ink, 0.8, Stroke::Line::dashed});
    used.track = true;
  }
  Stroke dots = quiet;
  dots.width = 1.2;
  dots.line = Stroke::Line::dotted;
  for (const Rect& area : seen(inside.unused_space, used.unused_space)) pen.lines(rows_of_dots(area, dot_step), dots);
}

void paint_words(Pen& pen, const Solution& solution, const Item& item, const Rect& space) {
  constexpr double smallest_letters = 5;
  Lettering lettering{Lettering::Face::words,
                      solution.keys(item.node).font_size.value_or(solution.tree().em()) * item.zoom, letters_ink};
  for (const Solution::TextLine& line : solution.text_lines(item.node)) {
    const Rect box = in_picture(item, line.box);
    lettering.text_shaper = line.style != nullptr ? solution.tree().text_shaper().get() : nullptr;
    lettering.style = line.style;
    if (line.dropped || box.y > space.bottom()) break;
    if (!meet(box, space) || line.text.empty()) continue;
    const Point at{box.x, item.box.y + line.baseline * item.zoom};
    if (lettering.size < smallest_letters || box.width > 4 * space.width) {  // a bar instead of letters
      const double high = lettering.size / 2;
      pen.fill(common({box.x, at.y - high, box.width, high}, space), faded(letters_ink, 0.35));
    } else {
      const std::string hyphened = std::string(line.text) + (line.hyphen ? "\u2010" : "");
      pen.letters(hyphened, at, lettering, box.width);
    }
  }
}

/// A crossed frame as large as the picture would be, behind the window that its node leaves it: its corners meet those
/// of the window only where nothing of the picture is hidden and nothing of the window stays empty.
void paint_image(Pen& pen, const Solution& solution, const Item& item, const Rect& space) {
  const Rect window = in_picture(item, content_box(solution, item.node));
  const Keys keys = solution.keys(item.node);
  Rect context = window;
  if (keys.natural_size.x > 0 && keys.natural_size.y > 0 && keys.image_fit != ImageFit::stretch) {
    const double wide = window.width / keys.natural_size.x, high = window.height / keys.natural_size.y;
    const double by = keys.image_fit == ImageFit::cover ? std::max(wide, high) : std::min(wide, high);
    context.width = keys.natural_size.x * by;
    context.height = keys.natural_size.y * by;
    context.x = window.x + (window.width - context.width) / 2;
    context.y = window.y + (window.height - context.height) / 2;
  }
  if (is_empty(common(window, space)) || std::max(context.width, context.height) > 1e5) return;
  const Stroke thin{line_of(item.kind, item.depth), 0.8};
  const Segment diagonals[] = {{{context.x, context.y}, {context.right(), context.bottom()}},
                               {{context.x, context.bottom()}, {context.right(), context.y}}};
  pen.clip(window);
  pen.fill(common(common(context, window), space), faded(paper, 0.45));
  pen.lines(diagonals, thin);
  pen.outline(context, thin);
  pen.unclip();
}

/// The part of a node that is invisible before scrolling: a faint tint with a broken outline.
void paint_hidden_part(Pen& pen, const Item& item, const Rect& space) {
  const Stroke broken{faded(line_of(item.kind, item.depth), 0.6), 0.8, Stroke::Line::dashed};
  for (const Rect& piece : beyond(common(item.box, grown(space, 8)), item.view)) {
    pen.fill(piece, faded(tint_of(item.kind, item.depth), 0.35));
    pen.outline(grown(piece, -0.5), broken);
  }
}

}  // namespace

Rect in_picture(const Item& item, const Rect& own) {
  return {item.box.x + own.x * item.zoom, item.box.y + own.y * item.zoom, own.width * item.zoom,
          own.height * item.zoom};
}

void paint_shape(Pen& pen, const Solution& solution, const Item& item, const Rect& space, bool bare, Used& used) {
  if (is_flat(item)) return;
  const Rect seen = common(item.box, item.view);
  const bool whole = is_inside(item.box, item.view);
  if (!whole && !bare) {
    used.scrolled = true;
    paint_hidden_part(pen, item, space);
  }
  if (is_empty(common(seen, space))) return;
  if (!whole) pen.clip(common(item.view, space));
  const Rect box = common(item.box, grown(space, 8));
  // A container paints nothing of its own: what is behind it shines through.
  constexpr double veil = 0.6;
  const bool is_veil = is_container(item.kind) && item.parent != Item::no_parent;
  pen.fill(box, is_veil ? faded(tint_of(item.kind, item.depth), veil) : tint_of(item.kind, item.depth));
  const bool roomy = box.width >= 4 && box.height >= 4;
  if (roomy && !bare) paint_space(pen, solution, item, space, used);
  const BorderAt border_at = solution.keys(item.node).border_at;
  const bool is_outside = border_at == BorderAt::around || border_at == BorderAt::outline;
  paint_border(pen, item, solution.border(item.node), is_outside, space);
  if (item.kind == Kind::text) paint_words(pen, solution, item, space);
  if (item.kind == Kind::image && roomy) paint_image(pen, solution, item, space);
  if (roomy) pen.outline(grown(box, -0.5), {line_of(item.kind, item.depth), 1});
  if (!whole) pen.unclip();
}

}  // namespace fond_ladder::inline v0::picture
