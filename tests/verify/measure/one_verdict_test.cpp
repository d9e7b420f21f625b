// SPDX-License-Identifier: MIT
//
// What overhangs, runs into padding and is invisible has one answer, whoever is asked: the table and the page
// (troubles), JSON, claims, sweeps, lint and pictures. Random trees with scrollers, pins, nudges, scale and what is
// meant, at one size each.
#include <gmock/gmock.h>

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "fond_ladder/check.hpp"
#include "fond_ladder/draw.hpp"
#include "fond_ladder/issue.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/sweep.hpp"
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
    Allowed allow;
    if (random.chance(50)) allow.add_overhang();
    for (const LintRule rule :
         {LintRule::overlaps_padding, LintRule::behind, LintRule::outside, LintRule::never_fits}) {
      if (random.chance(25)) allow.add(rule);
    }
    scene.tree.set(node, box().allow(allow));
  }
  return scene;
}

/// A scene at one size, and what is said of its nodes there, by their paths.
class Verdicts {
 public:
  Verdicts(Scene scene, const ContainerSize& container_size)
      : scene_(std::move(scene)), solution_(solve(scene_, container_size)) {
    for (const NodeId node : scene_.tree.nodes()) {
      if (solution_.is_placed(node)) nodes_.push_back(node);
    }
    for (const Issue& one : issues(scene_, solution_))
      reported_[one.kind].insert(path(one.node)), why_[path(one.node)] = one.why;
    read_json(container_size);
  }

  [[nodiscard]] std::string path(NodeId node) const { return scene_.tree.path(node); }
  [[nodiscard]] bool allowed_overhang(NodeId node) const { return scene_.tree.keys(node).allow.overhang(); }
  /// Whether it, or what it lies in, is told as invisible, and it does not overhang that into sight.
  [[nodiscard]] bool is_invisible(NodeId node) const {
    for (NodeId at = node; at; at = scene_.tree.parent(at)) {
      if (reported_.at(Issue::Kind::invisible).contains(path(at))) return at == node || !is_seen(node);
    }
    return false;
  }

  void table_and_json_agree() const {
    Paths overhang, into;
    for (const NodeId node : nodes_) {
      const auto& value = json_.at(path(node));
      if (is_invisible(node)) continue;
      if (value.contains("overhang") && !allowed_overhang(node)) overhang.insert(path(node));
      const bool is_allowed = scene_.tree.keys(node).allow.has(LintRule::overlaps_padding);
      for (const auto& [side, by] : sides(node, "padding_overlap")) {
        const bool is_text = scene_.tree.kind(node) == Kind::text;  // whose words have sides of their own
        if (!is_allowed && !is_text && !sides(node, "overhang").contains(side)) into.insert(path(node));
      }
    }
    for (const std::string& one : reported_.at(Issue::Kind::overhangs)) EXPECT_TRUE(overhang.contains(one)) << one;
    for (const std::string& one : reported_.at(Issue::Kind::overlaps_padding))
      EXPECT_FALSE(sides(scene_.tree.at(one), "padding_overlap").empty()) << one;
    // What lies in something that is invisible on purpose is not told either.
    for (const std::string& one : overhang)
      EXPECT_TRUE(reported_.at(Issue::Kind::overhangs).contains(one) || lies_invisible(one)) << one;
    for (const std::string& one : into)
      EXPECT_TRUE(reported_.at(Issue::Kind::overlaps_padding).contains(one) || lies_invisible(one)) << one;
  }

