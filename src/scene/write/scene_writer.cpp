// SPDX-License-Identifier: MIT
//
// A Scene as a file. Only what is not at its default is written; equal copies become one node
// with a count. Runs in loops, so that depth costs no stack.
#include <algorithm>
#include <map>

#include "fond_ladder/scene_file.hpp"
#include "model/json_text.hpp"
#include "model/number_text.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/write/key_writer.hpp"
#include "scene/write/node_texts.hpp"

namespace fond_ladder::inline v0 {
namespace scene {
namespace {

/// What the tree of a scene knows of its container, if it is a live one, and what the scene does.
template <class T>
std::vector<T> joined(std::vector<T> all, const std::vector<T>& more) {
  all.insert(all.end(), more.begin(), more.end());
  return all;
}

class SceneWriter {
 public:
  explicit SceneWriter(const Scene& scene) : scene_(scene), of_tree_(scene.tree.whens()) {
    for (const auto* whens : {&std::as_const(of_tree_), &scene.whens}) {
      for (const When& when : *whens) forms_[when.node][when.name].push_back(&when);
    }
  }

  std::string write() {
    page_.open('{');
    page_.value("format", std::to_string(scene_format));
    if (!scene_.title.empty()) page_.value("title", json_text(scene_.title));
    constexpr double usual_em = 16;
    if (scene_.tree.em() != usual_em) page_.value("em", exact(scene_.tree.em()));
    if (scene_.tree.direction() == Direction::rtl) page_.value("direction", "\"rtl\"");
    if (scene_.text_metrics != TextMetrics::fixed) page_.value("text_metrics", json_text(word(scene_.text_metrics)));
    write_fonts(scene_.fonts);
    write_ladder();
    write_conditions();
    if (scene_.touch_target_size != Scene::usual_touch_target_size)
      page_.value("touch_target_size", exact(scene_.touch_target_size));
    write_locales();
    if (!scene_.claims.empty()) {
      page_.open('[', "claims");
      for (const std::string& claim : scene_.claims) page_.value({}, json_text(claim));
      page_.close();
    }
    write_subtree({scene_.tree.root()}, "root");
    page_.close();
    return page_.page();
  }

  std::string write_siblings(const std::vector<NodeId>& siblings, Copies grouping,
                             const std::vector<std::string_view>& each) {
    std::string text;
    for (std::size_t i = 0; i < siblings.size();) {
      const std::size_t copies = grouping == Copies::together ? copies_from(siblings, i) : 0;
      page_ = JsonPage();
      each_ = &each;
      write_subtree({siblings[i], copies}, "");
      text += (text.empty() ? "" : ", ") + page_.line();
      i += std::max<std::size_t>(copies, 1);
    }
    return text;
  }

 private:
  void write_span(std::string_view key, const Interval& span) {
    if (span.from == span.to) return page_.value(key, exact(span.from));
    write_pair(key, span.from, span.to);
  }
  void write_pair(std::string_view key, double first, double second) {
    page_.open('[', key);
    page_.value({}, exact(first));
    page_.value({}, exact(second));
    page_.close();
  }

  void write_ladder() {
    const Ladder& ladder = scene_.ladder;
    const bool usual = ladder.width == Ladder().width;
    if (usual && !ladder.height && ladder.named_sizes.empty()) return;
    page_.open('{', "ladder");
    if (!usual) write_span("width", ladder.width);
    if (ladder.height) write_span("height", *ladder.height);
    if (!ladder.named_sizes.empty()) {
      page_.open('{', "named_sizes");
      for (const NamedSize& container_size : ladder.named_sizes) {
        if (container_size.height) {
          write_pair(container_size.name, container_size.width, *container_size.height);
        } else {
          page_.value(container_size.name, exact(container_size.width));
        }
      }
      page_.close();
    }
    page_.close();
  }

  void write_conditions() {
    const std::vector<Range> ranges = joined(scene_.tree.ranges(), scene_.ranges);
    if (!ranges.empty()) {
      page_.open('[', "ranges");
      for (const Range& range : ranges) {
        page_.open('{');
        page_.value("name", json_text(range.name));
        const auto bound = [&](const char* key, const std::optional<double>& size) {
          if (size) page_.value(key, exact(*size));
        };
        bound("from_width", range.from_width);
        bound("below_width", range.below_width);
        bound("from_height", range.from_height);
        bound("below_height", range.below_height);
        page_.close();
      }
      page_.close();
    }
    const std::vector<std::string> modes = joined(scene_.tree.modes(), scene_.modes);
    if (modes.empty()) return;
    page_.open('[', "modes");
    for (const std::string& mode : modes) page_.value({}, json_text(mode));
    page_.close();
  }

  void write_fonts(const std::vector<NamedFont>& fonts) {
    if (fonts.empty()) return;
    page_.open('{', "fonts");
    for (const NamedFont& font : fonts) {
      page_.open('{', font.name);
      if (font.file.empty()) {
        page_.value("family", json_text(font.family));
      } else {
        page_.value("file", json_text(font.file));
      }
      page_.close();
    }
    page_.close();
  }

  void write_locales() {
    if (scene_.locales.empty()) return;
    page_.open('{', "locales");
    for (const Locale& locale : scene_.locales) {
      page_.open('{', locale.name);
      if (locale.direction) page_.value("direction", '"' + std::string(word(*locale.direction)) + '"');
      write_fonts(locale.fonts);
      page_.open('{', "texts");
      for (const auto& [node, text] : locale.texts) page_.value(scene_.tree.path(node), json_text(text));
      page_.close();
      page_.close();
    }
    page_.close();
  }

