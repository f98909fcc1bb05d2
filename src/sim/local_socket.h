// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>

namespace avrelt::sim {

/// A local socket that machines wait at.
struct LocalSocket {
  std::string path;
  bool once = false;  ///< leave after one connection
  /// Told once somebody can connect.
  std::function<void()> ready{};

  /// Serves each who connects, one after the other, by `serve(socket)`, and closes it then; why it
  /// cannot, in words.
  std::optional<std::string> serve(const std::function<void(int socket)>& serveOne) const;
};

/// Sends a line whole; false where nobody is there any more.
bool tell(int socket, const std::string& line);

}  // namespace avrelt::sim
