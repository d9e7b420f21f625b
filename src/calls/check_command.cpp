// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>
#include <chrono>
#include <iostream>
#include <iterator>
#include <optional>
#include <utility>

#include "calls/claims_asked.hpp"
#include "calls/junit.hpp"
#include "calls/progress.hpp"
#include "calls/refusal.hpp"
#include "calls/sarif.hpp"
#include "calls/scene_call.hpp"
#include "calls/scrolled.hpp"
#include "calls/sizes.hpp"
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
  std::string junit, sarif;  // files
  std::string shard;         // as in 2/5
  bool suggest = false;
  std::string about;     // nodes that suggested claims refer to
  bool failing = false;  // leave out those that hold
  std::vector<std::string> scrolled;
  Format format = Format::table;
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
    throw WrongCall(fmt::format("--shard {}: expected PART/OF, as in 2/5", text));
  return shard;
}

/// `, 60 of 180 checks` of a shard; nothing without one.
std::string shard_text(std::size_t own, std::size_t all, const CheckCall& call) {
  return call.shard.empty() ? "" : fmt::format(", {} of {} {}", own, all, all == 1 ? "check" : "checks");
}

void print_table(const Scene& scene, const std::vector<VariantLabel>& variants, const std::string& shard,
                 const std::vector<CheckedClaim>& checked, const CheckCall& call, std::ostream& out) {
  fmt::print(out, "{} from {} to {} wide{}: {}\n", printable(scene.name()), exact(scene.ladder.width.from),
             exact(scene.ladder.width.to), printable(shard + text_of(variants)), verdict_text(checked));
  for (const std::string& line : lines_about(variants)) out << printable(line) << '\n';
  out << '\n';
  for (const bool kept : {false, true}) {  // what is broken first
    for (const CheckedClaim& one : checked) {
      if (one.holds == kept && !(kept && call.failing)) out << report(one, call.scene.files[0]);
    }
  }
}

/// Begins an answer about all variants that were looked at.
JsonWriter& next_answer(JsonAnswers& answers, const Scene& scene, const std::vector<VariantLabel>& variants,
                        const std::string& file) {
  JsonWriter& json = answers.next(scene, file, scene.ladder);
  std::vector<std::string> names;
  for (const VariantLabel& variant : variants) names.push_back(described(variant));
  json.texts("variants", names);
  return json;
}

ExitStatus suggest_claims(const std::vector<Variant>& variants, const CheckCall& call, const Streams& streams) {
  const Scene& scene = variants[0].scene;
  std::vector<NodeId> about;
  for (const std::string& pattern : split_list(call.about)) {
    try {
      std::ranges::copy(nodes_named(scene.tree, pattern), std::back_inserter(about));
    } catch (const BadQuantity& fault) {
      throw WrongCall(fmt::format("--about: {}", fault.what()));
    }
  }
  const std::vector<std::string> claims = suggest(variants, about);
  const std::vector<VariantLabel> labels = labels_of(variants);
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "check");
    next_answer(answers, scene, labels, call.scene.files[0]).texts("suggested", claims);
    answers.end();
  } else {
    streams.out << suggestion(claims, scene.ladder, text_of(labels));
  }
  return all_well;
}

/// The claims of one scene, and what came of them.
struct CheckedScene {
  JUnitSuite suite;
  std::vector<VariantLabel> variants;
  std::optional<Scene> scene;  // the first of them; none of several scenes, of which only what came of them is kept
  std::vector<std::size_t> numbers;  // the place of each claim among all of its scene
  std::size_t all = 0;               // claims of the scene, those of other parts too
  std::size_t pairs = 0;             // of these and variants: checks
  std::size_t own = 0;               // checks of this shard
  std::string headline;              // one of several scenes: what came of it, in a line
};

/// Checks a scene; the claims and variants of the scenes before it were `before` many pairs.
CheckedScene check_scene(const CheckCall& call, const std::string& file, std::size_t before, const Streams& streams) {
  Shard part = parse_shard(call.shard);
  part.before = before;
  CheckedScene one;
  const Hints hints = call.scene.files.size() == 1 ? Hints::one_line : Hints::none;
  std::vector<std::string> all;
  std::optional<RequiredClaims> required;
  const VariantsInTurn variants =
      load_variants_in_turn(call_for(call.scene, file), streams, hints, [&](std::size_t i, const Variant& variant) {
        if (i == 0) {
          one.scene = variant.scene;
          all = variant.scene.claims;
          all.insert(all.end(), call.claims.begin(), call.claims.end());
          claim_with_positions(variant.scene, call.scrolled, all);
          required.emplace(all);
        }
        required->read_in(variant.scene);
      });
  required->require();
  one.variants = variants.labels;
  const Scene& scene = *one.scene;
  one.suite.file = file;
  one.suite.name = scene.name() + (call.shard.empty() ? "" : " " + call.shard);
  one.all = all.size();
  one.pairs = all.size() * one.variants.size();
  for (std::size_t c = 0; c < all.size(); ++c) {
    for (std::size_t v = 0; v < one.variants.size(); ++v) one.own += part.contains(c, v, one.variants.size()) ? 1 : 0;
  }
  if (all.empty()) return one;
  std::optional<Interval> heights;
  if (!call.scene.height.empty()) heights = sizes_asked(call.scene.height, "--height", scene.ladder.height);
  if (heights && heights->from == heights->to) heights.reset();  // the ladder has it now
  ProgressLine progress(streams, "checking");
  std::vector<std::optional<CheckedClaim>> checked =
      check_part(variants, all, part, {.heights = heights, .progress = progress.teller()});
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (!checked[i]) continue;
    one.suite.checked.push_back(std::move(*checked[i]));
    one.numbers.push_back(i);
  }
  return one;
}

