// SPDX-License-Identifier: MIT
//
// Curves by gnuplot, a separate program: it reads a script with the numbers in it and writes the picture back, so
// that no file is made. Texts of a scene reach it as the numbers of their characters: see `quoted`.
// Curves differ by color, dashes and marks; they are broken where a quantity jumps or its
// node is hidden.
#include "fond_ladder/plot.hpp"

#include <algorithm>
#include <array>
#include <sstream>

#include "draw/child_program.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {
namespace {

constexpr std::array<const char*, 3> terminals{
    "svg size 1280,800 noenhanced font 'DejaVu Sans,15' background 'white'",
    "pngcairo size 1280,800 noenhanced font 'DejaVu Sans,12'",
    "pdfcairo size 12.8in,8in noenhanced font 'DejaVu Sans,15'",
};
/// Dark enough to be read as lines on white, and apart from each other for most eyes.
constexpr std::array<const char*, 6> colors{"#1f4e79", "#b4531f", "#3b7a3b", "#7b3f8c", "#8a6a00", "#4a4a4a"};
constexpr std::array<int, 6> marks{7, 5, 9, 11, 13, 15};

/// Replaces `&` until the picture is written: U+E000, which has no meaning.
constexpr std::string_view ampersand = "\xEE\x80\x80";

std::string replaced(std::string text, std::string_view what, std::string_view by) {
  for (std::size_t at = 0; (at = text.find(what, at)) != std::string::npos; at += by.size())
    text.replace(at, what.size(), by);
  return text;
}

/// A text for the plotting program. Between double quotes it reads backquotes as commands, and two single quotes at the
/// start of a text as its end; so whatever is no letter or blank goes by its number, which is nothing but digits.
/// Digits do too: behind a number they would be read as a part of it.
/// An ampersand goes as a sign of its own, for in markup the program takes `&#x0;` for a character.
std::string quoted(const std::string& text) {
  constexpr std::string_view plain = " abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";
  std::string safe = "\"";
  for (const char c : replaced(printable(text), ampersand, "\xEF\xBF\xBD")) {
    const auto byte = static_cast<unsigned char>(c);
    if (c == '&') {
      safe += ampersand;
    } else if (byte >= 0x80 || plain.find(c) != std::string_view::npos) {
      safe += c;
    } else {
      safe += '\\';
      for (const int shift : {6, 3, 0}) safe += static_cast<char>('0' + (byte >> shift & 7));
    }
  }
  return safe + "\"";
}

class Script {
 public:
  Script(const Sweep& swept, const PlotOptions& options) : swept_(swept), options_(options) {
    for (std::size_t q = 0; options.columns.empty() && q < swept.quantities.size(); ++q) columns_.push_back(q);
    if (!options.columns.empty()) columns_ = options.columns;
    join_equal_curves();
  }

  std::string write(PictureForm form) {
    out_ << "set terminal " << terminals[static_cast<std::size_t>(form)] << '\n';
    out_ << "set title " << quoted(options_.title) << "\nset xlabel "
         << quoted(dragged() + " (marks: breakpoints; hollow ones: the value up to a jump)")
         << "\nset ylabel \"pixels\"\n"
         << "set grid linecolor '#dddddd' linetype 1\nset border 3\nset tics nomirror out\n"
         << "set key outside top center horizontal samplen 5 spacing 1.4 font ',13'\nset yrange [*<0:*]\n";
    if (!swept_.steps.empty()) {
      out_ << "set xrange [" << exact(swept_.steps.front().at) << ':' << exact(swept_.steps.back().at) << "]\n";
    }
    double most = 0;
    for (const std::size_t q : columns_) {
      for (const Sweep::Step& step : swept_.steps) {
        if (counts(q)) most = std::max(most, step.values[q].value_or(0));
      }
    }
    if (most > 0) {
      out_ << "set border 11\nset y2label \"how many\"\nset y2tics 1 out\nset y2range [0:" << exact(most * 2 + 1)
           << "]\n";
    }
    write_breakpoint_tics();
    for (std::size_t i = 0; i < columns_.size(); ++i) write_numbers(i);
    write_plot();
    return out_.str();
  }

 private:
  /// What is along the bottom.
  [[nodiscard]] std::string dragged() const {
    if (!swept_.setting.empty()) return swept_.setting;
    return std::string(swept_.along_height ? "height" : "width") + " of the container, pixels";
  }

  /// Of curves that hide each other the first is drawn, and its label names the others.
  void join_equal_curves() {
    const auto same = [&](std::size_t a, std::size_t b) {
      return counts(a) == counts(b) && std::ranges::all_of(swept_.steps, [&](const Sweep::Step& step) {
               return step.values[a] == step.values[b];
             });
    };
    std::vector<std::size_t> drawn;
    for (const std::size_t q : columns_) {
      const auto twin = std::ranges::find_if(drawn, [&](std::size_t other) { return same(other, q); });
      if (twin == drawn.end()) {
        drawn.push_back(q);
        names_.push_back(swept_.quantities[q].text);
        others_.emplace_back();
      } else {
        others_[static_cast<std::size_t>(twin - drawn.begin())].push_back(swept_.quantities[q].text);
      }
    }
    columns_ = std::move(drawn);
  }

  /// `beds.width, the same as map.width`; which axis it goes by, where there are two.
  [[nodiscard]] std::string title_of(std::size_t i) const {
    std::string title = names_[i];
    constexpr std::size_t most = 2;
    for (std::size_t k = 0; k < std::min(most, others_[i].size()); ++k)
      title += (k == 0 ? ", the same as " : ", ") + others_[i][k];
    if (others_[i].size() > most) title += " and " + std::to_string(others_[i].size() - most) + " more";
    return counts(columns_[i]) ? title + " (right axis)" : title;
  }

