# SPDX-License-Identifier: MIT
# Runs PROGRAM and compares what it prints with the file EXPECTED. With FOND_LADDER_GOLDEN=1 in the environment the
# file is written anew.
execute_process(COMMAND ${PROGRAM} OUTPUT_VARIABLE printed RESULT_VARIABLE status)
if(NOT status EQUAL 0)
  message(FATAL_ERROR "${PROGRAM} ended with status ${status}")
endif()
if("$ENV{FOND_LADDER_GOLDEN}" STREQUAL "1")
  file(WRITE ${EXPECTED} "${printed}")
endif()
file(READ ${EXPECTED} expected)
if(NOT printed STREQUAL expected)
  message(FATAL_ERROR "expected:\n${expected}\nprinted:\n${printed}")
endif()
