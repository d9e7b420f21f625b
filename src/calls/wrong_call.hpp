// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/error.hpp"

namespace fond_ladder::calls {

/// The call is wrong; each message says what is wrong and what to write instead.
class WrongCall : public Error {
 public:
  explicit WrongCall(const std::string& message) : WrongCall(std::vector{message}) {}
  /// At least one.
  explicit WrongCall(std::vector<std::string> messages) : Error(messages.front()), messages_(std::move(messages)) {}
  [[nodiscard]] const std::vector<std::string>& messages() const { return messages_; }

 private:
  std::vector<std::string> messages_;
};

}  // namespace fond_ladder::calls
