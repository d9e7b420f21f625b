// SPDX-License-Identifier: MIT
//
// The map of all container sizes: width to the right, height up. Boundaries are thin lines, bounds of ranges dashed
// lines, named sizes points. Each failing claim has a hatching of its own and a number in its largest
// region, so that claims can be distinguished without color.
#include "fond_ladder/plot.hpp"

#include <algorithm>
#include <array>
#include <cmath>

#include "draw/canvas.hpp"
#include "draw/palette.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {
namespace {

using picture::Ink;
using picture::Lettering;
using picture::Pen;
using picture::Point;
using picture::Segment;
using picture::Stroke;

constexpr double sheet_width = 1280, sheet_height = 800;
constexpr Rect plot_area{76, 84, 800, 632};
constexpr double legend_left = 916, legend_width = sheet_width - 916 - 28;

/// The hatching of a claim: slanting lines in two directions, vertical and horizontal ones, in two widths.
struct Mark {
  Ink ink;
  double slope_x, slope_y;  // the lines run where slope_x * x + slope_y * y is the same
  double step;
};
constexpr std::array<Mark, 6> claim_marks{{
    {{0.79, 0.20, 0.07}, 0.7071, 0.7071, 9},
    {{0.12, 0.31, 0.47}, 0.7071, -0.7071, 9},
    {{0.23, 0.48, 0.23}, 0, 1, 8},
    {{0.48, 0.25, 0.55}, 1, 0, 8},
    {{0.54, 0.42, 0.0}, 0.7071, 0.7071, 5},
    {{0.29, 0.29, 0.29}, 0.7071, -0.7071, 5},
}};

/// The stretch of a line inside a convex polygon.
std::optional<Segment> inside(const std::vector<Point>& polygon, double slope_x, double slope_y, double level) {
  std::vector<Point> met;
  for (std::size_t i = 0; i < polygon.size(); ++i) {
    const Point &a = polygon[i], &b = polygon[(i + 1) % polygon.size()];
    const double at_a = slope_x * a.x + slope_y * a.y - level, at_b = slope_x * b.x + slope_y * b.y - level;
    if ((at_a < 0) == (at_b < 0)) continue;
    const double share = at_a / (at_a - at_b);
    met.push_back({a.x + share * (b.x - a.x), a.y + share * (b.y - a.y)});
  }
  if (met.size() < 2) return {};
  return Segment{met[0], met[1]};
}

class MapDrawing {
 public:
  MapDrawing(const SizeMap& map, Pen& pen) : map_(map), pen_(pen) {
    for (const CheckedClaim& claim : map.claims) {
      if (!claim.failing.empty() && broken_.size() < claim_marks.size()) broken_.push_back(&claim);
    }
  }

  void draw() {
    pen_.fill({0, 0, sheet_width, sheet_height}, picture::paper);
    write(printable(map_.title), {plot_area.x, 36}, 19, picture::letters_ink, Lettering::Face::strong);
    write(rounded(map_.widths.from) + " to " + rounded(map_.widths.to) + " wide, " + rounded(map_.heights.from) +
              " to " + rounded(map_.heights.to) + " high",
          {plot_area.x, 58}, 13, picture::quiet_ink);
    pen_.fill(plot_area, {0.975, 0.985, 0.975});
    pen_.clip(plot_area);
    for (std::size_t c = 0; c < broken_.size(); ++c) regions_of(c);
    breakpoints();
    ranges();
    for (std::size_t c = 0; c < broken_.size(); ++c) number(c);
    pen_.unclip();
    container_sizes();
    axes();
    legend();
  }

 private:
  [[nodiscard]] double x_of(double width) const {
    const double all = std::max(1e-9, map_.widths.to - map_.widths.from);
    return plot_area.x + (width - map_.widths.from) / all * plot_area.width;
  }
  [[nodiscard]] double y_of(double height) const {
    const double all = std::max(1e-9, map_.heights.to - map_.heights.from);
    return plot_area.bottom() - (height - map_.heights.from) / all * plot_area.height;
  }

  void write(const std::string& text, Point at, double size, Ink ink = picture::letters_ink,
             Lettering::Face face = Lettering::Face::label) {
    pen_.letters(text, at, {face, size, ink});
  }
  [[nodiscard]] double width_of(const std::string& text, double size) {
    return pen_.width_of(text, {Lettering::Face::label, size, {}});
  }

