// SPDX-License-Identifier: MIT
#pragma once

// JSON texts as a flat list of values that know where they stand, so that every fault can name its place: a scene file,
// and behind it those that it uses. Parsing is the library's; only the places are worked out here.

#include <cstdint>
#include <memory>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

namespace fond_ladder::inline v0::scene {

using ValueId = std::uint32_t;
inline constexpr ValueId no_value = 0xFFFFFFFF;

/// Words of a document, which live as long as that; copied where somebody keeps them.
class JsonWords : public std::string_view {
 public:
  using std::string_view::string_view;
  operator std::string() const { return {data(), size()}; }  // NOLINT(google-explicit-constructor): to keep them
  friend std::string operator+(const JsonWords& words, std::string_view more) {
    return std::string(words).append(more);
  }
  friend std::string operator+(std::string before, const JsonWords& words) { return before.append(words); }
};

/// A value as it is read.
struct JsonValue {
  enum class Type : std::uint8_t { null, boolean, number, string, array, object };
  Type type = Type::null;
  bool boolean = false;
  double number = 0;
  JsonWords text;  // of a string
  JsonWords key;   // of a member
  ValueId parent = no_value, first = no_value, next = no_value;
  std::uint32_t place = 0;            // among the siblings
  std::uint32_t offset = 0, end = 0;  // in the text, in bytes
  std::uint32_t key_offset = 0;
  ValueId written = no_value;  // of a value that replaces another one (unfold_dotted_keys): that one
};

struct Position {
  std::size_t line = 1, column = 1;
};

/// Lines and columns from 1, columns in bytes.
[[nodiscard]] Position position_in(std::string_view text, std::size_t offset);

/// Whether a text that is JSON but for its comments has any.
[[nodiscard]] bool has_comments(std::string_view text);

/// Why a text is no JSON, or none that a scene could have, and where.
struct JsonFault {
  std::size_t offset = 0;
  std::string message;
};

/// What a path of an inner node may begin with, so that it is not read as a key: `"./pin": { "width": 9 }`.
inline constexpr std::string_view inner_path_mark = "./";

/// Values are kept in 56 bytes each, and texts once. What packs more values into its bytes than a scene has any use for
/// is refused before it costs memory: 10 MB of brackets would be 500 MB.
class JsonDocument {
 public:
  /// Throws JsonFault.
  explicit JsonDocument(std::string_view text) { add(text); }
  /// Reads one more text, and returns its outermost value. Throws JsonFault, and is what it was then.
  ValueId add(std::string_view text);

  /// The value of an id; null for `no_value`, which `member` returns for a key that is left out.
  [[nodiscard]] JsonValue operator[](ValueId id) const {
    if (id == no_value) return {};
    const Record& one = record(id);
    JsonValue value;
    value.type = one.type;
    value.boolean = one.boolean;
    if (one.type == JsonValue::Type::number) value.number = one.number;
    if (one.type == JsonValue::Type::string) value.text = {one.text, one.text_length};
    value.key = {one.key, one.key_length};
    value.parent = one.parent;
    value.first = one.first;
    value.next = one.next;
    value.place = one.place;
    value.offset = one.offset;
    value.end = one.end;
    value.key_offset = one.key_offset;
    if (one.stands) value.written = written_.at(id);
    return value;
  }
  [[nodiscard]] ValueId root() const { return 0; }
  /// Expands `"about.text": "x"` (or `"./about.text"`), where inner nodes may be named, to
  /// `"about": {"text": "x"}`. Errors
  /// still name what is written.
  void unfold_dotted_keys();
  /// Whether an object gives keys to a node and to those inside of it: a `with`, or an item of `copies`.
  [[nodiscard]] bool speaks_of_inner(ValueId object) const;
  /// The text that contains a value; 0: the first.
  [[nodiscard]] std::size_t text_of(ValueId id) const;
  /// Whether two values are equal, without their keys and regardless of the order of members.
  [[nodiscard]] bool equal_values(ValueId one, ValueId other) const;
  /// The member of an object, or `no_value`.
  [[nodiscard]] ValueId member(ValueId object, std::string_view key) const;
  /// How many bytes of the text a value takes, its key left out.
  [[nodiscard]] std::size_t length(ValueId id) const { return record(id).end - record(id).offset; }
  [[nodiscard]] std::size_t size() const { return size_; }
  /// RFC 6901.
  [[nodiscard]] std::string pointer(ValueId id) const;

 private:
  class Builder;
  struct Record {
    union {
      double number = 0;
      const char* text;
    };
    const char* key = nullptr;
    std::uint32_t text_length = 0, key_length = 0;
    ValueId parent = no_value, first = no_value, next = no_value;
    std::uint32_t place = 0, offset = 0, end = 0, key_offset = 0;
    JsonValue::Type type = JsonValue::Type::null;
    bool boolean = false, stands = false;  // for another value
  };
  // Values in blocks, so that none is copied when there are more; texts in blocks, or alone where they are long.
  static constexpr std::size_t block = 4096;

  [[nodiscard]] const Record& record(ValueId id) const { return blocks_[id / block][id % block]; }
  [[nodiscard]] Record& record(ValueId id) { return blocks_[id / block][id % block]; }
  ValueId put(const Record& one);
  [[nodiscard]] std::string_view keep(std::string_view text);

  std::vector<std::unique_ptr<Record[]>> blocks_;
  std::size_t size_ = 0;
  std::vector<std::unique_ptr<char[]>> texts_;
  std::size_t text_space_ = 0;                    // left in the last of them
  std::unordered_map<ValueId, ValueId> written_;  // the written value for each expanded one
  std::vector<ValueId> roots_;
};

}  // namespace fond_ladder::inline v0::scene
