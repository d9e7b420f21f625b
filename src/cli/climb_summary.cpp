// SPDX-License-Identifier: MIT
#include "cli/climb_summary.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "cli/output.hpp"

namespace fond_ladder::cli {
namespace {

bool measures(const std::string& quantity, std::string_view measure) {
  return quantity.ends_with(measure) && quantity[quantity.size() - measure.size() - 1] == '.';
}

std::string node_of(const std::string& quantity) {
  return "`" + quantity.substr(0, quantity.rfind('.')) + "`";
}

double size_at(const Climb::Step& step, bool along_height) {
  return along_height ? step.container.height : step.container.width;
}

/// Sizes of a climb at which something is so, as `below 520 and from 640 to 776`; empty: nowhere.
class Where {
 public:
  Where(const Climb& climbed, bool along_height) : climbed_(climbed), along_height_(along_height) {}

  template <class IsSo>
  std::string operator()(std::size_t quantity, const IsSo& is_so) const {
    std::vector<std::string> parts;
    const auto& steps = climbed_.steps;
    for (std::size_t i = 0; i < steps.size();) {
      if (!is_so(steps[i].values[quantity])) {
        ++i;
        continue;
      }
      std::size_t end = i;
      while (end < steps.size() && is_so(steps[end].values[quantity])) ++end;
      const std::string from = begin(quantity, i), below = end < steps.size() ? begin(quantity, end) : "";
      if (i == 0 && end == steps.size()) return "at every size";
      parts.push_back(i == 0                ? "below " + below
                      : end == steps.size() ? "from " + from + " up"
                                            : "from " + from + " to " + below);
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
  /// Where what is so at step `i`, and not before, begins: at a turn between the two, if there is one.
  [[nodiscard]] std::string begin(std::size_t quantity, std::size_t i) const {
    const double size = size_at(climbed_.steps[i], along_height_);
    if (i == 0) return rounded(size);
    const double before = size_at(climbed_.steps[i - 1], along_height_);
    for (const Turn& turn : climbed_.turns()) {
      if (turn.quantity == quantity && turn.at > before && turn.at <= size) return rounded(turn.at);
    }
    return rounded(size);
  }

  const Climb& climbed_;
  bool along_height_;
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

std::string cut_text(const Climb& climbed, const Where& where) {
  std::vector<std::string> parts;
  for (std::size_t q = 0; q < climbed.quantities.size(); ++q) {
    if (!measures(climbed.quantities[q], "cut")) continue;
    const std::string places = where(q, [](const auto& value) { return value && *value > 0; });
    if (places.empty()) continue;
    double most = 0;
    for (const auto& step : climbed.steps) most = std::max(most, step.values[q].value_or(0));
    parts.push_back(
        fmt::format("{} sticks out {}, by {} at most", node_of(climbed.quantities[q]), places, rounded(most)));
  }
  if (parts.empty()) return "nothing is cut";
  constexpr std::size_t most_told = 3;
  const std::size_t more = parts.size() > most_told ? parts.size() - most_told : 0;
  parts.resize(parts.size() - more);
  return fmt::format("{}{}", fmt::join(parts, "; "), more > 0 ? fmt::format("; {} more stick out", more) : "");
}

/// `beds` is 240 from 640 up.
std::string constant_text(const Climb& climbed, std::size_t quantity, bool along_height) {
  const Turn* last = nullptr;
  for (const Turn& turn : climbed.turns()) {
    if (turn.quantity == quantity) last = &turn;
  }
  if (last == nullptr || last->slope_after != 0 || !last->after ||
      last->to == size_at(climbed.steps.back(), along_height)) {
    return "";
  }
  return fmt::format("{} is {} from {} up", node_of(climbed.quantities[quantity]), rounded(*last->after),
                     rounded(last->to));
}

bool lies_in(const Tree& tree, NodeId node, const std::vector<NodeId>& containers) {
  for (NodeId at = node; at; at = tree.parent(at)) {
    if (std::ranges::find(containers, at) != containers.end()) return true;
  }
  return false;
}

}  // namespace

std::vector<std::string> all_quantities(const Scene& scene, bool along_height) {
  std::vector<std::string> all;
  const std::string side = along_height ? ".height" : ".width";
  for (const NodeId node : scene.tree.nodes()) {
    const std::string path = scene.tree.path(node);
    if (node != scene.tree.root()) {
      all.push_back(path + side);
      all.push_back(path + ".cut");
    }
    const Keys keys = scene.tree.keys(node);
    if (keys.wrap && (keys.kind == Kind::row || keys.kind == Kind::column)) all.push_back(path + ".lines");
    if (keys.kind == Kind::grid) all.push_back(path + ".columns");
  }
  return all;
}

std::vector<Telling> most_telling(const Climb& climbed, bool along_height) {
  std::vector<double> amount(climbed.quantities.size());
  for (const Turn& turn : climbed.turns()) {
    amount[turn.quantity] += std::abs(turn.after.value_or(0) - turn.before.value_or(0)) +
                             100 * std::abs(turn.slope_after - turn.slope_before);
  }
  std::vector<Telling> telling;
  for (std::size_t q = 0; q < amount.size(); ++q) {
    if (amount[q] < 1e-6 || !measures(climbed.quantities[q], along_height ? "height" : "width")) continue;
    const auto is_alike = [&](const Telling& other) {
      return std::ranges::all_of(climbed.steps, [&](const Climb::Step& step) {
        const auto &a = step.values[q], &b = step.values[other.quantity];
        return a.has_value() == b.has_value() && (!a || std::abs(*a - *b) < 1e-6);
      });
    };
    const auto alike = std::ranges::find_if(telling, is_alike);
    if (alike != telling.end()) {
      alike->alike.push_back(q);
    } else {
      telling.push_back({q, {}});
    }
  }
  const auto depth = [&](const Telling& one) { return std::ranges::count(climbed.quantities[one.quantity], '/'); };
  std::ranges::stable_sort(telling, [&](const Telling& a, const Telling& b) {
    return depth(a) != depth(b) ? depth(a) < depth(b) : amount[a.quantity] > amount[b.quantity];
  });
  return telling;
}

std::string summary(const Scene& scene, const Climb& climbed, const std::vector<Telling>& telling, bool along_height,
                    const std::vector<std::string>& modes) {
  const Where where(climbed, along_height);
  std::vector<std::string> sentences;
  if (const std::string ranges = range_text(scene, along_height); !ranges.empty()) sentences.push_back(ranges);
  if (!modes.empty()) sentences.push_back(fmt::format("`{}` is on", fmt::join(modes, "`, `")));
  for (std::size_t q = 0; q < climbed.quantities.size(); ++q) {
    const std::string& quantity = climbed.quantities[q];
    if (measures(quantity, "lines")) {
      const std::string places = where(q, [](const auto& value) { return value && *value > 1.5; });
      if (!places.empty()) sentences.push_back(node_of(quantity) + " wraps " + places);
    } else if (measures(quantity, "columns")) {
      const auto values = [&](const Climb::Step& step) { return step.values[q].value_or(0); };
      const auto [least, most] = std::ranges::minmax(climbed.steps, {}, values);
      if (values(least) != values(most)) {
        sentences.push_back(
            fmt::format("{} has {} to {} columns", node_of(quantity), rounded(values(least)), rounded(values(most))));
      }
    }
  }
  constexpr std::size_t most_constant = 3;
  std::vector<NodeId> told;
  for (const Telling& one : telling) {
    const std::string text = told.size() < most_constant ? constant_text(climbed, one.quantity, along_height) : "";
    const std::string& quantity = climbed.quantities[one.quantity];
    const NodeId node = scene.tree.at(quantity.substr(0, quantity.rfind('.')));
    if (text.empty() || lies_in(scene.tree, node, told)) continue;
    sentences.push_back(text);
    told.push_back(node);
  }
  sentences.push_back(cut_text(climbed, where));
  return fmt::format("{}.", fmt::join(sentences, "; "));
}

}  // namespace fond_ladder::cli
