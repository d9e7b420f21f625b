// SPDX-License-Identifier: MIT
//
// Settings that do nothing. Some can be seen at each size: a width beside a weight, a gap on an axis without
// neighbors. Of others only a trial decides: the setting is removed and the ladder solved again; if every box is where
// it was, the setting has no effect. Most settings have an effect at the first size, so a trial is cheap; only keys
// that nobody would write for safety are tried, since a minimum that is never reached is no mistake.
#include <algorithm>
#include <array>
#include <cmath>
#include <functional>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "solve/answers/account.hpp"
#include "solve/kinds/pin.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"
#include "verify/lint/idle_settings.hpp"
#include "verify/lint/lint_sight.hpp"
#include "verify/lint/written_settings.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Does nothing at this size: reported as such if that is so at all sizes, else as a remark.
void see_idle(Sightings& sightings, NodeId node, std::string_view key, const Reason& reported) {
  for (const LintRule rule : {LintRule::no_effect, LintRule::dormant}) {
    sightings.see(rule, node, key, [&] { return reported; });
  }
}

bool is_length(const Sizing& size) {
  return size.way() == Sizing::Way::by_length || size.way() == Sizing::Way::by_content;
}

/// What a weight beats. Sharing, weights.
void look_beside_weight(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const Kind above = seen.parent(one).keys().kind;
  if (!one.keys().weight || one.keys().pin || (above != Kind::row && above != Kind::column)) return;
  const Axis along = above == Kind::row ? x_axis : y_axis;
  const std::string beaten = "the weight sets its size along the " + std::string(word(above));
  if (is_length(one.keys().size_on(along))) {
    see_idle(sightings, one.node, side_word(along),
             {beaten + "; this key only limits its automatic minimum", "remove one of the two"});
  }
  if (one.keys().basis != Sizing())
    see_idle(sightings, one.node, "basis", {beaten + ", which starts from 0", "remove one of the two"});
  if (one.keys().grow > 0) see_idle(sightings, one.node, "grow", {beaten, "remove one of the two"});
}

/// A gap between lines if there is only one line. `gap: 8` sets both axes and is no finding.
void look_at_gap(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const Keys& keys = one.keys();
  if (seen.scene->tree.child_count(one.node) < 2) return;  // reported for the whole gap
  if ((keys.kind != Kind::row && keys.kind != Kind::column) || keys.wrap || keys.gap.x == keys.gap.y) return;
  const bool row = keys.kind == Kind::row;
  const Length& idle = row ? keys.gap.y : keys.gap.x;
  if (idle.amount() == 0) return;
  sightings.see(LintRule::no_effect, one.node, row ? "gap.y" : "gap.x", [&] {
    return Reason{
        "it is space between lines, but a " + std::string(word(keys.kind)) + " that does not wrap has one line",
        "remove it, or add wrap"};
  });
}

void look_at_rest(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const Keys &keys = one.keys(), &above = seen.parent(one).keys();
  const Reason one_line{"without wrap there are no lines to place", "remove it, or add wrap"};
  const bool line = keys.kind == Kind::row || keys.kind == Kind::column;
  if (line && !keys.wrap && keys.place_content != PlaceContentPair())
    see_idle(sightings, one.node, "place_content", one_line);
  if (!keys.area.empty() && above.kind == Kind::grid && above.areas.empty())
    see_idle(sightings, one.node, "area", {"its grid has no areas", "add areas to the grid, or remove it"});
  if (keys.virtualized.on && line && !keys.is_list())
    see_idle(sightings, one.node, "virtualized",
             {"it needs a row or column that scrolls along, without wrap and reverse",
              "add scroll along the row or column, or remove it"});
  if (keys.scroll_ratio && above.scroll == Scroll::none)
    see_idle(sightings, one.node, "scroll_ratio",
             {"its parent does not scroll", "remove it, or let the parent scroll"});
  if (keys.aspect_ratio && is_length(keys.width) && is_length(keys.height) && keys.width.way() == keys.height.way())
    see_idle(sightings, one.node, "aspect_ratio", {"both width and height are set", "remove one of the three"});
}

// --- trials --------------------------------------------------------------------------------------------------------

constexpr std::array<std::string_view, 9> edited_keys{"along",  "across", "place_self", "place_items", "place_content",
                                                      "out_of", "grow",   "shrink",     "border_at"};

bool is_edited(const KeyEntry& entry, const Keys& keys) {
  if (std::ranges::find(edited_keys, entry.name) == edited_keys.end() || !is_set(entry, keys)) return false;
  return entry.name != "shrink" || keys.shrink != 0;  // `shrink: 0` is written for safety
}

