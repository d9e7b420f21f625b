// SPDX-License-Identifier: MIT
//
// What the commands say of lists of which only what is in view is arranged, each sentence beside a neighbor without
// it.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;
using ::testing::HasSubstr;
using ::testing::Not;

/// Entries of 20 in a view of 100, a gap of 2 between; narrow ones take two lines.
std::string log_of(const std::string& copies, const std::string& claims = "", const std::string& view = "true") {
  return R"({"format":2,"title":"Log","ladder":{"width":[100,200],"height":120},"claims":[)" + claims +
         R"(],"root":{"kind":"column","name":"screen","children":[{"kind":"column","name":"log","weight":1,"gap":2,)"
         R"("scroll":"y","virtualized":)" +
         view + R"(,"children":[{"kind":"text","name":"entry","text":"Sown in moss","copies":)" + copies +
         R"(}]},{"kind":"box","name":"foot","height":20}]}})";
}

std::string answer(const std::vector<std::string>& words, const std::string& scene, int status = 0) {
  const testing::Result result = testing::run(words, scene);
  EXPECT_EQ(result.status, status) << result.err;
  return result.out + result.err;
}

TEST(ListsInViewTold, MeasureSaysHowLongTheListIsAndWhatThatIsKnownFrom) {
  const std::vector<std::string> measure{"measure", "-", "--at", "200"};
  EXPECT_THAT(answer(measure, log_of("1000000")),
              HasSubstr("\n  log: about 21,999,998 high, estimated from 5 of 1,000,000 entries\n"));
  EXPECT_THAT(answer(measure, log_of("5")), Not(HasSubstr("estimated")));
  EXPECT_THAT(answer(measure, log_of("500", "", "false")), Not(HasSubstr("estimated")));
  const Json json = Json::parse(answer({"measure", "-", "--at", "200", "--format", "json"}, log_of("1000000")));
  const Json list = json.at("answers").at(0).at("estimated").at(0);
  EXPECT_EQ(list, (Json{{"path", "screen/log"}, {"height", 21999998}, {"from", 5}, {"entries", 1000000}}));
  EXPECT_FALSE(Json::parse(answer({"measure", "-", "--at", "200", "--format", "json"}, log_of("5")))
                   .at("answers")
                   .at(0)
                   .contains("estimated"));
}

TEST(ListsInViewTold, EntriesComeIntoViewByScrolling) {
  const std::string scene = log_of("1000000");
  EXPECT_THAT(
      answer({"measure", "-", "--at", "200", "--scrolled", "log=2200"}, scene),
      AllOf(HasSubstr("log scrolled to 2200 of 21999898"), HasSubstr("entry[100]"), Not(HasSubstr("entry[99]"))));
  EXPECT_THAT(answer({"measure", "-", "--at", "200", "--hit", "9,95", "--scrolled", "log=end"}, scene),
              HasSubstr("at 9,95: screen/log/entry[999999]\n"));
  EXPECT_THAT(
      answer({"explain", "-", "entry[100]", "--at", "200", "--scrolled", "log=2200"}, scene),
      HasSubstr("screen/log/entry[100] in Log with log scrolled to 2200 of 21999898 at 200 x 120\na text, 200 x 20"));
  EXPECT_THAT(answer({"explain", "-", "entry[100]", "--at", "200"}, scene, 2),
              HasSubstr("entry[100] is not in view at 200 x 120, and its list arranges only what is in view; scroll to "
                        "it with --scrolled, or ask for entry[0]"));
  EXPECT_THAT(answer({"explain", "-", "entry[1000000]", "--at", "200"}, scene, 2),
              HasSubstr("\"entry[1000000]\" is not a node"));
  EXPECT_THAT(answer({"measure", "-", "--at", "200", "--settings", "entry[77]"}, scene),
              HasSubstr("screen/log/entry[0] in Log at 200 x 120: 3 settings"));
}

