// SPDX-License-Identifier: MIT
//
// A picture: panels side by side at one scale, a caption over each, a title over all, a legend below.
#include "draw/sheet.hpp"

#include <algorithm>
#include <cmath>
#include <functional>

#include "draw/marks.hpp"
#include "draw/palette.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

constexpr double border = 16, between_panels = 28, caption_height = 22, title_height = 26, legend_row = 20;
constexpr Lettering title_letters{Lettering::Face::strong, 14, letters_ink};
constexpr Lettering caption_letters{Lettering::Face::label, 12, letters_ink};
constexpr Lettering legend_letters{Lettering::Face::label, 11, quiet_ink};

/// The scale asked for, or the largest up to 1 at which the picture stays handy.
double choose_scale(const std::vector<Sheet::PlacedPanel>& panels, const DrawOptions& options) {
  constexpr double handy = limits::handy_picture, largest = limits::longest_picture,
                   most_pixels = limits::largest_picture;
  Extent all;
  for (const auto& [drawing, caption, space, at] : panels) {
    all.width += drawing.size().width;
    all.height = std::max(all.height, drawing.size().height);
  }
  if (!options.scale) return std::min(1.0, handy / std::max(all.width, all.height));
  const double scale = *options.scale;
  if (!std::isfinite(scale) || scale <= 0) throw BadPicture("the scale must be a number above 0");
  const double width = all.width * scale, height = all.height * scale;
  if (std::max(width, height) > largest || width * height > most_pixels) {
    throw BadPicture("at scale " + rounded(scale) + " the picture would be " + rounded(width) + " x " +
                     rounded(height) + " pixels, which is too large; use a scale up to " +
                     rounded(std::floor(100 * std::min(largest / std::max(all.width, all.height),
                                                       std::sqrt(most_pixels / all.width / all.height))) /
                             100) +
                     "");
  }
  if (std::min(width, height) < 1)
    throw BadPicture("at this scale the picture is smaller than a pixel; use a larger --scale");
  return scale;
}

struct LegendEntry {
  std::string text;
  std::function<void(Pen&, const Rect&)> swatch;
};

std::vector<LegendEntry> legend_of(const Used& used) {
  std::vector<LegendEntry> entries;
  const Stroke edge{quiet_ink, 0.8}, quiet{faded(quiet_ink, 0.7), 0.7};
  for (std::size_t i = 0; i < used.kinds.size(); ++i) {
    if (!used.kinds[i]) continue;
    const auto kind = static_cast<Kind>(i);
    entries.push_back({std::string(word(kind)), [kind](Pen& pen, const Rect& area) {
                         pen.fill(area, tint_of(kind, 1));
                         pen.outline(grown(area, -0.5), {line_of(kind, 1), 1});
                       }});
  }
  const auto hatched = [&](const char* text, Hatch way) {
    entries.push_back({text, [=](Pen& pen, const Rect& area) {
                         pen.hatch({&area, 1}, way, 5, quiet);
                         pen.outline(grown(area, -0.5), edge);
                       }});
  };
  if (used.padding) hatched("padding", Hatch::rising);
  if (used.gap) hatched("gap", Hatch::falling);
  if (used.unused_space) {
    entries.push_back({"unused space", [=](Pen& pen, const Rect& area) {
                         pen.lines(rows_of_dots(area, 4), {quiet_ink, 1.2, Stroke::Line::dotted});
                         pen.outline(grown(area, -0.5), edge);
                       }});
  }
  if (used.track) {
    entries.push_back({"edge of a track", [](Pen& pen, const Rect& area) {
                         const double x = area.x + area.width / 2;
                         const Segment line[] = {{{x, area.y - 2}, {x, area.bottom() + 2}}};
                         pen.lines(line, {quiet_ink, 0.8, Stroke::Line::dashed});
                       }});
  }
  if (used.scrolled) {
    entries.push_back({"outside the view", [](Pen& pen, const Rect& area) {
                         pen.outline(grown(area, -0.5), {quiet_ink, 0.8, Stroke::Line::dashed});
                       }});
  }
  if (used.pin) {
    entries.push_back({"pin", [](Pen& pen, const Rect& area) {
                         const double y = area.y + area.height / 2;
                         pen.lines(tie({area.x, y}, {area.right(), y}), {letters_ink, 1});
                       }});
  }
  if (used.zero) {
    entries.push_back(
        {"no size", [](Pen& pen, const Rect& area) {
           const Segment pole[] = {{{area.x + 4, area.bottom()}, {area.x + 4, area.y}}};
           const Point cloth[] = {{area.x + 4, area.y}, {area.x + 12, area.y + 3}, {area.x + 4, area.y + 6}};
           pen.lines(pole, {letters_ink, 1.2});
           pen.polygon(cloth, letters_ink);
         }});
  }
  if (used.baseline) {
    entries.push_back({"baseline", [](Pen& pen, const Rect& area) {
                         const double y = area.y + area.height - 3;
                         const Segment line[] = {{{area.x, y}, {area.right(), y}}};
                         pen.lines(line, {quiet_ink, 0.7, Stroke::Line::dashed});
                       }});
  }
  if (used.padding_overlap) {
    entries.push_back({"overlaps padding", [](Pen& pen, const Rect& area) {
                         pen.hatch({&area, 1}, Hatch::crossed, 4, {faded(warning_ink, 0.7), 0.7});
                       }});
  }
  if (used.overhang) {
    entries.push_back({"overhang: outside its parent, or its own box", [](Pen& pen, const Rect& area) {
                         pen.hatch({&area, 1}, Hatch::crossed, 5, {warning_ink, 0.8});
                         pen.outline(grown(area, -1), {warning_ink, 2});
                       }});
  }
  return entries;
}

