// SPDX-License-Identifier: MIT
//
// Scenes, names and folders from strangers: they steer no shell, no terminal, no other program and no markup, and take
// a bounded time.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <filesystem>
#include <nlohmann/json.hpp>
#include <set>

#include "model/json_text.hpp"
#include "model/printable.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;
using testing::Result;
using testing::run;
using testing::run_process;

/// A folder of its own, empty.
std::string fresh_folder(const std::string& name) {
  const std::string folder = ::testing::TempDir() + "fond_ladder_" + name + "/";
  fs::remove_all(folder);
  fs::create_directory(folder);
  return folder;
}

std::set<std::string> files_in(const std::string& folder) {
  std::set<std::string> names;
  for (const auto& entry : fs::directory_iterator(folder)) names.insert(entry.path().filename().string());
  return names;
}

/// What a shell, a plotting program, a terminal or an XML reader would act on, 52 of them.
std::vector<std::string> hostile_texts() {
  std::vector<std::string> texts;
  for (const char* command : {"touch pwned", "id>pwned", ": >pwned"}) {
    for (const char* form : {"`%`", "$(%)", "\"`%`", "'`%`", "';%;'", "\";%;\"", "\\\"`%`", "|%", "\n%\n",
                             "\nsystem '%'\n", "'\nsystem '%'\n", "@%", "${IFS}`%`", "''`%`''"}) {
      std::string text = form;
      text.replace(text.find('%'), 1, command);
      texts.push_back(text);
    }
  }
  for (const char* text : {"\x1b[31mred", "\x1b]0;title\x07", "x\nholds     a.width = 240", "a\rb",
                           "\xe2\x80\xae"
                           "desrever",
                           "\xef\xbf\xbe", "<b>&amp;</b>]]>", "&amp;&lt;&#x0;&bogus;", "&#65;&#8238;",
                           "\xc2\x9b"
                           "31m"}) {
    texts.emplace_back(text);
  }
  return texts;
}

/// The first line of a file in which something stands that cannot be seen, but for tabs.
std::string invisible_in(const std::string& file) {
  std::istringstream lines(file);
  for (std::string line; std::getline(lines, line);) {
    std::ranges::replace(line, '\t', ' ');
    if (printable(line) != line) return printable(line);
  }
  return "";
}

TEST(Hostile, NothingButThePictureComesOfAPlot) {
  if (run_process("x", "gnuplot --version >/dev/null 2>&1 #").status != 0) GTEST_SKIP() << "gnuplot is not here";
  const auto texts = hostile_texts();
  ASSERT_EQ(texts.size(), 52U);
  const std::string folder = fresh_folder("plots"), before = fs::current_path().string();
  fs::current_path(folder);
  const char* old_place = std::getenv("TMPDIR");
  const std::string kept_place = old_place == nullptr ? "" : old_place;
  for (const std::string& text : texts) {
    ::setenv("TMPDIR", (folder + text).c_str(), 1);
    const json scene{{"format", 2},
                     {"title", text},
                     {"ladder", {{"width", {100, 120}}}},
                     {"locales", {{text, {{"texts", {{"t", text}}}}}}},
                     {"parts", {{text, {{"kind", "box"}}}}},
                     {"root", {{"kind", "row"}, {"children", {{{"kind", "text"}, {"name", "t"}, {"text", text}}}}}}};
    const Result result =
        run({"sweep", "-", "--locale", text, "--show", "t.width", "--plot", "curves.svg"}, scene.dump());
    EXPECT_EQ(result.status, 0) << text << result.err;
    EXPECT_EQ(files_in(folder), std::set<std::string>{"curves.svg"}) << text;
    const std::string quantity = run({"sweep", "-", "--show", text, "--plot", "curves.svg"}, scene.dump()).err;
    EXPECT_EQ(std::ranges::count(quantity, '\n'), 1) << quantity;
    const std::string svg = testing::file_text("curves.svg");
    EXPECT_EQ(svg.find("<b>"), std::string::npos);
    EXPECT_EQ(invisible_in(svg), "") << "well-formed";
    EXPECT_EQ(svg.find("&#"), std::string::npos) << text;
    fs::remove("curves.svg");
  }
  kept_place.empty() ? ::unsetenv("TMPDIR") : ::setenv("TMPDIR", kept_place.c_str(), 1);
  fs::current_path(before);
}

