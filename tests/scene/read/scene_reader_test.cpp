// SPDX-License-Identifier: MIT
#include <gtest/gtest.h>

#include "fond_ladder/scene_file.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// All faults of a text, a line each, without the file's name.
std::string faults(const std::string& json) {
  try {
    static_cast<void>(read_scene(json, "f"));
  } catch (const BadScene& bad) {
    std::string text;
    for (const SceneError& fault : bad.faults()) text += fault.text().substr(2) + "\n";
    return text;
  }
  return "none\n";
}

struct Case {
  const char* node;  // put into {"format":2,"root":...}, which begins at column 20
  const char* fault;
};

const Case cases[] = {
    {R"({"kind":"row"})", "none"},
    {R"({"kind":"row","border_counts":false})",
     "1:34: error: unknown key \"border_counts\"; did you mean \"border_at\"? (at /root/border_counts)"},
    {R"({"kind":"row","overlap":"earlier"})",
     "1:34: error: unknown key \"overlap\"; did you mean \"on_top\"? (at /root/overlap)"},
    {R"({"kind":"row","pin":{"center_x":1}})",
     "1:41: error: unknown key \"center_x\"; did you mean \"middle_x\"? (at /root/pin/center_x)"},
    {R"({"kind":"row","gapp":1})", "1:34: error: unknown key \"gapp\"; did you mean \"gap\"? (at /root/gapp)"},
    {R"({"kind":"row","basis":"fill"})",
     "1:42: error: \"basis\" must be a number (pixels), \"2.5em\", \"24ch\" or \"40%\", or \"content\" (at "
     "/root/basis)"},
    {R"({"kind":"row","width":-1})", "1:42: error: \"width\" must be 0 or more, and at most 1e9 (at /root/width)"},
    {R"({"kind":"row","width":2e9})", "1:42: error: \"width\" must be a number from -1e9 to 1e9 (at /root/width)"},
    {R"({"kind":"row","grow":1e-12})", "1:41: error: \"grow\" must be 0, or from 1e-9 to 1e9 (at /root/grow)"},
    {R"({"kind":"row","aspect_ratio":0})",
     "1:49: error: \"aspect_ratio\" must be from 1e-6 to 1e6 (at /root/aspect_ratio)"},
    {R"({"kind":"row","along":"cnter"})",
     "1:42: error: \"along\" must be start, center, end, between, around, evenly or slots; did you mean \"center\"? "
     "(at /root/along)"},
    {R"({"kind":"rwo"})",
     "1:28: error: \"kind\" must be row, column, grid, stack, box, text or image; did you mean \"row\"? (at "
     "/root/kind)"},
    {R"({"kind":"grid","columns":[100,"2fr","min-content",{"min":"40%","max":"1fr"},)"
     R"({"repeat":"fitting","tracks":["10em"],"empty":"drop"}],"rows":3,"areas":["a b"],"place_items":{"y":"baseline"}})",
     "none"},
    {R"({"kind":"grid","columns":0})",
     "1:45: error: \"columns\" must be from 1 to 10,000 equal tracks, or a list of tracks (at /root/columns)"},
    {R"({"kind":"grid","columns":1000000000})",
     "1:45: error: \"columns\" must be from 1 to 10,000 equal tracks, or a list of tracks (at /root/columns)"},
    {R"({"kind":"grid","columns":10001})", "1:45: error: \"columns\" must be at most 10,000 tracks (at /root/columns)"},
    {R"({"kind":"grid","rows":[{"repeat":1000000000,"tracks":[1]}]})",
     "1:42: error: \"rows\" must be at most 10,000 tracks (at /root/rows)"},
    {R"({"kind":"grid","rows":[{"repeat":0,"tracks":[1]}]})",
     "1:42: error: \"rows\" must repeat tracks 1 time or more (at /root/rows)"},
    {R"({"kind":"grid","rows":[{"repeat":2}]})",
     "1:42: error: \"rows\" must repeat at least one track (at /root/rows)"},
    {R"({"kind":"grid","rows":[{"min":"1fr"}]})",
     "1:42: error: \"rows\" must not have a share (fr) as its minimum; use it as the maximum (at /root/rows)"},
    {R"({"kind":"grid","rows":["1fx"]})",
     "1:43: error: \"rows\" must be a length, \"content\", \"min-content\", \"max-content\", a share as in \"2fr\", or "
     "an "
     "object of min and max (at /root/rows/0)"},
    {R"({"kind":"grid","columns":[{"repeat":"fitting","tracks":["1fr"]}]})",
     "1:45: error: \"columns\" must give fitting tracks a length as minimum or maximum, so that it is known how many "
     "fit (at /root/columns)"},
    {R"({"kind":"grid","columns":[{"repeat":"fitting","tracks":[9]},{"repeat":"fitting","tracks":[9]}]})",
     "1:45: error: \"columns\" must have at most one \"fitting\" repeat (at /root/columns)"},
    {R"({"kind":"grid","areas":["a b","a"]})",
     "1:43: error: \"areas\" must have the same number of names in every line (\".\" leaves a cell free) (at "
     "/root/areas)"},
    {R"({"kind":"grid","areas":["a b","b a"]})",
     "1:43: error: \"areas\" must give \"a\" one rectangle of cells (at /root/areas)"},
    {R"({"kind":"grid","areas":["bar map"],"children":[{"kind":"box","area":"mpa"}]})",
     "1:88: error: no area of the grid is called \"mpa\"; did you mean \"map\"? (at /root/children/0/area)"},
    {R"({"kind":"box","cell":[0,10000]})",
     "1:41: error: \"cell\" must be a column and a row from 0 to 9,999 (at /root/cell)"},
    {R"({"kind":"box","span":[0,1]})",
     "1:41: error: \"span\" must be from 1 to 10,000 tracks, or \"all\", on each axis (at /root/span)"},
    {R"({"kind":"box","span":["all",1.5]})",
     "1:48: error: \"span\" must be two whole numbers from 1, or \"all\" (at /root/span/1)"},
    {R"({"kind":"row","wrap":1})", "1:41: error: \"wrap\" must be true or false (at /root/wrap)"},
    {R"({"kind":"row","padding":{"lef":1}})",
     "1:45: error: unknown key \"lef\"; did you mean \"left\"? (at /root/padding/lef)"},
    {R"({"kind":"row","padding":{"left":"auto"}})",
     "1:52: error: \"padding\" must be a number (pixels), \"2.5em\", \"24ch\" or \"40%\" (at /root/padding/left)"},
    {R"({"kind":"row","width":"240px"})",
     "1:42: error: \"width\" must be a number of pixels without quotes or unit; write 240 (at /root/width)"},
    {R"({"kind":"row","gap":{"x":"8 px"}})",
     "1:45: error: \"gap\" must be a number of pixels without quotes or unit; write 8 (at /root/gap/x)"},
    {R"({"kind":"row","natural_size":["-2.5px",1]})",
     "1:50: error: \"natural_size\" must be a number without quotes or unit; write -2.5 (at /root/natural_size/0)"},
    {R"({"kind":"row","children":[{"kind":"box","grow":"1"}]})",
     "1:67: error: \"grow\" must be a number without quotes or unit; write 1 (at /root/children/0/grow)"},
    {R"({"kind":"row","width":"3pt"})",
     "1:42: error: \"width\" must be a number (pixels), \"2.5em\", \"24ch\" or \"40%\", \"content\" or \"fill\" "
     "(at /root/width)"},
    {R"({"kind":"row","margin":{"left":"auto"}})", "none"},
    {R"({"kind":"row","border":"5%"})",
     "1:43: error: \"border\" must not be a percentage; write pixels or em (at /root/border)"},
    {R"({"kind":"row","order":"frist"})",
     "1:42: error: \"order\" must be a whole number, \"first\" or \"last\" (at /root/order)"},
    {R"({"kind":"row","natural_size":[1]})",
     "1:49: error: \"natural_size\" must be a list of two numbers (at /root/natural_size)"},
    {R"({"kind":"row","pin":{"left":"x"}})",
     "1:48: error: \"pin\" must be a number (pixels), \"2.5em\", \"24ch\" or \"40%\", or tied to an edge as in "
     "\"photo.right + "
     "12\" (at /root/pin/left)"},
    {R"({"kind":"row","scroll":"none"})",
     "1:43: error: \"scroll\" must be x, y or both; here that is the default (at /root/scroll)"},
    {R"({"kind":"row","name":"9x"})",
     "1:41: error: \"name\" must be a letter, then letters, digits, \"_\" or \"-\" (at /root/name)"},
    {R"({"kind":"row","gap":1,"gap":2})", "1:42: error: \"gap\" is given twice (at /root/gap)"},
    {R"({"name":"a"})",
     "1:20: error: \"kind\" is missing; write row, column, grid, stack, box, text or image (at /root)"},
    {R"({"kind":"row","children":{}})", "1:45: error: \"children\" must be a list of nodes (at /root/children)"},
    {R"({"kind":"row","children":[3]})", "1:46: error: a node must be an object with a \"kind\" (at /root/children/0)"},
    {R"({"kind":"row","children":[{"kind":"box","name":"a"},{"kind":"box","name":"a"}]})",
     "1:93: error: two siblings are called \"a\"; the other one is at /root/children/0/name (at "
     "/root/children/1/name)"},
    {R"({"kind":"row","each_child":{"name":"a"},"children":[]})",
     "1:48: error: \"each_child\" cannot give a \"name\" (at /root/each_child/name)"},
    {R"([])", "1:20: error: a node must be an object with a \"kind\" (at /root)"},
};

