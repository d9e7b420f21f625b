// SPDX-License-Identifier: MIT
#pragma once

// Pictures of an arrangement: SVG, PNG or PDF bytes. Needs the component `draw`; without Cairo every call throws.
// const Panel panels[] = {{solve(scene, {390, 844}), "phone"}};
// Picture picture = draw(panels, PictureForm::svg, {.scale = 0.5});

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/solution.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

enum class PictureForm : std::uint8_t { svg, png, pdf };

/// Thrown when a picture cannot be drawn: a container without a size, a node that is not placed, a picture that would
/// be too large, or a library built without Cairo and Pango. The message names the remedy.
class BadPicture : public Error {
 public:
  using Error::Error;
};

/// One arrangement of a picture.
struct Panel {
  Solution solution;
  std::string caption;  ///< printed before its size, such as a named size
};

struct DrawOptions {
  bool bare = false;              ///< without labels, hatching, marks and legend
  std::string only{};             ///< path of the node to draw, with its descendants; empty: all
  std::optional<double> scale{};  ///< picture pixels per scene pixel; absent: 1, or less where 1 is too large
  std::string title{};            ///< above all panels
  /// Makes an SVG to embed in an HTML page: its ids begin with `picture:`, and node names are left out.
  bool within_page = false;
};

struct Picture {
  std::string bytes;             ///< the file
  double width = 0, height = 0;  ///< in pixels
  double scale = 1;              ///< the scale that was used
  std::size_t drawn = 0;         ///< nodes
  std::size_t left_out = 0;      ///< nodes that are too small to see, or too many
  /// For each panel, the nodes that overhang their parent, and the texts whose words overhang them.
  std::vector<std::vector<NodeId>> overhang;
};

/// Draws arrangements side by side, at one scale, and returns the file in memory. Linear in the nodes; of
/// more than 20,000 nodes it draws the largest. Throws BadPicture and BadPath.
[[nodiscard]] Picture draw(std::span<const Panel> panels, PictureForm form, const DrawOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
