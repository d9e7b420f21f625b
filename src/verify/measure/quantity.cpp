// SPDX-License-Identifier: MIT
#include "fond_ladder/quantity.hpp"

#include <algorithm>
#include <array>

#include "model/nearest_word.hpp"
#include "solve/answers/scrolled_view.hpp"
#include "solve/passes/finished.hpp"
#include "verify/measure/lists.hpp"
#include "verify/measure/measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// In the order of Measure; its last ones have no words.
constexpr auto measure_words = std::to_array<std::string_view>(
    {"width",        "height",          "left",       "right",         "top",
     "bottom",       "middle_x",        "middle_y",   "content_width", "content_height",
     "baseline",     "lines",           "line",       "columns",       "rows",
     "per_line",     "unused_space",    "overhang",   "overhang_left", "overhang_right",
     "overhang_top", "overhang_bottom", "overflow_x", "overflow_y",    "padding_overlap",
     "reachable",    "in_view"});
static_assert(measure_words.size() == static_cast<std::size_t>(Measure::node_range));

/// What is in the brackets of `count(cards/*)`.
std::optional<std::string_view> counted_in(std::string_view text) {
  constexpr std::string_view begin = "count(";
  if (!text.starts_with(begin) || !text.ends_with(')')) return {};
  return text.substr(begin.size(), text.size() - begin.size() - 1);
}

bool step_matches(std::string_view pattern, std::string_view step) {
  if (!pattern.ends_with("[*]")) return pattern == step;
  const std::string_view base = pattern.substr(0, pattern.size() - 2);  // `tag[`
  return step.starts_with(base) && step.ends_with(']');
}

/// Whether the last steps of a node's path match those of a pattern, from the last one up.
bool path_matches(const Tree& tree, NodeId node, std::string_view pattern) {
  for (NodeId at = node;; at = tree.parent(at)) {
    if (!at) return false;
    const std::size_t slash = pattern.rfind('/');
    const std::string_view last = slash == std::string_view::npos ? pattern : pattern.substr(slash + 1);
    if (last != "*" && !step_matches(last, tree.segment(at))) return false;
    if (slash == std::string_view::npos) return true;
    pattern = pattern.substr(0, slash);
  }
}

}  // namespace

bool Quantity::moves_with_scrolling() const {
  switch (measure) {
    case Measure::left:
    case Measure::right:
    case Measure::top:
    case Measure::bottom:
    case Measure::middle_x:
    case Measure::middle_y:
    case Measure::baseline:
    case Measure::in_view: return true;
    default: return false;
  }
}

std::vector<NodeId> nodes_named(const Tree& tree, std::string_view pattern) {
  std::vector<NodeId> all;
  if (pattern.find('*') == std::string_view::npos) {
    try {
      return {tree.at(pattern)};
    } catch (const BadPath& fault) {
      if (const std::optional<std::string> first = with_first_entries(tree, pattern)) {
        throw BadQuantity("\"" + std::string(pattern) +
                          "\" is an entry of a virtualized list and exists only in view; name the first entry, as in " +
                          *first);
      }
      throw BadQuantity(fault.what());
    }
  }
  for (const NodeId node : tree.nodes()) {
    if (path_matches(tree, node, pattern)) all.push_back(node);
  }
  if (all.empty()) throw BadQuantity("\"" + std::string(pattern) + "\" matches no node");
  return all;
}