  /// The sizes of breakpoints, above the curves, as far as there is space for the numbers.
  void write_breakpoint_tics() {
    if (swept_.steps.empty()) return;
    const double first = swept_.steps.front().at, last = swept_.steps.back().at;
    std::vector<double> places;
    for (const Breakpoint& breakpoint : swept_.breakpoints()) {
      if (std::ranges::find(columns_, breakpoint.quantity) != columns_.end()) places.push_back(breakpoint.at);
    }
    std::ranges::sort(places);
    constexpr double most = 50;  // numbers side by side
    std::string tics;
    double before = first - (last - first);
    for (const double at : places) {
      if (at - before < (last - first) / most) continue;
      tics += (tics.empty() ? "" : ", ") + ("\"" + rounded(at) + "\" ") + exact(at);
      before = at;
    }
    if (tics.empty()) return;
    out_ << "set x2range [" << exact(first) << ':' << exact(last) << "]\nset x2tics (" << tics
         << ") rotate by 90 left font ',11' out\nset grid x2tics linecolor '#eeeeee' linetype 1\n";
  }

  [[nodiscard]] bool counts(std::size_t q) const { return is_count(swept_.quantities[q].measure); }
  void point(double size, double value) { out_ << exact(size) << ' ' << exact(value) << '\n'; }

  /// The curve, broken at jumps; then the breakpoints, and the excluded ends of jumps.
  void write_numbers(std::size_t i) {
    const std::size_t q = columns_[i];
    std::vector<const Breakpoint*> breakpoints;
    for (const Breakpoint& breakpoint : swept_.breakpoints()) {
      if (breakpoint.quantity == q && breakpoint.kind != BreakpointKind::curve) breakpoints.push_back(&breakpoint);
    }
    out_ << "$curve" << i << " << EOD\n";
    std::size_t next = 0;
    for (const Sweep::Step& step : swept_.steps) {
      for (; next < breakpoints.size() && breakpoints[next]->at <= step.at; ++next) {
        if (breakpoints[next]->before) point(breakpoints[next]->at, *breakpoints[next]->before);
        if (breakpoints[next]->kind == BreakpointKind::jump) out_ << '\n';
        if (breakpoints[next]->after) point(breakpoints[next]->at, *breakpoints[next]->after);
      }
      step.values[q] ? point(step.at, *step.values[q]) : static_cast<void>(out_ << '\n');
    }
    out_ << "EOD\n$turn" << i << " << EOD\n";
    for (const Breakpoint* breakpoint : breakpoints) {
      if (breakpoint->after) point(breakpoint->at, *breakpoint->after);
    }
    if (breakpoints.empty()) out_ << "NaN NaN\n";
    out_ << "EOD\n$left" << i << " << EOD\n";
    bool any = false;
    for (const Breakpoint* breakpoint : breakpoints) {
      if (breakpoint->kind != BreakpointKind::jump || !breakpoint->before) continue;
      point(breakpoint->at, *breakpoint->before);
      any = true;
    }
    out_ << (any ? "" : "NaN NaN\n") << "EOD\n";
  }

  void write_plot() {
    out_ << "plot ";
    for (std::size_t i = 0; i < columns_.size(); ++i) {
      const std::string color = "linecolor '" + std::string(colors[i % colors.size()]) + "'";
      const std::string n = std::to_string(i);
      const int mark = marks[i % marks.size()];
      const std::string axes = counts(columns_[i]) ? " using 1:2 axes x1y2 with " : " using 1:2 with ";
      const std::string line = color + " linewidth 2 dashtype " + std::to_string(i % 5 + 1);
      const std::string point = " pointsize 1 pointtype ";
      out_ << (i > 0 ? ", \\\n  " : "") << "$curve" << n << axes << "lines " << line << " notitle, $turn" << n << axes
           << "points " << color << point << mark << " notitle, $left" << n << axes << "points " << color << point
           << mark - 1 << " notitle, keyentry with linespoints " << line << point << mark << " title "
           << quoted(title_of(i));
    }
    out_ << '\n';
  }

  const Sweep& swept_;
  const PlotOptions& options_;
  std::vector<std::size_t> columns_;
  std::vector<std::string> names_;                // of the curves that are drawn
  std::vector<std::vector<std::string>> others_;  // that lie under each
  std::ostringstream out_;
};

/// Runs gnuplot without what users have set up for it, and returns what it writes. Throws NoPlot.
std::string run_plotter(const char* what, const std::string& script) {
  picture::Ended ended = picture::run_program({"gnuplot", "-d", what}, script);
  if (!ended.found) {
    throw NoPlot("plots need the program gnuplot, which was not found; install it (Debian: gnuplot-nox)");
  }
  if (ended.by_signal) throw NoPlot("gnuplot was interrupted");
  if (ended.status != 0 || ended.output.empty()) {
    throw NoPlot("gnuplot could not draw the curves; gnuplot 5 with its cairo terminals is needed");
  }
  return std::move(ended.output);
}

}  // namespace

void require_plotter() {
  static_cast<void>(run_plotter("--version", ""));
}

std::string plot(const Sweep& swept, PictureForm form, const PlotOptions& options) {
  std::string script = Script(swept, options).write(form);
  if (form != PictureForm::svg) return run_plotter("-", replaced(std::move(script), ampersand, "&"));
  // The plotting program leaves `>` as it is, which XML allows but for this one sequence.
  return replaced(replaced(run_plotter("-", script), "]]>", "]]&gt;"), ampersand, "&amp;");
}

}  // namespace fond_ladder::inline v0
