// SPDX-License-Identifier: MIT
#include "fond_ladder/error.hpp"

#include <gtest/gtest.h>

#include <functional>

#include "calls/command.hpp"
#include "fond_ladder/draw.hpp"
#include "fond_ladder/edit.hpp"
#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/fonts.hpp"
#include "fond_ladder/plot.hpp"
#include "fond_ladder/scene_file.hpp"

namespace fond_ladder {
namespace {

template <class... E>
constexpr bool all_are_errors = (std::is_base_of_v<Error, E> && ...);

static_assert(all_are_errors<BadClaim, BadEdit, BadFonts, BadNode, BadPath, BadPicture, BadSegments, BadQuantity,
                             BadScene, BadValue, NoPlot, StaleSolution, calls::WrongCall>);

// One handler is enough for everything that the library refuses.
TEST(Errors, OneHandlerCatchesWhatAnyCallRefuses) {
  const Scene scene = row("bar").children(box("map"));
  Tree tree = scene.tree;
  Solver solver;
  const Solution stale = solver.solve(tree, {40, 30});
  tree.set_em(20);
  const std::vector<std::function<void()>> calls{
      [] { static_cast<void>(Tree::from(box().width(-1))); },
      [&] { static_cast<void>(tree.at("mop")); },
      [&] { tree.remove(tree.root()); },
      [&] { static_cast<void>(stale.box(tree.root())); },
      [&] { static_cast<void>(Claim(scene, "map.width >")); },
      [] { static_cast<void>(read_scene("{", "")); },
      [] { static_cast<void>(VirtualList().place(3)); },
      [] {
        Solver gone;
        const Solver taken = std::move(gone);
        static_cast<void>(gone.solve(Scene(box()).tree, {1, 1}));  // NOLINT(bugprone-use-after-move)
      },
  };
  for (std::size_t i = 0; i < calls.size(); ++i) {
    try {
      calls[i]();
      ADD_FAILURE() << i << " was not refused";
    } catch (const Error& error) {
      EXPECT_STRNE(error.what(), "") << i;
    }
  }
}

}  // namespace
}  // namespace fond_ladder
