// SPDX-License-Identifier: MIT
#include "model/key_table.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <vector>

#include "model/area_map.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

const std::array table{
    KeyEntry{"kind", &Keys::kind, Acts::everywhere, "what the node is"},
    KeyEntry{"name", &Keys::name, Acts::everywhere, "unique among its siblings; paths are made of names"},
    KeyEntry{"width", &Keys::width, Acts::child, "its width: a length, its content, or as wide as there is room",
             Domain::not_negative},
    KeyEntry{"height", &Keys::height, Acts::child, "its height: a length, its content, or as high as there is room",
             Domain::not_negative},
    KeyEntry{"min_width", &Keys::min_width, Acts::child, "never narrower; beats max_width", Domain::not_negative},
    KeyEntry{"max_width", &Keys::max_width, Acts::child, "never wider", Domain::not_negative},
    KeyEntry{"min_height", &Keys::min_height, Acts::child, "never lower; beats max_height", Domain::not_negative},
    KeyEntry{"max_height", &Keys::max_height, Acts::child, "never higher", Domain::not_negative},
    KeyEntry{"aspect", &Keys::aspect, Acts::child, "width / height; does nothing where both are given", Domain::ratio},
    KeyEntry{"margin", &Keys::margin, Acts::child, "room around the node; \"auto\" on a side takes what is spare"},
    KeyEntry{"padding", &Keys::padding, Acts::everywhere, "room between the border and the content",
             Domain::not_negative},
    KeyEntry{"border", &Keys::border, Acts::everywhere, "thickness of the border", Domain::thickness},
    KeyEntry{"border_at", &Keys::border_at, Acts::everywhere,
             "inside the box, taking room of its content, or over whatever is there"},
    KeyEntry{"hidden", &Keys::hidden, Acts::child, "takes no room, and nothing of it is seen"},
    KeyEntry{"touch", &Keys::touch, Acts::everywhere, "a person must be able to hit it"},
    KeyEntry{"order", &Keys::order, Acts::child, "its place among its siblings when they are laid"},
    KeyEntry{"pin", &Keys::pin, Acts::child, "takes it out of the flow and ties it to edges of its parent"},
    KeyEntry{"scroll", &Keys::scroll, Acts::everywhere, "the axes on which its content may be longer than its view"},
    KeyEntry{"scale", &Keys::scale, Acts::everywhere, "painted larger or smaller about its centre", Domain::ratio},
    KeyEntry{"scale_counts", &Keys::scale_counts, Acts::everywhere, "whether room is kept for the painted size"},
    KeyEntry{"gap", &Keys::gap, Acts::line_or_grid, "room between neighbours; may be negative in rows and columns"},
    KeyEntry{"paint_order", &Keys::paint_order, Acts::container,
             "which children are painted over others that they overlap: later ones of the file, or backward"},
    KeyEntry{"along", &Keys::along, Acts::line,
             "where the children are packed along the row or column when room is left"},
    KeyEntry{"across", &Keys::across, Acts::line, "where the children lie across the row or column"},
    KeyEntry{"wrap", &Keys::wrap, Acts::line, "whether children without room open another line"},
    KeyEntry{"reverse", &Keys::reverse, Acts::line, "lays each line from its far end"},
    KeyEntry{"rest", &Keys::rest, Acts::line_or_grid, "how wrapped lines, or the tracks of a grid, share spare room"},
    KeyEntry{"out_of", &Keys::out_of, Acts::line, "the total that weights and grows are parts of", Domain::share},
    KeyEntry{"alike", &Keys::alike, Acts::line, "all children equal along, whatever their content"},
    KeyEntry{"align", &Keys::align, Acts::grid_or_stack, "where all children lie, on each axis"},
    KeyEntry{"columns", &Keys::columns, Acts::grid, "the columns: a list of tracks, or how many equal ones",
             Domain::tracks},
    KeyEntry{"rows", &Keys::rows, Acts::grid, "the rows: a list of tracks, or how many equal ones", Domain::tracks},
    KeyEntry{"auto_columns", &Keys::auto_columns, Acts::grid, "size of columns that nobody wrote down", Domain::tracks},
    KeyEntry{"auto_rows", &Keys::auto_rows, Acts::grid, "size of rows that nobody wrote down", Domain::tracks},
    KeyEntry{"flow", &Keys::flow, Acts::grid, "whether the grid is filled row by row or column by column"},
    KeyEntry{"dense", &Keys::dense, Acts::grid, "whether later children may fill earlier holes"},
    KeyEntry{"areas", &Keys::areas, Acts::grid, "a map of names, row by row; \".\" leaves a cell free"},
    KeyEntry{"cell", &Keys::cell, Acts::in_grid, "the column and the row it stands in, from 0"},
    KeyEntry{"span", &Keys::span, Acts::in_grid, "how many columns and rows it takes"},
    KeyEntry{"area", &Keys::area, Acts::in_grid, "the name of the area it stands in"},
    KeyEntry{"basis", &Keys::basis, Acts::in_line, "what it starts from along, before leftover is shared",
             Domain::no_fill},
    KeyEntry{"grow", &Keys::grow, Acts::in_line, "its part of the leftover", Domain::factor},
    KeyEntry{"shrink", &Keys::shrink, Acts::in_line, "its part of what is missing", Domain::factor},
    KeyEntry{"weight", &Keys::weight, Acts::in_line, "its size along, in the ratio of the weights", Domain::factor},
    KeyEntry{"self", &Keys::self, Acts::in_container,
             "where it lies, whatever its parent says: one word across, or x and y"},
    KeyEntry{"nudge", &Keys::nudge, Acts::in_stack, "moved by so many pixels, last of all"},
    KeyEntry{"natural", &Keys::natural, Acts::box_or_image, "the size of its content, in pixels", Domain::not_negative},
    KeyEntry{"text", &Keys::text, Acts::text, "its words"},
    KeyEntry{"size", &Keys::size, Acts::text, "of its characters, in pixels; one em when left out", Domain::positive},
    KeyEntry{"one_line", &Keys::one_line, Acts::text, "whether its words stay on one line"},
    KeyEntry{"max_lines", &Keys::max_lines, Acts::text, "lines beyond are cut", Domain::at_least_one},
    KeyEntry{"words_at", &Keys::words_at, Acts::text, "where its words lie in a box wider than they are"},
    KeyEntry{"shows", &Keys::shows, Acts::image, "how the picture fills its box"},
};

