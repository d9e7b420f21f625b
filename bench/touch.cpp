// SPDX-License-Identifier: MIT
#include "touch.hpp"

#include <bit>
#include <cstdint>

namespace fond_ladder::bench {
namespace {

using detail::Index;

/// What every pass reads of a node on an axis. Summed in four strands, so that the loop waits for memory and not for
/// its own arithmetic.
inline double read(const detail::Flat& flat, const detail::RareFields* rare_fields_list, Axis axis, Index i) {
  constexpr double k = 1.0000001;
  const detail::RareFields& rare_fields = rare_fields_list[flat.rare_fields[i]];
  const auto traits = std::bit_cast<std::uint64_t>(flat.traits[i]);
  const double a = flat.given[axis][i] * k + flat.smallest[axis][i] * k;
  const double b = flat.largest[axis][i] * k + flat.inner[axis][i] * k;
  const double c = rare_fields.edges.inset[axis].before * k + rare_fields.edges.margin[axis].after * k;
  const double d =
      flat.grow[i] * k + static_cast<double>((traits & 7U) + flat.first_child[i] + flat.child_count[i]) * k;
  return (a + b) + (c + d);
}

}  // namespace

void fit(const detail::TreeStore& store, detail::State& state) {
  const std::size_t n = store.flat().size();
  detail::for_each_result(state, [n](auto& array) { array.assign(n, {}); });
  state.visits.assign(n, {});
}

void touch_all(const detail::TreeStore& store, detail::State& state) {
  using detail::NodeFlag;
  const detail::Flat& flat = store.flat();
  const detail::RareFields* rare_fields_list = store.rare_fields_list().data();
  const auto n = static_cast<Index>(flat.size());
  constexpr double k = 1.0000001;
  double unwritten = 0;
  Index listed = 0;  // as in the passes, passive leaves are on no list
  const auto list = [&](Index i) {
    state.visits[listed] = detail::Visit{i};
    listed += flat.traits[i].passive ? 0 : 1;
  };
  for (Index i = 0; i < n; ++i) list(i);
  for (Index i = n; i-- > 0;) {
    const double sum = read(flat, rare_fields_list, x_axis, i) + state.min_content[i] * k + state.max_content[i] * k;
    state.min_content[i] = sum;
    state.max_content[i] = sum + 1;
    state.need[i] = sum + flat.inner[1][i] * k;
    state.flags[i] = NodeFlag::needs_widths;
  }
  listed = 0;
  for (Index i = 0; i < n; ++i) {
    const double sum = read(flat, rare_fields_list, x_axis, i) + state.min_content[i] * k + state.max_content[i] * k;
    state.size[0][i] = sum + state.size[0][i] * k;
    state.place[0][i] = sum;
    state.flags[i] = without(state.flags[i], NodeFlag::needs_widths) | NodeFlag::needs_heights;
    list(i);
  }
  for (Index i = n; i-- > 0;) {
    const double sum = read(flat, rare_fields_list, y_axis, i) + state.need[i] * k;
    if (flat.child_count[i] == 0 && flat.content[i] == 0) {
      unwritten += sum;
      continue;
    }
    state.need[i] = sum + state.size[0][i] * k;
    state.baseline[i] = sum;
  }
  listed = 0;
  for (Index i = 0; i < n; ++i) {
    const double sum = read(flat, rare_fields_list, y_axis, i) + state.need[i] * k;
    state.size[1][i] = sum + state.size[1][i] * k;
    state.place[1][i] = sum;
    state.flags[i] = without(state.flags[i], NodeFlag::needs_heights);
    list(i);
  }
  state.baseline[0] += unwritten;
}

}  // namespace fond_ladder::bench