bool all_hold(const std::vector<CheckedClaim>& checked) {
  return std::ranges::all_of(checked, &CheckedClaim::holds);
}

void write_json(JsonAnswers& answers, const CheckedScene& one, const CheckCall& call) {
  const std::vector<CheckedClaim>& checked = one.suite.checked;
  std::vector<CheckedClaim> printed = checked;
  std::vector<std::size_t> numbers = one.numbers;
  if (call.failing) {
    std::size_t i = 0;
    std::erase_if(numbers, [&](std::size_t) { return checked[i++].holds; });
    std::erase_if(printed, [](const CheckedClaim& claim) { return claim.holds; });
  }
  write_checked(next_answer(answers, *one.scene, one.variants, one.suite.file), printed, all_hold(checked), numbers);
}

/// Checks one scene after the other and writes the files that cover all of them.
class CheckRun {
 public:
  CheckRun(const CheckCall& call, const Streams& streams) : call_(call), streams_(streams) {}

  void look(const std::string& file) {
    const auto begin = std::chrono::steady_clock::now();
    CheckedScene one = check_scene(call_, file, pairs_, streams_);
    claims_ += one.all;
    pairs_ += one.pairs;
    if (one.all == 0 && call_.scene.files.size() == 1) throw no_claims("the scene has no claims");
    if (call_.format == Format::json) {
      if (!answers_) answers_.emplace(streams_.out, "check");  // not before there is one
      write_json(*answers_, one, call_);
    }
    const std::vector<CheckedClaim>& checked = one.suite.checked;
    if (!call_.sarif.empty() && !all_hold(checked))
      add_failing(results_, checked, one.numbers, file, scene::Places(file));
    one.suite.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    const Interval& widths = one.scene->ladder.width;
    one.headline = one.all == 0      ? "has no claims"
                   : checked.empty() ? "no claim of it is in this part"
                                     : fmt::format("{}, from {} to {} wide{}", verdict_text(checked),
                                                   exact(widths.from), exact(widths.to), text_of(one.variants));
    if (call_.scene.files.size() > 1) one.scene.reset();
    scenes_.push_back(std::move(one));
  }
  /// One of several that is wrong.
  void look_past(const std::string& file, const std::vector<SceneError>& faults) {
    CheckedScene& one = scenes_.emplace_back();
    one.suite.file = one.suite.name = file;
    one.headline = "could not be read";
    for (const SceneError& fault : faults) {
      add_fault(results_, fault, file);
      one.suite.fault += (one.suite.fault.empty() ? "" : "\n") + (fault.file.empty() ? fault.message : fault.text());
    }
    all_read_ = false;
  }

  ExitStatus end() {
    if (claims_ == 0 && all_read_) throw no_claims("none of the scenes has claims");
    if (!call_.junit.empty()) write_target(streams_, call_.junit, junit_text(suites()));
    if (!call_.sarif.empty()) write_target(streams_, call_.sarif, sarif_text(results_));
    if (call_.format == Format::json) {
      if (answers_) answers_->end();
    } else if (scenes_.size() == 1) {
      const CheckedScene& one = scenes_[0];
      print_table(*one.scene, one.variants, shard_text(one.own, one.pairs, call_), one.suite.checked, call_,
                  streams_.out);
    } else {
      print_sum();
    }
    if (!all_read_) return wrong_call;
    return std::ranges::all_of(scenes_, [](const CheckedScene& one) { return all_hold(one.suite.checked); }) ? all_well
                                                                                                             : findings;
  }