bool same_boxes(const Solution& a, const Solution& b, const std::vector<NodeId>& nodes) {
  constexpr double nothing = limits::report_tolerance;
  return std::ranges::all_of(nodes, [&](NodeId node) {
    const Rect one = a.relative_box(node), other = b.relative_box(node);
    return std::abs(one.x - other.x) < nothing && std::abs(one.y - other.y) < nothing &&
           std::abs(one.width - other.width) < nothing && std::abs(one.height - other.height) < nothing;
  });
}

/// What the lines of a container went through over the ladder.
struct LineStory {
  bool ever_unused_space = false;  // when all sizes stood
  bool ever_free = false;          // before anybody grew
  bool ever_missing = false;       // before anybody shrank
  bool child_clamped = true;       // one child was at its minimum whenever space was missing
};

class Edits {
 public:
  Edits(const Variant& variant, const std::vector<ContainerSize>& container_sizes)
      : variant_(variant), scene_(variant.scene), container_sizes_(container_sizes), nodes_(scene_.tree.nodes()) {}

  std::vector<WithoutEffect> find(WorkTally& tally) {
    WrittenSettings settings(scene_);
    for (const NodeId node : nodes_) {
      const Keys keys = scene_.tree.keys(node);
      for (const KeyEntry& entry : key_table()) {
        // An outline is seen, though it takes no space.
        const bool is_seen = entry.name == "border_at" && keys.border_at == BorderAt::outline && has_border(node);
        if (is_edited(entry, keys) && may_act(node, entry) && !is_seen) settings.add(node, place_of(entry));
      }
    }
    const std::vector<WrittenSetting>& all = settings.all();
    std::size_t reported = 0;
    for (std::size_t i = 0; i < all.size(); ++i) {
      if (all[i].at.source != Source::shared) attempt(all[i]);  // shared keys need not act on every one
      const std::size_t due = container_sizes_.size() * (i + 1) / all.size();
      tally.add(due - reported);
      reported = due;
    }
    tally.add(container_sizes_.size() - reported);
    for (const NodeId node : nodes_) {
      const Keys keys = scene_.tree.keys(node);
      if (keys.text_align != TextAlignPair()) try_text_align(node, keys.text_align);
    }
    return std::move(found_);
  }

 private:
  /// In any of its forms.
  [[nodiscard]] bool has_border(NodeId node) const {
    return !scene_.tree.keys(node).border.empty() || std::ranges::any_of(scene_.whens, [&](const When& when) {
      return when.node == node && when.change.sets("border") && !when.change.values().border.empty();
    });
  }

  /// Whether its key acts on such a node at all; if not, that is reported without a trial.
  [[nodiscard]] bool may_act(NodeId node, const KeyEntry& entry) const {
    const NodeId parent = scene_.tree.parent(node);
    std::optional<Kind> above;
    if (parent) above = scene_.tree.kind(parent);
    return acts_on(entry.acts, scene_.tree.kind(node), above);
  }

  void attempt(const WrittenSetting& setting) {
    const KeyEntry& entry = key_table()[setting.key];
    const NodeId node = setting.nodes.front();
    Scene without = scene_;
    for (const NodeId one : setting.nodes) {
      Keys keys = scene_.tree.keys(one);
      reset_key(entry, keys);
      without.tree.replace_keys(one, keys);
    }
    if (entry.name == "out_of" && same(shares_in(node), *scene_.tree.keys(node).out_of)) return;  // all is given out
    if (!changes_nothing(without, setting.nodes)) return;
    Reason reported = reason(node, entry.name);
    const bool places = entry.name == "along" || entry.name == "across" || entry.name == "place_items";
    const std::string size = places ? size_to_act(node, entry) : "";
    if (!size.empty()) {
      if (entry.name != "along")
        reported.why =
            scene_.tree.short_path(node) + " is only as large as its content, so there is no space to align in";
      reported.fix = size + " makes space, or remove it";
    }
    if (setting.at.source == Source::each_child) {
      found_.push_back({{scene_.tree.parent(node)}, "each_child." + std::string(entry.name), reported});
    } else {
      found_.push_back({setting.nodes, std::string(entry.name), reported});
    }
  }

