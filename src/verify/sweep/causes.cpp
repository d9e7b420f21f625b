// SPDX-License-Identifier: MIT
//
// Inside a container of the same size and form nothing changes, so such parts are passed over. In the rest
// every child is compared, on each axis, by the limit it is at; lines, tracks and lines of text are compared.
#include "verify/sweep/causes.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "solve/answers/account.hpp"
#include "solve/answers/inside.hpp"
#include "solve/kinds/entries.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"
#include "verify/measure/line_sums.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Bounds;
using detail::Index;
using detail::LineAccount;
using detail::View;

/// The limit that a size is at.
enum class Stand : std::uint8_t { free, least, most, content, space };

struct Standing {
  Stand stand = Stand::free;
  bool by_content = false;  // its minimum is its content, not a written one
  double least = 0, most = detail::unlimited, content = 0;

  [[nodiscard]] double limit(Stand of) const { return of == Stand::least ? least : of == Stand::most ? most : content; }
};

/// One side of a comparison.
struct SideOfBreakpoint {
  const Solution& solution;
  View view;

  explicit SideOfBreakpoint(const Solution& seen) : solution(seen), view(detail::view_of(seen.tree(), seen.passes())) {}
  [[nodiscard]] Index index(NodeId node) const { return solution.tree().store().index_of(node); }
};

class BothSides {
 public:
  BothSides(const Solution& below, const Solution& above, double share, bool everywhere)
      : below_(below),
        above_(above),
        tree_(above.tree()),
        store_(tree_.store()),
        share_(share),
        everywhere_(everywhere) {}

  std::vector<Cause> find() {
    std::vector<NodeId> open{tree_.root()};
    while (!open.empty()) {
      const NodeId node = open.back();
      open.pop_back();
      const bool was = below_.solution.is_placed(node), is = above_.solution.is_placed(node);
      if (!was || !is) continue;
      const Index a = below_.index(node), b = above_.index(node);
      if (below_.view.size(a, x_axis) == above_.view.size(b, x_axis) &&
          below_.view.size(a, y_axis) == above_.view.size(b, y_axis) && a != 0 && !everywhere_) {
        continue;
      }
      if (compare_node_ranges(node)) continue;  // whatever else changes in it follows from that
      if (compare_lists(node)) {
        if (tree_.child_count(node) > 0) open.push_back(tree_.child(node, 0));
        continue;
      }
      compare(node, a, b);
      const std::vector<NodeId> children = tree_.children(node);
      open.insert(open.end(), children.rbegin(), children.rend());
    }
    return std::move(found_);
  }

 private:
  Cause& add(NodeId node, NodeId container, std::string words, unsigned vagueness = 0, NodeId by = {}) {
    return found_.emplace_back(Cause{node, container, std::move(words), by, vagueness});
  }

  /// Tells of entries of a list that come into view or go out of it, where the first is as long as before. Returns
  /// whether it is a list: entries behind the first are made anew at each size, and cannot be held against each other.
  bool compare_lists(NodeId node) {
    const detail::Index a = below_.index(node), b = above_.index(node);
    if (!detail::is_list(below_.view, a) || !detail::is_list(above_.view, b)) return false;
    const Axis along = detail::along_of(above_.view.traits(b));
    const auto lengths = [&](const View& view, Index list) {
      std::vector<double> all;
      for (const Index entry : detail::flow_of(view, list)) all.push_back(view.size(entry, along));
      return all;
    };
    const std::vector<double> was = lengths(below_.view, a), is = lengths(above_.view, b);
    if (was.empty() || is.empty() || !same(was[0], is[0])) return true;
    if (was.size() != is.size()) {
      add(node, node,
          is.size() > was.size() ? "another entry of {node} comes into view" : "an entry of {node} goes out of view",
          1);
    } else if (was != is) {
      add(node, node, "entries of {node} in view change their size", 1);
    }
    return true;
  }

