// SPDX-License-Identifier: MIT
#pragma once

// Pictures of an arrangement: SVG, PNG or PDF bytes. Needs the component `draw`; without it every call throws.
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

/// Thrown when a picture cannot be drawn: a container without a size, a node that has no place, a picture that would be
/// too large, or a library that was built without Cairo and Pango. The message says what would help.
class BadPicture : public Error {
 public:
  using Error::Error;
};

/// One arrangement of a picture.
struct Panel {
  Solution solution;
  std::string caption;  ///< what stands before its size, such as a named size
};

struct DrawOptions {
  bool bare = false;              ///< without labels, hatching, marks and legend
  std::string only{};             ///< path of the node to draw, with what is in it; empty for all
  std::optional<double> scale{};  ///< picture pixels per scene pixel; absent: 1, or less where 1 is too large
  std::string title{};            ///< above all panels
  /// An SVG that stands in an HTML page: nothing in it has the name of a node, and its ids begin with `picture:`.
  bool within_page = false;
};

struct Picture {
  std::string bytes;             ///< the file
  double width = 0, height = 0;  ///< in pixels
  double scale = 1;              ///< as it was drawn
  std::size_t drawn = 0;         ///< nodes
  std::size_t left_out = 0;      ///< nodes too small to be seen, or too many
  /// Panel by panel, the nodes that overhang their parent, and texts that their own words overhang.
  std::vector<std::vector<NodeId>> overhang;
};

/// Draws arrangements side by side, at one scale, and writes the file into memory. Takes time linear in the nodes; of
/// more than 20,000 nodes the largest are drawn. Throws BadPicture and BadPath.
[[nodiscard]] Picture draw(std::span<const Panel> panels, PictureForm form, const DrawOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
