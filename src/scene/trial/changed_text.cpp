// SPDX-License-Identifier: MIT
//
// A trial is made in the text. A node of the tree stands in the file as an object of its own, or in a part, or for all
// of its copies: what is to be said of it is written where it speaks of that node alone. Where no such place is, copies
// or uses of parts are written out first, one at a time, and the text is read again; that changes no number and no
// path.
#include "scene/trial/changed_text.hpp"

#include <algorithm>
#include <map>
#include <set>

#include "fond_ladder/quantity.hpp"
#include "model/json_text.hpp"
#include "model/key_table.hpp"
#include "model/nearest_word.hpp"
#include "model/origins.hpp"
#include "model/path_steps.hpp"
#include "scene/read/definitions.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/trial/kept_names.hpp"
#include "scene/trial/member_text.hpp"
#include "scene/trial/splices.hpp"
#include "scene/trial/trial_words.hpp"
#include "scene/write/key_writer.hpp"
#include "scene/write/node_texts.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

/// Where one node of the tree can be spoken of: by its own object, or by what a use of a part says of its inside.
struct Spot {
  ValueId object = no_value;
  std::string inner;  // the path inside the part; empty for the object itself
  friend auto operator<=>(const Spot&, const Spot&) = default;
};

class TextChanger {
 public:
  TextChanger(std::shared_ptr<const ReadText> before, const Trial& trial, const std::string& file_name)
      : now_(std::move(before)), trial_(trial), file_name_(file_name) {}

  ChangedText change() {
    for (;;) {  // until nothing has to be written out first
      Splices splices(now_->document, now_->text);
      ChangedText changed{"", now_, now_->scene.tree};
      if (!make(splices, changed)) continue;
      keep_names(*now_, changed.after, splices, changed.hints);
      changed.text = splices.text();
      return changed;
    }
  }

 private:
  /// Returns whether it could be made; if not, something was written out and it is to be tried again.
  bool make(Splices& splices, ChangedText& changed) {
    switch (trial_.does) {
      case Trial::Does::set: return set(splices, changed);
      case Trial::Does::move: return move(splices, changed);
      case Trial::Does::enclose: return enclose(splices, changed);
      case Trial::Does::remove: return remove(splices, changed);
      case Trial::Does::add: return add(splices, changed);
    }
    return true;
  }

  [[nodiscard]] BadTrial refusal(const std::string& why) const { return BadTrial(shown(trial_) + why); }
  [[nodiscard]] const Tree& tree() const { return now_->scene.tree; }
  [[nodiscard]] const JsonDocument& document() const { return now_->document; }

  // --- which nodes -------------------------------------------------------------------------------------------------

  /// The nodes of a path or pattern; copies are also named without their index, all together.
  [[nodiscard]] std::vector<NodeId> nodes_of(const std::string& pattern) const {
    if (pattern.find('*') == std::string::npos && tree().matches(pattern).empty()) {
      std::vector<NodeId> copies;
      std::set<std::string> paths;
      for (const NodeId node : tree().nodes()) {
        const std::string path = without_indexes(tree().path(node));
        if (path != pattern && !path.ends_with("/" + pattern)) continue;
        copies.push_back(node);
        paths.insert(path);
      }
      if (paths.size() == 1) return copies;
    }
    try {
      return nodes_named(tree(), pattern);
    } catch (const BadQuantity& fault) {
      throw refusal(fault.what());
    }
  }

  [[nodiscard]] NodeId node_of(const std::string& path) const {
    try {
      return tree().at(path);
    } catch (const BadPath& fault) {
      throw refusal(fault.what());
    }
  }

  // --- where they are written --------------------------------------------------------------------------------------

  /// The node itself, or the outermost use of a part that it lies in.
  [[nodiscard]] NodeId written_outside(NodeId node) const {
    while (now_->is_in_parts(now_->value_of(node))) node = tree().parent(node);
    return node;
  }

  [[nodiscard]] Spot spot_of(NodeId node) const {
    const NodeId use = written_outside(node);
    Spot spot{now_->value_of(use), ""};
    for (NodeId at = node; at != use; at = tree().parent(at))
      spot.inner = tree().step(at) + (spot.inner.empty() ? "" : "/") + spot.inner;
    return spot;
  }