  /// Tells of node ranges that begin or end at the width of their node. Returns whether any begins or ends.
  bool compare_node_ranges(NodeId node) {
    const std::vector<Range>* own = store_.node_ranges_of(node);
    if (own == nullptr) return false;
    const auto was = below_.solution.node_ranges(node), is = above_.solution.node_ranges(node);
    if (was == is) return false;
    const double from = below_.solution.box(node).width, to = above_.solution.box(node).width;
    constexpr double leap = 0.5;                  // more than a slope makes of the step between the two sides
    if (std::abs(to - from) > leap) return true;  // whatever made it leap decides
    for (const Range& range : *own) {
      const bool held = std::ranges::count(was, range.name) > 0, holds = std::ranges::count(is, range.name) > 0;
      if (held == holds) continue;
      add(node, node,
          "{node} is " + rounded(bound_between(range, from, to)) + " wide: `" + range.name +
              (holds ? "` begins" : "` ends"))
          .forms = true;
    }
    return true;
  }

  /// The bound of a range that is nearest to two widths.
  static double bound_between(const Range& range, double from, double to) {
    const double middle = (from + to) / 2;
    if (!range.from_width || !range.below_width) return range.from_width.value_or(range.below_width.value_or(middle));
    return std::abs(*range.from_width - middle) < std::abs(*range.below_width - middle) ? *range.from_width
                                                                                        : *range.below_width;
  }

  void compare(NodeId node, Index a, Index b) {
    switch (above_.solution.kind(node)) {
      case Kind::row:
      case Kind::column:
        compare_lines(node, a, b);
        compare_across(node, above_.solution.kind(node) == Kind::row ? y_axis : x_axis);
        compare_unused_space(node, above_.solution.kind(node) == Kind::row ? y_axis : x_axis, "lines",
                             [&](const SideOfBreakpoint& side) {
                               double taken = 0;
                               std::size_t lines = 0;
                               for (const auto& line : detail::lines_across(side.view, side.index(node))) {
                                 taken += line.size;
                                 ++lines;
                               }
                               return std::pair(taken, lines);
                             });
        break;
      case Kind::grid: compare_tracks(node); [[fallthrough]];
      case Kind::stack:
        compare_across(node, x_axis);
        compare_across(node, y_axis);
        break;
      case Kind::text: {
        if (below_.view.need(a) == above_.view.need(b)) break;  // as many lines
        const int was = below_.solution.lines(node), is = above_.solution.lines(node);
        if (was != is) {
          Cause& cause = add(node, node, "{node} goes from " + count(was, "line") + " to " + std::to_string(is));
          cause.breaks = cause.on_y = true;
        }
        break;
      }
      case Kind::box:
      case Kind::image: break;
    }
  }

  static std::string count(std::size_t number, const std::string& of) {
    return std::to_string(number) + " " + of + (number == 1 ? "" : "s");
  }
  static std::string count(int number, const std::string& of) { return count(static_cast<std::size_t>(number), of); }

  // --- rows and columns --------------------------------------------------------------------------------------------

  void compare_lines(NodeId node, Index a, Index b) {
    const auto was = detail::line_accounts(below_.view, a), is = detail::line_accounts(above_.view, b);
    if (!compare_breaks(node, was, is)) return;  // other lines: limits cannot be held against each other
    for (std::size_t i = 0; i < is.size(); ++i) {
      const LineAccount &before = was[i], &after = is[i];
      for (std::size_t k = 0; k < after.children.size(); ++k) {
        const auto &old = before.children[k].line_item, &now = after.children[k].line_item;
        const NodeId child = store_.id_of(after.children[k].node);
        const bool row = above_.solution.kind(node) == Kind::row;
        const bool content = row ? !has_minimum(child, x_axis) : !has_minimum(child, y_axis);
        compare_stands(child, node, standing(old, content), standing(now, content), row ? x_axis : y_axis);
      }
      compare_space(node, before, after);
    }
  }

  [[nodiscard]] bool has_minimum(NodeId child, Axis axis) const {
    return above_.view.traits(above_.index(child)).min_given(axis);
  }

