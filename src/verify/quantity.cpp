// SPDX-License-Identifier: MIT
#include "fond_ladder/quantity.hpp"

#include <algorithm>
#include <array>

#include "model/key_table.hpp"

namespace fond_ladder {
namespace {

constexpr std::array<std::string_view, 15> measure_words{
    "width",         "height",         "left",     "right", "top",  "bottom",  "center_x", "center_y",
    "content_width", "content_height", "baseline", "lines", "line", "columns", "rows"};

double measure(Measure what, NodeId node, const Arrangement& arrangement) {
  const Rect box = arrangement.box(node);
  switch (what) {
    case Measure::width: return box.width;
    case Measure::height: return box.height;
    case Measure::left: return box.x;
    case Measure::right: return box.right();
    case Measure::top: return box.y;
    case Measure::bottom: return box.bottom();
    case Measure::center_x: return box.x + box.width / 2;
    case Measure::center_y: return box.y + box.height / 2;
    case Measure::content_width: return arrangement.content_size(node).width;
    case Measure::content_height: return arrangement.content_size(node).height;
    case Measure::baseline: return arrangement.baseline(node);
    case Measure::lines: return arrangement.lines(node);
    case Measure::line: return arrangement.line(node);
    case Measure::columns: return static_cast<double>(arrangement.tracks(node).columns.size());
    case Measure::rows: return static_cast<double>(arrangement.tracks(node).rows.size());
  }
  return 0;
}

}  // namespace

Quantity parse_quantity(const Tree& tree, std::string_view text) {
  const std::size_t dot = text.rfind('.');
  if (dot == std::string_view::npos || dot == 0) {
    throw BadQuantity("\"" + std::string(text) + "\" is no quantity; write a node and a measure, as in " +
                      tree.step(tree.root()) + ".width");
  }
  const std::string_view word = text.substr(dot + 1);
  const auto found = std::ranges::find(measure_words, word);
  if (found == measure_words.end()) {
    std::string message = "\"" + std::string(word) + "\" is no measure";
    const std::string_view near = nearest_word(word, measure_words);
    if (!near.empty()) message += "; the nearest one is \"" + std::string(near) + "\"";
    throw BadQuantity(message);
  }
  try {
    return {tree.at(text.substr(0, dot)), static_cast<Measure>(found - measure_words.begin()), std::string(text)};
  } catch (const BadPath& fault) {
    throw BadQuantity(fault.what());
  }
}

std::optional<double> value_of(const Quantity& quantity, const Arrangement& arrangement) {
  if (!arrangement.is_placed(quantity.node)) return {};
  return measure(quantity.measure, quantity.node, arrangement);
}

}  // namespace fond_ladder