namespace {

/// The names of node ranges that nodes of a pattern have; the others of them are in none.
std::vector<std::string> node_ranges_of(const Tree& tree, std::string_view pattern) {
  std::vector<std::string> names;
  if (!tree.store().forms().has_node_ranges()) return names;
  try {
    for (const NodeId node : nodes_named(tree, pattern)) {
      const std::vector<Range>* own = tree.store().node_ranges_of(node);
      for (std::size_t i = 0; own != nullptr && i < own->size(); ++i) {
        if (std::ranges::find(names, (*own)[i].name) == names.end()) names.push_back((*own)[i].name);
      }
    }
  } catch (const BadQuantity&) {  // reported when the nodes are read
  }
  return names;
}

/// The measure behind the last dot of a text, and what is before it.
std::pair<std::string_view, Measure> split(const Tree& tree, std::string_view text) {
  const std::size_t dot = text.rfind('.');
  if (dot == std::string_view::npos || dot == 0) {
    throw BadQuantity("\"" + std::string(text) + "\" is not a quantity; write a node and a measure, as in " +
                      tree.segment(tree.root()) + ".width");
  }
  const std::string_view word = text.substr(dot + 1);
  if (word.empty()) throw BadQuantity("a measure is missing after \"" + std::string(text) + "\"");
  const auto found = std::ranges::find(measure_words, word);
  if (found == measure_words.end()) {
    const std::vector<std::string> own = node_ranges_of(tree, text.substr(0, dot));
    if (std::ranges::find(own, word) != own.end()) return {text.substr(0, dot), Measure::node_range};
    if (word == "x" || word == "y") return {text.substr(0, dot), word == "x" ? Measure::left : Measure::top};
    std::vector<std::string_view> words(measure_words.begin(), measure_words.end());
    words.insert(words.end(), own.begin(), own.end());
    throw BadQuantity("\"" + std::string(word) + "\" is not a measure" + (own.empty() ? "" : " or node range") +
                      word_hint(word, words, Vocabulary::measures));
  }
  return {text.substr(0, dot), static_cast<Measure>(found - measure_words.begin())};
}

/// The name of the node range that a quantity is about.
std::string range_in(std::string_view text, Measure measure) {
  return measure == Measure::node_range ? std::string(text.substr(text.rfind('.') + 1)) : "";
}

}  // namespace

bool is_count(Measure measure) {
  switch (measure) {
    case Measure::lines:
    case Measure::line:
    case Measure::columns:
    case Measure::rows:
    case Measure::per_line:
    case Measure::count:
    case Measure::node_range:
    case Measure::reachable:
    case Measure::in_view: return true;
    case Measure::width:
    case Measure::height:
    case Measure::left:
    case Measure::right:
    case Measure::top:
    case Measure::bottom:
    case Measure::middle_x:
    case Measure::middle_y:
    case Measure::content_width:
    case Measure::content_height:
    case Measure::baseline:
    case Measure::unused_space:
    case Measure::overhang:
    case Measure::overhang_left:
    case Measure::overhang_right:
    case Measure::overhang_top:
    case Measure::overhang_bottom:
    case Measure::overflow_x:
    case Measure::overflow_y:
    case Measure::padding_overlap:
    case Measure::max_overhang: break;
  }
  return false;
}

std::string_view word_of(Measure measure) {
  if (measure == Measure::count) return "count";
  if (measure == Measure::node_range) return "node range";
  return measure == Measure::max_overhang ? "max_overhang" : measure_words[static_cast<std::size_t>(measure)];
}

Measure measure_named(const Tree& tree, std::string_view text) {
  return split(tree, text).second;
}

Quantity parse_quantity(const Tree& tree, std::string_view text) {
  if (const auto pattern = counted_in(text)) {
    std::vector<NodeId> nodes = nodes_named(tree, *pattern);
    return {nodes.front(), Measure::count, std::string(text), nodes};
  }
  const auto [path, measure_asked] = split(tree, text);
  return {nodes_named(tree, path).front(), measure_asked, std::string(text), {}, range_in(text, measure_asked)};
}

std::vector<Quantity> parse_quantities(const Tree& tree, std::string_view text) {
  if (text.find('*') == std::string_view::npos || counted_in(text)) return {parse_quantity(tree, text)};
  const auto [pattern, measure_asked] = split(tree, text);
  std::vector<Quantity> all;
  for (const NodeId node : nodes_named(tree, pattern)) {
    Quantity& one = all.emplace_back(Quantity{node, measure_asked, "", {}, range_in(text, measure_asked)});
    one.text = tree.short_path(node) + "." + std::string(one.word());
  }
  return all;
}

std::vector<Quantity> parse_quantities(const Tree& tree, const std::vector<std::string>& texts) {
  std::vector<Quantity> all;
  for (const std::string& text : texts) {
    for (Quantity& quantity : parse_quantities(tree, text)) all.push_back(std::move(quantity));
  }
  return all;
}

std::optional<double> detail::value_of(const Quantity& quantity, const Solution& solution, SeenSoFar<double>& seen) {
  const Tree& tree = solution.tree();
  if (solution.is_scrolled() && quantity.scrolled.empty() && quantity.moves_with_scrolling())
    return place_measured(solution.scrolled_view(), tree.store().index_of(quantity.node), quantity.measure);
  const View view = view_of(tree, solution.passes());
  return measured(Finished<View>{tree.store(), solution.passes().state.forms, view}, quantity, seen);
}

std::optional<double> value_of(const Quantity& quantity, const Solution& solution) {
  detail::SeenSoFar<double> seen;
  return detail::value_of(quantity, solution, seen);
}

}  // namespace fond_ladder::inline v0
