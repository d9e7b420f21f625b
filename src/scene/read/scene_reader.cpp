// SPDX-License-Identifier: MIT
//
// A scene file into a Scene. Nodes are read in a loop, parents first, so that depth costs no stack; a fault never stops
// the reading, and the tree is built only when there was none.
#include <algorithm>

#include "fond_ladder/claim.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/node_name.hpp"
#include "model/sound_container.hpp"
#include "model/thousands.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/font_reader.hpp"
#include "scene/read/json_document.hpp"
#include "scene/read/node_reader.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/read/scene_text.hpp"
#include "scene/read/written_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 3> ladder_keys{"width", "height", "named_sizes"};
/// Read separately, in this order: shared keys and parts use ranges and modes.
constexpr std::array<std::string_view, 7> definition_keys{"ranges", "modes",   "fonts", "shared",
                                                          "parts",  "locales", "claims"};
constexpr std::array<std::string_view, 3> locale_keys{"texts", "direction", "fonts"};
bool holds(std::span<const std::string_view> words, std::string_view word) {
  return std::ranges::find(words, word) != words.end();
}

class SceneReader : private ObjectReader {
 public:
  SceneReader(const JsonDocument& document, const UsedFiles& used, Faults& faults)
      : ObjectReader(document, faults),
        used_(used),
        definitions_(document, faults),
        fonts_(document, faults),
        budget_(budget_for(document, used)) {}

  Scene read(WrittenNodes* written) {
    const ValueId top = document_.root();
    if (document_[top].type != Type::object) {
      faults_.add(document_, top, "a scene is a JSON object with the keys \"format\" and \"root\"");
      faults_.raise();
    }
    refuse_format_1(top);
    read_head(top);
    read_definitions();
    try_parts();
    NodeReader nodes = node_reader();
    nodes.written = written;
    const ValueId root = document_.member(top, "root");
    if (root == no_value) {
      faults_.add(document_, top, "\"root\" is missing; add the node that fills the container");
    } else {
      nodes.read(root);
    }
    const ValueId locales = document_.member(top, "locales");
    if (nodes.tree && locales != no_value) read_locales(locales, *nodes.tree);
    std::vector<NamedFont> fonts = read_fonts();
    fonts_.refuse_unknown();
    if (!faults_.empty()) faults_.raise();
    Scene scene(std::move(*nodes.tree));
    scene.tree.compact();
    scene.whens = std::move(nodes.whens);
    list_unused(top, nodes.origins);
    list_clashes(nodes.origins);
    scene.origins = std::make_shared<const detail::Origins>(std::move(nodes.origins));
    scene.locales = std::move(locales_);
    scene.fonts = std::move(fonts);
    scene.title = title_;
    scene.ladder = std::move(ladder_);
    scene.touch_target_size = touch_target_size_;
    scene.ranges = std::move(conditions_.ranges);
    scene.modes = std::move(conditions_.modes);
    read_claims(top, scene);
    if (!faults_.empty()) faults_.raise();
    if (words_ == TextMetrics::fonts) fonts_.set_text_metrics_of(scene);
    return scene;
  }

 private:
  // --- the head ----------------------------------------------------------------------------------------------------

  /// Format 1 had other key names: one error says so, instead of one for each of them.
  void refuse_format_1(ValueId top) {
    const ValueId format = document_.member(top, "format");
    if (format == no_value || document_[format].type != Type::number || document_[format].number != 1) return;
    faults_.add(document_, format, std::string(earlier_format));
    faults_.raise();
  }

  void read_head(ValueId top) {
    if (document_.member(top, "format") == no_value) {
      faults_.add(document_, top, "\"format\" is missing; write \"format\": 2");
    }
    refuse_twins(top);
    for_each_member(top, [&](ValueId id, const JsonValue& member) {
      if (member.key == "format") {
        if (member.type != Type::number || member.number != scene_format)
          faults_.add(document_, id, "\"format\" must be 2");
      } else if (member.key == "title") {
        if (member.type == Type::string) {
          title_ = member.text;
        } else {
          faults_.add(document_, id, "\"title\" must be a text in quotes");
        }
      } else if (member.key == "em") {
        em_ = positive(id, "\"em\" must be a number of pixels, more than 0");
      } else if (member.key == "direction") {
        direction_ = read_direction(id);
      } else if (member.key == "text_metrics") {
        read_words(id);
      } else if (member.key == "ladder") {
        read_ladder(id);
      } else if (member.key == "touch_target_size") {
        touch_target_size_ = positive(id, "\"touch_target_size\" must be a number of pixels, more than 0");
      } else if (member.key != "root" && member.key != "uses" && member.key != "$schema" &&
                 !holds(definition_keys, member.key)) {
        unknown_key(id, scene_keys);
      }
    });
  }

  void read_definitions() {
    conditions_ = read_conditions(document_, used_.tops, faults_);
    for (const char* key : {"shared", "parts"}) {
      for (auto top = used_.tops.rbegin(); top != used_.tops.rend(); ++top) {
        if (const ValueId id = document_.member(*top, key); id != no_value) learn(id);
      }
    }
    for (const auto& [name, keys] : definitions_.shared()) node_reader().read_loose_keys(keys, "shared keys");
    definitions_.refuse_circles();
  }