  void hatch(const std::vector<Point>& polygon, const Mark& mark) {
    double low = 1e9, high = -1e9;
    for (const Point& corner : polygon) {
      const double level = mark.slope_x * corner.x + mark.slope_y * corner.y;
      low = std::min(low, level);
      high = std::max(high, level);
    }
    std::vector<Segment> lines;
    for (double level = std::ceil(low / mark.step) * mark.step; level < high; level += mark.step) {
      if (const auto line = inside(polygon, mark.slope_x, mark.slope_y, level)) lines.push_back(*line);
    }
    pen_.polygon(polygon, picture::faded(mark.ink, 0.08));
    pen_.lines(lines, {picture::faded(mark.ink, 0.65), 1.1});
  }

  [[nodiscard]] std::vector<Point> on_sheet(const std::vector<Extent>& piece) const {
    std::vector<Point> corners;
    for (const Extent& corner : piece) corners.push_back({x_of(corner.width), y_of(corner.height)});
    return corners;
  }
  void regions_of(std::size_t c) {
    for (const CheckedClaim::Failing& failing : broken_[c]->failing) {
      for (const auto& piece : failing.polygons) hatch(on_sheet(piece), claim_marks[c]);
    }
  }

  void plate(const std::string& text, Point middle, Ink ink) {
    constexpr double size = 13;
    const double wide = width_of(text, size) + 10;
    pen_.fill({middle.x - wide / 2, middle.y - 10, wide, 20}, picture::paper);
    pen_.outline({middle.x - wide / 2, middle.y - 10, wide, 20}, {ink, 1.5});
    pen_.letters(text, {middle.x - wide / 2 + 5, middle.y + 5}, {Lettering::Face::strong, size, ink});
  }

  [[nodiscard]] bool fails_at(std::size_t c, Point at) const {
    return std::ranges::any_of(broken_[c]->failing, [&](const CheckedClaim::Failing& failing) {
      return std::ranges::any_of(failing.polygons, [&](const auto& piece) {
        const std::vector<Point> corners = on_sheet(piece);
        const auto row = inside(corners, 0, 1, at.y);
        return row && at.x >= std::min(row->from.x, row->to.x) && at.x <= std::max(row->from.x, row->to.x);
      });
    });
  }

  /// Puts the number of a claim where fewest other claims fail, and apart from other numbers.
  void number(std::size_t c) {
    double best = 1e9;
    Point place;
    for (const CheckedClaim::Failing& failing : broken_[c]->failing) {
      for (const auto& piece : failing.polygons) {
        const std::vector<Point> corners = on_sheet(piece);
        const auto [left, right] = std::ranges::minmax(corners, {}, &Point::x);
        const auto [top, bottom] = std::ranges::minmax(corners, {}, &Point::y);
        const double middle = (left.x + right.x) / 2;
        for (const double y : {top.y + 9, (top.y + bottom.y) / 2}) {
          if (y > bottom.y) continue;
          const Point at{std::clamp(middle, plot_area.x + 14, plot_area.right() - 14),
                         std::clamp(y, plot_area.y + 34, plot_area.bottom() - 12)};
          double cost = std::max(0.0, 60 - (right.x - left.x)) / 60;
          for (std::size_t other = 0; other < broken_.size(); ++other) {
            if (other != c && fails_at(other, at)) cost += 1;
          }
          for (const Point& other : taken_) {
            if (std::abs(other.x - at.x) < 26 && std::abs(other.y - at.y) < 23) cost += 10;
          }
          if (cost >= best) continue;
          best = cost;
          place = at;
        }
      }
    }
    taken_.push_back(place);
    plate(std::to_string(c + 1), place, claim_marks[c].ink);
  }

  void breakpoints() {
    std::vector<Segment> lines;
    for (const SizeMap::Line& line : map_.boundaries) {
      lines.push_back({{x_of(line.from.width), y_of(line.from.height)}, {x_of(line.to.width), y_of(line.to.height)}});
    }
    pen_.lines(lines, {picture::faded(picture::quiet_ink, 0.75), 0.8});
  }

