// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <iostream>

#include "cli/command.hpp"
#include "cli/output.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/ledger.hpp"

namespace fond_ladder::cli {
namespace {

using Failing = CheckedClaim::Failing;

std::string values_text(const Failing& failing) {
  std::vector<std::string> all;
  for (const auto& [name, value] : failing.values) all.push_back(name + " " + (value ? rounded(*value) : "hidden"));
  return fmt::format("{}", fmt::join(all, ", "));
}

std::string at_text(const Extent& size) {
  return exact(size.width) + "x" + exact(size.height);
}

/// The node of the first value that has a place at the worst size, and why it is so large.
std::optional<std::pair<std::string, std::string>> account_of(const Scene& scene, const Failing& failing,
                                                              const std::vector<std::string>& modes) {
  const Arrangement arrangement = solve(scene, {failing.worst.width, failing.worst.height}, modes);
  for (const auto& [name, value] : failing.values) {
    const std::string node = name.substr(0, name.rfind('.'));
    if (!value || node == "container") continue;
    const LedgerStep step = chain_to_root(arrangement, scene.tree.at(node)).back();
    return std::pair(node, fmt::format("{} is {} wide ({}) and {} high ({})", node, rounded(step.width), step.why_width,
                                       rounded(step.height), step.why_height));
  }
  return {};
}

void print_failing(const Scene& scene, const Failing& failing, const CheckCall& call, std::ostream& out) {
  const std::string sizes = failing.from == failing.to
                                ? fmt::format("at {} wide", rounded(failing.from))
                                : fmt::format("from {} to {} wide", rounded(failing.from), rounded(failing.to));
  fmt::print(out, "          {}, {} high", sizes, failing.height ? rounded(*failing.height) : "as content makes it");
  const std::string values = values_text(failing);
  fmt::print(out, "; worst at {} x {}{}{}\n", rounded(failing.worst.width), rounded(failing.worst.height),
             values.empty() ? "" : ": ", values);
  const auto account = account_of(scene, failing, call.scene.modes);
  if (account) {
    fmt::print(out, "          {}\n          look: fond-ladder ledger {} {} --at {}\n", account->second,
               call.scene.file, account->first, at_text(failing.worst));
  } else {
    fmt::print(out, "          look: fond-ladder measure {} --at {}\n", call.scene.file, at_text(failing.worst));
  }
}

void print_table(const Scene& scene, const std::vector<CheckedClaim>& checked, const CheckCall& call,
                 std::ostream& out) {
  const auto kept = static_cast<std::size_t>(std::ranges::count_if(checked, &CheckedClaim::holds));
  const std::string title = scene.title.empty() ? scene.tree.step(scene.tree.root()) : scene.title;
  fmt::print(out, "{} from {} to {} wide: {}\n\n", title, exact(scene.ladder.width.from), exact(scene.ladder.width.to),
             kept == checked.size()
                 ? fmt::format("all {} claims hold", checked.size())
                 : fmt::format("{} of {} claims do not hold", checked.size() - kept, checked.size()));
  for (const CheckedClaim& one : checked) {
    fmt::print(out, "{}  {}\n", one.holds ? "kept  " : one.rungs == 0 ? "never " : "broken", one.claim);
    if (one.rungs == 0)
      out << "          never tested: its condition holds at no size of the ladder, or all its nodes are hidden\n";
    constexpr std::size_t most = 5;
    for (std::size_t i = 0; i < std::min(most, one.failing.size()); ++i)
      print_failing(scene, one.failing[i], call, out);
    if (one.failing.size() > most) fmt::print(out, "          and in {} more stretches\n", one.failing.size() - most);
  }
}

void print_json(const std::vector<CheckedClaim>& checked, std::ostream& out) {
  std::vector<std::string> claims;
  for (const CheckedClaim& one : checked) {
    std::vector<std::string> failing;
    for (const Failing& stretch : one.failing) {
      std::vector<std::string> values;
      for (const auto& [name, value] : stretch.values) {
        values.push_back(fmt::format("{}: {}", json_text(name), value ? exact(*value) : "null"));
      }
      failing.push_back(
          fmt::format("{{\"from\": {}, \"to\": {}, \"height\": {}, \"worst\": {{\"width\": {}, \"height\": {}, "
                      "\"values\": {{{}}}}}}}",
                      exact(stretch.from), exact(stretch.to), stretch.height ? exact(*stretch.height) : "null",
                      exact(stretch.worst.width), exact(stretch.worst.height), fmt::join(values, ", ")));
    }
    claims.push_back(fmt::format("{{\"claim\": {}, \"holds\": {}, \"rungs\": {}, \"failing\": [{}]}}",
                                 json_text(one.claim), one.holds, one.rungs, fmt::join(failing, ", ")));
  }
  fmt::print(out, "{{\"claims\": [\n  {}]}}\n", fmt::join(claims, ",\n  "));
}

}  // namespace

ExitStatus check(const CheckCall& call, const Streams& streams) {
  if (call.format == Format::csv) throw WrongCall("--format csv: a check has a table and json only");
  const Scene scene = load_scene(call.scene, streams);
  std::vector<std::string> claims = scene.claims;
  claims.insert(claims.end(), call.claims.begin(), call.claims.end());
  if (claims.empty())
    throw WrongCall("check: the scene has no claims; write \"claims\" into it, or give one by --claim");
  std::vector<CheckedClaim> checked;
  try {
    checked = fond_ladder::check(scene, claims, call.scene.modes);
  } catch (const BadClaim& fault) {
    throw WrongCall(fmt::format("in a claim, column {}: {}", fault.column(), fault.what()));
  }
  call.format == Format::json ? print_json(checked, streams.out) : print_table(scene, checked, call, streams.out);
  return std::ranges::all_of(checked, &CheckedClaim::holds) ? all_well : findings;
}

}  // namespace fond_ladder::cli
