// SPDX-License-Identifier: MIT
//
// Files that the program writes: whole or not at all, whoever else is there.
#include <fcntl.h>
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <filesystem>
#include <map>
#include <thread>

#include "calls/command.hpp"
#include "calls/target_file.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

namespace fs = std::filesystem;
using calls::WrongCall;
using testing::file_text;

void write_target(const std::string& path, std::string_view bytes) {
  std::istringstream in;
  std::ostringstream none;
  calls::write_target({in, none, none}, path, bytes);
}

class TargetFile : public ::testing::Test {
 protected:
  void SetUp() override {
    folder_ = ::testing::TempDir() + "fond_ladder_targets_XXXXXX";
    ASSERT_NE(::mkdtemp(folder_.data()), nullptr);
    folder_ += "/";
  }
  void TearDown() override { fs::remove_all(folder_); }
  [[nodiscard]] std::string at(const std::string& name) const { return folder_ + name; }
  void put(const std::string& name, const std::string& text) const { std::ofstream(at(name)) << text; }
  [[nodiscard]] std::ptrdiff_t files() const { return std::distance(fs::directory_iterator(folder_), {}); }

  std::string folder_;
};

mode_t mode_of(const std::string& path) {
  struct stat status {};
  EXPECT_EQ(::stat(path.c_str(), &status), 0);
  return status.st_mode & 07777;
}

TEST_F(TargetFile, LeavesAUsersOwnFilesBesideItAlone) {
  put("a.svg.part", "mine");
  fs::create_symlink(at("a.svg.part"), at("b.svg.part"));
  write_target(at("a.svg"), "new");
  write_target(at("b.svg"), "new");
  EXPECT_EQ(file_text(at("a.svg.part")), "mine");
  EXPECT_EQ(file_text(at("a.svg")), "new");
  EXPECT_FALSE(fs::is_symlink(at("b.svg")));
  EXPECT_EQ(files(), 4);
}

TEST_F(TargetFile, KeepsTheModeOfTheTargetAndGivesNewOnesTheUsers) {
  put("old", "old");
  ::chmod(at("old").c_str(), 0640);
  write_target(at("old"), "new");
  EXPECT_EQ(mode_of(at("old")), 0640U);
  const mode_t before = ::umask(027);
  write_target(at("new"), "new");
  ::umask(before);
  EXPECT_EQ(mode_of(at("new")), 0640U);
}

TEST_F(TargetFile, FollowsLinksAlsoToWhatIsNotThereYet) {
  fs::create_directory(at("inner"));
  put("inner/there", "old");
  fs::create_symlink("inner/there", at("link"));
  fs::create_symlink("link", at("link to it"));
  fs::create_symlink("inner/not yet", at("dangling"));
  fs::create_symlink("circle", at("circle"));
  write_target(at("link to it"), "new");
  write_target(at("dangling"), "new");
  EXPECT_EQ(file_text(at("inner/there")), "new");
  EXPECT_EQ(file_text(at("inner/not yet")), "new");
  for (const char* link : {"link", "link to it", "dangling"}) EXPECT_TRUE(fs::is_symlink(at(link))) << link;
  EXPECT_THROW(write_target(at("circle"), "new"), WrongCall);
}

TEST_F(TargetFile, ReplacesNothingThatMayNotBeWritten) {
  put("locked", "old");
  ::chmod(at("locked").c_str(), 0444);
  EXPECT_THROW(write_target(at("locked"), "new"), WrongCall);
  EXPECT_EQ(file_text(at("locked")), "old");
  EXPECT_EQ(files(), 1);
}

