// SPDX-License-Identifier: MIT
//
// A traced solve at a size shows how everything goes on and how far its decisions hold; the next solve is made where
// they end, and shows what comes after. By induction from one to the next nothing is left out between.
//
// What is read off a solve (how much overhangs, what is visible) is read in the same numbers, which show up to where it
// holds; there it is read again, the solve having been dragged along.
//
// If decisions depend on what bends, it is unknown how far they hold. There the next size with other decisions is
// looked for, by steps that grow and then by halving, and what bends is kept at whole sizes and marked as sampled.
#include "verify/ladder/stretches.hpp"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <iterator>
#include <limits>
#include <map>
#include <utility>

#include "model/limits.hpp"
#include "solve/passes/placed.hpp"
#include "solve/passes/traced_solve.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/measures.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::DecisionTrace;
using detail::Index;
using detail::TracedNumber;

/// Pixels. What rounding may leave between two decisions at one place.
constexpr double crumb = 1e-7;
constexpr double endless = std::numeric_limits<double>::infinity();

/// How many solves may be spent on so many pixels: where there is more to decide, sampling them is quicker.
std::size_t most_solves(double pixels) {
  return static_cast<std::size_t>(60 + 1.5 * pixels);
}

/// Whether a measure is read off the box of its node alone, which decides nothing.
bool is_of_box(Measure measure) {
  return detail::measure_of_box(Rect(), measure).has_value();
}

/// Whether a run is the same straight line as the one before.
bool goes_on(const Run& before, const Run& next) {
  if (before.sampled || next.sampled) return false;
  if (!before.value || !next.value) return before.value.has_value() == next.value.has_value();
  const double expected = *before.value + before.slope * (next.from - before.from);
  return std::abs(*next.value - expected) <= limits::rounding * std::max(1.0, std::abs(expected)) &&
         std::abs(next.slope - before.slope) <= limits::rounding;
}

/// What is measured where a run begins, if that is not what it begins with.
void keep_what_is_at(Run& run, const std::optional<double>& value) {
  if (!is_same(value, run.value)) run.at_from = value;
}

/// The value of a quantity, and how far it goes on like this.
struct Reading {
  std::optional<TracedNumber> value;
  double ahead = endless;
  bool sampled = false;  // it hangs on something that bends
  bool decides = false;  // and not only by bending itself
};

class WayFollower {
 public:
  WayFollower(Trail& trail, const std::vector<Quantity>& quantities, const Interval& span, std::atomic<bool>& given_up)
      : trail_(trail), quantities_(quantities), span_(span), given_up_(given_up), store_(trail.store()) {
    std::map<Index, std::size_t> places;
    for (std::size_t q = 0; q < quantities.size(); ++q) {
      const Index node = store_.index_of(quantities[q].node);
      const auto [at, is_new] = places.try_emplace(node, nodes_.size());
      if (is_new) nodes_.push_back({node, {}, {}});
      const bool of_box = is_of_box(quantities[q].measure) && quantities[q].scrolled.empty();
      (of_box ? nodes_[at->second].of_box : nodes_[at->second].others).push_back(q);
    }
    followed_.runs.resize(quantities.size());
  }

  std::optional<Followed> follow() {
    for (double at = span_.from; at < span_.to || at == span_.from;) {
      if (!trace(at)) return {};
      double end = std::min(span_.to, exactly(at + traced_.decision_trace().ahead));
      const bool curved = traced_.decision_trace().curved;
      if (end < span_.to) followed_.decisions.push_back({end, store_.id_of(traced_.decision_trace().decider)});
      if (curved) {
        const auto other = end_of_trace(at);
        if (!other || !trace(at)) return {};
        end = *other;
        followed_.sampled.push_back({at, end});
      }
      if (end - at <= crumb && end < span_.to) {
        if (followed_.runs.empty() || followed_.runs[0].empty()) read_stretch(at, end);
        at = at + crumb;
        continue;
      }
      read_stretch(at, end);
      if (!bending_.empty() && !sample(at, end)) return {};
      at = end;
      if (span_.from == span_.to) break;
    }
    for (Runs& runs : followed_.runs) {
      if (!runs.empty()) runs.back().to = span_.to;
    }
    return std::move(followed_);
  }

