// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <optional>
#include <set>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "model/area_map.hpp"
#include "model/key_table.hpp"
#include "model/origins.hpp"
#include "scene/read/conditions.hpp"
#include "scene/read/definitions.hpp"
#include "scene/read/object_reader.hpp"
#include "scene/read/tie_faults.hpp"
#include "scene/read/written_nodes.hpp"

namespace fond_ladder::inline v0::scene {

/// What parts and copies may make of a file, in nodes (limits::most_expanded), spent as they are read.
struct Budget {
  double left = 0;
  /// Whether there was enough.
  bool spend(double amount) { return (left -= amount) >= 0; }
};

/// Whether the content of a part is read at every use, or only once, where it is defined.
enum class Parts : std::uint8_t { expanded, as_written };

/// A node with node ranges, around the nodes that are being read: they can use its names.
struct OwnNames {
  std::vector<std::string> names;
  std::shared_ptr<const OwnNames> outer;
  unsigned level = 1;
  [[nodiscard]] bool declares(std::string_view name) const {
    return std::ranges::find(names, name) != names.end() || (outer && outer->declares(name));
  }
};

/// Reads nodes into a tree, parents first, in a loop, so that depth costs no stack.
class NodeReader : private ObjectReader {
 public:
  NodeReader(const JsonDocument& document, Faults& faults, Definitions& definitions, const Conditions& conditions,
             Budget& budget, double em, Direction direction)
      : ObjectReader(document, faults),
        definitions_(definitions),
        conditions_(conditions),
        budget_(budget),
        em_(em),
        direction_(direction) {}

  /// Reads a root and all that is in it. A fault does not stop the reading, the end of the budget does; the tree is
  /// good where there was none. Parts as written: neither what they bring nor copies are made, only looked at once.
  void read(ValueId root, Parts parts = Parts::expanded);
  /// Reads keys that several nodes will take, once, for their faults; `what` they are called. Returns whether nodes can
  /// take them.
  bool read_loose_keys(ValueId object, const std::string& what);

  std::optional<Tree> tree;  ///< absent when even the root was no node
  std::vector<When> whens;
  detail::Origins origins;
  WrittenNodes* written = nullptr;  ///< to be filled, where somebody asks

 private:
  struct Open {
    ValueId value;
    NodeId parent;
    ValueId each;                               // of the parent, or none
    std::shared_ptr<const PlaceInPart> around;  // what all children of the parent lie in; null outside of parts
    std::size_t index = 0;                      // among its siblings in the file
    int copy = -1;                              // which one, of a node that is copied
    bool spare = false;                         // there under some condition only
    double times = 1;                           // how many copies of it there are, those of its parents counted
    std::shared_ptr<const OwnNames> scope{};    // of the parent
    std::size_t siblings = 1;                   // how many children of the parent are written
    ValueId item = no_value;                    // the item of a list of copies for this one
  };
  /// Keys of a node under one condition, from all its layers.
  struct Form {
    Keys values;
    std::vector<const KeyEntry*> set_keys;
    std::optional<bool> hides;  // for a copy: whether it is one too many
  };

  void read_node(const Open& at, std::vector<Open>& open);
  [[nodiscard]] bool pay_for(const Layers& layers);
  bool open_copies(const Open& at, const Layers& layers, std::vector<Open>& open);
  bool open_entries(const Open& at, const Layers& layers, ValueId place, std::vector<Open>& open);
  void open_children(const Open& at, const Layers& layers, const PlaceInPart& place, NodeId node, const Keys& keys,
                     const std::shared_ptr<const OwnNames>& scope, std::vector<Open>& open);
  std::shared_ptr<const OwnNames> scope_of(const Open& at, const Layers& layers, const Keys& keys);
  NodeId plant(NodeId parent, const Keys& keys);
  Keys read_keys(const Open& at, const Layers& layers);
  void read_one(ValueId id, const JsonValue& member, Keys& keys);
  void list_children(ValueId list, std::vector<ValueId>& children);

  template <class Each>
  void for_each_when(const Layers& layers, Each each);
  void read_whens(const Open& at, const Layers& layers, NodeId node, const Keys& keys, const OwnNames* scope);
  [[nodiscard]] bool is_condition(std::string_view name, const OwnNames* scope);
  void refuse_unknown_condition(ValueId id, std::string_view name, const OwnNames* scope);
  void read_form(ValueId object, int copy, Form& form);
  void read_form_key(const KeyEntry& entry, ValueId id, Form& form);
  std::optional<int> count_of_copies(ValueId id);
  std::optional<int> count_of_items(ValueId list);
  int most_copies_of(const Layers& layers, int plain);

  void refuse_unknown_area(const Open& at, const Keys& keys);
  void refuse_too_many(ValueId node, const Keys& keys, std::size_t children);
  void refuse_twin(std::string_view name, ValueId place, ValueId other);
  void refuse_name_twins(const std::vector<ValueId>& children);

  Definitions& definitions_;
  const Conditions& conditions_;
  Budget& budget_;
  Parts parts_ = Parts::expanded;
  std::optional<std::set<std::string_view>> own_names_;  // of the whole file, once somebody asks
  double em_;
  Direction direction_;
  std::vector<TiedNode> tied_;
  std::vector<detail::Origins::Entry> set_bits_;  // of the node that was read last
  NodeId map_of_;                                 // the grid that was the last to have its areas read
  std::vector<std::string> map_lines_;
  AreaMap map_;
};

}  // namespace fond_ladder::inline v0::scene