static_assert(std::tuple_size_v<decltype(table)> <= 64);  // Changes has a bit for each

using Fault = std::optional<std::string>;

Fault number_fault(double value, Domain domain) {
  const bool finite = std::isfinite(value);
  switch (domain) {
    case Domain::any:
    case Domain::no_fill:
      if (finite && std::abs(value) <= limits::largest_length) return {};
      return "must be a number from -1e9 to 1e9";
    case Domain::not_negative:
    case Domain::tracks:
    case Domain::thickness:
      if (finite && value >= 0 && value <= limits::largest_length) return {};
      return "must be 0 or more, and at most 1e9";
    case Domain::positive:
      if (finite && value > 0 && value <= limits::largest_length) return {};
      return "must be more than 0, and at most 1e9";
    case Domain::factor:
      if (value == 0) return {};
      [[fallthrough]];
    case Domain::share:
      if (finite && value >= limits::smallest_factor && value <= limits::largest_factor) return {};
      return domain == Domain::factor ? "must be 0, or from 1e-9 to 1e9" : "must be from 1e-9 to 1e9";
    case Domain::ratio:
      if (finite && value >= limits::smallest_aspect && value <= limits::largest_aspect) return {};
      return "must be from 1e-6 to 1e6";
    case Domain::at_least_one:
      if (finite && value >= 1) return {};
      return "must be 1 or more";
  }
  return {};
}

/// `tag[3]`, the name of a copy, without its index.
std::string_view without_index(std::string_view name) {
  const std::size_t open = name.find('[');
  if (open == std::string_view::npos || !name.ends_with(']') || open + 2 == name.size()) return name;
  const std::string_view index = name.substr(open + 1, name.size() - open - 2);
  return std::ranges::all_of(index, [](char c) { return c >= '0' && c <= '9'; }) ? name.substr(0, open) : name;
}

bool is_track(int place) {
  return place >= 0 && place < static_cast<int>(limits::most_tracks);
}

bool has_length(const Track& track) {
  return track.min.way() == TrackSize::Way::length || track.max.way() == TrackSize::Way::length;
}

Fault track_fault(const Track& track) {
  if (track.min.way() == TrackSize::Way::share) return "must not have a share as minimum: it can only be a maximum";
  for (const TrackSize* size : {&track.min, &track.max}) {
    if (size->way() == TrackSize::Way::length) {
      if (auto fault = number_fault(size->length().amount(), Domain::not_negative)) return fault;
    }
    if (size->way() == TrackSize::Way::share) {
      if (auto fault = number_fault(size->share(), Domain::factor))
        return "must have shares that are 0, or from 1e-9 to 1e9";
    }
  }
  return {};
}

struct FaultFinder {
  const Keys& keys;
  Domain domain;

