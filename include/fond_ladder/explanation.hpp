// SPDX-License-Identifier: MIT
#pragma once

// Why a node has its size and position: a calculation that adds up, from a finished solve.
// std::cout << explain(solution, scene.tree.at("body"));

#include <iosfwd>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/solution.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The calculation of the size of one child on a line of a row or column, in pixels; with `scale_affects_layout` of
/// the painted size.
struct ExplanationEntry {
  NodeId node;
  std::string name;
  double space_before =
      0;  ///< from the line's start, or from the previous child: gap, margins, and unused space that is placed here
  double base = 0;  ///< base size
  std::string base_from;
  double min = 0;
  std::string min_from;  ///< reason for the minimum; empty if there is none
  std::optional<double> max{};
  double factor = 0;   ///< factor of growing, as set, or of shrinking (times the base without padding)
  double percent = 0;  ///< percentage of all factors of the line
  double size = 0;
  int round = 0;    ///< round in which the size became final; 0: it takes no part
  std::string why;  ///< the reason, in words
};

/// One round of sharing: every child that is not final takes `per_factor` times its factor; children that reach a
/// limit become final. CSS Flexible Box Layout 1, section 9.7, step 4.
struct ExplanationRound {
  double free_space = 0, per_factor = 0;  ///< per_factor: pixels per factor of 1
  std::vector<std::size_t> settled;       ///< indexes of the children of the line that become final
};

/// The calculation of one line of a row or column, in layout order.
struct ExplanationLine {
  double inner_size = 0;  ///< content box of the container
  double gaps = 0;        ///< sum of all gaps
  double gap = 0;         ///< one of them
  double margins = 0;     ///< sum of the margins of all children, automatic ones as 0
  double base_sizes = 0;
  double free_space = 0;  ///< inner size without gaps, margins and base sizes; negative: shortfall
  bool grows = false;     ///< false: the children shrink
  double out_of = 0;      ///< total that factors are parts of; 0: their sum
  bool scrolls = false;   ///< whether content that does not fit along is scrolled to
  std::vector<ExplanationEntry> entries;
  std::vector<ExplanationRound> rounds;
  double space_after = 0;   ///< space after the last child
  double unused_space = 0;  ///< inner size without gaps, margins and sizes; negative: overhang
  double sum = 0;           ///< sum of all sizes and spaces: the inner size, or more by the overhang
};

/// The tracks of a grid on one axis.
struct ExplanationTracks {
  double inner_size = 0, gaps = 0, unused_space = 0, sum = 0;
  double one_share = 0;  ///< size of 1fr; 0: no shares
  struct Track {
    double size = 0, unstretched = 0, share = 0;
    std::string why;
  };
  std::vector<Track> tracks;
};

/// A child on an axis on which it shares its space with no sibling.
struct ExplanationPlace {
  NodeId node;
  std::string name;
  double space = 0, size = 0;
  double offset = 0;  ///< pixels from the start edge of the content box of its container
  std::string why;
};

/// The calculation of one node at one size of the container: how a container shared its space, or why a leaf has its
/// size.
struct Explanation {
  NodeId node;
  std::string path;
  Kind kind = Kind::box;
  Extent container;  ///< container of the scene
  Rect box;
  Extent inner_size;                                   ///< content box
  std::vector<ExplanationLine> lines;                  ///< of a row or column
  std::vector<ExplanationTracks> columns, rows;        ///< of a grid; else absent
  std::vector<ExplanationPlace> horizontal, vertical;  ///< children on axes without sharing
  std::vector<std::string> content;                    ///< of a leaf or a stack, in words
  std::vector<std::string> position;  ///< reason for the position, one line per axis; empty for the root

  /// The largest difference between a sum of the calculation and the solve, in pixels; 0 except for rounding.
  double off = 0;
  double largest = 0;  ///< the largest number that was added, for the tolerance of rounding
  /// Whether the calculation agrees with the solve, but for rounding.
  [[nodiscard]] bool adds_up() const;
};

/// Returns the calculation of a node, from a solution. Throws BadPath for a node that is not placed. Linear in its
/// children.
[[nodiscard]] Explanation explain(const Solution& solution, NodeId node);

/// The reason for the width and the height of a node and each ancestor, from the root down, in words.
struct ExplanationStep {
  NodeId node;
  std::string name;
  double width = 0, height = 0;
  std::string why_width, why_height;
};
[[nodiscard]] std::vector<ExplanationStep> chain_to_root(const Solution& solution, NodeId node);

/// The reason for the position of a node on an axis, as in "x 72: the right of head 56 + margin 16"; empty for the
/// root.
[[nodiscard]] std::string why_there(const Solution& solution, NodeId node, Axis axis);

/// Prints the calculation as a table in which every sum can be followed from top to bottom.
std::ostream& operator<<(std::ostream& out, const Explanation& explanation);
std::ostream& operator<<(std::ostream& out, const std::vector<ExplanationStep>& chain);

}  // namespace v0
}  // namespace fond_ladder
