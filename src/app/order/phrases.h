// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

#include "cup/laying.h"
#include "cup/wall.h"
#include "measure/sentence.h"
#include "measure/tape.h"

namespace avrelt {

/// What the core has to say, in the language of the window and the unit in use.
QString say(const Sentence& sentence, Unit unit);

/// A length as a maker writes it: "9 3/8 in", "238.1 mm".
QString say(Length length, Unit unit);

/// "4.2 in²", "27.1 cm²".
QString say(Area area, Unit unit);

/// "ring sector", "4 bands", "12 gores", "sector with 24 slits".
QString layingWords(const Laying& laying);

/// "3 in up from the base, 2 in down from the rim, on the front": where to put the pencil.
QString say(const WallMark& mark, Unit unit);

/// "2.1 %": a share.
QString percentText(double share);

/// A length found on the tape, with what the nearest mark leaves where it leaves anything worth
/// a hundredth of a millimetre: "10 7/16 in" and "+0.004 in".
struct TapePhrase {
  QString mark;
  QString error;
};
TapePhrase onTape(Length length, Unit unit);

}  // namespace avrelt
