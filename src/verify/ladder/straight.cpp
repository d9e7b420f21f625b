// SPDX-License-Identifier: MIT
//
// A quantity is followed along its line from one sample to the next. Three neighboring samples that lie on one line
// mean that nothing happened between them; a lone bent one is a bend at that very size, and costs nothing more. Where
// several neighbors are bent, the line that was straight before is drawn on: if it meets the line behind, and the
// meeting point is real, that is the bend; otherwise the first 1/64 of a pixel in which the quantity leaves its line
// is looked for by halving. A new line begins behind it. Where no line holds although nothing breaks, the quantity
// follows a curve, which is reported once.
#include "verify/ladder/straight.hpp"

#include <algorithm>
#include <cmath>
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

constexpr double cell = limits::breakpoint_step;

double tolerance(double value) {
  return limits::least_bend + limits::least_relative_bend * std::abs(value);
}

/// A line through a point; without a value for a quantity that is not there.
struct Line {
  double at = 0;
  std::optional<double> value;
  double slope = 0;

  [[nodiscard]] double on(double size) const { return *value + slope * (size - at); }
  [[nodiscard]] bool holds(double size, const std::optional<double>& found) const {
    if (!value || !found) return value.has_value() == found.has_value();
    return std::abs(*found - on(size)) <= tolerance(*found);
  }
};

Line line_through(double a, const std::optional<double>& at_a, double b, const std::optional<double>& at_b) {
  if (!at_a || !at_b) return {b, at_b, 0};
  return {b, at_b, (*at_b - *at_a) / (b - a)};
}

bool bent_at(std::span<const double> sizes, std::span<const Values> values, std::size_t i, std::size_t q) {
  if (i == 0 || i + 1 >= sizes.size()) return false;
  const Line line = line_through(sizes[i - 1], values[i - 1][q], sizes[i], values[i][q]);
  if (values[i - 1][q].has_value() != values[i][q].has_value()) return true;
  return !line.holds(sizes[i + 1], values[i + 1][q]);
}

/// Follows one quantity through one run of bent sizes.
class Follower {
 public:
  Follower(std::span<const double> sizes, std::span<const Values> values, std::size_t quantity, const Sample& sample,
           std::vector<Breakpoint>& breakpoints)
      : sizes_(sizes), values_(values), quantity_(quantity), sample_(sample), breakpoints_(breakpoints) {}

  void follow(std::size_t first, std::size_t last) {
    line_ = first > 0 ? line_through(sizes_[first - 1], value(first - 1), sizes_[first], value(first))
                      : local_line(sizes_[first]);
    if (first > 0 && value(first - 1).has_value() != value(first).has_value()) line_ = local_line(sizes_[first]);
    at_ = sizes_[first];
    if (first == last && first > 0) return end_at(last);
    std::size_t next = first + 1;
    int found = 0;
    while (next <= last) {
      if (line_.holds(sizes_[next], value(next))) {
        at_ = sizes_[next++];
        found = 0;
        continue;
      }
      if (meets_line_behind(next)) {
        at_ = sizes_[next++];
        continue;
      }
      if (follows_curve(next, last)) continue;
      if (++found > limits::most_breakpoints_in_a_pixel) {  // no lines here at all
        line_ = local_line(sizes_[next]);
        at_ = sizes_[next++];
        found = 0;
        continue;
      }
      leave_line(next);
      if (at_ >= sizes_[next]) ++next;
    }
    end_at(last);
  }

 private:
  [[nodiscard]] const std::optional<double>& value(std::size_t i) const { return values_[i][quantity_]; }
  [[nodiscard]] std::optional<double> sampled(double size) const { return sample_(size)[quantity_]; }
  [[nodiscard]] Line local_line(double size) const {
    const std::optional<double> here = sampled(size), further = sampled(size + cell);
    Line line = line_through(size, here, size + cell, further);
    line.at = size;
    line.value = here;
    return line;
  }
  [[nodiscard]] Line line_behind(std::size_t i) const {
    if (i + 1 >= sizes_.size()) return local_line(sizes_[i]);
    Line line = line_through(sizes_[i], value(i), sizes_[i + 1], value(i + 1));
    line.at = sizes_[i];
    line.value = value(i);
    return line;
  }

