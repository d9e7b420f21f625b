// SPDX-License-Identifier: MIT
//
// What sticks out, runs into padding and is not seen has one answer, whoever is asked: the table and the page
// (troubles), JSON, claims, climbs, lint and pictures. Random trees with scrollers, pins, nudges, scale and what is
// meant, at one size each.
#include <gmock/gmock.h>

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "fond_ladder/check.hpp"
#include "fond_ladder/climb.hpp"
#include "fond_ladder/draw.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/trouble.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"

namespace fond_ladder {
namespace {

using Paths = std::set<std::string>;

Scene odd_scene(testing::RandomScenes& random) {
  Scene scene(random.tree(10 + static_cast<std::size_t>(random.below(12))));
  for (const NodeId node : scene.tree.nodes()) {
    const bool is_root = node == scene.tree.root();
    if (random.chance(15)) scene.tree.set(node, box().scroll(random.chance(50) ? Scroll::x : Scroll::y));
    if (is_root) continue;
    if (random.chance(8)) scene.tree.set(node, box().scale(0.5 + random.below(3)));
    if (random.chance(10)) scene.tree.set(node, box().nudge(random.below(60) - 30.0, random.below(60) - 30.0));
    if (random.chance(8))
      scene.tree.set(node, box().pin({.left = random.below(200) - 40.0, .top = random.below(90) - 20.0}));
    if (!random.chance(12)) continue;
    Meant meant;
    if (random.chance(50)) meant.add_cut();
    for (const Oddity oddity : {Oddity::intrudes, Oddity::behind, Oddity::outside, Oddity::never_fits}) {
      if (random.chance(25)) meant.add(oddity);
    }
    scene.tree.set(node, box().meant(meant));
  }
  return scene;
}

/// A scene at one size, and what is said of its nodes there, by their paths.
class Verdicts {
 public:
  Verdicts(Scene scene, const Rung& rung) : scene_(std::move(scene)), solution_(solve(scene_, rung)) {
    for (const NodeId node : scene_.tree.nodes()) {
      if (solution_.is_placed(node)) nodes_.push_back(node);
    }
    for (const Trouble& one : troubles(scene_, solution_))
      told_[one.kind].insert(path(one.node)), why_[path(one.node)] = one.why;
    read_json(rung);
  }

  [[nodiscard]] std::string path(NodeId node) const { return scene_.tree.path(node); }
  [[nodiscard]] bool meant_cut(NodeId node) const { return scene_.tree.keys(node).meant.cut(); }
  /// Whether it, or what it lies in, is told as unseen, and it does not stick out of that into sight.
  [[nodiscard]] bool is_unseen(NodeId node) const {
    for (NodeId at = node; at; at = scene_.tree.parent(at)) {
      if (told_.at(Trouble::Kind::unseen).contains(path(at))) return at == node || !is_seen(node);
    }
    return false;
  }

  void table_and_json_agree() const {
    Paths cut, into;
    for (const NodeId node : nodes_) {
      const auto& said = json_.at(path(node));
      if (is_unseen(node)) continue;
      if (said.contains("cut") && !meant_cut(node)) cut.insert(path(node));
      const bool is_meant = scene_.tree.keys(node).meant.has(Oddity::intrudes);
      for (const auto& [side, by] : sides(node, "intrusion")) {
        const bool is_text = scene_.tree.kind(node) == Kind::text;  // whose words have sides of their own
        if (!is_meant && !is_text && !sides(node, "cut").contains(side)) into.insert(path(node));
      }
    }
    for (const std::string& one : told_.at(Trouble::Kind::sticks_out)) EXPECT_TRUE(cut.contains(one)) << one;
    for (const std::string& one : told_.at(Trouble::Kind::intrudes))
      EXPECT_FALSE(sides(scene_.tree.at(one), "intrusion").empty()) << one;
    // What lies in something that is unseen on purpose is not told either.
    for (const std::string& one : cut)
      EXPECT_TRUE(told_.at(Trouble::Kind::sticks_out).contains(one) || lies_unseen(one)) << one;
    for (const std::string& one : into)
      EXPECT_TRUE(told_.at(Trouble::Kind::intrudes).contains(one) || lies_unseen(one)) << one;
  }

