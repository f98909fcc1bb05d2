// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>

#include "divide/cut.h"
#include "measure/duration.h"
#include "measure/sentence.h"

namespace avrelt {

/// How long to wait: no shorter than the first, no longer than the second, where there is one.
struct Wait {
  Duration least;
  std::optional<Duration> most{};

  friend bool operator==(const Wait&, const Wait&) = default;
};

/// Ways of putting something on a cup that set, dry or cure.
enum class MethodKind {
  resin,
  fastResin,
  brushGlue,
  wetPaint,
  sprayClear,
  tackyGlue,
  uvResin,
  sealer,
  paint,
  sprayPaint,
  ink,
  dip,
};
inline constexpr std::size_t methodKinds = 12;
/// "resin", "brush_glue" …: as files write it.
const char* methodName(MethodKind kind);

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
  Duration handsOn;  ///< to put one coat of it on

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

/// The method glitter is stuck by.
MethodKind methodOf(Stick stick);

}  // namespace avrelt
