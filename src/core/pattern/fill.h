// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "divide/divide.h"
#include "measure/duration.h"
#include "measure/fault.h"
#include "measure/mass.h"
#include "measure/volume.h"
#include "pattern/cells.h"
#include "pattern/colour_style.h"
#include "pattern/colouring.h"
#include "pattern/strips.h"

namespace avrelt {

/// One of a pattern's colours.
struct CellColour {
  Finish finish;
  double share = 1;  ///< of the zone, against the others'

  friend bool operator==(const CellColour&, const CellColour&) = default;
};

/// A cell the maker has given a colour, or said a colour is not for: the one at this place on the
/// wall.
struct Pin {
  CupAngle onCup;
  WrittenLength up;
  int colour = 0;
  bool bar = false;  ///< not this colour here

  friend bool operator==(const Pin&, const Pin&) = default;
};

/// What is made of the lines between cells.
enum class LineWork {
  leave,  ///< they are lifted last, and what was below stays bare
  piece,  ///< one part of film
  tape,   ///< thin tape, laid line by line
};

/// What is cut for a pattern besides its stencil and its key.
struct FillCutting {
  int spares = 0;            ///< of every cell of film
  bool filmWhole = false;    ///< the whole template again in film, not just its cells of film
  bool doubleSided = false;  ///< the whole template again in double-sided sheet
  bool straight = false;     ///< a straight version besides the curved, of the same height
  LineWork lines = LineWork::leave;

  friend bool operator==(const FillCutting&, const FillCutting&) = default;
};

/// A zone filled with a pattern.
struct Fill {
  std::string id{};
  std::string zone{};  ///< its id
  Pattern pattern;
  std::vector<CellColour> colours;
  ColourStyle style = ColourStyle::scatter;
  bool corners = false;  ///< whether cells that meet only in a point count as neighbours
  bool beyond = false;   ///< whether cells of a zone beside this one, filled before, count too
  int seed = 1;
  std::vector<Pin> pins;
  int coats = 2;  ///< of glitter on each cell
  FillCutting cutting;
  std::string kept{};

  friend bool operator==(const Fill&, const Fill&) = default;
};

/// A pattern as it is before anyone changes it, with four colours.
Fill usualFill(const std::string& zone, Unit unit);

/// One cell, worked out.
struct Cell {
  std::string label;  ///< row letter and number from the seam: "B12"; unique on the cup
  Patch whole;        ///< with half of the lines round it
  Patch drawn;        ///< without, as it is cut: one part
  Region region;      ///< the same within the frame, cut at the seam
  Area area;          ///< of that, on the cup
  WallPoint middle;
  WallPoint
      namedAt;  ///< where its label stands on the flat: in its larger part if the seam cuts it
  int row = 0;  ///< from the top down
  bool onSeam = false;  ///< whether the seam cuts it
  int colour = 0;
};

/// What one colour takes.
struct ColourNeed {
  int colour = 0;
  std::vector<std::size_t> cells;  ///< row by row, as they are lifted
  Area area;
  Mass glitter;  ///< for all its coats
  Volume paint;  ///< for paint, and under glitter
};

/// What a workshop uses and how fast it is. The defaults, glitter and paint for a cm² and a
/// coat, time for a colour, are cautious guesses: common practice, no published source.
struct FillRates {
  Mass glitterPerCm2 = Mass::grams(0.025);
  Volume paintPerCm2 = Volume::ml(0.012);
  Duration perColour = Duration::minutes(15);

