// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/arranging.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <utility>

#include "sheet/fitting_turn.h"
#include "sheet/push.h"
#include "sheet/squeeze.h"

namespace avrelt {
namespace {

/// What drawing out rounds.
constexpr Length tolerance = Length::mm(0.01);
constexpr std::size_t latticesTried = 24;
constexpr std::size_t rowsKept = 64;
/// What fills so much of its box is laid as a rectangle.
constexpr double leastOfBox = 0.95;
/// And so much of what is laid by its box beside these.
constexpr double mostOfBox = 0.7;

/// Such a piece's rectangle; nothing of one that fills its box too little, or whose place others
/// depend on.
std::optional<Squared> squaredOf(const Piece& piece, Length gap) {
  if (piece.shape.empty() || !piece.clear.empty() || piece.together != 0) return std::nullopt;
  Squared made;
  if (piece.mayTurn == MayTurn::any) {
    Point side{};
    for (const std::vector<Point>& outline : piece.shape) {
      for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point edge = outline[i + 1 == outline.size() ? 0 : i + 1] - outline[i];
        if (norm(edge) > norm(side)) side = edge;
      }
    }
    // Not upside down: a side has no direction.
    if (side.x < 0 || (side.x == 0 && side.y < 0)) side = side * -1;
    made.turn = Angle::radians(-std::atan2(side.y, side.x));
  }
  const Polygon lying = mapped(piece.shape, turning(made.turn));
  // Openings that what is smaller might lie in count as room.
  double area = 0;
  for (const std::vector<Point>& outline : lying) area += signedArea(outline);
  const Box box = boundsOf(lying);
  const double fills = area / (box.width() * box.height());
  if (!(fills >= mostOfBox)) return std::nullopt;
  made.isRectangle = fills >= leastOfBox;
  made.size = {box.width() + gap.mm(), box.height() + gap.mm(), piece.mayTurn == MayTurn::any};
  return made;
}

/// What drawing out by so much takes off round the sharpest corner, at most.
double roundedOff(const Polygon& shape, double by) {
  double sharpest = 0;
  for (const std::vector<Point>& outline : shape) {
    for (std::size_t i = 0; i < outline.size(); ++i) {
      const Point in = outline[(i + 1) % outline.size()] - outline[i];
      const Point out = outline[(i + 2) % outline.size()] - outline[(i + 1) % outline.size()];
      sharpest = std::max(sharpest, std::atan2(cross(in, out), dot(in, out)));
    }
  }
  return std::min(tolerance.mm(), by * (1 - std::cos(sharpest / 2)));
}

}  // namespace

Arranging::Arranging(std::vector<Piece> pieces, std::vector<FilmPiece> films,
                     const ArrangeRules& rules)
    : pieces_(std::move(pieces)), films_(std::move(films)), rules_(rules) {
  for (const Piece& piece : pieces_) {
    grown_.push_back(
        offsetBy(piece.clear.empty() ? piece.shape : unionOf({piece.shape, piece.clear}),
                 rules_.gap / 2 + tolerance, Corners::round));
    // With its openings, which what is smaller may lie in; a long thin one finds its room first.
    double area = 0;
    for (const std::vector<Point>& outline : piece.shape) {
      area += std::max(0.0, signedArea(outline));
    }
    const Box box = boundsOf(piece.shape);
    areas_.push_back(std::max(area, std::max(box.width(), box.height()) * 10));
    squared_.push_back(squaredOf(piece, rules_.gap));
  }
  lattices_.resize(pieces_.size());
}

ArrangeOrder Arranging::plainOrder() const {
  std::vector<std::size_t> sorted(pieces_.size());
  std::iota(sorted.begin(), sorted.end(), std::size_t{0});
  std::stable_sort(sorted.begin(), sorted.end(),
                   [&](std::size_t a, std::size_t b) { return areas_[a] > areas_[b]; });
  ArrangeOrder order;
  for (const std::size_t i : sorted) order.groups.push_back({i, pieces_[i].copies});
  return order;
}

