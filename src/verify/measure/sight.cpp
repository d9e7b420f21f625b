// SPDX-License-Identifier: MIT
#include "fond_ladder/sight.hpp"

#include "verify/measure/sight.hpp"

namespace fond_ladder::inline v0 {

struct Sight::Kept {
  const Solution& solution;
  detail::ScrolledView view;
  detail::SightOf<double> sight{};
};

Sight::Sight(const Solution& solution) : kept_(std::make_unique<Kept>(Kept{solution, solution.scrolled_view()})) {}
Sight::~Sight() = default;
Sight::Sight(Sight&& other) noexcept = default;
Sight& Sight::operator=(Sight&& other) noexcept = default;

Invisible Sight::invisible(NodeId node) {
  const detail::TreeStore& store = kept_->solution.tree().store();
  if (!kept_->solution.is_placed(node)) return {};
  const detail::Index at = store.index_of(node);
  if (detail::is_of_no_size(kept_->sight.box(kept_->view, at))) return {Invisible::Why::no_size};
  const detail::HiddenBy hidden = kept_->sight.hidden_by(kept_->view, at);
  if (hidden.by == detail::no_index) return {};
  return {hidden.beyond ? Invisible::Why::outside : Invisible::Why::behind, store.id_of(hidden.by)};
}

bool Sight::is_shown(NodeId node) {
  return kept_->solution.is_placed(node) && invisible(node).why == Invisible::Why::none;
}

}  // namespace fond_ladder::inline v0
