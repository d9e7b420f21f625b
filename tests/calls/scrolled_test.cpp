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
const char* const lists = R"({"format": 1, "scene": "Lists", "root": {"kind": "column", "name": "window", "children": [
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
  const Json told = Json::parse(result.out);
  for (const Json& node : told.at("answers").at(0).at("nodes")) {
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
      testing::run({"measure", "-", "--at", "300x400", "--scrolled", "list=end", "--under", "20,100"}, lists);
  EXPECT_THAT(result.out, HasSubstr("under 20,100: window/list/entry[9]\n"));
  EXPECT_THAT(
      testing::run({"measure", "-", "--at", "300x400", "--scrolled", "list=7", "--scrolled", "strip=end"}, lists).out,
      HasSubstr("Lists with list scrolled to 7 of 390, strip scrolled to 300 of 300 at 300 x 400"));
  EXPECT_THAT(
      testing::run({"draw", "-", "--at", "300x400", "--scrolled", "list=7", "-o", "-", "--as", "svg"}, lists).out,
      HasSubstr("list scrolled to 7 of 390"));
}

TEST(Scrolled, RefusesWhatCannotBe) {
  const std::pair<std::vector<std::string>, const char*> cases[] = {
      {{"list"}, "--scrolled list: write a node and pixels, or end, as in list=120, list=40,120 or list=end"},
      {{"list=1,2,3"}, "--scrolled list=1,2,3: write a node and pixels"},
      {{"list=-1"}, "--scrolled list=-1: positions are counted from 0, where the content begins"},
      {{"list=ende"}, "--scrolled list=ende: write a node and pixels"},
      {{"window=1"}, "--scrolled window=1: window does not scroll; give it \"scroll\", or name what does"},
      {{"words=1"}, "--scrolled words=1: positions move children, and words has none"},
      {{"gone=1"}, "--scrolled gone=1: gone is hidden at this size"},
      {{"lst=1"}, "\"lst\" names no node"},
      {{"list=1", "list=2"}, "--scrolled list=2: it is scrolled already; say it once"},
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

}  // namespace
}  // namespace fond_ladder
