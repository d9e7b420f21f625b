// SPDX-License-Identifier: MIT
//
// Sizes that are likely mistakes: nothing at all, squeezed, overhanging at every size, too small for a finger.
#include <algorithm>
#include <array>
#include <cmath>

#include "fond_ladder/explanation.hpp"
#include "model/number_text.hpp"
#include "verify/lint/lint_sight.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool grows(const Keys& keys) {
  return keys.weight.value_or(0) > 0 || keys.grow > 0;
}

std::string size_text(const Rect& box) {
  return rounded(box.width) + " x " + rounded(box.height);
}

// --- zero size -----------------------------------------------------------------------------------------------------

/// `wide` or `high`.
std::string extent_word(Axis axis) {
  return axis == x_axis ? "wide" : "high";
}

/// What a child without a size still costs: the gap beside it.
std::string cost_text(const Seen& seen, const SeenNode& one, Axis axis) {
  const SeenNode& above = seen.parent(one);
  const double gap = seen.solution->gap(above.node).on(axis);
  const bool is_alone = seen.solution->laid_order(above.node).size() < 2;
  if (!lays_along(above.keys().kind, axis) || one.keys().pin || gap <= 0 || is_alone) return "";
  return "; " + seen.name(above.node) + " still keeps the gap of " + rounded(gap) + " beside it";
}

/// `; fix 150 + words 144 + gaps 24 + margins 20 = 338 take all of the 308 in shelf`; nothing where they do not.
std::string what_takes_the_space(const Seen& seen, const SeenNode& one, Axis axis) {
  const SeenNode& above = seen.parent(one);
  if (!lays_along(above.keys().kind, axis)) return "";
  const Solution& solution = *seen.solution;
  std::vector<std::pair<std::string, double>> parts;
  double margins = 0;
  std::size_t gaps = 0;
  for (const std::vector<NodeId>& line : solution.laid_lines(above.node)) {
    if (std::ranges::find(line, one.node) == line.end()) continue;
    gaps = line.size() - 1;
    for (const NodeId child : line) {
      const FourSides margin = solution.margin(child);
      margins += axis == x_axis ? margin.left + margin.right : margin.top + margin.bottom;
      parts.emplace_back(seen.name(child), solution.relative_box(child).size_on(axis));
    }
  }
  std::erase_if(parts, [](const auto& part) { return part.second <= fit_tolerance; });
  constexpr std::size_t most = 4;
  if (parts.size() > most) {
    double others = 0;
    for (std::size_t i = most; i < parts.size(); ++i) others += parts[i].second;
    const std::string many = std::to_string(parts.size() - most) + " more";
    parts.resize(most);
    parts.emplace_back(many, others);
  }
  parts.emplace_back("gaps", solution.gap(above.node).on(axis) * static_cast<double>(gaps));
  parts.emplace_back("margins", margins);
  std::string text;
  double sum = 0;
  for (const auto& [what, size] : parts) {
    if (size <= fit_tolerance) continue;
    sum += size;
    text += (text.empty() ? "; " : " + ") + what + " " + rounded(size);
  }
  const double space = solution.content_box_size(above.node).on(axis);
  if (sum < space - fit_tolerance) return "";
  return text + " = " + rounded(sum) + " take all of the " + rounded(space) + " in " + seen.name(above.node);
}

Reason why_zero(const Seen& seen, const SeenNode& one, Axis axis) {
  const ExplanationStep step = chain_to_root(*seen.solution, one.node).back();
  const std::string key = side_word(axis);
  const std::string why = "0 " + extent_word(axis) + ": " + (axis == x_axis ? step.why_width : step.why_height) +
                          cost_text(seen, one, axis);
  if (one.keys().kind == Kind::text && one.keys().text.empty())
    return {why + ", and its text is empty", "give it a text"};
  const double preferred_size = seen.solution->preferred_size(one.node).on(axis);
  if (preferred_size > fit_tolerance) {
    const bool shrinks = lays_along(seen.parent(one).keys().kind, axis) && !one.keys().pin && !one.keys().weight;
    return {why + "; it needs " + rounded(preferred_size),
            "set min_" + key + (shrinks ? ", or shrink 0," : "") + " so that it keeps some space"};
  }
  if (is_container(one.keys().kind) && one.is_empty)
    return {why + ", and it has no children", "give it a " + key + ", or children"};
  if (grows(one.keys()) || one.keys().size_on(axis).way() == Sizing::Way::by_space) {
    const std::string eaten = what_takes_the_space(seen, one, axis);
    return {why + eaten, "set min_" + key + (eaten.empty() ? "" : ", or let a sibling shrink")};
  }
  return {why + ", and nothing else gives it a " + key, "give it a " + key + ", a weight, or natural_size"};
}

