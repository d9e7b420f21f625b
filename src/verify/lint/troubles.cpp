// SPDX-License-Identifier: MIT
#include "fond_ladder/trouble.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/meant.hpp"
#include "fond_ladder/sight.hpp"
#include "model/limits.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/lint/seen.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::inline v0 {
namespace {

Oddity oddity_of(Unseen::Why why) {
  return why == Unseen::Why::beyond ? Oddity::outside : why == Unseen::Why::behind ? Oddity::behind : Oddity::zero_size;
}

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
    Sight sight(solution_);
    for (std::size_t i = 1; i < seen_.nodes.size(); ++i) {
      const SeenNode& one = seen_.nodes[i];
      if (!one.placed) continue;
      const Unseen unseen = sight.unseen(one.node);
      if (unseen.why == Unseen::Why::none) continue;  // also in what is unseen: it may stick out of that
      unseen_[i] = unseen_[one.parent] || is_odd(one, unseen.why);
      if (!unseen_[i] || unseen_[one.parent] || one.keys().meant.has(oddity_of(unseen.why))) continue;
      add(Trouble::Kind::unseen, one.node, unseen.by).why = unseen.why;
    }
  }

  /// What has no size may have none on purpose, or show what sticks out of it.
  [[nodiscard]] bool is_odd(const SeenNode& one, Unseen::Why why) const {
    return why != Unseen::Why::no_size ||
           ((is_nothing(seen_, one, x_axis) || is_nothing(seen_, one, y_axis)) && !has_area(one.ink));
  }

  // --- edges, words, sizes -----------------------------------------------------------------------------------------

  void look_at_edges(const SeenNode& one) {
    const NodeId parent = seen_.parent(one).node;
    const FourSides cut = solution_.cut(one.node);
    if (cut.any() && !one.keys().meant.cut()) add(Trouble::Kind::sticks_out, one.node, parent).by = cut;
    const FourSides into = only_inside(solution_.intrusion(one.node), cut);
    if (into.any() && !one.keys().meant.has(Oddity::intrudes)) add(Trouble::Kind::intrudes, one.node, parent).by = into;
  }

  void look_at_words(const SeenNode& one) {
    if (one.keys().kind != Kind::text) return;
    const FourSides cut = solution_.words_cut(one.node);
    if (cut.any() && !one.keys().meant.cut()) {
      Trouble& trouble = add(Trouble::Kind::sticks_out, one.node, one.node);
      trouble.by = cut;
      for (const Solution::Words& line : solution_.words(one.node)) trouble.lost_lines += line.dropped ? 1 : 0;
    }
    const FourSides into = only_inside(solution_.words_intrusion(one.node), cut);
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
  std::vector<bool> unseen_;  // by node
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
      return solution.relative_box(trouble.node).size_on(trouble.axis) < trouble.given - limits::told_tolerance;
    case Trouble::Kind::unseen: break;
  }
  return true;
}

/// Finds from which width on troubles are gone.
class GoneFrom {
 public:
  GoneFrom(const Scene& scene, const std::vector<std::string>& modes, const Rung& rung)
      : scene_(scene), modes_(modes), rung_(rung), solver_(scene, modes) {}

  std::vector<std::optional<double>> find(const std::vector<Trouble>& troubles) {
    std::vector<std::optional<double>> gone(troubles.size());
    std::vector<Quantity> quantities;
    for (const Trouble& one : troubles) quantities.push_back({one.node, measure_of(one), {}});
    // Where a quantity leaves its line, or comes to what was given, a trouble may be gone.
    const auto followed = is_small() ? follow(trail_of(scene_, modes_, {false, rung_.height}), quantities,
                                              {*rung_.width, scene_.ladder.width.to}, 1, {})
                                     : std::nullopt;
    for (std::size_t i = 0; i < troubles.size(); ++i) {
      if (troubles[i].kind == Trouble::Kind::unseen) continue;
      gone[i] = followed ? first_gone(troubles[i], followed->runs[i]) : whole_width(troubles[i]);
    }
    return gone;
  }

 private:
  static Measure measure_of(const Trouble& trouble) {
    if (trouble.kind == Trouble::Kind::squeezed) return trouble.axis == x_axis ? Measure::width : Measure::height;
    return trouble.kind == Trouble::Kind::intrudes ? Measure::intrusion : Measure::cut;
  }
  [[nodiscard]] bool is_small() const {
    constexpr std::size_t most_nodes = 2000;
    return scene_.tree.size() <= most_nodes && !has_lists(scene_.tree);
  }
  bool is_bad(double width, const Trouble& trouble) { return goes_on(solver_.solve({width, rung_.height}), trouble); }

  std::optional<double> first_gone(const Trouble& trouble, const Runs& runs) {
    const double begin = *rung_.width, end = scene_.ladder.width.to;
    for (const Run& run : runs) {
      for (const double at : {exactly(run.from), comes_to_given(run, trouble)}) {
        if (at <= begin || at > end) continue;
        if (!is_bad(at, trouble) || !is_bad(std::min(end, at + limits::turn_step), trouble)) return at;
      }
    }
    return {};
  }
  /// Where the size of a squeezed node is the one that it was given; ahead of all where it is not.
  static double comes_to_given(const Run& run, const Trouble& trouble) {
    if (trouble.kind != Trouble::Kind::squeezed || !run.value || run.slope <= 0) return -1;
    const double at = exactly(run.from + (trouble.given - *run.value) / run.slope);
    return at > run.from && at <= run.to ? at : -1;
  }

  std::optional<double> whole_width(const Trouble& trouble) {
    const double last = scene_.ladder.width.to;
    double bad = *rung_.width, good = 0;
    for (double step = 1; good == 0 && bad < last; step *= 2) {  // ever further, till it is gone
      const double width = std::min(std::floor(bad) + step, last);
      (is_bad(width, trouble) ? bad : good) = width;
    }
    if (good == 0) return {};
    while (good - bad > 1) {
      const double middle = std::floor((bad + good) / 2);
      (is_bad(middle, trouble) ? bad : good) = middle;
    }
    return good;
  }

  const Scene& scene_;
  const std::vector<std::string>& modes_;
  const Rung& rung_;
  SceneSolver solver_;
};

}  // namespace

std::vector<Trouble> troubles(const Scene& scene, const Solution& solution) {
  return TroubleFinder(scene, solution).find();
}

std::vector<std::optional<double>> gone_from(const Scene& scene, const std::vector<std::string>& modes,
                                             const Rung& rung, const std::vector<Trouble>& troubles) {
  if (!rung.width || *rung.width >= scene.ladder.width.to || troubles.empty())
    return std::vector<std::optional<double>>(troubles.size());
  return GoneFrom(scene, modes, rung).find(troubles);
}

}  // namespace fond_ladder::inline v0
