// SPDX-License-Identifier: MIT
//
// Children that are tied to edges of their siblings. That all of it equals an arrangement written down plainly, also
// after any edits, is for plain_arranger_test.cpp and live_tree_test.cpp.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "fond_ladder/explanation.hpp"
#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::boxes_text;
using ::testing::HasSubstr;

Tie to(const std::string& sibling, PinSide edge, Length plus = {}) {
  return {.to = sibling, .node = {}, .edge = edge, .plus = plus};
}

std::string scene(const std::string& children, const std::string& more = "") {
  return R"({"format":2,"title":"S","ladder":{"width":[100,200],"height":50},)" + more +
         R"("root":{"kind":"stack","name":"s","children":[)" + children + "]}}";
}

TEST(Ties, ComeFromCppByNameAndByHandle) {
  Scene written =
      stack("s").children(box("a").width(30).height(10).pin(Pin{.left = 5}),
                          box("b").natural_size(20, 10).pin(Pin().tied(PinSide::left, to("a", PinSide::right, 4))));
  Tree& tree = written.tree;
  EXPECT_EQ(boxes_text(solve(written, {100, 50})), "a(5,0 30x10) b(39,0 20x10)");
  const NodeId a = tree.at("a"), b = tree.at("b");
  tree.set(b, box().pin(Pin().tied(PinSide::left, {.to = "", .node = a, .edge = PinSide::right, .plus = 4})));
  Solver solver;
  EXPECT_EQ(solver.solve(tree, {100, 50}).box(b).x, 39);
  tree.set(a, box("other"));
  EXPECT_EQ(solver.solve(tree, {100, 50}).box(b).x, 39) << "whatever it is called";
  tree.set(a, box().width(50));
  EXPECT_EQ(solver.solve(tree, {100, 50}).box(b).x, 59);
  tree.move(b, tree.root(), 0);
  EXPECT_EQ(solver.solve(tree, {100, 50}).box(b).x, 59) << "wherever it stands";
  tree.remove(a);
  const Solution without = solver.solve(tree, {100, 50});
  EXPECT_EQ(without.box(b).x, 0) << "nobody is left: at the edge of the parent";
  ASSERT_EQ(without.warnings().size(), 1U);
  EXPECT_THAT(without.warnings()[0].what, HasSubstr("which is not a sibling"));
  EXPECT_THROW(tree.set(b, box().pin(Pin().tied(PinSide::left, to("a", PinSide::top)))), BadValue);
  EXPECT_THROW(tree.set(b, box().pin(Pin{.left = 3}.tied(PinSide::left, to("a", PinSide::left)))), BadValue);
}

TEST(Ties, AChainOfTenThousandIsPlacedInOneGo) {
  const auto chain_of = [](int length) {
    std::vector<Node> links;
    for (int i = 0; i < length; ++i) {
      Pin pin = i + 1 == length ? Pin{.left = 1.0} : Pin();
      if (i + 1 < length) pin.tied(PinSide::left, to("n" + std::to_string(i + 1), PinSide::right, 1));
      links.push_back(box("n" + std::to_string(i)).natural_size(2, 1).pin(pin));
    }
    return Scene(stack("s").children(std::move(links)));
  };
  const Scene chain = chain_of(10000);
  const Solution solution = solve(chain, {100, 50});
  EXPECT_EQ(solution["n9999"].x, 1);
  EXPECT_EQ(solution["n0"].x, 1 + 9999 * 3);
  EXPECT_EQ(solution.visited()[1], chain.tree.size()) << "each once";
}

TEST(Ties, ACircleIsRefusedWithItsMembersOrFallsBack) {
  const std::string a = R"({"kind":"box","name":"a","width":9,"pin":{"left":"b.right"}},)";
  const std::string circle = a + R"({"kind":"box","name":"b","width":9,"pin":{"left":"a.right"}})";
  EXPECT_THAT(testing::run({"measure", "-", "--at", "100x50"}, scene(circle)).err,
              HasSubstr("these nodes are tied in a circle, sideways: a > b > a (at /root/children/0/pin)"));
  // One that a mode makes: the tie that closes it is as if it were not there.
  const Scene by_mode = read_scene(
      scene(a + R"({"kind":"box","name":"b","width":9,"when":{"m":{"pin":{"left":"a.right"}}},"pin":{"left":7}})",
            R"("modes":["m"],)"),
      "s");
  EXPECT_EQ(solve(by_mode, {100, 50})["a"].x, 16);
  const Solution round = solve(by_mode, {100, 50}, {"m"});
  EXPECT_EQ(round["b"].x, 0);
  EXPECT_EQ(round["a"].x, 9);
  ASSERT_EQ(round.warnings().size(), 1U);
  EXPECT_THAT(round.warnings()[0].what, HasSubstr("which is tied back to it"));
}