Rectangles Arranging::rectangles() const {
  // Edge to edge they are laid on plain film.
  bool plain = false;
  for (std::size_t film = 0; film < films_.size(); ++film) plain = plain || isPlain(film);
  if (!plain) return Rectangles::none;
  int copies = 0;
  bool all = true;
  for (std::size_t i = 0; i < pieces_.size(); ++i) {
    const bool is = squared_[i] && squared_[i]->isRectangle;
    copies += is ? pieces_[i].copies : 0;
    all = all && is;
  }
  return copies < 2 ? Rectangles::none : all ? Rectangles::all : Rectangles::some;
}

void Arranging::beginFor(const ArrangeOrder& order) {
  cell_ = rules_.raster.mm() / (order.fine ? 2 : 1);
  turns_ = rules_.turns * (order.fine ? 3 : 1);
}

int Arranging::cells(std::size_t film, Length side) const {
  return std::max(0, static_cast<int>(std::floor(free(film, side) / cell() + 1e-9)));
}

const Room& Arranging::emptyRoom(std::size_t film) {
  const FilmPiece& piece = films_[film];
  const auto [found, isNew] = emptyRooms_.try_emplace({film, cell()}, cells(film, piece.size.wide),
                                                      cells(film, piece.size.tall));
  Room& room = found->second;
  if (!isNew) return room;
  if (isPlain(film)) return room;
  // What is not film, or its margin, is taken.
  const double wide = piece.size.wide.mm();
  const double tall = piece.size.tall.mm();
  const Polygon all{{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}};
  const Length in = piece.size.margin - rules_.gap / 2;
  Polygon usable =
      piece.outline.empty() ? all : offsetBy(piece.outline, in * -1 - tolerance, Corners::round);
  if (!piece.room.empty()) {
    usable = usable & offsetBy(piece.room, rules_.gap / 2 - tolerance, Corners::sharp);
  }
  const double low = inset(film);
  const Polygon outside =
      movedBy(mapped(all, {1.2, 0, 0, 1.2, -0.1 * wide, -0.1 * tall}) - usable, Point{-low, -low});
  const Point origin{std::floor(boundsOf(outside).low.x / cell()) * cell(),
                     std::floor(boundsOf(outside).low.y / cell()) * cell()};
  room.take(rasterOf(outside, cell(), origin), static_cast<int>(std::lround(origin.y / cell())),
            static_cast<int>(std::lround(origin.x / cell())));
  return room;
}

void Arranging::takeAt(Room& room, std::size_t film, std::size_t piece, Angle turn,
                       Point at) const {
  const Point corner{inset(film), inset(film)};
  const Polygon shape = movedBy(mapped(grown_[piece], turning(turn)), at - corner);
  const Point low = boundsOf(shape).low;
  const auto column = static_cast<int>(std::floor(low.x / cell()));
  const auto row = static_cast<int>(std::floor(low.y / cell()));
  room.take(rasterOf(shape, cell(), {column * cell(), row * cell()}), row, column);
}

std::optional<Angle> Arranging::slantOn(std::size_t piece, std::size_t film) {
  const auto [found, isNew] = slants_.try_emplace({piece, film});
  if (!isNew || pieces_[piece].mayTurn != MayTurn::any) return found->second;
  const Box box = roomOf(films_[film]);
  const Length gap = rules_.gap;
  const std::optional<Angle> turn =
      fittingTurn(grown_[piece], Length::mm(box.width()) + gap, Length::mm(box.height()) + gap);
  if (!turn || isPlain(film)) return found->second = turn;
  // Corners may be missing: as many turns as could matter, the likeliest first.
  constexpr int turns = 72;
  const Room& room = emptyRoom(film);
  for (int i = 0; i < turns; ++i) {
    const Angle tried = *turn + Angle::turn() * (static_cast<double>(i) / turns);
    const Raster raster = rasterOf(mapped(grown_[piece], turning(tried)), cell());
    if (room.placeFor(raster, 0)) return found->second = tried;
  }
  return std::nullopt;
}

