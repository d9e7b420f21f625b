// SPDX-License-Identifier: MIT
//
// What the small scenes of examples/idioms/ are there to show, at the sizes where it changes.
#include <gtest/gtest.h>

#include <filesystem>
#include <set>

#include "fond_ladder/scene_file.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

const std::string idioms = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/idioms/";

struct Shown {
  const char *scene, *at, *mode, *boxes;
};

const Shown shown[] = {
    {"named_ranges", "600x400", "", "beds(0,0 200x400) map(216,0 384x400)"},
    {"named_ranges", "599.99x400", "", "beds(0,0 599.99x80) map(0,96 599.99x304)"},
    {"up_down_within", "399.99", "", "strip(0,0 399.99x20)"},
    {"up_down_within", "400", "", "strip(0,0 400x40)"},
    {"up_down_within", "500", "", "strip(0,0 500x60)"},
    {"up_down_within", "600", "", "strip(0,0 600x40)"},
    {"up_down_within", "800", "", "strip(0,0 800x80)"},
    {"vanishing", "500x200", "", "list(0,0 120x200) map(140,0 240x200) notes(400,0 100x200)"},
    {"vanishing", "499x200", "", "list(0,0 159.667x200) map(179.667,0 319.333x200)"},
    {"other_map", "600x400", "", "bar(0,0 600x50) beds(0,60 200x340) map(210,60 390x340)"},
    {"other_map", "599x400", "", "bar(0,0 599x50) beds(0,60 599x80) map(0,150 599x250)"},
    {"seen_order", "400x100", "", "clock(100,0 60x100) alarm(0,0 90x100) line(170,0 80x100)"},
    {"seen_order", "399x100", "", "clock(0,0 60x100) alarm(160,0 90x100) line(70,0 80x100)"},
    {"mirrored", "300x100", "", "title(210,0 80x100) alarm(30,0 40x100) badge(4,4 12x12) seal(50,4 12x12)"},
    {"zoom", "400", "", "bar(20,20 360x60) note(20,90 240x40)"},
    {"folded", "500x200", "", "beds(0,0 180x200) map(200,0 300x200)"},
    {"folded", "500x200", "folded", "map(0,0 500x200)"},
    {"empty_boxes", "400x300", "",
     "bar(0,0 400x40) body(0,40 400x260) beds(0,40 100x260) work(100,40 300x260) map(100,40 300x195) "
     "strip(100,235 300x65)"},
    {"by_count", "300x60", "",
     "tray[0](0,0 67.5x60) tray[1](77.5,0 67.5x60) tray[2](155,0 67.5x60) tray[3](232.5,0 67.5x60)"},
    {"by_count", "299x60", "", "tray[0](0,0 144.5x60) tray[1](154.5,0 144.5x60)"},
    {"one_place", "300x200", "",
     "alarm(0,0 90x30) first(0,40 196x38) yes(4,44 90x30) no(102,44 90x30) second(0,88 226x38) yes(4,92 90x30) "
     "no(102,92 120x30)"},
    {"direct_children", "400x100", "", "left(0,0 100x100) pot(0,0 30x100) right(100,0 300x100)"},
    {"turned_split", "400x300", "", "list(0,0 100x300) map(100,0 300x300)"},
    {"turned_split", "400x300", "turned", "list(0,0 400x75) map(0,75 400x225)"},
    {"kept_settings", "400x200", "", "dial(20,20 100x50) log(130,20 250x160)"},
    {"kept_settings", "399x200", "", "dial(0,0 100x50) log(0,60 399x140)"},
};

struct Counted {
  const char *scene, *at, *locale, *quantities, *values;
};

const Counted counted[] = {
    {"fits_its_place", "550", "", "side.columns middle.columns", "1 3"},
    {"fits_its_place", "680", "", "side.columns middle.columns", "1 5"},
    {"tied", "600x300", "", "title.left title.width note.top note.width rule.top", "142 448 98 580 122"},
    {"tied", "300x300", "", "title.left title.height note.top rule.width", "142 100 118 280"},
    {"kit", "419", "", "seed/photo.left seed.height button.width", "17 58 43.2"},
    {"shelf", "640", "", "fern/photo.left sage.height fern/sow.width", "28 76 81.6"},
    {"long_list", "300x400", "", "log/entry[0].height log/entry[0]/note.lines foot.top", "44 2 360"},
    {"long_list", "560x400", "", "log/entry[0].height log/entry[0]/note.lines", "24 1"},
    {"entries", "400", "", "entry[0].height entry[1].height entry[2]/day.top", "20 40 84"},
    {"outlined", "400x120", "", "ringed.left chosen.left ringed.top chosen.height", "139.667 271.333 11 104"},
    {"own_width", "600x200", "", "first.tight second.tight second.height", "1 0 80"},
    {"own_width", "559x200", "", "first.tight second.tight second.height", "1 1 70"},
    {"shape_by_wrapping", "620", "", "cards.lines sage.width", "1 200"},
    {"shape_by_wrapping", "619", "", "cards.lines sage.width", "2 619"},
    {"shape_by_wrapping", "409", "", "cards.lines sage.width", "3 409"},
    {"real_words", "259", "", "name.lines foot.width about.height", "1 235 39.2"},
    {"real_words", "440", "", "name.lines foot.width about.height", "1 416 19.6"},
    {"filled_differently", "320", "", "oak.width fern.width cards.height", "100 100 74"},
    {"filled_differently", "320", "long", "oak.width fern.width cards.height", "100 100 84"},
};

std::vector<std::string> words_of_list(const std::string& list) {
  std::istringstream in(list);
  return {std::istream_iterator<std::string>(in), {}};
}

TEST(Examples, EveryIdiomDoesWhatItShows) {
  std::set<std::string> edited;
  for (const auto& [name, at, mode, boxes] : shown) {
    const Scene scene = read_scene_file(idioms + name + ".scene.json");
    EXPECT_EQ(testing::boxes_text(solve(scene, testing::size_from(at), words_of_list(mode))), boxes)
        << name << " " << at;
    edited.insert(name);
  }
  for (const auto& [name, at, locale, quantities, values] : counted) {
    Scene scene = read_scene_file(idioms + name + ".scene.json");
    if (*locale != 0) apply_locale(scene, locale);
    std::string measured;
    const Sweep swept = sweep(scene, {testing::size_from(at)}, words_of_list(quantities));
    for (const auto& value : swept.steps[0].values) {
      measured += (measured.empty() ? "" : " ") + testing::short_number(*value);
    }
    EXPECT_EQ(measured, values) << name << " " << at;
    edited.insert(name);
  }
  for (const auto& file : std::filesystem::directory_iterator(idioms)) {
    const std::string name = file.path().filename().string();
    EXPECT_TRUE(edited.contains(name.substr(0, name.find('.')))) << name;
  }
}

}  // namespace
}  // namespace fond_ladder
