// SPDX-License-Identifier: MIT
#include "page/engine/recording_pen.hpp"

#include "model/reading_way.hpp"
#include "page/engine/imports.hpp"

namespace fond_ladder::page {

using picture::Ink;
using picture::Lettering;
using picture::Point;
using picture::Segment;
using picture::Stroke;

void RecordingPen::clear() {
  strokes_.clear();
  letters_.clear();
  families_.clear();
}

void RecordingPen::add(std::initializer_list<double> numbers) {
  strokes_.insert(strokes_.end(), numbers);
}
void RecordingPen::add(const Ink& ink) {
  add({ink.red, ink.green, ink.blue, ink.alpha});
}
void RecordingPen::add(const Stroke& stroke) {
  add(stroke.ink);
  add({stroke.width, static_cast<double>(stroke.line)});
}

void RecordingPen::fill(const Rect& area, const Ink& ink) {
  add({fill_code, area.x, area.y, area.width, area.height});
  add(ink);
}

void RecordingPen::outline(const Rect& area, const Stroke& stroke) {
  add({outline_code, area.x, area.y, area.width, area.height});
  add(stroke);
}

void RecordingPen::lines(std::span<const Segment> segments, const Stroke& stroke) {
  if (segments.empty()) return;
  add({lines_code});
  add(stroke);
  add({static_cast<double>(segments.size())});
  for (const Segment& one : segments) add({one.from.x, one.from.y, one.to.x, one.to.y});
}

void RecordingPen::hatch(std::span<const Rect> areas, picture::Hatch way, double step, const Stroke& stroke) {
  for (const Rect& area : areas) {
    if (area.width <= 0 || area.height <= 0) continue;
    add({hatch_code, area.x, area.y, area.width, area.height});
    add(stroke);
    add({static_cast<double>(way), step});
  }
}

void RecordingPen::polygon(std::span<const Point> corners, const Ink& ink) {
  add({polygon_code});
  add(ink);
  add({static_cast<double>(corners.size())});
  for (const Point& corner : corners) add({corner.x, corner.y});
}

void RecordingPen::letters(std::string_view text, Point at, const Lettering& lettering, double width) {
  if (text.empty()) return;
  auto face = static_cast<double>(lettering.face);
  std::size_t family_at = 0, family_bytes = 0;
  if (lettering.text_shaper != nullptr) {
    const FontStyle& style = *lettering.style;
    const std::string family = lettering.text_shaper->family(style);
    const auto [known, is_new] = families_.try_emplace(family, letters_.size());
    if (is_new) letters_ += family;
    family_at = known->second;
    family_bytes = family.size();
    face = widths_.size() + (style.bold ? 1.0 : 0.0) + (style.italic ? 2.0 : 0.0);
  }
  add({letters_code, at.x, at.y});
  add(lettering.ink);
  add({lettering.size, face, (lettering.turned ? 1.0 : 0.0) + (reads_from_right(text) ? 2.0 : 0.0), width,
       static_cast<double>(letters_.size()), static_cast<double>(text.size()), static_cast<double>(family_at),
       static_cast<double>(family_bytes)});
  letters_ += text;
}

double RecordingPen::width_of(std::string_view text, const Lettering& lettering) {
  constexpr std::size_t most_known = 20000;
  auto& known = widths_[static_cast<std::size_t>(lettering.face)];
  auto found = known.find(text);
  if (found == known.end()) {
    if (known.size() >= most_known) known.clear();
    const double width = fond_ladder_letter_width(text.data(), text.size(), static_cast<int>(lettering.face));
    found = known.emplace(text, width).first;
  }
  return found->second * lettering.size;
}

void RecordingPen::clip(const Rect& area) {
  add({clip_code, area.x, area.y, area.width, area.height});
}

void RecordingPen::unclip() {
  add({unclip_code});
}

}  // namespace fond_ladder::page
