// SPDX-License-Identifier: MIT
#pragma once

// Which nodes are visible at one size, the one answer to that question: a node that has a size, is not entirely outside
// an ancestor, and not entirely behind something painted later. A node in a scroller is visible if it can be scrolled
// to a position at which it is.
//
//   A feed of 20 cards scrolls over a bar that is below it: a card beyond the fold is where the bar is painted,
//   but never comes to be behind it. Where the bar is pinned over the end of the feed, the last card is behind it
//   wherever the feed is scrolled to, unless padding at its end lets that card come clear.
//
// All places at which a node can be seen make up a box, `reach`: its own, drawn out by what each scroller above can be
// scrolled, and cut down to its view. What covers that box covers the node wherever it is scrolled to. A cover that is
// in a scroller itself counts with what it covers at every position, within the views that clip it.
//
// If many are asked about, their ancestors are summed up on the way down, and their covers are kept in a tree of
// bounds: neither is then examined one by one.

#include <array>
#include <cmath>
#include <map>
#include <optional>
#include <utility>
#include <vector>

#include "model/limits.hpp"
#include "solve/answers/painted.hpp"
#include "solve/answers/scrolled_view.hpp"
#include "solve/passes/finished.hpp"
#include "verify/measure/box_tree.hpp"

namespace fond_ladder::inline v0::detail {

/// Of zero size but for rounding.
template <class AnyBox>
[[nodiscard]] bool is_of_no_size(const AnyBox& box) {
  return !exceeds(box.width, decltype(box.width)(0), limits::report_tolerance) ||
         !exceeds(box.height, decltype(box.height)(0), limits::report_tolerance);
}

/// What scrollers do in this question.
enum class Scrollers : unsigned char {
  move,  ///< each goes wherever it has to, whatever its position
  stay,  ///< each stays at its position
};

/// The ancestor that a node is entirely outside of, or the box or image painted later that it is entirely behind; none
/// if it is visible.
struct HiddenBy {
  Index by = no_index;
  bool beyond = false;
};

/// The painting of a solve at one size, found when it is first asked about, for all nodes at once: how large each is
/// painted, and what can hide it. Edges that lie on one another but for rounding lie on one another.
template <class N>
class SightOf {
 public:
  explicit SightOf(Scrollers scrollers) : scrollers_(scrollers) {}

  /// Not hidden, not of zero size, and not out of sight.
  template <class SomeView>
  [[nodiscard]] bool is_seen(const SomeView& view, Index node) {
    if (of_node_.empty()) see(view);
    if (node >= of_node_.size() || !of_node_[node].placed) return false;
    return !is_of_no_size(box(view, node)) && hidden_by(view, node).by == no_index;
  }

  /// Of a node with a place and a size.
  template <class SomeView>
  [[nodiscard]] HiddenBy hidden_by(const SomeView& view, Index node) {
    const Box own = box(view, node);
    if (++asked_ == few) look_ahead(view);
    const bool is_within = !within_.empty() && is_clearly_within(within_[node], own);
    const Index beyond = is_within ? no_index : lies_beyond(view, node, own);
    if (beyond != no_index) return {beyond, true};
    const std::size_t cover =
        covers_.first_around(scrollers_ == Scrollers::move ? reach(view, node, own) : always_covered(view, node, own),
                             of_node_[node].ahead, thin, [](std::size_t) { return true; });
    return {cover < covering_.size() ? covering_[cover] : no_index, false};
  }

  /// Of a node with a place: as it is painted.
  template <class SomeView>
  [[nodiscard]] RectOf<N> box(const SomeView& view, Index node) {
    if (of_node_.empty()) see(view);
    return through(of_node_[node].lens, view, node);
  }

 private:
  using Box = RectOf<N>;
  using Least = LeastOfMany<N>;
  static constexpr double thin = limits::report_tolerance;
  /// Questions beyond which it pays to sum up.
  static constexpr unsigned few = 16;

