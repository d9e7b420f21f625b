// SPDX-License-Identifier: MIT
//
// The program as its users drive it: as a process where processes matter, else through `run`.
#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <regex>
#include <sstream>

#include "calls/progress.hpp"
#include "calls/refusal.hpp"
#include "cli/commands.hpp"
#include "fond_ladder/version.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"

namespace fond_ladder {
namespace {

const std::string examples = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/";
const std::string console = examples + "console.scene.json";
const std::string quickstart = examples + "quickstart.scene.json";

using testing::Result;
using testing::run;
using testing::run_process;
using testing::temporary;

TEST(Cli, MeasuresAsATable) {
  const Result result = run_process("measure " + console + " --at 1280x800 --at phone");
  EXPECT_EQ(result.status, 0);
  testing::expect_golden("measure.txt", result.out);
  std::istringstream lines(run({"measure", console, "--at", "1280x800", "--at", "phone", "--at", "0x0"}).out);
  for (std::string line; std::getline(lines, line);) EXPECT_LE(line.size(), 100U) << line;
}

TEST(Cli, MeasuresWithHeightByContent) {
  const Result result = run({"measure", quickstart, "--at", "1280", "--at", "content"});
  testing::expect_golden("measure_by_content.txt", result.out);
}

TEST(Cli, MeasuresAsJson) {
  const Result result = run_process("measure " + quickstart + " --at 1280x800 --format json");
  const auto json = nlohmann::ordered_json::parse(result.out)["answers"][0];
  EXPECT_EQ(json["title"], "North house console");
  EXPECT_EQ(json["file"], quickstart);
  EXPECT_EQ(json["at"].dump(), R"({"width":1280,"height":800})");
  EXPECT_EQ(json["nodes"][1].dump(),
            R"({"path":"console/bar","kind":"row","x":16,"y":16,"width":1248,"height":48,)"
            R"("preferred":{"width":209.6,"height":48},"parent_share":{"width":1,"height":0.0625}})");
  const auto both = nlohmann::json::parse(
      run({"measure", quickstart, "--at", "300x100", "--at", "1280x800", "--format", "json"}).out)["answers"];
  ASSERT_EQ(both.size(), 2U);
  EXPECT_EQ(both[0]["nodes"][6]["overhang"].dump(), R"({"right":308})");
  EXPECT_EQ(both[1], nlohmann::json::parse(result.out)["answers"][0]);
  const std::string untitled = R"({"format":2,"root":{"kind":"row","name":"r"}})";
  EXPECT_NE(run({"measure", "-", "--format", "json"}, untitled).out.find(R"("title": "r", "file": "-")"),
            std::string::npos);
}

TEST(Cli, WritesNumbersInTheirShortestRoundTripForm) {
  const std::string scene =
      R"({"format":2,"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1},)"
      R"({"kind":"box","name":"b","weight":2}]}})";
  const std::string out = run({"measure", "-", "--at", "100x10", "--format", "json"}, scene).out;
  EXPECT_NE(out.find("\"width\": 33.333333333333336,"), std::string::npos) << out;
}

TEST(Cli, MeasuresAsCsv) {
  testing::expect_golden("measure.csv", run_process("measure " + quickstart + " --at 300x400 --format csv").out);
}

TEST(Cli, ShowsNodesUnderAPointOrdersAndOutline) {
  testing::expect_golden(
      "measure_hit.txt",
      run({"measure", console, "--at", "1280x800", "--hit", "1200,590", "--hit", "5,5", "--hit", "2000,5"}).out);
  testing::expect_golden("measure_orders.txt", run({"measure", console, "--at", "1280x800", "--orders"}).out);
  testing::expect_golden("measure_tree.txt", run({"measure", console, "--at", "1280x800", "--tree"}).out);
}

