// SPDX-License-Identifier: MIT
//
// A build without Pango: a call that needs fonts is told what to install.
#include "fond_ladder/fonts.hpp"

namespace fond_ladder::inline v0 {
namespace {

constexpr auto remedy =
    "this build has fixed text metrics only; to measure with fonts, install libpango1.0-dev and libcairo2-dev and "
    "build again";

}  // namespace

bool can_open_fonts() {
  return false;
}

std::vector<std::string> font_families() {
  return {};
}

std::shared_ptr<const TextShaper> open_fonts(const std::vector<NamedFont>& /*fonts*/) {
  throw BadFonts({{{}, "", remedy}});
}

std::shared_ptr<const SegmentedText> segments_of(_PangoLayout* /*layout*/, std::optional<int> /*max_lines*/) {
  throw BadSegments(remedy);
}

}  // namespace fond_ladder::inline v0
