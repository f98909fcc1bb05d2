// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>

#include "app/fields/offer.h"
#include "divide/cut.h"

namespace avrelt {

/// The ways to stick glitter, to choose from.
inline void offerSticks(QComboBox& box) {
  const auto words = [](const char* text) {
    return QCoreApplication::translate("FinishPage", text);
  };
  offer<Stick>(box, {{Stick::resin, words(QT_TRANSLATE_NOOP("FinishPage", "resin"))},
                     {Stick::brushGlue, words(QT_TRANSLATE_NOOP("FinishPage", "brush-on glue"))},
                     {Stick::wetPaint, words(QT_TRANSLATE_NOOP("FinishPage", "wet paint"))},
                     {Stick::sprayClear, words(QT_TRANSLATE_NOOP("FinishPage", "spray clear"))},
                     {Stick::tackyGlue, words(QT_TRANSLATE_NOOP("FinishPage", "tacky glue"))},
                     {Stick::uvResin, words(QT_TRANSLATE_NOOP("FinishPage", "UV resin"))}});
}

/// How colour goes on that is no glitter and no film.
enum class PaintWay { brushed, sprayed, ink, dip };

inline PaintWay wayOf(const Finish& finish) {
  if (finish.kind == FinishKind::ink) return PaintWay::ink;
  if (finish.kind == FinishKind::dip) return PaintWay::dip;
  return finish.sprayed ? PaintWay::sprayed : PaintWay::brushed;
}
inline void takeWay(Finish& finish, PaintWay way) {
  finish.kind = way == PaintWay::ink   ? FinishKind::ink
                : way == PaintWay::dip ? FinishKind::dip
                                       : FinishKind::paint;
  finish.sprayed = way == PaintWay::sprayed;
}
inline void offerWays(QComboBox& box) {
  const auto words = [](const char* text) {
    return QCoreApplication::translate("FinishPage", text);
  };
  offer<PaintWay>(
      box, {{PaintWay::brushed, words(QT_TRANSLATE_NOOP("FinishPage", "brushed"))},
            {PaintWay::sprayed, words(QT_TRANSLATE_NOOP("FinishPage", "sprayed from a can"))},
            {PaintWay::ink, words(QT_TRANSLATE_NOOP("FinishPage", "ink, dripped and tilted"))},
            {PaintWay::dip, words(QT_TRANSLATE_NOOP("FinishPage", "dipped"))}});
}

}  // namespace avrelt
