// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/printer.h"

#include <cmath>
#include <numbers>

namespace avrelt {

Printer usualPrinter(Paper paper) {
  Printer printer;
  if (paper == Paper::letter) return printer;
  printer.wide = Length::mm(210);
  printer.tall = Length::mm(297);
  printer.left = printer.right = printer.top = Length::mm(6);
  printer.bottom = Length::mm(12);
  return printer;
}

Faults faultsOf(const Printer& printer) {
  Faults faults;
  const auto refuseIf = [&](bool wrong, Member member, Sentence sentence) {
    if (wrong) faults.push_back({member, std::move(sentence)});
  };
  constexpr Length least = Length::mm(50);
  constexpr Length most = Length::mm(1200);
  refuseIf(printer.wide < least || printer.wide > most, Member::printerWide,
           {"How wide is a sheet for the printer? Give %1 to %2.", {least, most}});
  refuseIf(printer.tall < least || printer.tall > most, Member::printerTall,
           {"How tall is a sheet for the printer? Give %1 to %2.", {least, most}});
  refuseIf(printer.left < Length() || printer.left + printer.right > printer.wide - least / 2 ||
               printer.right < Length(),
           Member::printerLeft,
           {"The margins left and right leave too little to print on. Give less.", {}});
  refuseIf(printer.top < Length() || printer.top + printer.bottom > printer.tall - least / 2 ||
               printer.bottom < Length(),
           Member::printerTop,
           {"The margins above and below leave too little to print on. Give less.", {}});
  refuseIf(printer.dotsPerInch < 72 || printer.dotsPerInch > 600, Member::printerDots,
           {"How many dots to the inch? Give 72 to 600.", {}});
  refuseIf(printer.bleed < Length() || printer.bleed > Length::mm(5), Member::printerBleed,
           {"How far is print to go beyond what is cut? Give up to %1.", {Length::mm(5)}});
  return faults;
}

MarkPlaces markPlaces(const Printer& printer, Length wide, Length tall) {
  const double r = markRadius.mm();
  const double left = printer.left.mm() + r;
  const double low = printer.bottom.mm() + r;
  return {Point{left, low}, Point{(wide - printer.right).mm() - r, low},
          Point{left, (tall - printer.top).mm() - r}};
}

Polygon markShape() {
  constexpr int steps = 16;
  const double r = markRadius.mm();
  Polygon shape;
  for (const int quarter : {0, 2}) {
    std::vector<Point> outline{{0, 0}};
    for (int i = 0; i <= steps; ++i) {
      const double a = (quarter + static_cast<double>(i) / steps) * std::numbers::pi / 2;
      outline.push_back({r * std::cos(a), r * std::sin(a)});
    }
    shape.push_back(std::move(outline));
  }
  return shape;
}

namespace {

/// What can be printed, less its bleed and the corners of these marks.
template <typename Marks>
Polygon roomWithin(const Printer& printer, Length wide, Length top, const Marks& marks) {
  const double bleed = printer.bleed.mm();
  const Point low{printer.left.mm() + bleed, printer.bottom.mm() + bleed};
  const Point high{(wide - printer.right).mm() - bleed, top.mm()};
  if (low.x >= high.x || low.y >= high.y) return {};
  Polygon room{{low, {high.x, low.y}, high, {low.x, high.y}}};
  if (!printer.marks) return room;
  const double away = (markRadius + markClear + printer.bleed).mm();
  for (const Point at : marks) {
    room = room - Polygon{{at + Point{-away, -away}, at + Point{away, -away},
                           at + Point{away, away}, at + Point{-away, away}}};
  }
  return room;
}

}  // namespace

Polygon printRoom(const Printer& printer, Length wide, Length tall) {
  return roomWithin(printer, wide, tall - printer.top - printer.bleed,
                    markPlaces(printer, wide, tall));
}

Polygon printRoomOfRoll(const Printer& printer, Length wide, Length tall) {
  const MarkPlaces marks = markPlaces(printer, wide, tall);
  return roomWithin(printer, wide, tall - abovePrint(printer), std::array{marks[0], marks[1]});
}

Length abovePrint(const Printer& printer) {
  const Length print = printer.top + printer.bleed;
  return printer.marks ? print + markRadius * 2 + markClear : print;
}

}  // namespace avrelt
