// SPDX-License-Identifier: MIT
#include "calls/sizes.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>

#include "calls/command.hpp"
#include "model/nearest_word.hpp"
#include "model/number_text.hpp"
#include "model/sound_container.hpp"

namespace fond_ladder::calls {
namespace {

/// A size from 0 to 1e9, or nothing.
std::optional<double> parse_size(std::string_view text) {
  double size = 0;
  const auto read = std::from_chars(text.data(), text.data() + text.size(), size);
  if (read.ec != std::errc() || read.ptr != text.data() + text.size() || !is_container_size(size)) return {};
  return size;
}

/// The height if none is given: the ladder's largest, else by content.
std::optional<double> usual_height(const Ladder& ladder) {
  return ladder.height ? std::optional(ladder.height->to) : std::nullopt;
}

/// "; named sizes: phone, tablet", at most eight of them.
std::string named_sizes_of(const Ladder& ladder) {
  constexpr std::size_t most = 8;
  std::string list;
  for (std::size_t i = 0; i < std::min(most, ladder.named_sizes.size()); ++i)
    list += (i == 0 ? "; named sizes: " : ", ") + ladder.named_sizes[i].name;
  if (ladder.named_sizes.size() > most) list += fmt::format(" and {} more", ladder.named_sizes.size() - most);
  return list;
}

AskedSize parse_at(std::string_view text, const Ladder& ladder) {
  if (text == "content") return {};
  for (const NamedSize& container_size : ladder.named_sizes) {
    if (container_size.name == text) return {container_size.name, ladder.size_of(container_size)};
  }
  const std::size_t cross = text.find('x');
  const auto width = parse_size(text.substr(0, cross));
  if (width && cross == std::string_view::npos) return {"", {width, usual_height(ladder)}};
  if (width && text.substr(cross + 1) == "content") return {"", {width, {}}};
  const auto height = cross == std::string_view::npos ? std::nullopt : parse_size(text.substr(cross + 1));
  if (width && height) return {"", {width, height}};
  std::vector<std::string_view> names{"content"};
  for (const NamedSize& container_size : ladder.named_sizes) names.push_back(container_size.name);
  const std::string_view near = nearest_word(text, names);
  throw WrongCall(fmt::format("--at {}: expected a size as 1280x800, 1280, 1280xcontent or content, or a named size{}",
                              text,
                              near.empty() ? named_sizes_of(ladder) : fmt::format("; did you mean \"{}\"?", near)));
}

/// `360..1440`, or one size.
Interval parse_span(std::string_view text, std::string_view option) {
  const std::size_t dots = text.find("..");
  const auto from = parse_size(text.substr(0, dots));
  const auto to = dots == std::string_view::npos ? from : parse_size(text.substr(dots + 2));
  if (!from || !to || *from > *to) {
    throw WrongCall(from && to ? fmt::format("{} {}: the larger size comes last; write {}..{}", option, text,
                                             exact(*to), exact(*from))
                               : fmt::format("{} {}: expected FROM..TO in pixels, as in 360..1440", option, text));
  }
  return {*from, *to};
}

}  // namespace

std::vector<AskedSize> asked_sizes(const std::vector<std::string>& at, const Ladder& ladder) {
  std::vector<AskedSize> sizes;
  for (const std::string& text : at) sizes.push_back(parse_at(text, ladder));
  if (!sizes.empty()) return sizes;
  for (const NamedSize& container_size : ladder.named_sizes)
    sizes.push_back({container_size.name, ladder.size_of(container_size)});
  if (sizes.empty()) sizes.push_back({"", {ladder.width.to, usual_height(ladder)}});
  return sizes;
}

Interval sizes_asked(std::string_view text, std::string_view option, const std::optional<Interval>& ladder) {
  if (text == "all") {
    if (ladder) return *ladder;
    throw WrongCall(fmt::format("{0} all: the ladder has no height; write a range, as in {0} 240..900", option));
  }
  if (text.find_first_of("0123456789") == std::string_view::npos)
    throw WrongCall(fmt::format("{0} {1}: expected all, one size, or a range, as in {0} 240..900", option, text));
  return parse_span(text, option);
}

double parse_factor(std::string_view text, std::string_view option) {
  const auto factor = parse_size(text);
  if (!factor || *factor == 0)
    throw WrongCall(fmt::format("{} {}: expected a number above 0, as in 0.5", option, text));
  return *factor;
}

double parse_coordinate(std::string_view text, const std::string& message) {
  double number = 0;
  const auto read = std::from_chars(text.data(), text.data() + text.size(), number);
  if (read.ec != std::errc() || read.ptr != text.data() + text.size() || !std::isfinite(number))
    throw WrongCall(message);
  return number;
}

std::vector<double> parse_sizes(std::string_view text, std::string_view option) {
  std::vector<double> sizes;
  for (const std::string& item : split_list(text)) {
    const auto size = parse_size(item);
    if (!size) throw WrongCall(fmt::format("{} {}: expected sizes in pixels, got \"{}\"", option, text, item));
    sizes.push_back(*size);
  }
  if (sizes.empty()) throw WrongCall(fmt::format("{} {}: expected sizes in pixels, as in 360,640,1024", option, text));
  return sizes;
}

std::vector<std::string> split_list(std::string_view text) {
  std::vector<std::string> items;
  while (!text.empty()) {
    const std::size_t comma = text.find(',');
    std::string_view item = text.substr(0, comma);
    item.remove_prefix(std::min(item.find_first_not_of(' '), item.size()));
    item.remove_suffix(item.size() - std::min(item.find_last_not_of(' ') + 1, item.size()));
    if (!item.empty()) items.emplace_back(item);
    if (comma == std::string_view::npos) break;
    text.remove_prefix(comma + 1);
  }
  return items;
}

}  // namespace fond_ladder::calls
