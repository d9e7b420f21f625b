// SPDX-License-Identifier: MIT
#include "support/plain_arranger.hpp"

#include <algorithm>
#include <cmath>
#include <optional>

#include "support/plain_grid.hpp"

namespace fond_ladder::testing {
namespace {

constexpr double none = -1;  // a size that is not known

/// One axis of one child in the hands of its parent.
struct Item {
  double base, least, most, grow, shrink, inner_base, size;
  [[nodiscard]] double clamp(double value) const { return std::max(std::min(value, most), least); }
};

struct Margin {
  double before, after;
  bool auto_before, auto_after;
  [[nodiscard]] double sum() const { return before + after; }
};

class Plain {
 public:
  explicit Plain(const Tree& tree) : tree_(tree), em_(tree.em()), rtl_(tree.direction() == Direction::rtl) {}

  std::map<NodeId, Rect> arrange(ContainerSize container_size) {
    const NodeId root = tree_.root();
    const double width = container_size.width.value_or(content_width(root, true));
    const double height = container_size.height.value_or(content_height(root, width, width));
    place(root, {0, 0, width, height}, width, height);
    return boxes_;
  }

 private:
  struct Child {
    NodeId id;
    Keys keys;
  };

  std::vector<Child> children(NodeId node) const {
    std::vector<Child> all;
    for (const NodeId id : tree_.children(node)) {
      Keys keys = tree_.keys(id);
      if (!keys.hidden) all.push_back({id, keys});
    }
    return all;
  }
  std::vector<Child> flow(NodeId node) const {
    std::vector<Child> all = children(node);
    std::erase_if(all, [](const Child& child) { return child.keys.pin.has_value(); });
    std::ranges::stable_sort(all, {}, [](const Child& child) { return child.keys.order.rank; });
    return all;
  }

  // --- edges -------------------------------------------------------------------------------------------------------

  /// In the fonts of the node that says it.
  double px(const Keys& of, const Length& length, double whole) const {
    return length.in_px(of.units(em_), whole < 0 ? 0 : whole);
  }
  double inset_side(const Keys& keys, Side side, double whole) const {
    double sum = px(keys, keys.padding.on(side, rtl_).length(), whole);
    if (keys.border_at == BorderAt::inside) sum += px(keys, keys.border.on(side, rtl_).length(), whole);
    return sum;
  }
  double before(const Keys& keys, bool x, double whole) const {
    return inset_side(keys, x ? Side::left : Side::top, whole);
  }
  double after(const Keys& keys, bool x, double whole) const {
    return inset_side(keys, x ? Side::right : Side::bottom, whole);
  }
  double inset(const Keys& keys, bool x, double whole) const { return before(keys, x, whole) + after(keys, x, whole); }
  Margin margin(const Keys& keys, bool x, double whole, bool flip = false) const {
    const Edge a = keys.margin.on(x ? Side::left : Side::top, rtl_),
               b = keys.margin.on(x ? Side::right : Side::bottom, rtl_);
    const auto space = [&](const Edge& edge, Side side) {
      const double outside =
          keys.border_at == BorderAt::around ? px(keys, keys.border.on(side, rtl_).length(), whole) : 0;
      return outside + (edge.is_automatic() ? 0 : px(keys, edge.length(), whole));
    };
    Margin margin{space(a, x ? Side::left : Side::top), space(b, x ? Side::right : Side::bottom), a.is_automatic(),
                  b.is_automatic()};
    if (flip) {
      std::swap(margin.before, margin.after);
      std::swap(margin.auto_before, margin.auto_after);
    }
    return margin;
  }

  // --- sizes -------------------------------------------------------------------------------------------------------

  static bool has_shape(const Keys& keys) {
    return keys.aspect_ratio || (keys.kind == Kind::image && keys.natural_size.x > 0 && keys.natural_size.y > 0);
  }
  /// The given size in pixels, or `none`.
  double given(const Keys& keys, bool x, double whole) const {
    const Sizing& sizing = x ? keys.width : keys.height;
    if (sizing.way() == Sizing::Way::by_length) {
      return sizing.length().is_percent() && whole < 0 ? none : px(keys, sizing.length(), whole);
    }
    const bool height_known = keys.height.way() == Sizing::Way::by_length && !keys.height.length().is_percent();
    if (!x || sizing.way() != Sizing::Way::by_container || !has_shape(keys) || !height_known) return none;
    double most = endless, least = inset(keys, false, none);
    if (keys.max_height && !keys.max_height->is_percent()) most = px(keys, *keys.max_height, none);
    if (keys.min_height && !keys.min_height->is_percent()) least = std::max(least, px(keys, *keys.min_height, none));
    const double height = std::max(std::min(px(keys, keys.height.length(), none), most), least);
    if (keys.aspect_ratio) return height * *keys.aspect_ratio;
    return (height - inset(keys, false, none)) * (keys.natural_size.x / keys.natural_size.y) + inset(keys, true, none);
  }
  Item bounded(const Keys& keys, bool x, double whole, double edge_whole) const {
    const auto known = [&](const Limit& limit) { return limit && !(limit->is_percent() && whole < 0); };
    const Limit &least = x ? keys.min_width : keys.min_height, &most = x ? keys.max_width : keys.max_height;
    Item item{};
    item.most = known(most) ? px(keys, *most, whole) : endless;
    item.least = std::max(known(least) ? px(keys, *least, whole) : 0, inset(keys, x, edge_whole));
    item.most = std::max(item.most, item.least);
    return item;
  }
  static bool scrolls(const Keys& keys, bool x) {
    return keys.scroll == Scroll::both || keys.scroll == (x ? Scroll::x : Scroll::y);
  }
  /// The automatic minimum: the content, but not more than the given size or the maximum.
  void hold_content(Item& item, const Keys& keys, bool x, double whole, double content) const {
    if ((x ? keys.min_width : keys.min_height) || scrolls(keys, x)) return;
    double least = std::min(content, item.most);
    const double size = given(keys, x, whole);
    if (size >= 0) least = std::min(least, size);
    item.least = std::max(item.least, least);
  }
  /// Whether only entries in view are arranged of it: then its first child stands for all, and nothing is shared.
  static bool is_list(const Keys& keys) {
    const bool line = keys.kind == Kind::row || keys.kind == Kind::column;
    return line && keys.virtualized.on && scrolls(keys, keys.kind == Kind::row) && !keys.wrap && !keys.reverse;
  }
  /// What all entries of a list take when each takes as much as the first.
  double all_entries(const Keys& list, std::size_t children, double first, bool x) const {
    const double count = std::max<double>(list.virtualized.entries, static_cast<double>(children));
    return std::min(1e9, count * first + (count - 1) * px(list, x ? list.gap.x : list.gap.y, none));
  }
  static double factor_of(const Keys& keys) { return keys.scale_affects_layout ? keys.scale : 1; }