void look_for_nothing(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  for (const Axis axis : {x_axis, y_axis}) {
    if (!is_nothing(seen, one, axis)) continue;
    sightings.see(LintRule::zero_size, one.node, side_word(axis), [&] { return why_zero(seen, one, axis); });
    return;  // once is enough
  }
}

// --- sizes that are given ------------------------------------------------------------------------------------------

void look_for_squeezed(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  for (const Axis axis : {x_axis, y_axis}) {
    const auto size = squeezed(seen, one, axis);
    if (!size) continue;
    const std::string key = side_word(axis);
    sightings.see(
        LintRule::squeezed, one.node, key,
        [&] {
          return Reason{"its " + rounded(size->given) + " is squeezed to " + rounded(size->got) + " at worst",
                        "shrink 0 keeps its size; min_" + key + " allows some shrinking"};
        },
        size->given - size->got);
  }
}

void look_for_small_target(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const double least = seen.scene->touch_target_size, smaller = std::min(one.box.width, one.box.height);
  if (!one.keys().touch_target || smaller >= least - fit_tolerance) return;
  sightings.see(
      LintRule::target_too_small, one.node, "touch_target",
      [&] {
        const Axis shorter = one.box.width < one.box.height ? x_axis : y_axis;
        const std::string key = side_word(shorter);
        const Sizing& sizing = one.keys().size_on(shorter);
        const bool is_squeezed = sizing.way() == Sizing::Way::by_length &&
                                 sizing.length().in_px(seen.scene->tree.units(one.keys()), 0) >= least;
        return Reason{
            "only " + size_text(one.box) + " at worst; people need " + rounded(least) + " each way",
            is_squeezed ? "set min_" + key + (lays_along(seen.parent(one).keys().kind, shorter) ? ", or shrink 0" : "")
            : sizing.way() == Sizing::Way::by_length ? "raise its " + key
                                                     : "set min_" + key};
      },
      least - smaller);
}

// --- what overhangs -----------------------------------------------------------------------------------------------

/// Whether a child is as large as its content in a stack, where nothing stretches it.
bool is_by_content_in_stack(const Seen& seen, const SeenNode& one) {
  const Keys &keys = one.keys(), &above = seen.parent(one).keys();
  const auto follows = [&](Axis axis) {
    const auto& own = axis == x_axis ? keys.place_self.x : keys.place_self.y;
    const auto& all = axis == x_axis ? above.place_items.x : above.place_items.y;
    const auto way = keys.size_on(axis).way();
    return (way == Sizing::Way::by_container || way == Sizing::Way::by_content) &&
           own.value_or(all.value_or(Across::start)) != Across::stretch;
  };
  return above.kind == Kind::stack && is_container(keys.kind) && !keys.pin && (follows(x_axis) || follows(y_axis));
}

/// What gives a child space that overhangs on an axis: only along a row or column do others wrap or shrink for it.
std::string fix_for_space(const Seen& seen, const SeenNode& one, Axis axis) {
  const SeenNode& above = seen.parent(one);
  const std::string name = seen.name(above.node);
  if (is_by_content_in_stack(seen, one))
    return "set \"width\": \"fill\", \"height\": \"fill\" on " + seen.name(one.node) +
           ", which in a stack is as large as its content";
  if (one.keys().pin)
    return "change its pin, give " + name + " more space, or make " + seen.name(one.node) + " smaller";
  const bool along = lays_along(above.keys().kind, axis);
  return "give " + name + " more space, let it scroll, " +
         (along ? "wrap or shrink what is in it" : "or make " + seen.name(one.node) + " smaller");
}

constexpr std::array<const char*, 4> sides_from_worst{"right", "bottom", "left", "top"};

