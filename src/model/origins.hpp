// SPDX-License-Identifier: MIT
#pragma once

// Where each key of each node was set, for scenes that were read from a file. Nodes with the same sources share one
// list, so that copies and rows of similar nodes cost a few bytes each.

#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <unordered_map>
#include <utility>
#include <vector>

#include "fond_ladder/source.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace detail {

class Origins {
 public:
  struct Entry {
    std::uint8_t key = 0;  // its place in the table of keys
    Source source = Source::own;
    std::uint32_t name = 0;  // its place among the names
    friend auto operator<=>(const Entry&, const Entry&) = default;
  };

  /// Returns the number of a name for sources; the empty name is 0.
  [[nodiscard]] std::uint32_t name(std::string_view text);
  [[nodiscard]] const std::string& name_at(std::uint32_t place) const { return names_[place]; }
  /// Replaces the sources of a node, the weakest first.
  void note(NodeId node, const std::vector<Entry>& entries);
  [[nodiscard]] const std::vector<Entry>& of(NodeId node) const;

  /// Unused shared keys and parts of the file, in the order of the file.
  struct Unused {
    Source source = Source::part;
    std::string name;
  };
  std::vector<Unused> unused;

  /// Names that two files define, both of them used by the scene.
  struct Clash {
    std::string key;  ///< ranges, shared or parts
    std::string name;
    std::string beaten, counts;  ///< the files
  };
  std::vector<Clash> clashes;
  std::vector<std::string> of_used_files;  ///< ranges and modes that the scene's own file does not name

 private:
  std::vector<std::string> names_{""};
  std::unordered_map<std::string, std::uint32_t> numbers_{{"", 0}};
  std::map<std::vector<Entry>, std::uint32_t> places_;
  std::vector<std::vector<Entry>> lists_;
  std::vector<std::pair<NodeId, std::uint32_t>> by_node_;  // sorted
};

}  // namespace detail
}  // namespace v0
}  // namespace fond_ladder
