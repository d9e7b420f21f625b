// SPDX-License-Identifier: MIT
#include "fond_ladder/solver.hpp"

#include "model/bytes_of.hpp"
#include "model/sound_container.hpp"
#include "solve/passes/passes.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// A side of the container that can be arranged in, and whether it had to be changed for that.
std::optional<double> sound_side(std::optional<double> side, bool& changed) {
  if (!side) return side;
  if (is_container_size(*side)) return side;
  changed = true;
  return *side > 0 ? limits::largest_length : 0;
}

}  // namespace

Solver::Solver() : passes_(std::make_unique<detail::Passes>()) {}
Solver::Solver(Solver&& other) noexcept = default;
Solver& Solver::operator=(Solver&& other) noexcept = default;
Solver::~Solver() = default;

detail::Passes& Solver::own() const {
  if (!passes_) throw Error("this solver was moved from; assign another solver to it");
  return *passes_;
}

Solution Solver::solve(const Tree& tree, ContainerSize container_size) {
  bool changed = false;
  const auto width = sound_side(container_size.width, changed), height = sound_side(container_size.height, changed);
  own().container_changed = changed;
  detail::run_passes(own(), tree.store(), width, height);
  return {tree, own()};
}

void Solver::set_mode(const std::string& name, bool on) {
  std::erase(own().modes, name);
  if (on) own().modes.push_back(name);
}

void Solver::track_changes(bool follow) {
  own().changes.wanted = follow;
}

void Solver::reset() {
  own().starts_anew = true;
}

std::size_t Solver::scratch_memory() const {
  return own().scratch.memory();
}

std::size_t Solver::memory() const {
  const detail::State& state = own().state;
  std::size_t bytes = scratch_memory() + own().dirty_nodes.memory() + own().deep_places.memory() +
                      detail::bytes_of(state.cells, state.least_height, state.resolved, state.visits, state.handles,
                                       state.forms.own, own().changes.boxes);
  const auto count = [&](const auto& array) { bytes += detail::bytes_of(array); };
  detail::for_each_result(state, count);
  if (state.forms.exist()) detail::for_each_record_array(state.forms.records, count);
  return bytes;
}

}  // namespace fond_ladder::inline v0