TEST(Cli, SnapsToDevicePixels) {
  const auto json = nlohmann::json::parse(
      run({"measure", console, "--at", "1001x777", "--snap", "2", "--format", "json"}).out)["answers"][0];
  for (const auto& node : json["nodes"]) {
    for (const char* key : {"x", "y", "width", "height"}) {
      const double pixels = node[key].get<double>() * 2;
      EXPECT_EQ(pixels, std::round(pixels)) << node;
    }
  }
}

TEST(Cli, TellsTimingAndVisits) {
  const std::string out = run({"measure", console, "--at", "1280x800", "--timing"}).out;
  EXPECT_NE(out.find("solved 35 nodes in"), std::string::npos);
  EXPECT_NE(out.find("widths up          35        0"), std::string::npos) << out;
}

TEST(Cli, Sweeps) {
  const std::vector<std::string> words{
      "sweep", console, "--width", "360..1440", "--sizes", "360,640,1024,1440", "--show", "beds.width,map.width"};
  testing::expect_golden("sweep.txt", run(words).out);
  auto with = [&](const char* format) {
    auto all = words;
    all.insert(all.end(), {"--format", format});
    return run(all).out;
  };
  EXPECT_TRUE(with("csv").starts_with("width,height,beds.width,map.width\n360,800,328,328\n")) << with("csv");
  const auto json = nlohmann::json::parse(with("json"))["answers"][0];
  EXPECT_EQ(json["axis"], "width");
  EXPECT_EQ(json["sizes"][1]["values"]["beds.width"], 240);
  EXPECT_EQ(
      json["breakpoints"][0].dump(),
      R"({"after":240,"at":640,"before":608,"includes_at":true,"kind":"jump","quantity":"beds.width","slope_after":0,)"
      R"("slope_before":1,"why":"`narrow` ends"})");
}

TEST(Cli, SweepsOfEverythingSumUpAndOtherWaysToSweep) {
  testing::expect_golden("sweep_all.txt", run_process("sweep " + console).out);
  const std::string closed = run({"sweep", console, "--mode", "closed"}).out;
  EXPECT_NE(closed.find("`closed` is on"), std::string::npos) << closed;
  EXPECT_NE(run({"sweep", console, "--height", "300..900", "--show", "map.height"})
                .out.find("from 300 to 900 high, 1440 wide"),
            std::string::npos);
  const std::string alone =
      run({"sweep", console, "--as-root", "cards", "--width", "200..400", "--show", "*/oak.width"}).out;
  EXPECT_NE(alone.find("from 200 to 400 wide"), std::string::npos) << alone;
  EXPECT_NE(alone.find("58.67"), std::string::npos) << alone;
  const std::string csv = run({"sweep", console, "--width", "400..410", "--show", "map.width", "--format", "csv"}).out;
  EXPECT_EQ(std::count(csv.begin(), csv.end(), '\n'), 12);
  const std::string flat = run({"sweep", console, "--width", "700..750", "--show", "beds.width"}).out;
  EXPECT_NE(flat.find("no breakpoints: every quantity changes linearly"), std::string::npos) << flat;
}

/// Only where it was so: other faults of the system speak for themselves.
TEST(Cli, MemoryAndThreadsThatThereWereNotAreTold) {
  const auto answer = [](std::errc fault) { return calls::message_of(std::system_error(std::make_error_code(fault))); };
  EXPECT_TRUE(calls::message_of(std::bad_alloc()).starts_with("out of memory"));
  EXPECT_TRUE(answer(std::errc::resource_unavailable_try_again).starts_with("the system allows no more threads"));
  EXPECT_EQ(answer(std::errc::permission_denied), "Permission denied");
}

