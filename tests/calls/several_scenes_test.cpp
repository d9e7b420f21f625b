// SPDX-License-Identifier: MIT
//
// `check` and `lint` of several scenes at once: a sum, a line a scene, and the files that machines read.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;
using ::testing::HasSubstr;
using ::testing::Not;

std::string console() {
  return std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
}
/// A shed with one claim that holds and one that does not, and a setting that does nothing.
std::string shed() {
  return testing::temporary(
      "shed.scene.json",
      "{\"format\": 2, \"title\": \"Shed\", \"ladder\": {\"width\": [200, 400], \"height\": 100},\n"
      " \"root\": {\"kind\": \"row\", \"children\": [\n"
      "  /* \u00e9 */ {\"kind\": \"box\", \"name\": \"a\", \"natural_size\": [50, 20], \"along\": \"end\"}\n"
      "]},\n"
      " \"claims\": [\"a.width = 50\",\n  \"a.width > 70\"]}\n");
}
std::string wrong() {
  return testing::temporary("wrong.scene.json", "{\"format\": 2,\n \"scne\": \"x\", \"root\": {\"kind\": \"box\"}}");
}

Json read_json(const std::string& path) {
  std::ifstream in(path);
  return Json::parse(in);
}

TEST(SeveralScenes, TheSumComesFirstThenALineAScene) {
  const testing::Result result = testing::run({"check", console(), shed()});
  EXPECT_EQ(result.status, 1);
  EXPECT_TRUE(result.out.starts_with("2 scenes: 1 of 28 claims does not hold, in 1 of them\n\n" + console() +
                                     ": all 26 claims hold, proved for every width, from 360 to 1440 wide\n" + shed() +
                                     ": 1 of 2 claims does not hold, from 200 to 400 wide\n\n" + shed() +
                                     "\nfails     a.width > 70\n"))
      << result.out;
  EXPECT_EQ(result.err, "") << "lint tells what has no effect";
  const testing::Result lint = testing::run({"lint", console(), shed(), "--strict"});
  EXPECT_EQ(lint.status, 1);
  EXPECT_TRUE(lint.out.starts_with("2 scenes: 1 finding, in 1 of them\n\n" + console() + ": nothing suspicious\n" +
                                   shed() + ": 1 finding\n\n" + shed() + "\nShed, "))
      << lint.out;
}

TEST(SeveralScenes, OneThatIsWrongStopsNoOther) {
  for (const char* command : {"check", "lint"}) {
    const testing::Result result = testing::run({command, wrong(), console(), "/no/such.json"});
    EXPECT_EQ(result.status, 2) << command;
    EXPECT_THAT(result.err, HasSubstr(wrong() + ":2:2: error: unknown key \"scne\"")) << command;
    EXPECT_THAT(result.err, HasSubstr("/no/such.json: error: there is no such file")) << command;
    EXPECT_THAT(result.out, HasSubstr("; 2 could not be read\n\n" + wrong() + ": could not be read\n")) << command;
    EXPECT_THAT(result.out, HasSubstr("\n" + console() + ": ")) << command;
  }
  EXPECT_EQ(testing::run({"check", wrong(), wrong(), "--format", "json"}).out, "") << "nothing of what is refused";
  EXPECT_THAT(testing::run({"lint", wrong(), wrong()}).out, HasSubstr("2 scenes: nothing was read; 2 could not "));
  EXPECT_THAT(testing::run({"check", wrong(), wrong()}).out, HasSubstr("2 scenes: nothing was checked; 2 could not "));
  EXPECT_THAT(testing::run({"check", wrong(), shed(), "--shard", "1/2"}).out,
              HasSubstr("2 scenes, 1 of 2 checks: the claim holds; 1 could not be read\n"));
  EXPECT_THAT(testing::run({"check", shed(), shed(), "--shard", "1/2"}).out, HasSubstr("all 2 claims hold\n"));
  EXPECT_THAT(testing::run({"check", shed(), console(), "--shard", "9/26"}).out,
              HasSubstr(shed() + ": no claim of it is in this part\n"));
  EXPECT_THAT(testing::run({"check", shed(), console(), "--claim", "map.width > 0"}).err,
              HasSubstr("fond-ladder: error: " + shed() + ": in the claim \"map.width > 0\", column 1: "));
}

TEST(SeveralScenes, PartsOfAllClaimsAreTheWhole) {
  const auto claims_of = [](const std::vector<std::string>& more) {
    std::vector<std::string> args{"check", console(), shed(), "--format", "json"};
    args.insert(args.end(), more.begin(), more.end());
    std::vector<std::string> printed;
    const Json answers = Json::parse(testing::run(args).out).at("answers");
    EXPECT_EQ(answers.size(), 2U);
    for (const Json& answer : answers) {
      for (const Json& claim : answer.at("claims")) {
        printed.push_back(answer.at("file").get<std::string>() + claim.at("number").dump() + claim.at("claim").dump());
      }
    }
    std::ranges::sort(printed);
    return printed;
  };
  const std::vector<std::string> whole = claims_of({});
  EXPECT_EQ(whole.size(), 28U);
  for (const int parts : {2, 5, 26}) {
    std::vector<std::string> all;
    for (int part = 1; part <= parts; ++part) {
      const auto some = claims_of({"--shard", std::to_string(part) + "/" + std::to_string(parts)});
      EXPECT_LE(some.size(), 28U / static_cast<unsigned>(parts) + 1);
      all.insert(all.end(), some.begin(), some.end());
    }
    std::ranges::sort(all);
    EXPECT_EQ(all, whole) << parts;
  }
}

