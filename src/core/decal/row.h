// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "decal/footprint.h"
#include "measure/fault.h"
#include "measure/length_text.h"

namespace avrelt {

/// What of a row stands where it is told to.
enum class RowStart {
  first,   ///< its first
  middle,  ///< the middle between its first and its last
  gap,     ///< the middle of the gap between its last and its first
  seam,    ///< the same gap lies over the seam, wherever that is
};
/// "first", "middle" …: as files write it.
const char* startName(RowStart start);

/// Sets in turn round the cup, in one line or several.
struct Row {
  std::string id{};
  std::vector<std::string> sets;  ///< their ids, in turn; one may come more than once
  /// In each line; left out, as many as fit.
  std::optional<int> count{7};
  /// The least between any two, by their true outlines.
  WrittenLength gap{};
  /// Spread evenly round the cup; else at just the gap, and what is left lies between the last and
  /// the first.
  bool even = true;
  RowStart start = RowStart::first;
  CupAngle at{};
  WrittenLength up{};  ///< the wall, of the anchors of the lowest line
  Angle turn{};        ///< of each, to the left
  bool follows = false;
  int lines = 1;
  WrittenLength apart{};   ///< from line to line, up the wall
  bool staggered = false;  ///< every second line stands half way between
  std::string kept{};

  friend bool operator==(const Row&, const Row&) = default;
};

inline constexpr int mostInLine = 200;
inline constexpr int mostLines = 20;

/// What of a row cannot be, by member.
Faults rowFaults(const Row& row);

/// What stands in a line of a row, each as it lies at the front.
class RowItems {
 public:
  /// `wall` has to outlast it.
  RowItems(const Wall& wall, std::vector<Footprint> items);

  std::size_t count() const { return items_.size(); }

  /// The nearest that the anchor of one may come to the right of another's with this gap between
  /// their outlines, coming from where they lie far apart; nothing where they do not have it
  /// anywhere on the cup. Found by going nearer by as much as is surely free, so nothing on the way
  /// is missed; to 1e-4 mm.
  std::optional<Angle> leastPitch(std::size_t left, std::size_t right, Length gap) const;
  /// The widest ring that any of them reaches.
  Length widestRadius() const;
  /// From here on the anchor of one surely has the gap to the right of another's.
  Angle clearPitch(std::size_t left, std::size_t right, Length gap) const;
  Angle widestClearPitch(Length gap) const;
  /// How far apart they are so.
  Length apartAt(std::size_t left, std::size_t right, Angle pitch) const;

 private:
  /// How far each reaches to both sides of its anchor, and the widest ring it does, in mm.
  struct Reach {
    Angle left{};
    Angle right{};
    double widest = 1e-6;
  };

  const Wall& wall_;
  std::vector<Footprint> items_;
  std::vector<Reach> reaches_;
  double narrowest_ = HUGE_VAL;  ///< of the rings that any reaches, mm
};

/// How a line of a row comes out.
struct RowFit {
  std::vector<Angle> at;  ///< of each, from the first to the right, which is 0
  int most = 0;           ///< of those wanted, with at least the gap wanted
  bool fits = true;       ///< as many as wanted stand there; else as many as fit
  Length gap;             ///< the least between any two, by true outlines
  Angle left;             ///< what is left round the cup beyond the gaps wanted
};

/// `count` of the items in turn, or as many as fit at the gap. None fits where one alone leaves
/// less than the gap to itself round the cup.
RowFit fitRow(const RowItems& items, std::optional<int> count, Length gap, bool even);

/// The greatest share of their size at which `count` fit at the gap, where `itemsAt` gives the
/// items at a share; nothing where there is none from 1/50 to 8 times. To 1/1000.
std::optional<double> largestFor(const std::function<RowItems(double)>& itemsAt, int count,
                                 Length gap);

}  // namespace avrelt
