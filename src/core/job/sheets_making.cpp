// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/sheets_making.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "sheet/laid_out.h"
#include "sheet/split_part.h"

namespace avrelt {
namespace {

/// Whether film goes through a printer, and where parts may lie on it then. A roll is printed on
/// piece by piece, each as long as a sheet at most.
bool mayPrintOn(FilmPiece& piece, const Printer& printer) {
  if (piece.size.wide > printer.wide) return false;
  const double wide = piece.size.wide.mm();
  const double tall = piece.size.tall.mm();
  piece.size.margin = {};
  if (piece.roll) {
    if (!printer.rolls) return false;
    piece.size.tall = std::min(piece.size.tall, printer.tall);
    piece.count = static_cast<std::size_t>(tall / piece.size.tall.mm() + 1e-9);
    piece.above = abovePrint(printer);
    piece.room = printRoomOfRoll(printer, piece.size.wide, piece.size.tall);
    return !piece.room.empty();
  }
  // Of offcuts what has four square corners.
  const bool square = piece.outline.empty() || signedArea(piece.outline) > wide * tall * (1 - 1e-6);
  if (!square || piece.size.tall > printer.tall) return false;
  piece.room = printRoom(printer, piece.size.wide, piece.size.tall);
  return !piece.room.empty();
}

}  // namespace

void takeStock(FilmSheets& film, const FilmShelf& shelf, const SheetChoices& choices) {
  struct Ranked {
    int rank;
    double area;
    FilmPiece piece;
    long long key;
  };
  std::vector<Ranked> all;
  for (const FilmStock& stock : shelf.stock) {
    if (!film.film || stock.film != film.film->key || stock.count < 1 || !faultsOf(stock).empty()) {
      continue;
    }
    FilmPiece piece;
    piece.size = {stock.wide, stock.tall, choices.size.margin};
    piece.count = static_cast<std::size_t>(stock.shape == StockShape::sheet ? stock.count : 1);
    piece.roll = stock.shape == StockShape::roll;
    if (stock.shape == StockShape::offcut) {
      const double wide = stock.wide.mm();
      const double tall = stock.tall.mm();
      piece.outline = stock.outline;
      if (piece.outline.empty()) {
        piece.outline = {{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
      }
    }
    if (film.prints() && !mayPrintOn(piece, choices.printer)) {
      ++film.notFed;
      continue;
    }
    const int rank = stock.shape == StockShape::offcut  ? 0
                     : stock.shape == StockShape::sheet ? 1
                                                        : 2;
    all.push_back({rank, stock.wide.mm() * stock.tall.mm(), std::move(piece), stock.key});
  }
  std::stable_sort(all.begin(), all.end(), [](const Ranked& a, const Ranked& b) {
    return std::pair(a.rank, a.area) < std::pair(b.rank, b.area);
  });
  for (Ranked& one : all) {
    film.from.push_back(std::move(one.piece));
    film.stock.push_back(one.key);
  }
  if (film.prints()) {
    const Printer& printer = choices.printer;
    film.from.push_back({{printer.wide, printer.tall, {}},
                         FilmPiece::many,
                         false,
                         {},
                         printRoom(printer, printer.wide, printer.tall)});
  } else {
    film.from.push_back({choices.size, FilmPiece::many, false, {}});
  }
  film.stock.push_back(0);
}

namespace {

/// Whether a piece may be turned so.
bool mayTurnBy(const Piece& piece, Angle turn) {
  constexpr double exact = 1e-6;
  if (piece.mayTurn == MayTurn::any) return true;
  const double off = std::abs(turn.wrapped().degrees());
  return off < exact || (piece.mayTurn == MayTurn::half && std::abs(off - 180) < exact);
}

/// Whether a part lies on an empty sheet of a film.
bool liesOn(const FilmPiece& from, const Part& part, Length gap) {
  ArrangeRules rules;
  rules.gap = gap;
  rules.lattices = false;
  FilmPiece one = from;
  one.count = 1;
  return !Arranger({{pieceShape(part), 1, part.mayTurn}}, {one}, rules)().laid.empty();
}

/// A part in pieces that fit a sheet of a film. Where corners of it cannot be used, what fits its
/// sides may not fit it: then by less of these.
std::vector<Part> partedOn(const FilmPiece& from, const Part& part, Length lap, Length gap) {
  const Box room = roomOf(from);
  const bool plain = from.outline.empty() && from.room.empty();
  for (const double share : {1.0, 0.95, 0.9, 0.85, 0.8, 0.7, 0.6}) {
    std::vector<Part> parted =
        splitToFit(part, Length::mm(room.width() * share), Length::mm(room.height() * share), lap);
    if (plain) return parted;
    if (!parted.empty() && std::all_of(parted.begin(), parted.end(), [&](const Part& piece) {
          return liesOn(from, piece, gap);
        })) {
      return parted;
    }
  }
  return {};
}

/// A part in pieces that fit one of a film's sheets, as few as may be; none where that cannot be.
std::vector<Part> partedFor(const FilmSheets& film, const Part& part, Length lap) {
  std::vector<Part> best;
  if (part.kind != PartKind::film && part.kind != PartKind::stencil &&
      part.kind != PartKind::strip) {
    return best;
  }
  for (const FilmPiece& from : film.from) {
    std::vector<Part> parted = partedOn(from, part, lap, film.gap);
    if (!parted.empty() && (best.empty() || parted.size() < best.size())) best = std::move(parted);
  }
  return best;
}

}  // namespace

bool layOne(FilmSheets& film, const Laid& laid) {
  const Piece& piece = film.pieces()[laid.piece];
  if (!mayTurnBy(piece, laid.turn) || !mayLie(film, laid, laid)) return false;
  Length& reaches = film.arrangement.sheets[laid.sheet].reaches;
  reaches = std::max(reaches, Length::mm(boundsOf(shapeAt(piece, laid)).high.y));
  film.arrangement.laid.push_back(laid);
  return true;
}

bool partLongOnes(FilmSheets& film, std::vector<Piece>& pieces, Length lap) {
  bool any = false;
  for (const NotLaid& one : film.arrangement.notLaid) {
    if (one.why != NotLaid::Why::tooLarge) continue;
    const SheetPart whole = film.parts[one.piece];
    const Piece old = pieces[one.piece];
    Part like = *whole.part;
    like.mayTurn = old.mayTurn;
    std::vector<Part> parted = partedFor(film, like, lap);
    for (std::size_t i = 0; i < parted.size(); ++i) {
      any = true;
      film.made.push_back(std::make_shared<const Part>(std::move(parted[i])));
      SheetPart part = whole;
      part.part = film.made.back().get();
      part.piece = static_cast<long>(i) + 1;
      part.pieces = static_cast<long>(parted.size());
      Piece piece{pieceShape(*part.part), old.copies, old.mayTurn, {}, old.together};
      for (const FilmPiece& from : film.from) {
        const Box room = roomOf(from);
        const auto turn = turnToFit(piece.shape, Length::mm(room.width()),
                                    Length::mm(room.height()), old.mayTurn == MayTurn::any);
        if (turn) piece.turnedFirst = *turn;
      }
      // The first takes the whole one's place.
      if (i == 0) {
        film.parts[one.piece] = part;
        pieces[one.piece] = piece;
      } else {
        film.parts.push_back(part);
        pieces.push_back(piece);
      }
    }
  }
  return any;
}

}  // namespace avrelt
