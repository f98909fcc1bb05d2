// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tl/expected.hpp>
#include <utility>
#include <vector>

#include "measure/sentence.h"
#include "measure/where.h"

namespace avrelt {

/// What is wrong with something the maker entered, as a value a view can show beside the field.
/// The sentence says what was wrong and what would be accepted.
struct Fault {
  Where where;  ///< empty where the whole is meant
  Sentence sentence;

  friend bool operator==(const Fault&, const Fault&) = default;
};

using Faults = std::vector<Fault>;

/// A value, or the one thing wrong with what it was to be made from.
template <typename T>
using Checked = tl::expected<T, Fault>;

/// A value, or everything wrong with what it was to be made from.
template <typename T>
using CheckedAll = tl::expected<T, Faults>;

inline tl::unexpected<Fault> refuse(Where where, std::string pattern,
                                    std::vector<Sentence::Part> parts = {}) {
  return tl::unexpected<Fault>(
      Fault{std::move(where), Sentence{std::move(pattern), std::move(parts)}});
}

}  // namespace avrelt
