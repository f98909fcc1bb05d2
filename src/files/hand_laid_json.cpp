// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/hand_laid_json.h"

#include "files/json_writing.h"

namespace avrelt {
namespace {

constexpr double farthest = 1e5;  // mm
constexpr int mostCopies = 100'000;

}  // namespace

HandLaid handLaidMembers(ObjectReader object) {
  HandLaid laid;
  object.text("purpose", laid.purpose);
  object.text("part", laid.part);
  object.wholeNumber("piece", mostCopies, laid.piece);
  object.wholeNumber("copy", mostCopies, laid.copy);
  object.wholeNumber("strips", mostCopies, laid.strips);
  double stock = 0;
  object.real("stock", 0, 1e15, stock);
  laid.stock = static_cast<long long>(stock);
  object.wholeNumber("sheet", mostCopies, laid.sheet);
  object.degrees("turn", -360, 360, laid.turn);
  object.real("right_mm", -farthest, farthest, laid.at.x);
  object.real("up_mm", -farthest, farthest, laid.at.y);
  laid.kept = object.kept();
  return laid;
}

Json written(const HandLaid& laid) {
  Json object = {{"purpose", laid.purpose}, {"part", laid.part}};
  if (laid.piece > 0) object["piece"] = laid.piece;
  if (laid.copy > 0) object["copy"] = laid.copy;
  if (laid.strips > 0) object["strips"] = laid.strips;
  if (laid.stock != 0) object["stock"] = laid.stock;
  if (laid.sheet > 0) object["sheet"] = laid.sheet;
  if (laid.turn != Angle()) object["turn"] = number(degreesOf(laid.turn));
  object["right_mm"] = number(laid.at.x);
  object["up_mm"] = number(laid.at.y);
  addKept(object, laid.kept);
  return object;
}

}  // namespace avrelt
