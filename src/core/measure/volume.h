// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <string>
#include <string_view>

#include "measure/fault.h"

namespace avrelt {

/// How much there is of a liquid. Held in millilitres, which are cubic centimetres.
/// 1 US fl oz = 29.5735 ml (NIST Handbook 44, Appendix C).
class Volume {
 public:
  static constexpr double mlPerFluidOunce = 29.5735;

  constexpr Volume() = default;
  static constexpr Volume ml(double value) { return Volume(value); }
  static constexpr Volume fluidOunces(double value) { return Volume(value * mlPerFluidOunce); }

  constexpr double ml() const { return ml_; }
  constexpr double mm3() const { return ml_ * 1000; }

  friend constexpr Volume operator+(Volume a, Volume b) { return Volume(a.ml_ + b.ml_); }
  friend constexpr Volume operator*(Volume a, double factor) { return Volume(a.ml_ * factor); }
  friend constexpr Volume operator/(Volume a, double divisor) { return Volume(a.ml_ / divisor); }
  friend constexpr auto operator<=>(Volume a, Volume b) = default;

 private:
  constexpr explicit Volume(double ml) : ml_(ml) {}
  double ml_ = 0;
};

/// Reads "30", "30 ml", "22,5 ml", "1 fl oz", "1.5 oz": millilitres where no unit is given. From 0
/// to 5 litres; anything else is refused with what would be accepted.
Checked<Volume> parseVolume(std::string_view text);

/// "22.5 ml": one decimal at most.
std::string volumeText(Volume volume);

}  // namespace avrelt
