// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/divide_pieces.h"

#include <algorithm>
#include <cmath>

#include "measure/tape.h"

namespace avrelt {
namespace {

Path rectangle(double width, double height) {
  Path path{{0, 0}, {}};
  path.lineTo({width, 0});
  path.lineTo({width, height});
  path.lineTo({0, height});
  path.lineTo(path.start);
  return path;
}

Path between(Point a, Point b) {
  Path path{a, {}};
  path.lineTo(b);
  return path;
}

}  // namespace

std::vector<Piece> uprightGauge(const Divided& divided, const Body& body, Unit unit,
                                const std::string& cupName) {
  if (divided.marks.empty()) return {};
  constexpr double wide = 32;
  Piece piece;
  piece.id = "gauge";
  piece.role = PieceRole::uprightGauge;
  const double wall = body.wall().mm();
  piece.outline = rectangle(wide, wall);
  const Length step_ = step(usualGraduation(unit));
  const int perNumber = unit == Unit::inch ? 16 : 10;
  for (int i = 1; step_ * i < body.wall(); ++i) {
    const double y = (step_ * i).mm();
    const double tick = i % perNumber == 0 ? 6 : i % (perNumber / 2) == 0 ? 4 : 2.2;
    piece.guides.push_back({GuideKind::graduation, between({0, y}, {tick, y})});
    if (i % perNumber == 0) {
      piece.letterings.push_back(
          {{8, y}, Length::mm(2.4), Angle(), {"%1", {static_cast<long>(i / perNumber)}}});
    }
  }
  double lastWords = -HUGE_VAL;
  std::vector<const LineMark*> marks;
  for (const LineMark& mark : divided.marks) {
    const double y = mark.fromBase.mm();
    if (y > 0.5 && y < wall - 0.5) marks.push_back(&mark);
  }
  std::stable_sort(marks.begin(), marks.end(),
                   [](const LineMark* a, const LineMark* b) { return a->fromBase < b->fromBase; });
  for (const LineMark* mark : marks) {
    const double y = mark->fromBase.mm();
    piece.guides.push_back({GuideKind::front, between({10, y}, {wide, y})});
    // Lines that crowd share their words' room; the tick is drawn all the same.
    if (y - lastWords < 3.2) continue;
    lastWords = y;
    piece.letterings.push_back(
        {{21, y + 1.6}, Length::mm(2.2), Angle(), {"%1: %2", {mark->line, mark->fromBase}}});
  }
  if (wall > 40) {
    piece.letterings.push_back({{wide - 3, wall / 2},
                                Length::mm(2.4),
                                Angle::degrees(90),
                                {"%1: up the wall", {cupName}}});
  }
  return {piece};
}

std::vector<Piece> stripePieces(const std::vector<StripePlan>& stripes,
                                const std::string& cupName) {
  std::vector<Piece> pieces;
  for (const StripePlan& stripe : stripes) {
    if (stripe.kind != StripeKind::film) continue;
    const int count = stripe.copies + stripe.spares;
    Piece piece;
    piece.id = "stripe-" + std::to_string(pieces.size() + 1);
    piece.role = PieceRole::stripe;
    const double width = stripe.width.mm();
    const double length = stripe.length.mm();
    piece.outline = rectangle(length, width * count);
    for (int i = 1; i < count; ++i) {
      piece.slits.push_back(between({0, width * i}, {length, width * i}));
    }
    if (width * count > 3) {
      piece.letterings.push_back({{length / 2, width * count / 2},
                                  std::min(Length::mm(2.4), stripe.width * (0.6 * count)),
                                  Angle(),
                                  {"%1: line %2", {cupName, stripe.line}}});
    }
    pieces.push_back(std::move(piece));
  }
  return pieces;
}

void drawUprights(Piece& disc, const Divided& divided) {
  const double r = disc.bounds().width() / 2;
  for (const LineMark& mark : divided.marks) {
    if (mark.what.pattern != "upright") continue;
    const double a = mark.onCup.radians();
    // Seen from below, as the disc's other marks are.
    const Point out{-std::sin(a), -std::cos(a)};
    disc.guides.push_back({GuideKind::quarter, between({0, 0}, out * r)});
    disc.letterings.push_back(
        {out * (r * 0.86) + turnedLeft(out) * 3, Length::mm(2.6), Angle(), {"%1", {mark.line}}});
  }
}

}  // namespace avrelt
