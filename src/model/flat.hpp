// SPDX-License-Identifier: MIT
#pragma once

// How the nodes of a tree lie in memory: level by level, the children of a node side by side, one array a field. The
// passes stream through these arrays; rarely used values are kept apart in `RareFields`. About 130 bytes per plain
// node.

#include <array>
#include <cstdint>
#include <limits>
#include <memory>
#include <vector>

#include "fond_ladder/axis.hpp"
#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/enums.hpp"
#include "fond_ladder/fixed_width_text.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "model/packed_keys.hpp"

namespace fond_ladder::inline v0::detail {

using Index = std::uint32_t;
inline constexpr Index no_index = 0xFFFFFFFF;
inline constexpr double unlimited = std::numeric_limits<double>::infinity();
/// Stands for a size that is not given, and for the size of the parent's content box where it is not known.
inline constexpr double unknown = -1;

/// How a size was given; lengths are split by whether a parent must be known.
enum class SizeWay : std::uint8_t { automatic, px, percent, content, fill };

/// Value of `Traits::place_self_across` and its like when nothing is set, and the parent or the kind decides.
inline constexpr std::uint64_t follows_parent = 7;

/// All that is one of a few, in one word.
struct Traits {
  std::uint64_t kind : 3;
  std::uint64_t width_way : 3;
  std::uint64_t height_way : 3;
  std::uint64_t along : 3;
  std::uint64_t across : 3;
  std::uint64_t rest_x : 3;
  std::uint64_t rest_y : 3;
  std::uint64_t align_x : 3;
  std::uint64_t align_y : 3;
  std::uint64_t place_self_across : 3;
  std::uint64_t place_self_x : 3;
  std::uint64_t place_self_y : 3;

  // As a container.
  std::uint64_t wrap : 1;
  std::uint64_t reverse : 1;
  std::uint64_t equal_sizes : 1;
  std::uint64_t scroll_x : 1;
  std::uint64_t scroll_y : 1;
  std::uint64_t percent_gap : 1;
  std::uint64_t shares_total : 1;    // has `out_of`
  std::uint64_t odd_children : 1;    // some child is hidden, pinned or ordered: the flow is not simply all of them
  std::uint64_t stands_on_base : 1;  // some child may be aligned at its baseline
  std::uint64_t paints_backward : 1;
  std::uint64_t odd_cells : 1;       // some child sets its cell, span or area
  std::uint64_t holds_scroller : 1;  // it, or something below it, may scroll up and down: see View::least_height

  // As a child.
  std::uint64_t hidden : 1;
  std::uint64_t pinned : 1;
  std::uint64_t ordered : 1;
  std::uint64_t weighted : 1;
  std::uint64_t rigid : 1;        // shrink is 0
  std::uint64_t has_factors : 1;  // basis, or a shrink other than 0 and 1: see Extra
  std::uint64_t min_width_given : 1;
  std::uint64_t min_height_given : 1;
  std::uint64_t auto_margin : 1;
  std::uint64_t percent_edges : 1;  // some margin or padding is a percentage
  std::uint64_t percent_sizes : 1;  // some size, limit or basis is a percentage
  std::uint64_t has_aspect_ratio : 1;
  std::uint64_t scale_affects_layout : 1;
  std::uint64_t nudged : 1;
  std::uint64_t celled : 1;   // has a cell, a span or an area
  std::uint64_t passive : 1;  // a leaf that is just its natural size: its parent settles it

  [[nodiscard]] Kind node_kind() const { return static_cast<Kind>(kind); }
  [[nodiscard]] SizeWay way(Axis axis) const { return static_cast<SizeWay>(axis == x_axis ? width_way : height_way); }
  [[nodiscard]] PlaceContent place_content(Axis axis) const {
    return static_cast<PlaceContent>(axis == x_axis ? rest_x : rest_y);
  }
  [[nodiscard]] bool min_given(Axis axis) const { return axis == x_axis ? min_width_given : min_height_given; }
  [[nodiscard]] bool scrolls(Axis axis) const { return axis == x_axis ? scroll_x : scroll_y; }
};
static_assert(sizeof(Traits) == 8);

/// Before and after on an axis: left and right, or top and bottom.
template <class N>
struct SidesOf {
  N before = 0, after = 0;
  [[nodiscard]] N sum() const { return before + after; }
  friend bool operator==(const SidesOf&, const SidesOf&) = default;
};
using Sides = SidesOf<double>;

/// Margins (an automatic one counts 0) and insets (padding and a border that counts), by axis, in pixels.
template <class N>
struct EdgeSpaceOf {
  std::array<SidesOf<N>, 2> margin, inset;
  friend bool operator==(const EdgeSpaceOf&, const EdgeSpaceOf&) = default;
};
using EdgeSpace = EdgeSpaceOf<double>;

/// What few nodes have. Record 0 is shared by all nodes without any of it.
struct RareFields {
  EdgeSpace edges;  // percentages count 0 here
  double basis = 0;
  double shrink = 1;
  std::uint8_t auto_margins = 0;     // bits: left 1, right 2, top 4, bottom 8
  std::uint8_t basis_way = 0;        // a SizeWay
  std::unique_ptr<const Keys> keys;  // all keys, where a pass reads some that the arrays cannot hold
  PackedKeys packed;                 // else what the arrays alone cannot give back

