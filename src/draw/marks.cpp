// SPDX-License-Identifier: MIT
#include "draw/marks.hpp"

#include <algorithm>
#include <cmath>

namespace fond_ladder::inline v0::picture {

Rect common(const Rect& a, const Rect& b) {
  const double left = std::max(a.x, b.x), top = std::max(a.y, b.y);
  return {left, top, std::max(0.0, std::min(a.right(), b.right()) - left),
          std::max(0.0, std::min(a.bottom(), b.bottom()) - top)};
}

Rect grown(const Rect& area, double by) {
  return {area.x - by, area.y - by, area.width + 2 * by, area.height + 2 * by};
}

bool is_empty(const Rect& area) {
  return area.width <= 0 || area.height <= 0;
}

bool is_inside(const Rect& area, const Rect& window) {
  constexpr double slack = 0.01;
  return area.x >= window.x - slack && area.y >= window.y - slack && area.right() <= window.right() + slack &&
         area.bottom() <= window.bottom() + slack;
}

bool meet(const Rect& a, const Rect& b) {
  return a.x < b.right() && b.x < a.right() && a.y < b.bottom() && b.y < a.bottom();
}

std::vector<Rect> beyond(const Rect& area, const Rect& window) {
  std::vector<Rect> pieces;
  const auto add = [&](double left, double top, double right, double bottom) {
    if (right > left && bottom > top) pieces.push_back({left, top, right - left, bottom - top});
  };
  const double top = std::clamp(window.y, area.y, area.bottom());
  const double bottom = std::clamp(window.bottom(), top, area.bottom());
  add(area.x, area.y, area.right(), top);
  add(area.x, top, std::min(area.right(), window.x), bottom);
  add(std::max(area.x, window.right()), top, area.right(), bottom);
  add(area.x, bottom, area.right(), area.bottom());
  return pieces;
}

void Pen::hatch(std::span<const Rect> areas, Hatch way, double step, const Stroke& stroke) {
  for (const Rect& area : areas) lines(hatch_lines(area, way, step), stroke);
}

std::vector<Segment> hatch_lines(const Rect& area, Hatch way, double step) {
  std::vector<Segment> lines;
  if (is_empty(area)) return lines;
  if (way != Hatch::falling) {  // x + y is the same all along a line
    const double last = area.right() + area.bottom();
    for (double sum = std::ceil((area.x + area.y) / step) * step; sum < last; sum += step) {
      const double left = std::max(area.x, sum - area.bottom()), right = std::min(area.right(), sum - area.y);
      lines.push_back({{left, sum - left}, {right, sum - right}});
    }
  }
  if (way != Hatch::rising) {  // x - y is the same all along a line
    const double last = area.right() - area.y;
    for (double sum = std::ceil((area.x - area.bottom()) / step) * step; sum < last; sum += step) {
      const double left = std::max(area.x, sum + area.y), right = std::min(area.right(), sum + area.bottom());
      lines.push_back({{left, left - sum}, {right, right - sum}});
    }
  }
  return lines;
}

std::vector<Segment> rows_of_dots(const Rect& area, double step) {
  std::vector<Segment> lines;
  const double left = std::ceil(area.x / step) * step;
  if (is_empty(area) || left >= area.right()) return lines;
  for (double y = std::ceil(area.y / step) * step; y < area.bottom(); y += step) {
    lines.push_back({{left, y}, {area.right(), y}});
  }
  return lines;
}

std::vector<Segment> tie(Point from, Point to) {
  constexpr double half_bar = 3;
  const bool level = std::abs(to.x - from.x) >= std::abs(to.y - from.y);
  const auto bar = [&](Point at) -> Segment {
    if (level) return {{at.x, at.y - half_bar}, {at.x, at.y + half_bar}};
    return {{at.x - half_bar, at.y}, {at.x + half_bar, at.y}};
  };
  return {{from, to}, bar(from), bar(to)};
}

}  // namespace fond_ladder::inline v0::picture
