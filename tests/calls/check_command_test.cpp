// SPDX-License-Identifier: MIT
//
// The check command as people and build farms call it: variants, shards, suggestions.
#include <gmock/gmock.h>

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <map>
#include <nlohmann/json.hpp>

#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;

const std::string& console() {
  static const std::string file = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  return file;
}

Json claims_of(std::vector<std::string> args) {
  args.insert(args.begin(),
              {"check", console(), "--format", "json", "--claim", "bar.height < 48", "--claim", "map.width <= 700"});
  return Json::parse(testing::run(args).out).at("answers").at(0).at("claims");
}

TEST(Check, ShardsTogetherTestEachClaimOnceAndSayTheSame) {
  const Json whole = claims_of({});
  ASSERT_EQ(whole.size(), 28U);
  for (const int parts : {1, 2, 5, 30}) {
    std::vector<Json> all;
    for (int part = 1; part <= parts; ++part) {
      const Json claims = claims_of({"--shard", std::to_string(part) + "/" + std::to_string(parts)});
      all.insert(all.end(), claims.begin(), claims.end());
    }
    std::ranges::sort(all, {}, [](const Json& one) { return one.at("number").get<int>(); });
    EXPECT_EQ(Json(all), whole) << parts;
  }
  const testing::Result none = testing::run({"check", console(), "--shard", "30/30"});
  EXPECT_EQ(none.status, 0);
  EXPECT_EQ(none.out,
            "North house console from 360 to 1440 wide, 0 of 26 checks: nothing to check: there are more "
            "parts than checks\n\n");
  for (const char* odd : {"0/5", "6/5", "2", "2/", "/5", "a/b", "1/0", "-1/5", "2/5/7"}) {
    const testing::Result refused = testing::run({"check", console(), "--shard", odd});
    EXPECT_EQ(refused.status, 2) << odd;
    EXPECT_EQ(refused.err, "fond-ladder: error: --shard " + std::string(odd) + ": expected PART/OF, as in 2/5\n");
  }
}

/// Pairs of a claim and a variant are dealt out: what all parts say of a claim is what one call says.
TEST(Check, ShardsOfVariantsTogetherSayTheSame) {
  const std::string scene = testing::temporary("variants.scene.json", R"({"format": 2, "ladder": {"width": [100, 200]},
    "modes": ["calm", "busy"], "locales": {"long": {"texts": {"t": "Mist the ferns twice a day"}}},
    "claims": ["t.width < 60", "t.width > 1 when busy and calm", "t.height > 0", "t.width > 1 when busy and not busy",
               "container.width > 110 when calm"],
    "root": {"kind": "row", "name": "r", "children": [{"kind": "text", "name": "t", "text": "Fern",
      "when": {"busy": {"padding": 20}}}]}})");
  struct Claimed {
    bool holds = true;
    int tests = 0;
    std::vector<std::string> failing;
    bool operator==(const Claimed&) const = default;
  };
  const auto add = [&](const std::vector<std::string>& more, std::map<int, Claimed>& all) {
    std::vector<std::string> args{"check", scene, "--locale", "all", "--mode", "all", "--format", "json"};
    args.insert(args.end(), more.begin(), more.end());
    std::size_t answer = 0;
    const Json answers = Json::parse(testing::run(args).out);
    for (const Json& claim : answers.at("answers").at(0).at("claims")) {
      Claimed& value = all[claim.at("number").get<int>()];
      value.holds = value.holds && claim.at("holds").get<bool>();
      value.tests += claim.at("tests").get<int>();
      for (const Json& one : claim.at("failing")) value.failing.push_back(one.dump());
      ++answer;
    }
    for (auto& one : all) std::ranges::sort(one.second.failing);
    return answer;
  };
  std::map<int, Claimed> whole;
  EXPECT_EQ(add({}, whole), 5U);
  EXPECT_FALSE(whole.at(1).holds);
  EXPECT_TRUE(whole.at(2).holds) << "tested in two variants of eight";
  EXPECT_FALSE(whole.at(4).holds) << "untested";
  for (const int parts : {2, 3, 7, 8, 40}) {
    std::map<int, Claimed> all;
    std::size_t answer = 0;
    for (int part = 1; part <= parts; ++part)
      answer += add({"--shard", std::to_string(part) + "/" + std::to_string(parts)}, all);
    EXPECT_EQ(all, whole) << parts;
    EXPECT_GT(answer, 5U) << "claims are divided";
  }
}

