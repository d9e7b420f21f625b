// SPDX-License-Identifier: MIT
//
// The C interface of the engine in the page. One scene at a time, one thread. Texts go in through `fl_input_buffer`:
// the caller writes UTF-8 there first, several texts separated by a byte 0. Texts come out as `fl_answer`, with
// their length; what is returned as an address holds until the next call. A call that is refused returns 0 (or a status
// of the program) and leaves everything unchanged; `fl_answer` then has the reason. No exception leaves this file.
#include <cmath>
#include <cstdint>
#include <limits>
#include <sstream>

#include "calls/refusal.hpp"
#include "fond_ladder/issue.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/printable.hpp"
#include "page/engine/asking.hpp"
#include "page/engine/description.hpp"
#include "page/engine/handles.hpp"
#include "page/engine/piece_book.hpp"
#include "page/engine/shown_scene.hpp"
#include "page/engine/ties.hpp"

#define FOND_LADDER_EXPORT(name) __attribute__((export_name(#name))) name

namespace fond_ladder::page {
namespace {

constexpr std::size_t most_drawn = 4000;  // nodes of a picture that follows a hand

/// All that the page has open. Made anew for a new instance only.
struct Page {
  std::string space, answer, message;
  std::unique_ptr<ShownScene> shown;
  std::string file, json;  // as opened, for commands
  RecordingPen pen;
  std::vector<double> boxes;
  std::vector<std::uint32_t> flags;
};

Page& page() {
  static Page one;
  return one;
}

/// The texts that stand in the space.
std::vector<std::string> texts_in_space() {
  std::vector<std::string> texts(1);
  for (const char c : page().space) {
    if (c == '\0') {
      texts.emplace_back();
    } else {
      texts.back() += c;
    }
  }
  return texts;
}

/// Does something that may be refused. Returns whether it was done.
template <class Work>
bool attempt(Work work) {
  page().answer.clear();
  try {
    work();
    return true;
  } catch (const BadScene& error) {
    for (const SceneError& fault : error.faults()) page().answer += (page().answer.empty() ? "" : "\n") + fault.text();
  } catch (const std::exception& error) {
    page().answer = printable(calls::message_of(error));
  }
  return false;
}

/// A side by its place among all.
PinSide side_at(std::size_t place) {
  if (place >= words_of<PinSide>.size()) throw std::out_of_range("there is no such side");
  return static_cast<PinSide>(place);
}

ShownScene& shown() {
  if (!page().shown) throw std::logic_error("no scene is open");
  return *page().shown;
}

/// The flags of a node, one bit each; look/engine.js reads the same.
enum Flag : std::uint32_t {
  placed = 1,
  overhangs = 2,
  overlaps_padding = 4,
  squeezed = 8,
  invisible = 16,
  scrolls = 32
};

void send_boxes() {
  const ShownScene& scene = shown();
  std::vector<double>& boxes = page().boxes;
  std::vector<std::uint32_t>& flags = page().flags;
  constexpr std::size_t fields = 8;
  boxes.assign(scene.nodes().size() * fields, 0);
  flags.assign(scene.nodes().size(), 0);
  const auto put = [&](NodeId node, const Rect& box, std::size_t from) {
    const std::size_t place = scene.place_of(node);
    double* field = boxes.data() + place * fields + from;
    field[0] = box.x;
    field[1] = box.y;
    field[2] = box.width;
    field[3] = box.height;
    flags[place] |= placed;
  };
  for (const Solution::NodeBox& one : scene.unscrolled().boxes()) put(one.node, one.box, 0);
  for (const Solution::Painted& one : scene.solution().painted()) put(one.node, one.box, 4);
}

}  // namespace

extern "C" {

/// Makes space for a text of so many bytes. Returns its address.
char* FOND_LADDER_EXPORT(fl_input_buffer)(std::size_t bytes) {
  page().space.assign(bytes, '\0');
  return page().space.data();
}
const char* FOND_LADDER_EXPORT(fl_answer)() {
  return page().answer.data();
}
std::size_t FOND_LADDER_EXPORT(fl_answer_bytes)() {
  return page().answer.size();
}
/// What the program would print on standard error, after fl_ask.
const char* FOND_LADDER_EXPORT(fl_message)() {
  return page().message.data();
}
std::size_t FOND_LADDER_EXPORT(fl_message_bytes)() {
  return page().message.size();
}

/// Opens the scene in the space: the name of its file, its text. Everything that was tried before is gone.
int FOND_LADDER_EXPORT(fl_open)() {
  return attempt([] {
    const std::vector<std::string> texts = texts_in_space();
    page().shown = std::make_unique<ShownScene>(texts.at(0), texts.at(1));
    page().file = texts[0];
    page().json = texts[1];
  });
}

/// Takes the pieces of words in the space, for scenes that are opened then.
int FOND_LADDER_EXPORT(fl_pieces)() {
  return attempt([] { carried_pieces().read(page().space); });
}

/// Chooses a form: a locale or nothing, the share by which texts are longer, what they are measured in or nothing, the
/// modes that are on.
int FOND_LADDER_EXPORT(fl_form)() {
  return attempt([] {
    const std::vector<std::string> texts = texts_in_space();
    ShownForm form;
    form.locale = texts.at(0);
    form.modes.assign(texts.begin() + 3, texts.end());
    if (!texts.at(2).empty()) form.words = calls::one_words_asked({texts[2]});
    if (!texts[1].empty()) form.longer = std::strtod(texts[1].c_str(), nullptr);
    std::erase(form.modes, "");
    shown().set_form(std::move(form));
  });
}

/// Makes a change: the name of an option, as Edit::Does has them, and its value.
int FOND_LADDER_EXPORT(fl_apply)() {
  return attempt([] {
    const std::vector<std::string> texts = texts_in_space();
    constexpr auto words = words_of<Edit::Does>;
    const auto does = std::ranges::find(words, texts.at(0));
    if (does == words.end())
      throw BadEdit("write set, move, group, remove, insert, ungroup or duplicate, and what it takes");
    shown().draft().apply({static_cast<Edit::Does>(does - words.begin()), texts.at(1)});
    shown().renew();
  });
}
/// Takes the last change back, or makes it again. Returns whether there was one.
int FOND_LADDER_EXPORT(fl_undo)() {
  bool done = false;
  return attempt([&] {
           done = shown().draft().undo();
           if (done) shown().renew();
         }) &&
         done;
}
int FOND_LADDER_EXPORT(fl_redo)() {
  bool done = false;
  return attempt([&] {
           done = shown().draft().redo();
           if (done) shown().renew();
         }) &&
         done;
}

/// Answers what the scene is: its nodes, ladder, ranges, modes, locales, claims, and what was changed, as JSON.
int FOND_LADDER_EXPORT(fl_describe)() {
  return attempt([] {
    page().answer = description(shown());
    shown().mark_nodes_sent();
  });
}
/// Answers the scene's text with all changes made.
int FOND_LADDER_EXPORT(fl_scene_text)() {
  return attempt([] { page().answer = shown().draft().json(); });
}

/// Answers the same as `tidy` prints it. Returns 2 where comments of the text are lost in it, 1 where none are.
int FOND_LADDER_EXPORT(fl_tidy_text)() {
  bool loses = false;
  const bool done = attempt([&] {
    TidyScene tidied = tidy_scene(shown().draft().json(), shown().file());
    page().answer = std::move(tidied.json);
    loses = tidied.lost_comments;
  });
  return done ? (loses ? 2 : 1) : 0;
}

/// Arranges the scene; a height that is no number is by content. Returns how many nodes there are.
std::size_t FOND_LADDER_EXPORT(fl_solve)(double width, double height) {
  const bool done = attempt([&] {
    shown().solve({width, std::isnan(height) ? std::nullopt : std::optional(height)});
    send_boxes();
  });
  return done ? page().flags.size() : 0;
}
/// Whether there are other nodes than were described last: entries of lists come into view and go.
int FOND_LADDER_EXPORT(fl_has_other_nodes)() {
  bool others = false;
  attempt([&] { others = !shown().nodes_are_sent(); });
  return others;
}
/// Node by node in the order of the description: x y width height as `measure` prints them, then as painted.
const double* FOND_LADDER_EXPORT(fl_boxes)() {
  return page().boxes.data();
}
/// The height of the container, which is the question where it is by content.
double FOND_LADDER_EXPORT(fl_height)() {
  double height = 0;
  attempt([&] { height = shown().solution().container().height; });
  return height;
}

/// What is bad about each node: Flag's bits.
const std::uint32_t* FOND_LADDER_EXPORT(fl_issues)() {
  attempt([] {
    const ShownScene& scene = shown();
    constexpr std::array<Flag, 4> flag_of{overhangs, overlaps_padding, squeezed, invisible};
    for (std::uint32_t& flags : page().flags) flags &= placed;
    for (const Issue& one : issues(scene.scene(), scene.unscrolled()))
      page().flags[scene.place_of(one.node)] |= flag_of[static_cast<std::size_t>(one.kind)];
    for (const NodeId node : scene.nodes()) {
      const Extent range = scene.unscrolled().is_placed(node) ? scene.unscrolled().scroll_range(node) : Extent{};
      if (range.width > 0 || range.height > 0) page().flags[scene.place_of(node)] |= scrolls;
    }
  });
  return page().flags.data();
}
/// Answers how each container lays its children, and what holds at this size, as JSON.
int FOND_LADDER_EXPORT(fl_status)() {
  return attempt([] { page().answer = signs(shown()); });
}

/// The front-most node at a point of the container, or -1.
int FOND_LADDER_EXPORT(fl_hit_test)(double x, double y) {
  int found = -1;
  attempt([&] {
    const std::vector<NodeId> under = shown().solution().hit_test(x, y);
    if (!under.empty()) found = static_cast<int>(shown().place_of(under.front()));
  });
  return found;
}

/// Answers what of a node a hand can pull, as JSON; the node by its place in the description.
int FOND_LADDER_EXPORT(fl_handles)(std::size_t place) {
  return attempt([&] { page().answer = handles(shown(), shown().nodes().at(place)); });
}
/// Answers where a node would land that is carried to a point of the container, as JSON.
int FOND_LADDER_EXPORT(fl_drop_target)(double x, double y, std::size_t carried) {
  return attempt([&] { page().answer = drop_target(shown(), x, y, shown().nodes().at(carried)); });
}

/// Scrolls what is at a point of the container. Returns whether something moved; boxes are sent anew then.
int FOND_LADDER_EXPORT(fl_scroll)(double x, double y, double by_x, double by_y) {
  bool moved = false;
  attempt([&] {
    moved = shown().scroll(x, y, by_x, by_y);
    if (moved) send_boxes();
  });
  return moved;
}

/// Scrolls a node, by its place in the description, to a position. Returns as fl_scroll does.
int FOND_LADDER_EXPORT(fl_scroll_to)(std::size_t place, double x, double y) {
  bool moved = false;
  attempt([&] {
    moved = shown().scroll_to(shown().nodes().at(place), {x, y});
    if (moved) send_boxes();
  });
  return moved;
}
/// Answers what can be scrolled, as JSON: the node's place, its position, how far it goes.
int FOND_LADDER_EXPORT(fl_scrollers)() {
  return attempt([] { page().answer = scrollers(shown()); });
}
/// Answers the ties of a pinned node, and its sides from which one can be pulled, as JSON.
int FOND_LADDER_EXPORT(fl_ties)(std::size_t place) {
  return attempt([&] { page().answer = ties(shown(), shown().nodes().at(place)); });
}
/// Answers what can tie a side of a node, as JSON.
int FOND_LADDER_EXPORT(fl_possible_ties)(std::size_t place, std::size_t side) {
  return attempt([&] { page().answer = possible_ties(shown(), shown().nodes().at(place), side_at(side)); });
}
/// Answers what ties a side of a node to the edge that is nearest to a point of the container, as JSON.
int FOND_LADDER_EXPORT(fl_tie)(std::size_t place, std::size_t side, double x, double y) {
  return attempt([&] { page().answer = tie(shown(), shown().nodes().at(place), side_at(side), x, y); });
}

/// Records the picture: the container's corner, pixels of the picture a pixel of the scene, the space. Returns how many
/// numbers it takes.
std::size_t FOND_LADDER_EXPORT(fl_paint)(double x, double y, double scale, double width, double height, int bare) {
  const bool done = attempt([&] {
    shown().paint(page().pen, {{x, y}, scale, {0, 0, width, height}}, most_drawn, bare != 0);
  });
  if (!done) page().pen.clear();
  return page().pen.strokes().size();
}
const double* FOND_LADDER_EXPORT(fl_strokes)() {
  return page().pen.strokes().data();
}
const char* FOND_LADDER_EXPORT(fl_letters)() {
  return page().pen.letters().data();
}
std::size_t FOND_LADDER_EXPORT(fl_letters_bytes)() {
  return page().pen.letters().size();
}

/// Asks a command of the program, the words in the space, about the scene as it was opened. Returns the exit status.
int FOND_LADDER_EXPORT(fl_ask)() {
  Answered answered = ask(texts_in_space(), page().file, page().json);
  page().answer = std::move(answered.out);
  page().message = std::move(answered.err);
  return answered.status;
}

}  // extern "C"

}  // namespace fond_ladder::page
