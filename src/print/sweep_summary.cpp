// SPDX-License-Identifier: MIT
#include "print/sweep_summary.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "fond_ladder/scene.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/thousands.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string name(const Scene& scene, const Quantity& quantity) {
  return "`" + scene.tree.short_path(quantity.node) + "`";
}

/// Sizes of a sweep at which something is so, as `below 520 and from 640 to 776`; empty: nowhere.
class Where {
 public:
  explicit Where(const Sweep& swept) : swept_(swept) {}

  template <class IsSo>
  std::string operator()(std::size_t quantity, const IsSo& is_so) const {
    std::vector<std::string> parts;
    const auto& steps = swept_.steps;
    for (std::size_t i = 0; i < steps.size();) {
      if (!is_so(steps[i].values[quantity])) {
        ++i;
        continue;
      }
      std::size_t end = i;
      while (end < steps.size() && is_so(steps[end].values[quantity])) ++end;
      const Begin from = begin(quantity, i), other = end < steps.size() ? begin(quantity, end) : Begin();
      if (i == 0 && end == steps.size()) return swept_.setting.empty() ? "at every size" : "at every value";
      const std::string since = (from.behind ? "above " : "from ") + from.at;
      parts.push_back(i == 0               ? (other.behind ? "up to " : "below ") + other.at
                      : end < steps.size() ? fmt::format("{} to {}", since, other.at)
                      : from.behind        ? since
                                           : since + " up");
      i = end;
    }
    constexpr std::size_t most = 3;
    if (parts.size() > most) {
      const std::size_t more = parts.size() - most;
      parts.resize(most);
      return fmt::format("{} and at {} more", fmt::join(parts, ", "),
                         more == 1 ? "1 place" : fmt::format("{} places", more));
    }
    return fmt::format("{}", fmt::join(parts, " and "));
  }

 private:
  struct Begin {
    std::string at;
    bool behind = false;  // not at that place itself
  };
  /// Where what is so at step `i`, and not before, begins: at a breakpoint between the two, if there is one, or right
  /// after one at the step before.
  [[nodiscard]] Begin begin(std::size_t quantity, std::size_t i) const {
    const double size = swept_.steps[i].at;
    if (i == 0) return {rounded(size)};
    const double before = swept_.steps[i - 1].at;
    bool behind = false;
    for (const Breakpoint& breakpoint : swept_.breakpoints()) {
      if (breakpoint.quantity != quantity) continue;
      if (breakpoint.at > before && breakpoint.at <= size) return {rounded(breakpoint.at)};
      behind = behind || breakpoint.to == before;
    }
    return behind ? Begin{rounded(before), true} : Begin{rounded(size)};
  }

  const Sweep& swept_;
};

std::string range_text(const Scene& scene, bool along_height) {
  std::vector<std::string> parts;
  for (const Range& range : scene.ranges) {
    const auto& from = along_height ? range.from_height : range.from_width;
    const auto& below = along_height ? range.below_height : range.below_width;
    if (!from && !below) continue;
    parts.push_back(fmt::format("`{}` holds {}", range.name,
                                from && below ? fmt::format("from {} to {}", rounded(*from), rounded(*below))
                                : from        ? fmt::format("from {} up", rounded(*from))
                                              : fmt::format("below {}", rounded(*below))));
  }
  return fmt::format("{}", fmt::join(parts, ", "));
}

std::string cut_text(const Scene& scene, const Sweep& swept, const Where& where) {
  const std::vector<Quantity>& asked = swept.quantities;
  std::vector<std::string> parts;
  constexpr std::size_t most_listed = 3;
  std::size_t more = 0;
  for (std::size_t q = 0; q < asked.size(); ++q) {
    if (asked[q].measure != Measure::overhang || scene.tree.keys(asked[q].node).allow.overhang()) continue;
    const std::string places = where(q, [](const auto& value) { return value && *value > 0; });
    if (places.empty()) continue;
    if (parts.size() == most_listed) {
      ++more;
      continue;
    }
    double most = 0;
    for (const auto& step : swept.steps) most = std::max(most, step.values[q].value_or(0));
    parts.push_back(fmt::format("{} overhangs {}, by {} at most", name(scene, asked[q]), places, rounded(most)));
  }
  if (parts.empty()) return "nothing overhangs";
  return fmt::format("{}{}", fmt::join(parts, "; "), more > 0 ? fmt::format("; {} more overhang", more) : "");
}

/// `beds` is 240 from 640 up.
std::string constant_text(const Scene& scene, const Sweep& swept, std::size_t quantity) {
  const Breakpoint* last = nullptr;
  for (const Breakpoint& breakpoint : swept.breakpoints()) {
    if (breakpoint.quantity == quantity) last = &breakpoint;
  }
  if (last == nullptr || last->slope_after != 0 || !last->after || last->to == swept.steps.back().at) {
    return "";
  }
  const Quantity& own = swept.quantities[quantity];
  const char* way = swept.setting.empty() ? "" : own.measure == Measure::width ? " wide" : " high";
  return fmt::format("{} is {}{} from {} up", name(scene, own), rounded(*last->after), way, rounded(last->to));
}

