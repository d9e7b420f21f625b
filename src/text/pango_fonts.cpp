// SPDX-License-Identifier: MIT
//
// Fonts by Pango, unhinted and in fractions of pixels, whatever the machine's settings for its screen are: sizes then
// grow evenly, and a line is as wide on one machine as on another with the same font. One of the machine's is looked
// for in its list; one in a file has a list of its own, with the files of the scene in it and nothing of the machine.
//
// A text is shaped once a style (layout_pieces.hpp). What was set is kept until it comes to `most_kept` bytes, then all
// is forgotten: whoever uses a text holds it. Tests: fonts_test.cpp.
#include "text/pango_fonts.hpp"

#include <pango/pangocairo.h>
#include <pango/pangofc-fontmap.h>
#include <sys/stat.h>

#include <algorithm>
#include <array>

#include "fond_ladder/fonts.hpp"
#include "model/fonts_by_name.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "model/thousands.hpp"
#include "text/costly_words.hpp"
#include "text/layout_pieces.hpp"
#include "text/spare_memory.hpp"

namespace fond_ladder::inline v0 {
namespace typeset {
namespace {

/// Names that every machine knows some family by.
constexpr std::array<std::string_view, 6> kinds_of_letters{"sans-serif", "serif", "monospace",
                                                           "sans",       "mono",  "system-ui"};

/// A fault of one font; the place in the list is put in by whoever reads the list.
class NoFont : public std::runtime_error {
 public:
  using std::runtime_error::runtime_error;
};

bool same_name(std::string_view left, std::string_view right) {
  const std::string one(left), other(right);
  return FcStrCmpIgnoreCase(reinterpret_cast<const FcChar8*>(one.c_str()),
                            reinterpret_cast<const FcChar8*>(other.c_str())) == 0;
}

bool is_kind_of_letters(const std::string& family) {
  return std::ranges::any_of(kinds_of_letters, [&](std::string_view kind) { return same_name(family, kind); });
}

/// All but the kinds of letters, which Pango lists too.
std::vector<std::string> families_in(PangoFontMap* map) {
  PangoFontFamily** all = nullptr;
  int count = 0;
  pango_font_map_list_families(map, &all, &count);
  std::vector<std::string> names;
  for (int i = 0; i < count; ++i) names.emplace_back(pango_font_family_get_name(all[i]));  // NOLINT: Pango's array
  g_free(static_cast<void*>(all));
  std::ranges::sort(names);
  names.erase(std::unique(names.begin(), names.end()), names.end());
  std::erase_if(names, is_kind_of_letters);
  return names;
}

Owned<PangoFontMap> new_map() {
  need_spare_memory();
  return Owned<PangoFontMap>(pango_cairo_font_map_new_for_font_type(CAIRO_FONT_TYPE_FT));
}

/// Keeps the map.
Owned<PangoContext> context_of(PangoFontMap* map) {
  Owned<PangoContext> context(pango_font_map_create_context(map));
  pango_context_set_round_glyph_positions(context.get(), 0);
  pango_context_set_language(context.get(), pango_language_from_string("en"));  // not that of whoever runs it
  cairo_font_options_t* options = cairo_font_options_create();
  cairo_font_options_set_hint_style(options, CAIRO_HINT_STYLE_NONE);
  cairo_font_options_set_hint_metrics(options, CAIRO_HINT_METRICS_OFF);
  cairo_font_options_set_antialias(options, CAIRO_ANTIALIAS_GRAY);
  pango_cairo_context_set_font_options(context.get(), options);
  cairo_font_options_destroy(options);
  return context;
}

/// Adds a font file to a list. Throws NoFont.
void add_file(FcConfig* config, const std::string& file) {
  struct stat about {};
  if (stat(file.c_str(), &about) != 0) throw NoFont("cannot find the file " + printable(file));
  if (!S_ISREG(about.st_mode)) throw NoFont(printable(file) + " is not a plain file");
  if (static_cast<std::uint64_t>(about.st_size) > limits::largest_font_file)
    throw NoFont(printable(file) + " is larger than 64 MiB, the limit for a font");
  const auto* name = reinterpret_cast<const FcChar8*>(file.c_str());
  if (FcConfigAppFontAddFile(config, name) == FcFalse) throw NoFont(printable(file) + " is not a font file");
}

/// What the first font of a file is called.
Owned<PangoFontDescription> first_font_in(const std::string& file) {
  int count = 0;
  FcPattern* pattern = FcFreeTypeQuery(reinterpret_cast<const FcChar8*>(file.c_str()), 0, nullptr, &count);
  if (pattern == nullptr) throw NoFont(printable(file) + " is not a font file");
  FcBool grows = FcFalse;
  FcPatternGetBool(pattern, FC_SCALABLE, 0, &grows);
  Owned<PangoFontDescription> description(pango_fc_font_description_from_pattern(pattern, 0));
  FcPatternDestroy(pattern);
  if (grows == FcFalse) throw NoFont(printable(file) + " is a bitmap font; use an outline font");
  return description;
}

/// Texts as Pango takes them: UTF-8, byte for byte as long. A tab is a space here.
std::string sound(const std::string& text, bool one_line) {
  std::string sound = text;
  const char *at = sound.data(), *end = at + sound.size();
  while (g_utf8_validate(at, end - at, &at) == 0) {
    sound[static_cast<std::size_t>(at - sound.data())] = '?';
    ++at;
  }
  std::ranges::replace(sound, '\t', ' ');
  if (one_line) {
    std::ranges::replace(sound, '\n', ' ');
    std::ranges::replace(sound, '\r', ' ');
  }
  return sound;
}

/// Pango counts from the beginning of a text for each of its paragraphs, so it gets a few thousand bytes of them at
/// once.
std::size_t end_of_stretch(const std::string& text, std::size_t from) {
  constexpr std::size_t usual = 4096;
  if (text.size() - from <= usual) return text.size();
  const std::size_t end = text.find('\n', from + usual);
  return end == std::string::npos ? text.size() : end + 1;
}

/// Puts what a stretch of a text has behind that of the one before.
void add(LayoutPieces more, std::size_t from, bool is_last, LayoutPieces& all) {
  if (!is_last) more.pieces.pop_back();  // of no words: the paragraph behind its end is the next stretch's
  for (TextSegment& piece : more.pieces) {
    piece.begin += static_cast<std::uint32_t>(from);
    piece.end += static_cast<std::uint32_t>(from);
  }
  all.pieces.insert(all.pieces.end(), more.pieces.begin(), more.pieces.end());
  all.ascent = std::max(all.ascent, more.ascent);
  all.descent = std::max(all.descent, more.descent);
}

std::string listed(const std::set<std::uint32_t>& characters) {
  constexpr std::size_t most = 8;
  std::string list;
  std::size_t listed = 0;
  for (const std::uint32_t one : characters) {
    if (listed++ == most) return list + " and " + std::to_string(characters.size() - most) + " more";
    std::array<char, 8> bytes{};
    const int length = g_unichar_to_utf8(one, bytes.data());
    list += (list.empty() ? "" : " ") + printable({bytes.data(), static_cast<std::size_t>(length)});
  }
  return list;
}

}  // namespace

std::size_t PangoFonts::KnownHash::operator()(const Known& known) const {
  const std::hash<std::string_view> hash;
  const std::size_t style = static_cast<std::size_t>(known.style.size * 64) * 8 + (known.style.bold ? 1 : 0) +
                            (known.style.italic ? 2 : 0) + (known.style.one_line ? 4 : 0);
  return hash(known.text) * 31 + hash(known.style.font) + style;
}

PangoFonts::PangoFonts(std::vector<NamedFont> fonts) : fonts_(std::move(fonts)), machine_(context_of(new_map().get())) {
  std::vector<BadFonts::Fault> faults;
  faces_.emplace("", open({}));
  for (std::size_t i = 0; i < fonts_.size(); ++i) {
    try {
      faces_.insert_or_assign(fonts_[i].name, open(fonts_[i]));
    } catch (const NoFont& fault) {
      faults.push_back({i, fonts_[i].source_place, fault.what()});
    }
  }
  if (!faults.empty()) throw BadFonts(std::move(faults));
}

PangoFonts::Face PangoFonts::open(const NamedFont& font) const {
  return font.file.empty() ? open_family(font.family.empty() ? "sans-serif" : font.family) : open_file(font.file);
}

PangoFonts::Face PangoFonts::open_file(const std::string& file) const {
  Face face;
  face.config.reset(FcConfigCreate());
  add_file(face.config.get(), file);
  face.description = first_font_in(file);
  for (const NamedFont& other : fonts_) {  // for characters that this one does not have, and its bold
    if (other.file.empty() || other.file == file) continue;
    try {
      add_file(face.config.get(), other.file);
    } catch (const NoFont&) {
      continue;  // reported at its place
    }
  }
  const Owned<PangoFontMap> map = new_map();
  pango_fc_font_map_set_config(PANGO_FC_FONT_MAP(map.get()), face.config.get());
  face.context = context_of(map.get());
  return face;
}

PangoFonts::Face PangoFonts::open_family(const std::string& family) const {
  if (!is_kind_of_letters(family)) {
    const std::vector<std::string> families = families_in(pango_context_get_font_map(machine_.get()));
    if (std::ranges::none_of(families, [&](const std::string& one) { return same_name(family, one); })) {
      const std::vector<std::string_view> words(families.begin(), families.end());
      const std::string_view near = nearest_word(family, words);
      throw NoFont("this machine has no font family \"" + printable(family) + "\"" +
                   (near.empty() ? "" : "; did you mean \"" + printable(near) + "\"?") + " (see fond-ladder fonts)");
    }
  }
  Face face;
  face.context.reset(PANGO_CONTEXT(g_object_ref(machine_.get())));
  face.description.reset(pango_font_description_new());
  pango_font_description_set_family(face.description.get(), family.c_str());
  return face;
}

std::string PangoFonts::name_of(const std::string& font) const {
  const NamedFont* named = font_named(fonts_, font);
  return named == nullptr ? std::string() : named->name;
}

Owned<PangoFontDescription> PangoFonts::described(const FontStyle& style) const {
  Owned<PangoFontDescription> description(pango_font_description_copy(face(style.font).description.get()));
  pango_font_description_set_absolute_size(description.get(), style.size * PANGO_SCALE);
  if (style.bold) pango_font_description_set_weight(description.get(), PANGO_WEIGHT_BOLD);
  if (style.italic) pango_font_description_set_style(description.get(), PANGO_STYLE_ITALIC);
  return description;
}

Owned<PangoLayout> PangoFonts::layout(const std::string& text, const FontStyle& style) const {
  Owned<PangoLayout> layout(pango_layout_new(face(style.font).context.get()));
  pango_layout_set_font_description(layout.get(), described(style).get());
  pango_layout_set_text(layout.get(), text.data(), static_cast<int>(text.size()));
  return layout;
}

Owned<PangoLayout> PangoFonts::line(std::string_view text, const FontStyle& style) const {
  const std::scoped_lock lock(mutex_);
  need_spare_memory();
  Owned<PangoLayout> one = layout(sound(std::string(text), true), style);
  pango_layout_set_single_paragraph_mode(one.get(), 1);
  static_cast<void>(pango_layout_get_line_count(one.get()));  // shaped while no other thread does
  return one;
}

std::size_t PangoFonts::shaped() const {
  const std::scoped_lock lock(mutex_);
  return shaped_;
}

std::shared_ptr<const ShapedText> PangoFonts::shape(const std::string& text, const FontStyle& style) const {
  return known(text, style, Notes::taken);
}

std::shared_ptr<const ShapedText> PangoFonts::known(const std::string& text, const FontStyle& style,
                                                    Notes notes) const {
  const bool has_size = style.size >= limits::smallest_set_size && style.size <= limits::largest_set_size;
  if (text.size() > limits::longest_text || !has_size) return nullptr;
  const std::scoped_lock lock(mutex_);
  Known asked{text, style};
  const auto found = known_.find(asked);
  if (found != known_.end()) return found->second;
  std::shared_ptr<const ShapedText> set = shape(text, style, notes);
  constexpr std::size_t most_kept = 64 << 20;
  if (bytes_ > most_kept) {
    known_.clear();
    bytes_ = 0;
  }
  bytes_ += sizeof(Known) + text.size() + (set ? set->memory() : 0);
  known_.emplace(std::move(asked), set);
  return set;
}

std::shared_ptr<const ShapedText> PangoFonts::shape(const std::string& text, const FontStyle& style,
                                                    Notes notes) const {
  ++shaped_;
  const std::string words = sound(text, style.one_line);
  if (!why_costly(words).empty()) return nullptr;
  need_spare_memory(spare_for_letters + (500 * text.size()));
  const Face& face = this->face(style.font);
  const Owned<PangoFont> own(pango_context_load_font(face.context.get(), described(style).get()));
  if (!own) return nullptr;
  const Letters letters{name_of(style.font), style.bold, style.italic};
  if (notes == Notes::taken) note_letters(letters, own.get());
  LayoutPieces read;
  std::size_t from = 0;
  do {
    const std::size_t end = end_of_stretch(words, from);
    add(pieces_in(layout(words.substr(from, end - from), style).get(),
                  [&](std::string_view characters, PangoFont* font, bool boxes) {
                    if (notes == Notes::taken) note_characters(characters, font, boxes, letters, own.get());
                  }),
        from, end == words.size(), read);
    from = end;
  } while (from < words.size());
  if (read.ascent + read.descent <= 0) {
    const Owned<PangoFontMetrics> metrics(pango_font_get_metrics(own.get(), nullptr));
    read.ascent = static_cast<double>(pango_font_metrics_get_ascent(metrics.get())) / PANGO_SCALE;
    read.descent = static_cast<double>(pango_font_metrics_get_descent(metrics.get())) / PANGO_SCALE;
  }
  if (style.one_line && !read.pieces.empty()) {  // one piece, which nothing breaks
    TextSegment all = read.pieces.front();
    double spaces = all.space;
    for (std::size_t i = 1; i < read.pieces.size(); ++i) {
      const TextSegment& next = read.pieces[i];
      if (next.end > next.begin) all.width += spaces + next.width, spaces = 0, all.end = next.end;
      spaces += next.space;
    }
    all.space = spaces;
    all.hyphen = 0;
    all.ends_paragraph = false;
    read.pieces.assign(1, all);
  }
  try {
    return std::make_shared<const ShapedText>(style.one_line ? words : text, read.pieces,
                                              style.lines(read.ascent, read.descent), style);
  } catch (const BadSegments&) {  // too wide, or too small to have a height
    return nullptr;
  }
}

/// Bold or slanted letters that a font does not have.
void PangoFonts::note_letters(const Letters& letters, PangoFont* own) const {
  const Owned<PangoFontDescription> got(pango_font_describe(own));
  if (letters.bold && pango_font_description_get_weight(got.get()) < PANGO_WEIGHT_SEMIBOLD)
    faceless_.emplace(letters.font, "bold");
  if (letters.italic && pango_font_description_get_style(got.get()) == PANGO_STYLE_NORMAL)
    faceless_.emplace(letters.font, "italic");
}

/// Characters that they do not have.
void PangoFonts::note_characters(std::string_view characters, PangoFont* font, bool has_boxes, const Letters& letters,
                                 PangoFont* own) const {
  const char* end = characters.data() + characters.size();
  for (const char* at = characters.data(); at < end; at = g_utf8_next_char(at)) {
    const gunichar one = g_utf8_get_char(at);
    if (g_unichar_isspace(one) != 0 || g_unichar_isprint(one) == 0 || g_unichar_iszerowidth(one) != 0) continue;
    if (pango_font_has_char(own, one) != 0) continue;
    if (font != nullptr && pango_font_has_char(font, one) != 0) {
      elsewhere_[letters].insert(one);
    } else if (has_boxes || font == nullptr) {
      nowhere_[letters].insert(one);
    }
  }
}

/// `the font body (DejaVu Sans, italic)`
std::string PangoFonts::called(const Letters& letters) const {
  const std::string family = printable(pango_font_description_get_family(faces_.at(letters.font).description.get()));
  const std::string how = std::string(letters.bold ? ", bold" : "") + (letters.italic ? ", italic" : "");
  return letters.font.empty() ? "this machine's " + family + how
                              : "the font " + letters.font + " (" + family + how + ")";
}

std::vector<std::string> PangoFonts::remarks() const {
  const std::scoped_lock lock(mutex_);
  std::vector<std::string> all;
  for (const auto& [letters, characters] : elsewhere_)
    all.push_back(called(letters) + " does not have " + listed(characters) + "; other letters are used instead");
  for (const auto& [letters, characters] : nowhere_) {
    all.push_back(called(letters) + " does not have " + listed(characters) + ", nor has " +
                  (faces_.at(letters.font).config ? "another file of the scene" : "another font here") +
                  "; boxes are used instead");
  }
  for (const auto& [font, what] : faceless_)
    all.push_back(called({font}) + " has no " + what + " letters; its regular ones are measured");
  return all;
}

std::string PangoFonts::refusal(const std::string& text, const FontStyle& style) const {
  if (shape(text, style) != nullptr) return {};
  if (text.size() > limits::longest_text) {
    return "its words take " + in_thousands(static_cast<double>(text.size())) + " bytes; the limit with fonts is " +
           in_thousands(limits::longest_text);
  }
  if (std::string why = why_costly(sound(text, style.one_line)); !why.empty()) return why;
  if (style.size > limits::largest_set_size) {
    return "its size is " + exact(style.size) + "; the largest with fonts is " + exact(limits::largest_set_size);
  }
  if (style.size < limits::smallest_set_size) {
    return "its size is " + exact(style.size) + "; the smallest with fonts is " + exact(limits::smallest_set_size);
  }
  return "its text is wider than 1e6 pixels, the limit with fonts";
}

double PangoFonts::zero_width(const FontStyle& style) const {
  FontStyle of_zero = style;
  of_zero.line_height.reset();
  of_zero.max_lines.reset();
  of_zero.one_line = true;
  const auto zero = known("0", of_zero, Notes::none);
  return zero ? zero->widths().max_content : plain_character * style.size;
}

std::string PangoFonts::family(const FontStyle& style) const {
  return pango_font_description_get_family(face(style.font).description.get());
}

std::shared_ptr<const TextShaper> PangoFonts::with(const std::vector<NamedFont>& fonts) const {
  return open_fonts(with_fonts(fonts_, fonts));
}

/// What was opened, by the fonts and by when their files were written.
class Opened {
 public:
  std::shared_ptr<const PangoFonts> get(const std::vector<NamedFont>& fonts) {
    std::string key;
    for (const NamedFont& font : fonts) {
      struct stat about {};
      if (!font.file.empty()) stat(font.file.c_str(), &about);
      for (const std::string& part : {font.name, font.family, font.file}) key.append(part).push_back('\0');
      key += std::to_string(about.st_size) + ":" + std::to_string(about.st_mtim.tv_sec) + "." +
             std::to_string(about.st_mtim.tv_nsec) + ";";
    }
    const std::scoped_lock lock(mutex_);
    const auto known = std::ranges::find(all_, key, &Entry::first);
    if (known != all_.end()) {
      std::rotate(known, known + 1, all_.end());
      return all_.back().second;
    }
    auto opened = std::make_shared<const PangoFonts>(fonts);
    constexpr std::size_t most = 16;
    if (all_.size() == most) all_.erase(all_.begin());
    all_.emplace_back(key, opened);
    return opened;
  }

 private:
  using Entry = std::pair<std::string, std::shared_ptr<const PangoFonts>>;
  std::mutex mutex_;
  std::vector<Entry> all_;  // the one asked for last at the end
};

}  // namespace typeset

bool can_open_fonts() {
  return true;
}

std::vector<std::string> font_families() {
  return typeset::families_in(typeset::new_map().get());
}

std::shared_ptr<const TextShaper> open_fonts(const std::vector<NamedFont>& fonts) {
  static typeset::Opened opened;
  return opened.get(fonts);
}

std::shared_ptr<const SegmentedText> segments_of(PangoLayout* layout, std::optional<int> max_lines) {
  const typeset::Owned<PangoLayout> unbroken(pango_layout_copy(layout));
  pango_layout_set_width(unbroken.get(), -1);
  pango_layout_set_ellipsize(unbroken.get(), PANGO_ELLIPSIZE_NONE);
  const typeset::LayoutPieces read = typeset::pieces_in(unbroken.get());
  return std::make_shared<const SegmentedText>(pango_layout_get_text(layout), read.pieces,
                                               LineStyle{read.ascent + read.descent, read.ascent, max_lines});
}

}  // namespace fond_ladder::inline v0