TEST(ListsInViewTold, ClaimsAboutEntriesAreReadWhereTheyAre) {
  const struct {
    const char *claim, *says;
    int status;
  } cases[] = {
      {"log/entry[*].height >= 20", "the claim holds, sampled at whole widths", 0},
      {"log/entry[0].height >= 20", "the claim holds, proved for every width", 0},
      {"log/entry[*].bottom <= log.bottom", "worst at 100 x 120: entry[2].bottom 124, log.bottom 100", 1},
      {"count(log/entry[*]) <= 5", "the claim holds, sampled at whole widths", 0},
      {"count(log/entry[*]) <= 4", "from 116 to 200 wide", 1},
      {"log/entry[999999].bottom <= foot.top with log.scrolled = end", "the claim holds, sampled at whole widths", 0},
      {"log/entry[999999].bottom <= foot.top - 1 with log.scrolled = end",
       "see it: fond-ladder explain - 'entry[999999]' --at 100x120 --scrolled log=end", 1},
      {"log/entry[999999].bottom <= 0", "untested", 1},
      {"log/entry[1000000].bottom <= 0", "is not a node", 2},
      {"log.content_height > 1e6", "the claim holds, sampled at whole widths", 0},
      {"fits(screen)", "the claim holds, sampled at whole widths", 0},
      {"log.height = 100", "the claim holds, proved for every width", 0},
      {"foot.top = 100", "the claim holds, proved for every width", 0},
  };
  for (const auto& [claim, says, status] : cases) {
    EXPECT_THAT(answer({"check", "-", "--claim", claim, "--color", "never"}, log_of("1000000"), status),
                HasSubstr(says))
        << claim;
  }
  EXPECT_THAT(answer({"check", "-"}, log_of("1000000", R"("foot.top = 100","log/entry[*].height >= 20")")),
              HasSubstr("all 2 claims hold, 1 of them not proved everywhere"));
  EXPECT_THAT(answer({"check", "-", "--height", "60..240"}, log_of("1000", R"("log/entry[*].height >= 20")")),
              HasSubstr("sampled at some sizes"));
}

TEST(ListsInViewTold, SweepsTellWhatComesIntoView) {
  const std::string scene = log_of("1000000");
  EXPECT_THAT(answer({"sweep", "-", "--show", "log.content_height"}, scene),
              AllOf(HasSubstr("`entry[0]` goes from 2 lines to 1"), HasSubstr("nothing is proved between the steps")));
  EXPECT_THAT(answer({"sweep", "-", "--show", "foot.top"}, scene), Not(HasSubstr("nothing is proved")));
  EXPECT_THAT(answer({"sweep", "-", "--show", "entry[7].top"}, scene, 2),
              HasSubstr("\"entry[7]\" is an entry of a virtualized list and exists only in view; name the first entry, "
                        "as in entry[0]"));
  const std::string differing = log_of(R"([{},{"text":"Watered in the morning"},{},{},{},{},{},{},{},{},{}])");
  const std::string breakpoints = answer({"sweep", "-", "--show", "log.content_height"}, differing);
  EXPECT_THAT(breakpoints, HasSubstr("another entry of `log` comes into view"));
}

TEST(ListsInViewTold, NothingLandsBetweenCopies) {
  const std::vector<std::string> drop_target{"measure", "-", "--at", "200", "--drop-at", "9,30", "--dragged", "foot"};
  EXPECT_THAT(answer(drop_target, log_of("1000000")), HasSubstr("a virtualized list holds copies only"));
  EXPECT_THAT(answer(drop_target, log_of("[{},{},{}]")), Not(HasSubstr("list of copies")));
}

TEST(ListsInViewTold, ATryIsMadeInTheOneThatIsCopied) {
  const testing::Result tidy = testing::run({"tidy", "-", "--set", "log/entry.font_size=20"}, log_of("1000000"));
  EXPECT_EQ(tidy.status, 0) << tidy.err;
  EXPECT_THAT(tidy.out, AllOf(HasSubstr("\"copies\": 1000000"), HasSubstr("\"font_size\": 20"),
                              HasSubstr("\"virtualized\": true")));
  EXPECT_THAT(answer({"measure", "-", "--at", "200", "--vary", "log/entry[0].font_size=16,20"}, log_of("1000000")),
              HasSubstr("entry[0]"));
}

}  // namespace
}  // namespace fond_ladder
