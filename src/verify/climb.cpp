// SPDX-License-Identifier: MIT
#include "fond_ladder/climb.hpp"

#include <cmath>
#include <cstdint>

#include "model/container_size.hpp"

namespace fond_ladder {
Climb climb(const Scene& scene, const std::vector<Rung>& rungs, const std::vector<std::string>& quantities,
            const std::vector<std::string>& modes) {
  Climb climbed{quantities, {}};
  std::vector<Quantity> parsed;
  parsed.reserve(quantities.size());
  for (const std::string& text : quantities) parsed.push_back(parse_quantity(scene.tree, text));
  SceneSolver solver(scene, modes);
  for (const Rung& rung : rungs) {
    const Arrangement arrangement = solver.solve(rung);
    Climb::Step step{arrangement.container(), {}};
    for (const Quantity& quantity : parsed) step.values.push_back(value_of(quantity, arrangement));
    climbed.steps.push_back(std::move(step));
  }
  return climbed;
}

Climb climb(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities) {
  require_container_size(ladder.width.from);
  require_container_size(ladder.width.to);
  std::optional<double> height;
  if (ladder.height) height = ladder.height->from;
  std::vector<Rung> rungs{{ladder.width.from, height}};
  const auto first = static_cast<std::int64_t>(std::floor(ladder.width.from)) + 1;
  for (std::int64_t width = first; static_cast<double>(width) < ladder.width.to; ++width) {
    rungs.push_back({static_cast<double>(width), height});
  }
  if (ladder.width.to > ladder.width.from) rungs.push_back({ladder.width.to, height});
  return climb(scene, rungs, quantities);
}

}  // namespace fond_ladder
