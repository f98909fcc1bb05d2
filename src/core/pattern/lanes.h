// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <bit>
#include <cstdint>
#include <vector>

#include "pattern/colouring.h"

namespace avrelt {

using ColourMask = std::uint32_t;
inline constexpr std::size_t mostLaneColours = 32;

inline ColourMask colourBit(int colour) {
  return ColourMask{1} << static_cast<unsigned>(colour);
}

/// The same for a seed and a place everywhere (splitmix32).
inline std::uint32_t mixedSeed(std::uint32_t seed, std::uint32_t place) {
  std::uint32_t z = seed * 0x9E3779B9U + place * 0x85EBCA6BU + 0x6D2B79F5U;
  z = (z ^ (z >> 16)) * 0x85EBCA6BU;
  z = (z ^ (z >> 13)) * 0xC2B2AE35U;
  return z ^ (z >> 16);
}

/// A colouring under way that counts, for every thing, how many neighbours have each colour: eight
/// counts of a byte to a word, so that putting a colour is one addition a neighbour, and asking
/// what lies two steps away one addition a neighbour too. For things of up to 255 neighbours and 8
/// × `Words` colours.
template <std::size_t Words>
class Lanes {
 public:
  /// Counts by colour, sixteen bits each.
  using Counts = std::array<std::uint16_t, Words * 8>;

  explicit Lanes(const ColourTask& task)
      : colours_(task.neighbours.size(), -1), beside_(task.neighbours.size()) {
    starts_.reserve(task.neighbours.size() + 1);
    std::size_t total = 0;
    for (const std::vector<int>& list : task.neighbours) total += list.size();
    lists_.resize(total);
    starts_.push_back(0);
    int* next = lists_.data();
    for (const std::vector<int>& list : task.neighbours) {
      for (const int u : list) *next++ = u;
      starts_.push_back(static_cast<std::size_t>(next - lists_.data()));
    }
  }

  std::size_t size() const { return colours_.size(); }
  int colour(std::size_t v) const { return colours_[v]; }
  const std::vector<int>& all() const { return colours_; }
  const int* begin(std::size_t v) const { return lists_.data() + starts_[v]; }
  const int* end(std::size_t v) const { return lists_.data() + starts_[v + 1]; }
  int degree(std::size_t v) const { return static_cast<int>(starts_[v + 1] - starts_[v]); }

  void put(std::size_t v, int colour) {
    const int old = colours_[v];
    colours_[v] = colour;
    if constexpr (Words == 1) {
      // Both in one addition; what is taken away is borrowed from nobody, as it is there.
      const std::uint64_t change =
          (colour >= 0 ? one(colour) : 0) - (old >= 0 ? one(old) : std::uint64_t{0});
      for (const int* u = begin(v); u != end(v); ++u) {
        beside_[static_cast<std::size_t>(*u)][0] += change;
      }
    } else {
      for (const int* u = begin(v); u != end(v); ++u) {
        std::array<std::uint64_t, Words>& words = beside_[static_cast<std::size_t>(*u)];
        if (old >= 0) words[wordOf(old)] -= one(old);
        if (colour >= 0) words[wordOf(colour)] += one(colour);
      }
    }
  }

