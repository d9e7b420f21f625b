// SPDX-License-Identifier: MIT
#pragma once

// Text measured with real fonts, by Pango and HarfBuzz. Needs the component `text`; without Pango every call throws
// BadFonts. set_words(scene, TextMetrics::fonts);

#include <cstddef>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "fond_ladder/version.hpp"

// Of Pango, which this header does not ask for.
struct _PangoLayout;  // NOLINT(bugprone-reserved-identifier): its own name

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Fonts that are not there, or cannot be read; the message says which, and those of nearly that name.
class BadFonts : public Error {
 public:
  struct Fault {
    std::optional<std::size_t> font;  ///< its place in the list; absent: it is about a text
    std::string source_place;         ///< as NamedFont has it
    std::string message;
  };
  explicit BadFonts(std::vector<Fault> faults);
  /// One per font that cannot be used.
  [[nodiscard]] const std::vector<Fault>& faults() const { return faults_; }

 private:
  std::vector<Fault> faults_;
};

/// Whether this build can measure with fonts: whether Pango was there when it was made.
[[nodiscard]] bool can_open_fonts();
/// The families of the machine, in alphabetical order. Empty where fonts cannot be opened.
[[nodiscard]] std::vector<std::string> font_families();

/// Fonts of the machine and of files, ready to measure words. What was opened and shaped is kept for the next who asks
/// for the same fonts. A text that names no font, or one that is not among these, has `body`, else the machine's sans.
///
/// A font of a family takes characters that it does not have from other fonts of the machine. A font of a file takes
/// them from the other files alone, so that a text measures equally everywhere. Texts of more than 1,000,000 bytes, in
/// characters of more than 10,000 pixels or less than 1/16, or wider than 1e6 pixels, are not set.
///
/// Throws BadFonts, with every fault. Opening the first of all reads the machine's list of fonts.
[[nodiscard]] std::shared_ptr<const TextShaper> open_fonts(const std::vector<NamedFont>& fonts);

/// Measures the words of a scene as is said: in fixed metrics, or with its fonts. All its texts are set, those of its
/// ranges, modes and locales too, so that the text_shaper's remarks are about all of them. Throws BadFonts, also for
/// fonts of a locale and for a text that cannot be set; then the scene is as it was.
void set_words(Scene& scene, TextMetrics words);

/// A text that a layout of Pango's holds, in its pieces, to be given to a node: Tree::set_content. The layout is read
/// as if it had no width; further edits of it are not followed. Throws BadPieces for what SegmentedText refuses, and
/// where this build cannot measure with fonts.
[[nodiscard]] std::shared_ptr<const SegmentedText> segments_of(_PangoLayout* layout, std::optional<int> max_lines = {});

}  // namespace v0
}  // namespace fond_ladder
