// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace avrelt {

/// What the first word on the command line asks for.
enum class Asked { window, commandLine };
Asked askedFor(int argc, const char* const* argv);

/// Runs `avrelt plan …` and the like. Needs no display.
///
/// Returns the exit code: 0 when all was done, 2 when something given was refused, with one
/// sentence a fault on standard error.
int runCommandLine(int argc, const char* const* argv);

}  // namespace avrelt