  /// The line that begins at a size before sample `next`: the one behind that sample where it reaches back so far.
  [[nodiscard]] Line line_from(double size, std::size_t next) const {
    Line line = line_behind(next);
    const std::optional<double> here = sampled(size);
    if (!line.value || !here || !line.holds(size, here)) return local_line(size);
    line.at = size;
    line.value = here;
    return line;
  }

  void add(BreakpointKind kind, double at, double to, const Line& behind) {
    Breakpoint breakpoint;
    breakpoint.at = at;
    breakpoint.to = to;
    breakpoint.quantity = quantity_;
    breakpoint.kind = kind;
    breakpoint.before = line_.value ? std::optional(line_.on(at)) : std::nullopt;
    breakpoint.after = behind.value ? std::optional(behind.on(to)) : std::nullopt;
    breakpoint.slope_before = line_.slope;
    breakpoint.slope_after = behind.slope;
    breakpoints_.push_back(std::move(breakpoint));
  }

  /// At the last bent size: whatever line comes behind it begins there.
  void end_at(std::size_t last) {
    const Line behind = line_behind(last);
    if (!line_.value || !behind.value) return;
    const bool same = last + 1 >= sizes_.size() || line_.holds(sizes_[last + 1], value(last + 1));
    if (!same) add(BreakpointKind::bend, sizes_[last], sizes_[last], behind);
  }

  /// Whether the line so far and the one behind sample `i` meet between, and the quantity is there.
  bool meets_line_behind(std::size_t i) {
    const Line behind = line_behind(i);
    if (!line_.value || !behind.value || line_.slope == behind.slope) return false;
    const double at = line_.at + (behind.on(line_.at) - *line_.value) / (line_.slope - behind.slope);
    if (!(at > at_ && at < sizes_[i]) || !line_.holds(at, sampled(at))) return false;
    // If both lines are nearly one, any point between is on both; the halves must match as well.
    if (!line_.holds((at_ + at) / 2, sampled((at_ + at) / 2))) return false;
    const double half = (at + sizes_[i]) / 2;
    if (!behind.holds(half, sampled(half))) return false;
    add(BreakpointKind::bend, at, at, behind);
    line_ = behind;
    return true;
  }

  /// Looks for the first cell in which the quantity leaves its line, before sample `next`.
  void leave_line(std::size_t next) {
    double low = at_, high = sizes_[next];
    while (high - low > cell * 1.0001) {
      const double steps = std::max(1.0, std::floor((high - low) / cell / 2));
      const double middle = low + steps * cell;
      (line_.holds(middle, sampled(middle)) ? low : high) = middle;
    }
    // People think in tenths: where there is one in the cell, the new value mostly begins there.
    const double tenth = std::ceil(low * 10) / 10;
    if (tenth > low && tenth < high && !line_.holds(tenth, sampled(tenth))) high = tenth;
    const Line behind = line_from(high, next);
    double at = high;
    bool jumps = true;
    if (line_.value && behind.value) {
      const double off = std::abs(*behind.value - line_.on(high));
      jumps = off > 1.5 * cell * std::abs(behind.slope - line_.slope) + tolerance(*behind.value);
      if (!jumps && behind.slope != line_.slope) {
        at = std::clamp(line_.at + (behind.on(line_.at) - *line_.value) / (line_.slope - behind.slope), low, high);
      }
    }
    // Behind a curve that ends within the pixel: the line along its last piece is left at once.
    const bool curves_on = !jumps && !breakpoints_.empty() && breakpoints_.back().quantity == quantity_ && low == at_ &&
                           breakpoints_.back().kind == BreakpointKind::curve && breakpoints_.back().to == at_;
    if (curves_on) {
      breakpoints_.back().to = high;
      breakpoints_.back().after = behind.value;
      breakpoints_.back().slope_after = behind.slope;
    } else if (jumps || behind.slope != line_.slope) {
      add(jumps ? BreakpointKind::jump : BreakpointKind::bend, at, at, behind);
    }
    line_ = behind;
    at_ = high;
  }

