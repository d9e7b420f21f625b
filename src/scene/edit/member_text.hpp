// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0::scene {

/// Steps from an object to a value in it: `padding.left`, `each.shrink`, `when.narrow.gap.x`.
class MemberPath {
 public:
  /// Of a node.
  explicit MemberPath(std::span<const std::string> steps);
  /// Of objects that hold no keys of nodes.
  [[nodiscard]] static MemberPath plain(std::span<const std::string> steps);

  /// To the key: `when`, `narrow`, `gap`.
  [[nodiscard]] const std::vector<std::string>& way() const { return way_; }
  /// Inside the key's value: `x`.
  [[nodiscard]] const std::vector<std::string>& inside() const { return inside_; }
  /// The key in the table; null for what is none.
  [[nodiscard]] const KeyEntry* entry() const { return entry_; }

  /// A value as JSON: unchanged if it is JSON, else as a word. Names and texts are always strings.
  [[nodiscard]] std::string value_text(std::string_view value) const;
  /// The same of a text, without quotes.
  [[nodiscard]] std::string plain_text(std::string_view value) const;
  /// The value of the key, as JSON, in the form in which a step can be set: if one word stands for a part alone, an
  /// object of that part.
  [[nodiscard]] std::string opened(const std::string& json) const;

 private:
  MemberPath() = default;
  std::vector<std::string> way_, inside_;
  const KeyEntry* entry_ = nullptr;
};

/// JSON with the value at `steps` inside it changed. A length for all sides, or both axes, stays in force
/// for the others.
[[nodiscard]] std::string changed_value(const std::string& json, std::span<const std::string> steps,
                                        const std::string& value);

}  // namespace fond_ladder::inline v0::scene
