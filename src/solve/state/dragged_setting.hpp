// SPDX-License-Identifier: MIT
#pragma once

// A setting that is dragged instead of the container. All that keys are compiled to, and every length that a pass reads
// among the keys, is linear in a length that somebody wrote: so the same tree at another value of the setting
// shows how each of these numbers moves. Whatever is not linear in it (a factor, a track, the size of a text)
// is no such setting.

#include <vector>

#include "model/tree_store.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/state/form_records.hpp"

namespace fond_ladder::inline v0::detail {

class DraggedSetting {
 public:
  /// The setting is at `value` in one tree, and at `other_value` in the other; both live as long as this does.
  DraggedSetting(const TreeStore& tree, double value, const TreeStore& other, double other_value);

  /// Whether the trees are the same but for lengths that the passes read, so that it can be dragged. They may have
  /// forms.
  [[nodiscard]] bool is_sound() const { return is_sound_; }

  /// Puts the forms into the other tree that hold in the first one. Returns whether the trees are alike in them too.
  [[nodiscard]] bool begin_forms(const FormRecords& of_tree);
  /// The same of a node and all in it, where other node ranges hold of it.
  [[nodiscard]] bool enter_forms(const FormRecords& of_tree, const std::vector<Index>& entered, std::uint32_t active);
  /// Drags it to a value, from where it moves on.
  void drag_to(double value) { behind_ = TracedNumber((value - value_) / step_, 1 / step_); }
  void drag(double by) { behind_ = behind_.further(by, 0); }

  /// A number that is `here` in the tree and `there` in the other.
  [[nodiscard]] TracedNumber between(const TracedNumber& here, const TracedNumber& there) const;
  /// The same of all margins and insets of a node.
  [[nodiscard]] EdgeSpaceOf<TracedNumber> between(const EdgeSpace& here, const EdgeSpace& there) const;
  /// The keys of the other tree.
  [[nodiscard]] const Records& records() const { return forms_.exist() ? forms_.records : other_.flat(); }
  [[nodiscard]] const RareFields& rare_fields(Index node) const {
    const Index place = records().rare_fields[node];
    return (place & of_solver) == 0 ? other_.rare_fields_list()[place] : forms_.own[place & ~of_solver].rare_fields;
  }

 private:
  const TreeStore& other_;
  [[nodiscard]] bool is_alike(const FormRecords& of_tree, Index node) const;

  double value_, step_;
  TracedNumber behind_;  // by how many steps the setting has been dragged
  bool is_sound_;
  FormRecords forms_;  // of the other tree
};

}  // namespace fond_ladder::inline v0::detail
