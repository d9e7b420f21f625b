// SPDX-License-Identifier: MIT
//
// The calculation is done twice: sizes by the rounds of the standard, positions by adding up distances from
// the start. What both come to is held against the solve, so that a sum that does not add up is seen.
#include "fond_ladder/explanation.hpp"

#include <algorithm>
#include <cmath>
#include <map>

#include "fond_ladder/fixed_width_text.hpp"
#include "model/content_kinds.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "solve/answers/account.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/passes/finished.hpp"
#include "solve/passes/placed.hpp"
#include "solve/sharing/spread.hpp"
#include "verify/explain/rounds.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::ChildAccount;
using detail::Index;
using detail::LineAccount;
using detail::LineItem;
using detail::View;

Axis axis_along(Kind kind) {
  return kind == Kind::row ? x_axis : y_axis;
}

// --- one calculation -----------------------------------------------------------------------------------------------

class Accountant {
 public:
  Accountant(const Solution& solution, NodeId node)
      : solution_(solution),
        tree_(solution.tree()),
        view_(detail::view_of(tree_, solution.passes())),
        node_(node),
        index_(tree_.store().index_of(node)) {}

  Explanation explain() {
    Explanation explained;
    explained.node = node_;
    explained.path = tree_.path(node_);
    explained.kind = solution_.kind(node_);
    explained.container = solution_.container();
    explained.box = solution_.box(node_);
    explained.inner_size = solution_.content_box_size(node_);
    if (tree_.parent(node_))
      explained.position = {why_there(solution_, node_, x_axis), why_there(solution_, node_, y_axis)};
    switch (explained.kind) {
      case Kind::row:
      case Kind::column:
        add_lines(explained);
        (explained.kind == Kind::row ? explained.vertical : explained.horizontal) =
            places(explained.kind == Kind::row ? y_axis : x_axis);
        break;
      case Kind::grid: add_tracks(explained); [[fallthrough]];
      case Kind::stack:
        if (explained.kind == Kind::stack) explained.content = content_of_stack();
        explained.horizontal = places(x_axis);
        explained.vertical = places(y_axis);
        break;
      case Kind::box:
      case Kind::text:
      case Kind::image: explained.content = content_words(); break;
    }
    return explained;
  }

  /// Why a child of this container has its size on an axis, in words.
  std::string why(NodeId child, Axis axis) {
    const std::map<NodeId, double> of_lines = spaces_of_lines(axis);
    const auto of_line = of_lines.find(child);
    return why(child, axis, of_line == of_lines.end() ? view_.inner_size(index_, axis) : of_line->second);
  }

 private:
  /// `space` is that of its line, or of the container.
  std::string why(NodeId child, Axis axis, double space) {
    const Kind kind = solution_.kind(node_);
    if (solution_.keys(child).pin) return why_pinned(child, axis);
    if ((kind == Kind::row || kind == Kind::column) && axis == axis_along(kind)) {
      Explanation explained;
      add_lines(explained);
      for (const ExplanationLine& line : explained.lines) {
        for (const ExplanationEntry& entry : line.entries) {
          if (entry.node == child) return entry.why;
        }
      }
      return "";
    }
    return axis == x_axis ? why_across_on<x_axis>(child, space) : why_across_on<y_axis>(child, space);
  }

  [[nodiscard]] Index index_of(NodeId node) const { return tree_.store().index_of(node); }

  // --- rows and columns --------------------------------------------------------------------------------------------

  void add_lines(Explanation& explained) {
    for (const LineAccount& account : detail::line_accounts(view_, index_))
      explained.lines.push_back(explained_line(account, explained.off));
    for (const ExplanationLine& line : explained.lines) {
      explained.largest = std::max({explained.largest, std::abs(line.sum), std::abs(line.base_sizes)});
      for (const ExplanationRound& round : line.rounds)
        explained.largest = std::max(explained.largest, std::abs(round.free_space));
    }
  }

