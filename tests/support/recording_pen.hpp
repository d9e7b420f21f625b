// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "draw/marks.hpp"
#include "draw/pen.hpp"

namespace fond_ladder::testing {

/// Keeps what is drawn, in its order. Every letter is 0.6 of its size wide. Of letters only what a clip leaves is kept.
class RecordingPen final : public picture::Pen {
 public:
  struct Stamp {
    enum class What { fill, outline, lines, polygon, letters } what;
    Rect area;  // of what was drawn, lines and polygons included
    picture::Ink ink;
    picture::Stroke::Line line = picture::Stroke::Line::solid;
    std::string text{};
    bool words = false;  // letters of a text, not of a label
  };
  std::vector<Stamp> stamps;

  void fill(const Rect& area, const picture::Ink& ink) override { stamps.push_back({Stamp::What::fill, area, ink}); }
  void outline(const Rect& area, const picture::Stroke& stroke) override {
    stamps.push_back({Stamp::What::outline, area, stroke.ink, stroke.line});
  }
  void lines(std::span<const picture::Segment> segments, const picture::Stroke& stroke) override {
    std::vector<picture::Point> ends;
    for (const auto& segment : segments) ends.insert(ends.end(), {segment.from, segment.to});
    stamps.push_back({Stamp::What::lines, hull(ends), stroke.ink, stroke.line});
  }
  void polygon(std::span<const picture::Point> corners, const picture::Ink& ink) override {
    stamps.push_back({Stamp::What::polygon, hull({corners.begin(), corners.end()}), ink});
  }
  void letters(std::string_view text, picture::Point at, const picture::Lettering& lettering, double width) override {
    const double wide = width > 0 ? width : width_of(text, lettering), high = lettering.size;
    const Rect area =
        lettering.turned ? Rect{at.x - high, at.y - wide, high, wide} : Rect{at.x, at.y - high, wide, high};
    stamps.push_back({Stamp::What::letters, clips.empty() ? area : picture::common(clips.back(), area), lettering.ink,
                      picture::Stroke::Line::solid, std::string(text),
                      lettering.face == picture::Lettering::Face::words});
  }
  double width_of(std::string_view text, const picture::Lettering& lettering) override {
    return 0.6 * lettering.size * static_cast<double>(text.size());
  }
  void clip(const Rect& area) override { clips.push_back(clips.empty() ? area : picture::common(clips.back(), area)); }
  void unclip() override { clips.pop_back(); }

  std::vector<Rect> clips;  // those that are open

 private:
  static Rect hull(const std::vector<picture::Point>& points) {
    if (points.empty()) return {};
    Rect area{points[0].x, points[0].y, 0, 0};
    for (const auto& point : points) {
      const double left = std::min(area.x, point.x), top = std::min(area.y, point.y);
      area = {left, top, std::max(area.right(), point.x) - left, std::max(area.bottom(), point.y) - top};
    }
    return area;
  }
};

}  // namespace fond_ladder::testing
