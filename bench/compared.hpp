// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <chrono>
#include <functional>
#include <string>
#include <vector>

namespace fond_ladder::bench {

/// Pieces of work that are compared with one another. They run in turn, again and again, so that whatever else the
/// machine does disturbs all of them alike; what counts is the middle of the ratios taken turn by turn.
class Compared {
 public:
  void add(std::string name, std::function<void()> work) { parts_.push_back({std::move(name), std::move(work), {}}); }

  /// Does everything once without counting it: memory grows, and nodes find their places.
  void warm_up() const {
    for (const Part& part : parts_) part.work();
  }

  void run_once() {
    for (Part& part : parts_) {
      const auto begin = std::chrono::steady_clock::now();
      part.work();
      part.times.push_back(std::chrono::duration<double, std::nano>(std::chrono::steady_clock::now() - begin).count());
    }
  }

  [[nodiscard]] double time(const std::string& name) const { return middle(part(name).times); }
  [[nodiscard]] double ratio(const std::string& above, const std::string& below) const {
    std::vector<double> ratios;
    for (std::size_t i = 0; i < part(above).times.size(); ++i) {
      ratios.push_back(part(above).times[i] / part(below).times[i]);
    }
    return middle(ratios);
  }

 private:
  struct Part {
    std::string name;
    std::function<void()> work;
    std::vector<double> times;
  };
  [[nodiscard]] const Part& part(const std::string& name) const {
    return *std::find_if(parts_.begin(), parts_.end(), [&](const Part& one) { return one.name == name; });
  }
  static double middle(std::vector<double> values) {
    std::sort(values.begin(), values.end());
    return values[values.size() / 2];
  }

  std::vector<Part> parts_;
};

}  // namespace fond_ladder::bench