  void ranges() {
    double row = plot_area.y + 14;
    const Stroke stroke{picture::letters_ink, 1.4, Stroke::Line::dashed};
    for (const Range& range : map_.ranges) {
      for (const auto& bound : {range.from_width, range.below_width}) {
        if (!bound || *bound <= map_.widths.from || *bound >= map_.widths.to) continue;
        const Segment line{{x_of(*bound), plot_area.y}, {x_of(*bound), plot_area.bottom()}};
        pen_.lines(std::span(&line, 1), stroke);
      }
      for (const auto& bound : {range.from_height, range.below_height}) {
        if (!bound || *bound <= map_.heights.from || *bound >= map_.heights.to) continue;
        const Segment line{{plot_area.x, y_of(*bound)}, {plot_area.right(), y_of(*bound)}};
        pen_.lines(std::span(&line, 1), stroke);
      }
      // Puts the name inside the area in which the range holds.
      const double low = std::max(map_.widths.from, range.from_width.value_or(map_.widths.from)),
                   high = std::min(map_.widths.to, range.below_width.value_or(map_.widths.to));
      const double top = std::min(map_.heights.to, range.below_height.value_or(map_.heights.to));
      if (low >= high || top <= map_.heights.from) continue;
      const std::string name = printable(range.name);
      const bool from_right = range.below_width.has_value() && !range.from_width.has_value();
      const double wide = width_of(name, 12);
      const double left = from_right ? std::max(x_of(low) + 4, x_of(high) - wide - 6) : x_of(low) + 6;
      const double y = range.below_height ? y_of(top) + 14 : row;
      pen_.fill({left - 2, y - 11, wide + 4, 15}, picture::faded(picture::paper, 0.85));
      write(name, {left, y}, 12);
    }
  }

  void container_sizes() {
    for (const NamedSize& container_size : map_.named_sizes) {
      const Point at{x_of(container_size.width), y_of(container_size.height.value_or(0))};
      pen_.fill({at.x - 5, at.y - 5, 10, 10}, picture::paper);
      pen_.fill({at.x - 3.5, at.y - 3.5, 7, 7}, picture::letters_ink);
      const std::string name = printable(container_size.name);
      const double wide = width_of(name, 12);
      const double left = at.x + 9 + wide > plot_area.right() ? at.x - 9 - wide : at.x + 9;
      const double y = std::max(at.y + 4, plot_area.y + 12);
      pen_.fill({left - 2, y - 11, wide + 4, 15}, picture::faded(picture::paper, 0.85));
      write(name, {left, y}, 12, picture::letters_ink, Lettering::Face::strong);
    }
  }

  /// A step of 1, 2 or 5 with zeros, so that there are about `wanted` of them.
  static double step_for(double all, double wanted) {
    const double rough = std::max(1e-9, all / wanted), ten = std::pow(10, std::floor(std::log10(rough)));
    for (const double by : {1.0, 2.0, 5.0}) {
      if (by * ten >= rough) return by * ten;
    }
    return 10 * ten;
  }

  void axes() {
    pen_.outline(plot_area, {picture::letters_ink, 1});
    const double across = step_for(map_.widths.to - map_.widths.from, 9),
                 up = step_for(map_.heights.to - map_.heights.from, 9);
    for (double size = std::ceil(map_.widths.from / across) * across; size <= map_.widths.to; size += across) {
      const Segment tick{{x_of(size), plot_area.bottom()}, {x_of(size), plot_area.bottom() + 5}};
      pen_.lines(std::span(&tick, 1), {picture::letters_ink, 1});
      const std::string text = rounded(size);
      write(text, {x_of(size) - width_of(text, 12) / 2, plot_area.bottom() + 20}, 12);
    }
    for (double size = std::ceil(map_.heights.from / up) * up; size <= map_.heights.to; size += up) {
      const Segment tick{{plot_area.x - 5, y_of(size)}, {plot_area.x, y_of(size)}};
      pen_.lines(std::span(&tick, 1), {picture::letters_ink, 1});
      const std::string text = rounded(size);
      write(text, {plot_area.x - 9 - width_of(text, 12), y_of(size) + 4}, 12);
    }
    const std::string wide = "width of the container, pixels", high = "height, pixels";
    write(wide, {plot_area.x + (plot_area.width - width_of(wide, 13)) / 2, plot_area.bottom() + 44}, 13);
    pen_.letters(high, {22, plot_area.y + (plot_area.height + width_of(high, 13)) / 2},
                 {Lettering::Face::label, 13, picture::letters_ink, true});
  }

