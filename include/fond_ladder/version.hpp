// SPDX-License-Identifier: MIT
#pragma once

// The version of the library, and what marks its symbols.

// The version of these headers. CMakeLists.txt reads it from here. The inline namespace (fond_ladder::v0) takes part in
// the names that programs are linked by, so that two versions in one program cannot be mistaken for each other; it
// changes with the major version.
#define FOND_LADDER_VERSION_MAJOR 0
#define FOND_LADDER_VERSION_MINOR 2
#define FOND_LADDER_VERSION_PATCH 0
#define FOND_LADDER_VERSION "0.2.0"

/// What a shared library of ours shows; everything else is hidden in it.
#define FOND_LADDER_API [[gnu::visibility("default")]]
