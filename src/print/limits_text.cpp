// SPDX-License-Identifier: MIT
#include "print/limits_text.hpp"

#include <fmt/format.h>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/thousands.hpp"

namespace fond_ladder::inline v0 {
namespace {

template <class Number>
std::string number(Number most) {
  return in_thousands(static_cast<double>(most));
}

/// The group beyond whose bounds nothing is refused.
constexpr const char* told_in_part = "told in part";

std::string mebibytes(double bytes) {
  return fmt::format("{} MiB", bytes / (1024 * 1024));
}

}  // namespace

std::vector<Bound> bounds() {
  namespace l = limits;
  return {
      {"sizes", "a length, a side of the container", number(l::largest_length) + " px",
       "sums over a million nodes keep their fractions"},
      {"sizes", "grow, shrink, weight",
       fmt::format("0, or {} to {}", exact(l::smallest_factor), number(l::largest_factor)),
       "spare room divided by their sum stays a number"},
      {"sizes", "aspect_ratio", fmt::format("{} to {}", exact(l::smallest_aspect), number(l::largest_aspect)),
       "a width divided by it stays a number"},
      {"scenes", "a scene file with what it uses", mebibytes(l::largest_scene_file), "it is read whole"},
      {"scenes", "values of a scene file",
       fmt::format("{}, and one for every {} bytes", number(l::values_beside), l::bytes_a_value),
       "what packs more into it is no scene"},
      {"scenes", "files that it uses", number(l::most_used_files), "each is opened"},
      {"scenes", "nodes", number(l::largest_node_count), "a handle has 24 bits for the place"},
      {"scenes", "nodes that parts and copies make, more where more is said of them", number(l::most_expanded),
       "a small file must not become a large tree"},
      {"scenes", "copies of one node", number(l::most_copies), "each is a node"},
      {"scenes", "ranges and modes", number(l::most_conditions), "every node may speak of each"},
      {"scenes", "own ranges of one node", number(l::most_node_ranges), "each may measure what is in it once more"},
      {"scenes", "nodes with own ranges in one another", number(l::deepest_node_ranges),
       "each level measures once more"},
      {"scenes", "nodes that \"with\" looks through", number(l::most_inner_nodes), "each use looks through its part"},
      {"scenes", "tracks of a grid on one axis", number(l::most_tracks), "those count that nobody wrote"},
      {"words", "fonts of a scene", number(l::most_fonts), "each is opened"},
      {"words", "a font file", mebibytes(static_cast<double>(l::largest_font_file)), "it is read whole"},
      {"words", "a text", number(l::longest_text) + " bytes", "in fonts a million take a second"},
      {"words", "all texts that are set in fonts, once a style", number(l::most_set_bytes) + " bytes",
       "a million take a second"},
      {"words", "marks on one letter that is set in fonts", number(l::most_marks), "they take the square of it"},
      {"words", "changes of direction in one paragraph that is set in fonts", number(l::most_direction_changes),
       "they take the square of it"},
      {"words", "letters that are set in fonts",
       fmt::format("{} to {} px", exact(l::smallest_set_size), number(l::largest_set_size)),
       "widths are counted in 1/1024 px"},
      {"claims", "tokens of a claim", number(l::most_claim_tokens), "a sum is a chain of terms"},
      {"claims", "brackets in one another", number(l::deepest_claim), "they are read by calls within calls"},
      {"claims", "nodes that the stars of a file's claims are held against", number(l::most_claimed_nodes),
       "each is measured"},
      {"claims", "choices of nodes for the stars of a claim", number(l::most_claimed_choices), "each is a test"},
      {"claims", "pairs of nodes that a claim is about", number(l::most_claimed_pairs),
       "each may have to be held against the other"},
      {"calls", "sizes of a sweep", number(l::most_swept), "every one is solved and kept"},
      {"calls", "modes of which every choice is looked at", number(l::most_chosen_modes), "each more doubles the work"},
      {"calls", "links that lead to a file to be written", number(l::most_links), "they may lead in a circle"},
      {"calls", "letters of the paths of all nodes, where each is told whole", number(l::most_path_letters),
       "those of n levels are n times n: the boxes as json or csv, and compare"},
      {"pictures", "a side", number(l::longest_picture) + " px", "the drawing library takes no more"},
      {"pictures", "all pixels", number(l::largest_picture), "half a gigabyte"},
      {told_in_part, "mistakes told, and looked for",
       fmt::format("{}, {}", l::most_listed_errors, number(l::most_kept_errors)),
       "the others are counted as far as that"},
      {told_in_part, "failing stretches that are explained, of each claim", number(l::most_explained),
       "the others are told without why"},
      {told_in_part, "claims suggested, and tried for it", fmt::format("{}, {}", l::most_suggested, l::most_candidates),
       "the shortest ones of those that hold"},
      {told_in_part, "pairs of siblings over one another that lint looks at, at one size", number(l::most_meetings),
       "that there are more is said"},
      {told_in_part, "nodes of a sweep where nobody says which", number(l::most_swept_nodes),
       "the first ones, and that is said"},
      {told_in_part, "nodes that are drawn", number(l::most_drawn), "how many are left out is said"},
      {told_in_part, "levels that are drawn", number(l::deepest_drawn), "how many nodes are left out is said"},
      {told_in_part, "entries of a list in view that are arranged", number(l::most_in_view), "a screen shows no more"},
      {told_in_part, "letters of a word for which a near one is looked for", number(l::longest_typed),
       "longer ones are no typing errors"},
  };
}

std::string limits_text() {
  std::string text =
      "What is bounded, so that no scene and no call takes more time or memory than it should. Beyond it a scene or a\n"
      "call is refused, with its place and exit status 2; beyond what stands last there is less told.\n";
  std::string group;
  for (const Bound& bound : bounds()) {
    if (bound.of != group) text += "\n" + bound.of + "\n";
    group = bound.of;
    text += fmt::format("  {}: {}\n      {}\n", bound.what, bound.most, bound.why);
  }
  return text;
}

}  // namespace fond_ladder::inline v0
