// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <iosfwd>
#include <string>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace scene {

/// Which file it is, whatever its name.
struct FileIdentity {
  std::uint64_t device = 0, inode = 0;
  friend bool operator==(const FileIdentity&, const FileIdentity&) = default;
};
struct PlainFile {
  std::string text;
  FileIdentity identity;
};
enum class Links : std::uint8_t { followed, refused };

/// Reads a plain file; a pipe or a device is not waited for. Throws BadScene when there is no such file, it is no plain
/// one, or it has more bytes than a scene may have.
[[nodiscard]] PlainFile read_plain_file(const std::string& path, Links links);
/// The text of a scene file, links followed. Throws as above.
[[nodiscard]] std::string text_of_file(const std::string& path);
/// The same for two names of one file, links followed.
[[nodiscard]] std::string identity_of_file(const std::string& path);
/// The text that a stream gives; `name` is for the message. Throws as above, and where the stream cannot be read.
[[nodiscard]] std::string text_of_stream(std::istream& in, const std::string& name);
/// Throws BadScene for more bytes than a scene may have.
void require_length(std::uintmax_t bytes, const std::string& file_name);
/// Throws BadScene for a text that is too long, or empty.
void require_text(std::string_view text, const std::string& file_name);

}  // namespace scene
}  // namespace v0
}  // namespace fond_ladder