  ExplanationLine explained_line(const LineAccount& account, double& off) {
    const Axis axis = axis_along(solution_.kind(node_));
    ExplanationLine line;
    line.inner_size = account.inner;
    line.gap = account.gap;
    line.gaps = account.inner - account.margins - account.space();
    line.margins = account.margins;
    line.free_space = account.free_space();
    line.base_sizes = account.space() - line.free_space;
    line.unused_space = account.unused_space();
    line.scrolls = view_.traits(index_).scrolls(axis);
    Rounds rounds(account);
    rounds.play(line);
    const double written = line.grows ? written_factors(account) : 0;
    const double total = solution_.keys(node_).out_of.value_or(0);
    const double scale = line.grows && total > 0 ? std::max(total, written) : 1;  // factors as they are written
    if (scale > written) line.out_of = total > 0 ? total : 0;
    for (ExplanationRound& round : line.rounds) round.per_factor /= scale;
    double factors = 0;
    for (std::size_t i = 0; i < account.children.size(); ++i) factors += rounds.speed(i);
    for (std::size_t i = 0; i < account.children.size(); ++i) {
      const ChildAccount& child = account.children[i];
      ExplanationEntry entry;
      entry.node = tree_.store().id_of(child.node);
      entry.name = tree_.segment(entry.node);
      entry.base = child.line_item.base;
      entry.base_from = base_words(child, axis);
      entry.min = child.line_item.least;
      entry.min_from = least_words(child, axis);
      if (child.line_item.most < detail::unlimited) entry.max = child.line_item.most;
      entry.factor = rounds.factor(i) * scale;
      entry.percent = factors > 0 ? rounds.speed(i) / factors * 100 : 0;
      entry.size = child.line_item.size;
      entry.round = rounds.settled_in(i);
      entry.why = why_on_line(child, entry, line, axis);
      line.entries.push_back(std::move(entry));
      off = std::max(off, std::abs(rounds.size(i) - child.line_item.size));
    }
    place_entries(account, line, off);
    return line;
  }

  [[nodiscard]] double written_factors(const LineAccount& account) const {
    double written = 0;
    for (const ChildAccount& child : account.children) {
      const Keys keys = solution_.keys(tree_.store().id_of(child.node));
      written += keys.weight.value_or(keys.grow);
    }
    return written;
  }

  [[nodiscard]] std::string base_words(const ChildAccount& child, Axis axis) const {
    if (child.weighted) return "weight";
    const Keys keys = solution_.keys(tree_.store().id_of(child.node));
    if (keys.basis.way() != Sizing::Way::by_container) return "basis";
    const Sizing& given = keys.size_on(axis);
    return given.way() == Sizing::Way::by_length ? side_word(axis) : "content";
  }

  [[nodiscard]] std::string least_words(const ChildAccount& child, Axis axis) const {
    if (child.line_item.least <= 0) return "";
    if (view_.traits(child.node).min_given(axis)) return axis == x_axis ? "min_width" : "min_height";
    return same(child.line_item.least, inset_seen(child.node, axis)) ? "padding" : "content";
  }

  /// The insets of a node as its parent counts them.
  [[nodiscard]] double inset_seen(Index node, Axis axis) const {
    const detail::Sides* outward = axis == x_axis ? view_.outward_inset(node) : nullptr;
    return (outward != nullptr ? *outward : view_.edges_down(node).inset[axis]).sum();
  }

  [[nodiscard]] std::string why_on_line(const ChildAccount& child, const ExplanationEntry& entry,
                                        const ExplanationLine& line, Axis axis) const {
    const LineItem& line_item = child.line_item;
    const std::string part = rounded(entry.percent) + " % of ";
    const bool at_least = same(line_item.size, line_item.least) && line_item.least > 0;
    const bool at_most = line_item.most < detail::unlimited && same(line_item.size, line_item.most);
    const bool free_size = same(line_item.size, line_item.base) && !child.weighted;
    const bool is_missing = !line.grows && line.free_space < -limits::rounding * std::max(1.0, line.inner_size);
    if (free_size && (entry.round == 0 || !is_missing)) return "its " + entry.base_from;
    if (at_least) {
      return "at its minimum, " + rounded(line_item.least) + " (" + entry.min_from + ")";
    }
    if (at_most)
      return "at its maximum, " + rounded(line_item.most) + (axis == x_axis ? " (max_width)" : " (max_height)");
    if (entry.round == 0) return "there is no free space";
    if (child.weighted) {
      return "weight " + rounded(entry.factor) + (line.out_of > 0 ? " of " + rounded(line.out_of) : "") + ", " +
             part_of(entry, line);
    }
    const double change = line_item.size - line_item.base;
    return (change > 0 ? "grows by " + rounded(change) + " (grow " : "shrinks by " + rounded(-change) + " (shrink ") +
           rounded(entry.factor) + ": " + part + (change > 0 ? "the free space)" : "the shortfall)");
  }