  /// The size with which a setting does something, as `list.width=fill`, tried out; empty where none helps.
  [[nodiscard]] std::string size_to_act(NodeId node, const KeyEntry& entry) const {
    if (!scene_.tree.parent(node)) return "";
    for (const Axis axis : {x_axis, y_axis}) {
      Keys keys = scene_.tree.keys(node);
      Sizing& size = axis == x_axis ? keys.width : keys.height;
      if (size.way() != Sizing::Way::by_container && size.way() != Sizing::Way::by_content) continue;
      size = fill;
      Scene with = scene_, without = scene_;
      with.tree.replace_keys(node, keys);
      reset_key(entry, keys);
      without.tree.replace_keys(node, keys);
      if (acts_between(with, without)) return scene_.tree.short_path(node) + "." + side_word(axis) + "=fill";
    }
    return "";
  }

  /// Whether two scenes differ at some sizes of the ladder.
  [[nodiscard]] bool acts_between(const Scene& with, const Scene& without) const {
    SceneSolver one(with, variant_.modes), other(without, variant_.modes);
    return !are_same(one, other, few_apart(), [](const Solution&) {});
  }

  /// Every how many sizes are a few of all.
  [[nodiscard]] std::size_t few_apart() const {
    constexpr std::size_t few = 16;
    return std::max<std::size_t>(1, container_sizes_.size() / few);
  }
  /// Whether two solvers give the same boxes, at every size that is so many behind the one before; `see` is shown those
  /// of the first.
  template <class See>
  [[nodiscard]] bool are_same(SceneSolver& one, SceneSolver& other, std::size_t apart, const See& see) const {
    for (std::size_t i = 0; i < container_sizes_.size(); i += apart) {
      const Solution solution = one.solve(container_sizes_[i]);
      see(solution);
      if (!same_boxes(solution, other.solve(container_sizes_[i]), nodes_)) return false;
    }
    return true;
  }

  void add(NodeId node, std::string_view key, const Reason& reported) {
    found_.push_back({{node}, std::string(key), reported});
  }

  /// A few sizes first, from all over the ladder: nearly every setting shows there.
  [[nodiscard]] bool changes_nothing(const Scene& without, const std::vector<NodeId>& nodes) const {
    SceneSolver with_it(scene_, variant_.modes), without_it(without, variant_.modes);
    bool was_there = false;
    const auto see = [&](const Solution& one) {
      was_there = was_there || std::ranges::any_of(nodes, [&](NodeId node) { return one.is_placed(node); });
    };
    return are_same(with_it, without_it, few_apart(), see) && are_same(with_it, without_it, 1, see) && was_there;
  }

  /// What the children of a node ask for, in parts.
  [[nodiscard]] double shares_in(NodeId node) const {
    double sum = 0;
    for (const NodeId child : scene_.tree.children(node)) {
      const Keys keys = scene_.tree.keys(child);
      if (!keys.pin && !keys.hidden) sum += keys.weight.value_or(keys.grow);
    }
    return sum;
  }

  [[nodiscard]] LineStory story_of(NodeId container, NodeId watched = {}) const {
    LineStory story;
    SceneSolver solver(scene_, variant_.modes);
    for (const ContainerSize& container_size : container_sizes_) {
      const Solution solution = solver.solve(container_size);
      const Kind kind = solution.kind(container);
      if (!solution.is_placed(container) || (kind != Kind::row && kind != Kind::column)) continue;
      const auto view = detail::view_of(solution.tree(), solution.passes());
      for (const auto& line : detail::line_accounts(view, solution.tree().store().index_of(container))) {
        story.ever_unused_space = story.ever_unused_space || line.unused_space() > fit_tolerance;
        story.ever_free = story.ever_free || line.free_space() > fit_tolerance;
        story.ever_missing = story.ever_missing || line.free_space() < -fit_tolerance;
        if (!watched || line.free_space() >= -fit_tolerance) continue;
        const auto is_it = [&](const auto& child) {
          return solution.tree().store().id_of(child.node) == watched &&
                 child.line_item.size > child.line_item.least + fit_tolerance;
        };
        if (std::ranges::any_of(line.children, is_it)) story.child_clamped = false;
      }
    }
    return story;
  }

