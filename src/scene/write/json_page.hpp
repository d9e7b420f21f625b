// SPDX-License-Identifier: MIT
#pragma once

// JSON laid out for people: what fits on one line gets one line, a longer list gets a line per item, a longer
// object fills its lines.

#include <string>
#include <string_view>
#include <vector>

namespace fond_ladder::inline v0::scene {

class JsonPage {
 public:
  /// Begins an object (`{`) or a list (`[`). `key` is left empty in lists.
  void open(char bracket, std::string_view key = {});
  void close();
  /// A value that is JSON already.
  void value(std::string_view key, std::string_view json);
  /// Everything on one line.
  [[nodiscard]] std::string line() const;
  /// Everything on a page, the members of the outermost object a line each.
  [[nodiscard]] std::string page() const;

 private:
  struct Item {
    std::string head;       // key and value, or key and bracket
    char bracket = 0;       // of an object or list
    std::size_t end = 0;    // the item behind it and all that is in it
    std::size_t width = 0;  // of all that on one line
  };
  [[nodiscard]] std::string flat(std::size_t from, std::size_t end) const;

  std::vector<Item> items_;
  std::vector<std::size_t> open_;
};

}  // namespace fond_ladder::inline v0::scene
