// SPDX-License-Identifier: MIT
//
// A traced solve at a size tells how everything goes on and how far its decisions hold; the next one is asked where
// they end, and sees what comes behind. Crumbs that rounding leaves between two decisions at one place are passed over.
#include "verify/ladder/stretches.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "solve/placed.hpp"
#include "solve/traced_solve.hpp"
#include "verify/measure/box_measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::Moving;

/// Pixels. What rounding may leave between two decisions at one place.
constexpr double crumb = 1e-7;

struct MovingBox {
  Moving x, y, width, height;
};

MovingBox box_of(const detail::ViewOf<Moving>& view, Index node) {
  MovingBox box{0, 0, view.size(node, x_axis), view.size(node, y_axis)};
  for (Index at = node; at != detail::no_index; at = view.parent(at)) {
    box.x += view.place(at, x_axis);
    box.y += view.place(at, y_axis);
  }
  return box;
}

Moving measure(const MovingBox& box, Measure measure) {
  switch (measure) {
    case Measure::width: return box.width;
    case Measure::height: return box.height;
    case Measure::left: return box.x;
    case Measure::right: return box.x + box.width;
    case Measure::top: return box.y;
    case Measure::bottom: return box.y + box.height;
    case Measure::middle_x: return box.x + box.width / 2;
    default: return box.y + box.height / 2;
  }
}

}  // namespace

bool is_of_box(Measure measure) {
  return measure_of_box({}, measure).has_value();
}

struct Stretches::Tracer {
  Tracer(SceneSolver scene_solver, std::vector<std::string> modes_on, Way which_way, std::vector<Quantity> asked)
      : solver(std::move(scene_solver)), modes(std::move(modes_on)), way(which_way), quantities(std::move(asked)) {}
  SceneSolver solver;  // for its tree, which has all forms in it
  std::vector<std::string> modes;
  Way way;
  std::vector<Quantity> quantities;
  detail::TracedSolve traced;
};

Stretches::Stretches(const Scene& scene, const std::vector<std::string>& modes, const Way& way,
                     const std::vector<Quantity>& quantities)
    : tracer_(std::make_unique<Tracer>(SceneSolver(scene, modes), modes, way, quantities)) {}

Stretches::~Stretches() = default;

Stretch Stretches::at(double from, double end) {
  auto& [solver, modes, way, quantities, traced] = *tracer_;
  const detail::TreeStore& store = solver.tree().store();
  const Moving side{from, 1};
  const std::optional<Moving> other = way.other ? std::optional(Moving(*way.other)) : std::nullopt;
  if (way.along_height) {
    traced.run(store, way.other.value_or(0), side, modes);
  } else {
    traced.run(store, side, other, modes);
  }
  const detail::Course& course = traced.course();
  Stretch stretch{from, std::min(end, from + course.ahead), course.curved};
  const auto view = traced.view(store);
  for (const Quantity& quantity : quantities) {
    const Index node = store.index_of(quantity.node);
    Run& run = stretch.runs.emplace_back();
    if (!detail::has_place(view, node)) continue;
    const Moving value = measure(box_of(view, node), quantity.measure);
    run = {value.value(), value.slope(), value.bends()};
  }
  return stretch;
}

namespace {

/// Within this of a place where something breaks, lines of the solve hold by their tolerance what does not fit.
double doubtful(double size) {
  return 4 * limits::line_tolerance * std::max(1.0, size);
}

/// The round number just behind, where a tolerance put a turn ahead of it.
double as_people_say(double size) {
  for (const double steps : {1.0, 10.0, 100.0, 1000.0}) {
    const double round = std::ceil(size * steps - 1e-9) / steps;
    if (round - size <= doubtful(size)) return round;
  }
  return size;
}

}  // namespace

std::vector<Turn> turns_between(const std::vector<Stretch>& stretches, std::size_t quantities) {
  std::vector<Turn> turns;
  const Stretch* before = nullptr;
  for (const Stretch& behind : stretches) {
    if (behind.to - behind.from <= doubtful(behind.from) && &behind != &stretches.back()) continue;
    if (before == nullptr) {
      before = &behind;
      continue;
    }
    for (std::size_t q = 0; q < quantities; ++q) {
      const Run &low = before->runs[q], &high = behind.runs[q];
      if (!low.value && !high.value) continue;
      Turn turn;
      turn.at = turn.to = as_people_say(before->to);
      turn.quantity = q;
      turn.slope_before = low.value ? low.slope : 0;
      turn.slope_after = high.value ? high.slope : 0;
      if (low.value) turn.before = *low.value + low.slope * (turn.at - before->from);
      if (high.value) turn.after = *high.value + high.slope * (turn.at - behind.from);
      turn.kind = TurnKind::jump;
      if (low.value && high.value) {
        const double off = std::abs(*turn.after - *turn.before), steeper = std::abs(high.slope - low.slope);
        const double slack = limits::least_bend + limits::least_relative_bend * std::abs(*turn.after) +
                             (1 + steeper) * (behind.from - before->to + doubtful(behind.from));
        if (off <= slack) {
          if (steeper <= limits::least_bend) continue;
          turn.kind = TurnKind::bend;
          // Exactly where both lines meet.
          const double meet = before->from + (*high.value - high.slope * (behind.from - before->from) - *low.value) /
                                                 (low.slope - high.slope);
          if (std::abs(meet - behind.from) <= 2 * doubtful(behind.from) + (behind.from - before->to)) {
            constexpr double alike = 1e-7;  // what meets at one place is told at one
            if (std::abs(meet - turn.at) > alike) turn.at = turn.to = meet;
            turn.before = turn.after = *low.value + low.slope * (turn.at - before->from);
          }
        }
      }
      turns.push_back(std::move(turn));
    }
    before = &behind;
  }
  return turns;
}

std::vector<Stretch> stretches_of(Stretches& stretches, double from, double to, std::size_t budget) {
  std::vector<Stretch> all;
  double at = from;
  while (at < to || all.empty()) {
    if (budget-- == 0) {
      Stretch rest = stretches.at(at, to);
      rest.to = to;
      rest.sampled = true;
      all.push_back(std::move(rest));
      break;
    }
    Stretch next = stretches.at(at, to);
    const double behind = std::max(next.to, at + crumb);
    if (next.to - next.from > crumb || all.empty()) {
      all.push_back(std::move(next));
    } else {
      all.back().to = behind;  // a crumb
    }
    at = behind;
  }
  return all;
}

}  // namespace fond_ladder::inline v0
