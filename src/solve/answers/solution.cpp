// SPDX-License-Identifier: MIT
//
// Questions to a finished solve. Only sizes, and places in the parent, are stored; everything else is calculated
// when asked for, so that a solve costs nothing for questions that are never asked.
#include "fond_ladder/solution.hpp"

#include <algorithm>
#include <cmath>
#include <type_traits>

#include "model/nearest_word.hpp"
#include "solve/answers/inside.hpp"
#include "solve/answers/overhang.hpp"
#include "solve/answers/scrolled_view.hpp"
#include "solve/kinds/grid.hpp"
#include "solve/kinds/pin.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/passes.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::State;
using detail::Traits;
using detail::TreeStore;
using detail::View;
using detail::view_of;

/// What a percentage of a node is of: the content box of its parent, for a pinned node the padding box.
double whole_for(const View& view, Index node, Axis axis) {
  const Index above = view.parent(node);
  if (!view.traits(node).pinned) return view.inner_size(above, axis);
  return std::max(0.0, view.size(above, axis) - view.border(above, axis).sum());
}

bool in_file_order(Index) {
  return false;
}

std::size_t find_index(const Tree& tree, NodeId node) {
  return tree.store().index_of(node);
}

}  // namespace

Solution::Solution(const Tree& tree, const detail::Passes& passes)
    : passes_(&passes),
      tree_life_(tree.store().life()),
      solver_life_(passes.life),
      tree_changes_(tree_life_->changes),
      solver_changes_(solver_life_->changes) {}

bool Solution::is_valid() const {
  return tree_life_->changes == tree_changes_ && solver_life_->changes == solver_changes_;
}

const Tree& Solution::tree() const {
  if (!is_valid()) {
    throw StaleSolution(
        "this solution is no longer valid: its tree was edited, its solver solved again, or one of them is gone");
  }
  return *tree_life_->tree;
}

const detail::Passes& Solution::passes() const {
  static_cast<void>(tree());
  return *passes_;
}

Solution Solution::snapshot() const {
  struct Kept {
    explicit Kept(const Tree& source) : tree(source) {}
    Tree tree;
    detail::Passes passes;
  };
  auto all = std::make_shared<Kept>(tree());
  detail::copy_results(passes(), tree().store(), all->tree.store(), all->passes);
  Solution mine(all->tree, all->passes);
  mine.scrolled_ = scrolled_;
  return mine.with_owner(std::move(all));
}

detail::ScrolledView Solution::scrolled_view() const {
  return {tree(), passes(), scrolled_.get()};
}

Solution Solution::scrolled(const std::vector<ScrolledTo>& positions) const {
  for (const ScrolledTo& one : positions) {
    if (std::isnan(one.x) || std::isnan(one.y))
      throw BadValue(tree().path(one.node) + ": a scroll position must be a number of pixels, or Solution::scroll_end");
  }
  std::vector<ScrolledTo> within;
  for (const auto& one : detail::scroll_positions(view_of(tree(), passes()), tree().store(), positions))
    within.push_back({tree().store().id_of(one.node), one.at[x_axis], one.at[y_axis]});
  Solution other = *this;
  other.scrolled_ = std::make_shared<const std::vector<ScrolledTo>>(std::move(within));
  return other;
}

Extent Solution::scroll_position(NodeId node) const {
  static_cast<void>(tree().store().index_of(node));
  if (!scrolled_) return {};
  const auto found = std::ranges::find(*scrolled_, node, &ScrolledTo::node);
  return found == scrolled_->end() ? Extent{} : Extent{found->x, found->y};
}

Solution Solution::with_owner(std::shared_ptr<const void> owner) const {
  Solution kept = *this;
  kept.owner_ = std::move(owner);
  return kept;
}

Keys Solution::keys(NodeId node) const {
  const TreeStore& store = tree().store();
  return detail::keys_in_force(store, passes().state.forms, store.index_of(node));
}

Kind Solution::kind(NodeId node) const {
  return detail::TraitsSeen(tree(), passes()).traits(tree().store().index_of(node)).node_kind();
}

std::vector<std::string> Solution::active() const {
  return tree().store().forms().names_of(passes().holding);
}

std::vector<std::string> Solution::node_ranges(NodeId node) const {
  const TreeStore& store = tree().store();
  const Index slot = store.slot(store.index_of(node));
  const detail::OwnScope* scope = passes().state.forms.scope(slot);
  const std::vector<Range>* declared = store.forms().node_ranges(slot);
  std::vector<std::string> active;
  if (scope == nullptr || declared == nullptr || !is_placed(node)) return active;
  for (std::size_t i = 0; i < declared->size(); ++i) {
    if ((scope->active >> i & 1U) != 0) active.push_back((*declared)[i].name);
  }
  return active;
}

