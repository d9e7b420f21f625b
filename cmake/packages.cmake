# SPDX-License-Identifier: MIT
# Debian packages, by `cpack --preset deb`: fond-ladder has the program, libfond-ladder-dev what other projects build against.
find_program(GZIP gzip REQUIRED)
set(changelog ${CMAKE_CURRENT_BINARY_DIR}/changelog.gz)
execute_process(COMMAND ${GZIP} -9nc ${PROJECT_SOURCE_DIR}/cmake/deb/changelog OUTPUT_FILE ${changelog} COMMAND_ERROR_IS_FATAL ANY)
foreach(component IN ITEMS program library)
  set(package fond-ladder)
  if(component STREQUAL "library")
    set(package libfond-ladder-dev)
  endif()
  install(FILES cmake/deb/copyright ${changelog} DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/${package} COMPONENT ${component})
endforeach()

set(CPACK_GENERATOR DEB)
set(CPACK_PACKAGE_NAME fond-ladder)
set(CPACK_PACKAGE_CONTACT "The Fond Ladder authors <fond-ladder@example.org>")
set(CPACK_PACKAGE_VERSION ${PROJECT_VERSION})
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
set(CPACK_COMPONENTS_ALL program library)
set(CPACK_DEB_COMPONENT_INSTALL ON)
set(CPACK_STRIP_FILES ON)
set(CPACK_INSTALL_DEFAULT_DIRECTORY_PERMISSIONS
  OWNER_READ OWNER_WRITE OWNER_EXECUTE GROUP_READ GROUP_EXECUTE WORLD_READ WORLD_EXECUTE)
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_CONTROL_STRICT_PERMISSION ON)
set(CPACK_DEBIAN_PROGRAM_PACKAGE_NAME fond-ladder)
set(CPACK_DEBIAN_PROGRAM_PACKAGE_SECTION utils)
set(CPACK_DEBIAN_PROGRAM_PACKAGE_SHLIBDEPS ON)
set(CPACK_DEBIAN_PROGRAM_PACKAGE_SUGGESTS gnuplot-nox)
set(CPACK_COMPONENT_PROGRAM_DESCRIPTION "arrange nested rows, columns and grids, and verify them at every size
Measures a scene of rows, columns, grids and stacks at any size of its
container, finds the sizes at which something turns and why, accounts for
every number, checks what must hold, compares, and draws.")
set(CPACK_DEBIAN_LIBRARY_PACKAGE_NAME libfond-ladder-dev)
set(CPACK_DEBIAN_LIBRARY_PACKAGE_SECTION libdevel)
set(CPACK_DEBIAN_LIBRARY_PACKAGE_DEPENDS "libc6-dev, libutf8proc-dev, libcairo2-dev, libpango1.0-dev, libpugixml-dev")
set(CPACK_COMPONENT_LIBRARY_DESCRIPTION "arranging engine for rows, columns, grids and stacks (development files)
An engine that a user interface toolkit embeds: it keeps a tree of nodes,
arranges it in a container of any size, and does again only what an edit
touches; with libraries that read scene files and draw.")
include(CPack)
