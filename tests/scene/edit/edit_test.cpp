// SPDX-License-Identifier: MIT
//
// An edit means what the edited file would mean. Every node of a scene with parts in parts and copies of copies is
// changed in every way, and held against the same edit of the tree.
#include "fond_ladder/edit.hpp"

#include <gmock/gmock.h>

#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using Does = Edit::Does;

/// Comments, parts that use parts, copies of copies, `each_child`, forms, locales and claims.
constexpr const char* the_file = R"json({
  "format": 2, "em": 16, // what one em is
  "ranges": [{ "name": "narrow", "below_width": 200 }], "modes": ["dim"],
  "shared": { "button": { "height": 32, "padding": 2 } },
  "parts": {
    "dial": { "kind": "column", "padding": 3, "children": [
      { "kind": "text", "name": "words", "text": "Dial" }, { "kind": "box", "name": "tick", "copies": 2, "width": 4 }] },
    "pair": { "kind": "row", "children": [{ "part": "dial", "name": "left" }, { "part": "dial", "name": "right" }] }
  },
  "locales": { "long": { "texts": { "bar/title": "Propagation house" } } },
  "claims": ["title.width >= 0", "count(tray[0]/*) >= 1", "apart(a, b)", "lone/left.width > 1"],
  "root": { "kind": "column", "name": "r", "gap": 4, "children": [
    { "kind": "row", "name": "bar", "each_child": { "shrink": 0, "padding": { "x": 5 } }, "children": [
      { "kind": "text", "name": "title", "text": "Oak", "when": { "narrow": { "text": "O" } } },
      { "kind": "box", "name": "a", "like": "button", "shrink": 1 }, { "kind": "box", "name": "b", "width": 9 },
      { "kind": "box" }] },
    { "kind": "row", "name": "tray", "copies": 2, "children": [
      { "kind": "box", "name": "pot", "copies": 3, "height": 5 }, { "part": "pair", "name": "pair" }] },
    { "part": "pair", "name": "lone", "with": { "left": { "gap": 7 } } }
  ] }
})json";

/// Every node as `path kind`, with what a file would say of it and its forms.
std::string written(const Scene& scene) {
  Scene plain = scene;
  plain.claims.clear();
  plain.locales.clear();
  std::string text;
  for (const NodeId node : plain.tree.nodes()) text += plain.tree.path(node) + "\n";
  return text + to_json(plain);
}

std::string refusal(const Edit& edit) {
  Draft draft(the_file, "s");
  try {
    draft.apply(edit);
  } catch (const BadEdit& fault) {
    EXPECT_EQ(draft.json(), the_file) << "left as it was";
    return fault.what();
  }
  return "none";
}

std::vector<std::string> paths() {
  const Scene scene = read_scene(the_file, "s");
  std::vector<std::string> paths;
  for (const NodeId node : scene.tree.nodes()) paths.push_back(scene.tree.path(node));
  return paths;
}

/// Holds a draft against the file's tree after the same edit.
void expect_same(const Edit& edit, const std::function<void(Tree&)>& change) {
  Draft draft(the_file, "s");
  Scene expected = draft.scene();
  change(expected.tree);
  std::erase_if(expected.whens, [&](const When& when) { return !expected.tree.contains(when.node); });
  draft.apply(edit);
  EXPECT_EQ(written(draft.scene()), written(expected)) << edit.text();
  EXPECT_NE(draft.json().find("// what one em is"), std::string::npos) << "comments stay";
  EXPECT_TRUE(draft.undo());
  EXPECT_EQ(draft.json(), the_file);
}

TEST(Edit, OfOneNodeChangesThatNodeAlone) {
  for (const std::string& path : paths()) {
    expect_same(Edit::set(path + ".max_width", "77"), [&](Tree& tree) {
      Keys keys = tree.keys(tree.at(path));
      keys.max_width = 77;
      tree.replace_keys(tree.at(path), keys);
    });
    if (path == "r") continue;
    expect_same(Edit::remove(path), [&](Tree& tree) { tree.remove(tree.at(path)); });
  }
}

