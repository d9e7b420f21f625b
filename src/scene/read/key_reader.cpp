// SPDX-License-Identifier: MIT
//
// One overload for every type that a key can have. Each says what it expects if it gets something else.
#include "scene/read/key_reader.hpp"

#include "model/nearest_word.hpp"

#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>
#include <cmath>

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

/// Raised inside this file only, to leave a half-read value.
struct WrongValue {
  ValueId where;
  std::string message;
  bool at_key = false;
};

constexpr std::string_view length_forms = "a number (pixels), \"2.5em\", \"24ch\" or \"40%\"";

/// The unit that a length in a text ends with.
std::optional<Length::Unit> unit_of(std::string_view word) {
  if (word == "em") return Length::Unit::em;
  if (word == "ch") return Length::Unit::ch;
  if (word == "%") return Length::Unit::percent;
  return {};
}
constexpr std::string_view track_forms =
    "a length, \"content\", \"min-content\", \"max-content\", a share as in \"2fr\", or an object of min and max";

class ValueReader {
 public:
  ValueReader(const JsonDocument& document, ValueId value) : document_(document), id_(value) {}

  void read(bool& into) const {
    if (is(Type::boolean)) {
      into = value().boolean;
    } else {
      fail("must be true or false");
    }
  }
  void read(Virtualized& into) const { read(into.on); }
  void read(double& into) const {
    if (!is(Type::number)) fail("must be a number" + bare_number_hint());
    into = value().number;
  }
  void read(std::optional<double>& into) const { into = number(); }
  void read(std::optional<int>& into) const { into = whole_number("must be a whole number"); }
  void read(std::string& into) const {
    if (!is(Type::string)) fail("must be a text in quotes");
    into = value().text;
  }
  void read(Limit& into) const { into = length(length_forms); }
  void read(Order& into) const {
    constexpr auto forms = "must be a whole number, \"first\" or \"last\"";
    if (text() == "first") {
      into.rank = Order::first;
    } else if (text() == "last") {
      into.rank = Order::last;
    } else {
      into.rank = whole_number(forms);
    }
  }
  void read(Sizing& into, bool allows_fill) const {
    const std::string forms =
        std::string(length_forms) + (allows_fill ? ", \"content\" or \"fill\"" : ", or \"content\"");
    if (text() == "content") {
      into = content;
    } else if (text() == "fill" && allows_fill) {
      into = fill;
    } else {
      into = length(forms);
    }
  }
  void read(Pair& into) const {
    const std::array<ValueId, 2> both = two_items();
    ValueReader(document_, both[0]).read(into.x);
    ValueReader(document_, both[1]).read(into.y);
  }
  void read(Gap& into) const {
    if (!is(Type::object)) {
      into = Gap(length(std::string(length_forms) + ", or an object of x and y"));
      return;
    }
    const std::array<std::string_view, 2> words{"x", "y"};
    for_each_member(words, [&](std::size_t i, const ValueReader& member) {
      (i == 0 ? into.x : into.y) = member.length(length_forms);
    });
  }
  void read(Edges& into, bool allows_auto) const {
    if (!is(Type::object)) {
      into = Edges(length(std::string(length_forms) + ", or an object of sides"));
      return;
    }
    for_each_member(side_words, [&](std::size_t i, const ValueReader& member) {
      if (allows_auto && member.text() == "auto") {
        into.set(static_cast<Side>(i), automatic);
      } else {
        into.set(static_cast<Side>(i), member.length(std::string(length_forms) + (allows_auto ? ", or \"auto\"" : "")));
      }
    });
  }
  void read(std::optional<Pin>& into) const {
    if (!is(Type::object)) fail("must be an object of left, right, top, bottom, start, end, middle_x, middle_y");
    Pin pin;
    for_each_member(words_of<PinSide>, [&](std::size_t i, const ValueReader& member) {
      const auto side = static_cast<PinSide>(i);
      if (member.is(Type::array)) {
        if (member.value().first == no_value) member.fail("must tie at least one edge");
        for (ValueId id = member.value().first; id != no_value; id = document_[id].next) {
          pin.tied(side, ValueReader(document_, id).tie());
        }
      } else if (member.text().find('.') != std::string_view::npos && !member.is_length()) {
        pin.tied(side, member.tie());
      } else {
        pin.distance(side) =
            member.length(std::string(length_forms) + ", or tied to an edge as in \"photo.right + 12\"");
      }
    });
    into = std::move(pin);
  }
  void read(Tracks& into) const {
    if (is(Type::number)) {
      constexpr double largest = 1e6;
      const int count = whole_number("must be a list of tracks, or a number of equal tracks");
      if (count < 1 || count > largest) fail("must be from 1 to 10,000 equal tracks, or a list of tracks");
      into = Tracks(count);
      return;
    }
    if (!is(Type::array)) fail("must be a list of tracks, or a number of equal tracks");
    std::vector<Tracks::Run> runs;
    for (ValueId id = value().first; id != no_value; id = document_[id].next) {
      const ValueReader item(document_, id);
      if (item.is(Type::object) && document_.member(id, "repeat") != no_value) {
        runs.push_back(item.read_run());
        continue;
      }
      if (runs.empty() || runs.back().fitting || runs.back().times != 1) runs.emplace_back();
      item.read(runs.back().tracks.emplace_back());
    }
    into = Tracks(std::move(runs));
  }
  void read(Track& into) const {
    if (!is(Type::object)) {
      into = Track(track_size());
      return;
    }
    static constexpr std::array<std::string_view, 2> words{"min", "max"};
    Track track;
    for_each_member(words, [&](std::size_t i, const ValueReader& member) {
      (i == 0 ? track.min : track.max) = member.track_size();
    });
    into = track;
  }
  void read(std::vector<std::string>& into) const {
    if (!is(Type::array)) fail("must be a list of lines, each a text of names");
    std::vector<std::string> lines;
    for (ValueId id = value().first; id != no_value; id = document_[id].next) {
      ValueReader(document_, id).read(lines.emplace_back());
    }
    into = std::move(lines);
  }
  void read(std::vector<Range>& into) const {
    constexpr auto forms = "must be a list of objects, each with a \"name\" and bounds, as in \"below_width\": 320";
    if (!is(Type::array)) fail(forms);
    std::vector<Range> own;
    for (ValueId id = value().first; id != no_value; id = document_[id].next) {
      const ValueReader item(document_, id);
      if (!item.is(Type::object) || document_.member(id, "name") == no_value) item.fail(forms);
      static constexpr std::array<std::string_view, 3> words{"name", "from_width", "below_width"};
      Range& range = own.emplace_back();
      item.for_each_member(words, [&](std::size_t i, const ValueReader& member) {
        if (i == 0) return member.read(range.name);
        if (!member.is(Type::number)) member.fail("must have bounds that are sizes in pixels");
        (i == 1 ? range.from_width : range.below_width) = member.value().number;
      });
    }
    into = std::move(own);
  }
  void read(Allowed& into) const {
    if (!is(Type::array)) fail("must be a list of lint rules, as in [\"overhang\"]");
    Allowed allow;
    for (ValueId id = value().first; id != no_value; id = document_[id].next)
      allow.add_word(ValueReader(document_, id).index_of_word(Allowed::words));
    into = allow;
  }
  void read(std::optional<Cell>& into) const {
    const std::array<ValueId, 2> both = two_items();
    constexpr auto forms = "must be whole numbers: a column and a row, from 0";
    into =
        Cell{ValueReader(document_, both[0]).whole_number(forms), ValueReader(document_, both[1]).whole_number(forms)};
  }
  void read(CellSpan& into) const {
    const std::array<ValueId, 2> both = two_items();
    into = {ValueReader(document_, both[0]).tracks_spanned(), ValueReader(document_, both[1]).tracks_spanned()};
  }
  void read(PlaceContentPair& into) const {
    if (!is(Type::object)) {
      into = one_of<PlaceContent>();
      return;
    }
    static constexpr std::array<std::string_view, 2> words{"x", "y"};
    for_each_member(words, [&](std::size_t i, const ValueReader& member) {
      (i == 0 ? into.x : into.y) = member.one_of<PlaceContent>();
    });
  }
  void read(TextAlignPair& into) const {
    into = {};
    if (!is(Type::object)) {
      into.x = one_of<TextAlign>();
      return;
    }
    static constexpr std::array<std::string_view, 2> words{"x", "y"};
    for_each_member(words, [&](std::size_t i, const ValueReader& member) {
      (i == 0 ? into.x : into.y) = member.one_of<TextAlign>();
    });
  }
  void read(PlaceItems& into) const {
    if (!is(Type::object)) fail("must be an object of x and y");
    static constexpr std::array<std::string_view, 2> words{"x", "y"};
    for_each_member(
        words, [&](std::size_t i, const ValueReader& member) { (i == 0 ? into.x : into.y) = member.one_of<Across>(); });
  }
  void read(PlaceSelf& into) const {
    if (!is(Type::object)) {
      into.across = one_of<Across>();
      return;
    }
    static constexpr std::array<std::string_view, 3> words{"x", "y", "across"};
    const std::array<std::optional<Across>*, 3> fields{&into.x, &into.y, &into.across};
    for_each_member(words, [&](std::size_t i, const ValueReader& member) { *fields[i] = member.one_of<Across>(); });
  }
  void read(Scroll& into) const {
    const std::span<const std::string_view> words = std::span(words_of<Scroll>).subspan(1);
    into = static_cast<Scroll>(1 + index_of_word(words));
  }
  template <class Word>
  requires std::is_enum_v<Word>
  void read(Word& into) const { into = one_of<Word>(); }