/// The side at which the most of some amounts is, by its place above.
std::size_t worst_side(const FourSides& sides) {
  const double most = sides.most();
  return most == sides.right ? 0 : most == sides.bottom ? 1 : most == sides.left ? 2 : 3;
}

/// The axis on which it is; the horizontal one where it is so on both.
Axis worst_axis(const FourSides& sides) {
  return std::max(sides.left, sides.right) >= std::max(sides.top, sides.bottom) ? x_axis : y_axis;
}

/// What overhangs, or runs into, the edges of one node: itself, and its words.
struct AtEdges {
  FourSides own, words;
  [[nodiscard]] bool any() const { return own.any() || words.any(); }
  [[nodiscard]] const FourSides& reported() const { return own.any() ? own : words; }
  /// The same number for the same words.
  [[nodiscard]] std::size_t phrase() const {
    return (own.any() ? 0 : 2) + (worst_axis(reported()) == x_axis ? 0 : 1) + 4 * worst_side(reported());
  }
  [[nodiscard]] std::string side() const { return sides_from_worst.at(worst_side(reported())); }
};

void look_for_overhang(const Seen& seen, const SeenNode& one, const AtEdges& overhang, Sightings& sightings) {
  if (!overhang.any()) return;
  if (one.keys().allow.overhang()) return sightings.see_allowed(one.node, Allowed::overhang_place);
  const double most = overhang.reported().most();
  // The least of all sizes is what is always so.
  sightings.see_figure(
      LintRule::never_fits, one.node, most, overhang.phrase(),
      [&] {
        const std::string behind = " or more at the " + overhang.side();
        if (!overhang.own.any())
          return Reason{"its text overhangs it at every size, by ", "give it more space, more lines, or a smaller size",
                        behind};
        return Reason{"overhangs " + seen.name(seen.parent(one).node) + " at every size, by ",
                      fix_for_space(seen, one, worst_axis(overhang.own)), behind};
      },
      -most);
}

void look_for_padding_overlap(const Seen& seen, const SeenNode& one, const AtEdges& into, Sightings& sightings) {
  const double most = std::max(into.own.most(), into.words.most());
  if (most <= 0) return;
  sightings.see_figure(
      LintRule::overlaps_padding, one.node, most, into.phrase(),
      [&] {
        const std::string above = seen.name(seen.parent(one).node), behind = " at worst, at the " + into.side();
        if (!into.own.any())
          return Reason{"its text overlaps its own padding, by ", "give it more space, more lines, or less padding",
                        behind};
        return Reason{"overlaps the padding of " + above + ", by ",
                      "give " + above + " more space or less padding, or " +
                          (lays_along(seen.parent(one).keys().kind, worst_axis(into.own))
                               ? "let what is in it wrap or shrink"
                               : "make " + seen.name(one.node) + " smaller"),
                      behind};
      },
      most);
}

void look_for_painted_outside(const Seen& seen, const SeenNode& one, const FourSides& overhang, Sightings& sightings) {
  if (one.keys().scale <= 1) return;
  const FourSides painted = only_inside(seen.solution->painted_overhang(one.node), overhang);
  if (!painted.any()) return;
  sightings.see(
      LintRule::painted_outside, one.node, "scale",
      [&] {
        const std::string above = seen.name(seen.parent(one).node);
        const bool is_counted = one.keys().scale_affects_layout;
        return Reason{"scale " + rounded(one.keys().scale) + " paints it " + rounded(painted.most()) + " beyond " +
                          above + " at worst, at the " + sides_from_worst.at(worst_side(painted)) +
                          ", although its box fits",
                      "lower scale, " + std::string(is_counted ? "" : "set scale_affects_layout, ") + "or give " +
                          above + " more padding"};
      },
      painted.most());
}

void look_at_edges(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const Solution& solution = *seen.solution;
  const AtEdges overhang{solution.overhang(one.node), solution.text_overhang(one.node)};
  look_for_overhang(seen, one, overhang, sightings);
  look_for_painted_outside(seen, one, overhang.own, sightings);
  look_for_padding_overlap(seen, one,
                           {only_inside(solution.padding_overlap(one.node), overhang.own),
                            only_inside(solution.text_padding_overlap(one.node), overhang.words)},
                           sightings);
}

// --- fill ----------------------------------------------------------------------------------------------------------

