// SPDX-License-Identifier: MIT
#include "page/report/report_text.hpp"

#include <algorithm>
#include <array>
#include <sstream>
#include <utility>

#include "fond_ladder/draw.hpp"
#include "fond_ladder/solver.hpp"
#include "model/printable.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::page {
namespace {

/// A text that no markup can begin in.
std::string escaped(std::string_view text) {
  std::string safe;
  for (const char c : text) {
    switch (c) {
      case '&': safe += "&amp;"; break;
      case '<': safe += "&lt;"; break;
      case '>': safe += "&gt;"; break;
      case '"': safe += "&quot;"; break;
      case '\'': safe += "&#39;"; break;
      default: safe += c;
    }
  }
  return safe;
}

/// JSON in a script element, which only a `<` could end.
std::string within_script(std::string_view json) {
  std::string safe;
  safe.reserve(json.size());
  for (const char c : json) {
    if (c == '<') {
      safe += "\\u003c";
    } else {
      safe += c;
    }
  }
  return safe;
}

/// How many nodes lie at least in part inside of the container.
std::ptrdiff_t seen_in(const Solution& solution) {
  const Extent space = solution.container();
  return std::ranges::count_if(solution.painted(), [&](const Solution::Painted& one) {
    return one.box.x < space.width && one.box.right() > 0 && one.box.y < space.height && one.box.bottom() > 0;
  });
}

/// As look/session.js reads it.
std::string json_of(const Start& start) {
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.text("file", start.file);
  json.text("text", start.text);
  json.number("width", start.size ? start.size->width : std::nullopt);
  json.number("height", start.size ? start.size->height : std::nullopt);
  json.text("locale", start.locale);
  json.text("text_expansion", start.longer);
  json.text("words", start.words);
  json.text("pieces", start.pieces);
  json.texts("modes", start.modes);
  json.objects("changes", start.edits, [&](const calls::OptionUse& edit) {
    json.text("does", std::string_view(edit.option).substr(2));
    json.text("what", edit.value);
  });
  json.number("version", start.served ? std::optional(static_cast<double>(start.served->version)) : std::nullopt);
  json.text("token", start.served ? start.served->token : "");
  json.end();
  return out.str();
}

}  // namespace

std::string still_picture(const Scene& scene, const ContainerSize& size, const std::vector<std::string>& modes) {
  constexpr std::ptrdiff_t most_with_marks = 160;
  try {
    const std::array<Panel, 1> panels{{{solve(scene, size, modes), ""}}};
    DrawOptions options;
    options.within_page = true;
    options.bare = seen_in(panels[0].solution) > most_with_marks;
    const std::string svg = draw(panels, PictureForm::svg, options).bytes;
    return svg.substr(svg.find("<svg"));
  } catch (const BadPicture& error) {
    return "<p>No picture: " + escaped(printable(error.what())) + "</p>";
  }
}

std::string report_text(const std::string& page_without_scene, const Start& start, const std::string& title,
                        const std::string& still) {
  const std::string safe_title = escaped(printable(title));
  const std::string connect = start.served ? "'self'" : "'none'";
  const std::string json = within_script(json_of(start));
  const std::array<std::pair<std::string_view, std::string_view>, 4> parts{
      {{"title", safe_title}, {"connect", connect}, {"start", json}, {"still", still}}};
  constexpr std::string_view opening = "{{scene:", closing = "}}";
  std::string page;
  std::string_view rest = page_without_scene;
  for (std::size_t at = rest.find(opening); at != rest.npos; at = rest.find(opening)) {
    page += rest.substr(0, at);
    rest.remove_prefix(at + opening.size());
    const std::size_t end = rest.find(closing);
    const std::string_view name = rest.substr(0, end);
    rest.remove_prefix(end + closing.size());
    for (const auto& [part, text] : parts) {
      if (part == name) page += text;
    }
  }
  page += rest;
  return page;
}

}  // namespace fond_ladder::page
