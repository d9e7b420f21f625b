// SPDX-License-Identifier: MIT
//
// A setting instead of the container. If it is a length, two trees with the setting at two of its values show how
// everything that is read of it moves, and the sweep is the one of sizes, proved. Any other setting is examined step
// by step. Places of the way are steps; results are converted to values.
#include "fond_ladder/vary.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/sweep/sweep_along.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// How many steps a unit of the setting has: one where that makes enough of them, else 2, 5, 10 and so on.
double steps_a_unit(const Interval& values) {
  constexpr double enough = 100, most = 1e9;
  double steps = 1;
  for (int i = 0; (values.to - values.from) * steps < enough && steps < most; ++i) steps *= i % 3 == 1 ? 2.5 : 2;
  return steps;
}

/// The scene with the setting at two values in the midst of the way, where it is nothing special.
struct TwoScenes {
  double low_at, high_at;  // places
  Scene low, high;

  TwoScenes(const Varied& varied, const Interval& places, double steps)
      : low_at(inside(places, 0.25)),
        high_at(inside(places, 0.75)),
        low(varied.at(low_at / steps)),
        high(varied.at(high_at / steps)) {}

 private:
  static double inside(const Interval& places, double share) {
    return std::round(places.from + (places.to - places.from) * share);
  }
};

class SettingTrail : public Trail {
 public:
  SettingTrail(const Varied& varied, const TwoScenes& scenes, const ContainerSize& container_size,
               const std::vector<std::string>& modes, double steps)
      : varied_(varied),
        scenes_(scenes),
        container_size_(container_size),
        modes_(modes),
        steps_(steps),
        low_(scenes.low, modes) {}

  Solution solve(double at) override {
    const Scene scene = varied_.at(at / steps_);
    if (scene.tree.size() != low_.tree().size()) {
      throw BadValue(varied_.setting + " changes the number of nodes; list the values to compare instead");
    }
    last_.emplace(scene, modes_);
    return last_->solve(container_size_);
  }
  [[nodiscard]] std::vector<std::string> active() const override { return last_->active(container_size_); }
  bool trace(double at, detail::TracedSolve& traced) override {
    if (!high_) {
      high_.emplace(scenes_.high, modes_);
      setting_.emplace(store(), scenes_.low_at, high_->tree().store(), scenes_.high_at);
    }
    if (!setting_->is_sound()) return false;
    setting_->drag_to(at);
    traced.run(store(), container_size_.width, container_size_.height, modes_, *setting_);
    return !traced.decision_trace().opaque;
  }
  [[nodiscard]] const detail::TreeStore& store() const override { return low_.tree().store(); }

 private:
  const Varied& varied_;
  const TwoScenes& scenes_;
  const ContainerSize& container_size_;
  const std::vector<std::string>& modes_;
  double steps_;
  SceneSolver low_;
  std::optional<SceneSolver> high_, last_;  // `high_` and the setting where something is traced
  std::optional<detail::DraggedSetting> setting_;
};

}  // namespace

Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size, std::vector<Quantity> quantities,
                    const SweepOptions& options) {
  const double steps = steps_a_unit(varied.values);
  if ((varied.values.to - varied.values.from) * steps > limits::most_swept) {
    throw BadValue("a sweep takes at most 100,000 values; " + varied.setting + " from " + exact(varied.values.from) +
                   " to " + exact(varied.values.to) + " is more; sweep a part of the range");
  }
  const Interval places{varied.values.from * steps, varied.values.to * steps};
  const TwoScenes scenes(varied, places, steps);
  SweepOptions alone = options;
  alone.threads = 1;               // the scenes are made on this one
  constexpr double beside = 1e-3;  // so that a swept limit is reported with its value at the breakpoint
  const SweptWay way{
      scenes.low,
      [&] { return std::make_unique<SettingTrail>(varied, scenes, container_size, options.modes, steps); },
      places,
      places,
      "factors, an aspect or percentages multiply what the setting changes",
      beside,
      true};
  Sweep swept = sweep_along(way, std::move(quantities), alone);
  swept.setting = varied.setting;
  for (Breakpoint& breakpoint : swept.found) {  // there is nothing before the first value and after the last one
    if (breakpoint.kind != BreakpointKind::curve) continue;
    if (breakpoint.at == places.from + 1)
      breakpoint.at = places.from, breakpoint.before = swept.steps.front().values[breakpoint.quantity];
    if (breakpoint.to == places.to - 1)
      breakpoint.to = places.to, breakpoint.after = swept.steps.back().values[breakpoint.quantity];
  }
  for (Sweep::Step& step : swept.steps) step.at /= steps;
  for (Interval& part : swept.sampled) part = {part.from / steps, part.to / steps};
  for (Breakpoint& breakpoint : swept.found) {
    breakpoint.at /= steps;
    breakpoint.to /= steps;
    breakpoint.slope_before *= steps;
    breakpoint.slope_after *= steps;
  }
  return swept;
}

Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size,
                    const std::vector<std::string>& quantities, const SweepOptions& options) {
  const Scene scene = varied.at(varied.values.from);
  return sweep_setting(varied, container_size, parse_quantities(scene.tree, quantities), options);
}

}  // namespace fond_ladder::inline v0
