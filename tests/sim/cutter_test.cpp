// SPDX-License-Identifier: GPL-3.0-or-later
// The stand-in as a program of its own: from a file, and at a local socket.
#include <sys/socket.h>
#include <sys/un.h>
#include <unistd.h>

#include <array>
#include <catch2/catch.hpp>
#include <chrono>
#include <cstdlib>
#include <cstring>
#include <filesystem>
#include <thread>

#include "files/cut_film_json.h"
#include "files/disk.h"
#include "files/plotter_file.h"
#include "sim/cutter_socket.h"

using namespace avrelt;
namespace fs = std::filesystem;

namespace {

struct Folder {
  Folder() {
    std::string name = (fs::temp_directory_path() / "avrelt-cutter-XXXXXX").string();
    path = ::mkdtemp(name.data());
  }
  ~Folder() { fs::remove_all(path); }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  fs::path path;
};

CutJob job() {
  PartSet set;
  for (int i = 0; i < 4; ++i) {
    Part part;
    const Point low{10.0 + 40 * i, 10};
    part.outline = {low,
                    {{{low.x + 30, 10}, 0}, {{low.x + 30, 50}, 0}, {{low.x, 50}, 0}, {low, 0}}};
    set.parts.push_back(part);
  }
  return cutJobOf(set, Length::mm(200), Length::mm(60), "sheet");
}

std::string plotted() {
  return plotterFile(machinePath(job(), Cutter()), Cutter());
}

int run(const std::string& words) {
  return std::system((std::string(AVRELT_CUTTER) + " " + words).c_str());
}

int connected(const std::string& path) {
  const int socket = ::socket(AF_UNIX, SOCK_STREAM, 0);
  sockaddr_un address{};
  address.sun_family = AF_UNIX;
  std::strcpy(address.sun_path, path.c_str());
  for (int i = 0; i < 500; ++i) {
    if (::connect(socket, reinterpret_cast<sockaddr*>(&address), sizeof(address)) == 0) {
      return socket;
    }
    std::this_thread::sleep_for(std::chrono::milliseconds(20));
  }
  ::close(socket);
  return -1;
}

std::string answered(int socket) {
  std::string answer;
  std::array<char, 4096> buffer{};
  for (ssize_t got = 0; (got = ::read(socket, buffer.data(), buffer.size())) > 0;) {
    answer.append(buffer.data(), static_cast<std::size_t>(got));
  }
  return answer;
}

std::string answerTo(const std::string& path, const std::string& text) {
  const int socket = connected(path);
  REQUIRE(socket >= 0);
  std::size_t sent = 0;
  while (sent < text.size()) {
    const ssize_t wrote = ::send(socket, text.data() + sent, text.size() - sent, MSG_NOSIGNAL);
    if (wrote <= 0) break;
    sent += static_cast<std::size_t>(wrote);
  }
  std::string answer = answered(socket);
  ::close(socket);
  return answer;
}

}  // namespace

TEST_CASE("The program cuts a file and writes what lies on the film", "[cutter-program]") {
  const Folder folder;
  const fs::path file = folder.path / "sheet.plt";
  REQUIRE_FALSE(writeFile(file, plotted()));
  const fs::path out = folder.path / "film.json";
  const fs::path picture = folder.path / "film.png";
  CHECK(run(file.string() + " --out " + out.string() + " --picture " + picture.string()) == 0);
  const auto film = readCutFilm(*readFile(out));
  REQUIRE(film);
  CHECK(film->shapes.size() == 4);
  CHECK(film->cut.mm() == Approx(4 * 141).epsilon(1e-3));
  CHECK(readFile(picture)->substr(1, 3) == "PNG");
  // Broken off.
  CHECK(run(file.string() + " --fault unplugged=10 --out " + out.string()) == 0);
  CHECK(readCutFilm(*readFile(out))->shapes.size() < 4);
  // Refused, and nothing written.
  fs::remove(out);
  for (const char* wrong :
       {"--fault warp=2", "--fault scale=0", "--bed 0 100", "--speed fast", "--socket x"}) {
    CAPTURE(wrong);
    CHECK(run(file.string() + " " + wrong + " --out " + out.string() + " 2>/dev/null >/dev/null") !=
          0);
    CHECK_FALSE(fs::exists(out));
  }
  CHECK(run((folder.path / "none.plt").string() + " 2>/dev/null") != 0);
  CHECK(run("2>/dev/null") != 0);
}

