// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <stdexcept>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::cli {

enum ExitStatus : int {
  all_well = 0,
  findings = 1,    // claims fail, findings, differences
  wrong_call = 2,  // the call or the scene is wrong
};

/// The call is wrong; the message says what, and what would be right.
class WrongCall : public std::runtime_error {
 public:
  using std::runtime_error::runtime_error;
};

/// Where a command reads and writes. Results go to `out`, messages to `err`.
struct Streams {
  std::istream& in;
  std::ostream& out;
  std::ostream& err;
};

enum class Format { table, json, csv };

struct MeasureOptions {
  std::string scene;
  std::vector<std::string> at;
  std::vector<std::string> under;
  std::vector<std::string> modes;
  bool orders = false;
  bool outline = false;
  bool timing = false;
  bool snap_given = false;
  double snap = 0;  // density
  Format format = Format::table;
};

struct ClimbOptions {
  std::string scene;
  std::string width;
  std::string height;
  std::string rungs;
  std::string show;
  std::vector<std::string> modes;
  Format format = Format::table;
};

struct DrawCall {
  std::string scene;
  std::vector<std::string> at;
  std::string output;  // file; - is standard output
  std::string as;      // svg, png or pdf; by the ending when empty
  std::string only;
  std::string scale;
  std::vector<std::string> modes;
  bool bare = false;
};

ExitStatus measure(const MeasureOptions& options, const Streams& streams);
ExitStatus climb(const ClimbOptions& options, const Streams& streams);
ExitStatus draw(const DrawCall& call, const Streams& streams);
ExitStatus demo(const Streams& streams);

/// Throws WrongCall for a mode that the scene does not have.
void require_modes(const Scene& scene, const std::vector<std::string>& modes);

/// Reads the scene that a command names; `-` is standard input. Throws BadScene.
[[nodiscard]] Scene load_scene(const std::string& name, const Streams& streams);

void print_measure(const Scene& scene, const MeasureOptions& options, const Streams& streams);
void print_climb(const Scene& scene, const ClimbOptions& options, const Streams& streams);

}  // namespace fond_ladder::cli
