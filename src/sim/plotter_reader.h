// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <string_view>

#include "shape/point.h"

namespace avrelt::sim {

/// What a plotter file tells a machine to do, one at a time.
struct PlotterStep {
  enum class Kind { start, tool, move, draw, speed } kind = Kind::start;
  Point to;        ///< mm: where to move or draw
  int number = 0;  ///< the tool, or mm a second
};

/// Reads the plotter files of `docs/plotter.md`, as they come in: commands of two letters and
/// whole numbers, each ended by a semicolon. What it does not know is told and left out.
class PlotterReader {
 public:
  using Take = std::function<void(const PlotterStep&)>;
  using Complain = std::function<void(const std::string&)>;

  PlotterReader(Take take, Complain complain)
      : take_(std::move(take)), complain_(std::move(complain)) {}

  void feed(std::string_view bytes);
  /// What was begun and not ended is told.
  void end();
  /// Commands taken so far, ended or not.
  long commands() const { return count_; }

  static constexpr double unitsPerMm = 40;

 private:
  void run(const std::string& command);
  void go(const std::string& command, bool down);
  void complain(const std::string& command, const char* why);

  Take take_;
  Complain complain_;
  std::string begun_;
  bool tooLong_ = false;
  bool relative_ = false;
  bool down_ = false;
  Point at_;
  long count_ = 0;
  int complaints_ = 0;
};

}  // namespace avrelt::sim
