// SPDX-License-Identifier: MIT
//
// Track sizes worked out by hand from CSS Grid Layout 2, section 12, in a compact form: tracks as `min..max`, children
// as `first+count:minimum/min-content/max-content`, and the sizes that come out.
#include "solve/sharing/tracks.hpp"

#include <gtest/gtest.h>

#include <sstream>

#include "support/shorthand.hpp"

namespace fond_ladder::detail {
namespace {

void read_bound(const std::string& text, TrackWay& way, double& px, double& share) {
  if (text == "auto") {
    way = TrackWay::content;
  } else if (text == "min") {
    way = TrackWay::min_content;
  } else if (text == "max") {
    way = TrackWay::max_content;
  } else if (text.ends_with("fr")) {
    way = TrackWay::share;
    share = std::stod(text);
  } else {
    way = TrackWay::fixed;
    px = std::stod(text);
  }
}

std::string sized(const std::string& tracks_text, const std::string& children, double gap, Space asked, double space,
                  bool stretch) {
  std::vector<SizedTrack> tracks;
  std::istringstream words(tracks_text);
  for (std::string word; words >> word;) {
    const std::size_t dots = word.find("..");
    SizedTrack track;
    read_bound(word.substr(0, dots), track.min, track.least, track.share);
    read_bound(dots == std::string::npos ? word : word.substr(dots + 2), track.max, track.most, track.share);
    if (track.min == TrackWay::share) track.min = TrackWay::content;
    tracks.push_back(track);
  }
  std::vector<CrossingClaim> crossing;
  std::istringstream items(children);
  for (std::string word; items >> word;) {
    CrossingClaim child;
    char skip = 0;
    std::istringstream in(word);
    in >> child.first >> skip >> child.count >> skip >> child.claim.minimum >> skip >> child.claim.min_content >>
        skip >> child.claim.max_content;
    if (child.count == 1) {
      claim_alone(tracks[child.first], child.claim);
    } else {
      crossing.push_back(child);
    }
  }
  TrackScratch scratch;
  size_tracks(tracks, crossing, gap, asked, space, stretch, scratch);
  std::string text;
  for (const SizedTrack& track : tracks) text += (text.empty() ? "" : " ") + testing::short_number(track.base);
  return text;
}

TEST(Tracks, AreSizedAsTheStandardSays) {
  const struct {
    const char *name, *tracks, *children;
    double gap;
    Space asked;
    double space;
    const char* sizes;
  } cases[] = {
      {"fixed", "100 50", "", 10, Space::known, 300, "100 50"},
      {"a maximum below the minimum is the minimum", "100..50", "", 0, Space::known, 300, "100"},
      {"minmax grows to its maximum, equally", "20..60 20..100", "", 0, Space::known, 130, "60 70"},
      {"and no further", "20..60 20..100", "", 0, Space::known, 500, "60 100"},
      {"minima stand where there is no space", "20..60 20..100", "", 0, Space::known, 10, "20 20"},
      {"content, space for all", "auto auto", "0+1:10/10/40 1+1:20/20/60", 0, Space::known, 200, "40 60"},
      {"content, less space", "auto auto", "0+1:10/10/40 1+1:20/20/60", 0, Space::known, 50, "20 30"},
      {"content, no space", "auto auto", "0+1:10/10/40 1+1:20/20/60", 0, Space::known, 5, "10 20"},
      {"min-content and max-content", "min max", "0+1:10/10/40 1+1:20/20/60", 0, Space::known, 500, "10 60"},
      {"automatic under the narrowest question", "auto auto", "0+1:0/10/40", 5, Space::min_content, 0, "10 0"},
      {"automatic under the widest question", "auto auto", "0+1:0/10/40", 5, Space::max_content, 0, "40 0"},
      {"a minimum below the content, space known", "auto", "0+1:0/10/40", 0, Space::known, 5, "5"},
      {"limited by a fixed maximum", "auto..30", "0+1:0/50/80", 0, Space::min_content, 0, "30"},
      {"shares", "1fr 2fr", "", 10, Space::known, 310, "100 200"},
      {"shares beside a length", "100 1fr", "", 0, Space::known, 250, "100 150"},
      {"shares that add to less than 1", "0..0.25fr 0..0.25fr", "", 0, Space::known, 400, "100 100"},
      {"a share whose minimum is larger than its part", "1fr 1fr", "0+1:150/150/150", 0, Space::known, 200, "150 50"},
      {"equal tracks whatever is in them", "0..1fr 0..1fr", "0+1:150/150/150", 0, Space::known, 200, "100 100"},
      {"shares by content", "1fr 2fr", "0+1:0/10/30 1+1:0/10/90", 0, Space::max_content, 0, "45 90"},
      {"shares at their narrowest", "1fr 2fr", "0+1:0/10/30 1+1:0/20/90", 0, Space::min_content, 0, "10 20"},
      {"no space for shares", "1fr 300", "0+1:20/20/50", 0, Space::known, 100, "20 300"},
      {"a span shares what is missing equally", "auto auto", "0+1:10/10/10 1+1:10/10/10 0+2:50/50/50", 0, Space::known,
       50, "25 25"},
      {"but first to tracks in which nobody stands", "auto auto", "0+1:10/10/10 0+2:50/50/50", 0, Space::known, 50,
       "10 40"},
      {"the gap belongs to the span", "auto auto", "0+2:50/50/50", 10, Space::known, 50, "20 20"},
      {"a span fills up to limits first", "0..20 auto", "0+2:0/60/60", 0, Space::min_content, 0, "0 60"},
      {"tracks that are not asked grow to their limits", "10..20 min", "0+2:50/50/50", 0, Space::known, 100, "20 40"},
      {"short spans before long ones", "auto auto auto", "0+3:90/90/90 0+2:60/60/60", 0, Space::known, 90, "30 30 30"},
      {"crossing a share: only the share grows", "auto 1fr", "0+2:80/80/80", 0, Space::known, 80, "0 80"},
      {"crossing two shares: in their ratio", "1fr 3fr", "0+2:80/80/80", 0, Space::known, 0, "20 60"},
      {"shares alone and crossed, together", "1fr 1fr", "0+1:100/100/100 0+2:120/120/120", 0, Space::known, 0,
       "100 60"},
      {"a limit by a span", "min..max min..max", "0+2:20/20/60", 0, Space::known, 500, "30 30"},
      {"an endless number of shares is finite", "1000000000fr 1fr", "", 0, Space::known, 1000, "1000 0"},
  };
  for (const auto& [name, tracks, children, gap, asked, space, sizes] : cases) {
    EXPECT_EQ(sized(tracks, children, gap, asked, space, false), sizes) << name;
  }
  EXPECT_EQ(sized("auto 100 auto", "0+1:10/10/40", 0, Space::known, 300, true), "120 100 80") << "stretched equally";
  EXPECT_EQ(sized("auto 1fr", "0+1:10/10/40", 0, Space::known, 300, true), "40 260") << "nothing left to stretch";
}

}  // namespace
}  // namespace fond_ladder::detail
