// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>
#include <iostream>

#include "cli/command.hpp"
#include "cli/junit.hpp"
#include "cli/output.hpp"
#include "cli/target_file.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/suggest.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {
namespace {

using Failing = CheckedClaim::Failing;

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

/// `all 24 claims hold`.
std::string verdict_text(const std::vector<CheckedClaim>& checked) {
  const auto kept = static_cast<std::size_t>(std::ranges::count_if(checked, &CheckedClaim::holds));
  const std::size_t broken = checked.size() - kept;
  if (checked.size() == 1) return broken == 0 ? "the claim holds" : "the claim does not hold";
  if (broken == 0) return fmt::format("all {} claims hold", kept);
  return fmt::format("{} of {} claims {} not hold", broken, checked.size(), broken == 1 ? "does" : "do");
}

void print_table(const std::vector<Variant>& variants, const std::vector<CheckedClaim>& checked, const CheckCall& call,
                 std::ostream& out) {
  const Scene& scene = variants[0].scene;
  fmt::print(out, "{} from {} to {} wide{}: {}\n\n", printable(scene.name()), exact(scene.ladder.width.from),
             exact(scene.ladder.width.to), printable(scope_text(variants, call)), verdict_text(checked));
  for (const CheckedClaim& one : checked) out << report(one, call.scene.file);
}

std::string json_of(const Failing& stretch) {
  std::vector<std::string> values;
  for (const auto& [name, value] : stretch.values)
    values.push_back(fmt::format("{}: {}", json_text(name), value ? exact(*value) : "null"));
  return fmt::format(
      "{{\"from\": {}, \"to\": {}, \"height\": {}, \"variant\": {}, \"worst\": {{\"width\": {}, \"height\": {}, "
      "\"values\": {{{}}}}}, \"because\": {}}}",
      exact(stretch.from), exact(stretch.to), stretch.height ? exact(*stretch.height) : "null",
      json_text(stretch.variant), exact(stretch.worst.width), exact(stretch.worst.height), fmt::join(values, ", "),
      json_text(stretch.because));
}

void print_json(const std::vector<CheckedClaim>& checked, const std::vector<std::size_t>& numbers, std::ostream& out) {
  std::vector<std::string> claims;
  for (std::size_t i = 0; i < checked.size(); ++i) {
    const CheckedClaim& one = checked[i];
    std::vector<std::string> failing;
    for (const Failing& stretch : one.failing) failing.push_back(json_of(stretch));
    claims.push_back(fmt::format("{{\"claim\": {}, \"number\": {}, \"holds\": {}, \"rungs\": {}, \"failing\": [{}]}}",
                                 json_text(one.claim), numbers[i] + 1, one.holds, one.rungs,
                                 fmt::join(failing, ",\n    ")));
  }
  fmt::print(out, "{{\"claims\": [\n  {}]}}\n", fmt::join(claims, ",\n  "));
}

/// Refuses texts that are no claims, all at once.
void require_claims(const std::vector<Variant>& variants, const std::vector<std::string>& claims) {
  std::vector<std::string> faults;
  for (const std::string& claim : claims) {
    try {
      for (const Variant& variant : variants) static_cast<void>(Claim(variant.scene, claim));
    } catch (const BadClaim& fault) {
      faults.push_back(fmt::format("in the claim \"{}\", column {}: {}", claim, fault.column(), fault.what()));
    }
  }
  if (!faults.empty()) throw WrongCall(faults);
}

ExitStatus suggest_claims(const std::vector<Variant>& variants, const CheckCall& call, const Streams& streams) {
  const std::vector<std::string> claims = suggest(variants);
  std::vector<std::string> quoted;
  for (const std::string& claim : claims) quoted.push_back(json_text(claim));
  if (call.format == Format::json) {
    fmt::print(streams.out, "{{\"suggested\": [\n  {}]}}\n", fmt::join(quoted, ",\n  "));
  } else if (claims.empty()) {
    fmt::print(streams.out, "nothing to suggest: whatever looks meant and holds is claimed already\n");
  } else {
    const Scene& scene = variants[0].scene;
    fmt::print(streams.out,
               "// {} {} that {} from {} to {} wide{}; keep those that are meant\n\"claims\": [\n  {}\n]\n",
               claims.size(), claims.size() == 1 ? "claim" : "claims", claims.size() == 1 ? "holds" : "hold",
               exact(scene.ladder.width.from), exact(scene.ladder.width.to), scope_text(variants, call),
               fmt::join(quoted, ",\n  "));
  }
  return all_well;
}

}  // namespace

void print_check(const Scene& scene, const CheckCall& call, std::ostream& out) {
  print_table({{"", scene}}, fond_ladder::check(scene, scene.claims), call, out);
}

ExitStatus check(const CheckCall& call, const Streams& streams) {
  if (call.format == Format::csv) throw WrongCall("--format csv: a check has a table and json only");
  if (call.junit == "-") throw WrongCall("--junit -: standard output has the results; name a file");
  const Shard shard = parse_shard(call.shard);
  const std::vector<Variant> variants = load_variants(call.scene, streams);
  if (call.suggest) {
    if (!call.junit.empty() || !call.shard.empty() || !call.claims.empty())
      throw WrongCall("--suggest looks for claims; --claim, --junit and --shard are for checking them");
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
  const std::vector<CheckedClaim> checked = fond_ladder::check(variants, claims);
  const std::string suite = variants[0].scene.name() + (call.shard.empty() ? "" : " " + call.shard);
  if (!call.junit.empty()) write_target(call.junit, junit_text(checked, suite, call.scene.file));
  call.format == Format::json ? print_json(checked, numbers, streams.out)
                              : print_table(variants, checked, call, streams.out);
  return std::ranges::all_of(checked, &CheckedClaim::holds) ? all_well : findings;
}

}  // namespace fond_ladder::cli
