// SPDX-License-Identifier: MIT
#pragma once

// The version of the library, and the mark of its public symbols.

// The version of these headers. CMakeLists.txt reads it from here. The inline namespace (fond_ladder::v0) is part of
// the linked names, so that two versions in one program cannot be confused; it
// changes with the major version.
#define FOND_LADDER_VERSION_MAJOR 0
#define FOND_LADDER_VERSION_MINOR 2
#define FOND_LADDER_VERSION_PATCH 0
#define FOND_LADDER_VERSION "0.2.0"

/// Marks what a shared library exports; everything else is hidden.
#define FOND_LADDER_API [[gnu::visibility("default")]]
