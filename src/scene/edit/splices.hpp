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

/// What is to be said by an object: by member a value, or what an inner object is to say beside what it says already.
struct SaidInside {
  struct Member;
  std::string json;  ///< of the value; where there are members, of an object to begin from, or empty
  std::vector<Member> members;

  /// The place of a member, made where it is new.
  [[nodiscard]] SaidInside& at(std::string_view member);
};
struct SaidInside::Member {
  std::string name;
  SaidInside said;
};

class Splices {
 public:
  /// Both must outlive this; the document is that of the text.
  Splices(const JsonDocument& document, std::string_view text) : document_(document), text_(text) {}

  void replace(ValueId value, std::string json);
  /// Gives a member of an object another key.
  void rename(ValueId member, std::string_view key);
  /// Says what is in `said` in an object that is in the document. A member is said once.
  void say(ValueId object, const SaidInside& said);
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

/// What is said as JSON, by itself.
[[nodiscard]] std::string json_of(const SaidInside& said);

}  // namespace fond_ladder::inline v0::scene