  /// The topmost of a node and those above it that is one of several copies, none when none is.
  [[nodiscard]] NodeId topmost_copy(NodeId node) const {
    NodeId top;
    for (NodeId at = written_outside(node); at; at = tree().parent(at)) {
      if (now_->written.of(at).copy >= 0) top = at;
    }
    return top;
  }

  /// The nodes of a parent that one object of the file stands for: copies, or one alone.
  [[nodiscard]] std::vector<NodeId> copies_of(NodeId node) const {
    if (!tree().parent(node)) return {node};
    std::vector<NodeId> all = tree().children(tree().parent(node));
    std::erase_if(all, [&](NodeId other) { return now_->value_of(other) != now_->value_of(node); });
    return all;
  }

  [[nodiscard]] std::vector<std::string_view> keys_of_each(NodeId node) const {
    std::vector<std::string_view> keys;
    const NodeId parent = tree().parent(node);
    if (!parent) return keys;
    const ValueId each = document().member(now_->value_of(parent), "each");
    if (each == no_value) return keys;
    for (ValueId id = document()[each].first; id != no_value; id = document()[id].next)
      keys.push_back(document()[id].key);
    return keys;
  }

  /// Reads a text that says the same in other words.
  void go_on_with(std::string text) {
    try {
      now_ = std::make_shared<const ReadText>(std::move(text), file_name_);
    } catch (const BadScene& fault) {
      throw refusal("what is to be changed alone cannot be written out: " + fault.faults().front().message);
    }
  }

  /// Writes the copies that a node is one of as nodes of their own. Always returns false.
  bool write_out_copies(NodeId node) {
    const std::vector<NodeId> copies = copies_of(node);
    Splices splices(document(), now_->text);
    splices.replace(now_->value_of(node), own_texts_of(copies));
    const std::size_t nodes = tree().size();
    const std::shared_ptr<const ReadText> before = now_;
    try {
      auto after = std::make_shared<const ReadText>(splices.text(), file_name_);
      if (after->scene.tree.size() == nodes) {
        now_ = std::move(after);
        return false;
      }
    } catch (const BadScene&) {  // their number is said elsewhere
    }
    Splices in_full(document(), now_->text);
    in_full.replace(now_->value_of(node), node_texts(now_->scene, copies, Copies::one_by_one, keys_of_each(node)));
    go_on_with(in_full.text());
    return false;
  }

  /// The object of copies once for each, without their number.
  [[nodiscard]] std::string own_texts_of(const std::vector<NodeId>& copies) const {
    const std::string object = Splices(document(), now_->text).text_of(now_->value_of(copies.front()));
    const JsonDocument alone(object);
    std::string texts;
    for (const NodeId copy : copies) {
      Splices splices(alone, object);
      std::vector<ValueId> out;
      if (const ValueId count = alone.member(alone.root(), "copies"); count != no_value) out.push_back(count);
      SaidInside said;
      if (const std::string name = tree().keys(copy).name; !name.empty()) said.at("name").json = json_text(name);
      splices.take_out(alone.root(), out);
      splices.say(alone.root(), said);
      texts += (texts.empty() ? "" : ", ") + splices.text();
    }
    return texts;
  }

  /// Writes a use of a part as the nodes that it stands for. Always returns false.
  bool write_out_use(NodeId use) {
    Splices splices(document(), now_->text);
    splices.replace(now_->value_of(use), node_texts(now_->scene, copies_of(use), Copies::together, keys_of_each(use)));
    go_on_with(splices.text());
    return false;
  }

  /// Whether a node has an object of its own; if not, something was written out.
  bool stands_alone(NodeId node) {
    if (now_->is_in_parts(now_->value_of(node))) return write_out_use(written_outside(node));
    if (const NodeId copy = topmost_copy(node)) return write_out_copies(copy);
    return true;
  }

  /// The same, of a container whose children are to be written.
  bool holds_alone(NodeId container) {
    if (document().member(now_->value_of(container), "part") != no_value) return write_out_use(container);
    return stands_alone(container);
  }

