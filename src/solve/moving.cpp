// SPDX-License-Identifier: MIT
#include "solve/moving.hpp"

#include <algorithm>
#include <cmath>

namespace fond_ladder::inline v0::detail {
namespace {

/// Rounding of sums, by which two numbers that are the same may differ; in pixels for sizes up to a thousand.
constexpr double rounding_slack = 1e-9;

void note_decision(unsigned outcome, double gap, double slope, double sideways) {
  if (traced_course != nullptr) traced_course->decide(outcome, gap, slope, sideways);
}
void note_decision(unsigned outcome) {
  if (traced_course != nullptr) traced_course->note(outcome);
}
/// How far a decision holds is not known.
void lose_sight() {
  if (traced_course != nullptr) traced_course->curved = true;
}
double slack(double a, double b) {
  return rounding_slack * std::max({1.0, std::abs(a) / 1000, std::abs(b) / 1000});
}
/// What is done to a number that stands exactly where two decisions meet: it is seen a little further on, which is this
/// way where both sides are dragged.
double onward(double slope, double sideways) {
  constexpr double less = 0.381966;  // no two lines of a scene lie this way
  return slope + less * sideways;
}

}  // namespace

/// Of the endless and of what begins at nothing, which is seen a little further on.
Moving Moving::endless_times(const Moving& a, const Moving& b) {
  const auto seen = [](const Moving& one) { return one.value_ == 0 ? onward(one.slope_, one.sideways_) : one.value_; };
  return {seen(a) * seen(b), 0, 0, a.bends_ || b.bends_};
}

Moving operator*(const Moving& a, const Moving& b) {
  const bool bends = a.bends_ || b.bends_ || (a.moves() && b.moves());
  if (bends && traced_course != nullptr) traced_course->bent = true;
  const auto part = [](double slope, double value) { return slope == 0 ? 0 : slope * value; };
  const double value = a.value_ * b.value_;
  if (value != value) return Moving::endless_times(a, b);
  return {value, part(a.slope_, b.value_) + part(b.slope_, a.value_),
          part(a.sideways_, b.value_) + part(b.sideways_, a.value_), bends};
}

Moving operator/(const Moving& a, const Moving& b) {
  const auto part = [&](double slope) { return slope == 0 ? 0 : slope / b.value_; };
  if (!b.moves()) return {a.value_ / b.value_, part(a.slope_), part(a.sideways_), a.bends_ || b.bends_};
  const double way = onward(b.slope_, b.sideways_);
  if (b.value_ == 0 && way != 0) {  // it begins here, and is seen a little further on
    if (a.value_ != 0) return a / Moving(way * rounding_slack, b.slope_, b.sideways_, b.bends_);
    const bool in_step = a.slope_ * b.sideways_ == a.sideways_ * b.slope_;
    if (traced_course != nullptr && !in_step) traced_course->bent = true;
    return {onward(a.slope_, a.sideways_) / way, 0, 0, a.bends_ || b.bends_ || !in_step};
  }
  const double quotient = a.value_ / b.value_;
  const double slope = (a.slope_ - quotient * b.slope_) / b.value_;
  const double sideways = (a.sideways_ - quotient * b.sideways_) / b.value_;
  // Two that move in step keep their ratio.
  const bool bends = a.bends_ || b.bends_ || !Moving::is_level(slope) || !Moving::is_level(sideways);
  if (bends && traced_course != nullptr) traced_course->bent = true;
  return {quotient, slope, sideways, bends};
}

int Moving::closely(const Moving& a, const Moving& b) {
  const double gap = a.value_ - b.value_;
  if (!std::isfinite(gap)) {  // with the endless nothing ever meets
    const int side = a.value_ < b.value_ ? -1 : a.value_ > b.value_ ? 1 : 0;
    note_decision(static_cast<unsigned>(side + 1));
    return side;
  }
  if (a.bends_ || b.bends_) lose_sight();
  const double slope = a.slope_ - b.slope_, sideways = a.sideways_ - b.sideways_;
  const bool stays = is_level(slope) && is_level(sideways);
  int side = gap < 0 ? -1 : 1;
  if (std::abs(gap) <= slack(a.value_, b.value_)) {
    side = stays ? 0 : onward(slope, sideways) < 0 ? -1 : 1;
  }
  if (stays) {
    note_decision(static_cast<unsigned>(side + 1));
  } else {
    note_decision(static_cast<unsigned>(side + 1), std::max(0.0, side * gap), side * slope, side * sideways);
  }
  return side;
}

Moving floor_of(const Moving& a) {
  if (a.bends()) lose_sight();
  double whole = std::floor(a.value());
  const double near = slack(a.value(), 0), way = onward(a.slope(), a.sideways());
  if (whole + 1 - a.value() <= near && way >= 0) {
    ++whole;
  } else if (a.value() - whole <= near && way < 0 && a.moves()) {
    --whole;
  }
  const auto outcome = static_cast<unsigned>(static_cast<std::uint64_t>(std::max(0.0, whole)) & 0xFFFF);
  if (!a.moves()) {
    note_decision(outcome);
  } else {
    note_decision(outcome, std::max(0.0, a.value() - whole), a.slope(), a.sideways());
    note_decision(outcome, std::max(0.0, whole + 1 - a.value()), -a.slope(), -a.sideways());
  }
  return whole;
}

namespace {

/// Whether a number that moves uses a tolerance up within the finest step in which turns are looked for.
bool passes(const Moving& over, double tolerance) {
  return std::hypot(over.slope(), over.sideways()) * limits::turn_step >= tolerance;
}

/// A width at which words that are broken by the tolerance for lines break as they would without it at this one.
double for_exact_lines(double width) {
  return width > 1 ? width / (1 + limits::line_tolerance) : width - limits::line_tolerance;
}
double of_exact_lines(double width) {
  return width + limits::line_tolerance * std::max(1.0, width);
}

/// Content in widths that move: words break where they are as wide as their line, not where the tolerance is used up.
class InMovingWidths {
 public:
  InMovingWidths(const OwnContent& content, const Moving& width)
      : content_(content),
        is_exact_(dynamic_cast<const LinedText*>(&content) != nullptr && passes(width, line_slack(width))) {}