  void sweep_agrees(const ContainerSize& container_size) const {
    std::vector<std::string> asked;
    for (const NodeId node : nodes_) {
      for (const char* measure : {".overhang", ".padding_overlap", ".reachable"}) asked.push_back(path(node) + measure);
    }
    const Sweep swept = sweep(scene_, {container_size}, asked, {});
    for (std::size_t i = 0; i < nodes_.size(); ++i) {
      const auto most = [&](const char* key) {
        double largest = 0;
        for (const auto& [side, by] : sides(nodes_[i], key)) largest = std::max(largest, by);
        return largest;
      };
      const auto& values = swept.steps.at(0).values;
      EXPECT_NEAR(values[3 * i].value_or(-1), most("overhang"), 1e-6) << path(nodes_[i]);
      EXPECT_NEAR(values[3 * i + 1].value_or(-1), most("padding_overlap"), 1e-6) << path(nodes_[i]);
      EXPECT_TRUE(!is_invisible(nodes_[i]) || values[3 * i + 2] == 0) << path(nodes_[i]);
    }
  }

  void claims_agree() {
    std::vector<std::string> claims;
    for (const NodeId node : nodes_)
      claims.push_back("fits(" + path(node) + ")"), claims.push_back("reachable(" + path(node) + ")");
    const std::vector<CheckedClaim> checked = check(scene_, claims);
    for (std::size_t i = 0; i < nodes_.size(); ++i) {
      bool is_fits = true;
      for (const NodeId node : nodes_) {
        const bool is_in = path(node) == path(nodes_[i]) || path(node).starts_with(path(nodes_[i]) + "/");
        if (is_in && json_.at(path(node)).contains("overhang") && !allowed_overhang(node)) is_fits = false;
      }
      EXPECT_EQ(checked[2 * i].holds, is_fits) << claims[2 * i];
      EXPECT_FALSE(is_invisible(nodes_[i]) && checked[2 * i + 1].holds) << claims[2 * i + 1];
      if (!checked[2 * i + 1].holds) ++invisible;
    }
  }

  void lint_agrees() {
    std::map<LintRule, Paths> found;
    for (const Finding& one : lint(Variant{"", scene_}).findings) {
      if (one.nodes.empty()) found[one.rule].insert(one.path);
      found[one.rule].insert(one.nodes.begin(), one.nodes.end());
    }
    for (const std::string& one : found[LintRule::never_fits]) {
      EXPECT_TRUE(json_.at(one).contains("overhang") || told_invisible(one, Invisible::Why::outside))
          << one << ": never fits";
    }
    for (const std::string& one : found[LintRule::outside])
      EXPECT_TRUE(told_invisible(one, Invisible::Why::outside)) << one << ": outside";
    for (const std::string& one : found[LintRule::behind])
      EXPECT_TRUE(told_invisible(one, Invisible::Why::behind)) << one << ": behind";
    for (const std::string& one : found[LintRule::overlaps_padding])
      EXPECT_TRUE(json_.at(one).contains("padding_overlap")) << one << ": overlaps padding";
    // What follows from something that is told is not told again.
    const auto follows = [&](const std::string& one) {
      for (NodeId at = scene_.tree.at(one); at; at = scene_.tree.parent(at)) {
        for (const LintRule invisible : {LintRule::zero_size, LintRule::outside, LintRule::behind}) {
          if (found[invisible].contains(path(at))) return true;
        }
        // Outside together with others that are cut is told with these.
        if (found[LintRule::never_fits].contains(path(at)) && (path(at) == one || !is_seen(at))) return true;
      }
      return false;
    };
    for (const std::string& one : reported_[Issue::Kind::overhangs]) {
      const bool is_allowed = scene_.tree.keys(scene_.tree.at(one)).allow.has(LintRule::never_fits);
      EXPECT_TRUE(is_allowed || follows(one)) << one << " overhangs";
    }
    for (const std::string& one : reported_[Issue::Kind::overlaps_padding])
      EXPECT_TRUE(found[LintRule::overlaps_padding].contains(one) || follows(one)) << one << " overlaps padding";
  }

