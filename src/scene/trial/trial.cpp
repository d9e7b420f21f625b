// SPDX-License-Identifier: MIT
#include "fond_ladder/trial.hpp"

#include "model/shell_word.hpp"

namespace fond_ladder::inline v0 {

Trial Trial::set(const std::string& place, const std::string& value) {
  return {Does::set, place + "=" + value};
}

Trial Trial::move(const std::string& node, const std::string& container, std::size_t place) {
  return {Does::move, node + "=" + container + ":" + std::to_string(place)};
}

Trial Trial::enclose(const std::vector<std::string>& nodes, Kind kind, const std::string& name) {
  std::string what;
  for (const std::string& node : nodes) what += (what.empty() ? "" : ",") + node;
  return {Does::enclose, what + "=" + std::string(word(kind)) + (name.empty() ? "" : ":" + name)};
}

Trial Trial::remove(const std::string& node) {
  return {Does::remove, node};
}

Trial Trial::add(const std::string& container, std::size_t place, const std::string& json) {
  return {Does::add, container + ":" + std::to_string(place) + "=" + json};
}

Trial Trial::dissolve(const std::string& container) {
  return {Does::dissolve, container};
}

Trial Trial::duplicate(const std::string& node, const std::string& name) {
  return {Does::duplicate, node + (name.empty() ? "" : "=" + name)};
}

std::string Trial::text() const {
  return does == Does::set ? what : std::string(word(does)) + " " + what;
}

std::string Trial::option() const {
  return "--" + std::string(word(does)) + " " + shell_word(what);
}

}  // namespace fond_ladder::inline v0
