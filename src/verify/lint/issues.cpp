// SPDX-License-Identifier: MIT
#include "fond_ladder/issue.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/lint_rule.hpp"
#include "fond_ladder/sight.hpp"
#include "model/limits.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/lint/seen.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::inline v0 {
namespace {

LintRule rule_of(Invisible::Why why) {
  return why == Invisible::Why::outside  ? LintRule::outside
         : why == Invisible::Why::behind ? LintRule::behind
                                         : LintRule::zero_size;
}

class IssueFinder {
 public:
  IssueFinder(const Scene& scene, const Solution& solution) : solution_(solution), seen_(unseen_scene(scene)) {
    see(seen_, solution, true);
    invisible_.resize(seen_.nodes.size());
  }

  std::vector<Issue> find() {
    find_invisible();
    for (std::size_t i = 0; i < seen_.nodes.size(); ++i) {
      const SeenNode& one = seen_.nodes[i];
      if (!one.placed || invisible_[i]) continue;
      if (!seen_.is_root(one)) look_at_edges(one);
      look_at_words(one);
      if (!seen_.is_root(one)) look_at_size(one);
    }
    std::ranges::stable_sort(found_, {}, &Issue::kind);
    return std::move(found_);
  }

 private:
  Issue& add(Issue::Kind kind, NodeId node, NodeId of) {
    Issue& added = found_.emplace_back();
    added.kind = kind;
    added.node = node;
    added.of = of;
    return added;
  }

  // --- invisible
  // ------------------------------------------------------------------------------------------------------

  void find_invisible() {
    Sight sight(solution_);
    for (std::size_t i = 1; i < seen_.nodes.size(); ++i) {
      const SeenNode& one = seen_.nodes[i];
      if (!one.placed) continue;
      const Invisible invisible = sight.invisible(one.node);
      if (invisible.why == Invisible::Why::none) continue;  // also in what is invisible: it may overhang that
      invisible_[i] = invisible_[one.parent] || is_odd(one, invisible.why);
      if (!invisible_[i] || invisible_[one.parent] || one.keys().allow.has(rule_of(invisible.why))) continue;
      add(Issue::Kind::invisible, one.node, invisible.by).why = invisible.why;
    }
  }

  /// What has no size may have none on purpose, or show what overhangs it.
  [[nodiscard]] bool is_odd(const SeenNode& one, Invisible::Why why) const {
    return why != Invisible::Why::no_size ||
           ((is_nothing(seen_, one, x_axis) || is_nothing(seen_, one, y_axis)) && !has_area(one.ink));
  }

  // --- edges, words, sizes -----------------------------------------------------------------------------------------

  void look_at_edges(const SeenNode& one) {
    const NodeId parent = seen_.parent(one).node;
    const FourSides overhang = solution_.overhang(one.node);
    if (overhang.any() && !one.keys().allow.overhang()) add(Issue::Kind::overhangs, one.node, parent).by = overhang;
    const FourSides into = only_inside(solution_.padding_overlap(one.node), overhang);
    if (into.any() && !one.keys().allow.has(LintRule::overlaps_padding))
      add(Issue::Kind::overlaps_padding, one.node, parent).by = into;
  }

  void look_at_words(const SeenNode& one) {
    if (one.keys().kind != Kind::text) return;
    const FourSides overhang = solution_.text_overhang(one.node);
    if (overhang.any() && !one.keys().allow.overhang()) {
      Issue& issue = add(Issue::Kind::overhangs, one.node, one.node);
      issue.by = overhang;
      for (const Solution::TextLine& line : solution_.text_lines(one.node)) issue.lost_lines += line.dropped ? 1 : 0;
    }
    const FourSides into = only_inside(solution_.text_padding_overlap(one.node), overhang);
    if (into.any() && !one.keys().allow.has(LintRule::overlaps_padding))
      add(Issue::Kind::overlaps_padding, one.node, one.node).by = into;
  }

  void look_at_size(const SeenNode& one) {
    if (one.keys().allow.has(LintRule::squeezed)) return;
    for (const Axis axis : {x_axis, y_axis}) {
      const auto size = squeezed(seen_, one, axis);
      if (!size) continue;
      Issue& issue = add(Issue::Kind::squeezed, one.node, {});
      issue.axis = axis;
      issue.given = size->given;
      issue.got = size->got;
    }
  }

