// SPDX-License-Identifier: MIT
#pragma once

/// The whole core: describe a scene, arrange it, measure it. Reading scene files is apart, in scene_file.hpp.

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/climb.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/edges.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/ledger.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/map.hpp"
#include "fond_ladder/node.hpp"
#include "fond_ladder/own_content.hpp"
#include "fond_ladder/plain_text.hpp"
#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/solution.hpp"
#include "fond_ladder/solver.hpp"
#include "fond_ladder/suggest.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/trouble.hpp"
#include "fond_ladder/turn.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/vary.hpp"
#include "fond_ladder/words.hpp"
