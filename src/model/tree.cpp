// SPDX-License-Identifier: MIT
#include "fond_ladder/tree.hpp"

#include <algorithm>
#include <cmath>

#include "model/find_path.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/tree_store.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::find_path;
using detail::Index;
using detail::no_index;
using detail::Seeds;
using detail::sort_by_place;
using detail::step_at;
using detail::step_of;
using detail::TreeStore;

double sound_em(double em) {
  if (!std::isfinite(em) || em <= 0 || em > limits::largest_length) throw BadValue("em must be more than 0");
  return em;
}

const Keys& sound(const Keys& keys) {
  require_sound(keys);
  return keys;
}

}  // namespace

Tree::Tree(const Keys& root, double em, Direction direction)
    : Tree(std::make_unique<TreeStore>(Seeds(root), sound_em(em), direction)) {}

namespace {

/// Whether a form depends on a range of the node's own, or of a node around it.
bool names_own_range(const Tree& tree, const When& when) {
  const TreeStore& store = tree.store();
  if (!store.forms().has_node_ranges()) return false;
  for (NodeId at = when.node; at; at = tree.parent(at)) {
    const std::vector<Range>* own = store.forms().node_ranges(store.slot(store.index_of(at)));
    if (own != nullptr && std::ranges::find(*own, when.name, &Range::name) != own->end()) return true;
  }
  return false;
}

}  // namespace

TreeWithForms Tree::with_forms(const Node& root, double em, Direction direction) {
  const Seeds seeds(root);
  Tree tree(std::make_unique<TreeStore>(seeds, sound_em(em), direction));
  std::vector<When> whens;
  for (const detail::SeedForm& form : seeds.forms()) {
    const When when{tree.store().id_of(form.seed), form.name, form.change};  // places are in the order of the seeds
    if (names_own_range(tree, when)) tree.when(when.node, when.name, when.change);
    whens.push_back(when);
  }
  return {std::move(tree), std::move(whens)};
}
Tree Tree::from(const Node& root, double em, Direction direction) {
  auto [tree, whens] = with_forms(root, em, direction);
  for (const When& when : whens) {
    if (!names_own_range(tree, when))
      throw BadValue(tree.path(when.node) + ": there is no range or mode \"" + when.name +
                     "\"; a scene has those of the container (Scene::live_tree)");
  }
  return std::move(tree);
}
Tree::Tree(std::unique_ptr<TreeStore> store) : store_(std::move(store)) {
  if (store_) store_->life()->tree = this;
}
Tree::Tree(const Tree& other) : Tree(std::make_unique<TreeStore>(other.store())) {}
Tree::Tree(Tree&& other) noexcept : Tree(std::move(other.store_)) {}
Tree& Tree::operator=(const Tree& other) {
  if (this != &other) *this = Tree(other);
  return *this;
}
Tree& Tree::operator=(Tree&& other) noexcept {
  if (this == &other) return *this;
  store_ = std::move(other.store_);
  if (store_) store_->life()->tree = this;
  return *this;
}
Tree::~Tree() = default;

const TreeStore& Tree::store() const {
  if (!store_) throw BadNode("this tree was moved from; assign another tree to it");
  return *store_;
}

TreeStore& Tree::own() {
  static_cast<void>(store());
  return *store_;
}

NodeId Tree::insert(NodeId parent, std::size_t position, const Keys& keys) {
  return own().insert(own().index_of(parent), position, sound(keys));
}

NodeId Tree::insert(NodeId parent, std::size_t position, const Node& subtree) {
  return own().plant(own().index_of(parent), position, Seeds(subtree));
}

NodeId Tree::append(NodeId parent, const Node& subtree) {
  return insert(parent, child_count(parent), subtree);
}

NodeId Tree::copy(NodeId node, NodeId parent, std::size_t position) {
  return own().plant(own().index_of(parent), position, store().seeds_of(store().index_of(node)));
}

NodeId Tree::copy(NodeId node, NodeId parent, std::size_t position, const std::string& name) {
  Seeds seeds = store().seeds_of(store().index_of(node));
  seeds.call(name);
  return own().plant(own().index_of(parent), position, seeds);
}