TEST(SceneReader, NamesPlaceAndRemedyOfEveryFault) {
  for (const Case& one : cases) {
    EXPECT_EQ(faults(std::string("{\"format\":2,\"root\":") + one.node + "}"), std::string(one.fault) + "\n")
        << one.node;
  }
}

TEST(SceneReader, RefusesAGridWithMoreLinesThanAGridCanHave) {
  std::string scene = R"({"format":2,"root":{"kind":"grid","columns":2,"each_child":{"kind":"box"},"children":[{})";
  for (int i = 0; i < 20002; ++i) scene += ",{}";
  EXPECT_EQ(faults(scene + "]}}"),
            "1:20: error: this grid would need more than 10,000 rows for its 20003 children; give it more columns (at "
            "/root)\n");
}

TEST(SceneReader, ChecksTheHead) {
  EXPECT_EQ(faults(R"({"root":{"kind":"row"}})"), "1:1: error: \"format\" is missing; write \"format\": 2\n");
  EXPECT_EQ(faults(R"({"format":2})"), "1:1: error: \"root\" is missing; add the node that fills the container\n");
  EXPECT_EQ(faults(R"({"format":3,"em":0,"direction":"up","ladder":{"width":[9,2],"named_sizes":{"p":[1]}},)"
                   R"("claims":[],"roots":1,"title":3,"root":{"kind":"row"}})"),
            "1:11: error: \"format\" must be 2 (at /format)\n1:18: error: \"em\" must be a number of pixels, more than "
            "0 (at /em)\n1:32: error: \"direction\" must be ltr or rtl (at /direction)\n1:55: error: \"width\" must be "
            "a size, or [from, to] where the larger comes last (at /ladder/width)\n1:80: error: a named size must be a "
            "width or [width, height], in pixels (at /ladder/named_sizes/p)\n1:98: error: unknown key \"roots\"; did "
            "you mean \"root\"? (at /roots)\n1:116: error: \"title\" must be a text in quotes (at /title)\n");
  EXPECT_EQ(faults("[]"), "1:1: error: a scene is a JSON object with the keys \"format\" and \"root\"\n");
  EXPECT_EQ(faults(R"({"format":1,"sc)"
                   R"(ene":"Shed","root":{"kind":"row","re)"
                   R"(st":"end"}})"),
            "1:11: error: \"format\": 1 is no longer read: its keys had other names; write \"format\": 2 and the keys "
            "of docs/format.md (at /format)\n")
      << "one error, and none for each of its keys";
}

