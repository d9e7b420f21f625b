// SPDX-License-Identifier: MIT
#include "verify/sweep/nearest_cause.hpp"

#include <algorithm>

#include "fond_ladder/sight.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/measure/measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// The nodes from the root down to a node.
std::vector<NodeId> chain_of(const Tree& tree, NodeId node) {
  std::vector<NodeId> chain;
  for (NodeId at = node; at; at = tree.parent(at)) chain.push_back(at);
  std::ranges::reverse(chain);
  return chain;
}

std::size_t distance(const Tree& tree, const std::vector<NodeId>& from, NodeId to) {
  const std::vector<NodeId> chain = chain_of(tree, to);
  std::size_t common = 0;
  while (common < from.size() && common < chain.size() && from[common] == chain[common]) ++common;
  return from.size() + chain.size() - 2 * common;
}

}  // namespace

std::string nearest_cause(const std::vector<Cause>& causes, const Tree& tree, const BreakpointQuery& turned) {
  const std::vector<NodeId> chain = chain_of(tree, turned.node);
  const bool second_slope = turned.measure == Measure::width || turned.measure == Measure::left ||
                            turned.measure == Measure::right || turned.measure == Measure::middle_x;
  const Cause* nearest = nullptr;
  std::size_t least = 0;
  constexpr std::size_t far = 1000000;
  for (const Cause& cause : causes) {
    if (second_slope && cause.on_y) continue;
    if (cause.breaks && !turned.jumps) continue;
    const unsigned vagueness = cause.vagueness + (turned.jumps && !cause.breaks && !cause.forms ? 2 : 0);
    const std::size_t away =
        std::min(distance(tree, chain, cause.node), distance(tree, chain, cause.container)) + far * vagueness;
    if (nearest != nullptr && away >= least) continue;
    nearest = &cause;
    least = away;
  }
  if (nearest == nullptr) return "";
  std::string words = nearest->words;
  const auto put = [&](const std::string& mark, NodeId named) {
    const std::size_t at = words.find(mark);
    if (at != std::string::npos) words.replace(at, mark.size(), "`" + tree.short_path(named) + "`");
  };
  put("{node}", nearest->node);
  put("{in}", nearest->container);
  put("{by}", nearest->by);
  return words;
}

std::string sight_cause(const Solution& below, const Solution& above, NodeId node, Measure measure) {
  const auto seen = [&](const Solution& side) { return value_of({node, measure, {}}, side) == 1.0; };
  const bool was = seen(below), is = seen(above);
  if (was == is) return "";
  const Solution& hidden = was ? above : below;
  const Tree& tree = hidden.tree();
  const std::string name = "`" + tree.short_path(node) + "`" + (was ? "" : " no longer");
  if (!hidden.is_placed(node)) return name + " is hidden";
  const Rect box = hidden.painted_box(node);
  Sight sight(hidden);
  const Invisible invisible = measure == Measure::in_view ? sight.out_of_view(node) : sight.invisible(node);
  switch (invisible.why) {
    case Invisible::Why::none: break;
    case Invisible::Why::no_size: return name + " is " + rounded(box.width) + " x " + rounded(box.height);
    case Invisible::Why::outside: return name + " is outside `" + tree.short_path(invisible.by) + "`";
    case Invisible::Why::behind: return name + " is behind `" + tree.short_path(invisible.by) + "`";
  }
  return "";
}

std::string overhang_cause(const Solution& below, const Solution& above, NodeId node) {
  const auto overhangs = [&](const Solution& side) {
    return value_of({node, Measure::overhang, {}}, side).value_or(0) > limits::report_tolerance;
  };
  const bool was = overhangs(below), is = overhangs(above);
  const Tree& tree = above.tree();
  const auto side = [&](const Solution& solution) -> std::string {
    const FourSides overhang = solution.full_overhang(node);
    const double most = overhang.most();
    return most == overhang.right    ? "right"
           : most == overhang.bottom ? "bottom"
           : most == overhang.left   ? "left"
                                     : "top";
  };
  if (was == is) {
    const std::string before = side(below), after = side(above);
    if (!was || before == after) return "";
    return "`" + tree.short_path(node) + "` overhangs more at the " + after + " than at the " + before;
  }
  const bool words = (was ? below : above).text_overhang(node).any();
  const std::string of = words ? "the words of `" + tree.short_path(node) + "`" : "`" + tree.short_path(node) + "`";
  const std::string verb = is ? (words ? " begin to overhang" : " begins to overhang")
                              : (words ? " no longer overhang" : " no longer overhangs");
  return of + verb + (words ? "" : " `" + tree.short_path(tree.parent(node)) + "`");
}

std::string decided_in(const Scene& scene, NodeId node) {
  const std::string name = "`" + scene.tree.short_path(node) + "`";
  switch (scene.tree.kind(node)) {
    case Kind::row:
    case Kind::column: return name + " shares its space differently";
    case Kind::grid: return "the tracks of " + name + " share space differently";
    case Kind::stack: return name + " lays out its children differently";
    case Kind::text: return name + " breaks differently";
    default: return "another size of " + name + " decides";
  }
}

}  // namespace fond_ladder::inline v0
