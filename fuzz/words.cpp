// SPDX-License-Identifier: MIT
//
// Texts in fonts, and files that say they are fonts. The first byte chooses: a text is set and broken at many widths;
// or the bytes are opened as a font and a text is set in it, or refused; or a font of this machine is, in which the
// bytes have changed something: what is almost a font gets further.
#include <sys/mman.h>
#include <unistd.h>

#include <cmath>

#include "fond_ladder/fonts.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "support/shorthand.hpp"
#include "trouble.hpp"

namespace fond_ladder::fuzz {
namespace {

void set(const TextShaper& text_shaper, const std::string& text, std::uint64_t choice) {
  FontStyle style;
  style.size = 1 + static_cast<double>(choice % 600) / 10;
  const auto words = text_shaper.shape(text, style);
  if (!words) return;
  const CustomContent::Widths widths = words->widths();
  expect(std::isfinite(widths.max_content) && widths.min_content <= widths.max_content + 1e-6,
         "the longest word is longer than all");
  for (const double width : {0.0, 1.0, widths.min_content, widths.max_content / 2, widths.max_content, 1e9}) {
    const CustomContent::Heights measured = words->height_for(width);
    expect(std::isfinite(measured.height) && measured.height >= 0, "words without a height");
    const auto steady = words->constant_interval(width);
    expect(!steady || (steady->from <= width && width < steady->below), "a width is not among those around it");
  }
}

constexpr const char* whole_font = "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf";

/// Its bytes, some of them changed: each five of `changes` choose a table, or the directory of them, a place in it,
/// mostly near its beginning, and what is put there.
std::string changed_font(std::string_view changes) {
  static const std::string whole = testing::file_text(whole_font);
  std::string font = whole;
  const auto number = [](std::string_view bytes, std::size_t at, std::size_t count) {
    std::size_t read = 0;
    for (std::size_t i = at; i < at + count; ++i) read = read * 256 + static_cast<unsigned char>(bytes[i]);
    return read;
  };
  constexpr std::size_t head = 12, entry = 16;  // of the directory, and of a table in it
  expect(whole.size() > head, "the fonts of this project are not installed");
  const std::size_t tables = number(whole, 4, 2);
  for (; changes.size() >= 5; changes.remove_prefix(5)) {
    const std::size_t table = number(changes, 0, 1) % (tables + 1), where = number(changes, 1, 3);
    std::size_t start = 0, length = head + entry * tables;
    if (table < tables) {
      start = number(whole, head + entry * table + 8, 4);
      length = number(whole, head + entry * table + 12, 4);
    }
    if (where % 4 != 0) length = std::min<std::size_t>(length, 64);
    font[start + where / 4 % length] = changes[4];
  }
  return font;
}

void set_in(std::string_view font, std::uint64_t choice) {
  const int file = ::memfd_create("font", 0);
  expect(::write(file, font.data(), font.size()) == static_cast<ssize_t>(font.size()), "no space for a font");
  try {
    set(*open_fonts({{.name = "body", .family = {}, .file = "/proc/self/fd/" + std::to_string(file)}}),
        "Fern, sown in March", choice);
  } catch (const BadFonts& bad) {
    for (const auto& fault : bad.faults()) expect_readable(fault.message, "the fault of a font");
  }
  ::close(file);
}

void run(std::string_view bytes) {
  if (bytes.empty()) return;
  const std::uint64_t choice = choice_of(bytes);
  const char kind = bytes.front();
  bytes.remove_prefix(1);
  if (kind == 'F') return set_in(bytes, choice);
  if (kind == 'C') return set_in(changed_font(bytes), choice);
  static const auto text_shaper = open_fonts({{.name = "body", .family = "DejaVu Sans", .file = {}}});
  set(*text_shaper, std::string(bytes), choice);
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run(fond_ladder::fuzz::text_of(bytes, count));
  return 0;
}
