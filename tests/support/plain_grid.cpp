// SPDX-License-Identifier: MIT
#include "support/plain_grid.hpp"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <set>
#include <sstream>

namespace fond_ladder::testing {
namespace {

using Way = TrackSize::Way;
using Pick = std::function<bool(const PlainTrack&)>;

bool intrinsic(const TrackSize& size) {
  return size.way() == Way::by_content || size.way() == Way::by_min_content || size.way() == Way::by_max_content;
}
bool toward_max(const TrackSize& size) {
  return size.way() == Way::by_content || size.way() == Way::by_max_content;
}
bool is_share(const PlainTrack& track) {
  return track.max.way() == Way::by_share;
}

std::map<std::string, PlainCell> map_of(const std::vector<std::string>& lines, int& columns) {
  std::map<std::string, PlainCell> areas;
  for (int row = 0; row < static_cast<int>(lines.size()); ++row) {
    std::istringstream names(lines[static_cast<std::size_t>(row)]);
    int column = 0;
    for (std::string name; names >> name; ++column) {
      auto [found, is_new] = areas.try_emplace(name, PlainCell{column, row, 1, 1, true});
      found->second.columns = std::max(found->second.columns, column - found->second.column + 1);
      found->second.rows = row - found->second.row + 1;
    }
    columns = std::max(columns, column);
  }
  return areas;
}

/// One run of "distribute extra space" for some items: what each track gets is the most that any item would give it.
struct Round {
  std::vector<PlainTrack>& tracks;
  double gap;
  bool limits;

  [[nodiscard]] double size(const PlainTrack& t) const { return limits && t.limit != endless ? t.limit : t.base; }

  void hand_out(const std::vector<PlainItem>& items, const std::function<double(const PlainItem&)>& amount,
                const Pick& affected, const Pick& beyond, bool by_share) {
    std::vector<double> planned(tracks.size(), 0);
    std::vector<bool> seen(tracks.size(), false);
    for (const PlainItem& item : items) {
      std::vector<double> given(tracks.size(), 0);
      std::vector<std::size_t> in, out;
      double space = amount(item) - gap * (item.count - 1);
      for (int i = item.first; i < item.first + item.count; ++i) {
        const auto k = static_cast<std::size_t>(i);
        space -= size(tracks[k]);
        (affected(tracks[k]) ? in : out).push_back(k);
        seen[k] = seen[k] || affected(tracks[k]);
      }
      if (space <= 0 || in.empty()) continue;
      if (by_share) {
        double all = 0, sum = 0;
        for (int i = item.first; i < item.first + item.count; ++i) {
          if (is_share(tracks[static_cast<std::size_t>(i)])) all += tracks[static_cast<std::size_t>(i)].max.share();
        }
        for (const std::size_t k : in) sum += tracks[k].max.share();
        for (const std::size_t k : in) {
          given[k] = all >= 1 && sum > 0 ? space * tracks[k].max.share() / sum : space / static_cast<double>(in.size());
        }
      } else {
        space = equally(in, space, given, true);
        if (!limits) space = equally(out, space, given, true);
        std::vector<std::size_t> further;
        for (const std::size_t k : in) {
          if (beyond(tracks[k])) further.push_back(k);
        }
        equally(further.empty() ? in : further, space, given, false);
      }
      for (std::size_t k = 0; k < tracks.size(); ++k) planned[k] = std::max(planned[k], given[k]);
    }
    for (std::size_t k = 0; k < tracks.size(); ++k) {
      PlainTrack& track = tracks[k];
      if (!limits) {
        track.base += planned[k];
      } else if (track.limit != endless) {
        track.limit += planned[k];
      } else if (seen[k]) {
        track.limit = track.base + planned[k];
        track.grows_freely = true;
      }
    }
  }

