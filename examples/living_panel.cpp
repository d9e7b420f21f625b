// SPDX-License-Identifier: MIT
// What a toolkit does: keep a tree alive, edit it, and move on screen only what moved in the arrangement.
#include <fond_ladder/fond_ladder.hpp>
#include <iostream>
#include <map>
#include <string>

using namespace fond_ladder;

namespace {

/// The panel as it is shown: the boxes that were drawn last.
class Screen {
 public:
  /// Solves, and prints every node whose box is not where it was drawn.
  void show(const std::string& why, const Tree& tree, Rung rung) {
    std::cout << why << '\n';
    const Solution solution = solver_.solve(tree, rung);
    std::map<NodeId, Rect> drawn;
    for (const auto& [node, box, depth] : solution.boxes()) {
      drawn[node] = box;
      const auto before = drawn_.find(node);
      if (before != drawn_.end() && before->second == box) continue;
      std::cout << (before == drawn_.end() ? "  new  " : "  now  ") << tree.path(node) << ": " << box.x << ',' << box.y
                << ' ' << box.width << 'x' << box.height << '\n';
    }
    for (const auto& [node, box] : drawn_) {
      if (!drawn.contains(node)) std::cout << "  gone a box at " << box.x << ',' << box.y << '\n';
    }
    const auto visited = solution.visited();
    std::cout << "  (visited " << visited[0] << ", " << visited[1] << ", " << visited[2] << ", " << visited[3] << " of "
              << tree.size() << " nodes)\n";
    drawn_ = std::move(drawn);
  }

 private:
  Solver solver_;
  std::map<NodeId, Rect> drawn_;
};

Keys keys(Kind kind, const char* name) {
  Keys keys;
  keys.kind = kind;
  keys.name = name;
  return keys;
}

Keys label(const char* name, const char* words) {
  Keys label = keys(Kind::text, name);
  label.text = words;
  return label;
}

}  // namespace

int main() {
  Keys root = keys(Kind::row, "panel");
  root.gap = 8;
  root.padding = 8;
  Tree panel(root);
  Keys column = keys(Kind::column, "beds");
  column.gap = 4;
  column.width = 120;
  column.shrink = 0;
  const NodeId beds = panel.append(panel.root(), column);
  const NodeId fern = panel.append(beds, label("fern", "Fern bed"));
  panel.append(beds, label("sage", "Sage bed"));
  Keys map = keys(Kind::box, "map");
  map.weight = 1;
  panel.append(panel.root(), map);

  Screen screen;
  const Rung size{400, 120};
  screen.show("first shown", panel, size);

  panel.restyle(fern, label("fern", "Fern bed, shaded"));
  screen.show("a longer name wraps and pushes its neighbour down", panel, size);

  const NodeId moss = panel.insert(beds, 1, label("moss", "Moss bed"));
  screen.show("a bed is added", panel, size);

  panel.move(moss, beds, 0);
  screen.show("and carried to the top", panel, size);

  panel.remove(fern);
  std::cout << "the handle of the removed bed is " << (panel.contains(fern) ? "still good" : "detected") << '\n';
  screen.show("one is removed, and the panel is made wider", panel, {480, 120});
}