  int beside(std::size_t v, int colour) const {
    return static_cast<int>(beside_[v][wordOf(colour)] >> shiftOf(colour) & 0xFFU);
  }
  /// The colours that lie beside a thing.
  ColourMask besides(std::size_t v) const {
    ColourMask mask = 0;
    for (std::size_t w = 0; w < Words; ++w) {
      const std::uint64_t x = beside_[v][w];
      constexpr std::uint64_t low = 0x7F7F7F7F7F7F7F7FU;
      const std::uint64_t any =
          ((((x & low) + low) | x) & ~low) >> 7;  // a byte is 1 where it counts
      mask |= static_cast<ColourMask>(any * 0x0102040810204080U >> 56) << (8 * w);
    }
    return mask;
  }
  /// How often each colour lies two steps away, by as many ways as there are; a thing's own colour
  /// is counted once for each of its neighbours.
  Counts twoAway(std::size_t v) const {
    constexpr std::uint64_t evens = 0x00FF00FF00FF00FFU;
    std::array<std::uint64_t, Words> even{};
    std::array<std::uint64_t, Words> odd{};
    for (const int* u = begin(v); u != end(v); ++u) {
      const std::array<std::uint64_t, Words>& words = beside_[static_cast<std::size_t>(*u)];
      for (std::size_t w = 0; w < Words; ++w) {
        even[w] += words[w] & evens;
        odd[w] += words[w] >> 8 & evens;
      }
    }
    Counts counts;
    for (std::size_t w = 0; w < Words; ++w) {
      for (std::size_t lane = 0; lane < 4; ++lane) {
        counts[w * 8 + 2 * lane] = static_cast<std::uint16_t>(even[w] >> (16 * lane));
        counts[w * 8 + 2 * lane + 1] = static_cast<std::uint16_t>(odd[w] >> (16 * lane));
      }
    }
    return counts;
  }

 private:
  static std::size_t wordOf(int colour) { return static_cast<std::size_t>(colour) / 8; }
  static unsigned shiftOf(int colour) { return static_cast<unsigned>(colour) % 8 * 8; }
  static std::uint64_t one(int colour) { return std::uint64_t{1} << shiftOf(colour); }

  std::vector<std::size_t> starts_;
  std::vector<int> lists_;
  std::vector<int> colours_;
  std::vector<std::array<std::uint64_t, Words>> beside_;
};

/// What colours are to take of all, and take.
class ShareCount {
 public:
  explicit ShareCount(const ColourTask& task) : sizes_(task.sizes) {
    const std::size_t count = task.neighbours.size();
    double total = sizes_.empty() ? static_cast<double>(count) : 0;
    for (const double size : sizes_) total += size;
    mean_ = count > 0 ? total / static_cast<double>(count) : 1;
    double shares = 0;
    for (const double share : task.shares) shares += std::max(share, 0.0);
    for (std::size_t c = 0; c < task.shares.size(); ++c) {
      const double share = shares > 0 ? std::max(task.shares[c], 0.0) / shares
                                      : 1.0 / static_cast<double>(task.shares.size());
      wanted_.push_back(total * share / mean_);
      if (share > 0) useful_ |= colourBit(static_cast<int>(c));
    }
    used_.assign(task.shares.size(), 0);
  }

  /// Against the mean of all.
  double sizeOf(std::size_t v) const { return sizes_.empty() ? 1 : sizes_[v] / mean_; }
  ColourMask useful() const { return useful_; }
  void add(int colour, double size) { used_[static_cast<std::size_t>(colour)] += size; }
  /// By how many things of mean size a colour has too much.
  double over(int colour) const {
    return used_[static_cast<std::size_t>(colour)] - wanted_[static_cast<std::size_t>(colour)];
  }
  /// The same when only so much of all is coloured.
  double overAt(int colour, double done) const {
    return used_[static_cast<std::size_t>(colour)] -
           wanted_[static_cast<std::size_t>(colour)] * done;
  }
  double wanted(int colour) const { return wanted_[static_cast<std::size_t>(colour)]; }
  double mostOff() const {
    double off = 0;
    for (std::size_t c = 0; c < wanted_.size(); ++c)
      off = std::max(off, std::abs(used_[c] - wanted_[c]));
    return off;
  }
  /// Within a thing, or 2 % of all.
  bool nearEnough() const {
    return mostOff() <= std::max(1.0, 0.02 * static_cast<double>(count()));
  }
  /// The change of the squares of what colours are off, when so much goes from one to another.
  double squares(int from, int to, double size) const {
    return 2 * size * (over(to) - over(from) + size);
  }
  double count() const {
    double sum = 0;
    for (const double wanted : wanted_) sum += wanted;
    return sum;
  }

 private:
  const std::vector<double>& sizes_;
  double mean_ = 1;
  std::vector<double> wanted_;
  std::vector<double> used_;
  ColourMask useful_ = 0;
};

}  // namespace avrelt