 private:
  [[nodiscard]] JsonValue value() const { return document_[id_]; }
  [[nodiscard]] bool is(Type type) const { return value().type == type; }
  [[nodiscard]] std::string_view text() const { return is(Type::string) ? std::string_view(value().text) : ""; }
  [[noreturn]] void fail(std::string message) const { throw WrongValue{id_, std::move(message)}; }

  [[nodiscard]] double number() const {
    double number = 0;
    read(number);
    return number;
  }
  [[nodiscard]] int whole_number(const char* forms) const {
    constexpr double largest = 1e9;
    if (!is(Type::number) || value().number != std::floor(value().number) || std::abs(value().number) > largest) {
      fail(forms);
    }
    return static_cast<int>(value().number);
  }
  [[nodiscard]] int tracks_spanned() const {
    constexpr auto forms = "must be two whole numbers from 1, or \"all\"";
    if (text() == "all") return CellSpan::all;
    const int count = whole_number(forms);
    return count == CellSpan::all ? -1 : count;
  }
  [[nodiscard]] TrackSize track_size() const {
    if (text() == "content") return content;
    if (text() == "min-content") return min_content;
    if (text() == "max-content") return max_content;
    if (text().ends_with("fr")) {
      double factor = 0;
      const char* end = text().data() + text().size() - 2;
      const auto read = std::from_chars(text().data(), end, factor);
      if (read.ec == std::errc() && read.ptr == end) return fr(factor);
    }
    return length(track_forms);
  }
  [[nodiscard]] Tracks::Run read_run() const {
    static constexpr std::array<std::string_view, 3> words{"repeat", "tracks", "empty"};
    Tracks::Run run;
    for_each_member(words, [&](std::size_t i, const ValueReader& member) {
      if (i == 0) {
        run.fitting = member.text() == "fitting";
        if (!run.fitting) run.times = member.whole_number("must have a number of times, or \"fitting\"");
      } else if (i == 1) {
        if (!member.is(Type::array)) member.fail("must repeat a list of tracks");
        for (ValueId id = member.value().first; id != no_value; id = document_[id].next) {
          ValueReader(document_, id).read(run.tracks.emplace_back());
        }
      } else {
        static constexpr std::array<std::string_view, 2> kept{"keep", "drop"};
        run.empty = static_cast<Empty>(member.index_of_word(kept));
      }
    });
    return run;
  }
  /// For `"240px"`, `"240 px"` and `"240"`: " without quotes or unit; write 240"; empty for all others.
  [[nodiscard]] std::string bare_number_hint() const {
    double number = 0;
    const std::string_view written = text();
    const auto read = std::from_chars(written.data(), written.data() + written.size(), number);
    const std::string_view digits = written.substr(0, static_cast<std::size_t>(read.ptr - written.data()));
    std::string_view rest = written.substr(digits.size());
    if (rest.starts_with(' ')) rest.remove_prefix(1);
    const bool is_bare = read.ec == std::errc() && std::isfinite(number) && (rest.empty() || rest == "px");
    return is_bare ? " without quotes or unit; write " + std::string(digits) : "";
  }
  [[nodiscard]] Length length(std::string_view forms) const {
    try {
      if (is(Type::number)) return value().number;
      if (is(Type::string)) {
        double amount = 0;
        const char* end = value().text.data() + value().text.size();
        const auto read = std::from_chars(value().text.data(), end, amount);
        const auto unit = unit_of({read.ptr, end});
        if (read.ec == std::errc() && unit) return {amount, *unit};
      }
    } catch (const BadValue&) {
      fail("must be a number from -1e9 to 1e9");
    }
    const std::string hint = bare_number_hint();
    fail("must be " + (hint.empty() ? std::string(forms) : "a number of pixels" + hint));
  }
  [[nodiscard]] bool is_length() const {
    return is(Type::number) || (is(Type::string) && !text().empty() &&
                                (std::isdigit(static_cast<unsigned char>(text()[0])) != 0 || text()[0] == '-'));
  }
  /// `photo.right + 12`: an edge of a sibling, plus or minus a length.
  [[nodiscard]] Tie tie() const {
    constexpr auto forms = "must be tied to an edge of a sibling, as in \"photo.right + 12\"";
    if (!is(Type::string)) fail(forms);
    std::string_view rest = text();
    const std::size_t sign = rest.find(' ');
    const std::string_view edge = rest.substr(0, sign);
    const std::size_t dot = edge.rfind('.');
    if (dot == std::string_view::npos || dot == 0) fail(forms);
    Tie tie;
    tie.to = std::string(edge.substr(0, dot));
    const std::string_view word = edge.substr(dot + 1);
    const auto found = std::ranges::find(words_of<PinSide>, word);
    if (found == words_of<PinSide>.end())
      fail("\"" + std::string(word) + "\" is not an edge" + word_hint(word, words_of<PinSide>));
    tie.edge = static_cast<PinSide>(found - words_of<PinSide>.begin());
    if (sign == std::string_view::npos) return tie;
    rest.remove_prefix(sign);
    if (rest.size() < 4 || (rest[1] != '+' && rest[1] != '-') || rest[2] != ' ') fail(forms);
    double amount = 0;
    const char* end = rest.data() + rest.size();
    const auto read = std::from_chars(rest.data() + 3, end, amount);
    const auto unit = read.ptr == end ? Length::Unit::px : unit_of({read.ptr, end});
    if (read.ec != std::errc() || amount < 0 || !unit) fail(forms);
    if (rest[1] == '-') amount = -amount;
    try {
      tie.plus = Length(amount, *unit);
    } catch (const BadValue&) {
      fail("must be a number from -1e9 to 1e9");
    }
    return tie;
  }
  [[nodiscard]] std::size_t index_of_word(std::span<const std::string_view> words) const {
    for (std::size_t i = 0; i < words.size(); ++i) {
      if (is(Type::string) && words[i] == text()) return i;
    }
    std::string message = "must be ";
    for (std::size_t i = 0; i < words.size(); ++i) {
      message += std::string(i == 0 ? "" : i + 1 == words.size() ? " or " : ", ") + std::string(words[i]);
    }
    const std::string_view ours = known_elsewhere(text(), Vocabulary::words);
    const std::string_view near = nearest_word(text(), words);
    if (!near.empty()) message += "; did you mean \"" + std::string(near) + "\"?";
    fail(near.empty() && !ours.empty() ? message + "; here that is " + std::string(ours) : message);
  }
  template <class Word>
  [[nodiscard]] Word one_of() const {
    return static_cast<Word>(index_of_word(words_of<Word>));
  }
  [[nodiscard]] std::array<ValueId, 2> two_items() const {
    const ValueId first = is(Type::array) ? value().first : no_value;
    const ValueId second = first == no_value ? no_value : document_[first].next;
    if (second == no_value || document_[second].next != no_value) fail("must be a list of two numbers");
    return {first, second};
  }
  template <class Take>
  void for_each_member(std::span<const std::string_view> words, Take take) const {
    for (ValueId id = value().first; id != no_value; id = document_[id].next) {
      const std::string& key = document_[id].key;
      std::size_t i = 0;
      while (i < words.size() && words[i] != key) ++i;
      if (i == words.size()) throw WrongValue{id, "unknown key \"" + key + "\"" + word_hint(key, words), true};
      take(i, ValueReader(document_, id));
    }
  }

