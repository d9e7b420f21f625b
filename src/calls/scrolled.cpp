// SPDX-License-Identifier: MIT
#include "calls/scrolled.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "calls/sizes.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::calls {
namespace {

Solution::ScrolledTo parse(const Solution& solution, const std::string& text) {
  const std::string message =
      fmt::format("--scrolled {}: write a node and pixels, or end, as in list=120, list=40,120 or list=end", text);
  const std::size_t equals = text.rfind('=');
  if (equals == std::string::npos || equals == 0) throw WrongCall(message);
  const std::string name = text.substr(0, equals), value = text.substr(equals + 1);
  const NodeId node = solution.tree().at(name);
  const Scroll scroll = solution.keys(node).scroll;
  if (!solution.is_placed(node)) throw WrongCall(fmt::format("--scrolled {}: {} is hidden at this size", text, name));
  if (scroll == Scroll::none)
    throw WrongCall(
        fmt::format("--scrolled {}: {} does not scroll; give it \"scroll\", or name what does", text, name));
  if (!is_container(solution.kind(node)))
    throw WrongCall(fmt::format("--scrolled {}: positions move children, and {} has none", text, name));
  if (value == "end") return {node, Solution::scroll_end, Solution::scroll_end};
  const std::vector<std::string> items = split_list(value);
  std::vector<double> pixels;
  for (const std::string& item : items) {
    pixels.push_back(parse_coordinate(item, message));
    if (pixels.back() < 0)
      throw WrongCall(fmt::format("--scrolled {}: positions are counted from 0, where the content begins", text));
  }
  if (pixels.empty() || pixels.size() > 2) throw WrongCall(message);
  if (pixels.size() == 2) return {node, pixels[0], pixels[1]};
  return scroll == Scroll::x ? Solution::ScrolledTo{node, pixels[0], 0} : Solution::ScrolledTo{node, 0, pixels[0]};
}

/// `120 of 574`, or on two axes `40, 120 of 300, 574`
std::string told(const Extent& at, const Extent& range, Scroll scroll) {
  if (scroll == Scroll::x) return fmt::format("{} of {}", rounded(at.width), rounded(range.width));
  if (scroll == Scroll::y) return fmt::format("{} of {}", rounded(at.height), rounded(range.height));
  return fmt::format("{}, {} of {}, {}", rounded(at.width), rounded(at.height), rounded(range.width),
                     rounded(range.height));
}

}  // namespace

void add_scrolled(Options& options, std::vector<std::string>& asked) {
  options.list("--scrolled", "NODE=PIXELS", asked,
               "With a scroller scrolled so far, as in list=120, list=40,120 or list=end; repeatable");
}

Scrolled scrolled_as_asked(const Solution& solution, const std::vector<std::string>& asked) {
  if (asked.empty()) return {solution, ""};
  std::vector<Solution::ScrolledTo> positions;
  for (const std::string& text : asked) {
    positions.push_back(parse(solution, text));
    const auto is_same = [&](const Solution::ScrolledTo& one) { return one.node == positions.back().node; };
    if (std::ranges::count_if(positions, is_same) > 1)
      throw WrongCall(fmt::format("--scrolled {}: it is scrolled already; say it once", text));
  }
  Scrolled scrolled{solution.scrolled(positions), ""};
  for (const Solution::ScrolledTo& one : positions) {
    scrolled.told +=
        fmt::format("{}{} scrolled to {}", scrolled.told.empty() ? "" : ", ", solution.tree().tail(one.node),
                    told(scrolled.solution.scroll_position(one.node), solution.scroll_range(one.node),
                         solution.keys(one.node).scroll));
  }
  return scrolled;
}

}  // namespace fond_ladder::calls
