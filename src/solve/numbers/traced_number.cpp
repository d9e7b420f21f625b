// SPDX-License-Identifier: MIT
#include "solve/numbers/traced_number.hpp"
#include "model/content_kinds.hpp"

#include <algorithm>
#include <cmath>

namespace fond_ladder::inline v0::detail {
namespace {

/// Rounding of sums, by which two numbers that are the same may differ; in pixels for sizes up to a thousand.
constexpr double rounding_slack = 1e-9;

void note_decision(unsigned outcome, double gap, double slope, double second_slope) {
  if (traced_decisions != nullptr) traced_decisions->decide(outcome, gap, slope, second_slope);
}
void note_decision(unsigned outcome) {
  if (traced_decisions != nullptr) traced_decisions->note(outcome);
}
/// How far a decision holds is not known.
void lose_sight() {
  if (traced_decisions != nullptr) traced_decisions->curved = true;
}
double slack(double a, double b) {
  return rounding_slack * std::max({1.0, std::abs(a) / 1000, std::abs(b) / 1000});
}
/// A number exactly where two decisions meet is evaluated a little further on, which is this
/// way where both sides are dragged.
double onward(double slope, double second_slope) {
  constexpr double less = 0.381966;  // no two lines of a scene lie this way
  return slope + less * second_slope;
}

}  // namespace

/// Of the endless and of what begins at nothing, which is seen a little further on.
TracedNumber TracedNumber::endless_times(const TracedNumber& a, const TracedNumber& b) {
  const auto seen = [](const TracedNumber& one) {
    return one.value_ == 0 ? onward(one.slope_, one.second_slope_) : one.value_;
  };
  return {seen(a) * seen(b), 0, 0, a.bends_ || b.bends_};
}

TracedNumber operator*(const TracedNumber& a, const TracedNumber& b) {
  const bool bends = a.bends_ || b.bends_ || (a.moves() && b.moves());
  if (bends && traced_decisions != nullptr) traced_decisions->bent = true;
  const auto part = [](double slope, double value) { return slope == 0 ? 0 : slope * value; };
  const double value = a.value_ * b.value_;
  if (value != value) return TracedNumber::endless_times(a, b);
  return {value, part(a.slope_, b.value_) + part(b.slope_, a.value_),
          part(a.second_slope_, b.value_) + part(b.second_slope_, a.value_), bends};
}

TracedNumber operator/(const TracedNumber& a, const TracedNumber& b) {
  const auto part = [&](double slope) { return slope == 0 ? 0 : slope / b.value_; };
  if (!b.moves()) return {a.value_ / b.value_, part(a.slope_), part(a.second_slope_), a.bends_ || b.bends_};
  const double way = onward(b.slope_, b.second_slope_);
  if (b.value_ == 0 && way != 0) {  // it begins here, and is seen a little further on
    if (a.value_ != 0) return a / TracedNumber(way * rounding_slack, b.slope_, b.second_slope_, b.bends_);
    const bool in_step = a.slope_ * b.second_slope_ == a.second_slope_ * b.slope_;
    if (traced_decisions != nullptr && !in_step) traced_decisions->bent = true;
    return {onward(a.slope_, a.second_slope_) / way, 0, 0, a.bends_ || b.bends_ || !in_step};
  }
  const double quotient = a.value_ / b.value_;
  const double slope = (a.slope_ - quotient * b.slope_) / b.value_;
  const double second_slope = (a.second_slope_ - quotient * b.second_slope_) / b.value_;
  // Two that move in step keep their ratio.
  const bool bends = a.bends_ || b.bends_ || !TracedNumber::is_level(slope) || !TracedNumber::is_level(second_slope);
  if (bends && traced_decisions != nullptr) traced_decisions->bent = true;
  return {quotient, slope, second_slope, bends};
}

int TracedNumber::closely(const TracedNumber& a, const TracedNumber& b) {
  const double gap = a.value_ - b.value_;
  if (!std::isfinite(gap)) {  // with the endless nothing ever meets
    const int side = a.value_ < b.value_ ? -1 : a.value_ > b.value_ ? 1 : 0;
    note_decision(static_cast<unsigned>(side + 1));
    return side;
  }
  if (a.bends_ || b.bends_) lose_sight();
  const double slope = a.slope_ - b.slope_, second_slope = a.second_slope_ - b.second_slope_;
  const bool stays = is_level(slope) && is_level(second_slope);
  int side = gap < 0 ? -1 : 1;
  if (std::abs(gap) <= slack(a.value_, b.value_)) {
    side = stays ? 0 : onward(slope, second_slope) < 0 ? -1 : 1;
  }
  if (stays) {
    note_decision(static_cast<unsigned>(side + 1));
  } else {
    note_decision(static_cast<unsigned>(side + 1), std::max(0.0, side * gap), side * slope, side * second_slope);
  }
  return side;
}

TracedNumber floor_of(const TracedNumber& a) {
  if (a.bends()) lose_sight();
  double whole = std::floor(a.value());
  const double near = slack(a.value(), 0), way = onward(a.slope(), a.second_slope());
  if (whole + 1 - a.value() <= near && way >= 0) {
    ++whole;
  } else if (a.value() - whole <= near && way < 0 && a.moves()) {
    --whole;
  }
  const auto outcome = static_cast<unsigned>(static_cast<std::uint64_t>(std::max(0.0, whole)) & 0xFFFF);
  if (!a.moves()) {
    note_decision(outcome);
  } else {
    note_decision(outcome, std::max(0.0, a.value() - whole), a.slope(), a.second_slope());
    note_decision(outcome, std::max(0.0, whole + 1 - a.value()), -a.slope(), -a.second_slope());
  }
  return whole;
}

namespace {

/// Whether a traced number uses a tolerance up within the finest step of the search for breakpoints.
bool passes(const TracedNumber& over, double tolerance) {
  return std::hypot(over.slope(), over.second_slope()) * limits::breakpoint_step >= tolerance;
}

/// A width at which words that are broken by the tolerance for lines break as they would without it at this one.
double for_exact_lines(double width) {
  return width > 1 ? width / (1 + limits::line_tolerance) : width - limits::line_tolerance;
}
double of_exact_lines(double width) {
  return width + limits::line_tolerance * std::max(1.0, width);
}

/// Content in widths that move: words break where they are as wide as their line, not where the tolerance is used up.
class InTracedWidths {
 public:
  InTracedWidths(const CustomContent& content, const TracedNumber& width)
      : content_(content), is_exact_(as_text(&content) != nullptr && passes(width, line_slack(width))) {}

