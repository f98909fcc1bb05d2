// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "measure/fault.h"
#include "shape/drawing.h"
#include "shape/polygon.h"

namespace avrelt {

/// One repeat of an artwork, from (0, 0) to (wide, tall) in mm: its cells with the lines between
/// them off. A cell may reach over into the next repeat; together with all repeats they lie apart.
struct Repeat {
  std::string name;
  double wide = 0;
  double tall = 0;
  bool picture = false;  ///< whether its proportion is to be kept
  std::vector<Polygon> cells;

  friend bool operator==(const Repeat&, const Repeat&) = default;
};

/// An artwork held in common by all copies of a document; compared by what it is.
class SharedRepeat {
 public:
  SharedRepeat() = default;
  explicit SharedRepeat(Repeat artwork)
      : artwork_(std::make_shared<const Repeat>(std::move(artwork))) {}

  explicit operator bool() const { return artwork_ != nullptr; }
  const Repeat& operator*() const { return *artwork_; }
  const Repeat* operator->() const { return artwork_.get(); }

  friend bool operator==(const SharedRepeat& a, const SharedRepeat& b) {
    return a.artwork_ == b.artwork_ || (a.artwork_ && b.artwork_ && *a.artwork_ == *b.artwork_);
  }

 private:
  std::shared_ptr<const Repeat> artwork_;
};

/// What was found in a drawing.
struct FoundRepeat {
  Repeat artwork;
  int across = 1;     ///< how often the drawing shows it side by side
  int up = 1;         ///< and one above the other
  Length missAcross;  ///< how far its left and right edges miss each other
  Length missUp;      ///< and its lower and upper
  Length lineWidth;   ///< of the lines between cells, the middle one of all
  std::vector<Sentence> notes;
};

/// Finds closed cells and the line work between them.
///
/// A filled shape, or a closed line, is a cell; one with two or more openings is line work, and its
/// openings are cells. Where lines are drawn open, the cells are what they part the page into. Half
/// of every line's width is off the cells beside it. What lies on top of a cell takes its place
/// away. A cell the page's edge cuts is joined with its other half where the two meet. Then the
/// smallest part is sought that repeats in the drawing; without one the drawing is the repeat.
///
/// Refused: nothing closed in it, more than 6000 cells or a million points, wider than 10 m.
Checked<FoundRepeat> findRepeat(const Drawing& drawing);

}  // namespace avrelt