  friend bool operator==(const FillRates&, const FillRates&) = default;
};

/// Thin tape for the lines between cells, where they are straight: so many of each length.
struct LineRun {
  Length length;
  int count = 0;
};
struct LineTape {
  Length width;
  std::vector<LineRun> runs;  ///< the longest first, with what each needs to be lifted by
  Length total;
  bool bends = false;  ///< much of it runs in curves, which tape follows badly
};

/// What of a colour given by hand cannot be.
struct PinTrouble {
  enum class Why {
    noColour,  ///< the pattern has no such colour
    noCell,    ///< no cell is there: it misses the zone, or its cell is too small
    again,     ///< another said something else about this cell, and holds
    beside,    ///< a neighbour has the same colour by hand
  } why = Why::noCell;
  int pin = 0;        ///< which of the document's
  std::string cell;   ///< its label, where there is one
  std::string other;  ///< the neighbour's
};

struct FillPlan {
  int fill = 0;        ///< which of the document's
  std::string id;      ///< the fill's
  std::string zone;    ///< its id
  std::string letter;  ///< the zone's, for people
  Family family = Family::hexagons;
  Area zoneArea;
  PatternFit fit;
  std::vector<Cell> cells;
  std::vector<std::pair<std::size_t, std::size_t>> neighbours;
  Colouring colouring;
  std::vector<ColourNeed> needs;  ///< in the order colours are filled: dark to light, film last
  int merged = 0;                 ///< slivers that went to the neighbour they share most edge with
  int dropped = 0;                ///< slivers without a neighbour, and bits that lines cut off
  Area droppedArea;               ///< of those; with the cells and `lineArea` it makes up the zone
  Area lineArea;
  Length thinnest;             ///< mean width of the narrowest cell
  Length cutLength;            ///< of all cells' edges
  int islands = 0;             ///< openings in cells, each round something that comes loose
  LineTape tape;               ///< empty where lines are not laid with tape
  std::vector<double> shares;  ///< of the cells' area, that each colour takes
  /// How many cells are against the style, and of how many that could be: more than a step from
  /// their height's colour, out of turn, unlike their mirror image.
  int strays = 0;
  int styled = 0;
  std::vector<PinTrouble> pinTroubles;
  std::vector<std::size_t> alikeBeyond;  ///< cells left like one across the zone's edge
  Duration work;                         ///< of all its glitter colours
  FillStrips strips;                     ///< how its template is parted; empty where it is not
};

/// The wall a pattern is laid on, by the fill's id.
using FillWall = std::function<const Wall&(const std::string& fill)>;

/// The fills of a cup, worked out again and again as it is changed. What stays the same is kept:
/// the cells while their pattern, their zone and the wall do, the colours while the fill does. What
/// it gives depends on nothing it was asked before.
class FillPlanner {
 public:
  /// One whose zone is not there, cut further or not cut any more, waits for it and gives no plan.
  /// `wallOf` gives the wall each is laid on; `wallIs` names them all: with another, nothing is
  /// kept. Faults name the member: "fills[0].pattern.size".
  CheckedAll<std::vector<FillPlan>> operator()(const std::vector<Fill>& fills,
                                               const Divided& divided, const FillWall& wallOf,
                                               const FillRates& rates, long wallIs);

 private:
  /// What the cells of a fill came of, and they.
  struct Laid {
    long wallIs;
    Pattern pattern;
    bool corners;
    std::string zone;
    std::string letter;
    Region region;
    std::size_t rowsBefore;
    Checked<FillPlan> plan;
    std::size_t rowsAfter;
  };
  /// Whether cells laid before are those wanted now.
  static bool fits(const Laid& laid, const Fill& fill, const Zone& zone, std::size_t rowsBefore,
                   long wallIs);

  struct Kept {
    Laid laid;
    Fill fill;
    FillRates rates;
    std::optional<FillPlan> coloured;
  };
  std::vector<Kept> kept_;
};

/// The fills of a cup, once. A cell is a sliver, too small to weed, where it is under 1 mm wide on
/// average once its lines are off (the rectangle with its area and edge).
CheckedAll<std::vector<FillPlan>> planFills(const std::vector<Fill>& fills, const Divided& divided,
                                            const Wall& wall, const FillRates& rates = {});

}  // namespace avrelt
