// SPDX-License-Identifier: MIT
// Content that only its owner can measure: a rain gauge drawn as drops of 12 pixels, as many on a line as fit.
#include <cmath>
#include <fond_ladder/fond_ladder.hpp>
#include <iostream>
#include <memory>

using namespace fond_ladder;

namespace {

class RainGauge final : public CustomContent {
 public:
  explicit RainGauge(int drops) : drops_(drops) {}

  [[nodiscard]] Widths widths() const override { return {drop, drops_ * drop}; }
  [[nodiscard]] Heights height_for(double width) const override {
    const double on_a_line = std::max(1.0, std::floor(width / drop));
    return {std::ceil(drops_ / on_a_line) * drop, drop};
  }

 private:
  static constexpr double drop = 12;
  int drops_;
};

}  // namespace

int main() {
  const Scene scene = row("weather").gap(10).padding(5).children(
      text("label", "Rain since dawn"), box("gauge").set_content(std::make_shared<RainGauge>(20)).shrink(1));

  for (const double width : {400.0, 240.0, 160.0}) {
    const Solution solution = solve(scene, {width, {}});
    const Rect gauge = solution["gauge"];
    std::cout << "in " << width << " pixels the gauge is " << gauge.width << " x " << gauge.height
              << ", and the whole row " << solution.container().height << " high\n";
  }
}
