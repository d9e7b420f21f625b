// SPDX-License-Identifier: MIT
#include <valgrind/callgrind.h>
#include <cstring>
#include <fond_ladder/fond_ladder.hpp>
#include <string>
using namespace fond_ladder;
int main(int, char** argv) {
  const std::string k = argv[1], what = argv[2];
  const int n = 6600;
  auto has = [&](const char* c) { return k.find(c) != std::string::npos; };
  Tree t(column("win").keys());
  Node l = column("list");
  if (has("s")) l.scroll(Scroll::y);
  if (has("w")) l.weight(1);
  if (has("g")) l.gap(4);
  NodeId list = t.append(t.root(), l.keys());
  Node r = row().gap(6);
  if (has("h")) r.height(24);
  if (has("p")) r.padding(4);
  if (has("c")) r.across(Across::center);
  if (has("k")) r.shrink(0);
  std::vector<NodeId> rows;
  for (int i = 0; i < n; ++i) {
    NodeId x = t.append(list, r.keys());
    rows.push_back(x);
    t.append(x, box().width(16).height(16).shrink(0).keys());
    t.append(x, box().natural_size(20, 18).weight(1).keys());
  }
  if (has("P")) t.compact();
  Solver s;
  ContainerSize at{800, 600};
  if (has("f")) at.height.reset();
  s.solve(t, at);
  for (int i = 0; i < 2; ++i) {
    NodeId x = t.append(t.root(), box().width(5).keys());
    s.solve(t, at);
    t.remove(x);
    s.solve(t, at);
  }
  if (has("1")) {
    NodeId x = t.insert(list, 0, r.keys());
    s.solve(t, at);
    t.remove(x);
    s.solve(t, at);
  }
  auto go = [] {
    CALLGRIND_START_INSTRUMENTATION;
    CALLGRIND_TOGGLE_COLLECT;
  };
  auto stop = [] {
    CALLGRIND_TOGGLE_COLLECT;
    CALLGRIND_STOP_INSTRUMENTATION;
  };
  if (what == "full") {
    s.reset();
    go();
    s.solve(t, at);
    stop();
  }
  if (what == "edit") {
    go();
    t.insert(list, 0, r.keys());
    stop();
  }
  if (what == "front") {
    go();
    t.insert(list, 0, r.keys());
    s.solve(t, at);
    stop();
  }
  if (what == "taller") {
    go();
    t.set(rows[n / 2], box().padding(6));
    s.solve(t, at);
    stop();
  }
  if (what == "middle") {
    go();
    t.remove(rows[n / 2]);
    s.solve(t, at);
    stop();
  }
}
