// SPDX-License-Identifier: MIT
#pragma once

// What `measure` shows of an arrangement instead of its boxes.

#include <iosfwd>
#include <string>

#include "cli/command.hpp"
#include "cli/sizes.hpp"

namespace fond_ladder::cli {

/// The nodes under the points of `--under`, the front-most first. Throws WrongCall for a point that is none.
void print_under(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out);
/// Container by container: the order of the file, of laying, and of painting.
void print_orders(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out);
/// The nesting, with the direction in which each container lays its children.
void print_outline(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out);

/// The settings of one node in force at a size, and whence; `title` says where. Throws BadPath.
void print_settings(const Scene& scene, const AskedSize& asked, const std::string& title, const MeasureOptions& options,
                    std::ostream& out);

/// Only those that somebody says, as a table without a head; all, as a JSON list.
void print_said_settings(const Scene& scene, NodeId node, const Rung& rung, const std::vector<std::string>& modes,
                         std::ostream& out);
[[nodiscard]] std::string json_settings(const Scene& scene, NodeId node, const Rung& rung,
                                        const std::vector<std::string>& modes);

/// `North house console at 1280 x 800 [wide]`
[[nodiscard]] std::string title_of(const Scene& scene, const Solution& solution, const AskedSize& asked);

/// The columns and rows of every grid: where, how large, and the child whose content made them so. Nothing where there
/// is no grid.
void print_tracks(const Scene& scene, const Solution& solution, std::ostream& out);
/// The same of one grid, as the value of "tracks".
[[nodiscard]] std::string json_tracks(const Scene& scene, const Solution& solution, NodeId grid);

}  // namespace fond_ladder::cli
