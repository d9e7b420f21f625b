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

/// Thrown when curves cannot be drawn: the plotting program is missing or failed. The message names the remedy.
class NoPlot : public Error {
 public:
  using Error::Error;
};

struct PlotOptions {
  std::string title{};
  std::vector<std::size_t> columns{};  ///< indexes of the quantities to draw; empty: all
};

/// Draws the curves of a sweep with their breakpoints marked, 1280 x 800 pixels. Runs the program gnuplot, found in
/// PATH. Returns the file in memory. Throws NoPlot.
[[nodiscard]] std::string plot(const Sweep& swept, PictureForm form, const PlotOptions& options);

/// Throws NoPlot if the plotting program is missing. Call it before a long sweep.
void require_plotter();

/// Draws a map of sizes: width to the right and height up, the regions of each failing claim with a hatching of its
/// own, with a legend. Throws BadPicture.
[[nodiscard]] Picture draw(const SizeMap& map, PictureForm form);

}  // namespace v0
}  // namespace fond_ladder
