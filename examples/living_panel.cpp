// SPDX-License-Identifier: MIT
// What a toolkit does: keep a tree alive, edit it, and move on screen only what moved in the arrangement.
#include <fond_ladder/fond_ladder.hpp>
#include <iostream>
#include <string>

using namespace fond_ladder;

namespace {

std::ostream& operator<<(std::ostream& out, const Rect& box) {
  return out << box.x << ',' << box.y << ' ' << box.width << 'x' << box.height;
}

/// Solves, and prints what is another box in its parent: what a toolkit would move.
void show(const std::string& why, Solver& solver, const Tree& tree, ContainerSize container_size) {
  const Solution solution = solver.solve(tree, container_size);
  std::cout << why << '\n';
  for (const auto& [node, before, now] : solution.changed()) {
    std::cout << "  " << tree.path(node) << ": ";
    if (before) std::cout << "was " << *before << ", ";
    if (now) {
      std::cout << "is " << *now << '\n';
    } else {
      std::cout << "is hidden\n";
    }
  }
  const auto visited = solution.visited();
  std::cout << "  (visited " << visited[0] << ", " << visited[1] << ", " << visited[2] << ", " << visited[3] << " of "
            << tree.size() << " nodes)\n";
}

}  // namespace

int main() {
  Tree panel = Scene(row("panel").gap(8).padding(8).children(column("beds").gap(4).width(120).shrink(0).children(
                                                                 text("fern", "Fern bed"), text("sage", "Sage bed")),
                                                             box("map").weight(1)))
                   .tree;
  panel.set_conditions({}, {"closed"});
  panel.when(panel.at("map"), "closed", box().hidden().explicit_keys());
  const NodeId beds = panel.at("beds"), fern = panel.at("fern");

  Solver solver;
  solver.track_changes(true);
  const ContainerSize size{400, 120};
  show("first shown", solver, panel, size);

  panel.set(fern, text({}, "Fern bed, shaded"));
  show("a longer name wraps and pushes its neighbor down", solver, panel, size);

  const NodeId moss = panel.insert(beds, 1, row("moss").gap(4).children(box("dot").width(8), text("name", "Moss bed")));
  show("a bed is added", solver, panel, size);

  const auto drop_target = solver.solve(panel, size).drop_target(40, 10, moss);
  panel.move(moss, drop_target->parent, drop_target->place);
  show("it is carried to where it was dropped", solver, panel, size);

  solver.set_mode("closed", true);
  show("the map is closed", solver, panel, size);

  panel.remove(fern);
  std::cout << "the handle of the removed bed is " << (panel.contains(fern) ? "still good" : "detected") << '\n';
  show("one is removed", solver, panel, size);
}
