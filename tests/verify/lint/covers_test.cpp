// SPDX-License-Identifier: MIT
//
// Who lies behind what, held against a look at every pair, and against whether it is shown.
#include "verify/lint/covers.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/quantity.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

struct Sight {
  explicit Sight(const Scene& of, const Rung& rung) : scene(of), solution(solve(of, rung)), seen(unseen_scene(scene)) {
    see(seen, solution, true);
  }
  const Scene& scene;
  Solution solution;
  Seen seen;

  /// The places of all that is painted, in that order, found by the plainest way.
  void paint(std::size_t place, std::vector<std::size_t>& order) const {
    const SeenNode& one = seen.nodes[place];
    if (!one.placed) return;
    order.push_back(place);
    std::vector<std::size_t> children;
    for (std::size_t i = place + 1; i < one.end; i = seen.nodes[i].end) children.push_back(i);
    if (one.keys().paint_order == PaintOrder::backward) std::ranges::reverse(children);
    for (const std::size_t child : children) paint(child, order);
  }
};

bool is_hidden_by(const SeenNode& one, const SeenNode& cover) {
  const bool hides = cover.keys().kind == Kind::box || cover.keys().kind == Kind::image;
  return hides && has_area(cover.box) && has_area(one.box) && cover.box.x <= one.box.x + give &&
         cover.box.y <= one.box.y + give && cover.box.right() >= one.box.right() - give &&
         cover.box.bottom() >= one.box.bottom() - give;
}

TEST(Covers, AreThoseThatALookAtEveryPairFinds) {
  testing::RandomScenes random(testing::seed());
  std::size_t hidden = 0, second = 0;
  for (int i = 0; i < 500; ++i) {
    Scene scene(random.tree(2 + static_cast<std::size_t>(random.below(40))));
    const Sight sight(scene, {120.0, 90.0});
    const Covers covers(sight.seen);
    std::vector<std::size_t> order;
    sight.paint(0, order);
    for (std::size_t at = 0; at < order.size(); ++at) {
      const SeenNode& one = sight.seen.nodes[order[at]];
      std::vector<const SeenNode*> all;
      for (std::size_t k = at + 1; k < order.size(); ++k) {
        const SeenNode& other = sight.seen.nodes[order[k]];
        if (!(order[k] > order[at] && order[k] < one.end) && is_hidden_by(one, other)) all.push_back(&other);
      }
      ASSERT_EQ(covers.over(one), all.empty() ? nullptr : all[0]) << i << "\n" << to_json(scene);
      const auto is_other = [&](const SeenNode& cover) { return &cover != all[0]; };
      if (all.empty()) continue;
      ASSERT_EQ(covers.over(one, is_other), all.size() < 2 ? nullptr : all[1]) << i;
      ++hidden;
      second += all.size() > 1 ? 1 : 0;
    }
  }
  EXPECT_GT(hidden, 200U);
  EXPECT_GT(second, 20U);
}

TEST(Covers, OfSeveralTheFirstPaintedIsToldByAll) {
  const Scene scene =
      testing::scene_from("stack:r [ box:low width=9 height=9 box:mid width=9 height=9 box:top width=20 height=20 ]");
  const std::string json = to_json(scene);
  for (const char* call : {"measure", "lint"}) {
    const bool measures = std::string(call) == "measure";
    const auto words =
        measures ? std::vector<std::string>{call, "-", "--at", "100x100"} : std::vector<std::string>{call, "-"};
    const std::string out = testing::run(words, json).out;
    EXPECT_NE(out.find(measures ? "low (behind mid), mid (behind top)" : "it lies wholly behind mid"),
              std::string::npos)
        << out;
  }
}

}  // namespace
}  // namespace fond_ladder
