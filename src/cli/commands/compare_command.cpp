// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <iostream>

#include "cli/command.hpp"
#include "cli/output.hpp"
#include "cli/sizes.hpp"
#include "fond_ladder/compare.hpp"

namespace fond_ladder::cli {
namespace {

std::string json_of(const std::optional<Rect>& box) {
  if (!box) return "null";
  return fmt::format("{{\"x\": {}, \"y\": {}, \"width\": {}, \"height\": {}}}", exact(box->x), exact(box->y),
                     exact(box->width), exact(box->height));
}

std::string json_of(const Difference& one) {
  static constexpr std::array<std::string_view, 3> words{"changed", "only in the first", "only in the second"};
  return fmt::format(
      "{{\"node\": {}, \"what\": \"{}\", \"widths\": {}, \"most\": {}, \"worst\": {{\"width\": {}, \"height\": {}, "
      "\"first\": {}, \"second\": {}}}, \"going_along\": {}}}",
      json_text(one.path), words[static_cast<std::size_t>(one.kind)], json_spans(one.sizes), exact(one.most),
      exact(one.worst.width), exact(one.worst.height), json_of(one.first), json_of(one.second), one.going_along);
}

void print_json(const Comparison& told, std::ostream& out) {
  std::vector<std::string> differences;
  for (const Difference& one : told.differences) differences.push_back(json_of(one));
  fmt::print(out,
             "{{\"first\": {}, \"second\": {}, \"settings\": [{}, {}], \"sizes\": {}, \"same\": {},\n "
             "\"differences\": [\n  {}]}}\n",
             json_text(told.first), json_text(told.second), told.settings_first, told.settings_second, told.rungs,
             told.same, fmt::join(differences, ",\n  "));
}

}  // namespace

ExitStatus compare(const CompareCall& call, const Streams& streams) {
  if (call.format == Format::csv) throw WrongCall("--format csv: a comparison has a table and json only");
  const bool is_one = call.other.empty();
  if (!is_one && call.other == "-" && call.scene.file == "-")
    throw WrongCall("compare: only one of the two scenes can come from standard input");
  BeforeAndAfter both = load_before_and_after(call.scene, streams);
  if (is_one && both.after.options.empty()) {
    throw WrongCall(
        "compare: with what? Name a second scene, or say what is to be different by --try, --mode, "
        "--wording or --longer");
  }
  SceneCall other_call = call.scene;
  if (!is_one) other_call.file = call.other;
  Variant first = is_one ? std::move(both.before) : both.after;
  Variant second = is_one ? std::move(both.after) : load_variant(other_call, streams);
  const auto named = [](const std::string& file, const Variant& variant, bool as_it_is) {
    return (file == "-" ? "standard input" : file) + (!variant.name.empty() ? ", " + variant.name
                                                      : as_it_is            ? ", as it is"
                                                                            : "");
  };
  first.name = named(call.scene.file, first, is_one);
  second.name = named(other_call.file, second, false);
  std::vector<Rung> rungs;
  if (!call.at.empty()) {
    for (const AskedSize& asked : asked_sizes(call.at, first.scene.ladder)) rungs.push_back(asked.rung);
  }
  const Comparison told = fond_ladder::compare(first, second, rungs);
  if (call.format == Format::json) {
    print_json(told, streams.out);
  } else {
    streams.out << told;
  }
  return told.any() ? findings : all_well;
}

}  // namespace fond_ladder::cli