  // --- nodes -------------------------------------------------------------------------------------------------------

  struct Step {
    NodeId node;
    std::size_t copies = 0;  // 0: no copies; none for the end of a list of children
  };

  void write_subtree(const Step& first, std::string_view key) {
    std::vector<Step> open{first};
    while (!open.empty()) {
      const Step at = open.back();
      open.pop_back();
      if (!at.node) {
        page_.close();
        page_.close();
        continue;
      }
      const bool is_first = at.node == first.node;
      page_.open('{', is_first ? key : "");
      write_keys(at, is_first);
      const std::vector<NodeId> children = scene_.tree.children(at.node);
      if (children.empty()) {
        page_.close();
        continue;
      }
      page_.open('[', "children");
      open.push_back({});
      std::vector<Step> steps;
      const bool of_copies = scene_.tree.keys(at.node).virtualized.entries > 0;
      for (std::size_t i = 0; i < children.size();) {
        const std::size_t copies = of_copies ? 1 : copies_from(children, i);
        steps.push_back({children[i], copies});
        i += std::max<std::size_t>(copies, 1);
      }
      open.insert(open.end(), steps.rbegin(), steps.rend());
    }
  }

  void write_keys(const Step& at, bool is_first) {
    Keys keys = scene_.tree.keys(at.node);
    if (at.copies > 0) keys.name = base_of(keys.name);
    const auto is_given = [&](std::string_view key) {
      return is_first && each_ != nullptr && std::ranges::find(*each_, key) != each_->end();
    };
    for (const KeyEntry& entry : key_table()) {
      if (is_set(entry, keys) || entry.name == "kind" || is_given(entry.name))
        write_key(entry, keys, page_, entry.name);
    }
    const NodeId above = scene_.tree.parent(at.node);
    const std::uint32_t entries = above ? scene_.tree.keys(above).virtualized.entries : 0;
    if (at.copies > 0)
      page_.value("copies", exact(entries > 0 ? static_cast<double>(entries) : static_cast<double>(at.copies)));
    write_forms(at.node, page_);
  }

  void write_forms(NodeId node, JsonPage& page) const {
    const auto found = forms_.find(node);
    if (found == forms_.end()) return;
    page.open('{', "when");
    for (const auto& form : found->second) {
      page.open('{', form.first);
      for (const KeyEntry& entry : key_table()) {
        const auto sets_it = [&](const When* when) { return when->change.sets(place_of(entry)); };
        const auto last = std::find_if(form.second.rbegin(), form.second.rend(), sets_it);
        if (last != form.second.rend()) write_key(entry, (*last)->change.values(), page, entry.name);
      }
      page.close();
    }
    page.close();
  }

  /// `tag` of `tag[0]`, or nothing.
  static std::string base_of(const std::string& name) { return name.substr(0, name.find('[')); }

  /// How many children from `first` on are copies of one node that begin there, all alike; 0 when none are.
  std::size_t copies_from(const std::vector<NodeId>& children, std::size_t first) const {
    const std::string base = base_of(scene_.tree.segment(children[first]));
    std::size_t count = 0;
    while (first + count < children.size() &&
           scene_.tree.segment(children[first + count]) == base + "[" + std::to_string(count) + "]") {
      ++count;
    }
    for (std::size_t i = 1; i < count; ++i) {
      if (!are_equal(children[first], children[first + i])) return 0;
    }
    return count;
  }

  [[nodiscard]] std::string forms_of(NodeId node) const {
    JsonPage page;
    page.open('{');
    write_forms(node, page);
    page.close();
    return page.line();
  }

  /// Whether two copies hold the same, their own names apart.
  [[nodiscard]] bool are_equal(NodeId one, NodeId other) const {
    std::vector<std::pair<NodeId, NodeId>> open{{one, other}};
    while (!open.empty()) {
      const auto [a, b] = open.back();
      open.pop_back();
      Keys keys = scene_.tree.keys(b);
      if (b == other) keys.name = scene_.tree.keys(a).name;
      if (scene_.tree.keys(a) != keys || forms_of(a) != forms_of(b)) return false;
      const std::vector<NodeId> in_a = scene_.tree.children(a), in_b = scene_.tree.children(b);
      if (in_a.size() != in_b.size()) return false;
      for (std::size_t i = 0; i < in_a.size(); ++i) open.emplace_back(in_a[i], in_b[i]);
    }
    return true;
  }

  const Scene& scene_;
  std::vector<When> of_tree_;  // of a live tree, and under node ranges
  std::map<NodeId, std::map<std::string, std::vector<const When*>>> forms_;
  JsonPage page_;
  const std::vector<std::string_view>* each_ = nullptr;  // keys that the parent gives to what is written first
};

}  // namespace

std::string node_texts(const Scene& scene, const std::vector<NodeId>& siblings, Copies copies,
                       const std::vector<std::string_view>& each) {
  return SceneWriter(scene).write_siblings(siblings, copies, each);
}

}  // namespace scene

std::string to_json(const Scene& scene) {
  return scene::SceneWriter(scene).write();
}

}  // namespace fond_ladder::inline v0