  static bool weighted(const Keys& parent, const Keys& keys, bool x) {
    return parent.equal_sizes || keys.weight || (x ? keys.width : keys.height).way() == Sizing::Way::by_space;
  }
  static double grow(const Keys& parent, const Keys& keys, bool x) {
    if (parent.equal_sizes) return 1;
    if (keys.weight) return *keys.weight;
    return (x ? keys.width : keys.height).way() == Sizing::Way::by_space ? 1 : keys.grow;
  }
  double base(const Keys& keys, bool x, double whole, double content) const {
    if (keys.basis.way() == Sizing::Way::by_content) return content;
    if (keys.basis.way() == Sizing::Way::by_length) {
      return keys.basis.length().is_percent() && whole < 0 ? content : px(keys, keys.basis.length(), whole);
    }
    const double size = given(keys, x, whole);
    return size < 0 ? content : size;
  }
  /// A child of a line going up.
  double counted_along(const Keys& parent, const Keys& keys, bool x, double content, double minimum,
                       double widest) const {
    Item item = bounded(keys, x, none, none);
    if (!parent.equal_sizes) hold_content(item, keys, x, none, minimum);
    if (parent.equal_sizes && (x ? keys.min_width : keys.min_height)) item = bounded(keys, x, none, none);
    const bool grows = grow(parent, keys, x) > 0;
    double size = content;
    if (weighted(parent, keys, x)) {
      if (!grows) size = 0;
    } else {
      if (given(keys, x, none) >= 0) size = given(keys, x, none);
      const double start = std::max(base(keys, x, none, widest), inset(keys, x, none));
      if (keys.shrink == 0 || scrolls(parent, x)) size = std::max(size, start);
      if (!grows) size = std::min(size, start);
    }
    return item.clamp(size) * factor_of(keys);
  }
  double counted_across(const Keys& keys, bool x, double content, double whole = none) const {
    const double size = given(keys, x, whole);
    return bounded(keys, x, whole, whole).clamp(size >= 0 ? size : content) * factor_of(keys);
  }

  // --- content going up --------------------------------------------------------------------------------------------

  /// Min-content or max-content width, border box.
  double content_width(NodeId node, bool widest) const {
    const Keys keys = tree_.keys(node);
    const double edges = inset(keys, true, none);
    if (!widest && scrolls(keys, true)) return edges;
    if (!is_container(keys.kind)) {
      const auto content = tree_.content(node);
      if (!content) return keys.natural_size.x + edges;
      const auto widths = content->widths();
      return edges + (widest ? std::max(widths.min_content, widths.max_content) : widths.min_content);
    }
    if (keys.kind == Kind::grid) {
      const auto asked = widest ? PlainQuestion::widest : PlainQuestion::narrowest;
      const double narrowest = sum_of(grid_axis(node, true, PlainQuestion::narrowest, none, none));
      return edges + (widest ? std::max(narrowest, sum_of(grid_axis(node, true, asked, none, none))) : narrowest);
    }
    double sum = 0, largest = 0;
    const auto all = flow(node);
    for (const Child& child : all) {
      const double low = content_width(child.id, false), high = content_width(child.id, true);
      const double own = keys.kind == Kind::row ? counted_along(keys, child.keys, true, widest ? high : low, low, high)
                                                : counted_across(child.keys, true, widest ? high : low);
      const double outer = own + margin(child.keys, true, none).sum();
      sum += outer;
      largest = std::max(largest, outer);
      if (is_list(keys))
        return edges + std::max(0.0, keys.kind == Kind::row ? all_entries(keys, all.size(), outer, true) : outer);
    }
    if (all.size() > 1) sum += px(keys, keys.gap.x, none) * static_cast<double>(all.size() - 1);
    const bool adds = keys.kind == Kind::row && (widest || !keys.wrap);
    return edges + std::max(0.0, adds ? sum : largest);
  }

  /// Height by content at a width, or only what of it nobody can scroll away; `whole` is the parent's content width.
  double content_height(NodeId node, double width, double whole, bool least = false) const {
    const Keys keys = tree_.keys(node);
    const double edges = inset(keys, false, none);
    if (least && scrolls(keys, false)) return edges;
    if (has_shape(keys) && keys.height.way() == Sizing::Way::by_container) {
      if (keys.aspect_ratio) return width / *keys.aspect_ratio;
      return std::max(0.0, width - inset(keys, true, whole)) * (keys.natural_size.y / keys.natural_size.x) + edges;
    }
    const double inner = std::max(0.0, width - inset(keys, true, whole));
    if (!is_container(keys.kind)) {
      const auto content = tree_.content(node);
      return edges + (content ? content->height_for(inner).height : keys.natural_size.y);
    }
    if (keys.kind == Kind::grid)
      return edges + sum_of(grid_axis(node, false, PlainQuestion::widest, inner, none, least));
    auto lines = lines_of(node, inner);
    if (is_list(keys) && keys.kind == Kind::row && !lines.empty()) lines[0].resize(1);
    double sum = 0;
    if (keys.kind == Kind::row) {
      for (const auto& line : lines) sum += row_line_height(keys, line, inner, none, least).first;
      if (lines.size() > 1) sum += px(keys, keys.gap.y, none) * static_cast<double>(lines.size() - 1);
      return edges + std::max(0.0, sum);
    }
    double largest = 0;
    std::size_t count = 0;
    for (const auto& line : lines) {
      for (const Laid& laid : line) {
        const double need = content_height(laid.id, laid.width, inner, least);
        const double kept = content_height(laid.id, laid.width, inner, true);
        const double whole_need = content_height(laid.id, laid.width, inner);
        double own = keys.kind == Kind::column ? counted_along(keys, laid.keys, false, need, kept, whole_need)
                                               : counted_across(laid.keys, false, need);
        const bool rigid = laid.keys.shrink == 0 && !weighted(keys, laid.keys, false);
        if (least && keys.kind == Kind::column && scrolls(laid.keys, false) && !rigid)
          own = bounded(laid.keys, false, none, none).clamp(need) * factor_of(laid.keys);
        sum += own + margin(laid.keys, false, none).sum();
        if (is_list(keys)) return edges + std::max(0.0, all_entries(keys, line.size(), sum, false));
        largest = std::max(largest, own + margin(laid.keys, false, none).sum());
        ++count;
      }
    }
    if (keys.kind == Kind::stack) return edges + std::max(0.0, largest);
    if (count > 1) sum += px(keys, keys.gap.y, none) * static_cast<double>(count - 1);
    return edges + std::max(0.0, sum);
  }

