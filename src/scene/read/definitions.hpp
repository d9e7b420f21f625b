// SPDX-License-Identifier: MIT
#pragma once

// What a scene file defines once and uses often: parts and shared keys. A node of the file is a pile of objects with
// keys, each of which beats those before it: `each_child` of its parent, its part, its `like`, `with`, its own, and,
// for a node inside a part, the `with` of each use of that part.

#include <array>
#include <map>
#include <memory>
#include <set>
#include <string>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "fond_ladder/settings.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// The settings for inner nodes in the `with` of a use of a part, or in an item of `copies`: a tree of the steps of
/// their paths.
struct WithSettings {
  explicit WithSettings(Source of = Source::with) : source(of) {}
  Source source;
  std::vector<ValueId> objects;  ///< objects of keys, the weakest first
  std::map<std::string, std::unique_ptr<WithSettings>, std::less<>> inner;
};

/// One use of a part.
struct PartUse {
  std::shared_ptr<const WithSettings> settings;
  std::shared_ptr<const PartUse> outer;  ///< the use of a part around this use
  std::string_view name;                 ///< of the part
};

/// The uses of parts around a node; empty outside of all parts.
struct PlaceInPart {
  std::shared_ptr<const PartUse> use;         ///< the innermost
  std::vector<const WithSettings*> settings;  ///< the settings for the node or below it, the innermost use first
};

/// An object with keys of a node.
struct Layer {
  ValueId object = no_value;
  Source source = Source::own;
  std::string_view name{};  ///< of the part or the shared keys; as long as the document
};
/// All objects with keys of one node, the weakest first.
using Layers = std::vector<Layer>;

class Definitions {
 public:
  Definitions(const JsonDocument& document, Faults& faults) : document_(document), faults_(faults) {}

  /// Take in the values of "parts" and "shared" of one file; what is known already beats them.
  void learn_parts(ValueId parts);
  void learn_shared(ValueId shared);
  /// When all is known: parts that contain themselves are faults, and count as unknown.
  void refuse_circles();

  [[nodiscard]] const std::unordered_map<std::string, ValueId>& parts() const { return parts_; }
  [[nodiscard]] const std::unordered_map<std::string, ValueId>& shared() const { return shared_; }

  /// `each_child` may be none.
  [[nodiscard]] Layers layers_of(ValueId node, ValueId each, const PlaceInPart& place);
  /// The member `key` of the strongest layer that has it, or none.
  [[nodiscard]] ValueId strongest(const Layers& layers, std::string_view key) const;
  /// The list of children of a node, its own or its part's; none when there is none.
  [[nodiscard]] ValueId children_of(ValueId node) const;
  /// The place of the children of a node: the use of a part that begins with it, and those around it.
  [[nodiscard]] PlaceInPart around_children(ValueId node, const PlaceInPart& place);
  /// Adds the settings of an item of `copies` for one copy of `node` and its descendants.
  void add_copy(ValueId item, ValueId node, PlaceInPart& place);
  /// The place of one of those children, `index` among its siblings, and of one copy of it; -1: of all.
  [[nodiscard]] PlaceInPart place_of_child(const PlaceInPart& around, ValueId child, std::size_t index, int copy) const;
  /// The name that a node has by its own keys, or by those of its part's root; empty when it has none.
  [[nodiscard]] std::string_view name_of(ValueId node) const;
  /// The last step of a child's path: its name, or its kind and place.
  [[nodiscard]] std::string step_of(ValueId child, std::size_t place) const;
  /// Whether a node that was read takes shared keys of that name, or the part.
  [[nodiscard]] bool is_used(Source source, std::string_view name) const { return used_.contains({source, name}); }
  [[nodiscard]] bool has_part(ValueId node) const { return part_of(node) != no_value; }

  std::vector<Clash> clashes;

 private:
  /// The root of the part that a node uses, or none.
  [[nodiscard]] ValueId part_of(ValueId node) const;
  void add_likes(ValueId object, Layers& layers);
  void add_part(ValueId root, Layers& layers);
  void learn(ValueId id, std::unordered_map<std::string, ValueId>& defined);
  [[nodiscard]] std::string hint(std::string_view typed, const std::unordered_map<std::string, ValueId>& defined) const;
  /// The nodes inside a part that `with` may name.
  struct Inner {
    std::vector<std::size_t> parent;  ///< by place in this list; of those at the top `npos`
    std::vector<std::string> step;
    std::unordered_map<std::string_view, std::vector<std::size_t>> named;
    static constexpr std::size_t at_top = static_cast<std::size_t>(-1);
    [[nodiscard]] std::string path(std::size_t node) const;
  };
  [[nodiscard]] const Inner& inner_of(ValueId root);
  void add(ValueId object, ValueId root, WithSettings& settings);
  void add_one(ValueId objects, const Inner& inner, WithSettings& settings);

  const JsonDocument& document_;
  Faults& faults_;
  std::unordered_map<std::string, ValueId> parts_, shared_;
  std::set<std::pair<Source, std::string_view>> used_;
  std::unordered_set<std::string> circular_;  // parts that were refused
  std::unordered_map<ValueId, Inner> inner_;  // by root
  std::unordered_map<ValueId, std::shared_ptr<const WithSettings>>
      settings_;  // by node that uses a part, or by item of `copies`
  std::size_t looked_through_ = 0;
};

/// Keys of a node that shape the tree, beside those of the table.
inline constexpr std::array<std::string_view, 7> shaping_keys{"children", "each_child", "like", "part",
                                                              "with",     "copies",     "when"};
[[nodiscard]] bool shapes(std::string_view key);

/// A path without the indexes of copies: `cards/card[2]/title` is `cards/card/title`.
[[nodiscard]] std::string without_indexes(std::string_view path);

}  // namespace fond_ladder::inline v0::scene