  /// The spots of some nodes, where these are all that each spot speaks of; if not, something was written out.
  bool find_spots(const std::vector<NodeId>& nodes, std::map<Spot, NodeId>& spots) {
    std::map<ValueId, std::size_t> written;  // how many nodes an object stands for
    for (const NodeId node : tree().nodes()) ++written[now_->value_of(node)];
    std::map<Spot, std::size_t> meant;
    for (const NodeId node : nodes) {
      const Spot spot = spot_of(node);
      spots.try_emplace(spot, node);
      ++meant[spot];
    }
    for (const auto& [spot, count] : meant) {
      if (count < written.at(spot.object)) return write_out_copies(topmost_copy(spots.at(spot)));
    }
    return true;
  }

  // --- keys --------------------------------------------------------------------------------------------------------

  bool set(Splices& splices, ChangedText& changed) {
    const SetWords words = set_words(trial_, tree().step(tree().root()) + ".gap=8");
    const bool is_node = words.steps.size() > 1 && !(is_top_key(words.steps[0]) && !names_nodes(words.steps[0]));
    if (!is_node) return set_in_file(words, splices);
    const std::vector<NodeId> nodes = nodes_of(words.steps[0]);
    std::map<Spot, NodeId> spots;
    if (!find_spots(nodes, spots)) return false;
    const MemberPath path(std::span(words.steps).subspan(1));
    std::map<ValueId, SaidInside> said;
    std::map<ValueId, std::vector<ValueId>> out;
    for (const auto& of_spot : spots) {
      const Spot& spot = of_spot.first;
      const NodeId node = of_spot.second;
      std::vector<std::string> way = path.way();
      if (!spot.inner.empty()) way.insert(way.begin(), {"with", spot.inner});
      put(
          spot.object, way, path, words.value, [&] { return value_now(node, path); }, said, out);
    }
    if (said.empty() && out.empty())
      throw refusal("nothing is said there that could be left out" + sayer_of(nodes, path));
    for (const auto& [object, what] : said) splices.say(object, what);
    for (const auto& [object, what] : out) splices.take_out(object, what);
    note_set(nodes, path, words.value, changed);
    return true;
  }

  /// Puts what is said into `said`, or what is to be left out into `out`.
  template <class ValueNow>
  void put(ValueId object, const std::vector<std::string>& way, const MemberPath& path, const std::string& value,
           const ValueNow& value_now, std::map<ValueId, SaidInside>& said,
           std::map<ValueId, std::vector<ValueId>>& out) const {
    ValueId known = object;
    for (const std::string& step : way) known = known == no_value ? known : document().member(known, step);
    if (value == "null") {
      for (const std::string& step : path.inside()) known = known == no_value ? known : document().member(known, step);
      if (known != no_value) out[document()[known].parent].push_back(known);
      return;
    }
    SaidInside* at = &said[object];
    for (const std::string& step : way) at = &at->at(step);
    const std::string base = known != no_value       ? Splices(document(), now_->text).text_of(known)
                             : path.inside().empty() ? ""
                                                     : value_now();
    at->json = changed_value(base, path.inside(), path.value_text(value));
  }

  /// What a node's key is now, as JSON, whoever says it; empty when nobody does.
  [[nodiscard]] std::string value_now(NodeId node, const MemberPath& path) const {
    const Keys keys = tree().keys(node);
    const KeyEntry* entry = path.entry();
    return entry != nullptr && path.way().size() == 1 && is_said(*entry, keys) ? value_text(*entry, keys) : "";
  }

  /// `; it is said by the shared keys "button"`, of a key that a node does not say itself.
  [[nodiscard]] std::string sayer_of(const std::vector<NodeId>& nodes, const MemberPath& path) const {
    if (path.entry() == nullptr || !now_->scene.origins) return "";
    for (const auto& said : now_->scene.origins->of(nodes.front())) {
      if (said.key != place_of(*path.entry()) || said.source == Source::own) continue;
      const std::string& name = now_->scene.origins->name_at(said.name);
      return "; it comes from " + std::string(word(said.source)) + (name.empty() ? "" : " \"" + name + "\"");
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
      changed.tried.emplace_back(node, place_of(*entry));
      if (key != "name" && key != "kind") continue;
      Keys keys = tree().keys(node);
      if (key == "name") keys.name = path.plain_text(value);
      const auto kinds = words_of<Kind>;
      const auto kind = std::ranges::find(kinds, path.plain_text(value));
      if (key == "kind" && kind != kinds.end()) keys.kind = static_cast<Kind>(kind - kinds.begin());
      try {
        changed.after.restyle(node, keys);
      } catch (const BadValue& fault) {
        throw refusal(fault.what());
      }
    }
    tell_forms(nodes, place_of(*entry), key, changed.hints);
  }

