// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "sheet/cutter.h"
#include "sheet/part_set.h"

namespace avrelt {

enum class Tool { blade, pen };

/// A line a tool goes along without being lifted, in mm, the sheet's lower left at 0.
struct Stroke {
  Tool tool = Tool::blade;
  std::vector<Point> points;
  bool closed = false;  ///< it ends where it starts; the first point is not repeated

  friend bool operator==(const Stroke&, const Stroke&) = default;
};

/// What is cut and drawn on one sheet, in order.
struct CutJob {
  std::string name;
  Length wide;
  Length tall;
  std::vector<Stroke> strokes;

  /// The closed cuts, in order: what falls out of the film.
  std::vector<std::vector<Point>> shapes() const;
};

/// The parts on a sheet as strokes: what is drawn first, then part by part, each the nearest to
/// where the last ended; what lies within another is cut before it, parts in another's opening as
/// slits and openings before the edge that frees them. Curves are followed to
/// 0.005 mm; a closed line begins at its point nearest to where the last one ended.
CutJob cutJobOf(const PartSet& set, Length wide, Length tall, const std::string& name);

/// The way a cutter's middle goes for a job: all closed lines drawn out as open ones with what they
/// overlap, each as often as it has passes, mirrored across the sheet where films are fed face
/// down, and guides left out where it has no pen.
///
/// A blade that trails is led: its middle runs ahead of the tip by the offset, and swings about the
/// tip wherever the line turns. Its first stroke is a short cut where the sheet is free, which
/// brings it round to where everything after takes it to be.
std::vector<Stroke> machinePath(const CutJob& job, const Cutter& cutter);

/// What a path takes.
struct CutFigures {
  Length cut;     ///< with the tools down
  Length lifted;  ///< from stroke to stroke, from the lower left corner and back
  Duration takes;
};
CutFigures figuresOf(const std::vector<Stroke>& path, const Cutter& cutter);

/// Why a job cannot be cut on a cutter as it is, in words; nothing where it can.
std::optional<Sentence> cannotCut(const CutJob& job, const Cutter& cutter);

}  // namespace avrelt
