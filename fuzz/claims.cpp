// SPDX-License-Identifier: MIT
//
// Texts of claims and of quantities about one small scene: each is read or refused with a place in it; what was read
// tests the same as its own text read again, and now and then is held against the check over a short ladder.
#include <optional>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/quantity.hpp"
#include "support/shorthand.hpp"
#include "trouble.hpp"

namespace fond_ladder::fuzz {
namespace {

constexpr std::uint64_t one_in_a_check = 512;

struct Measured {
  Scene scene;
  SceneSolver solver;
  Solution solution;
};

const Measured& measured() {
  static Measured* const all = [] {
    Scene scene = testing::scene_from(
        "column:house padding=4 gap=3 [ row:bar gap=8 [ text:title text=\"North house\" box:logo width=20 height=9 ] "
        "grid:beds columns=2 gap=2 [ column:bed [ text:name text=Fern box:dial width=9 height=9 ] "
        "column:bed2 [ text:name text=Moss box:dial width=12 height=9 ] ] box:lamp width=30 height=10 grow=1 ]");
    scene.ranges = {Range{.name = "narrow", .below_width = 110}};
    scene.modes = {"open"};
    scene.ladder.width = {90, 120};
    SceneSolver solver(scene);
    Solution solution = solver.solve({100, 200}).snapshot();
    return new Measured{std::move(scene), std::move(solver), std::move(solution)};
  }();
  return *all;
}

Claim::Outcome outcome(const Claim& claim) {
  std::vector<std::optional<double>> values;
  for (const Quantity& quantity : claim.quantities()) values.push_back(value_of(quantity, measured().solution));
  const std::string active[] = {"narrow"};
  const MeasuredSize container_size{measured().solution.container(), values, active};
  const auto blamed = claim.blamed(container_size);
  for (const std::size_t place : blamed.quantities) expect(place < values.size(), "it blames what it does not ask for");
  return claim.test(container_size);
}

void run(std::string_view text) {
  const Scene& scene = measured().scene;
  try {
    const Claim claim(scene, text);
    const Claim::Outcome first = outcome(claim), second = outcome(Claim(scene, claim.text()));
    expect(first.tested == second.tested && first.holds == second.holds, "its own text comes to something else");
    if (choice_of(text) % one_in_a_check != 0) return;
    const auto checked = check(scene, {std::string(text)}, {.threads = 1});
    expect(checked.size() == 1 && checked[0].holds == (checked[0].failing.empty() && checked[0].tests > 0),
           "what is kept fails somewhere, or is tested nowhere");
    expect_readable(report(checked[0], "house.json"), "the report");
  } catch (const BadClaim& bad) {
    expect(bad.column() >= 1 && bad.column() <= text.size() + 1, "the column lies outside of the text");
  }
  try {
    (void)parse_quantities(scene.tree, text);
  } catch (const BadQuantity&) {  // most are
  }
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run(fond_ladder::fuzz::text_of(bytes, count));
  return 0;
}
