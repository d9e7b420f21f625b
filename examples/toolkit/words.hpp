// SPDX-License-Identifier: MIT
#pragma once

// Words that Pango measures and draws, as content of a leaf. The arrangement asks for their widths after an edit, and
// for a height at every new width; these are kept, so that an edge dragged back and forth lays nothing out twice.

#include <pango/pangocairo.h>

#include <cmath>
#include <fond_ladder/custom_content.hpp>
#include <map>
#include <memory>
#include <string>

class Words final : public fond_ladder::CustomContent {
 public:
  /// `font` as in "sans bold 11".
  Words(const std::string& text, const std::string& font) {
    PangoContext* context = pango_font_map_create_context(pango_cairo_font_map_get_default());
    layout_.reset(pango_layout_new(context), g_object_unref);
    g_object_unref(context);
    PangoFontDescription* description = pango_font_description_from_string(font.c_str());
    pango_layout_set_font_description(layout_.get(), description);
    pango_font_description_free(description);
    pango_layout_set_text(layout_.get(), text.c_str(), -1);
  }

  [[nodiscard]] Widths widths() const override { return {laid(0).first, laid(-1).first}; }
  [[nodiscard]] Heights height_for(double width) const override {
    const auto [known, is_new] = heights_.try_emplace(width);
    if (is_new) known->second = {laid(units(width)).second, pixels(pango_layout_get_baseline(layout_.get()))};
    return known->second;
  }
  void draw(cairo_t* pen, double x, double y, double width, bool from_right) const {
    pango_layout_set_width(layout_.get(), units(width));
    pango_layout_set_alignment(layout_.get(), from_right ? PANGO_ALIGN_RIGHT : PANGO_ALIGN_LEFT);
    cairo_move_to(pen, x, y);
    pango_cairo_show_layout(pen, layout_.get());
  }

 private:
  static double pixels(int units) { return static_cast<double>(units) / PANGO_SCALE; }
  static int units(double pixels) { return static_cast<int>(std::ceil(pixels * PANGO_SCALE)); }
  /// Width and height of the lines that come out in a width; -1: unbroken.
  [[nodiscard]] std::pair<double, double> laid(int width) const {
    pango_layout_set_width(layout_.get(), width);
    int wide = 0, high = 0;
    pango_layout_get_size(layout_.get(), &wide, &high);
    return {pixels(wide), pixels(high)};
  }

  std::shared_ptr<PangoLayout> layout_;
  mutable std::map<double, Heights> heights_;  // all of this is on the thread of the window
};
