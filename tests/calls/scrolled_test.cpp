// SPDX-License-Identifier: MIT
//
// Scroll positions that are asked for: where everything is then, in `measure` and `draw`.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;
using ::testing::HasSubstr;

/// Ten rows of 50 in a view of 120, with an end padding of 10; `strip` scrolls across, `turned` from its far end.
const char* const lists = R"({"format": 2, "title": "Lists", "root": {"kind": "column", "name": "window", "children": [
  {"kind": "column", "name": "list", "height": 120, "shrink": 0, "scroll": "y", "padding": {"bottom": 10}, "children": [
    {"kind": "box", "name": "head", "height": 20, "pin": {"top": 0, "left": 0, "right": 0}},
    {"kind": "box", "name": "entry", "height": 50, "copies": 10}]},
  {"kind": "row", "name": "strip", "height": 20, "scroll": "x", "children": [
    {"kind": "box", "name": "cell", "width": 150, "shrink": 0, "copies": 4}]},
  {"kind": "column", "name": "turned", "height": 100, "shrink": 0, "scroll": "y", "reverse": true, "children": [
    {"kind": "box", "name": "line", "height": 80, "shrink": 0, "copies": 2}]},
  {"kind": "text", "name": "words", "text": "Fern, from spores.", "height": 10, "scroll": "y"},
  {"kind": "column", "name": "gone", "hidden": true, "scroll": "y"}]}})";

double top_of(const std::vector<std::string>& scrolled, const std::string& path, const char* side = "y") {
  std::vector<std::string> args{"measure", "-", "--at", "300x400", "--format", "json"};
  for (const std::string& one : scrolled) args.insert(args.end(), {"--scrolled", one});
  const testing::Result result = testing::run(args, lists);
  EXPECT_EQ(result.status, 0) << result.err;
  const Json answer = Json::parse(result.out);
  for (const Json& node : answer.at("answers").at(0).at("nodes")) {
    if (node.at("path") == path) return node.at(side).get<double>();
  }
  ADD_FAILURE() << path;
  return 0;
}

TEST(Scrolled, MovesWhatAScrollerHolds) {
  struct Case {
    std::string scrolled, path;
    const char* side;
    double at;
  };
  const Case cases[] = {
      {"list=0", "window/list/entry[0]", "y", 0},
      {"list=120", "window/list/entry[0]", "y", -120},
      {"list=120", "window/list", "y", 0},       // the scroller itself stays
      {"list=120", "window/list/head", "y", 0},  // and what is pinned in it
      {"list=end", "window/list/entry[9]", "y", 60},
      {"list=1e9", "window/list/entry[9]", "y", 60},  // no further than there is to scroll
      {"strip=100", "window/strip/cell[0]", "x", -100},
      {"strip=end", "window/strip/cell[3]", "x", 150},
      {"strip=30,99", "window/strip/cell[0]", "x", -30},
      {"turned=0", "window/turned/line[0]", "y", 160},  // counted from where its content begins: below
      {"turned=end", "window/turned/line[0]", "y", 220},
  };
  for (const Case& one : cases) {
    EXPECT_EQ(top_of({one.scrolled}, one.path, one.side), one.at) << one.scrolled << " " << one.path;
  }
  EXPECT_EQ(top_of({"list=10", "strip=20"}, "window/list/entry[0]"), -10);
}

TEST(Scrolled, IsToldWithTheSizeAndFoundUnderAPoint) {
  const testing::Result result =
      testing::run({"measure", "-", "--at", "300x400", "--scrolled", "list=end", "--hit", "20,100"}, lists);
  EXPECT_THAT(result.out, HasSubstr("at 20,100: window/list/entry[9]\n"));
  EXPECT_THAT(
      testing::run({"measure", "-", "--at", "300x400", "--scrolled", "list=7", "--scrolled", "strip=end"}, lists).out,
      HasSubstr("Lists with list scrolled to 7 of 390, strip scrolled to 300 of 300 at 300 x 400"));
  EXPECT_THAT(
      testing::run({"draw", "-", "--at", "300x400", "--scrolled", "list=7", "-o", "-", "--as", "svg"}, lists).out,
      HasSubstr("list scrolled to 7 of 390"));
}

