// SPDX-License-Identifier: MIT
#pragma once

// The one table of keys. Readers, writers, checks and copies go through it, so that they cannot drift apart: a key is
// added by adding its member to Keys and its line to the table in key_table.cpp.

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <variant>

#include "fond_ladder/keys.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Which values of a key make sense.
enum class Domain : unsigned char {
  any,           // everything of the type (lengths: at most 1e9 in size)
  not_negative,  // 0 or more
  positive,      // more than 0
  factor,        // 0, or from 1e-9 to 1e9
  share,         // from 1e-9 to 1e9
  ratio,         // from 1e-6 to 1e6
  at_least_one,  // 1 or more
  no_fill,       // a sizing other than `fill`
  thickness,     // 0 or more, and no percentage
  tracks,        // lengths of 0 or more, shares, at most 10,000 of them
};

/// Which nodes a key acts on: by their kind, or by that of their parent. Elsewhere it is kept, and does nothing.
enum class Acts : unsigned char {
  everywhere,
  child,  // every node but the root
  container,
  line,  // rows and columns
  line_or_grid,
  grid_or_stack,
  grid,
  in_container,
  in_line,
  in_grid,
  in_stack,
  box_or_image,
  text,
  image,
};

using Field =
    std::variant<Kind Keys::*, std::string Keys::*, Sizing Keys::*, Limit Keys::*, std::optional<double> Keys::*,
                 double Keys::*, std::optional<int> Keys::*, bool Keys::*, Edges Keys::*, Order Keys::*,
                 std::optional<Pin> Keys::*, Scroll Keys::*, Gap Keys::*, OnTop Keys::*, BorderAt Keys::*,
                 Along Keys::*, Across Keys::*, PlaceContentPair Keys::*, Tracks Keys::*, Track Keys::*, Flow Keys::*,
                 std::vector<std::string> Keys::*, std::optional<Cell> Keys::*, CellSpan Keys::*, PlaceItems Keys::*,
                 PlaceSelf Keys::*, Pair Keys::*, TextAlignPair Keys::*, ImageFit Keys::*, Allowed Keys::*,
                 Virtualized Keys::*, std::vector<Range> Keys::*>;

struct KeyEntry {
  std::string_view name;
  Field field;
  Acts acts;
  std::string_view about;  // for authors, as a part of a sentence
  Domain domain = Domain::any;
};

[[nodiscard]] std::span<const KeyEntry> key_table();
[[nodiscard]] const KeyEntry* find_key(std::string_view name);
/// The place of an entry in the table.
[[nodiscard]] std::size_t place_of(const KeyEntry& entry);
/// The place of the key that is so many bytes from the start of Keys.
[[nodiscard]] std::size_t key_at_offset(std::size_t bytes);

/// The nodes that such a key acts on, in words.
[[nodiscard]] std::string_view nodes_of(Acts acts);
/// Whether a key that acts so does anything on a node of this kind, in a parent of that kind (none for the root).
[[nodiscard]] bool acts_on(Acts acts, Kind kind, std::optional<Kind> parent);

/// Whether a node range may set the key on the node that declares it: one that acts on what is in the node, so that no
/// parent reads it in passes 1 and 2. Sides of a padding or border count outward as they are while no node range holds.
[[nodiscard]] bool acts_inside(const KeyEntry& entry);

/// Whether `keys` holds anything but the default for `entry`.
[[nodiscard]] bool is_set(const KeyEntry& entry, const Keys& keys);

/// The keys that hold anything but the default, one bit each, by their place in the table.
[[nodiscard]] std::uint64_t set_key_bits(const Keys& keys);
/// The bit of one key in that.
[[nodiscard]] std::uint64_t key_bit(Field field);

/// Gives one key of `into` the value it has in `from`.
void copy_key(const KeyEntry& entry, const Keys& from, Keys& into);

/// Returns a key to its default.
void reset_key(const KeyEntry& entry, Keys& keys);

/// Returns what is wrong with the value that `keys` holds for `entry`, as "must be ...", or nothing.
[[nodiscard]] std::optional<std::string> fault_of(const KeyEntry& entry, const Keys& keys);

/// Throws BadValue naming the first key of `keys` with a value out of its domain. `set_bits` are the keys that may
/// differ from their defaults.
void require_sound(const Keys& keys, std::uint64_t set_bits);
inline void require_sound(const Keys& keys) {
  require_sound(keys, set_key_bits(keys));
}

}  // namespace v0
}  // namespace fond_ladder
