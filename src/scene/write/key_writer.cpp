// SPDX-License-Identifier: MIT
//
// One overload for every type a key can have: the other half of key_reader.cpp.
#include "scene/write/key_writer.hpp"

#include <cmath>

#include "model/json_text.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

std::string in_quotes(std::string_view word) {
  return '"' + std::string(word) + '"';
}

std::string text_of(const Length& length) {
  switch (length.unit()) {
    case Length::Unit::px: return exact(length.amount());
    case Length::Unit::em: return in_quotes(exact(length.amount()) + "em");
    case Length::Unit::ch: return in_quotes(exact(length.amount()) + "ch");
    case Length::Unit::percent: return in_quotes(exact(length.amount()) + "%");
  }
  return "0";
}

std::string text_of(const TrackSize& size) {
  switch (size.way()) {
    case TrackSize::Way::by_length: return text_of(size.length());
    case TrackSize::Way::by_content: return in_quotes("content");
    case TrackSize::Way::by_min_content: return in_quotes("min-content");
    case TrackSize::Way::by_max_content: return in_quotes("max-content");
    case TrackSize::Way::by_share: return in_quotes(exact(size.share()) + "fr");
  }
  return "0";
}

class ValueWriter {
 public:
  ValueWriter(JsonPage& page, std::string_view key) : page_(page), key_(key) {}

  void write(bool value) const { put(value ? "true" : "false"); }
  void write(double value) const { put(exact(value)); }
  void write(int value) const { put(exact(value)); }
  void write(const std::string& text) const { put(json_text(text)); }
  void write(const Length& length) const { put(text_of(length)); }
  template <class T>
  void write(const std::optional<T>& value) const {
    if (value) {
      write(*value);
    } else {
      put("null");
    }
  }
  void write(const Order& order) const {
    put(order.rank == Order::first  ? in_quotes("first")
        : order.rank == Order::last ? in_quotes("last")
                                    : exact(order.rank));
  }
  void write(const Sizing& sizing) const {
    switch (sizing.way()) {
      case Sizing::Way::by_container: return put("null");
      case Sizing::Way::by_length: return write(sizing.length());
      case Sizing::Way::by_content: return put(in_quotes("content"));
      case Sizing::Way::by_space: return put(in_quotes("fill"));
    }
  }
  void write(const Virtualized& view) const { put(view.on ? "true" : "false"); }
  void write(const Pair& pair) const { list({exact(pair.x), exact(pair.y)}); }
  void write(const Gap& gap) const {
    if (gap.x == gap.y) return write(gap.x);
    object({{"x", text_of(gap.x)}, {"y", text_of(gap.y)}});
  }
  void write(const Edges& edges) const {
    Members members;
    const auto add = [&](std::string_view word, const std::optional<Edge>& edge) {
      if (edge) members.emplace_back(word, edge->is_automatic() ? in_quotes("auto") : text_of(edge->length()));
    };
    const std::optional<Edge> second_slope = edges.given(Side::x);
    if (second_slope && !second_slope->is_automatic() && edges == Edges(second_slope->length()))
      return write(second_slope->length());
    for (std::size_t i = 0; i < side_words.size(); ++i) add(side_words[i], edges.given(static_cast<Side>(i)));
    object(members);
  }
  void write(const Pin& pin) const {
    Members members;
    for (std::size_t i = 0; i < words_of<PinSide>.size(); ++i) {
      const auto side = static_cast<PinSide>(i);
      std::vector<std::string> ties;
      for (const Ties::SideTie& one : pin.ties) {
        if (one.side == side) ties.push_back(in_quotes(tie_text(one.tie)));
      }
      if (ties.size() == 1) members.emplace_back(word(side), ties[0]);
      if (ties.size() > 1) members.emplace_back(word(side), "[" + joined(ties) + "]");
      if (const Limit& distance = pin.distance(side)) members.emplace_back(word(side), text_of(*distance));
    }
    object(members);
  }
  void write(const PlaceContentPair& rest) const {
    if (rest.x == rest.y) return put(in_quotes(word(rest.x)));
    object({{"x", in_quotes(word(rest.x))}, {"y", in_quotes(word(rest.y))}});
  }
  void write(const TextAlignPair& align) const {
    if (align.y == TextAlign::start) return put(in_quotes(word(align.x)));
    Members members;
    if (align.x != TextAlign::start) members.emplace_back("x", in_quotes(word(align.x)));
    members.emplace_back("y", in_quotes(word(align.y)));
    object(members);
  }
  void write(const PlaceItems& align) const { object(words({{"x", align.x}, {"y", align.y}})); }
  void write(const PlaceSelf& place_self) const {
    if (place_self.across && !place_self.x && !place_self.y) return put(in_quotes(word(*place_self.across)));
    object(words({{"x", place_self.x}, {"y", place_self.y}, {"across", place_self.across}}));
  }
  void write(const Cell& cell) const { list({exact(cell.column), exact(cell.row)}); }
  void write(const CellSpan& span) const {
    const auto count = [](int tracks) { return tracks == CellSpan::all ? in_quotes("all") : exact(tracks); };
    list({count(span.columns), count(span.rows)});
  }
  void write(const std::vector<std::string>& lines) const {
    std::vector<std::string> items;
    for (const std::string& line : lines) items.push_back(json_text(line));
    list(items);
  }
  void write(const std::vector<Range>& ranges) const {
    page_.open('[', key_);
    for (const Range& range : ranges) {
      page_.open('{');
      page_.value("name", json_text(range.name));
      if (range.from_width) page_.value("from_width", exact(*range.from_width));
      if (range.below_width) page_.value("below_width", exact(*range.below_width));
      page_.close();
    }
    page_.close();
  }
  void write(const Allowed& allow) const {
    std::vector<std::string> items;
    for (std::size_t i = 0; i < Allowed::words.size(); ++i) {
      if (allow.has_word(i)) items.push_back(in_quotes(Allowed::words[i]));
    }
    list(items);
  }
  void write(const Track& track) const {
    if (track == Track(track.max)) return put(text_of(track.max));
    object({{"min", text_of(track.min)}, {"max", text_of(track.max)}});
  }
  void write(const Tracks& tracks) const {
    const std::vector<Tracks::Run>& runs = tracks.runs();
    if (runs.size() == 1 && !runs[0].fitting && tracks == Tracks(runs[0].times)) return put(exact(runs[0].times));
    page_.open('[', key_);
    bool behind_once = false;  // behind a run of once, which would take in tracks that are written one by one
    for (const Tracks::Run& run : runs) {
      const ValueWriter item(page_, {});
      const bool once = !run.fitting && run.times == 1;
      const bool joins = std::exchange(behind_once, once);
      if (once && !joins) {
        for (const Track& track : run.tracks) item.write(track);
        continue;
      }
      page_.open('{');
      page_.value("repeat", run.fitting ? in_quotes("fitting") : exact(run.times));
      page_.open('[', "tracks");
      for (const Track& track : run.tracks) item.write(track);
      page_.close();
      if (run.empty == Empty::drop) page_.value("empty", in_quotes("drop"));
      page_.close();
    }
    page_.close();
  }
  template <class Word>
  requires std::is_enum_v<Word>
  void write(Word value) const {
    put(std::is_same_v<Word, Scroll> && value == Word{} ? "null" : in_quotes(word(value)));
  }