  /// Equal parts, again and again, to whoever has not reached the limit. Returns what is left.
  double equally(std::vector<std::size_t> open, double space, std::vector<double>& given, bool to_limits) const {
    const auto left_of = [&](std::size_t k) {
      if (!to_limits) return endless;
      if (limits) return tracks[k].limit == endless || tracks[k].grows_freely ? endless : 0.0;
      return tracks[k].limit - tracks[k].base - given[k];
    };
    while (space > 1e-12) {
      std::erase_if(open, [&](std::size_t k) { return left_of(k) <= 1e-12; });
      if (open.empty()) break;
      double part = space / static_cast<double>(open.size());
      for (const std::size_t k : open) part = std::min(part, left_of(k));
      for (const std::size_t k : open) given[k] += part;
      space -= part * static_cast<double>(open.size());
    }
    return space;
  }
};

double fixed_sum(const std::vector<PlainTrack>& tracks, const PlainItem& item, double gap) {
  double sum = gap * (item.count - 1);
  for (int i = item.first; i < item.first + item.count; ++i) {
    const PlainTrack& track = tracks[static_cast<std::size_t>(i)];
    sum += track.max.way() == Way::by_length ? track.most : endless;
  }
  return sum;
}

double share_size(const std::vector<PlainTrack>& tracks, double gap, double space) {
  std::set<std::size_t> rigid;
  for (;;) {
    double left = space - gap * static_cast<double>(tracks.size() - 1), shares = 0;
    for (std::size_t i = 0; i < tracks.size(); ++i) {
      if (!is_share(tracks[i]) || rigid.contains(i)) {
        left -= tracks[i].base;
      } else {
        shares += tracks[i].max.share();
      }
    }
    const double size = left / std::max(1.0, shares);
    bool again = false;
    for (std::size_t i = 0; i < tracks.size(); ++i) {
      if (!is_share(tracks[i]) || rigid.contains(i) || size * tracks[i].max.share() >= tracks[i].base * (1 - 1e-9))
        continue;
      rigid.insert(i);
      again = true;
    }
    if (!again) return std::max(0.0, size);
  }
}

double total(const std::vector<PlainTrack>& tracks, double gap) {
  double sum = tracks.empty() ? 0 : gap * static_cast<double>(tracks.size() - 1);
  for (const PlainTrack& track : tracks) sum += track.base;
  return sum;
}

}  // namespace

std::vector<PlainCell> cells_plainly(const Keys& grid, const std::vector<Keys>& children, int& columns, int& rows) {
  int map_columns = 0;
  const auto areas = map_of(grid.areas, map_columns);
  columns = std::max(columns, map_columns);
  rows = std::max(rows, static_cast<int>(grid.areas.size()));
  if (children.empty()) return {};
  const int explicit_columns = columns, explicit_rows = rows;
  const bool by_rows = grid.flow == Flow::rows;
  std::vector<PlainCell> cells;
  for (const Keys& child : children) {
    if (const auto found = areas.find(child.area); !child.area.empty() && found != areas.end()) {
      cells.push_back(found->second);
    } else {
      const Cell at = child.cell.value_or(Cell{});
      PlainCell cell{at.column, at.row, child.span.columns, child.span.rows, child.cell.has_value()};
      if (cell.columns == CellSpan::all) cell.columns = std::max(1, explicit_columns - at.column);
      if (cell.rows == CellSpan::all) cell.rows = std::max(1, explicit_rows - at.row);
      cells.push_back(cell);
    }
    const PlainCell& cell = cells.back();
    if (cell.placed || by_rows) columns = std::max(columns, (cell.placed ? cell.column : 0) + cell.columns);
    if (cell.placed || !by_rows) rows = std::max(rows, (cell.placed ? cell.row : 0) + cell.rows);
  }
  int& minor = by_rows ? columns : rows;
  minor = std::max(minor, 1);
  std::set<std::pair<int, int>> taken;
  const auto each_cell = [&](const PlainCell& cell, auto take) {
    for (int c = cell.column; c < cell.column + cell.columns; ++c) {
      for (int r = cell.row; r < cell.row + cell.rows; ++r) take(std::pair(c, r));
    }
  };
  for (const PlainCell& cell : cells) {
    if (cell.placed) each_cell(cell, [&](auto at) { taken.insert(at); });
  }
  int& line = by_rows ? rows : columns;
  int major = 0, place = 0;
  for (PlainCell& cell : cells) {
    if (cell.placed) continue;
    if (grid.dense) major = place = 0;
    for (;; ++place) {
      if (place + (by_rows ? cell.columns : cell.rows) > minor) {
        ++major;
        place = 0;
      }
      (by_rows ? cell.row : cell.column) = major;
      (by_rows ? cell.column : cell.row) = place;
      bool free = true;
      each_cell(cell, [&](auto at) { free = free && !taken.contains(at); });
      if (free) break;
    }
    each_cell(cell, [&](auto at) { taken.insert(at); });
    line = std::max(line, major + (by_rows ? cell.rows : cell.columns));
  }
  return cells;
}

void tracks_plainly(std::vector<PlainTrack>& tracks, const std::vector<PlainItem>& items, double gap,
                    PlainQuestion asked, double space, bool stretch) {
  if (tracks.empty()) return;
  for (PlainTrack& track : tracks) {
    track.base = track.min.way() == Way::by_length ? track.least : 0;
    track.limit = track.max.way() == Way::by_length ? std::max(track.most, track.base) : endless;
  }
  const auto limited = [&](const PlainItem& item, double amount) {
    return std::max(std::min(amount, fixed_sum(tracks, item, gap)), item.minimum);
  };
  const auto least = [&](const PlainItem& item) {
    return asked == PlainQuestion::space ? item.minimum : limited(item, item.min_content);
  };
  const auto low = [](const PlainItem& item) { return item.min_content; };
  const auto high = [](const PlainItem& item) { return item.max_content; };

  const auto crosses_share = [&](const PlainItem& item) {
    const auto first = tracks.begin() + item.first;
    return std::any_of(first, first + item.count, is_share);
  };
  for (std::size_t i = 0; i < tracks.size(); ++i) {
    PlainTrack& track = tracks[i];
    if (is_share(track)) continue;
    double by_low = 0, by_high = 0, by_least = 0;
    bool any = false;
    for (const PlainItem& item : items) {
      if (item.count != 1 || item.first != static_cast<int>(i)) continue;
      any = true;
      by_low = std::max(by_low, low(item));
      by_high = std::max(by_high, high(item));
      by_least = std::max(by_least, least(item));
    }
    if (!any) continue;
    if (track.min.way() == Way::by_content) track.base = by_least;
    if (track.min.way() == Way::by_min_content) track.base = by_low;
    if (track.min.way() == Way::by_max_content) track.base = by_high;
    if (track.max.way() == Way::by_min_content) track.limit = by_low;
    if (toward_max(track.max)) track.limit = by_high;
    track.limit = std::max(track.limit, track.base);
  }
  const auto nobody = [](const PlainTrack&) { return true; };
  const auto max_side = [](const PlainTrack& t) { return intrinsic(t.max); };
  const auto high_side = [](const PlainTrack& t) { return toward_max(t.max); };
  for (int span = 2; span <= static_cast<int>(tracks.size()); ++span) {
    std::vector<PlainItem> group;
    for (const PlainItem& item : items) {
      if (item.count == span && !crosses_share(item)) group.push_back(item);
    }
    if (group.empty()) continue;
    Round bases{tracks, gap, false}, limits{tracks, gap, true};
    bases.hand_out(
        group, least, [](const PlainTrack& t) { return intrinsic(t.min); }, max_side, false);
    bases.hand_out(
        group, low, [](const PlainTrack& t) { return intrinsic(t.min) && t.min.way() != Way::by_content; }, max_side,
        false);
    if (asked == PlainQuestion::widest) {
      bases.hand_out(
          group, [&](const PlainItem& item) { return limited(item, item.max_content); },
          [](const PlainTrack& t) { return toward_max(t.min); }, high_side, false);
    }
    bases.hand_out(
        group, high, [](const PlainTrack& t) { return t.min.way() == Way::by_max_content; }, high_side, false);
    for (PlainTrack& track : tracks) track.limit = std::max(track.limit, track.base);
    limits.hand_out(group, low, max_side, nobody, false);
    limits.hand_out(group, high, high_side, nobody, false);
    for (PlainTrack& track : tracks) track.grows_freely = false;
  }
  std::vector<PlainItem> in_shares;
  for (const PlainItem& item : items) {
    if (crosses_share(item)) in_shares.push_back(item);
  }
  Round shares{tracks, gap, false};
  shares.hand_out(
      in_shares, least, [](const PlainTrack& t) { return is_share(t) && intrinsic(t.min); }, nobody, true);
  shares.hand_out(
      in_shares, low,
      [](const PlainTrack& t) { return is_share(t) && intrinsic(t.min) && t.min.way() != Way::by_content; }, nobody,
      true);
  if (asked == PlainQuestion::widest) {
    shares.hand_out(
        in_shares, high, [](const PlainTrack& t) { return is_share(t) && toward_max(t.min); }, nobody, true);
  }
  shares.hand_out(
      in_shares, high, [](const PlainTrack& t) { return is_share(t) && t.min.way() == Way::by_max_content; }, nobody,
      true);
  for (PlainTrack& track : tracks) {
    if (track.limit == endless) track.limit = track.base;
  }

  if (asked == PlainQuestion::widest) {
    for (PlainTrack& track : tracks) track.base = std::max(track.base, track.limit);
  } else if (asked == PlainQuestion::space) {
    std::vector<std::size_t> all;
    for (std::size_t i = 0; i < tracks.size(); ++i) all.push_back(i);
    std::vector<double> given(tracks.size(), 0);
    Round{tracks, gap, false}.equally(all, space - total(tracks, gap), given, true);
    for (std::size_t i = 0; i < tracks.size(); ++i) tracks[i].base += given[i];
  }

  if (std::any_of(tracks.begin(), tracks.end(), is_share) && asked != PlainQuestion::narrowest) {
    double size = 0;
    if (asked == PlainQuestion::space) {
      size = share_size(tracks, gap, space);
    } else {
      for (const PlainTrack& track : tracks) {
        if (is_share(track)) size = std::max(size, track.base / std::max(1.0, track.max.share()));
      }
      for (const PlainItem& item : in_shares) {
        const auto first = tracks.begin() + item.first;
        size = std::max(size, share_size({first, first + item.count}, gap, item.max_content));
      }
    }
    for (PlainTrack& track : tracks) {
      if (is_share(track)) track.base = std::max(track.base, size * track.max.share());
    }
  }

  if (!stretch || asked != PlainQuestion::space) return;
  const double left = space - total(tracks, gap);
  const auto automatic = [](const PlainTrack& t) { return t.max.way() == Way::by_content; };
  const auto count = std::count_if(tracks.begin(), tracks.end(), automatic);
  for (PlainTrack& track : tracks) {
    if (left > 0 && automatic(track)) track.base += left / static_cast<double>(count);
  }
}

}  // namespace fond_ladder::testing
