// SPDX-License-Identifier: MIT
#include "calls/refusal.hpp"

#include <ostream>

#include "model/printable.hpp"

namespace fond_ladder::calls {

void tell_refusal(std::ostream& err, const std::string& message) {
  err << "fond-ladder: error: " << printable(message) << '\n';
}

}  // namespace fond_ladder::calls