  double natural_height(const Keys& keys, double need) const {
    const double size = given(keys, false, none);
    return bounded(keys, false, none, none).clamp(size >= 0 ? size : need);
  }

  /// First baseline from the node's top, at its natural height.
  double baseline(NodeId node, double width, double whole) const {
    const Keys keys = tree_.keys(node);
    const double top = before(keys, false, none);
    const double need = content_height(node, width, whole), height = natural_height(keys, need);
    const double inner = std::max(0.0, width - inset(keys, true, whole));
    if (!is_container(keys.kind)) {
      const auto content = tree_.content(node);
      if (!content) return height;
      const CustomContent::Heights words = content->height_for(inner);
      const double unused_space = std::max(0.0, height - inset(keys, false, none) - words.height);
      const double share = keys.text_align.y == TextAlign::start ? 0 : keys.text_align.y == TextAlign::end ? 1 : 0.5;
      return top + words.baseline + (keys.kind == Kind::text ? share * unused_space : 0);
    }
    auto lines = lines_of(node, inner);
    if (is_list(keys) && !lines.empty()) lines[0].resize(1);
    if (lines.empty()) return height;
    if (keys.kind == Kind::grid) {
      const GridAxis rows = grid_axis(node, false, PlainQuestion::widest, inner, none);
      std::size_t first_cell = 0;
      for (std::size_t i = 1; i < rows.cells.size(); ++i) {
        const auto order = [&](std::size_t k) { return std::pair(rows.cells[k].row, rows.cells[k].column); };
        if (order(i) < order(first_cell)) first_cell = i;
      }
      const Laid& laid = lines[0][first_cell];
      const auto [slot_at, slot_size] = slot_in(rows, first_cell, false);
      const Margin edge = margin(laid.keys, false, none);
      const double left =
          slot_size - edge.sum() -
          natural_height(
              laid.keys,
              content_height(
                  laid.id, laid.width,
                  slot_in(grid_axis(node, true, PlainQuestion::space, inner, inner), first_cell, true).second));
      const Across own_align = laid.keys.place_self.y.value_or(keys.place_items.y.value_or(Across::stretch));
      return top + slot_at + edge.before + ahead(edge, left, own_align, scrolls(keys, false)) +
             baseline(laid.id, laid.width, laid.whole);
    }
    const Laid& first = lines.front().front();
    const Margin around = margin(first.keys, false, none);
    const double own_need = content_height(first.id, first.width, inner);
    const double own = baseline(first.id, first.width, inner);
    Across align = Across::start;
    double space = height - inset(keys, false, none);
    if (keys.kind == Kind::row) {
      const auto [line_height, ascent] = row_line_height(keys, lines.front(), inner);
      for (const Laid& laid : lines.front()) {
        if (on_baseline(keys, laid.keys)) return top + ascent;
      }
      align = first.keys.place_self.across.value_or(keys.across);
      if (keys.wrap) space = line_height;
    } else if (keys.kind == Kind::stack) {
      align = first.keys.place_self.y.value_or(keys.place_items.y.value_or(Across::start));
    } else {
      // Automatic margins push it as they will when the column has its pass-3 height.
      double push = 0;
      const Margin edge = margin(first.keys, false, none, keys.reverse);
      if (edge.auto_before && !is_list(keys)) {
        const double inner_height = std::max(0.0, height - inset(keys, false, none));
        auto columns = items_down(node, lines[0], inner, inner_height);
        const auto ranges = broken(keys, columns.first, columns.second, false, inner_height, keys.reverse);
        const auto [line_first, line_last] = ranges.front();
        push = pushed_ahead(keys, columns.first, columns.second, line_first, line_last, inner_height);
      }
      if (keys.reverse) {
        return height - after(keys, false, none) - around.after - push - natural_height(first.keys, own_need) + own;
      }
      return top + around.before + push + own;
    }
    const double scale = keys.kind == Kind::row ? factor_of(first.keys) : 1;
    const double unused_space = space - around.sum() - natural_height(first.keys, own_need) * scale;
    return top + around.before + ahead(around, unused_space, align, scrolls(keys, false)) + own;
  }

  /// The same going down, percentages of `whole_down` being known.
  double baseline_down(NodeId node, double width, double whole, double whole_down) const {
    const Keys keys = tree_.keys(node);
    const double up = baseline(node, width, whole);
    if (is_container(keys.kind) ? flow(node).empty() : tree_.content(node) == nullptr) return up;
    if (keys.kind == Kind::column && keys.reverse) {
      return up - after(keys, false, whole_down) + after(keys, false, none);
    }
    return up + before(keys, false, whole_down) - before(keys, false, none);
  }

  /// How far behind the start of its space a child lies.
  static double ahead(const Margin& around, double unused_space, Across align, bool scrolls) {
    if (around.auto_before || around.auto_after) {
      if (unused_space <= 0 || !around.auto_before) return 0;
      return around.auto_after ? unused_space / 2 : unused_space;
    }
    if (unused_space <= 0 && scrolls) return 0;
    return align == Across::center ? unused_space / 2 : align == Across::end ? unused_space : 0;
  }

  // --- grids -------------------------------------------------------------------------------------------------------

  struct GridAxis {
    std::vector<PlainCell> cells;
    std::vector<PlainTrack> tracks;
    std::vector<double> at;
    double gap = 0;
  };

  static double sum_of(const GridAxis& axis) {
    double sum = axis.tracks.empty() ? 0 : axis.gap * static_cast<double>(axis.tracks.size() - 1);
    for (const PlainTrack& track : axis.tracks) sum += track.base;
    return sum;
  }

  static std::pair<double, double> slot_in(const GridAxis& axis, std::size_t child, bool x) {
    const PlainCell& cell = axis.cells[child];
    const auto first = static_cast<std::size_t>(x ? cell.column : cell.row);
    const std::size_t last = first + static_cast<std::size_t>(x ? cell.columns : cell.rows) - 1;
    return {axis.at[first], axis.at[last] + axis.tracks[last].base - axis.at[first]};
  }