  static Standing standing(const detail::LineItem& line_item, bool least_by_content) {
    const bool at_most =
        line_item.most > 0 && same(line_item.size, line_item.most) && line_item.most < detail::unlimited;
    const Stand stand = at_most ? Stand::most : same(line_item.size, line_item.least) ? Stand::least : Stand::free;
    return {stand, least_by_content, line_item.least, line_item.most};
  }

  /// Tells of children that change their line. Returns whether the lines are the same.
  bool compare_breaks(NodeId node, const std::vector<LineAccount>& was, const std::vector<LineAccount>& is) {
    struct InLine {
      const detail::ChildAccount* child;
      std::size_t line;
    };
    const auto all_of = [](const std::vector<LineAccount>& lines) {
      std::vector<InLine> all;
      for (std::size_t i = 0; i < lines.size(); ++i) {
        for (const detail::ChildAccount& child : lines[i].children) all.push_back({&child, i});
      }
      return all;
    };
    const std::vector<InLine> old = all_of(was), now = all_of(is);
    if (old.size() != now.size()) return false;
    for (std::size_t i = 0; i < now.size(); ++i) {
      if (old[i].line == now[i].line) continue;
      const NodeId child = store_.id_of(now[i].child->node);
      const bool up = now[i].line < old[i].line;
      // With the sizes behind the turn it fits, or does not.
      LineAccount line = is[now[i].line];
      if (!up) {
        line.children.clear();
        for (std::size_t k = 0; k <= i; ++k) {
          if (old[k].line == old[i].line) line.children.push_back(*now[k].child);
        }
      }
      add(child, node,
          "{node} moves to line " + std::to_string(now[i].line + 1) +
              " of {in}: " + line_sum_text(tree_, line, now[i].child->node) + (up ? " fits" : " no longer fits"))
          .breaks = true;
      return false;
    }
    return true;
  }

  /// The space of a line goes from missing to spare, before or after all sizes stand.
  void compare_space(NodeId node, const LineAccount& before, const LineAccount& after) {
    const double was = before.free_space(), is = after.free_space();
    constexpr double nothing = limits::report_tolerance;
    if (was < -nothing && is >= -nothing) {
      add(node, node, "{node} has space for all its children", 1);
    } else if (was >= -nothing && is < -nothing) {
      add(node, node, "{node} has too little space for its children", 1);
    } else if (before.unused_space() <= nothing && after.unused_space() > nothing) {
      add(node, node, "{node} has unused space", 1);
    } else if (before.unused_space() > nothing && after.unused_space() <= nothing) {
      add(node, node, "{node} has no more unused space", 1);
    } else if (before.unused_space() < -nothing && after.unused_space() >= -nothing) {
      add(node, node, "the children of {node} no longer overhang", 1);
    }
  }

  /// Space between lines or tracks begins or ends: `taken(side)` is what they take, and how many there are.
  template <class Taken>
  void compare_unused_space(NodeId node, Axis axis, const char* what, const Taken& taken) {
    const auto unused_space = [&](const SideOfBreakpoint& side) -> std::optional<double> {
      const auto [sum, many] = taken(side);
      if (many == 0) return {};
      const double inner = side.view.inner_size(side.index(node), axis);
      return inner - sum - side.view.gap_down(side.index(node), axis, inner) * static_cast<double>(many - 1);
    };
    const auto was = unused_space(below_), is = unused_space(above_);
    constexpr double nothing = limits::report_tolerance;
    if (!was || !is || (*was > nothing) == (*is > nothing)) return;
    add(node, node,
        "the " + std::string(what) + " of {node} have " + (*is > nothing ? "unused space" : "no more unused space"), 1);
  }

  // --- limits ------------------------------------------------------------------------------------------------------

  /// A number at the breakpoint itself, if it is known how it goes on from one side to the other; else that of the side
  /// that is reported.
  [[nodiscard]] double at_breakpoint(double below, double above, double otherwise) const {
    constexpr double leap = 0.1;  // more than it moves between the two
    return std::abs(above - below) < leap ? below + (above - below) * share_ : otherwise;
  }