 private:
  /// Solves at a size; false where nothing can be proved any more.
  bool trace(double at) {
    if (++solves_ > most_solves(at - span_.from) || given_up_) {
      given_up_ = true;
      return false;
    }
    return trail_.trace(at, traced_);
  }

  /// Reads a quantity, and how far that holds; no more than `space` of it is used (and a pixel, for rounding).
  [[nodiscard]] Reading read(std::size_t q, detail::SeenSoFar<TracedNumber>& seen, double space) const {
    const auto view = traced_.view(store_);
    DecisionTrace decision_trace;
    decision_trace.ahead = space + 1;
    const detail::Tracing tracing(decision_trace);
    const detail::Finished<detail::ViewOf<TracedNumber>> solve{store_, traced_.forms(), view};
    Reading reading;
    reading.value = detail::measured(solve, quantities_[q], seen);
    reading.ahead = decision_trace.ahead;
    reading.decides = decision_trace.curved;
    reading.sampled = decision_trace.curved || (reading.value && reading.value->bends());
    return reading;
  }

  /// From the root's corner; none of a node without a place.
  [[nodiscard]] std::optional<detail::RectOf<TracedNumber>> box_of(const detail::ViewOf<TracedNumber>& view,
                                                                   Index node) const {
    if (nodes_.size() <= few) {
      return detail::has_place(view, node) ? std::optional(detail::box_from_root(view, node)) : std::nullopt;
    }
    const detail::Corner<TracedNumber>& corner = corners_[node];
    if (!corner) return {};
    return detail::RectOf<TracedNumber>{(*corner)[0], (*corner)[1], view.size(node, x_axis), view.size(node, y_axis)};
  }

  /// Reads all quantities over a stretch on which the solve decides nothing else.
  void read_stretch(double at, double end) {
    bending_.clear();
    const auto view = traced_.view(store_);
    std::vector<std::pair<double, std::size_t>> due;  // where a quantity has to be read again
    detail::SeenSoFar<TracedNumber> seen;
    if (nodes_.size() > few) detail::find_corners(view, store_.flat().size(), corners_);
    for (const OfNode& one : nodes_) {
      const std::optional<detail::RectOf<TracedNumber>> box =
          one.of_box.empty() ? std::nullopt : box_of(view, one.node);
      for (const std::size_t q : one.of_box)
        take(q, at, {box ? detail::measure_of_box(*box, quantities_[q].measure) : std::nullopt});
      for (const std::size_t q : one.others) {
        const Reading reading = read(q, seen, end - at);
        take(q, at, reading);
        if (reading.decides) followed_.read_sampled.push_back({at, end});
        if (!reading.sampled && at + reading.ahead < end) due.emplace_back(at + reading.ahead, q);
      }
    }
    look_at_jumps(at);
    double here = at;
    while (!due.empty()) {
      const double next = std::max(exactly(std::ranges::min_element(due)->first), here + crumb);
      if (next >= end) break;
      traced_.drag(next - here);
      seen = {};
      here = next;
      std::vector<std::pair<double, std::size_t>> later;
      for (const auto& [when, q] : due) {
        if (when > here + crumb) {
          later.emplace_back(when, q);
          continue;
        }
        const Reading reading = read(q, seen, end - here);
        take(q, here, reading);
        if (reading.decides) followed_.read_sampled.push_back({here, end});
        if (!reading.sampled && here + reading.ahead < end) later.emplace_back(here + reading.ahead, q);
      }
      due.swap(later);
      look_at_jumps(here);
    }
  }

  static bool jumps(const Run& before, const Run& next) { return !is_same(before.at(next.from), next.value); }

  /// A jump belongs to what comes after it, mostly: 300 px fit into 300. What happens only beyond a size, or
  /// there alone, is asked for at that size by itself.
  void look_at_jumps(double at) {
    if (jumping_.empty()) return;
    const Solution there = trail_.solve(at);
    detail::SeenSoFar<double> seen;
    for (const std::size_t q : std::exchange(jumping_, {})) {
      Runs& runs = followed_.runs[q];
      keep_what_is_at(runs.back(), detail::value_of(quantities_[q], there, seen));
      const std::size_t n = runs.size();
      if (n < 2 || runs[n - 1].at_from || !goes_on(runs[n - 2], runs[n - 1])) continue;
      runs[n - 2].to = runs[n - 1].to;
      runs.pop_back();
    }
  }

