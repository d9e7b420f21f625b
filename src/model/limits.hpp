// SPDX-License-Identifier: MIT
#pragma once

// The one home of every tolerance and every limit: value, unit, reason, and when to change it. How many names a
// sentence lists, and what a picture measures, stand where the sentence and the picture are made.

#include <cstddef>
#include <cstdint>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace limits {

/// Pixels. No length, percentage result or ratio result is larger than this, so that sums over a million nested or
/// neighboring nodes stay finite and keep their fractions. Change it only together with `largest_node_count`.
inline constexpr double largest_length = 1e9;

/// A grow, shrink or weight is 0 or lies in [smallest_factor, largest_factor]: dividing unused space by a sum of them
/// can then neither overflow nor become denormal.
inline constexpr double smallest_factor = 1e-9;
inline constexpr double largest_factor = 1e9;

/// Width divided by height, and its inverse. Keeps width / aspect inside what a double can add up.
inline constexpr double smallest_aspect = 1e-6;
inline constexpr double largest_aspect = 1e6;

/// Relative to max(1, inner size). A line breaks, and a text wraps, only when it is too long by more than this: sums
/// of fractions must not break a line that fits by construction.
inline constexpr double line_tolerance = 1e-6;

/// Relative. A track keeps its share of the remaining space although its content is larger by no more than this.
inline constexpr double share_tolerance = 1e-9;

/// Pixels. Less unused, missing or overhanging space than this counts as rounding, and is not reported.
inline constexpr double report_tolerance = 1e-6;

/// Relative. Whether two computed sizes are one but for rounding.
inline constexpr double rounding = 1e-9;

/// Relative. Whether what sharing took too much and too little comes to the same: sums of fractions of one size.
inline constexpr double violation_rounding = 1e-12;

/// Pixels. Places and sizes that differ by less are the same for people: for claims without a tolerance, comparisons
/// and lint.
inline constexpr double same_to_people = 0.01;

/// Pixels. The finest step of the search for breakpoints, and the distance at which their two sides are measured.
inline constexpr double breakpoint_step = 1.0 / 64;

/// Pixels, and relative. What leaves a straight line by less has not turned.
inline constexpr double least_bend = 1e-7, least_relative_bend = 1e-10;

/// Breakpoints of one quantity within a pixel; with more of them, no straight lines are searched for there.
inline constexpr int most_breakpoints_in_a_pixel = 24;

/// Tracks of a grid on one axis, implicit tracks included. A child beyond the limit goes into the last one.
inline constexpr std::uint32_t most_tracks = 10000;

/// Copies of one node.
inline constexpr std::uint32_t most_copies = 100000;

/// What parts and copies may make of a scene file beyond what is written in it, in nodes: a node counts one, one more
/// for every `bytes_a_node` bytes of its settings, and `nodes_a_form` for each condition under which it has another
/// form. So a file of 1 MB is read or refused within two seconds and 500 MB.
inline constexpr double most_expanded = 400000, bytes_a_node = 32, nodes_a_form = 6;

/// Ranges and modes of a scene: every node may have a form for each.
inline constexpr std::size_t most_conditions = 1000;

/// Node ranges of one node, and how deep nodes with node ranges may lie in one another: each level may measure what is
/// in it once more.
inline constexpr std::size_t most_node_ranges = 16;
inline constexpr unsigned deepest_node_ranges = 8;

/// How many nodes of a file `with` may visit to find the inner nodes that it sets keys of.
inline constexpr std::size_t most_inner_nodes = 500000;

/// Sizes of one sweep: every one of them is solved and kept.
inline constexpr double most_swept = 100000;

/// Entries of a list `virtualized` that are arranged: what is in view, as long as that are not more. And how often
/// such a list is arranged until it is known what is in view: each time entries come that were too few before.
inline constexpr std::uint32_t most_in_view = 4000;
inline constexpr int most_looks_at_lists = 100;

/// A handle has 24 bits for the place and 8 for the generation.
inline constexpr std::uint32_t largest_node_count = (1U << 24) - 1;

