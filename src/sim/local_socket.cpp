// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/local_socket.h"

#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <unistd.h>

#include <cerrno>
#include <cstring>

namespace avrelt::sim {
namespace {

/// Closes it when it goes.
class Descriptor {
 public:
  explicit Descriptor(int number) : number_(number) {}
  ~Descriptor() {
    if (number_ >= 0) ::close(number_);
  }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  int get() const { return number_; }

 private:
  int number_;
};

}  // namespace

bool tell(int socket, const std::string& line) {
  std::size_t sent = 0;
  while (sent < line.size()) {
    const ssize_t wrote = ::send(socket, line.data() + sent, line.size() - sent, MSG_NOSIGNAL);
    if (wrote < 0 && errno == EINTR) continue;
    if (wrote <= 0) return false;
    sent += static_cast<std::size_t>(wrote);
  }
  return true;
}

std::optional<std::string> LocalSocket::serve(
    const std::function<void(int socket)>& serveOne) const {
  sockaddr_un address{};
  address.sun_family = AF_UNIX;
  if (path.size() >= sizeof(address.sun_path)) {
    return "The socket's name is too long; give one of at most " +
           std::to_string(sizeof(address.sun_path) - 1) + " bytes.";
  }
  std::memcpy(address.sun_path, path.c_str(), path.size() + 1);
  struct stat there {};
  if (::lstat(path.c_str(), &there) == 0) {
    if (!S_ISSOCK(there.st_mode)) return path + " is there already and no socket.";
    ::unlink(path.c_str());
  }
  const Descriptor listening(::socket(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0));
  // What bind and accept take for any kind of address.
  auto* const any = reinterpret_cast<sockaddr*>(&address);  // NOLINT: as sockets are bound
  if (listening.get() < 0 || ::bind(listening.get(), any, sizeof(address)) != 0 ||
      ::listen(listening.get(), 1) != 0) {
    return path + ": " + std::strerror(errno);
  }
  if (ready) ready();
  do {
    const Descriptor one(::accept4(listening.get(), nullptr, nullptr, SOCK_CLOEXEC));
    if (one.get() < 0) continue;
    serveOne(one.get());
  } while (!once);
  ::unlink(path.c_str());
  return std::nullopt;
}

}  // namespace avrelt::sim
