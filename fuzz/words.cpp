// SPDX-License-Identifier: MIT
//
// Texts in fonts, and files that say they are fonts. The first byte chooses: a text is set and broken at many widths,
// or the bytes are opened as a font and a text is set in it, or refused.
#include <sys/mman.h>
#include <unistd.h>

#include <cmath>

#include "fond_ladder/fonts.hpp"
#include "fond_ladder/typesetter.hpp"
#include "trouble.hpp"

namespace fond_ladder::fuzz {
namespace {

void set(const Typesetter& typesetter, const std::string& text, std::uint64_t choice) {
  WordStyle style;
  style.size = 1 + static_cast<double>(choice % 600) / 10;
  const auto words = typesetter.set(text, style);
  if (!words) return;
  const OwnContent::Widths widths = words->widths();
  expect(std::isfinite(widths.max_content) && widths.min_content <= widths.max_content + 1e-6,
         "the longest word is longer than all");
  for (const double width : {0.0, 1.0, widths.min_content, widths.max_content / 2, widths.max_content, 1e9}) {
    const OwnContent::Heights measured = words->height_for(width);
    expect(std::isfinite(measured.height) && measured.height >= 0, "words without a height");
    const auto steady = words->steady_at(width);
    expect(!steady || (steady->from <= width && width < steady->below), "a width is not among those around it");
  }
}

void run(std::string_view bytes) {
  if (bytes.empty()) return;
  const std::uint64_t choice = choice_of(bytes);
  const bool is_font = bytes.front() == 'F';
  bytes.remove_prefix(1);
  if (!is_font) {
    static const auto typesetter = open_fonts({{.name = "body", .family = "DejaVu Sans", .file = {}}});
    return set(*typesetter, std::string(bytes), choice);
  }
  const int file = ::memfd_create("font", 0);
  expect(::write(file, bytes.data(), bytes.size()) == static_cast<ssize_t>(bytes.size()), "no room for a font");
  try {
    set(*open_fonts({{.name = "body", .family = {}, .file = "/proc/self/fd/" + std::to_string(file)}}),
        "Fern, sown in March", choice);
  } catch (const BadFonts& bad) {
    for (const auto& fault : bad.faults()) expect_readable(fault.message, "the fault of a font");
  }
  ::close(file);
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run(fond_ladder::fuzz::text_of(bytes, count));
  return 0;
}
