// SPDX-License-Identifier: MIT
#include "cli/run.hpp"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <functional>
#include <iostream>
#include <iterator>
#include <map>
#include <sstream>

#include "cli/command.hpp"
#include "cli/paint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/key_table.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {
namespace {

void add_format(CLI::App& command, Format& format) {
  command
      .add_option_function<std::string>(
          "--format",
          [&format](const std::string& typed) {
            static const std::map<std::string, Format> formats{
                {"table", Format::table}, {"json", Format::json}, {"csv", Format::csv}};
            const auto found = formats.find(typed);
            if (found == formats.end()) throw WrongCall("--format " + typed + ": write table, json or csv");
            format = found->second;
          },
          "How to print; a table when left out")
      ->option_text("table|json|csv");
}

/// The option that every command takes. What it says is looked for before anything is parsed, since a call that is
/// refused has colours too.
void add_color(CLI::App& command) {
  command
      .add_option_function<std::string>(
          "--color", [](const std::string&) {}, "Colours; auto: on a terminal")
      ->option_text("auto|always|never");
}

Color color_in(const std::vector<std::string>& args) {
  static const std::map<std::string, Color> colors{
      {"auto", Color::automatic}, {"always", Color::always}, {"never", Color::never}};
  Color color = Color::automatic;
  for (std::size_t i = 0; i < args.size(); ++i) {
    const bool is_alone = args[i] == "--color" && i + 1 < args.size();
    if (!is_alone && !args[i].starts_with("--color=")) continue;
    const std::string typed = is_alone ? args[i + 1] : args[i].substr(args[i].find('=') + 1);
    const auto found = colors.find(typed);
    if (found == colors.end()) throw WrongCall("--color " + typed + ": write auto, always or never");
    color = found->second;
  }
  return color;
}

/// Holds back what is to be painted until it is whole.
class Painted {
 public:
  Painted(std::ostream& out, bool has_colors) : out_(out), has_colors_(has_colors) {}
  [[nodiscard]] std::ostream& stream() { return has_colors_ ? held_ : out_; }
  void paint(const std::function<std::string(std::string_view)>& painter) {
    if (has_colors_) out_ << painter(held_.str());
    out_.flush();
  }

