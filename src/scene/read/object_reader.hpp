// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <string_view>

#include "model/known_elsewhere.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/json_document.hpp"

namespace fond_ladder::inline v0::scene {

/// What the readers of objects have in common.
class ObjectReader {
 protected:
  ObjectReader(const JsonDocument& document, Faults& faults) : document_(document), faults_(faults) {}

  template <class Each>
  void for_each_member(ValueId object, Each each) const {
    for (ValueId id = document_[object].first; id != no_value; id = document_[id].next) each(id, document_[id]);
  }
  /// Refuses keys that are given twice.
  void refuse_twins(ValueId object);
  /// Refuses a member, naming the nearest of the keys that would be known, or all of them.
  void unknown_key(ValueId id, std::span<const std::string_view> words, Vocabulary vocabulary = Vocabulary::names);

  const JsonDocument& document_;
  Faults& faults_;
};

}  // namespace fond_ladder::inline v0::scene
