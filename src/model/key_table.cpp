// SPDX-License-Identifier: MIT
#include "model/key_table.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstdint>
#include <tuple>
#include <type_traits>
#include <utility>
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
    KeyEntry{"aspect_ratio", &Keys::aspect_ratio, Acts::child, "width / height; does nothing where both are given",
             Domain::ratio},
    KeyEntry{"margin", &Keys::margin, Acts::child, "room around the node; \"auto\" on a side takes what is spare"},
    KeyEntry{"padding", &Keys::padding, Acts::everywhere, "room between the border and the content",
             Domain::not_negative},
    KeyEntry{"border", &Keys::border, Acts::everywhere, "thickness of the border", Domain::thickness},
    KeyEntry{
        "border_at", &Keys::border_at, Acts::everywhere,
        "inside the box, taking room of its content; over whatever is there; around the box, taking room as a margin "
        "does; or an outline around it, taking none"},
    KeyEntry{"hidden", &Keys::hidden, Acts::child, "takes no room, and nothing of it is seen"},
    KeyEntry{"touch_target", &Keys::touch_target, Acts::everywhere, "a person must be able to hit it"},
    KeyEntry{"see_through", &Keys::see_through, Acts::box_or_image,
             "whether what lies behind it is seen; a pointer hits it all the same"},
    KeyEntry{"allow", &Keys::allow, Acts::everywhere, "findings of lint, and \"cut\", that are on purpose here"},
    KeyEntry{"order", &Keys::order, Acts::child, "its place among its siblings when they are laid"},
    KeyEntry{"pin", &Keys::pin, Acts::child, "takes it out of the flow and ties it to edges of its parent"},
    KeyEntry{"scroll", &Keys::scroll, Acts::everywhere, "the axes on which its content may be longer than its view"},
    KeyEntry{"virtualized", &Keys::virtualized, Acts::line,
             "of what it holds, only entries in view are arranged; the others are estimated, and can be copies without "
             "number"},
    KeyEntry{"scroll_ratio", &Keys::scroll_ratio, Acts::child,
             "by which share of its scroller's movement it moves; 1 when left out, of a pinned node 0", Domain::any},
    KeyEntry{"scale", &Keys::scale, Acts::everywhere, "painted larger or smaller about its centre", Domain::ratio},
    KeyEntry{"scale_affects_layout", &Keys::scale_affects_layout, Acts::everywhere,
             "whether room is kept for the painted size"},
    KeyEntry{"gap", &Keys::gap, Acts::line_or_grid, "room between neighbours; may be negative in rows and columns"},
    KeyEntry{"on_top", &Keys::on_top, Acts::container,
             "which children are on top where they overlap: the last ones of the file, or the first"},
    KeyEntry{"along", &Keys::along, Acts::line,
             "where the children are packed along the row or column when room is left"},
    KeyEntry{"across", &Keys::across, Acts::line, "where the children lie across the row or column"},
    KeyEntry{"wrap", &Keys::wrap, Acts::line, "whether children without room open another line"},
    KeyEntry{"reverse", &Keys::reverse, Acts::line, "lays each line from its far end"},
    KeyEntry{"place_content", &Keys::place_content, Acts::line_or_grid,
             "how wrapped lines, or the tracks of a grid, share spare room"},
    KeyEntry{"out_of", &Keys::out_of, Acts::line, "the total that weights and grows are parts of", Domain::share},
    KeyEntry{"equal_sizes", &Keys::equal_sizes, Acts::line, "all children equal along, whatever their content"},
    KeyEntry{"place_items", &Keys::place_items, Acts::grid_or_stack, "where all children lie, on each axis"},
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
    KeyEntry{"place_self", &Keys::place_self, Acts::in_container,
             "where it lies, whatever its parent says: one word across, or x and y"},
    KeyEntry{"nudge", &Keys::nudge, Acts::in_stack, "moved by so many pixels, last of all"},
    KeyEntry{"natural_size", &Keys::natural_size, Acts::box_or_image, "the size of its content, in pixels",
             Domain::not_negative},
    KeyEntry{"text", &Keys::text, Acts::text, "its words"},
    KeyEntry{"font_size", &Keys::font_size, Acts::text, "of its characters, in pixels; one em when left out",
             Domain::positive},
    KeyEntry{"font", &Keys::font, Acts::text, "a name of the scene's \"fonts\"; \"body\" when left out"},
    KeyEntry{"bold", &Keys::bold, Acts::text, "whether its words are set bold"},
    KeyEntry{"italic", &Keys::italic, Acts::text, "whether its words are set slanted"},
    KeyEntry{"line_height", &Keys::line_height, Acts::text,
             "height of its lines, times its size; the font's when left out", Domain::ratio},
    KeyEntry{"one_line", &Keys::one_line, Acts::text, "whether its words stay on one line"},
    KeyEntry{"max_lines", &Keys::max_lines, Acts::text, "lines beyond are cut", Domain::at_least_one},
    KeyEntry{"words_at", &Keys::words_at, Acts::text, "where its words lie in a box wider than they are"},
    KeyEntry{"words_up", &Keys::words_up, Acts::text, "where its words lie in a box higher than they are"},
    KeyEntry{"image_fit", &Keys::image_fit, Acts::image, "how the picture fills its box"},
    KeyEntry{"ranges", &Keys::ranges, Acts::everywhere,
             "own ranges: of its own width, under which it and what is in it may be different"},
};

