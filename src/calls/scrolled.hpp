// SPDX-License-Identifier: MIT
#pragma once

// Scroll positions that are asked for on the command line.

#include <string>
#include <vector>

#include "calls/command.hpp"
#include "fond_ladder/scene.hpp"

namespace fond_ladder::calls {

/// `--scrolled NODE=PIXELS`, repeatable.
void add_scrolled(Options& options, std::vector<std::string>& asked);

/// An arrangement with scrollers at the requested positions, and a description of them.
struct Scrolled {
  Solution solution;
  std::string description;  ///< `list scrolled to 120 of 574`; empty where nothing is asked
};
/// `asked`: `list=120` (down, or across in what scrolls across alone), `list=40,120`, `list=end`, each held within what
/// there is to scroll. The solution holds until the next solve. Throws WrongCall for one that is written wrongly, names
/// no node that scrolls, or names one twice.
[[nodiscard]] Scrolled solve_scrolled(SceneSolver& solver, const ContainerSize& container_size,
                                      const std::vector<std::string>& asked);

/// The positions that were asked for in a scene. Throws WrongCall, and BadPath.
[[nodiscard]] std::vector<Solution::ScrolledTo> positions_asked(const Scene& scene,
                                                                const std::vector<std::string>& asked);
/// Makes claims without positions use those. Throws WrongCall, and BadPath.
void claim_with_positions(const Scene& scene, const std::vector<std::string>& asked, std::vector<std::string>& claims);

}  // namespace fond_ladder::calls
