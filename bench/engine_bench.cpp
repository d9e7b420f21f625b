// SPDX-License-Identifier: MIT
//
// What a solve costs, against what touching the same memory costs, interleaved in one run: only ratios mean anything on
// another machine. Prints one table and writes JSON.
//   engine_bench [--quick] [--out results.json]
#include <benchmark/benchmark.h>
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fstream>
#include <functional>
#include <iostream>
#include <map>
#include <thread>

#include "bench_trees.hpp"
#include "fond_ladder/fond_ladder.hpp"
#include "touch.hpp"

namespace fond_ladder::bench {
namespace {

struct Subject {
  std::string name;
  Tree tree;
  Solver solver;
  detail::State touched;
  double width = 0, height = 0;  // a little more than the content needs
};

/// Nanoseconds of every measurement, all repetitions.
using Times = std::map<std::string, std::vector<double>>;

class Collector : public benchmark::BenchmarkReporter {
 public:
  explicit Collector(Times& times) : times_(times) {}
  bool ReportContext(const Context& /*context*/) override { return true; }
  void ReportRuns(const std::vector<Run>& runs) override {
    for (const Run& run : runs) {
      if (run.run_type == Run::RT_Iteration) times_[run.run_name.function_name].push_back(run.GetAdjustedRealTime());
    }
  }

