// SPDX-License-Identifier: MIT
#pragma once

// What is dragged along a way: a side of the container, or a setting while the container stays as it is. Places of the
// way are numbers; what sweeps along it sees only the arrangement at each.

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "solve/passes/traced_solve.hpp"

namespace fond_ladder::inline v0 {

/// Which side of the container grows, and how large the other one is; a height that is absent is by content.
struct Way {
  bool along_height = false;
  std::optional<double> other;
};

/// Lives on one thread.
class Trail {
 public:
  Trail() = default;
  virtual ~Trail() = default;
  Trail(const Trail&) = delete;
  Trail& operator=(const Trail&) = delete;

  /// The arrangement at a place. Holds until the next call.
  virtual Solution solve(double at) = 0;
  /// The ranges that hold and the modes that are on in the arrangement of the last call.
  [[nodiscard]] virtual std::vector<std::string> active() const = 0;
  /// Traces the arrangement at a place, moving with what is dragged; false where how it goes on is not known.
  virtual bool trace(double at, detail::TracedSolve& traced) = 0;
  /// Of the traced arrangements.
  [[nodiscard]] virtual const detail::TreeStore& store() const = 0;
};
/// One for each thread.
using MakeTrail = std::function<std::unique_ptr<Trail>()>;

/// A scene with a growing container; the scene and the modes outlive the trails.
[[nodiscard]] MakeTrail trail_of(const Scene& scene, const std::vector<std::string>& modes, const Way& way);

}  // namespace fond_ladder::inline v0