/// Where ties go round in a circle, it hangs on the way along them which one is let go.
TEST(Ties, TheOrderInWhichSidesAreTiedIsNothing) {
  const auto pinned = [](const std::string& name, Pin pin) {
    return box(name).natural_size(10, 4).pin(std::move(pin));
  };
  const auto boxes = [&](Pin first) {
    const Scene scene = stack("s").children(pinned("a", std::move(first)),
                                            pinned("b", Pin().tied(PinSide::left, to("c", PinSide::right, 3))),
                                            pinned("c", Pin().tied(PinSide::left, to("b", PinSide::right, 5))));
    return boxes_text(solve(scene, {100, 50}));
  };
  const Tie left = to("b", PinSide::right), right = to("c", PinSide::left);
  const Pin one = Pin().tied(PinSide::left, left).tied(PinSide::right, right),
            other = Pin().tied(PinSide::right, right).tied(PinSide::left, left);
  EXPECT_EQ(one, other);
  EXPECT_EQ(boxes(one), boxes(other));
}

TEST(Ties, WrongOnesAreToldWithTheirPlace) {
  const struct {
    const char *pin, *fault;
  } cases[] = {
      {R"({"left":"aa.right"})", "no sibling is called \"aa\"; did you mean \"a\"? (at /root/children/1/pin)"},
      {R"({"left":"b.right"})", "\"b\" cannot be tied to itself"},
      {R"({"left":"a.rihgt"})", "\"rihgt\" is not an edge; did you mean \"right\""},
      {R"({"left":"a.top"})", "\"pin\" must tie left to an edge on the same axis, which top is not"},
      {R"({"left":"a.right+3"})", "is not an edge"},
      {R"({"left":"a.right + 3px"})", "must be tied to an edge of a sibling, as in \"photo.right + 12\""},
      {R"({"left":[]})", "must tie at least one edge"},
      {R"({"left":"a"})",
       "must be a number (pixels), \"2.5em\", \"24ch\" or \"40%\", or tied to an edge as in \"photo.right + 12\""},
      {R"({"left":[3]})", "must be tied to an edge of a sibling"},
  };
  for (const auto& [pin, fault] : cases) {
    const testing::Result answer = testing::run(
        {"measure", "-", "--at", "100x50"},
        scene(R"({"kind":"box","name":"a","width":9},{"kind":"box","name":"b","pin":)" + std::string(pin) + "}"));
    EXPECT_EQ(answer.status, 2) << pin;
    EXPECT_THAT(answer.err, HasSubstr(fault));
  }
}

TEST(Ties, TheExplanationTellsWhatTheyHoldTo) {
  const Scene tied = read_scene(
      scene(
          R"({"kind":"box","name":"a","width":30,"height":20,"pin":{"left":5,"top":2}},)"
          R"({"kind":"box","name":"b","natural_size":[20,5],"pin":{"left":"a.right + 4","top":["a.bottom - 1","a.top"]}},)"
          R"({"kind":"box","name":"c","natural_size":[8,5],"pin":{"right":"b.right","bottom":4}})"),
      "s");
  const Solution solution = solve(tied, {100, 50});
  EXPECT_EQ(why_there(solution, tied.tree.at("b"), x_axis), "x 39: the right of a 35 + tie 4");
  EXPECT_EQ(why_there(solution, tied.tree.at("b"), y_axis), "y 21: the bottom of a 22 - tie 1");
  EXPECT_EQ(why_there(solution, tied.tree.at("c"), x_axis), "x 51: the right of b 59 - its width 8");
}

TEST(Ties, LintTellsThoseThatCannotBeFollowed) {
  const auto findings = [](const std::string& text) {
    std::string answer;
    const Lint found = lint({"", read_scene(text, "s")});
    for (const auto* list : {&found.findings, &found.remarks}) {
      for (const Finding& one : *list) {
        if (one.key.starts_with("pin.")) answer += one.node + "." + one.key + " " + std::string(word(one.rule)) + "\n";
      }
    }
    return answer;
  };
  const std::string b = R"({"kind":"box","name":"b","natural_size":[9,9],"pin":{"left":"a.right"}})";
  const std::string range = R"("ranges":[{"name":"small","below_width":150}],)";
  EXPECT_EQ(findings(scene(R"({"kind":"box","name":"a","natural_size":[9,9],"hidden":true},)" + b)),
            "b.pin.left no effect\n");
  EXPECT_EQ(
      findings(scene(R"({"kind":"box","name":"a","natural_size":[9,9],"when":{"small":{"hidden":true}}},)" + b, range)),
      "b.pin.left dormant\n");
  EXPECT_EQ(findings(scene(R"({"kind":"box","name":"a","natural_size":[9,9]},)" + b, range)), "");
}

}  // namespace
}  // namespace fond_ladder