  /// Second difference over three evenly spaced sizes.
  [[nodiscard]] std::optional<double> curving(double from, double to) const {
    const auto a = sampled(from), m = sampled((from + to) / 2), b = sampled(to);
    if (!a || !m || !b) return {};
    return *a - 2 * *m + *b;
  }
  /// The same at a sample and both its neighbors.
  [[nodiscard]] std::optional<double> curving_at(std::size_t i) const {
    if (i == 0 || i + 1 >= sizes_.size() || !value(i - 1) || !value(i) || !value(i + 1)) return {};
    return *value(i - 1) - 2 * *value(i) + *value(i + 1);
  }

  /// A curve bends evenly: over half the length a quarter of it.
  [[nodiscard]] bool bends_evenly(double from, double to) const {
    const double middle = (from + to) / 2;
    const auto whole = curving(from, to);
    if (!whole || std::abs(*whole) < limits::rounding) return false;
    const auto is_quarter = [&](const std::optional<double>& part) {
      return part && *part / *whole > 0.15 && *part / *whole < 0.35;
    };
    return is_quarter(curving(from, middle)) && is_quarter(curving(middle, to));
  }

  /// Follows a curve to its end, if there is one here.
  bool follows_curve(std::size_t& next, std::size_t last) {
    if (at_ != sizes_[next - 1] || !bends_evenly(at_, sizes_[next])) return false;
    const double from = at_;
    auto bending = curving_at(next);
    while (bending && next < last) {
      const auto further = curving_at(next + 1);
      if (!further || *further / *bending < 0.5 || *further / *bending > 2) break;
      bending = further;
      ++next;
    }
    if (next < last && bends_evenly(sizes_[next], sizes_[next + 1])) ++next;
    const Line behind = line_behind(next);
    add(BreakpointKind::curve, from, sizes_[next], behind);
    line_ = next < last ? local_line(sizes_[next]) : behind;
    at_ = sizes_[next++];
    return true;
  }

  std::span<const double> sizes_;
  std::span<const Values> values_;
  std::size_t quantity_;
  const Sample& sample_;
  std::vector<Breakpoint>& breakpoints_;
  Line line_;
  double at_ = 0;  // up to here the quantity is on its line
};

}  // namespace

std::vector<BentStretch> bent_regions(std::span<const double> sizes, std::span<const Values> values) {
  std::vector<BentStretch> regions;
  if (values.empty()) return regions;
  std::vector<std::size_t> bent;
  for (std::size_t i = 1; i + 1 < sizes.size(); ++i) {
    bent.clear();
    for (std::size_t q = 0; q < values[0].size(); ++q) {
      if (bent_at(sizes, values, i, q)) bent.push_back(q);
    }
    if (bent.empty()) continue;
    if (regions.empty() || regions.back().last + 1 < i) regions.push_back({i, i, {}});
    BentStretch& region = regions.back();
    region.last = i;
    std::vector<std::size_t> both;
    std::ranges::set_union(region.quantities, bent, std::back_inserter(both));
    region.quantities = std::move(both);
  }
  return regions;
}

std::vector<Breakpoint> breakpoints_in(const BentStretch& region, std::span<const double> sizes,
                                       std::span<const Values> values, const Sample& sample) {
  std::vector<Breakpoint> breakpoints;
  for (const std::size_t q : region.quantities) {
    Follower follower(sizes, values, q, sample, breakpoints);
    for (std::size_t i = region.first; i <= region.last; ++i) {
      if (!bent_at(sizes, values, i, q)) continue;
      std::size_t last = i;
      while (last < region.last && bent_at(sizes, values, last + 1, q)) ++last;
      follower.follow(i, last);
      i = last;
    }
  }
  std::ranges::stable_sort(breakpoints, {}, &Breakpoint::at);
  return breakpoints;
}

}  // namespace fond_ladder::inline v0
