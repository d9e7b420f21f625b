// SPDX-License-Identifier: MIT
//
// PNG and PDF, and the only file that knows Cairo and Pango. Shapes are in pixels; a PDF is laid out in points, three
// quarters of one.
#include <cairo-pdf.h>
#include <cairo.h>
#include <pango/pangocairo.h>

#include <cmath>

#include "draw/canvas.hpp"
#include "text/line_layouts.hpp"
#include "text/spare_memory.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

struct Release : typeset::Release {
  using typeset::Release::operator();
  void operator()(cairo_surface_t* surface) const { cairo_surface_destroy(surface); }
  void operator()(cairo_t* context) const { cairo_destroy(context); }
};
template <class Thing>
using Owned = std::unique_ptr<Thing, Release>;

cairo_status_t append(void* bytes, const unsigned char* data, unsigned int length) {
  static_cast<std::string*>(bytes)->append(reinterpret_cast<const char*>(data), length);
  return CAIRO_STATUS_SUCCESS;
}

constexpr double points_a_pixel = 0.75;

/// What is there when as much is left as letters may take, Pango's own beginnings first.
cairo_t* spared(cairo_t* context) {
  typeset::need_spare_memory();
  return context;
}

cairo_surface_t* open_surface(PictureForm form, double width, double height, std::string& bytes) {
  if (form == PictureForm::pdf)
    return cairo_pdf_surface_create_for_stream(append, &bytes, width * points_a_pixel, height * points_a_pixel);
  return cairo_image_surface_create(CAIRO_FORMAT_RGB24, static_cast<int>(width), static_cast<int>(height));
}

class CairoCanvas final : public Canvas {
 public:
  CairoCanvas(PictureForm form, double width, double height)
      : form_(form),
        surface_(open_surface(form, width, height, bytes_)),
        context_(spared(cairo_create(surface_.get()))),
        layout_(pango_cairo_create_layout(context_.get())) {
    if (form == PictureForm::pdf) cairo_scale(context_.get(), points_a_pixel, points_a_pixel);
    cairo_set_line_cap(context_.get(), CAIRO_LINE_CAP_BUTT);
    fill({0, 0, width, height}, {1, 1, 1});
  }

  void fill(const Rect& area, const Ink& ink) override {
    set_ink(ink);
    cairo_rectangle(context_.get(), area.x, area.y, area.width, area.height);
    cairo_fill(context_.get());
  }

  void outline(const Rect& area, const Stroke& stroke) override {
    set_stroke(stroke);
    cairo_rectangle(context_.get(), area.x, area.y, area.width, area.height);
    cairo_stroke(context_.get());
  }

  void lines(std::span<const Segment> segments, const Stroke& stroke) override {
    if (segments.empty()) return;
    set_stroke(stroke);
    for (const Segment& segment : segments) {
      cairo_move_to(context_.get(), segment.from.x, segment.from.y);
      cairo_line_to(context_.get(), segment.to.x, segment.to.y);
    }
    cairo_stroke(context_.get());
  }

  void polygon(std::span<const Point> corners, const Ink& ink) override {
    set_ink(ink);
    for (const Point& corner : corners) cairo_line_to(context_.get(), corner.x, corner.y);
    cairo_close_path(context_.get());
    cairo_fill(context_.get());
  }

  void letters(std::string_view text, Point at, const Lettering& lettering, double width) override {
    const auto* fonts = dynamic_cast<const typeset::LineLayouts*>(lettering.text_shaper);
    if (fonts != nullptr) {
      FontStyle style = *lettering.style;
      style.size = lettering.size;
      const typeset::Owned<PangoLayout> line = fonts->line(text, style);
      return show(line.get(), at, lettering, width);
    }
    static_cast<void>(set_text(text, lettering));
    show(layout_.get(), at, lettering, width);
  }

