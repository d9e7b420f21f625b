// SPDX-License-Identifier: MIT
#pragma once

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
  double before = 0;  ///< from the line's start, or from the child ahead: gap, margins, and what spare room is put here
  double base = 0;    ///< what it starts from
  std::string base_from;
  double least = 0;
  std::string least_from;  ///< empty where nothing holds it
  std::optional<double> most{};
  double factor = 0;   ///< of growing, as it is written, or of shrinking (times its base without padding)
  double percent = 0;  ///< of all factors of the line
  double size = 0;
  int round = 0;    ///< of the sharing in which its size was settled; 0 where it takes no part
  std::string why;  ///< in words
};

/// One round of sharing: everybody who is free takes `level` times the factor, and those whom a limit stops are
/// settled. CSS Flexible Box Layout 1, section 9.7, step 4.
struct ExplanationRound {
  double free = 0, level = 0;        ///< level: for a factor of 1, as factors are written
  std::vector<std::size_t> settled;  ///< places among the entries of the line
};

/// The account of one line of a row or column, in the order in which it is laid.
struct ExplanationLine {
  double inner = 0;    ///< content box of the container
  double gaps = 0;     ///< all of them
  double gap = 0;      ///< one of them
  double margins = 0;  ///< of all children, automatic ones 0
  double bases = 0;
  double free = 0;       ///< inner size without gaps, margins and bases; negative: missing
  bool grows = false;    ///< else it shrinks
  double out_of = 0;     ///< the total that factors are parts of; 0 where it is their sum
  bool scrolls = false;  ///< along: what does not fit is scrolled to
  std::vector<ExplanationEntry> entries;
  std::vector<ExplanationRound> rounds;
  double after = 0;         ///< behind the last child
  double unused_space = 0;  ///< inner size without gaps, margins and sizes; negative: it sticks out
  double sum = 0;           ///< of all sizes and distances: the inner size, or what sticks out more
};

/// The tracks of a grid on one axis.
struct ExplanationTracks {
  double inner = 0, gaps = 0, unused_space = 0, sum = 0;
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
  double ahead = 0;  ///< from the start edge of its container's content box
  std::string why;
};

/// The account of one node at one size of the container: how a container shared its room, or why a leaf has its size.
struct Explanation {
  NodeId node;
  std::string path;
  Kind kind = Kind::box;
  Extent container;  ///< of the scene
  Rect box;
  Extent inner;                                        ///< content box
  std::vector<ExplanationLine> lines;                  ///< of a row or column
  std::vector<ExplanationTracks> columns, rows;        ///< of a grid: one each, else none
  std::vector<ExplanationPlace> horizontal, vertical;  ///< children on axes without sharing
  std::vector<std::string> content;                    ///< of a leaf or a stack, in words
  std::vector<std::string> place;                      ///< why it lies where it does, an axis each; none of the root

  /// By how much any sum of it is off what the solve came to: 0 but for rounding.
  double off = 0;
  double largest = 0;  ///< of what was added up, which rounding goes with
  [[nodiscard]] bool adds_up() const;
};

/// Works the account out from an arrangement; the solve itself keeps nothing for it. Throws BadPath for a node without
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

/// The account for people: laid out so that every sum can be followed from top to bottom.
std::ostream& operator<<(std::ostream& out, const Explanation& explanation);
std::ostream& operator<<(std::ostream& out, const std::vector<ExplanationStep>& chain);

}  // namespace v0
}  // namespace fond_ladder