  /// Says where ranges and modes go on saying something else.
  void tell_forms(const std::vector<NodeId>& nodes, std::size_t key, const std::string& name,
                  std::vector<std::string>& hints) const {
    std::map<std::string, NodeId> forms;
    for (const When& when : now_->scene.whens) {
      if (when.change.says_at(key) && std::ranges::find(nodes, when.node) != nodes.end())
        forms.try_emplace(when.name, when.node);
    }
    for (const auto& [form, node] : forms) {
      std::string& hint = hints.emplace_back(trial_.text());
      hint.append(": while ").append(form).append(", ").append(name).append(" of ").append(tree().tail(node));
      hint += " is what its \"when\" says";
    }
  }

  /// What the copies of a node are called when their number is another one.
  void name_copies(const std::vector<NodeId>& nodes, const std::string& value, Tree& after) const {
    for (const NodeId node : nodes) {
      Keys keys = tree().keys(node);
      const bool is_copy = keys.name.ends_with(']');
      if (keys.name.empty()) continue;
      const std::string base = keys.name.substr(0, keys.name.find('['));
      const int index = now_->written.of(node).copy;
      if (value == "null" ? index > 0 : is_copy && index >= std::atoi(value.c_str())) {
        after.remove(node);
      } else if (value == "null" || !is_copy) {
        keys.name = value == "null" ? base : base + "[0]";
        after.restyle(node, keys);
      }
    }
  }

  // --- what is no node ---------------------------------------------------------------------------------------------

  [[nodiscard]] static bool is_top_key(const std::string& step) {
    return std::ranges::find(scene_keys, step) != scene_keys.end() && step != "root";
  }

  [[nodiscard]] bool names_nodes(const std::string& path) const { return !tree().matches(path).empty(); }

  bool set_in_file(const SetWords& words, Splices& splices) {
    if (!is_top_key(words.steps[0]))
      throw refusal("write NODE.KEY=VALUE, as in " + tree().step(tree().root()) + ".gap=8");
    ValueId object = document().root();
    std::size_t steps = 0;
    if (words.steps.size() > 1) {
      const ValueId top = document().member(object, words.steps[0]);
      if (const ValueId named = named_in(top, words)) object = named, steps = 2;
    }
    if (steps == words.steps.size())
      throw refusal("a key of it is missing, as in " + words.steps[0] + ".NAME.KEY=VALUE");
    const auto rest = std::span(words.steps).subspan(steps);
    const MemberPath path = steps > 0 ? MemberPath(rest) : MemberPath::plain(rest);
    std::map<ValueId, SaidInside> said;
    std::map<ValueId, std::vector<ValueId>> out;
    put(
        object, path.way(), path, words.value, [] { return std::string(); }, said, out);
    if (said.empty() && out.empty()) throw refusal("nothing is said there that could be left out");
    for (const auto& [holder, what] : said) splices.say(holder, what);
    for (const auto& [holder, what] : out) splices.take_out(holder, what);
    return true;
  }

  /// The range, part, shared keys or wording that the second step names; 0 for what has no names.
  [[nodiscard]] ValueId named_in(ValueId top, const SetWords& words) const {
    const std::string &what = words.steps[0], &name = words.steps[1];
    if (what != "ranges" && what != "parts" && what != "shared" && what != "wordings") return 0;
    std::vector<std::string_view> names;
    const auto steps = steps_of(name);
    for (ValueId id = top == no_value ? top : document()[top].first; id != no_value; id = document()[id].next) {
      ValueId own = no_value;
      if (what == "ranges") own = document().member(id, "name");
      const std::string& called = own == no_value ? document()[id].key : document()[own].text;
      if (called == (what == "parts" ? steps[0] : name)) return what == "parts" ? inside_part(id, steps) : id;
      names.push_back(called);
    }
    const std::string one = what == "shared" ? "shared keys are" : what.substr(0, what.size() - 1) + " is";
    throw refusal("no " + one + " called \"" + name + "\"" + word_hint(name, names));
  }

