// SPDX-License-Identifier: MIT
#include "calls/refusal.hpp"

#include <new>
#include <ostream>
#include <system_error>

#include "model/printable.hpp"

namespace fond_ladder::calls {

void tell_refusal(std::ostream& err, const std::string& message) {
  err << "fond-ladder: error: " << with_short_names(printable(message)) << '\n';
}

void tell_hint(std::ostream& err, const std::string& sentence) {
  err << "hint: " << with_short_names(printable(sentence)) << '\n';
}

std::string told_of(const std::exception& error) {
  if (dynamic_cast<const std::bad_alloc*>(&error) != nullptr)
    return "there is not enough memory for this; allow more (ulimit -v), or ask for fewer sizes or nodes at once";
  const auto* refused = dynamic_cast<const std::system_error*>(&error);
  if (refused != nullptr && refused->code() == std::errc::resource_unavailable_try_again)
    return "the system gives no more threads; allow more (ulimit -u)";
  return error.what();
}

}  // namespace fond_ladder::calls
