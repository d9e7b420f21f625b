// SPDX-License-Identifier: MIT
#include "window.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>
#include <vector>

using namespace fond_ladder;

namespace {

using Ink = std::array<double, 3>;
constexpr Ink paper{0.97, 0.97, 0.95}, letters{0.13, 0.15, 0.18}, edge{0.55, 0.6, 0.55}, warm{0.48, 0.12, 0.43};

void ink(cairo_t* pen, const Ink& ink, double alpha = 1) {
  cairo_set_source_rgba(pen, ink[0], ink[1], ink[2], alpha);
}

}  // namespace

void Window::write(NodeId leaf, const std::string& text, const std::string& font) {
  widget(leaf).words = std::make_shared<Words>(text, font);
  tree_.set_content(leaf, widget(leaf).words);
}

void Window::remove(NodeId node) {
  tree_.remove(node);
  std::erase_if(widgets_, [&](const auto& one) { return !tree_.contains(one.first); });
}

Solution Window::arranged() {
  const Solution solution = solver_.solve(tree_, size_);
  std::vector<Solution::ScrolledTo> positions;
  for (const auto& [node, one] : widgets_) {
    if (one.scrolled != 0) positions.push_back({node, 0, one.scrolled});
  }
  return solution.scrolled(positions);
}

std::optional<Solution::DropTarget> Window::drop_target() {
  const auto found = carries_ ? arranged().drop_target(x_, y_, pressed_) : std::nullopt;
  return found && widget(found->parent).takes ? found : std::nullopt;
}

void Window::point(double x, double y) {
  x_ = x;
  y_ = y;
  constexpr double a_little = 4;
  if (pressed_ && widget(pressed_).can_be_carried && std::hypot(x - pressed_x_, y - pressed_y_) > a_little)
    carries_ = true;
  const NodeId before = std::exchange(hovered_, NodeId());
  for (const NodeId node : arranged().hit_test(x, y)) {  // the front-most comes first
    if (!hovered_ && (widget(node).click || widget(node).can_be_carried)) hovered_ = node;
  }
  if (hovered_ && hovered_ != before && !carries_) report_("over " + tree_.short_path(hovered_));
}

void Window::release() {
  const NodeId node = pressed_;
  if (const auto there = drop_target()) {
    tree_.move(node, there->parent, there->place);
    report_("moved " + tree_.short_path(node) + " to " + tree_.short_path(there->parent) + " at " +
            std::to_string(there->place));
  } else if (!carries_ && node && node == hovered_ && widget(node).click) {
    const auto click = widget(node).click;  // which may remove the widget
    click();
  }
  pressed_ = {};
  carries_ = false;
  if (!tree_.contains(hovered_)) hovered_ = {};
}

void Window::scroll(double by) {
  const Solution solution = arranged();
  for (const NodeId node : solution.hit_test(x_, y_)) {
    const double range = solution.scroll_range(node).height;
    if (range <= 0) continue;
    double& scrolled = widget(node).scrolled;
    scrolled = std::clamp(scrolled + by, 0.0, range);
    return report_("scrolled " + tree_.short_path(node) + " to " + std::to_string(std::lround(scrolled)));
  }
}

void Window::paint(cairo_t* pen) {
  const Solution solution = arranged();
  ink(pen, paper);
  cairo_paint(pen);
  std::vector<std::pair<int, Rect>> clips;  // what is painted at a depth and below is cut off there
  for (const Solution::Painted& one : solution.painted()) {
    while (!clips.empty() && clips.back().first >= one.depth) clips.pop_back();
    cairo_reset_clip(pen);
    for (const auto& [depth, box] : clips) {
      cairo_rectangle(pen, box.x, box.y, box.width, box.height);
      cairo_clip(pen);
    }
    paint_widget(pen, solution, one.node);
    if (solution.keys(one.node).scroll != Scroll::none) clips.emplace_back(one.depth, one.box);
  }
  cairo_reset_clip(pen);
  if (const auto there = drop_target()) {
    ink(pen, warm);
    cairo_set_line_width(pen, 3);
    cairo_rectangle(pen, there->indicator.x, there->indicator.y, there->indicator.width, there->indicator.height);
    cairo_stroke(pen);
  }
}

void Window::paint_widget(cairo_t* pen, const Solution& solution, NodeId node) {
  const Widget& one = widget(node);
  const Rect box = solution.box(node);
  const double alpha = carries_ && node == pressed_ ? 0.35 : 1;
  if (one.look != Widget::Look::none) {
    constexpr std::array faces{paper, Ink{0.92, 0.94, 0.9}, Ink{0.86, 0.91, 0.87}, Ink{0.97, 0.91, 0.78}};
    const bool hot = node == hovered_ && !carries_;
    cairo_rectangle(pen, box.x, box.y, box.width, box.height);
    ink(pen, faces[static_cast<std::size_t>(one.look)], alpha);
    cairo_fill_preserve(pen);
    ink(pen, hot ? warm : edge, alpha);
    cairo_set_line_width(pen, hot ? 2 : 1);
    cairo_stroke(pen);
  }
  if (!one.words) return;
  const FourSides padding = solution.padding(node);
  ink(pen, letters, alpha);
  one.words->draw(pen, box.x + padding.left, box.y + padding.top, solution.content_box_size(node).width,
                  tree_.direction() == Direction::rtl);
}
