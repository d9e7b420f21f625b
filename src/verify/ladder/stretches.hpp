// SPDX-License-Identifier: MIT
#pragma once

// Stretches of a ladder over which nothing turns, proved: between the sizes at which some decision of the solve is
// another one, every size and place runs straight.

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/turn.hpp"

namespace fond_ladder::inline v0 {

/// How a quantity runs over a stretch, `t` pixels behind its beginning: value + slope * t.
struct Run {
  std::optional<double> value;  ///< none where its node has no place
  double slope = 0;
  bool bends = false;  ///< it follows a curve; the slope is that at the beginning
};

/// From a size up to a larger one, at which something is decided otherwise.
struct Stretch {
  double from = 0, to = 0;
  bool sampled = false;     ///< it is not known how far it goes: a decision hangs on something that bends
  std::vector<Run> runs{};  ///< of the quantities, in their order
};

/// Which side of the container grows, and how large the other one is; a height that is absent is by content.
struct Way {
  bool along_height = false;
  std::optional<double> other;
};

class Stretches {
 public:
  /// Quantities have to be of boxes: see is_of_box. The scene has to live as long.
  Stretches(const Scene& scene, const std::vector<std::string>& modes, const Way& way,
            const std::vector<Quantity>& quantities);
  ~Stretches();
  Stretches(const Stretches&) = delete;
  Stretches& operator=(const Stretches&) = delete;

  /// The stretch that begins at a size, or within rounding of it; it does not go beyond `end`.
  [[nodiscard]] Stretch at(double from, double end);

 private:
  struct Tracer;
  std::unique_ptr<Tracer> tracer_;
};

/// Whether a measure is a number that moves with the box of its node alone.
[[nodiscard]] bool is_of_box(Measure measure);

/// The turns of the first `quantities` of them between stretches, by size and quantity, without causes.
[[nodiscard]] std::vector<Turn> turns_between(const std::vector<Stretch>& stretches, std::size_t quantities);

/// All stretches of a span, rising and without a gap. At most `budget` of them; what is left then is one that is
/// sampled.
[[nodiscard]] std::vector<Stretch> stretches_of(Stretches& stretches, double from, double to, std::size_t budget);

}  // namespace fond_ladder::inline v0
