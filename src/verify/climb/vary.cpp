// SPDX-License-Identifier: MIT
//
// A setting instead of the container. Where it is a length, two trees with the setting at two of its values tell how
// everything that is read of it moves, and the climb is the one of sizes, proved. Any other setting is looked at step
// by step. Places of the way are steps; what is found is told in values again.
#include "fond_ladder/vary.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/climb/climb_along.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// How many steps a unit of the setting has: one where that makes enough of them, else 2, 5, 10 and so on.
double steps_a_unit(const Span& values) {
  constexpr double enough = 100, most = 1e9;
  double steps = 1;
  for (int i = 0; (values.to - values.from) * steps < enough && steps < most; ++i) steps *= i % 3 == 1 ? 2.5 : 2;
  return steps;
}

/// The scene with the setting at two values in the midst of the way, where it is nothing special.
struct TwoScenes {
  double low_at, high_at;  // places
  Scene low, high;

  TwoScenes(const Varied& varied, const Span& places, double steps)
      : low_at(inside(places, 0.25)),
        high_at(inside(places, 0.75)),
        low(varied.at(low_at / steps)),
        high(varied.at(high_at / steps)) {}

 private:
  static double inside(const Span& places, double share) {
    return std::round(places.from + (places.to - places.from) * share);
  }
};

class SettingTrail : public Trail {
 public:
  SettingTrail(const Varied& varied, const TwoScenes& scenes, const Rung& rung, const std::vector<std::string>& modes,
               double steps)
      : varied_(varied), scenes_(scenes), rung_(rung), modes_(modes), steps_(steps), low_(scenes.low, modes) {}

  Solution solve(double at) override {
    const Scene scene = varied_.at(at / steps_);
    if (scene.tree.size() != low_.tree().size()) {
      throw BadValue(varied_.setting + " changes how many nodes there are: name the values to compare instead");
    }
    last_.emplace(scene, modes_);
    return last_->solve(rung_);
  }
  [[nodiscard]] std::vector<std::string> active() const override { return last_->active(rung_); }
  bool trace(double at, detail::TracedSolve& traced) override {
    if (!high_) {
      high_.emplace(scenes_.high, modes_);
      setting_.emplace(store(), scenes_.low_at, high_->tree().store(), scenes_.high_at);
    }
    if (!setting_->is_sound()) return false;
    setting_->drag_to(at);
    traced.run(store(), rung_.width, rung_.height, modes_, *setting_);
    return !traced.course().opaque;
  }
  [[nodiscard]] const detail::TreeStore& store() const override { return low_.tree().store(); }

 private:
  const Varied& varied_;
  const TwoScenes& scenes_;
  const Rung& rung_;
  const std::vector<std::string>& modes_;
  double steps_;
  SceneSolver low_;
  std::optional<SceneSolver> high_, last_;  // `high_` and the setting where something is traced
  std::optional<detail::DraggedSetting> setting_;
};

}  // namespace

Climb climb_setting(const Varied& varied, const Rung& rung, std::vector<Quantity> quantities,
                    const ClimbOptions& options) {
  const double steps = steps_a_unit(varied.values);
  if ((varied.values.to - varied.values.from) * steps > limits::most_climbed) {
    throw BadValue("a climb takes at most 100,000 values; " + varied.setting + " from " + exact(varied.values.from) +
                   " to " + exact(varied.values.to) + " is more: climb a part of it");
  }
  const Span places{varied.values.from * steps, varied.values.to * steps};
  const TwoScenes scenes(varied, places, steps);
  ClimbOptions alone = options;
  alone.threads = 1;               // the scenes are made on this one
  constexpr double beside = 1e-3;  // so that limits that are dragged are told as they are at the turn
  const ClimbedWay way{scenes.low,
                       [&] { return std::make_unique<SettingTrail>(varied, scenes, rung, options.modes, steps); },
                       places,
                       places,
                       "factors, an aspect or percentages multiply what the setting changes",
                       beside,
                       true};
  Climb climbed = climb_along(way, std::move(quantities), alone);
  climbed.setting = varied.setting;
  for (Turn& turn : climbed.found) {  // nobody looks ahead of the first value and behind the last one
    if (turn.kind != TurnKind::curve) continue;
    if (turn.at == places.from + 1) turn.at = places.from, turn.before = climbed.steps.front().values[turn.quantity];
    if (turn.to == places.to - 1) turn.to = places.to, turn.after = climbed.steps.back().values[turn.quantity];
  }
  for (Climb::Step& step : climbed.steps) step.at /= steps;
  for (Span& part : climbed.sampled) part = {part.from / steps, part.to / steps};
  for (Turn& turn : climbed.found) {
    turn.at /= steps;
    turn.to /= steps;
    turn.slope_before *= steps;
    turn.slope_after *= steps;
  }
  return climbed;
}

Climb climb_setting(const Varied& varied, const Rung& rung, const std::vector<std::string>& quantities,
                    const ClimbOptions& options) {
  const Scene scene = varied.at(varied.values.from);
  return climb_setting(varied, rung, parse_quantities(scene.tree, quantities), options);
}

}  // namespace fond_ladder::inline v0