TEST_F(TargetFile, IsNothingThatTheCallReadsAndNoOtherResult) {
  put("kit.json", R"({"format": 2, "parts": {"bed": {"kind": "box", "width": 5}}})");
  fs::copy_file("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf", at("words.svg"));
  put("s.json", R"({"format": 2, "uses": ["kit.json"], "fonts": {"body": {"file": "words.svg"}},
    "claims": ["r.width > 0"], "root": {"kind": "row", "name": "r", "children": [{"part": "bed"}]}})");
  put("other.json", R"({"format": 2, "claims": ["r.width > 0"], "root": {"kind": "row", "name": "r"}})");
  fs::create_hard_link(at("s.json"), at("hard.svg"));
  fs::create_symlink("kit.json", at("soft.svg"));
  const struct {
    std::vector<std::string> words;
    const char *to, *what;
  } cases[] = {
      {{"draw", "s.json", "--as", "svg", "-o"}, "s.json", "the scene"},
      {{"draw", "s.json", "-o"}, "hard.svg", "the scene"},
      {{"draw", "s.json", "-o"}, "soft.svg", "a file that the scene uses"},
      {{"draw", "s.json", "-o"}, "words.svg", "a font of the scene"},
      {{"map", "s.json", "-o"}, "hard.svg", "the scene"},
      {{"sweep", "s.json", "--plot"}, "soft.svg", "a file that the scene uses"},
      {{"check", "s.json", "--junit"}, "kit.json", "a file that the scene uses"},
      {{"check", "s.json", "other.json", "--sarif"}, "other.json", "the scene"},
      {{"check", "other.json", "s.json", "--sarif"}, "words.svg", "a font of the scene"},
      {{"lint", "other.json", "s.json", "--sarif"}, "kit.json", "a file that the scene uses"},
      {{"tidy", "s.json", "-o"}, "kit.json", "a file that the scene uses"},
      {{"check", "other.json", "--junit", "new", "--sarif"}, "./new", "writes to that file"},
  };
  std::map<std::string, std::string> before;
  for (const auto& file : fs::directory_iterator(folder_)) before[file.path()] = file_text(file.path());
  for (const auto& [words, to, what] : cases) {
    std::vector<std::string> call;
    for (const std::string& word : words) call.push_back(word == "new" || word.ends_with(".json") ? at(word) : word);
    call.push_back(at(to));
    const testing::Result result = testing::run(call);
    EXPECT_EQ(result.status, 2) << to << " " << result.out;
    EXPECT_THAT(result.err, ::testing::HasSubstr(what));
  }
  for (const auto& file : fs::directory_iterator(folder_)) EXPECT_EQ(before[file.path()], file_text(file.path()));
  EXPECT_EQ(testing::run({"tidy", at("s.json"), "-o", at("s.json")}).status, 0) << "but its own scene";
  EXPECT_NE(file_text(at("s.json")), before[at("s.json")]);
}

TEST_F(TargetFile, IsWholeHoweverManyWriteIt) {
  constexpr std::size_t size = 200000;
  const auto text_of = [](char writer) { return std::string(size, writer); };
  write_target(at("shared"), text_of('0'));
  // Processes part before there is a second thread, which may hold the memory's lock just then; they wait for it here.
  int starts[2];
  ASSERT_EQ(::pipe(starts), 0);
  std::vector<pid_t> writers;
  for (const char writer : {'1', '2', '3'}) {
    const pid_t process = ::fork();
    if (process == 0) {
      ::close(starts[1]);
      char started = 0;
      int failed = ::read(starts[0], &started, 1) == 0 ? 0 : 1;
      for (int i = 0; i < 60; ++i) {
        try {
          write_target(at("shared"), text_of(writer));
        } catch (const WrongCall&) {
          failed = 1;
        }
      }
      ::_exit(failed);
    }
    writers.push_back(process);
  }
  std::atomic<bool> ended{false};
  std::vector<std::string> wrong;
  std::thread reader([&] {
    while (!ended) {
      const std::string seen = file_text(at("shared"));
      if (seen.size() != size || seen != std::string(size, seen[0])) wrong.push_back(std::to_string(seen.size()));
    }
  });
  ::close(starts[1]);
  ::close(starts[0]);
  for (const pid_t writer : writers) {
    int status = 1;
    ::waitpid(writer, &status, 0);
    EXPECT_EQ(status, 0);
  }
  ended = true;
  reader.join();
  EXPECT_THAT(wrong, ::testing::IsEmpty());
  EXPECT_EQ(files(), 1);
}

/// Starts the program on a scene that comes by a pipe, so that it can be stopped at a known place.
struct Started {
  pid_t process;
  int input, errors;
};

