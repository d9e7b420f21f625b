// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>

#include "fond_ladder/fond_ladder.hpp"

namespace fond_ladder::bench {

/// Rows and columns in turn, 5 to 8 children each, level by level until there are `size` nodes; leaves are boxes with
/// natural sizes. A share of the nodes has weights, grow, limits, margins or padding; every container has a gap.
[[nodiscard]] Tree mixed_tree(std::size_t size);
/// One row of `size` boxes, each growing.
[[nodiscard]] Tree wide_row(std::size_t size);
/// Rows and columns in turn, each in the other.
[[nodiscard]] Tree chain(std::size_t size);
/// A column of wrapping rows of twenty boxes.
[[nodiscard]] Tree wrapping_rows(std::size_t size);
/// Stacks of three boxes, in stacks.
[[nodiscard]] Tree stacks(std::size_t size);
/// A column of rows of texts that wrap.
[[nodiscard]] Tree texts(std::size_t size);
/// One row whose factors and maxima freeze one child after the other.
[[nodiscard]] Tree freezing_row(std::size_t size);
/// A grid of about `size` cells, as many columns as rows, tracks of every kind; one child in twenty takes two cells.
[[nodiscard]] Tree mixed_grid(std::size_t size);

}  // namespace fond_ladder::bench
