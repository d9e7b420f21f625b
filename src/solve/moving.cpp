// SPDX-License-Identifier: MIT
#include "solve/moving.hpp"

#include <algorithm>

#include "fond_ladder/plain_text.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr double endless = std::numeric_limits<double>::infinity();
/// Rounding of sums, by which two numbers that are the same may differ; in pixels for sizes up to a thousand.
constexpr double rounding_slack = 1e-9;
/// The same of slopes.
constexpr double level_slope = 1e-10;

/// How far a decision holds is not known.
void lose_sight() {
  if (Course* course = traced_course()) course->curved = true;
}
void note_decision(unsigned outcome, double distance) {
  if (Course* course = traced_course()) course->decide(outcome, distance);
}
double slack(double a, double b) {
  return rounding_slack * std::max({1.0, std::abs(a) / 1000, std::abs(b) / 1000});
}

}  // namespace

Course*& traced_course() {
  static thread_local Course* course = nullptr;
  return course;
}

Moving operator*(const Moving& a, const Moving& b) {
  const bool bends = a.bends_ || b.bends_ || (std::abs(a.slope_) > level_slope && std::abs(b.slope_) > level_slope);
  const double from_a = a.slope_ == 0 ? 0 : a.slope_ * b.value_, from_b = b.slope_ == 0 ? 0 : a.value_ * b.slope_;
  return {a.value_ * b.value_, from_a + from_b, bends};
}

Moving operator/(const Moving& a, const Moving& b) {
  if (std::abs(b.slope_) <= level_slope)
    return {a.value_ / b.value_, a.slope_ == 0 ? 0 : a.slope_ / b.value_, a.bends_ || b.bends_};
  const double quotient = a.value_ / b.value_;
  const double slope = (a.slope_ - quotient * b.slope_) / b.value_;
  // Two that move in step keep their ratio.
  return {quotient, slope, a.bends_ || b.bends_ || std::abs(slope) > level_slope};
}

int Moving::order(const Moving& a, const Moving& b) {
  const double gap = a.value_ - b.value_;
  if (!std::isfinite(gap)) {  // with the endless nothing ever meets
    const int side = a.value_ < b.value_ ? -1 : a.value_ > b.value_ ? 1 : 0;
    note_decision(static_cast<unsigned>(side + 1), endless);
    return side;
  }
  if (a.bends_ || b.bends_) lose_sight();
  const double closing = a.slope_ - b.slope_;
  const bool stays = std::abs(closing) <= level_slope;
  int side = gap < 0 ? -1 : 1;
  double distance = endless;
  if (std::abs(gap) <= slack(a.value_, b.value_)) {
    side = stays ? 0 : closing < 0 ? -1 : 1;
  } else if (!stays && (gap < 0) != (closing < 0)) {
    distance = -gap / closing;
  }
  note_decision(static_cast<unsigned>(side + 1), distance);
  return side;
}

Moving floor_of(const Moving& a) {
  if (a.bends()) lose_sight();
  double whole = std::floor(a.value());
  const double from_below = a.value() - whole, to_next = whole + 1 - a.value();
  const double near = slack(a.value(), 0);
  if (to_next <= near && a.slope() >= 0) {
    ++whole;
  } else if (from_below <= near && a.slope() < -level_slope) {
    --whole;
  }
  double distance = endless;
  if (a.slope() > level_slope) distance = (whole + 1 - a.value()) / a.slope();
  if (a.slope() < -level_slope) distance = (whole - a.value()) / a.slope();
  note_decision(static_cast<unsigned>(static_cast<std::uint64_t>(std::max(0.0, whole)) & 0xFFFF),
                std::max(0.0, distance));
  return whole;
}

OwnContent::Heights measured_height(const OwnContent& content, const Moving& width) {
  const auto* text = dynamic_cast<const PlainText*>(&content);
  if (std::abs(width.slope()) <= level_slope && !width.bends()) return content.height_for(width.value());
  if (text == nullptr || width.bends()) {
    lose_sight();
    return content.height_for(width.value());
  }
  const double onward = width.value() + (width.slope() > 0 ? 1 : -1) * slack(width.value(), 0);
  const OwnContent::Heights height = text->height_for(std::max(0.0, onward));
  const PlainText::Steady steady = text->steady_at(std::max(0.0, onward));
  const double until = width.slope() > 0 ? steady.below : steady.from;
  const double distance = std::max(0.0, (until - width.value()) / width.slope());
  note_decision(static_cast<unsigned>(std::lround(height.height / std::max(text->line_height(), rounding_slack))),
                distance);
  return height;
}

}  // namespace fond_ladder::inline v0::detail
