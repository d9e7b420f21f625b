# SPDX-License-Identifier: MIT
# What `cmake --install` leaves: the program, the libraries with their headers, and what find_package and pkg-config need.
include(CMakePackageConfigHelpers)

set_target_properties(fond_ladder_core PROPERTIES EXPORT_NAME core)
set_target_properties(fond_ladder_scene PROPERTIES EXPORT_NAME scene)
set_target_properties(fond_ladder_draw PROPERTIES EXPORT_NAME draw)
install(TARGETS fond_ladder_core fond_ladder_scene fond_ladder_draw EXPORT fond_ladder-targets)
install(TARGETS fond-ladder)
install(DIRECTORY include/fond_ladder DESTINATION ${CMAKE_INSTALL_INCLUDEDIR})
install(FILES share/fond_ladder/scene.schema.json DESTINATION ${CMAKE_INSTALL_DATADIR}/fond_ladder)

set(package_folder ${CMAKE_INSTALL_LIBDIR}/cmake/fond_ladder)
install(EXPORT fond_ladder-targets NAMESPACE fond_ladder:: DESTINATION ${package_folder})
configure_package_config_file(cmake/fond_ladder-config.cmake.in fond_ladder-config.cmake
  INSTALL_DESTINATION ${package_folder})
write_basic_package_version_file(fond_ladder-config-version.cmake COMPATIBILITY SameMinorVersion)
install(FILES ${CMAKE_CURRENT_BINARY_DIR}/fond_ladder-config.cmake
              ${CMAKE_CURRENT_BINARY_DIR}/fond_ladder-config-version.cmake DESTINATION ${package_folder})
if(fond_ladder_draws)
  set(fond_ladder_pc_draws pangocairo cairo-svg cairo-pdf cairo-png)
  list(JOIN fond_ladder_pc_draws " " fond_ladder_pc_draws)
endif()
configure_file(cmake/fond_ladder.pc.in fond_ladder.pc @ONLY)
install(FILES ${CMAKE_CURRENT_BINARY_DIR}/fond_ladder.pc DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig)