  void climb_agrees(const Rung& rung) const {
    std::vector<std::string> asked;
    for (const NodeId node : nodes_) {
      for (const char* measure : {".cut", ".intrusion", ".shown"}) asked.push_back(path(node) + measure);
    }
    const Climb climbed = climb(scene_, {rung}, asked, {});
    for (std::size_t i = 0; i < nodes_.size(); ++i) {
      const auto most = [&](const char* key) {
        double largest = 0;
        for (const auto& [side, by] : sides(nodes_[i], key)) largest = std::max(largest, by);
        return largest;
      };
      const auto& values = climbed.steps.at(0).values;
      EXPECT_NEAR(values[3 * i].value_or(-1), most("cut"), 1e-6) << path(nodes_[i]);
      EXPECT_NEAR(values[3 * i + 1].value_or(-1), most("intrusion"), 1e-6) << path(nodes_[i]);
      EXPECT_TRUE(!is_unseen(nodes_[i]) || values[3 * i + 2] == 0) << path(nodes_[i]);
    }
  }

  void claims_agree() {
    std::vector<std::string> claims;
    for (const NodeId node : nodes_)
      claims.push_back("uncut(" + path(node) + ")"), claims.push_back("shown(" + path(node) + ")");
    const std::vector<CheckedClaim> checked = check(scene_, claims);
    for (std::size_t i = 0; i < nodes_.size(); ++i) {
      bool is_uncut = true;
      for (const NodeId node : nodes_) {
        const bool is_in = path(node) == path(nodes_[i]) || path(node).starts_with(path(nodes_[i]) + "/");
        if (is_in && json_.at(path(node)).contains("cut") && !meant_cut(node)) is_uncut = false;
      }
      EXPECT_EQ(checked[2 * i].holds, is_uncut) << claims[2 * i];
      EXPECT_FALSE(is_unseen(nodes_[i]) && checked[2 * i + 1].holds) << claims[2 * i + 1];
      if (!checked[2 * i + 1].holds) ++unseen;
    }
  }

  void lint_agrees() {
    std::map<Oddity, Paths> found;
    for (const Finding& one : lint(Variant{"", scene_}).findings) {
      if (one.nodes.empty()) found[one.oddity].insert(one.path);
      found[one.oddity].insert(one.nodes.begin(), one.nodes.end());
    }
    for (const std::string& one : found[Oddity::never_fits]) {
      EXPECT_TRUE(json_.at(one).contains("cut") || said_unseen(one, Unseen::Why::beyond)) << one << ": never fits";
    }
    for (const std::string& one : found[Oddity::outside])
      EXPECT_TRUE(said_unseen(one, Unseen::Why::beyond)) << one << ": outside";
    for (const std::string& one : found[Oddity::behind])
      EXPECT_TRUE(said_unseen(one, Unseen::Why::behind)) << one << ": behind";
    for (const std::string& one : found[Oddity::intrudes])
      EXPECT_TRUE(json_.at(one).contains("intrusion")) << one << ": intrudes";
    // What follows from something that is told is not told again.
    const auto follows = [&](const std::string& one) {
      for (NodeId at = scene_.tree.at(one); at; at = scene_.tree.parent(at)) {
        for (const Oddity unseen : {Oddity::zero_size, Oddity::outside, Oddity::behind}) {
          if (found[unseen].contains(path(at))) return true;
        }
        // Outside together with others that are cut is told with these.
        if (found[Oddity::never_fits].contains(path(at)) && (path(at) == one || !is_seen(at))) return true;
      }
      return false;
    };
    for (const std::string& one : told_[Trouble::Kind::sticks_out]) {
      const bool is_meant = scene_.tree.keys(scene_.tree.at(one)).meant.has(Oddity::never_fits);
      EXPECT_TRUE(is_meant || follows(one)) << one << " sticks out";
    }
    for (const std::string& one : told_[Trouble::Kind::intrudes])
      EXPECT_TRUE(found[Oddity::intrudes].contains(one) || follows(one)) << one << " intrudes";
  }