  /// The tracks that are written down, fitting ones as often as they fit; whether each may be dropped.
  std::vector<std::pair<Track, bool>> written(const Keys& keys, const Tracks& tracks, double gap, double inner) const {
    const auto expand = [&](int times) {
      std::vector<std::pair<Track, bool>> all;
      for (const Tracks::Run& run : tracks.runs()) {
        for (int i = 0; i < (run.fitting ? times : run.times); ++i) {
          for (const Track& track : run.tracks) all.emplace_back(track, run.fitting && run.empty == Empty::drop);
        }
      }
      return all;
    };
    const auto fits = [&](int times) {
      double sum = -gap;
      for (const Tracks::Run& run : tracks.runs()) {
        for (const Track& track : run.tracks) {
          const auto known = [&](const TrackSize& size) {
            return size.way() == TrackSize::Way::by_length ? px(keys, size.length(), inner) : -1;
          };
          const double low = known(track.min), high = known(track.max);
          double size = std::max(0.0, high >= 0 ? std::max(low, high) : low);
          if (run.fitting) size = std::max(1.0, size);
          sum += (size + gap) * (run.fitting ? times : run.times);
        }
      }
      return sum <= inner + 1e-6 * std::max(1.0, inner);
    };
    const bool any = std::ranges::any_of(tracks.runs(), [](const Tracks::Run& run) { return run.fitting; });
    int times = 1;
    while (any && inner >= 0 && fits(times + 1)) ++times;
    return expand(times);
  }

  /// One axis of a grid. `inner` is the content box on it where it is known, `width` the content width where known.
  GridAxis grid_axis(NodeId node, bool x, PlainQuestion asked, double width, double inner, bool least = false) const {
    const Keys keys = tree_.keys(node);
    const auto all = flow(node);
    const double known = asked == PlainQuestion::space ? inner : none;
    double height = none;
    if (keys.height.way() == Sizing::Way::by_length && !keys.height.length().is_percent() && node != tree_.root()) {
      const Item bounds = bounded(keys, false, none, none);
      height = std::max(0.0, bounds.clamp(px(keys, keys.height.length(), none)) - inset(keys, false, none));
    }
    const auto gap = [&](bool of_x, double whole) {
      return std::max(0.0, px(keys, of_x ? keys.gap.x : keys.gap.y, whole));
    };
    const auto columns = written(keys, keys.columns, gap(true, width), width);
    const auto rows = written(keys, keys.rows, gap(false, none), height);
    GridAxis axis;
    axis.gap = gap(x, known);
    std::vector<Keys> children;
    for (const Child& child : all) children.push_back(child.keys);
    int column_count = static_cast<int>(columns.size()), row_count = static_cast<int>(rows.size());
    axis.cells = cells_plainly(keys, children, column_count, row_count);
    const auto& own = x ? columns : rows;
    for (int i = 0; i < (x ? column_count : row_count); ++i) {
      const bool is_written = i < static_cast<int>(own.size());
      axis.tracks.push_back(plain_track(
          keys, is_written ? own[static_cast<std::size_t>(i)].first : (x ? keys.auto_columns : keys.auto_rows), known));
    }
    for (int i = static_cast<int>(own.size()) - 1; i >= 0; --i) {
      const auto holds = [&](const PlainCell& cell) {
        const int first = x ? cell.column : cell.row, count = x ? cell.columns : cell.rows;
        return first <= i && i < first + count;
      };
      if (!own[static_cast<std::size_t>(i)].second || std::ranges::any_of(axis.cells, holds)) continue;
      axis.tracks.erase(axis.tracks.begin() + i);
      for (PlainCell& cell : axis.cells) {
        int& first = x ? cell.column : cell.row;
        if (first > i) --first;
      }
    }
    std::vector<PlainItem> items;
    for (std::size_t i = 0; i < all.size(); ++i) items.push_back(plain_item(all[i], axis, i, x, width, node, least));
    const PlaceContent rest = x ? keys.place_content.x : keys.place_content.y;
    tracks_plainly(axis.tracks, items, axis.gap, asked, inner, rest == PlaceContent::stretch);
    const double left = asked == PlainQuestion::space ? inner - sum_of(axis) : 0;
    auto [at, between] = spread(rest, left, axis.tracks.size(), scrolls(keys, x));
    if (asked != PlainQuestion::space) at = between = 0;
    for (const PlainTrack& track : axis.tracks) {
      axis.at.push_back(at);
      at += track.base + axis.gap + between;
    }
    return axis;
  }

  PlainTrack plain_track(const Keys& keys, const Track& track, double inner) const {
    const auto resolved = [&](const TrackSize& size, double& length) {
      if (size.way() != TrackSize::Way::by_length) return size;
      if (size.length().is_percent() && inner < 0) return TrackSize();
      length = px(keys, size.length(), inner);
      return size;
    };
    PlainTrack plain;
    plain.min = resolved(track.min, plain.least);
    plain.max = resolved(track.max, plain.most);
    return plain;
  }

  PlainItem plain_item(const Child& child, const GridAxis& axis, std::size_t place, bool x, double width, NodeId grid,
                       bool only_least) const {
    const PlainCell& cell = axis.cells[place];
    PlainItem item{x ? cell.column : cell.row, x ? cell.columns : cell.rows};
    double low = 0, high = 0, kept = 0;
    if (x) {
      low = kept = content_width(child.id, false);
      high = content_width(child.id, true);
    } else {
      const Laid laid = lines_of(grid, width).at(0).at(place);
      low = high = content_height(child.id, laid.width, laid.whole, only_least);
      kept = content_height(child.id, laid.width, laid.whole, true);
    }
    const double edges = margin(child.keys, x, none).sum();
    item.min_content = counted_across(child.keys, x, low) + edges;
    item.max_content = counted_across(child.keys, x, high) + edges;
    item.minimum = item.min_content;
    if (given(child.keys, x, none) >= 0) return item;
    bool holds = !(x ? child.keys.min_width : child.keys.min_height) && !scrolls(child.keys, x), any = false;
    double most = axis.gap * (item.count - 1);
    for (int i = item.first; i < item.first + item.count; ++i) {
      const PlainTrack& track = axis.tracks[static_cast<std::size_t>(i)];
      any = any || track.min.way() == TrackSize::Way::by_content;
      holds = holds && (item.count == 1 || track.max.way() != TrackSize::Way::by_share);
      most += track.max.way() == TrackSize::Way::by_length ? track.most : endless;
    }
    const double least = bounded(child.keys, x, none, none).clamp(0) * factor_of(child.keys) + edges;
    const double content = counted_across(child.keys, x, kept) + edges;
    item.minimum = holds && any ? std::max(least, std::min(content, most)) : least;
    return item;
  }

  // --- widths going down -------------------------------------------------------------------------------------------

  struct Laid {
    NodeId id;
    Keys keys;
    double x = 0, width = 0;  // from the parent's content box, in laying order when flipped
    double whole = 0;         // what percentages of it are of
  };
  using LaidLine = std::vector<Laid>;