/// Digits behind a sign that goes by its number were read as a part of that number.
TEST(Cli, ThePlotSaysNamesWithDigitsBehindSigns) {
  if (run_process("x", "gnuplot --version >/dev/null 2>&1 #").status != 0) GTEST_SKIP() << "gnuplot is not here";
  const std::string file = ::testing::TempDir() + "fond_ladder_copies.svg";
  const std::string title = "=1+1, 3 (2)]]>",
                    scene = R"({"format": 2, "title": ")" + title + R"(", "ladder": {"width": [100, 110]},
    "root": {"kind": "row", "children": [{"kind": "box", "name": "tag", "grow": 1, "copies": 3}]}})";
  EXPECT_EQ(run({"sweep", "-", "--show", "tag[2].width", "--plot", file}, scene).status, 0);
  const std::string svg = testing::file_text(file);
  EXPECT_NE(svg.find("=1+1, 3 (2)]]&gt;"), std::string::npos);
  EXPECT_NE(svg.find("tag[2].width"), std::string::npos);
  std::remove(file.c_str());
}

TEST(Cli, PlotsByAProgramThatIsLookedForWhenItIsNeeded) {
  const std::string file = temporary("curves.svg", "");
  std::filesystem::remove(file);
  const std::string call = "sweep " + quickstart + " --show map.width --plot " + file;
  const Result missing = run_process(call, std::string("PATH=/nowhere ") + FOND_LADDER_PROGRAM);
  EXPECT_EQ(missing.status, 2);
  EXPECT_EQ(
      missing.out,
      "fond-ladder: error: plots need the program gnuplot, which was not found; install it (Debian: gnuplot-nox)\n");
  EXPECT_FALSE(std::filesystem::exists(file));
  ASSERT_EQ(run_process(call).status, 0);
  const std::string svg = testing::file_text(file);
  EXPECT_TRUE(svg.starts_with("<?xml")) << svg.substr(0, 100);
  EXPECT_NE(svg.find("map.width"), std::string::npos);
  EXPECT_EQ(run({"sweep", quickstart, "--plot", "x.jpg"}).err,
            "fond-ladder: error: --plot x.jpg: expected a name that ends in .svg, .png or .pdf\n");
}

TEST(Cli, ReadsTheSceneFromStandardInput) {
  const Result result = run_process("measure - --at 300x100 < " + quickstart);
  EXPECT_EQ(result.status, 0);
  EXPECT_NE(result.out.find("North house console at 300 x 100"), std::string::npos);
}

TEST(Cli, DemoRunsFromAnyFolder) {
  const Result result = run_process("demo");
  EXPECT_EQ(result.status, 0);
  EXPECT_NE(result.out.find("North house console at 1280 x 800"), std::string::npos);
  EXPECT_NE(result.out.find("notes.width"), std::string::npos);
}

struct WrongCase {
  std::vector<std::string> words;
  std::string message;
};

TEST(Cli, AWidthAloneMeansTheLaddersHeight) {
  const auto head = [](const std::string& file, const char* at) {
    const std::string out = run({"measure", file, "--at", at}).out;
    return out.substr(0, out.find(':'));
  };
  EXPECT_EQ(head(quickstart, "1280"), "North house console at 1280 x 800");
  EXPECT_EQ(head(quickstart, "1280xcontent"), "North house console at 1280 x 92 (height by content)");
  const std::string without = temporary("no_height.scene.json", R"({"format":2,"root":{"kind":"row","name":"r"}})");
  EXPECT_EQ(head(without, "50"), "r at 50 x 0 (height by content)");
}