  void compare_stands(NodeId child, NodeId container, const Standing& was, const Standing& is, Axis axis) {
    if (was.stand == is.stand) return;
    const Standing& held = is.stand == Stand::free || is.stand == Stand::space ? was : is;
    const bool reaches = &held == &is;
    const std::string limit =
        rounded(at_breakpoint(was.limit(held.stand), is.limit(held.stand), held.limit(held.stand)));
    const char *what = "", *leaves = "";
    switch (held.stand) {
      case Stand::least:
        what = held.by_content ? "its smallest content, " : "its minimum, ", leaves = "grows past ";
        break;
      case Stand::most: what = "its maximum, ", leaves = "shrinks below "; break;
      case Stand::content:
        what = axis == x_axis ? "the width of its content, " : "the height of its content, ", leaves = "no longer has ";
        break;
      case Stand::free:
      case Stand::space: return;
    }
    add(child, container, std::string("{node} ") + (reaches ? "reaches " : leaves) + what + limit,
        held.stand == Stand::content ? 2 : 0);
  }

  template <Axis axis>
  static Standing standing_across(const View& view, Index node, double whole) {
    const detail::Child<axis, false> child(view, node);
    const Bounds bounds = child.bounds(child.inset_down(), whole);
    const double size = view.size(node, axis);
    Standing standing{Stand::space, false, bounds.least, bounds.most,
                      axis == x_axis ? view.max_content(node) : view.need(node)};
    if (child.given(whole) >= 0 && bounds.clamp(child.given(whole)) == child.given(whole)) {
      standing.stand = Stand::free;
    } else if (bounds.most < detail::unlimited && same(size, bounds.most)) {
      standing.stand = Stand::most;
    } else if (bounds.least > 0 && same(size, bounds.least)) {
      standing.stand = Stand::least;
    } else if (same(size, standing.content)) {
      standing.stand = Stand::content;
    } else if (axis == x_axis && same(size, view.min_content(node))) {
      standing.stand = Stand::least;
      standing.by_content = true;
      standing.least = size;
    }
    return standing;
  }

  void compare_across(NodeId node, Axis axis) {
    for (const NodeId child : tree_.children(node)) {
      if (!below_.solution.is_placed(child) || !above_.solution.is_placed(child)) continue;
      const auto stands = [&](const SideOfBreakpoint& sight) {
        const Index i = sight.index(child);
        const double whole = sight.view.inner_size(sight.index(node), axis);
        return axis == x_axis ? standing_across<x_axis>(sight.view, i, whole)
                              : standing_across<y_axis>(sight.view, i, whole);
      };
      compare_stands(child, node, stands(below_), stands(above_), axis);
      const auto fits = [&](const SideOfBreakpoint& sight) {
        const Index i = sight.index(child);
        return sight.view.size(i, axis) + sight.view.edges_down(i).margin[axis].sum() <=
               sight.view.inner_size(sight.index(node), axis) + limits::report_tolerance;
      };
      const bool fitted = fits(below_), fits_now = fits(above_);
      if (fitted != fits_now) {
        add(child, node, fits_now ? "{node} fits in {in}" : "{node} no longer fits in {in}", 1);
      }
    }
    compare_largest(node, axis);
  }

  /// Across a row, a column or a stack the largest child sets the size of the content.
  void compare_largest(NodeId node, Axis axis) {
    const auto largest = [&](const SideOfBreakpoint& sight) {
      NodeId found;
      double size = -1;
      for (const NodeId child : tree_.children(node)) {
        const Index i = sight.index(child);
        if (!sight.solution.is_placed(child) || sight.view.traits(i).pinned) continue;
        const double preferred = axis == x_axis ? sight.view.max_content(i) : sight.view.need(i);
        if (preferred > size + limits::rounding) size = preferred, found = child;
      }
      return found;
    };
    const NodeId was = largest(below_), is = largest(above_);
    if (was == is || !is) return;
    add(is, node, axis == x_axis ? "{node} becomes the widest in {in}" : "{node} becomes the tallest in {in}", 2);
  }