/// The level at which nothing more is offered: a node that is only as large as what is in it; none where the space
/// comes from outside.
const SeenNode* stopper(const Seen& seen, const SeenNode& from, Axis axis) {
  const bool x = axis == x_axis;
  for (const SeenNode* one = &from; !seen.is_root(*one); one = &seen.parent(*one)) {
    const Keys &keys = one->keys(), &above = seen.parent(*one).keys();
    const Sizing& size = keys.size_on(axis);
    const bool line = above.kind == Kind::row || above.kind == Kind::column, along = lays_along(above.kind, axis);
    if (size.way() == Sizing::Way::by_length || keys.pin || (!x && keys.aspect_ratio)) return nullptr;
    if (size.way() == Sizing::Way::by_content) return one;
    const bool offered = along ? grows(keys) || above.equal_sizes : true;
    if (size.way() == Sizing::Way::by_space || (offered && along)) continue;
    if (along) return one;
    if (!line && above.kind == Kind::grid) return nullptr;
    Across where = above.across;
    if (!line) where = (x ? above.place_items.x : above.place_items.y).value_or(Across::start);
    const auto& own = line ? keys.place_self.across : x ? keys.place_self.x : keys.place_self.y;
    if (own) where = *own;
    if (where != Across::stretch) return one;
  }
  return nullptr;
}

Reason nothing_to_fill(const std::string& level, Axis axis) {
  return {"there is nothing to fill: " + level + " is only as " + extent_word(axis) + " as its content, at every size",
          "give " + level + " a " + side_word(axis) + ", a weight or fill"};
}

void look_for_idle_fill(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  if (one.keys().pin) return;
  for (const Axis axis : {x_axis, y_axis}) {
    if (one.keys().size_on(axis).way() != Sizing::Way::by_space) continue;
    if (one.box.size_on(axis) > seen.solution->preferred_size(one.node).on(axis) + fit_tolerance) continue;
    const SeenNode* level = stopper(seen, seen.parent(one), axis);
    if (level == nullptr) continue;
    sightings.see(LintRule::nothing_to_fill, one.node, side_word(axis),
                  [&] { return nothing_to_fill(seen.name(level->node), axis); });
  }
}

// --- a lone last child ---------------------------------------------------------------------------------------------

void look_for_lone_last(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  if (!one.keys().wrap || (one.keys().kind != Kind::row && one.keys().kind != Kind::column)) return;
  const auto lines = seen.solution->laid_lines(one.node);
  if (lines.size() < 2 || lines.back().size() != 1) return;
  const Axis axis = one.keys().kind == Kind::row ? x_axis : y_axis;
  const auto size_of = [&](NodeId node) { return seen.solution->relative_box(node).size_on(axis); };
  double largest = 0;
  bool has_company = false;
  for (std::size_t i = 0; i + 1 < lines.size(); ++i) {
    has_company = has_company || lines[i].size() > 1;
    for (const NodeId node : lines[i]) largest = std::max(largest, size_of(node));
  }
  const NodeId last = lines.back().front();
  const Keys keys = seen.solution->keys(last);
  const double size = size_of(last), asked = seen.solution->preferred_size(last).on(axis);
  if (!has_company || !(grows(keys) || one.keys().equal_sizes) || size <= largest + fit_tolerance ||
      size <= asked + fit_tolerance)
    return;
  sightings.see(
      LintRule::stretched_last_item, last, side_word(axis),
      [&] {
        return Reason{"alone on the last line of " + seen.name(one.node) + " and " + rounded(size) + " " +
                          extent_word(axis) + ", while the largest of the others is " + rounded(largest),
                      "use a grid with fitting columns, which keeps them equal, or set a maximum"};
      },
      size - largest);
}

}  // namespace

void look_at_sizes(const Seen& seen, Sightings& sightings) {
  for (const SeenNode& one : seen.nodes) {
    if (!one.placed) continue;
    look_for_lone_last(seen, one, sightings);
    look_for_small_target(seen, one, sightings);
    if (seen.is_root(one)) continue;
    look_for_nothing(seen, one, sightings);
    look_for_squeezed(seen, one, sightings);
    look_at_edges(seen, one, sightings);
    look_for_idle_fill(seen, one, sightings);
  }
}

}  // namespace fond_ladder::inline v0
