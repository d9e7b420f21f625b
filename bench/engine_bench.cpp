// SPDX-License-Identifier: MIT
//
// What a solve costs, against what touching the same memory costs, interleaved in one run: only ratios mean anything on
// another machine. Prints one table and writes JSON.
//   engine_bench [--quick] [--out results.json]
#include <benchmark/benchmark.h>
#include <fmt/format.h>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstring>
#include <fstream>
#include <functional>
#include <memory>
#include <string>
#include <thread>
#include <vector>

#include "bench_trees.hpp"
#include "compared.hpp"
#include "edits.hpp"
#include "fond_ladder/fond_ladder.hpp"
#include "houses.hpp"
#include "touch.hpp"

namespace fond_ladder::bench {
namespace {

struct Subject {
  std::string name;
  Tree tree;
  Solver solver;
  detail::State touched;
  double width = 0, height = 0;  // a little more than the content needs
  Compared compared, edits;
};

void add_passes(Subject& one) {
  fit(one.tree.store(), one.touched);
  const Extent by_content = one.solver.solve(one.tree, {}).container();
  one.width = std::round(1.3 * by_content.width);
  one.height = std::round(1.3 * by_content.height);
  one.compared.add("full", [&one] {
    one.solver.reset();
    one.solver.solve(one.tree, {one.width, one.height});
  });
  one.compared.add("touch", [&one] {
    touch_all(one.tree.store(), one.touched);
    benchmark::DoNotOptimize(one.touched.size[0].data());
  });
  one.compared.add("width", [&one, breakpoint = 0]() mutable {
    breakpoint ^= 1;
    one.solver.solve(one.tree, {one.width * (breakpoint == 0 ? 1 : 0.98), one.height});
  });
}

void measure(const std::string& name, Compared& compared, bool quick, double seconds = 1.0) {
  benchmark::RegisterBenchmark(name.c_str(),
                               [&compared](benchmark::State& state) {
                                 for (auto _ : state) compared.run_once();
                               })
      ->MinTime(quick ? 0.001 : seconds)
      ->UseRealTime();
}

std::string report(const std::vector<std::unique_ptr<Subject>>& subjects) {
  std::string json = "{\"trees\": [";
  fmt::print("{:<16}{:>9}{:>12}{:>12}{:>12}{:>12}{:>12}{:>12}{:>10}\n", "tree", "nodes", "full", "touch", "full/touch",
             "new width", "width/full", "bytes/node", "scratch");
  fmt::print("{:<25}{:>12}{:>12}{:>12}{:>12}\n", "", "ns/node", "ns/node", "", "ns/node");
  for (const auto& subject : subjects) {
    const auto n = static_cast<double>(subject->tree.size());
    const Compared& compared = subject->compared;
    const double full = compared.time("full") / n, touch = compared.time("touch") / n,
                 width = compared.time("width") / n;
    const double per_touch = compared.ratio("full", "touch"), per_full = compared.ratio("width", "full");
    const double scratch = static_cast<double>(subject->solver.scratch_memory()) / n;
    const double bytes = static_cast<double>(subject->tree.memory() + subject->solver.memory()) / n - scratch;
    fmt::print("{:<16}{:>9}{:>12.1f}{:>12.1f}{:>12.2f}{:>12.1f}{:>12.2f}{:>12.0f}{:>10.1f}\n", subject->name, n, full,
               touch, per_touch, width, per_full, bytes, scratch);
    json += fmt::format(
        "{}\n  {{\"tree\": \"{}\", \"nodes\": {}, \"full_ns_per_node\": {:.2f}, \"touch_ns_per_node\": {:.2f}, "
        "\"full_per_touch\": {:.3f}, \"width_per_full\": {:.4f}, \"bytes_per_node\": {:.1f}, "
        "\"scratch_per_node\": {:.1f}}}",
        json.back() == '[' ? "" : ",", subject->name, n, full, touch, per_touch, per_full, bytes, scratch);
  }
  return json + "]";
}

/// One leaf in the middle of the tree, restyled back and forth: one way keeping its size, the other making it a pixel
/// wider, which moves whatever shares its space.
void add_edits(Subject& one) {
  const auto nodes = one.tree.nodes();
  NodeId leaf = nodes[nodes.size() / 2];
  for (std::size_t i = nodes.size() / 2; is_container(one.tree.kind(leaf)); ++i) leaf = nodes[i];
  one.edits.add("full", [&one] {
    one.solver.reset();
    one.solver.solve(one.tree, {one.width, one.height});
  });
  one.edits.add("edit", [&one, leaf, breakpoint = 0]() mutable {
    Keys keys = one.tree.keys(leaf);
    keys.place_self.across = (breakpoint ^= 1) == 0 ? Across::start : Across::center;
    one.tree.replace_keys(leaf, keys);
    one.solver.solve(one.tree, {one.width, one.height});
  });
  one.edits.add("widening edit", [&one, leaf, breakpoint = 0]() mutable {
    Keys keys = one.tree.keys(leaf);
    keys.natural_size.x += (breakpoint ^= 1) == 0 ? -1 : 1;
    one.tree.replace_keys(leaf, keys);
    one.solver.solve(one.tree, {one.width, one.height});
  });
}

constexpr int swept_widths = 1600;

void sweep_on(const Subject& subject, int threads) {
  std::vector<std::jthread> workers;
  for (int t = 0; t < threads; ++t) {
    workers.emplace_back([&subject, t, threads] {
      Solver solver;
      for (int i = swept_widths * t / threads; i < swept_widths * (t + 1) / threads; ++i) {
        const double part = 0.6 + 0.4 * i / swept_widths;
        solver.solve(subject.tree, {subject.width * part, subject.height});
      }
    });
  }
}

/// Whole widths of a scene, and the same with 20 quantities, all their breakpoints and the causes of these.
struct SweptScene {
  explicit SweptScene(Tree tree, double from, double height) : scene(std::move(tree)) {
    ladder.width = {from, from + swept_widths - 1};
    ladder.height = Interval(height);
    const auto nodes = scene.tree.nodes();
    constexpr std::size_t shown = 20;
    for (std::size_t i = 0; i < shown; ++i) {
      quantities.push_back(scene.tree.path(nodes[1 + i * (nodes.size() - 1) / shown]) +
                           (i % 2 == 0 ? ".height" : ".width"));
    }
  }
  void add_to(Compared& compared, const std::string& name) {
    compared.add(name + " solved", [this] {
      SceneSolver solver(scene);
      for (double width = ladder.width.from; width <= ladder.width.to; width += 1)
        solver.solve({width, ladder.height->from});
    });
    compared.add(name + " swept",
                 [this] { breakpoints = sweep(scene, ladder, quantities, {.threads = 1}).breakpoints().size(); });
  }