  [[nodiscard]] CustomContent::Heights height_for(double width) const { return content_.height_for(asked(width)); }
  [[nodiscard]] std::vector<BreakableText::Line> lines_at(double width) const {
    return as_text(&content_)->lines_at(asked(width));
  }
  [[nodiscard]] std::optional<CustomContent::StableWidths> constant_interval(double width) const {
    std::optional<CustomContent::StableWidths> steady = content_.constant_interval(asked(width));
    if (steady && is_exact_) {
      if (steady->from > 0) steady->from = of_exact_lines(steady->from);
      if (std::isfinite(steady->below)) steady->below = of_exact_lines(steady->below);
    }
    return steady;
  }

 private:
  [[nodiscard]] double asked(double width) const { return is_exact_ ? std::max(0.0, for_exact_lines(width)) : width; }

  const CustomContent& content_;
  bool is_exact_;
};

/// Notes that an answer holds for widths from one up to another.
void note_widths(unsigned outcome, const CustomContent::StableWidths& steady, const TracedNumber& width) {
  if (steady.from > 0) {
    note_decision(outcome, std::max(0.0, width.value() - steady.from), width.slope(), width.second_slope());
  }
  if (std::isfinite(steady.below)) {
    note_decision(outcome, std::max(0.0, steady.below - width.value()), -width.slope(), -width.second_slope());
  }
}
/// A little further on than a width that moves.
double width_onward(const TracedNumber& width) {
  const double way = onward(width.slope(), width.second_slope()) > 0 ? 1 : -1;
  return std::max(0.0, width.value() + way * slack(width.value(), 0));
}

}  // namespace

bool exceeds(const TracedNumber& a, const TracedNumber& b, double tolerance) {
  const TracedNumber over = a - b;
  return passes(over, tolerance) ? over > TracedNumber(0) : over > TracedNumber(tolerance);
}

TracedNumber floor_of_quotient(const TracedNumber& a, const TracedNumber& b, double slack) {
  const TracedNumber exact = a / b;
  return floor_of(passes(exact, slack / b.value()) ? exact : (a + TracedNumber(slack)) / b);
}

CustomContent::Heights measured_height(const Measured& measured, const TracedNumber& width) {
  if (!width.moves() && !width.bends()) return measured.content()->height_for(width.value());
  const InTracedWidths content(*measured.content(), width);
  if (width.bends()) lose_sight();
  const double at = width_onward(width);
  const CustomContent::Heights heights = content.height_for(at);
  std::optional<CustomContent::StableWidths> steady = content.constant_interval(at);
  if (!steady) {
    if (traced_decisions != nullptr) traced_decisions->opaque = true;
    return heights;
  }
  // Lines may break anew and be as many; then the answer holds further.
  const auto same_beyond = [&](double beyond) -> std::optional<CustomContent::StableWidths> {
    const CustomContent::Heights there = content.height_for(beyond);
    if (there.height != heights.height || there.baseline != heights.baseline) return {};
    return content.constant_interval(beyond);
  };
  constexpr int patience = 16;
  const DecisionTrace* decision_trace = traced_decisions;
  const double far = decision_trace != nullptr && decision_trace->region == nullptr && width.slope() > 0
                         ? width.value() + decision_trace->ahead * width.slope()
                         : std::numeric_limits<double>::infinity();
  const auto beyond_edge = [](double edge, double way) { return edge + way * slack(edge, 0); };
  for (int i = 0; i < patience && std::isfinite(steady->below) && steady->below < far; ++i) {
    const auto next = same_beyond(beyond_edge(steady->below, 1));
    if (!next || next->below <= steady->below) break;
    steady->below = next->below;
  }
  const bool downward = width.slope() < 0 || (decision_trace != nullptr && decision_trace->region != nullptr);
  for (int i = 0; downward && i < patience && steady->from > 0; ++i) {
    const auto next = same_beyond(std::max(0.0, beyond_edge(steady->from, -1)));
    if (!next || next->from >= steady->from) break;
    steady->from = next->from;
  }
  note_widths(static_cast<unsigned>(std::lround(heights.height)), *steady, width);
  return heights;
}

std::vector<BreakableText::Line> lines_of(const BreakableText& text, const TracedNumber& width) {
  if (!width.moves() && !width.bends()) return text.lines_at(width.value());
  if (width.bends()) lose_sight();
  const double at = width_onward(width);
  const InTracedWidths content(text, width);
  std::vector<BreakableText::Line> lines = content.lines_at(at);
  note_widths(static_cast<unsigned>(lines.size()), *content.constant_interval(at), width);
  return lines;
}

}  // namespace fond_ladder::inline v0::detail
