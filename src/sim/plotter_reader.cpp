// SPDX-License-Identifier: GPL-3.0-or-later
#include "sim/plotter_reader.h"

#include <cctype>
#include <charconv>
#include <optional>
#include <vector>

namespace avrelt::sim {
namespace {

/// A line of many points is one command; one without an end is none.
constexpr std::size_t longest = 1U << 20U;
constexpr int mostComplaints = 20;
/// 250 m: farther than any film goes.
constexpr int farthest = 10'000'000;

/// Whole numbers with commas between; nothing where there is anything else.
std::optional<std::vector<int>> numbersIn(std::string_view text) {
  std::vector<int> numbers;
  const char* at = text.data();
  const char* const end = at + text.size();
  while (at != end) {
    int number = 0;
    if (*at == '+') ++at;
    const auto [next, error] = std::from_chars(at, end, number);
    if (error != std::errc() || number < -farthest || number > farthest) return std::nullopt;
    numbers.push_back(number);
    at = next;
    if (at == end) break;
    if (*at != ',') return std::nullopt;
    if (++at == end) return std::nullopt;
  }
  return numbers;
}

}  // namespace

void PlotterReader::feed(std::string_view bytes) {
  for (const char c : bytes) {
    if (c == ';') {
      if (!tooLong_) run(begun_);
      begun_.clear();
      tooLong_ = false;
    } else if (std::isspace(static_cast<unsigned char>(c)) == 0 && !tooLong_) {
      begun_ += c;
      if (begun_.size() > longest) {
        tooLong_ = true;
        complain(begun_, "has no end");
        begun_.clear();
      }
    }
  }
}

void PlotterReader::end() {
  if (!begun_.empty()) complain(begun_, "is not ended by a semicolon");
  begun_.clear();
}

void PlotterReader::run(const std::string& command) {
  if (command.empty()) return;
  ++count_;
  const std::string name = command.substr(0, 2);
  const auto number = [&](int most) -> std::optional<int> {
    const auto numbers = numbersIn(std::string_view(command).substr(2));
    if (!numbers || numbers->size() != 1 || numbers->front() < 0 || numbers->front() > most) {
      complain(command, "wants one number");
      return std::nullopt;
    }
    return numbers->front();
  };
  if (name == "IN" && command.size() == 2) {
    relative_ = down_ = false;
    at_ = {};
    take_({PlotterStep::Kind::start, {}, 0});
  } else if (name == "PU") {
    go(command, false);
  } else if (name == "PD") {
    go(command, true);
  } else if (name == "PA" || name == "PR") {
    relative_ = name == "PR";
    if (command.size() > 2) go(command, down_);
  } else if (name == "SP") {
    if (const auto tool = number(8)) take_({PlotterStep::Kind::tool, {}, *tool});
  } else if (name == "VS") {
    if (const auto speed = number(2000)) take_({PlotterStep::Kind::speed, {}, *speed});
  } else {
    complain(command, "is not known");
  }
}

void PlotterReader::go(const std::string& command, bool down) {
  const auto numbers = numbersIn(std::string_view(command).substr(2));
  if (!numbers || numbers->size() % 2 != 0) {
    complain(command, "wants pairs of whole numbers");
    return;
  }
  down_ = down;
  if (numbers->empty()) {
    take_({down ? PlotterStep::Kind::draw : PlotterStep::Kind::move, at_, 0});
    return;
  }
  for (std::size_t i = 0; i < numbers->size(); i += 2) {
    const Point to{(*numbers)[i] / unitsPerMm, (*numbers)[i + 1] / unitsPerMm};
    at_ = relative_ ? at_ + to : to;
    take_({down ? PlotterStep::Kind::draw : PlotterStep::Kind::move, at_, 0});
  }
}

void PlotterReader::complain(const std::string& command, const char* why) {
  if (++complaints_ > mostComplaints) return;
  if (complaints_ == mostComplaints) {
    complain_("There is more that is not understood.");
    return;
  }
  std::string shown;
  for (const char c : command.substr(0, 24)) {
    shown += c >= 0x20 && c < 0x7f ? c : '?';
  }
  complain_("Command " + std::to_string(count_) + ", “" + shown + (command.size() > 24 ? "…" : "") +
            "”, " + why + ".");
}

}  // namespace avrelt::sim