TEST(SceneReader, TellsSlipsInJsonInItsOwnWords) {
  const struct {
    const char *text, *fault;
  } cases[] = {
      {R"({"format":2,"root":{"kind":"row",}})",
       "1:33: error: there is a comma before the closing bracket; remove it\n"},
      {R"({"a":[1,2,]})", "1:10: error: there is a comma before the closing bracket; remove it\n"},
      {R"({"format":2 "root":{}})", "1:18: error: a comma is missing before this\n"},
      {R"({"a":[1 2]})", "1:9: error: a comma is missing before this\n"},
      {R"({"format":2,"root":{"kind":"row")",
       "1:33: error: the file ends too early: the { of line 1, column 20 is not closed\n"},
      {"{\"a\":{},// }\n \"b]\":[\"{\"",
       "2:11: error: the file ends too early: the [ of line 2, column 7 is not closed\n"},
      {"{\"a\":[{},\n{\"b\":1]}", "2:7: error: this ] closes nothing: the { of line 2, column 1 is still open\n"},
      {R"({"a":[1}})", "1:8: error: this } closes nothing: the [ of line 1, column 6 is still open\n"},
      {"\"", "1:1: error: the closing quote is missing on this line; write a line break in a text as \\n\n"},
      {"{\"format\":2,\"name\":\"row\n}",
       "1:20: error: the closing quote is missing on this line; write a line break in a text as \\n\n"},
      {R"({"kind:"row"})", "1:9: error: a colon is missing after the key, or a quote in it\n"},
      {R"({"kind" "row"})", "1:13: error: a colon is missing after the key, or a quote in it\n"},
      {R"({"kind":row})", "1:9: error: a word needs double quotes, as in \"row\"\n"},
      {R"({kind:"row"})", "1:2: error: a key needs double quotes, as in \"width\"\n"},
      {R"({"kind":})", "1:9: error: a value is missing before this\n"},
      {R"({"em":016})", "1:7: error: a number cannot begin with 0, except as in 0.5\n"},
      {R"({"text":"a\q"})", "1:12: error: valid escapes are \\\" \\\\ \\/ \\b \\f \\n \\r \\t and \\u\n"},
      {R"({}})", "1:3: error: there is text after the end of the scene; remove it, or one closing bracket\n"},
      {"hello", "1:1: error: this is not JSON: a scene begins with {\n"},
  };
  for (const auto& [text, fault] : cases) EXPECT_EQ(faults(text), fault) << text;
}

