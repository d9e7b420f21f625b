// SPDX-License-Identifier: MIT
#pragma once

// Who is seen at one size: what has a size, does not lie beyond one that it is in, and not behind something painted
// later. Where many are asked about, what they lie in is summed up on the way down, and what covers them is kept in a
// tree of bounds: neither is then asked one by one.

#include <utility>
#include <vector>

#include "model/limits.hpp"
#include "solve/painted.hpp"
#include "solve/scrolled_view.hpp"
#include "verify/measure/box_tree.hpp"

namespace fond_ladder::inline v0::detail {

/// Of zero size but for rounding.
template <class AnyBox>
[[nodiscard]] bool is_of_no_size(const AnyBox& box) {
  return box.width <= limits::told_tolerance || box.height <= limits::told_tolerance;
}

/// Beyond which ancestor a node lies wholly that does not scroll that way, or behind which one box or image that is
/// painted later; nobody where it is seen.
struct Unseen {
  Index by = no_index;
  bool beyond = false;
};

/// The painting of a solve at one size, found when it is first asked about, for all nodes at once: how large each is
/// painted, and what can hide it, which are boxes and images: containers and the room around words are see-through.
/// Edges that lie on one another but for rounding lie on one another.
template <class N>
class SightOf {
 public:
  /// Not hidden, not of zero size, and not out of sight.
  template <class SomeView>
  [[nodiscard]] bool is_shown(const SomeView& view, Index node) {
    if (of_node_.empty()) see(view);
    if (node >= of_node_.size() || !of_node_[node].placed) return false;
    return !is_of_no_size(box(view, node)) && unseen_behind(view, node).by == no_index;
  }

  /// Of a node with a place and a size.
  template <class SomeView>
  [[nodiscard]] Unseen unseen_behind(const SomeView& view, Index node) {
    const Box own = box(view, node);
    if (++asked_ == few) look_ahead(view);
    const bool is_within = !within_.empty() && is_clearly_within(within_[node], own);
    const Index beyond = is_within ? no_index : lies_beyond(view, node, own);
    if (beyond != no_index) return {beyond, true};
    const std::size_t cover = covers_.first_around(own, of_node_[node].ahead, thin, [](std::size_t) { return true; });
    return {cover < covering_.size() ? covering_[cover] : no_index, false};
  }

 private:
  using Box = RectOf<N>;
  using Least = LeastOfMany<N>;
  static constexpr double thin = limits::told_tolerance;
  /// Questions beyond which it pays to sum up.
  static constexpr unsigned few = 16;

  struct OfNode {
    Lens<N> lens;
    bool placed = false;
    std::size_t ahead = 0;  // covers that are painted until all that is in it is painted
  };
  /// What a node lies in, as far up as the first that can be scrolled that way; starts are of the other sign.
  struct Within {
    Least right, left, bottom, top;
    Least of_scrolled;  // by how much those lie within what they are in themselves
  };

  template <class SomeView>
  [[nodiscard]] Box box(const SomeView& view, Index node) {
    if (of_node_.empty()) see(view);
    return through(of_node_[node].lens, view, node);
  }

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
      of_node_[node].lens = lens;
      of_node_[node].placed = true;
      open.emplace_back(node, depth);
      const Kind kind = view.traits(node).node_kind();
      if (kind != Kind::box && kind != Kind::image) return;
      covering_.push_back(node);
      covers_.add(through(lens, view, node));
    });
    close(0);
  }

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
  /// What all that is in a node lies in.
  template <class SomeView>
  [[nodiscard]] Within within(const SomeView& view, Index node) {
    Within all = within_[node];
    const Box clip = box(view, node);
    const bool can_scroll = !is_scrolled(view, node);
    const auto take = [&](bool scrolls, Least& ends, Least& starts, const N& start, const N& end) {
      if (scrolls && can_scroll) {
        for (const Least& apart : {ends.less(start), starts.less(-end), Least(end - start)})
          all.of_scrolled.take(apart);
        ends = starts = {};
      }
      ends.take(Least(end));
      starts.take(Least(-start));
    };
    const Traits traits = view.traits(node);
    take(traits.scroll_x, all.right, all.left, clip.x, clip.right());
    take(traits.scroll_y, all.bottom, all.top, clip.y, clip.bottom());
    return all;
  }
  [[nodiscard]] static bool is_clearly_within(const Within& within, const Box& own) {
    return within.right.is_above(own.x + thin) && within.left.is_above(N(thin) - own.right()) &&
           within.bottom.is_above(own.y + thin) && within.top.is_above(N(thin) - own.bottom()) &&
           within.of_scrolled.is_above(thin);
  }

  template <class SomeView>
  [[nodiscard]] Index lies_beyond(const SomeView& view, Index node, Box seen) {
    for (Index above = view.parent(node); above != no_index; above = view.parent(above)) {
      const Box clip = box(view, above);
      const Traits traits = view.traits(above);
      const bool can_scroll = !is_scrolled(view, above);
      if (can_scroll && traits.scroll_x) seen.x = clip.x, seen.width = clip.width;  // it can be scrolled into view
      if (can_scroll && traits.scroll_y) seen.y = clip.y, seen.height = clip.height;
      if (seen.x + thin >= clip.right() || seen.right() <= clip.x + thin) return above;
      if (seen.y + thin >= clip.bottom() || seen.bottom() <= clip.y + thin) return above;
    }
    return no_index;
  }

  BoxTree<Box> covers_;          // in the order of painting
  std::vector<Index> covering_;  // whose they are
  std::vector<OfNode> of_node_;  // by index
  std::vector<Within> within_;   // the same
  unsigned asked_ = 0;
};

}  // namespace fond_ladder::inline v0::detail