NodeId Tree::append(NodeId parent, const Keys& keys) {
  const Index index = own().index_of(parent);
  return own().insert(index, own().child_count(index), sound(keys));
}

void Tree::move(NodeId node, NodeId parent, std::size_t position) {
  own().move(own().index_of(node), own().index_of(parent), position);
}

void Tree::remove(NodeId node) {
  own().remove(own().index_of(node));
}

void Tree::clear(NodeId node) {
  own().clear(own().index_of(node));
}

NodeId Tree::group(NodeId parent, std::size_t first, std::size_t count, const Keys& container) {
  return own().group(own().index_of(parent), first, count, sound(container));
}

void Tree::replace_keys(NodeId node, const Keys& keys) {
  own().replace_keys(own().index_of(node), sound(keys));
}

void Tree::set(NodeId node, const Changes& changes) {
  Keys changed = keys(node);
  changes.put_into(changed);
  replace_keys(node, changed);
}

void Tree::set(NodeId node, const Node& changes) {
  if (!changes.children().empty() || !changes.whens().empty() || changes.gives_keys() || changes.content())
    throw BadValue(path(node) +
                   ": set takes keys only; use insert for children, when for forms, set_content for custom content");
  set(node, changes.explicit_keys());
}

void Tree::set_direction(Direction direction) {
  own().set_direction(direction);
}

void Tree::set_em(double em) {
  own().set_em(sound_em(em));
}

void Tree::set_text_shaper(std::shared_ptr<const TextShaper> text_shaper) {
  own().set_text_shaper(std::move(text_shaper));
}

void Tree::compact() {
  own().pack();
}

void Tree::set_content(NodeId node, std::shared_ptr<const CustomContent> content) {
  own().set_content(own().index_of(node), std::move(content));
}

void Tree::content_changed(NodeId node) {
  own().touch(own().index_of(node));
}

void Tree::set_conditions(std::vector<Range> ranges, std::vector<std::string> modes) {
  own().set_conditions(std::move(ranges), std::move(modes));
}
const std::vector<Range>& Tree::ranges() const {
  return store().forms().ranges();
}
const std::vector<std::string>& Tree::modes() const {
  return store().forms().modes();
}
void Tree::when(NodeId node, const std::string& name, const Changes& change) {
  own().when(own().index_of(node), name, change);
}

std::vector<When> Tree::whens(NodeId node) const {
  std::vector<When> all;
  if (const auto* forms = store().forms_of(store().index_of(node))) {
    for (const detail::NodeForm& form : *forms) all.push_back({node, form.name, form.change});
  }
  return all;
}

std::vector<When> Tree::whens() const {
  std::vector<When> all;
  if (store().forms().empty()) return all;
  for (const NodeId node : nodes()) std::ranges::move(whens(node), std::back_inserter(all));
  return all;
}

std::size_t Tree::size() const {
  return store().size();
}
const std::shared_ptr<const TextShaper>& Tree::text_shaper() const {
  return store().setting().text_shaper;
}

FontUnits Tree::units(const Keys& keys) const {
  return keys.units(em(), text_shaper().get());
}

double Tree::em() const {
  return store().em();
}
Direction Tree::direction() const {
  return store().direction();
}
NodeId Tree::root() const {
  return store().id_of(0);
}
bool Tree::contains(NodeId node) const {
  return store().contains(node);
}
Keys Tree::keys(NodeId node) const {
  return store().keys(store().index_of(node));
}
Kind Tree::kind(NodeId node) const {
  return store().kind(store().index_of(node));
}

NodeId Tree::parent(NodeId node) const {
  const Index above = store().parent(store().index_of(node));
  return above == no_index ? NodeId{} : store().id_of(above);
}

std::size_t Tree::child_count(NodeId node) const {
  return store().child_count(store().index_of(node));
}

std::vector<NodeId> Tree::children(NodeId node) const {
  std::vector<NodeId> all;
  store().for_each_child(store().index_of(node), [&](Index child) { all.push_back(store().id_of(child)); });
  return all;
}

