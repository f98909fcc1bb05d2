// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "sheet/cut_film.h"
#include "sim/plotter_reader.h"

namespace avrelt::sim {

/// A machine as it stands, and what is wrong with it.
struct Machine {
  Length wide = Length::mm(305);
  Length tall = Length::mm(3000);
  Length bladeOffset;     ///< how far the tip trails the middle it turns about
  Angle pointsTo;         ///< where the blade points when film is put in
  Length perSecond;       ///< till it is told another; 0: at once
  double faster = 1;      ///< than a real one would be, for who does not want to wait
  double scale = 1;       ///< of every move
  bool mirrored = false;  ///< across the film
  Length slipsAfter;      ///< once so much is cut, film slips; 0 for never
  Length slips = Length::mm(1.5);
  Length filmTall;  ///< shorter film than the machine can take; 0 for long enough
};

/// Cuts simulated film as it is told to: a blade on a pivot, which trails behind it as a wheel on a
/// caster does.
class FilmCutter {
 public:
  explicit FilmCutter(const Machine& machine);

  void feed(std::string_view bytes) { reader_.feed(bytes); }
  /// Whether the last tool was put back: a job is over.
  bool done() const { return tool_ == 0; }
  /// What lies on the film; nothing more is taken.
  CutFilm finish();
  /// How long what was fed so far takes the machine.
  Duration busy() const;
  long commands() const { return reader_.commands(); }

 private:
  void take(const PlotterStep& step);
  void lift();
  void goTo(Point middle, bool down);
  void mark(Point tip);
  Point onFilm(Point p) const;

  Machine machine_;
  CutFilm film_;
  Point middle_;
  Point heading_{1, 0};
  int tool_ = 1;
  bool down_ = false;
  double cut_ = 0;
  double went_ = 0;
  bool outside_ = false;
  std::vector<Point> stroke_;
  PlotterReader reader_;
};

}  // namespace avrelt::sim
