// SPDX-License-Identifier: MIT
#include "houses.hpp"

#include "fond_ladder/node.hpp"

namespace fond_ladder::bench {
namespace {

constexpr int house_count = 8, bed_count = 11;

Node card(const std::string& name, const std::string& about) {
  return column(name).padding(8).gap(6).children(text("about", about),
                                                 box("button").height(32).min_width(80).margin_top(automatic));
}

Node label(const std::string& name, const std::string& says) {
  return text(name, says).font_size(12).one_line().padding(4);
}

Node house(int number) {
  std::vector<Node> beds;
  for (int i = 0; i < bed_count; ++i) beds.push_back(box("bed" + std::to_string(i)).height(40).shrink(0));
  return row("house" + std::to_string(number))
      .gap(16)
      .shrink(0)
      .children(
          column("beds").width(240).shrink(0).gap(8).children(std::move(beds)),
          column("work").weight(1).gap(12).children(
              stack("zones").weight(1).min_height(96).children(box("map").width(fill).height(fill),
                                                               box("legend").width(120).height(24)),
              row("cards").gap(12).equal_sizes().children(
                  card("oak", "Oak, sown in March. Keep moist."),
                  card("fern", "Fern, from spores. Shade, and mist twice a day in summer."),
                  card("sage", "Sage. Dry bed.")),
              row("sensors").wrap().gap(6).children(label("air", "Air 21.5 C"), label("soil", "Soil 43 %"),
                                                    label("light", "Light 620"), label("tank", "Tank 7 of 10"),
                                                    label("vents", "Vents half open"), label("door", "Door shut"))),
          column("notes").width(200).shrink(0).gap(8).children(
              text("head", "Notes"), text("note", "The east vent sticks when the sun is low. Ask for a new hinge.")));
}

}  // namespace

Scene houses() {
  std::vector<Node> all;
  for (int i = 0; i < house_count; ++i) all.push_back(house(i));
  Scene scene(column("houses").gap(12).padding(16).scroll(Scroll::y).children(std::move(all)));
  scene.ladder = {{720, 1799}, Interval(900), {}};
  return scene;
}

std::vector<std::string> house_claims() {
  std::vector<std::string> claims{"fits(houses)", "same(houses/*.width)"};
  for (int i = 0; i < house_count; ++i) {
    const std::string house = "house" + std::to_string(i);
    claims.push_back(house + "/beds.width = 240");
    claims.push_back("same(" + house + "/work/cards/*.width)");
    claims.push_back("same(" + house + "/work/cards/*/button.bottom)");
    claims.push_back(house + "/notes.left = " + house + "/work.right + 16");
    claims.push_back(house + "/work/sensors.lines <= 4 when container.width >= 900");
    claims.push_back("apart(" + house + "/beds, " + house + "/work, " + house + "/notes) and " + house +
                     ".width = container.width - 32");
  }
  return claims;
}

}  // namespace fond_ladder::bench
