// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/capacity.h"

namespace avrelt {

std::optional<Sentence> capacityNote(const Body& body, Volume stated) {
  const Length thin = Length::mm(0.5);
  const Volume most = body.holds(thin, thin);
  const Volume least = body.holds(Length::mm(12), Length::mm(25));
  if (stated > most) {
    return Sentence{
        "It is said to hold %1, but with these girths it holds %2 at most. Measure "
        "again, or check what is said.",
        {volumeText(stated), volumeText(most)}};
  }
  if (stated < least) {
    return Sentence{
        "It is said to hold %1, but with these girths it holds %2 even with a thick "
        "double wall. Measure again, or check what is said.",
        {volumeText(stated), volumeText(least)}};
  }
  return std::nullopt;
}

}  // namespace avrelt