  Scene scene;
  Ladder ladder;
  std::vector<std::string> quantities;
  std::size_t breakpoints = 0;
};

/// A scene's whole widths solved, and its claims checked over them, both on one thread.
void add_claims(Compared& compared, const Scene& scene, const std::vector<std::string>& claims) {
  compared.add("bare", [&scene] {
    SceneSolver solver(scene);
    for (double width = scene.ladder.width.from; width <= scene.ladder.width.to; width += 1)
      solver.solve({width, scene.ladder.height->from});
  });
  compared.add("checked", [&scene, &claims] { benchmark::DoNotOptimize(check(scene, claims, {.threads = 1})); });
}

/// Google Benchmark decides how often to repeat; what it would print is left out.
class Silent : public benchmark::BenchmarkReporter {
 public:
  bool ReportContext(const Context& /*context*/) override { return true; }
  void ReportRuns(const std::vector<Run>& /*runs*/) override {}
};

int run(bool quick, const std::string& out) {
  std::vector<std::unique_ptr<Subject>> subjects;
  const auto subject = [&](const std::string& name, Tree tree) -> Subject& {
    subjects.push_back(std::make_unique<Subject>(Subject{name, std::move(tree), {}, {}, 0, 0, {}, {}}));
    add_passes(*subjects.back());
    measure(name, subjects.back()->compared, quick);
    return *subjects.back();
  };
  const std::size_t scale = quick ? 100 : 1;
  Subject& thousand = subject("mixed 1k", mixed_tree(1000));
  subject("mixed 10k", mixed_tree(10000));
  Subject& middle = subject("mixed 100k", mixed_tree(100000 / scale));
  Subject& million = subject("mixed 1M", mixed_tree(1000000 / scale));
  subject("row 100k", wide_row(100000 / scale));
  subject("chain 10k", chain(10000));
  subject("wrapping 10k", wrapping_rows(10000));
  subject("stacks 10k", stacks(10000));
  subject("texts 10k", texts(10000));
  subject("freezing 1k", freezing_row(1000));
  subject("freezing 100k", freezing_row(100000 / scale));
  struct Pair {
    const char* cells;
    Subject *grid, *row;
  };
  std::vector<Pair> grids;
  for (const auto& [cells, size] :
       {std::pair("100", std::size_t{100}), std::pair("10k", std::size_t{10000}), std::pair("250k", 250000 / scale)}) {
    Subject& grid = subject(std::string("grid ") + cells, mixed_grid(size));
    grids.push_back({cells, &grid, &subject(std::string("row ") + cells, wide_row(size))});
  }

  add_edits(middle);
  measure("edits", middle.edits, quick);
  thousand.compared.add("sweep", [&] { sweep_on(thousand, 1); });
  thousand.compared.add("sweep on two", [&] { sweep_on(thousand, 2); });

  SweptScene boxes(mixed_tree(1000), 200, 1000), words(texts(1000), 200, 5000);
  Compared sweeps;
  boxes.add_to(sweeps, "boxes");
  words.add_to(sweeps, "texts");
  measure("sweeps", sweeps, quick);
  const Scene checked_scene = houses();
  const std::vector<std::string> claims = house_claims();
  Compared checks;
  add_claims(checks, checked_scene, claims);
  measure("claims", checks, quick);

  LiveWindow window;
  Compared live;
  window.add_to(live);
  live.warm_up();
  measure("edits", live, quick, 10.0);

  Silent silent;
  benchmark::RunSpecifiedBenchmarks(&silent);

  std::string json = report(subjects);
  const auto per_node = [](const Subject& one) {
    return one.compared.time("full") / static_cast<double>(one.tree.size());
  };
  const double growth = per_node(million) / per_node(thousand);
  const double edit = middle.edits.ratio("full", "edit"), widening = middle.edits.ratio("full", "widening edit");
  const double sweep = thousand.compared.ratio("sweep", "full") / swept_widths;
  const double threads = thousand.compared.ratio("sweep", "sweep on two");
  fmt::print("\nfrom 1k to 1M, per node:                 {:.2f} times\n", growth);
  fmt::print("one leaf of 100k edited:                 1/{:.0f} of a full solve\n", edit);
  fmt::print("the same, a pixel wider:                 1/{:.0f} of a full solve\n", widening);
  fmt::print("1600 widths of 1k nodes, per width:      {:.2f} of a full solve\n", sweep);
  fmt::print("the same on two threads:                 {:.2f} times as fast\n", threads);
  json += ",\n \"sweep_per_solves\": {";
  for (const auto& [name, swept] : {std::pair("boxes", &boxes), std::pair("texts", &words)}) {
    const double ratio = sweeps.ratio(std::string(name) + " swept", std::string(name) + " solved");
    fmt::print("sweep of 20 quantities, {} ({}): {:<9}{:.2f} times the bare solves\n", name, swept->breakpoints, "",
               ratio);
    json += fmt::format("{}\"{}\": {:.3f}", json.back() == '{' ? "" : ", ", name, ratio);
  }
  const double checked = checks.ratio("checked", "bare");
  fmt::print("{} claims, {} nodes, 1080 widths:           {:.2f} times the bare solves\n", claims.size(),
             checked_scene.tree.size(), checked);
  json += fmt::format("}},\n \"claims_per_solves\": {:.3f}", checked);
  json += ",\n \"grid_per_row\": {";
  for (const Pair& pair : grids) {
    const double ratio = per_node(*pair.grid) / per_node(*pair.row);
    fmt::print("a child of a grid of {:<20}{:.2f} times a row's child\n", std::string(pair.cells) + ":", ratio);
    json += fmt::format("{}\"{}\": {:.3f}", json.back() == '{' ? "" : ", ", pair.cells, ratio);
  }
  json += "}";
  json += fmt::format(
      ",\n \"growth_1k_to_1M\": {:.3f}, \"full_per_edit\": {:.1f}, \"full_per_widening_edit\": {:.1f}, "
      "\"climb_width_per_full\": {:.3f}, \"two_threads_speedup\": {:.3f}}}\n",
      growth, edit, widening, sweep, threads);
  json.resize(json.rfind('}'));
  json += ",\n \"edits_per_solve\": " + window.report(live) + "}\n";
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
  int no_flags = 1;
  benchmark::Initialize(&no_flags, words);
  return fond_ladder::bench::run(quick, out);
}
