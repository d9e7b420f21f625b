// SPDX-License-Identifier: MIT
#include <algorithm>
#include <cstdio>
#include <ctime>
#include <fond_ladder/fond_ladder.hpp>
#include <vector>
using namespace fond_ladder;
static double cpu() {
  timespec t;
  clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
  return t.tv_sec * 1e6 + t.tv_nsec / 1e3;
}
template <class F>
void m(const char* w, F f, Node root = column("list")) {
  int n = 20000;
  std::vector<Node> rows;
  for (int i = 0; i < n; ++i) rows.push_back(f(i));
  double b0 = cpu();
  const Tree t = Tree::with_forms(root.children(std::move(rows))).tree;
  double b1 = cpu();
  Solver s;
  s.solve(t, {300, 400});
  std::vector<double> a, b;
  for (int k = 0; k < 9; ++k) {
    s.reset();
    double x = cpu();
    s.solve(t, {300, 400});
    a.push_back(cpu() - x);
    x = cpu();
    s.solve(t, {301.0 + k, 400});
    b.push_back(cpu() - x);
  }
  std::sort(a.begin(), a.end());
  std::sort(b.begin(), b.end());
  double N = t.size();
  std::printf("%-36s %6zu nodes: full %6.1f ns/node, width %6.1f, build %6.0f, %5.0f B/node\n", w, t.size(),
              a[4] * 1e3 / N, b[4] * 1e3 / N, (b1 - b0) * 1e3 / N, (t.memory() + s.memory() - s.scratch_memory()) / N);
}
int main() {
  auto R = [](auto c) {
    return [c](int) {
      Node r = row().gap(4);
      for (int k = 0; k < 4; ++k) r.children(c());
      return r;
    };
  };
  m("rows of 4 plain boxes", R([] { return box().natural_size(20, 10); }));
  m("rows of 4 boxes width 40", R([] { return box().width(40); }));
  m("rows of 4 boxes width 25%", R([] { return box().width(percent(25)); }));
  m("rows of 4 boxes basis 0 grow 1", R([] { return box().basis(0.0).grow(1); }));
  m("rows of 4 boxes basis 25%", R([] { return box().basis(percent(25)).grow(1); }));
  m("rows of 4 boxes padding 4", R([] { return box().padding(4); }));
  m("rows of 4 boxes padding 4%", R([] { return box().padding(percent(4)); }));
  m("rows of 4 boxes aspect 2", R([] { return box().width(20).aspect_ratio(2); }));
  m("rows of 4 boxes weight, max 30", R([] { return box().weight(1).max_width(30); }));
  m("rows of 4 texts", R([] { return text("Fern bed"); }));
  m("rows of 4 long texts", R([] { return text("Fern, from spores. Shade, and mist twice a day in summer."); }));
  m("stacks of 4 pinned boxes", [](int) {
    Node r = stack().width(40).height(20);
    for (int k = 0; k < 4; ++k) r.children(box().width(5).height(5).pin(Pin{.left = Length(4)}));
    return r;
  });
  m("grids of 2x2 auto-placed", [](int) {
    Node r = grid().columns(2);
    for (int k = 0; k < 4; ++k) r.children(box().natural_size(20, 10));
    return r;
  });
  m("grids of 2x2 said cells", [](int) {
    Node r = grid().columns(2);
    for (int k = 0; k < 4; ++k) r.children(box().natural_size(20, 10).cell(k % 2, k / 2));
    return r;
  });
  m("rows wrapping of 4", [](int) {
    Node r = row().wrap().gap(4);
    for (int k = 0; k < 4; ++k) r.children(box().natural_size(120, 10));
    return r;
  });
  m("rows across baseline of 4 texts", [](int) {
    Node r = row().across(Across::baseline).gap(4);
    for (int k = 0; k < 4; ++k) r.children(text("Fern bed"));
    return r;
  });
}
