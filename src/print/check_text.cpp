// SPDX-License-Identifier: MIT
#include <algorithm>
#include <cmath>

#include "fond_ladder/check.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "model/shell_word.hpp"
#include "verify/ladder/container_sizes.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

constexpr std::string_view indent = "          ";

std::string values_text(const Failing& failing) {
  std::string text;
  for (const auto& [name, value] : failing.values)
    text += (text.empty() ? "" : ", ") + name + " " + (value ? rounded(*value) : "hidden");
  return text;
}

/// Intervals that one sentence covers: the same widths at several heights, or in several variants.
struct FailingGroup {
  const Failing* first = nullptr;
  const Failing* worst = nullptr;
  std::vector<std::optional<double>> heights;
  std::vector<std::string> variants;
  std::vector<Extent> also{};    // single sizes inside the stretch, at heights of their own
  bool is_worse_in_one = false;  // of the variants

  void take(const Failing& one) { worst = one.off > worst->off ? &one : worst; }
};

std::vector<FailingGroup> grouped_failures(const std::vector<Failing>& failing) {
  std::vector<FailingGroup> all;
  if (!failing.empty() && failing.front().heights) {  // regions are printed one by one
    for (const Failing& one : failing) all.push_back({&one, &one, {std::nullopt}, {one.variant}});
    return all;
  }
  const auto same_widths = [](const Failing& a, const Failing& b) { return a.from == b.from && a.to == b.to; };
  for (const Failing& one : failing) {
    const auto is_in = [&](const FailingGroup& group) {
      return one.from == one.to && group.first->from < group.first->to && one.variant == group.variants.front() &&
             one.from >= group.first->from && one.to <= group.first->to;
    };
    const auto is_beside = [&](const FailingGroup& group) {
      return same_widths(*group.first, one) && one.variant == group.variants.front();
    };
    if (const auto in = std::ranges::find_if(all, is_in); in != all.end()) {
      in->also.push_back(one.worst);
      in->take(one);
    } else if (const auto beside = std::ranges::find_if(all, is_beside); beside != all.end()) {
      beside->heights.push_back(one.height);
      beside->take(one);
    } else {
      all.push_back({&one, &one, {one.height}, {one.variant}});
    }
  }
  std::vector<FailingGroup> joined;
  for (FailingGroup& group : all) {
    const auto twin = std::ranges::find_if(joined, [&](const FailingGroup& other) {
      return same_widths(*other.first, *group.first) && other.heights == group.heights && other.also == group.also;
    });
    if (twin == joined.end()) {
      joined.push_back(std::move(group));
    } else {
      twin->variants.push_back(group.variants.front());
      twin->is_worse_in_one |= std::abs(group.worst->off - twin->worst->off) > limits::report_tolerance;
      twin->take(*group.worst);
    }
  }
  return joined;
}

std::string heights_text(const FailingGroup& group) {
  std::string text;
  for (const auto& height : group.heights) text += (text.empty() ? "" : " or ") + (height ? rounded(*height) : "");
  return group.heights.front() ? text + " high" : "as high as its content";
}

std::string size_of(const Extent& size) {
  return rounded(size.width) + " x " + rounded(size.height);
}

/// `149.99 x 300`, and which open end it is next to.
std::string worst_text(const Failing& failing) {
  std::string text = size_of(failing.worst);
  const auto tell = [&](double at, double limit, const char* along) {
    if (at == limit) return;
    text += (text.back() == ')' ? text.pop_back(), ", " : " (") +
            std::string(at < limit ? "just below " : "just above ") + rounded(limit) + along + ")";
  };
  tell(failing.worst.width, failing.limit.width, " wide");
  tell(failing.worst.height, failing.limit.height, " high");
  return text;
}

