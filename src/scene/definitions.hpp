// SPDX-License-Identifier: MIT
#pragma once

// What a scene file defines once and uses often: parts and shared keys. A node of the file is a pile of objects that
// say keys, each beating those below it: `each` of its parent, its part, what it is `like`, `with`, its own, and, for a
// node inside a part, the `with` of whoever uses that part.

#include <memory>
#include <string>
#include <unordered_map>
#include <vector>

#include "fond_ladder/settings.hpp"
#include "scene/faults.hpp"
#include "scene/json_document.hpp"

namespace fond_ladder::scene {

/// One use of a part: what its inner nodes are told, by their path from the part's root, copies not counted.
struct PartUse {
  std::unordered_map<std::string, ValueId> told;
  std::shared_ptr<const PartUse> outer;  ///< the use of a part that this use lies in
  std::string place;                     ///< in the outer one
  std::string_view name;                 ///< of the part
};

/// Where a node lies in the innermost part around it; nowhere, outside of all parts.
struct PlaceInPart {
  std::shared_ptr<const PartUse> use;
  std::string path;
};

/// An object that says keys of a node.
struct Layer {
  ValueId object = no_value;
  Source source = Source::own;
  std::string_view name{};  ///< of the part or the shared keys; as long as the document
};
/// All that say keys of one node, the weakest first.
using Layers = std::vector<Layer>;

class Definitions {
 public:
  Definitions(const JsonDocument& document, Faults& faults) : document_(document), faults_(faults) {}

  /// Takes in the values of "parts" and "shared". Parts that contain themselves are faults, and count as unknown.
  void learn_parts(ValueId parts);
  void learn_shared(ValueId shared);

  [[nodiscard]] const std::unordered_map<std::string, ValueId>& parts() const { return parts_; }
  [[nodiscard]] const std::unordered_map<std::string, ValueId>& shared() const { return shared_; }

  /// `each` may be none.
  [[nodiscard]] Layers layers_of(ValueId node, ValueId each, const PlaceInPart& place);
  /// The strongest of some layers that says `key`, as the member, or none.
  [[nodiscard]] ValueId strongest(const Layers& layers, std::string_view key) const;
  /// The list of children of a node, its own or its part's; none when there is none.
  [[nodiscard]] ValueId children_of(ValueId node) const;
  /// What children of a node lie in: the use of a part that begins with it, or what it lies in itself.
  [[nodiscard]] PlaceInPart around_children(ValueId node, const PlaceInPart& place);
  /// The name that a node has by its own keys, or by those of its part's root; empty when it has none.
  [[nodiscard]] std::string_view name_of(ValueId node) const;
  /// The last step of a child's path: its name, or its kind and place.
  [[nodiscard]] std::string step_of(ValueId child, std::size_t place) const;
  [[nodiscard]] bool has_part(ValueId node) const { return part_of(node) != no_value; }

 private:
  /// The root of the part that a node uses, or none.
  [[nodiscard]] ValueId part_of(ValueId node) const;
  void add_likes(ValueId object, Layers& layers);
  void add_part(ValueId root, Layers& layers);
  void refuse_circles();
  /// The paths of all nodes inside a part, by which `with` may speak of them.
  [[nodiscard]] std::vector<std::string> inner_paths(ValueId root) const;
  void tell(ValueId with, ValueId root, PartUse& use);

  const JsonDocument& document_;
  Faults& faults_;
  std::unordered_map<std::string, ValueId> parts_, shared_;
};

/// A path without the indexes of copies: `cards/card[2]/title` is `cards/card/title`.
[[nodiscard]] std::string without_indexes(std::string_view path);

}  // namespace fond_ladder::scene
