// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/cutter_socket.h"

#include <sys/socket.h>

#include <array>
#include <cerrno>
#include <chrono>
#include <thread>

#include "files/cut_film_json.h"
#include "sim/local_socket.h"

namespace avrelt::sim {
namespace {

/// Cuts what one who is connected sends; whether the machine is still there.
CutFilm cutFor(int socket, const CutterSocket& from) {
  FilmCutter cutter(from.machine);
  const auto started = std::chrono::steady_clock::now();
  std::array<char, 4096> buffer{};
  std::string held;
  while (!cutter.done()) {
    const ssize_t got = ::recv(socket, buffer.data(), buffer.size(), 0);
    if (got < 0 && errno == EINTR) continue;
    if (got <= 0) break;
    held.append(buffer.data(), static_cast<std::size_t>(got));
    // Command by command: each takes its time and is answered.
    for (std::size_t end = held.find(';'); end != std::string::npos && !cutter.done();
         end = held.find(';')) {
      cutter.feed(std::string_view(held).substr(0, end + 1));
      held.erase(0, end + 1);
      if (from.unpluggedAfter > 0 && cutter.commands() >= from.unpluggedAfter) {
        return cutter.finish();
      }
      std::this_thread::sleep_until(
          started + std::chrono::duration_cast<std::chrono::steady_clock::duration>(
                        std::chrono::duration<double, std::ratio<60>>(cutter.busy().minutes())));
      if (!cutter.done() &&
          !tell(socket, "{\"done\":" + std::to_string(cutter.commands()) + "}\n")) {
        return cutter.finish();
      }
    }
  }
  const bool whole = cutter.done();
  CutFilm film = cutter.finish();
  if (whole) tell(socket, "{\"film\":" + cutFilmJson(film) + "}\n");
  return film;
}

}  // namespace

std::optional<std::string> CutterSocket::serve() const {
  return LocalSocket{path, once, ready}.serve([this](int socket) {
    const CutFilm film = cutFor(socket, *this);
    if (cut) cut(film);
  });
}

}  // namespace avrelt::sim