  /// `66.67 % of 716`: the share among the children that were not final before.
  [[nodiscard]] static std::string part_of(const ExplanationEntry& entry, const ExplanationLine& line) {
    if (line.rounds.empty() || entry.round == 0) return "";
    // Space that no child takes is handed out in part, in the first round only.
    const bool of_all = line.out_of > 0 && entry.round == 1;
    const double space = of_all ? line.free_space : line.rounds[static_cast<std::size_t>(entry.round) - 1].free_space;
    return space > 0 ? rounded(entry.size / space * 100) + " % of " + rounded(space) : "of nothing";
  }

  /// Adds the distances up, and holds the places against the solve.
  void place_entries(const LineAccount& account, ExplanationLine& line, double& off) const {
    const detail::Traits own = view_.traits(index_);
    const Axis axis = axis_along(solution_.kind(node_));
    std::size_t automatic = 0;
    for (const ChildAccount& child : account.children)
      automatic += (child.auto_margins & 1U) + (child.auto_margins >> 1U & 1U);
    double unused_space = line.unused_space;
    const double auto_part = automatic > 0 && unused_space > 0 ? unused_space / static_cast<double>(automatic) : 0;
    if (auto_part > 0) unused_space = 0;
    const detail::Spread spread = detail::spread(detail::as_rest(static_cast<Along>(own.along)), unused_space,
                                                 account.children.size(), own.scrolls(axis));
    const bool mirrored = axis == x_axis && view_.mirrored, flip = mirrored != (own.reverse != 0);
    const detail::Sides edges = view_.content_edges(index_, axis);
    double at = 0, behind = 0;
    for (std::size_t i = 0; i < line.entries.size(); ++i) {
      const ChildAccount& child = account.children[i];
      const double ahead = child.margin.before + ((child.auto_margins & 1U) != 0 ? auto_part : 0);
      line.entries[i].space_before = (i == 0 ? spread.before : behind + account.gap + spread.between) + ahead;
      at += line.entries[i].space_before;
      const double size = view_.size(child.node, axis), counted = child.line_item.size;
      const double begins = at + (counted - size) / 2;
      const double place = flip ? edges.after - begins - size : edges.before + begins;
      off = std::max(off, std::abs(place - view_.place(child.node, axis)));
      at += counted;
      behind = child.margin.after + ((child.auto_margins & 2U) != 0 ? auto_part : 0);
    }
    // What is left behind the last child follows from how unused space is put elsewhere, not from where that child
    // ends.
    double elsewhere =
        spread.before + spread.between * static_cast<double>(line.entries.empty() ? 0 : line.entries.size() - 1);
    line.space_after = behind + std::max(0.0, unused_space - elsewhere);
    if (unused_space < 0) line.space_after = behind + std::min(0.0, elsewhere) * -1;
    line.sum = line.space_after;
    for (const ExplanationEntry& entry : line.entries) line.sum += entry.space_before + entry.size;
    if (line.unused_space >= 0) off = std::max(off, std::abs(line.sum - line.inner_size));
  }

  // --- axes without sharing ----------------------------------------------------------------------------------------

