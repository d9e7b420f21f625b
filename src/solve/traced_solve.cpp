// SPDX-License-Identifier: MIT
#include "solve/traced_solve.hpp"

#include "solve/run_all.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Traces into a course while it lives.
class Tracing {
 public:
  explicit Tracing(Course& course) { traced_course() = &course; }
  ~Tracing() { traced_course() = nullptr; }
  Tracing(const Tracing&) = delete;
  Tracing& operator=(const Tracing&) = delete;
};

/// A side on which a range bounds the container: whether the bound is passed, and up to where it stays so.
void look_at(const std::optional<double>& bound, const Moving& side) {
  if (bound) static_cast<void>(side < *bound);
}

}  // namespace

void TracedSolve::run(const TreeStore& store, const Moving& width, const std::optional<Moving>& height,
                      const std::vector<std::string>& modes) {
  course_ = {};
  const Tracing tracing(course_);
  clear_results(state_, store.flat().size());
  make_room(state_, scratch_, store);
  see_ranges(store, width, height, modes);
  FrameOf<Moving> frame(store, state_, scratch_, changes_);
  run_all<Moving>(frame, store.flat(), width, height);
}

/// Puts the forms in that hold from here on.
void TracedSolve::see_ranges(const TreeStore& store, const Moving& width, const std::optional<Moving>& height,
                             const std::vector<std::string>& modes) {
  const NodeForms& forms = store.forms();
  constexpr double further = 1e-9;
  const auto onward = [&](const Moving& side) { return side.value() + further * side.slope(); };
  for (const Range& range : forms.ranges()) {
    look_at(range.from_width, width);
    look_at(range.below_width, width);
    if (height) look_at(range.from_height, *height);
    if (height) look_at(range.below_height, *height);
  }
  const Rung rung{onward(width), height ? std::optional(onward(*height)) : std::nullopt};
  forms.find_holding(rung, modes, holding_);
  if (forms.empty()) return state_.forms.end();
  state_.forms.begin(store, holding_);
  state_.own_resolved.assign(state_.forms.own.size(), {});
}

}  // namespace fond_ladder::inline v0::detail
