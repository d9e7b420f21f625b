// SPDX-License-Identifier: MIT
#include "print/answers_json.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_corners(JsonWriter& json, const std::vector<Extent>& piece) {
  json.objects("corners", piece, [&](const Extent& corner) {
    json.number("width", corner.width);
    json.number("height", corner.height);
  });
}

void write_failing(JsonWriter& json, const CheckedClaim::Failing& stretch) {
  json.number("from", stretch.from);
  json.number("to", stretch.to);
  json.truth("includes_from", stretch.includes_from);
  json.truth("includes_to", stretch.includes_to);
  json.number("height", stretch.height);
  if (stretch.heights) {
    json.begin_object("heights");
    json.number("from", stretch.heights->from);
    json.number("to", stretch.heights->to);
    json.end();
    json.objects("polygons", stretch.polygons, [&](const std::vector<Extent>& piece) { write_corners(json, piece); });
  }
  json.text("variant", stretch.variant);
  json.begin_object("worst");
  json.number("width", stretch.worst.width);
  json.number("height", stretch.worst.height);
  if (stretch.limit != stretch.worst) {
    json.begin_object("limit");
    json.number("width", stretch.limit.width);
    json.number("height", stretch.limit.height);
    json.end();
  }
  json.number("off", stretch.off);
  json.begin_object("values");
  for (const auto& [name, value] : stretch.values) json.number(name, value);
  json.end();
  json.end();
  json.text("why", stretch.why);
}

}  // namespace

void write_checked(JsonWriter& json, const std::vector<CheckedClaim>& checked, bool all_hold,
                   const std::vector<std::size_t>& numbers) {
  json.truth("holds", all_hold);
  auto number = numbers.begin();
  json.objects("claims", checked, [&](const CheckedClaim& one) {
    json.text("claim", one.claim);
    json.number("number", *number++ + 1);
    json.truth("holds", one.holds);
    json.number("tests", one.tests);
    json.truth("proved", one.sampled.empty());
    json.objects("sampled", one.sampled, [&](const Interval& part) {
      json.number("from", part.from);
      json.number("to", part.to);
    });
    json.objects("failing", one.failing, [&](const auto& stretch) { write_failing(json, stretch); });
  });
}

}  // namespace fond_ladder::inline v0
