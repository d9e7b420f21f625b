// SPDX-License-Identifier: MIT
#include "fond_ladder/tree.hpp"

#include <algorithm>
#include <cmath>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/tree_store.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::no_index;
using detail::TreeStore;

double sound_em(double em) {
  if (!std::isfinite(em) || em <= 0 || em > limits::largest_length) throw BadValue("em must be more than 0");
  return em;
}

const Keys& sound(const Keys& keys) {
  require_sound(keys);
  return keys;
}

std::string step_at(const TreeStore& store, Index node, std::size_t place) {
  if (!store.name(node).empty()) return std::string(store.name(node));
  return std::string(word(store.kind(node))) + "#" + std::to_string(place);
}

std::string step_of(const TreeStore& store, Index node) {
  return step_at(store, node, store.name(node).empty() ? store.place(node) : 0);
}

/// Whether the path of `node` ends in `path`; tells also whether it is the whole path.
bool path_ends_in(const TreeStore& store, Index node, std::string_view path, bool& whole) {
  while (node != no_index) {
    const std::string step = step_of(store, node);
    if (!path.ends_with(step)) return false;
    path.remove_suffix(step.size());
    node = store.parent(node);
    if (path.empty()) {
      whole = node == no_index;
      return true;
    }
    if (path.back() != '/') return false;
    path.remove_suffix(1);
  }
  return false;
}

}  // namespace

Tree::Tree(const Keys& root, double em, Direction direction)
    : store_(std::make_unique<TreeStore>(sound(root), sound_em(em), direction)) {}
Tree::Tree(const Tree& other) : store_(std::make_unique<TreeStore>(*other.store_)) {}
Tree::Tree(Tree&& other) noexcept = default;
Tree& Tree::operator=(const Tree& other) {
  if (this != &other) store_ = std::make_unique<TreeStore>(*other.store_);
  return *this;
}
Tree& Tree::operator=(Tree&& other) noexcept = default;
Tree::~Tree() = default;

NodeId Tree::insert(NodeId parent, std::size_t position, const Keys& keys) {
  return store_->insert(store_->index_of(parent), position, sound(keys));
}

NodeId Tree::append(NodeId parent, const Keys& keys) {
  const Index index = store_->index_of(parent);
  return store_->insert(index, store_->child_count(index), sound(keys));
}

void Tree::move(NodeId node, NodeId parent, std::size_t position) {
  store_->move(store_->index_of(node), store_->index_of(parent), position);
}

void Tree::remove(NodeId node) {
  store_->remove(store_->index_of(node));
}

NodeId Tree::enclose(NodeId parent, std::size_t first, std::size_t count, const Keys& container) {
  return store_->enclose(store_->index_of(parent), first, count, sound(container));
}

void Tree::restyle(NodeId node, const Keys& keys) {
  store_->restyle(store_->index_of(node), sound(keys));
}

void Tree::set_direction(Direction direction) {
  if (direction == store_->direction()) return;
  std::vector<std::pair<NodeId, Keys>> all;
  for (const NodeId node : nodes()) all.emplace_back(node, keys(node));
  store_->set_direction(direction);
  for (const auto& [node, keys] : all) restyle(node, keys);
}

void Tree::content_from(NodeId node, std::shared_ptr<const OwnContent> content) {
  store_->content_from(store_->index_of(node), std::move(content));
}

void Tree::content_changed(NodeId node) {
  store_->touch(store_->index_of(node));
}

std::size_t Tree::size() const {
  return store_->size();
}
double Tree::em() const {
  return store_->em();
}
Direction Tree::direction() const {
  return store_->direction();
}
NodeId Tree::root() const {
  return store_->id_of(0);
}
bool Tree::contains(NodeId node) const {
  return store_->contains(node);
}
Keys Tree::keys(NodeId node) const {
  return store_->keys(store_->index_of(node));
}
Kind Tree::kind(NodeId node) const {
  return store_->kind(store_->index_of(node));
}

NodeId Tree::parent(NodeId node) const {
  const Index above = store_->parent(store_->index_of(node));
  return above == no_index ? NodeId{} : store_->id_of(above);
}

std::size_t Tree::child_count(NodeId node) const {
  return store_->child_count(store_->index_of(node));
}

std::vector<NodeId> Tree::children(NodeId node) const {
  std::vector<NodeId> all;
  store_->for_each_child(store_->index_of(node), [&](Index child) { all.push_back(store_->id_of(child)); });
  return all;
}

std::shared_ptr<const OwnContent> Tree::content(NodeId node) const {
  return store_->content(store_->index_of(node));
}

std::vector<NodeId> Tree::nodes() const {
  std::vector<NodeId> all;
  all.reserve(size());
  store_->walk([&](Index node, std::size_t) { all.push_back(store_->id_of(node)); });
  return all;
}

std::string Tree::step(NodeId node) const {
  return step_of(*store_, store_->index_of(node));
}

std::string Tree::path(NodeId node) const {
  std::vector<std::string> steps;
  for (Index at = store_->index_of(node); at != no_index; at = store_->parent(at))
    steps.push_back(step_of(*store_, at));
  std::string path;
  for (auto step = steps.rbegin(); step != steps.rend(); ++step) {
    if (!path.empty()) path += '/';
    path += *step;
  }
  return path;
}

std::string Tree::tail(NodeId node) const {
  std::string whole = path(node);
  for (std::size_t at = whole.rfind('/'); at != std::string::npos && at > 0; at = whole.rfind('/', at - 1)) {
    if (matches(whole.substr(at + 1)).size() == 1) return whole.substr(at + 1);
  }
  return whole;
}

std::vector<NodeId> Tree::matches(std::string_view path) const {
  std::vector<NodeId> found;
  const auto paths = store_->path_index();
  for (const auto& [step, node] : paths->with_step(*store_, path.substr(path.rfind('/') + 1))) {
    bool whole = false;
    if (!path_ends_in(*store_, store_->index_of(node), path, whole)) continue;
    if (whole) return {node};
    found.push_back(node);
  }
  return found;
}

NodeId Tree::at(std::string_view path) const {
  const std::vector<NodeId> found = matches(path);
  if (found.size() == 1) return found.front();
  std::string message = "\"" + std::string(path) + "\" ";
  if (found.empty()) {
    std::vector<std::string> steps;
    store_->walk([&](Index node, std::size_t place) { steps.push_back(step_at(*store_, node, place)); });
    const std::vector<std::string_view> words(steps.begin(), steps.end());
    const std::string_view near = nearest_word(path.substr(path.rfind('/') + 1), words);
    message += "names no node";
    if (!near.empty()) message += "; the nearest name is \"" + std::string(near) + "\"";
  } else {
    message += "names " + std::to_string(found.size()) + " nodes: " + this->path(found[0]) + ", " +
               this->path(found[1]) + (found.size() > 2 ? ", ..." : "") + "; write a longer part of the path";
  }
  throw BadPath(message);
}

std::size_t Tree::memory() const {
  return store_->memory();
}

}  // namespace fond_ladder::inline v0
