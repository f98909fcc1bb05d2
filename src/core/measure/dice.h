// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <random>

namespace avrelt {

/// Numbers as if by chance, the same for a seed on every machine, which the library's distributions
/// are not.
class Dice {
 public:
  explicit Dice(std::uint64_t seed) : engine_(seed) {}

  /// From 0 up to but without 1.
  double share() { return static_cast<double>(engine_() >> 11U) * 0x1.0p-53; }
  double between(double low, double high) { return low + (high - low) * share(); }
  /// Which of so many, from 0.
  std::size_t one(std::size_t of) {
    return std::min(static_cast<std::size_t>(share() * static_cast<double>(of)), of - 1);
  }

 private:
  std::mt19937_64 engine_;
};

}  // namespace avrelt