/// A list of copies stays a list where what is changed is what one of its items says, or what none of them does.
TEST(Edit, OfACopyInAListIsSaidInTheList) {
  const std::string file = R"({ "format": 2,
  "parts": { "p": { "kind": "row", "children": [{ "kind": "box", "name": "i", "width": 1 }] } },
  "root": { "kind": "column", "name": "r", "children": [
    { "kind": "row", "name": "e", "gap": 2, "copies": [{}, { "w.text": "two", "gap": 3 }, { "w": { "font_size": 9 } }],
      "children": [{ "kind": "text", "name": "w", "text": "one" }] },
    { "part": "p", "name": "q", "copies": [{ "i.width": 5 }, {}], "with": { "i.height": 4 } }] } })";
  const struct {
    const char *edit, *list;  // with the list as it is written then, or what stands where it was
  } cases[] = {
      {"e[0].gap=7", R"([{ "gap": 7 }, { "w.text": "two", "gap": 3 }, { "w": { "font_size": 9 } }])"},
      {"e[1].gap=7", R"([{}, { "w": { "text": "two" }, "gap": 7 }, { "w": { "font_size": 9 } }])"},
      {"e[1]/w.text=new", R"([{}, { "w": { "text": "new" }, "gap": 3 }, { "w": { "font_size": 9 } }])"},
      {"e[2]/w.text=new", R"([{}, { "w.text": "two", "gap": 3 }, { "w": { "font_size": 9, "text": "new" } }])"},
      {"e.padding=1", R"("padding": 1)"},  // none of them says it
      {"e.gap=7", R"([{ "gap": 7 }, { "w": { "text": "two" }, "gap": 7 }, { "w": { "font_size": 9 }, "gap": 7 }])"},
      {"q[1]/i.width=6", R"([{ "i.width": 5 }, { "i": { "width": 6 } }])"},
      {"q[0]/i.width=6", R"([{ "i": { "width": 6 } }, {}])"},
      {"q/i.height=6", R"("with": { "i": { "height": 6 } })"},
      {"e[1].gap=null", R"("name": "e[1]")"},  // leaving out is not an item's to say
  };
  for (const auto& [edit, list] : cases) {
    const std::string words = edit;
    const std::size_t equals = words.find('='), dot = words.find('.');
    Draft draft(file, "s");
    const Scene before = draft.scene();
    draft.apply(Edit::set(words.substr(0, equals), words.substr(equals + 1)));
    EXPECT_NE(draft.json().find(list), std::string::npos) << edit << "\n" << draft.json();
    const std::string allow = words.substr(0, dot);
    for (const NodeId node : before.tree.nodes()) {  // nothing else is another one
      const std::string path = before.tree.path(node);
      const bool is_allowed =
          path.find(allow + (allow.find('[') == std::string::npos ? "[" : "")) != std::string::npos ||
          (allow == "q/i" && path.find("/i") != std::string::npos);
      const Keys now = draft.scene().tree.keys(draft.scene().tree.at(path)), was = before.tree.keys(node);
      EXPECT_TRUE(is_allowed || now == was) << edit << " " << path;
    }
  }
}

TEST(Edit, CarriesAnyNodeAnywhere) {
  std::size_t carried = 0;
  for (const std::string& path : paths()) {
    for (const std::string to : {"r/bar", "r/tray[1]", "r/tray[0]/pair/left", "r/lone"}) {
      if (path == "r" || to == path || to.starts_with(path + "/")) continue;
      const Scene scene = read_scene(the_file, "s");
      const NodeId node = scene.tree.at(path), container = scene.tree.at(to);
      std::vector<NodeId> others = scene.tree.children(container);
      std::erase(others, node);
      const auto twin = [&](NodeId other) {
        return !scene.tree.keys(node).name.empty() && scene.tree.segment(other) == scene.tree.segment(node);
      };
      if (std::ranges::any_of(others, twin)) continue;
      const std::size_t place = carried++ % (others.size() + 1);
      // What the new parent gives to its children, and what a node says only because of the old one.
      if (to == "r/bar" || path.starts_with("r/bar/")) continue;
      expect_same(Edit::move(path, to, place), [&](Tree& tree) { tree.move(tree.at(path), tree.at(to), place); });
    }
  }
  EXPECT_GT(carried, 60U);
}

