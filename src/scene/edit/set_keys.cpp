// SPDX-License-Identifier: MIT
#include "scene/edit/set_keys.hpp"

#include <algorithm>
#include <optional>
#include <set>

#include "model/json_text.hpp"
#include "model/key_table.hpp"
#include "model/nearest_word.hpp"
#include "model/origins.hpp"
#include "model/path_steps.hpp"
#include "scene/edit/member_text.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/write/key_writer.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

class KeySetter {
 public:
  explicit KeySetter(PlacedText& text) : text_(text) {}

  bool set(Splices& splices, ChangedText& changed) {
    const SetWords words = set_text_metrics(text_.edit(), text_.tree().segment(text_.tree().root()) + ".gap=8");
    const bool is_node = words.steps.size() > 1 && !(is_top_key(words.steps[0]) && !names_nodes(words.steps[0]));
    if (!is_node) return set_in_file(words, splices);
    const std::vector<NodeId> nodes = text_.nodes_of(words.steps[0]);
    const MemberPath path(std::span(words.steps).subspan(1));
    std::map<Spot, NodeId> spots;
    if (const auto done = set_in_items(nodes, path, words.value, splices, changed)) return *done;
    if (!text_.find_spots(nodes, spots)) return false;
    if (path.way().front() != "copies" && !is_set_on_none(nodes, path) && !text_.write_out_items(nodes)) return false;
    std::map<ValueId, MemberEdit> edits;
    std::map<ValueId, std::vector<ValueId>> out;
    for (const auto& of_spot : spots) {
      const Spot& spot = of_spot.first;
      const NodeId node = of_spot.second;
      std::vector<std::string> way = path.way();
      if (!spot.inner.empty())
        way.insert(way.begin(), {"with", inner_key(text_.document().member(spot.object, "with"), spot.inner)});
      put(
          spot.object, way, path, words.value, [&] { return value_now(node, path); }, edits, out);
    }
    if (edits.empty() && out.empty()) throw text_.refusal("there is nothing to remove" + sayer_of(nodes, path));
    for (const auto& [object, what] : edits) splices.set(object, what);
    for (const auto& [object, what] : out) splices.take_out(object, what);
    note_set(nodes, path, words.value, changed);
    return true;
  }

 private:
  /// The path of an inner node as a member name: the one that is already there, else one that cannot be read as a key.
  [[nodiscard]] std::string inner_key(ValueId object, const std::string& path) const {
    const std::string marked = std::string(inner_path_mark) + path;
    const bool is_key = find_key(path) != nullptr || shapes(path);
    const bool is_marked = object != no_value && text_.document().member(object, marked) != no_value;
    return is_key || is_marked ? marked : path;
  }

  /// Whether no item of a list of copies sets a key of these nodes, which are all of the copies.
  [[nodiscard]] bool is_set_on_none(const std::vector<NodeId>& nodes, const MemberPath& path) const {
    std::set<ValueId> items;
    std::size_t copies = 0;
    for (const NodeId node : nodes) {
      const auto spot = text_.item_of(node);
      if (!spot || !items.insert(spot->item).second) return false;
      const JsonDocument& document = text_.document();
      copies = 0;
      for (ValueId id = document[document[spot->item].parent].first; id != no_value; id = document[id].next) ++copies;
      const ValueId edits =
          spot->inner.empty() ? spot->item : document.member(spot->item, inner_key(spot->item, spot->inner));
      if (edits != no_value && document.member(edits, path.way().front()) != no_value) return false;
    }
    return items.size() == copies;
  }

  /// Sets a key in a list of copies that sets it differently for each; returns false if it is to be set elsewhere.
  std::optional<bool> set_in_items(const std::vector<NodeId>& nodes, const MemberPath& path, const std::string& value,
                                   Splices& splices, ChangedText& changed) {
    if (path.way().front() == "copies" || path.way().front() == "name" || value == "null" ||
        is_set_on_none(nodes, path))
      return {};
    std::map<ValueId, MemberEdit> edits;
    std::map<ValueId, std::vector<ValueId>> out;
    for (const NodeId node : nodes) {
      const auto spot = text_.item_of(node);
      if (!spot) return {};
      if (!text_.write_out_dots(spot->item)) return false;
      std::vector<std::string> way = path.way();
      if (!spot->inner.empty()) way.insert(way.begin(), inner_key(spot->item, spot->inner));
      put(
          spot->item, way, path, value, [&] { return value_now(node, path); }, edits, out);
    }
    for (const auto& [object, what] : edits) splices.set(object, what);
    note_set(nodes, path, value, changed);
    return true;
  }