  struct OfNode {
    Lens<N> lens;
    bool placed = false;
    std::size_t ahead = 0;      // covers that are painted until all that is in it is painted
    Index scroller = no_index;  // the nearest one above that can be scrolled
    Index carried = no_index;   // the child of that which the node is, or is inside of
    Index clip = no_index;      // the nearest scroller above, whether it moves or stays
    Index clipped = no_index;   // the child of that
  };
  /// What scrollers leave of an interval in it at every position: less what they can move it by, within their views.
  struct Remains {
    N less_start = 0, less_end = 0;
    std::optional<N> from{}, to{};
    /// What is left of what this leaves, by scrollers further out.
    [[nodiscard]] Remains then(const Remains& further) const {
      Remains both{less_start + further.less_start, less_end + further.less_end, further.from, further.to};
      if (from) both.from = both.from ? max_of(*both.from, *from + further.less_start) : *from + further.less_start;
      if (to) both.to = both.to ? min_of(*both.to, *to - further.less_end) : *to - further.less_end;
      return both;
    }
    void cut(N& at, N& size) const {
      N start = at + less_start, end = at + size - less_end;
      if (from) start = max_of(start, *from);
      if (to) end = min_of(end, *to);
      at = start;
      size = end - start;
    }
  };
  /// The ancestors of a node at the present positions; starts have the other sign.
  struct Within {
    Least right, left, bottom, top;
    Least common;  // how large what all of them have in common is, each way
  };
  /// How far scrolling can move things, back and ahead, and between which edges they are seen then.
  struct Reach {
    N back = 0, ahead = 0;
    std::optional<N> from{}, to{};
  };
  using ReachOnBoth = std::array<Reach, 2>;

  template <class SomeView>
  void see(const SomeView& view) {
    std::vector<std::pair<Index, int>> open;  // nodes with more to come in them, and their depths
    const auto close = [&](int depth) {
      for (; !open.empty() && open.back().second >= depth; open.pop_back())
        of_node_[open.back().first].ahead = covers_.size();
    };
    walk_painted(view, [&](Index node, int depth, const auto& lens) {
      close(depth);
      if (node >= of_node_.size()) of_node_.resize(std::size_t{node} + 1);
      OfNode& own = of_node_[node];
      own.lens = lens;
      own.placed = true;
      if (const Index parent = view.parent(node); parent != no_index) {
        const bool moves = can_scroll(view, parent);
        own.scroller = moves ? parent : of_node_[parent].scroller;
        own.carried = moves ? node : of_node_[parent].carried;
        const Traits above = view.traits(parent);
        const bool clips = above.scroll_x || above.scroll_y;
        own.clip = clips ? parent : of_node_[parent].clip;
        own.clipped = clips ? node : of_node_[parent].clipped;
        const Traits traits = view.traits(node);
        if ((traits.scroll_x || traits.scroll_y) && own.clip != no_index) {
          const OfNode found = own;
          remains_above_[node] = {remains(view, found.clip, found.clipped, x_axis),
                                  remains(view, found.clip, found.clipped, y_axis)};
        }
      }
      open.emplace_back(node, depth);
      if (!covers(view, node)) return;
      covering_.push_back(node);
      covers_.add(always_covered(view, node, through(lens, view, node)));
    });
    close(0);
  }

  template <class SomeView>
  [[nodiscard]] bool can_scroll(const SomeView& view, Index node) const {
    const Traits traits = view.traits(node);
    return (traits.scroll_x || traits.scroll_y) && scrollers_ == Scrollers::move;
  }

  // --- covers --------------------------------------------------------------------------------------------------------

