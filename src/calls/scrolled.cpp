// SPDX-License-Identifier: MIT
#include "calls/scrolled.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "calls/sizes.hpp"
#include "fond_ladder/claim.hpp"
#include "model/number_text.hpp"
#include "verify/claims/claim_terms.hpp"

namespace fond_ladder::calls {
namespace {

struct AskedPosition {
  std::string name, value;
  Solution::ScrolledTo to;
};

/// Of a node that scrolls as `scroll_of(node)` returns.
template <class ScrollOf>
AskedPosition parse(const Tree& tree, const std::string& text, const ScrollOf& scroll_of) {
  const std::string message =
      fmt::format("--scrolled {}: expected NODE=PIXELS or NODE=end, as in list=120, list=40,120 or list=end", text);
  const std::size_t equals = text.rfind('=');
  if (equals == std::string::npos || equals == 0) throw WrongCall(message);
  const std::string name = text.substr(0, equals), value = text.substr(equals + 1);
  const NodeId node = tree.at(name);
  const Scroll scroll = scroll_of(node);
  if (scroll == Scroll::none)
    throw WrongCall(
        fmt::format("--scrolled {}: {} does not scroll; give it \"scroll\", or name a scroller", text, name));
  if (!is_container(tree.kind(node)))
    throw WrongCall(fmt::format("--scrolled {}: {} has no children to scroll; name a container", text, name));
  if (value == "end") return {name, value, {node, Solution::scroll_end, Solution::scroll_end}};
  const std::vector<std::string> items = split_list(value);
  std::vector<double> pixels;
  for (const std::string& item : items) {
    pixels.push_back(parse_coordinate(item, message));
    if (pixels.back() < 0)
      throw WrongCall(
          fmt::format("--scrolled {}: expected 0 or more pixels, counted from where the content begins", text));
  }
  if (pixels.empty() || pixels.size() > 2) throw WrongCall(message);
  if (pixels.size() == 2) return {name, value, {node, pixels[0], pixels[1]}};
  const bool second_slope = scroll == Scroll::x;
  return {name, value, {node, second_slope ? pixels[0] : 0, second_slope ? 0 : pixels[0]}};
}

/// How a node scrolls in the scene, in any of its forms.
AskedPosition parse(const Scene& scene, const std::string& text) {
  return parse(scene.tree, text, [&](NodeId node) {
    Scroll scroll = scene.tree.keys(node).scroll;
    for (const When& when : scene.whens) {
      if (when.node == node && when.change.sets("scroll") && scroll == Scroll::none)
        scroll = when.change.values().scroll;
    }
    return scroll;
  });
}

void refuse_twice(const std::vector<Solution::ScrolledTo>& positions, const std::string& text) {
  const auto is_same = [&](const Solution::ScrolledTo& one) { return one.node == positions.back().node; };
  if (std::ranges::count_if(positions, is_same) > 1)
    throw WrongCall(fmt::format("--scrolled {}: the node is scrolled twice; keep one of the two", text));
}

std::vector<AskedPosition> parse_all(const Scene& scene, const std::vector<std::string>& asked) {
  std::vector<AskedPosition> all;
  std::vector<Solution::ScrolledTo> positions;
  for (const std::string& text : asked) {
    all.push_back(parse(scene, text));
    positions.push_back(all.back().to);
    refuse_twice(positions, text);
  }
  return all;
}

/// Whether a claim has positions of its own, or is about something that no position changes; a wrong claim is left as
/// it is and reported later.
bool needs_no_positions(const Scene& scene, const std::string& claim) {
  try {
    const Claim read(scene, claim);
    const std::vector<Quantity>& quantities = read.terms().quantities;
    const auto is_reachable = [](const Quantity& one) { return one.measure == Measure::reachable; };
    return !read.terms().scrolled.empty() || (std::ranges::any_of(quantities, is_reachable) &&
                                              std::ranges::none_of(quantities, &Quantity::moves_with_scrolling));
  } catch (const BadClaim&) {
    return true;
  }
}

/// `120 of 574`, or on two axes `40, 120 of 300, 574`
std::string description(const Extent& at, const Extent& range, Scroll scroll) {
  if (scroll == Scroll::x) return fmt::format("{} of {}", rounded(at.width), rounded(range.width));
  if (scroll == Scroll::y) return fmt::format("{} of {}", rounded(at.height), rounded(range.height));
  return fmt::format("{}, {} of {}, {}", rounded(at.width), rounded(at.height), rounded(range.width),
                     rounded(range.height));
}

}  // namespace

void add_scrolled(Options& options, std::vector<std::string>& asked) {
  options.list("--scrolled", "NODE=PIXELS", asked,
               "Scroll a container first, as in list=120, list=40,120 or list=end; repeatable");
}

Scrolled solve_scrolled(SceneSolver& solver, const ContainerSize& container_size,
                        const std::vector<std::string>& asked) {
  const Solution solution = solver.solve(container_size);
  if (asked.empty()) return {solution, ""};
  std::vector<Solution::ScrolledTo> positions;
  for (const std::string& text : asked) {
    const AskedPosition one = parse(solution.tree(), text, [&](NodeId node) { return solution.keys(node).scroll; });
    if (!solution.is_placed(one.to.node))
      throw WrongCall(fmt::format("--scrolled {}: {} is hidden at this size", text, one.name));
    positions.push_back(one.to);
    refuse_twice(positions, text);
  }
  Scrolled scrolled{solver.solve(container_size, positions), ""};
  for (const Solution::ScrolledTo& one : positions) {
    scrolled.description += fmt::format(
        "{}{} scrolled to {}", scrolled.description.empty() ? "" : ", ", scrolled.solution.tree().short_path(one.node),
        description(scrolled.solution.scroll_position(one.node), scrolled.solution.scroll_range(one.node),
                    scrolled.solution.keys(one.node).scroll));
  }
  return scrolled;
}

std::vector<Solution::ScrolledTo> positions_asked(const Scene& scene, const std::vector<std::string>& asked) {
  std::vector<Solution::ScrolledTo> positions;
  for (const AskedPosition& one : parse_all(scene, asked)) positions.push_back(one.to);
  return positions;
}

void claim_with_positions(const Scene& scene, const std::vector<std::string>& asked, std::vector<std::string>& claims) {
  if (asked.empty()) return;
  std::string with;
  for (const AskedPosition& one : parse_all(scene, asked)) {
    if (one.value.find(',') != std::string::npos)
      throw WrongCall(
          fmt::format("--scrolled {0}={1}: claims take one number, or end, as in {0}=120", one.name, one.value));
    with += fmt::format("{}{}.scrolled = {}", with.empty() ? " with " : " and ", one.name, one.value);
  }
  for (std::string& claim : claims) {
    if (!needs_no_positions(scene, claim)) claim += with;
  }
}

}  // namespace fond_ladder::calls
