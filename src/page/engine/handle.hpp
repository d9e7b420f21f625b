// SPDX-License-Identifier: MIT
#pragma once

// A handle that can be dragged: one number of a scene, its place in the picture, and the edit that a new value makes.

#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/axis.hpp"

namespace fond_ladder::page {

/// The least of what may be any number.
inline constexpr double any_number = -1e9;

/// Something to try: texts with numbers between them, each `times` the pulled value and `plus` something.
struct Pulled {
  struct Number {
    double times = 1, plus = 0;
  };
  std::vector<std::string> texts;  ///< one more than numbers
  std::vector<Number> numbers;
};

/// A setting, and how a person calls what it moves.
struct Choice {
  std::string words, setting;
};

/// For which nodes a setting is to be another one: this one, or all that have it from the same place.
struct Scope {
  std::string words;
  std::string place;       ///< what the setting is a key of, as `try` takes it
  std::string first = {};  ///< to be tried before, or nothing
};

struct Handle {
  std::string setting;  ///< by which it is known; the only one of its node
  double value = 0;     ///< pixels, a weight, a number of tracks
  double x = 0, y = 0;
  Axis axis{};
  int way = 1;  ///< 1: the value grows to the right or down
  double least = 0, most = 1e9;
  double grain = 1;               ///< what the value is a multiple of
  double per_pixel = 1;           ///< how much of it a pixel is
  std::vector<Choice> choices{};  ///< the setting itself first
  std::vector<Scope> scopes{};    ///< this node first
  Pulled own{{"", ""}, {{}}};     ///< what its setting is to be
  std::vector<Pulled> also{};     ///< what else is tried with it
  /// Where it snaps to, and the value there; none where it is free.
  std::vector<std::pair<double, double>> stops{};
};

/// What something else decides.
struct Fixed {
  Axis axis{};
  double x = 0, y = 0;
  std::string why;
};

}  // namespace fond_ladder::page
