// SPDX-License-Identifier: MIT
#pragma once

// A scene with options applied: a locale, modes, longer texts. Checks and lint take several at once.

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A progress callback: gets the share of work that is done, from 0 to 1. Called from any thread of the work, one call
/// at a time. It must not throw.
using Progress = std::function<void(double)>;

/// A scene with its texts in one locale and some modes on. A value.
struct Variant {
  std::string name;  ///< in words, as in "locale long, mode closed"; empty for the scene as it is
  Scene scene;
  std::vector<std::string> modes{};
  std::string options{};  ///< the options of the program for this variant, as in "--locale long --mode closed"
  std::string edited{};   ///< other edits, the same in all variants, as in "beds.width=300, remove map"
};

/// The names of a variant, without its scene.
struct VariantLabel {
  std::string name, options, edited;
};
/// Returns the labels, in order. Linear.
[[nodiscard]] std::vector<VariantLabel> labels_of(const std::vector<Variant>& variants);

/// Variants that are made one at a time, when they are used, so that only one scene is in memory.
struct VariantsInTurn {
  std::vector<VariantLabel> labels;
  /// The variant of that index, valid until the next call. Called from one thread at a time, possibly twice per index.
  std::function<const Variant&(std::size_t)> made;
};

/// Returns a scene in one locale (none: its own texts), with all texts longer by a share (0: unchanged) and some modes
/// on. Throws BadValue for a name that the scene does not have.
[[nodiscard]] Variant variant_of(const Scene& scene, const std::string& locale,
                                 const std::vector<std::string>& modes = {}, double longer = 0);

/// Its name and edits, as in "locale long, beds.width=300"; empty for the scene as it is.
[[nodiscard]] std::string described(const Variant& variant);
/// The same of a label.
[[nodiscard]] std::string described(const VariantLabel& variant);

/// Returns what the names of several variants have in common, and the rest of each name: empty for the scene as it is
/// except for the common part.
struct VariantNames {
  std::string common;
  std::vector<std::string> own;
};
/// The same for variants, in order. Linear.
[[nodiscard]] VariantNames names_of(const std::vector<VariantLabel>& variants);

/// The variants as a suffix for a title: ", locale long", ", in 2 variants". Empty for the scene as it is
/// alone.
[[nodiscard]] std::string text_of(const std::vector<VariantLabel>& variants);
/// The lines about the variants below a title: the edits, and the names of several variants.
[[nodiscard]] std::vector<std::string> lines_about(const std::vector<VariantLabel>& variants);

/// Returns every combination of some modes of a scene, none first: at most 64, else throws BadValue.
[[nodiscard]] std::vector<std::vector<std::string>> mode_choices(const Scene& scene);

/// Returns a node with its descendants as a scene of its own: the node fills the container. Ranges belong to the
/// container of the whole scene, and do not hold in it; modes do. Throws BadNode.
[[nodiscard]] Scene alone(const Scene& scene, NodeId node);

}  // namespace v0
}  // namespace fond_ladder
