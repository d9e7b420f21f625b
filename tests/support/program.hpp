// SPDX-License-Identifier: MIT
#pragma once

#include <gtest/gtest.h>
#include <unistd.h>

#include <array>
#include <cstdio>
#include <fstream>
#include <sstream>
#include <string>
#include <vector>

#include "cli/run.hpp"

namespace fond_ladder::testing {

/// How a run of the program ended, and what it printed.
struct Result {
  int status;
  std::string out, err;
};

inline Result run(const std::vector<std::string>& args, const std::string& input = "", cli::Terminal terminal = {}) {
  std::istringstream in(input);
  std::ostringstream out, err;
  const int status = cli::run(args, in, out, err, terminal);
  return {status, out.str(), err.str()};
}

/// Runs the real program through a shell; standard error comes behind standard output.
inline Result run_process(const std::string& words, const std::string& program = FOND_LADDER_PROGRAM) {
  FILE* pipe = popen((program + " " + words + " 2>&1").c_str(), "r");
  Result result{-1, "", ""};
  std::array<char, 4096> buffer{};
  for (std::size_t n = 0; (n = fread(buffer.data(), 1, buffer.size(), pipe)) > 0;) result.out.append(buffer.data(), n);
  const int status = pclose(pipe);
  result.status = WEXITSTATUS(status);
  return result;
}

inline std::string temporary(const std::string& name, const std::string& text) {
  const std::string path = ::testing::TempDir() + "fond_ladder_" + name, made = path + std::to_string(::getpid());
  std::ofstream(made, std::ios::binary) << text;
  std::rename(made.c_str(), path.c_str());  // another test may be reading one of that name
  return path;
}

}  // namespace fond_ladder::testing