  RareFields() = default;
  RareFields(const RareFields& other) { *this = other; }
  RareFields& operator=(const RareFields& other);
  RareFields(RareFields&&) = default;
  RareFields& operator=(RareFields&&) = default;
  ~RareFields() = default;
  /// All but the keys.
  void take_fields(const RareFields& other);
};

/// What the keys of nodes are compiled to, an array a field.
struct Records {
  std::vector<Traits> traits;
  std::array<std::vector<double>, 2> given;     // a size in pixels where the way is px; else `unknown`
  std::array<std::vector<double>, 2> smallest;  // 0 when no minimum is given
  std::array<std::vector<double>, 2> largest;   // `unlimited` when no maximum is given
  std::vector<double> grow;                     // or the weight
  std::array<std::vector<double>, 2> inner;     // containers: gaps; leaves: natural size
  std::vector<Index> rare_fields;
  std::vector<Index> content;
};

/// The arrays. Index 0 is the root.
struct Flat : Records {
  std::vector<Index> first_child, child_count, parent;
  std::vector<std::uint32_t> version;  // of the last edit in the node or below it

  [[nodiscard]] std::size_t size() const { return traits.size(); }
};

/// Calls `each(array)` for every array of records.
template <class RecordsType, class Each>
void for_each_record_array(RecordsType& records, Each each) {
  each(records.traits);
  for (int axis = 0; axis < 2; ++axis) {
    each(records.given[axis]);
    each(records.smallest[axis]);
    each(records.largest[axis]);
    each(records.inner[axis]);
  }
  each(records.grow);
  each(records.rare_fields);
  each(records.content);
}

/// Calls `each(array)` for every array of `Flat`.
template <class FlatType, class Each>
void for_each_array(FlatType& flat, Each each) {
  for_each_record_array(flat, each);
  each(flat.first_child);
  each(flat.child_count);
  each(flat.parent);
  each(flat.version);
}

/// One node as its fields will stand in the arrays.
struct CompiledNode {
  Traits traits{};
  std::array<double, 2> given{unknown, unknown}, smallest{}, largest{unlimited, unlimited}, inner{};
  double grow = 0;
  RareFields rare_fields;
  bool needs_extra = false;
};

/// What all nodes of a tree are measured and read by.
struct Setting {
  double em = 16;
  Direction direction = Direction::ltr;
  std::shared_ptr<const TextShaper> text_shaper{};  ///< null: fixed metrics
};

/// Translates keys into array fields: em to pixels, start and end to left and right. `set_bits` are the keys that may
/// differ from their defaults, as set_key_bits gives them.
[[nodiscard]] CompiledNode compile(const Keys& keys, std::uint64_t set_bits, const Setting& setting);
[[nodiscard]] CompiledNode compile(const Keys& keys, const Setting& setting);

/// Writes a compiled node into the arrays, all but its extra and content.
void put_record(Records& records, Index node, const CompiledNode& compiled);
/// The same back.
[[nodiscard]] CompiledNode record_of(const Records& records, Index node);
void copy_record(const Records& from, Records& into, Index node);

/// What is measured for a node with these keys that has had `now`: content of the user's own stays, a text has its
/// words as the text_shaper measures them, else in fixed metrics, others nothing.
[[nodiscard]] std::shared_ptr<const CustomContent> content_for(const Keys& keys,
                                                               const std::shared_ptr<const CustomContent>& now,
                                                               const Setting& setting);

/// The text of a text node from its keys, or null for custom content and for none.
[[nodiscard]] const std::string* words_of_keys(const CustomContent* content);

/// The keys as the fields alone give them. A node with other keys keeps those in its RareFields.
[[nodiscard]] Keys decompile(const CompiledNode& node);

/// A sizing, limit or basis in pixels on the way up, where no percentage is known.
[[nodiscard]] inline SizeWay way_of(const Sizing& sizing) {
  switch (sizing.way()) {
    case Sizing::Way::by_container: return SizeWay::automatic;
    case Sizing::Way::by_content: return SizeWay::content;
    case Sizing::Way::by_space: return SizeWay::fill;
    case Sizing::Way::by_length: break;
  }
  return sizing.length().is_percent() ? SizeWay::percent : SizeWay::px;
}

}  // namespace fond_ladder::inline v0::detail
