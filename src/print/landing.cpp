// SPDX-License-Identifier: MIT
#include "print/landing.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/shell_word.hpp"
#include "print/table.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool differ(const Rect& a, const Rect& b) {
  const auto apart = [](double one, double other) { return std::abs(one - other) > limits::told_tolerance; };
  return apart(a.x, b.x) || apart(a.y, b.y) || apart(a.width, b.width) || apart(a.height, b.height);
}

std::optional<Rect> box_in(const Solution& solution, NodeId node) {
  return solution.is_placed(node) ? std::optional(solution.box(node)) : std::nullopt;
}

/// `between title and alarm`, as they stand in the file without what is carried.
std::string neighbours(const Tree& tree, const Solution::Landing& landing, NodeId carried) {
  std::vector<NodeId> children = tree.children(landing.parent);
  std::erase(children, carried);
  const auto named = [&](std::size_t i) { return "`" + tree.step(children[i]) + "`"; };
  if (children.empty()) return "which is empty";
  if (landing.place == 0) return "ahead of " + named(0);
  if (landing.place >= children.size()) return "behind " + named(children.size() - 1);
  return "between " + named(landing.place - 1) + " and " + named(landing.place);
}

std::string place_text(const Rect& box) {
  return fmt::format("{},{} {} x {}", rounded(box.x), rounded(box.y), rounded(box.width), rounded(box.height));
}

}  // namespace

LandingShown landing_of(const SolvedScene& measured, const Point& at, NodeId carried,
                        const std::vector<std::string>& modes) {
  LandingShown shown{at, carried, measured.solution.landing(at.x, at.y, carried), {}, {}, {}};
  if (!shown.landing || !carried) return shown;
  const Tree& written = measured.scene.tree;
  if (!written.contains(shown.landing->parent) || written.keys(shown.landing->parent).only_in_view.entries > 0) {
    shown.refused = "the entries of a list of copies are alike, and nothing stands beside them";
    return shown;
  }
  Scene dropped = measured.scene;
  try {
    dropped.tree.move(carried, shown.landing->parent, shown.landing->place);
  } catch (const BadValue& fault) {
    shown.refused = fault.what();
    return shown;
  }
  SceneSolver solver(dropped, modes);
  const Solution after = solver.solve(measured.asked.rung);
  shown.box = box_in(after, carried);
  for (const NodeId node : measured.scene.tree.nodes()) {
    if (node == carried) continue;
    const std::optional<Rect> before = box_in(measured.solution, node), now = box_in(after, node);
    if (before.has_value() != now.has_value() || (before && differ(*before, *now))) {
      shown.moves.push_back({node, before, now});
    }
  }
  return shown;
}

void print_landing(const SolvedScene& measured, const LandingShown& shown, std::ostream& out) {
  const Tree& tree = measured.tree();
  const std::string who = shown.carried ? "`" + tree.tail(shown.carried) + "`" : "a new node";
  fmt::print(out, "{}: {}, dropped at {},{}, ", title_of(measured.scene, measured.solution, measured.asked), who,
             exact(shown.at.x), exact(shown.at.y));
  if (!shown.landing) {
    out << "would land nowhere: that is outside of the container\n";
    return;
  }
  const Solution::Landing& landing = *shown.landing;
  fmt::print(out, "would land in `{}`, {}\n", tree.tail(landing.parent), neighbours(tree, landing, shown.carried));
  if (!shown.carried) {
    fmt::print(out, "place {} among its children, shown at {}\n", landing.place, place_text(landing.mark));
    return;
  }
  if (!shown.refused.empty()) {
    fmt::print(out, "but it cannot be dropped there: {}\n", shown.refused);
    return;
  }
  const std::string move = fmt::format("{}={}:{}", tree.tail(shown.carried), tree.tail(landing.parent), landing.place);
  fmt::print(out, "from {} to {}; the same as --move {}\n",
             measured.solution.is_placed(shown.carried) ? place_text(measured.solution.box(shown.carried)) : "nowhere",
             shown.box ? place_text(*shown.box) : "nowhere", shell_word(move));
  if (shown.moves.empty()) {
    out << "\nnothing else moves\n";
    return;
  }
  out << '\n';
  Table table({{"moves"}, {"to"}, {"from"}});
  for (const LandingShown::Move& one : shown.moves) {
    table.add({tree.tail(one.node), one.now ? place_text(*one.now) : "gone",
               one.before ? place_text(*one.before) : "nowhere"});
  }
  table.print(out);
}

void write_landing(JsonWriter& json, const SolvedScene& measured, const LandingShown& shown) {
  const Tree& tree = measured.tree();
  json.begin_object("landing");
  json.number("x", shown.at.x);
  json.number("y", shown.at.y);
  if (shown.carried) json.text("carried", tree.path(shown.carried));
  if (shown.landing) {
    json.text("parent", tree.path(shown.landing->parent));
    json.number("place", static_cast<double>(shown.landing->place));
    json.box("mark", shown.landing->mark);
  } else {
    json.null("parent");
  }
  if (!shown.refused.empty()) json.text("refused", shown.refused);
  if (shown.carried && shown.landing && shown.refused.empty()) {
    json.box("box", shown.box);
    json.objects("moves", shown.moves, [&](const LandingShown::Move& one) {
      json.text("path", tree.path(one.node));
      json.box("before", one.before);
      json.box("now", one.now);
    });
  }
  json.end();
}

}  // namespace fond_ladder::inline v0