  std::vector<ExplanationPlace> places(Axis axis) {
    std::vector<ExplanationPlace> all;
    const Rect own = solution_.box(node_);
    const double content_box = view_.content_edges(index_, axis).before;
    const std::map<NodeId, double> of_lines = spaces_of_lines(axis);
    for (const NodeId child : tree_.children(node_)) {
      if (!solution_.is_placed(child)) continue;
      const Rect box = solution_.box(child);
      ExplanationPlace place;
      place.node = child;
      place.name = tree_.segment(child);
      const auto of_line = of_lines.find(child);
      place.space = of_line == of_lines.end() ? space_of(child, axis) : of_line->second;
      place.size = box.size_on(axis);
      place.offset = (axis == x_axis ? box.x - own.x : box.y - own.y) - content_box;
      place.why = why(child, axis, place.space);
      all.push_back(std::move(place));
    }
    return all;
  }

  /// Across a wrapping row or column, the space of each child in the flow is its line.
  [[nodiscard]] std::map<NodeId, double> spaces_of_lines(Axis axis) const {
    std::map<NodeId, double> spaces;
    const Kind kind = solution_.kind(node_);
    const bool across = (kind == Kind::row || kind == Kind::column) && axis != axis_along(kind);
    if (!across || !view_.traits(index_).wrap) return spaces;
    std::vector<Index> listed;
    const detail::InFlow flow = view_.flow(index_, listed);
    for (const detail::Line& line : detail::lines_across(view_, index_)) {
      for (Index i = line.first; i < line.first + line.count; ++i) {
        spaces[tree_.store().id_of(flow[i])] = line.size;
      }
    }
    return spaces;
  }

  /// Of a grid, worked out once: every child asks for them.
  [[nodiscard]] const Solution::GridTracks& tracks() const {
    if (!tracks_) tracks_ = solution_.tracks(node_);
    return *tracks_;
  }

  /// The cell of a child of a grid, else the content box.
  [[nodiscard]] double space_of(NodeId child, Axis axis) const {
    if (solution_.kind(node_) != Kind::grid || solution_.keys(child).pin) return view_.inner_size(index_, axis);
    const Solution::GridTracks& tracks = this->tracks();
    const auto& along = axis == x_axis ? tracks.columns : tracks.rows;
    const detail::CellRange& cell = view_.grid_place(index_of(child)).cell;
    if (cell.first(axis) + cell.count(axis) > along.size()) return view_.inner_size(index_, axis);  // some were dropped
    const auto &first = along[cell.first(axis)], &last = along[cell.first(axis) + cell.count(axis) - 1];
    return std::max(first.at + first.size, last.at + last.size) - std::min(first.at, last.at);
  }

  template <Axis axis>
  std::string why_across_on(NodeId child, double space_around) const {
    const Index i = index_of(child);
    const detail::Child<axis, false> seen(view_, i);
    const double whole = view_.inner_size(index_, axis), size = view_.size(i, axis);
    const detail::Bounds bounds =
        seen.bounds(seen.inset_down(), solution_.kind(node_) == Kind::grid ? detail::unknown : whole);
    const double given = seen.given(whole);
    const std::string side = side_word(axis);
    if (given >= 0 && same(size, given)) return "its " + side;
    if (bounds.most < detail::unlimited && same(size, bounds.most))
      return "at its maximum, " + rounded(bounds.most) + " (max_" + side + ")";
    if (bounds.least > 0 && same(size, bounds.least)) {
      return "at its minimum, " + rounded(bounds.least) + " (" +
             (view_.traits(i).min_given(axis) ? "min_" + side : "its padding") + ")";
    }
    if (seen.way() == detail::SizeWay::fill) return "fills the space available";
    if (axis == y_axis && seen.keeps_aspect()) {
      const bool is_image =
          solution_.kind(child) == Kind::image && space_around > size + fit_tolerance && is_to_stretch(child, axis);
      return std::string("follows from its width by its aspect ratio") +
             (is_image ? ": an image keeps its aspect ratio" : "");
    }
    const double content = axis == x_axis ? view_.max_content(i) : view_.need(i);
    const double space = space_around - seen.margin_down(false).sum();
    const bool in_line = view_.traits(index_).wrap != 0;
    if (solution_.kind(node_) != Kind::grid && same(size, space) && !same(size, content)) {
      return in_line ? "stretched to its line" : "stretched to the space available";
    }
    if (same(size, content)) {
      const bool is_image =
          solution_.kind(child) == Kind::image && space > size + fit_tolerance && is_to_stretch(child, axis);
      return "its content" +
             (is_image ? ": an image keeps its size; only fill stretches it" : content_leader(child, axis));
    }
    if (axis == x_axis && same(size, view_.min_content(i))) return "its smallest content";
    return solution_.kind(node_) == Kind::grid ? "stretched to its cell" : "placed by the alignment";
  }