TEST(Cli, RefusesWrongCallsWithOneLineAndStatus2) {
  const WrongCase cases[] = {
      {{},
       "name a command: measure, sweep, explain, check, lint, map, compare, draw, report, preview, tidy, new, schema, "
       "fonts, "
       "demo or completion; see --help"},
      {{"hlep", "measure"}, "\"hlep\" is not a command; did you mean \"help\"?"},
      {{"help", "meassure"}, "\"meassure\" is not a command; did you mean \"measure\"?"},
      {{"help", "measure", "sweep"}, "help: expected one command"},
      {{"completion", "csh"}, "completion csh: expected bash, zsh or fish"},
      {{"check", console, "--format", "csv"}, "--format csv: expected table or json"},
      {{"meassure", console}, "\"meassure\" is not a command; did you mean \"measure\"?"},
      {{"measure"}, "measure: SCENE is required"},
      {{"measure", console, "--fromat", "json"},
       "\"--fromat\" is not an option of measure; did you mean \"--format\"?"},
      {{"measure", console, "--format", "xml"}, "--format xml: expected table, json or csv"},
      {{"measure", console, "--at", "phon"}, "did you mean \"phone\"?"},
      {{"measure", console, "--at", "12x"},
       "--at 12x: expected a size as 1280x800, 1280, 1280xcontent or content, or a named size"},
      {{"measure", console, "--at", "-3x5"}, "--at -3x5: expected a size"},
      {{"measure", console, "--at", "12xcontents"}, "--at 12xcontents: expected a size"},
      {{"measure", console, "--hit", "nan,nan"}, "--hit nan,nan: expected X,Y in pixels, as in 120,40"},
      {{"measure", console, "--hit", "3,inf"}, "--hit 3,inf: expected X,Y in pixels"},
      {{"sweep", console, "--sizes", ",,,"}, "--sizes ,,,: expected sizes in pixels, as in 360,640,1024"},
      {{"sweep", console, "--show", ","}, "--show ,: expected quantities, as in console.width"},
      {{"measure", console, "--snap", "0"}, "--snap 0: expected a density above 0"},
      {{"measure", console, "--hit", "3"}, "--hit 3: expected X,Y in pixels"},
      {{"measure", console, "--orders", "--tree"}, "are separate views; use one of them"},
      {{"sweep", console, "--show", "bed.width"}, "\"bed\" is not a node; did you mean \"beds\""},
      {{"sweep", console, "--show", "beds.widht"}, "\"widht\" is not a measure; did you mean \"width\""},
      {{"sweep", console, "--show", "beds"}, "\"beds\" is not a quantity"},
      {{"sweep", console, "--show", "about.width"}, "names 3 nodes"},
      {{"sweep", console, "--show", "beds.width", "--width", "9..2"}, "the larger size comes last; write 2..9"},
      {{"sweep", console, "--show", "beds.width", "--sizes", "3,x"}, "\"x\""},
      {{"sweep", console, "--show", "beds.width", "--sizes", "3"}, "3 is not between 360 and 1440"},
      {{"report", console}, "report: the file is missing; add it, as in -o console.html"},
      {{"report", console, "-o", "console.png"},
       "-o console.png: expected a name that ends in .html; draw makes pictures"},
      {{"report", console, "-o", "-", "--open"}, "--open: standard output cannot be opened; name a file"},
      {{"preview", "-"}, "preview -: expected a file; standard input cannot be followed"},
      {{"preview", console, "--port", "http"}, "--port http: expected a whole number from 1 to 65535"},
      {{"preview", console, "--port", "65536"}, "--port 65536: expected a whole number"},
      // The program of these tests has no page beside it.
      {{"report", console, "-o", "x.html"}, "this build has no page; install what it needs (scripts/setup page"},
      {{"preview", console}, "this build has no page"},
      {{"measure", "/no/such.scene.json"}, "/no/such.scene.json: error: there is no such file"},
      {{"explain", "beds", console}, "the scene comes first; write explain " + console + " beds"},
      {{console, "measure", "--at", "300"}, "the command comes first, as in measure " + console},
      {{"measure", console, "--width", "640"}, "set the size with --at, as in --at 640x480"},
      {{"measure", console, "--height=640"}, "set the size with --at, as in --at 640x480"},
      {{"measure", console, "--at", "mobile"}, "; named sizes: phone, tablet, desk\n"},
      {{"measure", examples + "zzzz"}, "there is no such file"},
      {{"measure", console.substr(0, console.find(".scene.json"))},
       "there is no such file; did you mean \"" + console + "\"?"},
      {{"check", console, "--claim", "apart(map, bed)"}, "\"bed\" is not a node; did you mean \"beds\"?"},
      {{"measure", "/tmp"}, "/tmp: error: this is a directory; name a scene file"},
  };
  for (const WrongCase& one : cases) {
    const Result result = run(one.words);
    EXPECT_EQ(result.status, 2) << one.message;
    EXPECT_EQ(result.out, "") << one.message;
    EXPECT_NE(result.err.find(one.message), std::string::npos) << result.err;
    EXPECT_EQ(std::count(result.err.begin(), result.err.end(), '\n'), 1) << result.err;
  }
}

