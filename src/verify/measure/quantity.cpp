// SPDX-License-Identifier: MIT
#include "fond_ladder/quantity.hpp"

#include <algorithm>
#include <array>

#include "model/nearest_word.hpp"
#include "solve/account.hpp"
#include "solve/placed.hpp"
#include "verify/measure/box_measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// In the order of Measure; its last one has no word.
constexpr auto measure_words = std::to_array<std::string_view>(
    {"width",    "height",        "left",           "right",    "top",       "bottom", "middle_x",
     "middle_y", "content_width", "content_height", "baseline", "lines",     "line",   "columns",
     "rows",     "per_line",      "spare",          "cut",      "intrusion", "shown"});
static_assert(measure_words.size() == static_cast<std::size_t>(Measure::most_cut));

double per_line(NodeId node, const Solution& solution) {
  if (!is_container(solution.kind(node))) return 0;
  std::size_t most = 0;
  for (const auto& line : solution.laid_lines(node)) most = std::max(most, line.size());
  return static_cast<double>(most);
}

/// What is left along a row or column, of several lines in the fullest; in a grid beside its columns.
double spare(NodeId node, const Solution& solution) {
  const Tree& tree = solution.tree();
  const Kind kind = solution.kind(node);
  if (kind == Kind::grid) {
    const auto columns = solution.tracks(node).columns;
    double rest = solution.room_in(node).width;
    for (const auto& column : columns) rest -= column.size;
    return columns.empty() ? rest : rest - solution.gap(node).width * static_cast<double>(columns.size() - 1);
  }
  if (kind != Kind::row && kind != Kind::column) return 0;
  const auto lines = detail::line_accounts(detail::view_of(tree, solution.passes()), tree.store().index_of(node));
  const Extent room = solution.room_in(node);
  double least = room.on(kind == Kind::row ? x_axis : y_axis);
  for (const auto& line : lines) least = std::min(least, line.spare());
  return least;
}

/// Whether a node of this kind hides what lies behind it. Containers and the room around words are see-through.
bool paints(Kind kind) {
  return kind == Kind::box || kind == Kind::image;
}

/// Not of zero size, not wholly cut off by an ancestor that does not scroll that way, and not wholly behind one box
/// or image that is painted later.
bool is_shown(NodeId node, const Solution& solution) {
  if (!solution.is_placed(node)) return false;
  const Rect box = solution.painted_box(node);
  if (box.width <= 0 || box.height <= 0) return false;
  const Tree& tree = solution.tree();
  Rect seen = box;
  for (NodeId above = tree.parent(node); above; above = tree.parent(above)) {
    const Rect view = solution.painted_box(above);
    const Scroll scroll = solution.keys(above).scroll;
    if (scrolls_x(scroll)) seen.x = view.x, seen.width = view.width;  // it can be scrolled into view
    if (scrolls_y(scroll)) seen.y = view.y, seen.height = view.height;
    if (seen.x >= view.right() || seen.right() <= view.x) return false;
    if (seen.y >= view.bottom() || seen.bottom() <= view.y) return false;
  }
  bool later = false;
  for (const auto& painted : solution.painted()) {
    if (painted.node == node) later = true;
    if (!later || painted.node == node || !paints(solution.kind(painted.node))) continue;
    bool is_inner = false;
    for (NodeId at = painted.node; at && !is_inner; at = tree.parent(at)) is_inner = at == node;
    if (!is_inner && painted.box.x <= box.x && painted.box.y <= box.y && painted.box.right() >= box.right() &&
        painted.box.bottom() >= box.bottom()) {
      return false;
    }
  }
  return true;
}

