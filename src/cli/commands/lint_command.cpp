// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <iostream>

#include "cli/command.hpp"
#include "cli/output.hpp"
#include "fond_ladder/lint.hpp"

namespace fond_ladder::cli {
namespace {

std::string json_of(const Finding& one) {
  std::vector<std::string> variants;
  for (const std::string& variant : one.variants) variants.push_back(json_text(variant));
  return fmt::format(
      "{{\"node\": {}, \"key\": {}, \"finding\": \"{}\", \"why\": {}, \"cure\": {}, \"from\": {}, \"to\": {}, "
      "\"widths\": {}, \"variants\": {}}}",
      json_text(one.path.empty() ? one.node : one.path), json_text(one.key), word(one.oddity), json_text(one.why),
      json_text(one.cure), exact(one.sizes.front().from), exact(one.sizes.back().to), json_spans(one.sizes),
      fmt::format("[{}]", fmt::join(variants, ", ")));
}

void print_json(const Lint& told, std::ostream& out) {
  std::vector<std::string> findings, remarks;
  for (const Finding& one : told.findings) findings.push_back(json_of(one));
  for (const Finding& one : told.remarks) remarks.push_back(json_of(one));
  fmt::print(out, "{{\"findings\": [\n  {}],\n \"asleep\": [\n  {}]}}\n", fmt::join(findings, ",\n  "),
             fmt::join(remarks, ",\n  "));
}

}  // namespace

ExitStatus lint(const LintCall& call, const Streams& streams) {
  if (call.format == Format::csv) throw WrongCall("--format csv: lint has a table and json only");
  const Lint told = fond_ladder::lint(load_variants(call.scene, streams, Hints::none));
  if (call.format == Format::json) {
    print_json(told, streams.out);
  } else {
    streams.out << told;
  }
  return call.strict && !told.findings.empty() ? findings : all_well;
}

}  // namespace fond_ladder::cli
