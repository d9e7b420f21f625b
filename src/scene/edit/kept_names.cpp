// SPDX-License-Identifier: MIT
#include "scene/edit/kept_names.hpp"

#include <algorithm>
#include <optional>

#include "fond_ladder/quantity.hpp"
#include "model/json_text.hpp"
#include "verify/claims/claim_paths.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

class NameKeeper {
 public:
  NameKeeper(const ReadText& now, const Tree& after, Splices& splices) : now_(now), after_(after), splices_(splices) {}

  /// Returns how many texts of locales are left out.
  std::size_t keep_locales() {
    std::size_t gone = 0;
    const JsonDocument& document = now_.document;
    const ValueId locales = document.member(document.root(), "locales");
    if (locales == no_value) return 0;
    for (ValueId one = document[locales].first; one != no_value; one = document[one].next) {
      const ValueId texts = document.member(one, "texts");
      if (texts == no_value) continue;
      std::vector<ValueId> out;
      for (ValueId text = document[texts].first; text != no_value; text = document[text].next) {
        const std::string& path = document[text].key;
        const NodeId node = now_.scene.tree.at(path);
        if (!after_.contains(node)) {
          out.push_back(text);
        } else if (const auto other = new_path(path, node)) {
          splices_.rename(text, *other);
        }
      }
      if (!out.empty()) splices_.take_out(texts, out);
      gone += out.size();
    }
    return gone;
  }

  /// Returns the claims that are left out.
  std::vector<std::string> keep_claims() {
    std::vector<std::string> gone;
    const JsonDocument& document = now_.document;
    const ValueId claims = document.member(document.root(), "claims");
    if (claims == no_value) return gone;
    std::vector<ValueId> out;
    for (ValueId one = document[claims].first; one != no_value; one = document[one].next) {
      const std::string& claim = document[one].text;
      const auto kept = kept_claim(claim);
      if (!kept) {
        out.push_back(one);
        gone.push_back(claim);
      } else if (*kept != claim) {
        splices_.replace(one, json_text(*kept));
      }
    }
    if (!out.empty()) splices_.take_out(claims, out);
    return gone;
  }

 private:
  /// How a node is to be named from now on, where its old name no longer does.
  [[nodiscard]] std::optional<std::string> new_path(std::string_view path, NodeId node) const {
    const std::vector<NodeId> named = after_.matches(path);
    if (named.size() == 1 && named[0] == node) return {};
    return after_.short_path(node);
  }

  /// A claim with the names of the edited tree; none if a node that it refers to is gone.
  [[nodiscard]] std::optional<std::string> kept_claim(const std::string& claim) const {
    std::string text;
    std::size_t copied = 0;
    for (const PathInClaim& one : paths_in(now_.scene, claim)) {
      const bool none_left = std::ranges::none_of(one.nodes, [&](NodeId node) { return after_.contains(node); });
      if (none_left || (one.is_pattern && matches_nothing(one.path))) return {};
      if (one.is_pattern) continue;
      const auto other = new_path(one.path, one.nodes.front());
      if (!other) continue;
      const auto at = static_cast<std::size_t>(one.path.data() - claim.data());
      text.append(claim, copied, at - copied).append(*other);
      copied = at + one.path.size();
    }
    return text.append(claim, copied);
  }

  [[nodiscard]] bool matches_nothing(std::string_view pattern) const {
    try {
      return nodes_named(after_, pattern).empty();
    } catch (const BadQuantity&) {
      return true;
    }
  }

  const ReadText& now_;
  const Tree& after_;
  Splices& splices_;
};

}  // namespace

void keep_names(const ReadText& now, const Tree& after, Splices& splices, std::vector<std::string>& hints) {
  NameKeeper keeper(now, after, splices);
  if (const std::size_t gone = keeper.keep_locales(); gone > 0)
    hints.push_back("skipped: its node was removed: " + std::to_string(gone) +
                    (gone == 1 ? " text of a locale" : " texts of locales"));
  for (const std::string& claim : keeper.keep_claims())
    hints.push_back("skipped, because it refers to a removed node: the claim " + claim);
}

}  // namespace fond_ladder::inline v0::scene
