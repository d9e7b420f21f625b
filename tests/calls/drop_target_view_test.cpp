// SPDX-License-Identifier: MIT
//
// `measure --drop-at`: where a node that is dropped would come to stand, as a person reads it.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;
using ::testing::HasSubstr;
using ::testing::StartsWith;

const char* const bench =
    R"({"format":2,"title":"Bench","root":{"kind":"row","name":"bench","across":"start","children":[
  {"kind":"column","name":"left","width":100,"height":100,"children":[
    {"kind":"box","name":"a","height":20},{"kind":"box","name":"b","height":30}]},
  {"kind":"column","name":"right","width":100,"height":100,"children":[
    {"kind":"box","name":"c","height":10},{"kind":"box","name":"a","height":15}]},
  {"kind":"row","name":"empty","width":50,"height":50}]}})";

testing::Result drop_target(std::vector<std::string> more) {
  std::vector<std::string> args{"measure", "-", "--at", "300x100"};
  args.insert(args.end(), more.begin(), more.end());
  return testing::run(args, bench);
}

TEST(DropTargetView, SaysWhereFromWhereToAndWhatMoves) {
  const testing::Result answer = drop_target({"--drop-at", "150,8", "--dragged", "b"});
  EXPECT_EQ(answer.status, 0);
  EXPECT_EQ(answer.out,
            "Bench at 300 x 100: `b`, dropped at 150,8, goes into `right`, between `c` and `a`\nmoves from 0,20 100 x "
            "30 to 100,10 100 x 30; same as --move b=right:1\n\nmoves    to               from\nright/a  100,40 100 x "
            "15  100,10 100 x 15\n");
  const testing::Result moved = testing::run({"measure", "-", "--at", "300x100", "--move", "b=right:1"}, bench);
  EXPECT_THAT(moved.out, ::testing::ContainsRegex("b +box +100 +10 +100 +30 "));
  EXPECT_THAT(drop_target({"--drop-at", "40,95", "--dragged", "b"}).out, HasSubstr("\nno other node moves\n"));
}

TEST(DropTargetView, OfANewNodeOutsideInAnEmptyOneAndBesideOneOfItsName) {
  EXPECT_THAT(drop_target({"--drop-at", "50,22"}).out,
              StartsWith("Bench at 300 x 100: a new node, dropped at 50,22, goes into `left`, between `a` and "
                         "`b`\nindex 1 among its children; indicator at "));
  EXPECT_THAT(drop_target({"--drop-at", "220,20"}).out, HasSubstr("goes into `empty`, which is empty\n"));
  EXPECT_THAT(drop_target({"--drop-at", "999,20", "--dragged", "b"}).out,
              HasSubstr("outside the container, so it goes nowhere"));
  const testing::Result twin = drop_target({"--drop-at", "150,2", "--dragged", "left/a"});
  EXPECT_EQ(twin.status, 0);
  EXPECT_THAT(twin.out, HasSubstr("before `c`\nbut it cannot go there: two siblings are called \"a\"\n"));
}

TEST(DropTargetView, TheOptionIsOneWordOfAShell) {
  const std::string copies =
      R"({"format":2,"root":{"kind":"row","name":"r","children":[)"
      R"({"kind":"box","name":"tag","copies":2,"width":20},{"kind":"row","name":"q","width":60}]}})";
  EXPECT_THAT(testing::run({"measure", "-", "--at", "100x9", "--drop-at", "60,4", "--dragged", "tag[1]"}, copies).out,
              HasSubstr(" same as --move 'tag[1]=q:0'\n"));
}

TEST(DropTargetView, IsToldInJson) {
  const Json answer = Json::parse(drop_target({"--drop-at", "150,8", "--dragged", "b", "--format", "json"}).out);
  const Json& found = answer.at("answers").at(0).at("drop_target");
  EXPECT_EQ(found.at("parent"), "bench/right");
  EXPECT_EQ(found.at("index"), 1);
  EXPECT_EQ(found.at("dragged"), "bench/left/b");
  EXPECT_EQ(found.at("box").at("y"), 10);
  ASSERT_EQ(found.at("moves").size(), 1U);
  EXPECT_EQ(found.at("moves").at(0).at("path"), "bench/right/a");
  EXPECT_EQ(found.at("moves").at(0).at("now").at("y"), 40);
}

TEST(DropTargetView, WrongCallsAreToldWithAWayOut) {
  const struct {
    std::vector<std::string> args;
    const char* fault;
  } cases[] = {
      {{"--dragged", "b"}, "--dragged needs a drop position; add one, as in --drop-at 120,40"},
      {{"--drop-at", "3"}, "--drop-at 3: expected X,Y in pixels, as in 120,40"},
      {{"--drop-at", "3,3", "--dragged", "bench"}, "--dragged bench: the root cannot be dragged; name another node"},
      {{"--drop-at", "3,3", "--dragged", "bb"}, "\"bb\" is not a node"},
      {{"--drop-at", "3,3", "--orders"}, "are separate views; use one of them"},
  };
  for (const auto& [args, fault] : cases) {
    const testing::Result answer = drop_target(args);
    EXPECT_EQ(answer.status, 2);
    EXPECT_EQ(answer.out, "");
    EXPECT_THAT(answer.err, HasSubstr(fault));
  }
}

}  // namespace
}  // namespace fond_ladder
