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

/// The group of bounds that shorten an answer and refuse nothing.
constexpr const char* reported_in_part = "reported in part";

std::string mebibytes(double bytes) {
  return fmt::format("{} MiB", bytes / (1024 * 1024));
}

}  // namespace

std::vector<Bound> bounds() {
  namespace l = limits;
  return {
      {"sizes", "a length, a side of the container", number(l::largest_length) + " px",
       "sums of a million nodes keep their fractions"},
      {"sizes", "grow, shrink, weight",
       fmt::format("0, or {} to {}", exact(l::smallest_factor), number(l::largest_factor)),
       "free space divided by their sum stays finite"},
      {"sizes", "aspect_ratio", fmt::format("{} to {}", exact(l::smallest_aspect), number(l::largest_aspect)),
       "a width divided by it stays finite"},
      {"scenes", "a scene file with what it uses", mebibytes(l::largest_scene_file), "the file is read into memory"},
      {"scenes", "values of a scene file",
       fmt::format("{}, and one for every {} bytes", number(l::values_beside), l::bytes_a_value), "no scene has more"},
      {"scenes", "files that it uses", number(l::most_used_files), "each file is opened"},
      {"scenes", "nodes", number(l::largest_node_count), "a handle has 24 bits for the index"},
      {"scenes", "nodes made by parts and copies, counting what each says", number(l::most_expanded),
       "a small file must not make a large tree"},
      {"scenes", "copies of one node", number(l::most_copies), "each copy is a node"},
      {"scenes", "ranges and modes", number(l::most_conditions), "every node may have a \"when\" of each"},
      {"scenes", "node ranges of one node", number(l::most_node_ranges), "each may measure its descendants once more"},
      {"scenes", "nodes with node ranges inside each other", number(l::deepest_node_ranges),
       "each level measures once more"},
      {"scenes", "nodes that \"with\" looks through", number(l::most_inner_nodes), "each use searches its part"},
      {"scenes", "tracks of a grid on one axis", number(l::most_tracks), "implicit tracks count"},
      {"words", "fonts of a scene", number(l::most_fonts), "each file is opened"},
      {"words", "a font file", mebibytes(static_cast<double>(l::largest_font_file)), "the file is read into memory"},
      {"words", "a text", number(l::longest_text) + " bytes", "with fonts a million bytes take a second"},
      {"words", "all texts measured with fonts, once per style", number(l::most_set_bytes) + " bytes",
       "a million bytes take a second"},
      {"words", "marks on one letter, measured with fonts", number(l::most_marks), "the time grows with the square"},
      {"words", "changes of direction in one paragraph, measured with fonts", number(l::most_direction_changes),
       "the time grows with the square"},
      {"words", "letters measured with fonts",
       fmt::format("{} to {} px", exact(l::smallest_set_size), number(l::largest_set_size)),
       "widths are counted in 1/1024 px"},
      {"claims", "tokens of a claim", number(l::most_claim_tokens), "each token is a term"},
      {"claims", "brackets inside each other", number(l::deepest_claim), "they are read recursively"},
      {"claims", "nodes that the stars of a file's claims are matched with", number(l::most_claimed_nodes),
       "each node is measured"},
      {"claims", "combinations of nodes for the stars of a claim", number(l::most_claimed_choices),
       "each combination is a test"},
      {"claims", "pairs of nodes that a claim is about", number(l::most_claimed_pairs),
       "each pair may have to be compared"},
      {"calls", "sizes of a sweep", number(l::most_swept), "every size is solved and kept"},
      {"calls", "modes of which every combination is examined", number(l::most_chosen_modes),
       "each one more doubles the work"},
      {"calls", "links that lead to an output file", number(l::most_links), "links may form a circle"},
      {"calls", "characters in the full paths of all nodes", number(l::most_path_letters),
       "paths of n levels need n times n characters; in json, csv and compare"},
      {"pictures", "a side", number(l::longest_picture) + " px", "the drawing library allows no more"},
      {"pictures", "all pixels", number(l::largest_picture), "they take half a gigabyte"},
      {reported_in_part, "errors printed, and errors counted",
       fmt::format("{}, {}", l::most_listed_errors, number(l::most_kept_errors)),
       "further errors are counted up to that number"},
      {reported_in_part, "failing intervals explained per claim", number(l::most_explained),
       "further intervals have no explanation"},
      {reported_in_part, "claims suggested, and candidates tried",
       fmt::format("{}, {}", l::most_suggested, l::most_candidates), "the shortest of those that hold"},
      {reported_in_part, "overlapping pairs of siblings that lint examines per size", number(l::most_meetings),
       "lint says if there are more"},
      {reported_in_part, "nodes of a sweep without --show", number(l::most_swept_nodes),
       "the first ones; the sweep says so"},
      {reported_in_part, "nodes that are drawn", number(l::most_drawn), "the picture says how many are left out"},
      {reported_in_part, "levels that are drawn", number(l::deepest_drawn), "the picture says how many are left out"},
      {reported_in_part, "entries of a list in view", number(l::most_in_view), "no screen shows more"},
      {reported_in_part, "letters of a word that gets a suggestion", number(l::longest_typed),
       "longer words are not typing errors"},
  };
}

std::string limits_text() {
  std::string text =
      "Limits that keep the time and memory of every command bounded. A scene or command line that exceeds one is "
      "refused,\nwith its place and exit status 2. Limits reported in part shorten the output instead.\n";
  std::string group;
  for (const Bound& bound : bounds()) {
    if (bound.of != group) text += "\n" + bound.of + "\n";
    group = bound.of;
    text += fmt::format("  {}: {}\n      {}\n", bound.what, bound.most, bound.why);
  }
  return text;
}

}  // namespace fond_ladder::inline v0
