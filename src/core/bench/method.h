// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "bench/method_kind.h"
#include "bench/mix.h"
#include "bench/wait.h"
#include "divide/cut.h"
#include "measure/duration.h"
#include "measure/sentence.h"
#include "measure/temperature.h"

namespace avrelt {

/// "resin", "brush_glue" …: as files write it.
const char* methodName(MethodKind kind);
/// As people read it: "Fast resin".
Sentence methodTitle(MethodKind kind);
/// The method a file means; none where it knows no such.
std::optional<MethodKind> methodNamed(const std::string& name);

/// How one behaves in this shop. The defaults are cautious figures of common practice, no
/// published source; what its maker's data sheet says goes first.
struct Method {
  MethodKind kind = MethodKind::resin;
  Wait open{};      ///< from putting it on to what goes into it: glitter into glue
  Wait pull{};      ///< from then to the moment tape round it comes off
  Wait next{};      ///< to whatever goes over it
  Duration handle;  ///< till it may be handled
  Duration cure;    ///< till it is done with
  bool mayBeLast = true;
  Duration handsOn;      ///< to put one coat of it on
  Duration working{};    ///< once mixed, it is put on within this; 0 where it need not be mixed
  ResinMixing mixing{};  ///< of a resin
  Duration touch{};      ///< till it is touch-dry: the next coat of the same, the next colour

  friend bool operator==(const Method&, const Method&) = default;
};

/// The methods of a shop.
struct Methods {
  std::array<Method, methodKinds> all;

  Methods();
  const Method& of(MethodKind kind) const { return all[static_cast<std::size_t>(kind)]; }
  Method& of(MethodKind kind) { return all[static_cast<std::size_t>(kind)]; }

  friend bool operator==(const Methods&, const Methods&) = default;
};

/// One figure of a method that a maker may set, by the name files know it by. Times are minutes; a
/// longest wait that is none is below 0.
struct MethodFigure {
  const char* name;
  double least;
  double most;
  bool ofResin;  ///< means nothing for other methods
  double (*get)(const Method&);
  void (*set)(Method&, double);
};
const std::vector<MethodFigure>& methodFigures();
/// Why a method cannot be so, if it cannot: a figure out of its range, a longest wait shorter than
/// the least.
std::optional<Sentence> faultOf(const Method& method);

/// As they behave in a room so warm; nothing said, as they are. A rule of thumb, no published
/// source: what cures by itself takes twice as long for each 10 °C below 21 °C, and half as long
/// for each above. Kept cautious: where it is colder the least waits grow, where it is warmer only
/// the most waits and working times shrink. What dries, or cures under a lamp, is left as it is.
Methods methodsAt(const Methods& methods, std::optional<Temperature> warmth);

/// Below this resin sets slowly and milky: 65 °F; common practice, no published source.
inline constexpr Temperature coldForResin = Temperature::fahrenheit(65);

/// The method glitter is stuck by.
MethodKind methodOf(Stick stick);

}  // namespace avrelt