TEST(SceneReader, NamesOurWordForThatOfAStandardOrAllThatIsAllowed) {
  const auto fault = [](const std::string& top, const std::string& node) {
    const std::string all = faults(R"({"format":2,)" + top + R"("root":{"kind":"row")" + node + "}}");
    const std::size_t begin = all.find("error: ") + 7;
    return all.substr(begin, all.find(" (at") - begin);
  };
  const struct {
    const char *top, *node, *says;
  } cases[] = {
      {"", R"(,"justify-content":"end")", "unknown key \"justify-content\"; here that is \"along\""},
      {"", R"(,"spacing":3)", "unknown key \"spacing\"; here that is \"gap\""},
      {"", R"(,"justify":"end")", "unknown key \"justify\"; here that is \"along\""},
      {"", R"(,"align_items":"end")", "unknown key \"align_items\"; here that is \"across\""},
      {"", R"(,"alignItems":"end")", "unknown key \"alignItems\"; here that is \"across\""},
      {"", R"(,"flex_direction":"row")", "unknown key \"flex_direction\"; here that is \"kind\": row or column"},
      {"", R"(,"flex_wrap":true)", "unknown key \"flex_wrap\"; here that is \"wrap\": true"},
      {"", R"(,"flex_grow":1)", "unknown key \"flex_grow\"; here that is \"grow\""},
      {"", R"(,"padding_left":1)", "unknown key \"padding_left\"; here that is \"padding\": {\"left\": ...}"},
      {"", R"(,"colspan":2)", "unknown key \"colspan\"; here that is \"span\": [columns, rows]"},
      {"", R"(,"z_index":1)", "unknown key \"z_index\"; here that is \"on_top\" of the parent"},
      {"", R"(,"gap_x":1)", "unknown key \"gap_x\"; here that is \"gap\": {\"x\": ...}"},
      {"", R"(,"overflow":"scroll")", "unknown key \"overflow\"; here that is \"scroll\""},
      {"", R"(,"color":"red")", "unknown key \"color\"; docs/format.md lists every key"},
      {"", R"(,"margin-left":3)", "unknown key \"margin-left\"; here that is \"margin\": {\"left\": ...}"},
      {"", R"(,"min-width":3)", "unknown key \"min-width\"; did you mean \"min_width\"?"},
      {"", R"(,"padding":{"inner":3})", "unknown key \"inner\"; write top, right, bottom, left, start, end, x or y"},
      {"", R"(,"along":"space-between")",
       "\"along\" must be start, center, end, between, around, evenly or slots; here that is \"between\""},
      {R"("ranges":[{"name":"n","min_width":3}],)", "", "unknown key \"min_width\"; here that is \"from_width\""},
      {R"("modes":["m","k"],)", R"(,"when":{"huge":{}})", "no range or mode is called \"huge\"; write m or k"},
      {R"("parts":{"dial":{"kind":"box"}},)", R"(,"children":[{"part":"mushroom"}])",
       "no part is called \"mushroom\"; write dial"},
      {R"("modes":["all"],)", "", "no range or mode can be called \"all\": --mode all means every combination"},
      {R"("ranges":[{"name":"within","from_width":9}],)", "",
       "no range or mode can be called \"within\": claims use that word"},
      {"", R"(,"ranges":[{"name":"not","from_width":9}])",
       "\"ranges\" cannot have the name \"not\": claims use that word"},
      {R"("locales":{"all":{"texts":{}}},)", "",
       "no locale can be called \"all\": on the command line that stands for every locale"},
  };
  for (const auto& [top, node, says] : cases) EXPECT_EQ(fault(top, node), says);
  std::string circle = faults(R"({"format":2,"parts":{"a":{"kind":"row","children":[{"part":"b"}]},"b":{"kind":"row",
      "children":[{"part":"a"}]}},"root":{"kind":"row","children":[{"part":"a"},{"part":"b"}]}})");
  EXPECT_EQ(std::ranges::count(circle, '\n'), 1) << "one circle, one fault: " << circle;
}

