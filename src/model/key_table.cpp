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
    KeyEntry{"kind", &Keys::kind, Acts::everywhere, "the kind of node"},
    KeyEntry{"name", &Keys::name, Acts::everywhere, "the name, unique among siblings; paths are made of names"},
    KeyEntry{"width", &Keys::width, Acts::child, "width: a length, its content, or the space available",
             Domain::not_negative},
    KeyEntry{"height", &Keys::height, Acts::child, "height: a length, its content, or the space available",
             Domain::not_negative},
    KeyEntry{"min_width", &Keys::min_width, Acts::child, "minimum width; wins over max_width", Domain::not_negative},
    KeyEntry{"max_width", &Keys::max_width, Acts::child, "maximum width", Domain::not_negative},
    KeyEntry{"min_height", &Keys::min_height, Acts::child, "minimum height; wins over max_height",
             Domain::not_negative},
    KeyEntry{"max_height", &Keys::max_height, Acts::child, "maximum height", Domain::not_negative},
    KeyEntry{"aspect_ratio", &Keys::aspect_ratio, Acts::child, "width divided by height; no effect if both are given",
             Domain::ratio},
    KeyEntry{"margin", &Keys::margin, Acts::child, "space around the node; \"auto\" on a side takes the free space"},
    KeyEntry{"padding", &Keys::padding, Acts::everywhere, "space between the border and the content",
             Domain::not_negative},
    KeyEntry{"border", &Keys::border, Acts::everywhere, "thickness of the border", Domain::thickness},
    KeyEntry{"border_at", &Keys::border_at, Acts::everywhere,
             "inside: takes space from the content; over: covers the content; around: takes space as a margin does; "
             "outline: takes no space"},
    KeyEntry{"hidden", &Keys::hidden, Acts::child, "removes the node from layout and paint"},
    KeyEntry{"touch_target", &Keys::touch_target, Acts::everywhere,
             "lint checks that people can hit it: its size is at least touch_target_size"},
    KeyEntry{"see_through", &Keys::see_through, Acts::box_or_image,
             "whether nodes behind it are visible; a pointer still hits it"},
    KeyEntry{"allow", &Keys::allow, Acts::everywhere, "lint rules, and \"overhang\", to accept on this node"},
    KeyEntry{"order", &Keys::order, Acts::child, "position among its siblings in layout order"},
    KeyEntry{"pin", &Keys::pin, Acts::child,
             "takes it out of the flow and ties it to edges of its parent or of siblings"},
    KeyEntry{"scroll", &Keys::scroll, Acts::everywhere, "the axes on which its content scrolls"},
    KeyEntry{"virtualized", &Keys::virtualized, Acts::line,
             "arranges only the entries in view and estimates the others; with copies, any number of entries"},
    KeyEntry{"scroll_ratio", &Keys::scroll_ratio, Acts::child,
             "how far it moves per pixel that its parent scrolls; default: 1, or 0 if pinned", Domain::any},
    KeyEntry{"scale", &Keys::scale, Acts::everywhere, "painted larger or smaller, around its center", Domain::ratio},
    KeyEntry{"scale_affects_layout", &Keys::scale_affects_layout, Acts::everywhere,
             "whether layout uses the painted size"},
    KeyEntry{"gap", &Keys::gap, Acts::line_or_grid, "space between neighbors; may be negative in rows and columns"},
    KeyEntry{"on_top", &Keys::on_top, Acts::container,
             "which children are in front where they overlap: the last in the file, or the first"},
    KeyEntry{"along", &Keys::along, Acts::line,
             "where the children are packed along the row or column if space is left"},
    KeyEntry{"across", &Keys::across, Acts::line, "where the children are placed across the row or column"},
    KeyEntry{"wrap", &Keys::wrap, Acts::line, "whether children that do not fit start another line"},
    KeyEntry{"reverse", &Keys::reverse, Acts::line, "lays out each line from its far end"},
    KeyEntry{"place_content", &Keys::place_content, Acts::line_or_grid,
             "how wrapped lines, or the tracks of a grid, use unused space"},
    KeyEntry{"out_of", &Keys::out_of, Acts::line, "the total that weights and grow factors are parts of",
             Domain::share},
    KeyEntry{"equal_sizes", &Keys::equal_sizes, Acts::line,
             "gives all children the size of the largest, along the row or column"},
    KeyEntry{"place_items", &Keys::place_items, Acts::grid_or_stack, "where all children are placed, on each axis"},
    KeyEntry{"columns", &Keys::columns, Acts::grid, "the columns: a list of tracks, or a number of equal tracks",
             Domain::tracks},
    KeyEntry{"rows", &Keys::rows, Acts::grid, "the rows: a list of tracks, or a number of equal tracks",
             Domain::tracks},
    KeyEntry{"auto_columns", &Keys::auto_columns, Acts::grid, "size of implicit columns", Domain::tracks},
    KeyEntry{"auto_rows", &Keys::auto_rows, Acts::grid, "size of implicit rows", Domain::tracks},
    KeyEntry{"flow", &Keys::flow, Acts::grid, "whether the grid fills row by row or column by column"},
    KeyEntry{"dense", &Keys::dense, Acts::grid, "whether later children may fill earlier gaps in the grid"},
    KeyEntry{"areas", &Keys::areas, Acts::grid, "named areas, row by row; \".\" is an empty cell"},
    KeyEntry{"cell", &Keys::cell, Acts::in_grid, "its column and row, from 0"},
    KeyEntry{"span", &Keys::span, Acts::in_grid, "how many columns and rows it spans"},
    KeyEntry{"area", &Keys::area, Acts::in_grid, "the name of its area"},
    KeyEntry{"basis", &Keys::basis, Acts::in_line, "its base size along the row or column, before free space is shared",
             Domain::no_fill},
    KeyEntry{"grow", &Keys::grow, Acts::in_line, "its share of the free space", Domain::factor},
    KeyEntry{"shrink", &Keys::shrink, Acts::in_line, "its share of the shortfall", Domain::factor},
    KeyEntry{"weight", &Keys::weight, Acts::in_line,
             "its share of the space along the row or column, in proportion to the weights", Domain::factor},
    KeyEntry{"place_self", &Keys::place_self, Acts::in_container,
             "where it is placed, instead of what its parent says: one word for across, or x and y"},
    KeyEntry{"nudge", &Keys::nudge, Acts::in_stack, "an offset in pixels, applied last"},
    KeyEntry{"natural_size", &Keys::natural_size, Acts::box_or_image, "the size of its content, in pixels",
             Domain::not_negative},
    KeyEntry{"text", &Keys::text, Acts::text, "the text"},
    KeyEntry{"font_size", &Keys::font_size, Acts::text, "font size in pixels; default: one em", Domain::positive},
    KeyEntry{"font", &Keys::font, Acts::text, "a name from \"fonts\" of the scene; default: \"body\""},
    KeyEntry{"bold", &Keys::bold, Acts::text, "whether the text is bold"},
    KeyEntry{"italic", &Keys::italic, Acts::text, "whether the text is italic"},
    KeyEntry{"line_height", &Keys::line_height, Acts::text,
             "line height, as a multiple of font_size; default: that of the font", Domain::ratio},
    KeyEntry{"one_line", &Keys::one_line, Acts::text, "whether the text stays on one line"},
    KeyEntry{"max_lines", &Keys::max_lines, Acts::text, "the largest number of lines; further lines are dropped",
             Domain::at_least_one},
    KeyEntry{"text_align", &Keys::text_align, Acts::text,
             "where its lines are in a box wider (x) or taller (y) than the text; one word is x"},
    KeyEntry{"image_fit", &Keys::image_fit, Acts::image, "how the image fills its box"},
    KeyEntry{"ranges", &Keys::ranges, Acts::everywhere,
             "node ranges: ranges of its own width, for \"when\" in it and its descendants"},
};

