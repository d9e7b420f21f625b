// SPDX-License-Identifier: MIT
#pragma once

// A window of widgets on one tree. What a toolkit does beside arranging is here: it keeps a widget a node, asks what is
// under the hand, paints what is placed, and lets the hand scroll, click and carry.

#include <fond_ladder/fond_ladder.hpp>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <unordered_map>

#include "words.hpp"

/// What a node is to the hand and to the eye; where it is, the arrangement says.
struct Widget {
  enum class Look { none, panel, button, tag };
  Look look = Look::none;
  std::shared_ptr<const Words> words{};
  std::function<void()> click{};
  bool can_be_carried = false;
  bool takes = false;   ///< what is carried can be let go in it
  double scrolled = 0;  ///< of one that scrolls
};

class Window {
 public:
  /// `tell` says what happens, a line each: `moved fern to shelf at 1`.
  Window(fond_ladder::Tree tree, std::function<void(const std::string&)> tell)
      : tree_(std::move(tree)), report_(std::move(tell)) {}

  [[nodiscard]] fond_ladder::Tree& tree() { return tree_; }
  /// The widget of a node, made when it is asked for first.
  Widget& widget(fond_ladder::NodeId node) { return widgets_[node]; }
  /// Gives a leaf words, and shows them.
  void write(fond_ladder::NodeId leaf, const std::string& text, const std::string& font = "DejaVu Sans 11");
  /// Takes a node out, with the widgets in it.
  void remove(fond_ladder::NodeId node);
  void set_mode(const std::string& mode, bool on) { solver_.set_mode(mode, on); }

  // What the hand does, in pixels of the window.
  void point(double x, double y);
  void press() { pressed_ = hovered_, pressed_x_ = x_, pressed_y_ = y_; }
  void release();
  void scroll(double by);

  void resize(double width, double height) { size_ = {width, height}; }
  /// Arranges what has changed since, and paints all of it.
  void paint(cairo_t* pen);

 private:
  /// The arrangement, scrolled; costs what has changed since it was asked for last.
  fond_ladder::Solution arranged();
  /// Where what is carried would land, if something takes it there.
  std::optional<fond_ladder::Solution::DropTarget> drop_target();
  void paint_widget(cairo_t* pen, const fond_ladder::Solution& solution, fond_ladder::NodeId node);

  fond_ladder::Tree tree_;
  std::function<void(const std::string&)> report_;
  fond_ladder::Solver solver_;
  std::unordered_map<fond_ladder::NodeId, Widget> widgets_;
  fond_ladder::ContainerSize size_{640.0, 480.0};
  double x_ = 0, y_ = 0, pressed_x_ = 0, pressed_y_ = 0;  // the hand
  fond_ladder::NodeId hovered_, pressed_;
  bool carries_ = false;
};
