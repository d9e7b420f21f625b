// SPDX-License-Identifier: MIT
#pragma once

// The one writer of JSON answers. It writes as it goes, so that an answer of any length takes no memory; commas, quotes
// and numbers are its own business, so that whatever is written is JSON as long as each begin has its end.

#include <concepts>
#include <iosfwd>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0 {

class JsonWriter {
 public:
  explicit JsonWriter(std::ostream& out) : out_(out) {}

  /// In objects every value has a key, in lists none.
  void begin_object(std::string_view key = {});
  void begin_list(std::string_view key);
  /// A list with a line for each of its entries.
  void begin_lines(std::string_view key);
  /// A list of objects, a line each: `each(item)` writes the fields of one.
  template <class Items, class Each>
  void objects(std::string_view key, const Items& items, Each each) {
    begin_lines(key);
    for (const auto& item : items) {
      begin_object();
      each(item);
      end();
    }
    end();
  }
  /// Ends what was begun last.
  void end();

  void text(std::string_view key, std::string_view value);
  /// In shortest form that reads back the same; what is no finite number is null.
  void number(std::string_view key, double value);
  void number(std::string_view key, const std::optional<double>& value);
  template <std::integral Whole>
  void number(std::string_view key, Whole value) {
    number(key, static_cast<double>(value));
  }
  void truth(std::string_view key, bool value);
  void null(std::string_view key);
  void texts(std::string_view key, const std::vector<std::string>& values);
  /// JSON that is written already.
  void json(std::string_view key, std::string_view value);

  /// `{"width": 240, "height": 48}`
  void extent(std::string_view key, const Extent& size);
  /// `{"x": 16, "y": 76, "width": 240, "height": 48}`, or null.
  void box(std::string_view key, const std::optional<Rect>& box);

 private:
  void ahead_of_value(std::string_view key);

  struct Open {
    char closer;
    bool a_line_each;
    bool empty = true;
  };
  std::ostream& out_;
  std::vector<Open> open_;
};

}  // namespace fond_ladder::inline v0
