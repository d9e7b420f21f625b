// SPDX-License-Identifier: MIT
#include "page/engine/shown_scene.hpp"

#include <algorithm>
#include <stdexcept>

#include "draw/panel.hpp"

namespace fond_ladder::page {

ShownScene::ShownScene(const std::string& file, const std::string& json)
    : file_(file), draft_(json, file), variant_{"", draft_.scene()} {
  renew();
}

void ShownScene::renew() {
  const Scene& scene = draft_.scene();
  std::erase_if(form_.modes, [&](const std::string& mode) { return std::ranges::count(scene.modes, mode) == 0; });
  if (std::ranges::find(scene.locales, form_.locale, &Locale::name) == scene.locales.end()) form_.locale.clear();
  set_form(form_);
}

void ShownScene::set_form(ShownForm form) {
  Variant variant = calls::variant_in(draft_.scene(), form.words, form.locale, form.modes, form.longer, file_);
  solution_.reset();
  scrolled_.reset();
  form_ = std::move(form);
  variant_ = std::move(variant);
  solver_ = std::make_unique<SceneSolver>(variant_.scene, form_.modes);
  list_nodes();
}

void ShownScene::list_nodes() {
  std::vector<NodeId> nodes = tree().nodes();
  if (nodes == nodes_) return;
  nodes_ = std::move(nodes);
  places_.clear();
  for (std::size_t i = 0; i < nodes_.size(); ++i) places_[nodes_[i]] = i;
  nodes_sent_ = false;
}

void ShownScene::solve(const ContainerSize& container_size) {
  container_size_ = container_size;
  solution_ = solver_->solve(container_size);
  apply_scrolling();
}

const Solution& ShownScene::solution() const {
  if (!scrolled_) throw std::logic_error("nothing is arranged yet");
  return *scrolled_;
}

const Solution& ShownScene::unscrolled() const {
  if (!solution_) throw std::logic_error("nothing is arranged yet");
  return *solution_;
}

void ShownScene::apply_scrolling() {
  std::vector<Solution::ScrolledTo> positions;
  for (const auto& [path, to] : scrolled_to_) {
    const std::vector<NodeId> found = solution_->tree().matches(path);
    if (found.size() == 1 && solution_->is_placed(found[0])) positions.push_back({found[0], to.width, to.height});
  }
  if (positions.empty()) {
    scrolled_ = solution_;
  } else {  // other entries of lists may be in view then
    scrolled_ = solver_->solve(container_size_, positions);
    solution_ = scrolled_->scrolled({});
  }
  if (solver_->has_lists()) list_nodes();
}

bool ShownScene::scroll(double x, double y, double by_x, double by_y) {
  const Tree& tree = solution().tree();
  const std::vector<NodeId> under = solution().hit_test(x, y);
  if (under.empty()) return false;
  for (NodeId node = under.front(); node; node = tree.parent(node)) {
    const Extent range = unscrolled().scroll_range(node);
    if (range.width <= 0 && range.height <= 0) continue;
    const Extent now = solution().scroll_position(node);
    if (scroll_to(node, {now.width + by_x, now.height + by_y})) return true;
  }
  return false;
}

bool ShownScene::scroll_to(NodeId node, Extent position) {
  const Extent range = unscrolled().scroll_range(node), now = solution().scroll_position(node);
  const Extent next{std::clamp(position.width, 0.0, range.width), std::clamp(position.height, 0.0, range.height)};
  if (next == now) return false;
  scrolled_to_[tree().path(node)] = next;
  apply_scrolling();
  return true;
}

void ShownScene::paint(RecordingPen& pen, const Place& place, std::size_t most, bool bare) const {
  pen.clear();
  const picture::PanelDrawing drawing(solution(), scene().tree.root());
  static_cast<void>(drawing.paint(pen, place.at, place.scale, place.space, most, bare));
}

}  // namespace fond_ladder::page