  /// A new run of a quantity, or the one before goes on.
  void take(std::size_t q, double at, const Reading& reading) {
    Runs& runs = followed_.runs[q];
    Run run;
    run.from = at;
    run.to = span_.to;
    if (reading.value) {
      run.value = reading.value->value();
      run.slope = reading.value->slope();
      run.sampled = run.bends = reading.sampled || reading.value->bends();
      if (run.bends) bending_.push_back(q);
    }
    if (!runs.empty()) {
      Run& before = runs.back();
      before.to = at;
      // Whether something is seen can be otherwise at one size alone, where two edges lie on each other.
      const bool is_asked_for = detail::is_of_hidden_too(quantities_[q].measure) || jumps(before, run);
      if (is_asked_for) {
        jumping_.push_back(q);
      } else if (goes_on(before, run)) {
        return;
      }
    }
    runs.push_back(std::move(run));
  }

  /// Where the solve decides otherwise for the first time behind a size, or the end of the way.
  std::optional<double> end_of_trace(double at) {
    const std::uint64_t print = traced_.decision_trace().print;
    double same = at, other = 0;
    for (double step = 1;; step *= 2) {
      const double next = std::min(span_.to, same + step);
      if (!trace(next)) return {};
      if (traced_.decision_trace().print != print) {
        other = next;
        break;
      }
      same = next;
      if (same >= span_.to) return span_.to;
    }
    constexpr double close = 1e-6;
    while (other - same > close) {
      const double middle = (same + other) / 2;
      if (!trace(middle)) return {};
      (traced_.decision_trace().print == print ? same : other) = middle;
    }
    return other;
  }

  /// Keeps what bends on a stretch at whole sizes, and at its end.
  bool sample(double at, double end) {
    std::ranges::sort(bending_);
    bending_.erase(std::unique(bending_.begin(), bending_.end()), bending_.end());
    const double last = std::max(at, end - doubtful(end));
    for (double size = std::floor(at) + 1; size < last; ++size) {
      const Solution solution = trail_.solve(size);
      for (const std::size_t q : bending_) {
        const std::optional<double> value = value_of(quantities_[q], solution);
        if (value) followed_.runs[q].back().samples.emplace_back(size, *value);
      }
    }
    if (!trace(last)) return false;
    detail::SeenSoFar<TracedNumber> seen;
    for (const std::size_t q : bending_) {
      Run& run = followed_.runs[q].back();
      const Reading reading = read(q, seen, end - last);
      if (!reading.value) continue;
      run.end_slope = reading.value->slope();
      run.end = reading.value->value() + run.end_slope * (end - last);
      run.bends = !is_straight(run, end);
    }
    return true;
  }

  /// Whether what hangs on bending numbers runs straight all the same, as the sum of two that bend against each other.
  static bool is_straight(const Run& run, double to) {
    const auto is_on_line = [&](double size, double value) {
      return std::abs(*run.value + run.slope * (size - run.from) - value) <= limits::least_bend;
    };
    return is_on_line(to, run.end) && std::ranges::all_of(run.samples, [&](const std::pair<double, double>& one) {
             return is_on_line(one.first, one.second);
           });
  }

  struct OfNode {
    Index node;
    std::vector<std::size_t> of_box, others;  // quantities
  };

  Trail& trail_;
  const std::vector<Quantity>& quantities_;
  const Interval& span_;
  std::atomic<bool>& given_up_;  // in this part of the way, or in another
  std::size_t solves_ = 0;
  const detail::TreeStore& store_;
  detail::TracedSolve traced_;
  /// Nodes beyond which it pays to find the corners of all at once.
  static constexpr std::size_t few = 16;

  std::vector<OfNode> nodes_;
  std::vector<detail::Corner<TracedNumber>> corners_;  // by index
  std::vector<std::size_t> bending_;                   // quantities with a sampled last run
  std::vector<std::size_t> jumping_;  // those with a last run that begins elsewhere than the one before ended
  Followed followed_;
};

}  // namespace

std::optional<double> Run::at(double size) const {
  if (!value || !bends) return value ? std::optional(*value + slope * (size - from)) : std::nullopt;
  const auto behind = std::ranges::lower_bound(samples, size, {}, &std::pair<double, double>::first);
  const std::pair<double, double> low = behind == samples.begin() ? std::pair(from, *value) : *(behind - 1);
  const std::pair<double, double> high = behind == samples.end() ? std::pair(to, end) : *behind;
  if (high.first <= low.first) return high.second;
  return low.second + (high.second - low.second) * (size - low.first) / (high.first - low.first);
}