  void learn(ValueId id) {
    const std::string& key = document_[id].key;
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"" + key + "\" must be an object of names");
      return;
    }
    refuse_twins(id);
    if (key == "parts") return definitions_.learn_parts(id);
    definitions_.learn_shared(id);
  }

  double positive(ValueId id, const char* message) {
    const JsonValue& value = document_[id];
    if (value.type == Type::number && value.number > 0 && value.number <= limits::largest_length) return value.number;
    faults_.add(document_, id, message);
    return 1;
  }

  Direction read_direction(ValueId id) {
    const JsonValue& value = document_[id];
    if (value.type == Type::string && value.text == "rtl") return Direction::rtl;
    if (value.type != Type::string || value.text != "ltr")
      faults_.add(document_, id, "\"direction\" must be ltr or rtl");
    return Direction::ltr;
  }

  void read_words(ValueId id) {
    const JsonValue& value = document_[id];
    if (value.type == Type::string && value.text == word(TextMetrics::fonts)) {
      words_ = TextMetrics::fonts;
    } else if (value.type != Type::string || value.text != word(TextMetrics::fixed)) {
      faults_.add(document_, id, "\"text_metrics\" must be fixed or fonts");
    }
  }

  std::vector<NamedFont> read_fonts() {
    std::vector<ValueId> objects;
    for (const ValueId top : used_.tops) {
      if (const ValueId id = document_.member(top, "fonts"); id != no_value) objects.push_back(id);
    }
    return fonts_.read(objects);
  }

  void read_ladder(ValueId id) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"ladder\" must be an object of width, height and named_sizes");
      return;
    }
    refuse_twins(id);
    for_each_member(id, [&](ValueId member_id, const JsonValue& member) {
      if (member.key == "width") {
        ladder_.width = read_span(member_id);
      } else if (member.key == "height") {
        ladder_.height = read_span(member_id);
      } else if (member.key == "named_sizes") {
        read_named_sizes(member_id);
      } else {
        unknown_key(member_id, ladder_keys);
      }
    });
  }

  bool is_size(ValueId id) const {
    const JsonValue& value = document_[id];
    return value.type == Type::number && is_container_size(value.number);
  }

  /// Two sizes in a list, or nothing.
  std::optional<std::pair<double, double>> two_sizes(ValueId id) const {
    if (document_[id].type != Type::array) return {};
    const ValueId first = document_[id].first;
    const ValueId second = first == no_value ? no_value : document_[first].next;
    if (second == no_value || document_[second].next != no_value || !is_size(first) || !is_size(second)) return {};
    return std::pair(document_[first].number, document_[second].number);
  }

  Interval read_span(ValueId id) {
    if (is_size(id)) return document_[id].number;
    const auto both = two_sizes(id);
    if (both && both->first <= both->second) return {both->first, both->second};
    faults_.add(document_, id,
                "\"" + document_[id].key + "\" must be a size, or [from, to] where the larger comes last");
    return {};
  }

  void read_named_sizes(ValueId id) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"named_sizes\" must be an object of names, each with a width or [width, height]");
      return;
    }
    refuse_twins(id);
    for_each_member(id, [&](ValueId member_id, const JsonValue& member) {
      const auto both = two_sizes(member_id);
      if (!is_node_name(member.key)) {
        faults_.add(document_, member_id, "the name of a size must be a letter, then letters, digits, \"_\" or \"-\"",
                    true);
      } else if (both) {
        ladder_.named_sizes.push_back({member.key, both->first, both->second});
      } else if (is_size(member_id)) {
        ladder_.named_sizes.push_back({member.key, member.number});
      } else {
        faults_.add(document_, member_id, "a named size must be a width or [width, height], in pixels");
      }
    });
  }

  [[nodiscard]] NodeReader node_reader() {
    return {document_, faults_, definitions_, conditions_, budget_, em_, direction_};
  }

  /// What is written is paid for: each part and each node outside of them is read once.
  static Budget budget_for(const JsonDocument& document, const UsedFiles& used) {
    double bytes = 0;
    for (const ValueId top : used.tops) bytes += static_cast<double>(document.length(top));
    return {limits::most_expanded + static_cast<double>(document.size()) + bytes / limits::bytes_a_node};
  }

  void list_unused(ValueId top, detail::Origins& origins) const {
    for (const auto& [key, source] : {std::pair("shared", Source::shared), std::pair("parts", Source::part)}) {
      const ValueId all = document_.member(top, key);
      if (all == no_value) continue;
      for_each_member(all, [&, of = source](ValueId, const JsonValue& member) {
        if (!definitions_.is_used(of, member.key)) origins.unused.push_back({of, member.key});
      });
    }
  }

  /// Names that two used files define, neither of which uses the other.
  void list_clashes(detail::Origins& origins) const {
    origins.of_used_files = conditions_.of_used_files;
    for (const auto* clashes : {&conditions_.clashes, &fonts_.clashes, &definitions_.clashes}) {
      for (const auto& [beaten, counts] : *clashes) {
        const std::size_t weak = document_.text_of(beaten), strong = document_.text_of(counts);
        if (used_.uses(strong, weak)) continue;
        origins.clashes.push_back({document_[document_[beaten].parent].key,
                                   std::string(name_of_definition(document_, beaten)), faults_.file_of(weak),
                                   faults_.file_of(strong)});
      }
    }
  }

  /// Reads every part once on its own, as it is written, so that unused parts are checked too.
  void try_parts() {
    for (const auto& [name, root] : definitions_.parts()) node_reader().read(root, Parts::as_written);
  }

  /// Read after everything else: they name nodes, ranges and modes.
  void read_claims(ValueId top, Scene& scene) {
    const ValueId list = document_.member(top, "claims");
    if (list == no_value) return;
    if (document_[list].type != Type::array) {
      faults_.add(document_, list, "\"claims\" must be a list of texts");
      return;
    }
    double compared_with = 0;
    for (ValueId id = document_[list].first; id != no_value && !faults_.lists_no_more(); id = document_[id].next) {
      if (document_[id].type != Type::string) {
        faults_.add(document_, id, "a claim must be a text in quotes");
        continue;
      }
      const auto stars = static_cast<double>(std::ranges::count(document_[id].text, '*'));
      compared_with += stars * static_cast<double>(scene.tree.size());
      if (compared_with > limits::most_claimed_nodes) {
        faults_.add(document_, id,
                    "the stars in the claims up to here match " + in_thousands(compared_with) +
                        " nodes, and the limit is " + in_thousands(static_cast<double>(limits::most_claimed_nodes)) +
                        "; use fewer stars, or split the claims over several files");
        return;
      }
      try {
        static_cast<void>(Claim(scene, document_[id].text));
        scene.claims.push_back(document_[id].text);
      } catch (const BadClaim& fault) {
        faults_.add(document_, id, "in this claim, column " + std::to_string(fault.column()) + ": " + fault.what());
      }
    }
  }

  /// Read last, since they name nodes by path.
  void read_locales(ValueId object, const Tree& tree) {
    if (document_[object].type != Type::object) {
      faults_.add(document_, object, "\"locales\" must be an object of names, each with texts");
      return;
    }
    refuse_twins(object);
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      Locale locale{member.key, {}};
      if (member.key == "all") {
        faults_.add(document_, id, "no locale can be called \"all\": on the command line that stands for every locale",
                    true);
      }
      if (member.type != Type::object) {
        faults_.add(document_, id, "a locale must be an object of texts, a direction and fonts");
        return;
      }
      refuse_twins(id);
      for_each_member(id, [&](ValueId inner, const JsonValue& part) {
        if (faults_.lists_no_more()) return;
        if (part.key == "direction") {
          locale.direction = read_direction(inner);
        } else if (part.key == "fonts") {
          locale.fonts = fonts_.read({inner});
        } else if (part.key == "texts" && part.type == Type::object) {
          for_each_member(inner,
                          [&](ValueId text, const JsonValue& value) { read_replacement(text, value, tree, locale); });
        } else if (part.key == "texts") {
          faults_.add(document_, inner, "\"texts\" must be an object of paths, each with a text");
        } else {
          unknown_key(inner, locale_keys);
        }
      });
      locales_.push_back(std::move(locale));
    });
  }

  void read_replacement(ValueId id, const JsonValue& value, const Tree& tree, Locale& locale) {
    if (faults_.lists_no_more()) return;
    if (value.type != Type::string) {
      faults_.add(document_, id, "a text must be in quotes");
      return;
    }
    try {
      const NodeId node = tree.at(value.key);
      if (tree.kind(node) != Kind::text) faults_.add(document_, id, "\"" + value.key + "\" is not a text node", true);
      locale.texts.emplace_back(node, value.text);
    } catch (const BadPath& fault) {
      faults_.add(document_, id, fault.what(), true);
    }
  }

  const UsedFiles& used_;
  Definitions definitions_;
  Conditions conditions_;
  FontReader fonts_;
  Budget budget_;
  std::string title_;
  double em_ = 16;
  double touch_target_size_ = Scene::usual_touch_target_size;
  Direction direction_ = Direction::ltr;
  TextMetrics words_ = TextMetrics::fixed;
  Ladder ladder_;
  std::vector<Locale> locales_;
};

}  // namespace

Scene read_scene(const JsonDocument& document, const UsedFiles& used, Faults& faults, WrittenNodes* written) {
  return SceneReader(document, used, faults).read(written);
}

}  // namespace scene

Scene read_scene(std::string_view json, const std::string& file_name) {
  scene::require_text(json, file_name);
  scene::Faults faults(file_name, json);
  try {
    scene::JsonDocument document(json);
    const scene::UsedFiles used = scene::read_used_files(document, faults, file_name);
    document.unfold_dotted_keys();
    return scene::read_scene(document, used, faults);
  } catch (const scene::JsonFault& fault) {
    faults.raise_at(fault.offset, fault.message);
  }
}

Scene read_scene_file(const std::string& path) {
  return read_scene(scene::text_of_file(path), path);
}

}  // namespace fond_ladder::inline v0
