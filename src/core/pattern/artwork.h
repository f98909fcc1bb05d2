// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "measure/fault.h"
#include "shape/polygon.h"

namespace avrelt {

/// One shape of a drawing as somebody drew it, in mm, y up.
struct DrawnShape {
  std::vector<Polyline> lines;
  bool filled = false;
  bool evenOdd = false;
  Length stroke;     ///< width of its line; 0 for none
  std::string name;  ///< its id in the drawing, or which it is
};

/// Line art from outside: its page from (0, 0) to (wide, tall), and what is drawn on it, the
/// undermost first.
struct Drawing {
  std::string name;
  Length wide;
  Length tall;
  std::vector<DrawnShape> shapes;
  std::vector<Sentence> notes;  ///< what was left out, and why
};

/// One repeat of an artwork, from (0, 0) to (wide, tall) in mm: its cells with the lines between
/// them off. A cell may reach over into the next repeat; together with all repeats they lie apart.
struct Artwork {
  std::string name;
  double wide = 0;
  double tall = 0;
  bool picture = false;  ///< whether its proportion is to be kept
  std::vector<Polygon> cells;

  friend bool operator==(const Artwork&, const Artwork&) = default;
};

/// An artwork held in common by all copies of a document; compared by what it is.
class SharedArtwork {
 public:
  SharedArtwork() = default;
  explicit SharedArtwork(Artwork artwork)
      : artwork_(std::make_shared<const Artwork>(std::move(artwork))) {}

  explicit operator bool() const { return artwork_ != nullptr; }
  const Artwork& operator*() const { return *artwork_; }
  const Artwork* operator->() const { return artwork_.get(); }

  friend bool operator==(const SharedArtwork& a, const SharedArtwork& b) {
    return a.artwork_ == b.artwork_ || (a.artwork_ && b.artwork_ && *a.artwork_ == *b.artwork_);
  }

 private:
  std::shared_ptr<const Artwork> artwork_;
};

/// What was found in a drawing.
struct FoundArtwork {
  Artwork artwork;
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
Checked<FoundArtwork> findArtwork(const Drawing& drawing);

}  // namespace avrelt