TEST_CASE("At a socket each command is answered, and the film at the end", "[cutter-program]") {
  const Folder folder;
  const std::string at = (folder.path / "cutter").string();
  std::thread cutter([&] { CHECK(run("--once --socket " + at + " >/dev/null") == 0); });
  const std::string answer = answerTo(at, plotted());
  cutter.join();
  const auto last = answer.rfind("{\"film\":");
  REQUIRE(last != std::string::npos);
  const auto film = readCutFilm(answer.substr(last + 8, answer.size() - last - 10));
  REQUIRE(film);
  CHECK(film->shapes.size() == 4);
  CHECK(answer.find("{\"done\":1}\n{\"done\":2}\n") == 0);
  CHECK_FALSE(fs::exists(at));
}

TEST_CASE("A cable that is pulled ends the answer without a film, from either end",
          "[cutter-program]") {
  const Folder folder;
  const std::string at = (folder.path / "cutter").string();
  std::thread cutter(
      [&] { CHECK(run("--once --fault unplugged=8 --socket " + at + " >/dev/null") == 0); });
  const std::string answer = answerTo(at, plotted());
  cutter.join();
  CHECK(answer.find("{\"done\":7}") != std::string::npos);
  CHECK(answer.find("film") == std::string::npos);

  // Who sends goes away in the midst: what was cut by then is told, and the next is served.
  const std::string text = plotted();
  std::size_t shapes = 99;
  std::thread left([&] {
    sim::CutterSocket socket{at, {}, true, 0, {}, {}};
    socket.cut = [&](const CutFilm& film) { shapes = film.shapes.size(); };
    CHECK_FALSE(socket.serve());
  });
  const int broken = connected(at);
  REQUIRE(broken >= 0);
  std::size_t half = 0;
  for (int i = 0; i < 7; ++i) half = text.find(';', half) + 1;
  CHECK(::send(broken, text.data(), half, MSG_NOSIGNAL) == static_cast<ssize_t>(half));
  ::close(broken);
  left.join();
  CHECK(shapes <= 1);
  std::thread next([&] {
    sim::CutterSocket socket{at, {}, true, 0, {}, {}};
    CHECK_FALSE(socket.serve());
  });
  CHECK_THAT(answerTo(at, text), Catch::Contains("film"));
  next.join();
  // What is there already and no socket is not touched.
  REQUIRE_FALSE(writeFile(at, "mine"));
  sim::CutterSocket taken{at, {}, true, 0, {}, {}};
  CHECK(taken.serve());
  CHECK(*readFile(at) == "mine");
  CHECK(sim::CutterSocket{std::string(300, 'x'), {}, true, 0, {}, {}}.serve());
}

TEST_CASE("What a cutter answers is read back as it was, and nonsense is refused",
          "[cutter-program]") {
  CutFilm film;
  film.shapes = {{{{1, 2}, {3, 4.5}, {0, 9}}, 2}};
  film.open = {{{{1, 1}, {2, 2}}, false}};
  film.said = {"“Hm”"};
  film.cut = Length::mm(12.5);
  film.took = Duration::minutes(2);
  const auto read = readCutFilm(cutFilmJson(film));
  REQUIRE(read);
  CHECK(read->shapes[0].outline == film.shapes[0].outline);
  CHECK(read->shapes[0].passes == 2);
  CHECK(read->open == film.open);
  CHECK(read->said == film.said);
  CHECK(read->cut == film.cut);
  CHECK(read->took.minutes() == Approx(2));
  for (const char* wrong :
       {"", "[]", "{}", R"({"shapes":3})", R"({"shapes":[{}]})",
        R"({"shapes":[{"outline_mm":[[1,2],[3,4]]}]})", R"({"shapes":[{"outline_mm":[1,2,3]}]})",
        R"({"shapes":[{"outline_mm":[[1,2],[3,4],[1e9,0]]}]})",
        R"({"shapes":[],"open_mm":[[1]]})"}) {
    CAPTURE(wrong);
    CHECK_FALSE(readCutFilm(wrong));
  }
}
