// SPDX-License-Identifier: MIT
#include "fond_ladder/edit.hpp"

#include "model/shell_word.hpp"

namespace fond_ladder::inline v0 {

Edit Edit::set(const std::string& place, const std::string& value) {
  return {Does::set, place + "=" + value};
}

Edit Edit::move(const std::string& node, const std::string& container, std::size_t place) {
  return {Does::move, node + "=" + container + ":" + std::to_string(place)};
}

Edit Edit::group(const std::vector<std::string>& nodes, Kind kind, const std::string& name) {
  std::string what;
  for (const std::string& node : nodes) what += (what.empty() ? "" : ",") + node;
  return {Does::group, what + "=" + std::string(word(kind)) + (name.empty() ? "" : ":" + name)};
}

Edit Edit::remove(const std::string& node) {
  return {Does::remove, node};
}

Edit Edit::insert(const std::string& container, std::size_t place, const std::string& json) {
  return {Does::insert, container + ":" + std::to_string(place) + "=" + json};
}

Edit Edit::ungroup(const std::string& container) {
  return {Does::ungroup, container};
}

Edit Edit::duplicate(const std::string& node, const std::string& name) {
  return {Does::duplicate, node + (name.empty() ? "" : "=" + name)};
}

std::string Edit::text() const {
  return does == Does::set ? what : std::string(word(does)) + " " + what;
}

std::string Edit::option() const {
  return "--" + std::string(word(does)) + " " + shell_word(what);
}

}  // namespace fond_ladder::inline v0
