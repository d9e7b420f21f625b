// SPDX-License-Identifier: MIT
#pragma once

// The scene that a page shows: its file's text, what was tried, the form that is chosen, one arrangement of it.

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "calls/words_asked.hpp"
#include "fond_ladder/edit.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"
#include "page/engine/recording_pen.hpp"

namespace fond_ladder::page {

/// In which form a scene is looked at.
struct ShownForm {
  std::string locale;              ///< none when empty
  double longer = 0;               ///< share by which all texts are longer
  calls::AskedWords words;         ///< what they are measured in
  std::vector<std::string> modes;  ///< that are on
};

/// Where a picture is drawn.
struct Place {
  picture::Point at;  ///< of the container's corner
  double scale = 1;
  Rect space;  ///< nothing is drawn outside of it
};

class ShownScene {
 public:
  /// Throws BadScene.
  ShownScene(const std::string& file, const std::string& json);

  [[nodiscard]] const std::string& file() const { return file_; }
  [[nodiscard]] Draft& draft() { return draft_; }
  [[nodiscard]] const Draft& draft() const { return draft_; }
  /// To be called when the draft is another one; modes and a locale that it does not have any more are dropped.
  void renew();
  /// Throws BadValue for a name that the scene does not have.
  void set_form(ShownForm form);
  [[nodiscard]] const ShownForm& form() const { return form_; }

  [[nodiscard]] const Scene& scene() const { return variant_.scene; }
  /// The nodes as they were arranged last, with the entries of lists that are in view.
  [[nodiscard]] const Tree& tree() const { return solver_->tree(); }
  /// The nodes in the order of the file. Everything is sent in this order.
  [[nodiscard]] const std::vector<NodeId>& nodes() const { return nodes_; }
  [[nodiscard]] std::size_t place_of(NodeId node) const { return places_.at(node); }
  /// Whether they are those that were described last: entries of lists come into view and go.
  [[nodiscard]] bool nodes_are_sent() const { return nodes_sent_; }
  void mark_nodes_sent() { nodes_sent_ = true; }
  /// The positions of scrollers that are not at their beginning, by path.
  [[nodiscard]] const std::map<std::string, Extent>& scrolled_to() const { return scrolled_to_; }

  /// Throws BadValue for a size that is none.
  void solve(const ContainerSize& container_size);
  /// As it was asked for last.
  [[nodiscard]] const ContainerSize& container_size() const { return container_size_; }
  /// The last one, scrolled as it is. Throws std::logic_error before there is one.
  [[nodiscard]] const Solution& solution() const;
  /// The last one as `measure` prints it. Throws as above.
  [[nodiscard]] const Solution& unscrolled() const;

  /// Scrolls the innermost scroller at a point of the container that can still move that way. Returns
  /// whether there was one.
  bool scroll(double x, double y, double by_x, double by_y);

  /// Scrolls a node to a position, as far as there is something to scroll. Returns whether it is another one.
  bool scroll_to(NodeId node, Extent position);

  /// Records the picture. Throws BadPicture where there is nothing to draw.
  void paint(RecordingPen& pen, const Place& place, std::size_t most, bool bare) const;

 private:
  void apply_scrolling();
  void list_nodes();

  std::string file_;
  Draft draft_;
  ShownForm form_;
  Variant variant_;
  std::unique_ptr<SceneSolver> solver_;
  std::vector<NodeId> nodes_;
  std::map<NodeId, std::size_t> places_;
  bool nodes_sent_ = false;
  ContainerSize container_size_;
  std::optional<Solution> solution_, scrolled_;
  std::map<std::string, Extent> scrolled_to_;  // by path, so that it outlives a change
};

}  // namespace fond_ladder::page