  // --- grids -------------------------------------------------------------------------------------------------------

  void compare_tracks(NodeId node) {
    const auto was = below_.solution.tracks(node), is = above_.solution.tracks(node);
    const auto on = [&](const auto& old, const auto& now, const std::string& word) {
      if (old.size() != now.size()) {
        add(node, node, "{node} has " + count(now.size(), word) + " instead of " + std::to_string(old.size())).breaks =
            true;
        return;
      }
      for (std::size_t i = 0; i < now.size(); ++i) {
        if (old[i].set_by == now[i].set_by) continue;
        const NodeId by = now[i].set_by ? now[i].set_by : old[i].set_by;
        add(node, node,
            word + " " + std::to_string(i) + " of {node} is " + (now[i].set_by ? "now" : "no longer only") +
                " as large as {by}",
            0, by);
        return;
      }
    };
    on(was.columns, is.columns, "column");
    on(was.rows, is.rows, "row");
    compare_growth(node, was.columns, is.columns, "column");
    compare_growth(node, was.rows, is.rows, "row");
    const auto taken = [](const std::vector<Solution::TrackBox>& all) {
      double sum = 0;
      for (const Solution::TrackBox& track : all) sum += track.size;
      return std::pair(sum, all.size());
    };
    const auto tracks_on = [&](const SideOfBreakpoint& side) -> const Solution::GridTracks& {
      return &side == &below_ ? was : is;
    };
    compare_unused_space(node, x_axis, "columns",
                         [&](const SideOfBreakpoint& side) { return taken(tracks_on(side).columns); });
    compare_unused_space(node, y_axis, "rows",
                         [&](const SideOfBreakpoint& side) { return taken(tracks_on(side).rows); });
  }

  /// A track that shares the rest stops being held at what it holds, or begins to be.
  void compare_growth(NodeId node, const std::vector<Solution::TrackBox>& was,
                      const std::vector<Solution::TrackBox>& is, const std::string& word) {
    if (was.size() != is.size()) return;
    const auto fr_of = [](const std::vector<Solution::TrackBox>& all) {  // the size of one share
      double least = 0;
      for (const Solution::TrackBox& track : all) {
        if (track.share > 0) least = least == 0 ? track.size / track.share : std::min(least, track.size / track.share);
      }
      return least;
    };
    const double before = fr_of(was), after = fr_of(is);
    const auto held = [](const Solution::TrackBox& track, double fr) {
      return track.share > 0 && track.size > fr * track.share + limits::report_tolerance;
    };
    for (std::size_t i = 0; i < is.size(); ++i) {
      const bool reached_before = held(was[i], before), reaches_after = held(is[i], after);
      if (reached_before == reaches_after) continue;
      add(node, node,
          word + " " + std::to_string(i) + " of {node} " + (reaches_after ? "keeps" : "grows beyond") + " the " +
              rounded((reaches_after ? is : was)[i].size) + " that it needs");
      return;
    }
  }

  SideOfBreakpoint below_, above_;
  const Tree& tree_;
  const detail::TreeStore& store_;
  double share_;
  bool everywhere_;
  std::vector<Cause> found_;
};

}  // namespace

std::vector<Cause> causes_between(const Solution& below, const Solution& above,
                                  const std::vector<std::string>& active_below,
                                  const std::vector<std::string>& active_above, double share, bool everywhere) {
  std::vector<Cause> causes;
  const NodeId root = above.tree().root();
  const auto list = [&](const auto& all, const auto& others, const char* what) {
    for (const std::string& name : all) {
      if (std::ranges::find(others, name) == others.end()) causes.push_back({root, root, "`" + name + "` " + what});
    }
  };
  list(active_below, active_above, "ends");
  list(active_above, active_below, "begins");
  return causes.empty() ? BothSides(below, above, share, everywhere).find() : causes;
}

}  // namespace fond_ladder::inline v0
