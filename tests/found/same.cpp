// SPDX-License-Identifier: MIT
#include <cstdio>
#include <fond_ladder/fond_ladder.hpp>
#include <random>
using namespace fond_ladder;
int main() {
  std::mt19937 r(5);
  int bad = 0;
  for (int round = 0; round < 30; ++round) {
    Tree t(column("w").keys());
    NodeId l = t.append(t.root(), column("l").scroll(Scroll::y).weight(1).gap(round % 3).keys());
    for (int i = 0; i < 60; ++i) {
      Keys k = row().keys();
      if (r() % 4 == 0) k.height = double(r() % 40);
      if (r() % 5 == 0) k.min_height = Length(double(r() % 30));
      NodeId x = t.append(l, k);
      t.append(x, box().natural_size(10, double(r() % 30)).keys());
    }
    Solver s;
    for (int e = 0; e < 60; ++e) {
      switch (r() % 5) {
        case 0:
          t.append(t.insert(l, r() % t.child_count(l), row().keys()), box().natural_size(5, double(r() % 50)).keys());
          break;
        case 1:
          if (t.child_count(l) > 20) t.remove(t.child(l, r() % t.child_count(l)));
          break;
        case 2: t.set(t.child(l, r() % t.child_count(l)), box().height(double(r() % 60))); break;
        case 3: t.set(t.child(l, r() % t.child_count(l)), box().padding(double(r() % 5))); break;
        case 4: t.set(l, box().gap(double(r() % 5)));
      }
      ContainerSize at{100.0 + r() % 3, 300.0 + r() % 300};
      Solution a = s.solve(t, at);
      Solver f;
      Solution b = f.solve(t, at);
      for (NodeId n : t.nodes())
        if (!(a.box(n) == b.box(n)) || a.baseline(n) != b.baseline(n)) {
          ++bad;
          break;
        }
      if (!(a.content_size(l) == b.content_size(l))) ++bad;
    }
  }
  std::printf("%d differ\n", bad);
}
