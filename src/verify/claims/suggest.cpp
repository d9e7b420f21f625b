// SPDX-License-Identifier: MIT
//
// Candidates are made from the tree: each is a sentence that would be useful if it held. The ladder then
// decides: they are all checked at once, each first without a condition, and where it fails under every range and under
// its contrary. Only what holds everywhere is suggested, and of several forms of one sentence the plainest.
#include "fond_ladder/suggest.hpp"

#include <algorithm>
#include <map>
#include <set>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/claims/claim_terms.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string path_of(const std::string& path, const std::string& step) {
  return path + "/" + step;
}

/// A size in pixels, as far as the fonts alone determine it.
std::optional<double> known_size(const Sizing& size, const FontUnits& units) {
  if (size.way() != Sizing::Way::by_length || size.length().is_percent()) return {};
  return size.length().in_px(units, 0);
}

class Candidates {
 public:
  explicit Candidates(const Scene& scene) : tree_(scene.tree) {}

  std::vector<std::string> list() {
    add("fits(" + tree_.short_path(tree_.root()) + ")");
    for (const NodeId node : tree_.nodes()) {
      if (all_.size() >= limits::most_candidates) break;
      about_itself(node);
      about_children(node);
    }
    return std::move(all_);
  }

 private:
  void add(std::string claim) {
    if (std::ranges::find(all_, claim) == all_.end()) all_.push_back(std::move(claim));
  }

  void add_same(const std::string& nodes, const char* measure) { add("same(" + nodes + measure + ")"); }

  void add_namesakes(const std::string& nodes) {
    for (const char* measure : {".width", ".height", ".bottom"}) add_same(nodes, measure);
  }

  /// Of copies and uses of one part only sets are suggested.
  [[nodiscard]] bool is_one_of_many(NodeId node) const { return tree_.segment(node).find('[') != std::string::npos; }

  void about_itself(NodeId node) {
    const NodeId parent = tree_.parent(node);
    if (!parent) return;
    const Keys keys = tree_.keys(node);
    const std::string name = tree_.short_path(node), above = tree_.short_path(parent);
    if (is_one_of_many(node) || !is_plain_name(name)) return;
    if (const auto width = known_size(keys.width, tree_.units(keys))) add(name + ".width = " + rounded(*width));
    if (const auto height = known_size(keys.height, tree_.units(keys))) add(name + ".height = " + rounded(*height));
    if (keys.touch_target) add("reachable(" + name + ")");
    if (keys.pin) add("inside(" + name + ", " + above + ")");
    const bool mirrored = tree_.direction() == Direction::rtl;
    const Keys around = tree_.keys(parent);
    const double inset = around.padding.on(Side::right, mirrored).length().in_px(tree_.units(around), 0);
    if (keys.margin.on(Side::left, mirrored).is_automatic())
      add(name + ".right = " + above + ".right" + (inset > 0 ? " - " + rounded(inset) : ""));
  }

  /// Not several steps, nor one that counts.
  static bool is_plain_name(const std::string& name) { return name.find_first_of("#/[") == std::string::npos; }

  void about_children(NodeId parent) {
    const std::vector<NodeId> children = tree_.children(parent);
    const Kind kind = tree_.kind(parent);
    if (children.size() < 2 || kind == Kind::stack) return;
    const std::string all = tree_.short_path(parent) + "/*";
    if (kind != Kind::column) add_same(all, ".width");
    add_same(all, ".height");
    about_namesakes(all, children);
    about_weights(children, kind);
    if (kind != Kind::grid) about_order(children, kind == Kind::row ? ".left" : ".top");
  }

  /// Grandchildren of one name, one in each child.
  void about_namesakes(const std::string& all, const std::vector<NodeId>& children) {
    std::map<std::string, std::size_t> counts;
    for (const NodeId child : children) {
      for (const NodeId inner : tree_.children(child)) ++counts[tree_.segment(inner)];
    }
    for (const auto& [step, count] : counts) {
      if (count != children.size() || step.find('#') != std::string::npos) continue;
      add_namesakes(path_of(all, step));
    }
  }

