// SPDX-License-Identifier: MIT
//
// Depth first: what a file uses comes before it, and is beaten by it. A file that is met on the way to itself is
// refused; one that is met again elsewhere is known.
#include "scene/read/used_files.hpp"

#include <algorithm>
#include <set>

#include "fond_ladder/scene_file.hpp"
#include "model/limits.hpp"
#include "scene/read/object_reader.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

class UsedFilesReader : private ObjectReader {
 public:
  UsedFilesReader(JsonDocument& document, Faults& faults) : ObjectReader(document, faults), growing_(document) {}

  void read(const std::string& file) {
    way_.push_back({file, identity_of_file(file), 0});
    read_uses(document_.root());
    used.tops.push_back(document_.root());
    used.scene = file;
  }

  UsedFiles used;

 private:
  struct File {
    std::string name, identity;
    std::size_t text = 0;  // of the document
  };

  void read_uses(ValueId top) {
    const ValueId list = document_[top].type == Type::object ? document_.member(top, "uses") : no_value;
    if (list == no_value) return;
    bool sound = document_[list].type == Type::array;
    for (ValueId id = sound ? document_[list].first : no_value; id != no_value && !is_full_; id = document_[id].next) {
      sound = sound && document_[id].type == Type::string && !document_[id].text.empty();
      if (sound) read_one(id);
    }
    if (!sound)
      faults_.add(document_, list, "\"uses\" must be a list of names of scene files, as in [\"kit.scene.json\"]");
  }

  void read_one(ValueId place) {
    const std::string name = document_[place].text;
    if (name.front() == '/') {
      return faults_.add(document_, place,
                         "a file is named by its path relative to this one, as in \"../kit.scene.json\"");
    }
    const std::string& around = way_.back().name;
    File file{around.substr(0, around.rfind('/') + 1) + name, ""};
    used.asked.push_back(file.name);
    std::string text;
    try {
      text = text_of_file(file.name);
    } catch (const BadScene& fault) {
      return faults_.add(document_, place, file.name + ": " + fault.faults().front().message);
    }
    file.identity = identity_of_file(file.name);
    const auto met = std::ranges::find(way_, file.identity, &File::identity);
    if (met != way_.end()) return refuse_circle(place, met);
    const auto known = std::ranges::find(known_, file.identity);
    file.text = static_cast<std::size_t>(known - known_.begin()) + 1;
    used.named.emplace_back(way_.back().text, file.text);
    if (known != known_.end()) return;
    known_.push_back(file.identity);
    bytes_ += text.size();
    is_full_ = known_.size() > limits::most_used_files || bytes_ > limits::largest_scene_file;
    if (is_full_) {
      return faults_.add(document_, place,
                         "a scene uses at most 64 files of 40 MiB in total; this one exceeds the limit");
    }
    take_in(std::move(file), std::move(text));
  }

  void take_in(File file, std::string text) {
    used.files.push_back(file.name);
    const std::string& kept = used.texts.emplace_back(std::move(text));
    faults_.add_text(file.name, kept);
    ValueId top = no_value;
    try {
      top = growing_.add(kept);
    } catch (const JsonFault& fault) {
      faults_.add_at(fault.offset, fault.message);
      static_cast<void>(growing_.add("{}"));  // so that texts and files go on together
      return;
    }
    if (!is_sound(top)) return;
    way_.push_back(std::move(file));
    read_uses(top);
    way_.pop_back();
    used.tops.push_back(top);
  }

  /// Whether a file is like a scene; it needs no root, and what it has beside definitions is its own affair.
  bool is_sound(ValueId top) {
    if (document_[top].type != Type::object) {
      faults_.add(document_, top, "a file in \"uses\" must be a JSON object with \"format\" and definitions");
      return false;
    }
    const ValueId format = document_.member(top, "format");
    if (format == no_value || document_[format].number != scene_format) {  // not a scene: nothing about it is reported
      const bool is_earlier = format != no_value && document_[format].number == 1;
      faults_.add(document_, is_earlier ? format : top,
                  is_earlier ? std::string(earlier_format) : "a file in \"uses\" must have \"format\": 2");
      return false;
    }
    refuse_twins(top);
    for_each_member(top, [&](ValueId id, const JsonValue& member) {
      if (std::ranges::find(scene_keys, member.key) == scene_keys.end()) unknown_key(id, scene_keys);
    });
    return true;
  }

  void refuse_circle(ValueId place, std::vector<File>::const_iterator met) {
    std::string message = "this file uses itself: ";
    for (auto file = met; file != way_.cend(); ++file) message.append(file->name).append(" > ");
    faults_.add(document_, place, message.append(met->name));
  }

  JsonDocument& growing_;
  std::vector<File> way_;  // from the scene to the file that is being read
  std::vector<std::string> known_;
  std::size_t bytes_ = 0;
  bool is_full_ = false;
};

}  // namespace

bool UsedFiles::uses(std::size_t one, std::size_t other) const {
  std::vector<std::size_t> open{one};
  std::set<std::size_t> seen;
  while (!open.empty()) {
    const std::size_t at = open.back();
    open.pop_back();
    for (const auto& [by, file] : named) {
      if (by == at && seen.insert(file).second) open.push_back(file);
    }
  }
  return seen.contains(other);
}

std::string UsedFiles::way_to(std::size_t text) const {
  const std::string& file = files[text - 1];  // named by its way from the scene's folder
  const std::size_t from = scene.rfind('/') + 1, behind = file.rfind('/') + 1;
  return behind <= from ? "" : file.substr(from, behind - from);
}

UsedFiles read_used_files(JsonDocument& document, Faults& faults, const std::string& file) {
  UsedFilesReader reader(document, faults);
  reader.read(file);
  return std::move(reader.used);
}

}  // namespace fond_ladder::inline v0::scene
