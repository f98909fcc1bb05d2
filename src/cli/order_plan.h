// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "job/plan.h"
#include "shop/shop.h"

namespace avrelt {

/// What a command ends with where something was refused.
inline constexpr int refused = 2;

/// The files a command works from and writes to.
struct PlanOptions {
  std::string file;
  std::string folder;
  std::string shop;
};

/// Says what is wrong; gives `refused`.
int complain(const std::string& sentence);

/// The shop that is named, or none; nothing where it cannot be opened, which is complained of.
std::optional<std::optional<Shop>> shopFrom(const std::string& file, Unit unit);

/// An order's plan by what a shop knows; complained of where there is none.
std::optional<Plan> planFrom(const PlanOptions& options);

}  // namespace avrelt
