// SPDX-License-Identifier: MIT
//
// A list at an offset begins with the entry that would be there if all before were as long as the first. The run goes
// on from it until the view is full. If the last entry comes before that, the view is at the end of the list: the
// run is then as many of the last entries as fill it. Each solve gives the sizes of the entries of the run, and so how
// far the run has to reach in the next one; entries outside of the view are removed at the end, so that the run is the
// shortest one, whatever it was before.
//
// For a list of copies, the run is made of copies of the first entry, and deleted again. In a list of entries that are
// all written, the others are hidden.
//
// Tests: lists_in_view_test.cpp.
#include "solve/solvers/lists_in_view.hpp"

#include <algorithm>
#include <bit>
#include <cmath>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "solve/kinds/entries.hpp"
#include "solve/passes/passes.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// What is seen of a list when it is arranged.
struct SeenList {
  double view = 0, offset = 0;   ///< along
  double ahead = 0, behind = 0;  ///< padding, where the list begins and ends
  double gap = 0;
  std::vector<double> taken{};  ///< by each arranged entry, the first and those of the run
};

SeenList see_list(const Solution& solution, NodeId list, const std::vector<Solution::ScrolledTo>& positions) {
  const TreeStore& store = solution.tree().store();
  const View view(store, solution.passes().state);
  const Index node = store.index_of(list);
  const Axis axis = along_of(view.traits(node));
  const bool flip = axis == x_axis && view.mirrored;
  const Sides border = view.border(node, axis), inset = view.edges_down(node).inset[axis];
  SeenList seen;
  seen.view = std::max(0.0, view.size(node, axis) - border.sum());
  seen.ahead = flip ? inset.after - border.after : inset.before - border.before;
  seen.behind = inset.sum() - border.sum() - seen.ahead;
  seen.gap = view.gap_down(node, axis, view.inner_size(node, axis));
  const auto asked = std::ranges::find(positions, list, &Solution::ScrolledTo::node);
  if (asked != positions.end()) seen.offset = std::max(0.0, axis == x_axis ? asked->x : asked->y);
  std::vector<Index> listed;
  const InFlow flow = view.flow(node, listed);
  for (Index i = 0; i < flow.size(); ++i) {
    seen.taken.push_back(axis == x_axis ? taken_along<x_axis, double>(view, flow[i], flip)
                                        : taken_along<y_axis, double>(view, flow[i], flip));
  }
  return seen;
}

/// How many entries it may take to fill some space, one more than it should.
std::uint32_t enough_for(double space, double step) {
  const double count = step > 0 ? std::ceil(std::max(0.0, space) / step) + 1 : limits::most_in_view;
  return static_cast<std::uint32_t>(std::min<double>(count, limits::most_in_view));
}

/// The name of another entry of a list whose first entry is called `name`.
std::string entry_name(const std::string& name, std::uint32_t entry) {
  return name.empty() ? name : name.substr(0, name.find('[')) + "[" + std::to_string(entry) + "]";
}

bool is_in(const Tree& tree, NodeId node, NodeId above) {
  if (!tree.contains(node)) return false;
  while (node && node != above) node = tree.parent(node);
  return static_cast<bool>(node);
}

void set_key(Tree& tree, NodeId node, const Keys& values, Field field) {
  const auto place = static_cast<std::size_t>(std::countr_zero(key_bit(field)));
  Changes changes;
  changes.set_from(place, values);
  tree.set(node, changes);
}

void hide(Tree& tree, NodeId node, bool hidden) {
  Keys keys;
  keys.hidden = hidden;
  set_key(tree, node, keys, &Keys::hidden);
}

}  // namespace

ListsInView::ListsInView(Tree& tree) {
  find_lists(tree, tree.root());
}

void ListsInView::find_lists(Tree& tree, NodeId top) {
  std::vector<NodeId> open{top};
  while (!open.empty()) {
    const NodeId node = open.back();
    open.pop_back();
    if (tree.store().rare_fields(tree.store().index_of(node)).keys && tree.keys(node).is_list()) add_list(tree, node);
    for (const NodeId child : tree.children(node)) open.push_back(child);
  }
}

void ListsInView::add_list(Tree& tree, NodeId node) {
  const Keys own = tree.keys(node);
  std::vector<NodeId> children = tree.children(node);
  List list;
  list.node = node;
  list.copied = own.virtualized.entries > 0;
  if (list.copied) {
    if (children.empty() || tree.keys(children[0]).pin)
      throw BadValue(tree.path(node) + ": a virtualized list with copies needs the child that is copied");
    if (children.size() > 1)
      throw BadValue(tree.path(node) + ": a virtualized list with copies must have that one child only");
    list.first = children[0];
    list.entries = own.virtualized.entries;
  } else {
    for (const NodeId child : children) {
      const Keys keys = tree.keys(child);
      if (keys.pin || keys.hidden) continue;
      if (!list.first) {
        list.first = child;
      } else {
        list.others.push_back(child);
      }
    }
    list.entries = static_cast<std::uint32_t>(list.others.size() + (list.first ? 1 : 0));
    list.run = {1, list.entries};
  }
  if (list.entries > 1) lists_.push_back(std::move(list));
}