  Fault operator()(double Keys::*field) const { return number_fault(keys.*field, domain); }
  Fault operator()(std::optional<double> Keys::*field) const {
    return keys.*field ? number_fault(*(keys.*field), domain) : Fault{};
  }
  Fault operator()(std::optional<int> Keys::*field) const {
    return keys.*field ? number_fault(*(keys.*field), domain) : Fault{};
  }
  Fault operator()(Limit Keys::*field) const {
    return keys.*field ? number_fault((keys.*field)->amount(), domain) : Fault{};
  }
  Fault operator()(Sizing Keys::*field) const {
    const Sizing& sizing = keys.*field;
    if (domain == Domain::no_fill && sizing.way() == Sizing::Way::fill) return "must be a length or \"content\"";
    if (sizing.way() != Sizing::Way::length) return {};
    return number_fault(sizing.length().amount(), Domain::not_negative);
  }
  Fault operator()(Edges Keys::*field) const {
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      const auto& edge = (keys.*field).given(static_cast<Side>(i));
      if (!edge) continue;
      if (edge->is_automatic()) {
        if (domain != Domain::any) return "must be lengths: only a margin can be \"auto\"";
        continue;
      }
      if (domain == Domain::thickness && edge->length().is_percent()) {
        return "must not be a percentage: a border is as thick at every size";
      }
      if (auto fault = number_fault(edge->length().amount(), domain)) return fault;
    }
    return {};
  }
  Fault operator()(Pair Keys::*field) const {
    auto fault = number_fault((keys.*field).x, domain);
    return fault ? fault : number_fault((keys.*field).y, domain);
  }
  Fault operator()(std::string Keys::*field) const {
    if (field == &Keys::text || (keys.*field).empty()) return {};
    const std::string& name = keys.*field;
    if (is_node_name(field == &Keys::name ? without_index(name) : name)) return {};
    return "must be a letter, then letters, digits, \"_\" or \"-\"";
  }
  Fault operator()(Track Keys::*field) const { return track_fault(keys.*field); }
  Fault operator()(Tracks Keys::*field) const {
    std::size_t count = 0;
    int fitting = 0;
    for (const Tracks::Run& run : (keys.*field).runs()) {
      if (run.tracks.empty()) return "must repeat at least one track";
      if (run.times < 1) return "must repeat tracks 1 time or more";
      count += run.tracks.size() * static_cast<std::size_t>(run.times);
      fitting += run.fitting ? 1 : 0;
      for (const Track& track : run.tracks) {
        if (auto fault = track_fault(track)) return fault;
        if (run.fitting && !has_length(track)) {
          return "must give fitting tracks a length, as minimum or maximum: how many fit could not be told";
        }
      }
    }
    if (fitting > 1) return "must have one fitting run at most";
    return count > limits::most_tracks ? Fault{"must be at most 10,000 tracks"} : Fault{};
  }
  Fault operator()(std::vector<std::string> Keys::*field) const { return AreaMap(keys.*field).fault(); }
  Fault operator()(std::optional<Cell> Keys::*field) const {
    const auto& cell = keys.*field;
    return !cell || (is_track(cell->column) && is_track(cell->row))
               ? Fault{}
               : Fault{"must be a column and a row from 0 to 9,999"};
  }
  Fault operator()(CellSpan Keys::*field) const {
    const auto sound = [](int count) { return count == CellSpan::all || is_track(count - 1); };
    return sound((keys.*field).columns) && sound((keys.*field).rows)
               ? Fault{}
               : Fault{"must be from 1 to 10,000 tracks, or \"all\", on each axis"};
  }
  template <class T>
  Fault operator()(T Keys::*) const {
    return {};
  }
};

/// What a word of earlier scenes is called now; the word itself where it was never changed.
std::string_view now_called(std::string_view word) {
  constexpr std::array<std::pair<std::string_view, std::string_view>, 4> renamed{{
      {"border_counts", "border_at"},
      {"overlap", "paint_order"},
      {"center_x", "middle_x"},
      {"center_y", "middle_y"},
  }};
  const auto* found = std::ranges::find(renamed, word, &std::pair<std::string_view, std::string_view>::first);
  return found == renamed.end() ? word : found->second;
}

bool is_letter(char c) {
  return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
}

/// Edits (insert, remove, replace, swap neighbours) that turn one word into the other.
/// Small and capital letters count as one.
std::size_t edit_distance(std::string_view a, std::string_view b) {
  const auto same = [](char one, char other) {
    const auto lower = [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; };
    return lower(one) == lower(other);
  };
  std::vector<std::size_t> before(b.size() + 1), last(b.size() + 1), row(b.size() + 1);
  for (std::size_t j = 0; j <= b.size(); ++j) last[j] = j;
  for (std::size_t i = 1; i <= a.size(); ++i) {
    row[0] = i;
    for (std::size_t j = 1; j <= b.size(); ++j) {
      row[j] = std::min({last[j] + 1, row[j - 1] + 1, last[j - 1] + (same(a[i - 1], b[j - 1]) ? 0 : 1)});
      if (i > 1 && j > 1 && same(a[i - 1], b[j - 2]) && same(a[i - 2], b[j - 1]))
        row[j] = std::min(row[j], before[j - 2] + 1);
    }
    std::swap(before, last);
    std::swap(last, row);
  }
  return last[b.size()];
}

}  // namespace

