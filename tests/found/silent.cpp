// SPDX-License-Identifier: MIT
// things that go wrong without a word
#include <cmath>
#include <cstdio>
#include <fond_ladder/fond_ladder.hpp>
using namespace fond_ladder;
int main() {
  // 1 forms lost: docs' own way of making a Tree (examples/living_panel.cpp)
  Tree p = Scene(row("r")
                     .ranges({{.name = "tight", .below_width = 280}})
                     .when("tight", column())
                     .children(box("a").width(10).height(10)))
               .tree;
  Solver s;
  std::printf("1 at 200 wide it is a %s (said: column below 280)\n",
              std::string(word(s.solve(p, {200, 100}).kind(p.root()))).c_str());
  // the same through a builder that is appended keeps them
  Tree q(column("c").keys());
  NodeId n = q.append(q.root(), row("r")
                                    .ranges({{.name = "tight", .below_width = 280}})
                                    .when("tight", column())
                                    .children(box("a").width(10).height(10)));
  std::printf("  appended, it is a %s\n", std::string(word(s.solve(q, {200, 100}).kind(n))).c_str());
  // 2 NaN scroll
  Tree t = Scene(column("l").scroll(Scroll::y).children(box("x").height(500).shrink(0))).tree;
  Solution a = s.solve(t, {100, 100});
  Solution b = a.scrolled({{t.root(), 0, NAN}});
  std::printf("2 scrolled NaN: x at %g\n", b["x"].y);
  // 3 child of a leaf, content on a container, set() that holds children
  Tree u(row("r").keys());
  NodeId leaf = u.append(u.root(), box("leaf").width(9).keys());
  u.append(leaf, box("in").width(5).keys());
  std::printf("3 child in a leaf: notes %zu\n", s.solve(u, {100, 10}).warnings().size());
  u.set(leaf, box().children(box("more")).when("x", box().width(3)));
  std::printf("  set with holds and when: children %zu, whens %zu, no throw\n", u.child_count(leaf), u.whens().size());
  // 4 mode by a wrong name
  s.set_mode("foldde", true);
  std::puts("4 set_mode of no mode: no throw, no note");
  // 5 min-content of the root: no question for it
  Tree m = Scene(column("menu").children(text("t", "Open a recent garden"))).tree;
  std::printf("5 width 0: container %g, preferred %g, content_size %g (min-content is 57.6: 6 letters of 9.6)\n",
              s.solve(m, {0, {}}).container().width, s.solve(m, {0, {}}).preferred_size(m.at("t")).width,
              s.solve(m, {0, {}}).content_size(m.root()).width);
}