 private:
  static WrongCall no_claims(const char* who) {
    return WrongCall(
        fmt::format("check: {}; add \"claims\" to the file, pass one with --claim, or use --suggest to get some", who));
  }
  [[nodiscard]] std::vector<JUnitSuite> suites() const {
    std::vector<JUnitSuite> all;
    for (const CheckedScene& one : scenes_) all.push_back(one.suite);
    for (JUnitSuite& suite : all) {  // scenes with the same title are distinguished by their files
      const auto is_same = [&](const CheckedScene& other) { return other.suite.name == suite.name; };
      if (std::ranges::count_if(scenes_, is_same) > 1) suite.name += " (" + suite.file + ")";
    }
    return all;
  }
  /// What came of all, a line for each scene, and the claims that do not hold.
  void print_sum() const {
    std::ostream& out = streams_.out;
    std::size_t checked = 0, broken = 0, in = 0, unread = 0, own_checks = 0;
    for (const CheckedScene& one : scenes_) {
      own_checks += one.own;
      const auto own = static_cast<std::size_t>(
          std::ranges::count_if(one.suite.checked, [](const CheckedClaim& claim) { return !claim.holds; }));
      checked += one.suite.checked.size();
      broken += own;
      in += own > 0 ? 1 : 0;
      unread += one.suite.fault.empty() ? 0 : 1;
    }
    fmt::print(out, "{} scenes{}: {}{}\n\n", scenes_.size(), shard_text(own_checks, pairs_, call_),
               checked == 0 ? "nothing was checked"
               : broken == 0
                   ? (checked == 1 ? std::string("the claim holds") : fmt::format("all {} claims hold", checked))
                   : fmt::format("{} of {} claim{} {} not hold, in {} of them", broken, checked,
                                 checked == 1 ? "" : "s", broken == 1 ? "does" : "do", in),
               unread == 0 ? "" : fmt::format("; {} could not be read", unread));
    for (const CheckedScene& one : scenes_)
      fmt::print(out, "{}: {}\n", printable(one.suite.file), printable(one.headline));
    for (const CheckedScene& one : scenes_) {
      if (all_hold(one.suite.checked)) continue;
      fmt::print(out, "\n{}\n", printable(one.suite.file));
      for (const CheckedClaim& claim : one.suite.checked) {
        if (!claim.holds) out << report(claim, one.suite.file);
      }
    }
  }

  const CheckCall& call_;
  const Streams& streams_;
  std::optional<JsonAnswers> answers_;
  std::vector<CheckedScene> scenes_;
  std::vector<SarifResult> results_;
  std::size_t claims_ = 0, pairs_ = 0;  // of all scenes
  bool all_read_ = true;
};

ExitStatus check(const CheckCall& call, const Streams& streams) {
  for (const auto& [option, file] : {std::pair("--junit", call.junit), std::pair("--sarif", call.sarif)}) {
    if (file == "-") throw WrongCall(fmt::format("{} -: results already go to standard output; name a file", option));
    if (!file.empty()) add_target(streams, option, file);
  }
  static_cast<void>(parse_shard(call.shard));
  const std::vector<std::string>& files = call.scene.files;
  for (const std::string& file : files) add_source(streams, "the scene", file);
  if (call.suggest) {
    if (!call.junit.empty() || !call.sarif.empty() || !call.shard.empty() || !call.claims.empty() || call.failing)
      throw WrongCall(
          "--suggest searches for claims; --claim, --failing, --junit, --sarif and --shard check them: use one or the "
          "other");
    if (files.size() > 1) throw WrongCall("--suggest takes one scene");
    return suggest_claims(load_variants(call_for(call.scene, files[0]), streams), call, streams);
  }
  if (!call.about.empty()) throw WrongCall("--about selects the nodes for --suggest; add --suggest");
  CheckRun run(call, streams);
  for (const std::string& file : files) {
    if (files.size() == 1) {
      run.look(file);
      continue;
    }
    std::vector<SceneError> faults;
    const auto note = [&](const SceneError& fault) { faults.push_back(fault); };
    if (!reports_error(
            streams.err, file + ": ", [&] { run.look(file); }, note))
      run.look_past(file, faults);
  }
  return run.end();
}

}  // namespace

Command check_command() {
  CommandOf<CheckCall> command("check", "Check claims at every size of the ladder; exit status 1 if one fails");
  CheckCall& call = command.call();
  Options& options = command.options();
  add_scenes(options, call.scene, Forms::all_in_turn);
  options.list("--claim", "CLAIM", call.claims, "Check one more claim, as in \"fits(cards)\"; repeatable");
  options.text("--junit", "FILE", call.junit, "Also write a JUnit XML file: one suite per scene, one case per claim");
  options.text("--sarif", "FILE", call.sarif, "Also write a SARIF 2.1.0 file: one result per failing claim");
  add_values(options, call.scene, "Check each value of a setting in turn, as in beds.width=200,240,300");
  options.text("--width", "all|N|A..B", call.scene.width, "Check these widths; default: all, those of the ladder");
  options.text("--height", "all|N|A..B", call.scene.height,
               "Check one height, or every height of a range; default: both ends of the ladder, and bounds of ranges");
  options.text("--shard", "PART/OF", call.shard, "Check one part of all checks, as in 2/5: the second of five");
  options.flag("--failing", call.failing, "Print only the claims that fail");
  options.flag("--suggest", call.suggest, "List claims that hold now and look intended, ready to paste");
  options.text("--about", "NODE,NODE", call.about,
               "With --suggest: list only claims about these nodes and their descendants");
  add_scrolled(options, call.scrolled);
  options.format(call.format, {Format::table, Format::json});
  return command.does(check);
}

}  // namespace fond_ladder::calls
