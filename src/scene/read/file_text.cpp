// SPDX-License-Identifier: MIT
//
// The one place that opens scene files; left out where there are no files.
#include <filesystem>
#include <fstream>

#include "fond_ladder/scene_file.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

[[noreturn]] void refuse(const std::string& path, std::string message) {
  throw BadScene({{path, 0, 0, "", std::move(message)}});
}

}  // namespace

std::string text_of_file(const std::string& path) {
  std::error_code error;
  const auto status = std::filesystem::status(path, error);
  if (!std::filesystem::exists(status)) refuse(path, "there is no such file");
  if (std::filesystem::is_directory(status)) refuse(path, "this is a directory; name a scene file");
  if (std::filesystem::is_regular_file(status)) require_length(std::filesystem::file_size(path, error), path);
  std::ifstream in(path, std::ios::binary);
  if (!in) refuse(path, "this file cannot be opened; check who may read it");
  return text_of_stream(in, path);
}

std::string text_of_used_file(const std::string& path) {
  std::error_code error;
  const auto status = std::filesystem::status(path, error);
  if (std::filesystem::exists(status) && !std::filesystem::is_directory(status) &&
      !std::filesystem::is_regular_file(status))
    refuse(path, "this is no plain file");
  return text_of_file(path);
}

std::string identity_of_file(const std::string& path) {
  std::error_code error;
  const std::filesystem::path found = std::filesystem::weakly_canonical(path, error);
  return error ? path : found.string();
}

}  // namespace fond_ladder::inline v0::scene
