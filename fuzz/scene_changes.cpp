// SPDX-License-Identifier: MIT
#include "scene_changes.hpp"

#include <array>
#include <nlohmann/json.hpp>
#include <random>
#include <vector>

#include "model/key_table.hpp"

namespace fond_ladder::fuzz {
namespace {

using Json = nlohmann::ordered_json;

/// Values of every form that a key takes, and some that none takes.
constexpr std::array values{
    R"(0)",
    R"(1)",
    R"(-1)",
    R"(0.5)",
    R"(7.25)",
    R"(40)",
    R"(240)",
    R"(1e9)",
    R"(1e-9)",
    R"(1e300)",
    R"(3000000000)",
    R"("50%")",
    R"("100%")",
    R"("2em")",
    R"("3ch")",
    R"("fill")",
    R"("content")",
    R"("min-content")",
    R"("auto")",
    R"("none")",
    R"("start")",
    R"("end")",
    R"("middle")",
    R"("baseline")",
    R"("between")",
    R"("stretch")",
    R"("x")",
    R"("y")",
    R"("both")",
    R"("a")",
    R"("b")",
    R"("narrow")",
    R"("open")",
    R"("tight")",
    R"("card")",
    R"("")",
    R"("two words")",
    R"("بيت الشمال")",
    R"("the\u00adnext")",
    R"(true)",
    R"(false)",
    R"(null)",
    R"([])",
    R"({})",
    R"([1, 2])",
    R"(["1fr", "2fr", 30])",
    R"([{"repeat": "fit", "tracks": [60]}])",
    R"(["a a b", "a a ."])",
    R"({"x": 4, "y": "5%"})",
    R"({"start": 0, "end": 0})",
    R"({"left": {"to": "a", "edge": "right", "plus": 3}})",
    R"({"left": 2, "top": 9, "right": -4})",
    R"({"narrow": {"width": 30}})",
    R"({"tight": {"gap": 1, "hidden": true}})",
    R"([{"name": "tight", "below_width": 90}])",
    R"({"columns": 2, "rows": "rest"})",
    R"([{"kind": "box", "name": "a"}])",
    R"([{"kind": "text", "text": "Fern, sown in March"}, {"kind": "row", "name": "b", "children": []}])",
    R"([{"name": "a"}, {"name": "b", "text": "Moss"}])",
    R"({"card": {"gap": 3}})",
    R"~(["a.width > 3", "shown(*)"])~"};

constexpr std::array other_keys{"format", "scene", "em",         "direction",    "ladder",
                                "ranges", "modes", "shared",     "parts",        "locales",
                                "claims", "root",  "uses",       "text_metrics", "each_child",
                                "part",   "like",  "with",       "children",     "copies",
                                "when",   "width", "height",     "rungs",        "texts",
                                "longer", "name",  "from_width", "below_width",  "touch_target_size",
                                "fonts"};

class Changer {
 public:
  Changer(Json& scene, unsigned seed) : scene_(scene), dice_(seed) {}

  void change() {
    Json& place = any(scene_);
    switch (below(9)) {
      case 0:
      case 1:
      case 2: return say(place);
      case 3: return forget(place);
      case 4:
        if (place.is_array() && !place.empty() && place.size() < 40) place.push_back(Json(place[below(place.size())]));
        return;
      case 5: place = Json(any(scene_)); return;
      case 6:
        if (place.is_object() && place.contains("kind")) {
          const Json inner = place;
          constexpr std::array kinds{"row", "column", "stack", "grid"};
          place = {{"kind", kinds[below(kinds.size())]}, {"children", Json::array({inner})}};
        }
        return;
      case 7:
        if (place.is_number()) {
          const double number = place.get<double>();
          const double others[] = {number + 1, number / 3, -number, number * 1000, 0};
          place = others[below(std::size(others))];
        }
        return;
      default: place = value();
    }
  }

 private:
  std::size_t below(std::size_t limit) { return std::uniform_int_distribution<std::size_t>(0, limit - 1)(dice_); }
  Json value() { return Json::parse(values[below(values.size())]); }

  /// Goes down at random, so that what lies deep is met as often as what lies high.
  Json& any(Json& from) {
    Json* at = &from;
    while (at->is_structured() && !at->empty() && below(6) != 0) {
      auto next = at->begin();
      std::advance(next, below(at->size()));
      at = &*next;
    }
    return *at;
  }
  void say(Json& place) {
    if (!place.is_object()) return;
    const auto keys = key_table();
    const std::string key =
        below(4) == 0 ? other_keys[below(other_keys.size())] : std::string(keys[below(keys.size())].name);
    place[key] = value();
  }
  void forget(Json& place) {
    if (!place.is_structured() || place.empty()) return;
    auto member = place.begin();
    std::advance(member, below(place.size()));
    place.erase(member);
  }

  Json& scene_;
  std::mt19937 dice_;
};

}  // namespace

std::string changed_scene(std::string_view text, unsigned seed) {
  Json scene = Json::parse(text, nullptr, false, true);
  if (scene.is_discarded()) return std::string(text);
  Changer changer(scene, seed);
  for (unsigned times = 1 + seed % 3; times > 0; --times) changer.change();
  return scene.dump(-1, ' ', false, Json::error_handler_t::replace);
}

}  // namespace fond_ladder::fuzz