  /// Whether the alignment of a child stretches it, if it can be stretched.
  [[nodiscard]] bool is_to_stretch(NodeId child, Axis axis) const {
    const Keys own = solution_.keys(node_), keys = solution_.keys(child);
    const auto& place_self = axis == x_axis ? keys.place_self.x : keys.place_self.y;
    const auto& all = axis == x_axis ? own.place_items.x : own.place_items.y;
    if (own.kind == Kind::grid) return place_self.value_or(all.value_or(Across::stretch)) == Across::stretch;
    if (own.kind == Kind::stack) return place_self.value_or(all.value_or(Across::start)) == Across::stretch;
    return keys.place_self.across.value_or(own.across) == Across::stretch;
  }

  std::string why_pinned(NodeId child, Axis axis) const {
    const Keys keys = solution_.keys(child);
    const Sizing& given = keys.size_on(axis);
    const auto is_set = [&](PinSide side) { return keys.pin->has(side); };
    const bool both = axis == x_axis ? (is_set(PinSide::left) || is_set(PinSide::start)) &&
                                           (is_set(PinSide::right) || is_set(PinSide::end))
                                     : is_set(PinSide::top) && is_set(PinSide::bottom);
    if (given.way() == Sizing::Way::by_length) return std::string("pinned, its ") + side_word(axis);
    return both ? "pinned on both sides" : "pinned, its content";
  }

  /// The child that makes a container as large as its content on an axis on which it does not add.
  std::string content_leader(NodeId container, Axis axis) const {
    const Kind kind = solution_.kind(container);
    const bool adds = (kind == Kind::row || kind == Kind::column) && axis == axis_along(kind);
    if (!is_container(kind) || adds || kind == Kind::grid) return "";
    NodeId leader;
    double most = 0;
    for (const NodeId child : tree_.children(container)) {
      const Index i = index_of(child);
      if (!solution_.is_placed(child) || view_.traits(i).pinned) continue;  // a pin takes it out of the content
      const double preferred =
          (axis == x_axis ? view_.max_content(i) : view_.need(i)) + view_.edges_down(i).margin[axis].sum();
      if (preferred > most) most = preferred, leader = child;
    }
    return leader ? ": " + tree_.segment(leader) + " is the " + (axis == x_axis ? "widest" : "tallest") : "";
  }

  // --- grids -------------------------------------------------------------------------------------------------------

  void add_tracks(Explanation& explained) const {
    const Solution::GridTracks& tracks = this->tracks();
    const Extent gap = solution_.gap(node_);
    explained.columns.push_back(explained_axis(tracks.columns, explained.inner_size.width, gap.width));
    explained.rows.push_back(explained_axis(tracks.rows, explained.inner_size.height, gap.height));
    for (const auto* axis : {&explained.columns[0], &explained.rows[0]}) {
      if (axis->tracks.empty()) continue;
      explained.off = std::max(explained.off, std::abs(axis->sum + axis->unused_space - axis->inner_size));
    }
  }

  ExplanationTracks explained_axis(const std::vector<Solution::TrackBox>& boxes, double inner, double gap) const {
    ExplanationTracks explained;
    explained.inner_size = inner;
    explained.gaps = boxes.empty() ? 0 : std::max(0.0, gap) * static_cast<double>(boxes.size() - 1);
    explained.sum = explained.gaps;
    for (const auto& box : boxes) {
      if (box.share > 0)
        explained.one_share =
            explained.one_share > 0 ? std::min(explained.one_share, box.size / box.share) : box.size / box.share;
    }
    for (const auto& box : boxes) {
      ExplanationTracks::Track track{box.size, box.unstretched, box.share, ""};
      if (box.set_by) track.why = "as large as " + tree_.segment(box.set_by);
      if (box.share > 0 && !box.set_by) {
        track.why = same(box.size, box.share * explained.one_share) ? rounded(box.share) + " of the shares"
                                                                    : "its minimum, more than its share";
      }
      if (!same(box.size, box.unstretched)) {
        track.why += (track.why.empty() ? "" : ", ") + std::string("and ") + rounded(box.size - box.unstretched) +
                     " of the unused space";
      }
      if (track.why.empty()) track.why = "its length";
      explained.sum += box.size;
      explained.tracks.push_back(std::move(track));
    }
    explained.unused_space = inner - explained.sum;
    return explained;
  }

