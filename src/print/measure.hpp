// SPDX-License-Identifier: MIT
#pragma once

// Where every node is at one size, as a table, as CSV and as JSON; and what `measure` shows instead of boxes.

#include <iosfwd>
#include <string>
#include <vector>

#include "print/json_writer.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {

/// One solved scene, as the printers of this space take it.
struct SolvedScene {
  const Scene& scene;
  const Solution& solution;
  const AskedSize& asked;

  /// The nodes as they were arranged: entries that are in view of a list are in no other tree.
  [[nodiscard]] const Tree& tree() const { return solution.tree(); }
};

/// The boxes; the first line says whether all is well.
void print_boxes(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out);
/// One size with several values of a setting: the verdict on each, and those nodes side by side that change.
void print_side_by_side(const std::string& setting, const std::vector<SolvedScene>& measured, std::ostream& out);
/// How long the solve took, and how many nodes it visited.
void print_timing(const Solution& solution, double seconds, std::ostream& out);
void print_boxes_csv_head(std::ostream& out);
void print_boxes_csv(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out);
/// The fields "nodes" and "scrollers" of an answer.
void write_boxes(JsonWriter& json, const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes);

/// The nodes under some points, the front-most first.
struct Point {
  double x = 0, y = 0;
};
void print_hit_test(const SolvedScene& measured, const std::vector<Point>& points, std::ostream& out);
void write_hit_test(JsonWriter& json, const SolvedScene& measured, const std::vector<Point>& points);

/// Container by container: the order of the file, of laying, and of painting.
void print_orders(const SolvedScene& measured, std::ostream& out);
void write_orders(JsonWriter& json, const SolvedScene& measured);

/// The nesting, with the direction in which each container lays its children.
void print_outline(const SolvedScene& measured, std::ostream& out);
void write_outline(JsonWriter& json, const SolvedScene& measured);

/// A name indented by its depth; beyond twelve levels the depth is a number.
[[nodiscard]] std::string indented(const std::string& name, int depth);
/// The boxes of scrollers.
[[nodiscard]] std::vector<Solution::NodeBox> scrolling(const Solution& solution, std::vector<Solution::NodeBox> boxes);
/// What overhangs the parent, or of a text its own words.

}  // namespace fond_ladder::inline v0
