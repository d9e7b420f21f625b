// SPDX-License-Identifier: MIT
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_findings(JsonWriter& json, std::string_view key, const std::vector<Finding>& findings) {
  json.objects(key, findings, [&](const auto& one) {
    json.text("node", one.path.empty() ? one.node : one.path);
    if (!one.nodes.empty()) json.texts("nodes", one.nodes);
    json.text("key", one.key);
    json.text("rule", word(one.rule));
    json.text("why", one.why);
    json.text("fix", one.fix);
    write_spans(json, "widths", one.sizes);
    json.begin_list("heights");
    for (const double height : one.heights) json.number({}, height);
    json.end();
    json.texts("variants", one.variants);
  });
}

}  // namespace

void write_lint(JsonWriter& json, const Lint& lint) {
  json.number("sizes_examined", lint.sizes_examined);
  if (!lint.not_examined.empty()) json.text("not_examined", lint.not_examined);
  write_findings(json, "findings", lint.findings);
  write_findings(json, "dormant", lint.remarks);
}

}  // namespace fond_ladder::inline v0
