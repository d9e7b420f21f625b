// SPDX-License-Identifier: MIT
#include "calls/refusal.hpp"

#include <new>
#include <ostream>
#include <system_error>

#include "model/printable.hpp"

namespace fond_ladder::calls {

void print_error(std::ostream& err, const std::string& message) {
  err << "fond-ladder: error: " << with_short_names(printable(message)) << '\n';
}

void print_hint(std::ostream& err, const std::string& sentence) {
  err << "hint: " << with_short_names(printable(sentence)) << '\n';
}

std::string message_of(const std::exception& error) {
  if (dynamic_cast<const std::bad_alloc*>(&error) != nullptr)
    return "out of memory; raise the limit (ulimit -v), or use fewer sizes or nodes";
  const auto* refused = dynamic_cast<const std::system_error*>(&error);
  if (refused != nullptr && refused->code() == std::errc::resource_unavailable_try_again)
    return "the system allows no more threads; raise the limit (ulimit -u)";
  return error.what();
}

}  // namespace fond_ladder::calls