/// Bytes. A scene file beyond this is refused before it is read; a million nested rows take about 28 MB.
inline constexpr std::size_t largest_scene_file = std::size_t{40} * 1024 * 1024;

/// A scene file has a value in as many bytes, and some beside: what has more is no scene, and would only cost memory.
inline constexpr std::size_t bytes_a_value = 8, values_beside = 300'000;

/// Bytes. A font file beyond this is refused: it would be read whole.
inline constexpr std::uint64_t largest_font_file = std::uint64_t{64} * 1024 * 1024;

/// Fonts of a scene, those of the files that it uses included.
inline constexpr std::size_t most_fonts = 64;

/// Bytes of one text, which is one that somebody reads on a screen: breaking takes some ten bytes a byte for each size,
/// and shaping in fonts a second a million.
inline constexpr std::size_t longest_text = 1'000'000;

/// Bytes of the texts of a scene, each counted once a style that it is set in.
inline constexpr std::size_t most_set_bytes = 8'000'000;

/// Marks on one letter, and changes of direction in one paragraph: shaping takes the square of each.
inline constexpr std::size_t most_marks = 200, most_direction_changes = 1'000;

/// Pixels. Characters larger than this are not set in fonts, for their widths are counted in 1/1024 pixel in 32 bits,
/// nor smaller ones than that, for nothing of them would be left.
inline constexpr double largest_set_size = 10'000, smallest_set_size = 1.0 / 16;

/// Files that a scene uses, those that they use included; altogether they are as large as a scene file at most.
inline constexpr std::size_t most_used_files = 64;

/// Different errors of one scene file after which reading stops.
inline constexpr std::size_t most_kept_errors = 1000;

/// Nested brackets of a claim: it is read by calls within calls.
inline constexpr std::size_t deepest_claim = 200;

/// Failing stretches of one claim that are looked into again, for what is behind them.
inline constexpr std::size_t most_explained = 50;

/// Claims that are suggested, and that are tried for it.
inline constexpr std::size_t most_suggested = 40, most_candidates = 400;

/// Modes of which every choice is looked at in turn: each one more doubles the work.
inline constexpr std::size_t most_chosen_modes = 6;

/// Nodes whose sizes are swept by default.
inline constexpr std::size_t most_swept_nodes = 2000;

/// Links that lead from the name of a result to the file that is written.
inline constexpr int most_links = 40;

/// Nodes of a picture, and how deep in the tree they may lie.
inline constexpr std::size_t most_drawn = 20000;
inline constexpr int deepest_drawn = 200;

/// Pixels of a picture: without a scale it is at most `handy` long; the others are upper limits.
inline constexpr double handy_picture = 8000, longest_picture = 30000, largest_picture = 1.2e8;

/// Letters of a typed word for which a near one is looked for.
inline constexpr std::size_t longest_typed = 64;

/// Tokens of a claim: a sum is a chain of terms, and every walk over it goes down that chain.
inline constexpr std::size_t most_claim_tokens = 4000;

/// Nodes that the stars in the claims of one file may be held against, all claims together.
inline constexpr std::size_t most_claimed_nodes = 5000000;

/// Choices of one node for each pattern of a claim, all of which are tested at a size: some seconds.
inline constexpr double most_claimed_choices = 2e7;

/// Pairs of nodes that a claim may be about, each of which may have to be held against the other: some seconds.
inline constexpr double most_claimed_pairs = 1e9;

/// Pairs of siblings that lie over one another, which lint looks at at one size: milliseconds.
inline constexpr std::size_t most_meetings = 100000;

/// Letters of the full paths of all nodes: on n levels they are n times n.
inline constexpr double most_path_letters = 2e8;

/// Steps of looking for the nearest word: some milliseconds.
inline constexpr std::size_t most_hint_steps = 4000000;

/// Errors listed for one scene file before the rest is only counted.
inline constexpr std::size_t most_listed_errors = 100;

}  // namespace limits
}  // namespace v0
}  // namespace fond_ladder
