// SPDX-License-Identifier: MIT
//
// Keys into array fields and back. What the fields cannot hold (percentages, em, an order, a pin ...) stays in the
// keys, which the node then carries in its RareFields; only such nodes pay for it (a trait marks them). Whether the
// fields suffice is not decided key by key: the fields are translated back, and compared.
#include <algorithm>

#include "model/content_kinds.hpp"
#include "model/flat.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::array<Side, 4> physical_sides{Side::left, Side::right, Side::top, Side::bottom};

double& on_side(std::array<Sides, 2>& sides, std::size_t i) {
  return i % 2 == 0 ? sides[i / 2].before : sides[i / 2].after;
}

double on_side(const std::array<Sides, 2>& sides, std::size_t i) {
  return i % 2 == 0 ? sides[i / 2].before : sides[i / 2].after;
}

void compile_edges(const Keys& keys, const FontUnits& units, bool mirrored, CompiledNode& node) {
  node.needs_extra = true;
  const auto px = [&](const Edge& edge) {
    node.traits.percent_edges |= edge.length().is_percent() ? 1U : 0U;
    return edge.length().in_px(units, 0);
  };
  for (std::size_t i = 0; i < physical_sides.size(); ++i) {
    const Edge margin = keys.margin.on(physical_sides[i], mirrored);
    const double border = px(keys.border.on(physical_sides[i], mirrored));
    const double outside = keys.border_at == BorderAt::around ? border : 0;
    if (margin.is_automatic()) {
      node.traits.auto_margin = 1;
      node.rare_fields.auto_margins |= static_cast<std::uint8_t>(1U << i);
      on_side(node.rare_fields.edges.margin, i) = outside;
    } else {
      on_side(node.rare_fields.edges.margin, i) =
          std::clamp(px(margin) + outside, -limits::largest_length, limits::largest_length);
    }
    double inset = px(keys.padding.on(physical_sides[i], mirrored));
    if (keys.border_at == BorderAt::inside) inset += border;
    on_side(node.rare_fields.edges.inset, i) = std::min(inset, limits::largest_length);
  }
}

void compile_limit(const Limit& limit, const FontUnits& units, Traits& traits, double& field) {
  if (!limit) return;
  if (limit->is_percent()) {
    traits.percent_sizes = 1;
  } else {
    field = limit->in_px(units, 0);
  }
}

void compile_sizes(const Keys& keys, const FontUnits& units, CompiledNode& node) {
  Traits& traits = node.traits;
  const std::array<const Sizing*, 2> sizes{&keys.width, &keys.height};
  for (std::size_t axis = 0; axis < 2; ++axis) {
    const SizeWay way = way_of(*sizes[axis]);
    if (axis == x_axis) {  // a choice between bit fields is more than clang compiles
      traits.width_way = static_cast<std::uint64_t>(way);
    } else {
      traits.height_way = static_cast<std::uint64_t>(way);
    }
    if (way == SizeWay::px) node.given[axis] = sizes[axis]->length().in_px(units, 0);
    if (way == SizeWay::percent) traits.percent_sizes = 1;
  }
  compile_limit(keys.min_width, units, traits, node.smallest[x_axis]);
  compile_limit(keys.min_height, units, traits, node.smallest[y_axis]);
  compile_limit(keys.max_width, units, traits, node.largest[x_axis]);
  compile_limit(keys.max_height, units, traits, node.largest[y_axis]);
  traits.min_width_given = keys.min_width.has_value();
  traits.min_height_given = keys.min_height.has_value();
}

/// Aspect rule: a width that is not given follows a height in pixels.
void compile_aspect(const Keys& keys, CompiledNode& node) {
  const bool is_picture = keys.kind == Kind::image && keys.natural_size.x > 0 && keys.natural_size.y > 0;
  if (!keys.aspect_ratio && !is_picture) return;
  node.traits.has_aspect_ratio = 1;
  node.traits.passive = 0;
  if (node.traits.way(y_axis) != SizeWay::px || node.traits.way(x_axis) != SizeWay::automatic) return;
  const auto& inset = node.rare_fields.edges.inset;
  const double height = std::max(std::max(std::min(node.given[y_axis], node.largest[y_axis]), node.smallest[y_axis]),
                                 inset[y_axis].sum());
  const double width =
      keys.aspect_ratio
          ? height * *keys.aspect_ratio
          : (height - inset[y_axis].sum()) * (keys.natural_size.x / keys.natural_size.y) + inset[x_axis].sum();
  node.given[x_axis] = std::min(width, limits::largest_length);
  node.traits.width_way = static_cast<std::uint64_t>(SizeWay::px);
}