NodeId Tree::child(NodeId node, std::size_t place) const {
  const Index above = store().index_of(node);
  if (place >= store().child_count(above)) throw BadNode("the node has no child at that index");
  return store().id_of(store().child(above, place));
}

std::size_t Tree::index_of(NodeId node) const {
  return store().place(store().index_of(node));
}

void Tree::set_user_data(NodeId node, std::uintptr_t data) {
  own().set_user_data(own().index_of(node), data);
}

std::uintptr_t Tree::user_data(NodeId node) const {
  return store().user_data(store().index_of(node));
}

std::shared_ptr<const CustomContent> Tree::content(NodeId node) const {
  return store().content(store().index_of(node));
}

std::vector<NodeId> Tree::nodes() const {
  std::vector<NodeId> all;
  all.reserve(size());
  store().walk([&](Index node, std::size_t) { all.push_back(store().id_of(node)); });
  return all;
}

std::string Tree::segment(NodeId node) const {
  return step_of(store(), store().index_of(node));
}

std::string Tree::path(NodeId node) const {
  std::vector<std::string> steps;
  for (Index at = store().index_of(node); at != no_index; at = store().parent(at))
    steps.push_back(step_of(store(), at));
  std::string path;
  for (auto step = steps.rbegin(); step != steps.rend(); ++step) {
    if (!path.empty()) path += '/';
    path += *step;
  }
  return path;
}

std::string Tree::short_path(NodeId node) const {
  const Index own = store().index_of(node);
  std::string tail = segment(node);
  for (Index at = store().parent(own); at != no_index; at = store().parent(at)) {
    if (find_path(store(), tail, 2).size() == 1) break;
    tail.insert(0, 1, '/').insert(0, step_of(store(), at));
  }
  return tail;
}

namespace {

/// `names 3 copies: write m[0] to m[2], or m[*] for all`, where a path names a node that is copied.
std::string copies_text(const Tree& tree, std::string_view path) {
  const std::string name(path);
  const std::size_t count = [&] {
    std::size_t found = 0;
    while (tree.matches(name + "[" + std::to_string(found) + "]").size() == 1) ++found;
    return found;
  }();
  if (count == 0) return "";
  if (count == 1) return "is copied once; write " + name + "[0]";
  return "is copied; write " + name + "[0] to " + name + "[" + std::to_string(count - 1) + "], or for all copies " +
         name + "[*]";
}

std::string nearest_step(const TreeStore& store, std::string_view path) {
  std::vector<std::string> steps;
  store.walk([&](Index node, std::size_t place) { steps.push_back(step_at(store, node, place)); });
  const std::vector<std::string_view> words(steps.begin(), steps.end());
  const std::string_view near = nearest_word(path.substr(path.rfind('/') + 1), words);
  return near.empty() ? "" : "; did you mean \"" + std::string(near) + "\"?";
}

}  // namespace

std::vector<NodeId> Tree::matches(std::string_view path) const {
  std::vector<Index> found = find_path(store(), path, store().size());
  if (found.size() > 1) sort_by_place(store(), found);
  std::vector<NodeId> nodes;
  for (const Index node : found) nodes.push_back(store().id_of(node));
  return nodes;
}

NodeId Tree::at(std::string_view path) const {
  if (const std::vector<Index> first = find_path(store(), path, 2); first.size() == 1) return store().id_of(first[0]);
  const std::vector<NodeId> found = matches(path);
  std::string message = "\"" + std::string(path) + "\" ";
  if (found.empty()) {
    message += copies_text(*this, path);
    if (message.ends_with(' ')) message += "is not a node" + nearest_step(store(), path);
  } else {
    constexpr std::size_t most = 8;  // paths that are listed
    message += "names " + std::to_string(found.size()) + " nodes: ";
    for (std::size_t i = 0; i < std::min(most, found.size()); ++i)
      message += (i == 0 ? "" : ", ") + this->path(found[i]);
    if (found.size() > most) message += " and " + std::to_string(found.size() - most) + " more";
    message += "; write more of the path";
  }
  throw BadPath(message);
}

std::size_t Tree::names_memory() const {
  return store().names_memory();
}

std::size_t Tree::memory() const {
  return store().memory();
}

}  // namespace fond_ladder::inline v0
