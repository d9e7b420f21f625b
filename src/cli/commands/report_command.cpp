// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <filesystem>

#include "cli/call_words.hpp"
#include "cli/commands/page_call.hpp"
#include "cli/open_in_browser.hpp"
#include "model/printable.hpp"
#include "page/report/page_file.hpp"

namespace fond_ladder::cli {
namespace {

struct ReportCall {
  PageCall page;
  std::string output;  // - is standard output
  bool open = false;
};

void require_page_name(const std::string& output) {
  if (output.empty()) throw WrongCall("report: the file is missing; add it, as in -o console.html");
  const std::string ending = std::filesystem::path(output).extension().string();
  if (output != "-" && ending != ".html" && ending != ".htm") {
    throw WrongCall(fmt::format("-o {}: expected a name that ends in .html; draw makes pictures", output));
  }
}

ExitStatus report(const ReportCall& call, const Streams& streams) {
  require_page_name(call.output);
  if (call.open && call.output == "-") throw WrongCall("--open: standard output cannot be opened; name a file with -o");
  const std::string page = page::page_without_scene();
  if (call.output != "-") add_target(streams, "-o", call.output);
  const std::string html = page_of(page, call.page, read_page_scene(call.page, streams));
  if (call.output == "-") {
    streams.out.write(html.data(), static_cast<std::streamsize>(html.size()));
    return all_well;
  }
  write_target(streams, call.output, html);
  constexpr std::size_t bytes_a_kilobyte = 1000;
  fmt::print(streams.out, "{}: {} kB, one file; open it in a browser and drag its edges\n", printable(call.output),
             html.size() / bytes_a_kilobyte);
  if (call.open) open_in_browser(std::filesystem::absolute(call.output).string(), streams.err);
  return all_well;
}

}  // namespace

Command report_command() {
  CommandOf<ReportCall> command("report", "Write an interactive report as one HTML file");
  ReportCall& call = command.call();
  Options& options = command.options();
  add_page(options, call.page);
  options.text("-o,--output", "FILE", call.output, "Write to an .html file; - is standard output");
  options.flag("--open", call.open, "Also open it in the browser");
  return command.does(report);
}

}  // namespace fond_ladder::cli
