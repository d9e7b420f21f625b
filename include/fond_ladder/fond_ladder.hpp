// SPDX-License-Identifier: MIT
#pragma once

// Includes the whole library. Where compile time matters, include single headers instead:
// node.hpp, scene.hpp    writing a layout, solving it at a size
// tree.hpp, solver.hpp   a tree that is kept alive and edited
// solution.hpp           what can be asked of an arrangement
// sweep.hpp, check.hpp   every size of a ladder: breakpoints, claims
// explanation.hpp        why a node has its size
// lint.hpp, compare.hpp  likely mistakes, differences
// scene_file.hpp         scene files
// draw.hpp, fonts.hpp    pictures, real fonts
// Units are pixels, x to the right and y down. Errors are exceptions; no call leaves anything half done. Values may be
// used from any thread as long as nobody changes them.

/// The whole core: describe a scene, arrange it, measure it. Reading scene files is apart, in scene_file.hpp.

#include "fond_ladder/breakpoint.hpp"
#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/edges.hpp"
#include "fond_ladder/enums.hpp"
#include "fond_ladder/error.hpp"
#include "fond_ladder/explanation.hpp"
#include "fond_ladder/fixed_width_text.hpp"
#include "fond_ladder/issue.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/map.hpp"
#include "fond_ladder/node.hpp"
#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/segmented_text.hpp"
#include "fond_ladder/solution.hpp"
#include "fond_ladder/solver.hpp"
#include "fond_ladder/suggest.hpp"
#include "fond_ladder/sweep.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/vary.hpp"
#include "fond_ladder/virtual_list.hpp"
