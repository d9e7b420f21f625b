# SPDX-License-Identifier: MIT
# What `cmake --install` leaves: the program, the libraries with their headers, what find_package and pkg-config need, and
# what people read and copy from.
include(CMakePackageConfigHelpers)

set(package_folder ${CMAKE_INSTALL_LIBDIR}/cmake/fond_ladder)
set(pc_folder ${CMAKE_INSTALL_LIBDIR}/pkgconfig)
file(RELATIVE_PATH pc_up /${pc_folder} /)
string(REGEX REPLACE "/$" "" pc_up "${pc_up}")

set(fond_ladder_components core)
set(pc_description_core "Arranges rows, columns, grids and stacks, and measures them at every size")
set(pc_description_scene "Reads and writes scene files of fond_ladder")
set(pc_description_draw "Draws what fond_ladder has arranged")
set(pc_requires_core "")
set(pc_requires_scene fond_ladder)
set(pc_requires_draw fond_ladder)
set(pc_inside_core libutf8proc)
set(pc_inside_draw "")
if(fond_ladder_draws)
  set(pc_inside_draw "pangocairo cairo-pdf cairo-png pugixml")
endif()
foreach(component IN ITEMS scene draw)
  if(TARGET fond_ladder_${component})
    list(APPEND fond_ladder_components ${component})
  endif()
endforeach()

foreach(component IN LISTS fond_ladder_components)
  set_target_properties(fond_ladder_${component} PROPERTIES EXPORT_NAME ${component})
  install(TARGETS fond_ladder_${component} EXPORT fond_ladder-${component}-targets COMPONENT library)
  install(EXPORT fond_ladder-${component}-targets NAMESPACE fond_ladder:: DESTINATION ${package_folder}
    COMPONENT library)
  # Who links a static library links what it needs, with and without --static; a shared one brings it.
  set(pc_name fond_ladder)
  if(NOT component STREQUAL "core")
    set(pc_name fond_ladder-${component})
  endif()
  set(pc_library fond_ladder_${component})
  set(pc_description ${pc_description_${component}})
  set(pc_requires ${pc_requires_${component}})
  set(pc_libs "")
  set(pc_private "")
  if(BUILD_SHARED_LIBS)
    set(pc_private ${pc_inside_${component}})
  else()
    string(APPEND pc_requires " ${pc_inside_${component}}")
    if(component STREQUAL "core")
      set(pc_libs -pthread)
    endif()
  endif()
  configure_file(cmake/component.pc.in ${pc_name}.pc @ONLY)
  install(FILES ${CMAKE_CURRENT_BINARY_DIR}/${pc_name}.pc DESTINATION ${pc_folder} COMPONENT library)
endforeach()

configure_package_config_file(cmake/fond_ladder-config.cmake.in fond_ladder-config.cmake
  INSTALL_DESTINATION ${package_folder})
write_basic_package_version_file(fond_ladder-config-version.cmake COMPATIBILITY SameMinorVersion)
install(FILES ${CMAKE_CURRENT_BINARY_DIR}/fond_ladder-config.cmake
              ${CMAKE_CURRENT_BINARY_DIR}/fond_ladder-config-version.cmake DESTINATION ${package_folder}
        COMPONENT library)

install(DIRECTORY include/fond_ladder DESTINATION ${CMAKE_INSTALL_INCLUDEDIR} COMPONENT library)
install(DIRECTORY share/fond_ladder DESTINATION ${CMAKE_INSTALL_DATADIR} COMPONENT program)
set(doc_folder ${CMAKE_INSTALL_DATADIR}/doc)
install(FILES README.md CHANGELOG.md DESTINATION ${doc_folder}/libfond-ladder-dev COMPONENT library)
install(DIRECTORY docs examples DESTINATION ${doc_folder}/libfond-ladder-dev COMPONENT library
  PATTERN screenshots EXCLUDE PATTERN CMakeLists.txt EXCLUDE)
if(TARGET fond-ladder)
  install(TARGETS fond-ladder COMPONENT program)
  install(FILES ${FOND_LADDER_MANUAL} DESTINATION ${CMAKE_INSTALL_MANDIR}/man1 COMPONENT program)
endif()
include(cmake/packages.cmake)
