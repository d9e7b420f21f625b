// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>
#include <iostream>

#include "calls/claims_asked.hpp"
#include "calls/junit.hpp"
#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/check.hpp"
#include "fond_ladder/suggest.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"
#include "print/suggest_text.hpp"

namespace fond_ladder::calls {
namespace {

struct CheckCall {
  SceneCall scene;
  std::vector<std::string> claims;
  std::string junit;  // a file
  std::string shard;  // as in 2/5
  bool suggest = false;
  bool broken = false;  // leave out the kept
  std::string heights;  // `every`, or a span of them
  Format format = Format::table;
};

/// One part of the claims: every `of`-th, from the `part`-th on, so that parts are about equally long.
struct Shard {
  std::size_t part = 1, of = 1;

  [[nodiscard]] bool holds(std::size_t i) const { return i % of == part - 1; }
};

Shard parse_shard(const std::string& text) {
  Shard shard;
  if (text.empty()) return shard;
  const std::size_t slash = text.find('/');
  const char *middle = text.data() + std::min(slash, text.size()), *end = text.data() + text.size();
  const auto part = std::from_chars(text.data(), middle, shard.part);
  const auto of = std::from_chars(std::min(middle + 1, end), end, shard.of);
  const bool read = part.ec == std::errc() && part.ptr == middle && of.ec == std::errc() && of.ptr == end;
  if (!read || shard.part < 1 || shard.part > shard.of)
    throw WrongCall(fmt::format("--shard {}: write a part and how many there are, as in 2/5", text));
  return shard;
}

/// Which part of the claims, and in which variants.
std::string scope_text(const std::vector<Variant>& variants, const CheckCall& call) {
  return (call.shard.empty() ? "" : fmt::format(", part {} of the claims", call.shard)) + text_of(variants);
}

void print_table(const std::vector<Variant>& variants, const std::vector<CheckedClaim>& checked, const CheckCall& call,
                 std::ostream& out) {
  const Scene& scene = variants[0].scene;
  fmt::print(out, "{} from {} to {} wide{}: {}\n", printable(scene.name()), exact(scene.ladder.width.from),
             exact(scene.ladder.width.to), printable(scope_text(variants, call)), verdict_text(checked));
  for (const std::string& line : lines_about(variants)) out << printable(line) << '\n';
  out << '\n';
  for (const bool kept : {false, true}) {  // what is broken first
    for (const CheckedClaim& one : checked) {
      if (one.holds == kept && !(kept && call.broken)) out << report(one, call.scene.file);
    }
  }
}

/// Begins an answer about all variants that were looked at.
JsonWriter& next_answer(JsonAnswers& answers, const std::vector<Variant>& variants, const CheckCall& call) {
  const Scene& scene = variants[0].scene;
  JsonWriter& json = answers.next(scene, call.scene.file, scene.ladder);
  std::vector<std::string> names;
  for (const Variant& variant : variants) names.push_back(described(variant));
  json.texts("variants", names);
  return json;
}

ExitStatus suggest_claims(const std::vector<Variant>& variants, const CheckCall& call, const Streams& streams) {
  const std::vector<std::string> claims = suggest(variants);
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "check");
    next_answer(answers, variants, call).texts("suggested", claims);
    answers.end();
  } else {
    streams.out << suggestion(claims, variants[0].scene.ladder, scope_text(variants, call));
  }
  return all_well;
}

ExitStatus check(const CheckCall& call, const Streams& streams) {
  if (call.junit == "-") throw WrongCall("--junit -: standard output has the results; name a file");
  if (!call.junit.empty()) require_target(call.junit);
  const Shard shard = parse_shard(call.shard);
  const std::vector<Variant> variants = load_variants(call.scene, streams);
  if (call.suggest) {
    if (!call.junit.empty() || !call.shard.empty() || !call.claims.empty() || call.broken)
      throw WrongCall("--suggest looks for claims; --claim, --broken, --junit and --shard are for checking them");
    return suggest_claims(variants, call, streams);
  }
  std::vector<std::string> all = variants[0].scene.claims, claims;
  all.insert(all.end(), call.claims.begin(), call.claims.end());
  if (all.empty()) {
    throw WrongCall(
        "check: the scene has no claims; write \"claims\" into it, give one by --claim, or let --suggest "
        "look for some");
  }
  std::vector<std::size_t> numbers;
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (!shard.holds(i)) continue;
    claims.push_back(all[i]);
    numbers.push_back(i);
  }
  require_claims(variants, all);
  Progress progress(streams, "checking");
  const std::vector<CheckedClaim> checked =
      call.heights.empty()
          ? fond_ladder::check(variants, claims, 0, progress.teller())
          : check_every_height(variants, claims, heights_asked(variants[0].scene, call.heights, "--heights"), 0,
                               progress.teller());
  const std::string suite = variants[0].scene.name() + (call.shard.empty() ? "" : " " + call.shard);
  if (!call.junit.empty()) write_target(call.junit, junit_text(checked, suite, call.scene.file));
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "check");
    std::vector<CheckedClaim> told = checked;
    if (call.broken) {
      std::size_t i = 0;
      std::erase_if(numbers, [&](std::size_t) { return checked[i++].holds; });
      std::erase_if(told, [](const CheckedClaim& one) { return one.holds; });
    }
    write_checked(next_answer(answers, variants, call), told, std::ranges::all_of(checked, &CheckedClaim::holds),
                  numbers);
    answers.end();
  } else {
    print_table(variants, checked, call, streams.out);
  }
  return std::ranges::all_of(checked, &CheckedClaim::holds) ? all_well : findings;
}

}  // namespace

Command check_command() {
  CommandOf<CheckCall> command("check", "Which claims hold on the whole ladder; exit status 1 when one does not");
  CheckCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene, Forms::all_in_turn);
  options.list("--claim", "CLAIM", call.claims, "One more claim, as in \"uncut(cards)\"; repeatable");
  options.text("--junit", "FILE", call.junit, "Also write a JUnit XML file, one case a claim");
  add_values(options, call.scene, "Check each value of a setting in turn, as in beds.width=200,240,300");
  options.text("--heights", "every|FROM..TO", call.heights,
               "At every height too: of the ladder, or these; regions of sizes are told instead of widths");
  options.text("--shard", "PART/OF", call.shard, "Check one part of the claims, as in 2/5: the second of five");
  options.flag("--broken", call.broken, "Only the claims that do not hold");
  options.flag("--suggest", call.suggest, "Claims that hold now and look meant, ready to paste");
  options.format(call.format, {Format::table, Format::json});
  return command.does(check);
}

}  // namespace fond_ladder::calls