  void about_weights(const std::vector<NodeId>& children, Kind kind) {
    if (kind != Kind::row && kind != Kind::column) return;
    std::string sizes, weights;
    std::set<double> different;
    for (const NodeId child : children) {
      const Keys keys = tree_.keys(child);
      if (!keys.weight) continue;
      sizes += (sizes.empty() ? "" : " : ") + tree_.short_path(child) + (kind == Kind::row ? ".width" : ".height");
      weights += (weights.empty() ? "" : " : ") + rounded(*keys.weight);
      different.insert(*keys.weight);
    }
    if (different.size() > 1) add(sizes + " = " + weights);
  }

  void about_order(const std::vector<NodeId>& children, const char* edge) {
    constexpr std::size_t longest = 4;
    if (children.size() > longest) return;
    std::string chain;
    for (const NodeId child : children) {
      const std::string name = tree_.short_path(child);
      if (tree_.keys(child).pin || !is_plain_name(name)) return;
      chain += (chain.empty() ? "" : " < ") + name + edge;
    }
    add(chain);
  }

  const Tree& tree_;
  std::vector<std::string> all_;
};

/// Every sentence under each range and under its contrary.
std::vector<std::string> with_conditions(const std::vector<std::string>& claims, const Scene& scene) {
  std::vector<std::string> all;
  for (const std::string& claim : claims) {
    for (const Range& range : scene.ranges) {
      all.push_back(claim + " when not " + range.name);
      all.push_back(claim + " when " + range.name);
    }
  }
  return all;
}

bool is_claim(const Scene& scene, const std::string& text) {
  try {
    static_cast<void>(Claim(scene, text));
    return true;
  } catch (const BadClaim&) {
    return false;
  }
}

/// Whether a claim is about one of some nodes, or about something in one.
bool speaks_of(const Scene& scene, const std::string& claim, const std::vector<NodeId>& about) {
  const Claim read(scene, claim);
  return std::ranges::any_of(read.terms().quantities, [&](const Quantity& quantity) {
    for (NodeId at = quantity.node; at; at = scene.tree.parent(at)) {
      if (std::ranges::find(about, at) != about.end()) return true;
    }
    return false;
  });
}

/// Those that hold; the others go to `broken`.
std::vector<std::string> holding_of(const std::vector<Variant>& variants, const std::vector<std::string>& claims,
                                    std::vector<std::string>* broken) {
  std::vector<std::string> holding;
  for (CheckedClaim& one : check(variants, claims)) {
    if (one.holds) {
      holding.push_back(std::move(one.claim));
    } else if (broken != nullptr) {
      broken->push_back(std::move(one.claim));
    }
  }
  return holding;
}

}  // namespace

std::vector<std::string> suggest(const std::vector<Variant>& variants, const std::vector<NodeId>& about) {
  const Scene& scene = variants.at(0).scene;
  std::vector<std::string> candidates = Candidates(scene).list();
  std::erase_if(candidates, [&](const std::string& claim) {
    return !is_claim(scene, claim) || (!about.empty() && !speaks_of(scene, claim, about));
  });
  std::vector<std::string> broken;
  std::vector<std::string> claims = holding_of(variants, candidates, &broken);
  std::set<std::string> sentences;  // sentences that hold under one condition already
  for (std::string& claim : holding_of(variants, with_conditions(broken, scene), nullptr)) {
    if (sentences.insert(claim.substr(0, claim.find(" when "))).second) claims.push_back(std::move(claim));
  }
  std::erase_if(claims,
                [&](const std::string& claim) { return std::ranges::find(scene.claims, claim) != scene.claims.end(); });
  std::ranges::stable_sort(claims, {}, &std::string::size);
  if (claims.size() > limits::most_suggested) claims.resize(limits::most_suggested);
  return claims;
}

}  // namespace fond_ladder::inline v0
