// SPDX-License-Identifier: MIT
#include <ostream>

#include "fond_ladder/lint.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "verify/ladder/container_sizes.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string subject(const Finding& one) {
  const bool is_many = one.nodes.size() > 1;
  return printable(one.node) + (one.key.empty() ? "" : (is_many ? ": " : ".") + one.key);
}

std::string sizes_text(const Finding& one, const Interval& whole) {
  const std::string high = one.heights.size() == 1 ? ", " + rounded(one.heights[0]) + " high" : "";
  if (one.sizes.size() == 1 && one.sizes[0] == whole) return "at every width" + high;
  return std::string(one.sizes.size() == 1 && one.sizes[0].from == one.sizes[0].to ? "at width " : "at widths ") +
         text_of(one.sizes) + high;
}

/// ` (locale long; mode closed)`
std::string variants_text(const Finding& one) {
  std::string text;
  for (const std::string& variant : one.variants) text += (text.empty() ? " (" : "; ") + printable(variant);
  return text.empty() ? text : text + ")";
}

void print(std::ostream& out, const Finding& one, const Interval& whole) {
  out << subject(one) << (one.nodes.size() > 1 && !one.key.empty() ? " " : ": ") << word(one.rule) << variants_text(one)
      << ", " << sizes_text(one, whole) << "\n  " << printable(one.why) << '\n';
  if (!one.fix.empty()) out << "  fix: " << printable(one.fix) << '\n';
}

}  // namespace

std::ostream& operator<<(std::ostream& out, const Lint& lint) {
  out << printable(lint.title) << ", " << lint.sizes_examined << " sizes from " << rounded(lint.widths.from) << " to "
      << rounded(lint.widths.to) << " wide: ";
  if (lint.findings.empty()) {
    out << "nothing suspicious\n";
  } else {
    out << lint.findings.size() << (lint.findings.size() == 1 ? " finding\n" : " findings\n");
  }
  for (const std::string& line : lint.about) out << printable(line) << '\n';
  if (!lint.not_examined.empty()) out << printable(lint.not_examined) << '\n';
  for (const Finding& one : lint.findings) {
    out << '\n';
    print(out, one, lint.widths);
  }
  if (lint.remarks.empty()) return out;
  out << "\ndormant at some sizes, often on purpose\n";
  for (const Finding& one : lint.remarks)
    out << "  " << subject(one) << variants_text(one) << ", " << sizes_text(one, lint.widths) << ": "
        << printable(one.why) << '\n';
  return out;
}

}  // namespace fond_ladder::inline v0