/// All keys. Fails to compile when a key is added to Keys and not here; then the assertion below fails until it is in
/// the table as well.
auto fields_of(const Keys& keys) {
  auto& [kind, hidden, touch_target, see_through, allow, scroll, scale_affects_layout, border_at, on_top, along, across,
         wrap, reverse, place_content, equal_sizes, place_items, place_self, flow, dense, bold, italic, one_line,
         text_align, image_fit, order, virtualized, width, height, grow, shrink, weight, natural_size, gap, min_width,
         max_width, min_height, max_height, basis, name, text, font, font_size, line_height, aspect_ratio, out_of,
         max_lines, scale, scroll_ratio, nudge, margin, padding, border, pin, cell, span, area, columns, rows,
         auto_columns, auto_rows, areas, ranges] = keys;
  return std::tie(kind, hidden, touch_target, see_through, allow, scroll, scale_affects_layout, border_at, on_top,
                  along, across, wrap, reverse, place_content, equal_sizes, place_items, place_self, flow, dense, bold,
                  italic, one_line, text_align, image_fit, order, virtualized, width, height, grow, shrink, weight,
                  natural_size, gap, min_width, max_width, min_height, max_height, basis, name, text, font, font_size,
                  line_height, aspect_ratio, out_of, max_lines, scale, scroll_ratio, nudge, margin, padding, border,
                  pin, cell, span, area, columns, rows, auto_columns, auto_rows, areas, ranges);
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
std::uint64_t set_among(const Fields& all, const Fields& defaults, const std::array<std::uint64_t, sizeof...(i)>& bits,
                        std::index_sequence<i...> /*all*/) {
  return ((std::get<i>(all) == std::get<i>(defaults) ? 0 : bits[i]) | ...);
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

std::uint64_t set_key_bits(const Keys& keys) {
  constexpr auto all = std::make_index_sequence<std::tuple_size_v<Fields>>();
  static const Keys defaults;
  static const auto bits = bits_of_fields(all);
  return set_among(fields_of(keys), fields_of(defaults), bits, all);
}

void copy_key(const KeyEntry& entry, const Keys& from, Keys& into) {
  std::visit([&](auto field) { into.*field = from.*field; }, entry.field);
}

void reset_key(const KeyEntry& entry, Keys& keys) {
  std::visit([&](auto field) { keys.*field = Keys().*field; }, entry.field);
}

bool is_set(const KeyEntry& entry, const Keys& keys) {
  static const Keys defaults;
  return std::visit([&](auto field) { return keys.*field != defaults.*field; }, entry.field);
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