  [[nodiscard]] OwnContent::Heights height_for(double width) const { return content_.height_for(asked(width)); }
  [[nodiscard]] std::vector<LinedText::Line> lines_at(double width) const {
    return dynamic_cast<const LinedText&>(content_).lines_at(asked(width));
  }
  [[nodiscard]] std::optional<OwnContent::Steady> steady_at(double width) const {
    std::optional<OwnContent::Steady> steady = content_.steady_at(asked(width));
    if (steady && is_exact_) {
      if (steady->from > 0) steady->from = of_exact_lines(steady->from);
      if (std::isfinite(steady->below)) steady->below = of_exact_lines(steady->below);
    }
    return steady;
  }

 private:
  [[nodiscard]] double asked(double width) const { return is_exact_ ? std::max(0.0, for_exact_lines(width)) : width; }

  const OwnContent& content_;
  bool is_exact_;
};

/// Notes that an answer holds for widths from one up to another.
void note_widths(unsigned outcome, const OwnContent::Steady& steady, const Moving& width) {
  if (steady.from > 0) {
    note_decision(outcome, std::max(0.0, width.value() - steady.from), width.slope(), width.sideways());
  }
  if (std::isfinite(steady.below)) {
    note_decision(outcome, std::max(0.0, steady.below - width.value()), -width.slope(), -width.sideways());
  }
}
/// A little further on than a width that moves.
double width_onward(const Moving& width) {
  const double way = onward(width.slope(), width.sideways()) > 0 ? 1 : -1;
  return std::max(0.0, width.value() + way * slack(width.value(), 0));
}

}  // namespace

bool exceeds(const Moving& a, const Moving& b, double tolerance) {
  const Moving over = a - b;
  return passes(over, tolerance) ? over > Moving(0) : over > Moving(tolerance);
}

Moving floor_of_quotient(const Moving& a, const Moving& b, double slack) {
  const Moving exact = a / b;
  return floor_of(passes(exact, slack / b.value()) ? exact : (a + Moving(slack)) / b);
}

OwnContent::Heights measured_height(const Measured& measured, const Moving& width) {
  if (!width.moves() && !width.bends()) return measured.content()->height_for(width.value());
  const InMovingWidths content(*measured.content(), width);
  if (width.bends()) lose_sight();
  const double at = width_onward(width);
  const OwnContent::Heights heights = content.height_for(at);
  std::optional<OwnContent::Steady> steady = content.steady_at(at);
  if (!steady) {
    if (traced_course != nullptr) traced_course->opaque = true;
    return heights;
  }
  // Lines may break anew and be as many; then the answer holds further.
  const auto same_beyond = [&](double beyond) -> std::optional<OwnContent::Steady> {
    const OwnContent::Heights there = content.height_for(beyond);
    if (there.height != heights.height || there.baseline != heights.baseline) return {};
    return content.steady_at(beyond);
  };
  constexpr int patience = 16;
  const Course* course = traced_course;
  const double far = course != nullptr && course->region == nullptr && width.slope() > 0
                         ? width.value() + course->ahead * width.slope()
                         : std::numeric_limits<double>::infinity();
  const auto beyond_edge = [](double edge, double way) { return edge + way * slack(edge, 0); };
  for (int i = 0; i < patience && std::isfinite(steady->below) && steady->below < far; ++i) {
    const auto next = same_beyond(beyond_edge(steady->below, 1));
    if (!next || next->below <= steady->below) break;
    steady->below = next->below;
  }
  const bool downward = width.slope() < 0 || (course != nullptr && course->region != nullptr);
  for (int i = 0; downward && i < patience && steady->from > 0; ++i) {
    const auto next = same_beyond(std::max(0.0, beyond_edge(steady->from, -1)));
    if (!next || next->from >= steady->from) break;
    steady->from = next->from;
  }
  note_widths(static_cast<unsigned>(std::lround(heights.height)), *steady, width);
  return heights;
}

std::vector<LinedText::Line> lines_of(const LinedText& text, const Moving& width) {
  if (!width.moves() && !width.bends()) return text.lines_at(width.value());
  if (width.bends()) lose_sight();
  const double at = width_onward(width);
  const InMovingWidths content(text, width);
  std::vector<LinedText::Line> lines = content.lines_at(at);
  note_widths(static_cast<unsigned>(lines.size()), *content.steady_at(at), width);
  return lines;
}

}  // namespace fond_ladder::inline v0::detail
