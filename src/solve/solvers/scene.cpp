// SPDX-License-Identifier: MIT
#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

Scene::Scene(const Node& root, double em, Direction direction) : Scene(Tree::with_forms(root, em, direction)) {}

Scene::Scene(TreeWithForms made) : whens(std::move(made.whens)), tree(std::move(made.tree)) {}

}  // namespace fond_ladder::inline v0
