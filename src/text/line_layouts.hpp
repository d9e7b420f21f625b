// SPDX-License-Identifier: MIT
#pragma once

#include <pango/pango.h>

#include <string_view>

#include "fond_ladder/text_shaper.hpp"
#include "text/owned.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace typeset {

/// A TextShaper whose fonts can be drawn: what Cairo's pictures need of it.
class LineLayouts {
 public:
  LineLayouts() = default;
  LineLayouts(const LineLayouts&) = delete;
  LineLayouts& operator=(const LineLayouts&) = delete;
  virtual ~LineLayouts() = default;
  /// A text on one line, in a style, shaped. To be drawn by one thread at a time.
  [[nodiscard]] virtual Owned<PangoLayout> line(std::string_view text, const FontStyle& style) const = 0;
};

}  // namespace typeset
}  // namespace v0
}  // namespace fond_ladder