  const JsonDocument& document_;
  ValueId id_;
};

}  // namespace

bool read_key(const KeyEntry& entry, const JsonDocument& document, ValueId value, Keys& keys, Faults& faults) {
  const ValueReader reader(document, value);
  const std::string name = "\"" + std::string(entry.name) + "\" ";
  bool sound = true;
  try {
    std::visit(
        [&](auto field) {
          static const Keys defaults;
          auto& kept = keys.*field;
          using Value = std::remove_cvref_t<decltype(kept)>;
          Value read = defaults.*field;  // a key is replaced as a whole
          if constexpr (std::is_same_v<Value, Sizing>) {
            reader.read(read, entry.domain != Domain::no_fill);
          } else if constexpr (std::is_same_v<Value, Edges>) {
            reader.read(read, entry.domain == Domain::any);
          } else {
            reader.read(read);
          }
          std::swap(kept, read);
          if (const auto fault = fault_of(entry, keys)) {
            faults.add(document, value, name + *fault);
            kept = std::move(read);
            sound = false;
          }
        },
        entry.field);
  } catch (const WrongValue& wrong) {
    faults.add(document, wrong.where, wrong.at_key ? wrong.message : name + wrong.message, wrong.at_key);
    sound = false;
  }
  return sound;
}

}  // namespace fond_ladder::inline v0::scene