/// An inner node that is called as a key is set as that node, not as the key.
TEST(Edit, SetsInnerNodesThatAreCalledAsAKey) {
  const std::string file = R"({"format": 2, "parts": {"tag": {"kind": "row", "children": [
    {"kind": "box", "name": "pin", "width": 3}, {"kind": "box", "name": "dot", "width": 4}]}},
    "root": {"kind": "row", "name": "r", "children": [{"part": "tag", "name": "a"},
    {"part": "tag", "name": "b", "with": {"./dot": {"width": 6}}}]}})";
  Draft draft(file, "s");
  draft.apply(Edit::set("a/pin.width", "9"));
  draft.apply(Edit::set("b/dot.height", "7"));
  const Tree& tree = draft.scene().tree;
  EXPECT_EQ(tree.keys(tree.at("a/pin")).width, Sizing(9));
  EXPECT_EQ(tree.keys(tree.at("b/pin")).width, Sizing(3));
  EXPECT_EQ(tree.keys(tree.at("b/dot")).width, Sizing(6));
  EXPECT_EQ(tree.keys(tree.at("b/dot")).height, Sizing(7));
  EXPECT_NE(draft.json().find(R"("./pin": { "width": 9 })"), std::string::npos) << draft.json();
  EXPECT_EQ(draft.json().find(R"("dot": {)"), draft.json().rfind(R"("dot": {)")) << draft.json();
}

/// One word is x alone: setting the other axis leaves it, and setting x leaves y.
TEST(Edit, SetsOneAxisOfTextAlign) {
  for (const std::string value : {R"("text_align": "center")", R"("text_align": {"x": "center"})", R"("width": 9)"}) {
    const std::string file = R"({"format": 2, "root": {"kind": "row", "name": "r", "children": [
      {"kind": "text", "name": "a", "text": "Fern", )" +
                             value + "}]}}";
    Draft draft(file, "s");
    draft.apply(Edit::set("a.text_align.y", "end"));
    const Keys keys = draft.scene().tree.keys(draft.scene().tree.at("a"));
    EXPECT_EQ(keys.text_align,
              TextAlignPair(value.starts_with("\"width") ? TextAlign::start : TextAlign::center, TextAlign::end))
        << draft.json();
    draft.apply(Edit::set("a.text_align.x", "end"));
    EXPECT_EQ(draft.scene().tree.keys(draft.scene().tree.at("a")).text_align,
              TextAlignPair(TextAlign::end, TextAlign::end))
        << draft.json();
  }
  Draft bare(R"({"format": 2, "root": {"kind": "row", "name": "r", "children": [
      {"kind": "text", "name": "a", "text": "Fern", "text_align": "center"}]}})",
             "s");
  bare.apply(Edit::set("a.text_align.x", "end"));
  EXPECT_EQ(bare.scene().tree.keys(bare.scene().tree.at("a")).text_align, TextAlignPair(TextAlign::end)) << bare.json();
}