 private:
  std::ostream& out_;
  bool has_colors_;
  std::ostringstream held_;
};

void add_scene(CLI::App& command, SceneCall& scene) {
  command.add_option("SCENE", scene.file, "A scene file; - reads standard input")->required()->option_text(" ");
  command.add_option("--mode", scene.modes, "Switch a mode of the scene on; repeatable")
      ->option_text("NAME")
      ->allow_extra_args(false);
  command.add_option("--wording", scene.wording, "Put a wording of the scene into it")->option_text("NAME");
  command.add_option("--longer", scene.longer, "Make every text longer by a share, as in 40%")->option_text("SHARE");
  command.add_option("--try", scene.tries, "Change one key, as in beds.width=300; repeatable")
      ->option_text("NODE.KEY=VALUE")
      ->allow_extra_args(false);
}

void add_measure(CLI::App& app, MeasureOptions& options) {
  CLI::App* command = app.add_subcommand("measure", "Where every node is, how large, what it wished for, what is cut");
  add_scene(*command, options.scene);
  command
      ->add_option("--at", options.at,
                   "1280x800, 1280 (the ladder's height), 1280xcontent, content, or a named rung; repeatable")
      ->option_text("SIZE")
      ->allow_extra_args(false);
  command->add_option("--under", options.under, "The nodes at a point of the container, the front-most first")
      ->option_text("X,Y")
      ->allow_extra_args(false);
  command->add_flag("--orders", options.orders,
                    "The order of the file, of laying and of painting, container by container");
  command->add_flag("--outline", options.outline, "The nesting alone, with how each container arranges");
  command
      ->add_option_function<double>(
          "--snap", [&options](double density) { options.snap = density, options.snap_given = true; },
          "Boxes in whole device pixels at this density")
      ->option_text("DENSITY");
  command->add_option("--settings", options.settings, "Every setting of a node that is in force, and whence")
      ->option_text("NODE");
  command->add_flag("--timing", options.timing, "Also how long the solve took, and how many nodes it visited");
  add_format(*command, options.format);
}

void add_climb(CLI::App& app, ClimbCall& options) {
  CLI::App* command = app.add_subcommand("climb", "How quantities change while the container grows");
  add_scene(*command, options.scene);
  command
      ->add_option("--show", options.show,
                   "Quantities, as in beds.width,cards/*.height; left out: the widths that turn, with a summary")
      ->option_text("LIST");
  command->add_option("--width", options.width, "The widths to climb, or one; the scene's ladder when left out")
      ->option_text("FROM..TO");
  command->add_option("--height", options.height, "A fixed height, or heights to climb instead of widths")
      ->option_text("SIZE|FROM..TO");
  command->add_option("--rungs", options.rungs, "The sizes to show, as in 360,640,1024")->option_text("LIST");
  command->add_option("--of", options.of, "Climb this node alone: it fills the container")->option_text("NODE");
  command->add_option("--plot", options.plot, "Also draw the curves, an .svg, .png or .pdf file")->option_text("FILE");
  add_format(*command, options.format);
}

void add_ledger(CLI::App& app, LedgerCall& call) {
  CLI::App* command = app.add_subcommand("ledger", "Why these sizes, why here, which settings and whence");
  add_scene(*command, call.scene);
  command->add_option("NODE", call.node, "A node, by its path or the tail of it")->required()->option_text(" ");
  command
      ->add_option("--at", call.at,
                   "1280x800, 1280 (the ladder's height), 1280xcontent, content, or a named rung; repeatable")
      ->option_text("SIZE")
      ->allow_extra_args(false);
  command->add_flag("--to-root", call.to_root, "Also why each node from the container down has its size");
  add_format(*command, call.format);
}

/// For commands that look at several variants in turn.
void add_all_variants(CLI::App& command) {
  command.get_option("--mode")->description("Switch a mode on; repeatable; all: every choice of modes in turn");
  command.get_option("--wording")
      ->description("Put a wording in; all: the scene's own texts and every wording in turn");
}

void add_check(CLI::App& app, CheckCall& call) {
  CLI::App* command =
      app.add_subcommand("check", "Which claims hold on the whole ladder; exit status 1 when one does not");
  add_scene(*command, call.scene);
  add_all_variants(*command);
  command->add_option("--claim", call.claims, "One more claim, as in \"uncut(cards)\"; repeatable")
      ->option_text("CLAIM")
      ->allow_extra_args(false);
  command->add_option("--junit", call.junit, "Also write a JUnit XML file, one case a claim")->option_text("FILE");
  command->add_option("--shard", call.shard, "Check one part of the claims, as in 2/5: the second of five")
      ->option_text("PART/OF");
  command->add_flag("--suggest", call.suggest, "Claims that hold now and look meant, ready to paste");
  add_format(*command, call.format);
}

void add_compare(CLI::App& app, CompareCall& call) {
  CLI::App* command = app.add_subcommand(
      "compare", "What differs between two scenes, or one as it is and with options; exit status 1 when anything does");
  add_scene(*command, call.scene);
  command->add_option("OTHER", call.other, "A second scene file; the options then hold for both")->option_text(" ");
  command->add_option("--at", call.at, "One size instead of the ladder: 1280x800, 1280, or a named rung; repeatable")
      ->option_text("SIZE")
      ->allow_extra_args(false);
  add_format(*command, call.format);
}

void add_lint(CLI::App& app, LintCall& call) {
  CLI::App* command = app.add_subcommand("lint", "What is suspicious, why, at which sizes, and what would cure it");
  add_scene(*command, call.scene);
  add_all_variants(*command);
  command->add_flag("--strict", call.strict, "Exit status 1 when anything is found");
  add_format(*command, call.format);
}

void add_draw(CLI::App& app, DrawCall& call) {
  CLI::App* command = app.add_subcommand("draw", "A picture, every node coloured and named");
  add_scene(*command, call.scene);
  command
      ->add_option(
          "--at", call.at,
          "1280x800, 1280 (the ladder's height), 1280xcontent, content, or a named rung; repeated: side by side")
      ->option_text("SIZE")
      ->allow_extra_args(false);
  command->add_option("-o,--output", call.output, "The picture, an .svg, .png or .pdf file; - is standard output")
      ->option_text("FILE");
  command->add_option("--as", call.as, "What to write, where the ending of FILE does not say it")
      ->option_text("svg|png|pdf");
  command->add_flag("--bare", call.bare, "The boxes alone, without labels and helper marks");
  command->add_option("--only", call.only, "Draw this node and what is in it")->option_text("NODE");
  command->add_option("--scale", call.scale, "Pixels of the picture a pixel of the scene; 1 when left out")
      ->option_text("NUMBER");
}

void add_tidy(CLI::App& app, TidyCall& call) {
  CLI::App* command = app.add_subcommand("tidy", "The scene file printed anew: keys in order, defaults left out");
  command->add_option("SCENE", call.file, "A scene file; - reads standard input")->required()->option_text(" ");
  command->add_option("-o,--output", call.output, "Where to; standard output when left out")->option_text("FILE");
}

/// What a practitioner may have meant by a word that no command takes.
std::string meant(const CLI::App& app, const std::string& typed) {
  std::vector<std::string> words;
  const auto used = app.get_subcommands();
  const CLI::App& command = used.empty() ? app : *used.front();
  for (const CLI::Option* option : command.get_options()) {
    for (const std::string& name : option->get_lnames()) words.push_back("--" + name);
  }
  if (used.empty()) {
    for (const CLI::App* sub : app.get_subcommands({})) words.push_back(sub->get_name());
  }
  const std::vector<std::string_view> views(words.begin(), words.end());
  const std::string_view near = nearest_word(std::string_view(typed).substr(0, typed.find('=')), views);
  return near.empty() ? std::string() : "; did you mean \"" + std::string(near) + "\"?";
}

int refuse(std::ostream& err, const std::string& message) {
  err << "fond-ladder: error: " << printable(message) << '\n';
  return wrong_call;
}

int parse_failed(const CLI::App& app, const CLI::ParseError& error, const std::vector<std::string>& args,
                 const Streams& streams) {
  if (error.get_exit_code() == 0) {  // help
    app.exit(error, streams.out, streams.err);
    return all_well;
  }
  const auto used = app.get_subcommands();
  if (args.empty())
    return refuse(streams.err,
                  "name a command: measure, climb, ledger, check, compare, lint, draw, tidy or demo; --help says more");
  if (used.empty()) return refuse(streams.err, "\"" + args.front() + "\" is no command" + meant(app, args.front()));
  if (dynamic_cast<const CLI::ExtrasError*>(&error) != nullptr) {
    const std::vector<std::string> left = app.remaining(true);
    const auto option = std::ranges::find_if(left, [](const std::string& word) { return word.starts_with("-"); });
    const std::string& odd = option == left.end() ? left.front() : *option;
    return refuse(streams.err, "\"" + odd + "\" is not known to " + used.front()->get_name() + meant(app, odd));
  }
  return refuse(streams.err, used.front()->get_name() + ": " + error.what());
}

/// A command that can be called, and how it prints; none: not as a table.
struct Command {
  std::string name;
  std::function<ExitStatus()> call;
  const Format* format;
};

int run(const std::vector<std::string>& args, const Streams& streams, Painted& results) {
  CLI::App app("Fond Ladder arranges rows, columns, grids and stacks, and says what happens at every size.",
               "fond-ladder");
  app.require_subcommand(1);
  app.get_formatter()->column_width(28);
  MeasureOptions measure_options;
  ClimbCall climb_options;
  LedgerCall ledger_call;
  CheckCall check_call;
  CompareCall compare_call;
  LintCall lint_call;
  DrawCall draw_call;
  TidyCall tidy_call;
  add_measure(app, measure_options);
  add_climb(app, climb_options);
  add_ledger(app, ledger_call);
  add_check(app, check_call);
  add_compare(app, compare_call);
  add_lint(app, lint_call);
  add_draw(app, draw_call);
  add_tidy(app, tidy_call);
  app.add_subcommand("demo", "The shipped console scene through the commands above");
  for (CLI::App* command : app.get_subcommands({})) add_color(*command);
  constexpr Format table = Format::table;
  const std::vector<Command> commands{
      {"measure", [&] { return measure(measure_options, streams); }, &measure_options.format},
      {"climb", [&] { return climb(climb_options, streams); }, &climb_options.format},
      {"ledger", [&] { return ledger(ledger_call, streams); }, &ledger_call.format},
      {"check", [&] { return check(check_call, streams); }, &check_call.format},
      {"compare", [&] { return compare(compare_call, streams); }, &compare_call.format},
      {"lint", [&] { return lint(lint_call, streams); }, &lint_call.format},
      {"draw", [&] { return draw(draw_call, streams); }, nullptr},
      {"tidy", [&] { return tidy(tidy_call, streams); }, nullptr},
      {"demo", [&] { return demo(streams); }, &table},
  };
  const auto unpainted = [](std::string_view text) { return std::string(text); };
  try {
    std::vector<std::string> reversed(args.rbegin(), args.rend());
    app.parse(reversed);
    const auto called =
        std::ranges::find_if(commands, [&](const Command& command) { return app.got_subcommand(command.name); });
    const ExitStatus status = called->call();
    const bool is_table = called->format != nullptr && *called->format == Format::table;
    is_table ? results.paint(painted_table) : results.paint(unpainted);
    return status;
  } catch (const CLI::ParseError& error) {
    const int status = parse_failed(app, error, args, streams);
    results.paint(unpainted);  // help
    return status;
  } catch (const BadScene& error) {
    for (const SceneFault& fault : error.faults()) streams.err << fault.text() << '\n';
    return wrong_call;
  } catch (const WrongCall& error) {
    for (const std::string& message : error.messages()) refuse(streams.err, message);
    return wrong_call;
  } catch (const std::exception& error) {  // a wrong path, quantity or size
    return refuse(streams.err, error.what());
  }
}

}  // namespace

int run(const std::vector<std::string>& args, std::istream& in, std::ostream& out, std::ostream& err,
        Terminal terminal) {
  Color color = Color::automatic;
  try {
    color = color_in(args);
  } catch (const WrongCall& error) {
    return refuse(err, error.what());
  }
  Painted results(out, has_colors(color, terminal.out)), messages(err, has_colors(color, terminal.err));
  int status = run(args, {in, results.stream(), messages.stream()}, results);
  if (!out) status = refuse(messages.stream(), "the result could not be written");
  messages.paint(painted_messages);
  return status;
}

}  // namespace fond_ladder::cli
