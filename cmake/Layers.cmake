# SPDX-License-Identifier: GPL-3.0-or-later
#
# One CMake target per layer. A layer's headers are seen only through a folder of its own in the
# build tree, and that folder reaches only those who link the layer: an include against the
# direction of the arrows finds no file and does not build.

add_library(avrelt_flags INTERFACE)
target_compile_options(
  avrelt_flags INTERFACE -Wall -Wextra -Wnon-virtual-dtor -Wold-style-cast -Woverloaded-virtual
                         # Where several sources are read as one, a local name may be one of theirs.
                         $<IF:$<BOOL:${CMAKE_UNITY_BUILD}>,$<$<CXX_COMPILER_ID:GNU>:-Wshadow=local>,-Wshadow>)
if(AVRELT_WERROR)
  target_compile_options(avrelt_flags INTERFACE -Werror)
endif()
# What is built from src/ is built with the sanitizers. The tests' own code only links them: what
# it takes from libraries of templates would take four times as long to compile, and tests nothing
# of ours.
add_library(avrelt_watched INTERFACE)
target_link_libraries(avrelt_watched INTERFACE avrelt_flags)
if(AVRELT_SANITIZE)
  # What goes through no object, beside one or past its end the address sanitizer stops at by
  # itself; asking twice, at every access and every sum with a pointer, takes half of the time to
  # compile.
  target_compile_options(
    avrelt_watched
    INTERFACE -fsanitize=address,undefined
              -fno-sanitize=null,alignment,object-size,pointer-overflow -fno-sanitize-recover=all
              -fno-omit-frame-pointer)
  # With sanitizers on, GCC 12 takes the library's own std::function for uninitialised.
  target_compile_options(avrelt_flags INTERFACE $<$<CXX_COMPILER_ID:GNU>:-Wno-maybe-uninitialized>)
  target_link_options(avrelt_flags INTERFACE -fsanitize=address,undefined)
endif()
# The same expression gives the same bits everywhere: no fused multiply-add behind our back.
target_compile_options(avrelt_flags INTERFACE -ffp-contract=off)

set(AVRELT_ASKED_BY_CALLS job log watch files shop cli sim)

# avrelt_layer(NAME SOURCES … LINKS …): the library avrelt_NAME of the current folder, included as
# "NAME/…". With WITHIN app it is avrelt_app_NAME, included as "app/NAME/…".
function(avrelt_layer name)
  cmake_parse_arguments(LAYER "" "WITHIN" "SOURCES;LINKS;PRIVATE_LINKS" ${ARGN})
  set(target avrelt_${name})
  set(window ${CMAKE_BINARY_DIR}/layers/${name})
  if(LAYER_WITHIN)
    set(target avrelt_${LAYER_WITHIN}_${name})
    set(window ${CMAKE_BINARY_DIR}/layers/${LAYER_WITHIN}_${name}/${LAYER_WITHIN})
  endif()
  file(MAKE_DIRECTORY ${window})
  file(CREATE_LINK ${CMAKE_CURRENT_SOURCE_DIR} ${window}/${name} SYMBOLIC)
  add_library(${target} STATIC ${LAYER_SOURCES})
  if(LAYER_WITHIN)
    cmake_path(GET window PARENT_PATH window)
  endif()
  target_include_directories(${target} PUBLIC ${window})
  target_link_libraries(${target} PUBLIC ${LAYER_LINKS} PRIVATE avrelt_watched
                                         ${LAYER_PRIVATE_LINKS})
  # Where little is reckoned the address sanitizer asks by calls in place of lines of its own at
  # every access: that compiles in two thirds of the time, and would take half as long again where
  # much is.
  if(AVRELT_SANITIZE AND name IN_LIST AVRELT_ASKED_BY_CALLS)
    target_compile_options(
      ${target} PRIVATE
      "$<$<CXX_COMPILER_ID:Clang>:SHELL:-mllvm -asan-instrumentation-with-call-threshold=0>")
  endif()
endfunction()

# What only says what others are to do need not be polished in a build to test with, and compiles in
# half the time, and in two thirds of it in one to look at it.
function(avrelt_unpolished target)
  target_compile_options(${target} PRIVATE $<$<CONFIG:Debug>:-O0>
                                           $<$<AND:$<BOOL:${AVRELT_QUICK}>,$<CONFIG:Release>>:-O1>)
endfunction()

# avrelt_read_once(TARGET HEADER …): headers of others that most sources of a target want, read once
# for all. Never our own: a source names each of those that it uses.
function(avrelt_read_once target)
  target_precompile_headers(${target} PRIVATE ${ARGN})
  avrelt_found_again(${target})
endfunction()

# So that ccache finds again what was compiled with headers read once.
function(avrelt_found_again target)
  target_compile_options(
    ${target} PRIVATE $<$<CXX_COMPILER_ID:GNU>:-fpch-preprocess>
                      $<$<CXX_COMPILER_ID:Clang>:SHELL:-Xclang -fno-pch-timestamp>)
endfunction()
