// SPDX-License-Identifier: MIT
#pragma once

#include <set>
#include <string>
#include <string_view>
#include <tuple>
#include <utility>
#include <vector>

#include "fond_ladder/scene_file.hpp"
#include "scene/read/json_document.hpp"

namespace fond_ladder::inline v0::scene {

/// Collects the errors of one document, each of whose texts is a file, to report them together.
class Faults {
 public:
  Faults(std::string file, std::string_view text) { add_text(std::move(file), text); }

  /// Takes in the file of the document's next text, which must outlive this.
  void add_text(std::string file, std::string_view text) { texts_.push_back({std::move(file), text}); }
  [[nodiscard]] const std::string& file_of(std::size_t text) const { return texts_[text].file; }

  /// A fault of a value, shown at the value or, with `at_key`, at its key. What is known already is not kept again:
  /// keys that many nodes take are read once for each of them.
  void add(const JsonDocument& document, ValueId value, std::string message, bool at_key = false);
  /// A fault at an offset in the text that was taken in last.
  void add_at(std::size_t offset, std::string message);
  /// The place of a value, as an error without a message.
  [[nodiscard]] SceneError placed_at(const JsonDocument& document, ValueId value) const;
  [[nodiscard]] bool empty() const { return found_.empty(); }
  /// Whether further errors are only counted, so that no nearest word needs to be found.
  [[nodiscard]] bool lists_no_more() const;
  /// Whether so much is wrong that reading on is of no use.
  [[nodiscard]] bool is_full() const;
  /// Throws BadScene with all faults in the order of the files.
  [[noreturn]] void raise();
  /// Throws BadScene with one fault at an offset in the first text.
  [[noreturn]] void raise_at(std::size_t offset, std::string message);

 private:
  struct Text {
    std::string file;
    std::string_view text;
  };
  struct Found {
    std::size_t text = 0, offset = 0;
    std::string message;
    const JsonDocument* document = nullptr;  // with the value, for its pointer
    ValueId value = no_value;
    friend bool operator<(const Found& a, const Found& b) {
      return std::tie(a.text, a.offset, a.message) < std::tie(b.text, b.offset, b.message);
    }
  };
  [[nodiscard]] SceneError placed(const Found& found) const;

  std::vector<Text> texts_;
  std::set<Found> found_;
};

}  // namespace fond_ladder::inline v0::scene