TEST(Edit, MeansWhatTheEditedFileWouldMean) {
  const struct {
    std::vector<Edit> edits;
    const char* node;
    const char* at;
    const char* box;
  } cases[] = {
      {{{Does::set, "a.padding.left=9"}}, "a", "300x400", "38.8 0 11 32"},  // of the shared padding the others stay
      {{{Does::set, "b.padding.left=9"}}, "b", "300x400", "42.8 0 14 32"},
      {{{Does::set, "shared.button.height=40"}}, "a", "300x400", "38.8 0 4 40"},
      {{{Does::set, "bar.each_child.padding=0"}}, "b", "300x400", "32.8 0 9 32"},
      {{{Does::set, "em=20"}}, "title", "300x400", "0 0 46 32"},
      {{{Does::set, "direction=rtl"}}, "title", "300x400", "261.2 0 38.8 32"},
      {{{Does::set, "title.when.narrow.hidden=true"}}, "a", "199x400", "0 0 4 32"},
      {{{Does::set, "ranges.narrow.below_width=400"}}, "title", "300x400", "0 0 19.6 32"},
      {{{Does::set, "parts.dial.padding=8"}}, "lone/left/words", "300x400", "8 124 38.4 20"},
      {{{Does::set, "parts.dial/words.text=Di"}}, "lone/left/words", "300x400", "3 99 19.2 20"},
      {{{Does::set, "r.gap.y=10"}}, "lone", "300x400", "0 114 300 40"},
      {{{Does::set, "b.width=null"}}, "b", "300x400", "42.8 0 10 32"},
      {{{Does::set, "*.width=1"}, {Does::set, "b.width = 50"}}, "b", "300x400", "14 0 50 32"},
      {{{Does::set, "title.text=12"}}, "title", "300x400", "0 0 29.2 32"},
      {{{Does::set, "pot.copies=1"}}, "tray[1]/pair", "300x400", "0 66 88.8 26"},
      {{{Does::group, "a,b=row:tools"}, {Does::set, "tools.gap=6"}}, "tools/b", "300x400", "53.8 0 10 32"},
      {{{Does::group, "title, b=stack"}}, "b", "300x400", "5 0 10 0"},
      {{{Does::insert, R"(bar:1={"kind": "box", "width": 30})"}}, "a", "300x400", "68.8 0 4 32"},
      {{{Does::insert, R"(b={"kind": "box", "name": "in"})"}, {Does::set, "b.kind=row"}},
       "in",
       "300x400",
       "47.8 0 0 32"},
      {{{Does::move, "title=bar"}}, "title", "300x400", "24 0 38.8 32"},
      {{{Does::remove, "pot"}, {Does::remove, "pair/*"}}, "lone", "300x400", "0 44 300 40"},
      {{{Does::set, "title.name=head"}}, "head", "300x400", "0 0 38.8 32"},
      {{{Does::group, "a,b=row:tools"}, {Does::ungroup, "tools"}}, "b", "300x400", "42.8 0 10 32"},
      {{{Does::move, "b,title=bar:0"}}, "title", "300x400", "10 0 38.8 32"},
      {{{Does::move, "lone/left,a=bar"}}, "a", "300x400", "103.2 0 4 32"},
      {{{Does::move, "a,b=r:0"}}, "bar", "300x400", "0 40 300 20"},
      {{{Does::remove, "a,b,lone"}}, "title", "300x400", "0 0 38.8 20"},
      {{{Does::ungroup, "bar"}}, "title", "300x400", "0 0 300 20"},
      {{{Does::duplicate, "a=c"}}, "b", "300x400", "46.8 0 10 32"},
      {{{Does::duplicate, "a=c"}, {Does::set, "c.width=50"}}, "b", "300x400", "92.8 0 10 32"},
  };
  for (const auto& [edits, node, at, box] : cases) {
    Draft draft(the_file, "s");
    for (const Edit& edit : edits) draft.apply(edit);
    const Rect is = solve(draft.scene(), testing::size_from(at))[node];
    std::string text;
    for (const double number : {is.x, is.y, is.width, is.height})
      text += (text.empty() ? "" : " ") + testing::short_number(number);
    EXPECT_EQ(text, box) << edits.back().text();
    EXPECT_EQ(written(read_scene(draft.json(), "s")), written(draft.scene()));
  }
}