TEST(Hostile, TablesAndMessagesHoldNothingThatSteersATerminal) {
  for (const std::string& text : hostile_texts()) {
    const json node{{"kind", "box"}, {"name", "a"}, {"width", 10}, {"part", text}, {"like", text}};
    json scene{{"format", 2},
               {"title", text},
               {"ladder", {{"width", {100, 104}}, {"height", 50}}},
               {"locales", {{text, {{"texts", json::object()}}}}},
               {"parts", {{text, {{"kind", "box"}}}}},
               {"shared", {{text, {{"height", 5}}}}},
               {"claims", {"a.width = 240", "a.width\n= 240"}},
               {"root", {{"kind", "row"}, {"name", "r"}, {"children", {node, {{"kind", "text"}, {"text", text}}}}}}};
    const std::string sound = scene.dump();
    scene["root"]["children"][0][text] = text;
    const std::string faulty = scene.dump();
    const std::vector<std::vector<std::string>> calls{{"measure", "-", "--locale", text},
                                                      {"measure", "-", "--settings", "a"},
                                                      {"sweep", "-"},
                                                      {"explain", "-", "a"},
                                                      {"check", "-", "--locale", "all"},
                                                      {"check", "-", "--claim", text},
                                                      {"check", "-", "--suggest", "--locale", text},
                                                      {"help", text},
                                                      {"completion", text},
                                                      {"measure", "-", "--format", text},
                                                      {"measure", "-", "--snap", text},
                                                      {"draw", "-", "-o", text + ".svg", "--as", "png"},
                                                      {"lint", "-", "--locale", "all"},
                                                      {"compare", "-", "--locale", text},
                                                      {"compare", "-", text},
                                                      {"measure", text},
                                                      {"measure", "-", "--at", text},
                                                      {"measure", "-", "--set", text},
                                                      {"measure", "-", "--locale", text + "x"},
                                                      {text},
                                                      {"tidy", text, "-o", text}};
    for (const auto& call : calls) {
      for (const std::string* input : {&sound, &faulty}) {
        const Result result = run(call, *input, {});
        for (const std::string& printed : {result.out, result.err}) {
          std::istringstream lines(printed);
          for (std::string line; std::getline(lines, line);) {
            EXPECT_EQ(printable(line), line) << call[0] << " " << text;
            EXPECT_FALSE(line.starts_with("holds     a.width")) << printed;
          }
        }
      }
    }
  }
}

TEST(Hostile, PrintableTextShowsWhatItCannotPrint) {
  const struct {
    std::string_view text, seen;
  } cases[] = {
      {"North house, 21 °C – \"é\" \\ 日本 👩‍🌾", "North house, 21 °C – \"é\" \\ 日本 👩‍🌾"},
      {"a\nb\tc\rd", "a\\nb\\tc\\rd"},
      {"\x1b[31m\x07\x7f", "\\x1B[31m\\x07\\x7F"},
      {"\xc2\x9b", "\\x9B"},
      {"\xe2\x80\xae|\xe2\x81\xa6", "\\u202E|\\u2066"},
      {"\xef\xbf\xbe\xff", "\\uFFFE\\xFF"},
      {"\xf3\xa0\x80\x81", "\\U000E0001"},
  };
  for (const auto& [text, seen] : cases) EXPECT_EQ(printable(text), seen);
}

TEST(Hostile, JsonEscapesWhatCannotBeSeen) {
  const struct {
    std::string_view text, json;
  } cases[] = {
      {"a\nb\t\"\\", R"("a\nb\t\"\\")"},      {"\xc2\x9b\x7f", R"("\u009b\u007f")"},
      {"\xe2\x80\xae|", R"("\u202e|")"},      {"\xf3\xa0\x81\x81", R"("\udb40\udc41")"},  // beyond U+FFFF
      {"Moss, 21 °C 🌱", "\"Moss, 21 °C 🌱\""}, {"\xff", "\"\xEF\xBF\xBD\""},
  };
  for (const auto& one : cases) {
    EXPECT_EQ(json_text(one.text), one.json);
    EXPECT_EQ(json::parse(json_text(one.text)).get<std::string>(), utf8_of(one.text)) << "and is read back";
  }
}