void compile_factors(const Keys& keys, const FontUnits& units, CompiledNode& node) {
  node.grow = keys.weight.value_or(keys.grow);
  node.traits.weighted = keys.weight.has_value();
  node.traits.rigid = keys.shrink == 0;
  const SizeWay basis = way_of(keys.basis);
  if (basis == SizeWay::automatic && (keys.shrink == 0 || keys.shrink == 1)) return;
  node.needs_extra = true;
  node.traits.has_factors = 1;
  node.rare_fields.shrink = keys.shrink;
  node.rare_fields.basis_way = static_cast<std::uint8_t>(basis);
  if (basis == SizeWay::px) node.rare_fields.basis = keys.basis.length().in_px(units, 0);
  if (basis == SizeWay::percent) node.traits.percent_sizes = 1;
}

template <class Word>
std::uint64_t bits(Word word) {
  return static_cast<std::uint64_t>(word);
}

std::uint64_t bits(const std::optional<Across>& word) {
  return word ? bits(*word) : follows_parent;
}

void compile_words(const Keys& keys, Traits& traits) {
  traits.kind = bits(keys.kind);
  traits.along = bits(keys.along);
  traits.across = bits(keys.across);
  traits.rest_x = bits(keys.place_content.x);
  traits.rest_y = bits(keys.place_content.y);
  traits.align_x = bits(keys.place_items.x);
  traits.align_y = bits(keys.place_items.y);
  traits.place_self_across = bits(keys.place_self.across);
  traits.place_self_x = bits(keys.place_self.x);
  traits.place_self_y = bits(keys.place_self.y);
  traits.wrap = keys.wrap;
  traits.reverse = keys.reverse;
  traits.equal_sizes = keys.equal_sizes;
  traits.scroll_x = scrolls_x(keys.scroll);
  traits.scroll_y = scrolls_y(keys.scroll);
  traits.paints_backward = keys.on_top == OnTop::first;
  traits.hidden = keys.hidden;
  traits.passive =
      (keys.kind == Kind::box || keys.kind == Kind::image) && keys.scroll == Scroll::none && keys.ranges.empty();
}

/// Keys that few nodes have.
void compile_rare(const Keys& keys, Traits& traits) {
  traits.shares_total = keys.out_of.has_value();
  traits.pinned = keys.pin.has_value();
  traits.ordered = keys.order.rank != 0;
  traits.scale_affects_layout = keys.scale_affects_layout && keys.scale != 1;
  traits.nudged = keys.nudge != Pair{};
  traits.celled = keys.cell || keys.span != CellSpan{} || !keys.area.empty();
}

void compile_inner(const Keys& keys, const FontUnits& units, CompiledNode& node) {
  if (!is_container(keys.kind)) {
    node.inner = {keys.natural_size.x, keys.natural_size.y};
    return;
  }
  node.traits.percent_gap = keys.gap.x.is_percent() || keys.gap.y.is_percent();
  node.inner = {keys.gap.x.in_px(units, 0), keys.gap.y.in_px(units, 0)};
}

Edges plain_edges(const std::array<Sides, 2>& px, std::uint8_t automatic_bits) {
  const auto edge = [&](std::size_t i) {
    return (automatic_bits >> i & 1U) != 0 ? Edge(automatic) : Edge(on_side(px, i));
  };
  Edges edges;
  if (edge(0) == edge(1) && edge(0) == edge(2) && edge(0) == edge(3)) {
    if (edge(0) != Edge(0.0)) edges.set(Side::x, edge(0)).set(Side::y, edge(0));
    return edges;
  }
  for (std::size_t i = 0; i < physical_sides.size(); ++i) {
    if (edge(i) != Edge(0.0)) edges.set(physical_sides[i], edge(i));
  }
  return edges;
}

Sizing plain_sizing(SizeWay way, double px) {
  switch (way) {
    case SizeWay::px: return px;
    case SizeWay::content: return content;
    case SizeWay::fill: return fill;
    default: return automatic;
  }
}

template <class Word>
Word from_bits(std::uint64_t value) {
  return static_cast<Word>(value);
}

std::optional<Across> optional_across(std::uint64_t value) {
  if (value == follows_parent) return {};
  return from_bits<Across>(value);
}

template <class... Types>
std::uint64_t bits_of(Types Keys::*... fields) {
  return (key_bit(fields) | ...);
}

bool is_px(const Sizing& sizing) {
  return sizing.way() != Sizing::Way::by_length || sizing.length().unit() == Length::Unit::px;
}
bool is_px(const Limit& limit) {
  return !limit || limit->unit() == Length::Unit::px;
}
bool is_px(const Length& length) {
  return length.unit() == Length::Unit::px;
}

