// SPDX-License-Identifier: MIT
//
// The interface of the engine in the page: a scene's text, a byte 0, and bytes that choose calls and what they are
// given. Nothing throws out of it, what is refused says why, and what it answers as JSON is JSON.
#include <array>
#include <cmath>
#include <cstring>
#include <limits>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "scene_changes.hpp"
#include "support/draws.hpp"
#include "trouble.hpp"

extern "C" {
char* fl_input_buffer(std::size_t bytes);
const char* fl_answer();
std::size_t fl_answer_bytes();
const char* fl_message();
std::size_t fl_message_bytes();
int fl_open();
int fl_form();
int fl_apply();
int fl_undo();
int fl_redo();
int fl_pieces();
int fl_describe();
int fl_scene_text();
int fl_tidy_text();
std::size_t fl_solve(double width, double height);
int fl_has_other_nodes();
const double* fl_boxes();
const std::uint32_t* fl_issues();
int fl_status();
int fl_hit_test(double x, double y);
int fl_handles(std::size_t place);
int fl_drop_target(double x, double y, std::size_t carried);
int fl_scroll(double x, double y, double by_x, double by_y);
int fl_scroll_to(std::size_t place, double x, double y);
int fl_scrollers();
int fl_ties(std::size_t place);
int fl_possible_ties(std::size_t place, std::size_t side);
int fl_tie(std::size_t place, std::size_t side, double x, double y);
std::size_t fl_paint(double x, double y, double scale, double width, double height, int bare);
const double* fl_strokes();
int fl_ask();

/// As wide as letters are about; what the page asks the browser.
double fond_ladder_letter_width(const char* /*text*/, std::size_t bytes, int /*face*/) {
  return 0.5 * static_cast<double>(bytes);
}
}

namespace fond_ladder::fuzz {
namespace {

using Texts = std::vector<std::string>;

/// Puts texts into the space, a byte 0 between them.
void say(const Texts& texts) {
  std::string all;
  for (const std::string& text : texts) all += (&text == texts.data() ? "" : std::string(1, '\0')) + text;
  std::memcpy(fl_input_buffer(all.size()), all.data(), all.size());
}

std::string_view answer() {
  return {fl_answer(), fl_answer_bytes()};
}

/// What was answered as JSON, or refused in words.
void expect_json(bool done, std::string_view what) {
  if (!done) return expect(!answer().empty(), "it is refused for nothing");
  expect(nlohmann::json::accept(answer()), what);
}

const std::vector<Texts> forms{{"", "", ""},      {"long", "", ""},     {"", "0.3", ""},
                               {"", "", "fixed"}, {"", "", "", "open"}, {"nobody", "-1", "x", "y"}};
const std::vector<Texts> changes{{"try", "a.width=30"}, {"try", "*.gap=4"},      {"remove", "a"},
                                 {"move", "a=b:0"},     {"group", "a=row:held"}, {"insert", "a:0={\"kind\":\"box\"}"},
                                 {"ungroup", "a"},      {"duplicate", "a=twin"}, {"paint", "a"},
                                 {"try", "a.kind=grid"}};
const std::vector<Texts> commands{{"measure", "-", "--at", "200"},
                                  {"explain", "-", "a", "--at", "200x90"},
                                  {"measure", "-", "--json"},
                                  {"lint", "-", "--at", "90"},
                                  {"check", "-", "--claim", "reachable(a)", "--at", "90"},
                                  {"nothing", "-"},
                                  {"sweep", "-", "--show", "a.width", "--from", "90", "--to", "94"}};

class Hand {
 public:
  Hand(testing::Draws draws, std::size_t nodes) : draws_(draws), nodes_(nodes) {}

  bool go_on() const { return !draws_.spent(); }

