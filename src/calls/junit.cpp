// SPDX-License-Identifier: MIT
#include "calls/junit.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <pugixml.hpp>
#include <sstream>

#include "calls/claims_asked.hpp"
#include "model/printable.hpp"

namespace fond_ladder::calls {
namespace {

/// Line by line what can be seen: a reader of such files shows it as it is.
std::string seen_lines(const std::string& text) {
  std::istringstream lines(text);
  std::string seen;
  for (std::string line; std::getline(lines, line);) seen += (seen.empty() ? "" : "\n") + printable(line);
  return seen;
}

void add_case(pugi::xml_node& cases, const CheckedClaim& one, const std::string& file) {
  pugi::xml_node test = cases.append_child("testcase");
  test.append_attribute("classname") = seen_lines(file).c_str();
  test.append_attribute("name") = seen_lines(one.claim).c_str();
  if (one.holds) return;
  pugi::xml_node failure = test.append_child("failure");
  failure.append_attribute("message") = seen_lines(why_it_fails(one)).c_str();
  failure.append_attribute("type") = one.failing.empty() ? "untested" : "fails";
  failure.append_child(pugi::node_pcdata).set_value(seen_lines(report(one, file)).c_str());
}

/// A scene that could not be read is a case of its own.
void add_error(pugi::xml_node& cases, const JUnitSuite& suite) {
  pugi::xml_node test = cases.append_child("testcase");
  test.append_attribute("classname") = seen_lines(suite.file).c_str();
  test.append_attribute("name") = "the scene";
  test.append_child("error").append_attribute("message") = seen_lines(suite.fault).c_str();
}

struct Counts {
  std::size_t tests = 0, failures = 0, errors = 0;
};

Counts counts_of(const JUnitSuite& suite) {
  const bool is_error = !suite.fault.empty();
  const auto broken = std::ranges::count_if(suite.checked, [](const CheckedClaim& one) { return !one.holds; });
  return {suite.checked.size() + (is_error ? 1 : 0), static_cast<std::size_t>(broken), is_error ? std::size_t{1} : 0};
}

void write_counts(pugi::xml_node& node, const std::string& name, const Counts& counts, double seconds) {
  node.append_attribute("name") = seen_lines(name).c_str();
  node.append_attribute("tests") = static_cast<unsigned>(counts.tests);
  node.append_attribute("failures") = static_cast<unsigned>(counts.failures);
  node.append_attribute("errors") = static_cast<unsigned>(counts.errors);
  node.append_attribute("time") = fmt::format("{:.3f}", seconds).c_str();
}

}  // namespace

std::string junit_text(const std::vector<JUnitSuite>& suites) {
  pugi::xml_document document;
  pugi::xml_node declaration = document.append_child(pugi::node_declaration);
  declaration.append_attribute("version") = "1.0";
  declaration.append_attribute("encoding") = "UTF-8";
  Counts sum;
  double seconds = 0;
  for (const JUnitSuite& suite : suites) {
    const Counts own = counts_of(suite);
    sum = {sum.tests + own.tests, sum.failures + own.failures, sum.errors + own.errors};
    seconds += suite.seconds;
  }
  pugi::xml_node all = document.append_child("testsuites");
  write_counts(all, suites.size() == 1 ? suites.front().name : "Fond Ladder", sum, seconds);
  for (const JUnitSuite& suite : suites) {
    pugi::xml_node cases = all.append_child("testsuite");
    write_counts(cases, suite.name, counts_of(suite), suite.seconds);
    for (const CheckedClaim& one : suite.checked) add_case(cases, one, suite.file);
    if (!suite.fault.empty()) add_error(cases, suite);
  }
  std::ostringstream out;
  document.save(out, "  ");
  return out.str();
}

}  // namespace fond_ladder::calls
