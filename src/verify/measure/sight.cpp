// SPDX-License-Identifier: MIT
#include "fond_ladder/sight.hpp"

#include "solve/passes/finished.hpp"
#include "verify/measure/sight.hpp"

namespace fond_ladder::inline v0 {

struct Sight::Kept {
  const Solution& solution;
  detail::View still;
  detail::ScrolledView scrolled;
  detail::SightOf<double> reachable{detail::Scrollers::move};
  detail::SightOf<double> in_view{detail::Scrollers::stay};
};

Sight::Sight(const Solution& solution)
    : kept_(std::make_unique<Kept>(
          Kept{solution, detail::view_of(solution.tree(), solution.passes()), solution.scrolled_view()})) {}
Sight::~Sight() = default;
Sight::Sight(Sight&& other) noexcept = default;
Sight& Sight::operator=(Sight&& other) noexcept = default;

namespace {

template <class SomeView>
Invisible why_invisible(const Solution& solution, const SomeView& view, detail::SightOf<double>& sight, NodeId node) {
  const detail::TreeStore& store = solution.tree().store();
  if (!solution.is_placed(node)) return {};
  const detail::Index at = store.index_of(node);
  if (detail::is_of_no_size(sight.box(view, at))) return {Invisible::Why::no_size};
  const detail::HiddenBy hidden = sight.hidden_by(view, at);
  if (hidden.by == detail::no_index) return {};
  return {hidden.beyond ? Invisible::Why::outside : Invisible::Why::behind, store.id_of(hidden.by)};
}

}  // namespace

Invisible Sight::invisible(NodeId node) {
  return why_invisible(kept_->solution, kept_->still, kept_->reachable, node);
}

Invisible Sight::out_of_view(NodeId node) {
  return why_invisible(kept_->solution, kept_->scrolled, kept_->in_view, node);
}

bool Sight::is_reachable(NodeId node) {
  return kept_->solution.is_placed(node) && invisible(node).why == Invisible::Why::none;
}

bool Sight::is_in_view(NodeId node) {
  return kept_->solution.is_placed(node) && out_of_view(node).why == Invisible::Why::none;
}

}  // namespace fond_ladder::inline v0
