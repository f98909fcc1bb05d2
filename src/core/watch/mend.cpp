// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/mend.h"

namespace avrelt {

Sentence mendWords(const Mend& mend) {
  switch (mend.kind) {
    case MendKind::layLater:
      return mend.after == 1 ? Sentence{"Lay it after 1 coat", {}}
                             : Sentence{"Lay it after %1 coats", {long{mend.after}}};
    case MendKind::coatBetween:
      return {"Put a coat between", {}};
    case MendKind::filmUnder:
      return {"Put the film under", {}};
    case MendKind::clearFilm:
      return {"Take clear film", {}};
    case MendKind::noFilmRound:
      return {"Leave the film out", {}};
    case MendKind::leaveCoatOut:
      return {"Leave the coat out", {}};
    case MendKind::mixUsual:
      return {"Mix %1", {volumeText(mend.amount)}};
    case MendKind::paintOver:
      return {"Paint over it", {}};
    case MendKind::holdByGlue:
      return {"Hold it with glue", {}};
    case MendKind::filmThatStays:
      break;
  }
  return {"Take film that stays", {}};
}

}  // namespace avrelt