std::span<const KeyEntry> key_table() {
  return table;
}

const KeyEntry* find_key(std::string_view name) {
  const auto found = std::ranges::find(table, name, &KeyEntry::name);
  return found == table.end() ? nullptr : &*found;
}

std::size_t place_of(const KeyEntry& entry) {
  return static_cast<std::size_t>(&entry - table.data());
}

std::size_t key_at_offset(std::size_t bytes) {
  static const auto places = [] {
    std::array<std::uint8_t, sizeof(Keys)> all{};
    const Keys keys;
    const auto* begin = reinterpret_cast<const std::byte*>(&keys);
    for (std::size_t i = 0; i < table.size(); ++i) {
      const auto at = [&](auto field) { return reinterpret_cast<const std::byte*>(&(keys.*field)) - begin; };
      all[static_cast<std::size_t>(std::visit(at, table[i].field))] = static_cast<std::uint8_t>(i);
    }
    return all;
  }();
  return places[bytes];
}

void copy_key(const KeyEntry& entry, const Keys& from, Keys& into) {
  std::visit([&](auto field) { into.*field = from.*field; }, entry.field);
}

void unsay(const KeyEntry& entry, Keys& keys) {
  std::visit([&](auto field) { keys.*field = Keys().*field; }, entry.field);
}

bool is_said(const KeyEntry& entry, const Keys& keys) {
  static const Keys unsaid;
  return std::visit([&](auto field) { return keys.*field != unsaid.*field; }, entry.field);
}

std::optional<std::string> fault_of(const KeyEntry& entry, const Keys& keys) {
  return std::visit(FaultFinder{keys, entry.domain}, entry.field);
}

void require_sound(const Keys& keys) {
  for (const KeyEntry& entry : table) {
    if (auto fault = fault_of(entry, keys)) throw BadValue(std::string(entry.name) + " " + *fault);
  }
}

bool is_node_name(std::string_view name) {
  if (name.empty() || !is_letter(name.front())) return false;
  return std::ranges::all_of(name,
                             [](char c) { return is_letter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-'; });
}

std::string_view nodes_of(Acts acts) {
  switch (acts) {
    case Acts::everywhere: return "every node";
    case Acts::child: return "every node but the root";
    case Acts::container: return "containers";
    case Acts::line: return "rows and columns";
    case Acts::line_or_grid: return "rows, columns and grids";
    case Acts::grid_or_stack: return "grids and stacks";
    case Acts::grid: return "grids";
    case Acts::in_container: return "children of containers";
    case Acts::in_line: return "children of rows and columns";
    case Acts::in_grid: return "children of grids";
    case Acts::in_stack: return "children of stacks";
    case Acts::box_or_image: return "boxes and images";
    case Acts::text: return "texts";
    case Acts::image: return "images";
  }
  return {};
}

bool acts_on(Acts acts, Kind kind, std::optional<Kind> parent) {
  const auto line = [](std::optional<Kind> of) { return of == Kind::row || of == Kind::column; };
  switch (acts) {
    case Acts::everywhere: return true;
    case Acts::child: return parent.has_value();
    case Acts::container: return is_container(kind);
    case Acts::line: return line(kind);
    case Acts::line_or_grid: return line(kind) || kind == Kind::grid;
    case Acts::grid_or_stack: return kind == Kind::grid || kind == Kind::stack;
    case Acts::grid: return kind == Kind::grid;
    case Acts::in_container: return parent.has_value();
    case Acts::in_line: return line(parent);
    case Acts::in_grid: return parent == Kind::grid;
    case Acts::in_stack: return parent == Kind::stack;
    case Acts::box_or_image: return kind == Kind::box || kind == Kind::image;
    case Acts::text: return kind == Kind::text;
    case Acts::image: return kind == Kind::image;
  }
  return true;
}

std::string_view nearest_word(std::string_view typed, std::span<const std::string_view> words) {
  if (typed.size() > limits::longest_typed) return {};
  const auto renamed = std::ranges::find(words, now_called(typed));
  if (renamed != words.end()) return *renamed;
  std::string_view best;
  std::size_t best_distance = std::max<std::size_t>(1, typed.size() / 3) + 1;
  std::size_t steps = 0;
  for (const std::string_view word : words) {
    const std::size_t longer = std::max(word.size(), typed.size()) - std::min(word.size(), typed.size());
    if (longer >= best_distance) continue;  // as many changes at least
    steps += word.size() * typed.size();
    if (steps > limits::most_hint_steps) break;
    const std::size_t distance = edit_distance(typed, word);
    if (distance < best_distance) {
      best = word;
      best_distance = distance;
    }
  }
  return best;
}

}  // namespace fond_ladder::inline v0
