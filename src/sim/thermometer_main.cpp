// SPDX-License-Identifier: GPL-3.0-or-later
#include <chrono>
#include <CLI/CLI.hpp>
#include <iostream>
#include <thread>

#include "sim/local_socket.h"
#include "sim/room.h"

using namespace avrelt;

int main(int argc, char** argv) {
  CLI::App app(
      "A stand-in for a room thermometer: tells how warm it is to who connects to a local socket, "
      "a "
      "line\n"
      "a second.\n\n"
      "Exit code 0; 2 when it was asked for something that cannot be.");
  std::string path;
  double begins = 21;
  double outside = 21;
  double halves = 60;
  double every = 1000;
  double after = 0;
  std::string fault = "none";
  bool once = false;
  app.add_option("--socket", path, "Wait at a local socket of this name")->required();
  app.add_option("--celsius", begins, "How warm the room is")->check(CLI::Range(-20, 60));
  app.add_option("--outside", outside, "How warm it is outside")->check(CLI::Range(-40, 60));
  app.add_option("--halves", halves, "Minutes in which the difference halves")
      ->check(CLI::Range(0.01, 100000.0));
  app.add_option("--every", every, "Milliseconds from line to line")->check(CLI::Range(1, 60000));
  app.add_option("--fault", fault, "What is wrong with it")
      ->check(CLI::IsMember({"none", "silent", "garbled", "jumps"}));
  app.add_option("--fault-after", after, "Minutes until that begins")->check(CLI::Range(0, 100000));
  app.add_flag("--once", once, "Leave after one connection");
  try {
    app.parse(argc, argv);
  } catch (const CLI::ParseError& error) {
    return app.exit(error) == 0 ? 0 : 2;
  }
  sim::Room room{Temperature::celsius(begins), Temperature::celsius(outside),
                 Duration::minutes(halves)};
  room.fault = fault == "silent"    ? sim::ThermometerFault::silent
               : fault == "garbled" ? sim::ThermometerFault::garbled
               : fault == "jumps"   ? sim::ThermometerFault::jumps
                                    : sim::ThermometerFault::none;
  room.faultAfter = Duration::minutes(after);
  const auto begun = std::chrono::steady_clock::now();
  const sim::LocalSocket socket{path, once,
                                [&] { std::cout << "Waiting at " << path << std::endl; }};
  const auto wrong = socket.serve([&](int one) {
    while (true) {
      const std::chrono::duration<double, std::ratio<60>> passed =
          std::chrono::steady_clock::now() - begun;
      if (!sim::tell(one, room.lineAt(Duration::minutes(passed.count())))) return;
      std::this_thread::sleep_for(std::chrono::duration<double, std::milli>(every));
    }
  });
  if (!wrong) return 0;
  std::cerr << *wrong << '\n';
  return 2;
}
