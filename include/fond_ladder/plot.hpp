// SPDX-License-Identifier: MIT
#pragma once

// The curves of a sweep as a picture. Needs the program gnuplot at run time.

#include <cstddef>
#include <string>
#include <vector>

#include "fond_ladder/draw.hpp"
#include "fond_ladder/error.hpp"
#include "fond_ladder/map.hpp"
#include "fond_ladder/sweep.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Thrown where curves cannot be drawn: the plotting program is missing, or failed. The message says what to do.
class NoPlot : public Error {
 public:
  using Error::Error;
};

struct PlotOptions {
  std::string title{};
  std::vector<std::size_t> columns{};  ///< which quantities; all when empty
};

/// The curves of a sweep with their breakpoints marked, 1280 x 800 pixels. Runs the program gnuplot, which is looked
/// for when this is called. Throws NoPlot.
[[nodiscard]] std::string plot(const Sweep& swept, PictureForm form, const PlotOptions& options);

/// Throws NoPlot where the plotting program is missing, so that nobody sweeps for nothing.
void require_plotter();

/// Draws a map of sizes: width to the right and height up, the regions of each broken claim hatched in its own way,
/// with a legend. Throws BadPicture.
[[nodiscard]] Picture draw(const SizeMap& map, PictureForm form);

}  // namespace v0
}  // namespace fond_ladder