Solution ListsInView::arrange(Tree& tree, Solver& solver, const ContainerSize& container_size,
                              const std::vector<Solution::ScrolledTo>& positions) {
  for (List& list : lists_) list.at_end = false;
  for (int round = 0;; ++round) {
    Solution solution = solver.solve(tree, container_size);
    std::vector<Run> wanted;
    for (List& list : lists_) wanted.push_back(wanted_run(solution, list, positions));
    bool stays = true;
    for (std::size_t i = 0; i < wanted.size(); ++i) stays &= wanted[i] == lists_[i].run;
    if (stays || round == limits::most_looks_at_lists) return solution;
    for (std::size_t i = 0; i < wanted.size(); ++i) {
      if (tree.contains(lists_[i].node) && wanted[i] != lists_[i].run) take_run(tree, i, wanted[i]);
    }
    std::erase_if(lists_, [&](const List& list) { return !tree.contains(list.node); });
  }
}

ListsInView::Run ListsInView::wanted_run(const Solution& solution, List& list,
                                         const std::vector<Solution::ScrolledTo>& positions) {
  if (!solution.is_placed(list.node)) return {};
  if (!solution.keys(list.node).is_list())
    return {1, std::min(list.entries, list.copied ? limits::most_in_view : list.entries)};
  const SeenList seen = see_list(solution, list.node, positions);
  if (seen.taken.empty()) return list.run;  // the first is hidden here
  const std::uint32_t all = list.entries;
  const double step = seen.taken[0] + seen.gap;
  const std::uint32_t most = enough_for(seen.view, step);
  const std::uint32_t earliest = all - std::min(all - 1, limits::most_in_view);  // of a run that ends the list
  const auto from_end = [&]() -> Run {
    if (list.run.behind != all || list.run.from == list.run.behind)
      return {std::max(1U, all - std::min(all - 1, most)), all};
    double taken = seen.behind - seen.gap;
    std::uint32_t from = all;
    while (from > list.run.from && taken < seen.view && from > 1)
      taken += seen.taken[--from - list.run.from + 1] + seen.gap;
    if (taken >= seen.view || from <= earliest) return {from, all};
    return {std::max(earliest, from - std::min(from - 1, enough_for(seen.view - taken, step))), all};
  };
  if (list.at_end) return from_end();
  const double into = (seen.offset - seen.ahead) / (step > 0 ? step : 1);
  const double entry = std::clamp(std::floor(into), 1.0, static_cast<double>(all - 1));
  const auto from = static_cast<std::uint32_t>(std::isnan(entry) ? 1.0 : entry);
  const auto to = [&](std::uint32_t behind) {
    return Run{from, std::min<std::uint32_t>({behind, all, from + limits::most_in_view})};
  };
  if (list.run.from != from) return to(from + most);
  double at = seen.ahead + from * step;
  const double until = seen.offset + seen.view;
  std::uint32_t behind = from;
  for (; behind < list.run.behind && at < until; ++behind) at += seen.taken[behind - from + 1] + seen.gap;
  if (at < until && behind < all && behind - from < limits::most_in_view)
    return to(behind + enough_for(until - at, step));
  if (behind == all && from > 1 && at - seen.gap + seen.behind < until) {
    list.at_end = true;
    return from_end();
  }
  return to(behind);
}

void ListsInView::take_run(Tree& tree, std::size_t which, Run run) {
  if (lists_[which].copied) {
    copy_run(tree, which, run);
  } else {
    const List& list = lists_[which];
    for (std::uint32_t i = list.run.from; i < list.run.behind; ++i) {
      if (i < run.from || i >= run.behind) hide(tree, list.others[i - 1], true);
    }
    for (std::uint32_t i = run.from; i < run.behind; ++i) {
      if (i < list.run.from || i >= list.run.behind) hide(tree, list.others[i - 1], false);
    }
  }
  List& list = lists_[which];
  list.run = run;
  Keys keys;
  keys.virtualized = {true, list.entries, std::max(1U, run.from)};
  set_key(tree, list.node, keys, &Keys::virtualized);
}

void ListsInView::copy_run(Tree& tree, std::size_t which, Run run) {
  const NodeId node = lists_[which].node, first = lists_[which].first;
  const Run had = lists_[which].run;
  for (std::size_t i = 0; i < lists_.size(); ++i) {  // what lists in the entry have arranged is not copied
    if (i != which && is_in(tree, lists_[i].node, first))
      take_run(tree, i, {1, lists_[i].copied ? 1 : lists_[i].entries});
  }
  std::vector<NodeId> kept;
  for (std::uint32_t i = had.from; i < had.behind; ++i) {
    const NodeId entry = lists_[which].others[i - had.from];
    if (i < run.from || i >= run.behind) {
      tree.remove(entry);
    } else {
      kept.push_back(entry);
    }
  }
  std::vector<NodeId> entries;
  const std::string name = tree.keys(first).name;
  for (std::uint32_t i = run.from; i < run.behind; ++i) {
    if (i >= had.from && i < had.behind) {
      entries.push_back(kept[i - std::max(had.from, run.from)]);
    } else {
      entries.push_back(tree.copy(first, node, 1 + (i - run.from), entry_name(name, i)));
      find_lists(tree, entries.back());
    }
  }
  lists_[which].others = std::move(entries);
}

}  // namespace fond_ladder::inline v0::detail
