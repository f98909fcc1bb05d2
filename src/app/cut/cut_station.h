// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/cut/purpose_choice.h"
#include "app/cut/sheet_view.h"
#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The station where parts become files: which part, on which paper, saved as what.
class CutStation : public QWidget {
  Q_OBJECT

 public:
  /// The actions are those of the menu; the buttons here only bring them near.
  CutStation(Order& order, QAction* saveSvg, QAction* savePdf, QAction* saveAll,
             QWidget* parent = nullptr);

  const std::string& purpose() const { return purpose_; }
  void choose(const std::string& purpose);
  /// Whether what is chosen is seen among the cup's zones, not on the wrap.
  bool isForZones() const;
  bool goTo(const QString& field);

 signals:
  void purposeChosen();

 private:
  void lightUp();
  void refresh();
  QWidget* pieceCard();
  QWidget* sheetCard();
  QWidget* filesCard(QAction* saveSvg, QAction* savePdf, QAction* saveAll);

  Order& order_;
  FieldSet fields_;
  std::string purpose_ = purpose::wrap;
  std::vector<PurposeChoice*> choices_;
  LengthField* stripAt_ = nullptr;
  LengthField* stripWidth_ = nullptr;
  Segments* paper_ = nullptr;
  SheetView* sheet_ = nullptr;
  QCheckBox* cut_ = nullptr;
  Segments* over_ = nullptr;
  QLabel* pages_ = nullptr;
};

}  // namespace avrelt
