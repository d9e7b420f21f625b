// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/scene_file.hpp"
#include "scene/json_document.hpp"

namespace fond_ladder::scene {

/// Collects what is wrong with one document, to be told all at once.
class Faults {
 public:
  Faults(std::string file, std::string_view text) : file_(std::move(file)), text_(text) {}

  /// A fault of a value, shown at the value or, with `at_key`, at its key.
  void add(const JsonDocument& document, ValueId value, std::string message, bool at_key = false);
  [[nodiscard]] bool empty() const { return found_.empty(); }
  /// Throws BadScene with all faults in the order of the file.
  [[noreturn]] void raise();
  /// Throws BadScene with one fault at an offset.
  [[noreturn]] void raise_at(std::size_t offset, std::string message);

 private:
  struct Found {
    std::size_t offset = 0;
    std::string pointer, message;
  };
  [[nodiscard]] SceneFault placed(const Found& found) const;

  std::string file_;
  std::string_view text_;
  std::vector<Found> found_;
};

/// `; the nearest one is "..."`, or nothing when no word is near.
[[nodiscard]] std::string nearest_hint(std::string_view typed, std::span<const std::string_view> words);

}  // namespace fond_ladder::scene