constexpr double legend_letter = 6.6, swatch = 18;  // the width of a letter is an estimate

double legend_width(const LegendEntry& entry) {
  return swatch + 5 + legend_letter * static_cast<double>(entry.text.size());
}

/// Calls `each(entry, place)` with the places of the entries in rows as wide as the sheet. Returns the height of all
/// rows. The widths of texts are estimates, so that the sheet's size is known before there is a pen.
template <class Each>
double place_legend(const std::vector<LegendEntry>& entries, double width, Each each) {
  constexpr double between = 16;
  double x = border, y = 0;
  for (const LegendEntry& entry : entries) {
    const double wide = legend_width(entry);
    if (x > border && x + wide > width - border) {
      x = border;
      y += legend_row;
    }
    each(entry, Rect{x, y, swatch, 12});
    x += wide + between;
  }
  return entries.empty() ? 0 : y + legend_row;
}

/// Notes which kinds and marks a panel will use, without drawing anything.
class BlindPen final : public Pen {
 public:
  void fill(const Rect&, const Ink&) override {}
  void outline(const Rect&, const Stroke&) override {}
  void lines(std::span<const Segment>, const Stroke&) override {}
  void polygon(std::span<const Point>, const Ink&) override {}
  void letters(std::string_view, Point, const Lettering&, double) override {}
  double width_of(std::string_view text, const Lettering& lettering) override {
    return 0.6 * lettering.size * static_cast<double>(text.size());
  }
  void clip(const Rect&) override {}
  void unclip() override {}
};

}  // namespace

Sheet::Sheet(std::span<const Panel> panels, const DrawOptions& options) : bare_(options.bare), title_(options.title) {
  if (panels.empty()) throw BadPicture("a picture needs at least one arrangement");
  for (const Panel& panel : panels) {
    const Tree& tree = panel.solution.tree();
    panels_.push_back({PanelDrawing(panel.solution, options.only.empty() ? tree.root() : tree.at(options.only)),
                       panel.caption,
                       {},
                       {}});
  }
  scale_ = choose_scale(panels_, options);
  captions_ = !bare_ || panels_.size() > 1;
  place_panels();
  height_ = std::ceil(height_);
  BlindPen blind;
  Used used;
  for (PlacedPanel& panel : panels_) {
    const PanelReport report = paint_panel(blind, panel);
    used.add(report.used);
    panel.caption += panel.caption.empty() ? "" : "  ";
    panel.caption += rounded(panel.drawing.size().width) + " \u00d7 " + rounded(panel.drawing.size().height);
    if (report.left_out == 0) continue;
    panel.caption += "  (" + std::to_string(report.left_out) + " left out)";
    const Tree& tree = panels[static_cast<std::size_t>(&panel - panels_.data())].solution.tree();
    for (const NodeId node : report.missing) {
      const std::string name = tree.short_path(node);
      if (std::ranges::find(missing_, name) == missing_.end()) missing_.push_back(name);
    }
    more_missing_ = more_missing_ || report.left_out > report.missing.size();
  }
  widen_for_captions();
  if (bare_) return;
  used_ = used;
  legend_top_ = height_;
  for (const LegendEntry& entry : legend_of(used))
    width_ = std::max(width_, std::ceil(border * 2 + legend_width(entry)));
  height_ += place_legend(legend_of(used), width_, [](const LegendEntry&, const Rect&) {}) + border / 2;
  height_ += legend_row * static_cast<double>(missing_lines().size());
}

