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

/// How one child came to its size on a line of a row or column. Pixels; of `scale_affects_layout` the painted size.
struct ExplanationEntry {
  NodeId node;
  std::string name;
  double space_before =
      0;            ///< from the line's start, or from the child ahead: gap, margins, and what unused space is put here
  double base = 0;  ///< what it starts from
  std::string base_from;
  double min = 0;
  std::string min_from;  ///< empty where nothing holds it
  std::optional<double> max{};
  double factor = 0;   ///< of growing, as it is written, or of shrinking (times its base without padding)
  double percent = 0;  ///< of all factors of the line
  double size = 0;
  int round = 0;    ///< of the sharing in which its size was settled; 0 where it takes no part
  std::string why;  ///< in words
};

/// One round of sharing: everybody who is free takes `per_factor` times the factor, and those whom a limit stops are
/// settled. CSS Flexible Box Layout 1, section 9.7, step 4.
struct ExplanationRound {
  double free_space = 0, per_factor = 0;  ///< per_factor: for a factor of 1, as factors are written
  std::vector<std::size_t> settled;       ///< places among the entries of the line
};

/// The calculation of one line of a row or column, in layout order.
struct ExplanationLine {
  double inner_size = 0;  ///< content box of the container
  double gaps = 0;        ///< all of them
  double gap = 0;         ///< one of them
  double margins = 0;     ///< of all children, automatic ones 0
  double base_sizes = 0;
  double free_space = 0;  ///< inner size without gaps, margins and bases; negative: missing
  bool grows = false;     ///< else it shrinks
  double out_of = 0;      ///< the total that factors are parts of; 0 where it is their sum
  bool scrolls = false;   ///< along: what does not fit is scrolled to
  std::vector<ExplanationEntry> entries;
  std::vector<ExplanationRound> rounds;
  double space_after = 0;   ///< behind the last child
  double unused_space = 0;  ///< inner size without gaps, margins and sizes; negative: it overhangs
  double sum = 0;           ///< of all sizes and distances: the inner size, or what overhangs more
};

/// The tracks of a grid on one axis.
struct ExplanationTracks {
  double inner_size = 0, gaps = 0, unused_space = 0, sum = 0;
  double one_share = 0;  ///< the size of 1fr; 0 where there is none
  struct Track {
    double size = 0, unstretched = 0, share = 0;
    std::string why;
  };
  std::vector<Track> tracks;
};

/// A child on an axis on which it shares with nobody.
struct ExplanationPlace {
  NodeId node;
  std::string name;
  double space = 0, size = 0;
  double offset = 0;  ///< from the start edge of its container's content box
  std::string why;
};

/// The calculation of one node at one size of the container: how a container shared its space, or why a leaf has its size.
struct Explanation {
  NodeId node;
  std::string path;
  Kind kind = Kind::box;
  Extent container;  ///< of the scene
  Rect box;
  Extent inner_size;                                   ///< content box
  std::vector<ExplanationLine> lines;                  ///< of a row or column
  std::vector<ExplanationTracks> columns, rows;        ///< of a grid: one each, else none
  std::vector<ExplanationPlace> horizontal, vertical;  ///< children on axes without sharing
  std::vector<std::string> content;                    ///< of a leaf or a stack, in words
  std::vector<std::string> position;                   ///< why it lies where it does, an axis each; none of the root

  /// By how much any sum of it is off what the solve came to: 0 but for rounding.
  double off = 0;
  double largest = 0;  ///< of what was added up, which rounding goes with
  /// Whether the calculation agrees with the solve, but for rounding.
  [[nodiscard]] bool adds_up() const;
};

/// Calculates it from a solution; the solve itself keeps nothing for it. Throws BadPath for a node without
/// a place there.
[[nodiscard]] Explanation explain(const Solution& solution, NodeId node);

/// Why a node has its width and height, level by level from the root down to it, in words.
struct ExplanationStep {
  NodeId node;
  std::string name;
  double width = 0, height = 0;
  std::string why_width, why_height;
};
[[nodiscard]] std::vector<ExplanationStep> chain_to_root(const Solution& solution, NodeId node);

/// Why a node lies where it does on an axis, as in "x 72: the right of head 56 + margin 16"; empty for the root.
[[nodiscard]] std::string why_there(const Solution& solution, NodeId node, Axis axis);

/// Prints the calculation as a table in which every sum can be followed from top to bottom.
std::ostream& operator<<(std::ostream& out, const Explanation& explanation);
std::ostream& operator<<(std::ostream& out, const std::vector<ExplanationStep>& chain);

}  // namespace v0
}  // namespace fond_ladder
