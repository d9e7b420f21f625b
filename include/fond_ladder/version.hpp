// SPDX-License-Identifier: MIT
#pragma once

// The version of these headers. CMakeLists.txt reads it from here.
#define FOND_LADDER_VERSION_MAJOR 0
#define FOND_LADDER_VERSION_MINOR 2
#define FOND_LADDER_VERSION_PATCH 0
#define FOND_LADDER_VERSION "0.2.0"
