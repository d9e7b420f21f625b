// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string_view>
#include <vector>

#include "print/json_writer.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {

/// The frame of every JSON answer: `{"fond_ladder": 2, "command": "measure", "answers": [ … ]}`.
class JsonAnswers {
 public:
  JsonAnswers(std::ostream& out, std::string_view command);
  /// Ends the previous answer and begins one about a scene, with its title and its file.
  JsonWriter& next(const Scene& scene, std::string_view file);
  /// The same of no scene.
  JsonWriter& next();
  /// The same at one size.
  JsonWriter& next(const Scene& scene, std::string_view file, const Solution& solution, const AskedSize& asked);
  /// The same over a ladder: `"at": {"width": {"from": 360, "to": 1440}, "height": 800}`.
  JsonWriter& next(const Scene& scene, std::string_view file, const Ladder& ladder);
  /// Ends the last answer and the frame.
  void end();

 private:
  JsonWriter json_;
  bool inside_ = false;
};

/// `[{"from": 360, "to": 640}]`
void write_spans(JsonWriter& json, std::string_view key, const std::vector<Interval>& spans);

}  // namespace fond_ladder::inline v0