TEST(Scrolled, RefusesWhatCannotBe) {
  const std::pair<std::vector<std::string>, const char*> cases[] = {
      {{"list"}, "--scrolled list: expected NODE=PIXELS or NODE=end, as in list=120, list=40,120 or list=end"},
      {{"list=1,2,3"}, "--scrolled list=1,2,3: expected NODE=PIXELS"},
      {{"list=-1"}, "--scrolled list=-1: expected 0 or more pixels, counted from where the content begins"},
      {{"list=ende"}, "--scrolled list=ende: expected NODE=PIXELS"},
      {{"window=1"}, "--scrolled window=1: window does not scroll; give it \"scroll\", or name a scroller"},
      {{"words=1"}, "--scrolled words=1: words has no children to scroll"},
      {{"gone=1"}, "--scrolled gone=1: gone is hidden at this size"},
      {{"lst=1"}, "\"lst\" is not a node"},
      {{"list=1", "list=2"}, "--scrolled list=2: the node is scrolled twice; keep one"},
  };
  for (const auto& [scrolled, message] : cases) {
    for (const char* format : {"table", "json", "csv"}) {
      std::vector<std::string> args{"measure", "-", "--at", "300x400", "--format", format};
      for (const std::string& one : scrolled) args.insert(args.end(), {"--scrolled", one});
      const testing::Result result = testing::run(args, lists);
      EXPECT_EQ(result.status, 2) << scrolled[0];
      EXPECT_EQ(result.out, "") << scrolled[0];
      EXPECT_THAT(result.err, HasSubstr(message));
    }
  }
}

/// A list under a button; its end padding lets the last entry be seen whole, if it is scrolled to the end.
const char* const under_a_button =
    R"({"format": 2, "title": "List", "ladder": {"width": [200, 400], "height": [150, 300]},
  "root": {"kind": "stack", "name": "page", "place_items": {"x": "stretch", "y": "stretch"}, "children": [
  {"kind": "column", "name": "list", "scroll": "y", "gap": 10, "padding": {"bottom": 50}, "children": [
    {"kind": "text", "name": "entry", "text": "Mist the ferns twice a day, and water the oak on Sundays", "copies": 4},
    {"kind": "text", "name": "last", "text": "Sweep"}]},
  {"kind": "box", "name": "button", "pin": {"right": 10, "bottom": 10}, "width": 60, "height": 36}]}})";

TEST(Scrolled, ClaimsSpeakOfPositionsAndAreProved) {
  const std::pair<const char*, bool> cases[] = {
      {"last.bottom <= button.top", false},
      {"last.bottom <= button.top with list.scrolled = end", true},
      {"apart(last, button) with list.scrolled = end", true},
      {"last.bottom = container.height - 50 with list.scrolled = end when container.height < 200",
       true},  // in any order
      {"last.bottom = container.height - 50 when container.height < 200 with list.scrolled = end", true},
      {"entry[0].top = -30 when container.height < 200 with list.scrolled = 30", true},
      {"entry[0].top = -30 with list.scrolled = 30", false},  // where there is less to scroll
      {"reachable(last) when container.height < 200", true},  // as it can be scrolled to
      {"not in_view(last) when container.height < 170 with list.scrolled = 0", true},
      {"in_view(last) and not in_view(entry[0]) when container.height < 160 with list.scrolled = end", true},
      {"last.bottom = container.height - 51 when container.height < 200 within 1 with list.scrolled = end", true},
      {"entry[0].height >= 40 with list.scrolled = end", true},  // sizes stay
  };
  for (const auto& [claim, holds] : cases) {
    const testing::Result result = testing::run({"check", "-", "--claim", claim}, under_a_button);
    EXPECT_EQ(result.status, holds ? 0 : 1) << claim << result.out << result.err;
    EXPECT_EQ(holds, result.out.find("proved for every width") != std::string::npos) << claim;
  }
  const std::string why =
      testing::run({"check", "-", "--claim", "last.bottom < 100 with list.scrolled = end"}, under_a_button).out;
  EXPECT_THAT(why, HasSubstr("; list is scrolled by ")) << why;
}

/// What a user can get to see does not depend on where something is scrolled to; what is in view does.
TEST(Scrolled, WhatIsReachableNeverDependsOnAPositionWhatIsInViewDoes) {
  const auto values = [](const std::vector<std::string>& scrolled) {
    std::vector<std::string> call{
        "sweep", "-",        "--width", "300",    "--height",
        "150",   "--format", "csv",     "--show", "last.reachable,last.in_view,entry[0].reachable,entry[0].in_view"};
    for (const std::string& one : scrolled) call.insert(call.end(), {"--scrolled", one});
    const std::string out = testing::run(call, under_a_button).out;
    const std::string row = out.substr(out.find('\n') + 1);
    return row.substr(0, row.find('\n'));
  };
  EXPECT_EQ(values({}), "300,150,1,0,1,1");
  EXPECT_EQ(values({"list=end"}), "300,150,1,1,1,0");
  const std::pair<const char*, const char*> refused[] = {
      {"reachable(last) with list.scrolled = end", "column 1: \"reachable\" does not depend on a scroll position"},
      {"last.top > 3 and last.reachable = 1 with list.scrolled = 3", "column 18: \"reachable\" does not depend"},
  };
  for (const auto& [claim, message] : refused) {
    const testing::Result result = testing::run({"check", "-", "--claim", claim}, under_a_button);
    EXPECT_EQ(result.status, 2) << claim;
    EXPECT_THAT(result.err, HasSubstr(message));
  }
  // The command line gives positions to the claims that they matter to.
  const testing::Result both =
      testing::run({"check", "-", "--claim", "reachable(last)", "--claim", "in_view(last)", "--scrolled", "list=end"},
                   under_a_button);
  EXPECT_EQ(both.status, 0) << both.out << both.err;
  EXPECT_THAT(both.out, HasSubstr("holds     reachable(last)\n"));
  EXPECT_THAT(both.out, HasSubstr("holds     in_view(last) with list.scrolled = end\n"));
}

