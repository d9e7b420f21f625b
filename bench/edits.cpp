// SPDX-License-Identifier: MIT
#include "edits.hpp"

#include <fmt/format.h>

#include <array>

namespace fond_ladder::bench {
namespace {

constexpr std::size_t rows = 100000;

Keys box_of(double width, double height) {
  Keys keys;
  keys.natural_size = {width, height};
  return keys;
}

Keys row_keys() {
  Keys keys;
  keys.kind = Kind::row;
  keys.gap = 4.0;
  return keys;
}

Node window_node() {
  std::vector<Node> all;
  for (std::size_t i = 0; i < rows; ++i)
    all.push_back(row().gap(4).children(box().natural_size(40, 12), box().natural_size(20, 10).grow(1),
                                        box().natural_size(16, 16)));
  return column().children(row("bar").height(32), column("list").children(std::move(all)));
}

struct Row {
  const char *name, *says;
  double edits;
};
constexpr std::array<Row, 27> all{{
    {"tooltip", "add a leaf beside the list, and remove it:", 2},
    {"pinned", "add a pinned leaf to the list, and remove it:", 2},
    {"front", "insert a row at the start of the list, and remove it:", 2},
    {"middle", "remove a row from the middle, and insert it again:", 2},
    {"taller", "make one row taller, and undo that:", 2},
    {"same", "set a key of a row to its present value:", 1},
    {"moved", "list what moved after one leaf changed:", 1},
    {"direction", "switch the direction, and back:", 2},
    {"em", "change the em, and back:", 2},
    {"path", "find a node by its path:", 1},
    {"tail", "find the shortest path of a node:", 1},
    {"build", "build the tree from a builder:", 1},
    {"copy", "copy a row, and remove the copy:", 2},
    {"group", "group two rows, and ungroup them:", 2},
    {"subtree", "append a row with its children, and remove it:", 2},
    {"form", "switch a mode that affects one row on, and off:", 2},
    {"user data", "read user data of a node:", 1},
    {"box", "calculate a box relative to the root:", 1},
    {"under", "find the node at a point:", 1},
    {"painted", "list everything painted, in order:", 1},
    {"boxes", "read all boxes:", 1},
    {"snapped", "read all boxes in whole device pixels:", 1},
    {"drop_target", "find the drop target of a node:", 1},
    {"kept", "keep a snapshot of the solution:", 1},
    {"texts em", "change the em of 20,000 texts, per full solve of those:", 2},
    {"small tooltip", "add a tooltip to a window of 822 nodes, per full solve of it:", 2},
    {"small scrolled", "scroll its list, per full solve of it:", 1},
}};

Node texts_node() {
  std::vector<Node> all;
  for (int i = 0; i < 20000; ++i) all.push_back(text({}, "Watering of the northern beds begins at six"));
  return column().children(std::move(all));
}

Node small_window_node() {
  std::vector<Node> rows;
  for (int i = 0; i < 163; ++i) {
    rows.push_back(row().gap(4).children(box().natural_size(40, 12), box().natural_size(20, 10).grow(1),
                                         text({}, "Fern, bed four"), box().natural_size(16, 16)));
  }
  return column().children(
      row("bar").height(32).children(box().natural_size(90, 20), text({}, "North house"), box(), box()),
      column("list").weight(1).scroll(Scroll::y).children(std::move(rows)));
}

}  // namespace

LiveWindow::LiveWindow()
    : tree_(Scene(window_node()).tree),
      list_(tree_.at("list")),
      texts_(Scene(texts_node()).tree),
      small_(Scene(small_window_node()).tree),
      with_mode_(tree_) {}

void LiveWindow::add_to(Compared& compared) {
  const auto row_at = [this](std::size_t place) { return tree_.child(list_, place); };
  compared.add("full", [this] {
    solver_.reset();
    solve();
  });
  const auto twice = [this, &compared](const char* name, auto there, auto back) {
    compared.add(name, [this, there, back] {
      const NodeId node = there();
      solve();
      back(node);
      solve();
    });
  };
  twice(
      "tooltip", [this] { return tree_.append(tree_.root(), box_of(30, 20)); },
      [this](NodeId node) { tree_.remove(node); });
  twice(
      "pinned",
      [this] {
        Keys keys = box_of(30, 20);
        keys.pin.emplace();
        keys.pin->left = 3.0;
        return tree_.append(list_, keys);
      },
      [this](NodeId node) { tree_.remove(node); });
  twice(
      "front", [this] { return tree_.insert(list_, 0, row_keys()); }, [this](NodeId node) { tree_.remove(node); });
  const NodeId middle = row_at(rows / 2), other = row_at(rows / 2 + 9);
  twice(
      "middle",
      [this, middle] {
        tree_.move(middle, tree_.root(), 0);
        return middle;
      },
      [this](NodeId node) { tree_.move(node, list_, rows / 2); });
  const Keys plain = row_keys();
  Keys tall = plain;
  tall.height = 50.0;
  twice(
      "taller",
      [this, other, tall] {
        tree_.replace_keys(other, tall);
        return other;
      },
      [this, plain](NodeId node) { tree_.replace_keys(node, plain); });
  watching_.track_changes(true);
  watching_.solve(tree_, {800, 600});
  const NodeId leaf = tree_.child(other, 1);
  tree_.set(leaf, box().natural_size(20, 9));
  moved_ = watching_.solve(tree_, {800, 600}).snapshot();  // holds on, whatever else is measured
  compared.add("moved", [this] { static_cast<void>(moved_->changed()); });
  compared.add("same", [this, other, plain] {
    tree_.replace_keys(other, plain);
    solve();
  });
  twice(
      "direction",
      [this] {
        tree_.set_direction(Direction::rtl);
        return NodeId{};
      },
      [this](NodeId) { tree_.set_direction(Direction::ltr); });
  twice(
      "em",
      [this] {
        tree_.set_em(20);
        return NodeId{};
      },
      [this](NodeId) { tree_.set_em(16); });
  compared.add("path", [this] { static_cast<void>(tree_.at("bar")); });
  compared.add("tail", [this, other] { static_cast<void>(tree_.short_path(other)); });
  compared.add("texts full", [this] {
    of_texts_.reset();
    of_texts_.solve(texts_, {300, 600});
  });
  compared.add("texts em", [this] {
    for (const double em : {20.0, 16.0}) {
      texts_.set_em(em);
      of_texts_.solve(texts_, {300, 600});
    }
  });
  constexpr int times = 50;  // it is as small as a cache
  compared.add("small full", [this] {
    for (int i = 0; i < times; ++i) {
      of_small_.reset();
      of_small_.solve(small_, {800, 600});
    }
  });
  compared.add("small tooltip", [this] {
    for (int i = 0; i < times; ++i) {
      const NodeId node = small_.append(small_.root(), box_of(30, 20));
      of_small_.solve(small_, {800, 600});
      small_.remove(node);
      of_small_.solve(small_, {800, 600});
    }
  });
  ask(compared);
  compared.add("small scrolled", [this, list = small_.at("list")] {
    const Solution solution = of_small_.solve(small_, {800, 600});
    for (int i = 0; i < times; ++i) static_cast<void>(solution.scrolled({{list, 0, 120}}).box(list));
  });
  twice(
      "copy", [this, middle] { return tree_.copy(middle, list_, rows / 2); },
      [this](NodeId node) { tree_.remove(node); });
  twice(
      "group",
      [this] {
        Keys column;
        column.kind = Kind::column;
        return tree_.group(list_, rows / 3, 2, column);
      },
      [this](NodeId node) {
        for (int i = 0; i < 2; ++i) tree_.move(tree_.child(node, 0), list_, rows / 3 + static_cast<std::size_t>(i));
        tree_.remove(node);
      });
  twice(
      "subtree",
      [this] {
        return tree_.append(list_, row().gap(4).children(box().natural_size(40, 12), box().natural_size(20, 10)));
      },
      [this](NodeId node) { tree_.remove(node); });
  with_mode_.set_conditions({}, {"tall"});
  with_mode_.when(with_mode_.child(with_mode_.at("list"), rows / 2), "tall", box().height(50.0).explicit_keys());
  compared.add("form", [this] {
    for (const bool on : {true, false}) {
      of_mode_.set_mode("tall", on);
      of_mode_.solve(with_mode_, {800, 600});
    }
  });
  const auto builder = std::make_shared<Node>(window_node());
  compared.add("build", [builder] { const Scene scene(*builder); });
}

/// Questions to an arrangement that holds on, whatever else is measured.
void LiveWindow::ask(Compared& compared) {
  const NodeId leaf = tree_.child(tree_.child(list_, rows / 2), 1);
  const auto add = [&](const char* name, auto question) {
    compared.add(name, [this, question] { static_cast<void>(question(*moved_)); });
  };
  add("box", [leaf](const Solution& solution) { return solution.box(leaf); });
  add("under", [](const Solution& solution) { return solution.hit_test(50, 300); });
  add("painted", [](const Solution& solution) { return solution.painted(); });
  add("boxes", [](const Solution& solution) { return solution.boxes(); });
  add("snapped", [](const Solution& solution) { return solution.snapped(1.5); });
  add("drop_target", [leaf](const Solution& solution) { return solution.drop_target(50, 300, leaf); });
  add("kept", [](const Solution& solution) { return solution.snapshot(); });
  compared.add("user data", [this, leaf] { with_mode_.set_user_data(leaf, with_mode_.user_data(leaf) + 1); });
}

/// Of texts with padding told by two sides, limits and a size, in a solver.
double LiveWindow::styled_bytes() {
  constexpr int count = 20000;
  std::vector<Node> texts;
  for (int i = 0; i < count; ++i) {
    texts.push_back(text({}, "Fern").font_size(13).min_width(20).max_width(400).with([](Keys& keys) {
      keys.padding.set(Side::x, 12.0).set(Side::y, 6.0);
    }));
  }
  const Scene scene = column().children(std::move(texts));
  Solver solver;
  solver.solve(scene.tree, {800, 600});
  const std::size_t words = count * FixedWidthText("Fern", {13, false, {}}).memory();
  return static_cast<double>(scene.tree.memory() + solver.memory() - solver.scratch_memory() - words) / count;
}

std::string LiveWindow::report(const Compared& compared) const {
  fmt::print("\nof a full solve of a window with a list of 100,000 rows of 3 nodes\n");
  std::string json = "{";
  for (const Row& one : all) {
    const std::string name = one.name;
    const char* const full = name == "texts em" ? "texts full" : name.starts_with("small") ? "small full" : "full";
    const double ratio = compared.ratio(one.name, full) / one.edits;
    fmt::print("{:<62}{:.6f}\n", one.says, ratio);
    json += fmt::format("{}\"{}\": {:.7f}", json.size() == 1 ? "" : ", ", one.name, ratio);
  }
  const Tree as_built = tree_;
  Solver solver;
  solver.solve(as_built, {800, 600});
  const auto nodes = static_cast<double>(tree_.size());
  const double bytes = static_cast<double>(as_built.memory() + solver.memory() - solver.scratch_memory()) / nodes;
  const double styled = styled_bytes();
  fmt::print("{:<62}{:.0f}\n{:<62}{:.0f}\n", "bytes per plain node, its solver included:", bytes,
             "bytes per styled text, without its words:", styled);
  fmt::print("{:<62}{:.0f}\n{:<62}{:.1f}\n", "bytes of scratch memory per node of the longest run:",
             static_cast<double>(solver.scratch_memory()) / static_cast<double>(tree_.child_count(list_)),
             "bytes of names per node:", static_cast<double>(as_built.names_memory()) / nodes);
  return json + fmt::format(", \"bytes\": {:.0f}, \"styled bytes\": {:.0f}}}", bytes, styled);
}

}  // namespace fond_ladder::bench