/// Whether the fields of a compiled node surely give back all of its keys, judged by which keys are set: true for
/// most nodes; where it is false they may still do so.
bool surely_clamped(const Keys& keys, std::uint64_t set_bits, const CompiledNode& node) {
  static const std::uint64_t words =
      bits_of(&Keys::kind, &Keys::name, &Keys::hidden, &Keys::along, &Keys::across, &Keys::wrap, &Keys::reverse,
              &Keys::place_content, &Keys::place_items, &Keys::place_self, &Keys::equal_sizes, &Keys::scroll,
              &Keys::on_top, &Keys::grow);
  static const std::uint64_t sizes =
      bits_of(&Keys::width, &Keys::height, &Keys::min_width, &Keys::max_width, &Keys::min_height, &Keys::max_height);
  static const std::uint64_t of_containers = bits_of(&Keys::gap), of_boxes = bits_of(&Keys::natural_size);
  static const std::uint64_t of_texts = bits_of(&Keys::text), shrink = bits_of(&Keys::shrink),
                             weight = bits_of(&Keys::weight);
  std::uint64_t rest = set_bits & ~words;
  if ((rest & sizes) != 0) {
    if (!is_px(keys.width) || !is_px(keys.height) || !is_px(keys.min_width) || !is_px(keys.max_width) ||
        !is_px(keys.min_height) || !is_px(keys.max_height)) {
      return false;
    }
    rest &= ~sizes;
  }
  if (is_container(keys.kind)) {
    if (is_px(keys.gap.x) && is_px(keys.gap.y)) rest &= ~of_containers;
  } else {
    rest &= ~of_boxes;
  }
  if (keys.kind == Kind::text) rest &= ~of_texts;
  if (keys.shrink == 0) rest &= ~shrink;
  if (keys.grow == 0) rest &= ~weight;
  return rest == 0 && !node.traits.has_aspect_ratio;
}

/// Whether a pass, or a question that is asked often, reads a key that the fields do not hold.
bool passes_read(const Keys& keys, const Traits& traits) {
  return traits.percent_sizes || traits.percent_edges || traits.percent_gap || traits.shares_total || traits.ordered ||
         traits.pinned || traits.nudged || traits.celled || keys.kind == Kind::grid || keys.aspect_ratio.has_value() ||
         keys.scale != 1 || keys.virtualized.on || keys.scroll_ratio.has_value() || !keys.border.empty() ||
         keys.text_align.y != TextAlign::start;
}

}  // namespace

void RareFields::take_fields(const RareFields& other) {
  edges = other.edges;
  basis = other.basis;
  shrink = other.shrink;
  auto_margins = other.auto_margins;
  basis_way = other.basis_way;
}

RareFields& RareFields::operator=(const RareFields& other) {
  if (this == &other) return *this;
  take_fields(other);
  packed = other.packed;
  keys = other.keys ? std::make_unique<const Keys>(*other.keys) : nullptr;
  return *this;
}

CompiledNode compile(const Keys& keys, const Setting& setting) {
  return compile(keys, set_key_bits(keys), setting);
}

CompiledNode compile(const Keys& keys, std::uint64_t set_bits, const Setting& setting) {
  CompiledNode node;
  static const std::uint64_t edges = bits_of(&Keys::margin, &Keys::padding, &Keys::border);
  static const std::uint64_t rare = bits_of(&Keys::pin, &Keys::order, &Keys::out_of, &Keys::scale, &Keys::nudge,
                                            &Keys::cell, &Keys::span, &Keys::area);
  const FontUnits units = keys.units(setting.em, setting.text_shaper.get());
  compile_words(keys, node.traits);
  if ((set_bits & rare) != 0) compile_rare(keys, node.traits);
  if ((set_bits & edges) != 0) compile_edges(keys, units, setting.direction == Direction::rtl, node);
  compile_sizes(keys, units, node);
  if (keys.kind == Kind::image || keys.aspect_ratio) compile_aspect(keys, node);
  compile_factors(keys, units, node);
  compile_inner(keys, units, node);
  if (surely_clamped(keys, set_bits, node)) return node;
  Keys plain = decompile(node);
  plain.name = keys.name;
  const bool loses_line_feeds = keys.one_line && keys.text.find('\n') != std::string::npos;
  if (keys.kind == Kind::text && !loses_line_feeds) plain.text = keys.text;  // its content knows it
  if (plain == keys) return node;
  node.needs_extra = true;
  if (passes_read(keys, node.traits) || !node.rare_fields.packed.take(keys, plain)) {
    node.rare_fields.keys = std::make_unique<const Keys>(keys);
  }
  return node;
}

