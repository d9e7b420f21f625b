// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <iostream>

#include "cli/command.hpp"
#include "cli/commands/measure_views.hpp"
#include "cli/output.hpp"
#include "cli/sizes.hpp"
#include "fond_ladder/ledger.hpp"

namespace fond_ladder::cli {
namespace {

std::string json_number(const std::optional<double>& number) {
  return number ? exact(*number) : "null";
}

std::string json_line(const Tree& tree, const LedgerLine& line) {
  std::vector<std::string> entries, rounds;
  for (const LedgerEntry& entry : line.entries) {
    entries.push_back(fmt::format(
        "{{\"node\": {}, \"before\": {}, \"base\": {}, \"base_from\": {}, \"least\": {}, \"most\": {}, \"factor\": {}, "
        "\"percent\": {}, \"round\": {}, \"size\": {}, \"why\": {}}}",
        json_text(tree.path(entry.node)), exact(entry.before), exact(entry.base), json_text(entry.base_from),
        exact(entry.least), json_number(entry.most), exact(entry.factor), exact(entry.percent), entry.round,
        exact(entry.size), json_text(entry.why)));
  }
  for (const LedgerRound& round : line.rounds) {
    std::vector<std::string> settled;
    for (const std::size_t i : round.settled) settled.push_back(json_text(tree.path(line.entries[i].node)));
    rounds.push_back(fmt::format("{{\"free\": {}, \"level\": {}, \"settled\": [{}]}}", exact(round.free),
                                 exact(round.level), fmt::join(settled, ", ")));
  }
  return fmt::format(
      "{{\"inner\": {}, \"gaps\": {}, \"margins\": {}, \"bases\": {}, \"free\": {},\n   \"rounds\": [{}],\n   "
      "\"children\": [\n    {}],\n   \"after\": {}, \"spare\": {}, \"sum\": {}}}",
      exact(line.inner), exact(line.gaps), exact(line.margins), exact(line.bases), exact(line.free),
      fmt::join(rounds, ", "), fmt::join(entries, ",\n    "), exact(line.after), exact(line.spare), exact(line.sum));
}

std::string json_tracks_of(const std::vector<LedgerTracks>& axes) {
  if (axes.empty()) return "null";
  std::vector<std::string> tracks;
  for (const auto& track : axes[0].tracks) {
    tracks.push_back(fmt::format("{{\"size\": {}, \"share\": {}, \"why\": {}}}", exact(track.size), exact(track.share),
                                 json_text(track.why)));
  }
  return fmt::format("{{\"inner\": {}, \"gaps\": {}, \"one_share\": {}, \"tracks\": [{}], \"spare\": {}, \"sum\": {}}}",
                     exact(axes[0].inner), exact(axes[0].gaps), exact(axes[0].one_share), fmt::join(tracks, ", "),
                     exact(axes[0].spare), exact(axes[0].sum));
}

std::string json_places(const Tree& tree, const std::vector<LedgerPlace>& places) {
  std::vector<std::string> all;
  for (const LedgerPlace& place : places) {
    all.push_back(fmt::format("{{\"node\": {}, \"room\": {}, \"size\": {}, \"ahead\": {}, \"why\": {}}}",
                              json_text(tree.path(place.node)), exact(place.room), exact(place.size),
                              exact(place.ahead), json_text(place.why)));
  }
  return fmt::format("[{}]", fmt::join(all, ", "));
}

void print_json(const Scene& scene, const Ledger& account, const std::vector<LedgerStep>& chain,
                const std::string& settings, std::ostream& out) {
  std::vector<std::string> lines, steps, words;
  for (const LedgerLine& line : account.lines) lines.push_back(json_line(scene.tree, line));
  for (const LedgerStep& step : chain) {
    steps.push_back(
        fmt::format("{{\"node\": {}, \"width\": {}, \"why_width\": {}, \"height\": {}, \"why_height\": {}}}",
                    json_text(scene.tree.path(step.node)), exact(step.width), json_text(step.why_width),
                    exact(step.height), json_text(step.why_height)));
  }
  for (const std::string& word : account.content) words.push_back(json_text(word));
  fmt::print(out,
             "{{\"scene\": {}, \"at\": {{\"width\": {}, \"height\": {}}}, \"node\": {}, \"kind\": \"{}\",\n "
             "\"adds_up\": {}, \"lines\": [{}],\n"
             " \"columns\": {}, \"rows\": {},\n \"sideways\": {},\n \"up_and_down\": {},\n \"content\": [{}],\n "
             "\"chain\": [{}],\n \"settings\": {}}}",
             json_text(scene.title), exact(account.container.width), exact(account.container.height),
             json_text(account.path), word(account.kind), account.adds_up(), fmt::join(lines, ",\n  "),
             json_tracks_of(account.columns), json_tracks_of(account.rows), json_places(scene.tree, account.sideways),
             json_places(scene.tree, account.up_and_down), fmt::join(words, ", "), fmt::join(steps, ",\n  "), settings);
}

}  // namespace

void print_ledger(const Scene& scene, const LedgerCall& call, const Streams& streams) {
  if (call.format == Format::csv) throw WrongCall("--format csv: a ledger has a table and json only");
  const NodeId node = scene.tree.at(call.node);
  SceneSolver solver(scene, call.scene.modes);
  std::vector<AskedSize> sizes = asked_sizes(call.at, scene.ladder);
  const bool json = call.format == Format::json, listed = json && sizes.size() > 1;
  bool first = true;
  if (listed) streams.out << "[";
  for (AskedSize& asked : sizes) {
    asked.active = solver.active(asked.rung);
    const Solution solution = solver.solve(asked.rung);
    const Ledger account = fond_ladder::ledger(solution, node);
    const std::vector<LedgerStep> chain = chain_to_root(solution, node);
    if (!first) streams.out << (json ? ",\n" : "\n");
    first = false;
    if (json) {
      print_json(scene, account, chain, json_settings(scene, node, asked.rung, call.scene.modes), streams.out);
      continue;
    }
    std::ostream& out = streams.out;
    fmt::print(out, "{} in {}\na {}, {} x {}\n  width: {}\n  height: {}\n", account.path,
               title_of(scene, solution, asked), word(account.kind), rounded(account.box.width),
               rounded(account.box.height), chain.back().why_width, chain.back().why_height);
    out << account;
    if (call.to_root) out << "\nfrom the container down\n" << chain;
    out << '\n';
    print_said_settings(scene, node, asked.rung, call.scene.modes, out);
  }
  if (json) streams.out << (listed ? "]\n" : "\n");
}

ExitStatus ledger(const LedgerCall& call, const Streams& streams) {
  print_ledger(load_scene(call.scene, streams), call, streams);
  return all_well;
}

}  // namespace fond_ladder::cli