  /// Adds what to set to `edits`, or what to remove to `out`.
  template <class ValueNow>
  void put(ValueId object, const std::vector<std::string>& way, const MemberPath& path, const std::string& value,
           const ValueNow& value_now, std::map<ValueId, MemberEdit>& edits,
           std::map<ValueId, std::vector<ValueId>>& out) const {
    ValueId known = object;
    for (const std::string& step : way) known = known == no_value ? known : text_.document().member(known, step);
    if (value == "null") {
      for (const std::string& step : path.inside())
        known = known == no_value ? known : text_.document().member(known, step);
      if (known != no_value) out[text_.document()[known].parent].push_back(known);
      return;
    }
    MemberEdit* at = &edits[object];
    for (const std::string& step : way) at = &at->at(step);
    const std::string base = known != no_value       ? Splices(text_.document(), text_.now().text).text_of(known)
                             : path.inside().empty() ? ""
                                                     : value_now();
    at->json = changed_value(path.opened(base), path.inside(), path.value_text(value));
  }

  /// The current value of a node's key, as JSON, from any source; empty if it is not set.
  [[nodiscard]] std::string value_now(NodeId node, const MemberPath& path) const {
    const Keys keys = text_.tree().keys(node);
    const KeyEntry* entry = path.entry();
    return entry != nullptr && path.way().size() == 1 && is_set(*entry, keys) ? value_text(*entry, keys) : "";
  }

  /// `; the key comes from shared "button"`, for a key that a node does not set itself.
  [[nodiscard]] std::string sayer_of(const std::vector<NodeId>& nodes, const MemberPath& path) const {
    if (path.entry() == nullptr || !text_.now().scene.origins) return "";
    for (const auto& edits : text_.now().scene.origins->of(nodes.front())) {
      if (edits.key != place_of(*path.entry()) || edits.source == Source::own) continue;
      const std::string& name = text_.now().scene.origins->name_at(edits.name);
      return "; the key comes from " + std::string(word(edits.source)) + (name.empty() ? "" : " \"" + name + "\"");
    }
    return "";
  }

  void note_set(const std::vector<NodeId>& nodes, const MemberPath& path, const std::string& value,
                ChangedText& changed) const {
    if (path.way().size() > 1) return;
    const std::string& key = path.way().front();
    if (key == "copies") return name_copies(nodes, value, changed.after);
    const KeyEntry* entry = path.entry();
    if (entry == nullptr) return;
    for (const NodeId node : nodes) {
      changed.edited.emplace_back(node, place_of(*entry));
      if (key != "name" && key != "kind") continue;
      Keys keys = text_.tree().keys(node);
      if (key == "name") keys.name = path.plain_text(value);
      const auto kinds = words_of<Kind>;
      const auto kind = std::ranges::find(kinds, path.plain_text(value));
      if (key == "kind" && kind != kinds.end()) keys.kind = static_cast<Kind>(kind - kinds.begin());
      try {
        changed.after.replace_keys(node, keys);
      } catch (const BadValue& fault) {
        throw text_.refusal(fault.what());
      }
    }
    set_forms(nodes, place_of(*entry), key, changed.hints);
  }

  /// Lists the ranges and modes in which another value stays in force.
  void set_forms(const std::vector<NodeId>& nodes, std::size_t key, const std::string& name,
                 std::vector<std::string>& hints) const {
    std::map<std::string, NodeId> forms;
    for (const When& when : text_.now().scene.whens) {
      if (when.change.sets(key) && std::ranges::find(nodes, when.node) != nodes.end())
        forms.try_emplace(when.name, when.node);
    }
    for (const auto& [form, node] : forms) {
      std::string& hint = hints.emplace_back(text_.edit().text());
      hint.append(": \"when\" still sets ")
          .append(name)
          .append(" of ")
          .append(text_.tree().short_path(node))
          .append(" while ")
          .append(form);
    }
  }

  /// What the copies of a node are called when their number is another one.
  void name_copies(const std::vector<NodeId>& nodes, const std::string& value, Tree& after) const {
    for (const NodeId node : nodes) {
      Keys keys = text_.tree().keys(node);
      const bool is_copy = keys.name.ends_with(']');
      if (keys.name.empty()) continue;
      const std::string base = keys.name.substr(0, keys.name.find('['));
      const int index = text_.now().written.of(node).copy;
      if (value == "null" ? index > 0 : is_copy && index >= std::atoi(value.c_str())) {
        after.remove(node);
      } else if (value == "null" || !is_copy) {
        keys.name = value == "null" ? base : base + "[0]";
        after.replace_keys(node, keys);
      }
    }
  }

