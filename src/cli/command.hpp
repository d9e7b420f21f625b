// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <stdexcept>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::cli {

enum ExitStatus : int {
  all_well = 0,
  findings = 1,    // claims fail, findings, differences
  wrong_call = 2,  // the call or the scene is wrong
};

/// The call is wrong; each message says what, and what would be right.
class WrongCall : public std::runtime_error {
 public:
  explicit WrongCall(const std::string& message) : WrongCall(std::vector{message}) {}
  /// At least one.
  explicit WrongCall(std::vector<std::string> messages)
      : std::runtime_error(messages.front()), messages_(std::move(messages)) {}
  [[nodiscard]] const std::vector<std::string>& messages() const { return messages_; }

 private:
  std::vector<std::string> messages_;
};

/// Where a command reads and writes. Results go to `out`, messages to `err`.
struct Streams {
  std::istream& in;
  std::ostream& out;
  std::ostream& err;
};

enum class Format { table, json, csv };

/// Which scene, and in which of its forms.
struct SceneCall {
  std::string file;
  std::vector<std::string> modes;
  std::string wording;
  std::string longer;
  std::vector<std::string> tries;
};

struct MeasureOptions {
  SceneCall scene;
  std::vector<std::string> at;
  std::vector<std::string> under;
  bool orders = false;
  bool outline = false;
  bool timing = false;
  std::string settings;  // of which node
  bool snap_given = false;
  double snap = 0;  // density
  Format format = Format::table;
};

struct ClimbCall {
  SceneCall scene;
  std::string width;
  std::string height;
  std::string rungs;
  std::string show;
  std::string of;    // a node, to be climbed alone
  std::string plot;  // a file
  Format format = Format::table;
};

struct DrawCall {
  SceneCall scene;
  std::vector<std::string> at;
  std::string output;  // file; - is standard output
  std::string as;      // svg, png or pdf; by the ending when empty
  std::string only;
  std::string scale;
  bool bare = false;
};

struct LedgerCall {
  SceneCall scene;
  std::string node;
  std::vector<std::string> at;
  bool to_root = false;
  Format format = Format::table;
};

struct CheckCall {
  SceneCall scene;
  std::vector<std::string> claims;
  std::string junit;  // a file
  std::string shard;  // as in 2/5
  bool suggest = false;
  Format format = Format::table;
};

struct CompareCall {
  SceneCall scene;
  std::string other;  // a second scene file; none: the scene as it is against what the options make of it
  std::vector<std::string> at;
  Format format = Format::table;
};

struct LintCall {
  SceneCall scene;
  bool strict = false;
  Format format = Format::table;
};

struct TidyCall {
  std::string file;
  std::string output;  // a file; standard output when empty or -
};

ExitStatus measure(const MeasureOptions& options, const Streams& streams);
ExitStatus climb(const ClimbCall& options, const Streams& streams);
ExitStatus draw(const DrawCall& call, const Streams& streams);
ExitStatus ledger(const LedgerCall& call, const Streams& streams);
ExitStatus check(const CheckCall& call, const Streams& streams);
ExitStatus compare(const CompareCall& call, const Streams& streams);
ExitStatus lint(const LintCall& call, const Streams& streams);
ExitStatus tidy(const TidyCall& call, const Streams& streams);
ExitStatus demo(const Streams& streams);

/// Reads the scene that a command names, `-` being standard input, puts the wording into it and tries what is to be
/// tried. One line on standard error tells of settings that do nothing. Throws BadScene and WrongCall.
[[nodiscard]] Scene load_scene(const SceneCall& call, const Streams& streams);

/// The variants of a scene that a command names: `all` stands for the scene's own texts and every wording, and for
/// every choice of modes. Throws as load_scene does.
enum class Hints { one_line, none };
[[nodiscard]] std::vector<Variant> load_variants(const SceneCall& call, const Streams& streams,
                                                 Hints hints = Hints::one_line);

/// A scene as the options of a command make it. Throws as load_scene does.
[[nodiscard]] Variant load_variant(const SceneCall& call, const Streams& streams);
/// The same, and the scene as it is, read once.
struct BeforeAndAfter {
  Variant before, after;
};
[[nodiscard]] BeforeAndAfter load_before_and_after(const SceneCall& call, const Streams& streams);

/// Checks claims about a scene that is read already, and prints what became of them.
void print_check(const Scene& scene, const CheckCall& call, std::ostream& out);
void print_measure(const Scene& scene, const MeasureOptions& options, const Streams& streams);
void print_ledger(const Scene& scene, const LedgerCall& call, const Streams& streams);
void print_climb(const Scene& scene, const ClimbCall& options, const Streams& streams);

}  // namespace fond_ladder::cli