  /// What a node hides at every position: its box, less what scrolling can take from it, within the views that clip it.
  template <class SomeView>
  [[nodiscard]] Box always_covered(const SomeView& view, Index node, Box own) {
    if (of_node_[node].clip == no_index) return own;
    for (const Axis axis : {x_axis, y_axis}) {
      const Remains all = remains(view, of_node_[node].clip, of_node_[node].clipped, axis);
      if (axis == x_axis) all.cut(own.x, own.width);
      if (axis == y_axis) all.cut(own.y, own.height);
    }
    if (!exceeds(own.width, N(0), 0)) own.width = 0;
    if (!exceeds(own.height, N(0), 0)) own.height = 0;
    return own;
  }
  /// What the view of a scroller leaves on an axis.
  [[nodiscard]] static Remains view_of(const Box& clip, const Traits& traits, Axis axis) {
    Remains here;
    if (!traits.scrolls(axis)) return here;
    here.from = axis == x_axis ? clip.x : clip.y;
    here.to = axis == x_axis ? clip.right() : clip.bottom();
    return here;
  }
  /// By one scroller and all further out, which were met before it. `child` is what it carries.
  template <class SomeView>
  [[nodiscard]] Remains remains(const SomeView& view, Index scroller, Index child, Axis axis) {
    const Box clip = box(view, scroller);
    Remains here = view_of(clip, view.traits(scroller), axis);
    if (can_scroll(view, scroller)) {
      const Reach moves = with_scroller(view, scroller, child, axis, {});
      here.less_start = moves.ahead;
      here.less_end = moves.back;
    }
    const OfNode& own = of_node_[scroller];
    return own.clip == no_index ? here : here.then(remains_above_.at(scroller)[axis]);
  }

  // --- scrolling -----------------------------------------------------------------------------------------------------

  /// What one more scroller adds to what those further out can do. `carried` is its child.
  template <class SomeView>
  [[nodiscard]] Reach with_scroller(const SomeView& view, Index scroller, Index carried, Axis axis, Reach further) {
    if (!view.traits(scroller).scrolls(axis)) return further;
    const Box clip = box(view, scroller);
    const N start = axis == x_axis ? clip.x : clip.y, end = axis == x_axis ? clip.right() : clip.bottom();
    const N first = start - further.back, last = end + further.ahead;
    further.from = further.from ? max_of(*further.from, first) : first;
    further.to = further.to ? min_of(*further.to, last) : last;
    const double share = scroll_share<N>(view, carried);
    const N range = range_of(view, scroller, axis) * (of_node_[scroller].lens.scale * std::abs(share));
    (scrolls_backwards<N>(view, scroller, axis) != (share < 0) ? further.ahead : further.back) += range;
    return further;
  }
  template <class SomeView>
  [[nodiscard]] const N& range_of(const SomeView& view, Index scroller, Axis axis) {
    if (ranges_.size() < of_node_.size()) ranges_.resize(of_node_.size());
    std::optional<N>& range = ranges_[scroller][axis];
    if (!range) range = scroll_range_of<N>(view, scroller, axis);
    return *range;
  }
  /// For a node in a scroller: what the scrollers further out can do.
  template <class SomeView>
  [[nodiscard]] const ReachOnBoth& reach_above(const SomeView& view, Index scroller) {
    if (above_.size() < of_node_.size()) above_.resize(of_node_.size());
    std::vector<Index> way;
    for (Index at = scroller; !above_[at]; at = of_node_[at].scroller) {
      way.push_back(at);
      if (of_node_[at].scroller == no_index) break;
    }
    for (; !way.empty(); way.pop_back()) above_[way.back()] = reach_at(view, way.back());
    return *above_[scroller];
  }
  /// For a node: how far all scrollers above it can move it.
  template <class SomeView>
  [[nodiscard]] ReachOnBoth reach_at(const SomeView& view, Index node) {
    const OfNode& own = of_node_[node];
    if (own.scroller == no_index) return {};
    const ReachOnBoth above = reach_above(view, own.scroller);
    const auto on = [&](Axis axis) { return with_scroller(view, own.scroller, own.carried, axis, above[axis]); };
    return {on(x_axis), on(y_axis)};
  }

  /// All places at which a node can be seen.
  template <class SomeView>
  [[nodiscard]] Box reach(const SomeView& view, Index node, Box own) {
    if (of_node_[node].scroller == no_index) return own;
    const ReachOnBoth all = reach_at(view, node);
    const auto draw_out = [](const Reach& reach, N& at, N& size) {
      N start = at - reach.back, end = at + size + reach.ahead;
      if (reach.from) start = max_of(start, *reach.from);
      if (reach.to) end = min_of(end, *reach.to);
      at = start;
      size = end - start;
    };
    draw_out(all[x_axis], own.x, own.width);
    draw_out(all[y_axis], own.y, own.height);
    return own;
  }

