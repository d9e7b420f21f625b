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
  std::string options{};  ///< that make the program show it, as in "--locale long --mode closed"
  std::string edited{};  ///< what else was changed before, the same in all variants, as in "beds.width=300, remove map"
};

/// What is said of a variant, without its scene.
struct VariantLabel {
  std::string name, options, edited;
};
/// The labels, in order. Linear.
[[nodiscard]] std::vector<VariantLabel> labels_of(const std::vector<Variant>& variants);

/// Variants of which each is made when it is looked at, so that there is one scene at a time, however many they are.
struct VariantsInTurn {
  std::vector<VariantLabel> labels;
  /// By its place; it lives until the next one is asked for. Asked from one thread at a time, and maybe again.
  std::function<const Variant&(std::size_t)> made;
};

/// A scene in one locale (none: its own texts), with all texts longer by a share (0: not) and some modes on. Throws
/// BadValue for a name that the scene does not have.
[[nodiscard]] Variant variant_of(const Scene& scene, const std::string& locale,
                                 const std::vector<std::string>& modes = {}, double longer = 0);

/// Its name and what was tried, as in "locale long, beds.width=300"; empty for the scene as it is.
[[nodiscard]] std::string described(const Variant& variant);
/// The same of a label.
[[nodiscard]] std::string described(const VariantLabel& variant);

/// What several variants of a scene have in common by name, and what tells each from the others: empty for the scene as
/// it is but for that.
struct VariantNames {
  std::string common;
  std::vector<std::string> own;
};
/// In order. Linear in the variants.
[[nodiscard]] VariantNames names_of(const std::vector<VariantLabel>& variants);

/// Which variants were looked at, to stand behind a title: ", locale long", ", in 2 variants". Empty for a scene as it
/// is alone.
[[nodiscard]] std::string text_of(const std::vector<VariantLabel>& variants);
/// What is to be said of them below the answer, a line each: what was tried, and which variants several are.
[[nodiscard]] std::vector<std::string> lines_about(const std::vector<VariantLabel>& variants);

/// Every choice of some modes of a scene, none first: at most 64 of them, else throws BadValue.
[[nodiscard]] std::vector<std::vector<std::string>> mode_choices(const Scene& scene);

/// A node with what is in it, as a scene of its own: the node fills the container. Ranges speak of the whole scene's
/// container, and do not hold in it; modes do. Throws BadNode.
[[nodiscard]] Scene alone(const Scene& scene, NodeId node);

}  // namespace v0
}  // namespace fond_ladder
