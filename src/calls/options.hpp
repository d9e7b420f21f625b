// SPDX-License-Identifier: MIT
#pragma once

// The options of a command, as data: parsing, help, completion and the manual are made from it.

#include <functional>
#include <string>
#include <variant>
#include <vector>

namespace fond_ladder::calls {

enum class Format { table, json, csv };

/// One use of an option whose order among other options matters.
struct OptionUse {
  std::string option;  // --set
  std::string value;
};

struct Option {
  std::string name;   // --at, or -o,--output; SCENE for an argument by its place
  std::string value;  // what follows, as in SIZE or svg|png|pdf; nothing behind a flag
  std::string about;
  bool required = false;
  std::variant<bool*, std::string*, std::vector<std::string>*, std::vector<OptionUse>*,
               std::function<void(const std::string&)>>
      into;

  [[nodiscard]] bool is_argument() const { return !name.starts_with('-'); }
  [[nodiscard]] bool is_flag() const { return std::holds_alternative<bool*>(into); }
  [[nodiscard]] bool is_repeatable() const {
    return std::holds_alternative<std::vector<std::string>*>(into) || keeps_order();
  }
  /// Whether it is collected together with other options, in the order of the call.
  [[nodiscard]] bool keeps_order() const { return std::holds_alternative<std::vector<OptionUse>*>(into); }
};

class Options {
 public:
  /// Arguments by their place.
  void argument(std::string name, std::string& into, std::string about);
  /// One or more.
  void arguments(std::string name, std::vector<std::string>& into, std::string about);
  void optional_argument(std::string name, std::string& into, std::string about);
  void flag(std::string name, bool& into, std::string about);
  void text(std::string name, std::string value, std::string& into, std::string about);
  void list(std::string name, std::string value, std::vector<std::string>& into, std::string about);
  /// Repeatable; several options with one list are collected there in the order of the call.
  void in_order(std::string name, std::string value, std::vector<OptionUse>& into, std::string about);
  /// `--format`, of those that a command can print, the first being the default.
  void format(Format& into, const std::vector<Format>& possible);
  /// Replaces the description of an option.
  void describe(const std::string& name, std::string about);

  [[nodiscard]] const std::vector<Option>& all() const { return all_; }

 private:
  std::vector<Option> all_;
};

}  // namespace fond_ladder::calls