double measure(Measure what, NodeId node, const Solution& solution) {
  if (what == Measure::width) return solution.relative_box(node).width;
  if (what == Measure::height) return solution.relative_box(node).height;
  if (const auto of_box = measure_of_box(solution.box(node), what)) return *of_box;
  switch (what) {
    case Measure::content_width: return solution.content_size(node).width;
    case Measure::content_height: return solution.content_size(node).height;
    case Measure::baseline: return solution.baseline(node);
    case Measure::lines: return solution.lines(node);
    case Measure::line: return std::max(1, solution.line(node));
    case Measure::columns: return static_cast<double>(solution.tracks(node).columns.size());
    case Measure::rows: return static_cast<double>(solution.tracks(node).rows.size());
    case Measure::per_line: return per_line(node, solution);
    case Measure::spare: return spare(node, solution);
    case Measure::cut: return std::max(solution.cut(node).most(), solution.words_cut(node).most());
    case Measure::intrusion: return std::max(solution.intrusion(node).most(), solution.words_intrusion(node).most());
    case Measure::shown: return is_shown(node, solution) ? 1 : 0;
    case Measure::most_cut: return solution.most_cut(node);
    default: return 0;  // those of the box are answered above
  }
}

/// The measure behind the last dot of a text, and what is before it.
std::pair<std::string_view, Measure> split(const Tree& tree, std::string_view text) {
  const std::size_t dot = text.rfind('.');
  if (dot == std::string_view::npos || dot == 0) {
    throw BadQuantity("\"" + std::string(text) + "\" is no quantity; write a node and a measure, as in " +
                      tree.step(tree.root()) + ".width");
  }
  const std::string_view word = text.substr(dot + 1);
  if (word.empty()) throw BadQuantity("a measure is missing behind \"" + std::string(text) + "\"");
  const auto found = std::ranges::find(measure_words, word);
  if (found == measure_words.end()) {
    if (word == "x" || word == "y") return {text.substr(0, dot), word == "x" ? Measure::left : Measure::top};
    const std::string message =
        "\"" + std::string(word) + "\" is no measure" + word_hint(word, measure_words, Vocabulary::measures);
    throw BadQuantity(message);
  }
  return {text.substr(0, dot), static_cast<Measure>(found - measure_words.begin())};
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
    if (last != "*" && !step_matches(last, tree.step(at))) return false;
    if (slash == std::string_view::npos) return true;
    pattern = pattern.substr(0, slash);
  }
}

}  // namespace

bool is_count(Measure measure) {
  switch (measure) {
    case Measure::lines:
    case Measure::line:
    case Measure::columns:
    case Measure::rows:
    case Measure::per_line:
    case Measure::shown: return true;
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
    case Measure::spare:
    case Measure::cut:
    case Measure::intrusion:
    case Measure::most_cut: break;
  }
  return false;
}

std::string_view word_of(Measure measure) {
  return measure == Measure::most_cut ? "cut" : measure_words[static_cast<std::size_t>(measure)];
}

std::vector<NodeId> nodes_named(const Tree& tree, std::string_view pattern) {
  std::vector<NodeId> all;
  if (pattern.find('*') == std::string_view::npos) {
    try {
      return {tree.at(pattern)};
    } catch (const BadPath& fault) {
      throw BadQuantity(fault.what());
    }
  }
  for (const NodeId node : tree.nodes()) {
    if (path_matches(tree, node, pattern)) all.push_back(node);
  }
  if (all.empty()) throw BadQuantity("\"" + std::string(pattern) + "\" matches no node");
  return all;
}

Measure measure_named(const Tree& tree, std::string_view text) {
  return split(tree, text).second;
}

Quantity parse_quantity(const Tree& tree, std::string_view text) {
  const auto [path, measure_asked] = split(tree, text);
  return {nodes_named(tree, path).front(), measure_asked, std::string(text)};
}

std::vector<Quantity> parse_quantities(const Tree& tree, std::string_view text) {
  if (text.find('*') == std::string_view::npos) return {parse_quantity(tree, text)};
  const auto [pattern, measure_asked] = split(tree, text);
  std::vector<Quantity> all;
  for (const NodeId node : nodes_named(tree, pattern))
    all.push_back({node, measure_asked, tree.tail(node) + "." + std::string(word_of(measure_asked))});
  return all;
}

std::optional<double> value_of(const Quantity& quantity, const Solution& solution) {
  if (quantity.measure == Measure::shown) return measure(quantity.measure, quantity.node, solution);
  if (!solution.is_placed(quantity.node)) return {};
  return measure(quantity.measure, quantity.node, solution);
}

}  // namespace fond_ladder::inline v0