  /// The children that a stack's content size is of.
  [[nodiscard]] std::vector<std::string> content_of_stack() const {
    std::vector<std::string> words;
    for (const Axis axis : {x_axis, y_axis}) {
      const std::string leader = content_leader(node_, axis);
      const double content = axis == x_axis ? view_.max_content(index_) : view_.need(index_);
      if (!leader.empty())
        words.push_back("the " + std::string(side_word(axis)) + " of its content is " + rounded(content) + leader);
    }
    return words;
  }

  // --- leaves ------------------------------------------------------------------------------------------------------

  [[nodiscard]] std::vector<std::string> content_words() const {
    std::vector<std::string> words;
    const Kind kind = solution_.kind(node_);
    const double inset_x = inset_seen(index_, x_axis), inset_y = inset_seen(index_, y_axis);
    if (const auto* text = detail::as_text(view_.content(index_))) {
      const auto lines = text->lines_at(view_.inner_size(index_, x_axis)).size();
      const auto [least, most] = text->widths();
      const auto kept = static_cast<std::size_t>(text->max_lines().value_or(static_cast<int>(lines)));
      words.push_back(solution_.keys(node_).one_line
                          ? "one line, " + rounded(most) + " wide"
                          : "longest word: " + rounded(least) + " wide; all on one line: " + rounded(most));
      words.push_back("at " + rounded(view_.inner_size(index_, x_axis)) + " it has " + std::to_string(lines) +
                      (lines == 1 ? " line" : " lines") + " of " + rounded(text->line_height()) +
                      (kept < lines ? ", of which max_lines keeps " + std::to_string(kept) : "") + ": " +
                      rounded(view_.need(index_) - inset_y) + " high");
    } else if (kind != Kind::text) {
      const Pair natural = solution_.keys(node_).natural_size;
      words.push_back("its content is " + rounded(natural.x) + " x " + rounded(natural.y));
    }
    if (inset_x > 0 || inset_y > 0) {
      words.push_back("padding and border add " + rounded(inset_x) + " to the width and " + rounded(inset_y) +
                      " to the height");
    }
    return words;
  }

  const Solution& solution_;
  const Tree& tree_;
  View view_;
  NodeId node_;
  Index index_;
  mutable std::optional<Solution::GridTracks> tracks_;
};

void require_place(const Solution& solution, NodeId node) {
  if (solution.is_placed(node)) return;
  throw BadPath("\"" + solution.tree().path(node) + "\" is hidden at this size, or inside a hidden node");
}

}  // namespace

bool Explanation::adds_up() const {
  return off <= limits::rounding * (1 + inner_size.width + inner_size.height + largest);
}

Explanation explain(const Solution& solution, NodeId node) {
  require_place(solution, node);
  return Accountant(solution, node).explain();
}

std::vector<ExplanationStep> chain_to_root(const Solution& solution, NodeId node) {
  require_place(solution, node);
  const Tree& tree = solution.tree();
  std::vector<ExplanationStep> chain;
  for (NodeId at = node; at; at = tree.parent(at)) {
    const Rect box = solution.box(at);
    const NodeId parent = tree.parent(at);
    ExplanationStep step{at,         tree.segment(at),        box.width,
                         box.height, "the container's width", "the container's height"};
    if (parent) {
      Accountant account(solution, parent);
      step.why_width = account.why(at, x_axis);
      step.why_height = account.why(at, y_axis);
    }
    chain.push_back(std::move(step));
  }
  std::ranges::reverse(chain);
  return chain;
}

}  // namespace fond_ladder::inline v0
