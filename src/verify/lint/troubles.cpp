// SPDX-License-Identifier: MIT
#include "fond_ladder/trouble.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/meant.hpp"
#include "verify/lint/covers.hpp"

namespace fond_ladder::inline v0 {
namespace {

class TroubleFinder {
 public:
  TroubleFinder(const Scene& scene, const Solution& solution) : solution_(solution), seen_(unseen_scene(scene)) {
    see(seen_, solution, true);
    unseen_.resize(seen_.nodes.size());
  }

  std::vector<Trouble> find() {
    find_unseen();
    for (std::size_t i = 0; i < seen_.nodes.size(); ++i) {
      const SeenNode& one = seen_.nodes[i];
      if (!one.placed || unseen_[i]) continue;
      if (!seen_.is_root(one)) look_at_edges(one);
      look_at_words(one);
      if (!seen_.is_root(one)) look_at_size(one);
    }
    std::ranges::stable_sort(found_, {}, &Trouble::kind);
    return std::move(found_);
  }

 private:
  Trouble& add(Trouble::Kind kind, NodeId node, NodeId of) {
    Trouble& added = found_.emplace_back();
    added.kind = kind;
    added.node = node;
    added.of = of;
    return added;
  }

  // --- unseen ------------------------------------------------------------------------------------------------------

  void find_unseen() {
    const Covers covers(seen_);
    for (std::size_t i = 1; i < seen_.nodes.size(); ++i) {
      const SeenNode& one = seen_.nodes[i];
      unseen_[i] = unseen_[one.parent];
      if (!one.placed || unseen_[i]) continue;
      const SeenNode* beyond = has_area(one.box) ? outside_of(seen_, one) : nullptr;
      const bool is_empty = is_nothing(seen_, one, x_axis) || is_nothing(seen_, one, y_axis);
      if (beyond != nullptr) {
        is_unseen(one, Trouble::Why::beyond, beyond->node);
      } else if (const SeenNode* cover = covers.over(one); cover != nullptr) {
        is_unseen(one, Trouble::Why::behind, cover->node);
      } else if (is_empty && !has_area(one.ink)) {
        is_unseen(one, Trouble::Why::no_size, {});
      }
    }
  }

  void is_unseen(const SeenNode& one, Trouble::Why why, NodeId of) {
    unseen_[seen_.place(one)] = true;
    const Oddity oddity = why == Trouble::Why::beyond   ? Oddity::outside
                          : why == Trouble::Why::behind ? Oddity::behind
                                                        : Oddity::zero_size;
    if (one.keys().meant.has(oddity)) return;
    add(Trouble::Kind::unseen, one.node, of).why = why;
  }

  // --- edges, words, sizes -----------------------------------------------------------------------------------------

  void look_at_edges(const SeenNode& one) {
    if (is_put_outside(one.keys())) return;
    const NodeId parent = seen_.parent(one).node;
    const FourSides cut = solution_.cut(one.node);
    if (one.keys().meant.cut() || one.keys().meant.has(Oddity::never_fits)) return;
    if (cut.any()) add(Trouble::Kind::sticks_out, one.node, parent).by = cut;
    FourSides into = solution_.intrusion(one.node);  // where it sticks out, that says it
    const auto drop = [](double& side, double beyond) { side = beyond > 0 ? 0 : side; };
    drop(into.top, cut.top);
    drop(into.right, cut.right);
    drop(into.bottom, cut.bottom);
    drop(into.left, cut.left);
    if (into.any() && !one.keys().meant.has(Oddity::intrudes)) add(Trouble::Kind::intrudes, one.node, parent).by = into;
  }

  void look_at_words(const SeenNode& one) {
    if (one.keys().kind != Kind::text || one.keys().meant.cut() || one.keys().meant.has(Oddity::never_fits)) return;
    const FourSides cut = solution_.words_cut(one.node);
    if (cut.any()) {
      Trouble& trouble = add(Trouble::Kind::sticks_out, one.node, one.node);
      trouble.by = cut;
      for (const Solution::Words& line : solution_.words(one.node)) trouble.lost_lines += line.dropped ? 1 : 0;
      return;
    }
    const FourSides into = solution_.words_intrusion(one.node);
    if (into.any() && !one.keys().meant.has(Oddity::intrudes))
      add(Trouble::Kind::intrudes, one.node, one.node).by = into;
  }

  void look_at_size(const SeenNode& one) {
    if (one.keys().meant.has(Oddity::not_kept)) return;
    for (const Axis axis : {x_axis, y_axis}) {
      const auto size = squeezed(seen_, one, axis);
      if (!size) continue;
      Trouble& trouble = add(Trouble::Kind::squeezed, one.node, {});
      trouble.axis = axis;
      trouble.given = size->given;
      trouble.got = size->got;
    }
  }

  const Solution& solution_;
  Seen seen_;
  std::vector<bool> unseen_;  // the node, or something that it lies in
  std::vector<Trouble> found_;
};

/// Whether a node has a trouble of that kind still.
bool goes_on(const Solution& solution, const Trouble& trouble) {
  if (!solution.is_placed(trouble.node)) return false;
  const bool words = trouble.of == trouble.node;
  switch (trouble.kind) {
    case Trouble::Kind::sticks_out:
      return words ? solution.words_cut(trouble.node).any() : solution.cut(trouble.node).any();
    case Trouble::Kind::intrudes:
      return words ? solution.words_intrusion(trouble.node).any()
                   : solution.intrusion(trouble.node).any() || solution.cut(trouble.node).any();
    case Trouble::Kind::squeezed:
      return solution.relative_box(trouble.node).size_on(trouble.axis) < trouble.given - give;
    case Trouble::Kind::unseen: break;
  }
  return true;
}

}  // namespace

std::vector<Trouble> troubles(const Scene& scene, const Solution& solution) {
  return TroubleFinder(scene, solution).find();
}

std::optional<double> gone_from(const Scene& scene, const std::vector<std::string>& modes, const Rung& rung,
                                const Trouble& trouble) {
  if (!rung.width || trouble.kind == Trouble::Kind::unseen) return {};
  SceneSolver solver(scene, modes);
  const double last = scene.ladder.width.to;
  const auto is_bad = [&](double width) { return goes_on(solver.solve({width, rung.height}), trouble); };
  double bad = *rung.width, good = 0;
  for (double step = 1; good == 0 && bad < last; step *= 2) {  // ever further, till it is gone
    const double width = std::min(std::floor(bad) + step, last);
    (is_bad(width) ? bad : good) = width;
  }
  if (good == 0) return {};
  while (good - bad > 1) {
    const double middle = std::floor((bad + good) / 2);
    (is_bad(middle) ? bad : good) = middle;
  }
  return good;
}

}  // namespace fond_ladder::inline v0