  // --- beyond --------------------------------------------------------------------------------------------------------

  /// Sums up what many will ask.
  template <class SomeView>
  void look_ahead(const SomeView& view) {
    covers_.sum_up();
    within_.resize(of_node_.size());
    walk_placed(
        view, [](Index) { return false; },
        [&](Index node, int) {
          const Index parent = view.parent(node);
          if (parent != no_index) within_[node] = within(view, parent);
        });
  }
  /// The clip of everything in a node.
  template <class SomeView>
  [[nodiscard]] Within within(const SomeView& view, Index node) {
    Within all = within_[node];
    const Box clip = box(view, node);
    const auto take = [&](Least& ends, Least& starts, const N& start, const N& end) {
      for (const Least& apart : {ends.less(start), starts.less(-end), Least(end - start)}) all.common.take(apart);
      ends.take(Least(end));
      starts.take(Least(-start));
    };
    take(all.right, all.left, clip.x, clip.right());
    take(all.bottom, all.top, clip.y, clip.bottom());
    return all;
  }
  /// What is visible at the present positions is visible wherever scrolling could take it.
  [[nodiscard]] static bool is_clearly_within(const Within& within, const Box& own) {
    return within.right.is_above(own.x + thin) && within.left.is_above(N(thin) - own.right()) &&
           within.bottom.is_above(own.y + thin) && within.top.is_above(N(thin) - own.bottom()) &&
           within.common.is_above(thin);
  }

  /// A node that has nothing in common with its clip, wherever that is scrolled to. A node without an area implies
  /// nothing for its descendants, except for a scroller without a view.
  template <class SomeView>
  [[nodiscard]] Index lies_beyond(const SomeView& view, Index node, Box seen) {
    Index carried = node;
    for (Index above = view.parent(node); above != no_index; carried = above, above = view.parent(above)) {
      const Box clip = box(view, above);
      const Traits traits = view.traits(above);
      if ((traits.scroll_x && !exceeds(clip.width, N(0), thin)) ||
          (traits.scroll_y && !exceeds(clip.height, N(0), thin)))
        return above;
      if (can_scroll(view, above)) {
        const auto scroll = [&](Axis axis, N& at, N& size) {
          const Reach reach = with_scroller(view, above, carried, axis, {});
          if (!reach.from) return;
          const N start = max_of(at - reach.back, *reach.from), end = min_of(at + size + reach.ahead, *reach.to);
          at = start;
          size = end - start;
        };
        if (is_of_no_size(clip)) continue;
        scroll(x_axis, seen.x, seen.width);
        scroll(y_axis, seen.y, seen.height);
        if (is_of_no_size(seen)) return above;
      }
      if (scrollers_ == Scrollers::stay && !is_of_no_size(clip)) {  // what is seen of it, on axes that scroll
        view_of(clip, traits, x_axis).cut(seen.x, seen.width);
        view_of(clip, traits, y_axis).cut(seen.y, seen.height);
        if (is_of_no_size(seen)) return above;
      }
      const bool is_beyond = !exceeds(clip.right(), seen.x, thin) || !exceeds(seen.right(), clip.x, thin) ||
                             !exceeds(clip.bottom(), seen.y, thin) || !exceeds(seen.bottom(), clip.y, thin);
      if (is_beyond && !is_of_no_size(clip)) return above;
    }
    return no_index;
  }

  Scrollers scrollers_;
  BoxTree<Box> covers_;                                    // in the order of painting
  std::vector<Index> covering_;                            // their nodes
  std::vector<OfNode> of_node_;                            // by index
  std::vector<Within> within_;                             // the same
  std::vector<std::optional<ReachOnBoth>> above_;          // the same, of scrollers
  std::vector<std::array<std::optional<N>, 2>> ranges_;    // the same
  std::map<Index, std::array<Remains, 2>> remains_above_;  // of scrollers in scrollers: what those further out leave
  unsigned asked_ = 0;
};

}  // namespace fond_ladder::inline v0::detail