Polygon Arranging::usableOf(std::size_t film) const {
  constexpr Length hair = Length::mm(0.0005);
  const FilmPiece& piece = films_[film];
  const double margin = piece.size.margin.mm();
  Polygon usable{{{margin, margin},
                  {piece.size.wide.mm() - margin, margin},
                  {piece.size.wide.mm() - margin, piece.size.tall.mm() - margin},
                  {margin, piece.size.tall.mm() - margin}}};
  if (!piece.outline.empty()) {
    usable = usable & offsetBy(piece.outline, piece.size.margin * -1, Corners::round);
  }
  if (!piece.room.empty()) usable = usable & piece.room;
  return offsetBy(usable, hair, Corners::sharp);
}

std::optional<Laid> Arranging::closelyOn(std::size_t piece, std::size_t film) {
  const auto [found, isNew] = closely_.try_emplace({piece, film});
  if (!isNew) return found->second;
  const Polygon& shape = pieces_[piece].shape;
  const Polygon usable = usableOf(film);
  if (shape.empty() || usable.empty()) return std::nullopt;
  const Box room = boundsOf(usable);
  std::vector<Angle> turns{Angle()};
  if (pieces_[piece].mayTurn == MayTurn::any) {
    const auto turn = fittingTurn(shape, Length::mm(room.width()), Length::mm(room.height()));
    if (!turn) return std::nullopt;
    turns = {*turn, *turn + Angle::halfTurn()};
  } else if (pieces_[piece].mayTurn == MayTurn::half) {
    turns.push_back(Angle::halfTurn());
  }
  for (const Angle turn : turns) {
    const Polygon lying = mapped(shape, turning(turn));
    const Box box = boundsOf(lying);
    const double right = room.width() - box.width();
    const double up = room.height() - box.height();
    if (right < 0 || up < 0) continue;
    // From the lowest place up, then to the right.
    constexpr int places = 5;
    for (int i = 0; i < places * places; ++i) {
      const int row = i / places;
      const int column = i % places;
      const Point at =
          room.low - box.low + Point{right * column / (places - 1), up * row / (places - 1)};
      if (!(movedBy(lying, at) - usable).empty()) continue;
      return found->second = Laid{piece, 0, 0, turn, at};
    }
  }
  return std::nullopt;
}

/// The edge of a piece drawn out, without its openings.
const std::vector<Point>& Arranging::outerOf(std::size_t piece) const {
  return *std::max_element(
      grown_[piece].begin(), grown_[piece].end(),
      [](const auto& a, const auto& b) { return signedArea(a) < signedArea(b); });
}

const std::vector<Lattice>& Arranging::latticesOf(std::size_t piece) {
  std::unique_ptr<std::vector<Lattice>>& made = lattices_[piece];
  if (!made) {
    made = std::make_unique<std::vector<Lattice>>();
    // One outline round all of it; several that keep their places are no rows' work.
    const auto outlines = std::count_if(grown_[piece].begin(), grown_[piece].end(),
                                        [](const auto& one) { return signedArea(one) > 0; });
    if (outlines == 1) {
      *made = denseLattices(simplified(outerOf(piece), tolerance / 2), latticesTried);
    }
  }
  return *made;
}