std::vector<Solution::ActiveForm> Solution::active_forms(NodeId node) const {
  const TreeStore& store = tree().store();
  std::vector<ActiveForm> all;
  for (const auto& one : passes().state.forms.active(store, store.index_of(node))) {
    const NodeId by = one.declarer == detail::no_index ? NodeId{} : store.id_of(store.place_of_slot(one.declarer));
    all.push_back({one.form->name, by, one.form->change});
  }
  return all;
}

Extent Solution::container() const {
  return {passes().state.size[x_axis][0], passes().state.size[y_axis][0]};
}

bool Solution::is_placed(NodeId node) const {
  const TreeStore& store = tree().store();
  const Index i = store.index_of(node);
  const auto near = detail::has_place_within(detail::TraitsSeen(tree(), passes()), i, detail::DeepPlaces::near);
  return near ? *near : passes_->deep_places.corner(store, passes_->state, i, solver_changes_).has_value();
}

Rect Solution::relative_box(NodeId node) const {
  if (!is_placed(node)) return {};
  const State& state = passes().state;
  const std::size_t i = find_index(tree(), node);
  return {state.place[x_axis][i], state.place[y_axis][i], state.size[x_axis][i], state.size[y_axis][i]};
}

Rect Solution::box(NodeId node) const {
  const TreeStore& store = tree().store();
  const State& state = passes().state;
  const Index i = store.index_of(node);
  const auto near = detail::has_place_within(detail::TraitsSeen(tree(), passes()), i, detail::DeepPlaces::near);
  if (near && !*near) return {};
  if (!near) {
    const auto& corner = passes_->deep_places.corner(store, state, i, solver_changes_);
    if (!corner) return {};
    if (!is_scrolled()) return {(*corner)[x_axis], (*corner)[y_axis], state.size[x_axis][i], state.size[y_axis][i]};
  }
  return detail::box_from_root(scrolled_view(), i);
}

Rect Solution::operator[](std::string_view path) const {
  return box(tree().at(path));
}

std::vector<Solution::NodeBox> Solution::boxes() const {
  const TreeStore& store = tree().store();
  const detail::ScrolledView view = scrolled_view();
  std::vector<NodeBox> all;
  all.reserve(store.size());
  std::vector<Rect> above;  // the boxes on the way from the root, by depth
  detail::walk_placed(view, in_file_order, [&](Index node, int depth) {
    Rect box{view.place(node, x_axis), view.place(node, y_axis), view.size(node, x_axis), view.size(node, y_axis)};
    above.resize(static_cast<std::size_t>(depth));
    if (depth > 0) {
      box.x += above.back().x;
      box.y += above.back().y;
    }
    above.push_back(box);
    all.push_back({store.id_of(node), box, depth});
  });
  return all;
}

std::vector<Solution::Change> Solution::changed() const {
  const detail::ChangeLog& log = passes().changes;
  const TreeStore& store = tree().store();
  const State& state = passes().state;
  const auto box_of = [&](Index node) {
    return Rect{state.place[x_axis][node], state.place[y_axis][node], state.size[x_axis][node],
                state.size[y_axis][node]};
  };
  std::vector<Change> all;
  if (log.everything) {
    for (const NodeBox& placed : boxes()) all.push_back({placed.node, {}, relative_box(placed.node)});
    return all;
  }
  for (const detail::BoxBefore& was : log.boxes) {
    Change change{store.id_of(was.node), {}, {}};
    if (was.had_place) change.before = Rect{was.place[0], was.place[1], was.size[0], was.size[1]};
    const bool has_place = detail::bits(state.flags[was.node] & detail::NodeFlag::needs_widths) == 0;
    if (has_place) change.now = box_of(was.node);
    if (change.before != change.now) all.push_back(change);
  }
  return all;
}

Extent Solution::preferred_size(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  if (i == 0) return container();
  const Traits own = view.traits(i);
  const Traits above = view.traits(view.parent(i));
  const auto preferred = [&]<Axis axis>(std::integral_constant<Axis, axis>, double by_content) {
    const detail::Child<axis, false> child(view, i);
    const double whole = whole_for(view, i, axis), given = child.given(whole);
    const bool along = above.node_kind() == (axis == x_axis ? Kind::row : Kind::column);
    const bool by_weight = along && (own.weighted || above.equal_sizes);
    return child.bounds(child.inset_down(), whole).clamp(given >= 0 && !by_weight ? given : by_content);
  };
  return {preferred(std::integral_constant<Axis, x_axis>(), view.max_content(i)),
          preferred(std::integral_constant<Axis, y_axis>(), view.need(i))};
}