  [[nodiscard]] Reason reason(NodeId node, std::string_view key) const {
    const NodeId parent = scene_.tree.parent(node);
    const std::string above = parent ? scene_.tree.short_path(parent) : "";
    if (key == "grow") {
      if (!story_of(parent).ever_free)
        return {"there is never free space in " + above + " to grow into",
                "give " + above + " more space, or remove it"};
      return {"its maximum stops it wherever there is free space", "raise its maximum, or remove it"};
    }
    if (key == "shrink") {
      const LineStory story = story_of(parent, node);
      if (!story.ever_missing) return {"space is never short in " + above, "remove it"};
      if (!story.child_clamped)
        return {"no sibling in " + above + " shrinks, so its factor does not matter", "remove it"};
      return {"its minimum stops it wherever space is short",
              "lower its minimum (for example min_width 0), or remove it"};
    }
    if (key == "along" && !story_of(node).ever_unused_space)
      return {"there is never free space: its children take all of it", "remove it"};
    if (key == "border_at" && !has_border(node)) return {"it has no border", "remove it"};
    if (key == "border_at")
      return {"its size is fixed and no content needs space, so the place of the border does not matter", "remove it"};
    if (key == "out_of") {
      const double total = scene_.tree.keys(node).out_of.value_or(0), shares = shares_in(node);
      if (shares <= 0) return {"no child takes a part", "remove it"};
      return {"the shares exceed the total by " + rounded(shares - total) + ", so their sum is used",
              "lower a share, or write out_of " + rounded(shares)};
    }
    if (key == "place_content") return {"there is never free space to share", "remove it"};
    return {"there is no space to align in: every box is in the same place without it", "remove it"};
  }

  /// If a text is never larger than its words, their alignment is invisible. The boxes do not show this.
  void try_text_align(NodeId node, const TextAlignPair& align) {
    SceneSolver solver(scene_, variant_.modes);
    bool was_there = false, ever_wider = false, ever_taller = false;
    for (const ContainerSize& container_size : container_sizes_) {
      const Solution solution = solver.solve(container_size);
      const Extent space = solution.content_box_size(node);
      double height = 0;
      bool has_lines = false;
      for (const Solution::TextLine& line : solution.text_lines(node)) {
        has_lines = true;
        if (!line.dropped) height += line.box.height;
        ever_wider = ever_wider || line.box.width < space.width - fit_tolerance;
      }
      was_there = was_there || has_lines;
      ever_taller = ever_taller || (has_lines && height < space.height - fit_tolerance);
    }
    const bool x = align.x != TextAlign::start && !ever_wider, y = align.y != TextAlign::start && !ever_taller;
    if (!was_there || (!x && !y)) return;
    const std::string larger = x && y ? "wider or taller" : x ? "wider" : "taller";
    add(node, "text_align", {"it is never " + larger + " than its text", "give it more space, or remove it"});
  }

  const Variant& variant_;
  const Scene& scene_;
  const std::vector<ContainerSize>& container_sizes_;
  std::vector<NodeId> nodes_;
  std::vector<WithoutEffect> found_;
};

}  // namespace

namespace {

/// Ties that cannot be followed at this size.
void look_at_ties(const Seen& seen, const SeenNode& parent, Sightings& sightings) {
  const detail::TreeStore& store = seen.solution->tree().store();
  if (!store.has_ties() || !parent.placed || parent.is_empty) return;
  const detail::View view = detail::view_of(seen.solution->tree(), seen.solution->passes());
  for (const detail::LooseTie& loose : detail::loose_ties(view, store, store.index_of(parent.node))) {
    const Ties::SideTie& tied = view.keys(loose.child).pin->ties[loose.tie];
    see_idle(sightings, store.id_of(loose.child), "pin." + std::string(word(tied.side)),
             {detail::loose_tie_words(loose.why, tied.tie.to) + ", so that side is at the edge of its parent",
              "tie it to a node that is always present, or set a distance"});
  }
}

}  // namespace

void look_at_settings(const Seen& seen, const std::vector<SleepingKeys>& asleep, Sightings& sightings) {
  for (const SeenNode& one : seen.nodes) {
    if (!one.placed) continue;
    for (const std::string_view key : asleep[seen.place(one)]) {
      sightings.see(LintRule::dormant, one.node, key, [&] {
        const std::string kind(word(one.keys().kind)), above(word(seen.parent(one).keys().kind));
        return Reason{"no effect while the node is a " + kind + (seen.is_root(one) ? "" : " in a " + above), ""};
      });
    }
    look_at_gap(seen, one, sightings);
    look_at_ties(seen, one, sightings);
    if (!one.is_empty && !is_container(one.keys().kind)) {
      sightings.see(LintRule::in_a_leaf, one.node, "children", [&] {
        return Reason{"a " + std::string(word(one.keys().kind)) + " cannot have children: they have no place",
                      "make it a row, column, grid or stack"};
      });
    }
    if (seen.is_root(one)) continue;
    look_beside_weight(seen, one, sightings);
    look_at_rest(seen, one, sightings);
  }
}

std::vector<WithoutEffect> settings_without_effect(const Variant& variant,
                                                   const std::vector<ContainerSize>& container_sizes,
                                                   WorkTally& tally) {
  return Edits(variant, container_sizes).find(tally);
}

}  // namespace fond_ladder::inline v0