std::string stretch_text(const FailingGroup& group) {
  const Failing& failing = *group.first;
  std::string text(indent);
  if (group.variants.size() > 1 || !group.variants.front().empty()) {
    std::string names;
    for (const std::string& variant : group.variants)
      names += (names.empty() ? "" : "; ") + (variant.empty() ? "as it is" : printable(variant));
    text += names + ": ";
  }
  text += failing.from == failing.to
              ? "at " + rounded(failing.from)
              : "from " + std::string(failing.includes_from ? "" : "above ") + rounded(failing.from) + " to " +
                    std::string(failing.includes_to ? "" : "below ") + rounded(failing.to);
  if (failing.heights) {
    const auto side = [](double from, double to) {
      return from == to ? rounded(from) : rounded(from) + " to " + rounded(to);
    };
    const bool is_line = failing.from == failing.to || failing.heights->from == failing.heights->to;
    text = indent;
    if (!group.variants.front().empty()) text += printable(group.variants.front()) + ": ";
    text += (is_line ? "at " : "within ") + side(failing.from, failing.to) + " wide and " +
            side(failing.heights->from, failing.heights->to) + " high";
  } else {
    text += " wide, " + heights_text(group);
  }
  const bool is_one_size = failing.from == failing.to && group.heights.size() == 1 && group.variants.size() == 1;
  if (!is_one_size || failing.heights) text += "; worst at " + worst_text(*group.worst);
  if (group.is_worse_in_one)
    text += group.worst->variant.empty() ? " as it is" : " in " + printable(group.worst->variant);
  const std::string values = values_text(*group.worst);
  text += (values.empty() ? "" : ": " + values) + "\n";
  if (group.also.empty()) return text;
  text.append(indent).append("also at ");
  for (std::size_t i = 0; i < group.also.size(); ++i) text += (i > 0 ? ", " : "") + size_of(group.also[i]);
  return text + "\n";
}

std::string look_text(const Failing& failing, std::string_view file) {
  std::string text = "see it: fond-ladder ";
  text += failing.node.empty() ? "measure " + shell_word(file)
                               : "explain " + shell_word(file) + " " + shell_word(failing.node);
  text += " --at " + exact(failing.worst.width) + (failing.height ? "x" + exact(*failing.height) : "");
  return text + (failing.heights ? "x" + exact(failing.worst.height) : "") +
         (failing.scrolled.empty() ? "" : " " + failing.scrolled) +
         (failing.options.empty() ? "" : " " + failing.options);
}

}  // namespace

std::string report(const CheckedClaim& checked, std::string_view file) {
  std::string text = checked.holds ? "holds     " : checked.failing.empty() ? "untested  " : "fails     ";
  text += printable(checked.claim) + "\n";
  if (checked.tests == 0) {
    text += indent;
    text += "untested: its condition holds at no size of the ladder, or all its nodes are hidden\n";
  }
  if (!checked.sampled.empty() && checked.tests > 0) {
    text.append(indent).append(checked.every_height ? "sampled at some sizes " + text_of(checked.sampled) + " wide"
                                                    : "sampled at whole widths " + text_of(checked.sampled));
    text += ", where the layout is not linear\n";
  }
  constexpr std::size_t most = 5;
  std::vector<FailingGroup> all = grouped_failures(checked.failing);
  if (all.size() > most) {  // the worst of all is always printed
    const auto worst = std::ranges::max_element(all, {}, [](const FailingGroup& group) { return group.worst->off; });
    if (worst - all.begin() >= static_cast<std::ptrdiff_t>(most)) std::iter_swap(worst, all.begin() + (most - 1));
  }
  for (std::size_t i = 0; i < std::min(most, all.size()); ++i) {
    const Failing& failing = *all[i].worst;
    text += stretch_text(all[i]);
    if (!failing.why.empty()) text.append(indent).append(printable(failing.why)).append("\n");
    if (!file.empty()) text.append(indent).append(printable(look_text(failing, file))).append("\n");
  }
  if (all.size() > most)
    text.append(indent).append("and in " + std::to_string(all.size() - most) +
                               (checked.failing.front().heights ? " more regions\n" : " more stretches\n"));
  return text;
}

}  // namespace fond_ladder::inline v0
