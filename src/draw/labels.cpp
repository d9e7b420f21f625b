// SPDX-License-Identifier: MIT
#include "draw/labels.hpp"

#include <algorithm>
#include <cmath>

#include "draw/marks.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

constexpr double cell_size = 48;

std::size_t cells_in(double length) {
  return static_cast<std::size_t>(std::ceil(length / cell_size)) + 1;
}

}  // namespace

LabelSpots::LabelSpots(const Rect& bounds)
    : bounds_(bounds), columns_(cells_in(bounds.width)), rows_(cells_in(bounds.height)), cells_(columns_ * rows_) {}

/// Calls `each(cell)` for the cells that an area touches until one answers true.
template <class Each>
bool LabelSpots::any_cell(const Rect& area, Each each) const {
  const auto cell = [](double from_edge) { return static_cast<std::size_t>(from_edge / cell_size); };
  const Rect inside = common(area, bounds_);
  if (is_empty(inside)) return false;
  for (std::size_t row = cell(inside.y - bounds_.y); row <= cell(inside.bottom() - bounds_.y); ++row) {
    for (std::size_t column = cell(inside.x - bounds_.x); column <= cell(inside.right() - bounds_.x); ++column) {
      if (each(row * columns_ + column)) return true;
    }
  }
  return false;
}

void LabelSpots::cover(const Rect& area, std::size_t order) {
  const auto place = static_cast<std::uint32_t>(covered_.size());
  covered_.push_back({area, order});
  any_cell(area, [&](std::size_t cell) {
    cells_[cell].push_back(place);
    return false;
  });
}

void LabelSpots::take(const Rect& area) {
  constexpr double apart = 3;
  cover(grown(area, apart), label);
}

bool LabelSpots::is_free(const Rect& area, std::size_t order) const {
  if (!is_inside(area, bounds_)) return false;
  return !any_cell(area, [&](std::size_t cell) {
    const auto& places = cells_[cell];  // the last one painted is the likeliest to be in the way
    return std::any_of(places.rbegin(), places.rend(), [&](std::uint32_t place) {
      return covered_[place].order > order && meet(covered_[place].area, area);
    });
  });
}

}  // namespace fond_ladder::inline v0::picture