  [[nodiscard]] ValueId inside_part(ValueId part, const std::vector<std::string_view>& steps) const {
    for (std::size_t i = 1; i < steps.size(); ++i) {
      const ValueId list = document().member(part, "children");
      std::vector<std::string_view> names;
      ValueId found = no_value;
      for (ValueId id = list == no_value ? list : document()[list].first; id != no_value; id = document()[id].next) {
        const ValueId name = document().member(id, "name");
        if (name == no_value) continue;
        names.push_back(document()[name].text);
        if (document()[name].text == steps[i]) found = id;
      }
      if (found == no_value)
        throw refusal("nothing in this part is called \"" + std::string(steps[i]) + "\"" + word_hint(steps[i], names));
      part = found;
    }
    return part;
  }

  // --- structure ---------------------------------------------------------------------------------------------------

  [[nodiscard]] ValueId list_of(NodeId container) const {
    return document().member(now_->value_of(container), "children");
  }

  void put_into(NodeId container, NodeId before, const std::string& json, const std::vector<ValueId>& out,
                Splices& splices) const {
    const ValueId list = list_of(container);
    if (list != no_value) {
      return splices.put_in(list, before ? now_->value_of(before) : no_value, json, out);
    }
    SaidInside said;
    said.at("children").json = "[" + json + "]";
    splices.say(now_->value_of(container), said);
  }

  /// The child that a place is ahead of, none for the end; `left_out` is counted out.
  [[nodiscard]] NodeId child_at(NodeId container, const PlaceWords& words, NodeId left_out) const {
    std::vector<NodeId> children = tree().children(container);
    std::erase(children, left_out);
    const std::size_t place = words.place.value_or(children.size());
    if (place > children.size()) {
      throw refusal(tree().tail(container) + " has " + std::to_string(children.size()) +
                    (children.size() == 1 ? " child" : " children") + (left_out ? " beside it" : "") +
                    ": the last place is " + std::to_string(children.size()));
    }
    return place == children.size() ? NodeId() : children[place];
  }

  bool move(Splices& splices, ChangedText& changed) {
    const PlaceWords words = move_words(trial_);
    const NodeId node = node_of(words.what), container = node_of(words.container);
    if (node == tree().root()) throw refusal("the root cannot be moved");
    for (NodeId at = container; at; at = tree().parent(at)) {
      if (at == node) throw refusal("a node cannot be moved into itself");
    }
    if (!stands_alone(node) || !holds_alone(container)) return false;
    const NodeId before = child_at(container, words, node);
    if (before && now_->written.of(before).copy > 0) return write_out_copies(before);
    const NodeId parent = tree().parent(node);
    const std::vector<ValueId> out{now_->value_of(node)};
    put_into(container, before, splices.text_of(out[0]), parent == container ? out : std::vector<ValueId>{}, splices);
    splices.take_out(list_of(parent), out);
    const std::size_t place = before ? tree().index_of(before) : tree().child_count(container);
    const bool is_behind = parent == container && tree().index_of(node) < place;
    try {
      changed.after.move(node, container, place - (is_behind ? 1 : 0));
    } catch (const BadValue& fault) {
      throw refusal(fault.what());
    }
    return true;
  }

  bool remove(Splices& splices, ChangedText& changed) {
    std::vector<NodeId> nodes = nodes_of(trial_.what);
    if (std::ranges::find(nodes, tree().root()) != nodes.end()) throw refusal("the root cannot be removed");
    for (const NodeId node : nodes) {
      if (now_->is_in_parts(now_->value_of(node))) return write_out_use(written_outside(node));
    }
    std::map<Spot, NodeId> spots;
    if (!find_spots(nodes, spots)) return false;
    std::map<ValueId, std::vector<ValueId>> out;
    for (const auto& [spot, node] : spots) {
      if (!lies_in_one_of(node, nodes)) out[list_of(tree().parent(node))].push_back(spot.object);
    }
    for (const auto& [list, items] : out) splices.take_out(list, items);
    for (const NodeId node : nodes) {
      if (changed.after.contains(node)) changed.after.remove(node);
    }
    return true;
  }

