// SPDX-License-Identifier: MIT
#pragma once

// JSON texts as a flat list of values that know where they stand, so that every fault can name its place: a scene file,
// and behind it those that it uses. Parsing is the library's; only the places are worked out here.

#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

namespace fond_ladder::inline v0::scene {

using ValueId = std::uint32_t;
inline constexpr ValueId no_value = 0xFFFFFFFF;

struct JsonValue {
  enum class Type : std::uint8_t { null, boolean, number, string, array, object };
  Type type = Type::null;
  bool boolean = false;
  double number = 0;
  std::string text;  // of a string
  std::string key;   // of a member
  ValueId parent = no_value, first = no_value, next = no_value;
  std::uint32_t place = 0;            // among the siblings
  std::uint32_t offset = 0, end = 0;  // in the text, in bytes
  std::uint32_t key_offset = 0;
  ValueId written = no_value;  // of what stands for another value (unfold_dotted_keys): that one
};

struct Position {
  std::size_t line = 1, column = 1;
};

/// Lines and columns from 1, columns in bytes.
[[nodiscard]] Position position_in(std::string_view text, std::size_t offset);

/// Whether a text that is JSON but for its comments has any.
[[nodiscard]] bool has_comments(std::string_view text);

/// Why a text is no JSON, and where.
struct JsonFault {
  std::size_t offset = 0;
  std::string message;
};

class JsonDocument {
 public:
  /// Throws JsonFault.
  explicit JsonDocument(std::string_view text) { add(text); }
  /// Reads one more text, and returns its outermost value. Throws JsonFault, and is what it was then.
  ValueId add(std::string_view text);

  [[nodiscard]] const JsonValue& operator[](ValueId id) const { return values_[id]; }
  [[nodiscard]] ValueId root() const { return 0; }
  /// Makes `"about.text": "x"` where inner nodes are spoken of what it is short for, `"about": {"text": "x"}`. Faults
  /// still name what is written.
  void unfold_dotted_keys();
  /// Whether an object gives keys to a node and to those inside of it: a `with`, or an item of `copies`.
  [[nodiscard]] bool speaks_of_inner(ValueId object) const;
  /// Which of the texts a value stands in; 0: the first.
  [[nodiscard]] std::size_t text_of(ValueId id) const;
  /// Whether two values say the same, their keys and the order of members apart.
  [[nodiscard]] bool alike(ValueId one, ValueId other) const;
  /// The member of an object, or `no_value`.
  [[nodiscard]] ValueId member(ValueId object, std::string_view key) const;
  /// How many bytes of the text a value takes, its key left out.
  [[nodiscard]] std::size_t length(ValueId id) const { return values_[id].end - values_[id].offset; }
  [[nodiscard]] std::size_t size() const { return values_.size(); }
  /// RFC 6901.
  [[nodiscard]] std::string pointer(ValueId id) const;

 private:
  std::vector<JsonValue> values_;
  std::vector<ValueId> roots_;
};

}  // namespace fond_ladder::inline v0::scene