 private:
  using Members = std::vector<std::pair<std::string_view, std::string>>;

  static std::string joined(const std::vector<std::string>& items) {
    std::string text;
    for (const std::string& item : items) text += (text.empty() ? "" : ", ") + item;
    return text;
  }
  /// `photo.right + 12`.
  static std::string tie_text(const Tie& tie) {
    std::string text = tie.to + "." + std::string(word(tie.edge));
    if (tie.plus.amount() == 0) return text;
    const bool less = tie.plus.amount() < 0;
    std::string plus = text_of(Length(std::abs(tie.plus.amount()), tie.plus.unit()));
    std::erase(plus, '"');
    return text + (less ? " - " : " + ") + plus;
  }
  void put(std::string_view json) const { page_.value(key_, json); }
  void list(const std::vector<std::string>& items) const {
    page_.open('[', key_);
    for (const std::string& item : items) page_.value({}, item);
    page_.close();
  }
  void object(const Members& members) const {
    page_.open('{', key_);
    for (const auto& [word, value] : members) page_.value(word, value);
    page_.close();
  }
  static Members words(std::initializer_list<std::pair<std::string_view, std::optional<Across>>> given) {
    Members members;
    for (const auto& [key, across] : given) {
      if (across) members.emplace_back(key, in_quotes(word(*across)));
    }
    return members;
  }

  JsonPage& page_;
  std::string_view key_;
};

}  // namespace

void write_key(const KeyEntry& entry, const Keys& keys, JsonPage& page, std::string_view key) {
  std::visit([&](auto field) { ValueWriter(page, key).write(keys.*field); }, entry.field);
}

std::string value_text(const KeyEntry& entry, const Keys& keys) {
  JsonPage page;
  write_key(entry, keys, page, {});
  return page.line();
}

}  // namespace fond_ladder::inline v0::scene
