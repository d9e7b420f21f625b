// SPDX-License-Identifier: MIT
#include "scene/read/scene_text.hpp"

#include <istream>

#include "fond_ladder/scene_file.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

[[noreturn]] void fail(const std::string& file, std::string message) {
  throw BadScene({{file, 0, 0, "", std::move(message)}});
}

}  // namespace

void require_length(std::uintmax_t bytes, const std::string& file_name) {
  if (bytes > limits::largest_scene_file) {
    fail(file_name, "this file is larger than 40 MiB, the limit for a scene");
  }
}

void require_text(std::string_view text, const std::string& file_name) {
  require_length(text.size(), file_name);
  if (text.find_first_not_of(" \t\r\n") == std::string_view::npos) {
    fail(file_name, "this file is empty; a scene is a JSON object with the keys \"format\" and \"root\"");
  }
}

std::string text_of_stream(std::istream& in, const std::string& name) {
  std::string text;
  constexpr std::size_t chunk = 1U << 16;
  while (in && text.size() <= limits::largest_scene_file) {
    const std::size_t have = text.size();
    text.resize(have + chunk);
    in.read(text.data() + have, chunk);
    text.resize(have + static_cast<std::size_t>(in.gcount()));
  }
  if (in.bad()) fail(name, "it cannot be read: it is closed, or a folder; pipe a scene into it, or name a file");
  return text;
}

}  // namespace fond_ladder::inline v0::scene
