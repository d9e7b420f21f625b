// SPDX-License-Identifier: MIT
//
// How good the demo scene's claims are: one number of it is changed at a time, and of the changes that move anything at
// any size, most must break a claim. FOND_LADDER_MUTATIONS limits how many are tried, where only their memory is of
// interest: so few say nothing of a share.
#include <gtest/gtest.h>

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>

#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using Json = nlohmann::json;

struct Mutation {
  std::string pointer;  // of the number
  double value = 0;
};

/// Every number of the nodes, parts, shared keys and ranges: one more, one less, much more, much less.
std::vector<Mutation> mutations_of(const Json& scene) {
  std::vector<Mutation> all;
  const Json flat = scene.flatten();
  for (const auto& one : flat.items()) {
    const std::string& pointer = one.key();
    const Json& value = one.value();
    const bool is_about_nodes = std::ranges::any_of(std::array{"/root/", "/parts/", "/shared/", "/ranges/"},
                                                    [&](const char* part) { return pointer.starts_with(part); });
    if (!is_about_nodes || !value.is_number()) continue;
    const double number = value.get<double>();
    for (const double changed : {number + 1, number - 1, number + 20, number * 1.5 + 4, number * 0.66}) {
      if (changed != number && changed >= 0) all.push_back({pointer, changed});
    }
  }
  return all;
}

std::optional<Scene> mutated(const Json& scene, const Mutation& mutation) {
  Json changed = scene;
  changed[Json::json_pointer(mutation.pointer)] = mutation.value;
  try {
    return read_scene(changed.dump(), "mutated");
  } catch (const BadScene&) {
    return {};
  }
}

TEST(Mutations, OfTheDemoSceneAreCaughtByItsClaims) {
  const Json json = Json::parse(
      testing::file_text(std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json"), nullptr, true, true);
  const Scene scene = read_scene(json.dump(), "console");
  std::vector<Mutation> mutations = mutations_of(json);
  ASSERT_GE(mutations.size(), 200U);
  const char* limit = std::getenv("FOND_LADDER_MUTATIONS");
  const std::size_t step = limit == nullptr ? 1 : std::max<std::size_t>(1, mutations.size() / std::stoul(limit));
  std::vector<ContainerSize> few;
  for (double width = scene.ladder.width.from; width <= scene.ladder.width.to; width += 20) few.push_back({width, 800});
  std::size_t edited = 0, moved = 0, caught = 0;
  std::string missed;
  for (std::size_t i = 0; i < mutations.size(); i += step) {
    const std::optional<Scene> other = mutated(json, mutations[i]);
    if (!other) continue;
    ++edited;
    const std::vector<CheckedClaim> checked = check(*other, other->claims);
    const bool breaks = !std::ranges::all_of(checked, &CheckedClaim::holds);
    const bool moves =
        breaks || compare({"", scene}, {"", *other}, {few}).any() || compare({"", scene}, {"", *other}).any();
    moved += moves ? 1 : 0;
    caught += breaks ? 1 : 0;
    if (moves && !breaks)
      missed += "  " + mutations[i].pointer + " = " + testing::short_number(mutations[i].value) + "\n";
  }
  std::cout << "numbers changed: " << edited << ", of which " << moved << " move something; " << caught
            << " of these break a claim (" << 100 * caught / moved << " %). Not caught:\n"
            << missed;
  RecordProperty("tried", static_cast<int>(edited));
  RecordProperty("moved", static_cast<int>(moved));
  RecordProperty("caught", static_cast<int>(caught));
  EXPECT_GT(caught, 0U);
  if (limit == nullptr) {
    EXPECT_GE(10 * caught, 7 * moved);
  }
}

}  // namespace
}  // namespace fond_ladder
