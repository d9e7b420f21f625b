// SPDX-License-Identifier: MIT
#pragma once

// A key in effect as data, as settings() returns it.

#include <string>

#include "fond_ladder/source.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One key of one node: the value in effect, and where it was set.
struct Setting {
  std::string key;
  std::string value;  ///< as a scene file writes it; empty for a default without a value
  Source source = Source::by_default;
  std::string name;        ///< of the part, the shared keys, the range or the mode
  bool has_effect = true;  ///< false: the key has no effect on this kind of node in this kind of parent
};

}  // namespace v0
}  // namespace fond_ladder
