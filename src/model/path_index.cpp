// SPDX-License-Identifier: MIT
#include "model/path_index.hpp"

#include <algorithm>
#include <charconv>

#include "model/tree_store.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

using Entry = std::pair<std::uint64_t, NodeId>;

constexpr std::uint64_t unnamed = std::uint64_t{1} << 63;

std::uint64_t key_of_unnamed(Kind kind, std::size_t place) {
  return unnamed | static_cast<std::uint64_t>(kind) << 48 | place;
}

std::uint64_t key_of_step(const TreeStore& store, std::string_view step) {
  constexpr std::uint64_t nobody = ~std::uint64_t{0};
  if (const auto number = store.number_of_name(step)) return *number;
  const std::size_t hash = step.find('#');
  const auto kind = std::ranges::find(words_of<Kind>, step.substr(0, hash));
  if (hash == std::string_view::npos || kind == words_of<Kind>.end()) return nobody;
  const std::string_view digits = step.substr(hash + 1);
  std::uint32_t place = 0;
  const auto read = std::from_chars(digits.data(), digits.data() + digits.size(), place);
  const bool is_written_so = !digits.empty() && read.ptr == digits.data() + digits.size() && read.ec == std::errc() &&
                             (digits.size() == 1 || digits.front() != '0');
  return is_written_so ? key_of_unnamed(static_cast<Kind>(kind - words_of<Kind>.begin()), place) : nobody;
}

}  // namespace

PathIndex::PathIndex(const TreeStore& store) {
  by_step_.reserve(store.size());
  store.walk([&](Index node, std::size_t place) {
    const bool named = !store.name(node).empty();
    by_step_.emplace_back(named ? store.name_number_of(node) : key_of_unnamed(store.kind(node), place),
                          store.id_of(node));
  });
  std::ranges::stable_sort(by_step_, {}, &Entry::first);
}

std::span<const Entry> PathIndex::with_step(const TreeStore& store, std::string_view step) const {
  const std::uint64_t key = key_of_step(store, step);
  const auto first = std::ranges::lower_bound(by_step_, key, {}, &Entry::first);
  const auto last = std::ranges::upper_bound(by_step_, key, {}, &Entry::first);
  return {first, last};
}

}  // namespace fond_ladder::inline v0::detail
