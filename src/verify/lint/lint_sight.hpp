// SPDX-License-Identifier: MIT
#pragma once

// What rules of lint look at, and where they put what they see. Rules see one size after the other; what is odd at
// neighboring sizes becomes one finding.

#include <map>
#include <optional>
#include <set>
#include <string>
#include <tuple>
#include <utility>
#include <vector>

#include "fond_ladder/lint.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/lint/seen.hpp"

namespace fond_ladder::inline v0 {

/// Why something is odd, and the remedy. A reason that ends in a figure and more words keeps those words in
/// `behind_figure`; the figure itself is in the Sighting.
struct Reason {
  std::string why, fix, behind_figure{};
};

/// Something odd that was seen.
struct Found {
  NodeId node;
  Finding finding;
  double how_bad = 0;
};

/// Unused definitions of scenes, and ranges without effect.
[[nodiscard]] std::vector<Finding> idle_definitions(const Scene& scene);

/// One cause, one finding: copies of one node, siblings of one kind and what is at the same place in copies are
/// reported together, with the worst of them; what overhangs something already reported is left out.
[[nodiscard]] std::vector<Finding> grouped(const Tree& tree, std::vector<Found> all);

class Sightings {
 public:
  /// A new size. `goes_on`: it follows the last one. `other_form`: keys of some nodes may differ from those there.
  void begin(const ContainerSize& container_size, double width, bool goes_on, bool other_form);
  /// A finding at this size; `make_reason()` is called when it is first seen, and again wherever it is worse than
  /// before. If it involves `other`, `{others}` in the reason means all of these, at all sizes.
  template <class MakeReason>
  void see(LintRule rule, NodeId node, std::string_view key, const MakeReason& make_reason, double how_bad = 0,
           NodeId other = {}) {
    Sighting& sighting = found_[{rule, node, std::string(key)}];
    if (other) sighting.others.insert(other);
    if (sighting.count == 0 || how_bad > sighting.worst) {
      sighting.reason = make_reason();
      sighting.worst = how_bad;
    }
    add(sighting);
  }
  /// The same for a reason of which only `figure` changes from size to size. Calls `make_reason()` again only where it
  /// is worse than before and the words may differ: `phrase`, a number that the caller gives its words, or the form
  /// differs.
  template <class MakeReason>
  void see_figure(LintRule rule, NodeId node, double figure, std::size_t phrase, const MakeReason& make_reason,
                  double how_bad) {
    Sighting& sighting = found_[{rule, node, std::string()}];
    if (sighting.count == 0 || how_bad > sighting.worst) {
      const std::pair words(phrase, form_);
      if (sighting.count == 0 || sighting.words != words) sighting.reason = make_reason();
      sighting.figure = figure;
      sighting.words = words;
      sighting.worst = how_bad;
    }
    add(sighting);
  }
  /// Puts what was seen at sizes behind these into it.
  void take(Sightings&& behind);
  /// Records that a node is as its `allow` permits: by the index of the word.
  void see_allowed(NodeId node, std::size_t word) { allowed_.insert({node, word}); }
  [[nodiscard]] const std::set<std::pair<NodeId, std::size_t>>& allow() const { return allowed_; }
  /// Records that more overlaps inside a node than is examined.
  void see_too_many(NodeId node) { too_many_.insert(node); }
  [[nodiscard]] const std::set<NodeId>& too_many() const { return too_many_; }
  /// Counts the sizes at which a node has a place.
  void count_placed(NodeId node) { ++placed_[node]; }

  struct Sighting {
    Reason reason;
    std::optional<double> figure;                 // at the end of the reason, before `behind_figure`
    std::pair<std::size_t, std::size_t> words{};  // which these are: their number, and that of the form
    double worst = 0;
    std::size_t count = 0;      // sizes at which it was seen
    std::size_t last_size = 0;  // number of the last one
    std::vector<Interval> widths;
    std::set<double> heights;  // of the container, where they are given
    std::set<NodeId> others;
  };
  /// The reason with its figure, and the remedy.
  [[nodiscard]] static Reason reason(const Sighting& sighting);
  using Place = std::tuple<LintRule, NodeId, std::string>;
  [[nodiscard]] const std::map<Place, Sighting>& all() const { return found_; }
  /// Whether it was so at every size at which the node has a place.
  [[nodiscard]] bool always(const Place& place, const Sighting& sighting) const {
    const auto at = placed_.find(std::get<NodeId>(place));
    return at != placed_.end() && sighting.count == at->second;
  }
  [[nodiscard]] bool was_placed(NodeId node) const { return placed_.contains(node); }

 private:
  void add(Sighting& sighting);

  std::map<Place, Sighting> found_;
  std::set<std::pair<NodeId, std::size_t>> allowed_;
  std::set<NodeId> too_many_;
  std::map<NodeId, std::size_t> placed_;
  double width_ = 0;
  std::optional<double> height_;
  std::size_t container_size_ = 0;
  std::size_t form_ = 0;  // counts the changes of form
  bool goes_on_ = false;
};

/// Keys of a node that have no effect on its kind in a parent of that kind.
using SleepingKeys = std::vector<std::string_view>;

// The rules, by what they look at. Each looks at all nodes at one size.
void look_at_sizes(const Seen& seen, Sightings& sightings);
void look_at_places(const Seen& seen, Sightings& sightings);
void look_at_plans(const Seen& seen, Sightings& sightings);
void look_at_settings(const Seen& seen, const std::vector<SleepingKeys>& asleep, Sightings& sightings);

/// A setting that changes nothing at any of the sizes, of all nodes that take it from one place.
struct WithoutEffect {
  std::vector<NodeId> nodes;
  std::string key;
  Reason reason;
};

/// The settings without effect, found by removing them one at a time; reports progress once per container size.
[[nodiscard]] std::vector<WithoutEffect> settings_without_effect(const Variant& variant,
                                                                 const std::vector<ContainerSize>& container_sizes,
                                                                 WorkTally& tally);

}  // namespace fond_ladder::inline v0
