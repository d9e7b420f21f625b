// SPDX-License-Identifier: MIT
#include "page/engine/handles.hpp"

#include <sstream>
#include <vector>

#include "print/json_writer.hpp"

namespace fond_ladder::page {
namespace {

/// A setting, and how a person calls what it moves.
struct Choice {
  std::string words, setting;
};

struct Handle {
  std::string setting;
  double value = 0;  ///< pixels
  double x = 0, y = 0;
  Axis axis{};
  int way = 1;  ///< 1: the value grows to the right or down
  bool may_be_negative = false;
  std::vector<Choice> choices{};  ///< the setting itself first
};

/// A size that something else decides.
struct Fixed {
  Axis axis;
  double x, y;
  std::string why;
};

class Handles {
 public:
  Handles(const ShownScene& shown, NodeId node)
      : solution_(shown.solution()), tree_(shown.tree()), node_(node), keys_(solution_.keys(node)) {
    box_ = solution_.painted_box(node);
  }

  void find() {
    if (!solution_.is_placed(node_)) return;
    for (const Axis axis : {x_axis, y_axis}) {
      find_size(axis);
      find_gap(axis);
    }
    find_paddings();
  }

  std::vector<Handle> handles;
  std::vector<Fixed> fixed;

 private:
  [[nodiscard]] double middle(Axis axis) const {
    return axis == x_axis ? box_.x + box_.width / 2 : box_.y + box_.height / 2;
  }

  /// Its size where it says one or fits its content, a maximum where it fills; nothing where something else decides.
  void find_size(Axis axis) {
    const NodeId parent = tree_.parent(node_);
    if (!parent) return;
    const Keys above = solution_.keys(parent);
    const bool row = above.kind == Kind::row, line = row || above.kind == Kind::column;
    const bool along = line && !keys_.pin && (axis == x_axis) == row;
    const std::string side = axis == x_axis ? "width" : "height";
    const Sizing& size = keys_.size_on(axis);
    const auto pins = [&](PinSide near, PinSide far) {
      return keys_.pin && keys_.pin->says(near) && keys_.pin->says(far);
    };
    if (along && !above.is_list() && (keys_.weight || above.alike)) {
      fix(axis, keys_.weight ? "its weight decides its " + side : "children of " + tree_.step(parent) + " are alike");
      return;
    }
    if (size.way() != Sizing::Way::length &&
        (axis == x_axis ? pins(PinSide::left, PinSide::right) || pins(PinSide::start, PinSide::end)
                        : pins(PinSide::top, PinSide::bottom))) {
      fix(axis, "its pins decide its " + side);
      return;
    }
    const bool fills = size.way() == Sizing::Way::fill ||
                       (size.way() == Sizing::Way::automatic && !along && !keys_.pin && stretches(above, axis));
    Handle& handle = handles.emplace_back();
    handle.setting = (fills ? "max_" : "") + side;
    handle.value = axis == x_axis ? solution_.box(node_).width : solution_.box(node_).height;
    handle.axis = axis;
    handle.x = axis == x_axis ? box_.right() : middle(x_axis);
    handle.y = axis == y_axis ? box_.bottom() : middle(y_axis);
    if (is_held_at_its_end(axis)) {  // then its other edge is what moves
      (axis == x_axis ? handle.x : handle.y) = axis == x_axis ? box_.x : box_.y;
      handle.way = -1;
    }
    handle.choices = {{side, handle.setting}};
  }

  void fix(Axis axis, std::string why) {
    fixed.push_back({axis, axis == x_axis ? box_.right() : middle(x_axis),
                     axis == y_axis ? box_.bottom() : middle(y_axis), std::move(why)});
  }

  /// Whether its right or bottom edge stays where it is when its size is another one.
  [[nodiscard]] bool is_held_at_its_end(Axis axis) const {
    const bool mirrored = axis == x_axis && tree_.direction() == Direction::rtl;
    if (!keys_.pin) return mirrored;
    const auto says = [&](PinSide physical, PinSide logical) {
      return keys_.pin->says(physical) || (axis == x_axis && keys_.pin->says(logical));
    };
    const bool near =
        axis == x_axis ? says(PinSide::left, mirrored ? PinSide::end : PinSide::start) : keys_.pin->says(PinSide::top);
    const bool far = axis == x_axis ? says(PinSide::right, mirrored ? PinSide::start : PinSide::end)
                                    : keys_.pin->says(PinSide::bottom);
    return far && !near;
  }

  [[nodiscard]] bool stretches(const Keys& above, Axis axis) const {
    if (keys_.kind == Kind::image) return false;
    switch (above.kind) {
      case Kind::row:
      case Kind::column: return keys_.self.across.value_or(above.across) == Across::stretch && !above.wrap;
      case Kind::grid:
        return (axis == x_axis ? keys_.self.x.value_or(above.align.x.value_or(Across::stretch))
                               : keys_.self.y.value_or(above.align.y.value_or(Across::stretch))) == Across::stretch;
      case Kind::stack:
        return (axis == x_axis ? keys_.self.x.value_or(above.align.x.value_or(Across::start))
                               : keys_.self.y.value_or(above.align.y.value_or(Across::start))) == Across::stretch;
      default: return false;
    }
  }

