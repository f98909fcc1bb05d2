// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/arrangement.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "shape/edge_tree.h"

namespace avrelt {

Box roomOf(const FilmPiece& piece) {
  if (!piece.room.empty()) return boundsOf(piece.room);
  const double margin = piece.size.margin.mm();
  return {{margin, margin}, {piece.size.wide.mm() - margin, piece.size.tall.mm() - margin}};
}

std::vector<std::size_t> apartOn(const std::vector<Piece>& pieces, const std::vector<Laid>& laid) {
  std::map<std::size_t, std::set<std::size_t>> sheets;
  for (const Laid& one : laid) {
    if (pieces[one.piece].together != 0) sheets[pieces[one.piece].together].insert(one.sheet);
  }
  std::vector<std::size_t> apart;
  for (const auto& [together, on] : sheets) {
    if (on.size() > 1) apart.push_back(together);
  }
  return apart;
}

Area filmTaken(const Arrangement& arrangement, const std::vector<FilmPiece>& films) {
  double sum = 0;
  for (const UsedSheet& sheet : arrangement.sheets) {
    const FilmPiece& film = films[sheet.film];
    if (!film.outline.empty()) continue;
    const Length tall =
        film.roll ? std::min(sheet.reaches + film.size.margin + film.above, film.size.tall)
                  : film.size.tall;
    sum += film.size.wide.mm() * tall.mm();
  }
  return Area::mm2(sum);
}

bool isDenser(const Arrangement& a, const Arrangement& b, const std::vector<FilmPiece>& films) {
  const auto left = [](const Arrangement& one) {
    int copies = 0;
    for (const NotLaid& not_ : one.notLaid) copies += not_.copies;
    return copies;
  };
  if (left(a) != left(b)) return left(a) < left(b);
  if (a.apart.size() != b.apart.size()) return a.apart.size() < b.apart.size();
  const double hair = 1e-6;
  const double by = filmTaken(a, films).mm2() - filmTaken(b, films).mm2();
  if (std::abs(by) > hair) return by < 0;
  const auto last = [](const Arrangement& one) {
    return one.sheets.empty() ? 0 : one.sheets.back().reaches.mm();
  };
  return last(a) < last(b) - hair;
}

Polygon shapeAt(const Piece& piece, const Laid& laid) {
  return movedBy(mapped(piece.shape, turning(laid.turn)), laid.at);
}

Length leastBetween(const std::vector<Piece>& pieces, const Arrangement& arrangement) {
  Length least = Length::mm(1e7);
  std::vector<std::vector<EdgeTree>> sheets(arrangement.sheets.size());
  for (const Laid& laid : arrangement.laid) {
    EdgeTree here(shapeAt(pieces[laid.piece], laid));
    for (const EdgeTree& other : sheets[laid.sheet]) {
      const double away = norm(here.centre() - other.centre()) - here.reach() - other.reach();
      if (away < least.mm()) least = std::min(least, nearest(here, other).apart);
    }
    sheets[laid.sheet].push_back(std::move(here));
  }
  return least;
}

}  // namespace avrelt
