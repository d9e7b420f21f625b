// SPDX-License-Identifier: MIT
#include "verify/measure/many_nodes.hpp"

#include <algorithm>

#include "model/path_steps.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string_view base_of(std::string_view step) {
  return step.substr(0, step.find('['));
}

/// What two steps have in common: `pot[*]` of two copies, `*` of others.
std::string common_step(std::string_view a, std::string_view b) {
  if (a == b) return std::string(a);
  const std::string_view base = base_of(a);
  return base != a && base == base_of(b) ? std::string(base) + "[*]" : "*";
}

std::string kind_text(const Tree& tree, const std::vector<NodeId>& nodes) {
  const Kind kind = tree.kind(nodes.front());
  const bool same_kind = std::ranges::all_of(nodes, [&](NodeId node) { return tree.kind(node) == kind; });
  if (!same_kind) return "nodes";
  return std::string(word(kind)) + (kind == Kind::box ? "es" : "s");
}

}  // namespace

std::string path_of_copies(const Tree& tree, NodeId node) {
  const std::string whole = tree.path(node);
  std::string path;
  for (const std::string_view step : steps_of(whole)) path.append(path.empty() ? "" : "/").append(base_of(step));
  return path;
}

std::string common_pattern(const std::vector<std::string>& paths) {
  std::vector<std::string> common;
  for (const std::string_view step : steps_of(paths.front())) common.emplace_back(step);
  for (const std::string& path : paths) {
    const auto steps = steps_of(path);
    if (steps.size() != common.size()) return "*";
    for (std::size_t i = 0; i < steps.size(); ++i) {
      const bool has_star = common[i].ends_with("[*]");
      if (common[i] == "*" || (has_star && base_of(common[i]) == base_of(steps[i]) && base_of(steps[i]) != steps[i]))
        continue;
      common[i] = has_star ? "*" : common_step(common[i], steps[i]);
    }
  }
  std::size_t from = common.size() - 1;  // from the step above the first that differs
  for (std::size_t i = 0; i < common.size(); ++i) {
    if (common[i].find('*') == std::string::npos) continue;
    from = i > 0 ? i - 1 : i;
    break;
  }
  std::string pattern;
  for (std::size_t i = from; i < common.size(); ++i) pattern += (pattern.empty() ? "" : "/") + common[i];
  return pattern;
}

std::string common_pattern(const Tree& tree, const std::vector<NodeId>& nodes) {
  if (nodes.size() == 1) return tree.short_path(nodes.front());
  std::vector<std::string> paths;
  for (const NodeId node : nodes) paths.push_back(tree.path(node));
  return common_pattern(paths);
}

std::string listed_names(const Tree& tree, const std::vector<NodeId>& nodes) {
  std::string text;
  for (const NodeId node : nodes) text += (text.empty() ? "" : ", ") + tree.short_path(node);
  return text;
}

std::string names_text(const Tree& tree, const std::vector<NodeId>& nodes) {
  constexpr std::size_t few = 2;
  if (nodes.size() > few)
    return std::to_string(nodes.size()) + " " + kind_text(tree, nodes) + " (" + common_pattern(tree, nodes) + ")";
  return listed_names(tree, nodes);
}

}  // namespace fond_ladder::inline v0
