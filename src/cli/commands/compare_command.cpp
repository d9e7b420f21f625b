// SPDX-License-Identifier: MIT
#include <algorithm>
#include <ostream>

#include "cli/call_words.hpp"
#include "fond_ladder/compare.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"
#include "print/titles.hpp"

namespace fond_ladder::cli {
namespace {

struct CompareCall {
  SceneCall scene;
  std::string other;  // a second scene file; none: the scene as it is against what the options make of it
  std::vector<std::string> at;
  Format format = Format::table;
};

/// The heights of some sizes; none where one follows the content.
std::optional<Interval> heights_of(const std::vector<ContainerSize>& container_sizes) {
  std::optional<Interval> heights;
  for (const ContainerSize& container_size : container_sizes) {
    if (!container_size.height) return {};
    if (!heights) heights = Interval(*container_size.height);
    heights = Interval(std::min(heights->from, *container_size.height), std::max(heights->to, *container_size.height));
  }
  return heights;
}

ExitStatus compare(const CompareCall& call, const Streams& streams) {
  const bool is_one = call.other.empty();
  if (!is_one && call.other == "-" && call.scene.file == "-")
    throw WrongCall("compare: both scenes are -; name a file for one of them");
  if (!is_one && words_asked(call.scene.words).size() > 1)
    throw WrongCall("compare: expected two scenes, or one scene with --text-metrics fixed,fonts");
  BeforeAndAfter both = load_before_and_after(call.scene, streams);
  if (is_one && both.after.options.empty()) {
    throw WrongCall(
        "compare: nothing to compare with; name a second scene, or change this one with --set, --move, --group, "
        "--remove, --insert, --ungroup, --duplicate, --mode, --locale, --text-metrics or --text-expansion");
  }
  SceneCall other_call = call.scene;
  if (!is_one) other_call.file = call.other;
  Variant first = is_one ? std::move(both.before) : both.after;
  Variant second = is_one ? std::move(both.after) : load_variant(other_call, streams);
  const auto named = [](const std::string& file, const Variant& variant, bool as_it_is) {
    return (file == "-" ? "standard input" : file) + (!described(variant).empty() ? ", " + described(variant)
                                                      : as_it_is                  ? ", as it is"
                                                                                  : "");
  };
  first.name = named(call.scene.file, first, is_one);
  second.name = named(other_call.file, second, false);
  std::vector<ContainerSize> container_sizes;
  if (!call.at.empty()) {
    for (const AskedSize& asked : asked_sizes(call.at, first.scene.ladder))
      container_sizes.push_back(asked.container_size);
  }
  const Comparison comparison =
      fond_ladder::compare(first, second, {container_sizes, ProgressLine(streams, "comparing").teller()});
  if (call.format == Format::json) {
    Ladder compared = first.scene.ladder;
    if (!container_sizes.empty()) {
      compared.width = comparison.widths;
      compared.height = heights_of(container_sizes);
    }
    JsonAnswers answers(streams.out, "compare");
    write_comparison(answers.next(first.scene, call.scene.file, compared), comparison);
    answers.end();
  } else {
    streams.out << comparison;
  }
  return comparison.any() ? findings : all_well;
}

}  // namespace

Command compare_command() {
  CommandOf<CompareCall> command(
      "compare", "Compare two scenes, or one scene with and without edits; exit status 1 if they differ");
  CompareCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.optional_argument("OTHER", call.other, "The second scene file; options then apply to both");
  options.list("--at", "SIZE", call.at, "Compare at this size only: 1280x800, 1280, or a named size; repeatable");
  options.format(call.format, {Format::table, Format::json});
  return command.does(compare);
}

}  // namespace fond_ladder::cli