  bool on_baseline(const Keys& parent, const Keys& keys) const {
    const Margin around = margin(keys, false, none);
    return parent.kind == Kind::row && keys.place_self.across.value_or(parent.across) == Across::baseline &&
           keys.height.way() != Sizing::Way::by_space && !around.auto_before && !around.auto_after;
  }

  /// Height and ascent of a line of a row, at natural heights, or with the percentages of `whole_down` known.
  std::pair<double, double> row_line_height(const Keys& keys, const LaidLine& line, double inner,
                                            double whole_down = none, bool least = false) const {
    double tallest = 0, ascent = -endless, descent = -endless;
    for (const Laid& laid : line) {
      const double content = content_height(laid.id, laid.width, inner, least);
      const double height = counted_across(laid.keys, false, content, whole_down);
      const Margin around = margin(laid.keys, false, whole_down);
      tallest = std::max(tallest, height + around.sum());
      if (!on_baseline(keys, laid.keys)) continue;
      const double up = around.before + (whole_down < 0 ? baseline(laid.id, laid.width, inner)
                                                        : baseline_down(laid.id, laid.width, inner, whole_down));
      ascent = std::max(ascent, up);
      descent = std::max(descent, height + around.sum() - up);
    }
    if (ascent == -endless) return {tallest, 0};
    return {std::max(tallest, ascent + descent), ascent};
  }

  /// The lines of a container with the widths and, along a row or across a column or stack, the places of its children.
  std::vector<LaidLine> lines_of(NodeId node, double inner) const {
    const Keys keys = tree_.keys(node);
    const auto all = flow(node);
    if (keys.kind == Kind::row) {
      std::vector<Item> items;
      for (const Child& child : all) {
        items.push_back(
            item_along(keys, child.keys, true, inner, content_width(child.id, false), content_width(child.id, true)));
      }
      std::vector<LaidLine> lines;
      const bool flip = keys.reverse != rtl_;
      for (const auto& [first, last] : broken(keys, all, items, true, inner, flip)) {
        std::vector<double> at = laid_along(keys, all, items, first, last, true, inner, flip);
        LaidLine line;
        for (std::size_t i = first; i < last; ++i) {
          const double width = items[i].size / factor_of(all[i].keys);
          line.push_back({all[i].id, all[i].keys, at[i - first] + (items[i].size - width) / 2, width, inner});
        }
        lines.push_back(line);
      }
      return lines;
    }
    LaidLine line;
    if (keys.kind == Kind::grid) {
      const GridAxis columns = grid_axis(node, true, PlainQuestion::space, inner, inner);
      for (std::size_t i = 0; i < all.size(); ++i) {
        const auto [slot_at, slot_size] = slot_in(columns, i, true);
        const Across own = all[i].keys.place_self.x.value_or(keys.place_items.x.value_or(Across::stretch));
        const auto [at, size] = fitted(keys, all[i].id, all[i].keys, true, slot_size, slot_size, own, rtl_, none, none);
        line.push_back({all[i].id, all[i].keys, slot_at + at, size, slot_size});
      }
      if (line.empty()) return {};
      return {line};
    }
    for (const Child& child : all) {
      Across align = keys.kind == Kind::stack
                         ? child.keys.place_self.x.value_or(keys.place_items.x.value_or(Across::start))
                         : child.keys.place_self.across.value_or(keys.across);
      if (align == Across::baseline) align = Across::start;
      if (keys.kind == Kind::column && keys.wrap && align == Across::stretch) align = Across::start;
      const auto [at, size] = fitted(keys, child.id, child.keys, true, inner, inner, align, rtl_, none, none);
      line.push_back({child.id, child.keys, at, size, inner});
    }
    if (line.empty()) return {};
    return {line};
  }

  /// The children of a column and what each brings to the sharing of its height.
  std::pair<std::vector<Child>, std::vector<Item>> items_down(NodeId column, const LaidLine& laid, double inner_width,
                                                              double inner_height) const {
    const Keys keys = tree_.keys(column);
    const auto all = flow(column);
    std::vector<Item> items;
    for (std::size_t i = 0; i < all.size(); ++i) {
      const double need = content_height(all[i].id, laid[i].width, inner_width);
      const double kept = content_height(all[i].id, laid[i].width, inner_width, true);
      items.push_back(item_along(keys, all[i].keys, false, inner_height, kept, need));
    }
    return {all, items};
  }

  /// How far automatic margins push the first child of a line of a column.
  double pushed_ahead(Keys keys, const std::vector<Child>& all, std::vector<Item> items, std::size_t first,
                      std::size_t last, double inner) const {
    keys.along = Along::start;
    const std::vector<double> at = laid_along(keys, all, items, first, last, false, inner, keys.reverse);
    const Margin around = margin(all[first].keys, false, inner, keys.reverse);
    return around.auto_before ? at.front() - around.before : 0;
  }

  Item item_along(const Keys& parent, const Keys& keys, bool x, double inner, double minimum, double widest) const {
    Item item = bounded(keys, x, inner, inner);
    if (!parent.equal_sizes) hold_content(item, keys, x, inner, minimum);
    item.grow = is_list(parent) ? 0 : grow(parent, keys, x);
    if (!weighted(parent, keys, x) || is_list(parent)) {
      item.base = std::max(base(keys, x, inner, widest), inset(keys, x, inner));
      item.shrink = scrolls(parent, x) ? 0 : keys.shrink;
      item.inner_base = item.base - inset(keys, x, inner);
    }
    for (double* field : {&item.base, &item.least, &item.most, &item.inner_base}) *field *= factor_of(keys);
    return item;
  }

  /// Ranges of children by line.
  std::vector<std::pair<std::size_t, std::size_t>> broken(const Keys& keys, const std::vector<Child>& all,
                                                          const std::vector<Item>& items, bool x, double inner,
                                                          bool flip) const {
    std::vector<std::pair<std::size_t, std::size_t>> lines;
    const double gap = px(keys, x ? keys.gap.x : keys.gap.y, inner);
    double taken = 0;
    for (std::size_t i = 0; i < all.size(); ++i) {
      const double outer = items[i].clamp(items[i].base) + margin(all[i].keys, x, inner, flip).sum();
      const bool fits = !lines.empty() && taken + gap + outer <= inner + 1e-6 * std::max(1.0, inner);
      if (lines.empty() || (keys.wrap && !fits)) {
        lines.emplace_back(i, i + 1);
        taken = outer;
      } else {
        lines.back().second = i + 1;
        taken += gap + outer;
      }
    }
    return lines;
  }

