// SPDX-License-Identifier: MIT
#include "calls/refusal.hpp"

#include <new>
#include <ostream>
#include <system_error>

#include "model/printable.hpp"

namespace fond_ladder::calls {

void tell_refusal(std::ostream& err, const std::string& message) {
  err << "fond-ladder: error: " << printable(message) << '\n';
}

std::string told_of(const std::exception& error) {
  if (dynamic_cast<const std::bad_alloc*>(&error) != nullptr)
    return "there is not enough memory for this; allow more (ulimit -v), or ask for fewer sizes or nodes at once";
  if (dynamic_cast<const std::system_error*>(&error) != nullptr)
    return std::string("the system gives no more threads: ") + error.what() + "; allow more (ulimit -u)";
  return error.what();
}

}  // namespace fond_ladder::calls