FourSides Solution::overhang(NodeId node) const {
  if (!is_placed(node)) return {};
  return detail::overhang_of(view_of(tree(), passes()), tree().store().index_of(node));
}

FourSides Solution::painted_overhang(NodeId node) const {
  if (!is_placed(node)) return {};
  const detail::View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  return detail::overhang_of(view, i, view.rare_fields(i).keys ? view.keys(i).scale : 1);
}

FourSides Solution::padding_overlap(NodeId node) const {
  if (!is_placed(node)) return {};
  return detail::padding_overlap_of(view_of(tree(), passes()), tree().store().index_of(node));
}

double Solution::baseline(NodeId node) const {
  if (!is_placed(node)) return 0;
  return box(node).y + detail::baseline_as_laid(view_of(tree(), passes()), tree().store().index_of(node));
}

std::vector<Solution::NodeBox> Solution::snapped(double density) const {
  if (!std::isfinite(density) || density <= 0) throw BadValue("the density must be more than 0");
  std::vector<NodeBox> all = boxes();
  const auto snap = [&](double edge) { return std::round(edge * density) / density; };
  for (NodeBox& placed : all) {
    const Rect box = placed.box;
    placed.box.x = snap(box.x);
    placed.box.y = snap(box.y);
    placed.box.width = snap(box.right()) - placed.box.x;
    placed.box.height = snap(box.bottom()) - placed.box.y;
  }
  return all;
}

std::vector<Warning> Solution::warnings() const {
  const TreeStore& store = tree().store();
  std::vector<Warning> notes;
  if (passes().container_changed) {
    notes.push_back({tree().root(), "the container size must be from 0 to 1e9; the nearest one is used"});
  }
  const View view = view_of(tree(), passes());
  detail::GridScratch scratch;
  std::vector<Index> listed;
  const auto& flags = passes().state.flags;
  for (const std::string& mode : passes().modes) {
    const std::vector<std::string>& known = tree().modes();
    if (std::ranges::find(known, mode) != known.end()) continue;
    const std::vector<std::string_view> words(known.begin(), known.end());
    notes.push_back(
        {tree().root(), "the mode \"" + mode + "\" is on, but the tree has no such mode" + word_hint(mode, words)});
  }
  store.walk([&](Index i, std::size_t) {
    const bool is_leaf = !is_container(view.traits(i).node_kind());
    if (is_leaf && view.child_count(i) > 0)
      notes.push_back({store.id_of(i), "a " + std::string(word(view.traits(i).node_kind())) +
                                           " has no layout for children: they have no place"});
    if (!is_leaf && view.content(i) != nullptr)
      notes.push_back({store.id_of(i), "a container cannot have custom content; set it on a leaf"});
    if (view.traits(i).node_kind() == Kind::grid &&
        detail::grid::place(view, i, view.flow(i, listed), view.inner_size(i, x_axis), scratch.cells).overflows) {
      notes.push_back({store.id_of(i), "it needs more than 10,000 tracks; further cells are placed in the last one"});
    }
    if (detail::bits(flags[i] & detail::NodeFlag::holds_ties) != 0) {
      for (const detail::LooseTie& loose : detail::loose_ties(view, store, i)) {
        const Tie& tie = view.keys(loose.child).pin->ties[loose.tie].tie;
        const bool by_handle = tie.node && store.contains(tie.node);
        notes.push_back({store.id_of(loose.child),
                         detail::loose_tie_words(loose.why, by_handle ? tree().segment(tie.node) : tie.to) +
                             ": it is placed at the edge of its parent instead"});
      }
    }
    if (view.content(i) == nullptr) return;
    if (detail::bits(flags[i] & detail::NodeFlag::odd_widths) != 0)
      notes.push_back({store.id_of(i), "its content returned a width that is not a size"});
    if (detail::bits(flags[i] & detail::NodeFlag::odd_heights) != 0) {
      notes.push_back({store.id_of(i), "its content returned a height that is not a size"});
    }
  });
  return notes;
}

std::array<std::size_t, 4> Solution::visited() const {
  return passes().visited;
}

}  // namespace fond_ladder::inline v0