Started start(const std::vector<std::string>& words) {
  int in[2], err[2];
  EXPECT_EQ(::pipe(in), 0);
  EXPECT_EQ(::pipe(err), 0);
  const pid_t process = ::fork();
  if (process == 0) {
    ::dup2(in[0], 0);
    ::dup2(::open("/dev/null", O_WRONLY), 1);
    ::dup2(err[1], 2);
    for (const int open : {in[0], in[1], err[0], err[1]}) ::close(open);
    std::vector<char*> arguments{const_cast<char*>(FOND_LADDER_PROGRAM)};
    for (const std::string& word : words) arguments.push_back(const_cast<char*>(word.c_str()));
    arguments.push_back(nullptr);
    ::execv(FOND_LADDER_PROGRAM, arguments.data());
    ::_exit(127);
  }
  ::close(in[0]);
  ::close(err[1]);
  return {process, in[1], err[0]};
}

TEST_F(TargetFile, ASignalLeavesNothingBehindAndSaysInterrupted) {
  const std::string scene = file_text(std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json");
  for (const int signal : {SIGINT, SIGTERM}) {
    ::signal(signal, SIG_DFL);  // a shell that starts the tests in its background ignores one of them
    // A plotting program that never ends holds it in the middle of its work.
    fs::create_directories(at("bin"));
    std::ofstream(at("bin/gnuplot")) << "#!/bin/sh\n[ \"$2\" = --version ] && echo gnuplot 5 && exit 0\n: > '"
                                     << at("begun") << "'\nexec sleep 5\n";
    ::chmod(at("bin/gnuplot").c_str(), 0755);
    const std::string path = std::getenv("PATH");
    ::setenv("PATH", (at("bin") + ":" + path).c_str(), 1);
    const Started started = start({"sweep", "-", "--show", "map.width", "--plot", at("curves.svg")});
    ::setenv("PATH", path.c_str(), 1);
    EXPECT_EQ(::write(started.input, scene.data(), scene.size()), static_cast<ssize_t>(scene.size()));
    ::close(started.input);
    for (int i = 0; i < 3000 && !fs::exists(at("begun")); ++i)
      std::this_thread::sleep_for(std::chrono::milliseconds(10));
    ::kill(started.process, signal);
    int status = 0;
    ::waitpid(started.process, &status, 0);
    EXPECT_TRUE(WIFSIGNALED(status) && WTERMSIG(status) == signal);
    std::string errors(1000, '\0');
    errors.resize(static_cast<std::size_t>(std::max<ssize_t>(0, ::read(started.errors, errors.data(), errors.size()))));
    ::close(started.errors);
    EXPECT_EQ(errors, "fond-ladder: interrupted\n");
    fs::remove(at("begun"));
    EXPECT_EQ(files(), 1) << "the tool and nothing else";
  }
}

TEST_F(TargetFile, WheneverItIsStoppedNoPartIsLeft) {
  std::string scene = R"({"format":2,"root":{"kind":"row","children":[{"kind":"box"})";
  for (int i = 0; i < 20000; ++i) scene += R"(,{"kind":"box"})";
  scene += "]}}";
  std::size_t whole = 0;
  for (int delay = 0; delay < 40; ++delay) {
    const Started started = start({"tidy", "-", "-o", at("tidy.json")});
    EXPECT_EQ(::write(started.input, scene.data(), scene.size()), static_cast<ssize_t>(scene.size()));
    ::close(started.input);
    ::close(started.errors);
    std::this_thread::sleep_for(std::chrono::milliseconds(delay * 3));
    ::kill(started.process, SIGTERM);
    int status = 0;
    ::waitpid(started.process, &status, 0);
    if (fs::exists(at("tidy.json"))) {
      const std::size_t size = file_text(at("tidy.json")).size();
      if (whole == 0) whole = size;
      EXPECT_EQ(size, whole);
    }
    EXPECT_LE(files(), whole > 0 ? 1 : 0) << delay;
    fs::remove(at("tidy.json"));
  }
}

TEST_F(TargetFile, StandardInputThatCannotBeReadIsToldSo) {
  for (const char* source : {"<&-", "</tmp"}) {
    const auto result = testing::run_process(std::string("measure - ") + source);
    EXPECT_EQ(result.status, 2);
    EXPECT_EQ(
        result.out,
        "standard input: error: it cannot be read: it is closed, or a folder; pipe a scene into it, or name a file\n");
  }
}

}  // namespace
}  // namespace fond_ladder
