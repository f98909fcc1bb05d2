// SPDX-License-Identifier: GPL-3.0-or-later
#define CATCH_CONFIG_MAIN
#include <catch2/catch.hpp>

// Stacks of what was taken from the heap are kept as deep as is read, and what was given back not
// for ever: a window's tests take a fifth less time.
extern "C" const char* __asan_default_options();
extern "C" const char* __asan_default_options() {
  return "malloc_context_size=8:quarantine_size_mb=32";
}

// What libraries keep until the end and never give back; nothing of ours.
extern "C" const char* __lsan_default_suppressions();
extern "C" const char* __lsan_default_suppressions() {
  return "leak:libfontconfig\nleak:libglib-2.0\nleak:libgobject-2.0\nleak:librsvg-2\n"
         "leak:libpango\nleak:libcairo\nleak:libpixman\nleak:libQt6\n";
}