const std::vector<std::vector<LatticePlace>>& Arranging::rowsOn(std::size_t piece, std::size_t film,
                                                                std::size_t wanted) {
  const auto [found, isNew] = rows_.try_emplace({piece, film, wanted});
  if (isNew && !latticesOf(piece).empty()) {
    const SheetSize& size = films_[film].size;
    const double wide = free(film, size.wide);
    // Few small ones want a corner of the sheet, not all of it laid for each way that is tried.
    const Box box = boundsOf(Polygon{outerOf(piece)});
    const double across = std::hypot(box.width(), box.height());
    constexpr double roomier = 4;
    const double each = latticesOf(piece).front().areaEach().mm2();
    const double wantedTall = roomier * static_cast<double>(wanted) * each / wide + 3 * across;
    found->second = latticesOn(outerOf(piece), latticesOf(piece), Length::mm(wide),
                               Length::mm(std::min(free(film, size.tall), wantedTall)),
                               pieces_[piece].mayTurn, wanted, rowsKept);
    for (std::vector<LatticePlace>& places : found->second) {
      for (LatticePlace& place : places) place.at = place.at + Point{inset(film), inset(film)};
    }
  }
  return found->second;
}

const std::vector<LatticePlace>& Arranging::squeezed(const ArrangeOrder::Squeezed& what) {
  const auto [found, isNew] =
      squeezedOn_.try_emplace({what.piece, what.film, what.count, what.seed});
  const Piece& piece = pieces_[what.piece];
  if (!isNew || !piece.clear.empty() || latticesOf(what.piece).empty()) return found->second;
  const SheetSize& size = films_[what.film].size;
  // As narrow as can be, and what squeezing leaves.
  const double half = rules_.gap.mm() / 2;
  const Polygon wider = offsetBy(
      piece.shape, Length::mm(half + squeezeLeaves.mm() * 1.5 + roundedOff(piece.shape, half)),
      Corners::round);
  if (wider.size() != 1) return found->second;
  auto places =
      squeezedOn(simplified(wider.front(), tolerance / 10), latticesOf(what.piece),
                 Length::mm(free(what.film, size.wide)), Length::mm(free(what.film, size.tall)),
                 piece.mayTurn, what.count, what.seed);
  if (!places) return found->second;
  // Exactly, by their true sides.
  Arrangement sheet;
  sheet.sheets.push_back({what.film, {}});
  const double margin = size.margin.mm();
  const Box room{{margin, margin}, {size.wide.mm() - margin, size.tall.mm() - margin}};
  for (LatticePlace& place : *places) {
    place.at = place.at + Point{inset(what.film), inset(what.film)};
    sheet.laid.push_back({what.piece, 0, 0, place.turn, place.at});
    const Box box = boundsOf(shapeAt(piece, sheet.laid.back()));
    if (!room.contains(box.low) || !room.contains(box.high)) return found->second;
  }
  if (leastBetween(pieces_, sheet) >= rules_.gap) found->second = std::move(*places);
  return found->second;
}

void Arranging::push(Arrangement& arrangement, const Arrangement& kept) const {
  for (std::size_t sheet = 0; sheet < arrangement.sheets.size(); ++sheet) {
    UsedSheet& used = arrangement.sheets[sheet];
    if (!isPlain(used.film)) continue;
    std::vector<Pushed> shapes;
    std::vector<std::size_t> which;
    for (std::size_t i = 0; i < arrangement.laid.size(); ++i) {
      const Laid& laid = arrangement.laid[i];
      if (laid.sheet != sheet) continue;
      const bool stays = std::find(kept.laid.begin(), kept.laid.end(), laid) != kept.laid.end();
      Polygon shape;
      for (const std::vector<Point>& outline : grown_[laid.piece]) {
        shape.push_back(simplified(outline, tolerance / 2));
      }
      shapes.push_back({movedBy(mapped(shape, turning(laid.turn)), laid.at), stays});
      which.push_back(i);
    }
    pushTogether(shapes, {inset(used.film), inset(used.film)});
    used.reaches = {};
    for (std::size_t i = 0; i < which.size(); ++i) {
      Laid& laid = arrangement.laid[which[i]];
      laid.at = laid.at + shapes[i].by;
      used.reaches =
          std::max(used.reaches, Length::mm(boundsOf(shapeAt(pieces_[laid.piece], laid)).high.y));
    }
  }
}

}  // namespace avrelt
