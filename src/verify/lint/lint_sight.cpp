// SPDX-License-Identifier: MIT
#include "verify/lint/lint_sight.hpp"

#include <algorithm>

#include "model/number_text.hpp"
#include "verify/ladder/container_sizes.hpp"

namespace fond_ladder::inline v0 {

void Sightings::begin(const ContainerSize& container_size, double width, bool goes_on, bool other_form) {
  width_ = width;
  height_ = container_size.height;
  goes_on_ = goes_on;
  if (other_form) ++form_;
  ++container_size_;
}

Reason Sightings::reason(const Sighting& sighting) {
  Reason reason = sighting.reason;
  if (sighting.figure) reason.why += rounded(*sighting.figure) + reason.behind_figure;
  return reason;
}

void Sightings::take(Sightings&& behind) {
  found_.merge(behind.found_);
  for (auto& [place, other] : behind.found_) {
    Sighting& own = found_[place];
    if (own.count == 0 || other.worst > own.worst) {
      own.reason = std::move(other.reason);
      own.figure = other.figure;
      own.worst = other.worst;
    }
    own.count += other.count;
    own.widths.insert(own.widths.end(), other.widths.begin(), other.widths.end());
    own.heights.merge(other.heights);
    own.others.merge(other.others);
  }
  allowed_.merge(behind.allowed_);
  too_many_.merge(behind.too_many_);
  for (const auto& [node, count] : behind.placed_) placed_[node] += count;
}

void Sightings::add(Sighting& sighting) {
  if (sighting.last_size == container_size_) return;  // another pair of the same node
  extend(sighting.widths, width_, goes_on_ && sighting.last_size + 1 == container_size_);
  if (height_) sighting.heights.insert(*height_);
  sighting.last_size = container_size_;
  ++sighting.count;
}

}  // namespace fond_ladder::inline v0