TEST(Edit, ClaimsAndWordingsGoOnNamingTheirNodes) {
  const struct {
    Edit edit;
    std::vector<std::string> claims;
    std::size_t texts, hints;
  } cases[] = {
      {{Does::move, "title=tray[0]:0"},
       {"title.width >= 0", "count(tray[0]/*) >= 1", "apart(a, b)", "lone/left.width > 1"},
       1,
       0},
      {{Does::set, "lone.name=single"},
       {"title.width >= 0", "count(tray[0]/*) >= 1", "apart(a, b)", "single/left.width > 1"},
       1,
       0},
      {{Does::set, "a.copies=2"},
       {"title.width >= 0", "count(tray[0]/*) >= 1", "apart(a[0], b)", "lone/left.width > 1"},
       1,
       0},
      {{Does::remove, "b"}, {"title.width >= 0", "count(tray[0]/*) >= 1", "lone/left.width > 1"}, 1, 1},
      {{Does::remove, "bar"}, {"count(tray[0]/*) >= 1", "lone/left.width > 1"}, 0, 3},
  };
  for (const auto& [edit, claims, texts, hints] : cases) {
    Draft draft(the_file, "s");
    draft.apply(edit);
    EXPECT_EQ(draft.scene().claims, claims) << edit.text();
    EXPECT_EQ(draft.scene().locales[0].texts.size(), texts) << edit.text();
    EXPECT_EQ(draft.hints().size(), hints) << edit.text();
  }
}

TEST(Edit, SaysWhatCannotBeMade) {
  const struct {
    Edit edit;
    const char* why;
  } cases[] = {
      {{Does::set, "width"}, "\"width\": expected NODE.KEY=VALUE, as in r.gap=8"},
      {{Does::set, "width=3"}, "\"width=3\": expected NODE.KEY=VALUE, as in r.gap=8"},
      {{Does::set, "b.scroll=none"}, "\"b.scroll=none\": \"scroll\" must be x, y or both; here that is the default"},
      {{Does::set, "b.widht=3"}, "\"b.widht=3\": unknown key \"widht\"; did you mean \"width\""},
      {{Does::set, "b.width=-3"}, "\"b.width=-3\": \"width\" must be 0 or more, and at most 1e9"},
      {{Does::set, "b.padding.lfet=3"}, "\"b.padding.lfet=3\": unknown key \"lfet\"; did you mean \"left\""},
      {{Does::set, "b.when.narow.width=3"},
       "\"b.when.narow.width=3\": no range or mode is called \"narow\"; did you mean \"narrow\""},
      {{Does::set, "tilte.width=3"}, "\"tilte.width=3\": \"tilte\" is not a node; did you mean \"title\""},
      {{Does::set, "*/tilte.width=3"}, "\"*/tilte.width=3\": \"*/tilte\" matches no node"},
      {{Does::set, "shared.buton.height=3"},
       "\"shared.buton.height=3\": no shared keys are called \"buton\"; did you mean \"button\""},
      {{Does::set, "parts.dial/wrods.font_size=3"},
       "\"parts.dial/wrods.font_size=3\": this part has no node \"wrods\"; did you mean \"words\""},
      {{Does::set, "a.height=null"},
       "\"a.height=null\": there is nothing to remove; the key comes from shared \"button\""},
      {{Does::set, "a.name=b"}, "\"a.name=b\": two siblings are called \"b\""},
      {{Does::set, "r.copies=2"}, "\"r.copies=2\": the root cannot be copied"},
      {{Does::move, "a"}, "\"move a\": write NODE=CONTAINER:INDEX, as in legend=bar:1"},
      {{Does::move, "a=tray[0]:x"},
       "\"move a=tray[0]:x\": write NODE=CONTAINER:INDEX, as in legend=bar:1; an index is a whole number, from 0"},
      {{Does::move, "a=bra:0"}, "\"move a=bra:0\": \"bra\" is not a node; did you mean \"bar\""},
      {{Does::move, "a=bar:4"}, "\"move a=bar:4\": bar has 3 children beside it: the last index is 3"},
      {{Does::move, "bar=a:0"}, "\"move bar=a:0\": a node cannot be moved into itself"},
      {{Does::move, "r=a:0"}, "\"move r=a:0\": the root cannot be moved"},
      {{Does::remove, "r"}, "\"remove r\": the root cannot be removed"},
      {{Does::group, "a,title=rwo:x"},
       "\"group a,title=rwo:x\": \"rwo\" names no nodes to group; did you mean \"row\""},
      {{Does::group, "a,lone=row"}, "\"group a,lone=row\": lone and a are not siblings; move one first"},
      {{Does::insert, "bar:0={\"kind\": \"bx\"}"},
       "\"insert bar:0={\"kind\": \"bx\"}\": \"kind\" must be row, column, grid, stack, box, text or image; did you "
       "mean \"box\""},
      {{Does::move, "a,bar=tray[0]"},
       "\"move a,bar=tray[0]\": a is inside another one of them; name the outer one only"},
      {{Does::move, "a,b=bar:3"}, "\"move a,b=bar:3\": bar has 2 children beside them: the last index is 2"},
      {{Does::ungroup, "r"}, "\"ungroup r\": the root cannot be removed"},
      {{Does::ungroup, "a"}, "\"ungroup a\": it has no children; use --remove"},
      {{Does::duplicate, "a"}, "none"},
      {{Does::duplicate, "a=b"}, "\"duplicate a=b\": two siblings are called \"b\""},
      {{Does::duplicate, "r=s"}, "\"duplicate r=s\": a scene has one root"},
      {{Does::insert, "bar:0=box"}, "\"insert bar:0=box\": expected a node as an object, in { }"},
      {{Does::insert, "bar:0=[1]"}, "\"insert bar:0=[1]\": expected a node as an object, in { }"},
  };
  for (const auto& [edit, why] : cases) {
    const std::string value = refusal(edit);
    EXPECT_EQ(value.substr(0, std::string_view(why).size()), why) << value;
  }
}