  // --- what is no node ---------------------------------------------------------------------------------------------

  [[nodiscard]] static bool is_top_key(const std::string& step) {
    return std::ranges::find(scene_keys, step) != scene_keys.end() && step != "root";
  }

  [[nodiscard]] bool names_nodes(const std::string& path) const { return !text_.tree().matches(path).empty(); }

  bool set_in_file(const SetWords& words, Splices& splices) {
    if (!is_top_key(words.steps[0]))
      throw text_.refusal("expected NODE.KEY=VALUE, as in " + text_.tree().segment(text_.tree().root()) + ".gap=8");
    ValueId object = text_.document().root();
    std::size_t steps = 0;
    if (words.steps.size() > 1) {
      const ValueId top = text_.document().member(object, words.steps[0]);
      if (const ValueId named = named_in(top, words)) object = named, steps = 2;
    }
    if (steps == words.steps.size())
      throw text_.refusal("a key is missing, as in " + words.steps[0] + ".NAME.KEY=VALUE");
    const auto rest = std::span(words.steps).subspan(steps);
    const MemberPath path = steps > 0 ? MemberPath(rest) : MemberPath::plain(rest);
    std::map<ValueId, MemberEdit> edits;
    std::map<ValueId, std::vector<ValueId>> out;
    put(
        object, path.way(), path, words.value, [] { return std::string(); }, edits, out);
    if (edits.empty() && out.empty()) throw text_.refusal("there is nothing to remove");
    for (const auto& [holder, what] : edits) splices.set(holder, what);
    for (const auto& [holder, what] : out) splices.take_out(holder, what);
    return true;
  }

  /// The range, part, shared keys or locale that the second step names; 0 for what has no names.
  [[nodiscard]] ValueId named_in(ValueId top, const SetWords& words) const {
    const std::string &what = words.steps[0], &name = words.steps[1];
    if (what != "ranges" && what != "parts" && what != "shared" && what != "locales") return 0;
    std::vector<std::string_view> names;
    const auto steps = steps_of(name);
    for (ValueId id = top == no_value ? top : text_.document()[top].first; id != no_value;
         id = text_.document()[id].next) {
      ValueId own = no_value;
      if (what == "ranges") own = text_.document().member(id, "name");
      const JsonWords called = own == no_value ? text_.document()[id].key : text_.document()[own].text;
      if (called == (what == "parts" ? steps[0] : name)) return what == "parts" ? inside_part(id, steps) : id;
      names.push_back(called);
    }
    refuse_elsewhere(what, what == "parts" ? steps[0] : std::string_view(name));
    const std::string one = what == "shared" ? "shared keys are" : what.substr(0, what.size() - 1) + " is";
    throw text_.refusal("no " + one + " called \"" + name + "\"" + word_hint(name, names));
  }

  /// Refuses to change what a file defines that the scene uses.
  void refuse_elsewhere(const std::string& what, std::string_view name) const {
    const JsonDocument& document = text_.document();
    for (const ValueId top : text_.now().used.tops) {
      const std::size_t file = document.text_of(top);
      const ValueId all = file == 0 ? no_value : document.member(top, what);
      for (ValueId id = all == no_value ? all : document[all].first; id != no_value; id = document[id].next) {
        if (name_of_definition(document, id) != name) continue;
        throw text_.refusal("\"" + std::string(name) + "\" is defined in " + text_.now().used.files[file - 1] +
                            "; change that file, or define it in this scene, which wins");
      }
    }
  }

  [[nodiscard]] ValueId inside_part(ValueId part, const std::vector<std::string_view>& steps) const {
    for (std::size_t i = 1; i < steps.size(); ++i) {
      const ValueId list = text_.document().member(part, "children");
      std::vector<std::string_view> names;
      ValueId found = no_value;
      for (ValueId id = list == no_value ? list : text_.document()[list].first; id != no_value;
           id = text_.document()[id].next) {
        const ValueId name = text_.document().member(id, "name");
        if (name == no_value) continue;
        names.push_back(text_.document()[name].text);
        if (text_.document()[name].text == steps[i]) found = id;
      }
      if (found == no_value)
        throw text_.refusal("this part has no node \"" + std::string(steps[i]) + "\"" + word_hint(steps[i], names));
      part = found;
    }
    return part;
  }

  PlacedText& text_;
};

}  // namespace

bool set_keys(PlacedText& text, Splices& splices, ChangedText& changed) {
  return KeySetter(text).set(splices, changed);
}

}  // namespace fond_ladder::inline v0::scene
