// SPDX-License-Identifier: MIT
#include "cli/run.hpp"

#include <functional>
#include <map>
#include <ostream>
#include <sstream>

#include "calls/refusal.hpp"
#include "cli/commands.hpp"
#include "cli/paint.hpp"
#include "cli/parse.hpp"

namespace fond_ladder::cli {
namespace {

/// The value of --color. It is read before anything else is parsed, since a refused call has colors too.
Color color_in(const std::vector<std::string>& args) {
  static const std::map<std::string, Color> colors{
      {"auto", Color::automatic}, {"always", Color::always}, {"never", Color::never}};
  Color color = Color::automatic;
  for (std::size_t i = 0; i < args.size(); ++i) {
    const bool is_alone = args[i] == "--color" && i + 1 < args.size();
    if (!is_alone && !args[i].starts_with("--color=")) continue;
    const std::string typed = is_alone ? args[i + 1] : args[i].substr(args[i].find('=') + 1);
    const auto found = colors.find(typed);
    if (found == colors.end()) throw WrongCall("--color " + typed + ": expected auto, always or never");
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

int refuse(std::ostream& err, const std::string& message) {
  calls::print_error(err, message);
  return wrong_call;
}

int run(const std::vector<std::string>& args, const Streams& streams, Painted& results) {
  const auto unpainted = [](std::string_view text) { return std::string(text); };
  ExitStatus status = wrong_call;
  calls::reports_error(streams.err, "", [&] {
    const std::vector<Command> commands = all_commands();
    const ParsedCall parsed = parse(args, commands);
    ExitStatus called = all_well;
    if (parsed.command == nullptr) {
      streams.out << parsed.text;
    } else {
      called = parsed.command->call(streams);
    }
    const bool is_table = parsed.command != nullptr && parsed.command->prints_table();
    is_table ? results.paint(painted_table) : results.paint(unpainted);
    status = called;
  });
  return status;
}

}  // namespace

ExitStatus call(const std::vector<std::string>& args, const Streams& streams) {
  const std::vector<Command> commands = all_commands();
  const ParsedCall parsed = parse(args, commands);
  if (parsed.command != nullptr) return parsed.command->call(streams);
  streams.out << parsed.text;
  return all_well;
}

int run(const std::vector<std::string>& args, std::istream& in, std::ostream& out, std::ostream& err,
        Terminal terminal) {
  Color color = Color::automatic;
  try {
    color = color_in(args);
  } catch (const WrongCall& error) {
    return refuse(err, error.what());
  }
  Painted results(out, has_colors(color, terminal.out)), messages(err, has_colors(color, terminal.err));
  int status = run(args, {in, results.stream(), messages.stream(), {}, terminal.err ? &err : nullptr}, results);
  if (!out) status = refuse(messages.stream(), "cannot write the result");
  messages.paint(painted_messages);
  return status;
}

}  // namespace fond_ladder::cli
