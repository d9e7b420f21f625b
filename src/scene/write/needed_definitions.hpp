// SPDX-License-Identifier: MIT
#pragma once

#include <map>
#include <string_view>
#include <utility>
#include <vector>

#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// The ranges, modes, fonts, parts or shared keys that a scene needs of itself and of the files that it uses: all of
/// its own, and of theirs what its nodes and claims come to by name. In the order in which they count, the weakest
/// first.
class NeededDefinitions {
 public:
  NeededDefinitions(const JsonDocument& document, const UsedFiles& used);

  /// `key` is one of those five.
  [[nodiscard]] std::vector<ValueId> of(std::string_view key) const;

 private:
  void list(ValueId top, std::string_view key);
  void look_through(ValueId value, std::vector<ValueId>& open);
  [[nodiscard]] bool is_claimed(std::string_view name) const;
  void need(std::string_view key, std::string_view name, std::vector<ValueId>& open);

  struct Definition {
    std::string_view key;
    ValueId value;
    bool needed = false, beaten = false;
  };
  const JsonDocument& document_;
  std::vector<Definition> all_;
  std::map<std::pair<std::string_view, std::string_view>, std::size_t>
      places_;  // by key and name, of the one that counts
};

}  // namespace fond_ladder::inline v0::scene
