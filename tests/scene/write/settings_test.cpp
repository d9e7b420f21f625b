// SPDX-License-Identifier: MIT
//
// Who decides a key: every source beats those before it, and is named.
#include <gtest/gtest.h>

#include "fond_ladder/edit.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/settings.hpp"
#include "support/program.hpp"

namespace fond_ladder {
namespace {

/// `value source name` of the width of node `a`, of each child in turn one source stronger.
std::string width_of(const std::string& row_keys, const std::string& child, double width, bool mode,
                     const char* edit = nullptr) {
  Draft draft(R"({"format":2,"ranges":[{"name":"low","below_width":100},{"name":"lower","below_width":50}],
      "modes":["dim","night"],"shared":{"s":{"width":3}},
      "parts":{"p":{"kind":"box","width":2},"q":{"kind":"row","children":[{"kind":"box","name":"a","width":8}]}},
      "root":{"kind":"row","name":"r",)" +
                  row_keys + R"("children":[)" + child + "]}}",
              "s");
  if (edit != nullptr) draft.apply({Edit::Does::set, edit});
  const Scene& scene = draft.scene();
  const std::vector<std::string> modes = mode ? std::vector<std::string>{"night", "dim"} : std::vector<std::string>{};
  for (const Setting& setting : settings(scene, scene.tree.at("a"), {width, 10}, modes)) {
    if (setting.key != "width") continue;
    return setting.value + " " + std::string(word(setting.source)) + (setting.name.empty() ? "" : " " + setting.name);
  }
  return "none";
}

TEST(Settings, NameTheSourceThatWins) {
  const std::string each = R"("each_child":{"width":1},)";
  const std::string whens = R"(,"when":{"night":{"width":8},"low":{"width":6},"dim":{"width":7},"lower":{"width":5}}})";
  const struct {
    std::string row_keys, child;
    double width;
    bool mode;
    const char* says;
  } cases[] = {
      {"", R"({"kind":"box","name":"a"})", 200, false, " default"},
      {each, R"({"kind":"box","name":"a"})", 200, false, "1 each_child"},
      {each, R"({"part":"p","name":"a"})", 200, false, "2 part p"},
      {each, R"({"part":"p","name":"a","like":"s"})", 200, false, "3 shared s"},
      {each, R"({"part":"p","name":"a","like":"s","with":{"width":4}})", 200, false, "4 with"},
      {each, R"({"part":"p","name":"a","like":"s","with":{"width":4},"width":9})", 200, false, "9 own"},
      {each, R"({"kind":"box","name":"a","width":9)" + whens, 100, false, "9 own"},
      {each, R"({"kind":"box","name":"a","width":9)" + whens, 99, false, "6 range low"},
      {each, R"({"kind":"box","name":"a","width":9)" + whens, 50, false, "6 range low"},
      {each, R"({"kind":"box","name":"a","width":9)" + whens, 49, false, "5 range lower"},
      {each, R"({"kind":"box","name":"a","width":9)" + whens, 49, true, "8 mode night"},
      {each, R"({"kind":"box","name":"a","width":9,"when":{"low":{"width":null}}})", 49, false, "null range low"},
      {"", R"({"part":"q","name":"b"})", 200, false, "8 part q"},
      {"", R"({"part":"q","name":"b","with":{"a":{"width":5}}})", 200, false, "5 with"},
  };
  for (const auto& [row_keys, child, width, mode, says] : cases) {
    EXPECT_EQ(width_of(row_keys, child, width, mode), says) << child << width;
  }
  EXPECT_EQ(width_of(each, R"({"kind":"box","name":"a","width":9)" + whens, 49, true, "a.width=12"), "8 mode night")
      << "as in the file";
  EXPECT_EQ(width_of(each, R"({"kind":"box","name":"a","width":9)" + whens, 100, false, "a.width=12"), "12 edit");
}

TEST(Settings, AKeyIsSaidAsAWhole) {
  EXPECT_EQ(width_of(R"("each_child":{"margin":5},)", R"({"kind":"box","name":"a","margin":{"left":1}})", 9, false),
            " default");
  const Scene scene = read_scene(R"({"format":2,"root":{"kind":"row","name":"r","each_child":{"kind":"box","margin":5},
      "children":[{"name":"a","margin":{"left":1}}]}})",
                                 "s");
  EXPECT_EQ(solve(scene, {10, 10})["a"].y, 0);
}

