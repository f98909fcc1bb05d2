// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/fields/desk.h"
#include "app/fields/field_set.h"
#include "app/fields/pages.h"
#include "app/fill/amounts_page.h"
#include "app/fill/colour_page.h"
#include "app/fill/cutting_page.h"
#include "app/fill/fit_page.h"
#include "app/fill/lift_page.h"
#include "app/fill/pattern_page.h"
#include "app/order/order.h"

namespace avrelt {

/// Station 3: patterns that fill zones, how they are fitted, their colours, and the work that comes
/// of them.
class FillStation : public Desk {
  Q_OBJECT

 public:
  explicit FillStation(Order& order, QWidget* parent = nullptr);

  /// Puts the keyboard to what is for that; false where nothing is.
  bool goTo(const Where& where) override;
  /// Asks for a drawing and fills the zone in hand with it.
  void askForArtwork();
  /// The same without asking.
  void takeArtworkFrom(const QString& path);

  enum PatternPages { family, fit };
  enum WorkPages { lift, amounts, parts };
  Pages& patternPages() { return *patternPages_; }
  Pages& workPages() { return *workPages_; }
  /// Which zone is in hand, and its pattern.
  QString words() const { return zone_->text(); }
  PatternPage& patternPage() { return *pattern_; }
  FitPage& fitPage() { return *fit_; }
  ColourPage& colourPage() { return *colours_; }
  LiftPage& liftPage() { return *lift_; }
  AmountsPage& amountsPage() { return *amounts_; }
  CuttingPage& cuttingPage() { return *cutting_; }

 private:
  void refresh();
  void refreshHead();

  Order& order_;
  FieldSet fields_;
  Pages* patternPages_ = nullptr;
  Pages* workPages_ = nullptr;
  QLabel* zone_ = nullptr;
  PatternPage* pattern_ = nullptr;
  FitPage* fit_ = nullptr;
  ColourPage* colours_ = nullptr;
  LiftPage* lift_ = nullptr;
  AmountsPage* amounts_ = nullptr;
  CuttingPage* cutting_ = nullptr;
};

}  // namespace avrelt
