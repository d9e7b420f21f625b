// SPDX-License-Identifier: MIT
#pragma once

// Text measured with real fonts, by Pango and HarfBuzz. Needs the component `text`; without Pango every call throws
// BadFonts. set_text_metrics(scene, TextMetrics::fonts);

#include <cstddef>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "fond_ladder/version.hpp"

// A type of Pango, which this header does not include.
struct _PangoLayout;  // NOLINT(bugprone-reserved-identifier): its own name

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Thrown for fonts that do not exist or cannot be read. The message names them, and fonts with similar names.
class BadFonts : public Error {
 public:
  struct Fault {
    std::optional<std::size_t> font;  ///< index in the list; absent: the fault is about a text
    std::string source_place;         ///< as in NamedFont
    std::string message;
  };
  explicit BadFonts(std::vector<Fault> faults);
  /// One fault per font that cannot be used.
  [[nodiscard]] const std::vector<Fault>& faults() const { return faults_; }

 private:
  std::vector<Fault> faults_;
};

/// Whether this build can measure with fonts, that is, was built with Pango.
[[nodiscard]] bool can_open_fonts();
/// The families of the machine, in alphabetical order. Empty if fonts cannot be opened.
[[nodiscard]] std::vector<std::string> font_families();

/// Opens fonts of the machine and of files, to measure text. Opened fonts and shaped texts are kept for later calls
/// with the same fonts. A text without a font, or with one that is not in the list, has `body`, else the machine's
/// sans.
///
/// A font of a family takes missing characters from other fonts of the machine. A font of a file takes
/// them from the other files alone, so that a text has the same size everywhere. Texts of more than 1,000,000 bytes, in
/// font sizes above 10,000 pixels or below 1/16, or wider than 1e6 pixels, are not shaped.
///
/// Throws BadFonts, with every fault. The first call reads the machine's list of fonts.
[[nodiscard]] std::shared_ptr<const TextShaper> open_fonts(const std::vector<NamedFont>& fonts);

/// Measures all texts of a scene in fixed metrics, or with its fonts: also those of
/// ranges, modes and locales, so that the notes of the shaper cover all of them. Throws BadFonts, also for
/// fonts of a locale and for a text that cannot be shaped; then the scene is unchanged.
void set_text_metrics(Scene& scene, TextMetrics words);

/// The text of a Pango layout as segments, for Tree::set_content. The layout is read as if it had no
/// width; later changes to it have no effect. Throws BadSegments for what SegmentedText refuses, and
/// if this build cannot measure with fonts.
[[nodiscard]] std::shared_ptr<const SegmentedText> segments_of(_PangoLayout* layout, std::optional<int> max_lines = {});

}  // namespace v0
}  // namespace fond_ladder