TEST(SceneReader, RefusesListsThatCannotShowOnlyWhatIsInView) {
  const struct {
    const char *list, *children, *says;
  } cases[] = {
      {"", R"({"kind":"box","copies":1000000000})", "none\n"},
      {R"("when":{"m":{"kind":"column"}},)", R"({"kind":"box"},{"kind":"box","copies":[{},{}]})", "none\n"},
      {"", R"({"kind":"box","copies":1000000001})",
       "\"copies\" in a virtualized list must be a whole number from 0 to 1,000,000,000, or a list of objects, one per "
       "copy"},
      {R"("wrap":true,)", R"({"kind":"box","copies":1000000})",
       "\"copies\" must be a whole number from 0 to 100,000, or a list of objects, one per copy; a virtualized list "
       "may have more"},
      {"", R"({"kind":"box","copies":9},{"kind":"box"})",
       "a virtualized list with copies must have that one child only"},
      {"", R"({"kind":"box","copies":9,"when":{"m":{"copies":3}}})",
       "\"when\" cannot change the number of virtualized copies"},
      {R"("when":{"m":{"wrap":true}},)", R"({"kind":"box","copies":9})",
       "under \"m\" this list does not scroll along a plain row or column, which virtualized copies need"},
      {R"("when":{"m":{"virtualized":true}},)", "", "\"when\" cannot give a \"virtualized\""},
      {R"("virtualized":3,)", "", "\"virtualized\" must be true or false"},
  };
  for (const auto& [list, children, says] : cases) {
    const std::string own =
        std::string(list).find("\"virtualized\":3") == std::string::npos ? R"("virtualized":true,)" : "";
    const std::string all = faults(R"({"format":2,"modes":["m"],"root":{"kind":"row","scroll":"x",)" + own + list +
                                   R"("children":[)" + children + "]}}");
    const std::size_t begin = all.find("error: ");
    EXPECT_EQ(begin == std::string::npos ? all : all.substr(begin + 7, all.find(" (at") - begin - 7), says) << children;
  }
}

TEST(SceneReader, KnowsPlacesBehindCommentsAndEscapes) {
  EXPECT_EQ(
      faults("\xEF\xBB\xBF{ // one, \"two\": {\n /* three\n */ \"format\":2, \"a\\\"\\u00e4\":0,\n"
             "\t\"root\" :\n{\"kind\":\"row\",\"gap\":-1.5e0/**/,\"grow\":\"\"}}"),
      "3:17: error: unknown key \"a\"\xC3\xA4\"; write $schema, format, title, uses, em, direction, text_metrics, "
      "fonts, ladder, "
      "ranges, modes, "
      "touch_target_size, shared, parts, locales, claims or root (at /a\"\xC3\xA4)\n"
      "5:39: error: \"grow\" must be a number (at /root/grow)\n");
}