TEST(Cli, IsToldOfLimitsOnlyBehindHelp) {
  EXPECT_EQ(run({"limit"}).err, "fond-ladder: error: \"limit\" is not a command\n");
  EXPECT_EQ(run({"help", "limit"}).err, "fond-ladder: error: \"limit\" is not a command; did you mean \"limits\"?\n");
  EXPECT_EQ(run({"help", "limits"}).status, 0);
}

TEST(Cli, RefusesFilesThatAreNoScenesWithOneLine) {
  const std::string noise(
      "\x7f"
      "ELF\0\xff\xfe\x01 noise",
      14);
  std::string large(50'000'000, ' ');
  const std::pair<std::string, const char*> files[] = {
      {temporary("empty.json", ""), "this file is empty"},
      {temporary("blank.json", " \n\t"), "this file is empty"},
      {temporary("noise.json", noise), "JSON has no NUL character; remove it"},
      {temporary("large.json", large), "larger than 40 MiB"},
      {temporary("broken.json", "{\"format\": 2,\n \"root\": {\"kind\": }}"),
       "broken.json:2:19: error: a value is missing before this"},
  };
  for (const auto& [path, message] : files) {
    const Result result = run_process("measure " + path);
    EXPECT_EQ(result.status, 2) << path;
    EXPECT_NE(result.out.find(message), std::string::npos) << result.out;
    EXPECT_EQ(std::count(result.out.begin(), result.out.end(), '\n'), 1) << result.out;
  }
}

TEST(Cli, HelpsOnEveryCommandAndTellsItsVersion) {
  for (const cli::Command& command : cli::all_commands()) {
    const Result result = run({command.name, "--help"});
    EXPECT_EQ(result.status, 0);
    EXPECT_NE(result.out.find("Usage: fond-ladder " + command.name), std::string::npos);
    EXPECT_EQ(run({"help", command.name}).out, result.out);
    EXPECT_NE(run({"help"}).out.find("\n  " + command.name + " "), std::string::npos);
    const bool says_csv = result.out.find("csv") != std::string::npos;
    EXPECT_EQ(says_csv, command.name == "measure" || command.name == "sweep") << "only where there is one";
  }
  EXPECT_EQ(run({"--version"}).out, "fond-ladder " FOND_LADDER_VERSION "\n");
}

TEST(Cli, CompletesWhatEveryCommandTakes) {
  const std::string script = temporary("completion.bash", run({"completion", "bash"}).out);
  const auto completed = [&](const std::string& words, int at) {
    const std::string call = "bash -c 'source " + script + "; COMP_WORDS=(fond-ladder " + words +
                             "); COMP_CWORD=" + std::to_string(at) + "; _fond_ladder; echo ${COMPREPLY[@]}'";
    return run_process("", call + " #").out;
  };
  EXPECT_EQ(completed("sw", 1), "sweep\n");
  EXPECT_EQ(completed("help li", 2), "lint\n");
  EXPECT_EQ(completed("measure a.json --format \"\"", 4), "table json csv\n");
  EXPECT_EQ(completed("check a.json --format \"\"", 4), "table json\n");
  EXPECT_EQ(completed("completion z", 2), "zsh\n");
  const std::string manual = run_process("", FOND_LADDER_MANUAL).out;
  for (const cli::Command& command : cli::all_commands()) {
    for (const cli::Option& option : command.options.all()) {
      const std::string name = option.name.substr(option.name.rfind(',') + 1);
      EXPECT_NE(manual.find(std::regex_replace(name, std::regex("-"), "\\-")), std::string::npos) << name;
      if (option.is_argument()) continue;
      EXPECT_NE(completed(command.name + " " + name, 2).find(name), std::string::npos) << command.name << name;
      for (const char* shell : {"zsh", "fish"}) {
        const std::string all = run({"completion", shell}).out, value = shell[0] == 'z' ? name : "-l " + name.substr(2);
        EXPECT_NE(all.find(value), std::string::npos) << shell << name;
      }
    }
  }
}