  static void share(std::vector<Item*> items, double space) {
    double wanted = 0;
    for (const Item* item : items) wanted += item->clamp(item->base);
    const bool growing = wanted < space;
    std::vector<Item*> free;
    for (Item* item : items) {
      item->size = item->clamp(item->base);
      const bool fixed =
          growing ? item->grow == 0 || item->base > item->size : item->shrink == 0 || item->base < item->size;
      if (!fixed) free.push_back(item);
    }
    const auto unused_space = [&] {
      double left = space;
      for (const Item* item : items) left -= std::ranges::find(free, item) == free.end() ? item->size : item->base;
      return left;
    };
    const double initial = unused_space();
    while (!free.empty()) {
      double left = unused_space(), factors = 0, scaled = 0, violation = 0;
      for (const Item* item : free) {
        factors += growing ? item->grow : item->shrink;
        scaled += item->shrink * item->inner_base;
      }
      if (factors < 1 && std::abs(initial * factors) < std::abs(left)) left = initial * factors;
      const auto target = [&](const Item* item) {
        if (growing) return item->base + item->grow / factors * left;
        return scaled > 0 ? item->base - item->shrink * item->inner_base / scaled * -left : item->base;
      };
      for (const Item* item : free) violation += item->clamp(target(item)) - target(item);
      std::vector<Item*> still;
      std::vector<double> sizes;
      for (Item* item : free) {
        const double over = item->clamp(target(item)) - target(item);
        const bool freeze = std::abs(violation) < 1e-9 || (violation > 0 ? over > 0 : over < 0);
        if (!freeze) still.push_back(item);
        sizes.push_back(item->clamp(target(item)));
      }
      for (std::size_t i = 0; i < free.size(); ++i) free[i]->size = sizes[i];
      if (still.size() == free.size()) break;
      free = still;
    }
  }

  /// Shares one line and returns where its children begin, from the edge from which the line is laid.
  std::vector<double> laid_along(const Keys& keys, const std::vector<Child>& all, std::vector<Item>& items,
                                 std::size_t first, std::size_t last, bool x, double inner, bool flip) const {
    const double gap = px(keys, x ? keys.gap.x : keys.gap.y, inner);
    const std::size_t count = last - first;
    double left = inner - gap * static_cast<double>(count - 1);
    std::size_t autos = 0;
    std::vector<Item*> line;
    double total = 0;
    for (std::size_t i = first; i < last; ++i) {
      const Margin around = margin(all[i].keys, x, inner, flip);
      left -= around.sum();
      autos += around.auto_before + around.auto_after;
      total += items[i].grow;
      line.push_back(&items[i]);
    }
    if (keys.out_of && std::max(total, *keys.out_of) > 0) {
      for (Item* item : line) item->grow /= std::max(total, *keys.out_of);
    }
    share(line, left);
    for (const Item* item : line) left -= item->size;
    double automatic_part = 0;
    if (is_list(keys)) left = 0;
    if (autos > 0 && left > 0) {
      automatic_part = left / static_cast<double>(autos);
      left = 0;
    }
    auto [at, between] = spread(static_cast<PlaceContent>(keys.along), left, count, scrolls(keys, x));
    std::vector<double> places;
    for (std::size_t i = first; i < last; ++i) {
      const Margin around = margin(all[i].keys, x, inner, flip);
      at += around.before + (around.auto_before ? automatic_part : 0);
      places.push_back(at);
      at += items[i].size + around.after + (around.auto_after ? automatic_part : 0) + gap + between;
      if (is_list(keys) && i == 0 && count > 1 && keys.virtualized.entries > count) {
        at += at * std::min<double>(keys.virtualized.second - 1, keys.virtualized.entries - static_cast<double>(count));
      }
    }
    return places;
  }

  static std::pair<double, double> spread(PlaceContent word, double unused_space, std::size_t count, bool scrolls) {
    const auto n = static_cast<double>(count);
    const bool overhangs = unused_space <= 0;
    if (word == PlaceContent::center && !(overhangs && scrolls)) return {unused_space / 2, 0};
    if (word == PlaceContent::end && !(overhangs && scrolls)) return {unused_space, 0};
    if (overhangs) return {0, 0};
    if (word == PlaceContent::between && count > 1) return {0, unused_space / (n - 1)};
    if (word == PlaceContent::around) return {unused_space / (2 * n), unused_space / n};
    if (word == PlaceContent::evenly) return {unused_space / (n + 1), unused_space / (n + 1)};
    if (word == PlaceContent::slots) return {0, unused_space / n};
    return {0, 0};
  }

  /// Place (from the laying edge) and size of a child that fills or fits `space`. `need` is its height by content.
  std::pair<double, double> fitted(const Keys& parent, NodeId id, const Keys& keys, bool x, double space, double whole,
                                   Across align, bool flip, double need, double to_baseline) const {
    const Margin around = margin(keys, x, whole, flip);
    const Item bounds = bounded(keys, x, whole, whole);
    const double left = (space - around.sum()) / factor_of(keys);
    const Sizing::Way way = (x ? keys.width : keys.height).way();
    const bool keeps_shape = keys.kind == Kind::image || (!x && has_shape(keys));
    double size = given(keys, x, whole);
    if (size < 0) {
      const bool stretched = way == Sizing::Way::by_container && align == Across::stretch && !keeps_shape &&
                             !around.auto_before && !around.auto_after;
      if (stretched || way == Sizing::Way::by_space) {
        size = left;
      } else {
        size = x ? std::min(content_width(id, true), std::max(content_width(id, false), left)) : need;
      }
    }
    size = bounds.clamp(size);
    const double counted = size * factor_of(keys), unused_space = space - around.sum() - counted;
    const bool by_baseline = to_baseline >= 0 && !around.auto_before && !around.auto_after;
    const double begins = by_baseline ? to_baseline : ahead(around, unused_space, align, scrolls(parent, x));
    return {around.before + begins + (counted - size) / 2, size};
  }

  /// Where the content box begins and ends; what is smaller than its padding has one of 0 behind the padding at its
  /// start.
  std::pair<double, double> content_box(const Keys& keys, bool x, double size, double whole) const {
    const double start = before(keys, x, whole), end = size - after(keys, x, whole);
    if (start <= end) return {start, end};
    return x && rtl_ ? std::pair(end, end) : std::pair(start, start);
  }

  // --- places ------------------------------------------------------------------------------------------------------