TEST(Hostile, JUnitStaysXmlWhateverTheTitleIs) {
  const std::string file = testing::temporary("hostile.xml", "");
  const json scene{{"format", 2},
                   {"title", "a\x01\xc2\x9b\xef\xbf\xbe]]><!-- \xe2\x80\xae"},
                   {"claims", {"r.width\n= 1"}},
                   {"root", {{"kind", "row"}, {"name", "r"}}}};
  EXPECT_EQ(run({"check", "-", "--junit", file}, scene.dump()).status, 1);
  const std::string xml = testing::file_text(file);
  EXPECT_EQ(invisible_in(xml), "");
  EXPECT_THAT(xml, ::testing::HasSubstr("a\\x01\\x9B\\uFFFE]]>&lt;!-- \\u202E"));
}

// --- what grows ----------------------------------------------------------------------------------------------------

/// Parts of which each uses the next one twice, so many deep.
json doubling_parts(int deep) {
  json parts;
  for (int i = 0; i < deep; ++i) {
    const json next{{"part", "p" + std::to_string(i + 1)}};
    parts["p" + std::to_string(i)] = {{"kind", "row"}, {"children", {next, next}}};
  }
  parts["p" + std::to_string(deep)] = {{"kind", "box"}};
  return parts;
}

json nested_copies(int deep, int copies) {
  json node{{"kind", "box"}};
  for (int i = 0; i < deep; ++i) node = {{"kind", "row"}, {"copies", copies}, {"children", {node}}};
  return node;
}

std::string repeated(const std::string& text, int times) {
  std::string all;
  for (int i = 0; i < times; ++i) all += text;
  return all;
}

/// A row r of so many boxes a, b and c.
json three_times(int many) {
  json children;
  for (const char* name : {"a", "b", "c"}) {
    children.push_back({{"kind", "box"}, {"name", name}, {"copies", many}, {"width", 1}, {"height", 1}});
  }
  return {{"kind", "row"}, {"name", "r"}, {"children", children}};
}

TEST(Hostile, WhatGrowsBeyondAllBoundsIsRefused) {
  const json uses{{"kind", "row"}, {"children", {{{"part", "p0"}}}}};
  const json liked{{"kind", "row"}, {"children", json::array()}};
  json many_likes = liked, many_parts = liked, modes;
  for (int i = 0; i < 1500; ++i) modes.push_back("m" + std::to_string(i));
  for (int i = 0; i < 3000; ++i) many_likes["children"].push_back({{"kind", "text"}, {"like", "s"}});
  for (int i = 0; i < 3000; ++i) many_parts["children"].push_back({{"part", "p" + std::to_string(i) + "x"}});
  const std::string too_large = "parts and copies make this scene too large; the limit is 400,000 nodes";
  const struct {
    const char* name;
    json scene;
    std::string says;
  } cases[] = {
      {"parts that double 40 times", {{"parts", doubling_parts(40)}, {"root", uses}}, too_large},
      {"copies of copies",
       {{"root", {{"kind", "row"}, {"children", {nested_copies(3, 99)}}}}},
       "copies of copies make"},
      {"many copies of copies",
       {{"root", {{"kind", "row"}, {"children", json::array_t(30, nested_copies(2, 400))}}}},
       too_large},
      {"a long text that many share",
       {{"shared", {{"s", {{"text", std::string(200000, 'x')}}}}}, {"root", many_likes}},
       too_large},
      {"a long name, copied",
       {{"root",
         {{"kind", "row"}, {"children", {{{"kind", "box"}, {"name", std::string(50000, 'n')}, {"copies", 100000}}}}}}},
       too_large},
      {"more faults than anybody reads",
       {{"parts", doubling_parts(2)}, {"root", many_parts}},
       "and 900 more errors at least"},
      {"more modes than anybody switches",
       {{"modes", modes}, {"root", liked}},
       "a scene has at most 1,000 ranges and modes"},
      {"a claim of 100,000 terms",
       {{"claims", {"row#0.width" + repeated(" + 1", 100000) + " = 3"}}, {"root", liked}},
       "this claim has more than 4,000 words and signs; split it"},
      {"stars without end",
       {{"claims", json::array_t(5000, "fits(*)")}, {"root", many_likes}, {"shared", {{"s", {{"text", "x"}}}}}},
       "the stars in the claims up to here match 5,002,667 nodes, and the limit is 5,000,000"},
      {"a claim of each with each with each",
       {{"claims", {"r/a[*].width + r/b[*].width <= r/c[*].width"}}, {"root", three_times(300)}},
       "in this claim, column 1: its stars stand for 27,000,000 combinations of nodes, and the limit is 20,000,000"},
      {"a sum of each with each, for each",
       {{"claims", {"r/a[*].width <= sum(r/b[*].width * r/c[*].width)"}}, {"root", three_times(300)}},
       "its stars stand for 27,000,000 combinations of nodes"},
      {"everybody apart from everybody",
       {{"claims", {"apart(r/*)"}}, {"root", three_times(16000)}},
       "\"apart\" is about 1,151,976,000 pairs of nodes here, and the limit is 1,000,000,000; name fewer nodes"},
      {"behind everybody",
       {{"claims", {"reachable(r/*)"}}, {"root", three_times(11000)}},
       "\"reachable\" is about 1,089,0"},
  };
  for (const auto& [name, body, says] : cases) {
    json scene = body;
    scene["format"] = 2;
    const Result read = run({"measure", "-", "--at", "10x10"}, scene.dump());
    EXPECT_EQ(read.status, 2) << name;
    EXPECT_THAT(read.err, ::testing::HasSubstr(says)) << name;
    EXPECT_LE(std::ranges::count(read.err, '\n'), 101) << name;
  }
}

