// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QHBoxLayout>
#include <QLabel>
#include <QStackedWidget>
#include <vector>

#include "app/fields/desk.h"
#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/gauge/base_page.h"
#include "app/gauge/doubt_page.h"
#include "app/gauge/features_page.h"
#include "app/gauge/growth_page.h"
#include "app/gauge/laying_page.h"
#include "app/gauge/liquid_page.h"
#include "app/gauge/profile_drawing.h"
#include "app/gauge/station_table.h"
#include "app/order/order.h"

namespace avrelt {

/// Station 1: the blank and its measure, the wrap's clearances and seam, and what they come to.
class GaugeStation : public Desk {
  Q_OBJECT

 public:
  explicit GaugeStation(Order& order, QWidget* parent = nullptr);

  /// Puts the keyboard to what is for that; false where nothing is.
  bool goTo(const Where& where) override;
  /// Puts the keyboard where measuring begins.
  void begin();
  /// The pages of the last card: what the wrap comes to, what coats add, how wrong it can be.
  enum Page { figures, laying, growth, doubt };
  void showPage(int page);
  /// The pages of the first card: the measures, and what the body carries.
  enum MeasurePage { measures, features };
  void showMeasures(int page);
  /// The pages of the wrap's card.
  enum WrapPage { wrap, base, liquid };
  void showWrap(int page);
  void traceAPhoto();
  FeaturesPage& featuresPage() { return *features_; }
  LayingPage& layingPage() { return *laying_; }
  LiquidPage& liquidPage() { return *liquidPage_; }
  StationTable& stationTable() { return *stations_; }
  ProfileDrawing& drawing() { return *drawing_; }

 signals:
  void shelfAsked();
  void logAsked();

 private:
  void refresh();
  void refreshFigures();
  QWidget* measureCard();
  QWidget* wrapCard();
  QWidget* figuresCard();

  Order& order_;
  FieldSet fields_;
  Segments* shape_ = nullptr;
  Segments* girth_ = nullptr;
  Segments* along_ = nullptr;
  LengthField* rim_ = nullptr;
  LengthField* base_ = nullptr;
  LengthField* height_ = nullptr;
  LengthField* baseClearance_ = nullptr;
  LengthField* rimClearance_ = nullptr;
  LengthField* overlap_ = nullptr;
  LengthField* seam_ = nullptr;
  ProfileDrawing* drawing_ = nullptr;
  Segments* page_ = nullptr;
  QStackedWidget* pages_ = nullptr;
  QHBoxLayout* row_ = nullptr;
  Segments* measurePage_ = nullptr;
  QStackedWidget* measurePages_ = nullptr;
  QStackedWidget* shapes_ = nullptr;
  StationTable* stations_ = nullptr;
  FeaturesPage* features_ = nullptr;
  QWidget* wrapCard_ = nullptr;
  Segments* wrapPage_ = nullptr;
  QStackedWidget* wrapPages_ = nullptr;
  BasePage* basePage_ = nullptr;
  LiquidPage* liquidPage_ = nullptr;
  LayingPage* laying_ = nullptr;
  GrowthPage* growth_ = nullptr;
  DoubtPage* doubt_ = nullptr;

  struct Figure {
    QLabel* name;
    QLabel* mark;
    QLabel* error;
  };
  std::vector<Figure> figures_;
};

}  // namespace avrelt
