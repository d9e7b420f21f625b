// SPDX-License-Identifier: MIT
#include "edits.hpp"

#include <fmt/format.h>

#include <array>

namespace fond_ladder::bench {
namespace {

constexpr std::size_t rows = 100000;

Keys box_of(double width, double height) {
  Keys keys;
  keys.natural = {width, height};
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
    all.push_back(row().gap(4).holds(box().natural(40, 12), box().natural(20, 10).grow(1), box().natural(16, 16)));
  return column().holds(row("bar").height(32), column("list").holds(std::move(all)));
}

struct Told {
  const char *name, *says;
  double edits;
};
constexpr std::array<Told, 10> all{{
    {"tooltip", "a leaf beside the list, and gone again:", 2},
    {"pinned", "a pinned leaf in the list, and gone again:", 2},
    {"front", "a row at the front of the list, and gone again:", 2},
    {"middle", "a row out of the middle, and back:", 2},
    {"taller", "one row taller, and back:", 2},
    {"same", "a row told what it says already:", 1},
    {"direction", "the other direction, and back:", 2},
    {"em", "another em, and back:", 2},
    {"path", "a path looked for:", 1},
    {"build", "built from a builder:", 1},
}};

}  // namespace

LiveWindow::LiveWindow() : tree_(Scene(window_node()).tree), list_(tree_.at("list")) {}

void LiveWindow::add_to(Compared& compared) {
  const auto row_at = [this](std::size_t place) { return tree_.children(list_)[place]; };
  compared.add("full", [this] {
    solver_.forget();
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
        tree_.restyle(other, tall);
        return other;
      },
      [this, plain](NodeId node) { tree_.restyle(node, plain); });
  compared.add("same", [this, other, plain] {
    tree_.restyle(other, plain);
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
  const auto builder = std::make_shared<Node>(window_node());
  compared.add("build", [builder] { const Scene scene(*builder); });
}

std::string LiveWindow::report(const Compared& compared) {
  fmt::print("\nof a full solve of a window with a list of 100,000 rows of 3 nodes\n");
  std::string json = "{";
  for (const Told& one : all) {
    const double ratio = compared.ratio(one.name, "full") / one.edits;
    fmt::print("{:<49}{:.6f}\n", one.says, ratio);
    json += fmt::format("{}\"{}\": {:.7f}", json.size() == 1 ? "" : ", ", one.name, ratio);
  }
  return json + "}";
}

}  // namespace fond_ladder::bench
