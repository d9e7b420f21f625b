# SPDX-License-Identifier: MIT
# The rules for our own targets: language, warnings, and arithmetic that is the same on every machine.

option(BUILD_SHARED_LIBS "Make shared libraries" OFF)
option(FOND_LADDER_WERROR "Treat warnings in our own targets as errors" OFF)
set(FOND_LADDER_SANITIZE "" CACHE STRING "Sanitizers for our own targets, as in address,undefined")

# A library that others link: shared with -DBUILD_SHARED_LIBS=ON. What it shows is marked by FOND_LADDER_API.
function(fond_ladder_library target)
  set_target_properties(${target} PROPERTIES VERSION ${PROJECT_VERSION}
    SOVERSION ${PROJECT_VERSION_MAJOR}.${PROJECT_VERSION_MINOR}
    INSTALL_RPATH "$ORIGIN")  # one of ours finds the others beside itself
  fond_ladder_house(${target})
endfunction()

function(fond_ladder_house target)
  target_compile_features(${target} PUBLIC cxx_std_20)
  # Static libraries that end up in a shared one of somebody else's.
  set_target_properties(${target} PROPERTIES CXX_EXTENSIONS OFF POSITION_INDEPENDENT_CODE ON
    CXX_VISIBILITY_PRESET hidden VISIBILITY_INLINES_HIDDEN ON)
  target_compile_options(${target} PRIVATE
    -Wall -Wextra -Wpedantic -ffp-contract=off -fno-trapping-math -fno-math-errno
    $<$<CXX_COMPILER_ID:GNU>:-Wshadow=local>
    $<$<CXX_COMPILER_ID:GNU>:-Wno-restrict>  # g++ 12 sees overlaps in std::string that are not there
    $<$<CXX_COMPILER_ID:GNU>:-fno-semantic-interposition>
    $<$<BOOL:${FOND_LADDER_WERROR}>:-Werror>)
  if(FOND_LADDER_FUZZ)
    target_compile_options(${target} PRIVATE -fsanitize=fuzzer-no-link)
    target_link_options(${target} PUBLIC -fsanitize=fuzzer-no-link)
  endif()
  if(FOND_LADDER_SANITIZE)
    target_compile_options(${target} PRIVATE -fsanitize=${FOND_LADDER_SANITIZE} -fno-omit-frame-pointer
      -fno-sanitize-recover=all)
    target_link_options(${target} PUBLIC -fsanitize=${FOND_LADDER_SANITIZE})
  endif()
endfunction()
