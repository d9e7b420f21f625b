// SPDX-License-Identifier: MIT
#include <ostream>

#include "fond_ladder/explanation.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/rounded_parts.hpp"
#include "print/table.hpp"

namespace fond_ladder::inline v0 {
namespace {

constexpr auto numbers = Table::Align::numbers;

/// The sum from the inner size down to what is shared.
void print_sum(std::ostream& out, const ExplanationLine& line) {
  const auto row = [&](const std::string& number, const std::string& what) {
    out << "  " << std::string(number.size() < 10 ? 10 - number.size() : 0, ' ') << number << "  " << what << '\n';
  };
  const std::size_t gaps = line.entries.empty() ? 0 : line.entries.size() - 1;
  const std::vector<std::string> parts =
      rounded_parts({line.inner_size, -line.gaps, -line.margins, -line.base_sizes}, line.free_space);
  row(parts[0], "inner size");
  if (line.gaps != 0) row(parts[1], std::to_string(gaps) + (gaps == 1 ? " gap of " : " gaps of ") + rounded(line.gap));
  if (line.margins != 0) row(parts[2], "margins");
  row(parts[3], "base sizes of the children");
  row("= " + rounded(line.free_space), line.free_space >= 0 ? "to share"
                                       : line.scrolls       ? "outside the view"
                                                            : "missing");
}

void print_rounds(std::ostream& out, const ExplanationLine& line) {
  int number = 0;
  for (const ExplanationRound& round : line.rounds) {
    std::string names;
    constexpr std::size_t most = 6;
    for (std::size_t i = 0; i < round.settled.size() && i < most; ++i) {
      names += (i > 0 ? ", " : "") + line.entries[round.settled[i]].name;
    }
    if (round.settled.size() > most) names += " and " + std::to_string(round.settled.size() - most) + " more";
    const bool last = ++number == static_cast<int>(line.rounds.size());
    out << "  round " << number << ": ";
    if (line.grows) {
      const bool weighted = std::ranges::any_of(
          line.entries, [](const ExplanationEntry& one) { return one.base_from == "weight" && one.factor > 0; });
      out << rounded(round.free_space) << " to share, " << rounded(round.per_factor) << " per "
          << (weighted ? "weight 1" : "grow 1");
    } else {
      out << rounded(-round.free_space) << " too much, " << rounded(-round.per_factor * 100)
          << " % of each base size per shrink 1";
    }
    const bool several = round.settled.size() > 1;
    out << "; " << names
        << (last      ? several ? " are final" : " is final"
            : several ? " stop at their limits"
                      : " stops at its limit")
        << '\n';
  }
}

void print_line(std::ostream& out, const ExplanationLine& line) {
  print_sum(out, line);
  if (!line.rounds.empty()) out << '\n';
  print_rounds(out, line);
  out << '\n';
  Table table({{"  child"},
               {"space before", numbers},
               {"base size", numbers},
               {""},
               {"min", numbers},
               {""},
               {"max", numbers},
               {line.grows ? "grow" : "shrink", numbers},
               {"size", numbers},
               {"why"}});
  std::vector<double> parts;  // before and size of each, and what is behind the last
  for (const ExplanationEntry& entry : line.entries) parts.insert(parts.end(), {entry.space_before, entry.size});
  parts.push_back(line.space_after);
  const std::vector<std::string> texts = rounded_parts(parts, line.sum);
  std::string sum;
  for (std::size_t i = 0; i < line.entries.size(); ++i) {
    const ExplanationEntry& entry = line.entries[i];
    const std::string &before = texts[2 * i], &size = texts[2 * i + 1];
    table.add({"  " + entry.name, before, rounded(entry.base), entry.base_from, rounded(entry.min), entry.min_from,
               entry.max ? rounded(*entry.max) : "", rounded(entry.factor), size, entry.why});
    if (before != "0") sum += before + " + ";
    sum += entry.name + ' ' + size + " + ";
  }
  table.print(out);
  out << "\n  " << sum << texts.back() << " = " << rounded(line.sum);
  if (line.sum > line.inner_size + limits::report_tolerance) {
    out << ", " << rounded(line.sum - line.inner_size) << " more than the "
        << (line.scrolls ? "view, " : "inner size, ") << rounded(line.inner_size)
        << (line.scrolls ? ": it scrolls\n" : ": the children overhang\n");
    return;
  }
  out << ", the inner size";
  if (line.unused_space > limits::report_tolerance) out << "; " << rounded(line.unused_space) << " of it is unused";
  if (line.out_of > 0) {
    double assigned = 0;
    for (const ExplanationEntry& entry : line.entries) assigned += entry.factor;
    const double left = line.out_of - assigned;
    if (left > limits::report_tolerance)
      out << ", " << rounded(left) << " of " << rounded(line.out_of) << " unassigned";
  }
  out << '\n';
}

void print_places(std::ostream& out, const std::vector<ExplanationPlace>& places, const char* axis) {
  if (places.empty()) return;
  out << '\n' << axis << '\n';
  Table table({{"  child"}, {"space", numbers}, {"size", numbers}, {"from the edge", numbers}, {"why"}});
  for (const ExplanationPlace& place : places) {
    table.add({"  " + place.name, rounded(place.space), rounded(place.size), rounded(place.offset), place.why});
  }
  table.print(out);
}

void print_tracks(std::ostream& out, const ExplanationTracks& tracks, const char* name) {
  if (tracks.tracks.empty()) return;
  out << '\n' << name;
  if (tracks.one_share > 0) out << " (1fr is " << rounded(tracks.one_share) << ')';
  out << '\n';
  Table table({{"  track"}, {"size", numbers}, {"why"}});
  std::vector<double> parts;
  for (const ExplanationTracks::Track& track : tracks.tracks) parts.push_back(track.size);
  parts.push_back(tracks.gaps);
  const std::vector<std::string> texts = rounded_parts(parts, tracks.sum);
  for (std::size_t i = 0; i < tracks.tracks.size(); ++i) {
    table.add({"  " + std::to_string(i), texts[i], tracks.tracks[i].why});
  }
  table.print(out);
  out << "  ";
  for (std::size_t i = 0; i < tracks.tracks.size(); ++i) out << (i > 0 ? " + " : "") << texts[i];
  if (tracks.gaps != 0) out << " + gaps " << texts.back();
  out << " = " << rounded(tracks.sum);
  if (tracks.unused_space > limits::report_tolerance)
    out << "; " << rounded(tracks.unused_space) << " of " << rounded(tracks.inner_size) << " are unused\n";
  else if (tracks.unused_space < -limits::report_tolerance)
    out << ", " << rounded(-tracks.unused_space) << " more than the inner size, " << rounded(tracks.inner_size) << '\n';
  else
    out << ", the inner size\n";
}

}  // namespace

std::ostream& operator<<(std::ostream& out, const Explanation& explanation) {
  const bool row = explanation.kind == Kind::row;
  if (!is_container(explanation.kind)) {  // of a container the calculation of its space is asked for
    for (const std::string& words : explanation.position) out << "  " << words << '\n';
  }
  if (!explanation.content.empty()) out << '\n';
  for (const std::string& words : explanation.content) out << words << '\n';
  for (std::size_t i = 0; i < explanation.lines.size(); ++i) {
    out << "\nalong, " << (row ? "horizontal" : "vertical");
    if (explanation.lines.size() > 1) out << ", line " << i + 1;
    out << '\n';
    print_line(out, explanation.lines[i]);
  }
  for (const ExplanationTracks& columns : explanation.columns) print_tracks(out, columns, "columns");
  for (const ExplanationTracks& rows : explanation.rows) print_tracks(out, rows, "rows");
  print_places(out, explanation.horizontal, explanation.kind == Kind::column ? "across, horizontal" : "horizontal");
  print_places(out, explanation.vertical, row ? "across, vertical" : "vertical");
  if (!explanation.adds_up())
    out << "\nthis calculation is off by " << exact(explanation.off) << "; please report the scene\n";
  return out;
}

std::ostream& operator<<(std::ostream& out, const std::vector<ExplanationStep>& chain) {
  Table table({{"node"}, {"width", numbers}, {"why"}, {"height", numbers}, {"why"}});
  std::size_t depth = 0;
  for (const ExplanationStep& step : chain) {
    table.add({std::string(2 * depth++, ' ') + step.name, rounded(step.width), step.why_width, rounded(step.height),
               step.why_height});
  }
  table.print(out);
  return out;
}

}  // namespace fond_ladder::inline v0
