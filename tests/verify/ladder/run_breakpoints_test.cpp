// SPDX-License-Identifier: MIT
//
// Runs of a quantity that meet: what is a bend, a jump, a curve, and what is nothing.
#include "verify/ladder/run_breakpoints.hpp"

#include <gtest/gtest.h>

#include <sstream>

namespace fond_ladder {
namespace {

Run line(double from, double to, std::optional<double> value, double slope = 0) {
  Run run;
  run.from = from;
  run.to = to;
  run.value = value;
  run.slope = slope;
  return run;
}
Run curve(double from, double to, double value, double slope, double end, double end_slope) {
  Run run = line(from, to, value, slope);
  run.sampled = run.bends = true;
  run.end = end;
  run.end_slope = end_slope;
  return run;
}

std::string text_of(const Runs& runs) {
  std::ostringstream text;
  for (Breakpoint& breakpoint : breakpoints_of(runs)) {
    breakpoint.name = "q";
    text << breakpoint << "; ";
  }
  return text.str();
}

TEST(RunTurns, AreWhereTheNewValueBegins) {
  const Runs goes_on{line(0, 50, 60), line(50, 50.0001, 60, 0.5), line(50.0001, 100, 200)};
  const Runs begins{line(0, 49.9999, 60), line(49.9999, 50, 200, 0.5), line(50, 100, 200)};
  EXPECT_EQ(breakpoints_of(goes_on).at(0).at, 50.0001);  // 50 belongs to the old value still
  EXPECT_EQ(breakpoints_of(begins).at(0).at, 49.9999);
}

TEST(RunTurns, SayWhetherASizeBelongsToWhatIsBehindIt) {
  Runs runs{line(0, 50, 60), line(50, 100, 200)};
  EXPECT_EQ(text_of(runs), "at 50: q jumps from 60 to 200; ");
  runs[1].at_from = std::optional(60.0);
  EXPECT_EQ(text_of(runs), "above 50: q jumps from 60 to 200; ");
}

TEST(RunTurns, AreWhatHappensBetweenTwoRuns) {
  const struct {
    const char* what;
    Runs runs;
    const char* breakpoints;
  } cases[] = {
      {"one line", {line(0, 100, 5, 1)}, ""},
      {"a bend", {line(0, 50, 0, 1), line(50, 100, 50, 0)}, "at 50: q bends at 50, its slope from 1 to 0; "},
      {"a jump", {line(0, 50, 0, 1), line(50, 100, 20, 1)}, "at 50: q jumps from 50 to 20; "},
      {"it comes", {line(0, 50, {}), line(50, 100, 20)}, "at 50: q jumps from hidden to 20; "},
      {"it is away all the time", {line(0, 50, {}), line(50, 100, {})}, ""},
      {"a tolerance ahead of a round number",
       {line(0, 49.99995, 0, 1), line(49.99995, 100, 20, 1)},
       "at 50: q jumps from 50 to 20; "},
      {"what a tolerance alone makes is passed over",
       {line(0, 50, 0, 1), line(50, 50.0001, 7, 0), line(50.0001, 100, 50.0001, 1)},
       ""},
      {"a jump behind what is too short to tell, and goes on",
       {line(0, 50, 60), line(50, 50.0001, 60, 0.5), line(50.0001, 100, 200)},
       "at 50: q jumps from 60 to 200; "},
      {"a curve, and the line behind it",
       {line(0, 50, 0, 1), curve(50, 70, 50, 1, 75, 2), line(70, 100, 75, 0.5)},
       "at 50: q follows a curve up to 70; "},
      {"two curves that are one",
       {curve(0, 50, 0, 1, 60, 2), curve(50, 100, 60, 2, 200, 4)},
       "at 0: q follows a curve up to 100; "},
      {"a curve that bends",
       {curve(0, 50, 0, 1, 60, 2), curve(50, 100, 60, 1, 150, 2)},
       "at 0: q follows a curve up to 50; at 50: q follows a curve up to 100; "},
      {"a curve that breaks off",
       {curve(0, 50, 0, 1, 60, 2), line(50, 100, 30, 1)},
       "at 0: q follows a curve up to 50; at 50: q jumps from 60 to 30; "},
  };
  for (const auto& one : cases) EXPECT_EQ(text_of(one.runs), one.breakpoints) << one.what;
}

TEST(RunTurns, ACurveIsKnownAtItsSamples) {
  auto run = curve(0, 10, 0, 0, 100, 20);
  run.samples = {{5, 25}};
  EXPECT_EQ(run.at(0), 0);
  EXPECT_EQ(run.at(5), 25);
  EXPECT_EQ(run.at(10), 100);
  EXPECT_EQ(run_at({line(0, 5, 1), line(5, 9, 2)}, 5).value, 2);
  EXPECT_EQ(run_at({line(0, 5, 1), line(5, 9, 2)}, 4.9).value, 1);
}

TEST(RunTurns, PartsOfAWayGoOnWhereTheyAreOneLine) {
  Runs runs{line(0, 400, 0, 1)};
  append(runs, {line(400, 500, 400, 1), line(500, 800, 500, 0)});
  ASSERT_EQ(runs.size(), 2U);
  EXPECT_EQ(runs[0].to, 500);
  append(runs, {curve(800, 900, 500, 0, 600, 2)});
  EXPECT_EQ(runs.size(), 3U) << "what is sampled is not proved by what is before it";
}

}  // namespace
}  // namespace fond_ladder