  // --- legend ------------------------------------------------------------------------------------------------------

  double wrapped(const std::string& text, double left, double y, double size, Ink ink = picture::letters_ink) {
    constexpr std::size_t most_lines = 4;
    std::string line;
    std::size_t lines = 0, at = 0;
    const double widest = legend_left + legend_width - left;
    while (at < text.size()) {
      const std::size_t space = text.find(' ', at), end = space == std::string::npos ? text.size() : space + 1;
      const std::string word = text.substr(at, end - at);
      if (!line.empty() && width_of(line + word, size) > widest) {
        if (++lines == most_lines) {
          write(line + "…", {left, y}, size, ink);
          return y + size * 1.4;
        }
        write(line, {left, y}, size, ink);
        y += size * 1.4;
        line.clear();
      }
      line += word;
      at = end;
    }
    write(line, {left, y}, size, ink);
    return y + size * 1.4;
  }

  void legend() {
    double y = plot_area.y + 12;
    constexpr double text_left = legend_left + 40;
    for (std::size_t c = 0; c < broken_.size(); ++c) {
      const std::vector<Point> swatch{
          {legend_left, y - 12}, {legend_left + 30, y - 12}, {legend_left + 30, y + 8}, {legend_left, y + 8}};
      hatch(swatch, claim_marks[c]);
      pen_.outline({legend_left, y - 12, 30, 20}, {claim_marks[c].ink, 1});
      y = wrapped(std::to_string(c + 1) + "  " + printable(broken_[c]->claim), text_left, y, 13);
      const CheckedClaim::Failing& first = broken_[c]->failing.front();
      std::string where = "fails within " + rounded(first.from) + " to " + rounded(first.to) + " wide and " +
                          rounded(first.heights.value_or(Interval()).from) + " to " +
                          rounded(first.heights.value_or(Interval()).to) + " high";
      if (broken_[c]->failing.size() > 1)
        where += ", and in " + std::to_string(broken_[c]->failing.size() - 1) +
                 (broken_[c]->failing.size() == 2 ? " more region" : " more regions");
      y = wrapped(where, text_left, y, 12, picture::quiet_ink) + 12;
    }
    const auto all_broken = static_cast<std::size_t>(
        std::ranges::count_if(map_.claims, [](const CheckedClaim& one) { return !one.failing.empty(); }));
    if (all_broken > broken_.size()) {
      y = wrapped("and " + std::to_string(all_broken - broken_.size()) + " more failing claims are not drawn",
                  legend_left, y, 12) +
          8;
    }
    for (const bool proved : {true, false}) {
      const auto kept = std::ranges::count_if(
          map_.claims, [&](const CheckedClaim& one) { return one.holds && one.sampled.empty() == proved; });
      if (kept == 0) continue;
      const std::string who = kept == 1 ? "1 claim holds" : std::to_string(kept) + " claims hold";
      y = wrapped(who + (proved ? " at every size of the map" : " at every sampled size; not linear everywhere"),
                  legend_left, y, 13) +
          10;
    }
    const auto line = [&](const Stroke& stroke, const std::string& text) {
      const Segment segment{{legend_left, y - 4}, {legend_left + 30, y - 4}};
      pen_.lines(std::span(&segment, 1), stroke);
      y = wrapped(text, text_left, y, 12) + 6;
    };
    if (!map_.boundaries.empty())
      line({picture::faded(picture::quiet_ink, 0.75), 0.8}, "a breakpoint: a size or a position leaves its plane");
    if (!map_.ranges.empty()) line({picture::letters_ink, 1.4, Stroke::Line::dashed}, "a range begins or ends");
    if (!map_.named_sizes.empty()) {
      pen_.fill({legend_left + 11, y - 8, 7, 7}, picture::letters_ink);
      wrapped("a named size", text_left, y, 12);
    }
  }

  const SizeMap& map_;
  Pen& pen_;
  std::vector<const CheckedClaim*> broken_;
  std::vector<Point> taken_;  // by numbers
};

}  // namespace

Picture draw(const SizeMap& map, PictureForm form) {
  const auto canvas = picture::open_canvas(form, {sheet_width, sheet_height, printable(map.title)});
  MapDrawing(map, *canvas).draw();
  return {canvas->finish(), sheet_width, sheet_height, 1, 0, 0, {}};
}

}  // namespace fond_ladder::inline v0
