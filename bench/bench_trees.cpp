// SPDX-License-Identifier: MIT
#include "bench_trees.hpp"

#include <cmath>
#include <deque>
#include <random>

namespace fond_ladder::bench {
namespace {

class Dice {
 public:
  int below(int limit) { return std::uniform_int_distribution<int>(0, limit - 1)(random_); }

 private:
  std::mt19937 random_{11};
};

Keys container(Kind kind) {
  Keys keys;
  keys.kind = kind;
  return keys;
}

void vary(Keys& keys, Dice& dice) {
  switch (dice.below(10)) {
    case 0:
    case 1: keys.weight = 1 + dice.below(3); break;
    case 2: keys.grow = 1; break;
    case 3: keys.shrink = 0; break;
    case 4: keys.min_width = 4 + dice.below(10); break;
    case 5: keys.max_width = 40 + dice.below(300); break;
    case 6: keys.width = 10 + dice.below(60); break;
    default: break;
  }
}

Tree fill_level_by_level(std::size_t size, Dice& dice) {
  Keys root = container(Kind::column);
  root.gap = 4.0;
  Tree tree(root);
  std::deque<NodeId> open{tree.root()};
  const std::size_t containers = size * 2 / 13;  // 6.5 children on average
  std::size_t made = 1;
  while (tree.size() < size) {
    const NodeId parent = open.front();
    open.pop_front();
    const Kind turned = tree.kind(parent) == Kind::row ? Kind::column : Kind::row;
    for (int i = 5 + dice.below(4); i > 0 && tree.size() < size; --i) {
      const bool leaf = made >= containers;
      Keys keys = container(leaf ? Kind::box : turned);
      vary(keys, dice);
      if (leaf) {
        keys.natural_size = {5.0 + dice.below(40), 4.0 + dice.below(20)};
        if (dice.below(20) == 0) keys.margin = 2.0;
      } else {
        keys.gap = 4.0;
        keys.across = dice.below(4) == 0 ? static_cast<Across>(dice.below(3)) : Across::stretch;
        keys.along = static_cast<Along>(dice.below(7));
        if (dice.below(3) == 0) keys.padding = 6.0;
        if (!keys.weight && dice.below(2) == 0) keys.grow = 1;  // lets a change of width reach what is inside
        ++made;
      }
      const NodeId node = tree.append(parent, keys);
      if (!leaf) open.push_back(node);
    }
    if (open.empty()) break;
  }
  tree.compact();
  return tree;
}

}  // namespace

Tree mixed_tree(std::size_t size) {
  Dice dice;
  return fill_level_by_level(size, dice);
}

Tree wide_row(std::size_t size) {
  Dice dice;
  Tree tree(container(Kind::row));
  for (std::size_t i = 1; i < size; ++i) {
    Keys keys;
    keys.natural_size = {1.0 + dice.below(4), 10};
    keys.grow = 1 + dice.below(3);
    tree.append(tree.root(), keys);
  }
  tree.compact();
  return tree;
}

Tree chain(std::size_t size) {
  Tree tree(container(Kind::row));
  NodeId last = tree.root();
  for (std::size_t i = 1; i < size; ++i) {
    Keys keys = container(i % 2 == 0 ? Kind::row : Kind::column);
    keys.grow = 1;
    if (i + 1 == size) {
      keys.kind = Kind::box;
      keys.natural_size = {100, 50};
    }
    last = tree.append(last, keys);
  }
  tree.compact();
  return tree;
}

Tree wrapping_rows(std::size_t size) {
  Dice dice;
  Tree tree(container(Kind::column));
  while (tree.size() < size) {
    Keys keys = container(Kind::row);
    keys.wrap = true;
    keys.gap = 4.0;
    const NodeId row = tree.append(tree.root(), keys);
    for (int i = 0; i < 20; ++i) {
      Keys box;
      box.natural_size = {30.0 + dice.below(90), 20};
      box.grow = dice.below(2);
      tree.append(row, box);
    }
  }
  tree.compact();
  return tree;
}

Tree stacks(std::size_t size) {
  Dice dice;
  Tree tree(container(Kind::stack));
  std::deque<NodeId> open{tree.root()};
  while (tree.size() < size) {
    const NodeId parent = open.front();
    open.pop_front();
    for (int i = 0; i < 4; ++i) {
      Keys keys = container(i == 0 ? Kind::stack : Kind::box);
      if (i == 1) keys.kind = Kind::stack;
      if (keys.kind == Kind::box) keys.natural_size = {10.0 + dice.below(90), 20};
      keys.place_items = {static_cast<Across>(dice.below(4)), static_cast<Across>(dice.below(4))};
      const NodeId node = tree.append(parent, keys);
      if (keys.kind == Kind::stack) open.push_back(node);
    }
  }
  tree.compact();
  return tree;
}

Tree texts(std::size_t size) {
  Dice dice;
  static const char* const words[] = {"Fern, from spores. Shade, and mist twice a day in summer.",
                                      "Oak, sown in March. Keep moist.", "Sage. Dry bed."};
  Tree tree(container(Kind::column));
  while (tree.size() < size) {
    Keys keys = container(Kind::row);
    keys.gap = 8.0;
    const NodeId row = tree.append(tree.root(), keys);
    for (int i = 0; i < 6; ++i) {
      Keys text;
      text.kind = Kind::text;
      text.text = words[dice.below(3)];
      tree.append(row, text);
    }
  }
  tree.compact();
  return tree;
}

Tree freezing_row(std::size_t size) {
  Tree tree(container(Kind::row));
  for (std::size_t i = 1; i < size; ++i) {
    const double power = static_cast<double>(i % 29);
    Keys keys;
    keys.grow = std::exp2(-power);
    keys.max_width = 400 * std::exp2(-power / 2) + static_cast<double>(i) / static_cast<double>(size);
    tree.append(tree.root(), keys);
  }
  tree.compact();
  return tree;
}

Tree mixed_grid(std::size_t size) {
  Dice dice;
  const auto side = static_cast<int>(std::sqrt(static_cast<double>(size)));
  const std::vector<Track> kinds{content, 40.0, fr(1), Track(20.0, fr(2)), Track(min_content, 120.0), max_content};
  const auto tracks = [&] {
    std::vector<Track> all;
    for (int i = 0; i < side; ++i) all.push_back(kinds[static_cast<std::size_t>(dice.below(6))]);
    return Tracks({Tracks::Run{all, 1, false, Empty::keep}});
  };
  Keys root;
  root.kind = Kind::grid;
  root.gap = 4.0;
  root.columns = tracks();
  root.rows = tracks();
  Tree tree(root);
  for (std::size_t i = 0; i < size - size / 20; ++i) {
    Keys keys;
    keys.natural_size = {10.0 + dice.below(40), 10.0 + dice.below(20)};
    if (i % 20 == 7) keys.span = {1 + static_cast<int>(i % 2), 2 - static_cast<int>(i % 2)};
    tree.append(tree.root(), keys);
  }
  tree.compact();
  return tree;
}

}  // namespace fond_ladder::bench
