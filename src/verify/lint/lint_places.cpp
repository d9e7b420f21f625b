// SPDX-License-Identifier: MIT
//
// Nodes that lie where they should not: wholly outside of something that they are in, over one another, behind one
// another.
#include <algorithm>

#include "fond_ladder/sight.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/lint/lint_sight.hpp"

namespace fond_ladder::inline v0 {
namespace {

struct Common {
  double width = 0, height = 0;
  [[nodiscard]] bool any() const { return width > fit_tolerance && height > fit_tolerance; }
  [[nodiscard]] std::string text() const { return rounded(width) + " x " + rounded(height); }
};

Common common(const Rect& a, const Rect& b) {
  return {std::min(a.right(), b.right()) - std::max(a.x, b.x), std::min(a.bottom(), b.bottom()) - std::max(a.y, b.y)};
}

// --- invisible
// --------------------------------------------------------------------------------------------------------

/// Whether a node is outside a row or column in the direction in which that lays out its children.
bool wraps(const Seen& seen, const SeenNode& one, NodeId beyond) {
  const Kind kind = seen.solution->kind(beyond);
  const Rect view = seen.solution->box(beyond);
  const bool second_slope = one.box.x >= view.right() || one.box.right() <= view.x;
  return kind == (second_slope ? Kind::row : Kind::column);
}

/// Nothing more is reported inside something invisible.
void look_for_invisible(const Seen& seen, Sightings& sightings) {
  Sight sight(*seen.solution);
  for (std::size_t i = 1; i < seen.nodes.size();) {
    const SeenNode& one = seen.nodes[i];
    const Invisible invisible = one.placed ? sight.invisible(one.node) : Invisible();
    const bool is_out_of_sight = invisible.why == Invisible::Why::outside || invisible.why == Invisible::Why::behind;
    i = one.placed && !is_out_of_sight ? i + 1 : one.end;
    if (!is_out_of_sight) continue;
    const bool beyond = invisible.why == Invisible::Why::outside;
    sightings.see(beyond ? LintRule::outside : LintRule::behind, one.node, "", [&] {
      const std::string name = seen.name(invisible.by);
      if (beyond) {
        const bool stays =
            one.keys().pin && one.keys().scroll_ratio.value_or(0) == 0;  // wherever something is scrolled to
        const std::string fix = stays
                                    ? "change its pin"
                                    : "let " + name + " scroll, " +
                                          (wraps(seen, one, invisible.by) ? "let what is in it wrap or shrink, " : "") +
                                          "or place it inside";
        return Reason{"entirely outside " + name + ", never visible", fix};
      }
      return Reason{"entirely behind " + name, "paint it later (file order or on_top), or move one of them; if " +
                                                   name + " is transparent, set see_through on it"};
    });
  }
}

// --- pairs ---------------------------------------------------------------------------------------------------------

bool is_negative(const Length& length) {
  return length.amount() < 0;
}

/// Whether an author lets children of a node lie over one another.
bool may_overlap(const Keys& parent, const Keys& a, const Keys& b) {
  return parent.kind == Kind::stack || is_negative(parent.gap.x) || is_negative(parent.gap.y) ||
         goes_below_zero(a.margin) || goes_below_zero(b.margin);
}

void look_for_overlap(const Seen& seen, const SeenNode& parent, const SeenNode& first, const SeenNode& second,
                      Sightings& sightings) {
  const Common both = common(first.box, second.box);
  if (first.keys().pin || second.keys().pin || !both.any() || may_overlap(parent.keys(), first.keys(), second.keys()))
    return;
  sightings.see(
      LintRule::siblings_overlap, second.node, "",
      [&] {
        const std::string name = seen.name(first.node);
        return Reason{"overlaps " + name + ", " + both.text() + " at worst",
                      parent.keys().kind == Kind::grid
                          ? "move one of them to another cell, or give " + seen.name(parent.node) +
                                " larger tracks; use a stack if the overlap is intended"
                          : "if the overlap is intended, use a stack, or a negative gap or margin"};
      },
      both.width * both.height);
}

/// Whether something in a scroller can be scrolled out from under what covers it: the padding behind its content is as
/// deep as the cover.
bool is_cleared(const Seen& seen, const SeenNode& covered, const SeenNode& cover) {
  for (const SeenNode* at = &covered; !seen.is_root(*at); at = &seen.parent(*at)) {
    const Scroll scroll = at->keys().scroll;
    if (scroll == Scroll::none) continue;
    const FourSides padding = seen.solution->padding(at->node);
    if (scrolls_y(scroll) && (padding.bottom >= at->box.bottom() - cover.box.y - fit_tolerance ||
                              padding.top >= cover.box.bottom() - at->box.y - fit_tolerance))
      return true;
    if (scrolls_x(scroll) && (padding.right >= at->box.right() - cover.box.x - fit_tolerance ||
                              padding.left >= cover.box.right() - at->box.x - fit_tolerance))
      return true;
  }
  return false;
}

void look_for_covered_words(const Seen& seen, const SeenNode& pinned, const SeenNode& other, Sightings& sightings) {
  const bool is_empty_container = is_container(pinned.keys().kind) && pinned.is_empty;
  if (is_empty_container || pinned.keys().see_through) return;
  for (std::size_t i = seen.place(other); i < other.end; ++i) {
    const SeenNode& text = seen.nodes[i];
    if (!text.placed || text.keys().kind != Kind::text || !common(text.box, pinned.box).any()) continue;
    const bool is_behind = common(text.box, pinned.box).width >= text.box.width - fit_tolerance &&
                           common(text.box, pinned.box).height >= text.box.height - fit_tolerance;
    if (is_behind || is_cleared(seen, text, pinned)) continue;  // what is entirely behind is reported as such
    for (const Solution::TextLine& line : seen.solution->text_lines(text.node)) {
      Rect words = line.box;
      words.x += text.box.x;
      words.y += text.box.y;
      const Common covered = common(words, pinned.box);
      if (line.dropped || !covered.any()) continue;
      sightings.see(
          LintRule::pinned_over_text, pinned.node, "pin",
          [&] {
            return Reason{"covers text of {others}, " + covered.text() + " at worst",
                          "keep space for it with padding or margin, or pin it elsewhere"};
          },
          covered.width * covered.height, text.node);
    }
  }
}

void look_at_pair(const Seen& seen, const SeenNode& parent, const SeenNode& first, const SeenNode& second,
                  Sightings& sightings) {
  look_for_overlap(seen, parent, first, second, sightings);
  if (first.keys().pin && !second.keys().pin) look_for_covered_words(seen, first, second, sightings);
  if (second.keys().pin && !first.keys().pin) look_for_covered_words(seen, second, first, sightings);
}

/// Whether there is anything to report where its children meet.
bool may_be_odd(const Seen& seen, const SeenNode& parent) {
  bool any_pin = false, all_overlap = true;
  seen.for_each_child(parent, [&](const SeenNode& child) {
    any_pin = any_pin || child.keys().pin.has_value();
    all_overlap = all_overlap && may_overlap(parent.keys(), child.keys(), child.keys());
  });
  return any_pin || !all_overlap;
}

void look_at_meetings(const Seen& seen, Sightings& sightings) {
  std::size_t left = limits::most_meetings;
  for (const SeenNode& parent : seen.nodes) {
    if (!parent.placed || !may_be_odd(seen, parent)) continue;
    const bool all = for_each_meeting(seen, parent, left, [&](const SeenNode& first, const SeenNode& second) {
      look_at_pair(seen, parent, first, second, sightings);
    });
    if (all) continue;
    sightings.see_too_many(parent.node);
    return;
  }
}

}  // namespace

void look_at_places(const Seen& seen, Sightings& sightings) {
  look_for_invisible(seen, sightings);
  look_at_meetings(seen, sightings);
}

}  // namespace fond_ladder::inline v0