  void picture_agrees() {
    if (nodes_.empty() || solution_.container().width <= 0 || solution_.container().height <= 0) return;
    const Panel panel{solution_, ""};
    const Picture picture = draw(std::span(&panel, 1), PictureForm::svg, {});
    Paths drawn, overhang;
    for (const NodeId node : picture.overhang.at(0)) drawn.insert(path(node));
    for (const NodeId node : nodes_) {
      if (json_.at(path(node)).contains("overhang") && !allowed_overhang(node)) overhang.insert(path(node));
    }
    EXPECT_EQ(drawn, overhang);
    ++pictures;
  }

  [[nodiscard]] bool can_be_read() const { return !json_.empty(); }
  [[nodiscard]] const Scene& scene() const { return scene_; }
  [[nodiscard]] std::size_t count(Issue::Kind kind) { return reported_[kind].size(); }
  std::size_t invisible = 0, pictures = 0;

 private:
  [[nodiscard]] std::map<std::string, double> sides(NodeId node, const char* key) const {
    const nlohmann::json& value = json_.at(path(node));
    return value.contains(key) ? value[key].get<std::map<std::string, double>>() : std::map<std::string, double>();
  }
  void read_json(const ContainerSize& container_size) {
    scene_.ladder.width = *container_size.width;
    scene_.ladder.height.reset();
    if (container_size.height) scene_.ladder.height = Interval(*container_size.height);
    for (const auto kind : {Issue::Kind::overhangs, Issue::Kind::overlaps_padding, Issue::Kind::invisible})
      reported_[kind];
    const testing::Result value = testing::run({"measure", "-", "--format", "json"}, to_json(scene_));
    if (value.status == 2) return;  // an area that its grid does not have
    const nlohmann::json answer = nlohmann::json::parse(value.out);
    for (const auto& node : answer["answers"][0]["nodes"]) json_[node["path"].get<std::string>()] = node;
  }
  [[nodiscard]] bool lies_invisible(const std::string& one) const {
    for (NodeId at = scene_.tree.at(one); at; at = scene_.tree.parent(at)) {
      if (!is_seen(at)) return true;
    }
    return false;
  }
  [[nodiscard]] bool is_seen(NodeId node) const { return Sight(solution_).is_reachable(node); }
  [[nodiscard]] bool told_invisible(const std::string& one, Invisible::Why why) const {
    const auto& value = json_.at(one);
    return value.contains("invisible") ? why_.at(one) == why : lies_invisible(one);
  }

  Scene scene_;
  Solution solution_;
  std::vector<NodeId> nodes_;  // that have a place
  std::map<Issue::Kind, Paths> reported_;
  std::map<std::string, Invisible::Why> why_;
  std::map<std::string, nlohmann::json> json_;
};

TEST(OneVerdict, WhoeverIsAsked) {
  testing::RandomScenes random(testing::seed() + 41);
  std::map<Issue::Kind, std::size_t> result;
  std::size_t invisible = 0, pictures = 0;
  const auto scenes = std::max<std::size_t>(100, testing::rectangles() / 200);
  for (std::size_t i = 0; i < scenes && !HasFailure(); ++i) {
    Scene scene = odd_scene(random);
    const ContainerSize container_size{100.0 + random.below(400), 60.0 + random.below(200)};
    Verdicts verdicts(std::move(scene), container_size);
    if (!verdicts.can_be_read()) continue;
    verdicts.table_and_json_agree();
    verdicts.sweep_agrees(container_size);
    verdicts.claims_agree();
    verdicts.lint_agrees();
    verdicts.picture_agrees();
    for (const auto kind : {Issue::Kind::overhangs, Issue::Kind::overlaps_padding, Issue::Kind::invisible})
      result[kind] += verdicts.count(kind);
    invisible += verdicts.invisible;
    pictures += verdicts.pictures;
    if (HasFailure()) std::cout << "scene " << i << ": " << to_json(verdicts.scene()) << '\n';
  }
  for (const auto& [kind, count] : result) EXPECT_GT(count, scenes / 40) << static_cast<int>(kind);
  EXPECT_GT(invisible, scenes);
  EXPECT_GT(pictures, scenes / 2);
}

}  // namespace
}  // namespace fond_ladder
