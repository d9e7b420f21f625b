// SPDX-License-Identifier: MIT
#include "support/random_scenes.hpp"

#include <cstdlib>

namespace fond_ladder::testing {

Length RandomScenes::any_length() {
  switch (below(6)) {
    case 0: return chance(50) ? em(below(6) / 2.0) : ch(below(12) / 2.0);
    case 1: return percent(below(130));
    default: return length();
  }
}

Edges RandomScenes::edges(int largest, bool can_be_auto) {
  Edges edges(static_cast<double>(below(largest)));
  if (chance(40)) {
    const Side side = any_side();
    edges.set(side, static_cast<double>(below(2 * largest) - (can_be_auto ? 6 : 0)));
  }
  if (can_be_auto && chance(30)) edges.set(any_side(), automatic);
  if (chance(10)) {
    const Side side = any_side();
    edges.set(side, percent(below(20)));
  }
  if (!can_be_auto) {
    for (int i = 0; i < 8; ++i) {
      const auto edge = edges.given(static_cast<Side>(i));
      if (edge && edge->length().amount() < 0) edges.set(static_cast<Side>(i), 0.0);
    }
  }
  return edges;
}

void RandomScenes::add_sizes(Keys& keys) {
  for (Sizing* sizing : {&keys.width, &keys.height}) {
    switch (below(8)) {
      case 0:
      case 1: *sizing = any_length(); break;
      case 2: *sizing = content; break;
      case 3: *sizing = fill; break;
      default: break;
    }
  }
  for (Limit* limit : {&keys.min_width, &keys.max_width, &keys.min_height, &keys.max_height}) {
    if (chance(12)) *limit = any_length();
  }
  if (chance(8)) keys.aspect_ratio = 0.25 + below(12) / 4.0;
}

void RandomScenes::add_container_keys(Keys& keys) {
  if (chance(60)) keys.gap = Gap{any_length(), static_cast<double>(below(20) - 4)};
  keys.along = static_cast<Along>(below(7));
  keys.across = static_cast<Across>(below(5));
  keys.wrap = chance(30);
  keys.reverse = chance(20);
  keys.place_content = {static_cast<PlaceContent>(below(8)), static_cast<PlaceContent>(below(8))};
  if (chance(10)) keys.out_of = 1 + below(8);
  keys.equal_sizes = chance(10);
  if (chance(50)) keys.place_items = {static_cast<Across>(below(4)), static_cast<Across>(below(4))};
  if (keys.kind == Kind::grid) add_grid_keys(keys);
  if (chance(15)) keys.scroll = static_cast<Scroll>(below(4));
  if (chance(10)) keys.on_top = OnTop::first;
}

TrackSize RandomScenes::track_size(bool can_share) {
  switch (below(can_share ? 7 : 4)) {
    case 0: return content;
    case 1: return min_content;
    case 2: return max_content;
    case 3: return any_length();
    default: return fr(below(5) / 2.0);
  }
}

Tracks RandomScenes::tracks() {
  if (chance(25)) return 1 + below(4);
  std::vector<Tracks::Run> runs;
  for (int i = below(3); i >= 0; --i) {
    Tracks::Run run{{}, 1 + below(2), false, Empty::keep};
    for (int k = below(3); k >= 0; --k) {
      run.tracks.push_back(chance(60) ? Track(track_size(true)) : Track{track_size(false), track_size(true)});
    }
    runs.push_back(run);
  }
  if (chance(25)) {
    const TrackSize length = 20.0 + below(90);
    runs.push_back(
        {{chance(50) ? Track(length) : Track(length, fr(1))}, 1, true, chance(50) ? Empty::drop : Empty::keep});
  }
  return Tracks(std::move(runs));
}

void RandomScenes::add_grid_keys(Keys& keys) {
  if (chance(85)) keys.columns = tracks();
  if (chance(50)) keys.rows = tracks();
  if (chance(25)) keys.auto_columns = Track(track_size(true));
  if (chance(25)) keys.auto_rows = Track{track_size(false), track_size(true)};
  if (chance(25)) keys.flow = Flow::columns;
  keys.dense = chance(25);
  if (chance(15)) keys.areas = {"a a b", "a a .", "c . ."};
}

void RandomScenes::add_child_keys(Keys& keys) {
  if (chance(25)) keys.basis = chance(20) ? Sizing(content) : Sizing(any_length());
  if (chance(30)) keys.grow = below(5) / 2.0;
  if (chance(30)) keys.shrink = below(5) / 2.0;
  if (chance(25)) keys.weight = below(5) / 2.0;
  if (chance(20)) keys.place_self.across = static_cast<Across>(below(5));
  if (chance(20)) keys.place_self.x = static_cast<Across>(below(4));
  if (chance(20)) keys.place_self.y = static_cast<Across>(below(4));
  if (chance(12)) keys.cell = Cell{below(5), below(5)};
  if (chance(20)) keys.span = {below(4), below(4)};
  if (chance(10)) keys.area = std::string(1, static_cast<char>('a' + below(4)));
  if (chance(5)) keys.nudge = {below(20) - 10.0, below(20) - 10.0};
  if (chance(6)) keys.hidden = true;
  if (chance(8)) keys.order.rank = below(3) == 0 ? Order::last : below(5) - 2;
  if (chance(6)) keys.see_through = true;
  if (chance(6)) keys.scale = 0.5 + below(4) / 2.0, keys.scale_affects_layout = chance(60);
  if (chance(7)) {
    Pin pin;
    for (Limit* side :
         {&pin.left, &pin.right, &pin.top, &pin.bottom, &pin.start, &pin.end, &pin.middle_x, &pin.middle_y}) {
      if (chance(30)) *side = any_length();
    }
    keys.pin = pin;
  }
}

Keys RandomScenes::keys(bool leaf) {
  Keys keys;
  constexpr Kind leaves[] = {Kind::box, Kind::text, Kind::image};
  constexpr Kind containers[] = {Kind::row, Kind::column, Kind::row, Kind::column, Kind::stack, Kind::grid, Kind::grid};
  keys.kind = leaf ? leaves[below(3)] : containers[below(7)];
  add_sizes(keys);
  if (chance(25)) keys.margin = edges(12, true);
  if (chance(25)) keys.padding = edges(10, false);
  if (chance(8)) {
    keys.border = Edges(static_cast<double>(below(4)));
    const Side side = any_side();
    keys.border.set(side, below(6) / 2.0);
  }
  if (chance(15)) keys.border_at = static_cast<BorderAt>(below(4));
  if (chance(20)) keys.text_align.y = static_cast<TextAlign>(below(3));
  add_container_keys(keys);
  add_child_keys(keys);
  if (chance(70)) keys.natural_size = {length(), length()};
  static const char* const texts[] = {"", "Fern", "Oak, sown in March.",
                                      "Shade, and mist twice a day in the well-kept house"};
  keys.text = texts[below(4)];
  if (chance(20)) keys.font_size = 8.0 + below(20);
  keys.one_line = chance(10);
  if (chance(10)) keys.max_lines = 1 + below(3);
  return keys;
}

/// What went wrong once, or is rare: each makes what it is about common in a whole tree.
void RandomScenes::lean(Keys& keys, int towards) {
  const bool container = is_container(keys.kind);
  switch (towards) {
    case 0:  // percentages in wrapped lines
      if (container) keys.wrap = chance(80);
      if (chance(40)) keys.height = percent(below(120));
      if (chance(40)) keys.min_height = percent(below(60));
      if (chance(40)) keys.margin.set(Side::top, percent(below(20)));
      break;
    case 1:  // automatic margins with baselines
      if (container) keys.across = Across::baseline;
      if (chance(40)) keys.margin.set(chance(50) ? Side::top : Side::y, automatic);
      break;
    case 2: {  // pins with limits
      if (!chance(50)) break;
      Pin pin;
      (chance(70) ? pin.start : pin.left) = any_length();
      (chance(70) ? pin.end : pin.right) = any_length();
      keys.pin = pin;
      if (chance(50)) keys.max_width = any_length();
      if (chance(30)) keys.min_width = any_length();
      break;
    }
    case 3:  // scrollers deep inside
      if (chance(25)) keys.scroll = Scroll::y;
      if (chance(50)) keys.height = automatic;
      if (chance(30)) keys.weight = 1;
      break;
    default: break;
  }
}

Tree RandomScenes::tree(std::size_t size) {
  const int leaning = below(8);
  Keys root = keys(false);
  root.hidden = false;
  Tree tree(root, 8 + below(3) * 4.0, chance(30) ? Direction::rtl : Direction::ltr);
  std::vector<NodeId> containers{tree.root()};
  for (std::size_t i = 1; i < size; ++i) {
    const NodeId parent = containers[static_cast<std::size_t>(below(static_cast<int>(containers.size())))];
    Keys own = keys(chance(60));
    lean(own, leaning);
    own.name = "n" + std::to_string(i);
    const auto place = static_cast<std::size_t>(below(static_cast<int>(tree.child_count(parent)) + 1));
    const NodeId node = tree.insert(parent, place, own);
    if (is_container(own.kind)) containers.push_back(node);
  }
  return tree;
}

void RandomScenes::add_node_ranges(Tree& tree) {
  const auto nodes = tree.nodes();
  for (const NodeId node : nodes) {
    if (!chance(25)) continue;
    const double bound = 20 + below(300);
    tree.set(node, box().ranges({Range{.name = "tight", .below_width = bound},
                                 Range{.name = chance(50) ? "ample" : "tidy", .from_width = bound / 2}}));
  }
  for (const NodeId node : nodes) {
    Keys other = keys(!is_container(tree.kind(node)));
    if (node == tree.root()) other.hidden = false;
    Changes all(Keys(), other), some;
    for (const char* key : {"kind", "gap", "padding", "along", "across", "wrap", "width", "hidden", "weight", "text"}) {
      if (all.sets(key) && chance(40)) some.set(key, other);
    }
    try {
      if (!some.empty() && chance(60)) tree.when(node, chance(50) ? "tight" : chance(50) ? "ample" : "tidy", some);
    } catch (const BadValue&) {  // nobody has such a range, or it is the node's own and its parent reads the key
    }
  }
}

void RandomScenes::add_lists(Tree& tree) {
  for (const NodeId node : tree.nodes()) {
    Keys keys = tree.keys(node);
    if ((keys.kind != Kind::row && keys.kind != Kind::column) || !chance(40)) continue;
    keys.scroll = chance(20) ? Scroll::both : keys.kind == Kind::row ? Scroll::x : Scroll::y;
    if (chance(90)) keys.wrap = keys.reverse = false;
    const auto entries = static_cast<std::uint32_t>(chance(50) ? 0 : chance(10) ? 1000000 : below(40));
    keys.virtualized = Virtualized(true, entries, static_cast<std::uint32_t>(1 + below(9)));
    tree.replace_keys(node, keys);
  }
}

void RandomScenes::add_ties(Tree& tree) {
  for (const NodeId node : tree.nodes()) {
    if (node == tree.root() || !chance(35)) continue;
    const auto siblings = tree.children(tree.parent(node));
    Keys keys = tree.keys(node);
    if (!keys.pin) keys.pin.emplace();
    for (int i = 0; i < 3; ++i) {
      const auto side = static_cast<PinSide>(below(8));
      if (keys.pin->distance(side) || chance(30)) continue;
      Tie tie;
      tie.to = tree.segment(siblings[static_cast<std::size_t>(below(static_cast<int>(siblings.size())))]);
      if (chance(3)) tie.to = "nobody";
      int edge = below(8);
      while (axis_of(static_cast<PinSide>(edge)) != axis_of(side)) edge = (edge + 1) % 8;
      tie.edge = static_cast<PinSide>(edge);
      if (chance(60)) tie.plus = chance(20) ? percent(below(20)) : Length(below(40) - 10.0);
      keys.pin->tied(side, tie);
      if (chance(30)) keys.pin->tied(side, Tie{.to = tree.segment(siblings.front()), .edge = tie.edge});
    }
    tree.replace_keys(node, keys);
  }
}

ContainerSize RandomScenes::container_size() {
  ContainerSize container_size;
  if (!chance(10)) container_size.width = chance(10) ? below(20) : below(900) + (chance(20) ? 0.25 : 0);
  if (!chance(25)) container_size.height = chance(10) ? below(20) : below(700);
  return container_size;
}

std::uint32_t seed() {
  const char* text = std::getenv("FOND_LADDER_SEED");
  return text == nullptr ? 20261123U : static_cast<std::uint32_t>(std::strtoul(text, nullptr, 10));
}

std::size_t rectangles() {
  const char* text = std::getenv("FOND_LADDER_RECTANGLES");
  return text == nullptr ? 100000 : std::strtoul(text, nullptr, 10);
}

}  // namespace fond_ladder::testing
