// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "job/sheets.h"

namespace avrelt {

/// A search for denser sheets. It goes on from whatever is denser by a hair, but changes what a
/// maker sees only where that gains something: a part more, parts kept together, film saved that
/// shows, or an offcut that can be used.
class SheetSearch {
 public:
  explicit SheetSearch(const SheetPlan& from) : tried_(from), best_(from) {}

  /// Tries a film once more; whether the best is another now.
  bool operator()(std::size_t film);

  const SheetPlan& best() const { return best_; }
  std::size_t films() const { return best_.films.size(); }

 private:
  SheetPlan tried_;
  SheetPlan best_;
};

/// Whether one way to lay a film's parts gains anything over another: lays more, keeps more
/// together, takes at least half a thousandth less film, or ends 10 mm lower on its last sheet.
bool isWorthwhile(const FilmSheets& found, const FilmSheets& before);

}  // namespace avrelt