/// Panels stand so far apart that no caption runs into the next one.
void Sheet::widen_for_captions() {
  if (!captions_) return;
  constexpr double letter = 6.9;  // an estimate, as in the legend
  double shift = 0;
  for (std::size_t i = 0; i < panels_.size(); ++i) {
    PlacedPanel& panel = panels_[i];
    panel.space.x += shift;
    panel.at.x += shift;
    const double end = panel.at.x + letter * static_cast<double>(panel.caption.size());
    const double next = i + 1 < panels_.size() ? panels_[i + 1].at.x + shift - between_panels / 2 : width_ + shift;
    if (end > next) shift += std::ceil(end - next);
  }
  width_ += shift;
}

/// Which nodes are not drawn, in lines as wide as the sheet.
std::vector<std::string> Sheet::missing_lines() const {
  if (missing_.empty()) return {};
  std::vector<std::string> lines{"left out, too small or too many:"};
  const auto most = static_cast<std::size_t>((width_ - 2 * border) / legend_letter);
  for (std::size_t i = 0; i < missing_.size(); ++i) {
    const bool is_last = i + 1 == missing_.size();
    const std::string next = " " + missing_[i] + (!is_last ? "," : more_missing_ ? " and more" : "");
    if (lines.back().size() + next.size() > most) lines.emplace_back();
    lines.back() += lines.back().empty() ? next.substr(1) : next;
  }
  return lines;
}

void Sheet::place_panels() {
  const double edge = bare_ ? 0 : border;
  const double top = edge + (bare_ || title_.empty() ? 0 : title_height) + (captions_ ? caption_height : 0);
  double x = edge;
  for (PlacedPanel& panel : panels_) {
    const FourSides over = bare_ ? FourSides{} : panel.drawing.overhang(scale_);
    const Extent size = panel.drawing.size();
    panel.space = {x, top, over.left + size.width * scale_ + over.right, over.top + size.height * scale_ + over.bottom};
    panel.at = {x + over.left, top + over.top};
    x = panel.space.right() + between_panels;
    height_ = std::max(height_, panel.space.bottom() + edge);
  }
  width_ = std::ceil(x - between_panels + edge);
}

PanelReport Sheet::paint_panel(Pen& pen, const PlacedPanel& panel) const {
  return panel.drawing.paint(pen, panel.at, scale_, panel.space, limits::most_drawn / panels_.size(), bare_);
}

SheetReport Sheet::paint(Pen& pen) const {
  SheetReport report;
  if (!bare_ && !title_.empty()) pen.letters(title_, {border, border + 14}, title_letters);
  for (const PlacedPanel& panel : panels_) {
    if (captions_) pen.letters(panel.caption, {panel.at.x, panel.space.y - 8}, caption_letters);
    const PanelReport painted = paint_panel(pen, panel);
    report.drawn += painted.drawn;
    report.left_out += painted.left_out;
    report.overhang.push_back(painted.overhang);
  }
  if (bare_) return report;
  place_legend(legend_of(used_), width_, [&](const LegendEntry& entry, const Rect& place) {
    const Rect area{place.x, legend_top_ + place.y, place.width, place.height};
    entry.swatch(pen, area);
    pen.letters(entry.text, {area.right() + 5, area.y + 10}, legend_letters);
  });
  const std::vector<std::string> missing = missing_lines();
  double y = height_ - border / 2 - 4 + legend_row - legend_row * static_cast<double>(missing.size());
  for (const std::string& line : missing) {
    pen.letters(line, {border, y}, legend_letters);
    y += legend_row;
  }
  return report;
}

}  // namespace fond_ladder::inline v0::picture
