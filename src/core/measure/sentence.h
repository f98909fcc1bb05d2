// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <variant>
#include <vector>

#include "measure/angle.h"
#include "measure/length.h"

namespace avrelt {

/// Something the core has to say to the maker, kept apart from the language and the unit in which
/// it is shown.
///
/// `pattern` is an English sentence with places %1, %2 … that is also the key for translation;
/// `parts` fill the places. A Length is shown in whichever unit the reader works in.
struct Sentence {
  using Part = std::variant<std::string, Length, Angle, long>;

  std::string pattern;
  std::vector<Part> parts;

  friend bool operator==(const Sentence&, const Sentence&) = default;
};

/// The sentence with its places filled, lengths shown in `unit`.
std::string inWords(const Sentence& sentence, Unit unit);

/// The same with a pattern in another language; places may stand in another order.
std::string inWords(const std::string& translatedPattern, const std::vector<Sentence::Part>& parts,
                    Unit unit);

/// "180°", "15.1°": at most one decimal.
std::string angleText(Angle angle);
/// "2.3": with so many decimals at most, in every locale.
std::string numberText(double number, int decimals);

}  // namespace avrelt
