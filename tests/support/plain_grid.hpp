// SPDX-License-Identifier: MIT
#pragma once

// Grid placement and track sizing once more, as literally as the open standard words them and as slowly: every cell is
// looked at, space is handed out crumb by crumb, rounds are rounds. Shares no code with the engine.

#include <limits>
#include <string>
#include <vector>

#include "fond_ladder/keys.hpp"

namespace fond_ladder::testing {

constexpr double endless = std::numeric_limits<double>::infinity();

struct PlainCell {
  int column = 0, row = 0, columns = 1, rows = 1;
  bool placed = false;
};

/// CSS Grid Layout 2, section 8.5. `columns` and `rows` are the explicit tracks on entry and all tracks at the end.
std::vector<PlainCell> cells_plainly(const Keys& grid, const std::vector<Keys>& children, int& columns, int& rows);

struct PlainTrack {
  TrackSize min, max;
  double least = 0, most = 0;  // of bounds that are lengths; a length that is not known has become content
  double base = 0, limit = 0;
  bool grows_freely = false;
};

struct PlainItem {
  int first = 0, count = 1;
  double minimum = 0, min_content = 0, max_content = 0;
};

enum class PlainQuestion { narrowest, widest, space };

/// CSS Grid Layout 2, sections 12.4 to 12.8. Sets the bases.
void tracks_plainly(std::vector<PlainTrack>& tracks, const std::vector<PlainItem>& items, double gap,
                    PlainQuestion asked, double space, bool stretch);

}  // namespace fond_ladder::testing
