// SPDX-License-Identifier: MIT
#include "print/issues.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <array>
#include <optional>

#include "model/number_text.hpp"
#include "print/sides.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Issues that one sentence covers: the worst of them, and all nodes.
struct Alike {
  Issue worst;
  std::vector<NodeId> nodes;
  std::vector<NodeId> of;
  std::vector<std::size_t> issues;  // all of them, by their places
};

void take_larger(FourSides& into, const FourSides& other) {
  into = {std::max(into.top, other.top), std::max(into.right, other.right), std::max(into.bottom, other.bottom),
          std::max(into.left, other.left)};
}

double badness(const Issue& issue) {
  return issue.kind == Issue::Kind::squeezed ? issue.given - issue.got : issue.by.most();
}

/// Copies of one node and siblings of one kind, in the same trouble with the same other.
std::vector<Alike> gathered(const Tree& tree, const std::vector<Issue>& issues) {
  using Place = std::tuple<Issue::Kind, Axis, std::string, std::string, bool, bool>;
  std::map<Place, std::size_t> places;
  std::vector<Alike> all;
  for (std::size_t i = 0; i < issues.size(); ++i) {
    const Issue& one = issues[i];
    if (one.kind == Issue::Kind::invisible) continue;
    const NodeId parent = tree.parent(one.node);
    const bool words = one.of == one.node;
    const std::string of = one.of && !words ? path_of_copies(tree, one.of) : "";
    const std::string around =
        parent ? path_of_copies(tree, parent) + " " + std::string(word(tree.kind(one.node))) : "";
    const auto [at, is_new] =
        places.try_emplace(Place{one.kind, one.axis, around, of, words, one.lost_lines > 0}, all.size());
    if (is_new) all.push_back({one, {}, {}, {}});
    Alike& group = all[at->second];
    const FourSides sides = group.worst.by;
    const std::size_t lost = group.worst.lost_lines;
    if (badness(one) > badness(group.worst)) group.worst = one;
    take_larger(group.worst.by, sides);
    group.worst.lost_lines = is_new ? one.lost_lines : lost + one.lost_lines;
    group.nodes.push_back(one.node);
    group.issues.push_back(i);
    if (std::ranges::find(group.of, one.of) == group.of.end()) group.of.push_back(one.of);
  }
  return all;
}

std::string counted(std::size_t count, const char* one, const char* many) {
  return std::to_string(count) + " " + (count == 1 ? one : many);
}

/// What happens to whom, and how much, for all kinds but the invisible.
std::string sentence(const Tree& tree, const Alike& group) {
  const Issue& worst = group.worst;
  const bool many = group.nodes.size() > 1, words = worst.of == worst.node;
  const std::string who = (words ? "the words of " : "") + names_text(tree, group.nodes);
  const std::string up_to = many ? "up to " : "";
  if (worst.kind == Issue::Kind::squeezed) {
    return fmt::format("squeezed: {} from {} to {} {}", who, rounded(worst.given), rounded(worst.got),
                       worst.axis == x_axis ? "wide" : "high") +
           (many ? " at worst" : "");
  }
  const std::string by = (many ? "by up to " : "by ") + sides_text(worst.by);
  const std::string of = words ? "" : names_text(tree, group.of);
  if (worst.kind == Issue::Kind::overlaps_padding)
    return fmt::format("overlaps padding: {} {}{}", who, by, words ? "" : " of " + of);
  if (worst.lost_lines > 0) {
    return fmt::format("overhangs: {} of {} left out by max_lines", counted(worst.lost_lines, "line", "lines"),
                       names_text(tree, group.nodes));
  }
  return fmt::format("overhangs: {} {}{}", who, by, words ? "" : " of " + of);
}

/// The width from which all issues of a sentence are gone.
std::vector<std::optional<double>> resolved_from_of(const SolvedScene& measured, const std::vector<std::string>& modes,
                                                    const std::vector<Alike>& all, const std::vector<Issue>& issues) {
  constexpr std::size_t most_nodes = 20'000, most_asked = 200;
  std::vector<std::optional<double>> gone(all.size());
  std::vector<Issue> asked;
  for (const Alike& group : all) {
    for (const std::size_t place : group.issues) asked.push_back(issues[place]);
  }
  if (measured.tree().size() > most_nodes || asked.size() > most_asked) return gone;
  const auto widths = resolved_from(measured.scene, modes, measured.asked.container_size, asked);
  auto one = widths.begin();
  for (std::size_t i = 0; i < all.size(); ++i) {
    const auto begin = one, end = one + static_cast<std::ptrdiff_t>(all[i].issues.size());
    one = end;
    if (std::all_of(begin, end, [](const auto& width) { return width.has_value(); }))
      gone[i] = *std::max_element(begin, end);
  }
  return gone;
}

/// `c, d, 8 of pots/pot[*]`: those that are copies of one node, or siblings, together where they are many.
std::string invisible_names(const Tree& tree, const std::vector<NodeId>& nodes) {
  std::map<std::string, std::vector<NodeId>> by_place;
  std::vector<std::string> places;
  for (const NodeId node : nodes) {
    const std::string around = path_of_copies(tree, tree.parent(node));
    if (by_place[around].empty()) places.push_back(around);
    by_place[around].push_back(node);
  }
  std::string text;
  for (const std::string& place : places) {
    const std::vector<NodeId>& here = by_place[place];
    constexpr std::size_t few = 3;
    text += (text.empty() ? "" : ", ") + (here.size() <= few
                                              ? listed_names(tree, here)
                                              : fmt::format("{} of {}", here.size(), common_pattern(tree, here)));
  }
  return text;
}

