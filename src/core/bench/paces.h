// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include "bench/step.h"

namespace avrelt {

/// How long work of each kind takes in this shop, to one of what is usually reckoned for it.
struct Paces {
  static constexpr double least = 0.1;
  static constexpr double most = 10;

  std::array<double, stepKinds> all;

  Paces() { all.fill(1); }
  double of(StepKind kind) const { return all[static_cast<std::size_t>(kind)]; }
  double& of(StepKind kind) { return all[static_cast<std::size_t>(kind)]; }

  friend bool operator==(const Paces&, const Paces&) = default;
};

}  // namespace avrelt
