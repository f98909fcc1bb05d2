// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/film_shelf.h"

#include <algorithm>
#include <cmath>

#include "measure/colour.h"

namespace avrelt {

const char* shapeName(StockShape shape) {
  switch (shape) {
    case StockShape::roll:
      return "roll";
    case StockShape::offcut:
      return "offcut";
    case StockShape::sheet:
      break;
  }
  return "sheet";
}

Area areaOf(const FilmStock& stock) {
  const double one = stock.outline.empty() ? stock.wide.mm() * stock.tall.mm()
                                           : std::abs(signedArea(stock.outline));
  return Area::mm2(one * static_cast<double>(stock.shape == StockShape::sheet ? stock.count : 1));
}

const ShelfFilm* FilmShelf::filmOf(long long key) const {
  const auto found = std::find_if(films.begin(), films.end(),
                                  [key](const ShelfFilm& film) { return film.key == key; });
  return found == films.end() ? nullptr : &*found;
}

const ShelfFilm* FilmShelf::likeliest(PartMaterial kind, const std::string& colour) const {
  const ShelfFilm* best = nullptr;
  double least = alikeUnder;
  for (const ShelfFilm& film : films) {
    if (film.kind != kind) continue;
    const double off = colour.empty() || film.colour.empty()
                           ? (colour.empty() ? 0 : alikeUnder)
                           : colourDifference(labOf(colour), labOf(film.colour));
    if (off >= least) continue;
    least = off;
    best = &film;
  }
  return best;
}

Faults faultsOf(const FilmStock& stock) {
  Faults faults;
  const auto refuseIf = [&](bool wrong, Member member, const char* words) {
    if (wrong) faults.push_back({member, {words, {}}});
  };
  constexpr Length least = Length::mm(10);
  constexpr Length widest = Length::mm(3000);
  constexpr Length longest = Length::mm(100'000);
  constexpr long most = 10'000;
  refuseIf(!(stock.wide >= least && stock.wide <= widest), Member::stockWide,
           "How wide is it? Give 10 mm to 3 m.");
  refuseIf(!(stock.tall >= least && stock.tall <= longest), Member::stockTall,
           "How long is it? Give 10 mm to 100 m.");
  refuseIf(stock.count < 0 || stock.count > most, Member::stockCount,
           "How many are there? Give 0 to 10000.");
  if (!stock.outline.empty()) {
    // What crosses itself encloses another area one way than the other.
    std::vector<Polyline> lines;
    double turns = 0;
    for (const std::vector<Point>& outline : stock.outline) {
      lines.push_back({outline, true});
      turns += signedArea(outline);
    }
    const double odd = signedArea(enclosedBy(lines, true));
    const double wound = signedArea(enclosedBy(lines, false));
    constexpr double hair = 0.01;
    refuseIf(std::abs(odd - wound) > hair || std::abs(odd - std::abs(turns)) > hair || odd < 100,
             Member::stockOutline, "The offcut's outline crosses itself. Draw it again.");
  }
  return faults;
}

}  // namespace avrelt