  void act() {
    switch (draws_.below(18)) {
      case 0:
        nodes_ = fl_solve(size(), draws_.below(3) == 0 ? std::numeric_limits<double>::quiet_NaN() : size());
        return look();
      case 1: return expect_json(fl_handles(node()) != 0, "handles");
      case 2: return expect_json(fl_drop_target(size(), size(), node()) != 0, "a landing");
      case 3: fl_scroll(size(), size(), size() - 200, size() - 200); return look();
      case 4: fl_scroll_to(node(), size(), size()); return look();
      case 5: return expect_json(fl_scrollers() != 0, "scrollers");
      case 6: return expect_json(fl_ties(node()) != 0, "ties");
      case 7: return expect_json(fl_possible_ties(node(), side()) != 0, "possible ties");
      case 8: return expect_json(fl_tie(node(), side(), size(), size()) != 0, "a tie");
      case 9: return expect_json(fl_status() != 0, "signs");
      case 10: return expect_json(fl_describe() != 0, "a description");
      case 11: fl_undo(); return look();
      case 12: fl_redo(); return look();
      case 13:
        say(one_of(forms));
        fl_form();
        return look();
      case 14: return ask();
      case 15: fl_tidy_text(); return;
      case 16: fl_paint(size(), size(), 0.5, 400, 300, draws_.below(2)); return;
      default:
        say(one_of(changes));
        fl_apply();
        return look();
    }
  }

 private:
  std::size_t node() {
    return static_cast<std::size_t>(draws_.below(static_cast<int>(std::min<std::size_t>(nodes_, 60)) + 2));
  }
  std::size_t side() { return static_cast<std::size_t>(draws_.below(10)); }
  double size() {
    constexpr std::array sizes{0.0, 1e9, -1.0, 0.25, 1e300};
    const int which = draws_.below(256);
    return which < 5 ? sizes[static_cast<std::size_t>(which)] : which * 4.0;
  }
  void look() {
    if (nodes_ == 0) return;
    const double* const boxes = fl_boxes();
    expect(boxes != nullptr && fl_issues() != nullptr, "there is no box");
    fl_hit_test(boxes[0] + 1, boxes[1] + 1);
  }
  const Texts& one_of(const std::vector<Texts>& all) {
    return all[static_cast<std::size_t>(draws_.below(static_cast<int>(all.size())))];
  }
  void ask() {
    say(one_of(commands));
    const int status = fl_ask();
    expect(status >= 0 && status <= 3, "a status that is none");
    expect(status != 2 || fl_message_bytes() > 0, "it is refused for nothing");
    expect_readable({fl_message(), fl_message_bytes()}, "a message");
    expect_readable(answer(), "an answer");
  }

  testing::Draws draws_;
  std::size_t nodes_;
};

void run(std::string_view text) {
  const std::size_t end = std::min(text.find('\0'), text.size());
  say({"stranger.scene.json", std::string(text.substr(0, end))});
  if (fl_open() == 0) {
    expect(!answer().empty(), "a scene is refused for nothing");
    return expect_readable(answer(), "faults");
  }
  if (fl_describe() == 0) return;
  text.remove_prefix(std::min(text.size(), end + 1));
  Hand hand(testing::Draws({reinterpret_cast<const std::uint8_t*>(text.data()), text.size()}), fl_solve(300, 200));
  for (int calls = 0; calls < 12 && hand.go_on(); ++calls) hand.act();
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run(fond_ladder::fuzz::text_of(bytes, count));
  return 0;
}

std::size_t LLVMFuzzerCustomMutator(std::uint8_t* bytes, std::size_t count, std::size_t most, unsigned seed) {
  const std::string_view all = fond_ladder::fuzz::text_of(bytes, count);
  const std::size_t end = std::min(all.find('\0'), all.size());
  std::string changed =
      seed % 3 == 0 ? std::string(all.substr(0, end)) : fond_ladder::fuzz::changed_scene(all.substr(0, end), seed);
  std::string calls(all.substr(std::min(all.size(), end + 1)));
  fond_ladder::testing::Draws dice(seed);
  for (int times = dice.below(6); times >= 0; --times) {
    const auto at = static_cast<std::size_t>(dice.below(static_cast<int>(calls.size()) + 1));
    calls.insert(at, 1, static_cast<char>(dice.below(256)));
  }
  if (calls.size() > 60) calls.erase(0, calls.size() - 60);
  changed += '\0' + calls;
  return fond_ladder::fuzz::put_back(changed, bytes, count, most);
}
