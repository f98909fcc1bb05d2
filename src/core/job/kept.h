// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <utility>

namespace avrelt {

/// What was made of some inputs, made anew only when they are others.
template <typename Inputs, typename Result>
class Kept {
 public:
  template <typename Make>
  const Result& operator()(const Inputs& inputs, const Make& make) {
    if (!inputs_ || !(*inputs_ == inputs)) {
      result_.emplace(make());
      inputs_ = inputs;
      ++times_;
    }
    return *result_;
  }
  /// How often it was made: which one it is.
  long times() const { return times_; }

 private:
  std::optional<Inputs> inputs_;
  std::optional<Result> result_;
  long times_ = 0;
};

}  // namespace avrelt
