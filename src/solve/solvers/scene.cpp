// SPDX-License-Identifier: MIT
#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {
Scene::Scene(const Node& root, double em, Direction direction) : tree(Tree::from(root, em, direction, whens)) {}

}  // namespace fond_ladder::inline v0
