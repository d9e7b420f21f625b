// SPDX-License-Identifier: MIT
#include "fond_ladder/pin.hpp"

#include <algorithm>

namespace fond_ladder::inline v0 {

Ties::Ties() = default;
Ties::Ties(const Ties& other) = default;
Ties::Ties(Ties&& other) noexcept = default;
Ties& Ties::operator=(const Ties& other) = default;
Ties& Ties::operator=(Ties&& other) noexcept = default;
Ties::~Ties() = default;

void Ties::add(PinSide side, Tie tie) {
  const auto behind = std::ranges::upper_bound(all_, side, {}, &SideTie::side);
  all_.insert(behind, {side, std::move(tie)});
}

bool Pin::has_tie(PinSide side) const {
  return std::ranges::any_of(ties, [&](const Ties::SideTie& tie) { return tie.side == side; });
}

const Limit& Pin::distance(PinSide side) const {
  switch (side) {
    case PinSide::left: return left;
    case PinSide::right: return right;
    case PinSide::start: return start;
    case PinSide::end: return end;
    case PinSide::middle_x: return middle_x;
    case PinSide::top: return top;
    case PinSide::bottom: return bottom;
    case PinSide::middle_y: break;
  }
  return middle_y;
}

}  // namespace fond_ladder::inline v0