TEST(Check, RefusesAllBadClaimsAtOnceAndWritesNoFile) {
  const std::string target = ::testing::TempDir() + "never_written.xml";
  const testing::Result refused = testing::run({"check", console(), "--claim", "bar.heihgt = 48", "--claim",
                                                "fits(bra)", "--claim", "fits(bar)", "--junit", target});
  EXPECT_EQ(refused.status, 2);
  EXPECT_EQ(refused.err,
            "fond-ladder: error: in the claim \"bar.heihgt = 48\", column 1: \"heihgt\" is not a measure; did you mean "
            "\"height\"?\nfond-ladder: error: in the claim \"fits(bra)\", column 6: \"bra\" is not a node; did you "
            "mean \"bar\"?\n");
  EXPECT_FALSE(std::filesystem::exists(target));
  EXPECT_EQ(testing::run({"check", console(), "--junit", "-"}).status, 2);
  EXPECT_EQ(testing::run({"check", console(), "--junit", "/no/such/folder/claims.xml"}).status, 2);
  // What is to be pasted into a shell is quoted for it.
  const std::string answer =
      testing::run({"check", console(), "--set", "title.text=the keeper's", "--claim", "bar.top = 1"}).out;
  EXPECT_NE(answer.find(R"(--at 360x800 --set 'title.text=the keeper'\''s')"), std::string::npos) << answer;
  const std::string file = testing::temporary(
      "two words.json",
      R"({"format":2,"root":{"kind":"row","name":"r","children":[{"name":"a","kind":"box","copies":2}]}})");
  const std::string copy = testing::run({"check", file, "--claim", "a[1].width = 1", "--set", "r.gap=2"}).out;
  EXPECT_NE(copy.find("see it: fond-ladder explain '" + file + "' 'a[1]' --at 360 --set r.gap=2\n"), std::string::npos)
      << copy;
}

TEST(Check, EveryWordingAndModeIsTestedAndNamed) {
  const auto failing_in = [](const std::vector<std::string>& args, std::size_t claim) {
    std::vector<std::string> names;
    const Json claims = claims_of(args);
    for (const Json& one : claims.at(claim).at("failing")) {
      if (names.empty() || names.back() != one.at("variant")) names.push_back(one.at("variant"));
    }
    return names;
  };
  using Names = std::vector<std::string>;
  constexpr std::size_t fits = 0, bar = 26;
  EXPECT_EQ(failing_in({}, bar), Names{""});
  EXPECT_EQ(failing_in({"--locale", "all"}, bar), (Names{"", "locale long", "locale hebrew"}));
  EXPECT_EQ(failing_in({"--mode", "all"}, bar), (Names{"", "mode closed"}));
  EXPECT_EQ(failing_in({"--locale", "all", "--mode", "all"}, fits), (Names{"locale long", "locale long, mode closed"}));
  EXPECT_EQ(failing_in({"--locale", "long", "--text-expansion", "10%"}, fits),
            Names{""});  // one variant has no need of names
  // Never tested in one variant, and held in the other.
  const std::string beds = "count(body/*) = 2 when container.width < 1200 and not closed";
  const auto holds = [&](const std::vector<std::string>& args) {
    const Json claims = claims_of(args);
    return std::ranges::find_if(claims, [&](const Json& one) { return one.at("claim") == beds; })->at("holds") == true;
  };
  EXPECT_FALSE(holds({"--mode", "closed"}));
  EXPECT_TRUE(holds({"--mode", "all"}));
  EXPECT_EQ(testing::run({"check", console(), "--locale", "al"}).status, 2);
  const std::string answer = testing::run({"check", console(), "--locale", "all", "--mode", "all"}).out;
  EXPECT_TRUE(
      answer.starts_with("North house console from 360 to 1440 wide, in 6 variants: 9 of 26 claims do not hold\n"
                         "variants: as it is; mode closed; locale long; locale long, mode closed; locale hebrew; "
                         "locale hebrew, mode closed\n"))
      << answer.substr(0, 200);
  EXPECT_NE(answer.find(
                "          locale long; locale long, mode closed: from 360 to below 520 wide, 800 high; worst at 360 x "
                "800: alarm.overhang 160, title.overhang 56\n          also at 390 x 844\n          alarm: x 408: the "
                "right of title 400 + gap 8; 96 wide: its width\n          see it: fond-ladder explain " +
                console() + " alarm --at 360x800 --locale long\n"),
            std::string::npos)
      << answer;
}