const Run& run_at(const Runs& runs, double size) {
  const auto behind = std::ranges::upper_bound(runs, size, {}, &Run::from);
  return behind == runs.begin() ? runs.front() : *(behind - 1);
}

namespace {

/// The first size of a part of the way by itself, which no stretch before it leads to.
void look_at_start(Trail& trail, const std::vector<Quantity>& quantities, double start, std::vector<Runs>& all) {
  const Solution there = trail.solve(start);
  detail::SeenSoFar<double> seen;
  for (std::size_t q = 0; q < quantities.size(); ++q)
    keep_what_is_at(all[q].front(), detail::value_of(quantities[q], there, seen));
}

/// The last size by itself: what comes to pass there belongs to no stretch before it. A quantity that is another one
/// there than its run leads to gets a run of no length.
void look_at_end(Trail& trail, const std::vector<Quantity>& quantities, double end, std::vector<Runs>& all) {
  const Solution there = trail.solve(end);
  detail::SeenSoFar<double> seen;
  for (std::size_t q = 0; q < quantities.size(); ++q) {
    const std::optional<double> value = detail::value_of(quantities[q], there, seen);
    if (is_same(value, all[q].back().at(end))) continue;
    Run last;
    last.from = last.to = end;
    last.value = value;
    if (all[q].back().from == end) all[q].pop_back();
    all[q].push_back(std::move(last));
  }
}

}  // namespace

std::optional<Followed> follow(const MakeTrail& make_trail, const std::vector<Quantity>& quantities,
                               const Interval& span, unsigned threads, const Progress& progress) {
  constexpr double part_size = 400;
  const auto parts = static_cast<std::size_t>(std::max(1.0, std::ceil((span.to - span.from) / part_size)));
  const auto bound = [&](std::size_t part) {
    return part == parts ? span.to : span.from + part_size * static_cast<double>(part);
  };
  std::atomic<bool> given_up = false;
  std::vector<std::optional<Followed>> found(parts);
  WorkTally tally(parts, progress);
  in_parallel(thread_count(threads), parts, [&] {
    return [&, trail = make_trail()](std::size_t part) {
      const Interval own{bound(part), bound(part + 1)};
      found[part] = WayFollower(*trail, quantities, own, given_up).follow();
      if (found[part] && !quantities.empty()) look_at_start(*trail, quantities, own.from, found[part]->runs);
      tally.add();
    };
  });
  Followed all;
  all.runs.resize(quantities.size());
  for (std::optional<Followed>& part : found) {
    if (!part) return {};
    for (std::size_t q = 0; q < quantities.size(); ++q) append(all.runs[q], std::move(part->runs[q]));
    std::ranges::copy(part->sampled, std::back_inserter(all.sampled));
    std::ranges::copy(part->read_sampled, std::back_inserter(all.read_sampled));
    std::ranges::copy(part->decisions, std::back_inserter(all.decisions));
  }
  if (!quantities.empty()) look_at_end(*make_trail(), quantities, span.to, all.runs);
  return all;
}

bool is_same(const std::optional<double>& value, const std::optional<double>& expected) {
  return value.has_value() == expected.has_value() &&
         (!value || std::abs(*value - *expected) <= limits::report_tolerance);
}

void append(Runs& runs, Runs&& more) {
  for (Run& run : more) {
    if (!runs.empty() && &run == &more.front() && !run.at_from && goes_on(runs.back(), run)) {
      runs.back().to = run.to;
    } else {
      runs.push_back(std::move(run));
    }
  }
}

double doubtful(double size) {
  return 4 * limits::line_tolerance * std::max(1.0, size);
}

void drop_doubtful(std::vector<Interval>& stretches) {
  std::erase_if(stretches,
                [](const Interval& one) { return one.to > one.from && one.to - one.from <= doubtful(one.from); });
}

double exactly(double size) {
  constexpr double steps = 1e5, near = 1e-9;
  const double round = std::round(size * steps) / steps;
  return std::abs(round - size) <= near * std::max(1.0, size / 1000) ? round : size;
}

}  // namespace fond_ladder::inline v0