  [[nodiscard]] bool lies_in_one_of(NodeId node, const std::vector<NodeId>& others) const {
    for (NodeId at = tree().parent(node); at; at = tree().parent(at)) {
      if (std::ranges::find(others, at) != others.end()) return true;
    }
    return false;
  }

  bool enclose(Splices& splices, ChangedText& changed) {
    const EncloseWords words = enclose_words(trial_);
    std::vector<NodeId> nodes;
    for (const std::string& pattern : words.nodes) {
      for (const NodeId node : nodes_of(pattern)) {
        if (std::ranges::find(nodes, node) == nodes.end()) nodes.push_back(node);
      }
    }
    const NodeId parent = tree().parent(nodes.front());
    for (const NodeId node : nodes) {
      if (!tree().parent(node)) throw refusal("the root cannot be gathered into something");
      if (tree().parent(node) != parent)
        throw refusal(tree().tail(node) + " and " + tree().tail(nodes.front()) + " are no siblings; move one first");
    }
    for (const NodeId node : nodes) {
      if (now_->is_in_parts(now_->value_of(node))) return write_out_use(written_outside(node));
    }
    std::map<Spot, NodeId> spots;
    if (!find_spots(nodes, spots)) return false;
    std::string children;
    std::vector<ValueId> items;  // in the order of the file, as their numbers are
    for (const auto& [spot, node] : spots) {
      children += (items.empty() ? "" : ", ") + splices.text_of(spot.object);
      items.push_back(spot.object);
    }
    splices.replace(items.front(), R"({ "kind": )" + json_text(words.kind) +
                                       (words.name.empty() ? "" : R"(, "name": )" + json_text(words.name)) +
                                       R"(, "children": [)" + children + "] }");
    splices.take_out(list_of(parent), {items.begin() + 1, items.end()});
    gather(parent, nodes, words, changed.after);
    return true;
  }

  void gather(NodeId parent, std::vector<NodeId> nodes, const EncloseWords& words, Tree& after) const {
    std::ranges::sort(nodes, {}, [&](NodeId node) { return tree().index_of(node); });
    Keys keys;
    const auto kinds = words_of<Kind>;
    const auto kind = std::ranges::find(kinds, words.kind);
    if (kind == kinds.end() || !is_container(static_cast<Kind>(kind - kinds.begin()))) {
      throw refusal("\"" + words.kind + "\" gathers nothing" + word_hint(words.kind, std::span(kinds).subspan(0, 4)));
    }
    keys.kind = static_cast<Kind>(kind - kinds.begin());
    keys.name = words.name;
    try {
      const NodeId container = after.insert(parent, tree().index_of(nodes.front()), keys);
      for (std::size_t i = 0; i < nodes.size(); ++i) after.move(nodes[i], container, i);
    } catch (const BadValue& fault) {
      throw refusal(fault.what());
    }
  }

  bool add(Splices& splices, ChangedText& changed) {
    const PlaceWords words = add_words(trial_);
    const NodeId container = node_of(words.container);
    try {
      const JsonDocument node(words.what);
      if (node[node.root()].type != Type::object) throw refusal("a node is written as an object, in { }");
    } catch (const JsonFault& fault) {
      if (words.what.starts_with("{")) throw refusal(fault.message);
      throw refusal("a node is written as an object, in { }");
    }
    if (!holds_alone(container)) return false;
    const NodeId before = child_at(container, words, {});
    if (before && now_->written.of(before).copy > 0) return write_out_copies(before);
    put_into(container, before, words.what, {}, splices);
    changed.after.insert(container, before ? tree().index_of(before) : tree().child_count(container), Keys());
    return true;
  }

  std::shared_ptr<const ReadText> now_;
  const Trial& trial_;
  const std::string& file_name_;
};

}  // namespace

ChangedText changed_text(std::shared_ptr<const ReadText> before, const Trial& trial, const std::string& file_name) {
  return TextChanger(std::move(before), trial, file_name).change();
}

}  // namespace fond_ladder::inline v0::scene