TEST(Scrolled, OfTheCommandLineHoldForClaimsAndQuantities) {
  const testing::Result checked = testing::run({"check", "-", "--claim", "last.bottom <= button.top", "--claim",
                                                "last.top > 0\nwith list.scrolled = 3", "--scrolled", "list=end"},
                                               under_a_button);
  EXPECT_EQ(checked.status, 0) << checked.out;
  EXPECT_THAT(checked.out, HasSubstr("holds     last.bottom <= button.top with list.scrolled = end\n"));
  EXPECT_THAT(checked.out, HasSubstr("holds     last.top > 0\\nwith list.scrolled = 3\n"));
  const testing::Result swept = testing::run({"sweep", "-", "--height", "150..300", "--width", "300", "--show",
                                              "last.bottom,last.height", "--scrolled", "list=end"},
                                             under_a_button);
  EXPECT_THAT(swept.out, HasSubstr("List from 150 to 300 high, 300 wide, list scrolled to its end\n"));
  EXPECT_THAT(swept.out, HasSubstr("150          100           20\n"));
  const Json answer = Json::parse(
      testing::run({"sweep", "-", "--show", "last.bottom", "--scrolled", "list=7", "--format", "json"}, under_a_button)
          .out);
  EXPECT_EQ(answer.at("answers").at(0).at("scrolled"), "list scrolled to 7");
  const std::pair<std::vector<std::string>, const char*> wrong[] = {
      {{"check", "-", "--claim", "last.top > 0 with lst.scrolled = end"},
       "\"lst\" is not a node; did you mean \"list\""},
      {{"check", "-", "--claim", "last.top > 0 with page.scrolled = end"}, "page does not scroll"},
      {{"check", "-", "--claim", "last.top > 0 with last.scrolled = end"},
       "last has no children to scroll; name a container"},
      {{"check", "-", "--claim", "last.top > 0 with list.scrolled = top"}, "expected a number of pixels"},
      {{"check", "-", "--claim", "last.top > 0 with list"}, "expected a scroll position, as in list.scrolled = end"},
      {{"check", "-", "--claim", "last.top > 0", "--scrolled", "list=1,2"}, " claims take one number"},
      {{"sweep", "-", "--scrolled", "list=end"}, "--scrolled changes positions only; ask for"},
  };
  for (const auto& [words, message] : wrong) {
    const testing::Result result = testing::run(words, under_a_button);
    EXPECT_EQ(result.status, 2) << message;
    EXPECT_THAT(result.err, HasSubstr(message));
  }
}

/// Brute force: what a sweep proves of scrolled places is what they are at each size, measured by itself.
TEST(Scrolled, PlacesAreProvedAsTheyAre) {
  for (const char* to : {"end", "17"}) {
    const Json answer =
        Json::parse(testing::run({"sweep", "-", "--show", "last.bottom,entry[1].middle_y", "--width", "200..260",
                                  "--height", "170", "--sizes", "200,213,229,230,231,244,259", "--scrolled",
                                  std::string("list=") + to, "--format", "json"},
                                 under_a_button)
                        .out);
    for (const Json& container_size : answer.at("answers").at(0).at("sizes")) {
      const std::string at = std::to_string(container_size.at("width").get<int>()) + "x170";
      const Json there = Json::parse(
          testing::run({"measure", "-", "--at", at, "--scrolled", std::string("list=") + to, "--format", "json"},
                       under_a_button)
              .out);
      for (const Json& node : there.at("answers").at(0).at("nodes")) {
        const double top = node.at("y").get<double>(), high = node.at("height").get<double>();
        if (node.at("path") == "page/list/last") {
          EXPECT_NEAR(container_size.at("values").at("last.bottom").get<double>(), top + high, 1e-9) << at;
        } else if (node.at("path") == "page/list/entry[1]") {
          EXPECT_NEAR(container_size.at("values").at("entry[1].middle_y").get<double>(), top + high / 2, 1e-9) << at;
        }
      }
    }
  }
}

}  // namespace
}  // namespace fond_ladder
