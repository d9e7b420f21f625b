// SPDX-License-Identifier: MIT
#pragma once

// What Pango and Fontconfig give away, given back by itself.

#include <fontconfig/fontconfig.h>
#include <pango/pango.h>

#include <memory>

namespace fond_ladder::inline v0::typeset {

struct Release {
  void operator()(PangoFontMap* map) const { g_object_unref(map); }
  void operator()(PangoContext* context) const { g_object_unref(context); }
  void operator()(PangoLayout* layout) const { g_object_unref(layout); }
  void operator()(PangoFont* font) const { g_object_unref(font); }
  void operator()(PangoFontDescription* font) const { pango_font_description_free(font); }
  void operator()(PangoFontMetrics* metrics) const { pango_font_metrics_unref(metrics); }
  void operator()(FcConfig* config) const { FcConfigDestroy(config); }
  void operator()(FcFontSet* set) const { FcFontSetDestroy(set); }
  void operator()(char* text) const { g_free(text); }
};
template <class Thing>
using Owned = std::unique_ptr<Thing, Release>;

}  // namespace fond_ladder::inline v0::typeset