  const Solution& solution_;
  Seen seen_;
  std::vector<bool> invisible_;  // by node
  std::vector<Issue> found_;
};

/// Whether a node has a trouble of that kind still.
bool goes_on(const Solution& solution, const Issue& issue) {
  if (!solution.is_placed(issue.node)) return false;
  const bool words = issue.of == issue.node;
  switch (issue.kind) {
    case Issue::Kind::overhangs:
      return words ? solution.text_overhang(issue.node).any() : solution.overhang(issue.node).any();
    case Issue::Kind::overlaps_padding:
      return words ? solution.text_padding_overlap(issue.node).any()
                   : solution.padding_overlap(issue.node).any() || solution.overhang(issue.node).any();
    case Issue::Kind::squeezed:
      return solution.relative_box(issue.node).size_on(issue.axis) < issue.given - limits::report_tolerance;
    case Issue::Kind::invisible: break;
  }
  return true;
}

/// Finds from which width on troubles are gone.
class GoneFrom {
 public:
  GoneFrom(const Scene& scene, const std::vector<std::string>& modes, const ContainerSize& container_size)
      : scene_(scene), modes_(modes), container_size_(container_size), solver_(scene, modes) {}

  std::vector<std::optional<double>> find(const std::vector<Issue>& issues) {
    std::vector<std::optional<double>> gone(issues.size());
    std::vector<Quantity> quantities;
    for (const Issue& one : issues) quantities.push_back({one.node, measure_of(one), {}});
    // Where a quantity leaves its line, or comes to what was given, a trouble may be gone.
    const auto followed = is_small() ? follow(trail_of(scene_, modes_, {false, container_size_.height}), quantities,
                                              {*container_size_.width, scene_.ladder.width.to}, 1, {})
                                     : std::nullopt;
    for (std::size_t i = 0; i < issues.size(); ++i) {
      if (issues[i].kind == Issue::Kind::invisible) continue;
      gone[i] = followed ? first_gone(issues[i], followed->runs[i]) : whole_width(issues[i]);
    }
    return gone;
  }

 private:
  static Measure measure_of(const Issue& issue) {
    if (issue.kind == Issue::Kind::squeezed) return issue.axis == x_axis ? Measure::width : Measure::height;
    return issue.kind == Issue::Kind::overlaps_padding ? Measure::padding_overlap : Measure::overhang;
  }
  [[nodiscard]] bool is_small() const {
    constexpr std::size_t most_nodes = 2000;
    return scene_.tree.size() <= most_nodes && !has_lists(scene_.tree);
  }
  bool is_bad(double width, const Issue& issue) {
    return goes_on(solver_.solve({width, container_size_.height}), issue);
  }

  std::optional<double> first_gone(const Issue& issue, const Runs& runs) {
    const double begin = *container_size_.width, end = scene_.ladder.width.to;
    for (const Run& run : runs) {
      for (const double at : {exactly(run.from), comes_to_given(run, issue)}) {
        if (at <= begin || at > end) continue;
        if (!is_bad(at, issue) || !is_bad(std::min(end, at + limits::breakpoint_step), issue)) return at;
      }
    }
    return {};
  }
  /// Where the size of a squeezed node is the one that it was given; ahead of all where it is not.
  static double comes_to_given(const Run& run, const Issue& issue) {
    if (issue.kind != Issue::Kind::squeezed || !run.value || run.slope <= 0) return -1;
    const double at = exactly(run.from + (issue.given - *run.value) / run.slope);
    return at > run.from && at <= run.to ? at : -1;
  }

  std::optional<double> whole_width(const Issue& issue) {
    const double last = scene_.ladder.width.to;
    double bad = *container_size_.width, good = 0;
    for (double step = 1; good == 0 && bad < last; step *= 2) {  // ever further, till it is gone
      const double width = std::min(std::floor(bad) + step, last);
      (is_bad(width, issue) ? bad : good) = width;
    }
    if (good == 0) return {};
    while (good - bad > 1) {
      const double middle = std::floor((bad + good) / 2);
      (is_bad(middle, issue) ? bad : good) = middle;
    }
    return good;
  }

  const Scene& scene_;
  const std::vector<std::string>& modes_;
  const ContainerSize& container_size_;
  SceneSolver solver_;
};

}  // namespace

std::vector<Issue> issues(const Scene& scene, const Solution& solution) {
  return IssueFinder(scene, solution).find();
}

std::vector<std::optional<double>> resolved_from(const Scene& scene, const std::vector<std::string>& modes,
                                                 const ContainerSize& container_size,
                                                 const std::vector<Issue>& issues) {
  if (!container_size.width || *container_size.width >= scene.ladder.width.to || issues.empty())
    return std::vector<std::optional<double>>(issues.size());
  return GoneFrom(scene, modes, container_size).find(issues);
}

}  // namespace fond_ladder::inline v0