/// On n levels the paths of all nodes are n times n letters: where each is told whole, they are counted first.
TEST(Hostile, PathsOfDeepTreesAreCountedBeforeTheyAreTold) {
  const auto levels = [](int many) {
    std::string text = R"({"kind": "box", "name": "leaf"})";
    for (int i = 0; i < many; ++i)
      text = R"({"kind": "row", "name": "aaaaaaaaaaaaaaaaaaa", "children": [)" + std::move(text) + "]}";
    return R"({"format": 2, "ladder": {"width": [100, 101]}, "root": )" + text + "}";
  };
  const std::string deep = levels(4500), less = levels(300);
  for (const auto& words : {std::vector<std::string>{"measure", "-", "--at", "9x9", "--format", "json"},
                            std::vector<std::string>{"measure", "-", "--at", "9x9", "--format", "csv"},
                            std::vector<std::string>{"compare", "-", "--set", "leaf.width=3"}}) {
    const Result refused = run(words, deep);
    EXPECT_EQ(refused.status, 2);
    EXPECT_EQ(refused.out, "");
    EXPECT_THAT(refused.err, ::testing::HasSubstr("the paths of all nodes are 202,6"));
    EXPECT_THAT(refused.err, ::testing::HasSubstr(" characters in total, and the limit is 200,000,000; use the table "
                                                  "of measure, which prints the last step of each path"));
    EXPECT_LE(run(words, less).status, 1);
  }
  EXPECT_EQ(run({"measure", "-", "--at", "9x9"}, deep).status, 0);
  // Where few paths are told, none are counted.
  EXPECT_EQ(run({"measure", "-", "--at", "9x9", "--hit", "1,1", "--format", "json"}, deep).status, 0);
  EXPECT_EQ(run({"measure", "-", "--at", "9x9", "--settings", "leaf", "--format", "json"}, deep).status, 0);
}

/// The nearest neighbors of what is refused.
TEST(Hostile, WhatIsAllowedIsTested) {
  const json scene{{"format", 2},
                   {"ladder", {{"width", {10, 11}}}},
                   {"claims",
                    {"r/a[*].width + r/b[*].width <= r/c[*].width + 2", "r/a[*].width <= sum(r/b[*].width) + 1",
                     "r/a[*].width + r/a[*].height + r/a[*].left < 1e9"}},
                   {"root", three_times(60)}};
  const Result checked = run({"check", "-"}, scene.dump());
  EXPECT_EQ(checked.status, 0) << checked.out << checked.err;
  // Of patterns that begin alike each node goes with its own kin: 6,000 choices of 36,000,000.
  const auto cards = [](int many, int inside) {
    json card{{"kind", "row"}, {"name", "card"}, {"copies", many}, {"children", json::array()}};
    for (const char* name : {"a", "b"})
      card["children"].push_back({{"kind", "box"}, {"name", name}, {"copies", inside}});
    return json{{"format", 2},
                {"ladder", {{"width", {10, 11}}}},
                {"claims", {"*/a[*].width + *.height <= */b[*].width + *.height"}},
                {"root", {{"kind", "column"}, {"name", "c"}, {"children", {card}}}}}
        .dump();
  };
  EXPECT_EQ(run({"check", "-"}, cards(6000, 1)).status, 0);
  const Result refused = run({"check", "-"}, cards(10, 1500));
  EXPECT_EQ(refused.status, 2);
  EXPECT_THAT(refused.err, ::testing::HasSubstr("its stars stand for 22,500,000 combinations of nodes"));
}