/// `c, d (beyond w), ash (0 x 0)`
std::string invisible_text(const SolvedScene& measured, const std::vector<Issue>& issues) {
  const Tree& tree = measured.tree();
  std::vector<std::pair<std::string, std::vector<NodeId>>> by_reason;
  for (const Issue& one : issues) {
    if (one.kind != Issue::Kind::invisible) continue;
    const Rect box = measured.solution.relative_box(one.node);
    const std::string why = one.why == Invisible::Why::outside  ? "beyond " + tree.short_path(one.of)
                            : one.why == Invisible::Why::behind ? "behind " + tree.short_path(one.of)
                                                                : rounded(box.width) + " x " + rounded(box.height);
    auto at = std::ranges::find(by_reason, why, &std::pair<std::string, std::vector<NodeId>>::first);
    if (at == by_reason.end()) at = by_reason.insert(at, {why, {}});
    at->second.push_back(one.node);
  }
  std::string text;
  std::size_t left = 0;  // that would make a long line
  for (const auto& [why, nodes] : by_reason) {
    const std::string more = (text.empty() ? "" : ", ") + invisible_names(tree, nodes) + " (" + why + ")";
    constexpr std::size_t long_line = 75;
    const bool fits = left == 0 && (text.empty() || text.size() + more.size() <= long_line);
    if (fits) {
      text += more;
    } else {
      left += nodes.size();
    }
  }
  return left == 0 ? text : fmt::format("{} and {} more", text, left);
}

}  // namespace

std::string sides_text(const FourSides& sides) {
  std::string text;
  const auto amounts = by_side(sides);
  for (std::size_t i = 0; i < amounts.size(); ++i) {
    if (amounts[i] > 0)
      text += fmt::format("{}{} at the {}", text.empty() ? "" : ", ", rounded(amounts[i]), side_names[i]);
  }
  return text;
}

std::string verdict(const std::vector<Issue>& issues) {
  struct TextLine {
    const char *one, *many;
  };
  constexpr std::array<TextLine, 4> words{{{"overhangs", "overhang"},
                                           {"overlaps padding", "overlap padding"},
                                           {"is squeezed", "are squeezed"},
                                           {"is invisible", "are invisible"}}};
  std::string text;
  for (std::size_t kind = 0; kind < words.size(); ++kind) {
    std::vector<NodeId> nodes;
    for (const Issue& one : issues) {
      const bool is_it = static_cast<std::size_t>(one.kind) == kind;
      if (is_it && (nodes.empty() || nodes.back() != one.node)) nodes.push_back(one.node);
    }
    if (nodes.empty()) continue;
    const std::string noun = text.empty() ? (nodes.size() == 1 ? " node" : " nodes") : "";
    text += fmt::format("{}{}{} {}", text.empty() ? "" : ", ", nodes.size(), noun,
                        nodes.size() == 1 ? words[kind].one : words[kind].many);
  }
  return text.empty() ? "nothing overhangs, is squeezed or is invisible" : text;
}

void print_issues(const SolvedScene& measured, const std::vector<Issue>& issues, std::ostream& out) {
  std::vector<Alike> all = gathered(measured.tree(), issues);
  std::vector<std::string> modes;
  for (const std::string& active : measured.asked.active) {
    if (std::ranges::find(measured.scene.modes, active) != measured.scene.modes.end()) modes.push_back(active);
  }
  constexpr std::size_t most_listed = 12;
  std::size_t left = 0;
  for (std::size_t i = most_listed; i < all.size(); ++i) left += all[i].nodes.size();
  all.resize(std::min(all.size(), most_listed));
  const auto gone = resolved_from_of(measured, modes, all, issues);
  for (std::size_t i = 0; i < all.size(); ++i) {
    std::string line = "  " + sentence(measured.tree(), all[i]);
    if (gone[i]) line += fmt::format(", below {} wide", rounded(*gone[i]));
    fmt::print(out, "{}\n", line);
  }
  if (left > 0) fmt::print(out, "  and {} more\n", left);
  const std::string invisible = invisible_text(measured, issues);
  if (!invisible.empty()) fmt::print(out, "  invisible: {}\n", invisible);
}

void write_issues(JsonWriter& json, const Tree& tree, const std::vector<Issue>& of_node) {
  const bool is_squeezed = std::ranges::find(of_node, Issue::Kind::squeezed, &Issue::kind) != of_node.end();
  if (is_squeezed) {
    json.begin_object("squeezed");
    for (const Issue& one : of_node) {
      if (one.kind != Issue::Kind::squeezed) continue;
      json.begin_object(side_word(one.axis));
      json.number("given", one.given);
      json.number("got", one.got);
      json.end();
    }
    json.end();
  }
  for (const Issue& one : of_node) {
    if (one.kind != Issue::Kind::invisible) continue;
    json.begin_object("invisible");
    json.text("why", one.why == Invisible::Why::outside  ? "outside"
                     : one.why == Invisible::Why::behind ? "behind"
                                                         : "no size");
    if (one.of) json.text("of", tree.path(one.of));
    json.end();
  }
}

}  // namespace fond_ladder::inline v0