/// All keys. Fails to compile when a key is added to Keys and not here; then the assertion below fails until it is in
/// the table as well.
auto fields_of(const Keys& keys) {
  auto& [kind, hidden, touch_target, see_through, allow, scroll, scale_affects_layout, border_at, on_top, along, across,
         wrap, reverse, place_content, equal_sizes, place_items, place_self, flow, dense, bold, italic, one_line,
         words_at, words_up, image_fit, order, virtualized, width, height, grow, shrink, weight, natural_size, gap,
         min_width, max_width, min_height, max_height, basis, name, text, font, font_size, line_height, aspect_ratio,
         out_of, max_lines, scale, scroll_ratio, nudge, margin, padding, border, pin, cell, span, area, columns, rows,
         auto_columns, auto_rows, areas, ranges] = keys;
  return std::tie(kind, hidden, touch_target, see_through, allow, scroll, scale_affects_layout, border_at, on_top,
                  along, across, wrap, reverse, place_content, equal_sizes, place_items, place_self, flow, dense, bold,
                  italic, one_line, words_at, words_up, image_fit, order, virtualized, width, height, grow, shrink,
                  weight, natural_size, gap, min_width, max_width, min_height, max_height, basis, name, text, font,
                  font_size, line_height, aspect_ratio, out_of, max_lines, scale, scroll_ratio, nudge, margin, padding,
                  border, pin, cell, span, area, columns, rows, auto_columns, auto_rows, areas, ranges);
}
using Fields = decltype(fields_of(std::declval<const Keys&>()));
static_assert(std::tuple_size_v<decltype(table)> == std::tuple_size_v<Fields>,
              "every key of Keys has a line in the table");
static_assert(std::tuple_size_v<decltype(table)> <= 64, "Changes has a bit for each");

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

bool acts_inside(const KeyEntry& entry) {
  switch (entry.acts) {
    case Acts::container:
    case Acts::line:
    case Acts::line_or_grid:
    case Acts::grid_or_stack:
    case Acts::grid:
    case Acts::text:
    case Acts::image: return true;
    default: break;
  }
  static const std::uint64_t others = key_bit(&Keys::kind) | key_bit(&Keys::padding) | key_bit(&Keys::border) |
                                      key_bit(&Keys::border_at) | key_bit(&Keys::touch_target) | key_bit(&Keys::allow);
  return (others >> place_of(entry) & 1U) != 0;
}

std::uint64_t key_bit(Field field) {
  const auto found = std::ranges::find(table, field, &KeyEntry::field);
  return std::uint64_t{1} << (found - table.begin());
}

namespace {

template <std::size_t... i>
std::uint64_t said_among(const Fields& all, const Fields& unsaid, const std::array<std::uint64_t, sizeof...(i)>& bits,
                         std::index_sequence<i...> /*all*/) {
  return ((std::get<i>(all) == std::get<i>(unsaid) ? 0 : bits[i]) | ...);
}

template <std::size_t... i>
std::array<std::uint64_t, sizeof...(i)> bits_of_fields(std::index_sequence<i...> /*all*/) {
  const Keys keys;
  const Fields fields = fields_of(keys);
  const auto* begin = reinterpret_cast<const std::byte*>(&keys);
  const auto bit = [&](const void* field) {
    const auto offset = static_cast<std::size_t>(static_cast<const std::byte*>(field) - begin);
    return std::uint64_t{1} << key_at_offset(offset);
  };
  return {bit(&std::get<i>(fields))...};
}

}  // namespace

std::uint64_t said_keys(const Keys& keys) {
  constexpr auto all = std::make_index_sequence<std::tuple_size_v<Fields>>();
  static const Keys unsaid;
  static const auto bits = bits_of_fields(all);
  return said_among(fields_of(keys), fields_of(unsaid), bits, all);
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

}  // namespace fond_ladder::inline v0