/// Beyond the last of the limits nothing is refused, and what is told says that it is not all.
TEST(Hostile, WhatIsToldInPartIsSaidToBe) {
  const auto row_of = [](int boxes) {
    return json{{"format", 2},
                {"ladder", {{"width", {100, 101}}}},
                {"root", {{"kind", "row"}, {"name", "r"}, {"children", {{{"kind", "box"}, {"copies", boxes}}}}}}}
        .dump();
  };
  const auto swept = [&](int boxes) { return run({"sweep", "-"}, row_of(boxes)).out; };
  EXPECT_THAT(swept(2001), ::testing::HasSubstr("covers the first 2,000 of 2,002"));
  EXPECT_THAT(swept(1999), ::testing::Not(::testing::HasSubstr("the first 2,000")));
  const Result drawn = run({"draw", "-", "-o", "-", "--as", "svg", "--at", "100x50"}, row_of(21000));
  EXPECT_EQ(drawn.status, 0);
  EXPECT_THAT(drawn.err, ::testing::HasSubstr("nodes were left out"));
  // All in one cell of a bed: 447 of them are 99,681 pairs, 448 are 100,128, and 300 in each of three beds 134,550.
  const auto linted = [](std::initializer_list<int> beds) {
    json all;
    for (const int boxes : beds) {
      const json one{{"kind", "box"}, {"copies", boxes}, {"cell", {0, 0}}, {"width", 9}, {"height", 9}};
      all.push_back({{"kind", "grid"}, {"name", "bed" + std::to_string(all.size())}, {"children", {one}}});
    }
    const json root{{"kind", "column"}, {"children", all}};
    const std::string scene = json{{"format", 2}, {"ladder", {{"width", {100, 101}}}}, {"root", root}}.dump();
    const std::string out = run({"lint", "-"}, scene).out;
    const json answer = json::parse(run({"lint", "-", "--format", "json"}, scene).out)["answers"][0];
    const std::string written = answer.value("not_examined", "");
    EXPECT_THAT(out, ::testing::HasSubstr(written));
    return written;
  };
  const std::string written = "lint examines the first 100,000 overlapping pairs of siblings per size; from ";
  EXPECT_EQ(linted({448}), written + "bed0 on there are more");
  EXPECT_EQ(linted({447}), "");
  EXPECT_EQ(linted({300, 300, 300}), written + "bed2 on there are more");
  EXPECT_EQ(linted({300, 300}), "");
}

TEST(Hostile, WhatIsDeepOrWideAndNoMoreIsRead) {
  json chain, parts;
  for (int i = 0; i < 400; ++i) {
    parts["p" + std::to_string(i)] = {{"kind", "row"}, {"children", {{{"part", "p" + std::to_string(i + 1)}}}}};
  }
  parts["p400"] = {{"kind", "box"}, {"name", "end"}, {"width", 7}};
  // Unused parts are checked, and expanded nowhere.
  json doubling = doubling_parts(60);
  doubling.update(parts);
  const json scene{{"format", 2}, {"parts", doubling}, {"root", {{"kind", "row"}, {"children", {{{"part", "p0"}}}}}}};
  const std::string text = scene.dump();
  EXPECT_EQ(run({"explain", "-", "end", "--at", "100x10"}, text).status, 0) << run({"explain", "-", "end"}, text).err;
  // As many terms as a claim may have are walked without harm.
  const std::string claim = "r.width" + repeated(" + 1", 1900) + " = r.width + 1900";
  const json sums{
      {"format", 2}, {"ladder", {{"width", {1, 3}}}}, {"claims", {claim}}, {"root", {{"kind", "row"}, {"name", "r"}}}};
  EXPECT_EQ(run({"check", "-"}, sums.dump()).status, 0);
}

}  // namespace
}  // namespace fond_ladder
