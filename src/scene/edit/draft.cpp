// SPDX-License-Identifier: MIT
#include <algorithm>

#include "fond_ladder/edit.hpp"
#include "fond_ladder/fixed_width_text.hpp"
#include "model/content_kinds.hpp"
#include "model/origins.hpp"
#include "scene/edit/change_text.hpp"
#include "scene/edit/edit_words.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::inline v0 {
namespace scene {

ReadText::Parsed ReadText::parsed(std::string json, const std::string& file_name) {
  require_text(json, file_name);
  try {
    JsonDocument document(json);
    return {std::move(json), std::move(document)};
  } catch (const JsonFault& fault) {
    Faults(file_name, json).raise_at(fault.offset, fault.message);
  }
}

ReadText::ReadText(std::string json, const std::string& file_name)
    : ReadText(parsed(std::move(json), file_name), file_name) {}

ReadText::ReadText(Parsed parsed, const std::string& file_name)
    : text(std::move(parsed.text)), document(std::move(parsed.document)), scene([&] {
        Faults faults(file_name, text);
        used = read_used_files(document, faults, file_name);
        document.unfold_dotted_keys();
        return read_scene(document, used, faults, &written);
      }()) {}

bool ReadText::is_in_parts(ValueId value) const {
  if (document.text_of(value) != 0) return true;
  const ValueId parts = document.member(document.root(), "parts");
  return parts != no_value && document[value].offset >= document[parts].offset &&
         document[value].offset < document[parts].end;
}

}  // namespace scene

/// A scene after some of the edits.
struct Draft::Stage {
  std::shared_ptr<const scene::ReadText> read;
  Scene scene;  // with what the text does not contain: custom content, and which keys were edited
  std::vector<std::pair<NodeId, std::size_t>> edited;
  std::vector<std::pair<NodeId, std::shared_ptr<const CustomContent>>> contents;
  std::vector<std::string> hints;

  explicit Stage(std::shared_ptr<const scene::ReadText> text) : read(std::move(text)), scene(read->scene) {}

  /// Puts that into the scene.
  void complete() {
    for (const auto& [node, content] : contents) scene.tree.set_content(node, content);
    if (edited.empty() || !scene.origins) return;
    auto origins = std::make_shared<detail::Origins>(*scene.origins);
    for (const auto& [node, key] : edited) {
      auto sources = origins->of(node);
      std::erase_if(sources, [&, place = key](const auto& one) { return one.key == place; });
      sources.push_back({static_cast<std::uint8_t>(key), Source::edited});
      origins->note(node, sources);
    }
    scene.origins = std::move(origins);
  }
};

Draft::Draft(std::string json, std::string file_name) : file_name_(std::move(file_name)) {
  stages_.push_back(
      std::make_shared<const Stage>(std::make_shared<const scene::ReadText>(std::move(json), file_name_)));
}

Draft::Draft(const Scene& scene) : Draft(to_json(scene), scene.name()) {
  Stage first = *stages_.front();
  for (const NodeId node : scene.tree.nodes()) {
    // The words of a text are keys; anything else that a leaf measures is not in the file.
    const auto content = scene.tree.content(node);
    const bool is_of_keys =
        detail::as_fixed_width_text(content.get()) != nullptr || detail::as_shaped_text(content.get()) != nullptr;
    if (content != nullptr && !is_of_keys)
      first.contents.emplace_back(first.scene.tree.at(scene.tree.path(node)), content);
  }
  first.complete();
  stages_.front() = std::make_shared<const Stage>(std::move(first));
}

std::shared_ptr<const Draft::Stage> Draft::made_of(const Stage& before, const Edit& edit) const {
  const scene::ChangedText changed = scene::change_text(before.read, edit, file_name_);
  std::shared_ptr<const scene::ReadText> read;
  try {
    read = std::make_shared<const scene::ReadText>(changed.text, file_name_);
  } catch (const BadScene& fault) {
    throw BadEdit(scene::shown(edit) + fault.faults().front().message);
  }
  Stage stage(std::move(read));
  // Handles of before may be others than those of the text that was written out first; paths are the same.
  const Tree &was = before.scene.tree, &written_out = changed.before->scene.tree;
  const auto carried = [&](NodeId node) {
    const NodeId there = written_out.at(was.path(node));
    return changed.after.contains(there) ? stage.scene.tree.at(changed.after.path(there)) : NodeId();
  };
  for (const auto& [node, key] : before.edited) {
    if (const NodeId now = carried(node)) stage.edited.emplace_back(now, key);
  }
  for (const auto& [node, content] : before.contents) {
    if (const NodeId now = carried(node)) stage.contents.emplace_back(now, content);
  }
  for (const auto& [node, key] : changed.edited)
    stage.edited.emplace_back(stage.scene.tree.at(changed.after.path(node)), key);
  stage.hints = changed.hints;
  stage.complete();
  return std::make_shared<const Stage>(std::move(stage));
}

void Draft::apply(const Edit& edit) {
  stages_.push_back(made_of(*stages_.back(), edit));
  made_.push_back(edit);
  taken_back_.clear();
}

bool Draft::undo() {
  if (made_.empty()) return false;
  taken_back_.emplace_back(std::move(made_.back()), std::move(stages_.back()));
  made_.pop_back();
  stages_.pop_back();
  return true;
}

bool Draft::redo() {
  if (taken_back_.empty()) return false;
  made_.push_back(std::move(taken_back_.back().first));
  stages_.push_back(std::move(taken_back_.back().second));
  taken_back_.pop_back();
  return true;
}

const Scene& Draft::scene() const {
  return stages_.back()->scene;
}

const std::string& Draft::json() const {
  return stages_.back()->read->text;
}

std::vector<std::string> Draft::parts() const {
  std::vector<std::string> names;
  const scene::ReadText& read = *stages_.back()->read;
  for (const scene::ValueId top : read.used.tops) {
    const scene::ValueId parts = read.document.member(top, "parts");
    if (parts == scene::no_value) continue;
    for (scene::ValueId part = read.document[parts].first; part != scene::no_value; part = read.document[part].next) {
      const std::string& name = read.document[part].key;
      if (std::ranges::find(names, name) == names.end()) names.push_back(name);
    }
  }
  return names;
}

std::string Draft::place_in_part(const std::string& node, const std::string& part) const {
  const scene::ReadText& read = *stages_.back()->read;
  const scene::JsonDocument& document = read.document;
  const Tree& tree = read.scene.tree;
  const scene::ValueId parts = document.member(document.root(), "parts");
  std::string inner;
  for (NodeId at = tree.at(node); at; at = tree.parent(at)) {
    const scene::ValueId used = document.member(read.value_of(at), "part");
    if (used != scene::no_value && (part.empty() || document[used].text == part)) {
      const bool is_here = parts != scene::no_value && document.member(parts, document[used].text) != scene::no_value;
      return is_here ? "parts." + document[used].text + inner : "";
    }
    const std::string step = tree.segment(at);
    const bool is_inside_another = used != scene::no_value && !inner.empty();
    if (is_inside_another || !read.is_in_parts(read.value_of(at)) || step.find('#') != std::string::npos) return "";
    inner.insert(0, "/" + step.substr(0, step.find('[')));  // a part refers to all copies together
  }
  return "";
}

std::vector<std::string> Draft::hints() const {
  std::vector<std::string> hints;
  for (const auto& stage : stages_) hints.insert(hints.end(), stage->hints.begin(), stage->hints.end());
  return hints;
}

}  // namespace fond_ladder::inline v0
