// SPDX-License-Identifier: GPL-3.0-or-later
#define CATCH_CONFIG_MAIN
#include <catch2/catch.hpp>

// What libraries keep until the end and never give back; nothing of ours.
extern "C" const char* __lsan_default_suppressions();
extern "C" const char* __lsan_default_suppressions() {
  return "leak:libfontconfig\nleak:libglib-2.0\nleak:libgobject-2.0\nleak:librsvg-2\n"
         "leak:libpango\nleak:libcairo\nleak:libpixman\nleak:libQt6\n";
}
