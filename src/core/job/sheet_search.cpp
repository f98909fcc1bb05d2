// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheet_search.h"

#include <algorithm>
#include <tuple>

namespace avrelt {

bool isWorthwhile(const FilmSheets& found, const FilmSheets& before) {
  const auto worse = [](const Arrangement& one) {
    int copies = 0;
    for (const NotLaid& left : one.notLaid) copies += left.copies;
    return std::make_tuple(copies, one.apart.size());
  };
  if (worse(found.arrangement) != worse(before.arrangement)) {
    return worse(found.arrangement) < worse(before.arrangement);
  }
  constexpr double leastShare = 5e-4;  // shown as 0.1 %
  const double was = filmTaken(before.arrangement, before.from).mm2();
  const double is = filmTaken(found.arrangement, found.from).mm2();
  if (is < was * (1 - leastShare)) return true;
  if (is > was) return false;
  constexpr Length usable = Length::mm(10);
  const auto ends = [](const Arrangement& one) {
    return one.sheets.empty() ? Length() : one.sheets.back().reaches;
  };
  return ends(found.arrangement) <= ends(before.arrangement) - usable;
}

bool SheetSearch::operator()(std::size_t film) {
  if (!improve(tried_, film)) return false;
  if (!isWorthwhile(tried_.films[film], best_.films[film])) return false;
  // Where prints lie otherwise, so do the backings that follow them: they are taken together.
  if (!tried_.alike.empty()) {
    best_ = tried_;
  } else {
    best_.films[film] = tried_.films[film];
  }
  return true;
}

}  // namespace avrelt
