// SPDX-License-Identifier: MIT
#pragma once

// Changes of a JSON text as a person would type them: each replaces a stretch of it, and all else, comments among it,
// stays as it was written.

#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "scene/read/json_document.hpp"

namespace fond_ladder::inline v0::scene {

/// A change to an object: by member a new value, or changes inside an object that is there already.
struct MemberEdit {
  struct Member;
  std::string json;  ///< of the value; where there are members, of an object to begin from, or empty
  std::vector<Member> members;

  /// The place of a member, made where it is new.
  [[nodiscard]] MemberEdit& at(std::string_view member);
};
struct MemberEdit::Member {
  std::string name;
  MemberEdit edit;
};

class Splices {
 public:
  /// Both must outlive this; the document is that of the text.
  Splices(const JsonDocument& document, std::string_view text) : document_(document), text_(text) {}

  void replace(ValueId value, std::string json);
  /// Gives a member of an object another key.
  void rename(ValueId member, std::string_view key);
  /// Makes the changes in `edit` to an object of the document. Each member at most once.
  void set(ValueId object, const MemberEdit& edit);
  /// Takes members of one object, or items of one list, out with their commas. Once for a list or object.
  void take_out(ValueId holder, const std::vector<ValueId>& values);
  /// Puts items into a list ahead of `before`, or behind the last one of those that stay; `out` are those of it that
  /// are taken out as well.
  void put_in(ValueId list, ValueId before, const std::string& items, const std::vector<ValueId>& out = {});

  [[nodiscard]] bool empty() const { return stretches_.empty(); }
  /// The text with all of that.
  [[nodiscard]] std::string text() const;
  /// The text of a value as it was.
  [[nodiscard]] std::string text_of(ValueId value) const {
    return std::string(text_.substr(document_[value].offset, document_.length(value)));
  }

 private:
  struct Stretch {
    std::size_t from, to;
    std::string text;
  };
  const JsonDocument& document_;
  std::string_view text_;
  std::vector<Stretch> stretches_;
};

/// The change as JSON of its own.
[[nodiscard]] std::string json_of(const MemberEdit& edit);

}  // namespace fond_ladder::inline v0::scene