TEST(Edit, ARangeThatSaysOtherwiseIsNamed) {
  Draft draft(the_file, "s");
  draft.apply(Edit::set("title.text", "Elm"));
  EXPECT_EQ(draft.hints(), std::vector<std::string>{"title.text=Elm: \"when\" still sets text of title while narrow"});
  draft.apply(Edit::set("title.when.narrow.text", "E"));
  EXPECT_EQ(draft.hints().size(), 1U);
}

TEST(Edit, IsTakenBackAndMadeAgain) {
  Draft draft(the_file, "s");
  draft.apply(Edit::set("a.width", "5"));
  draft.apply(Edit::remove("b"));
  const std::string both = draft.json();
  EXPECT_TRUE(draft.undo());
  EXPECT_TRUE(draft.undo());
  EXPECT_FALSE(draft.undo());
  EXPECT_TRUE(draft.redo());
  EXPECT_TRUE(draft.redo());
  EXPECT_FALSE(draft.redo());
  EXPECT_EQ(draft.json(), both);
  EXPECT_TRUE(draft.undo());
  draft.apply(Edit::set("b.width", "6"));
  EXPECT_FALSE(draft.redo()) << "another way was taken";
  EXPECT_EQ(draft.made().back().option(), "--set b.width=6");
}

TEST(Edit, OfASceneFromAProgramKeepsItsContents) {
  struct Square : CustomContent {
    [[nodiscard]] Widths widths() const override { return {30, 30}; }
    [[nodiscard]] Heights height_for(double) const override { return {30, 0}; }
  };
  const Scene scene = row("r").children(box("a").set_content(std::make_shared<Square>()), box("b").width(5));
  Draft draft(scene);
  draft.apply(Edit::group({"a"}, Kind::column, "c"));
  draft.apply(Edit::set("b.width", "6"));
  EXPECT_EQ(solve(draft.scene(), {100, 50})["b"].x, 30);
}

