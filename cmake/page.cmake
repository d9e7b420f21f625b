# SPDX-License-Identifier: MIT
# The page that `report` writes and `preview` serves: the sources of the engine compiled to WebAssembly, and the page's
# own script, joined into one HTML file without a scene (src/page/join_page says how). Made where what it needs is
# installed; the program finds it beside itself, or where it is installed.

set(fond_ladder_makes_page NO)
if(NOT FOND_LADDER_PAGE OR NOT FOND_LADDER_PROGRAM)
  return()
endif()

# Any clang from 20 up whose standard library for WebAssembly is there; the newest one.
set(fond_ladder_wasm_flags --target=wasm32-wasi -Wno-deprecated -fwasm-exceptions)
if(NOT FOND_LADDER_WASM_CLANG)
  foreach(version RANGE 40 20 -1)
    find_program(clang_${version} clang++-${version})
    mark_as_advanced(clang_${version})
    if(NOT clang_${version})
      continue()
    endif()
    file(WRITE ${PROJECT_BINARY_DIR}/page/probe.cpp
      "#include <charconv>\n#include <ranges>\n#include <string>\nint main() { return std::string().empty() ? 0 : 1; }\n")
    execute_process(COMMAND ${clang_${version}} ${fond_ladder_wasm_flags} -std=c++20 probe.cpp -mexec-model=reactor -o probe.wasm
      WORKING_DIRECTORY ${PROJECT_BINARY_DIR}/page RESULT_VARIABLE fault OUTPUT_QUIET ERROR_QUIET)
    if(fault EQUAL 0)
      set(FOND_LADDER_WASM_CLANG ${clang_${version}} CACHE FILEPATH "A clang++ that compiles to WebAssembly")
      break()
    endif()
  endforeach()
endif()
find_program(FOND_LADDER_ESBUILD esbuild)
find_program(FOND_LADDER_ZOPFLI zopfli)
find_program(FOND_LADDER_WASM_OPT wasm-opt)
find_file(FOND_LADDER_CHART chart.esm.js PATHS /usr/share/javascript/chart.js NO_DEFAULT_PATH)
if(NOT FOND_LADDER_WASM_CLANG OR NOT FOND_LADDER_ESBUILD OR NOT FOND_LADDER_ZOPFLI OR NOT FOND_LADDER_WASM_OPT
    OR NOT FOND_LADDER_CHART)
  message(STATUS "The page is left out: scripts/setup page installs what it needs")
  return()
endif()
set(fond_ladder_makes_page YES)

set(page ${PROJECT_BINARY_DIR}/page)
set(src ${PROJECT_SOURCE_DIR}/src)

# What utf8proc knows of characters, as a table.
add_executable(fond_ladder_character_runs EXCLUDE_FROM_ALL ${src}/page/engine/stand_in/character_runs.cpp)
target_link_libraries(fond_ladder_character_runs PRIVATE PkgConfig::utf8proc)
add_custom_command(OUTPUT ${page}/character_runs.inc
  COMMAND fond_ladder_character_runs > ${page}/character_runs.inc DEPENDS fond_ladder_character_runs VERBATIM)

# One unit a floor, as small as can be: its sources, but for those that have a stand-in.
set(fond_ladder_engine_objects)
function(fond_ladder_engine_unit floor)
  set(unit ${page}/${floor}.cpp)
  set(text "")
  foreach(source ${ARGN})
    string(APPEND text "#include \"${src}/${source}\"\n")
  endforeach()
  file(CONFIGURE OUTPUT ${unit} CONTENT "${text}" @ONLY)
  # Joined at link time, but for the run time of exceptions, whose tag the linker must find in an object, and what stands
  # in the place of functions of the library.
  set(joined -flto)
  if(floor STREQUAL "exceptions" OR floor STREQUAL "streams")
    set(joined "")
  endif()
  add_custom_command(OUTPUT ${page}/${floor}.o
    COMMAND ${FOND_LADDER_WASM_CLANG} ${fond_ladder_wasm_flags} -std=c++20 -Oz ${joined} -DNDEBUG -DFMT_HEADER_ONLY -DFOND_LADDER_SMALL
            -ffp-contract=off -fno-trapping-math -fno-math-errno -ffunction-sections -fdata-sections -fvisibility=hidden
            -I${src}/page/engine/stand_in -I${page} -I${src} -I${PROJECT_SOURCE_DIR}/include -idirafter /usr/include
            -MD -MF ${page}/${floor}.d -c ${unit} -o ${page}/${floor}.o
    DEPENDS ${unit} ${page}/character_runs.inc DEPFILE ${page}/${floor}.d VERBATIM
    COMMENT "Compiling ${floor} for the page")
  set(fond_ladder_engine_objects ${fond_ladder_engine_objects} ${page}/${floor}.o PARENT_SCOPE)
