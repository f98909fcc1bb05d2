// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QPushButton>

#include "divide/cut.h"
#include "log/supply.h"

namespace avrelt {

/// A button that offers what the shop has for a finish: glitters for glitter, paints for paint.
/// What is taken gives the finish its name, its colour, and the supply that steps use up.
class SupplyButton : public QPushButton {
  Q_OBJECT

 public:
  explicit SupplyButton(QWidget* parent = nullptr);

  /// Where the shop's supplies are asked for, each time the menu opens.
  void setSupplies(std::function<const SupplyShelf&()> supplies) {
    supplies_ = std::move(supplies);
  }
  /// Hidden where the finish is of nothing that is used up.
  void show(const Finish& finish);
  /// Gives a finish what was taken; nothing takes back which supply it is.
  static void take(Finish& finish, const std::optional<Supply>& supply);

 signals:
  void taken(const std::optional<Supply>& supply);

 private:
  void fill();

  std::function<const SupplyShelf&()> supplies_;
  Finish finish_;
};

}  // namespace avrelt