TEST(Cli, SaysWhenTheResultCannotBeWritten) {
  const Result result = run_process("measure " + console + " > /dev/full");
  EXPECT_EQ(result.status, 2);
}

TEST(Cli, PaintsOnATerminalAndWhereItIsAskedTo) {
  const std::vector<std::string> broken{"check", quickstart, "--claim", "bar.height = 48", "--claim", "bar.top = 1"};
  const auto with = [&](const std::string& color) {
    std::vector<std::string> args = broken;
    args.insert(args.end(), {"--color", color});
    return args;
  };
  const std::string plain = run(broken).out, painted = run(with("always")).out;
  EXPECT_EQ(plain.find('\x1b'), std::string::npos);
  EXPECT_NE(painted.find("\x1b[32mholds \x1b[0m"), std::string::npos) << painted;
  EXPECT_EQ(std::regex_replace(painted, std::regex("\x1b\\[[0-9;]*m"), ""), plain);
  const cli::Terminal terminal{true, true};
  EXPECT_EQ(run(broken, "", terminal).out, painted);
  EXPECT_EQ(run(with("never"), "", terminal).out, plain);
  setenv("NO_COLOR", "1", 1);
  EXPECT_EQ(run(broken, "", terminal).out, plain);
  EXPECT_EQ(run(with("always")).out, painted);
  unsetenv("NO_COLOR");
  EXPECT_EQ(run({"measure", quickstart, "--format", "json"}, "", terminal).out,
            run({"measure", quickstart, "--format", "json"}).out);
  EXPECT_EQ(run({"mesure"}, "", terminal).err.substr(0, 32), "fond-ladder: \x1b[1m\x1b[31merror:\x1b[0m");
  EXPECT_EQ(run({"--color", "always", "measure", console, "--at", "900"}).out,
            run({"measure", console, "--at", "900", "--color", "always"}).out);
  EXPECT_EQ(run(with("blue")).err, "fond-ladder: error: --color blue: expected auto, always or never\n");
}

TEST(Cli, TellsHowFarItIsOnATerminalOnlyAndAfterAWhile) {
  std::ostringstream terminal;
  std::istringstream in;
  std::ostringstream out, err;
  std::chrono::steady_clock::time_point now{};
  const auto clock = [&] { return now; };
  const auto work = [&](std::ostream* shown) {
    terminal.str("");
    const calls::Streams streams{in, out, err, {}, shown};
    calls::ProgressLine progress(streams, "sweeping", clock);
    progress.tell(0.1);
    now += std::chrono::milliseconds(600);
    progress.tell(0.25);
    progress.tell(0.251);
    progress.tell(0.5);
  };
  work(&terminal);
  EXPECT_EQ(terminal.str(), "\rsweeping: 25 %\rsweeping: 50 %\r\x1b[K") << "and is gone when it ends";
  work(nullptr);
  EXPECT_EQ(terminal.str() + out.str() + err.str(), "");
}

TEST(Cli, AnOptionWithoutAValueIsRefused) {
  EXPECT_EQ(run({"sweep", "x.json", "--show", ""}).err, "fond-ladder: error: sweep: --show: a value is missing\n");
}

}  // namespace
}  // namespace fond_ladder