endfunction()

# The sources of a target that lie on a floor.
function(fond_ladder_sources_of target floor result)
  get_target_property(sources ${target} SOURCES)
  list(FILTER sources INCLUDE REGEX "^${floor}/")
  list(REMOVE_ITEM sources model/number_text.cpp scene/read/file_text.cpp scene/read/used_files.cpp
    scene/edit/places.cpp text/costly_words.cpp text/layout_pieces.cpp text/pango_fonts.cpp text/without_pango.cpp
    calls/interrupt.cpp calls/junit.cpp calls/picture_form.cpp calls/sarif.cpp calls/target_file.cpp)
  set(${result} ${sources} PARENT_SCOPE)
endfunction()

foreach(of "fond_ladder_core model" "fond_ladder_core solve" "fond_ladder_text text" "fond_ladder_core verify" "fond_ladder_core print"
           "fond_ladder_scene scene" "fond_ladder_calls calls")
  separate_arguments(of)
  list(GET of 0 target)
  list(GET of 1 floor)
  fond_ladder_sources_of(${target} ${floor} sources)
  if(floor STREQUAL "print")
    fond_ladder_sources_of(fond_ladder_print print more)
    list(APPEND sources ${more})
  endif()
  fond_ladder_engine_unit(${floor} ${sources})
endforeach()
fond_ladder_engine_unit(draw draw/labels.cpp draw/marks.cpp draw/node_marks.cpp draw/node_shape.cpp draw/panel.cpp
  draw/space.cpp)
fond_ladder_engine_unit(engine page/engine/asking.cpp page/engine/description.cpp page/engine/engine.cpp
  page/engine/handles.cpp page/engine/own_handles.cpp page/engine/piece_book.cpp page/engine/place_handles.cpp page/engine/recording_pen.cpp
  page/engine/scopes.cpp page/engine/shown_scene.cpp page/engine/ties.cpp page/engine/without_files.cpp
  page/engine/stand_in/number_text.cpp page/engine/stand_in/utf8proc.cpp)
fond_ladder_engine_unit(exceptions page/engine/exceptions.cpp)
fond_ladder_engine_unit(streams page/engine/stand_in/streams.cpp)

# The driver does not tell the linker's own compiler about exceptions.
set(fond_ladder_wasm_link -flto -Wl,-mllvm,-wasm-enable-eh -Wl,-mllvm,-exception-model=wasm -mexec-model=reactor
  -Wl,--gc-sections -Wl,--strip-all -Wl,-z,stack-size=1048576)
add_custom_command(OUTPUT ${page}/engine.wasm
  COMMAND ${FOND_LADDER_WASM_CLANG} ${fond_ladder_wasm_flags} ${fond_ladder_wasm_link} ${fond_ladder_engine_objects}
          -o ${page}/linked.wasm
  COMMAND ${FOND_LADDER_WASM_OPT} -Oz --low-memory-unused --enable-exception-handling --enable-bulk-memory --enable-sign-ext --enable-reference-types
          --enable-nontrapping-float-to-int --enable-mutable-globals --enable-multivalue ${page}/linked.wasm -o ${page}/engine.wasm
  DEPENDS ${fond_ladder_engine_objects} VERBATIM COMMENT "Linking the page's engine")

file(GLOB look CONFIGURE_DEPENDS ${src}/page/look/*)
set(FOND_LADDER_PAGE_FILE ${PROJECT_BINARY_DIR}/src/page.html CACHE INTERNAL "")
add_custom_command(OUTPUT ${FOND_LADDER_PAGE_FILE}
  COMMAND ${src}/page/join_page ${page} ${FOND_LADDER_PAGE_FILE} ${FOND_LADDER_CHART} ${FOND_LADDER_ESBUILD} ${FOND_LADDER_ZOPFLI}
  DEPENDS ${page}/engine.wasm ${look} ${src}/page/join_page ${PROJECT_SOURCE_DIR}/share/fond_ladder/scene.schema.json
  VERBATIM COMMENT "Joining the page")
add_custom_target(page ALL DEPENDS ${FOND_LADDER_PAGE_FILE})
