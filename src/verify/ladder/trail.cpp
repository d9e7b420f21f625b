// SPDX-License-Identifier: MIT
#include "verify/ladder/trail.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::TracedNumber;

class ContainerTrail : public Trail {
 public:
  ContainerTrail(const Scene& scene, const std::vector<std::string>& modes, const Way& way)
      : solver_(scene, modes), modes_(modes), way_(way) {
    if (solver_.has_lists()) arranging_.emplace(scene, modes);
  }

  Solution solve(double at) override {
    last_ = way_.along_height ? ContainerSize{way_.other.value_or(0), at} : ContainerSize{at, way_.other};
    return (arranging_ ? *arranging_ : solver_).solve(last_);
  }
  [[nodiscard]] std::vector<std::string> active() const override { return solver_.active(last_); }
  bool trace(double at, detail::TracedSolve& traced) override {
    const TracedNumber side{at, 1};
    if (way_.along_height) {
      traced.run(store(), way_.other.value_or(0), side, modes_);
    } else {
      traced.run(store(), side, way_.other ? std::optional(TracedNumber(*way_.other)) : std::nullopt, modes_);
    }
    return !traced.decision_trace().opaque;
  }
  /// The solver's tree has all forms in it.
  [[nodiscard]] const detail::TreeStore& store() const override { return solver_.tree().store(); }

 private:
  SceneSolver solver_;
  std::optional<SceneSolver> arranging_;  // entries come into its tree; the one that is traced stays as it is
  const std::vector<std::string>& modes_;
  Way way_;
  ContainerSize last_;
};

}  // namespace

MakeTrail trail_of(const Scene& scene, const std::vector<std::string>& modes, const Way& way) {
  return [&scene, &modes, way] { return std::make_unique<ContainerTrail>(scene, modes, way); };
}

}  // namespace fond_ladder::inline v0
