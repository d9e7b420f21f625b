// SPDX-License-Identifier: MIT
//
// Text in fonts beside fixed metrics, on a screen with 200 texts of 10 to 400 characters: a solve at a new width, a
// breakpoint of a sweep, shaping. Everything is compared inside one run; docs/speed.md tells what is aimed at.
#include <fmt/format.h>
#include <pango/pangocairo.h>

#include <cmath>
#include <cstring>
#include <random>
#include <set>

#include "compared.hpp"
#include "fond_ladder/fonts.hpp"
#include "fond_ladder/sweep.hpp"
#include "text/owned.hpp"

namespace fond_ladder::bench {
namespace {

std::string words(std::mt19937& random, std::size_t characters) {
  constexpr std::array<const char*, 10> all{"fern", "from",  "spores", "shade", "and",
                                            "mist", "twice", "a",      "day",   "half-shade"};
  std::string text;
  while (text.size() < characters) text += (text.empty() ? "" : " ") + std::string(all[random() % all.size()]);
  text.resize(characters);
  return text;
}

/// 20 rows of 10 cards with a text each.
Scene screen() {
  std::mt19937 random(5);
  std::vector<Node> rows;
  for (int i = 0; i < 20; ++i) {
    std::vector<Node> texts;
    for (int j = 0; j < 10; ++j)
      texts.push_back(text("", words(random, 10 + random() % 391))
                          .font_size(j % 3 == 0 ? 20 : 14)
                          .weight(1 + static_cast<double>(random() % 1000) / 500)
                          .min_width(0));
    rows.push_back(row("").gap(8).across(Across::start).children(std::move(texts)));
  }
  Scene scene(column("screen").gap(8).children(std::move(rows)));
  scene.ladder.width = {900, 1800};
  return scene;
}

/// At how many sizes on the way some text breaks into other lines: so many times a sweep has to look anew.
std::size_t breaks(const Scene& scene, const Interval& way) {
  std::set<long long> sizes;
  const Solution first = solve(scene, {way.from, {}}), last = solve(scene, {way.to, {}});
  for (const NodeId node : scene.tree.nodes()) {
    const auto text = std::dynamic_pointer_cast<const BreakableText>(scene.tree.content(node));
    if (!text) continue;
    const double from = first.box(node).width, to = last.box(node).width;
    for (double at = text->constant_interval(from)->below; at < to; at = text->constant_interval(at)->below)
      sizes.insert(std::llround((way.from + (at - from) / (to - from) * (way.to - way.from)) * 1e6));
  }
  return sizes.size();
}

int run(bool quick) {
  Scene plain = screen(), fonts = screen();
  fonts.fonts = {{"body", "DejaVu Sans", ""}};
  set_text_metrics(fonts, TextMetrics::fonts);
  SceneSolver plain_solver(plain), fonts_solver(fonts);
  double width = 900;
  const auto next_width = [&] { return width = 900 + std::fmod(width * 1.618, 900); };
  const auto solve_at_ten = [&](SceneSolver& solver) {
    for (int i = 0; i < 10; ++i) static_cast<void>(solver.solve({next_width(), {}}));
  };
  Compared compared;
  compared.add("plain", [&] { solve_at_ten(plain_solver); });
  compared.add("fonts", [&] { solve_at_ten(fonts_solver); });
  const int breakpoints = quick ? 2 : 200;
  compared.warm_up();
  for (int i = 0; i < breakpoints; ++i) compared.run_once();
  fmt::print("a solve at a new width, 200 texts    plain {:8.1f} us   fonts {:8.1f} us   ratio {:.2f}\n",
             compared.time("plain") / 1e4, compared.time("fonts") / 1e4, compared.ratio("fonts", "plain"));

  Compared sweeps;
  const Ladder ladder{quick ? Interval{900, 904} : Interval{900, 1000}, {}, {}};
  sweeps.add("plain", [&] { static_cast<void>(sweep(plain, ladder, {"screen.height"})); });
  sweeps.add("fonts", [&] { static_cast<void>(sweep(fonts, ladder, {"screen.height"})); });
  for (int i = 0; i < (quick ? 1 : 7); ++i) sweeps.run_once();
  const auto plain_breaks = static_cast<double>(breaks(plain, ladder.width) + 1);
  const auto fonts_breaks = static_cast<double>(breaks(fonts, ladder.width) + 1);
  fmt::print(
      "a turn of a sweep, 200 texts         plain {:8.1f} us   fonts {:8.1f} us   ratio {:.2f}   ({} and {} sizes at "
      "which lines break otherwise)\n",
      sweeps.time("plain") / plain_breaks / 1e3, sweeps.time("fonts") / fonts_breaks / 1e3,
      sweeps.ratio("fonts", "plain") * plain_breaks / fonts_breaks, plain_breaks, fonts_breaks);

  // 10,000 characters, another text each time: what was shaped once is kept.
  const auto setter = open_fonts(fonts.fonts);
  std::mt19937 random(9);
  std::vector<std::string> texts;
  for (int i = 0; i < 400; ++i) texts.push_back(words(random, 10'000));
  const typeset::Owned<PangoFontMap> map(pango_cairo_font_map_new_for_font_type(CAIRO_FONT_TYPE_FT));
  const typeset::Owned<PangoContext> context(pango_font_map_create_context(map.get()));
  const typeset::Owned<PangoFontDescription> description(pango_font_description_from_string("DejaVu Sans"));
  pango_font_description_set_absolute_size(description.get(), 14 * PANGO_SCALE);
  std::size_t at = 0;
  Compared shaping;
  FontStyle style;
  style.size = 14;
  shaping.add("ours", [&] { static_cast<void>(setter->shape(texts[at++ % texts.size()], style)); });
  shaping.add("Pango", [&] {
    const typeset::Owned<PangoLayout> layout(pango_layout_new(context.get()));
    pango_layout_set_font_description(layout.get(), description.get());
    const std::string& text = texts[at % texts.size()];
    pango_layout_set_text(layout.get(), text.data(), static_cast<int>(text.size()));
    pango_layout_set_width(layout.get(), 400 * PANGO_SCALE);
    PangoRectangle extent;
    pango_layout_get_extents(layout.get(), nullptr, &extent);
  });
  shaping.warm_up();
  for (int i = 0; i < (quick ? 1 : 100); ++i) shaping.run_once();
  fmt::print("shaping 10,000 characters            Pango {:8.1f} us   pieces {:7.1f} us   ratio {:.2f}\n",
             shaping.time("Pango") / 1e3, shaping.time("ours") / 1e3, shaping.ratio("ours", "Pango"));
  return 0;
}

}  // namespace
}  // namespace fond_ladder::bench

int main(int count, char** arguments) {
  return fond_ladder::bench::run(count > 1 && std::strcmp(arguments[1], "--quick") == 0);
}