bool lies_in(const Tree& tree, NodeId node, const std::vector<NodeId>& containers) {
  for (NodeId at = node; at; at = tree.parent(at)) {
    if (std::ranges::find(containers, at) != containers.end()) return true;
  }
  return false;
}

int depth_of(const Tree& tree, NodeId node) {
  int depth = 0;
  for (NodeId at = tree.parent(node); at; at = tree.parent(at)) ++depth;
  return depth;
}

}  // namespace

std::vector<Quantity> all_quantities(const Scene& scene, const std::vector<Measure>& sizes) {
  std::vector<Quantity> all;
  std::size_t seen = 0;
  for (const NodeId node : scene.tree.nodes()) {
    if (++seen > limits::most_swept_nodes) break;
    if (node != scene.tree.root()) {
      for (const Measure size : sizes) all.push_back({node, size, ""});
      all.push_back({node, Measure::overhang, ""});
    }
    const Keys keys = scene.tree.keys(node);
    if (keys.wrap && (keys.kind == Kind::row || keys.kind == Kind::column)) all.push_back({node, Measure::lines, ""});
    if (keys.kind == Kind::grid) all.push_back({node, Measure::columns, ""});
  }
  return all;
}

std::vector<Telling> most_telling(const Scene& scene, const Sweep& swept) {
  const std::vector<Quantity>& asked = swept.quantities;
  std::vector<double> amount(asked.size());
  for (const Breakpoint& breakpoint : swept.breakpoints()) {
    amount[breakpoint.quantity] += std::abs(breakpoint.after.value_or(0) - breakpoint.before.value_or(0)) +
                                   100 * std::abs(breakpoint.slope_after - breakpoint.slope_before);
  }
  std::vector<Telling> telling;
  for (std::size_t q = 0; q < amount.size(); ++q) {
    const bool is_size = asked[q].measure == Measure::width || asked[q].measure == Measure::height;
    if (amount[q] < limits::report_tolerance || !is_size) continue;
    const auto is_alike = [&](const Telling& other) {
      return std::ranges::all_of(swept.steps, [&](const Sweep::Step& step) {
        const auto &a = step.values[q], &b = step.values[other.quantity];
        return a.has_value() == b.has_value() && (!a || std::abs(*a - *b) < limits::report_tolerance);
      });
    };
    const auto group = std::ranges::find_if(telling, is_alike);
    if (group != telling.end()) {
      group->group.push_back(q);
    } else {
      telling.push_back({q, {}});
    }
  }
  const auto depth = [&](const Telling& one) { return depth_of(scene.tree, asked[one.quantity].node); };
  std::ranges::stable_sort(telling, [&](const Telling& a, const Telling& b) {
    return depth(a) != depth(b) ? depth(a) < depth(b) : amount[a.quantity] > amount[b.quantity];
  });
  return telling;
}

std::string summary(const Scene& scene, const Sweep& swept, const std::vector<Telling>& telling,
                    const std::vector<std::string>& modes) {
  const std::vector<Quantity>& asked = swept.quantities;
  const Where where(swept);
  std::vector<std::string> sentences;
  const std::string ranges = swept.setting.empty() ? range_text(scene, swept.along_height) : "";
  if (!ranges.empty()) sentences.push_back(ranges);
  if (!modes.empty()) sentences.push_back(fmt::format("`{}` is on", fmt::join(modes, "`, `")));
  for (std::size_t q = 0; q < asked.size(); ++q) {
    if (asked[q].measure == Measure::lines) {
      const std::string places = where(q, [](const auto& value) { return value && *value > 1.5; });
      if (!places.empty()) sentences.push_back(fmt::format("{} wraps {}", name(scene, asked[q]), places));
    } else if (asked[q].measure == Measure::columns) {
      double least = swept.steps[0].values[q].value_or(0), most = least;
      for (const auto& step : swept.steps) {
        least = std::min(least, step.values[q].value_or(0));
        most = std::max(most, step.values[q].value_or(0));
      }
      if (least != most) {
        sentences.push_back(
            fmt::format("{} has {} to {} columns", name(scene, asked[q]), rounded(least), rounded(most)));
      }
    }
  }
  constexpr std::size_t most_constant = 3;
  std::vector<NodeId> named;
  for (const Telling& one : telling) {
    if (named.size() == most_constant) break;
    const Quantity& quantity = asked[one.quantity];
    const std::string text = constant_text(scene, swept, one.quantity);
    if (text.empty() || lies_in(scene.tree, quantity.node, named)) continue;
    sentences.push_back(text);
    named.push_back(quantity.node);
  }
  sentences.push_back(cut_text(scene, swept, where));
  if (scene.tree.size() > limits::most_swept_nodes)
    sentences.push_back(fmt::format("covers the first {} of {} nodes; use --show for others",
                                    in_thousands(limits::most_swept_nodes),
                                    in_thousands(static_cast<double>(scene.tree.size()))));
  return fmt::format("{}.", fmt::join(sentences, "; "));
}

}  // namespace fond_ladder::inline v0
