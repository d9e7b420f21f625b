// SPDX-License-Identifier: MIT
#include <fond_ladder/fond_ladder.hpp>
using namespace fond_ladder;
int main() {
  Tree t(row("r").keys());
  Solver a;
  Solver b = std::move(a);
  (void)a.solve(t, {10, 10});
}
