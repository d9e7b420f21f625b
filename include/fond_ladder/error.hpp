// SPDX-License-Identifier: MIT
#pragma once

// The base of all exceptions of this library.

#include <stdexcept>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Base of every exception that this library throws by itself. what() is one sentence or several lines for people: what
/// is wrong, and what to write instead. Exceptions of the standard library, such as std::bad_alloc, pass through calls
/// unchanged, as do those of custom content. A call that throws leaves its arguments unchanged, if it does not say
/// otherwise.
class Error : public std::runtime_error {
 public:
  using std::runtime_error::runtime_error;
};

}  // namespace v0
}  // namespace fond_ladder
