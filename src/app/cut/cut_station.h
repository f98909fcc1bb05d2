// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/cut/piece_choice.h"
#include "app/cut/sheet_view.h"
#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The station where pieces become files: which piece, on which paper, saved as what.
class CutStation : public QWidget {
  Q_OBJECT

 public:
  /// The actions are those of the menu; the buttons here only bring them near.
  CutStation(Order& order, QAction* saveSvg, QAction* savePdf, QAction* saveAll,
             QWidget* parent = nullptr);

  PieceRole role() const { return role_; }
  void choose(PieceRole role);
  bool goTo(const QString& field);

 signals:
  void roleChosen();

 private:
  void refresh();
  QWidget* pieceCard();
  QWidget* sheetCard();
  QWidget* filesCard(QAction* saveSvg, QAction* savePdf, QAction* saveAll);

  Order& order_;
  FieldSet fields_;
  PieceRole role_ = PieceRole::wrap;
  std::vector<PieceChoice*> choices_;
  LengthField* stripAt_ = nullptr;
  LengthField* stripWidth_ = nullptr;
  Segments* paper_ = nullptr;
  SheetView* sheet_ = nullptr;
  QCheckBox* cut_ = nullptr;
  QLabel* pages_ = nullptr;
};

}  // namespace avrelt
