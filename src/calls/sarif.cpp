// SPDX-License-Identifier: MIT
#include "calls/sarif.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <sstream>

#include "calls/claims_asked.hpp"
#include "fond_ladder/version.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::calls {
namespace {

/// A path as a reference of RFC 3986: all but what such a reference has in it is written as %XX.
std::string as_uri(const std::string& path) {
  constexpr std::string_view kept = "-._~/";
  std::string uri;
  for (const char c : path) {
    const bool plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
    uri += plain || kept.find(c) != std::string_view::npos ? std::string(1, c)
                                                           : fmt::format("%{:02X}", static_cast<unsigned char>(c));
  }
  return uri.starts_with("//") ? "/." + uri : uri;  // else a host
}

void write_result(JsonWriter& json, const SarifResult& one) {
  json.text("ruleId", one.rule);
  json.text("level", one.is_error ? "error" : "warning");
  json.begin_object("message");
  json.text("text", one.message);
  json.end();
  if (one.file.empty()) return;
  json.begin_list("locations");
  json.begin_object();
  json.begin_object("physicalLocation");
  json.begin_object("artifactLocation");
  json.text("uri", as_uri(one.file));
  json.end();
  if (one.at) {
    json.begin_object("region");
    json.number("startLine", one.at->line);
    json.number("startColumn", one.at->column);
    json.end();
  }
  json.end();
  json.end();
  json.end();
}

}  // namespace

void add_failing(std::vector<SarifResult>& results, const std::vector<CheckedClaim>& checked,
                 const std::vector<std::size_t>& numbers, const std::string& file, const scene::Places& places) {
  for (std::size_t i = 0; i < checked.size(); ++i) {
    if (checked[i].holds) continue;
    const std::string rule = checked[i].failing.empty() ? "claim-untested" : "claim-fails";
    results.push_back({rule, checked[i].claim + ": " + why_it_fails(checked[i]), file == "-" ? "" : file,
                       places.of_claim(numbers[i])});
  }
}

void add_fault(std::vector<SarifResult>& results, const SceneError& fault, const std::string& file) {
  std::optional<scene::Position> at;
  if (fault.line > 0) at = {static_cast<std::size_t>(fault.line), static_cast<std::size_t>(fault.column)};
  const bool is_input = file == "-" && fault.file == "standard input";  // a file that it uses is one
  results.push_back({"scene-error", fault.message, is_input ? "" : fault.file, at});
}

void add_findings(std::vector<SarifResult>& results, const Lint& lint, const std::string& file,
                  const scene::Places& places) {
  for (const Finding& one : lint.findings) {
    std::string rule(word(one.rule));
    std::ranges::replace(rule, ' ', '-');
    const std::string subject = one.node + (one.key.empty() ? "" : "." + one.key);
    results.push_back({rule, subject + ": " + one.why + (one.fix.empty() ? "" : ". Fix: " + one.fix),
                       file == "-" ? "" : file, places.of_node(one.path, one.key, one.node), false});
  }
}

std::string sarif_text(const std::vector<SarifResult>& results) {
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.text("$schema", "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json");
  json.text("version", "2.1.0");
  json.begin_list("runs");
  json.begin_object();
  json.begin_object("tool");
  json.begin_object("driver");
  json.text("name", "Fond Ladder");
  json.text("version", FOND_LADDER_VERSION);
  std::set<std::string> rules;
  for (const SarifResult& one : results) rules.insert(one.rule);
  json.objects("rules", rules, [&](const std::string& rule) { json.text("id", rule); });
  json.end();
  json.end();
  json.text("columnKind", "unicodeCodePoints");
  json.objects("results", results, [&](const SarifResult& one) { write_result(json, one); });
  json.end();
  json.end();
  json.end();
  return out.str();
}

}  // namespace fond_ladder::calls