  /// Shows the line of a layout, made `width` wide unless that is 0.
  void show(PangoLayout* layout, Point at, const Lettering& lettering, double width) {
    const double natural = natural_width(layout);
    if (natural <= 0) return;
    set_ink(lettering.ink);
    cairo_save(context_.get());
    cairo_translate(context_.get(), at.x, at.y);
    if (lettering.turned) cairo_rotate(context_.get(), -M_PI_2);
    if (width > 0) cairo_scale(context_.get(), width / natural, 1);
    cairo_move_to(context_.get(), 0, 0);
    pango_cairo_show_layout_line(context_.get(), pango_layout_get_line_readonly(layout, 0));
    cairo_restore(context_.get());
    cairo_new_path(context_.get());
  }

  double width_of(std::string_view text, const Lettering& lettering) override { return set_text(text, lettering); }

  void clip(const Rect& area) override {
    cairo_save(context_.get());
    cairo_rectangle(context_.get(), area.x, area.y, area.width, area.height);
    cairo_clip(context_.get());
  }

  void unclip() override { cairo_restore(context_.get()); }

  std::string finish() override {
    layout_.reset();
    context_.reset();
    cairo_surface_flush(surface_.get());
    const cairo_status_t status = form_ == PictureForm::png
                                      ? cairo_surface_write_to_png_stream(surface_.get(), append, &bytes_)
                                      : (cairo_surface_finish(surface_.get()), cairo_surface_status(surface_.get()));
    if (status != CAIRO_STATUS_SUCCESS) {
      throw BadPicture(std::string("cannot draw the picture: ") + cairo_status_to_string(status));
    }
    surface_.reset();
    return std::move(bytes_);
  }

 private:
  void set_ink(const Ink& ink) { cairo_set_source_rgba(context_.get(), ink.red, ink.green, ink.blue, ink.alpha); }

  void set_stroke(const Stroke& stroke) {
    set_ink(stroke.ink);
    cairo_set_line_width(context_.get(), stroke.width);
    const double dashes[] = {4, 3}, dots[] = {1.2, 6.8};
    cairo_set_dash(context_.get(), stroke.line == Stroke::Line::dotted ? dots : dashes,
                   stroke.line == Stroke::Line::solid ? 0 : 2, 0);
  }

  /// Sets one line of text into the layout. Returns its width.
  double set_text(std::string_view text, const Lettering& lettering) {
    typeset::need_spare_memory();
    const Owned<PangoFontDescription> font(pango_font_description_new());
    pango_font_description_set_family(font.get(),
                                      lettering.face == Lettering::Face::words ? "monospace" : "sans-serif");
    pango_font_description_set_absolute_size(font.get(), lettering.size * PANGO_SCALE);
    if (lettering.face == Lettering::Face::strong) pango_font_description_set_weight(font.get(), PANGO_WEIGHT_BOLD);
    pango_layout_set_font_description(layout_.get(), font.get());
    pango_layout_set_single_paragraph_mode(layout_.get(), 1);
    const Owned<char> sound(g_utf8_make_valid(text.data(), static_cast<gssize>(text.size())));
    pango_layout_set_text(layout_.get(), sound.get(), -1);
    return natural_width(layout_.get());
  }

  static double natural_width(PangoLayout* layout) {
    PangoRectangle extent;
    pango_layout_get_extents(layout, nullptr, &extent);
    return static_cast<double>(extent.width) / PANGO_SCALE;
  }

  PictureForm form_;
  std::string bytes_;
  Owned<cairo_surface_t> surface_;
  Owned<cairo_t> context_;
  Owned<PangoLayout> layout_;
};

class PangoRuler final : public LetterRuler {
 public:
  double width_of(std::string_view text, const Lettering& lettering) override {
    return canvas_.width_of(text, lettering);
  }

 private:
  CairoCanvas canvas_{PictureForm::png, 1, 1};
};

}  // namespace

std::unique_ptr<Canvas> open_canvas(PictureForm form, const Blank& sheet) {
  if (form == PictureForm::svg) return open_svg(sheet, std::make_unique<PangoRuler>());
  return std::make_unique<CairoCanvas>(form, std::ceil(sheet.width), std::ceil(sheet.height));
}

}  // namespace fond_ladder::inline v0::picture