Keys decompile(const CompiledNode& node) {
  const Traits& traits = node.traits;
  Keys keys;
  keys.kind = traits.node_kind();
  keys.width = plain_sizing(traits.way(x_axis), node.given[x_axis]);
  keys.height = plain_sizing(traits.way(y_axis), node.given[y_axis]);
  if (traits.min_width_given) keys.min_width = node.smallest[x_axis];
  if (traits.min_height_given) keys.min_height = node.smallest[y_axis];
  if (node.largest[x_axis] != unlimited) keys.max_width = node.largest[x_axis];
  if (node.largest[y_axis] != unlimited) keys.max_height = node.largest[y_axis];
  keys.margin = plain_edges(node.rare_fields.edges.margin, node.rare_fields.auto_margins);
  keys.padding = plain_edges(node.rare_fields.edges.inset, 0);
  if (traits.weighted) {
    keys.weight = node.grow;
  } else {
    keys.grow = node.grow;
  }
  keys.shrink = traits.has_factors ? node.rare_fields.shrink : traits.rigid ? 0 : 1;
  if (traits.has_factors)
    keys.basis = plain_sizing(static_cast<SizeWay>(node.rare_fields.basis_way), node.rare_fields.basis);
  keys.along = from_bits<Along>(traits.along);
  keys.across = from_bits<Across>(traits.across);
  keys.place_content = {from_bits<PlaceContent>(traits.rest_x), from_bits<PlaceContent>(traits.rest_y)};
  keys.place_items = {optional_across(traits.align_x), optional_across(traits.align_y)};
  keys.place_self = {optional_across(traits.place_self_across), optional_across(traits.place_self_x),
                     optional_across(traits.place_self_y)};
  keys.wrap = traits.wrap;
  keys.reverse = traits.reverse;
  keys.equal_sizes = traits.equal_sizes;
  keys.scroll =
      traits.scroll_x ? (traits.scroll_y ? Scroll::both : Scroll::x) : (traits.scroll_y ? Scroll::y : Scroll::none);
  keys.on_top = traits.paints_backward ? OnTop::first : OnTop::last;
  keys.hidden = traits.hidden;
  if (is_container(keys.kind)) {
    keys.gap = Gap(node.inner[x_axis], node.inner[y_axis]);
  } else {
    keys.natural_size = {node.inner[x_axis], node.inner[y_axis]};
  }
  return keys;
}

const std::string* words_of_keys(const CustomContent* content) {
  if (const auto* plain = as_fixed_width_text(content)) return &plain->text();
  if (const auto* set = as_shaped_text(content)) return &set->text();
  return nullptr;
}

std::shared_ptr<const CustomContent> content_for(const Keys& keys, const std::shared_ptr<const CustomContent>& now,
                                                 const Setting& setting) {
  const std::string* words = words_of_keys(now.get());
  if (now && words == nullptr) return now;  // the user's own
  if (keys.kind != Kind::text) return nullptr;
  if (setting.text_shaper) {
    if (auto set = setting.text_shaper->shape(keys.text, keys.font_style(setting.em))) return set;
  }
  const TextStyle style{keys.font_size.value_or(setting.em), keys.one_line, keys.max_lines, keys.line_height};
  const auto* plain = as_fixed_width_text(now.get());
  if (plain != nullptr && *words == keys.text && plain->style() == style) return now;
  return std::make_shared<FixedWidthText>(keys.text, style);
}

void put_record(Records& records, Index node, const CompiledNode& compiled) {
  records.traits[node] = compiled.traits;
  records.grow[node] = compiled.grow;
  for (std::size_t axis = 0; axis < 2; ++axis) {
    records.given[axis][node] = compiled.given[axis];
    records.smallest[axis][node] = compiled.smallest[axis];
    records.largest[axis][node] = compiled.largest[axis];
    records.inner[axis][node] = compiled.inner[axis];
  }
}

CompiledNode record_of(const Records& records, Index node) {
  CompiledNode compiled;
  compiled.traits = records.traits[node];
  compiled.grow = records.grow[node];
  for (std::size_t axis = 0; axis < 2; ++axis) {
    compiled.given[axis] = records.given[axis][node];
    compiled.smallest[axis] = records.smallest[axis][node];
    compiled.largest[axis] = records.largest[axis][node];
    compiled.inner[axis] = records.inner[axis][node];
  }
  return compiled;
}

void copy_record(const Records& from, Records& into, Index node) {
  put_record(into, node, record_of(from, node));
  into.rare_fields[node] = from.rare_fields[node];
  into.content[node] = from.content[node];
}

}  // namespace fond_ladder::inline v0::detail
