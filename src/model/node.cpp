// SPDX-License-Identifier: MIT
#include "fond_ladder/node.hpp"

#include <iterator>

#include "model/key_table.hpp"

namespace fond_ladder {

Node::Node(Kind kind, std::string name) {
  keys_.kind = kind;
  keys_.name = std::move(name);
}

Node::~Node() {
  // Taken apart in a loop, so that a deep tree does not exhaust the stack.
  std::vector<Node> open = std::move(children_);
  while (!open.empty()) {
    std::vector<Node> inner = std::move(open.back().children_);
    open.pop_back();
    std::move(inner.begin(), inner.end(), std::back_inserter(open));
  }
}

Node&& Node::holds(std::vector<Node> children) && {
  std::move(children.begin(), children.end(), std::back_inserter(children_));
  return std::move(*this);
}

Node&& Node::each(const Node& defaults) && {
  each_ = std::make_shared<const Keys>(defaults.keys_);
  return std::move(*this);
}

Node&& Node::measured_by(std::shared_ptr<const Measured> content) && {
  content_ = std::move(content);
  return std::move(*this);
}

Keys Node::child_keys(const Node& child) const {
  Keys keys = child.keys_;
  if (!each_) return keys;
  const Keys unsaid;
  for (const KeyEntry& entry : key_table()) {
    if (entry.name == "kind" || entry.name == "name" || entry.name == "text") continue;
    std::visit(
        [&](auto field) {
          if (keys.*field == unsaid.*field) keys.*field = (*each_).*field;
        },
        entry.field);
  }
  return keys;
}

Node text(std::string name, std::string words) {
  Node node(Kind::text, std::move(name));
  node.keys_.text = std::move(words);
  return node;
}

}  // namespace fond_ladder