 private:
  Times& times_;
};

void measure(const std::string& name, const std::function<void()>& work, bool quick) {
  benchmark::RegisterBenchmark(name.c_str(),
                               [work](benchmark::State& state) {
                                 for (auto _ : state) work();
                               })
      ->Unit(benchmark::kNanosecond)
      ->Repetitions(quick ? 1 : 9)
      ->MinTime(quick ? 0.001 : 0.05)
      ->UseRealTime();
}

void add(Subject& subject, bool quick) {
  Subject* one = &subject;
  fit(one->tree.store(), one->touched);
  const Extent by_content = one->solver.solve(one->tree, {}).container();
  one->width = std::round(1.3 * by_content.width);
  one->height = std::round(1.3 * by_content.height);
  one->solver.solve(one->tree, {one->width, one->height});
  measure(
      one->name + "/full",
      [one] {
        one->solver.forget();
        one->solver.solve(one->tree, {one->width, one->height});
      },
      quick);
  measure(
      one->name + "/touch",
      [one] {
        touch_all(one->tree.store(), one->touched);
        benchmark::DoNotOptimize(one->touched.size[0].data());
      },
      quick);
  measure(
      one->name + "/width",
      [one, turn = 0]() mutable {
        turn ^= 1;
        one->solver.solve(one->tree, {one->width * (turn == 0 ? 1 : 0.98), one->height});
      },
      quick);
}

/// The least disturbed of all repetitions: on a shared machine the others tell more of the neighbours.
double least(const Times& times, const std::string& name) {
  const std::vector<double>& all = times.at(name);
  return *std::min_element(all.begin(), all.end());
}

std::string report(const std::vector<std::unique_ptr<Subject>>& subjects, const Times& times) {
  std::string json = "{\"trees\": [";
  fmt::print("{:<16}{:>9}{:>12}{:>12}{:>12}{:>12}{:>12}{:>12}\n", "tree", "nodes", "full", "touch", "full/touch",
             "new width", "width/full", "bytes/node");
  fmt::print("{:<25}{:>12}{:>12}{:>12}{:>12}\n", "", "ns/node", "ns/node", "", "ns/node");
  for (const auto& subject : subjects) {
    const auto n = static_cast<double>(subject->tree.size());
    const double full = least(times, subject->name + "/full"), touch = least(times, subject->name + "/touch");
    const double width = least(times, subject->name + "/width");
    const double bytes = static_cast<double>(subject->tree.memory() + subject->solver.memory()) / n;
    fmt::print("{:<16}{:>9}{:>12.1f}{:>12.1f}{:>12.2f}{:>12.1f}{:>12.2f}{:>12.0f}\n", subject->name, n, full / n,
               touch / n, full / touch, width / n, width / full, bytes);
    json += fmt::format(
        "{}\n  {{\"tree\": \"{}\", \"nodes\": {}, \"full_ns_per_node\": {:.2f}, \"touch_ns_per_node\": {:.2f}, "
        "\"full_per_touch\": {:.3f}, \"width_ns_per_node\": {:.2f}, \"bytes_per_node\": {:.1f}}}",
        json.back() == '[' ? "" : ",", subject->name, n, full / n, touch / n, full / touch, width / n, bytes);
  }
  return json + "]";
}

/// One leaf in the middle of the tree, restyled back and forth.
void add_edit(Subject& subject, bool quick) {
  const auto nodes = subject.tree.nodes();
  NodeId leaf = nodes[nodes.size() / 2];
  for (std::size_t i = nodes.size() / 2; is_container(subject.tree.kind(leaf)); ++i) leaf = nodes[i];
  Subject* one = &subject;
  measure(
      one->name + "/edit",
      [one, leaf, turn = 0]() mutable {
        turn ^= 1;
        Keys keys = one->tree.keys(leaf);
        keys.natural.x = 11 + turn;
        one->tree.restyle(leaf, keys);
        const Extent by_content = one->solver.solve(one->tree, {}).container();
        one->width = std::round(1.3 * by_content.width);
        one->height = std::round(1.3 * by_content.height);
        one->solver.solve(one->tree, {one->width, one->height});
      },
      quick);
}

constexpr int climbed_widths = 1600;

void climb_on(const Subject& subject, int threads) {
  std::vector<std::jthread> workers;
  for (int t = 0; t < threads; ++t) {
    workers.emplace_back([&subject, t, threads] {
      Solver solver;
      for (int i = climbed_widths * t / threads; i < climbed_widths * (t + 1) / threads; ++i) {
        const double part = 0.6 + 0.4 * i / climbed_widths;
        solver.solve(subject.tree, {subject.width * part, subject.height});
      }
    });
  }
}

int run(bool quick, const std::string& out) {
  std::vector<std::unique_ptr<Subject>> subjects;
  const auto subject = [&](const std::string& name, Tree tree) {
    subjects.push_back(std::make_unique<Subject>(Subject{name, std::move(tree), {}, {}}));
    add(*subjects.back(), quick);
    return subjects.back().get();
  };
  const std::size_t scale = quick ? 100 : 1;
  Subject* thousand = subject("mixed 1k", mixed_tree(1000));
  subject("mixed 10k", mixed_tree(10000));
  Subject* middle = subject("mixed 100k", mixed_tree(100000 / scale));
  subject("mixed 1M", mixed_tree(1000000 / scale));
  subject("row 100k", wide_row(100000 / scale));
  subject("chain 10k", chain(10000));
  subject("wrapping 10k", wrapping_rows(10000));
  subject("stacks 10k", stacks(10000));
  subject("texts 10k", texts(10000));
  subject("freezing 1k", freezing_row(1000));
  subject("freezing 100k", freezing_row(100000 / scale));
  add_edit(*middle, quick);
  measure(
      "climb/one", [&] { climb_on(*thousand, 1); }, quick);
  measure(
      "climb/two", [&] { climb_on(*thousand, 2); }, quick);

  Times times;
  Collector collector(times);
  benchmark::RunSpecifiedBenchmarks(&collector);

  std::string json = report(subjects, times);
  const double full = least(times, thousand->name + "/full");
  const double growth = (least(times, "mixed 1M/full") / static_cast<double>(subjects[3]->tree.size())) /
                        (full / static_cast<double>(thousand->tree.size()));
  const double edit = least(times, middle->name + "/full") / least(times, middle->name + "/edit");
  const double climb = least(times, "climb/one") / climbed_widths / full;
  const double threads = least(times, "climb/one") / least(times, "climb/two");
  fmt::print("\n1k to 1M, a node:                      {:.2f} times\n", growth);
  fmt::print("one leaf of 100k edited:               1/{:.0f} of a full solve\n", edit);
  fmt::print("1600 widths of 1k nodes, a width:      {:.2f} of a full solve\n", climb);
  fmt::print("the same on two threads:               {:.2f} times as fast\n", threads);
  json += fmt::format(
      ",\n \"growth_1k_to_1M\": {:.3f}, \"full_per_edit\": {:.1f}, \"climb_width_per_full\": {:.3f}, "
      "\"two_threads_speedup\": {:.3f}}}\n",
      growth, edit, climb, threads);
  if (!out.empty()) std::ofstream(out) << json;
  return 0;
}

}  // namespace
}  // namespace fond_ladder::bench

int main(int count, char** words) {
  bool quick = false;
  std::string out;
  for (int i = 1; i < count; ++i) {
    if (std::strcmp(words[i], "--quick") == 0) quick = true;
    if (std::strcmp(words[i], "--out") == 0 && i + 1 < count) out = words[++i];
  }
  std::string interleave = "--benchmark_enable_random_interleaving=true";
  std::vector<char*> flags{words[0], interleave.data()};
  int flag_count = 2;
  benchmark::Initialize(&flag_count, flags.data());
  return fond_ladder::bench::run(quick, out);
}