  /// Between the first two neighbours on an axis.
  void find_gap(Axis axis) {
    const bool line = keys_.kind == Kind::row || keys_.kind == Kind::column;
    if (line && (axis == x_axis) != (keys_.kind == Kind::row)) return;
    if (!line && keys_.kind != Kind::grid) return;
    Handle handle;
    handle.axis = axis;
    handle.value = solution_.gap(node_).on(axis);
    handle.may_be_negative = line;
    if (line) {
      const auto lines = solution_.laid_lines(node_);
      if (lines.empty() || lines[0].size() < 2) return;
      const Rect a = solution_.painted_box(lines[0][0]), b = solution_.painted_box(lines[0][1]);
      const bool backwards = axis == x_axis ? b.x < a.x : b.y < a.y;
      const Rect &first = backwards ? b : a, &second = backwards ? a : b;
      handle.way = backwards ? -1 : 1;
      handle.x = axis == x_axis ? (first.right() + second.x) / 2 : a.x + a.width / 2;
      handle.y = axis == y_axis ? (first.bottom() + second.y) / 2 : a.y + a.height / 2;
    } else {
      const auto tracks = solution_.tracks(node_);
      const auto &own = axis == x_axis ? tracks.columns : tracks.rows,
                 &others = axis == x_axis ? tracks.rows : tracks.columns;
      if (own.size() < 2 || others.empty()) return;
      const bool backwards = own[1].at < own[0].at;
      const Solution::TrackBox &first = backwards ? own[1] : own[0], &second = backwards ? own[0] : own[1];
      const double at = (first.at + first.size + second.at) / 2, across = others[0].at + others[0].size / 2;
      handle.way = backwards ? -1 : 1;
      handle.x = axis == x_axis ? at : across;
      handle.y = axis == x_axis ? across : at;
    }
    const std::string own = axis == x_axis ? "gap.x" : "gap.y";
    const bool same = keys_.gap.x == keys_.gap.y;
    handle.setting = line && same ? "gap" : own;
    handle.choices = {{line && same ? "gap" : axis == x_axis ? "between columns" : "between rows", handle.setting}};
    if (!line) handle.choices.push_back({"both gaps", "gap"});
    handles.push_back(std::move(handle));
  }

  /// At each side's inner edge.
  void find_paddings() {
    if (!is_container(keys_.kind) && keys_.kind != Kind::text) return;
    const FourSides padding = solution_.padding(node_), border = solution_.border(node_);
    const double zoom = solution_.box(node_).width > 0 ? box_.width / solution_.box(node_).width : 1;
    const bool inside = keys_.border_at == BorderAt::inside;
    const auto add = [&](Side side, double value, double edge, int way) {
      Handle& handle = handles.emplace_back();
      const bool sideways = side == Side::left || side == Side::right;
      const double in = (value + (inside ? edge : 0)) * zoom;
      const std::string word(side_words[static_cast<std::size_t>(side)]);
      handle.setting = "padding." + word;
      handle.value = value;
      handle.axis = sideways ? x_axis : y_axis;
      handle.way = way;
      const double quarter = 0.25;  // beside the middle, where gaps and sizes are pulled
      handle.x = side == Side::left    ? box_.x + in
                 : side == Side::right ? box_.right() - in
                                       : box_.x + quarter * box_.width;
      handle.y = side == Side::top      ? box_.y + in
                 : side == Side::bottom ? box_.bottom() - in
                                        : box_.y + quarter * box_.height;
      handle.choices = {{"this side", handle.setting}};
      const bool each_said = sideways ? says(Side::left) || says(Side::right) || says(Side::start) || says(Side::end)
                                      : says(Side::top) || says(Side::bottom);
      if (!each_said) handle.choices.push_back({"opposite too", sideways ? "padding.x" : "padding.y"});
      handle.choices.push_back({"all four", "padding"});
    };
    add(Side::left, padding.left, border.left, 1);
    add(Side::right, padding.right, border.right, -1);
    add(Side::top, padding.top, border.top, 1);
    add(Side::bottom, padding.bottom, border.bottom, -1);
  }
  [[nodiscard]] bool says(Side side) const { return keys_.padding.given(side).has_value(); }

  const Solution& solution_;
  const Tree& tree_;
  NodeId node_;
  Keys keys_;
  Rect box_;
};

}  // namespace

std::string handles(const ShownScene& shown, NodeId node) {
  Handles found(shown, node);
  found.find();
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.objects("handles", found.handles, [&](const Handle& handle) {
    json.text("setting", handle.setting);
    json.number("value", handle.value);
    json.number("x", handle.x);
    json.number("y", handle.y);
    json.text("axis", handle.axis == x_axis ? "x" : "y");
    json.number("way", handle.way);
    json.truth("negative", handle.may_be_negative);
    json.objects("choices", handle.choices, [&](const Choice& choice) {
      json.text("words", choice.words);
      json.text("setting", choice.setting);
    });
  });
  json.objects("fixed", found.fixed, [&](const Fixed& fixed) {
    json.text("axis", fixed.axis == x_axis ? "x" : "y");
    json.number("x", fixed.x);
    json.number("y", fixed.y);
    json.text("why", fixed.why);
  });
  json.end();
  return out.str();
}

std::string landing(const ShownScene& shown, double x, double y, NodeId carried) {
  const std::optional<Solution::Landing> found = shown.solution().landing(x, y, carried);
  if (!found) return "null";
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.text("container", shown.tree().path(found->parent));
  json.number("place", static_cast<double>(found->place));
  json.number("x", found->mark.x);
  json.number("y", found->mark.y);
  json.number("width", found->mark.width);
  json.number("height", found->mark.height);
  json.end();
  return out.str();
}

}  // namespace fond_ladder::page