TEST(SeveralScenes, SarifTellsWhereInTheFiles) {
  const std::string target = ::testing::TempDir() + "found.sarif";
  EXPECT_EQ(testing::run({"check", console(), shed(), wrong(), "--sarif", target}).status, 2);
  const Json run = read_json(target).at("runs").at(0);
  EXPECT_EQ(read_json(target).at("version"), "2.1.0");
  EXPECT_EQ(run.at("columnKind"), "unicodeCodePoints");
  const auto place = [](const Json& result) {
    const Json& at = result.at("locations").at(0).at("physicalLocation");
    return result.at("ruleId").get<std::string>() + " " + at.at("artifactLocation").at("uri").get<std::string>() + " " +
           at.at("region").at("startLine").dump() + ":" + at.at("region").at("startColumn").dump();
  };
  ASSERT_EQ(run.at("results").size(), 2U);
  EXPECT_EQ(place(run.at("results")[0]), "claim-fails " + shed() + " 6:3");
  EXPECT_EQ(place(run.at("results")[1]), "scene-error " + wrong() + " 2:2");
  EXPECT_EQ(run.at("results")[0].at("message").at("text"),
            "a.width > 70: from 200 to 400 wide, 100 high; worst at 200 x 100: a.width 50");

  testing::run({"lint", shed(), "--sarif", target});
  const Json found = read_json(target).at("runs").at(0).at("results");
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(place(found[0]), "no-effect " + shed() + " 3:66") << "columns count characters";
  EXPECT_EQ(found[0].at("level"), "warning");
  EXPECT_EQ(testing::run({"lint", shed(), "--sarif", "-"}).status, 2);

  const std::string odd = testing::temporary(
      "odd #%\"<\u00e9>.json", "{\"format\": 2, \"root\": {\"kind\": \"box\"}, \"claims\": [\"container.width < 0\"]}");
  testing::run({"check", odd, "--sarif", target});
  const std::string uri = read_json(target)
                              .at("runs")
                              .at(0)
                              .at("results")
                              .at(0)
                              .at("locations")
                              .at(0)
                              .at("physicalLocation")
                              .at("artifactLocation")
                              .at("uri");
  EXPECT_THAT(uri, HasSubstr("odd%20%23%25%22%3C%C3%A9%3E.json"));
}

TEST(SeveralScenes, WhatIsOfOneSceneIsRefused) {
  EXPECT_THAT(testing::run({"check", console(), shed(), "--suggest"}).err, HasSubstr("--suggest takes one scene"));
  const std::string plain = testing::temporary("plain.scene.json", "{\"format\": 2, \"root\": {\"kind\": \"box\"}}");
  EXPECT_THAT(testing::run({"check", plain, plain}).err, HasSubstr("check: none of the scenes has claims"));
  const testing::Result one = testing::run({"check", plain, console()});
  EXPECT_EQ(one.status, 0);
  EXPECT_THAT(one.out, HasSubstr(plain + ": has no claims\n"));
  EXPECT_THAT(one.out, Not(HasSubstr("hint")));
}

TEST(SeveralScenes, WhatIsWrongWithAKitStandsInTheKitAndWhatIsOddWhereItIsUsed) {
  const std::string kit = testing::temporary(
      "kit.scene.json",
      "{\"format\": 2, \"parts\": {\n  \"lamp\": {\"kind\": \"box\", \"natural_size\": [9, 9], \"along\": \"end\"}}}");
  const std::string screen = testing::temporary(
      "screen.scene.json", "{\"format\": 2, \"uses\": [\"" + kit.substr(kit.rfind('/') + 1) +
                               "\"], \"claims\": [\"lamp.width = 9\"], \"root\": {\"kind\": "
                               "\"row\",\n \"children\": [{\"part\": \"lamp\", \"name\": \"lamp\"}]}}");
  const std::string target = ::testing::TempDir() + "kit.sarif";
  const auto place = [&] {
    const Json at = read_json(target)["runs"][0]["results"][0]["locations"][0]["physicalLocation"];
    return at["artifactLocation"]["uri"].get<std::string>() + ":" +
           std::to_string(at["region"]["startLine"].get<int>());
  };
  testing::run({"lint", screen, "--sarif", target});
  EXPECT_EQ(place(), screen + ":2");
  const std::string report = ::testing::TempDir() + "screen.html";
  if (testing::run({"report", screen, "-o", report}).status == 0) {  // where a page was built
    std::ifstream in(report);
    const std::string page{std::istreambuf_iterator<char>(in), {}};
    EXPECT_EQ(page.find("kit.scene.json"), std::string::npos);
    EXPECT_NE(page.find("lamp"), std::string::npos);
  }
  EXPECT_THAT(testing::run({"tidy", screen}).out, HasSubstr("\"uses\""));
  EXPECT_THAT(testing::run({"tidy", screen, "--flat"}).out, Not(HasSubstr("\"uses\"")));
  const std::string elsewhere = ::testing::TempDir() + "elsewhere";
  std::filesystem::create_directories(elsewhere);
  EXPECT_THAT(testing::run({"tidy", screen, "-o", elsewhere + "/s.scene.json"}).err,
              HasSubstr("; --flat writes everything into one file"));
  EXPECT_EQ(testing::run({"tidy", screen, "--flat", "-o", elsewhere + "/s.scene.json"}).err, "");
  EXPECT_EQ(testing::run({"check", elsewhere + "/s.scene.json"}).status, 0);
  testing::temporary("kit.scene.json", "{\"format\": 2, \"parts\": {\n  \"lamp\": {\"kind\": \"bx\"}}}");
  const testing::Result wrong = testing::run({"check", screen, console(), "--sarif", target});
  EXPECT_EQ(wrong.status, 2);
  EXPECT_THAT(wrong.err, HasSubstr(kit + ":2:20: error: \"kind\" must be"));
  EXPECT_EQ(place(), kit + ":2");
}

}  // namespace
}  // namespace fond_ladder
