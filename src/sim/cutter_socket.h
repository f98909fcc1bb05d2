// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>

#include "sim/film_cutter.h"

namespace avrelt::sim {

/// A machine at a local socket. Who connects sends a plotter file; each command is answered, once
/// it is done, by a line {"done": number of commands}, the last by one with the film; then the
/// connection is closed and the next is waited for.
struct CutterSocket {
  std::string path;
  Machine machine;
  bool once = false;        ///< leave after one connection
  long unpluggedAfter = 0;  ///< commands, after which the connection breaks; 0 for never
  /// Told what was cut, whole or broken off.
  std::function<void(const CutFilm&)> cut;
  /// Told once somebody can connect.
  std::function<void()> ready;

  /// Serves until it is over; why it cannot, in words.
  std::optional<std::string> serve() const;
};

}  // namespace avrelt::sim