TEST(SceneReader, CountsWhatItDoesNotList) {
  std::string nodes;
  for (int i = 0; i < 250; ++i) nodes += std::string(i == 0 ? "" : ",") + R"({"kind":"box","color":1})";
  const std::string text = faults(R"({"format":2,"root":{"kind":"row","children":[)" + nodes + "]}}");
  EXPECT_EQ(std::count(text.begin(), text.end(), '\n'), 101);
  EXPECT_NE(text.find(" error: and 150 more errors\n"), std::string::npos);
}

TEST(SceneReader, ReadsEveryFormOfAValue) {
  const Scene scene = testing::scene_from(
      "em=10 direction=rtl row:r width=\"2.5em\" height=40% gap={\"x\":\"50%\",\"y\":2} order=last basis=content "
      "margin={\"left\":\"auto\",\"y\":3} place_self={\"x\":\"end\"} pin={\"middle_x\":-4} scroll=both font_size=20 "
      "max_lines=2");
  const Keys keys = scene.tree.keys(scene.tree.root());
  EXPECT_EQ(keys.width, Sizing(em(2.5)));
  EXPECT_EQ(keys.height, Sizing(percent(40)));
  EXPECT_EQ(keys.gap, Gap(percent(50), 2));
  EXPECT_EQ(keys.order.rank, Order::last);
  EXPECT_EQ(keys.basis, Sizing(content));
  EXPECT_TRUE(keys.margin.on(Side::left, true).is_automatic());
  EXPECT_EQ(keys.margin.on(Side::top, true).length().amount(), 3);
  EXPECT_EQ(keys.place_self.x, Across::end);
  EXPECT_EQ(keys.pin->middle_x->amount(), -4);
  EXPECT_EQ(keys.scroll, Scroll::both);
  EXPECT_EQ(*keys.font_size, 20);
  EXPECT_EQ(*keys.max_lines, 2);
  EXPECT_EQ(scene.tree.direction(), Direction::rtl);
}

TEST(SceneReader, TenMistakesAreTenMessagesInOrderOfPlace) {
  const std::string text = faults(R"({ "format": 2, "modes": ["dim"],
  "shared": { "button": { "heigth": 32 } },
  "parts": { "card": { "kind": "row", "children": [{ "part": "card" }] },
             "seed": { "kind": "row", "children": [{ "kind": "box", "name": "face" }] } },
  "locales": { "long": { "texts": { "page/titel": "x" } } },
  "root": { "kind": "column", "name": "page", "gap": "8px", "children": [
    { "kind": "text", "name": "title", "text": 3 },
    { "kind": "box", "like": "buton" },
    { "kind": "box", "when": { "dmi": { "hidden": true } } },
    { "kind": "box", "copies": 1000000000 },
    { "part": "seed", "with": { "fcae": { "width": 1 } } },
    { "kind": "box", "name": "title" }] } })");
  EXPECT_EQ(text, R"(2:27: error: unknown key "heigth"; did you mean "height"? (at /shared/button/heigth)
3:62: error: the part "card" contains itself: card > card (at /parts/card/children/0/part)
5:37: error: "page/titel" is not a node; did you mean "title"? (at /locales/long/texts/page~1titel)
6:54: error: "gap" must be a number of pixels without quotes or unit; write 8 (at /root/gap)
7:48: error: "text" must be a text in quotes (at /root/children/0/text)
8:30: error: no shared keys are called "buton"; did you mean "button"? (at /root/children/1/like)
9:32: error: no range or mode is called "dmi"; did you mean "dim"? (at /root/children/2/when/dmi)
10:32: error: "copies" must be a whole number from 0 to 100,000, or a list of objects, one per copy; a virtualized list may have more (at /root/children/3/copies)
11:33: error: the part has no inner node "fcae"; did you mean "face"? (at /root/children/4/with/fcae)
12:30: error: two siblings are called "title"; the other one is at /root/children/0/name (at /root/children/5/name)
)");
}

TEST(SceneReader, TheOrderOfKeysDoesNotMatter) {
  const Scene a =
      read_scene(R"({"format":2,"em":20,"root":{"kind":"row","name":"r","width":"2em","children":[]}})", "a");
  const Scene b =
      read_scene(R"({"root":{"children":[],"width":"2em","name":"r","kind":"row"},"em":20,"format":2})", "b");
  EXPECT_EQ(a.tree.keys(a.tree.root()), b.tree.keys(b.tree.root()));
  EXPECT_EQ(b.tree.em(), 20);
}

}  // namespace
}  // namespace fond_ladder
