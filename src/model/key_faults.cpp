// SPDX-License-Identifier: MIT
//
// Which values a key can have: a sentence for each kind of value that is none.
#include <algorithm>
#include <bit>
#include <cmath>

#include "model/area_map.hpp"
#include "model/claim_words.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/node_name.hpp"
#include "model/sound_container.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Fault = std::optional<std::string>;

Fault number_fault(double value, Domain domain) {
  const bool finite = std::isfinite(value);
  switch (domain) {
    case Domain::any:
    case Domain::no_fill:
      if (finite && std::abs(value) <= limits::largest_length) return {};
      return "must be a number from -1e9 to 1e9";
    case Domain::not_negative:
    case Domain::tracks:
    case Domain::thickness:
      if (finite && value >= 0 && value <= limits::largest_length) return {};
      return "must be 0 or more, and at most 1e9";
    case Domain::positive:
      if (finite && value > 0 && value <= limits::largest_length) return {};
      return "must be more than 0, and at most 1e9";
    case Domain::factor:
      if (value == 0) return {};
      [[fallthrough]];
    case Domain::share:
      if (finite && value >= limits::smallest_factor && value <= limits::largest_factor) return {};
      return domain == Domain::factor ? "must be 0, or from 1e-9 to 1e9" : "must be from 1e-9 to 1e9";
    case Domain::ratio:
      if (finite && value >= limits::smallest_aspect && value <= limits::largest_aspect) return {};
      return "must be from 1e-6 to 1e6";
    case Domain::at_least_one:
      if (finite && value >= 1) return {};
      return "must be 1 or more";
  }
  return {};
}

/// `tag[3]`, the name of a copy, without its index.
std::string_view without_index(std::string_view name) {
  const std::size_t open = name.find('[');
  if (open == std::string_view::npos || !name.ends_with(']') || open + 2 == name.size()) return name;
  const std::string_view index = name.substr(open + 1, name.size() - open - 2);
  return std::ranges::all_of(index, [](char c) { return c >= '0' && c <= '9'; }) ? name.substr(0, open) : name;
}

bool is_track(int place) {
  return place >= 0 && place < static_cast<int>(limits::most_tracks);
}

bool has_length(const Track& track) {
  return track.min.way() == TrackSize::Way::by_length || track.max.way() == TrackSize::Way::by_length;
}

Fault track_fault(const Track& track) {
  if (track.min.way() == TrackSize::Way::by_share)
    return "must not have a share (fr) as its minimum; use it as the maximum";
  for (const TrackSize* size : {&track.min, &track.max}) {
    if (size->way() == TrackSize::Way::by_length) {
      if (auto fault = number_fault(size->length().amount(), Domain::not_negative)) return fault;
    }
    if (size->way() == TrackSize::Way::by_share) {
      if (auto fault = number_fault(size->share(), Domain::factor))
        return "must have shares (fr) that are 0, or from 1e-9 to 1e9";
    }
  }
  return {};
}

struct FaultFinder {
  const Keys& keys;
  Domain domain;

