// SPDX-License-Identifier: MIT
//
// Nodes that lie where they should not: wholly outside of something that they are in, over one another, behind one
// another. Only siblings whose ink meets can hide each other's insides, so pairs of siblings are looked for first, by
// sweeping along the axis on which their container lays them.
#include <algorithm>

#include "model/number_text.hpp"
#include "verify/lint/lint_sight.hpp"

namespace fond_ladder::inline v0 {
namespace {

struct Common {
  double width = 0, height = 0;
  [[nodiscard]] bool any() const { return width > give && height > give; }
  [[nodiscard]] std::string text() const { return rounded(width) + " x " + rounded(height); }
};

Common common(const Rect& a, const Rect& b) {
  return {std::min(a.right(), b.right()) - std::max(a.x, b.x), std::min(a.bottom(), b.bottom()) - std::max(a.y, b.y)};
}

bool is_within(const Rect& inner, const Rect& outer) {
  return inner.x >= outer.x - give && inner.y >= outer.y - give && inner.right() <= outer.right() + give &&
         inner.bottom() <= outer.bottom() + give;
}

bool has_area(const Rect& box) {
  return box.width > give && box.height > give;
}

// --- outside -------------------------------------------------------------------------------------------------------

/// The nearest node above that a node lies wholly outside of; none where it can be seen, or scrolled into view.
const SeenNode* left_behind(const Seen& seen, const SeenNode& one) {
  Rect box = one.box;
  for (const SeenNode* above = &one; !seen.is_root(*above);) {
    above = &seen.parent(*above);
    const Rect& view = above->box;
    if (scrolls_x(above->keys.scroll)) box.x = view.x, box.width = view.width;
    if (scrolls_y(above->keys.scroll)) box.y = view.y, box.height = view.height;
    if (!common(box, view).any() && has_area(view)) return above;
  }
  return nullptr;
}

void look_outside(const Seen& seen, Sightings& sightings) {
  std::vector<bool> outside(seen.nodes.size());
  for (std::size_t i = 1; i < seen.nodes.size(); ++i) {
    const SeenNode& one = seen.nodes[i];
    outside[i] = outside[one.parent];
    if (!one.placed || outside[i] || !has_area(one.box)) continue;
    const SeenNode* view = left_behind(seen, one);
    if (view == nullptr) continue;
    outside[i] = true;
    sightings.see(Oddity::outside, one.node, "", [&] {
      const std::string name = seen.name(view->node);
      return Reason{"it lies wholly outside " + name + ", where nobody sees it",
                    "let " + name + " scroll, let what is in it wrap or shrink, or place it inside"};
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
  if (first.keys.pin || second.keys.pin || !both.any() || may_overlap(parent.keys, first.keys, second.keys)) return;
  sightings.see(
      Oddity::overlap, second.node, "",
      [&] {
        const std::string name = seen.name(first.node);
        return Reason{"it lies over " + name + ", " + both.text() + " at worst",
                      parent.keys.kind == Kind::grid ? "give one of them another cell, or " + seen.name(parent.node) +
                                                           " larger tracks; a stack says that it is meant"
                                                     : "a negative gap or margin, or a stack, says that it is meant"};
      },
      both.width * both.height);
}

void look_for_covered_words(const Seen& seen, const SeenNode& pinned, const SeenNode& other, Sightings& sightings) {
  for (std::size_t i = seen.place(other); i < other.end; ++i) {
    const SeenNode& text = seen.nodes[i];
    if (!text.placed || text.keys.kind != Kind::text || !common(text.box, pinned.box).any()) continue;
    for (const Solution::Words& line : seen.solution->words(text.node)) {
      Rect words = line.box;
      words.x += text.box.x;
      words.y += text.box.y;
      const Common covered = common(words, pinned.box);
      if (line.dropped || !covered.any()) continue;
      sightings.see(
          Oddity::pinned_over_text, pinned.node, "pin",
          [&] {
            return Reason{"it covers words of " + seen.name(text.node) + ", " + covered.text() + " at worst",
                          "keep room for it by padding or margin, or pin it elsewhere"};
          },
          covered.width * covered.height);
    }
  }
}

/// What lies wholly behind a box or an image.
void look_behind(const Seen& seen, const SeenNode& back, const SeenNode& front, Sightings& sightings) {
  for (std::size_t f = seen.place(front); f < front.end; ++f) {
    const SeenNode& cover = seen.nodes[f];
    const bool covers = cover.keys.kind == Kind::box || cover.keys.kind == Kind::image;
    if (!cover.placed || !covers || !has_area(cover.box) || !common(back.ink, cover.box).any()) continue;
    for (std::size_t b = seen.place(back); b < back.end;) {
      const SeenNode& hidden = seen.nodes[b];
      if (!hidden.placed || !has_area(hidden.box) || !is_within(hidden.box, cover.box)) {
        ++b;
        continue;
      }
      sightings.see(Oddity::behind, hidden.node, "", [&] {
        return Reason{"it lies wholly behind " + seen.name(cover.node),
                      "paint it later (the order of the file, or paint_order), or place one of them elsewhere"};
      });
      b = hidden.end;
    }
  }
}

void look_at_pair(const Seen& seen, const SeenNode& parent, const SeenNode& first, const SeenNode& second,
                  Sightings& sightings) {
  look_for_overlap(seen, parent, first, second, sightings);
  if (first.keys.pin && !second.keys.pin) look_for_covered_words(seen, first, second, sightings);
  if (second.keys.pin && !first.keys.pin) look_for_covered_words(seen, second, first, sightings);
  const bool later_in_front = parent.keys.paint_order == PaintOrder::file;
  look_behind(seen, later_in_front ? first : second, later_in_front ? second : first, sightings);
}

/// Finds the siblings whose ink meets.
void look_at_pairs(const Seen& seen, const SeenNode& parent, Sightings& sightings) {
  std::vector<const SeenNode*> children;
  seen.for_each_child(parent, [&](const SeenNode& child) {
    if (has_area(child.ink)) children.push_back(&child);
  });
  const bool by_x = parent.keys.kind == Kind::row;
  const auto start = [&](const SeenNode* one) { return by_x ? one->ink.x : one->ink.y; };
  std::ranges::stable_sort(children, {}, start);
  for (std::size_t i = 0; i < children.size(); ++i) {
    const double end = by_x ? children[i]->ink.right() : children[i]->ink.bottom();
    for (std::size_t k = i + 1; k < children.size() && start(children[k]) < end - give; ++k) {
      if (!common(children[i]->ink, children[k]->ink).any()) continue;
      const bool in_order = children[i] < children[k];  // as they stand in the file
      look_at_pair(seen, parent, *children[in_order ? i : k], *children[in_order ? k : i], sightings);
    }
  }
}

}  // namespace

void look_at_places(const Seen& seen, Sightings& sightings) {
  look_outside(seen, sightings);
  for (const SeenNode& one : seen.nodes) {
    if (one.placed && !one.is_empty && is_container(one.keys.kind)) look_at_pairs(seen, one, sightings);
  }
}

}  // namespace fond_ladder::inline v0