TEST(Check, SuggestedClaimsHoldAndCanBePasted) {
  const testing::Result answer = testing::run({"check", console(), "--suggest"});
  EXPECT_EQ(answer.status, 0);
  testing::expect_golden("suggest.txt", answer.out);
  std::string scene = testing::file_text(console());
  const std::size_t begin = scene.find("\"claims\": ["), end = scene.find("],\n  \"root\"");
  scene.replace(begin, end - begin + 1, answer.out.substr(answer.out.find("\"claims\"")));
  const testing::Result checked = testing::run({"check", "-"}, scene);
  EXPECT_EQ(checked.status, 0) << checked.out << checked.err;
  // Claims that the scene has already are not told again, in no variant anything that another breaks.
  const testing::Result none = testing::run({"check", "-", "--suggest"}, scene);
  EXPECT_EQ(none.out.find("legend.width = 120"), std::string::npos) << none.out;
  const testing::Result all = testing::run({"check", console(), "--suggest", "--locale", "all", "--format", "json"});
  std::vector<std::string> call{"check", console(), "--locale", "all", "--format", "json"};
  const Json suggested = Json::parse(all.out).at("answers").at(0).at("suggested");
  for (const Json& claim : suggested) call.insert(call.end(), {"--claim", claim.get<std::string>()});
  const Json again = Json::parse(testing::run(call).out).at("answers").at(0).at("claims");
  ASSERT_GT(suggested.size(), 5U);
  for (std::size_t i = again.size() - suggested.size(); i < again.size(); ++i)
    EXPECT_TRUE(again[i].at("holds")) << again[i];
  const std::string bare = R"({"format":2,"root":{"kind":"row","name":"r","children":[]}})";
  EXPECT_EQ(testing::run({"check", "-", "--suggest"}, bare).out.find("fits(r)") != std::string::npos, true);
  EXPECT_EQ(testing::run({"check", console(), "--suggest", "--shard", "1/2"}).status, 2);
}

TEST(Check, SuggestsClaimsAboutSomeNodes) {
  const auto suggested = [](const std::string& about) {
    const testing::Result answer =
        testing::run({"check", console(), "--suggest", "--about", about, "--format", "json"});
    return answer.status == 0 ? Json::parse(answer.out).at("answers").at(0).at("suggested") : Json(answer.err);
  };
  const Json of_some = suggested("alarm,legend"), of_cards = suggested("cards");
  EXPECT_GT(of_some.size(), 1U);
  EXPECT_GT(of_cards.size(), 1U);
  for (const Json& claim : of_some) {
    const std::string text = claim;
    EXPECT_TRUE(text.find("alarm") != std::string::npos || text.find("legend") != std::string::npos) << text;
  }
  EXPECT_THAT(suggested("cards/*/buton").dump(), ::testing::HasSubstr("--about: "));
  EXPECT_THAT(testing::run({"check", console(), "--about", "cards"}).err, ::testing::HasSubstr("add --suggest"));
}

/// Another range of widths, one height, or every height, in place of the ladder's.
TEST(Check, LooksAtTheSizesThatAreAskedFor) {
  const std::string scene = R"({"format":2,"ladder":{"width":[100,400],"height":[100,300],
    "named_sizes":{"small":[120,100],"wide":[380,300]}},
    "root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1}]}})";
  const struct {
    std::vector<std::string> words;
    const char* claim;
    bool holds;
  } cases[] = {
      {{}, "a.width >= 100 and a.width <= 400", true},
      {{}, "a.width >= 200", false},
      {{"--width", "200..300"}, "a.width >= 200 and a.width <= 300", true},
      {{"--width", "250"}, "a.width = 250", true},
      {{"--width", "all"}, "a.width <= 300", false},
      {{"--width", "50..500"}, "a.width <= 400", false},
      {{}, "a.height = 100 or a.height = 300", true},  // both ends of the ladder's heights
      {{"--height", "150"}, "a.height = 150", true},
      {{"--height", "all"}, "a.height >= 100", true},
      {{"--height", "all"}, "a.height >= 150", false},
      {{"--height", "150..200"}, "a.height >= 150 and a.height <= 200", true},
      {{"--height", "150..200", "--width", "200..300"}, "a.height >= 150 and a.width >= 200", true},
  };
  for (const auto& [words, claim, holds] : cases) {
    std::vector<std::string> call{"check", "-", "--claim", claim};
    call.insert(call.end(), words.begin(), words.end());
    const testing::Result answer = testing::run(call, scene);
    EXPECT_EQ(answer.status, holds ? 0 : 1) << claim << answer.out << answer.err;
  }
  EXPECT_THAT(testing::run({"check", "-", "--claim", "a.width = 250", "--width", "250"}, scene).out,
              ::testing::HasSubstr("250"));
  const std::string flat = R"({"format":2,"ladder":{"width":[100,400],"height":200},
    "root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1}]}})";
  EXPECT_EQ(testing::run({"check", "-", "--claim", "a.height = 200", "--height", "all"}, flat).status, 0);
  const std::string drawn = testing::run({"map", "-", "--format", "json", "--claim", "fits(r)"}, flat).out;
  const Json ladder = Json::parse(drawn).at("answers").at(0).at("at");
  EXPECT_EQ(ladder.at("height").at("from"), 100);  // of one height, half of it to one and a half
  EXPECT_EQ(ladder.at("height").at("to"), 300);
  const std::string none = R"({"format":2,"root":{"kind":"row","name":"r","children":[]}})";
  EXPECT_THAT(testing::run({"check", "-", "--claim", "fits(r)", "--height", "all"}, none).err,
              ::testing::HasSubstr("the ladder has no height; write a range, as in --height 240..900"));
}

}  // namespace
}  // namespace fond_ladder