  Fault operator()(double Keys::*field) const { return number_fault(keys.*field, domain); }
  Fault operator()(std::optional<double> Keys::*field) const {
    return keys.*field ? number_fault(*(keys.*field), domain) : Fault{};
  }
  Fault operator()(std::optional<int> Keys::*field) const {
    return keys.*field ? number_fault(*(keys.*field), domain) : Fault{};
  }
  Fault operator()(Limit Keys::*field) const {
    return keys.*field ? number_fault((keys.*field)->amount(), domain) : Fault{};
  }
  Fault operator()(Sizing Keys::*field) const {
    const Sizing& sizing = keys.*field;
    if (domain == Domain::no_fill && sizing.way() == Sizing::Way::by_space) return "must be a length or \"content\"";
    if (sizing.way() != Sizing::Way::by_length) return {};
    return number_fault(sizing.length().amount(), Domain::not_negative);
  }
  Fault operator()(Edges Keys::*field) const {
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      const auto edge = (keys.*field).given(static_cast<Side>(i));
      if (!edge) continue;
      if (edge->is_automatic()) {
        if (domain != Domain::any) return "must be lengths; only a margin can be \"auto\"";
        continue;
      }
      if (domain == Domain::thickness && edge->length().is_percent()) {
        return "must not be a percentage; write pixels or em";
      }
      if (auto fault = number_fault(edge->length().amount(), domain)) return fault;
    }
    return {};
  }
  Fault operator()(Pair Keys::*field) const {
    auto fault = number_fault((keys.*field).x, domain);
    return fault ? fault : number_fault((keys.*field).y, domain);
  }
  Fault operator()(std::string Keys::*field) const {
    const std::string& name = keys.*field;
    if (field == &Keys::text) return name.size() <= limits::longest_text ? Fault{} : "must be at most 1,000,000 bytes";
    if (name.empty()) return {};
    if (is_node_name(field == &Keys::name ? without_index(name) : name)) return {};
    return "must be a letter, then letters, digits, \"_\" or \"-\"";
  }
  Fault operator()(Track Keys::*field) const { return track_fault(keys.*field); }
  Fault operator()(Tracks Keys::*field) const {
    std::size_t count = 0;
    int fitting = 0;
    for (const Tracks::Run& run : (keys.*field).runs()) {
      if (run.tracks.empty()) return "must repeat at least one track";
      if (run.times < 1) return "must repeat tracks 1 time or more";
      count += run.tracks.size() * static_cast<std::size_t>(run.times);
      fitting += run.fitting ? 1 : 0;
      for (const Track& track : run.tracks) {
        if (auto fault = track_fault(track)) return fault;
        if (run.fitting && !has_length(track)) {
          return "must give fitting tracks a length as minimum or maximum, so that it is known how many fit";
        }
      }
    }
    if (fitting > 1) return "must have at most one \"fitting\" repeat";
    return count > limits::most_tracks ? Fault{"must be at most 10,000 tracks"} : Fault{};
  }
  Fault operator()(std::vector<std::string> Keys::*field) const { return AreaMap(keys.*field).fault(); }
  Fault operator()(std::optional<Cell> Keys::*field) const {
    const auto& cell = keys.*field;
    return !cell || (is_track(cell->column) && is_track(cell->row))
               ? Fault{}
               : Fault{"must be a column and a row from 0 to 9,999"};
  }
  Fault operator()(CellSpan Keys::*field) const {
    const auto sound = [](int count) { return count == CellSpan::all || is_track(count - 1); };
    return sound((keys.*field).columns) && sound((keys.*field).rows)
               ? Fault{}
               : Fault{"must be from 1 to 10,000 tracks, or \"all\", on each axis"};
  }
  Fault operator()(std::optional<Pin> Keys::*field) const {
    if (!(keys.*field)) return {};
    for (const auto& [side, tie] : (keys.*field)->ties) {
      if (axis_of(side) != axis_of(tie.edge)) {
        return "must tie " + std::string(word(side)) + " to an edge on the same axis, which " +
               std::string(word(tie.edge)) + " is not";
      }
      if ((keys.*field)->distance(side)) return "must have a distance or a tie on a side, not both";
      if (auto fault = number_fault(tie.plus.amount(), Domain::any)) return fault;
    }
    return {};
  }
  Fault operator()(std::vector<Range> Keys::*field) const {
    const std::vector<Range>& ranges = keys.*field;
    if (ranges.size() > limits::most_node_ranges) return "must be at most 16 node ranges";
    for (auto range = ranges.begin(); range != ranges.end(); ++range) {
      if (!is_node_name(range->name)) return "must have names: a letter, then letters, digits, \"_\" or \"-\"";
      if (detail::is_claim_word(range->name))
        return "cannot have the name \"" + range->name + "\": claims use that word";
      if (range->from_height || range->below_height) return "must have bounds of width only";
      for (const std::optional<double>& bound : {range->from_width, range->below_width}) {
        if (bound && !is_container_size(*bound)) return "must have bounds that are sizes in pixels";
      }
      if (range->is_empty())
        return "must include some width: from_width of \"" + range->name + "\" must be smaller than below_width";
      const bool twice = std::ranges::count(ranges.begin(), range, range->name, &Range::name) > 0;
      if (twice) return "must have unique names: \"" + range->name + "\" is there twice";
    }
    return {};
  }
  Fault operator()(Virtualized Keys::*field) const {
    return (keys.*field).entries <= Virtualized::most_entries ? Fault{}
                                                              : Fault{"must have at most 1,000,000,000 entries"};
  }
  template <class T>
  Fault operator()(T Keys::*) const {
    return {};
  }
};

}  // namespace

std::optional<std::string> fault_of(const KeyEntry& entry, const Keys& keys) {
  return std::visit(FaultFinder{keys, entry.domain}, entry.field);
}

void require_sound(const Keys& keys, std::uint64_t set_bits) {
  for (; set_bits != 0; set_bits &= set_bits - 1) {
    const KeyEntry& entry = key_table()[static_cast<std::size_t>(std::countr_zero(set_bits))];
    if (auto fault = fault_of(entry, keys)) throw BadValue(std::string(entry.name) + " " + *fault);
  }
}

}  // namespace fond_ladder::inline v0
