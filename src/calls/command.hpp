// SPDX-License-Identifier: MIT
#pragma once

#include <functional>
#include <iosfwd>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "calls/options.hpp"
#include "calls/wrong_call.hpp"

namespace fond_ladder::calls {

enum ExitStatus : int {
  all_well = 0,
  findings = 1,    // claims fail, findings, differences
  wrong_call = 2,  // the call or the scene is wrong
};

/// A scene that is in the program, and found under this name instead of a file.
struct ShippedScene {
  std::string_view name, json;
};

/// The files that a call reads and those that it writes, by device and inode, and what they are to it: none is both.
struct CallFiles {
  std::map<std::string, std::string> read, written;
};

/// Where a command reads and writes. Results go to `out`, messages to `err`.
struct Streams {
  std::istream& in;
  std::ostream& out;
  std::ostream& err;
  std::optional<ShippedScene> shipped{};
  std::ostream* terminal = nullptr;  // for output that is cleared again; none if no terminal is attached
  std::shared_ptr<CallFiles> files = std::make_shared<CallFiles>();
};

/// A command that can be called: what it takes, and what it does with it.
struct Command {
  std::string name;
  std::string about;  // a sentence
  Options options;
  std::function<ExitStatus(const Streams&)> call;
  std::function<bool()> prints_table;  // whether the output is a table, which may be colored
};

/// A command whose options fill a `Call`, which is passed to `run`. If it has a format, only tables are colored.
template <class Call>
class CommandOf {
 public:
  CommandOf(std::string name, std::string about) : command_{std::move(name), std::move(about), {}, {}, {}} {}
  [[nodiscard]] Call& call() { return *call_; }
  [[nodiscard]] Options& options() { return command_.options; }
  [[nodiscard]] Command does(ExitStatus (*run)(const Call&, const Streams&)) {
    command_.call = [call = call_, run](const Streams& streams) { return run(*call, streams); };
    command_.prints_table = [call = call_] {
      if constexpr (requires { call->format; }) return call->format == Format::table;
      return false;
    };
    return std::move(command_);
  }

 private:
  std::shared_ptr<Call> call_ = std::make_shared<Call>();
  Command command_;
};

}  // namespace fond_ladder::calls
