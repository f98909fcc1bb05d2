// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <variant>
#include <vector>

#include "measure/angle.h"
#include "measure/duration.h"
#include "measure/length.h"

namespace avrelt {

struct Sentence;

/// Words within a sentence that are a pattern with parts themselves: "film of zone C".
struct Phrase {
  std::shared_ptr<const Sentence> said;

  Phrase(const Sentence& sentence);  // NOLINT(google-explicit-constructor): a part of a sentence
  friend bool operator==(const Phrase& a, const Phrase& b);
};

/// Something the core has to say to the maker, kept apart from the language and the unit in which
/// it is shown.
///
/// `pattern` is an English sentence with places %1, %2 … that is also the key for translation;
/// `parts` fill the places. A Length is shown in whichever unit the reader works in.
struct Sentence {
  using Part = std::variant<std::string, Length, Angle, CupAngle, Duration, long, Phrase>;

  std::string pattern;
  std::vector<Part> parts;

  friend bool operator==(const Sentence&, const Sentence&) = default;
};

/// The sentence with its places filled, lengths shown in `unit`.
std::string inWords(const Sentence& sentence, Unit unit);

/// The same as papers and parts say it: lengths by `tapeText`.
std::string wordsOnPaper(const Sentence& sentence, Unit unit);

/// The same in another language: each pattern, phrases' too, as `translate` gives it. Places may
/// stand in another order there.
std::string inWords(const Sentence& sentence, Unit unit,
                    const std::function<std::string(const std::string& pattern)>& translate);

/// "180°", "15.1°": at most one decimal.
std::string angleText(Angle angle);
inline std::string angleText(CupAngle angle) {
  return angleText(angle.fromFront());
}
/// "2.3": with so many decimals at most, in every locale.
std::string numberText(double number, int decimals);

}  // namespace avrelt
