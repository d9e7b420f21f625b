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

/// Stretches that one sentence tells: the same widths at several heights, or in several variants.
struct OptionUse {
  const Failing* first = nullptr;
  const Failing* worst = nullptr;
  std::vector<std::optional<double>> heights;
  std::vector<std::string> variants;
  std::vector<Extent> also{};    // single sizes inside the stretch, at heights of their own
  bool is_worse_in_one = false;  // of the variants

  void take(const Failing& one) { worst = one.off > worst->off ? &one : worst; }
};

std::vector<OptionUse> told_together(const std::vector<Failing>& failing) {
  std::vector<OptionUse> all;
  if (!failing.empty() && failing.front().heights) {  // regions are told one by one
    for (const Failing& one : failing) all.push_back({&one, &one, {std::nullopt}, {one.variant}});
    return all;
  }
  const auto same_widths = [](const Failing& a, const Failing& b) { return a.from == b.from && a.to == b.to; };
  for (const Failing& one : failing) {
    const auto is_in = [&](const OptionUse& told) {
      return one.from == one.to && told.first->from < told.first->to && one.variant == told.variants.front() &&
             one.from >= told.first->from && one.to <= told.first->to;
    };
    const auto is_beside = [&](const OptionUse& told) {
      return same_widths(*told.first, one) && one.variant == told.variants.front();
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
  std::vector<OptionUse> joined;
  for (OptionUse& told : all) {
    const auto twin = std::ranges::find_if(joined, [&](const OptionUse& other) {
      return same_widths(*other.first, *told.first) && other.heights == told.heights && other.also == told.also;
    });
    if (twin == joined.end()) {
      joined.push_back(std::move(told));
    } else {
      twin->variants.push_back(told.variants.front());
      twin->is_worse_in_one |= std::abs(told.worst->off - twin->worst->off) > limits::told_tolerance;
      twin->take(*told.worst);
    }
  }
  return joined;
}

std::string heights_text(const OptionUse& told) {
  std::string text;
  for (const auto& height : told.heights) text += (text.empty() ? "" : " or ") + (height ? rounded(*height) : "");
  return told.heights.front() ? text + " high" : "as high as its content";
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

std::string stretch_text(const OptionUse& told) {
  const Failing& failing = *told.first;
  std::string text(indent);
  if (told.variants.size() > 1 || !told.variants.front().empty()) {
    std::string names;
    for (const std::string& variant : told.variants)
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
    if (!told.variants.front().empty()) text += printable(told.variants.front()) + ": ";
    text += (is_line ? "at " : "within ") + side(failing.from, failing.to) + " wide and " +
            side(failing.heights->from, failing.heights->to) + " high";
  } else {
    text += " wide, " + heights_text(told);
  }
  const bool is_one_size = failing.from == failing.to && told.heights.size() == 1 && told.variants.size() == 1;
  if (!is_one_size || failing.heights) text += "; worst at " + worst_text(*told.worst);
  if (told.is_worse_in_one) text += told.worst->variant.empty() ? " as it is" : " in " + printable(told.worst->variant);
  const std::string values = values_text(*told.worst);
  text += (values.empty() ? "" : ": " + values) + "\n";
  if (told.also.empty()) return text;
  text.append(indent).append("also at ");
  for (std::size_t i = 0; i < told.also.size(); ++i) text += (i > 0 ? ", " : "") + size_of(told.also[i]);
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
  std::vector<OptionUse> all = told_together(checked.failing);
  if (all.size() > most) {  // the worst of all is told in any case
    const auto worst = std::ranges::max_element(all, {}, [](const OptionUse& told) { return told.worst->off; });
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