  void place(NodeId node, Rect box, double whole_x, double whole_y) {
    boxes_[node] = box;
    const Keys keys = tree_.keys(node);
    if (!is_container(keys.kind)) return;
    const double inner_w = std::max(0.0, box.width - inset(keys, true, whole_x));
    const double inner_h = std::max(0.0, box.height - inset(keys, false, whole_y));
    auto lines = lines_of(node, inner_w);
    struct Final {
      double y, height, whole;
    };
    std::map<NodeId, Final> upright;
    bool flip_x = keys.kind == Kind::row ? keys.reverse != rtl_ : rtl_, flip_y = false;

    if (keys.kind == Kind::row) {
      std::vector<double> heights;
      for (const auto& line : lines)
        heights.push_back(keys.wrap ? row_line_height(keys, line, inner_w, inner_h).first : inner_h);
      const auto tops = lines_shared(keys, heights, inner_h, false);
      for (std::size_t i = 0; i < lines.size(); ++i) {
        const double ascent = row_line_height(keys, lines[i], inner_w, inner_h).second;
        for (const Laid& laid : lines[i]) {
          double to_baseline = none;
          if (on_baseline(keys, laid.keys)) {
            to_baseline = std::max(0.0, ascent - margin(laid.keys, false, inner_h).before -
                                            baseline_down(laid.id, laid.width, inner_w, inner_h));
          }
          const double need = content_height(laid.id, laid.width, inner_w);
          const auto [at, size] = fitted(keys, laid.id, laid.keys, false, heights[i], inner_h,
                                         laid.keys.place_self.across.value_or(keys.across), false, need, to_baseline);
          upright[laid.id] = {tops[i] + at, size, inner_h};
        }
      }
    } else if (keys.kind == Kind::stack) {
      for (const auto& line : lines) {
        for (const Laid& laid : line) {
          const double need = content_height(laid.id, laid.width, inner_w);
          const auto [at, size] =
              fitted(keys, laid.id, laid.keys, false, inner_h, inner_h,
                     laid.keys.place_self.y.value_or(keys.place_items.y.value_or(Across::start)), false, need, none);
          upright[laid.id] = {at, size, inner_h};
        }
      }
    } else if (keys.kind == Kind::grid) {
      const GridAxis rows = grid_axis(node, false, PlainQuestion::space, inner_w, inner_h);
      for (std::size_t i = 0; !lines.empty() && i < lines[0].size(); ++i) {
        const Laid& laid = lines[0][i];
        const auto [slot_at, slot_size] = slot_in(rows, i, false);
        const double need = content_height(laid.id, laid.width, laid.whole);
        const Across own = laid.keys.place_self.y.value_or(keys.place_items.y.value_or(Across::stretch));
        const auto [at, size] = fitted(keys, laid.id, laid.keys, false, slot_size, slot_size, own, false, need, none);
        upright[laid.id] = {slot_at + at, size, slot_size};
      }
    } else if (!lines.empty()) {
      flip_y = keys.reverse;
      auto [all, items] = items_down(node, lines[0], inner_w, inner_h);
      const auto ranges = broken(keys, all, items, false, inner_h, flip_y);
      std::vector<double> widths;
      for (const auto& [first, last] : ranges) {
        const auto at = laid_along(keys, all, items, first, last, false, inner_h, flip_y);
        double widest = 0;
        for (std::size_t i = first; i < last; ++i) {
          const double height = items[i].size / factor_of(all[i].keys);
          upright[all[i].id] = {at[i - first] + (items[i].size - height) / 2, height, inner_h};
          widest =
              std::max(widest, lines[0][i].width * factor_of(all[i].keys) + margin(all[i].keys, true, inner_w).sum());
        }
        widths.push_back(widest);
      }
      if (keys.wrap) {
        const auto lefts = lines_shared(keys, widths, inner_w, true);
        for (std::size_t k = 0; k < ranges.size(); ++k) {
          for (std::size_t i = ranges[k].first; i < ranges[k].second; ++i) {
            Across align = all[i].keys.place_self.across.value_or(keys.across);
            if (align == Across::stretch || align == Across::baseline) align = Across::start;
            Keys fixed = all[i].keys;  // its width stands
            fixed.width = lines[0][i].width;
            fixed.min_width = fixed.max_width = std::nullopt;
            lines[0][i].x =
                lefts[k] + fitted(keys, all[i].id, fixed, true, widths[k], inner_w, align, rtl_, none, none).first;
          }
        }
      }
    }

    for (const auto& line : lines) {
      for (const Laid& laid : line) {
        const auto [y, height, whole_down] = upright.at(laid.id);
        Rect own{0, 0, laid.width, height};
        const auto [left, right] = content_box(keys, true, box.width, whole_x);
        const auto [above, below] = content_box(keys, false, box.height, whole_y);
        own.x = flip_x ? right - laid.x - laid.width : left + laid.x;
        own.y = flip_y ? below - y - height : above + y;
        if (keys.kind == Kind::stack) {
          own.x += laid.keys.nudge.x;
          own.y += laid.keys.nudge.y;
        }
        own.x += box.x;
        own.y += box.y;
        place(laid.id, own, laid.whole, whole_down);
      }
    }
    place_all_pinned(node, keys, box, whole_x, whole_y);
  }

  /// Where lines begin across, and their sizes when they stretch.
  std::vector<double> lines_shared(const Keys& keys, std::vector<double>& sizes, double inner, bool x) const {
    if (!keys.wrap) return std::vector<double>(sizes.size(), 0);
    const double gap = px(keys, x ? keys.gap.x : keys.gap.y, inner);
    double unused_space = inner;
    for (const double size : sizes) unused_space -= size;
    if (!sizes.empty()) unused_space -= gap * static_cast<double>(sizes.size() - 1);
    const PlaceContent rest = x ? keys.place_content.x : keys.place_content.y;
    auto [at, between] = spread(rest, unused_space, sizes.size(), scrolls(keys, x));
    std::vector<double> places;
    for (double& size : sizes) {
      if (rest == PlaceContent::stretch && unused_space > 0) size += unused_space / static_cast<double>(sizes.size());
      places.push_back(at);
      at += size + gap + between;
    }
    return places;
  }

  struct Pinned {
    Child child;
    std::array<int, 2> mark{};  // 1 while those that it waits for are placed, 2 behind that
    std::array<double, 2> at{}, size{};
  };

  /// First all sideways, then all up and down: those that are tied behind those that they are tied to.
  void place_all_pinned(NodeId node, const Keys& parent, Rect box, double whole_x, double whole_y) {
    const auto border = [&](Side side, double whole) {
      return parent.border_at == BorderAt::inside ? px(parent, parent.border.on(side, rtl_).length(), whole) : 0;
    };
    const double left = border(Side::left, whole_x), top = border(Side::top, whole_y);
    const double space_x = std::max(0.0, box.width - left - border(Side::right, whole_x));
    const double space_y = std::max(0.0, box.height - top - border(Side::bottom, whole_y));
    const Rect space{box.x + left, box.y + top, space_x, space_y};
    std::vector<Pinned> all;
    for (const Child& child : children(node)) {
      if (child.keys.pin) all.push_back({child});
    }
    const bool late = parent.kind == Kind::column && parent.wrap;
    for (Pinned& one : all) settle(one, true, node, space, late, all);
    for (Pinned& one : all) settle(one, false, node, space, late, all);
    for (const Pinned& one : all) {
      place(one.child.id, {one.at[0], one.at[1], one.size[0], one.size[1]}, space_x, space_y);
    }
  }