TEST(Settings, TheProgramShowsThemAndWhatDoesNothing) {
  const std::string scene = R"({"format":2,"title":"S","root":{"kind":"stack","name":"r","children":[
      {"kind":"box","name":"a","grow":2,"width":5}, {"kind":"row","name":"b","columns":3,"gap":2}]}})";
  const testing::Result result = testing::run({"measure", "-", "--at", "90x20", "--settings", "a"}, scene);
  EXPECT_EQ(result.err,
            "hint: 3 settings have no effect here: grow of r/a, columns of r/b, gap of r/b; lint says why\n");
  EXPECT_EQ(result.out.substr(0, result.out.find("at their")),
            "r/a in S at 90 x 20: 4 settings\n\nsetting  value  from\nkind     \"box\"  own\nname     \"a\"    "
            "own\nwidth    5      own\ngrow     2      own   no effect here\n\n");
  const testing::Result json =
      testing::run({"measure", "-", "--at", "9x9", "--settings", "b", "--format", "json"}, scene);
  EXPECT_NE(json.out.find(R"({"key": "columns", "value": 3, "source": "own", "has_effect": false})"),
            std::string::npos);
  EXPECT_NE(json.out.find(R"({"key": "wrap", "value": false, "source": "default"})"), std::string::npos);
}

TEST(Settings, OneLineTellsWhatIsKnownToDoNothingWithoutSolving) {
  const auto hint = [](const char* node) {
    return testing::run(
               {"measure", "-", "--at", "90x20"},
               R"({"format":2,"ranges":[{"name":"n","below_width":50}],"root":{"kind":"row","name":"r","children":[)" +
                   std::string(node) + "]}}")
        .err;
  };
  const struct {
    const char *has, *has_not, *says;
  } cases[] = {
      {R"({"kind":"box","name":"a","weight":1,"width":50})", R"({"kind":"box","name":"a","weight":1,"height":50})",
       "width of r/a"},
      {R"({"kind":"box","name":"a","weight":1,"width":50})",
       R"({"kind":"box","name":"a","weight":1,"width":50,"when":{"n":{"weight":null}}})", "width of r/a"},
      {R"({"kind":"row","name":"a","width":9,"height":9,"gap":{"x":4,"y":2},"children":[{"kind":"box"},{"kind":"box"}]})",
       R"({"kind":"row","name":"a","width":9,"height":9,"gap":4,"children":[{"kind":"box"},{"kind":"box"}]})",
       "gap.y of r/a"},
      {R"({"kind":"row","name":"a","width":9,"height":9,"gap":4,"children":[{"kind":"box"}]})",
       R"({"kind":"row","name":"a","width":9,"height":9,"children":[{"kind":"box"}]})", "gap of r/a"},
      {R"({"kind":"column","name":"a","width":9,"height":9,"gap":{"x":4,"y":2},"children":[{"kind":"box"},{"kind":"box"}]})",
       R"({"kind":"column","name":"a","wrap":true,"gap":{"x":4,"y":2},"children":[{"kind":"box"},{"kind":"box"}]})",
       "gap.x of r/a"},
  };
  for (const auto& [has, has_not, says] : cases) {
    EXPECT_EQ(hint(has), "hint: 1 setting has no effect here: " + std::string(says) + "; lint says why\n") << has;
    EXPECT_EQ(hint(has_not), "") << has_not;
  }
}

TEST(Settings, DefaultsAreToldWithTheirValues) {
  const std::string out = testing::run({"measure", "-", "--at", "90x20", "--settings", "r"},
                                       R"({"format":2,"root":{"kind":"row","name":"r","gap":4}})")
                              .out;
  EXPECT_NE(out.find("along start, across stretch"), std::string::npos) << out;
  EXPECT_NE(out.find("not set: "), std::string::npos) << out;
}

}  // namespace
}  // namespace fond_ladder