  void picture_agrees() {
    if (nodes_.empty() || solution_.container().width <= 0 || solution_.container().height <= 0) return;
    const Panel panel{solution_, ""};
    const Picture picture = draw(std::span(&panel, 1), PictureForm::svg, {});
    Paths drawn, cut;
    for (const NodeId node : picture.cut.at(0)) drawn.insert(path(node));
    for (const NodeId node : nodes_) {
      if (json_.at(path(node)).contains("cut") && !meant_cut(node)) cut.insert(path(node));
    }
    EXPECT_EQ(drawn, cut);
    ++pictures;
  }

  [[nodiscard]] bool can_be_read() const { return !json_.empty(); }
  [[nodiscard]] const Scene& scene() const { return scene_; }
  [[nodiscard]] std::size_t count(Trouble::Kind kind) { return told_[kind].size(); }
  std::size_t unseen = 0, pictures = 0;

 private:
  [[nodiscard]] std::map<std::string, double> sides(NodeId node, const char* key) const {
    const nlohmann::json& said = json_.at(path(node));
    return said.contains(key) ? said[key].get<std::map<std::string, double>>() : std::map<std::string, double>();
  }
  void read_json(const Rung& rung) {
    scene_.ladder.width = *rung.width;
    scene_.ladder.height.reset();
    if (rung.height) scene_.ladder.height = Span(*rung.height);
    for (const auto kind : {Trouble::Kind::sticks_out, Trouble::Kind::intrudes, Trouble::Kind::unseen}) told_[kind];
    const testing::Result said = testing::run({"measure", "-", "--format", "json"}, to_json(scene_));
    if (said.status == 2) return;  // an area that its grid does not have
    const nlohmann::json answer = nlohmann::json::parse(said.out);
    for (const auto& node : answer["answers"][0]["nodes"]) json_[node["path"].get<std::string>()] = node;
  }
  [[nodiscard]] bool lies_unseen(const std::string& one) const {
    for (NodeId at = scene_.tree.at(one); at; at = scene_.tree.parent(at)) {
      if (!is_seen(at)) return true;
    }
    return false;
  }
  [[nodiscard]] bool is_seen(NodeId node) const { return Sight(solution_).is_shown(node); }
  [[nodiscard]] bool said_unseen(const std::string& one, Unseen::Why why) const {
    const auto& said = json_.at(one);
    return said.contains("unseen") ? why_.at(one) == why : lies_unseen(one);
  }

  Scene scene_;
  Solution solution_;
  std::vector<NodeId> nodes_;  // that have a place
  std::map<Trouble::Kind, Paths> told_;
  std::map<std::string, Unseen::Why> why_;
  std::map<std::string, nlohmann::json> json_;
};

TEST(OneVerdict, WhoeverIsAsked) {
  testing::RandomScenes random(testing::seed() + 41);
  std::map<Trouble::Kind, std::size_t> told;
  std::size_t unseen = 0, pictures = 0;
  const auto scenes = std::max<std::size_t>(100, testing::rectangles() / 50);
  for (std::size_t i = 0; i < scenes && !HasFailure(); ++i) {
    Scene scene = odd_scene(random);
    const Rung rung{100.0 + random.below(400), 60.0 + random.below(200)};
    Verdicts verdicts(std::move(scene), rung);
    if (!verdicts.can_be_read()) continue;
    verdicts.table_and_json_agree();
    verdicts.climb_agrees(rung);
    verdicts.claims_agree();
    verdicts.lint_agrees();
    verdicts.picture_agrees();
    for (const auto kind : {Trouble::Kind::sticks_out, Trouble::Kind::intrudes, Trouble::Kind::unseen})
      told[kind] += verdicts.count(kind);
    unseen += verdicts.unseen;
    pictures += verdicts.pictures;
    if (HasFailure()) std::cout << "scene " << i << ": " << to_json(verdicts.scene()) << '\n';
  }
  for (const auto& [kind, count] : told) EXPECT_GT(count, scenes / 40) << static_cast<int>(kind);
  EXPECT_GT(unseen, scenes);
  EXPECT_GT(pictures, scenes / 2);
}

}  // namespace
}  // namespace fond_ladder