  void settle(Pinned& one, bool x, NodeId parent, const Rect& space, bool late, std::vector<Pinned>& all) {
    const std::size_t axis = x ? 0 : 1;
    if (one.mark[axis] != 0) return;
    one.mark[axis] = 1;
    const Pin& pin = *one.child.keys.pin;
    const auto sibling_of = [&](const Tie& tie) -> NodeId {
      for (const Child& child : children(parent)) {
        if (tree_.segment(child.id) == tie.to && child.id != one.child.id) return child.id;
      }
      return {};
    };
    const auto pinned_of = [&](NodeId node) -> Pinned* {
      for (Pinned& other : all) {
        if (other.child.id == node) return &other;
      }
      return nullptr;
    };
    for (const Ties::SideTie& tied : pin.ties) {
      if ((axis_of(tied.side) == x_axis) != x) continue;
      if (Pinned* other = pinned_of(sibling_of(tied.tie))) settle(*other, x, parent, space, late, all);
    }
    // A distance on each side, a tie turned into one.
    std::array<Limit, 8> side;
    std::array<bool, 8> is_tied{};
    for (std::size_t i = 0; i < side.size(); ++i) {
      const auto which = static_cast<PinSide>(i);
      side[i] = pin.distance(which);
      if ((axis_of(which) == x_axis) != x || !pin.has_tie(which)) continue;
      is_tied[i] = true;
      side[i] = Length(0);
      bool any = false;
      for (const Ties::SideTie& tied : pin.ties) {
        if (tied.side != which) continue;
        const NodeId sibling = sibling_of(tied.tie);
        const Pinned* other = pinned_of(sibling);
        if (!sibling || (other == nullptr && x && late) || (other != nullptr && other->mark[axis] == 1)) continue;
        double low = 0, extent = 0;
        if (other != nullptr) {
          low = other->at[axis];
          extent = other->size[axis];
        } else {
          low = x ? boxes_[sibling].x : boxes_[sibling].y;
          extent = x ? boxes_[sibling].width : boxes_[sibling].height;
        }
        const PinSide edge = tied.tie.edge;
        const bool at_end =
            edge == PinSide::right || edge == PinSide::bottom || edge == (rtl_ ? PinSide::start : PinSide::end);
        const bool in_middle = edge == PinSide::middle_x || edge == PinSide::middle_y;
        const double whole = x ? space.width : space.height;
        double plus = px(one.child.keys, tied.tie.plus, whole);
        if (rtl_ && (edge == PinSide::start || edge == PinSide::end)) plus = -plus;
        const double at = low + (in_middle ? extent / 2 : at_end ? extent : 0) - (x ? space.x : space.y) + plus;
        const bool far =
            which == PinSide::right || which == PinSide::bottom || which == (rtl_ ? PinSide::start : PinSide::end);
        const bool middle = which == PinSide::middle_x || which == PinSide::middle_y;
        const double away = far ? whole - at : middle ? at - whole / 2 : at;
        side[i] = any ? std::max(side[i]->amount(), away) : away;
        any = true;
      }
    }
    const auto of = [&](PinSide which) { return static_cast<std::size_t>(which); };
    const auto first = [&](PinSide one_side, PinSide other) { return side[of(one_side)] ? of(one_side) : of(other); };
    const std::size_t near = x ? first(PinSide::left, rtl_ ? PinSide::end : PinSide::start) : of(PinSide::top);
    const std::size_t far = x ? first(PinSide::right, rtl_ ? PinSide::start : PinSide::end) : of(PinSide::bottom);
    const std::size_t middle = x ? of(PinSide::middle_x) : of(PinSide::middle_y);
    const bool from_far = x && rtl_ && !side[of(PinSide::left)] && !side[of(PinSide::right)];
    const double whole = x ? space.width : space.height;
    // A single tie leaves all of the space.
    const bool both = side[near] && side[far];
    const bool keeps_space = !both && ((side[near] && is_tied[near]) || (side[far] && is_tied[far]));
    const double need = x ? none : content_height(one.child.id, one.size[0], space.width);
    const auto [at, size] =
        pinned(one.child, x, whole, side[near], side[far], side[middle], from_far, need, keeps_space);
    one.at[axis] = (x ? space.x : space.y) + at;
    one.size[axis] = size;
    one.mark[axis] = 2;
  }

  std::pair<double, double> pinned(const Child& child, bool x, double whole, const Limit& near, const Limit& far,
                                   const Limit& center, bool from_far, double need, bool keeps_space) const {
    const Margin around = margin(child.keys, x, whole);
    const double a = near ? px(child.keys, *near, whole) : 0, b = far ? px(child.keys, *far, whole) : 0;
    const double space = std::max(0.0, whole - (keeps_space ? 0 : a + b) - around.sum());
    const Sizing::Way way = (x ? child.keys.width : child.keys.height).way();
    const bool keeps_shape = child.keys.kind == Kind::image || (!x && has_shape(child.keys));
    double size = given(child.keys, x, whole);
    const bool unset = size < 0 && (way == Sizing::Way::by_space || (way == Sizing::Way::by_container && !keeps_shape));
    const bool tied = near && far && unset;
    if (size < 0) {
      if (tied || way == Sizing::Way::by_space) {
        size = space / factor_of(child.keys);
      } else {
        const double left = space / factor_of(child.keys);
        size = x ? std::min(content_width(child.id, true), std::max(content_width(child.id, false), left)) : need;
      }
    }
    size = bounded(child.keys, x, whole, whole).clamp(size);
    const double low = a + around.before, high = whole - b - around.after - size;
    if (near && far) return {from_far ? high : low, size};
    if (near) return {low, size};
    if (far) return {high, size};
    if (center) return {(whole - size) / 2 + px(child.keys, *center, whole), size};
    return {from_far ? high : low, size};
  }

  const Tree& tree_;
  double em_;
  bool rtl_;
  std::map<NodeId, Rect> boxes_;
};

}  // namespace

std::map<NodeId, Rect> arrange_plainly(const Tree& tree, ContainerSize container_size) {
  return Plain(tree).arrange(container_size);
}

}  // namespace fond_ladder::testing