/// What a container gave each of its children goes along where they go.
TEST(Edit, KeepsWhatAContainerGaveItsChildren) {
  for (const Edit& edit : {Edit{Does::ungroup, "bar"}, Edit{Does::move, "title,b=r"}, Edit{Does::move, "b=tray[0]"},
                           Edit{Does::group, "a,b=stack:s"}}) {
    Draft draft(the_file, "s");
    draft.apply(edit);
    EXPECT_THAT(draft.hints(), ::testing::IsEmpty()) << edit.text();
    const Scene scene = draft.scene();
    EXPECT_EQ(scene.tree.keys(scene.tree.at("b")).padding.given(Side::x), Edge(5)) << edit.text();
    EXPECT_EQ(scene.tree.keys(scene.tree.at("b")).shrink, 0) << edit.text();
    EXPECT_EQ(scene.tree.keys(scene.tree.at("a")).shrink, 1) << edit.text();
  }
}

/// What all uses of a part can be changed by, as `set` takes it.
TEST(Edit, APartSpeaksOfItsNodesInOnePlace) {
  const Draft draft(the_file, "s");
  EXPECT_EQ(draft.parts(), (std::vector<std::string>{"dial", "pair"}));
  const struct {
    const char *node, *place;
  } cases[] = {{"r/lone", "parts.pair"},
               {"r/lone/left", "parts.dial"},
               {"r/lone/right/words", "parts.dial/words"},
               {"tray[1]/pair", "parts.pair"},
               {"r/bar", ""},
               {"r/bar/title", ""},
               {"tray[0]/pair/left/tick[1]", "parts.dial/tick"}};
  for (const auto& [node, place] : cases) EXPECT_EQ(draft.place_in_part(node), place) << node;
  // Of parts in parts, the one that is meant.
  EXPECT_EQ(draft.place_in_part("r/lone/right", "pair"), "parts.pair/right");
  EXPECT_EQ(draft.place_in_part("r/lone/right/words", "pair"), "");  // it speaks of no words
  EXPECT_EQ(draft.place_in_part("r/lone/right", "knob"), "");
  EXPECT_THROW(static_cast<void>(draft.place_in_part("nobody")), BadPath);
  Draft changed = draft;
  changed.apply(Edit::set(draft.place_in_part("lone/left") + ".gap", "1"));
  EXPECT_EQ(changed.scene().tree.keys(changed.scene().tree.at("tray[1]/pair/right")).gap, Gap(1));
  changed.apply(Edit::set(draft.place_in_part("tray[0]/pair/left/tick[1]") + ".width", "7"));
  EXPECT_EQ(solve(changed.scene(), {300, 400})["lone/right/tick[0]"].width, 7);
  EXPECT_EQ(Draft(R"({"format":2,"root":{"kind":"row"}})", "s").parts(), std::vector<std::string>());
}

TEST(Edit, TheProgramMakesThemInTheOrderGiven) {
  const auto tidied = [](std::vector<std::string> more) {
    std::vector<std::string> args{"tidy", "-"};
    args.insert(args.end(), more.begin(), more.end());
    const testing::Result result = testing::run(args, R"({"format":2,"root":{"kind":"row","name":"r"}})");
    return result.status == 0 ? result.out.substr(result.out.find("\"root\"")) : result.err;
  };
  EXPECT_EQ(tidied({"--insert", "r={\"kind\":\"box\",\"name\":\"a\"}", "--set", "a.width=3", "--group", "a=row:b",
                    "--set=b.gap=2"}),
            "\"root\": { \"kind\": \"row\", \"name\": \"r\", \"children\": [\n"
            "    { \"kind\": \"row\", \"name\": \"b\", \"gap\": 2,\n"
            "      \"children\": [{ \"kind\": \"box\", \"name\": \"a\", \"width\": 3 }] }\n"
            "  ] }\n}\n");
  EXPECT_EQ(tidied({"--set", "a.width=3", "--insert", "r={\"kind\":\"box\",\"name\":\"a\"}"}),
            "fond-ladder: error: \"a.width=3\": \"a\" is not a node\n");
}

}  // namespace
}  // namespace fond_ladder
