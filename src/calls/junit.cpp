// SPDX-License-Identifier: MIT
#include "calls/junit.hpp"

#include <algorithm>
#include <pugixml.hpp>
#include <sstream>

#include "model/printable.hpp"

namespace fond_ladder::calls {
namespace {

/// What broke, in one line.
std::string message_of(const CheckedClaim& one) {
  const std::string all = report(one);
  const std::size_t second = all.find('\n') + 1, end = all.find('\n', second);
  const std::size_t begin = all.find_first_not_of(' ', second);
  return begin == std::string::npos ? all : all.substr(begin, end - begin);
}

}  // namespace

std::string junit_text(const std::vector<CheckedClaim>& checked, const std::string& suite, const std::string& file) {
  const auto broken =
      static_cast<unsigned>(std::ranges::count_if(checked, [](const CheckedClaim& one) { return !one.holds; }));
  const auto count = static_cast<unsigned>(checked.size());
  pugi::xml_document document;
  pugi::xml_node declaration = document.append_child(pugi::node_declaration);
  declaration.append_attribute("version") = "1.0";
  declaration.append_attribute("encoding") = "UTF-8";
  pugi::xml_node all = document.append_child("testsuites");
  pugi::xml_node cases = all.append_child("testsuite");
  for (pugi::xml_node node : {all, cases}) {
    node.append_attribute("name") = sound_utf8(suite).c_str();
    node.append_attribute("tests") = count;
    node.append_attribute("failures") = broken;
    node.append_attribute("errors") = 0;
  }
  for (const CheckedClaim& one : checked) {
    pugi::xml_node test = cases.append_child("testcase");
    test.append_attribute("classname") = sound_utf8(file).c_str();
    test.append_attribute("name") = sound_utf8(one.claim).c_str();
    if (one.holds) continue;
    pugi::xml_node failure = test.append_child("failure");
    failure.append_attribute("message") = sound_utf8(message_of(one)).c_str();
    failure.append_attribute("type") = one.failing.empty() ? "never tested" : "broken";
    failure.append_child(pugi::node_pcdata).set_value(sound_utf8(report(one, file)).c_str());
  }
  std::ostringstream out;
  document.save(out, "  ");
  return out.str();
}

}  // namespace fond_ladder::calls
