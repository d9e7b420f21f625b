// SPDX-License-Identifier: MIT
// A potting bench: beds that come and go, tags that are carried from the bench to the shelf, notes that fold away.
// Keys: a adds a bed, f folds the notes, m turns the reading direction, q ends it; a file named on the command line
// gets the last picture.
#include <SDL2/SDL.h>

#include <iostream>

#include "window.hpp"

using namespace fond_ladder;

namespace {

void tell(const std::string& line) {
  std::cout << line << std::endl;
}

Node button(const std::string& name) {
  return box(name).padding_x(12).padding_y(6).shrink(0);
}

Tree bench() {
  const auto place_for_tags = [](const char* name) {
    return row(name).wrap().gap(8).padding(8).min_height(60).across(Across::start);
  };
  Tree tree = Tree::from(column("house").padding(12).gap(12).children(
      row("bar")
          .gap(8)
          .across(Across::center)
          .children(box("title").weight(1), button("add"), button("fold"), button("mirror")),
      row("body").gap(12).weight(1).children(
          column("beds").gap(6).padding(8).weight(1).with([](Keys& keys) { keys.scroll = Scroll::y; }),
          column("side").gap(12).width(300).shrink(0).children(place_for_tags("bench"), place_for_tags("shelf"),
                                                               box("notes").padding(8)))));
  tree.set_conditions({}, {"folded"});
  tree.when(tree.at("notes"), "folded", box().hidden().explicit_keys());
  return tree;
}

class PottingBench : public Window {
 public:
  PottingBench() : Window(bench(), tell) {
    write(tree().at("title"), "Potting bench", "DejaVu Sans bold 14");
    write(tree().at("notes"), "Carry the tags of what is potted to the shelf. A bed is taken out by its button.");
    for (const char* panel : {"beds", "bench", "shelf", "notes"}) widget(tree().at(panel)).look = Widget::Look::panel;
    for (const char* place : {"bench", "shelf"}) widget(tree().at(place)).takes = true;
    make_button(tree().at("add"), "Add a bed", [this] { add_bed(); });
    make_button(tree().at("fold"), "Fold the notes", [this] { fold(); });
    make_button(tree().at("mirror"), "Turn round", [this] { mirror(); });
    for (const char* plant : {"fern", "moss", "sage", "thyme", "mint"}) {
      const NodeId tag = tree().append(tree().at("bench"), button(plant));
      write(tag, plant);
      widget(tag).look = Widget::Look::tag;
      widget(tag).can_be_carried = true;
    }
    for (int i = 0; i < 3; ++i) add_bed();
  }

  void add_bed() {
    constexpr const char* what[] = {"Fern, from spores. Shade, and mist in summer.", "Sage. Dry bed.",
                                    "Oak, sown in March."};
    const std::string name = "bed" + std::to_string(++beds_);
    const Node written = row(name).gap(8).padding(6).across(Across::center).shrink(0);
    const NodeId bed = tree().append(tree().at("beds"), Node(written).children(box("about").weight(1), button("out")));
    widget(bed).look = Widget::Look::button;
    write(tree().child(bed, 0), what[beds_ % 3]);
    make_button(tree().child(bed, 1), "Take out", [this, bed] {
      tell("took out " + tree().short_path(bed));
      remove(bed);
    });
    tell("added " + name);
  }
  void fold() {
    folded_ = !folded_;
    set_mode("folded", folded_);
    write(tree().at("fold"), folded_ ? "Unfold the notes" : "Fold the notes");
    tell(folded_ ? "folded" : "unfolded");
  }
  void mirror() {
    const bool was_ltr = tree().direction() == Direction::ltr;
    tree().set_direction(was_ltr ? Direction::rtl : Direction::ltr);
    tell(was_ltr ? "right to left" : "left to right");
  }
  bool hear(const SDL_Event& event) {  // whether the window stays
    switch (event.type) {
      case SDL_QUIT: return false;
      case SDL_MOUSEMOTION: point(event.motion.x, event.motion.y); break;
      case SDL_MOUSEBUTTONDOWN: press(); break;
      case SDL_MOUSEBUTTONUP: release(); break;
      case SDL_MOUSEWHEEL: scroll(-24.0 * event.wheel.y); break;
      case SDL_KEYDOWN: {
        const SDL_Keycode key = event.key.keysym.sym;
        if (key == SDLK_a) add_bed();
        if (key == SDLK_f) fold();
        if (key == SDLK_m) mirror();
        return key != SDLK_q;
      }
    }
    return true;
  }

 private:
  void make_button(NodeId leaf, const std::string& text, std::function<void()> click) {
    write(leaf, text);
    widget(leaf).look = Widget::Look::button;
    widget(leaf).click = std::move(click);
  }

  int beds_ = 0;
  bool folded_ = false;
};

/// Paints into the pixels of the window; into a file too where one is named.
void show(Window& window, SDL_Window* on, const char* picture = nullptr) {
  SDL_Surface* pixels = SDL_GetWindowSurface(on);
  cairo_surface_t* sheet = cairo_image_surface_create_for_data(static_cast<unsigned char*>(pixels->pixels),
                                                               CAIRO_FORMAT_RGB24, pixels->w, pixels->h, pixels->pitch);
  cairo_t* pen = cairo_create(sheet);
  window.resize(pixels->w, pixels->h);
  window.paint(pen);
  if (picture != nullptr) cairo_surface_write_to_png(sheet, picture);
  cairo_destroy(pen);
  cairo_surface_destroy(sheet);
  SDL_UpdateWindowSurface(on);
}

}  // namespace

int main(int argc, char** argv) {
  SDL_Init(SDL_INIT_VIDEO);
  constexpr int anywhere = SDL_WINDOWPOS_UNDEFINED;
  SDL_Window* on = SDL_CreateWindow("Potting bench", anywhere, anywhere, 900, 560, SDL_WINDOW_RESIZABLE);
  if (on == nullptr) {
    std::cerr << "no window can be shown: " << SDL_GetError() << '\n';
    return 2;
  }
  PottingBench bench;
  show(bench, on);
  tell("ready");
  for (SDL_Event event; SDL_WaitEvent(&event) != 0 && bench.hear(event);) {
    if (SDL_HasEvent(SDL_MOUSEMOTION) == SDL_FALSE) show(bench, on);  // many moves, one picture
  }
  if (argc > 1) show(bench, on, argv[1]);
  SDL_DestroyWindow(on);
  SDL_Quit();
}
